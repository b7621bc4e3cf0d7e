package kumite.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.SplittableRandom;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.parts.Catalogue;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A bench made from the one before says what a fresh one says, over thousands of edits. */
public class NextBenchTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  @DataProvider
  Object[][] seeds() {
    Object[][] seeds = new Object[28][];
    Arrays.setAll(seeds, i -> new Object[] {i});
    return seeds;
  }

  @Test(dataProvider = "seeds")
  public void aBenchMadeFromAnotherEqualsAFreshOne(int seed) {
    SplittableRandom random = new SplittableRandom(seed * 7919L);
    Build build = RandomBuilds.any(random);
    Bench bench = Bench.of(build, CATALOGUE);
    for (int edit = 0; edit < 42; edit++) {
      build = RandomBuilds.edited(build, random);
      bench = bench.next(build);
      Bench fresh = Bench.of(build, CATALOGUE);
      assertThat(bench.findings()).as("edit %d", edit).isEqualTo(fresh.findings());
      assertThat(bench.paths()).isEqualTo(fresh.paths());
      assertThat(bench.loom().strands()).isEqualTo(fresh.loom().strands());
      assertThat(bench.loom().runs()).isEqualTo(fresh.loom().runs());
      assertThat(bench.wiring()).isEqualTo(fresh.wiring());
      assertThat(bench.budget()).isEqualTo(fresh.budget());
      assertThat(bench.layout().fields()).isEqualTo(fresh.layout().fields());
      assertThat(bench.drill().holes()).isEqualTo(fresh.drill().holes());
      assertThat(bench.coverage()).isEqualTo(fresh.coverage());
    }
  }
}
