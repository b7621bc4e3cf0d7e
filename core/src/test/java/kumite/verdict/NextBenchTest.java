package kumite.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import kumite.Builds;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.json.Key;
import kumite.kind.BoardKind;
import kumite.parts.Catalogue;
import kumite.ports.Consoles;
import kumite.signal.PortFile;
import kumite.signal.PortKind;
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

  /** Kinds that come and go with an edit are known, and forgotten, at once. */
  @Test
  public void whatABuildBringsIsKnownAsLongAsItIsThere() {
    Build plain = Builds.wired(Builds.buttons(60, 60), "native-3v3-26");
    PortKind pad = PortFile.find(PortFile.standard(), "serial-latch-8").orElseThrow();
    ObjectNode other = (ObjectNode) PortFile.PORT.write(pad);
    PortKind own = PortFile.PORT.read(new Key("", other.put("id", "own-latch")).here());
    Build reading = plain.withPorts(plain.ports().withKind(own));
    Build read = reading.withPorts(reading.ports().with(Consoles.pad(reading, own)));
    Build answering = plain.withPorts(plain.ports().with(Consoles.console(plain, pad)));
    BoardKind board = CATALOGUE.board("native-5v-18").orElseThrow();
    Build bringing = plain.withOwnBoard(board.remade("own-board", "Own", board.terminals()));
    List<Build> steps =
        List.of(plain, reading, read, plain, answering, read, answering, bringing, read, bringing);
    Bench bench = Bench.of(plain, CATALOGUE);
    for (Build step : steps) {
      bench = bench.next(step);
      Bench fresh = Bench.of(step, CATALOGUE);
      assertThat(bench.findings()).isEqualTo(fresh.findings());
      assertThat(bench.paths()).isEqualTo(fresh.paths());
      assertThat(bench.catalogue().boards()).isEqualTo(fresh.catalogue().boards());
      assertThat(bench.catalogue().port("own-latch"))
          .isEqualTo(fresh.catalogue().port("own-latch"));
    }
  }
}
