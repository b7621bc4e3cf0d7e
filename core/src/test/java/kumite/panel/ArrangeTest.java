package kumite.panel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.Edit;
import kumite.kind.ControlKind;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Laws of laying out: lining up, spreading, mirroring, copying and adding. */
public class ArrangeTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 60).mapToObj(seed -> new Object[] {seed}).toArray(Object[][]::new);
  }

  private static Build scattered(SplittableRandom random, int count) {
    Build build = Build.empty("Scattered");
    build = build.withPanel(build.panel().withSize(500, 300));
    List<ControlKind> kinds = CATALOGUE.controls();
    for (int i = 0; i < count; i++) {
      build =
          build.withControl(
              Control.of(
                  new ControlId("c" + i),
                  "C " + i,
                  kinds.get(random.nextInt(kinds.size())).id(),
                  new Placement(
                      random.nextDouble(30, 470),
                      random.nextDouble(30, 270),
                      random.nextInt(4) == 0 ? random.nextInt(360) : 0)));
    }
    return build;
  }

  private static List<ControlId> ids(Build build) {
    return build.controls().stream().map(Control::id).toList();
  }

  private static Point at(Build build, ControlId id) {
    return build.control(id).orElseThrow().placement().centre();
  }

  /** Twice mirrored is as before, but for the way an angle is written. */
  @Test(dataProvider = "seeds")
  public void mirroringTwiceIsNothing(int seed) {
    Build build = scattered(new SplittableRandom(seed), 6);
    Build once = Arrange.mirror(build, ids(build)).apply(build);
    Build twice = Arrange.mirror(once, ids(once)).apply(once);
    for (ControlId id : ids(build)) {
      assertThat(at(once, id).xMm()).isCloseTo(500 - at(build, id).xMm(), within(1e-9));
      assertThat(at(once, id).yMm()).isEqualTo(at(build, id).yMm());
      Placement was = build.control(id).orElseThrow().placement();
      Placement is = twice.control(id).orElseThrow().placement();
      assertThat(is.xMm()).isCloseTo(was.xMm(), within(1e-9));
      assertThat(Math.IEEEremainder(is.turnDegrees() - was.turnDegrees(), 360))
          .isCloseTo(0, within(1e-9));
    }
  }

  @Test(dataProvider = "seeds")
  public void aRowKeepsXAndAColumnKeepsY(int seed) {
    Build build = scattered(new SplittableRandom(seed), 5);
    Build row = Arrange.row(build, ids(build)).apply(build);
    Build column = Arrange.column(build, ids(build)).apply(build);
    Point first = at(build, ids(build).get(0));
    for (ControlId id : ids(build)) {
      assertThat(at(row, id)).isEqualTo(new Point(at(build, id).xMm(), first.yMm()));
      assertThat(at(column, id)).isEqualTo(new Point(first.xMm(), at(build, id).yMm()));
    }
  }

  /** After spreading, the gaps between the faces are one and the same; the outer two stay. */
  @Test(dataProvider = "seeds")
  public void spreadingMakesGapsEqual(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Build build = scattered(random, 3 + random.nextInt(5));
    boolean alongX = random.nextBoolean();
    Build after = Arrange.spread(build, CATALOGUE, ids(build), alongX).apply(build);
    List<ControlId> order = new ArrayList<>(ids(build));
    order.sort(
        java.util.Comparator.comparingDouble(
            id -> alongX ? at(build, id).xMm() : at(build, id).yMm()));
    assertThat(at(after, order.get(0))).isEqualTo(at(build, order.get(0)));
    assertThat(at(after, order.get(order.size() - 1)))
        .isEqualTo(at(build, order.get(order.size() - 1)));
    List<Double> gaps = new ArrayList<>();
    for (int i = 1; i < order.size(); i++) {
      double[] one = extent(after, order.get(i - 1), alongX);
      double[] other = extent(after, order.get(i), alongX);
      gaps.add(other[0] - one[1]);
    }
    double mean = gaps.stream().mapToDouble(g -> g).average().orElseThrow();
    // Places are kept to a tenth of a millimetre, so a gap is off by as much at most.
    gaps.forEach(gap -> assertThat(gap).isCloseTo(mean, within(0.1001)));
    assertThatThrownBy(() -> Arrange.spread(build, CATALOGUE, ids(build).subList(0, 2), alongX))
        .isInstanceOf(IllegalArgumentException.class);
  }

  /** From where to where a face reaches along one axis, turned as it lies. */
  private static double[] extent(Build build, ControlId id, boolean alongX) {
    Control control = build.control(id).orElseThrow();
    var covers = Swept.of(CATALOGUE.kindOf(control).face(), control.placement()).envelope();
    return alongX
        ? new double[] {covers.getMinX(), covers.getMaxX()}
        : new double[] {covers.getMinY(), covers.getMaxY()};
  }

  /** Copies have names and ids of their own, the same kinds and the same arrangement. */
  @Test(dataProvider = "seeds")
  public void copiesStandAsTheirOriginals(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Build build = scattered(random, 1 + random.nextInt(4));
    for (Edit edit :
        List.of(
            Arrange.duplicate(build, CATALOGUE, ids(build)),
            Arrange.secondSeat(build, ids(build), false))) {
      Build after = edit.apply(build);
      int count = build.controls().size();
      assertThat(after.controls()).hasSize(2 * count);
      assertThat(after.controls().stream().map(Control::label)).doesNotHaveDuplicates();
      for (int i = 0; i < count; i++) {
        Control original = after.controls().get(i);
        Control copy = after.controls().get(count + i);
        assertThat(copy.kind()).isEqualTo(original.kind());
        assertThat(copy.placement().turnDegrees()).isEqualTo(original.placement().turnDegrees());
        assertThat(copy.placement().xMm() - original.placement().xMm())
            .isCloseTo(
                after.controls().get(count).placement().xMm()
                    - after.controls().get(0).placement().xMm(),
                within(1e-9));
      }
    }
  }

  /**
   * What is taken away leaves nothing behind; what is added again is as it was but for meanings.
   */
  @Test(dataProvider = "seeds")
  public void deletingLeavesNothingBehind(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Build build = scattered(random, 5);
    List<ControlId> some = ids(build).subList(0, 1 + random.nextInt(5));
    Build after = Arrange.delete(build, some).apply(build);
    assertThat(ids(after)).doesNotContainAnyElementsOf(some);
    assertThat(after.mapping().entries().keySet())
        .noneMatch(contact -> some.contains(contact.control()));
    assertThat(Bench.of(after, CATALOGUE).findings())
        .noneMatch(f -> some.stream().anyMatch(id -> f.named().contains(id.text())));
  }

  /** A part that is added covers nothing, the board included, while there is room for it. */
  @Test(dataProvider = "seeds")
  public void anAddedPartCoversNothing(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Build build = Build.empty("Room");
    build = build.withPanel(build.panel().withSize(460, 280));
    build = Arrange.withBoard(build, CATALOGUE.board("native-3v3-26").orElseThrow());
    for (String id : List.of("button-30", "button-24", "lever-8", "slider-60", "button-30")) {
      ControlKind kind = CATALOGUE.control(id).orElseThrow();
      Point middle = new Point(build.panel().widthMm() / 2, build.panel().heightMm() / 2);
      Point wished =
          random.nextBoolean()
              ? middle
              : new Point(random.nextDouble(60, 400), random.nextDouble(60, 220));
      Point free = Arrange.freePlace(build, CATALOGUE, kind, wished);
      Control fresh = Arrange.fresh(build, kind, free);
      build = Arrange.add(fresh).apply(build);
      assertThat(Gaps.of(build, CATALOGUE).tooNarrow())
          .as("%s at %s", id, free)
          .noneMatch(gap -> gap.controls().contains(fresh.id()));
    }
  }
}
