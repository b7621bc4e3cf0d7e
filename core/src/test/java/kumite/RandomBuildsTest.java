package kumite;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import kumite.build.Build;
import kumite.build.map.Target;
import kumite.device.Holds;
import kumite.device.SignalPath;
import kumite.device.Trace;
import kumite.files.BuildFile;
import kumite.files.Tables;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.finding.Station;
import kumite.hid.HostView;
import kumite.hid.ReportLayout;
import kumite.kind.Terminal;
import kumite.loom.Strand;
import kumite.measure.Paper;
import kumite.panel.Gap;
import kumite.parts.Catalogue;
import kumite.sheet.BenchSheet;
import kumite.verdict.Bench;
import kumite.wiring.NetCode;
import org.testng.SkipException;
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
    SplittableRandom random = new SplittableRandom(seed);
    Build any = RandomBuilds.any(random);
    Build build = seed % 2 == 0 ? RandomBuilds.layered(any, random) : any;
    Bench bench = Bench.of(build, CATALOGUE);
    assertThat(BuildFile.parse(BuildFile.text(build), "x", CATALOGUE)).isEqualTo(build);
    planHolds(bench);
    findingsHold(bench);
    if (seed % 12 == 0) {
      assertThat(BenchSheet.pdf(bench, seed % 24 == 0 ? Paper.A4 : Paper.LETTER)).isNotEmpty();
      assertThat(Tables.drill(bench).lines().count()).isEqualTo(1 + bench.drill().holes().size());
      int byHand = bench.wiring().map(wiring -> wiring.byHand().size()).orElse(0);
      assertThat(Tables.wiring(bench).lines().count())
          .isEqualTo(1 + bench.loom().strands().size() + byHand);
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
                  assertThat(
                          pin.terminal().can(Terminal.Ability.ANALOG)
                              || pin.terminal().can(Terminal.Ability.OHMS))
                      .isTrue();
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
        mends(bench, finding, bench.next(mended));
      } else {
        assertThat(
                finding.severity() == Severity.FINE
                    || !finding.named().isEmpty()
                    || finding.code().text().startsWith("MP")
                    || finding
                        .drawn()
                        .filter(d -> d instanceof Gap gap && gap.controls().isEmpty())
                        .isPresent())
            .as("%s without a fix says at least what it is about", finding.code().text())
            .isTrue();
      }
    }
  }

  /** A fix takes its finding away, and no stop stands after it that did not stand before. */
  private static void mends(Bench before, Finding finding, Bench after) {
    String label = finding.code().text() + ": " + finding.fix().orElseThrow().label();
    for (Finding left : after.findings()) {
      boolean sound = left.severity() == Severity.FINE;
      assertThat(
              !sound
                  && left.code().text().equals(finding.code().text())
                  && left.whose().equals(finding.whose())
                  && left.named().equals(finding.named()))
          .as("%s takes its finding away", label)
          .isFalse();
      // What a short hid comes to light with it.
      boolean hidden = shorted(before) && !shorted(after) && left.station() == Station.POWER;
      // What shows otherwise is told by what stops it from showing at all, while that stands.
      boolean toldElse =
          left.code() == NetCode.SHOWS_OTHERWISE
              && before.findings().stream()
                  .filter(f -> f.severity() == Severity.STOP && f.station() == Station.POWER)
                  .anyMatch(f -> left.named().containsAll(f.named()));
      if (left.severity() == Severity.STOP && !hidden && !toldElse) {
        assertThat(before.findings())
            .as("%s adds the stop %s %s", label, left.code().text(), left.title())
            .anyMatch(
                f ->
                    f.severity() == Severity.STOP
                        && f.code().text().equals(left.code().text())
                        && f.named().containsAll(left.named()));
      }
    }
  }

  private static boolean shorted(Bench bench) {
    return bench.findings().stream().anyMatch(f -> f.code() == NetCode.SUPPLY_ON_GROUND);
  }

  @Test(dataProvider = "seeds")
  public void whatIsHeldIsWhatTheHostReadsAndLettingGoRestoresRest(int seed) {
    SplittableRandom random = new SplittableRandom(seed + 1000);
    Bench bench = Bench.of(RandomBuilds.any(random), CATALOGUE);
    if (bench.board().isEmpty()) {
      throw new SkipException("this build has no board");
    }
    Holds holds = Holds.NONE;
    for (SignalPath path : bench.paths()) {
      if (random.nextInt(3) == 0) {
        holds = holds.with(path.id(), 1);
      }
    }
    // What cannot be read through the way it shares is named, and not promised.
    List<String> stopped =
        bench.findings().stream()
            .filter(f -> f.code() == kumite.loom.LoomCode.GROUP_CANNOT_READ)
            .flatMap(f -> f.named().stream())
            .toList();
    Trace trace = bench.device().move(Holds.NONE, holds, seed);
    List<Trace.Report> steady = bench.device().steady(holds);
    for (Trace.Report report : steady) {
      if (bench.layout().part(report.id()) == ReportLayout.Part.MOUSE) {
        continue; // what moves has no steady state
      }
      assertThat(trace.last(report.id()).orElseThrow().hex())
          .as("report %d comes to the steady state", report.id())
          .isEqualTo(report.hex());
      HostView seen = HostView.of(bench.layout().fields(), report.toBytes());
      for (SignalPath path : bench.paths()) {
        boolean here = path.field().filter(f -> f.reportId() == report.id()).isPresent();
        boolean button = path.target().filter(Target.Button.class::isInstance).isPresent();
        if (here
            && button
            && path.whole()
            && holds.on(path.id())
            && opensAtRest(path)
            && !stopped.contains(path.id().toString())) {
          assertThat(seen.on()).as("%s", path.id()).contains(path.field().get().usage());
        }
      }
    }
    Trace back = bench.device().move(holds, Holds.NONE, seed);
    for (Trace.Report rest : bench.device().steady(Holds.NONE)) {
      if (bench.layout().part(rest.id()) == ReportLayout.Part.MOUSE) {
        continue;
      }
      assertThat(back.last(rest.id()).orElseThrow().hex()).isEqualTo(rest.hex());
    }
  }

  private static boolean opensAtRest(SignalPath path) {
    return !path.site().control().hookup().restsClosed();
  }
}
