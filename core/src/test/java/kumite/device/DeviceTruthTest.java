package kumite.device;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeSet;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.build.loom.Topology;
import kumite.build.map.Script;
import kumite.build.map.Timing;
import kumite.hid.HostView;
import kumite.hid.Usage;
import kumite.loom.Look;
import kumite.name.ContactId;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What the wiring would show is what the device sees: ghosts, ladders, registers. */
public class DeviceTruthTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 40).mapToObj(seed -> new Object[] {seed}).toArray(Object[][]::new);
  }

  private static Set<Integer> told(Bench bench, Holds holds) {
    Set<Integer> on = new TreeSet<>();
    for (Trace.Report report : bench.device().steady(holds)) {
      HostView.of(bench.layout().fields(), report.toBytes()).on().stream()
          .filter(usage -> usage.page() == Usage.BUTTON)
          .forEach(usage -> on.add(usage.id()));
    }
    return on;
  }

  /**
   * Plane logic: rows and columns are points, a held switch joins its two; without diodes a switch
   * reads as held where its row and its column hang together. So three corners close the fourth.
   */
  @Test(dataProvider = "seeds")
  public void aBareMatrixShowsItsGhosts(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Build build = RandomBuilds.sharing(Topology.BARE_MATRIX, 9, random);
    Bench bench = Bench.of(build, CATALOGUE);
    ghosts(bench, random, true);
    Bench diodes =
        Bench.of(RandomBuilds.sharing(Topology.MATRIX, 9, new SplittableRandom(seed)), CATALOGUE);
    ghosts(diodes, random, false);
  }

  private static void ghosts(Bench bench, SplittableRandom random, boolean joined) {
    List<Look> looks =
        bench.circuit().orElseThrow().inputs().looks().all().stream()
            .filter(look -> look.how() instanceof Look.Row)
            .toList();
    assertThat(looks).hasSize(9);
    Holds holds = Holds.NONE;
    Set<ContactId> held = new HashSet<>();
    for (Look look : looks) {
      if (random.nextInt(5) < 2) {
        holds = holds.with(look.contact().orElseThrow(), 1);
        held.add(look.contact().orElseThrow());
      }
    }
    List<Set<String>> islands = new ArrayList<>();
    for (Look look : looks) {
      if (held.contains(look.contact().orElseThrow())) {
        Set<String> ends = new HashSet<>(Set.of(row(look), look.read().name()));
        for (Set<String> island : List.copyOf(islands)) {
          if (island.stream().anyMatch(ends::contains)) {
            ends.addAll(island);
            islands.remove(island);
          }
        }
        islands.add(ends);
      }
    }
    Set<Integer> expected = new TreeSet<>();
    for (Look look : looks) {
      ContactId contact = look.contact().orElseThrow();
      boolean reads =
          joined
              ? islands.stream()
                  .anyMatch(i -> i.contains(row(look)) && i.contains(look.read().name()))
              : held.contains(contact);
      if (reads) {
        expected.add(Integer.parseInt(contact.control().text().substring(1)));
      }
    }
    assertThat(told(bench, holds)).as("held %s", held).isEqualTo(expected);
  }

  private static String row(Look look) {
    return ((Look.Row) look.how()).row().name();
  }

  /** On a ladder the first step held wins, whatever else is held: it is nearest to ground. */
  @Test(dataProvider = "seeds")
  public void aLadderTellsOneStepOnly(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Bench bench = Bench.of(RandomBuilds.sharing(Topology.LADDER, 6, random), CATALOGUE);
    Holds holds = Holds.NONE;
    int first = 0;
    for (int step = 6; step >= 1; step--) {
      if (random.nextBoolean()) {
        holds = holds.with(ContactId.parse("b" + step), 1);
        first = step;
      }
    }
    assertThat(told(bench, holds)).isEqualTo(first == 0 ? Set.of() : Set.of(first));
  }

  /** Registers show the look before: the press comes one look later than on a terminal. */
  @Test
  public void registersAreALookLate() {
    Timing timing = new Timing(2000, Timing.Debounce.EAGER, 0, 1000);
    Build plain =
        Builds.wired(Builds.buttons(40, 40, 85, 40, 130, 40), "native-3v3-48").withTiming(timing);
    Build late =
        plain.withLoom(
            plain
                .loom()
                .withGroup(
                    new kumite.name.ControlId("keys"),
                    Topology.REGISTERS,
                    plain.controls().stream().map(c -> new ContactId(c.id(), "")).toList()));
    for (Build build : List.of(plain, late)) {
      Bench bench = Bench.of(build, CATALOGUE);
      double worst = 0;
      for (int seed = 0; seed < 200; seed++) {
        Trace trace =
            bench.device().move(Holds.NONE, Holds.NONE.with(ContactId.parse("b2"), 1), seed);
        worst =
            Math.max(
                worst, trace.hops().get(ContactId.parse("b2")).seenUs().orElseThrow() / 1000.0);
      }
      assertThat(worst).isBetween(build == late ? 3.0 : 1.0, build == late ? 9.0 : 7.0);
      double mean = bench.path(ContactId.parse("b2")).orElseThrow().delay().meanUs() / 1000;
      assertThat(mean).isEqualTo(build == late ? 1 + 2 + 0.5 : 1 + 0.5);
    }
  }

  /** A script is what its moves are, one by one, on a device that goes on running. */
  @Test(dataProvider = "seeds")
  public void aScriptEndsWhereItsLastMovesLeaveIt(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Build build = RandomBuilds.layered(Builds.ferryBridge(), random);
    // A toggled layer remembers how often it was reached: that is no matter of where hands end.
    build =
        build.withProfile(
            p ->
                p.withChords(List.of())
                    .withLayers(
                        p.layers().stream()
                            .map(l -> l.reached(kumite.build.map.Layer.Reach.HOLD, l.by()))
                            .toList()));
    build = build.withTuning(kumite.build.map.Tuning.NONE);
    Bench bench = Bench.of(build, CATALOGUE);
    List<ContactId> switches =
        bench.paths().stream()
            .filter(p -> !p.site().contact().type().analog())
            .map(SignalPath::id)
            .toList();
    List<Script.Move> moves = new ArrayList<>();
    Holds end = Holds.NONE;
    for (int i = 0; i < 6; i++) {
      ContactId contact = switches.get(random.nextInt(switches.size()));
      boolean stays = random.nextBoolean();
      moves.add(new Script.Move(contact, 1, 400_000L * i, stays ? 0 : 200_000));
      end = stays ? end.with(contact, 1) : end.without(contact);
    }
    Trace trace = bench.device().play(new Script("any", moves), seed);
    assertThat(trace.changes().get(trace.changes().size() - 1).settled())
        .as("what is held at the end")
        .containsAll(end.travel().keySet());
    for (int i = 1; i < trace.reports().size(); i++) {
      assertThat(trace.reports().get(i).us())
          .as("reports in their order")
          .isGreaterThanOrEqualTo(trace.reports().get(i - 1).us());
    }
  }
}
