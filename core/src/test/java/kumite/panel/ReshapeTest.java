package kumite.panel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.build.Build;
import kumite.build.brief.Hand;
import kumite.build.panel.Block;
import kumite.measure.Point;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Corners and blocks changed by hand: what stands on the panel keeps its place. */
public class ReshapeTest {
  private static final GeometryFactory JTS = new GeometryFactory();

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 80).mapToObj(seed -> new Object[] {seed}).toArray(Object[][]::new);
  }

  private static Build bench() {
    Build build = Builds.wired(Builds.buttons(60, 60, 160, 100, 240, 60), "native-3v3-26");
    build =
        build.withPanel(
            build
                .panel()
                .withCorner(0)
                .withInside(
                    build.panel().inside().withBlocks(List.of(new Block("bar", 20, 30, 40, 12)))));
    return build.withBrief(
        build
            .brief()
            .withHand(
                build
                    .brief()
                    .hand()
                    .withRests(List.of(new Hand.Rest("left hand", new Point(80, 10))))));
  }

  /** All places that must keep their distance to a corner that was not moved. */
  private static List<Point> places(Build build) {
    List<Point> places = new ArrayList<>();
    build.controls().forEach(c -> places.add(c.placement().centre()));
    build.board().ifPresent(b -> places.add(b.placement().centre()));
    build.panel().inside().blocks().forEach(b -> places.add(b.centre()));
    build.brief().hand().rests().forEach(r -> places.add(r.at()));
    return places;
  }

  /** One corner goes anywhere that leaves a panel: nothing moves against the other corners. */
  @Test(dataProvider = "seeds")
  public void whatStandsOnThePanelStaysAmongTheOtherCorners(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Build build = bench();
    List<Point> corners = new ArrayList<>(build.panel().corners());
    int moved = random.nextInt(corners.size());
    int kept = (moved + 2) % corners.size();
    corners.set(
        moved, corners.get(moved).plus(random.nextDouble(-90, 90), random.nextDouble(-60, 60)));
    Build after = Reshape.corners(build, corners);
    assertThat(after.panel().corners()).hasSize(corners.size());
    List<Point> was = places(build);
    List<Point> is = places(after);
    Point from = build.panel().corners().get(kept);
    Point to = after.panel().corners().get(kept);
    for (int i = 0; i < was.size(); i++) {
      assertThat(is.get(i).xMm() - to.xMm()).isCloseTo(was.get(i).xMm() - from.xMm(), within(1e-9));
      assertThat(is.get(i).yMm() - to.yMm()).isCloseTo(was.get(i).yMm() - from.yMm(), within(1e-9));
    }
    // The area is that of the wished corners, as a geometry library counts it.
    assertThat(polygon(after.panel().corners()).getArea())
        .isCloseTo(polygon(corners).getArea(), within(1e-6));
  }

  private static Polygon polygon(List<Point> corners) {
    Coordinate[] ring = new Coordinate[corners.size() + 1];
    for (int i = 0; i < ring.length; i++) {
      Point at = corners.get(i % corners.size());
      ring[i] = new Coordinate(at.xMm(), at.yMm());
    }
    return JTS.createPolygon(ring);
  }

  /** A corner in the middle of a side changes no outline; taken out again, all is as before. */
  @Test(dataProvider = "seeds")
  public void aSideIsSplitInItsMiddle(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    List<Point> corners = bench().panel().corners();
    int side = random.nextInt(corners.size());
    List<Point> more = Reshape.split(corners, side);
    assertThat(more).hasSize(corners.size() + 1);
    assertThat(polygon(more).getArea()).isCloseTo(polygon(corners).getArea(), within(1e-9));
    Point a = more.get(side);
    Point middle = more.get(side + 1);
    Point b = more.get((side + 2) % more.size());
    assertThat(a.distanceMm(middle)).isCloseTo(middle.distanceMm(b), within(1e-9));
    List<Point> back = new ArrayList<>(more);
    back.remove(side + 1);
    assertThat(back).isEqualTo(corners);
  }

  @Test
  public void anOutlineThatCannotBeCutIsRefused() {
    Build build = bench();
    List<Point> crossed =
        List.of(new Point(0, 0), new Point(300, 200), new Point(300, 0), new Point(0, 200));
    assertThatThrownBy(() -> Reshape.corners(build, crossed))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("crosses itself");
    assertThatThrownBy(() -> Reshape.corners(build, crossed.subList(0, 2)))
        .isInstanceOf(IllegalArgumentException.class);
  }

  /** A block drawn from any corner to the opposite one is the same block. */
  @Test(dataProvider = "seeds")
  public void aBlockIsTheSameFromEachOfItsCorners(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    double left = random.nextDouble(0, 200);
    double front = random.nextDouble(0, 100);
    double right = left + random.nextDouble(1, 90);
    double back = front + random.nextDouble(1, 90);
    Block drawn = Reshape.block("bar", new Point(left, front), new Point(right, back));
    assertThat(Reshape.block("bar", new Point(right, back), new Point(left, front)))
        .isEqualTo(drawn);
    assertThat(Reshape.block("bar", new Point(left, back), new Point(right, front)))
        .isEqualTo(drawn);
    assertThat(drawn.leftMm() + drawn.widthMm()).isCloseTo(right, within(1e-9));
    Build build = Reshape.add(bench(), drawn);
    assertThat(build.panel().inside().blocks()).hasSize(2).last().isEqualTo(drawn);
    Block other = new Block("bar", 1, 2, 3, 4);
    assertThat(Reshape.block(build, 0, other).panel().inside().blocks())
        .containsExactly(other, drawn);
  }

  @Test
  public void aBlockOfNoWidthIsRefused() {
    assertThatThrownBy(() -> Reshape.block("bar", new Point(3, 4), new Point(3, 9)))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("width");
  }
}
