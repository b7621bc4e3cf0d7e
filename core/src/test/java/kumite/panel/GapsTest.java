package kumite.panel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import kumite.Builds;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.panel.CaseInside;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.measure.Shape;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.operation.distance.IndexedFacetDistance;
import org.testng.annotations.Test;

public class GapsTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  private static Optional<Gap> gap(Build build, Gap.Kind kind) {
    return Gaps.of(build, CATALOGUE).list().stream().filter(g -> g.kind() == kind).findFirst();
  }

  /** By hand: centres 40 mm apart; holes 30, flanges 33.4, bodies 29.5 mm round. */
  @Test
  public void measuresTwoButtonsAtAllThreeHeights() {
    Build build = Builds.buttons(100, 100, 140, 100);
    assertThat(gap(build, Gap.Kind.HOLE_HOLE).orElseThrow().gapMm()).isCloseTo(10, within(1e-9));
    Gap flange = gap(build, Gap.Kind.FLANGE_FLANGE).orElseThrow();
    assertThat(flange.gapMm()).isCloseTo(6.6, within(1e-9));
    assertThat(flange.from().distanceMm(flange.to())).isCloseTo(6.6, within(1e-9));
    assertThat(flange.from().xMm()).isCloseTo(116.7, within(1e-9));
    assertThat(gap(build, Gap.Kind.BODY_BODY).orElseThrow().gapMm()).isCloseTo(10.5, within(1e-9));
  }

  @Test
  public void measuresToWallFloorAndEdge() {
    Build build = Builds.buttons(32, 100); // wall 12 in; body radius 14.75; depth 44 - 2 of 70
    assertThat(gap(build, Gap.Kind.BODY_WALL).orElseThrow().gapMm())
        .isCloseTo(32 - 14.75 - 12, within(1e-9));
    assertThat(gap(build, Gap.Kind.DEPTH).orElseThrow().gapMm()).isCloseTo(70 - 42, within(1e-9));
    Build atEdge = Builds.buttons(20, 100);
    assertThat(gap(atEdge, Gap.Kind.HOLE_EDGE).orElseThrow().gapMm()).isCloseTo(5, within(1e-9));
    Build shallow = build.withPanel(build.panel().withInside(new CaseInside(12, 40)));
    assertThat(gap(shallow, Gap.Kind.DEPTH).orElseThrow().missingMm())
        .isCloseTo(8 + 2, within(1e-9));
  }

  /**
   * Reference: JTS, by the distance of outlines drawn as polygons with 256 segments a quarter, for
   * random shapes, turns and places. Such a polygon is off by under 1e-4 of its radius.
   */
  @Test
  public void agreesWithTheGeometryLibraryOnRandomShapes() {
    SplittableRandom random = new SplittableRandom(9);
    for (int round = 0; round < 300; round++) {
      Shape a = shape(random);
      Shape b = shape(random);
      Placement atA = placement(random);
      Placement atB = placement(random);
      Swept.Between between = Swept.of(a, atA).to(Swept.of(b, atB));
      Geometry one = polygon(a, atA);
      Geometry other = polygon(b, atB);
      double reference = one.intersects(other) ? 0 : IndexedFacetDistance.distance(one, other);
      assertThat(Math.max(0, between.gapMm()))
          .as("round %d: %s at %s to %s at %s", round, a, atA, b, atB)
          .isCloseTo(reference, within(0.01));
      if (between.gapMm() < -0.1) {
        assertThat(one.intersects(other)).isTrue();
        // Moved apart by the overlap along its direction, they touch and no more.
        double dx = between.from().xMm() - between.to().xMm();
        double dy = between.from().yMm() - between.to().yMm();
        double length = Math.hypot(dx, dy);
        Placement parted =
            atB.movedTo(
                atB.xMm() + dx / length * (-between.gapMm() + 0.02),
                atB.yMm() + dy / length * (-between.gapMm() + 0.02));
        assertThat(one.distance(polygon(b, parted)))
            .as("round %d parted", round)
            .isBetween(0.0, 0.1);
      }
    }
  }

  private static Shape shape(SplittableRandom random) {
    if (random.nextBoolean()) {
      return new Shape.Round(random.nextDouble(5, 40));
    }
    double w = random.nextDouble(5, 60);
    double h = random.nextDouble(5, 60);
    return new Shape.Rect(w, h, random.nextInt(3) * Math.min(w, h) / 4);
  }

  private static Placement placement(SplittableRandom random) {
    return new Placement(random.nextDouble(100), random.nextDouble(100), random.nextInt(8) * 22.5);
  }

  private static Geometry polygon(Shape shape, Placement at) {
    GeometryFactory factory = new GeometryFactory();
    if (shape instanceof Shape.Round round) {
      return factory
          .createPoint(new Coordinate(at.xMm(), at.yMm()))
          .buffer(round.diameterMm() / 2, 256);
    }
    Shape.Rect rect = (Shape.Rect) shape;
    double w = rect.widthMm() / 2 - rect.cornerMm();
    double h = rect.heightMm() / 2 - rect.cornerMm();
    Coordinate[] ring = new Coordinate[4];
    int[][] signs = {{-1, -1}, {1, -1}, {1, 1}, {-1, 1}};
    for (int i = 0; i < 4; i++) {
      Point p = at.place(new Point(signs[i][0] * w, signs[i][1] * h));
      ring[i] = new Coordinate(p.xMm(), p.yMm());
    }
    return factory.createMultiPointFromCoords(ring).convexHull().buffer(rect.cornerMm(), 256);
  }

  @Test
  public void aNudgeGivesRoomWithoutTakingItElsewhere() {
    SplittableRandom random = new SplittableRandom(21);
    int helped = 0;
    for (int round = 0; round < 30; round++) {
      Build build =
          Builds.buttons(
              100, 100, 100 + random.nextDouble(20, 33), 100 + random.nextDouble(-8, 8), 60, 100);
      List<Gap> narrow = Gaps.of(build, CATALOGUE).tooNarrow();
      assertThat(narrow).as("round %d", round).isNotEmpty();
      Optional<Nudge> nudge = new Nudge.Search(build, CATALOGUE).forGap(narrow.get(0));
      if (nudge.isPresent()) {
        helped++;
        List<ControlId> movers = nudge.get().controls();
        ControlId mover = movers.get(0);
        Build after =
            Arrange.shift(build, movers, nudge.get().dxMm(), nudge.get().dyMm()).apply(build);
        assertThat(Gaps.of(after, CATALOGUE).of(mover).stream().mapToDouble(Gap::missingMm).sum())
            .as("round %d", round)
            .isZero();
      }
    }
    assertThat(helped).isGreaterThan(25);
  }

  @Test
  public void mirroringTwiceComesBackAndCopiesGoToFreshIds() {
    Build build = Builds.buttons(80, 60, 130, 90);
    List<ControlId> ids = build.controls().stream().map(Control::id).toList();
    Build once = Arrange.mirror(build, ids).apply(build);
    assertThat(once.controls().get(0).placement().xMm()).isEqualTo(220);
    assertThat(Arrange.mirror(once, ids).apply(once)).isEqualTo(build);
    Build doubled = Arrange.duplicate(build, CATALOGUE, ids).apply(build);
    assertThat(doubled.controls().stream().map(Control::id).distinct()).hasSize(4);
    assertThat(Gaps.of(doubled, CATALOGUE).tooNarrow()).isEmpty();
  }

  /** ISO 273, medium fit, from memory: M3 3.4 mm, M4 4.5 mm. */
  @Test
  public void screwHolesClearTheirScrews() {
    CATALOGUE.controls().stream()
        .flatMap(kind -> kind.screws().stream())
        .forEach(
            hole ->
                assertThat(hole.diameterMm())
                    .as(hole.screw())
                    .isEqualTo(Screw.named(hole.screw()).orElseThrow().clearanceMm()));
  }

  @Test
  public void theDrillPlanGivesEveryHoleFromTheDatum() {
    Build build = Builds.ferryBridge();
    DrillPlan plan = DrillPlan.of(build, CATALOGUE);
    assertThat(plan.holes()).hasSize(14 + 4 + 2 + 2);
    DrillPlan fromRight =
        DrillPlan.of(
            build.withPanel(build.panel().withDatum(kumite.build.panel.Datum.BACK_RIGHT)),
            CATALOGUE);
    for (int i = 0; i < plan.holes().size(); i++) {
      assertThat(plan.holes().get(i).xMm() + fromRight.holes().get(i).xMm())
          .isCloseTo(400, within(1e-9));
    }
  }

  /** A ball mount of 122 mm on a panel of 60 mm: each edge is missed by what geometry says. */
  @Test
  public void aPartLargerThanThePanelIsFoundAndNeverDrawnAsFitting() {
    Build build = Build.empty("x");
    build =
        build
            .withPanel(build.panel().withSize(60, 60).withCorner(0))
            .withControl(
                kumite.build.Control.of(
                    new ControlId("ball"), "Ball", "trackball-75", Placement.at(30, 30)));
    List<Gap> gaps = Gaps.of(build, CATALOGUE).tooNarrow();
    // The screw holes sit 50 mm from the middle, 20 mm off the panel, and are 5.5 mm wide.
    assertThat(gaps)
        .anySatisfy(
            gap -> {
              assertThat(gap.kind()).isEqualTo(Gap.Kind.HOLE_EDGE);
              assertThat(gap.gapMm()).isEqualTo(-20 - 2.75);
            })
        .anySatisfy(
            gap -> {
              assertThat(gap.kind()).isEqualTo(Gap.Kind.BODY_WALL);
              assertThat(gap.gapMm()).isEqualTo(30 - 61 - 12.0);
            });
    assertThat(
            kumite.verdict.Bench.of(build, CATALOGUE)
                .count(kumite.finding.Station.PANEL, kumite.finding.Severity.STOP))
        .isPositive();
  }
}
