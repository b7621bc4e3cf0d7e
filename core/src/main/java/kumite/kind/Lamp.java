package kumite.kind;

import kumite.measure.Check;

/**
 * A light-emitting diode inside a control.
 *
 * @param forwardVolts its forward voltage at the current; above 0
 * @param milliamps the current it is made for; above 0
 * @param colour in words
 * @param ratedVolts what it is made to be fed from through the resistor inside it; 0 where it has
 *     none
 */
public record Lamp(double forwardVolts, double milliamps, String colour, double ratedVolts) {
  public Lamp {
    Check.above(0, forwardVolts, "forward_v");
    Check.above(0, milliamps, "current_ma");
    Check.between(0, 24, ratedVolts, "rated_v");
    if (ratedVolts > 0) {
      Check.above(forwardVolts, ratedVolts, "rated_v");
    }
  }

  /** A lamp without a resistor of its own. */
  public Lamp(double forwardVolts, double milliamps, String colour) {
    this(forwardVolts, milliamps, colour, 0);
  }

  /** {@return whether its resistor is inside it} */
  public boolean resistorInside() {
    return ratedVolts > 0;
  }

  /** {@return the resistor inside it, in ohm; 0 where it has none} */
  public double insideOhm() {
    return resistorInside() ? (ratedVolts - forwardVolts) / milliamps * 1000 : 0;
  }
}
