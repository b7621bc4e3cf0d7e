package kumite.working;

import java.util.List;
import java.util.Locale;
import java.util.Objects;

/**
 * The shown derivation of one number.
 *
 * @param quantity what was worked out, such as {@code "web left between holes"}
 * @param formula the formula in words and symbols, such as {@code "gap = d - r1 - r2"}
 * @param values the values put in, in the order they appear in the formula
 * @param result the result with its unit, rounded as shown
 * @param source where the formula comes from
 */
public record Working(
    String quantity, String formula, List<Value> values, String result, Source source) {

  /**
   * One value put into a formula.
   *
   * @param symbol its symbol in the formula
   * @param text the value with its unit
   * @param meaning what it is, in words
   */
  public record Value(String symbol, String text, String meaning) {}

  public Working {
    Objects.requireNonNull(quantity, "quantity");
    Objects.requireNonNull(formula, "formula");
    values = List.copyOf(values);
    Objects.requireNonNull(result, "result");
    Objects.requireNonNull(source, "source");
  }

  /** {@return the whole derivation as lines of text} */
  public String inWords() {
    StringBuilder text = new StringBuilder(quantity).append(": ").append(formula).append('\n');
    for (Value value : values) {
      text.append("  ").append(value.symbol()).append(" = ").append(value.text());
      if (!value.meaning().isEmpty()) {
        text.append("  ").append(value.meaning());
      }
      text.append('\n');
    }
    return text.append("  result ").append(result).append('\n').append(source.inWords()).toString();
  }

  /** {@return a value with a unit, with the given number of decimals} */
  public static Value value(
      String symbol, double number, int decimals, String unit, String meaning) {
    return new Value(
        symbol, number(number, decimals) + (unit.isEmpty() ? "" : " " + unit), meaning);
  }

  /** {@return a number with a point and a fixed count of decimals; never "-0.0"} */
  public static String number(double value, int decimals) {
    String text = String.format(Locale.ROOT, "%." + decimals + "f", value);
    return text.matches("-0(\\.0*)?") ? text.substring(1) : text;
  }
}
