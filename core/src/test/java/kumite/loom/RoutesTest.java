package kumite.loom;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.build.panel.Block;
import kumite.kind.BoardKind;
import kumite.measure.Point;
import kumite.name.Joint;
import kumite.parts.Catalogue;
import org.testng.SkipException;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The ways of wires behind the panel: the picture's, the wiring board's and the cut list's. */
public class RoutesTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 100).mapToObj(seed -> new Object[] {seed}).toArray(Object[][]::new);
  }

  private static Build blocked(int seed) {
    SplittableRandom random = new SplittableRandom(6000 + seed);
    Build build = RandomBuilds.any(random);
    List<Block> blocks = new ArrayList<>();
    for (int i = random.nextInt(4); i > 0; i--) {
      blocks.add(
          new Block(
              "block " + i,
              random.nextDouble(0, build.panel().widthMm()),
              random.nextDouble(0, build.panel().heightMm()),
              random.nextDouble(5, 60),
              random.nextDouble(5, 60)));
    }
    return build.withPanel(build.panel().withInside(build.panel().inside().withBlocks(blocks)));
  }

  /** Each stretch runs along x or y, from the part of one end to that of the other. */
  @Test(dataProvider = "seeds")
  public void waysRunAlongTheEdges(int seed) {
    Build build = blocked(seed);
    if (CATALOGUE.boardOf(build).isEmpty()) {
      throw new SkipException("this build has no board");
    }
    Loom loom = Loom.of(build, CATALOGUE);
    Routes routes = Routes.of(build, CATALOGUE.boardOf(build).get(), loom);
    for (Strand strand : loom.strands()) {
      List<Point> way = routes.way(strand.from().place(), strand.to().place());
      assertThat(way).as(strand.id()).isNotEmpty();
      for (int i = 1; i < way.size(); i++) {
        boolean level = way.get(i).yMm() == way.get(i - 1).yMm();
        boolean upright = way.get(i).xMm() == way.get(i - 1).xMm();
        assertThat(level || upright).as("%s, stretch %d", strand.id(), i).isTrue();
      }
      List<Point> back = routes.way(strand.to().place(), strand.from().place());
      assertThat(length(back)).as("as long the other way").isCloseTo(length(way), within(1e-6));
      assertThat(routes.way(strand.wire())).hasSizeGreaterThan(0);
    }
  }

  private static double length(List<Point> way) {
    double sum = 0;
    for (int i = 1; i < way.size(); i++) {
      sum += way.get(i).distanceMm(way.get(i - 1));
    }
    return sum;
  }

  /** A wire is cut no shorter than its way in the picture, but for what the board's edge gives. */
  @Test(dataProvider = "seeds")
  public void theCutHoldsTheWay(int seed) {
    Build build = blocked(seed);
    if (CATALOGUE.boardOf(build).isEmpty()) {
      throw new SkipException("this build has no board");
    }
    BoardKind board = CATALOGUE.boardOf(build).get();
    Loom loom = Loom.of(build, CATALOGUE);
    Routes routes = Routes.of(build, board, loom);
    for (Strand strand : loom.strands()) {
      boolean bare = strand.working().formula().contains("straight");
      List<Point> way = routes.way(strand.from().place(), strand.to().place());
      if (!bare && way.size() > 1) {
        // The picture gathers wires at the middle of the board's edge, the cut goes on from there.
        double edge = board.widthMm() + board.heightMm();
        // It gathers them at the middle of a part too, and the cut runs from tab to tab.
        double allowed = (toBoard(strand) ? edge : 1) + aside(build, strand);
        assertThat((double) strand.lengthMm())
            .as("%s %s", strand.id(), strand.working().formula())
            .isGreaterThanOrEqualTo(length(way) - allowed);
      }
      Point from = strand.from().at();
      Point to = strand.to().at();
      assertThat(strand.lengthMm() + 0.01)
          .as("%s from tab to tab", strand.id())
          .isGreaterThanOrEqualTo(
              bare
                  ? from.distanceMm(to)
                  : Math.abs(from.xMm() - to.xMm()) + Math.abs(from.yMm() - to.yMm()));
    }
  }

  private static double aside(Build build, Strand strand) {
    double aside = 0;
    for (Strand.End end : List.of(strand.from(), strand.to())) {
      aside +=
          build.hands().stream()
              .filter(control -> control.id().text().equals(end.place().part()))
              .mapToDouble(
                  control ->
                      Math.abs(control.placement().xMm() - end.at().xMm())
                          + Math.abs(control.placement().yMm() - end.at().yMm()))
              .sum();
    }
    return aside;
  }

  private static boolean toBoard(Strand strand) {
    return strand.from().place().part().equals(Joint.BOARD)
        || strand.to().place().part().equals(Joint.BOARD);
  }

  /** What the build has nowhere has no way; two places of one part are one. */
  @Test
  public void strangePlacesHaveNoWay() {
    Build build =
        RandomBuilds.sharing(kumite.build.loom.Topology.MATRIX, 4, new SplittableRandom(1));
    Loom loom = Loom.of(build, CATALOGUE);
    Routes routes = Routes.of(build, CATALOGUE.boardOf(build).orElseThrow(), loom);
    assertThat(routes.way(Joint.parse("nobody:NO"), Joint.board("GND"))).isEmpty();
    assertThat(routes.way(Joint.parse("b1:NO"), Joint.parse("nobody:NO"))).isEmpty();
    assertThat(routes.way(Joint.parse("b1:NO"), Joint.parse("b1:COM"))).hasSize(1);
  }
}
