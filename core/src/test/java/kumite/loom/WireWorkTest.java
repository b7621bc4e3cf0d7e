package kumite.loom;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.build.loom.LoomSettings;
import kumite.kind.Landing;
import kumite.measure.LengthUnit;
import kumite.name.Jumper;
import kumite.parts.Catalogue;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Wire by wire: each wire once, shared sides first, ticks and gaps as the builder left them. */
public class WireWorkTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 80).mapToObj(seed -> new Object[] {seed}).toArray(Object[][]::new);
  }

  @Test(dataProvider = "seeds")
  public void everyWireComesOnceAndSharedSidesFirst(int seed) {
    Build build = RandomBuilds.any(new SplittableRandom(3000 + seed));
    Loom loom = Loom.of(build, CATALOGUE);
    List<WireWork.Step> steps = WireWork.of(loom, build.loom()).steps();
    assertThat(steps.stream().map(WireWork.Step::strand))
        .containsExactlyInAnyOrderElementsOf(loom.strands());
    boolean own = false;
    for (WireWork.Step step : steps) {
      own |= step.strand().contact().isPresent();
      assertThat(!own || step.strand().contact().isPresent())
          .as("%s, a shared side, after a contact's own wire", step.strand().id())
          .isTrue();
    }
  }

  /** Ticking in any order counts down to none left; the next one is the first that is not on. */
  @Test(dataProvider = "seeds")
  public void ticksCountDown(int seed) {
    SplittableRandom random = new SplittableRandom(4000 + seed);
    Build build = RandomBuilds.any(random);
    Loom loom = Loom.of(build, CATALOGUE);
    LoomSettings settings = LoomSettings.USUAL;
    List<Jumper> left =
        new ArrayList<>(loom.strands().stream().map(Strand::wire).distinct().toList());
    while (!left.isEmpty()) {
      WireWork work = WireWork.of(loom, settings);
      assertThat(work.left())
          .isEqualTo((int) loom.strands().stream().filter(s -> left.contains(s.wire())).count());
      Strand next = work.next().orElseThrow().strand();
      assertThat(left).contains(next.wire());
      int at = work.steps().indexOf(work.next().get());
      assertThat(work.steps().subList(0, at)).allMatch(WireWork.Step::done);
      settings = settings.withDone(left.remove(random.nextInt(left.size())), true);
    }
    assertThat(WireWork.of(loom, settings).next()).isEmpty();
    assertThat(WireWork.of(loom, settings).left()).isZero();
  }

  /** What the plan no longer has does not count; what is left out is said before the joint. */
  @Test
  public void leftOutWiresSayWhatTickingDoes() {
    Build build = Builds.wired(Builds.buttons(60, 60, 160, 60), "native-3v3-26");
    Loom loom = Loom.of(build, CATALOGUE);
    Jumper wire = loom.strands().get(0).wire();
    LoomSettings out =
        build.loom().withLeftOut(wire).withDone(Jumper.parse("gone:NO - board:D1"), true);
    WireWork work = WireWork.of(loom, out);
    assertThat(work.left()).isEqualTo(loom.strands().size());
    WireWork.Step step =
        work.steps().stream().filter(s -> s.strand().wire().equals(wire)).findFirst().orElseThrow();
    assertThat(step.leftOut()).isTrue();
    assertThat(step.first(LengthUnit.MM).get(0)).contains("Left out");
    // Ticked, it is there again: one of both, never both.
    LoomSettings on = out.withDone(wire, true);
    assertThat(on.leftOut()).doesNotContain(wire);
    assertThat(on.withLeftOut(wire).done()).doesNotContain(wire);
  }

  /** The first line says what to cut; tubes go on before a joint of bare leads. */
  @Test(dataProvider = "seeds")
  public void whatGoesOnFirstIsSaid(int seed) {
    Build build = RandomBuilds.any(new SplittableRandom(5000 + seed));
    Loom loom = Loom.of(build, CATALOGUE);
    for (WireWork.Step step : WireWork.of(loom, LoomSettings.USUAL).steps()) {
      Strand strand = step.strand();
      List<String> first = step.first(LengthUnit.MM);
      assertThat(first.get(0)).contains("Cut " + strand.lengthMm()).contains("flag " + strand.id());
      boolean lead =
          strand.from().landing().how() == Landing.How.LEAD
              || strand.to().landing().how() == Landing.How.LEAD;
      assertThat(first.stream().anyMatch(line -> line.contains("tube"))).isEqualTo(lead);
      assertThat(first.stream().anyMatch(line -> line.contains("connector")))
          .isEqualTo(strand.way().isPresent());
    }
  }
}
