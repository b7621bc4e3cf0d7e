package kumite.benchmarks;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.SplittableRandom;
import kumite.bringup.Diagnosis;
import kumite.bringup.Evidence;
import kumite.bringup.Fault;
import kumite.bringup.Places;
import kumite.bringup.Question;
import kumite.bringup.SeatWires;
import kumite.bringup.StandIn;
import kumite.build.Build;
import kumite.build.bringup.Answer;
import kumite.build.bringup.Ask;
import kumite.build.bringup.Entry;
import kumite.files.Demo;
import kumite.map.Proposal;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import kumite.verdict.Desks;

/**
 * How often a fault is found, by how many readings, and how long the next probe takes to be thought
 * of: faults put one by one into all demos and into random builds. Beside it, in the same run, how
 * many readings it takes to go through the list until one is not as expected.
 *
 * <p>Arguments: how many random builds (100), every how many faults of a demo one is tried (5), the
 * seed of the first (1).
 */
public final class DiagnosisCheck {
  private static final double SURE = 0.97;
  private static final int MOST_READINGS = 12;

  private int tried;
  private int first;
  private int alike;
  private int third;
  private long readings;
  private long listed;
  private long nanos;
  private long worst;
  private long thoughts;

  private DiagnosisCheck() {}

  /** Prints the figures. */
  public static void main(String[] args) throws Exception {
    int builds = args.length > 0 ? Integer.parseInt(args[0]) : 100;
    int every = args.length > 1 ? Integer.parseInt(args[1]) : 5;
    long seed = args.length > 2 ? Long.parseLong(args[2]) : 1;
    Catalogue catalogue = Catalogue.standard();
    DiagnosisCheck demos = new DiagnosisCheck();
    for (String name : List.of("ferry-bridge", "lantern-duel", "attic-pads", "one-hand")) {
      demos.build(Demo.open(name, catalogue), catalogue, every, Integer.MAX_VALUE);
    }
    demos.print("demos");
    DiagnosisCheck any = new DiagnosisCheck();
    for (int i = 0; i < builds; i++) {
      Build build = RandomWiring.of(catalogue, new SplittableRandom(seed + i));
      Build mapped = build.withMapping(Proposal.rest(build, catalogue));
      any.build(mapped, catalogue, 37, 3);
    }
    any.print(builds + " random builds");
  }

  private void build(Build build, Catalogue catalogue, int every, int most) {
    Bench bench = Bench.of(build, catalogue);
    Places places = bench.places();
    List<SeatWires> seats = bench.get(Desks.METERED);
    if (seats.stream().allMatch(seat -> seat.shown().size() < 3)) {
      return;
    }
    List<Fault> faults = StandIn.faults(places);
    for (int i = every / 2, k = 0; i < faults.size() && k < most; i += every, k++) {
      fault(places, StandIn.of(build, places, seats, faults.get(i), i));
    }
  }

  private void fault(Places places, StandIn stand) {
    List<Entry> entries = new ArrayList<>();
    int list = 0;
    boolean odd = false;
    for (Question question : places.questions()) {
      Ask ask = question.ask();
      if (ask instanceof Ask.Try) {
        continue;
      }
      boolean host = question.kind() == Question.Kind.HOST;
      if (host) {
        entries.add(Entry.of(ask, stand.answer(ask)));
      } else if (!odd) {
        Answer answer = stand.answer(ask);
        list++;
        odd = differs(question, answer);
      }
    }
    Diagnosis found = think(places, entries);
    int asked = 0;
    while (found.next().isPresent()
        && asked < MOST_READINGS
        && found.suspects().get(0).probability() < SURE) {
      Ask ask = found.next().get().question().ask();
      entries.add(Entry.of(ask, stand.answer(ask)));
      asked++;
      found = think(places, entries);
    }
    tried++;
    readings += asked;
    listed += list;
    List<String> ids = found.suspects().stream().map(s -> s.fault().id()).toList();
    String id = stand.fault().id();
    boolean same =
        found.equal().stream().anyMatch(set -> set.contains(id) && set.contains(ids.get(0)));
    first += ids.get(0).equals(id) ? 1 : 0;
    alike += !ids.get(0).equals(id) && same ? 1 : 0;
    third += !same && !ids.subList(0, Math.min(3, ids.size())).contains(id) ? 1 : 0;
  }

  private static boolean differs(Question question, Answer answer) {
    if (question.answer().isEmpty()) {
      return false;
    }
    Answer wanted = question.answer().get();
    if (wanted instanceof Answer.Volts volts && answer instanceof Answer.Volts read) {
      return Math.abs(volts.volts() - read.volts()) > 0.3;
    }
    if (wanted instanceof Answer.Ohms ohms && answer instanceof Answer.Ohms read) {
      return Math.abs(ohms.ohm() - read.ohm()) > 0.25 * ohms.ohm() + 5;
    }
    return !wanted.toString().equals(answer.toString());
  }

  private Diagnosis think(Places places, List<Entry> entries) {
    long begin = System.nanoTime();
    Diagnosis found = Diagnosis.of(places, Evidence.of(places, entries));
    long took = System.nanoTime() - begin;
    nanos += took;
    worst = Math.max(worst, took);
    thoughts++;
    return found;
  }

  private void print(String what) {
    System.out.printf(
        Locale.ROOT,
        "%s: %d faults, first %.1f %%, in a set that looks alike %.1f %%, below third %.1f %%;"
            + " %.1f readings after the symptoms, %.1f through the list; next probe %.0f ms in the"
            + " mean, %.0f ms at worst%n",
        what,
        tried,
        100.0 * first / tried,
        100.0 * alike / tried,
        100.0 * third / tried,
        readings / (double) tried,
        listed / (double) tried,
        nanos / 1e6 / thoughts,
        worst / 1e6);
  }
}
