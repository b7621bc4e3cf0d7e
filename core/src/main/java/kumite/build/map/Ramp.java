package kumite.build.map;

import kumite.measure.Range;

/**
 * How fast an axis that switches drive moves.
 *
 * @param riseMs from the middle to an end, in ms; 0 to 5000, 0 jumps
 * @param returnMs from an end back to the middle, in ms; 0 to 5000
 */
public record Ramp(int riseMs, int returnMs) {
  /** How long either way lasts. */
  public static final Range LASTS = Range.of(0, 5000, "ms");

  public Ramp {
    LASTS.check(riseMs, "rise_ms");
    LASTS.check(returnMs, "return_ms");
  }
}
