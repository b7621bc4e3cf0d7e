package kumite.panel;

import java.util.Optional;
import kumite.build.panel.Block;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.measure.Shape;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.util.AffineTransformation;
import org.locationtech.jts.operation.distance.DistanceOp;

/**
 * A convex outline as a core swept by a radius: a circle is a swept point, a slot a swept line, a
 * rounded rectangle a swept rectangle. Distances between such outlines are exact.
 */
public final class Swept {
  private static final GeometryFactory FACTORY = new GeometryFactory();

  private final Geometry core;
  private final double radiusMm;
  private final Envelope envelope;
  private final boolean point;

  private Swept(Geometry core, double radiusMm) {
    this.core = core;
    this.radiusMm = radiusMm;
    this.point = core.getDimension() == 0;
    this.envelope = new Envelope(core.getEnvelopeInternal());
    this.envelope.expandBy(radiusMm);
  }

  /** {@return the outline of a shape placed on the panel} */
  static Swept of(Shape shape, Placement placement) {
    if (shape instanceof Shape.Round round) {
      return circle(placement.centre(), round.diameterMm());
    }
    Shape.Rect rect = (Shape.Rect) shape;
    double halfWidth = rect.widthMm() / 2 - rect.cornerMm();
    double halfHeight = rect.heightMm() / 2 - rect.cornerMm();
    Coordinate[] corners = new Coordinate[5];
    int[][] signs = {{-1, -1}, {1, -1}, {1, 1}, {-1, 1}, {-1, -1}};
    for (int i = 0; i < signs.length; i++) {
      Point at = placement.place(new Point(signs[i][0] * halfWidth, signs[i][1] * halfHeight));
      corners[i] = new Coordinate(at.xMm(), at.yMm());
    }
    if (halfWidth <= 0 && halfHeight <= 0) {
      return new Swept(FACTORY.createPoint(corners[0]), rect.cornerMm());
    }
    if (halfWidth <= 0 || halfHeight <= 0) {
      return new Swept(
          FACTORY.createLineString(new Coordinate[] {corners[0], corners[2]}), rect.cornerMm());
    }
    return new Swept(FACTORY.createPolygon(corners), rect.cornerMm());
  }

  /** {@return the outline of something in the way below the panel} */
  static Swept of(Block block) {
    return of(
        new Shape.Rect(block.widthMm(), block.heightMm(), 0),
        Placement.at(block.centre().xMm(), block.centre().yMm()));
  }

  /** {@return a circle} */
  static Swept circle(Point centre, double diameterMm) {
    return new Swept(
        FACTORY.createPoint(new Coordinate(centre.xMm(), centre.yMm())), diameterMm / 2);
  }

  Geometry core() {
    return core;
  }

  double radiusMm() {
    return radiusMm;
  }

  /**
   * {@return where a line cuts through it: from and to along the line, or nothing}
   *
   * @param alongX whether the line runs left to right at a y, or front to back at an x
   */
  Optional<double[]> chord(boolean alongX, double atMm) {
    Envelope box = envelope;
    if (alongX
        ? atMm < box.getMinY() || atMm > box.getMaxY()
        : atMm < box.getMinX() || atMm > box.getMaxX()) {
      return Optional.empty();
    }
    Coordinate[] ends =
        alongX
            ? new Coordinate[] {
              new Coordinate(box.getMinX() - 1, atMm), new Coordinate(box.getMaxX() + 1, atMm)
            }
            : new Coordinate[] {
              new Coordinate(atMm, box.getMinY() - 1), new Coordinate(atMm, box.getMaxY() + 1)
            };
    Geometry area = radiusMm > 0 ? core.buffer(radiusMm, 64) : core;
    Envelope cut = area.intersection(FACTORY.createLineString(ends)).getEnvelopeInternal();
    if (cut.isNull()) {
      return Optional.empty();
    }
    return Optional.of(
        alongX
            ? new double[] {cut.getMinX(), cut.getMaxX()}
            : new double[] {cut.getMinY(), cut.getMaxY()});
  }

  /** {@return what it passes over on a straight way} */
  Swept dragged(double dxMm, double dyMm) {
    Geometry moved = new AffineTransformation().translate(dxMm, dyMm).transform(core);
    Geometry both = FACTORY.createGeometryCollection(new Geometry[] {core, moved});
    return new Swept(both.convexHull(), radiusMm);
  }

  /** {@return whether no part of it lies outside of another} */
  boolean within(Swept other) {
    for (Coordinate corner : core.getCoordinates()) {
      double outside = other.core.distance(FACTORY.createPoint(corner));
      double inside =
          outside > 0 || other.core.getDimension() < 2
              ? 0
              : other.core.getBoundary().distance(FACTORY.createPoint(corner));
      if (outside - inside + radiusMm > other.radiusMm + 1e-9) {
        return false;
      }
    }
    return true;
  }

  /** {@return the axis-parallel box around it} */
  Envelope envelope() {
    return envelope;
  }

  /**
   * The gap between two outlines with the two places where it is narrowest.
   *
   * @param gapMm negative where they overlap: how far they must part
   */
  record Between(double gapMm, Point from, Point to) {}

  /** {@return whether the boxes are further apart than the limit, so that the gap must be too} */
  boolean clearlyBeyond(Swept other, double limitMm) {
    return envelope.distance(other.envelope) > limitMm;
  }

  /** Measures the gap to another outline. */
  Between to(Swept other) {
    Coordinate[] nearest =
        point && other.point
            ? new Coordinate[] {core.getCoordinate(), other.core.getCoordinate()}
            : new DistanceOp(core, other.core).nearestPoints();
    double apart = nearest[0].distance(nearest[1]);
    double ux;
    double uy;
    if (apart > 1e-9) {
      ux = (nearest[1].x - nearest[0].x) / apart;
      uy = (nearest[1].y - nearest[0].y) / apart;
    } else {
      double[] push = leastPush(core.getCoordinates(), other.core.getCoordinates());
      apart = -push[2];
      ux = push[0];
      uy = push[1];
    }
    double gap = apart - radiusMm - other.radiusMm;
    Point from = new Point(nearest[0].x + ux * radiusMm, nearest[0].y + uy * radiusMm);
    return new Between(gap, from, from.plus(ux * gap, uy * gap));
  }

  /**
   * The shortest way to part two overlapping convex cores: direction from the first to the second,
   * and how far. Separating axes are the edge normals of both (separating axis theorem).
   */
  private static double[] leastPush(Coordinate[] a, Coordinate[] b) {
    double[] best = {1, 0, 0};
    double least = Double.POSITIVE_INFINITY;
    for (Coordinate[] ring : new Coordinate[][] {a, b}) {
      for (int i = 0; i + 1 < ring.length; i++) {
        double nx = ring[i + 1].y - ring[i].y;
        double ny = ring[i].x - ring[i + 1].x;
        double length = Math.hypot(nx, ny);
        if (length < 1e-12) {
          continue;
        }
        nx /= length;
        ny /= length;
        double[] rangeA = range(a, nx, ny);
        double[] rangeB = range(b, nx, ny);
        double forward = rangeA[1] - rangeB[0];
        double backward = rangeB[1] - rangeA[0];
        if (forward < least) {
          least = forward;
          best = new double[] {nx, ny, Math.max(0, forward)};
        }
        if (backward < least) {
          least = backward;
          best = new double[] {-nx, -ny, Math.max(0, backward)};
        }
      }
    }
    return best;
  }

  private static double[] range(Coordinate[] points, double nx, double ny) {
    double low = Double.POSITIVE_INFINITY;
    double high = Double.NEGATIVE_INFINITY;
    for (Coordinate point : points) {
      double along = point.x * nx + point.y * ny;
      low = Math.min(low, along);
      high = Math.max(high, along);
    }
    return new double[] {low, high};
  }
}
