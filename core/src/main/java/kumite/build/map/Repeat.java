package kumite.build.map;

import kumite.measure.Range;

/**
 * Rapid fire: while its contact is held, the meaning goes on and off.
 *
 * @param onMs how long it is on, in ms; 1 to 5000
 * @param offMs how long it is off, in ms; 1 to 5000
 */
public record Repeat(int onMs, int offMs) {
  /** How long each half of it lasts. */
  public static final Range LASTS = Range.of(1, 5000, "ms");

  public Repeat {
    LASTS.check(onMs, "on_ms");
    LASTS.check(offMs, "off_ms");
  }
}
