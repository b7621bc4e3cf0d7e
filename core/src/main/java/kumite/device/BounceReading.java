package kumite.device;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import kumite.build.map.Timing;
import kumite.timing.Debouncer;

/**
 * How contacts bounced while a self-test stream was taken: how long, which wait that asks for, and
 * what each school of debouncing would have told of the same edges.
 *
 * <p>A stream knows nothing between two looks: what bounces for less than one is not in it, and
 * each length is up to one look longer.
 *
 * @param movements how often a contact went from one level to the other and stayed there
 * @param longestUs the longest that one of them took to come to rest, seen by looks; 0 for none
 * @param longest the look of that contact
 * @param histogram how many took up to so many whole milliseconds, by these; up to 1 ms is the
 *     first
 * @param waitUs the least wait that outlasts them all: the longest, one look, to the next half ms
 * @param deferred what would have been told by waiting until the level is quiet
 * @param eager what would have been told by taking the first edge
 */
public record BounceReading(
    int movements,
    long longestUs,
    Optional<Integer> longest,
    Map<Integer, Integer> histogram,
    int waitUs,
    Told deferred,
    Told eager) {
  /** Edges nearer than this belong to one movement of the contact: common practice, no source. */
  private static final long SAME_US = 10_000;

  private static final long CLOCK = 1L << 32;
  private static final int HALF_MS = 500;

  /**
   * What a school tells with the build's wait.
   *
   * @param doubled changes told that no hand made
   * @param meanUs the mean from the first edge to the report, bounce left out: half a look, the
   *     wait where it is deferred, and half a poll
   */
  public record Told(int doubled, double meanUs) {}

  public BounceReading {
    histogram = java.util.Collections.unmodifiableMap(new TreeMap<>(histogram));
  }

  /** One contact as it was read: when it was seen to change, in us since the first line. */
  private record Edges(int look, boolean first, List<Long> at, long endUs) {}

  /**
   * Reads it off a stream.
   *
   * @param timing of the build: the wait that is judged, and how often it looks and reports
   */
  public static BounceReading of(SelfTest test, Timing timing) {
    int looks = test.lines().isEmpty() ? 0 : test.lines().get(0).raw().size();
    int movements = 0;
    long longest = 0;
    Optional<Integer> whose = Optional.empty();
    Map<Integer, Integer> histogram = new TreeMap<>();
    int[] doubled = new int[2];
    for (int look = 0; look < looks; look++) {
      Edges edges = edges(test, look);
      int hands = 0;
      for (long[] burst : bursts(edges)) {
        long took = burst[1] - burst[0];
        histogram.merge((int) ((took + 999) / 1000), 1, Integer::sum);
        hands += burst[2] % 2 == 1 ? 1 : 0; // an even number of edges leads back: a touch
        movements++;
        if (took > longest) {
          longest = took;
          whose = Optional.of(look);
        }
      }
      for (Timing.Debounce school : Timing.Debounce.values()) {
        Timing with = new Timing(timing.scanUs(), school, timing.waitUs(), timing.pollUs());
        doubled[school.ordinal()] += Math.max(0, told(edges, test.scanUs(), with) - hands);
      }
    }
    double half = (test.scanUs() + timing.pollUs()) / 2.0;
    int wait =
        longest == 0 ? 0 : (int) ((longest + test.scanUs() + HALF_MS - 1) / HALF_MS * HALF_MS);
    return new BounceReading(
        movements,
        longest,
        whose,
        histogram,
        wait,
        new Told(doubled[Timing.Debounce.DEFERRED.ordinal()], half + timing.waitUs()),
        new Told(doubled[Timing.Debounce.EAGER.ordinal()], half));
  }

  /** The board's clock may run over while a stream is taken. */
  private static Edges edges(SelfTest test, int look) {
    List<Long> at = new ArrayList<>();
    long us = 0;
    for (int i = 1; i < test.lines().size(); i++) {
      SelfTest.Line before = test.lines().get(i - 1);
      SelfTest.Line line = test.lines().get(i);
      us += Math.floorMod(line.us() - before.us(), CLOCK);
      if (!before.raw().get(look).equals(line.raw().get(look))) {
        at.add(us);
      }
    }
    return new Edges(look, !test.lines().isEmpty() && test.lines().get(0).raw().get(look), at, us);
  }

  /** Begin, end and number of edges of each movement. */
  private static List<long[]> bursts(Edges edges) {
    List<long[]> bursts = new ArrayList<>();
    for (long at : edges.at()) {
      long[] last = bursts.isEmpty() ? null : bursts.get(bursts.size() - 1);
      if (last != null && at - last[1] <= SAME_US) {
        last[1] = at;
        last[2]++;
      } else {
        bursts.add(new long[] {at, at, 1});
      }
    }
    return bursts;
  }

  /** How many changes a debouncer takes of these edges, look by look. */
  private static int told(Edges edges, int scanUs, Timing timing) {
    Debouncer debouncer = new Debouncer(timing, edges.first());
    boolean raw = edges.first();
    boolean settled = edges.first();
    int told = 0;
    for (int i = 0; i <= edges.at().size(); i++) {
      long from = i == 0 ? 0 : edges.at().get(i - 1);
      long to = i < edges.at().size() ? edges.at().get(i) : from + timing.waitUs() + 2L * scanUs;
      raw = i == 0 ? raw : !raw;
      // Quiet for longer than the wait nothing new comes of: those looks are not lived through.
      long last = Math.min(to - 1, from + timing.waitUs() + 2L * scanUs);
      for (long us = from; us <= last; us += scanUs) {
        boolean now = debouncer.look(us, raw);
        told += now != settled ? 1 : 0;
        settled = now;
      }
    }
    return told;
  }

  /** {@return whether any contact was seen to move} */
  public boolean any() {
    return movements > 0;
  }

  /**
   * {@return the chance of a double at most, with 95 % confidence, in per cent}
   *
   * <p>Of none seen in n it is about 3/n, the rule of three (Hanley and Lippman-Hand, JAMA 249
   * (1983), from memory); else the share that was seen, and two of its standard errors.
   */
  public double chancePercent(Told told) {
    if (!any()) {
      return 100;
    }
    double share = (double) told.doubled() / movements;
    double most =
        told.doubled() == 0
            ? 3.0 / movements
            : share + 2 * Math.sqrt(share * Math.max(0, 1 - share) / movements);
    return Math.min(100, 100 * most);
  }

  /** {@return in words for people, a line each} */
  public List<String> words(Timing timing, String contact) {
    if (!any()) {
      return List.of("No contact moved: press each one twenty times, quickly and slowly");
    }
    List<String> words = new ArrayList<>();
    words.add(
        movements
            + (movements == 1 ? " movement" : " movements")
            + (longestUs == 0
                ? ", none bounced for longer than a look"
                : ", the longest bounce " + ms(longestUs) + " (" + contact + ")"));
    histogram.forEach(
        (most, count) ->
            words.add(
                String.format(
                    Locale.ROOT,
                    "  %s: %d",
                    most == 0 ? "at once" : "up to " + most + " ms",
                    count)));
    words.add(
        waitUs == 0
            ? "They ask for no wait that a look does not give already"
            : "They ask for a wait of "
                + ms(waitUs)
                + "; the build's is "
                + ms(timing.waitUs())
                + (timing.waitUs() < waitUs ? ", too short" : ""));
    words.add("Deferred with it: " + words(deferred));
    words.add("Eager with it: " + words(eager));
    return words;
  }

  private String words(Told told) {
    return told.doubled()
        + " told that no hand made, at most "
        + String.format(Locale.ROOT, "%.1f %%", chancePercent(told))
        + " of presses (95 %), "
        + ms(Math.round(told.meanUs()))
        + " in the mean until it is reported";
  }

  private static String ms(long us) {
    return String.format(Locale.ROOT, "%.1f ms", us / 1000.0);
  }
}
