package kumite.circuit;

import java.util.Objects;

/** One part of a circuit between named nodes; node {@value Circuit#GROUND} is ground. */
public sealed interface Element {
  /** {@return its name, unique in the circuit; in a SPICE deck its letter is put before it} */
  String name();

  /** {@return the node of its first end: the plus of a source, the anode of a diode} */
  String a();

  /** {@return the node of its second end} */
  String b();

  /**
   * A resistor.
   *
   * @param ohm above 0
   */
  record Resistor(String name, String a, String b, double ohm) implements Element {
    public Resistor {
      named(name, a, b);
      if (!(ohm > 0) || Double.isInfinite(ohm)) {
        throw new IllegalArgumentException(
            "resistor "
                + name
                + " must be above 0 ohm, but was "
                + ohm
                + "; a plain wire joins its two nodes into one instead");
      }
    }
  }

  /** A source of fixed volts, plus at {@code a}. */
  record Source(String name, String a, String b, double volts) implements Element {
    public Source {
      named(name, a, b);
      if (Double.isNaN(volts) || Double.isInfinite(volts)) {
        throw new IllegalArgumentException("source " + name + " needs its volts, but had " + volts);
      }
    }
  }

  /**
   * A switch.
   *
   * @param ohm while closed, above 0
   */
  record Switch(String name, String a, String b, double ohm, boolean closed) implements Element {
    public Switch {
      named(name, a, b);
      if (!(ohm > 0) || Double.isInfinite(ohm)) {
        throw new IllegalArgumentException(
            "switch " + name + " must be above 0 ohm while closed, but was " + ohm);
      }
    }
  }

  /** A diode or lamp, anode at {@code a}. */
  record Diode(String name, String a, String b, Model model) implements Element {
    public Diode {
      named(name, a, b);
      Objects.requireNonNull(model, "model");
    }
  }

  /**
   * The law of a diode: I = IS (exp(V / (N VT)) - 1), with RS in series.
   *
   * @param name for people
   * @param saturationAmps IS, above 0
   * @param emission N, 0.5 to 10
   * @param seriesOhm RS, 0 or more
   */
  record Model(String name, double saturationAmps, double emission, double seriesOhm) {
    /** kT/q at 27 C, as circuit simulators take it; CODATA constants, from memory. */
    public static final double THERMAL_VOLTS = 0.0258649;

    /**
     * A small-signal silicon diode of the common switching kind; its three figures are those that
     * libraries of models give for it, from memory.
     */
    public static final Model SIGNAL_DIODE =
        new Model("small-signal silicon diode", 2.52e-9, 1.752, 0.568);

    public Model {
      if (!(saturationAmps > 0) || !(emission >= 0.5 && emission <= 10) || !(seriesOhm >= 0)) {
        throw new IllegalArgumentException(
            "diode "
                + name
                + " needs IS above 0, N from 0.5 to 10 and RS of 0 or more, but had "
                + saturationAmps
                + ", "
                + emission
                + ", "
                + seriesOhm);
      }
    }

    /**
     * A lamp that has the given volts at the given current. N = 2 and RS = 2 ohm are common
     * practice, no source; IS follows.
     *
     * @param forwardVolts above 0
     * @param amps above 0
     */
    public static Model lamp(double forwardVolts, double amps) {
      if (!(forwardVolts > 0) || !(amps > 0)) {
        throw new IllegalArgumentException(
            "a lamp needs its volts and amps above 0, but had " + forwardVolts + " and " + amps);
      }
      double seriesOhm = 2;
      double junction = Math.max(0.1, forwardVolts - amps * seriesOhm);
      return new Model("lamp", amps / Math.expm1(junction / (2 * THERMAL_VOLTS)), 2, seriesOhm);
    }
  }

  private static void named(String name, String a, String b) {
    if (!plain(name) || !plain(a) || !plain(b)) {
      throw new IllegalArgumentException(
          "parts and nodes are named by letters, digits and _, but had \""
              + name
              + "\" between \""
              + a
              + "\" and \""
              + b
              + "\"");
    }
  }

  /** Not a pattern: thousands of parts are made on an edit. */
  private static boolean plain(String text) {
    for (int i = 0; i < text.length(); i++) {
      char c = text.charAt(i);
      boolean letter = c >= 'a' && c <= 'z' || c >= 'A' && c <= 'Z';
      if (!letter && !(c >= '0' && c <= '9') && c != '_') {
        return false;
      }
    }
    return !text.isEmpty();
  }
}
