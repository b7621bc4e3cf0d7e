/**
 * The code for a build: its tables, and the program around them in several languages.
 *
 * <p>{@link kumite.firmware.Score} is what a build makes of the program, in no language; {@link
 * kumite.firmware.Firmware} writes it down.
 */
@NullMarked
package kumite.firmware;

import org.jspecify.annotations.NullMarked;
