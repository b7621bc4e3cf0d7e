package kumite.build.map;

import kumite.measure.Check;
import kumite.measure.Range;

/**
 * Where an analog contact that is used as a press counts as pressed, in thousandths of the
 * converter's range. Between both it stays what it was.
 *
 * @param on at or above this it is pressed; 1 to 1000
 * @param off below this it is let go; 0 to {@code on}
 */
public record PressAt(int on, int off) {
  /** From where it is pressed. */
  public static final Range ON = Range.of(1, 1000);

  /** Below where it is let go; no higher than where it is pressed. */
  public static final Range OFF = Range.of(0, 1000);

  /** From the middle of the travel, without a gap. */
  public static final PressAt MIDDLE = new PressAt(500, 500);

  /** How much of the way it has to go back from a rest in the middle, in thousandths. */
  private static final int BACK = 50;

  /**
   * {@return the usual one for a contact that rests at a place of its travel, 0 to 1: half of the
   * way that is left}
   */
  static PressAt from(double rest) {
    if (rest <= 0 || rest >= 1) {
      return MIDDLE;
    }
    int on = (int) Math.round(500 + 500 * rest);
    return new PressAt(on, Math.max((int) Math.ceil(1000 * rest), on - BACK));
  }

  public PressAt {
    ON.check(on, "on");
    Check.between(0, on, off, "off");
  }
}
