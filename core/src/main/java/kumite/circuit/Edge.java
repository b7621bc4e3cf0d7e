package kumite.circuit;

import kumite.component.Component;
import org.jspecify.annotations.Nullable;

/**
 * A way for current between two nets, open or not as hands and terminals stand.
 *
 * @param kind what it is
 * @param a the first net, or a rail of the board's own
 * @param b the other
 * @param part the part it belongs to; null for what is inside the board, within this package only
 * @param index its place in a part of several: tap, channel; else 0
 * @param terminal the board's terminal for pulls and drives; else empty
 */
record Edge(Kind kind, int a, int b, @Nullable Component part, int index, String terminal) {
  /** In place of a net: the board's ground. */
  static final int GROUND = -1;

  /** In place of a net: the board's logic supply; those of other boards have numbers below it. */
  static final int LOGIC = -2;

  /** What lets current through. */
  enum Kind {
    PULL,
    DRIVE_HIGH,
    DRIVE_LOW,
    RESISTOR,
    /** Common to the tab that closes when held. */
    OPEN_CONTACT,
    /** Common to the tab that is closed at rest. */
    RESTING_CONTACT,
    TAP,
    POT_LOW,
    POT_HIGH,
    DIODE,
    LAMP,
    SKIN,
    OUTPUT_HIGH,
    OUTPUT_LOW,
    CHANNEL,
    LEAK,
    /** A register's output, while it is high. */
    OUT_HIGH,
    /** A register's output, while it is low. */
    OUT_LOW
  }

  /** Each way is there once, so that it is told apart by being itself; thousands are looked up. */
  @Override
  public boolean equals(Object other) {
    return this == other;
  }

  @Override
  public int hashCode() {
    return System.identityHashCode(this);
  }

  int other(int net) {
    return a == net ? b : a;
  }
}
