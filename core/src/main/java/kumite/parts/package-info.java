/**
 * The catalogue of parts: kinds of controls and kinds of boards, described by trait.
 *
 * <p>Start at {@link kumite.parts.Catalogue#standard()}. The data ships as JSON beside this
 * package; sizes there are generic, rounded from common parts, and no substitute for a caliper.
 * Lengths are millimetres, resistances ohms, times microseconds, volts volts.
 */
@NullMarked
package kumite.parts;

import org.jspecify.annotations.NullMarked;
