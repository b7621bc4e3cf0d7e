package kumite.build;

/** Preconditions of the records of a build. Each returns its argument and catches NaN. */
final class Check {
  private Check() {}

  static double above(double limit, double value, String what) {
    if (!(value > limit) || Double.isInfinite(value)) {
      throw new IllegalArgumentException(
          what + " must be above " + plain(limit) + ", but was " + plain(value));
    }
    return value;
  }

  static double between(double low, double high, double value, String what) {
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

  static int between(int low, int high, int value, String what) {
    between((double) low, (double) high, (double) value, what);
    return value;
  }

  static String filled(String value, String what) {
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
