/**
 * Lengths, places and outlines: how large, where, and of what shape.
 *
 * <p>Start at {@link kumite.measure.Length} (typed lengths) or {@link kumite.measure.Placement}.
 * Lengths are millimetres as {@code double} with {@code Mm} in the name. Nothing here knows what is
 * measured.
 */
@NullMarked
package kumite.measure;

import org.jspecify.annotations.NullMarked;
