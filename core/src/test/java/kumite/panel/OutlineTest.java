package kumite.panel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import kumite.build.Build;
import kumite.build.panel.Panel;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.measure.Shape;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.prep.PreparedGeometry;
import org.locationtech.jts.geom.prep.PreparedGeometryFactory;
import org.locationtech.jts.operation.buffer.BufferOp;
import org.locationtech.jts.operation.buffer.BufferParameters;
import org.locationtech.jts.operation.distance.IndexedFacetDistance;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Panels of any outline: what is refused, and that roundings, offsets and gaps are exact. */
public class OutlineTest {
  private static final GeometryFactory FACTORY = new GeometryFactory();
  private static final Panel PANEL = Build.empty("x").panel().withCorner(0);

  /** An L, front edge angled, wound clockwise on purpose. */
  private static final List<Point> ELL =
      List.of(p(0, 40), p(0, 200), p(140, 200), p(140, 120), p(300, 120), p(260, 0), p(60, 0));

  private static Point p(double x, double y) {
    return new Point(x, y);
  }

  @DataProvider
  Object[][] refused() {
    return new Object[][] {
      {List.of(p(0, 0), p(100, 100), p(100, 0), p(0, 100)), "crosses itself", "corner 1"},
      {List.of(p(0, 0), p(100, 0)), "3 to 100 corners", "2"},
      {List.of(p(0, 0), p(0, 0), p(100, 0), p(100, 90)), "are one place", "1 and 2"},
      // A side that runs back over another one: a spike of no width.
      {List.of(p(0, 0), p(100, 0), p(100, 80), p(100, 20), p(0, 90)), "crosses itself", "corner 2"},
    };
  }

  @Test(dataProvider = "refused")
  public void whatCannotBeCutIsRefusedByItsCorner(List<Point> corners, String why, String where) {
    assertThatThrownBy(() -> PANEL.withOutline(corners))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining(why)
        .hasMessageContaining(where);
  }

  @Test
  public void aRadiusThatDoesNotFitIsRefusedBetweenItsCorners() {
    Panel ell = PANEL.withOutline(ELL);
    assertThat(ell.withCorner(20).cornerMm()).isEqualTo(20);
    assertThatThrownBy(() -> ell.withCorner(70)).hasMessageContaining("does not fit between");
  }

  @Test
  public void resizingAPolygonKeepsItsProportions() {
    Panel half = PANEL.withOutline(ELL).withSize(150, 100);
    assertThat(half.outline()).contains(p(70, 100), p(70, 60), p(30, 0));
  }

  private static Geometry area(List<Rounding.Piece> pieces) {
    List<Coordinate> ring = new ArrayList<>();
    Rounding.points(pieces, 0.25).forEach(q -> ring.add(new Coordinate(q.xMm(), q.yMm())));
    ring.add(ring.get(0).copy());
    return FACTORY.createPolygon(ring.toArray(Coordinate[]::new));
  }

  /** Four quarter circles are missing from the corners: w h - (4 - pi) r2 (plane geometry). */
  @Test
  public void roundedCornersTakeTheAreaThatGeometrySays() {
    Panel round = PANEL.withSize(300, 200).withCorner(30);
    assertThat(area(Rounding.of(round)).getArea())
        .isCloseTo(300 * 200 - (4 - Math.PI) * 900, within(0.1));
  }

  /** Growing by half a kerf is what JTS calls a mitred buffer; rounded corners stay concentric. */
  @Test
  public void growingAgreesWithTheReferenceLibrary() {
    Panel ell = PANEL.withOutline(ELL);
    Geometry sharp = area(Rounding.grown(ell, 1.5));
    BufferParameters mitred =
        new BufferParameters(1, BufferParameters.CAP_FLAT, BufferParameters.JOIN_MITRE, 20);
    Geometry reference = BufferOp.bufferOp(area(Rounding.of(ell)), 1.5, mitred);
    assertThat(sharp.symDifference(reference).getArea()).isLessThan(1e-6);
    Geometry rounded = area(Rounding.grown(ell.withCorner(12), 1.5));
    Geometry roundReference = area(Rounding.of(ell.withCorner(12))).buffer(1.5, 200);
    assertThat(rounded.symDifference(roundReference).getArea()).isLessThan(0.2);
  }

  /** Inside the edge the gap is JTS's own distance to it; outside, how far a part sticks out. */
  @Test
  public void gapsToTheEdgeAgreeWithTheReferenceLibrary() {
    SplittableRandom random = new SplittableRandom(5);
    for (Panel panel :
        List.of(PANEL.withOutline(ELL).withCorner(10), PANEL.withCorner(0), PANEL.withCorner(25))) {
      Boundary edge = Boundary.edge(panel);
      Geometry area = area(Rounding.of(panel));
      PreparedGeometry whole = PreparedGeometryFactory.prepare(area);
      IndexedFacetDistance border = new IndexedFacetDistance(area.getBoundary());
      for (int i = 0; i < 120; i++) {
        Placement at =
            new Placement(
                random.nextDouble(panel.widthMm()),
                random.nextDouble(panel.heightMm()),
                random.nextInt(360));
        Shape shape =
            random.nextBoolean()
                ? new Shape.Round(random.nextDouble(2, 60))
                : new Shape.Rect(random.nextDouble(4, 60), random.nextDouble(4, 60), 1.5);
        Geometry part = area(Rounding.of(shape, at));
        double gap = edge.from(Swept.of(shape, at)).gapMm();
        if (whole.contains(part)) {
          assertThat(gap).isCloseTo(border.distance(part), within(0.01));
          if (edge.clearlyInside(Swept.of(shape, at), 12)) {
            assertThat(gap).isGreaterThanOrEqualTo(12);
          }
        } else {
          assertThat(gap).as("%s at %s", shape, at).isLessThan(0.01);
        }
      }
    }
  }
}
