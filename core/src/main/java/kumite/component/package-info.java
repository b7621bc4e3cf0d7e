/**
 * Electrical parts with named ends, and nothing but that: what is soldered and screwed between
 * wires.
 *
 * <p>Start at {@link kumite.component.Component}. The loom says which parts a build has, the wiring
 * joins their ends, and circuits are made from both.
 */
@NullMarked
package kumite.component;

import org.jspecify.annotations.NullMarked;
