package kumite.build.bringup;

import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import kumite.measure.Check;
import kumite.working.Quantity;

/** What a meter, the host or the builder said to a question. */
public sealed interface Answer {
  /** The most volts and ohms that are taken for a reading. */
  double MOST_VOLTS = 1000;

  double MOST_OHM = 1e9;

  /** The meter beeped, or was silent. */
  record Beep(boolean beeps) implements Answer {
    @Override
    public String toString() {
      return beeps ? "beep" : "silent";
    }
  }

  /** Volts between the probes, the red one's against the black one's. */
  record Volts(double volts) implements Answer {
    public Volts {
      Check.between(-MOST_VOLTS, MOST_VOLTS, volts, "volts");
    }

    @Override
    public String toString() {
      return (volts < 0 ? "-" : "") + Quantity.VOLT.words(Math.abs(volts));
    }
  }

  /** Ohms between the probes. */
  record Ohms(double ohm) implements Answer {
    public Ohms {
      Check.between(0, MOST_OHM, ohm, "ohms");
    }

    @Override
    public String toString() {
      return Quantity.OHM.words(ohm);
    }
  }

  /**
   * What the host showed.
   *
   * @param shown the contacts whose functions it showed, buttons with 1, what travels with how far
   */
  record Shows(Held shown) implements Answer {
    @Override
    public String toString() {
      return shown.none() ? "nothing" : shown.toString();
    }
  }

  /** How many devices. */
  record Count(int devices) implements Answer {
    public Count {
      Check.between(0, 99, devices, "number of devices");
    }

    @Override
    public String toString() {
      return devices + (devices == 1 ? " device" : " devices");
    }
  }

  /** It works, or does not. */
  record Works(boolean works) implements Answer {
    @Override
    public String toString() {
      return works ? "yes" : "no";
    }
  }

  /**
   * Reads what was typed as the answer to a question.
   *
   * @throws IllegalArgumentException if it is none; the message says what to type
   */
  static Answer parse(Ask ask, String typed) {
    String text = typed.strip();
    String word = text.toLowerCase(Locale.ROOT);
    if (ask instanceof Ask.Probe probe) {
      return probe.power().live() ? volts(text, word) : unpowered(text, word);
    }
    if (ask instanceof Ask.Press press) {
      return switch (word) {
        case "nothing", "none", "n", "no" -> new Shows(Held.NONE);
        case "y", "yes" -> new Shows(press.held());
        case "" ->
            throw new IllegalArgumentException(
                "what did the host show? write the contacts, such as horn, or nothing");
        default -> new Shows(Held.parse(text));
      };
    }
    return ask instanceof Ask.Devices ? count(text, word) : works(text, word);
  }

  private static Answer unpowered(String text, String word) {
    switch (word) {
      case "beep", "beeps", "y", "yes" -> {
        return new Beep(true);
      }
      case "silent", "silence", "n", "no", "ol", "o.l", "0l", "open" -> {
        return new Beep(false);
      }
      default -> {}
    }
    try {
      return word.endsWith("v") || word.endsWith("volts") || word.endsWith("volt")
          ? new Volts(signed(text))
          : new Ohms(Quantity.OHM.parse(text));
    } catch (IllegalArgumentException e) {
      throw new IllegalArgumentException(
          "\""
              + text
              + "\" is no reading of a meter; write beep, silent, ohms such as 2k2, or the"
              + " volts of a diode range such as 0.6 V",
          e);
    }
  }

  private static Answer volts(String text, String word) {
    if (word.startsWith("beep") || word.startsWith("silen")) {
      throw new IllegalArgumentException(
          "\""
              + text
              + "\": a meter on continuity does not belong on what is powered; write volts,"
              + " or the state unpowered");
    }
    try {
      return new Volts(signed(text));
    } catch (IllegalArgumentException e) {
      throw new IllegalArgumentException(
          "\"" + text + "\" is no reading in volts; write for example 2.4 V, 30 mV or -0.1", e);
    }
  }

  private static double signed(String text) {
    Matcher match = Pattern.compile("([+\u2212-]?)\\s*(.*)").matcher(text);
    match.matches();
    double value = Quantity.VOLT.parse(match.group(2));
    return match.group(1).isEmpty() || match.group(1).equals("+") ? value : -value;
  }

  private static Answer count(String text, String word) {
    Matcher match = Pattern.compile("(\\d{1,2})(\\s*devices?)?|none|no|n").matcher(word);
    if (!match.matches()) {
      throw new IllegalArgumentException(
          "\"" + text + "\" is no number of devices; write for example 1");
    }
    return new Count(match.group(1) == null ? 0 : Integer.parseInt(match.group(1)));
  }

  private static Answer works(String text, String word) {
    Boolean works = Map.of("yes", true, "y", true, "no", false, "n", false).get(word);
    if (works == null) {
      throw new IllegalArgumentException("\"" + text + "\": write yes or no");
    }
    return new Works(works);
  }
}
