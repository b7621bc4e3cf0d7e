package kumite.bringup;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.build.bringup.Ask;

/**
 * What is wrong, by what was read: each single fault that the build can have is an edit of its one
 * wiring, and what it gives is worked out by the same solver; pairs are tried only where no single
 * one explains all readings. Likelihoods are multiplied by Bayes' rule.
 *
 * <pre>{@code
 * Diagnosis diagnosis = Diagnosis.of(places, Evidence.of(places, round));
 * diagnosis.suspects().get(0).fault().repair();
 * diagnosis.next(); // where the probes go now
 * }</pre>
 *
 * @param suspects most likely first; probabilities of all, those left out too, are 1 together
 * @param next the question that tells most for its effort; empty where none tells anything
 * @param equal faults that no question of any round can tell apart, by their ids
 * @param unexplained readings that even the first suspect does not explain
 * @param notes what is to be said of readings that do not count
 */
public record Diagnosis(
    List<Suspect> suspects,
    Optional<Next> next,
    List<List<String>> equal,
    List<Evidence.Reading> unexplained,
    List<String> notes) {
  /** Suspects below are not shown. */
  static final double LEAST = 0.002;

  /** Two independent faults, against one: our choice. */
  private static final double PAIR = 0.2;

  private static final int MOST_SUSPECTS = 40;
  private static final int MOST_PAIRED = 70;
  private static final int MOST_PAIRS = 300;

  /** So many of the best are each paired with everything. */
  private static final int MOST_LEADING = 3;

  /** A reading is explained if a hypothesis gives it this often at least. */
  private static final double AGREES = 0.002;

  /**
   * A fault with how likely it is.
   *
   * @param probability 0 to 1
   * @param explains how many of the readings that are not as expected it explains
   */
  public record Suspect(Fault fault, double probability, int explains) {}

  /**
   * Where to go on.
   *
   * @param question what is asked, with what the sound build gives
   * @param bits how much it tells
   */
  public record Next(Question question, double bits) {}

  public Diagnosis {
    suspects = List.copyOf(suspects);
    equal = List.copyOf(equal);
    unexplained = List.copyOf(unexplained);
    notes = List.copyOf(notes);
  }

  /** {@return what the readings say} */
  public static Diagnosis of(Places places, Evidence evidence) {
    return new Doctor(places).judge(evidence);
  }

  /** {@return the suspect that is most likely} */
  public Optional<Suspect> first() {
    return suspects.stream().findFirst();
  }

  /** {@return whether nothing is wrong, as far as was asked} */
  public boolean sound() {
    return first().filter(s -> s.fault().kind() == FaultKind.NONE).isPresent();
  }

  /** A hypothesis with its likelihood. */
  static final class Scored {
    final Case hypothesis;
    final BitSet agrees = new BitSet();
    double log;
    double probability;

    Scored(Case hypothesis) {
      this.hypothesis = hypothesis;
    }
  }

  /**
   * {@return hypotheses with their likelihoods, the most likely first}
   *
   * @param whole whether even those that have no chance are held against every reading
   */
  static List<Scored> scored(
      List<Case> cases, Case sound, List<Evidence.Reading> readings, boolean whole) {
    return scored(cases, new Weighing(sound, readings, new BitSet()), whole);
  }

  private static List<Scored> scored(List<Case> cases, Weighing weighing, boolean whole) {
    List<Scored> all = new ArrayList<>();
    cases.forEach(hypothesis -> all.add(new Scored(hypothesis)));
    all.forEach(scored -> weighing.begin(scored));
    all.sort(Comparator.comparingDouble((Scored s) -> -s.log));
    all.forEach(scored -> weighing.go(scored, whole));
    return normalised(all);
  }

  /** Readings held against hypotheses, those that are not as expected first. */
  private static final class Weighing {
    /** So many readings say which hypotheses are worth the rest. */
    private static final int FIRST = 6;

    /** One that is less likely than the best by e to this has no chance. */
    private static final double NO_CHANCE = 25;

    private final List<Evidence.Reading> readings;
    private final double[] ofSound;
    private final boolean[] again;
    private final List<Integer> order = new ArrayList<>();
    private double best = Double.NEGATIVE_INFINITY;

    /**
     * @param known readings that are explained already: the others come first
     */
    Weighing(Case sound, List<Evidence.Reading> readings, BitSet known) {
      this.readings = readings;
      ofSound = new double[readings.size()];
      again = new boolean[readings.size()];
      Set<Ask> before = new HashSet<>();
      for (int i = 0; i < again.length; i++) {
        again[i] = !before.add(readings.get(i).ask());
        ofSound[i] = sound.agrees(readings.get(i).ask(), readings.get(i).answer());
        order.add(i);
      }
      order.sort(
          Comparator.comparing((Integer i) -> known.get(i)).thenComparingDouble(i -> ofSound[i]));
    }

    private void weigh(Scored scored, int i) {
      Evidence.Reading reading = readings.get(i);
      Case hypothesis = scored.hypothesis;
      double agrees =
          hypothesis.same(reading.ask())
              ? ofSound[i]
              : hypothesis.agrees(reading.ask(), reading.answer());
      // Read again, the same volts say only that no hand slipped.
      double width = again[i] ? 1 : hypothesis.width(reading.ask(), reading.answer());
      // A hand that slips gives anything: about one of twenty answers that could be told apart.
      scored.log += Math.log((1 - reading.slip()) * agrees / width + reading.slip() * 0.05);
      scored.agrees.set(i, agrees > AGREES);
    }

    void begin(Scored scored) {
      scored.log = Math.log(scored.hypothesis.fault().weight());
      order.stream().limit(FIRST).forEach(i -> weigh(scored, i));
    }

    void go(Scored scored, boolean whole) {
      for (int k = FIRST; k < order.size(); k++) {
        if (!whole && scored.log < best - NO_CHANCE) {
          return;
        }
        weigh(scored, order.get(k));
      }
      best = Math.max(best, scored.log);
    }
  }

  static List<Scored> normalised(List<Scored> all) {
    double most = all.stream().mapToDouble(s -> s.log).max().orElse(0);
    double sum = 0;
    for (Scored scored : all) {
      scored.probability = Math.exp(scored.log - most);
      sum += scored.probability;
    }
    for (Scored scored : all) {
      scored.probability /= sum;
    }
    all.sort(Comparator.comparingDouble((Scored s) -> -s.probability));
    return all;
  }

  /** Two hypotheses, and the readings that one of them explains. */
  private record Paired(Scored one, Scored other) {
    BitSet both() {
      BitSet both = (BitSet) one.agrees.clone();
      both.or(other.agrees);
      return both;
    }

    boolean more() {
      int both = both().cardinality();
      return both > one.agrees.cardinality() && both > other.agrees.cardinality();
    }
  }

  /** One diagnosis being made. */
  private static final class Doctor {
    private final Places places;

    Doctor(Places places) {
      this.places = places;
    }

    Diagnosis judge(Evidence evidence) {
      Case sound = places.sound();
      List<Case> cases = new ArrayList<>(places.near());
      List<Evidence.Reading> readings = evidence.readings();
      List<Scored> all = scored(cases, sound, readings, false);
      if (!explained(all, readings)) {
        cases.addAll(places.far());
        all = scored(cases, sound, readings, false);
      }
      if (!explained(all, readings)) {
        all = withPairs(scored(cases, sound, readings, true), sound, readings, cases);
      }
      return of(all, sound, evidence);
    }

    private static boolean explained(List<Scored> all, List<Evidence.Reading> readings) {
      return all.get(0).agrees.cardinality() == trusted(readings, all.get(0));
    }

    /** Readings that were contradicted need not be explained. */
    private static int trusted(List<Evidence.Reading> readings, Scored best) {
      int count = 0;
      for (int i = 0; i < readings.size(); i++) {
        boolean doubted = readings.get(i).slip() > Evidence.SLIP && !best.agrees.get(i);
        count += doubted ? 0 : 1;
      }
      return count;
    }

    private List<Scored> withPairs(
        List<Scored> singles, Case sound, List<Evidence.Reading> readings, List<Case> cases) {
      Scored none = singles.stream().filter(s -> s.hypothesis == sound).findFirst().orElseThrow();
      BitSet odd = new BitSet();
      odd.set(0, readings.size());
      odd.andNot(none.agrees);
      List<Scored> useful = new ArrayList<>();
      for (Scored scored : singles) {
        BitSet helps = (BitSet) scored.agrees.clone();
        helps.and(odd);
        if (!helps.isEmpty()) {
          useful.add(scored);
        }
      }
      useful.sort(
          Comparator.comparingInt((Scored s) -> -s.agrees.cardinality())
              .thenComparingDouble(s -> -s.log));
      List<Scored> some = useful.subList(0, Math.min(MOST_PAIRED, useful.size()));
      double total = cases.stream().mapToDouble(c -> c.fault().weight()).sum();
      List<Paired> pairs = new ArrayList<>();
      for (int i = 0; i < some.size(); i++) {
        for (int j = i + 1; j < some.size(); j++) {
          Paired pair = new Paired(some.get(i), some.get(j));
          if (pair.more()) {
            pairs.add(pair);
          }
        }
      }
      pairs.sort(
          Comparator.comparingInt((Paired p) -> -p.both().cardinality())
              .thenComparingDouble(p -> -p.one().log - p.other().log));
      Map<String, Case> two = new LinkedHashMap<>();
      for (Paired pair : pairs.subList(0, Math.min(MOST_PAIRS, pairs.size()))) {
        pair(pair.one().hypothesis, pair.other().hypothesis, total, sound, two);
      }
      // What is stuck shows in every reading, so that the other fault explains none alone.
      for (Scored best : singles.subList(0, Math.min(MOST_LEADING, singles.size()))) {
        List<Ask> left = new ArrayList<>();
        for (int i = 0; i < readings.size(); i++) {
          if (!best.agrees.get(i)) {
            left.add(readings.get(i).ask());
          }
        }
        for (Case other : places.near()) {
          if (!left.stream().allMatch(other::same)) {
            pair(best.hypothesis, other, total, sound, two);
          }
        }
      }
      cases.addAll(two.values());
      return scored(cases, new Weighing(sound, readings, singles.get(0).agrees), false);
    }

    private void pair(Case one, Case other, double total, Case sound, Map<String, Case> two) {
      if (one == other || one == sound || other == sound) {
        return;
      }
      boolean first = one.fault().id().compareTo(other.fault().id()) < 0;
      Fault both = (first ? one : other).fault().and((first ? other : one).fault());
      if (!two.containsKey(both.id())) {
        two.put(both.id(), places.paired(both.weighing(both.weight() / total * PAIR)));
      }
    }

    private Diagnosis of(List<Scored> all, Case sound, Evidence evidence) {
      List<Evidence.Reading> readings = evidence.readings();
      Scored none = all.stream().filter(s -> s.hypothesis == sound).findFirst().orElseThrow();
      List<Scored> live =
          all.stream().filter(s -> s.probability >= LEAST).limit(MOST_SUSPECTS).toList();
      List<Suspect> suspects = new ArrayList<>();
      for (Scored scored : live) {
        BitSet explains = (BitSet) scored.agrees.clone();
        explains.andNot(none.agrees);
        suspects.add(
            new Suspect(scored.hypothesis.fault(), scored.probability, explains.cardinality()));
      }
      NextAsk asking = new NextAsk(places, sound, live, readings);
      Optional<Next> next = asking.best();
      List<Evidence.Reading> odd = new ArrayList<>();
      for (int i = 0; i < readings.size(); i++) {
        if (!live.get(0).agrees.get(i)) {
          odd.add(readings.get(i));
        }
      }
      return new Diagnosis(suspects, next, asking.equal(), odd, evidence.notes());
    }
  }
}
