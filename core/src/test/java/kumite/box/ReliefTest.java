package kumite.box;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.build.box.Making;
import kumite.measure.Point;
import kumite.panel.Rounding;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Polygon;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Holes in inside corners, held against the geometry library. */
public class ReliefTest {
  private static final double STEP_DEGREES = 1;

  @DataProvider
  Object[][] seeds() {
    Object[][] seeds = new Object[80][];
    Arrays.setAll(seeds, i -> new Object[] {i});
    return seeds;
  }

  /** A plate with notches of any width and depth in all sides, turned any way, either way round. */
  private static List<Point> notched(SplittableRandom random) {
    List<Point> ring = new ArrayList<>();
    double x = 0;
    ring.add(new Point(0, 0));
    int notches = random.nextInt(0, 6);
    for (int i = 0; i < notches; i++) {
      x += random.nextDouble(0.5, 12);
      double deep = random.nextDouble(0.5, 12);
      double wide = random.nextDouble(0.5, 12);
      ring.add(new Point(x, 0));
      ring.add(new Point(x, deep));
      ring.add(new Point(x + wide, deep));
      ring.add(new Point(x + wide, 0));
      x += wide;
    }
    x += random.nextDouble(2, 9);
    ring.addAll(List.of(new Point(x, 0), new Point(x, 40), new Point(0, 40)));
    double turn = Math.toRadians(random.nextDouble(0, 360));
    List<Point> turned = new ArrayList<>();
    for (Point at : ring) {
      turned.add(
          new Point(
              at.xMm() * Math.cos(turn) - at.yMm() * Math.sin(turn),
              at.xMm() * Math.sin(turn) + at.yMm() * Math.cos(turn)));
    }
    if (random.nextBoolean()) {
      Collections.reverse(turned);
    }
    Collections.rotate(turned, random.nextInt(turned.size()));
    return turned;
  }

  /** The corners of an outline whose arcs are followed in small steps. */
  private static List<Point> followed(List<Rounding.Piece> pieces) {
    List<Point> points = new ArrayList<>();
    for (Rounding.Piece piece : pieces) {
      points.add(piece.from());
      if (piece instanceof Rounding.Arc arc) {
        int steps = (int) Math.ceil(Math.abs(arc.sweepDegrees()) / STEP_DEGREES);
        for (int i = 1; i < steps; i++) {
          double at = Math.toRadians(arc.startDegrees() + arc.sweepDegrees() * i / steps);
          points.add(
              arc.centre().plus(arc.radiusMm() * Math.cos(at), arc.radiusMm() * Math.sin(at)));
        }
      }
    }
    return points;
  }

  private static Geometry round(Point at, double radius) {
    return Outlines.polygonOf(followed(List.of(new Rounding.Arc(at, at, at, radius, 0, 360))));
  }

  private static LineString side(List<Point> ring, int from) {
    Point a = ring.get(from % ring.size());
    Point b = ring.get((from + 1) % ring.size());
    return new GeometryFactory()
        .createLineString(
            new Coordinate[] {new Coordinate(a.xMm(), a.yMm()), new Coordinate(b.xMm(), b.yMm())});
  }

  /** Whether the two sides of a corner are as long, and no other one comes as near. */
  private static boolean clear(List<Point> ring, int corner, double mm) {
    int n = ring.size();
    LineString before = side(ring, corner + n - 1);
    LineString after = side(ring, corner);
    return before.getLength() >= mm
        && after.getLength() >= mm
        && IntStream.range(corner + 1, corner + n - 1)
            .allMatch(other -> side(ring, other).distance(after.getStartPoint()) >= mm);
  }

  @Test(dataProvider = "seeds")
  public void eachInsideCornerLosesThreeQuartersOfAHole(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    List<Point> ring = notched(random);
    double radius = random.nextDouble(0.1, 1);
    List<Rounding.Piece> pieces = Relief.of(ring, radius);
    for (int i = 0; i < pieces.size(); i++) {
      Point end = pieces.get(i).to();
      assertThat(end.distanceMm(pieces.get((i + 1) % pieces.size()).from()))
          .as("it is closed")
          .isLessThan(1e-9);
    }
    Polygon whole = Outlines.polygonOf(ring);
    Geometry left = Outlines.polygonOf(followed(pieces));
    assertThat(left.isValid()).isTrue();
    assertThat(whole.buffer(1e-6).contains(left)).as("nothing is left that was cut").isTrue();
    List<Rounding.Arc> arcs =
        pieces.stream()
            .filter(Rounding.Arc.class::isInstance)
            .map(Rounding.Arc.class::cast)
            .toList();
    double hole = 0.75 * Math.PI * radius * radius;
    assertThat(whole.getArea() - left.getArea())
        .isCloseTo(arcs.size() * hole, within(1e-3 * (1 + arcs.size())));
    // Inside corners are those of which more than half of the surroundings is plate, and a hole is
    // cut where three radii of edge and plate are free.
    long free =
        IntStream.range(0, ring.size())
            .filter(
                i -> round(ring.get(i), 0.01).intersection(whole).getArea() > 0.6 * Math.PI * 1e-4)
            .filter(i -> clear(ring, i, 3 * radius))
            .count();
    assertThat(arcs).hasSize((int) free);
  }

  @Test
  public void aHoleIsCutOnlyWhereItReachesTheCorner() {
    // By hand: a hole of 1 mm and a beam of 0.2 mm run 0.4 mm from the corner.
    assertThat(Relief.radiusMm(new Making.Laser(3, 0.2, 0, 1), 0.1)).isCloseTo(0.4, within(1e-12));
    assertThat(Relief.radiusMm(new Making.Laser(3, 0.2, 0, 0), 0.1)).isZero();
    assertThat(Relief.radiusMm(new Making.Laser(3, 0.2, 0, 0.15), 0.1)).isZero();
    // 0.1 mm each way are 0.141 mm to the corner, which a hole of 0.28 mm does not reach.
    assertThat(Relief.radiusMm(new Making.Laser(3, 0.2, 0, 0.28), 0.1)).isZero();
    assertThat(Relief.radiusMm(new Making.Laser(3, 0.2, 0, 0.29), 0.1)).isPositive();
    assertThat(new Making.Laser(3, 0.2, 0).reliefMm()).isEqualTo(1);
  }
}
