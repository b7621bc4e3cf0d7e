package kumite.box;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.box.Making;
import kumite.measure.Point;
import kumite.panel.Rounding;
import org.locationtech.jts.algorithm.Distance;
import org.locationtech.jts.geom.Coordinate;

/**
 * Inside corners of an outline freed by small holes, so that a square tab goes home in them and a
 * brittle sheet does not crack from there. A hole is centred on the corner that the beam turns at;
 * three quarters of it lie in the piece, the rest in what is cut away.
 */
public final class Relief {
  /** What is flatter is the side of something round. */
  private static final double INSIDE_DEGREES = 225;

  /**
   * So many radii from a corner its sides do not end yet, and no other side comes as near: two
   * holes leave something between them.
   */
  private static final double CLEAR_RADII = 3;

  private Relief() {}

  /** One corner: where the side before it ends, the arc if there is one, where the next begins. */
  private record Corner(Point stops, Optional<Rounding.Arc> arc, Point begins) {}

  /**
   * {@return how far from a corner the beam runs, in mm; 0 where no hole is cut: none is wanted,
   * the beam is as wide, or it would not reach the corner of the finished piece}
   *
   * @param growMm how far the outline was moved outward, for the beam
   */
  public static double radiusMm(Making.Laser laser, double growMm) {
    double hole = laser.reliefMm() / 2;
    double path = hole - laser.kerfMm() / 2;
    return hole > growMm * Math.sqrt(2) ? Math.max(0, path) : 0;
  }

  /**
   * {@return the sides of an outline, with an arc in place of each inside corner}
   *
   * @param ring its corners, either way round
   * @param radiusMm of the arcs; 0 leaves all corners as they are
   */
  public static List<Rounding.Piece> of(List<Point> ring, double radiusMm) {
    int n = ring.size();
    boolean counterClockwise = twiceArea(ring) > 0;
    List<Corner> corners = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      boolean clear = radiusMm > 0 && clearMm(ring, i) >= CLEAR_RADII * radiusMm;
      corners.add(
          corner(
              ring.get((i + n - 1) % n),
              ring.get(i),
              ring.get((i + 1) % n),
              counterClockwise,
              clear ? radiusMm : 0));
    }
    List<Rounding.Piece> pieces = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      Corner next = corners.get((i + 1) % n);
      pieces.add(new Rounding.Side(corners.get(i).begins(), next.stops()));
      next.arc().ifPresent(pieces::add);
    }
    return pieces;
  }

  /** {@return how many inside corners an outline has} */
  public static int inside(List<Point> ring) {
    int n = ring.size();
    boolean counterClockwise = twiceArea(ring) > 0;
    int inside = 0;
    for (int i = 0; i < n; i++) {
      double degrees =
          insideDegrees(
              ring.get((i + n - 1) % n), ring.get(i), ring.get((i + 1) % n), counterClockwise);
      inside += degrees < INSIDE_DEGREES ? 0 : 1;
    }
    return inside;
  }

  private static double insideDegrees(
      Point before, Point at, Point after, boolean counterClockwise) {
    double back = degrees(at, before);
    double on = degrees(at, after);
    return turn(counterClockwise ? back - on : on - back);
  }

  private static Corner corner(
      Point before, Point at, Point after, boolean counterClockwise, double radiusMm) {
    double back = degrees(at, before);
    double on = degrees(at, after);
    double inside = insideDegrees(before, at, after, counterClockwise);
    if (radiusMm == 0 || inside < INSIDE_DEGREES) {
      return new Corner(at, Optional.empty(), at);
    }
    Point from = away(at, back, radiusMm);
    Point to = away(at, on, radiusMm);
    double sweep = counterClockwise ? -inside : inside;
    return new Corner(from, Optional.of(new Rounding.Arc(from, to, at, radiusMm, back, sweep)), to);
  }

  /** How long the shorter side of a corner is, or how near another side comes, if nearer. */
  private static double clearMm(List<Point> ring, int corner) {
    int n = ring.size();
    Point at = ring.get(corner);
    double clear =
        Math.min(
            at.distanceMm(ring.get((corner + n - 1) % n)),
            at.distanceMm(ring.get((corner + 1) % n)));
    Coordinate here = new Coordinate(at.xMm(), at.yMm());
    for (int i = corner + 1; i < corner + n - 1; i++) {
      Point from = ring.get(i % n);
      Point to = ring.get((i + 1) % n);
      clear =
          Math.min(
              clear,
              Distance.pointToSegment(
                  here,
                  new Coordinate(from.xMm(), from.yMm()),
                  new Coordinate(to.xMm(), to.yMm())));
    }
    return clear;
  }

  private static double twiceArea(List<Point> ring) {
    double sum = 0;
    for (int i = 0; i < ring.size(); i++) {
      Point a = ring.get(i);
      Point b = ring.get((i + 1) % ring.size());
      sum += a.xMm() * b.yMm() - b.xMm() * a.yMm();
    }
    return sum;
  }

  private static Point away(Point from, double degrees, double mm) {
    double radians = Math.toRadians(degrees);
    return from.plus(mm * Math.cos(radians), mm * Math.sin(radians));
  }

  private static double degrees(Point from, Point to) {
    return turn(Math.toDegrees(Math.atan2(to.yMm() - from.yMm(), to.xMm() - from.xMm())));
  }

  private static double turn(double degrees) {
    return (degrees % 360 + 360) % 360;
  }
}
