/**
 * What was asked at the bench and what the meter or the host answered. Start at {@link
 * kumite.build.bringup.RoundBook}.
 */
@NullMarked
package kumite.build.bringup;

import org.jspecify.annotations.NullMarked;
