package kumite.build.panel;

import java.util.ArrayList;
import java.util.List;
import kumite.measure.Check;
import kumite.measure.Point;

/** Checks and shapes of polygon outlines: corners in order, the last joined to the first. */
final class Outline {
  /** Fewer corners than this are a line. */
  static final int FEWEST_CORNERS = 3;

  /** More corners than this is taken for a traced picture, which a panel is not. */
  static final int MOST_CORNERS = 100;

  private Outline() {}

  /**
   * Refuses what cannot be cut: too few corners, a side of no length, sides that cross, corners
   * outside the panel's size or too sharp for the corner radius.
   */
  static void require(List<Point> corners, double widthMm, double heightMm, double cornerMm) {
    int n = corners.size();
    requireCount(n);
    double right = Double.NEGATIVE_INFINITY;
    double back = Double.NEGATIVE_INFINITY;
    double left = Double.POSITIVE_INFINITY;
    double front = Double.POSITIVE_INFINITY;
    for (int i = 0; i < n; i++) {
      Point at = corners.get(i);
      Check.between(-0.001, widthMm + 0.001, at.xMm(), "x of corner " + (i + 1));
      Check.between(-0.001, heightMm + 0.001, at.yMm(), "y of corner " + (i + 1));
      left = Math.min(left, at.xMm());
      right = Math.max(right, at.xMm());
      front = Math.min(front, at.yMm());
      back = Math.max(back, at.yMm());
      if (at.distanceMm(corners.get((i + 1) % n)) < 0.1) {
        throw new IllegalArgumentException(
            "corners " + (i + 1) + " and " + ((i + 1) % n + 1) + " are one place; take one out");
      }
    }
    if (left > 0.001 || front > 0.001 || right < widthMm - 0.001 || back < heightMm - 0.001) {
      throw new IllegalArgumentException(
          "the outline must touch all four sides of the panel's width and height");
    }
    for (int i = 0; i < n; i++) {
      for (int j = i + 1; j < n; j++) {
        boolean neighbours = j == i + 1 || i == 0 && j == n - 1;
        if (!neighbours
            && cross(
                corners.get(i),
                corners.get((i + 1) % n),
                corners.get(j),
                corners.get((j + 1) % n))) {
          throw new IllegalArgumentException(
              "the outline crosses itself: the side from corner "
                  + (i + 1)
                  + " meets the side from corner "
                  + (j + 1)
                  + "; put the corners in order around the panel");
        }
      }
    }
    for (int i = 0; i < n; i++) {
      double room =
          corners.get(i).distanceMm(corners.get((i + 1) % n))
              - tangent(corners, i, cornerMm)
              - tangent(corners, (i + 1) % n, cornerMm);
      if (room < -1e-6) {
        throw new IllegalArgumentException(
            "a corner radius of "
                + cornerMm
                + " mm does not fit between corners "
                + (i + 1)
                + " and "
                + ((i + 1) % n + 1)
                + "; make it smaller");
      }
    }
  }

  static void requireCount(int corners) {
    if (corners < FEWEST_CORNERS || corners > MOST_CORNERS) {
      throw new IllegalArgumentException(
          "an outline has "
              + FEWEST_CORNERS
              + " to "
              + MOST_CORNERS
              + " corners, but had "
              + corners);
    }
  }

  /** {@return how much of each side the rounding of a corner takes: r / tan(angle / 2)} */
  static double tangent(List<Point> corners, int i, double radiusMm) {
    int n = corners.size();
    Point at = corners.get(i);
    Point before = corners.get((i + n - 1) % n);
    Point after = corners.get((i + 1) % n);
    double one = Math.atan2(before.yMm() - at.yMm(), before.xMm() - at.xMm());
    double two = Math.atan2(after.yMm() - at.yMm(), after.xMm() - at.xMm());
    double angle = Math.abs(one - two);
    angle = angle > Math.PI ? 2 * Math.PI - angle : angle;
    return radiusMm == 0 ? 0 : radiusMm / Math.tan(angle / 2);
  }

  /** {@return the corners counter-clockwise seen from the face} */
  static List<Point> counterClockwise(List<Point> corners) {
    double twiceArea = 0;
    for (int i = 0; i < corners.size(); i++) {
      Point a = corners.get(i);
      Point b = corners.get((i + 1) % corners.size());
      twiceArea += a.xMm() * b.yMm() - b.xMm() * a.yMm();
    }
    if (twiceArea >= 0) {
      return List.copyOf(corners);
    }
    List<Point> turned = new ArrayList<>(corners);
    java.util.Collections.reverse(turned);
    return List.copyOf(turned);
  }

  private static boolean cross(Point a, Point b, Point c, Point d) {
    double d1 = side(c, d, a);
    double d2 = side(c, d, b);
    double d3 = side(a, b, c);
    double d4 = side(a, b, d);
    if (d1 * d2 < 0 && d3 * d4 < 0) {
      return true;
    }
    return d1 == 0 && on(c, d, a)
        || d2 == 0 && on(c, d, b)
        || d3 == 0 && on(a, b, c)
        || d4 == 0 && on(a, b, d);
  }

  private static double side(Point a, Point b, Point p) {
    return (b.xMm() - a.xMm()) * (p.yMm() - a.yMm()) - (b.yMm() - a.yMm()) * (p.xMm() - a.xMm());
  }

  private static boolean on(Point a, Point b, Point p) {
    return p.xMm() >= Math.min(a.xMm(), b.xMm())
        && p.xMm() <= Math.max(a.xMm(), b.xMm())
        && p.yMm() >= Math.min(a.yMm(), b.yMm())
        && p.yMm() <= Math.max(a.yMm(), b.yMm());
  }
}
