package kumite.ringout;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import kumite.lead.LeadPart.Place;
import kumite.lead.Where;

/**
 * What to touch next, and how many probes are left.
 *
 * <p>A likely pair is asked first wherever the promise given before still holds after a silent
 * answer; else the core that was begun is finished. So what is thought likely saves probes and
 * never costs more than was promised.
 *
 * @param one the places held at one probe
 * @param other those at the other, clipped together where there are several
 * @param why what it is to find out, in words
 */
public record NextProbe(Set<Place> one, Set<Place> other, Why why) {

  /** What a probe is to find out. */
  public enum Why {
    PARTNER("where the core goes"),
    TOUCHING("whether cores touch that should not"),
    WHICH("which of them it was that beeped"),
    SPARE("whether a place that no core was found for is joined to one"),
    DENIED("whether a core that seems broken goes anywhere after all"),
    CLAIMED("whether what was found so far is so: silence is right"),
    AGAIN("whether what was found is so: a beep is right");

    private final String words;

    Why(String words) {
      this.words = words;
    }

    /** {@return it in words} */
    public String words() {
      return words;
    }
  }

  /** How likely a pair is before anything is asked, against any other: no source, no fact. */
  private static final double LIKELY_WEIGHT = 4;

  /** How likely a core is broken, against any one place: common practice, no source. */
  private static final double BROKEN_WEIGHT = 0.1;

  /** {@return what to touch next; empty when nothing is left to ask} */
  public static Optional<NextProbe> of(Known known) {
    if (known.facts().contradiction().isPresent()) {
      return Optional.empty();
    }
    List<Integer> cores = known.unsettled();
    if (!cores.isEmpty()) {
      return Optional.of(partner(known, cores));
    }
    Optional<NextProbe> touching =
        known.ringOut().looksFor() == RingOut.Faults.JOINED
            ? Touching.next(known)
            : Optional.empty();
    return touching.or(() -> LastRound.next(known));
  }

  /** A probe that may come next: a core, the places, and how well it parts what may be. */
  private record Choice(int core, List<Integer> places, double worth, int candidates) {}

  private static NextProbe partner(Known known, List<Integer> cores) {
    RingOut ringOut = known.ringOut();
    Cost cost = new Cost(ringOut.way());
    Choice chosen =
        ringOut.likely().isEmpty()
            ? begun(known, cores, cost)
            : likely(known, cores, cost).orElseGet(() -> begun(known, cores, cost));
    int near = ringOut.near().size();
    Set<Place> other = new LinkedHashSet<>();
    chosen.places().stream().sorted().forEach(j -> other.add(known.facts().place(near + j)));
    return new NextProbe(Set.of(known.facts().place(chosen.core())), other, Why.PARTNER);
  }

  /** The likeliest pair, or the group nearest to half the likelihood, that the promise allows. */
  private static Optional<Choice> likely(Known known, List<Integer> cores, Cost cost) {
    Budget budget = new Budget(known, cost);
    return cores.stream()
        .map(core -> choice(known, core, cost, Integer.MAX_VALUE))
        .sorted(
            Comparator.comparingDouble((Choice c) -> -c.worth())
                .thenComparingInt(Choice::candidates)
                .thenComparingInt(Choice::core))
        .filter(c -> budget.allows(c.core(), c.places().size()))
        .findFirst();
  }

  /** The core with the fewest candidates, halved as the promise was reckoned. */
  private static Choice begun(Known known, List<Integer> cores, Cost cost) {
    int core =
        cores.stream()
            .min(
                Comparator.comparingInt((Integer i) -> known.candidates(i).cardinality())
                    .thenComparing(i -> i))
            .orElseThrow();
    int count = known.candidates(core).cardinality();
    return choice(known, core, cost, cost.worst(count, known.whole(core)) - 1);
  }

  private static Choice choice(Known known, int core, Cost cost, int left) {
    List<Integer> order = ordered(known, core);
    double[] weights = new double[order.size()];
    double all = known.whole(core) ? 0 : BROKEN_WEIGHT;
    for (int i = 0; i < weights.length; i++) {
      weights[i] = weight(known.ringOut(), core, order.get(i));
      all += weights[i];
    }
    int size = cost.split(weights, 0, weights.length, left, known.whole(core));
    double some = 0;
    for (int i = 0; i < size; i++) {
      some += weights[i];
    }
    double share = some / all;
    double worth = size == 1 ? share : Math.min(share, 1 - share);
    return new Choice(core, order.subList(0, size), worth, weights.length);
  }

  /** Candidates of a core, the likeliest first. */
  private static List<Integer> ordered(Known known, int core) {
    BitSet set = known.candidates(core);
    return set.stream()
        .boxed()
        .sorted(
            Comparator.comparingDouble((Integer j) -> -weight(known.ringOut(), core, j))
                .thenComparing(j -> j))
        .toList();
  }

  /** A place that is thought likely for another core is less likely for this one. */
  private static double weight(RingOut ringOut, int core, int place) {
    String near = ringOut.near().get(core);
    String far = ringOut.far().get(place);
    if (far.equals(ringOut.likely().get(near))) {
      return LIKELY_WEIGHT * ringOut.far().size();
    }
    return ringOut.likely().containsValue(far) ? 0.5 : 1;
  }

  /** What may be spent without breaking the promise, however many cores prove broken. */
  private static final class Budget {
    private final Known known;
    private final Promise promise;
    private final int used;
    private final int found;
    private final List<Integer> cores;

    Budget(Known known, Cost cost) {
      this.known = known;
      this.promise = new Promise(cost);
      this.used = known.ringOut().readings().size();
      this.cores = known.unsettled();
      int open = 0;
      for (Known.Fate fate : known.fates()) {
        open += fate.open() ? 1 : 0;
      }
      this.found = open;
    }

    /** Whether the promise still holds after either answer. */
    boolean allows(int core, int places) {
      boolean whole = known.ringOut().looksFor() == RingOut.Faults.NONE;
      int all = known.ringOut().near().size();
      int ends = known.ringOut().far().size();
      int count = known.candidates(core).cardinality();
      for (int broken = 0; broken <= (whole ? 0 : cores.size()); broken++) {
        int granted = promise.fresh(all, ends, whole, found + broken);
        boolean beep = left(core, places, true, broken) + used + 1 <= granted;
        boolean openNow = places == count && !known.whole(core);
        boolean silent =
            openNow
                ? broken == 0 || left(core, 0, false, broken - 1) + used + 1 <= granted
                : left(core, count - places, known.whole(core), broken) + used + 1 <= granted;
        if (!beep || !silent) {
          return false;
        }
      }
      return true;
    }

    private int left(int core, int candidates, boolean whole, int broken) {
      List<Promise.Loose> loose = new ArrayList<>();
      int free = known.free();
      for (int i : cores) {
        if (i != core) {
          loose.add(new Promise.Loose(known.candidates(i).cardinality(), known.whole(i)));
        }
      }
      if (candidates == 1 && whole) {
        free--;
      } else if (candidates > 0) {
        loose.add(new Promise.Loose(candidates, whole));
      }
      return promise.left(loose, free, broken);
    }
  }

  /**
   * {@return how many probes are left}
   *
   * @param broken how many of the cores that are left are taken to go nowhere, for the worst case
   */
  public static RingOutPlan.Probes left(Known known, int broken) {
    RingOut ringOut = known.ringOut();
    Cost cost = new Cost(ringOut.way());
    List<Integer> cores = known.unsettled();
    List<Promise.Loose> loose = new ArrayList<>();
    for (int core : cores) {
      loose.add(new Promise.Loose(known.candidates(core).cardinality(), known.whole(core)));
    }
    int worst = new Promise(cost).left(loose, known.free(), broken);
    double mean = 0;
    int places = known.free();
    List<Integer> order =
        cores.stream()
            .sorted(Comparator.comparingInt(i -> known.candidates(i).cardinality()))
            .toList();
    for (int core : order) {
      double[] weights =
          ordered(known, core).stream()
              .limit(Math.max(1, places))
              .mapToDouble(j -> weight(ringOut, core, j))
              .toArray();
      mean += cost.mean(weights, known.whole(core));
      places--;
    }
    if (ringOut.looksFor() == RingOut.Faults.JOINED) {
      int touching = Touching.left(known);
      worst += touching;
      mean += touching;
    }
    int last = LastRound.left(known, broken);
    return new RingOutPlan.Probes(worst + last, Math.min(mean, worst) + last);
  }

  /** {@return the reading that an answer to this probe is} */
  public Reading answered(boolean beep) {
    return new Reading(one, other, beep);
  }

  /** {@return whether several places are clipped together} */
  public boolean clipped() {
    return one.size() > 1 || other.size() > 1;
  }

  /** {@return what to do, in a sentence without its stop} */
  public String words() {
    return "Hold one probe to " + held(one) + " and the other to " + held(other);
  }

  private static String held(Set<Place> places) {
    String names = Reading.words(places);
    String end =
        new HashSet<>(places.stream().map(Place::end).toList()).equals(Set.of(Where.FROM))
            ? " at the near end"
            : " at the far end";
    return names + end + (places.size() > 1 ? ", clipped together" : "");
  }
}
