package kumite.build.map;

import kumite.measure.Check;

/**
 * Rapid fire: while its contact is held, the meaning goes on and off.
 *
 * @param onMs how long it is on, in ms; 1 to 5000
 * @param offMs how long it is off, in ms; 1 to 5000
 */
public record Repeat(int onMs, int offMs) {
  public Repeat {
    Check.between(1, 5000, onMs, "on_ms");
    Check.between(1, 5000, offMs, "off_ms");
  }
}
