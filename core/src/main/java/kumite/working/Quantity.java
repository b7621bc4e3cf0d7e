package kumite.working;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Electrical quantities as builders type and read them: {@code 4k7}, {@code 4.7 kOhm}, {@code 20
 * mA}, {@code 100n}.
 *
 * <p>A letter may stand where the point would: {@code 4k7} is 4.7 kilo, {@code 4R7} 4.7, {@code
 * R47} 0.47 and {@code 3V3} 3.3. Without a prefix letter the number is taken in the unit itself,
 * for amps in mA.
 */
public enum Quantity {
  OHM("ohm", "ohms?|Ω|Ω|r", 1, "220, 220 ohm or 4k7"),
  VOLT("V", "volts?|v", 1, "5, 3.3 V or 3V3"),
  AMP("A", "amps?|a", 1e-3, "20, 20 mA or 0.02 A"),
  FARAD("F", "farads?|f", 1, "100 nF, 100n or 0.1 uF"),
  SECOND("s", "s|sec|seconds?", 1e-3, "5, 5 ms or 200 us"),
  AMP_HOUR("Ah", "ah", 1e-3, "2000, 2000 mAh or 2 Ah");

  private static final String NUMBER = "(\\d+(?:[.,]\\d+)?|[.,]\\d+)";

  private final String symbol;
  private final double bare;
  private final String examples;
  private final Pattern plain;
  private final Pattern inside;

  Quantity(String symbol, String units, double bare, String examples) {
    this.symbol = symbol;
    this.bare = bare;
    this.examples = examples;
    // "M" and "m" differ; a unit may be written in any case.
    plain = Pattern.compile(NUMBER + "\\s*([pnuµmkKMG]?)\\s*((?i:" + units + ")?)");
    inside = Pattern.compile("(\\d*)([pnuµmkKMRrVv])(\\d+)\\s*(?i:" + units + ")?");
  }

  /** {@return its unit} */
  public String symbol() {
    return symbol;
  }

  /**
   * Reads a typed quantity.
   *
   * @return it in the unit itself: ohm, volt, amp, farad, second, amp-hour; 0 or more
   * @throws IllegalArgumentException if it is none; the message says what to type
   */
  public double parse(String typed) {
    String text = typed.strip();
    Matcher match = inside.matcher(text);
    if (match.matches()) {
      String whole = match.group(1).isEmpty() ? "0" : match.group(1);
      return Double.parseDouble(whole + "." + match.group(3)) * factor(match.group(2));
    }
    match = plain.matcher(text);
    if (!match.matches()) {
      throw new IllegalArgumentException(
          "\"" + text + "\" is no quantity in " + symbol + "; type for example " + examples);
    }
    double number = Double.parseDouble(match.group(1).replace(',', '.'));
    boolean unitless = match.group(2).isEmpty() && match.group(3).isEmpty();
    if (unitless && this == FARAD) {
      throw new IllegalArgumentException(
          "\"" + text + "\" lacks its unit; type for example " + examples);
    }
    return number * (unitless ? bare : factor(match.group(2)));
  }

  /**
   * Reads a typed quantity that must not be zero.
   *
   * @param what its name, for the message
   * @throws IllegalArgumentException if it is none or zero
   */
  public double above0(String typed, String what) {
    double value;
    try {
      value = parse(typed);
    } catch (IllegalArgumentException e) {
      throw new IllegalArgumentException(what + ": " + e.getMessage(), e);
    }
    if (!(value > 0)) {
      throw new IllegalArgumentException(
          what + " must be above 0 " + symbol + ", but was " + typed.strip());
    }
    return value;
  }

  /** {@return a value as people write it, four figures at most: {@code 4.7 kohm}, {@code 20 mA}} */
  public String words(double value) {
    double size = Math.abs(value);
    if (size == 0) {
      return "0 " + symbol;
    }
    if (this == VOLT && size >= 0.1) {
      return figures(value) + " V";
    }
    String[] prefixes = {"p", "n", "u", "m", "", "k", "M", "G"};
    int step = (int) Math.floor(Math.log10(size * (1 + 1e-9)) / 3);
    step = Math.max(-4, Math.min(3, this == OHM ? Math.max(0, step) : step));
    return figures(value / Math.pow(1000, step)) + " " + prefixes[step + 4] + symbol;
  }

  private static String figures(double value) {
    return new BigDecimal(value)
        .round(new MathContext(4))
        .stripTrailingZeros()
        .toPlainString()
        .toLowerCase(Locale.ROOT);
  }

  private static double factor(String prefix) {
    return switch (prefix) {
      case "p" -> 1e-12;
      case "n" -> 1e-9;
      case "u", "µ" -> 1e-6;
      case "m" -> 1e-3;
      case "k", "K" -> 1e3;
      case "M" -> 1e6;
      case "G" -> 1e9;
      default -> 1;
    };
  }
}
