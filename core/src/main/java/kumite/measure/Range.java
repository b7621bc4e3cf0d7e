package kumite.measure;

import java.util.Objects;

/**
 * The numbers that a quantity may have. Said once, beside the record that holds the quantity; file,
 * schema and form ask it.
 *
 * @param least the smallest
 * @param most the largest; infinite where there is none
 * @param open whether {@code least} itself is too small
 * @param unit its unit, such as {@code mm}; empty for a plain number
 */
public record Range(double least, double most, boolean open, String unit) {
  public Range {
    Objects.requireNonNull(unit, "unit");
    if (!(least <= most)) {
      throw new IllegalArgumentException("no number lies between " + least + " and " + most);
    }
  }

  /** {@return the numbers between both ends, these included} */
  public static Range of(double least, double most, String unit) {
    return new Range(least, most, false, unit);
  }

  /** {@return the plain numbers between both ends, these included} */
  public static Range of(double least, double most) {
    return of(least, most, "");
  }

  /** {@return the numbers above a limit, up to another that is included} */
  public static Range above(double limit, double most, String unit) {
    return new Range(limit, most, true, unit);
  }

  /** {@return all numbers above a limit} */
  public static Range above(double limit, String unit) {
    return above(limit, Double.POSITIVE_INFINITY, unit);
  }

  /**
   * {@return the same range in another unit}
   *
   * @param factor what a number is multiplied by
   */
  public Range in(String other, double factor) {
    return new Range(least * factor, most * factor, open, other);
  }

  /** {@return whether there is a largest number} */
  public boolean bounded() {
    return Double.isFinite(most);
  }

  /** {@return whether a number is one of them} */
  public boolean has(double value) {
    return value <= most && (open ? value > least : value >= least) && Double.isFinite(value);
  }

  /**
   * {@return the value, which must be one of them}
   *
   * @param what what a message calls it
   * @throws IllegalArgumentException if it is none; the message says the ends
   */
  public double check(double value, String what) {
    if (bounded()) {
      Check.between(least, most, value, what);
    }
    return open ? Check.above(least, value, what) : value;
  }

  /**
   * {@return the value, which must be one of them}
   *
   * @param what what a message calls it
   * @throws IllegalArgumentException if it is none; the message says the ends
   */
  public int check(int value, String what) {
    check((double) value, what);
    return value;
  }

  /** {@return in words for people, such as {@code 20 to 1000 mm}} */
  public String words() {
    String ends =
        bounded()
            ? (open ? "above " : "") + Check.plain(least) + " to " + Check.plain(most)
            : "above " + Check.plain(least);
    return unit.isEmpty() ? ends : ends + " " + unit;
  }
}
