package kumite.signal;

import kumite.measure.Range;

/**
 * How long something may last.
 *
 * @param leastNs at least, in ns, 0 or more
 * @param usualNs as a rule
 * @param mostNs at most
 */
public record Limits(long leastNs, long usualNs, long mostNs) {
  /** One of them in a file: up to a second. */
  public static final Range MICROS = Range.of(0, 1_000_000, "us");

  private static final double NS_IN_US = 1000;

  public Limits {
    if (leastNs < 0 || usualNs < leastNs || mostNs < usualNs) {
      throw new IllegalArgumentException(
          "limits must run from least over usual to most, but were "
              + words(leastNs)
              + ", "
              + words(usualNs)
              + ", "
              + words(mostNs)
              + " us");
    }
  }

  /** {@return limits given in microseconds} */
  public static Limits micros(double least, double usual, double most) {
    return new Limits(nanos(least), nanos(usual), nanos(most));
  }

  private static long nanos(double micros) {
    return Math.round(MICROS.check(micros, "time in us") * NS_IN_US);
  }

  /** {@return the same with another usual time, which the limits need not hold} */
  public Limits usually(double micros) {
    long usual = nanos(micros);
    return new Limits(Math.min(leastNs, usual), usual, Math.max(mostNs, usual));
  }

  /** {@return whether a time in ns is one of them} */
  public boolean has(long ns) {
    return ns >= leastNs && ns <= mostNs;
  }

  private static String words(long ns) {
    return String.valueOf(ns / NS_IN_US);
  }
}
