package kumite.kind;

/**
 * A light-emitting diode inside a control, without a resistor of its own.
 *
 * @param forwardVolts its forward voltage at the current
 * @param milliamps the current it is made for
 * @param colour in words
 */
public record Lamp(double forwardVolts, double milliamps, String colour) {}
