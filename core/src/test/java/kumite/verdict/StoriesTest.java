package kumite.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import kumite.Builds;
import kumite.build.Build;
import kumite.build.loom.Topology;
import kumite.circuit.InputLevels;
import kumite.device.Holds;
import kumite.device.SignalPath;
import kumite.device.Trace;
import kumite.files.Demo;
import kumite.files.Tables;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.finding.Station;
import kumite.hid.HostView;
import kumite.hid.Usage;
import kumite.loom.Strand;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.parts.Catalogue;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * One wiring, one story: a wire that is wrong shows in the findings, in the volts, at the host and
 * on paper, and the host sees what a person with the parts in hand would see.
 */
public class StoriesTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  private static Bench bench(Build build) {
    return Bench.of(build, CATALOGUE);
  }

  private static Build row(int buttons, String board) {
    double[] places = new double[2 * buttons];
    for (int i = 0; i < buttons; i++) {
      places[2 * i] = 40 + 45 * (i % 5);
      places[2 * i + 1] = 50 + 45 * (i / 5);
    }
    return Builds.wired(Builds.buttons(places), board);
  }

  private static Build grouped(int buttons, Topology topology, String board) {
    Build build = row(buttons, board);
    List<ContactId> all = build.controls().stream().map(c -> new ContactId(c.id(), "")).toList();
    return build.withLoom(build.loom().withGroup(new ControlId("keys"), topology, all));
  }

  /** The wire of the plan that lands on a place, of several the first. */
  private static Jumper wireAt(Build build, String place) {
    return bench(build).loom().strands().stream()
        .map(Strand::wire)
        .filter(w -> w.a().equals(Joint.parse(place)) || w.b().equals(Joint.parse(place)))
        .findFirst()
        .orElseThrow();
  }

  private static UnaryOperator<Build> cut(String place) {
    return b -> b.withLoom(b.loom().withLeftOut(wireAt(b, place)));
  }

  private static UnaryOperator<Build> add(String wire) {
    return b -> b.withLoom(b.loom().withAdded(Jumper.parse(wire)));
  }

  /** The wires of two contacts change places at the board. */
  private static UnaryOperator<Build> swap(String one, String other) {
    return b -> {
      Jumper first = new Jumper(Joint.parse(one + ":NO"), Joint.board(Builds.terminal(b, one)));
      Jumper second =
          new Jumper(Joint.parse(other + ":NO"), Joint.board(Builds.terminal(b, other)));
      return b.withLoom(
          b.loom()
              .withLeftOut(first)
              .withLeftOut(second)
              .withAdded(
                  new Jumper(Joint.parse(one + ":NO"), Joint.board(Builds.terminal(b, other))))
              .withAdded(
                  new Jumper(Joint.parse(other + ":NO"), Joint.board(Builds.terminal(b, one)))));
    };
  }

  private static Set<Integer> buttons(Bench bench, String... held) {
    Holds holds = Holds.NONE;
    for (String contact : held) {
      holds = holds.with(ContactId.parse(contact), 1);
    }
    Trace trace = bench.device().move(Holds.NONE, holds, 7);
    Set<Integer> on = new TreeSet<>();
    for (Trace.Report report : trace.last(0).stream().toList()) {
      HostView.of(bench.layout().fields(), report.toBytes()).on().stream()
          .filter(usage -> usage.page() == Usage.BUTTON)
          .forEach(usage -> on.add(usage.id()));
    }
    return on;
  }

  /** What is spoiled, the finding that names it, what is held, and what the host then sees. */
  @DataProvider
  Object[][] stories() {
    Build six = row(6, "native-3v3-26");
    Build bare = grouped(9, Topology.BARE_MATRIX, "native-3v3-26");
    Build matrix = grouped(9, Topology.MATRIX, "native-3v3-26");
    Build shift = grouped(10, Topology.REGISTERS, "native-3v3-26");
    Build ladder = grouped(5, Topology.LADDER, "native-3v3-26");
    Build picked = grouped(9, Topology.MULTIPLEXER, "native-3v3-26");
    Build rail = row(6, "encoder-12-rail");
    Build ground = row(6, "encoder-12-ground");
    UnaryOperator<Build> none = b -> b;
    return new Object[][] {
      {"as planned", six, none, "PW-21", "b1 b3", "1 3"},
      {"strand left out", six, cut("b2:NO"), "NT-06", "b2", ""},
      {"its neighbour still works", six, cut("b2:NO"), "NT-06", "b1 b2", "1"},
      {"two swapped", six, swap("b1", "b2"), "NT-13", "b1", "2"},
      {"bridged", six, add("b1:NO - b2:NO"), "NT-04", "b1", "1 2"},
      {"tied to ground", six, add("b1:NO - b1:COM"), "NT-05", "", "1"},
      {"tied to supply", six, add("b1:NO - board:3V3"), "NT-05", "b1", ""},
      {"shorted", six, add("board:3V3 - board:GND"), "NT-01", "b1 b2", ""},
      {
        "at the resting tab",
        six,
        (UnaryOperator<Build>)
            b ->
                b.withControl(new ControlId("b4"), c -> c.withHookup(h -> h.withRestsClosed(true))),
        "LM-12",
        "b1",
        "1 4"
      },
      {"rail encoder", rail, none, "LM-11", "b2", "2"},
      {"rail encoder, to ground by hand", rail, cut("b2:COM"), "", "b1", ""},
      {"a bare matrix makes the fourth", bare, none, "LM-13", "b6 b7 b1", "1 2 6 7"},
      {"with diodes it does not", matrix, none, "PW-21", "b6 b7 b1", "1 6 7"},
      {"a diode bypassed", matrix, add("b5:D - b5:NO"), "NT-18", "b5", "5"},
      {"a ladder's resistor bypassed", ladder, add("b3:R - b3:NO"), "NT-18", "b3", "2"},
      {"registers", shift, none, "PW-21", "b1 b10", "1 10"},
      {"data left out", shift, cut("keys:DATA"), "NT-06", "b1 b10", ""},
      {"clock left out", shift, cut("keys:CLOCK"), "NT-06", "b1 b10", ""},
      {"carrier without supply", shift, cut("keys:VCC"), "NT-06", "b3", ""},
      {
        "data shorted to ground",
        shift,
        add("keys:DATA - keys:GND"),
        "NT-05",
        "",
        "1 2 3 4 5 6 7 8 9 10"
      },
      {"ladder, one", ladder, none, "PW-22", "b4", "4"},
      {"ladder, two: the lower wins", ladder, none, "PW-22", "b4 b2", "2"},
      {"ladder open in the middle", ladder, cut("b3:R"), "NT-06", "b4", ""},
      {"ladder before the break", ladder, cut("b3:R"), "NT-06", "b2", "2"},
      {"multiplexer", picked, none, "PW-21", "b2 b9", "2 9"},
      {"a select line left out", picked, cut("keys:SELECT1"), "NT-06", "b2", ""},
      {"ground encoder", ground, none, "PW-21", "b3", "3"},
    };
  }

  @Test(dataProvider = "stories")
  public void theHostSeesWhatTheWiresGive(
      String name,
      Build sound,
      UnaryOperator<Build> spoil,
      String code,
      String held,
      String wanted) {
    Bench bench = bench(spoil.apply(sound));
    if (!code.isEmpty()) {
      assertThat(bench.findings().stream().map(f -> f.code().text())).as(name).contains(code);
    }
    String[] contacts = held.isEmpty() ? new String[0] : held.split(" ");
    Set<Integer> numbers = new TreeSet<>();
    for (String number : wanted.isEmpty() ? new String[0] : wanted.split(" ")) {
      numbers.add(Integer.parseInt(number));
    }
    assertThat(buttons(bench, contacts)).as(name).isEqualTo(numbers);
    oneStory(bench);
  }

  @Test
  public void aStepThatReadsAsAnotherIsToldSo() {
    Build ladder = grouped(5, Topology.LADDER, "native-3v3-26");
    assertThat(bench(add("b3:R - b3:NO").apply(ladder)).findings())
        .filteredOn(finding -> finding.code().text().equals("PW-06"))
        .extracting(Finding::title)
        .containsExactly("B3 arrives as B2");
  }

  private static List<String> hex(Bench bench, Holds held) {
    return bench.device().steady(held).stream().map(report -> report.hex()).toList();
  }

  /** Levels, paths, presses and findings of one bench agree, contact by contact. */
  private static void oneStory(Bench bench) {
    boolean powered = bench.circuit().map(c -> c.inputs().dead().isEmpty()).orElse(false);
    for (SignalPath path : bench.paths()) {
      if (path.levels().isEmpty() || !powered) {
        continue;
      }
      boolean stop =
          bench.findings().stream()
              .filter(f -> f.code().text().equals("PW-06") || f.code().text().equals("NT-22"))
              .anyMatch(f -> f.named().contains(path.id().toString()));
      InputLevels levels = path.levels().get();
      assertThat(stop).as("%s is told as unread", path.id()).isEqualTo(!levels.readable());
      if (path.field().isPresent()) {
        List<String> rest = hex(bench, Holds.NONE);
        List<String> down = hex(bench, Holds.NONE.with(path.id(), 1));
        if (path.whole()) {
          assertThat(down).as("%s reaches the host", path.id()).isNotEqualTo(rest);
        }
      }
    }
    for (Finding spoiled : bench.findings()) {
      if (spoiled.severity() == Severity.STOP
          && spoiled.station() == Station.POWER
          && spoiled.code().text().matches("PW-0[67]")) {
        assertThat(bench.findings())
            .as("fine is not said beside a stop about an input of the same seat")
            .noneMatch(f -> f.code().text().equals("PW-21") && f.whose().equals(spoiled.whose()));
      }
    }
  }

  @DataProvider
  Object[][] papers() {
    return new Object[][] {
      {grouped(6, Topology.MATRIX, "native-3v3-26"), "signal diode", 6, "band towards"},
      {grouped(6, Topology.LADDER, "native-3v3-26"), "resistor", 6, "pull-up"},
      {grouped(9, Topology.REGISTERS, "native-3v3-26"), "capacitor 100 nF", 2, "close to the chip"},
      {grouped(9, Topology.MULTIPLEXER, "native-3v3-26"), "analog multiplexer", 2, "enable to GND"},
    };
  }

  /** A stranger builds it from paper: every part with its value, its way round and both places. */
  @Test(dataProvider = "papers")
  public void everyPartStandsOnPaper(Build build, String part, int count, String words) {
    Bench bench = bench(build);
    String table = Tables.fittings(bench);
    List<String> rows = table.lines().skip(1).toList();
    assertThat(rows.stream().filter(row -> row.contains(part)).count()).isEqualTo(count);
    assertThat(table).contains(words);
    int fitted = bench.loom().partCounts().stream().mapToInt(p -> p.count()).sum();
    assertThat(rows).hasSize(fitted);
    String net = Tables.netlist(bench.wiring().orElseThrow());
    assertThat(net).contains(part.substring(0, Math.min(8, part.length())));
    rows.forEach(row -> assertThat(row).doesNotContain("nothing: its strand is left out"));
  }

  @Test
  public void theDemosTellOneStoryEachAndNoFinePartBesideAStop() throws Exception {
    for (String demo : Demo.names()) {
      Build build = Demo.open(demo, CATALOGUE);
      oneStory(bench(build));
      List<Build> spoiled = new ArrayList<>();
      for (Strand strand : bench(build).loom().strands()) {
        spoiled.add(build.withLoom(build.loom().withLeftOut(strand.wire())));
      }
      spoiled.forEach(b -> oneStory(bench(b)));
    }
  }
}
