package kumite.working;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
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
   * One value put into a formula. It is written out only when it is asked for: workings are made on
   * every edit and mostly not looked at.
   *
   * @param symbol its symbol in the formula
   * @param number the value
   * @param decimals how many decimals are shown
   * @param unit its unit, or an empty text
   * @param words the value in words, in place of number and unit; usually empty
   * @param meaning what it is, in words
   */
  public record Value(
      String symbol, double number, int decimals, String unit, String words, String meaning) {

    /** {@return the value with its unit} */
    public String text() {
      if (!words.isEmpty()) {
        return words;
      }
      return Working.number(number, decimals) + (unit.isEmpty() ? "" : " " + unit);
    }
  }

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
    return new Value(symbol, number, decimals, unit, "", meaning);
  }

  /** {@return a value that is no single number, such as a size} */
  public static Value words(String symbol, String words, String meaning) {
    return new Value(symbol, 0, 0, "", words, meaning);
  }

  /** {@return a number with a point and a fixed count of decimals; never "-0.0", "?" for none} */
  public static String number(double value, int decimals) {
    if (!Double.isFinite(value)) {
      return "?";
    }
    // Not String.format: this runs thousands of times on an edit, and that is several times slower.
    return BigDecimal.valueOf(value).setScale(decimals, RoundingMode.HALF_UP).toPlainString();
  }
}
