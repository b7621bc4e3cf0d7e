package kumite.panel;

import java.util.ArrayList;
import java.util.List;
import kumite.build.panel.Panel;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.measure.Shape;

/**
 * The outline of a panel with its corners rounded: straight sides and circular arcs, counter-
 * clockwise.
 */
public final class Rounding {
  private Rounding() {}

  /** A piece of the outline. */
  public sealed interface Piece {
    /** {@return where it begins} */
    Point from();

    /** {@return where it ends} */
    Point to();
  }

  /** A straight side. */
  public record Side(Point from, Point to) implements Piece {}

  /**
   * A rounded corner.
   *
   * @param radiusMm above 0
   * @param startDegrees direction from the centre to where it begins, counter-clockwise from x
   * @param sweepDegrees how far it turns: above 0 counter-clockwise, below 0 for a hollow corner
   */
  public record Arc(
      Point from, Point to, Point centre, double radiusMm, double startDegrees, double sweepDegrees)
      implements Piece {}

  /** {@return the pieces of a panel's outline, each beginning where the last one ended} */
  public static List<Piece> of(Panel panel) {
    return of(panel.corners(), panel.cornerMm());
  }

  /** {@return the corners of the inside of the case wall; empty where walls leave no room} */
  public static List<Point> insideOfWall(Panel panel) {
    double least = Math.min(panel.widthMm(), panel.heightMm());
    return 2 * panel.inside().wallMm() >= least ? List.of() : Boundary.wall(panel).ring();
  }

  /** {@return the pieces of a part's outline; a circle is one arc that turns once round} */
  public static List<Piece> of(Shape shape, Placement placement) {
    if (shape instanceof Shape.Round round) {
      double r = round.diameterMm() / 2;
      Point start = placement.centre().plus(r, 0);
      return List.of(new Arc(start, start, placement.centre(), r, 0, 360));
    }
    Shape.Rect rect = (Shape.Rect) shape;
    double w = rect.widthMm() / 2;
    double h = rect.heightMm() / 2;
    return of(
        List.of(
            placement.place(new Point(-w, -h)),
            placement.place(new Point(w, -h)),
            placement.place(new Point(w, h)),
            placement.place(new Point(-w, h))),
        rect.cornerMm());
  }

  /**
   * {@return the pieces of a panel's outline moved outward}
   *
   * @param byMm how far; less than any hollow corner's radius is kept round, sharp corners stay
   *     sharp
   */
  public static List<Piece> grown(Panel panel, double byMm) {
    if (byMm == 0) {
      return of(panel);
    }
    List<Point> corners = panel.corners();
    int n = corners.size();
    List<Point> moved = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      Point at = corners.get(i);
      Point before = corners.get((i + n - 1) % n);
      Point after = corners.get((i + 1) % n);
      double in = at.distanceMm(before);
      double out = at.distanceMm(after);
      double inX = (at.xMm() - before.xMm()) / in;
      double inY = (at.yMm() - before.yMm()) / in;
      double outX = (after.xMm() - at.xMm()) / out;
      double outY = (after.yMm() - at.yMm()) / out;
      // Outward of a counter-clockwise side is its right hand; both sides move by the same amount.
      double share = byMm / (1 + inX * outX + inY * outY);
      moved.add(at.plus((inY + outY) * share, (-inX - outX) * share));
    }
    return rounded(moved, panel.cornerMm(), byMm);
  }

  /** {@return the pieces of a ring of corners given counter-clockwise, rounded to a radius} */
  static List<Piece> of(List<Point> corners, double r) {
    return rounded(corners, r, 0);
  }

  private static List<Piece> rounded(List<Point> corners, double radiusMm, double grownMm) {
    List<Piece> pieces = new ArrayList<>();
    int n = corners.size();
    List<Piece> arcs = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      Point at = corners.get(i);
      Point before = corners.get((i + n - 1) % n);
      Point after = corners.get((i + 1) % n);
      double inX = at.xMm() - before.xMm();
      double inY = at.yMm() - before.yMm();
      double outX = after.xMm() - at.xMm();
      double outY = after.yMm() - at.yMm();
      double in = Math.hypot(inX, inY);
      double out = Math.hypot(outX, outY);
      double turn =
          Math.atan2(inX * outY - inY * outX, inX * outX + inY * outY); // left turns are positive
      double r = radiusMm <= 0 ? 0 : Math.max(0, radiusMm + Math.signum(turn) * grownMm);
      double tangent = r * Math.tan(Math.abs(turn) / 2);
      if (r <= 0 || Math.abs(turn) < 1e-9) {
        arcs.add(new Side(at, at));
        continue;
      }
      Point from = at.plus(-inX / in * tangent, -inY / in * tangent);
      Point to = at.plus(outX / out * tangent, outY / out * tangent);
      double hand = Math.signum(turn);
      Point centre = from.plus(-inY / in * r * hand, inX / in * r * hand);
      double start =
          Math.toDegrees(Math.atan2(from.yMm() - centre.yMm(), from.xMm() - centre.xMm()));
      arcs.add(new Arc(from, to, centre, r, start, Math.toDegrees(turn)));
    }
    for (int i = 0; i < n; i++) {
      Piece arc = arcs.get(i);
      if (arc instanceof Arc) {
        pieces.add(arc);
      }
      Piece next = arcs.get((i + 1) % n);
      if (arc.to().distanceMm(next.from()) > 1e-9) {
        pieces.add(new Side(arc.to(), next.from()));
      }
    }
    return pieces;
  }

  /** {@return the outline as points, arcs as chords of at most that angle; not closed} */
  public static List<Point> points(Panel panel, double chordDegrees) {
    return points(of(panel), chordDegrees);
  }

  /** {@return pieces as points, arcs as chords of at most that angle; not closed} */
  public static List<Point> points(List<Piece> pieces, double chordDegrees) {
    List<Point> points = new ArrayList<>();
    for (Piece piece : pieces) {
      points.add(piece.from());
      if (piece instanceof Arc arc) {
        int chords = (int) Math.max(1, Math.ceil(Math.abs(arc.sweepDegrees()) / chordDegrees));
        for (int i = 1; i < chords; i++) {
          double angle = Math.toRadians(arc.startDegrees() + arc.sweepDegrees() * i / chords);
          points.add(
              arc.centre()
                  .plus(arc.radiusMm() * Math.cos(angle), arc.radiusMm() * Math.sin(angle)));
        }
      }
    }
    return points;
  }
}
