package kumite.signal;

import java.util.Objects;
import java.util.Optional;
import kumite.measure.Check;
import kumite.measure.Range;

/**
 * One line of a port.
 *
 * @param name what it carries, such as {@code latch}; small letters, digits and underscores
 * @param pin the pin of the connector
 * @param from who drives it
 * @param idle how it stands between readings
 * @param pull the resistor to the supply that the reading side owes it; empty for none
 */
public record SignalLine(String name, String pin, From from, Level idle, Optional<Double> pull) {
  /** A pull-up, in ohm. */
  public static final Range OHM = Range.above(0, 1e7, "ohm");

  /** Who drives a line. */
  public enum From {
    CONSOLE("the console drives it"),
    PAD("the pad drives it high and low"),
    /** Open collector: the pad pulls low and lets go. */
    PAD_LOW("the pad pulls it low"),
    /** Open collector from both sides. */
    BOTH_LOW("both pull it low in turn"),
    /** Driven from both sides in turn. */
    BOTH("both drive it in turn"),
    /** A potentiometer to the supply. */
    POT("a potentiometer to the supply");

    private final String words;

    From(String words) {
      this.words = words;
    }

    /** {@return it in words} */
    public String words() {
      return words;
    }

    /** {@return whether only something outside the driver lifts it} */
    public boolean needsPull() {
      return this == PAD_LOW || this == BOTH_LOW;
    }

    /** {@return whether the pad has a hand in it} */
    public boolean byPad() {
      return this != CONSOLE;
    }

    /** {@return whether the console has a hand in it} */
    public boolean byConsole() {
      return this == CONSOLE || this == BOTH_LOW || this == BOTH;
    }
  }

  public SignalLine {
    if (!name.matches("[a-z][a-z0-9_]{0,23}")) {
      throw new IllegalArgumentException(
          "\"" + name + "\" is no name of a line; use small letters, digits and underscores");
    }
    Check.filled(pin, "pin");
    Objects.requireNonNull(from, "from");
    if (!idle.clear()) {
      throw new IllegalArgumentException("line " + name + " idles high or low, not " + idle.word());
    }
    pull.ifPresent(ohm -> OHM.check(ohm, "pull-up of line " + name));
    if (from.needsPull() && pull.isEmpty()) {
      throw new IllegalArgumentException(
          "line "
              + name
              + " is only ever pulled low, so nothing lifts it; give it a pull-up, such as 10000");
    }
  }
}
