package kumite.build.map;

import java.util.OptionalInt;
import kumite.measure.Check;
import kumite.measure.Range;

/**
 * How the code of an analog contact becomes the value of an axis. Codes are in thousandths of what
 * the board's converter gives at most, so that a tuning outlives a change of board.
 *
 * @param least the code at one end, 0 to 999
 * @param centre the code at rest, between both ends; empty for a contact that rests at an end
 * @param most the code at the other end, above {@code least}, at most 1000
 * @param dead how much about the rest counts as rest, in thousandths of the travel; 0 to 900
 * @param saturation from which part of the travel on it counts as the end, in thousandths; above
 *     {@code dead}, at most 1000
 * @param curve -100 to 100: 0 straight, above 0 finer near the rest, below 0 coarser
 * @param inverted whether the ends change places
 * @param smoothing 0 to 7: each look takes one 2^n-th of the way to the new code
 * @param calibrated whether least, centre and most were measured
 */
public record AxisTuning(
    int least,
    OptionalInt centre,
    int most,
    int dead,
    int saturation,
    int curve,
    boolean inverted,
    int smoothing,
    boolean calibrated) {
  /** The code at one end. */
  public static final Range LEAST = Range.of(0, 999);

  /** The code at rest; it also lies between both ends. */
  public static final Range CENTRE = Range.of(0, 1000);

  /** The code at the other end; it also lies above the first. */
  public static final Range MOST = Range.of(1, 1000);

  /** What counts as rest. */
  public static final Range DEAD = Range.of(0, 900);

  /** From where it counts as the end; above what counts as rest. */
  public static final Range SATURATION = Range.of(1, 1000);

  /** How it bends. */
  public static final Range CURVE = Range.of(-100, 100);

  /** How much it is smoothed. */
  public static final Range SMOOTHING = Range.of(0, 7);

  /** As the converter gives it. */
  public static final AxisTuning STRAIGHT =
      new AxisTuning(0, OptionalInt.empty(), 1000, 0, 1000, 0, false, 0, false);

  public AxisTuning {
    LEAST.check(least, "least");
    Check.between(least + 1, (int) MOST.most(), most, "most");
    if (centre.isPresent()) {
      Check.between(least, most, centre.getAsInt(), "centre");
    }
    DEAD.check(dead, "dead");
    Check.between(dead + 1, (int) SATURATION.most(), saturation, "saturation");
    CURVE.check(curve, "curve");
    SMOOTHING.check(smoothing, "smoothing");
  }

  /** {@return the same with measured ends} */
  public AxisTuning measured(int newLeast, OptionalInt newCentre, int newMost) {
    return new AxisTuning(
        newLeast, newCentre, newMost, dead, saturation, curve, inverted, smoothing, true);
  }

  /** {@return the same with another dead zone and saturation, in thousandths} */
  public AxisTuning between(int newDead, int newSaturation) {
    return new AxisTuning(
        least, centre, most, newDead, newSaturation, curve, inverted, smoothing, calibrated);
  }

  /** {@return the same with its rest so far between its ends, 0 to 1} */
  AxisTuning centredAt(double rest) {
    int at = least + (int) Math.round(rest * (most - least));
    return new AxisTuning(
        least, OptionalInt.of(at), most, dead, saturation, curve, inverted, smoothing, calibrated);
  }

  /** {@return the same with another curve} */
  public AxisTuning curved(int newCurve) {
    return new AxisTuning(
        least, centre, most, dead, saturation, newCurve, inverted, smoothing, calibrated);
  }

  /** {@return the same with its ends in this order} */
  public AxisTuning inverted(boolean newInverted) {
    return new AxisTuning(
        least, centre, most, dead, saturation, curve, newInverted, smoothing, calibrated);
  }

  /** {@return the same with another smoothing} */
  public AxisTuning smoothed(int newSmoothing) {
    return new AxisTuning(
        least, centre, most, dead, saturation, curve, inverted, newSmoothing, calibrated);
  }
}
