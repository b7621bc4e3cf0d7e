package kumite.measure;

/**
 * Preconditions of values. Each returns its argument, catches NaN, and throws an {@link
 * IllegalArgumentException} that says what, what was allowed and what it was.
 */
public final class Check {
  private Check() {}

  /** {@return the value, which must be above the limit} */
  public static double above(double limit, double value, String what) {
    if (!(value > limit) || Double.isInfinite(value)) {
      throw new IllegalArgumentException(
          what + " must be above " + plain(limit) + ", but was " + plain(value));
    }
    return value;
  }

  /** {@return the value, which must lie between both ends, these included} */
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

  /** {@return the value, which must lie between both ends, these included} */
  public static int between(int low, int high, int value, String what) {
    between((double) low, (double) high, (double) value, what);
    return value;
  }

  /** {@return the text, which must hold more than blanks} */
  public static String filled(String value, String what) {
    if (value.isBlank()) {
      throw new IllegalArgumentException(what + " must not be empty");
    }
    return value;
  }

  private static String plain(double value) {
    return value == Math.rint(value) && Math.abs(value) < 1e9
        ? Long.toString((long) value)
        : Double.toString(value);
  }
}
