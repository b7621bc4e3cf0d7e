/**
 * Kinds of things a builder can buy or reuse: controls, contacts, lamps, boards and their
 * terminals, wire.
 *
 * <p>Start at {@link kumite.kind.ControlKind} and {@link kumite.kind.BoardKind}. The shipped kinds
 * are data, read by the catalogue; own ones live in the build.
 */
@NullMarked
package kumite.kind;

import org.jspecify.annotations.NullMarked;
