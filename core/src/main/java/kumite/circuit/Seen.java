package kumite.circuit;

/**
 * What a board takes in by one look.
 *
 * @param volts at the place it reads, with all parts at their usual value
 * @param reading what it makes of them
 * @param pressed whether that counts as pressed
 * @param code the converter's code, where volts are measured; else 0
 */
public record Seen(double volts, InputLevels.Reading reading, boolean pressed, int code) {}
