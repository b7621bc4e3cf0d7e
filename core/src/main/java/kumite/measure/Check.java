package kumite.measure;

import java.util.Locale;

/**
 * Preconditions of values. Each returns its argument, catches NaN, and throws an {@link
 * IllegalArgumentException} that says what, what was allowed and what it was.
 */
public final class Check {
  private Check() {}

  /**
   * {@return the value, which must be above the limit}
   *
   * @throws IllegalArgumentException if it is not, or is no finite number
   */
  public static double above(double limit, double value, String what) {
    if (!(value > limit) || Double.isInfinite(value)) {
      throw new IllegalArgumentException(
          what + " must be above " + plain(limit) + ", but was " + plain(value));
    }
    return value;
  }

  /**
   * {@return the value, which must lie between both ends, these included}
   *
   * @throws IllegalArgumentException if it does not
   */
  public static double between(double low, double high, double value, String what) {
    if (!(value >= low && value <= high)) {
      throw new IllegalArgumentException(
          what
              + " must be between "
              + plain(low)
              + " and "
              + plain(high)
              + " (inclusive), but was "
              + plain(value));
    }
    return value;
  }

  /**
   * {@return the value, which must lie between both ends, these included}
   *
   * @throws IllegalArgumentException if it does not
   */
  public static int between(int low, int high, int value, String what) {
    between((double) low, (double) high, (double) value, what);
    return value;
  }

  /**
   * {@return the text, which must hold more than blanks}
   *
   * @throws IllegalArgumentException if it does not
   */
  public static String filled(String value, String what) {
    if (value.isBlank()) {
      throw new IllegalArgumentException(what + " must not be empty");
    }
    return value;
  }

  /**
   * {@return the text, which is written on panels and paper: more than blanks, no control
   * characters, no halves of characters}
   *
   * @throws IllegalArgumentException if it cannot be written; the message says which sign and where
   */
  public static String writable(String value, String what) {
    filled(value, what);
    int place = 0;
    for (int sign : value.codePoints().toArray()) {
      place++;
      boolean half = sign >= Character.MIN_SURROGATE && sign <= Character.MAX_SURROGATE;
      if (half || Character.isISOControl(sign) || sign == 0x2028 || sign == 0x2029) {
        throw new IllegalArgumentException(
            String.format(
                Locale.ROOT,
                "%s must not hold the %s U+%04X%s, at place %d; take it out",
                what,
                half ? "half character" : "control character",
                sign,
                half ? "" : " (" + Character.getName(sign).toLowerCase(Locale.ROOT) + ")",
                place));
      }
    }
    return value;
  }

  static String plain(double value) {
    return value == Math.rint(value) && Math.abs(value) < 1e9
        ? Long.toString((long) value)
        : Double.toString(value);
  }
}
