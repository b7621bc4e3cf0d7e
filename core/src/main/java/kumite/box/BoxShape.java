package kumite.box;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.box.Box;
import kumite.build.box.Face;
import kumite.build.panel.Panel;
import kumite.measure.Point;

/**
 * The measures of a case, from the panel, the depths below it and how it is made.
 *
 * <p>Walls stand square to the panel; where front and back are not as deep, the floor slopes.
 *
 * @param panel on top of it
 * @param box how it is made
 */
public record BoxShape(Panel panel, Box box) {
  private static final double SAME_MM = 1e-6;

  /** {@return how far the outside of the walls lies within the panel's edge, in mm} */
  public double outMm() {
    return box.overhangMm();
  }

  /** {@return how far the inside of the walls lies within the panel's edge, in mm} */
  public double inMm() {
    return box.overhangMm() + box.making().thicknessMm();
  }

  double wallMm() {
    return box.making().thicknessMm();
  }

  /** {@return how much deeper it is for each mm toward the back} */
  double slope() {
    return (panel.inside().depthMm() - panel.inside().frontDepthMm()) / panel.heightMm();
  }

  /** {@return the angle between panel and floor, in degrees; above 0 where the back is deeper} */
  public double tiltDegrees() {
    return Math.toDegrees(Math.atan(slope()));
  }

  double cosTilt() {
    return 1 / Math.sqrt(1 + slope() * slope());
  }

  /** {@return from the panel's underside to the floor's upper face at a place, in mm} */
  public double depthMm(double yMm) {
    return panel.inside().frontDepthMm() + slope() * yMm;
  }

  /**
   * {@return the way along the slope of the floor to a place, from under the panel's front edge}
   */
  double alongFloorMm(double yMm) {
    return yMm / cosTilt();
  }

  /** {@return which place of the floor lies so far along its slope} */
  public Point onFloor(Point along) {
    return new Point(along.xMm(), along.yMm() * cosTilt());
  }

  /** {@return whether there is any room between its walls} */
  public boolean hollow() {
    return panel.widthMm() > 2 * inMm() + 1
        && panel.heightMm() > 2 * inMm() + 1
        && ring(inMm()).size() == panel.corners().size();
  }

  /**
   * {@return the corners of the panel, each edge moved inward by so much; empty where nothing is
   * left}
   */
  List<Point> ring(double insetMm) {
    List<Point> corners = panel.corners();
    List<Point> moved = new ArrayList<>();
    for (int i = 0; i < corners.size(); i++) {
      Point at = corners.get(i);
      Point before = corners.get((i + corners.size() - 1) % corners.size());
      Point after = corners.get((i + 1) % corners.size());
      moved.add(inward(before, at, after, insetMm));
    }
    return area(moved) > 0 && alike(corners, moved) ? moved : List.of();
  }

  /** Both edges at a corner moved inward; the panel's corners run counter-clockwise. */
  private static Point inward(Point before, Point at, Point after, double mm) {
    double ax = at.xMm() - before.xMm();
    double ay = at.yMm() - before.yMm();
    double bx = after.xMm() - at.xMm();
    double by = after.yMm() - at.yMm();
    double al = Math.hypot(ax, ay);
    double bl = Math.hypot(bx, by);
    // To the left of each edge is inside.
    double nx = -ay / al - by / bl;
    double ny = ax / al + bx / bl;
    double share = 1 + (ax * bx + ay * by) / (al * bl);
    return share < 1e-9 ? at : new Point(at.xMm() + mm * nx / share, at.yMm() + mm * ny / share);
  }

  /**
   * {@return the side of the case on which the wall along one of the panel's edges stands; empty
   * where it stands askew, or further in than the panel reaches}
   *
   * @param edge its number, from the corner of that number on
   */
  Optional<Face> sideOf(int edge) {
    List<Point> corners = panel.corners();
    Point a = corners.get(edge);
    Point b = corners.get((edge + 1) % corners.size());
    if (both(a.yMm(), b.yMm(), 0)) {
      return Optional.of(Face.FRONT);
    } else if (both(a.yMm(), b.yMm(), panel.heightMm())) {
      return Optional.of(Face.BACK);
    } else if (both(a.xMm(), b.xMm(), 0)) {
      return Optional.of(Face.LEFT);
    }
    return both(a.xMm(), b.xMm(), panel.widthMm()) ? Optional.of(Face.RIGHT) : Optional.empty();
  }

  private static boolean both(double one, double other, double at) {
    return Math.abs(one - at) < SAME_MM && Math.abs(other - at) < SAME_MM;
  }

  /**
   * {@return the walls of a side between their neighbours, as places on that face are measured;
   * several where the panel is notched there, none where it has no straight edge}
   */
  List<List<Point>> strips(Face face) {
    List<Point> inner = ring(inMm());
    List<List<Point>> strips = new ArrayList<>();
    for (int i = 0; i < inner.size(); i++) {
      if (sideOf(i).filter(f -> f == face).isPresent()) {
        Point a = inner.get(i);
        Point b = inner.get((i + 1) % inner.size());
        Point from = from(face, a, b);
        Point to = from == a ? b : a;
        strips.add(
            List.of(
                new Point(along(face, from), 0),
                new Point(along(face, to), 0),
                new Point(along(face, to), depthMm(to.yMm())),
                new Point(along(face, from), depthMm(from.yMm()))));
      }
    }
    return strips;
  }

  private static Point from(Face face, Point a, Point b) {
    return along(face, a) <= along(face, b) ? a : b;
  }

  private static double along(Face face, Point at) {
    return face.across() ? at.xMm() : at.yMm();
  }

  /** An edge that turned round has been eaten up by its neighbours. */
  private static boolean alike(List<Point> one, List<Point> other) {
    for (int i = 0; i < one.size(); i++) {
      Point a = one.get(i);
      Point b = one.get((i + 1) % one.size());
      Point c = other.get(i);
      Point d = other.get((i + 1) % other.size());
      double along =
          (b.xMm() - a.xMm()) * (d.xMm() - c.xMm()) + (b.yMm() - a.yMm()) * (d.yMm() - c.yMm());
      if (along <= 0) {
        return false;
      }
    }
    return true;
  }

  static double area(List<Point> ring) {
    double twice = 0;
    for (int i = 0; i < ring.size(); i++) {
      Point a = ring.get(i);
      Point b = ring.get((i + 1) % ring.size());
      twice += a.xMm() * b.yMm() - b.xMm() * a.yMm();
    }
    return twice / 2;
  }

  /** {@return how long a wall is inside, or the floor is wide, in mm} */
  public double insideMm(Face face) {
    return (face.across() ? panel.widthMm() : panel.heightMm()) - 2 * inMm();
  }

  /** {@return how deep the case is at the inside of a wall, at the shallower end, in mm} */
  public double leastDepthMm(Face face) {
    double front = depthMm(inMm());
    double back = depthMm(panel.heightMm() - inMm());
    return switch (face) {
      case FRONT -> front;
      case BACK -> back;
      case LEFT, RIGHT, FLOOR -> Math.min(front, back);
    };
  }
}
