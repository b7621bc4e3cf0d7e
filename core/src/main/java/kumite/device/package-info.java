/**
 * The build pressed before it exists: signal paths and a simulated device in virtual time.
 *
 * <p>{@link kumite.device.SignalPath#all} follows each contact from finger to function; {@link
 * kumite.device.SimulatedDevice} runs them: bouncing contact, level, scan, debounce, map, report.
 * Times are microseconds from the press; travel runs from 0 to 1.
 */
@NullMarked
package kumite.device;

import org.jspecify.annotations.NullMarked;
