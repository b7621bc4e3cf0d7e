package kumite.build.map;

import kumite.measure.Check;

/**
 * How fast an axis that switches drive moves.
 *
 * @param riseMs from the middle to an end, in ms; 0 to 5000, 0 jumps
 * @param returnMs from an end back to the middle, in ms; 0 to 5000
 */
public record Ramp(int riseMs, int returnMs) {
  public Ramp {
    Check.between(0, 5000, riseMs, "rise_ms");
    Check.between(0, 5000, returnMs, "return_ms");
  }
}
