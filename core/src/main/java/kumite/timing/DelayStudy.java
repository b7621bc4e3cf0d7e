package kumite.timing;

import java.util.List;
import java.util.SplittableRandom;
import kumite.build.map.Timing;

/**
 * Many presses of one bouncing contact, played one after another: what {@link Delay} leaves out.
 *
 * @param meanUs on average
 * @param medianUs half of the presses take no longer
 * @param p95Us 95 of 100 take no longer
 * @param p99Us 99 of 100 take no longer
 * @param worstUs the longest that came up
 * @param histogram presses by their delay, in steps of {@link #STEP_US}
 */
public record DelayStudy(
    double meanUs, double medianUs, double p95Us, double p99Us, double worstUs, int[] histogram) {
  /** How fine delays are told apart, in us. */
  public static final int STEP_US = 10;

  /** No press takes longer: a second, at most. */
  private static final int MOST_STEPS = 100_000;

  /**
   * Plays presses of a contact that is read at each look.
   *
   * @see #of(Timing, int, double, List, int, int, int, int, long)
   */
  public static DelayStudy of(
      Timing timing,
      double after,
      List<Integer> waits,
      int late,
      int leastBounceUs,
      int mostBounceUs,
      int presses,
      long seed) {
    return of(timing, 1, after, waits, late, leastBounceUs, mostBounceUs, presses, seed);
  }

  /**
   * Plays presses.
   *
   * @param everyLooks at each how many looks the contact is read, 1 for all
   * @param after what comes after the debounce and before the report, in us: a chord's window, and
   *     messages on serial lines
   * @param waits periods of other boards that each wait for their look, in us
   * @param late looks that a register shows late
   * @param leastBounceUs shortest bounce
   * @param mostBounceUs longest
   * @param presses how many; each takes about half a microsecond
   */
  public static DelayStudy of(
      Timing timing,
      int everyLooks,
      double after,
      List<Integer> waits,
      int late,
      int leastBounceUs,
      int mostBounceUs,
      int presses,
      long seed) {
    SplittableRandom random = new SplittableRandom(seed);
    int[] histogram = new int[MOST_STEPS];
    double sum = 0;
    double worst = 0;
    for (int i = 0; i < presses; i++) {
      int[] bounce = Bounce.edges(leastBounceUs, mostBounceUs, random);
      double us =
          settled(timing, everyLooks, bounce, random.nextInt(everyLooks * timing.scanUs()))
              + (double) late * timing.scanUs()
              + after;
      for (int wait : waits) {
        us += random.nextInt(wait);
      }
      int phase = random.nextInt(timing.pollUs());
      us = phase + Math.ceil((us - phase) / timing.pollUs()) * timing.pollUs();
      sum += us;
      worst = Math.max(worst, us);
      histogram[(int) Math.min(MOST_STEPS - 1, us / STEP_US)]++;
    }
    int last = (int) Math.min(MOST_STEPS - 1, worst / STEP_US);
    int[] whole = java.util.Arrays.copyOf(histogram, last + 1);
    return new DelayStudy(
        sum / presses,
        quantile(whole, presses, 0.5),
        quantile(whole, presses, 0.95),
        quantile(whole, presses, 0.99),
        worst,
        whole);
  }

  /** {@return when the debounce takes a press, in us from its first edge} */
  static long settled(Timing timing, int everyLooks, int[] edges, int phase) {
    boolean eager = timing.debounce() == Timing.Debounce.EAGER;
    long since = -1;
    int passed = 0;
    long looks = 0;
    for (long us = phase; ; us += timing.scanUs()) {
      boolean read = looks++ % everyLooks == 0;
      while (read && passed < edges.length && edges[passed] <= us) {
        passed++;
      }
      boolean pressed = passed % 2 == 1;
      if (pressed && (eager || since >= 0 && us - since >= timing.waitUs())) {
        return us;
      }
      if (pressed && since < 0) {
        since = us;
        if (timing.waitUs() == 0) {
          return us;
        }
      } else if (!pressed) {
        since = -1;
      }
    }
  }

  private static double quantile(int[] histogram, int presses, double part) {
    long wanted = (long) Math.ceil(part * presses);
    long seen = 0;
    for (int step = 0; step < histogram.length; step++) {
      seen += histogram[step];
      if (seen >= wanted) {
        return (step + 1.0) * STEP_US;
      }
    }
    return histogram.length * (double) STEP_US;
  }
}
