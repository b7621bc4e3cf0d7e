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

    /** Of the rated volts a lamp has this share left at a tiny current. */
    static final double LOW_SHARE = 0.77;

    private static final double LOW_RATIO = 80_000;

    /** Below this, simulators of the usual kind lose the junction in their rounding. */
    static final double LEAST_IS = 1.05e-24;

    /** Leads and bulk of a lamp, in ohm: common practice, no source. */
    private static final double LAMP_OHM = 2;

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
     * A lamp that has the given volts at the given current, and {@value #LOW_SHARE} of them at an
     * eighty-thousandth of it: a meter on the joint of a white lamp, a quarter of a microampere, is
     * said to leave 2.4 to 2.6 V (common practice, no source). IS is kept at {@value #LEAST_IS} A
     * or more, so that any simulator solves it at 27 C.
     *
     * @param forwardVolts at {@code amps}, above 0
     * @param amps above 0
     * @param insideOhm the resistor inside the lamp, in series; 0 where it has none
     * @throws IllegalArgumentException if no lamp can be so
     */
    public static Model lamp(double forwardVolts, double amps, double insideOhm) {
      if (!(forwardVolts > 0) || !(amps > 0) || !(insideOhm >= 0)) {
        throw new IllegalArgumentException(
            "a lamp needs its volts and amps above 0, but had " + forwardVolts + " and " + amps);
      }
      double junction = Math.max(0.1, forwardVolts - amps * LAMP_OHM);
      double low = LOW_SHARE * forwardVolts;
      double emission = (junction - low) / (THERMAL_VOLTS * Math.log(LOW_RATIO));
      double least = junction / (THERMAL_VOLTS * Math.log(amps / LEAST_IS));
      emission = Math.min(10, Math.max(0.5, Math.max(emission, least)));
      double saturation = amps / Math.expm1(junction / (emission * THERMAL_VOLTS));
      return new Model("lamp", saturation, emission, LAMP_OHM + insideOhm);
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
