/**
 * Does it work, and if not, what is wrong? Questions to put to a build at the bench, what each
 * should give, and what the answers tell. Start at {@link kumite.bringup.Rounds} and {@link
 * kumite.bringup.Diagnosis}.
 */
@NullMarked
package kumite.bringup;

import org.jspecify.annotations.NullMarked;
