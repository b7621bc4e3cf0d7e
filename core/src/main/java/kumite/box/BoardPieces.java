package kumite.box;

import java.util.ArrayList;
import java.util.List;
import kumite.build.box.Face;
import kumite.measure.Point;

/**
 * Boards with butt joints: the sides run through, front and back stand between, the floor below.
 */
final class BoardPieces {
  private static final double LEVEL_DEGREES = 0.05;

  private BoardPieces() {}

  static List<Piece> of(BoxShape shape) {
    return List.of(
        across(shape, Face.FRONT),
        across(shape, Face.BACK),
        side(shape, Face.LEFT),
        side(shape, Face.RIGHT),
        floor(shape));
  }

  private static Piece across(BoxShape shape, Face face) {
    boolean front = face == Face.FRONT;
    double height = shape.panel().heightMm();
    double inner = front ? shape.inMm() : height - shape.inMm();
    double outer = front ? shape.outMm() : height - shape.outMm();
    double within = shape.depthMm(inner);
    double without = shape.depthMm(outer);
    List<Point> outline =
        rectangle(
            shape.inMm(), 0, shape.panel().widthMm() - shape.inMm(), Math.max(within, without));
    Frame frame =
        new Frame(
            new Vec(0, inner, 0),
            new Vec(1, 0, 0),
            new Vec(0, 0, 1),
            new Vec(0, front ? -1 : 1, 0));
    return Pieces.wall(
        shape,
        face,
        frame,
        outline,
        bevels(shape, "lower edge", within > without ? "inside longer" : "outside longer"));
  }

  private static Piece side(BoxShape shape, Face face) {
    double from = shape.outMm();
    double to = shape.panel().heightMm() - shape.outMm();
    boolean left = face == Face.LEFT;
    Frame frame =
        new Frame(
            new Vec(left ? shape.inMm() : shape.panel().widthMm() - shape.inMm(), 0, 0),
            new Vec(0, 1, 0),
            new Vec(0, 0, 1),
            new Vec(left ? -1 : 1, 0, 0));
    return Pieces.wall(
        shape,
        face,
        frame,
        List.of(
            new Point(from, 0),
            new Point(to, 0),
            new Point(to, shape.depthMm(to)),
            new Point(from, shape.depthMm(from))),
        List.of());
  }

  private static Piece floor(BoxShape shape) {
    double lean = shape.wallMm() * shape.slope();
    double from = shape.alongFloorMm(shape.outMm()) + Math.min(0, lean);
    double to = shape.alongFloorMm(shape.panel().heightMm() - shape.outMm()) + Math.max(0, lean);
    List<Piece.Bevel> bevels = new ArrayList<>();
    bevels.addAll(
        bevels(shape, "front edge", lean > 0 ? "upper face longer" : "lower face longer"));
    bevels.addAll(bevels(shape, "back edge", lean > 0 ? "lower face longer" : "upper face longer"));
    return Pieces.floor(
        shape, rectangle(shape.outMm(), from, shape.panel().widthMm() - shape.outMm(), to), bevels);
  }

  static List<Piece.Bevel> bevels(BoxShape shape, String edge, String longer) {
    double degrees = Math.abs(shape.tiltDegrees());
    return degrees < LEVEL_DEGREES ? List.of() : List.of(new Piece.Bevel(edge, degrees, longer));
  }

  static List<Point> rectangle(double left, double top, double right, double bottom) {
    return List.of(
        new Point(left, top),
        new Point(right, top),
        new Point(right, bottom),
        new Point(left, bottom));
  }
}
