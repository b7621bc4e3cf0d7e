package kumite.panel;

import java.util.ArrayList;
import java.util.List;
import kumite.build.panel.Panel;
import kumite.measure.Point;
import org.locationtech.jts.algorithm.locate.IndexedPointInAreaLocator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Location;
import org.locationtech.jts.operation.buffer.BufferOp;
import org.locationtech.jts.operation.buffer.BufferParameters;
import org.locationtech.jts.operation.distance.IndexedFacetDistance;

/** A line that parts must stay inside of: the panel's edge, or the inside of the case wall. */
final class Boundary {
  private static final GeometryFactory FACTORY = new GeometryFactory();

  /** Rounded corners as chords of this angle; a corner of 50 mm is then off by 0.002 mm. */
  private static final double CHORD_DEGREES = 1;

  private final Geometry area;
  private final Envelope bounds;
  private final boolean rectangular;

  /** Of a rectangle: how far its corners are rounded. */
  private final double cornerMm;

  /** Made when a rectangle's sides alone no longer tell. */
  private IndexedFacetDistance facets;

  private IndexedPointInAreaLocator locator;

  private Boundary(Geometry area, boolean rectangular, double cornerMm) {
    this.cornerMm = cornerMm;
    this.area = area;
    this.bounds = area.getEnvelopeInternal();
    this.rectangular = rectangular;
  }

  /** {@return the panel's edge, its corners rounded} */
  static Boundary edge(Panel panel) {
    List<Point> ring = Rounding.points(panel, CHORD_DEGREES);
    return new Boundary(polygon(ring), panel.rectangular(), panel.cornerMm());
  }

  /** {@return the inside of the case wall, or the edge itself where walls leave no room at all} */
  static Boundary wall(Panel panel) {
    double in = panel.inside().wallMm();
    if (panel.rectangular() && 2 * in < Math.min(panel.widthMm(), panel.heightMm())) {
      double right = panel.widthMm() - in;
      double back = panel.heightMm() - in;
      return new Boundary(
          polygon(
              List.of(
                  new Point(in, in),
                  new Point(right, in),
                  new Point(right, back),
                  new Point(in, back))),
          true,
          0);
    }
    Geometry inner = inner(panel);
    return inner.isEmpty()
        ? new Boundary(polygon(panel.corners()), panel.rectangular(), 0)
        : new Boundary(inner, panel.rectangular(), 0);
  }

  private static Geometry polygon(List<Point> ring) {
    List<Coordinate> coordinates = new ArrayList<>();
    ring.forEach(p -> coordinates.add(new Coordinate(p.xMm(), p.yMm())));
    coordinates.add(coordinates.get(0).copy());
    return FACTORY.createPolygon(coordinates.toArray(Coordinate[]::new));
  }

  /** {@return the corners of the area, for drawing} */
  List<Point> ring() {
    List<Point> ring = new ArrayList<>();
    for (Coordinate c : area.getGeometryN(0).getBoundary().getCoordinates()) {
      ring.add(new Point(c.x, c.y));
    }
    return ring;
  }

  /** {@return whether a place lies inside or on the line} */
  boolean holds(Point at) {
    Coordinate place = new Coordinate(at.xMm(), at.yMm());
    return rectangular && !inCorner(new Envelope(place)) ? bounds.contains(place) : within(place);
  }

  private boolean within(Coordinate place) {
    if (locator == null) {
      locator = new IndexedPointInAreaLocator(area);
    }
    return locator.locate(place) != Location.EXTERIOR;
  }

  private Coordinate[] nearestPoints(Geometry other) {
    if (facets == null) {
      facets = new IndexedFacetDistance(area.getBoundary());
    }
    return facets.nearestPoints(other);
  }

  /** {@return whether the part is clearly further inside than the limit} */
  boolean clearlyInside(Swept part, double limitMm) {
    Envelope e = part.envelope();
    // A rounding takes less than 0.3 radii off the corner, measured along both sides.
    double limit = limitMm + 0.3 * cornerMm;
    return rectangular
        && e.getMinX() - bounds.getMinX() > limit
        && bounds.getMaxX() - e.getMaxX() > limit
        && e.getMinY() - bounds.getMinY() > limit
        && bounds.getMaxY() - e.getMaxY() > limit;
  }

  /** Measures the one of several that is nearest; null where all are clearly further inside. */
  Swept.Between nearest(List<Swept> parts, double limitMm) {
    Swept.Between nearest = null;
    for (Swept part : parts) {
      if (!clearlyInside(part, limitMm)) {
        Swept.Between between = from(part);
        nearest = nearest == null || between.gapMm() < nearest.gapMm() ? between : nearest;
      }
    }
    return nearest;
  }

  /** {@return whether nothing of it lies over the area} */
  boolean clearOf(Swept part) {
    return part.radiusMm() > 0
        ? area.distance(part.core()) > part.radiusMm()
        : !area.intersects(part.core()) || area.touches(part.core());
  }

  /** {@return whether walls leave any room between them} */
  static boolean leavesRoom(Panel panel) {
    return !inner(panel).isEmpty();
  }

  private static Geometry inner(Panel panel) {
    BufferParameters mitred =
        new BufferParameters(1, BufferParameters.CAP_FLAT, BufferParameters.JOIN_MITRE, 10);
    return BufferOp.bufferOp(polygon(panel.corners()), -panel.inside().wallMm(), mitred);
  }

  /** Measures the gap from a part to the line; negative by how far the part sticks out. */
  Swept.Between from(Swept part) {
    return rectangular && !inCorner(part.envelope()) ? fromBounds(part) : fromLine(part);
  }

  /** {@return whether a part comes into the square of a rounded corner, where sides are not all} */
  private boolean inCorner(Envelope e) {
    boolean side =
        e.getMinX() < bounds.getMinX() + cornerMm || e.getMaxX() > bounds.getMaxX() - cornerMm;
    boolean end =
        e.getMinY() < bounds.getMinY() + cornerMm || e.getMaxY() > bounds.getMaxY() - cornerMm;
    return cornerMm > 0 && side && end;
  }

  /** Inside a rectangle, the nearest side is told by the part's extreme corners alone. */
  private Swept.Between fromBounds(Swept part) {
    double least = Double.POSITIVE_INFINITY;
    Coordinate at = null;
    double ux = 0;
    double uy = 0;
    for (Coordinate c : part.core().getCoordinates()) {
      double[] room = {
        c.x - bounds.getMinX(),
        bounds.getMaxX() - c.x,
        c.y - bounds.getMinY(),
        bounds.getMaxY() - c.y
      };
      for (int side = 0; side < 4; side++) {
        if (room[side] < least) {
          least = room[side];
          at = c;
          ux = side == 0 ? -1 : side == 1 ? 1 : 0;
          uy = side == 2 ? -1 : side == 3 ? 1 : 0;
        }
      }
    }
    double gap = least - part.radiusMm();
    Point from = new Point(at.x + ux * part.radiusMm(), at.y + uy * part.radiusMm());
    return new Swept.Between(gap, from, from.plus(ux * gap, uy * gap));
  }

  private Swept.Between fromLine(Swept part) {
    Coordinate[] nearest = nearestPoints(part.core());
    Coordinate onLine = nearest[0];
    Coordinate onCore = nearest[1];
    double apart = onLine.distance(onCore);
    Coordinate furthest = null;
    double furthestOut = 0;
    for (Coordinate corner : part.core().getCoordinates()) {
      if (!within(corner)) {
        Coordinate[] back = nearestPoints(FACTORY.createPoint(corner));
        double out = back[0].distance(corner);
        if (furthest == null || out > furthestOut) {
          furthestOut = out;
          furthest = corner;
          onLine = back[0];
        }
      }
    }
    double ux;
    double uy;
    double gap;
    Point from;
    if (furthest != null) {
      gap = -furthestOut - part.radiusMm();
      double length = Math.max(1e-9, furthestOut);
      ux = (furthest.x - onLine.x) / length;
      uy = (furthest.y - onLine.y) / length;
      from = new Point(furthest.x + ux * part.radiusMm(), furthest.y + uy * part.radiusMm());
    } else if (apart < 1e-9) {
      gap = -part.radiusMm();
      from = new Point(onCore.x, onCore.y);
    } else {
      gap = apart - part.radiusMm();
      ux = (onLine.x - onCore.x) / apart;
      uy = (onLine.y - onCore.y) / apart;
      from = new Point(onCore.x + ux * part.radiusMm(), onCore.y + uy * part.radiusMm());
    }
    return new Swept.Between(gap, from, new Point(onLine.x, onLine.y));
  }

  /** {@return which side of the panel a measured gap looks to} */
  String side(Swept.Between between) {
    double dx = between.to().xMm() - between.from().xMm();
    double dy = between.to().yMm() - between.from().yMm();
    if (between.gapMm() < 0) {
      dx = -dx;
      dy = -dy;
    }
    if (Math.abs(dx) < 1e-6 && Math.abs(dy) < 1e-6) {
      return nearestSide(between.to());
    }
    if (Math.abs(dx) >= Math.abs(dy)) {
      return dx < 0 ? "left" : "right";
    }
    return dy < 0 ? "front" : "back";
  }

  /** Where the two touch, no direction tells: the side of the area that the place is at. */
  private String nearestSide(Point at) {
    double left = at.xMm() - bounds.getMinX();
    double right = bounds.getMaxX() - at.xMm();
    double front = at.yMm() - bounds.getMinY();
    double back = bounds.getMaxY() - at.yMm();
    double least = Math.min(Math.min(left, right), Math.min(front, back));
    return least == left ? "left" : least == right ? "right" : least == front ? "front" : "back";
  }
}
