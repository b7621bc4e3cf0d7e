/**
 * The build: one controller project as an immutable value.
 *
 * <p>Start reading at {@link kumite.build.Build}. An {@link kumite.build.Edit} makes a new build
 * from an old one; undo keeps the old one. Everything that can be worked out from a build lives in
 * the packages above and is never stored here.
 *
 * <p>Lengths are millimetres as {@code double} with {@code Mm} in the name. Panel coordinates are
 * seen from the finished face: x grows to the right from the left edge, y grows from the front edge
 * (nearest the player) to the back.
 */
@NullMarked
package kumite.build;

import org.jspecify.annotations.NullMarked;
