/**
 * What each contact means to the host: reading and writing meanings, proposing them, coverage.
 *
 * <p>{@link kumite.map.TargetText} turns typed words into a meaning and back; {@link
 * kumite.map.Coverage} compares a mapping with what the host asks for; {@link kumite.map.Proposal}
 * maps what is left.
 */
@NullMarked
package kumite.map;

import org.jspecify.annotations.NullMarked;
