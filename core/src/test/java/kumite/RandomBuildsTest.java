package kumite;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.brief.Brief;
import kumite.build.brief.Hand;
import kumite.build.brief.Host;
import kumite.build.brief.HostFunction;
import kumite.build.loom.Hookup;
import kumite.build.loom.Laying;
import kumite.build.loom.LoomSettings;
import kumite.build.loom.Topology;
import kumite.build.map.AxisName;
import kumite.build.map.Mapping;
import kumite.build.map.Target;
import kumite.build.map.Timing;
import kumite.build.panel.CaseInside;
import kumite.build.panel.Datum;
import kumite.build.panel.Material;
import kumite.build.panel.Panel;
import kumite.device.Holds;
import kumite.device.SignalPath;
import kumite.device.Trace;
import kumite.files.BuildFile;
import kumite.files.Tables;
import kumite.hid.HostView;
import kumite.kind.Common;
import kumite.kind.ContactKind;
import kumite.kind.ControlKind;
import kumite.kind.Terminal;
import kumite.kind.WireColour;
import kumite.loom.Strand;
import kumite.measure.LengthUnit;
import kumite.measure.Placement;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.parts.Catalogue;
import kumite.sheet.BenchSheet;
import kumite.sheet.Paper;
import kumite.verdict.Bench;
import kumite.verdict.Finding;
import kumite.verdict.Severity;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Laws that hold for any build, however odd. Seeds are fixed; a failing seed is named. */
public class RandomBuildsTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();
  private static final int BUILDS = 72;

  @DataProvider
  Object[][] seeds() {
    Object[][] seeds = new Object[BUILDS][];
    Arrays.setAll(seeds, i -> new Object[] {i});
    return seeds;
  }

  @Test(dataProvider = "seeds")
  public void everyBuildIsJudgedSavedPrintedAndMended(int seed) throws Exception {
    Build build = random(new SplittableRandom(seed));
    Bench bench = Bench.of(build, CATALOGUE);
    assertThat(BuildFile.parse(BuildFile.text(build), "x", CATALOGUE)).isEqualTo(build);
    planHolds(bench);
    findingsHold(bench);
    if (seed % 12 == 0) {
      assertThat(BenchSheet.pdf(bench, seed % 24 == 0 ? Paper.A4 : Paper.LETTER)).isNotEmpty();
      assertThat(Tables.drill(bench).lines().count()).isEqualTo(1 + bench.drill().holes().size());
      assertThat(Tables.wiring(bench).lines().count()).isEqualTo(1 + bench.loom().strands().size());
    }
  }

  private static void planHolds(Bench bench) {
    List<String> terminals =
        bench.loom().plan().choices().values().stream().map(c -> c.terminal().name()).toList();
    assertThat(terminals).as("no terminal twice").doesNotHaveDuplicates();
    assertThat(bench.loom().plan().choices().size() + bench.loom().plan().unplaced().size())
        .as("every wire is planned or named")
        .isEqualTo(bench.loom().lines().size());
    assertThat(bench.loom().strands().stream().map(Strand::id)).doesNotHaveDuplicates();
    for (Strand strand : bench.loom().strands()) {
      assertThat(strand.lengthMm()).as(strand.id()).isPositive();
      assertThat(strand.lengthMm() % 5).as(strand.id()).isZero();
    }
    for (SignalPath path : bench.paths()) {
      path.pin()
          .filter(pin -> !pin.locked())
          .ifPresent(
              pin -> {
                assertThat(pin.terminal().role()).isEqualTo(Terminal.Role.INPUT);
                assertThat(bench.loom().whyPin(path.id())).isNotEmpty();
                if (path.site().contact().type().analog() && path.sharing().isEmpty()) {
                  assertThat(pin.terminal().can(Terminal.Ability.ANALOG)).isTrue();
                }
              });
    }
  }

  private static void findingsHold(Bench bench) {
    for (Finding finding : bench.findings()) {
      assertThat(finding.title()).isNotBlank();
      assertThat(finding.detail()).isNotBlank();
      finding.working().ifPresent(w -> assertThat(w.inWords()).contains(w.result()));
      if (finding.fix().isPresent()) {
        Build mended = finding.fix().get().edit().apply(bench.build());
        assertThat(mended)
            .as("%s changes something", finding.fix().get().label())
            .isNotEqualTo(bench.build());
        assertThat(Bench.of(mended, CATALOGUE).findings()).isNotNull();
      } else {
        assertThat(
                finding.severity() == Severity.FINE
                    || !finding.about().isEmpty()
                    || finding.code().startsWith("MP")
                    || finding.gap().filter(gap -> gap.controls().isEmpty()).isPresent())
            .as("%s without a fix says at least what it is about", finding.code())
            .isTrue();
      }
    }
  }

  @Test(dataProvider = "seeds")
  public void whatIsHeldIsWhatTheHostReadsAndLettingGoRestoresRest(int seed) {
    SplittableRandom random = new SplittableRandom(seed + 1000);
    Bench bench = Bench.of(random(random), CATALOGUE);
    if (bench.board().isEmpty()) {
      return;
    }
    Holds holds = Holds.NONE;
    for (SignalPath path : bench.paths()) {
      if (random.nextInt(3) == 0) {
        holds = holds.with(path.id(), 1);
      }
    }
    Trace trace = bench.device().move(Holds.NONE, holds, seed);
    List<Trace.Report> steady = bench.device().steady(holds);
    for (Trace.Report report : steady) {
      assertThat(trace.last(report.id()).orElseThrow().hex())
          .as("report %d comes to the steady state", report.id())
          .isEqualTo(report.hex());
      HostView seen = HostView.of(bench.layout().fields(), report.toBytes());
      for (SignalPath path : bench.paths()) {
        boolean here = path.field().filter(f -> f.reportId() == report.id()).isPresent();
        boolean button =
            path.site().entry().filter(e -> e.target() instanceof Target.Button).isPresent();
        if (here && button && path.whole() && holds.of(path.id()) == 1 && opensAtRest(path)) {
          assertThat(seen.on()).as("%s", path.id()).contains(path.field().get().usage());
        }
      }
    }
    Trace back = bench.device().move(holds, Holds.NONE, seed);
    for (Trace.Report rest : bench.device().steady(Holds.NONE)) {
      assertThat(back.last(rest.id()).orElseThrow().hex()).isEqualTo(rest.hex());
    }
  }

  private static boolean opensAtRest(SignalPath path) {
    return !path.site().control().hookup().restsClosed();
  }

  // ---- any build at all

  private static Build random(SplittableRandom random) {
    double width = random.nextDouble(60, 700);
    double height = random.nextDouble(60, 400);
    Panel panel =
        new Panel(
            width,
            height,
            random.nextDouble(0, Math.min(width, height) / 2),
            random.nextDouble(0.5, 20),
            pick(Material.values(), random),
            new CaseInside(random.nextDouble(0, 30), random.nextDouble(5, 150)),
            pick(Datum.values(), random));
    Build build =
        Build.empty("Random \"build\" ä " + random.nextInt())
            .withPanel(panel)
            .withBrief(
                new Brief(
                    "Any",
                    pick(Host.values(), random),
                    random.nextDouble(1, 12),
                    Hand.AVERAGE.withReach(random.nextDouble(20, 300)),
                    pick(LengthUnit.values(), random),
                    List.of(
                        new HostFunction("One", pick(HostFunction.Wants.values(), random)),
                        new HostFunction("Two", pick(HostFunction.Wants.values(), random))),
                    List.of()))
            .withTiming(
                new Timing(
                    random.nextInt(50, 5000),
                    pick(Timing.Debounce.values(), random),
                    random.nextInt(0, 20_000),
                    random.nextInt(1000, 10_000)));
    build = build.withControls(controls(random, width, height));
    build = build.withMapping(mapping(build, random));
    if (random.nextInt(6) > 0) {
      String board = CATALOGUE.boards().get(random.nextInt(CATALOGUE.boards().size())).id();
      build =
          build.withBoard(
              Optional.of(
                  new BoardChoice(
                      board,
                      new Placement(
                          random.nextDouble(width),
                          random.nextDouble(height),
                          random.nextInt(4) * 90))));
    }
    return build.withLoom(loom(build, random));
  }

  private static List<Control> controls(SplittableRandom random, double width, double height) {
    List<Control> controls = new ArrayList<>();
    int count = random.nextInt(16);
    for (int i = 0; i < count; i++) {
      ControlKind kind = CATALOGUE.controls().get(random.nextInt(CATALOGUE.controls().size()));
      controls.add(
          new Control(
              new ControlId("c" + i),
              "C " + i,
              kind.id(),
              new Placement(
                  random.nextDouble(-20, width + 20),
                  random.nextDouble(-20, height + 20),
                  random.nextInt(4) == 0 ? random.nextDouble(-180, 180) : 0),
              new Hookup(
                  random.nextInt(8) == 0
                      ? Optional.of(pick(Common.values(), random))
                      : Optional.empty(),
                  random.nextInt(12) == 0,
                  random.nextInt(4) == 0
                      ? OptionalDouble.of(random.nextDouble(1, 1000))
                      : OptionalDouble.empty(),
                  random.nextInt(3) == 0,
                  random.nextInt(6) == 0
                      ? Optional.of(random.nextBoolean() ? "5V" : "3V3")
                      : Optional.empty())));
    }
    return controls;
  }

  private static Mapping mapping(Build build, SplittableRandom random) {
    Mapping mapping = Mapping.EMPTY;
    for (Control control : build.controls()) {
      for (ContactKind contact : CATALOGUE.kindOf(control).contacts()) {
        if (random.nextInt(5) > 0) {
          mapping =
              mapping.with(
                  new ContactId(control.id(), contact.name()),
                  new Mapping.Entry(target(random), random.nextBoolean() ? "One" : ""));
        }
      }
    }
    return mapping;
  }

  private static Target target(SplittableRandom random) {
    return switch (random.nextInt(7)) {
      case 0 -> new Target.Axis(pick(AxisName.values(), random));
      case 1 -> new Target.AxisEnd(pick(AxisName.values(), random), random.nextBoolean());
      case 2 -> new Target.Hat(pick(Target.Direction.values(), random));
      case 3 -> new Target.Key(random.nextInt(0x04, 0xE8));
      case 4 -> new Target.Steps(random.nextInt(1, 129));
      default -> new Target.Button(random.nextInt(1, 129));
    };
  }

  private static LoomSettings loom(Build build, SplittableRandom random) {
    LoomSettings loom =
        LoomSettings.USUAL.withLaying(
            new Laying(
                pick(Laying.CommonShape.values(), random),
                random.nextDouble(0, 100),
                random.nextDouble(0, 300),
                random.nextInt(10, 37),
                random.nextBoolean(),
                random.nextInt(4) == 0
                    ? java.util.Set.of(pick(WireColour.Hue.values(), random))
                    : java.util.Set.of()));
    List<ContactId> contacts = new ArrayList<>(build.mapping().entries().keySet());
    if (random.nextInt(3) == 0 && contacts.size() > 2) {
      loom =
          loom.withGroup(
              new ControlId("shared"),
              pick(Topology.values(), random),
              contacts.subList(0, random.nextInt(1, contacts.size())));
    }
    if (random.nextInt(4) == 0 && !contacts.isEmpty()) {
      ContactId one = contacts.get(random.nextInt(contacts.size()));
      loom =
          loom.withAdded(
              new Jumper(
                  new Joint(one.control().text(), "NO"),
                  Joint.board(pick(new String[] {"GND", "5V", "3V3", "D5", "COM"}, random))));
    }
    for (ContactId contact : build.mapping().entries().keySet()) {
      if (random.nextInt(8) == 0) {
        loom = loom.withLock(contact, "D" + random.nextInt(24));
      }
      if (random.nextInt(8) == 0) {
        loom = loom.withColour(contact, WireColour.of(pick(WireColour.Hue.values(), random)));
      }
    }
    return loom;
  }

  private static <T> T pick(T[] values, SplittableRandom random) {
    return values[random.nextInt(values.length)];
  }
}
