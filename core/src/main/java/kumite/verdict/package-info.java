/**
 * The judgement: every check of a build, and everything worked out for it in one place.
 *
 * <p>{@link kumite.verdict.Bench#of} is the door to the whole core. A {@link
 * kumite.finding.Finding} says stop, look or fine about something, with its working and, where
 * there is one, a {@link kumite.finding.Fix}. Faults of a build are findings, never exceptions.
 */
@NullMarked
package kumite.verdict;

import org.jspecify.annotations.NullMarked;
