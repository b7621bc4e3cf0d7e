package kumite.program;

import kumite.build.map.PressAt;

/** Step 3: an analog contact that is used as a press. */
public final class Threshold {
  private Threshold() {}

  /**
   * {@return whether it is pressed}
   *
   * @param was whether it was at the look before
   * @param code what was looked at
   * @param most what the converter gives at most
   * @param at where it counts as pressed and as let go
   */
  public static boolean next(boolean was, int code, int most, PressAt at) {
    long thousandths = 1000L * code;
    if (thousandths >= (long) at.on() * most) {
      return true;
    }
    return was && thousandths >= (long) at.off() * most;
  }
}
