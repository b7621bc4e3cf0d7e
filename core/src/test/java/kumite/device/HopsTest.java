package kumite.device;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.device.Hop.Stage;
import kumite.kind.BoardKind;
import kumite.loom.Serves;
import kumite.loom.Strand;
import kumite.map.TargetText;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The nine stages of a contact's way, on builds that nobody thought of. */
public class HopsTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 60).mapToObj(seed -> new Object[] {seed}).toArray(Object[][]::new);
  }

  private static Hop at(List<Hop> hops, Stage stage) {
    return hops.get(stage.ordinal());
  }

  /** Nine stages in order, each in words; the way is broken where the path says it is. */
  @Test(dataProvider = "seeds")
  public void theWayHasNineStagesInOrder(int seed) {
    Bench bench = Bench.of(RandomBuilds.any(new SplittableRandom(8000 + seed)), CATALOGUE);
    for (SignalPath path : bench.paths()) {
      List<Hop> hops = bench.hops(path, Holds.NONE, Optional.empty());
      assertThat(hops.stream().map(Hop::stage))
          .containsExactlyElementsOf(Arrays.asList(Stage.values()));
      assertThat(hops).allMatch(hop -> !hop.value().isBlank() && !hop.tip().isBlank());
      assertThat(hops).as("nothing is held").noneMatch(Hop::live);
      assertThat(at(hops, Stage.TERMINAL).broken()).isEqualTo(path.pin().isEmpty());
      assertThat(at(hops, Stage.MAP).broken()).isEqualTo(path.target().isEmpty());
      assertThat(at(hops, Stage.REPORT).broken())
          .isEqualTo(path.field().isEmpty() && !asked(bench, path));
      path.pin()
          .ifPresent(
              pin -> assertThat(at(hops, Stage.TERMINAL).value()).isEqualTo(pin.terminal().name()));
      path.target()
          .ifPresent(
              target -> assertThat(at(hops, Stage.MAP).value()).isEqualTo(TargetText.of(target)));
      path.strand()
          .ifPresent(
              strand ->
                  assertThat(at(hops, Stage.STRAND).value())
                      .contains(strand.id(), strand.colour().code()));
    }
  }

  /** Whether a console that is answered takes what a contact means. */
  private static boolean asked(Bench bench, SignalPath path) {
    BoardKind board = bench.board().orElse(null);
    return bench.loom().consoles().stream()
        .filter(c -> board != null && (c.byCircuit(board) || c.byProgram(board)))
        .anyMatch(c -> path.target().flatMap(c.chart()::button).isPresent());
  }

  /**
   * A press lights the way up to where it breaks, and nothing behind; where the way is whole, and
   * the report tells something else than at rest, all of it.
   */
  @Test(dataProvider = "seeds")
  public void aPressLightsTheWayUpToItsBreak(int seed) {
    Build build = RandomBuilds.any(new SplittableRandom(8000 + seed));
    if (build.board().isPresent() && seed % 2 == 0) {
      SplittableRandom random = new SplittableRandom(seed);
      List<Strand> signals =
          Bench.of(build, CATALOGUE).loom().strands().stream()
              .filter(strand -> strand.serves() == Serves.SIGNAL)
              .toList();
      if (!signals.isEmpty()) {
        Strand cut = signals.get(random.nextInt(signals.size()));
        build = build.withLoom(build.loom().withLeftOut(cut.wire()));
      }
    }
    Bench bench = Bench.of(build, CATALOGUE);
    for (SignalPath path : bench.paths()) {
      Holds held = Holds.NONE.with(path.id(), 1);
      Optional<Trace> trace = Optional.of(bench.device().move(Holds.NONE, held, 1));
      List<Hop> hops = bench.hops(path, held, trace);
      int live = (int) hops.stream().takeWhile(Hop::live).count();
      assertThat(hops.subList(live, hops.size()))
          .as("%s: nothing is live behind the first stage that is not: %s", path.id(), hops)
          .noneMatch(Hop::live);
      int broken = (int) hops.stream().takeWhile(hop -> !hop.broken()).count();
      assertThat(live)
          .as("%s: no further than the break: %s", path.id(), hops)
          .isLessThanOrEqualTo(broken);
    }
  }

  /** Held, the stages that a press gets through are live; a wire left out ends it at the strand. */
  @Test
  public void aPressIsLiveAsFarAsItGets() {
    Build build = Builds.wired(Builds.buttons(60, 60, 160, 60), "native-3v3-26");
    Bench bench = Bench.of(build, CATALOGUE);
    SignalPath path = bench.paths().get(0);
    Holds held = Holds.NONE.with(path.id(), 1);
    Optional<Trace> trace = Optional.of(bench.device().move(Holds.NONE, held, 1));
    List<Hop> hops = bench.hops(path, held, trace);
    assertThat(hops).allMatch(Hop::live).noneMatch(Hop::broken);
    assertThat(at(hops, Stage.REPORT).measure()).endsWith(" ms");
    Strand strand = path.strand().orElseThrow();
    Bench cut = Bench.of(build.withLoom(build.loom().withLeftOut(strand.wire())), CATALOGUE);
    Hop there = at(cut.hops(cut.paths().get(0), held, Optional.empty()), Stage.STRAND);
    assertThat(there.broken()).isTrue();
    assertThat(there.live()).isFalse();
    assertThat(there.measure()).isEqualTo("left out");
  }

  /** Before a board is chosen the way ends at the strand, and says what to do. */
  @Test
  public void withoutABoardTheWaySaysWhatToDo() {
    Bench bench = Bench.of(Builds.buttons(60, 60), CATALOGUE);
    List<Hop> hops = bench.hops(bench.paths().get(0), Holds.NONE, Optional.empty());
    assertThat(at(hops, Stage.STRAND).broken()).isTrue();
    assertThat(at(hops, Stage.STRAND).measure()).contains("board");
    assertThat(at(hops, Stage.LEVEL).broken()).isTrue();
    assertThat(bench.loom().spareWays()).isEqualTo(1);
  }
}
