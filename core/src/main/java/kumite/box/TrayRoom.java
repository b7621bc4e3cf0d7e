package kumite.box;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import kumite.build.box.Making;
import kumite.build.panel.Block;
import kumite.measure.Point;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;

/** The room in a printed tray, seen from above, and which of its edges is which wall's. */
final class TrayRoom {
  /** A block so near to a wall stands against it. */
  private static final double CLOSE_MM = 0.05;

  private static final double NEAR_MM = 1e-6;

  private final BoxShape shape;
  private final List<Point> outer;
  private final List<Point> inner;
  private final List<Point> room;

  TrayRoom(BoxShape shape) {
    this.shape = shape;
    this.outer = shape.ring(shape.outMm());
    this.inner = shape.ring(shape.inMm());
    this.room = room(shape);
  }

  /** {@return its corners, counter-clockwise} */
  List<Point> ring() {
    return room;
  }

  /**
   * The room inside: between the walls, less the blocks that fill the depth and stand against a
   * wall, which are printed with it.
   */
  private static List<Point> room(BoxShape shape) {
    Polygon walls = Outlines.polygonOf((shape.ring(shape.inMm())));
    Geometry left = walls;
    for (Block block : merged(shape)) {
      left = left.difference(against(block, walls));
    }
    if (left instanceof Polygon one && one.getNumInteriorRing() == 0) {
      List<Point> ring = Outlines.cleaned(corners(one));
      return BoxShape.area(ring) > 0 ? ring : reversed(ring);
    }
    return shape.ring(shape.inMm());
  }

  /** {@return the blocks that are one with the tray} */
  static List<Block> merged(BoxShape shape) {
    if (!shape.hollow() || !(shape.box().making() instanceof Making.Printed)) {
      return List.of();
    }
    Polygon walls = Outlines.polygonOf((shape.ring(shape.inMm())));
    List<Block> merged = new ArrayList<>();
    for (Block block : shape.panel().inside().blocks()) {
      Polygon area = against(block, walls);
      if (block.stands() == Block.Stands.WHOLE
          && area.intersects(walls.getBoundary())
          && walls.difference(area) instanceof Polygon left
          && left.getNumInteriorRing() == 0) {
        merged.add(block);
      }
    }
    return merged;
  }

  static List<Point> corners(Block block) {
    return BoardPieces.rectangle(
        block.leftMm(),
        block.frontMm(),
        block.leftMm() + block.widthMm(),
        block.frontMm() + block.heightMm());
  }

  /** A side that stands against a wall goes into it, so that nothing is left between. */
  private static Polygon against(Block block, Polygon walls) {
    double left = block.leftMm();
    double front = block.frontMm();
    double right = left + block.widthMm();
    double back = front + block.heightMm();
    double x = (left + right) / 2;
    double y = (front + back) / 2;
    return Outlines.polygonOf(
        BoardPieces.rectangle(
            left - into(walls, left - CLOSE_MM, y),
            front - into(walls, x, front - CLOSE_MM),
            right + into(walls, right + CLOSE_MM, y),
            back + into(walls, x, back + CLOSE_MM)));
  }

  private static double into(Polygon walls, double x, double y) {
    return walls.contains(walls.getFactory().createPoint(new Coordinate(x, y))) ? 0 : CLOSE_MM;
  }

  private static List<Point> reversed(List<Point> ring) {
    List<Point> other = new ArrayList<>(ring);
    Collections.reverse(other);
    return other;
  }

  private static List<Point> corners(Polygon polygon) {
    List<Point> corners = new ArrayList<>();
    for (Coordinate at : polygon.getExteriorRing().getCoordinates()) {
      corners.add(new Point(at.x, at.y));
    }
    return corners;
  }

  /** {@return along which wall an edge of the room runs; -1 where it is a block's} */
  int wallOf(Point p, Point q) {
    for (int i = 0; i < inner.size(); i++) {
      Point a = inner.get(i);
      Point b = inner.get((i + 1) % inner.size());
      double length = a.distanceMm(b);
      double ex = (b.xMm() - a.xMm()) / length;
      double ey = (b.yMm() - a.yMm()) / length;
      boolean on = true;
      for (Point at : List.of(p, q)) {
        double off = (at.xMm() - a.xMm()) * ey - (at.yMm() - a.yMm()) * ex;
        double along = (at.xMm() - a.xMm()) * ex + (at.yMm() - a.yMm()) * ey;
        on &= Math.abs(off) < NEAR_MM && along > -NEAR_MM && along < length + NEAR_MM;
      }
      if (on && (q.xMm() - p.xMm()) * ex + (q.yMm() - p.yMm()) * ey > 0) {
        return i;
      }
    }
    return -1;
  }

  /** {@return the parts of a wall's inner face that no block covers, in its own x and z} */
  List<Polygon> strips(int wall) {
    List<Polygon> strips = new ArrayList<>();
    for (int e = 0; e < room.size(); e++) {
      Point p = room.get(e);
      Point q = room.get((e + 1) % room.size());
      if (wallOf(p, q) == wall) {
        strips.add(strip(wall, p, q));
      }
    }
    return strips;
  }

  Polygon strip(int wall, Point p, Point q) {
    Point a = outer.get(wall);
    Point b = outer.get((wall + 1) % outer.size());
    double length = a.distanceMm(b);
    double ex = (b.xMm() - a.xMm()) / length;
    double ey = (b.yMm() - a.yMm()) / length;
    double left = (p.xMm() - a.xMm()) * ex + (p.yMm() - a.yMm()) * ey;
    double right = (q.xMm() - a.xMm()) * ex + (q.yMm() - a.yMm()) * ey;
    return Outlines.polygonOf(
        List.of(
            new Point(left, 0),
            new Point(right, 0),
            new Point(right, shape.depthMm(q.yMm())),
            new Point(left, shape.depthMm(p.yMm()))));
  }
}
