/**
 * Ringing out a cable that nobody labelled: which two places to touch next, what the answers tell,
 * and how many probes are left.
 *
 * <p>Start with {@link kumite.ringout.RingOut}, the record of what was asked and heard; {@link
 * kumite.ringout.Known} is what follows from it, {@link kumite.ringout.NextProbe} what to ask next.
 */
@NullMarked
package kumite.ringout;

import org.jspecify.annotations.NullMarked;
