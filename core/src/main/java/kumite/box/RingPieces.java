package kumite.box;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.box.Face;
import kumite.measure.Point;
import kumite.parts.Catalogue;

/**
 * Walls along the edges of a panel that is no rectangle, mitred where they meet, and a floor in its
 * shape.
 */
final class RingPieces {
  private RingPieces() {}

  /**
   * {@return a wall for each edge, and the floor}
   *
   * @param below whether the floor lies below the walls, else between them
   */
  static List<Piece> of(Build build, Catalogue catalogue, BoxShape shape, boolean below) {
    List<Point> outer = shape.ring(shape.outMm());
    List<Point> inner = shape.ring(shape.inMm());
    List<Piece> pieces = new ArrayList<>();
    int n = outer.size();
    for (int i = 0; i < n; i++) {
      Piece wall = wall(shape, outer, inner, i);
      pieces.add(
          shape
              .sideOf(i)
              .map(face -> wall.with(holes(build, catalogue, shape, face, wall)))
              .orElse(wall));
    }
    List<Point> floor = new ArrayList<>();
    for (Point at : below ? outer : inner) {
      floor.add(new Point(at.xMm(), shape.alongFloorMm(at.yMm())));
    }
    pieces.add(Pieces.floor(shape, floor, List.of()));
    return pieces;
  }

  private static Piece wall(BoxShape shape, List<Point> outer, List<Point> inner, int i) {
    int n = outer.size();
    Point from = outer.get(i);
    Point to = outer.get((i + 1) % n);
    double length = from.distanceMm(to);
    double ex = (to.xMm() - from.xMm()) / length;
    double ey = (to.yMm() - from.yMm()) / length;
    double left = Math.min(0, along(from, inner.get(i), ex, ey));
    double right = Math.max(length, along(from, inner.get((i + 1) % n), ex, ey));
    double deep = Math.max(shape.depthMm(from.yMm()), shape.depthMm(to.yMm()));
    double slopes = shape.slope() * ey;
    List<Point> outline =
        List.of(
            new Point(left, 0),
            new Point(right, 0),
            new Point(right, shape.depthMm(from.yMm()) + right * slopes),
            new Point(left, shape.depthMm(from.yMm()) + left * slopes));
    List<Piece.Bevel> bevels = new ArrayList<>();
    mitre(outer, i, "first end", bevels);
    mitre(outer, (i + 1) % n, "second end", bevels);
    Frame frame =
        new Frame(
            new Vec(from.xMm(), from.yMm(), 0),
            new Vec(ex, ey, 0),
            new Vec(0, 0, 1),
            new Vec(-ey, ex, 0));
    return new Piece(
        "wall-" + (i + 1),
        Piece.Part.WALL,
        Optional.empty(),
        frame,
        deep > 0 ? outline : List.of(),
        List.of(),
        shape.wallMm(),
        shape.box().material(),
        bevels);
  }

  /** The holes of its side that lie in a wall. */
  private static List<Piece.Hole> holes(
      Build build, Catalogue catalogue, BoxShape shape, Face face, Piece wall) {
    List<Piece.Hole> holes = new ArrayList<>();
    Vec from = wall.frame().origin();
    Point corner = new Point(from.x(), from.y());
    for (Piece.Hole hole : Pieces.holes(build, catalogue, shape, face)) {
      Point at = hole.at().centre();
      double x = Tray.fromCorner(corner, wall.frame().along(), face, at);
      if (x > wall.leftMm() && x < wall.leftMm() + wall.widthMm()) {
        holes.add(new Piece.Hole(hole.words(), hole.shape(), hole.at().movedTo(x, at.yMm())));
      }
    }
    return holes;
  }

  private static double along(Point from, Point to, double ex, double ey) {
    return (to.xMm() - from.xMm()) * ex + (to.yMm() - from.yMm()) * ey;
  }

  /** Two walls share the turn between them: each end is cut by half of it. */
  private static void mitre(List<Point> ring, int corner, String end, List<Piece.Bevel> bevels) {
    int n = ring.size();
    Point before = ring.get((corner + n - 1) % n);
    Point at = ring.get(corner);
    Point after = ring.get((corner + 1) % n);
    double turn =
        Math.atan2(after.yMm() - at.yMm(), after.xMm() - at.xMm())
            - Math.atan2(at.yMm() - before.yMm(), at.xMm() - before.xMm());
    double degrees = Math.toDegrees(Math.IEEEremainder(turn, 2 * Math.PI)) / 2;
    if (Math.abs(degrees) > 0.05) {
      bevels.add(
          new Piece.Bevel(
              end, Math.abs(degrees), degrees > 0 ? "outside longer" : "inside longer"));
    }
  }
}
