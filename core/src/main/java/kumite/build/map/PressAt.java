package kumite.build.map;

import kumite.measure.Check;

/**
 * Where an analog contact that is used as a press counts as pressed, in thousandths of the
 * converter's range. Between both it stays what it was.
 *
 * @param on at or above this it is pressed; 1 to 1000
 * @param off below this it is let go; 0 to {@code on}
 */
public record PressAt(int on, int off) {
  /** From the middle of the travel, without a gap. */
  public static final PressAt MIDDLE = new PressAt(500, 500);

  public PressAt {
    Check.between(1, 1000, on, "on");
    Check.between(0, on, off, "off");
  }
}
