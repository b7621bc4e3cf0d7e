package kumite.box;

import java.util.ArrayList;
import java.util.List;
import kumite.measure.Point;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.operation.buffer.BufferOp;
import org.locationtech.jts.operation.buffer.BufferParameters;

/** Outlines as corners and as areas. */
final class Outlines {
  private static final GeometryFactory FACTORY = new GeometryFactory();

  /** Corners nearer to a straight line than this are none. */
  private static final double STRAIGHT_MM = 1e-6;

  private Outlines() {}

  static Polygon polygonOf(List<Point> ring) {
    Coordinate[] closed = new Coordinate[ring.size() + 1];
    for (int i = 0; i < ring.size(); i++) {
      closed[i] = new Coordinate(ring.get(i).xMm(), ring.get(i).yMm());
    }
    closed[ring.size()] = closed[0].copy();
    return FACTORY.createPolygon(closed);
  }

  /** {@return an outline moved outward by so much, or inward, its corners left sharp} */
  static List<Point> grown(List<Point> ring, double mm) {
    if (mm == 0) {
      return ring;
    }
    BufferParameters sharp = new BufferParameters();
    sharp.setJoinStyle(BufferParameters.JOIN_MITRE);
    return corners(largest(BufferOp.bufferOp(polygonOf(ring), mm, sharp)));
  }

  private static Polygon largest(Geometry any) {
    Polygon largest = FACTORY.createPolygon();
    for (int i = 0; i < any.getNumGeometries(); i++) {
      if (any.getGeometryN(i) instanceof Polygon polygon && polygon.getArea() > largest.getArea()) {
        largest = polygon;
      }
    }
    return largest;
  }

  private static List<Point> corners(Polygon polygon) {
    List<Point> ring = new ArrayList<>();
    for (Coordinate at : polygon.getExteriorRing().getCoordinates()) {
      ring.add(new Point(at.x, at.y));
    }
    return cleaned(ring);
  }

  /** {@return the corners of a ring: no place twice, none on a straight line} */
  static List<Point> cleaned(List<Point> ring) {
    List<Point> all = new ArrayList<>();
    for (Point here : ring) {
      if (all.isEmpty() || all.get(all.size() - 1).distanceMm(here) > STRAIGHT_MM) {
        all.add(here);
      }
    }
    if (all.size() > 1 && all.get(0).distanceMm(all.get(all.size() - 1)) <= STRAIGHT_MM) {
      all.remove(all.size() - 1);
    }
    List<Point> corners = new ArrayList<>();
    int n = all.size();
    for (int i = 0; i < n; i++) {
      Point before = all.get((i + n - 1) % n);
      Point at = all.get(i);
      Point after = all.get((i + 1) % n);
      double ax = at.xMm() - before.xMm();
      double ay = at.yMm() - before.yMm();
      double bx = after.xMm() - at.xMm();
      double by = after.yMm() - at.yMm();
      double off = Math.abs(ax * by - ay * bx) / Math.hypot(ax, ay);
      if (off > STRAIGHT_MM / 10) {
        corners.add(at);
      }
    }
    return corners;
  }
}
