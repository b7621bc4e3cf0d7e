package kumite.ringout;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import kumite.lead.LeadPart.Place;
import kumite.lead.Where;

/**
 * Touches what is claimed before it is said: a hand slips now and then, and cores that nobody
 * looked for touch.
 *
 * <p>A core is broken only after it was held against every place, and twice against those that
 * nobody claims. Then cores are numbered, and for each binary digit those with a 0 are held against
 * the places of those with a 1 and the places that nobody claims: silence shows that no two claims
 * are exchanged or joined, in ceil(log2 n) probes. What is claimed doubly is touched by itself.
 */
final class LastRound {
  /** So often a place that nobody claims is held against a core that seems broken. */
  private static final int TOUCHES = 2;

  /** Of the probes that a cable takes where no fault is looked for, one in so many may check. */
  private static final int ONE_IN = 10;

  private static final Comparator<Facts.Unexplained> FEWEST =
      Comparator.comparingInt(u -> u.pairs().size());

  private final Known known;
  private final Facts facts;
  private final int near;
  private final int far;
  private final boolean grouped;
  private final List<Set<Integer>> claims = new ArrayList<>();
  private final Set<Integer> open = new TreeSet<>();
  private final Set<Integer> free = new TreeSet<>();

  private LastRound(Known known) {
    this.known = known;
    facts = known.facts();
    near = known.ringOut().near().size();
    far = known.ringOut().far().size();
    grouped = known.ringOut().way() == RingOut.Way.GROUPED;
    for (int j = 0; j < far; j++) {
      free.add(j);
    }
    for (int i = 0; i < near; i++) {
      Set<Integer> mine = known.claims(i);
      claims.add(mine);
      free.removeAll(mine);
      if (mine.isEmpty()) {
        open.add(i);
      }
    }
  }

  /** {@return what to touch next, once every core's partner was looked for} */
  static Optional<NextProbe> next(Known known) {
    LastRound round = new LastRound(known);
    return round
        .denied()
        .or(round::twice)
        .or(round::doubly)
        .or(round::beeped)
        .or(round::exchanged)
        .or(round::again);
  }

  /** {@return whether nothing could deny any more that a core goes nowhere} */
  static boolean undeniable(Known known, int core) {
    LastRound round = new LastRound(known);
    return round.untouched(core).isEmpty()
        && round.free.stream().allMatch(j -> round.touches(core, j) >= TOUCHES);
  }

  /** {@return probes to come if none of them contradicts} */
  static int left(Known known, int brokenMore) {
    RingOut ringOut = known.ringOut();
    if (!known.unsettled().isEmpty()) {
      int broken = brokenMore;
      for (int i = 0; i < ringOut.near().size(); i++) {
        broken += known.searched(i) && known.claims(i).isEmpty() ? 1 : 0;
      }
      return most(
          ringOut.way(), ringOut.looksFor(), ringOut.near().size(), ringOut.far().size(), broken);
    }
    int count = 0;
    RingOut ahead = ringOut;
    Optional<NextProbe> next = next(known);
    while (next.isPresent() && count < RingOut.MOST_READINGS - ringOut.readings().size()) {
      boolean beep = next.get().why() == NextProbe.Why.AGAIN;
      ahead = ahead.with(next.get().answered(beep));
      count++;
      next = next(Known.of(ahead));
    }
    return count;
  }

  /** {@return the most probes of a last round that contradicts nothing} */
  static int most(RingOut.Way way, RingOut.Faults faults, int near, int far, int broken) {
    int claimed = near - broken;
    boolean spare = far > claimed;
    if (way == RingOut.Way.ONE_BY_ONE) {
      int wrong = broken > 0 || spare ? claimed : 0;
      return faults == RingOut.Faults.NONE
          ? 0
          : wrong + broken * far + broken * Math.max(0, far - claimed) * (TOUCHES - 1);
    }
    int digits = Cost.ceilLog2(claimed + (spare ? 1 : 0));
    int amiss = broken > 0 || spare ? broken + TOUCHES + claimed : 0;
    return switch (faults) {
      case NONE -> Math.min(digits, spared(near));
      case BROKEN -> digits + amiss;
      case JOINED -> amiss > 0 ? digits + amiss : 0;
    };
  }

  private static int spared(int cores) {
    double mean = new RingOutPlan(cores).probes(RingOut.Way.GROUPED, RingOut.Faults.NONE).mean();
    return (int) (mean / ONE_IN);
  }

  // ---- cores that seem broken

  /** The places that a core was never held against, whatever follows from others' answers. */
  private List<Integer> untouched(int core) {
    List<Integer> left = new ArrayList<>();
    for (int j = 0; j < far; j++) {
      if (touches(core, j) == 0) {
        left.add(near + j);
      }
    }
    return left;
  }

  private Optional<NextProbe> denied() {
    for (int core : open) {
      List<Integer> left = untouched(core);
      if (!left.isEmpty()) {
        return probe(List.of(core), grouped ? left : left.subList(0, 1), NextProbe.Why.DENIED);
      }
    }
    return Optional.empty();
  }

  private int touches(int core, int j) {
    Place one = facts.place(core);
    Place other = facts.place(near + j);
    int count = 0;
    for (Reading reading : known.ringOut().readings()) {
      boolean touched =
          reading.one().contains(one) && reading.other().contains(other)
              || reading.one().contains(other) && reading.other().contains(one);
      count += touched && !reading.beep() ? 1 : 0;
    }
    return count;
  }

  private Optional<NextProbe> twice() {
    Set<Integer> cores = new TreeSet<>();
    Set<Integer> places = new TreeSet<>();
    for (int core : open) {
      for (int j : free) {
        if (touches(core, j) < TOUCHES) {
          if (!grouped) {
            return probe(List.of(core), List.of(near + j), NextProbe.Why.DENIED);
          }
          cores.add(core);
          places.add(near + j);
        }
      }
    }
    return cores.isEmpty() ? Optional.empty() : probe(cores, places, NextProbe.Why.DENIED);
  }

  // ---- claims

  /** A place that two cores claim, or a core that claims two, is touched by itself. */
  private Optional<NextProbe> doubly() {
    for (int i = 0; i < near; i++) {
      for (int j : claims.get(i)) {
        int place = j;
        long claimed = claims.stream().filter(c -> c.contains(place)).count();
        if ((claimed > 1 || claims.get(i).size() > 1) && alone(i, j) < TOUCHES) {
          return probe(List.of(i), List.of(near + j), NextProbe.Why.AGAIN);
        }
      }
    }
    return Optional.empty();
  }

  /** How often a core and a place were touched, and nothing else. */
  private int alone(int core, int j) {
    Set<Place> one = Set.of(facts.place(core));
    Set<Place> other = Set.of(facts.place(near + j));
    int count = 0;
    for (Reading reading : known.ringOut().readings()) {
      boolean same =
          reading.one().equals(one) && reading.other().equals(other)
              || reading.one().equals(other) && reading.other().equals(one);
      count += same ? 1 : 0;
    }
    return count;
  }

  /** How often a core alone beeped on places that a claim is among: no slip does so twice. */
  private int beeps(int core, int j) {
    Set<Place> one = Set.of(facts.place(core));
    Place other = facts.place(near + j);
    int count = 0;
    for (Reading reading : known.ringOut().readings()) {
      boolean hers =
          reading.one().equals(one) && reading.other().contains(other)
              || reading.other().equals(one) && reading.one().contains(other);
      count += hers && reading.beep() ? 1 : 0;
    }
    return count;
  }

  /** Whether anything about the cable is not as it should be. */
  private boolean amiss() {
    long claimed = claims.stream().mapToInt(Set::size).sum();
    return !open.isEmpty() || !free.isEmpty() || claimed != far;
  }

  /** A probe of several cores against several places that beeped: which was it? */
  private Optional<NextProbe> beeped() {
    return facts.unexplained().stream()
        .filter(u -> u.reading().one().size() > 1 && across(u.reading()))
        .min(FEWEST)
        .map(
            whole ->
                facts.unexplained().stream()
                    .filter(u -> across(u.reading()))
                    .filter(u -> all(whole.reading()).containsAll(all(u.reading())))
                    .min(FEWEST)
                    .orElse(whole))
        .flatMap(u -> Touching.which(known, u.pairs()));
  }

  private static Set<Place> all(Reading reading) {
    Set<Place> all = new LinkedHashSet<>(reading.one());
    all.addAll(reading.other());
    return all;
  }

  private static boolean across(Reading reading) {
    Where one = reading.one().iterator().next().end();
    return reading.one().stream().allMatch(p -> p.end() == one)
        && reading.other().stream().allMatch(p -> p.end() != one);
  }

  private Optional<NextProbe> exchanged() {
    if (!grouped || known.ringOut().looksFor() == RingOut.Faults.JOINED && !amiss()) {
      return Optional.empty();
    }
    List<Integer> cores = new ArrayList<>();
    for (int i = 0; i < near; i++) {
      if (!claims.get(i).isEmpty()) {
        cores.add(i);
      }
    }
    int digits = Cost.ceilLog2(cores.size() + (free.isEmpty() ? 0 : 1));
    int most =
        known.ringOut().looksFor() == RingOut.Faults.NONE ? Math.min(digits, spared(near)) : digits;
    for (int digit = 0; digit < most; digit++) {
      Set<Integer> zeros = new TreeSet<>();
      Set<Integer> ones = new TreeSet<>();
      for (int k = 0; k < cores.size(); k++) {
        if ((k >> digit & 1) == 0) {
          zeros.add(cores.get(k));
        } else {
          claims.get(cores.get(k)).forEach(j -> ones.add(near + j));
        }
      }
      free.forEach(j -> ones.add(near + j));
      zeros.forEach(i -> claims.get(i).forEach(j -> ones.remove(near + j)));
      if (!zeros.isEmpty() && !ones.isEmpty()) {
        NextProbe asks = probe(zeros, ones, NextProbe.Why.CLAIMED).orElseThrow();
        boolean asked =
            known.ringOut().readings().stream()
                .anyMatch(r -> r.one().equals(asks.one()) && r.other().equals(asks.other()));
        if (!asked) {
          return Optional.of(asks);
        }
      }
    }
    return Optional.empty();
  }

  /** Where something is amiss, a claim that rests on one beep alone is touched once more. */
  private Optional<NextProbe> again() {
    boolean asks = known.ringOut().looksFor() != RingOut.Faults.NONE && amiss();
    for (int i = 0; i < near && asks; i++) {
      for (int j : claims.get(i)) {
        if (beeps(i, j) < TOUCHES) {
          return probe(List.of(i), List.of(near + j), NextProbe.Why.AGAIN);
        }
      }
    }
    return Optional.empty();
  }

  private Optional<NextProbe> probe(
      Iterable<Integer> one, Iterable<Integer> other, NextProbe.Why why) {
    Set<Place> first = new LinkedHashSet<>();
    one.forEach(i -> first.add(facts.place(i)));
    Set<Place> second = new LinkedHashSet<>();
    other.forEach(i -> second.add(facts.place(i)));
    return Optional.of(new NextProbe(first, second, why));
  }
}
