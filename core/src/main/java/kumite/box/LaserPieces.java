package kumite.box;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.box.Face;
import kumite.measure.Point;

/**
 * Sheets with finger joints. Of a corner between two walls front and back have the first, third and
 * every odd finger, the sides the others; of an edge along the floor the floor has the odd ones.
 * What lies below both, at the ends of an edge, belongs to front and back.
 */
final class LaserPieces {
  /** So far a finger reaches into its piece while both are put together; no size depends on it. */
  private static final double INTO_MM = 0.25;

  private final BoxShape shape;
  private final double out;
  private final double in;
  private final double wall;
  private final double width;
  private final double height;
  private final Fingers along;
  private final Fingers sides;

  private LaserPieces(BoxShape shape) {
    this.shape = shape;
    this.out = shape.outMm();
    this.in = shape.inMm();
    this.wall = shape.wallMm();
    this.width = shape.panel().widthMm();
    this.height = shape.panel().heightMm();
    this.along = Fingers.of(width - 2 * in, wall);
    this.sides = Fingers.of((height - 2 * in) / shape.cosTilt(), wall);
  }

  static List<Piece> of(BoxShape shape) {
    LaserPieces pieces = new LaserPieces(shape);
    return List.of(
        pieces.across(Face.FRONT),
        pieces.across(Face.BACK),
        pieces.side(Face.LEFT),
        pieces.side(Face.RIGHT),
        pieces.floor());
  }

  /** {@return how deep front or back reach before the floor's fingers begin, in mm} */
  private double restMm(Face face) {
    double inner = face == Face.FRONT ? in : height - in;
    double outer = face == Face.FRONT ? out : height - out;
    return Math.min(shape.depthMm(inner), shape.depthMm(outer));
  }

  private Fingers down(Face face) {
    return Fingers.of(restMm(face), wall);
  }

  private Piece across(Face face) {
    double deep = restMm(face);
    double bottom = deep + wall / shape.cosTilt();
    Fingers down = down(face);
    Outlines outline = new Outlines().rectangle(in, 0, width - in, deep);
    for (int i = 0; i < down.count(); i += 2) {
      double to = i == down.count() - 1 ? bottom : down.toMm(i);
      outline.rectangle(out, down.fromMm(i), in + INTO_MM, Math.min(to, deep));
      outline.rectangle(width - in - INTO_MM, down.fromMm(i), width - out, Math.min(to, deep));
      outline.rectangle(out, down.fromMm(i), in, to);
      outline.rectangle(width - in, down.fromMm(i), width - out, to);
    }
    for (int i = 1; i < along.count(); i += 2) {
      outline.rectangle(in + along.fromMm(i), deep - INTO_MM, in + along.toMm(i), bottom);
    }
    double sign = face == Face.FRONT ? -1 : 1;
    Vec origin = new Vec(0, face == Face.FRONT ? in : height - in, 0);
    Frame frame = new Frame(origin, new Vec(1, 0, 0), new Vec(0, 0, 1), new Vec(0, sign, 0));
    return Pieces.wall(shape, face, frame, outline.together(), List.of());
  }

  private Piece side(Face face) {
    Outlines outline =
        new Outlines()
            .polygon(
                List.of(
                    new Point(in, 0),
                    new Point(height - in, 0),
                    new Point(height - in, shape.depthMm(height - in)),
                    new Point(in, shape.depthMm(in))));
    Fingers front = down(Face.FRONT);
    Fingers back = down(Face.BACK);
    for (int i = 1; i < front.count(); i += 2) {
      outline.rectangle(out, front.fromMm(i), in + INTO_MM, front.toMm(i));
    }
    for (int i = 1; i < back.count(); i += 2) {
      outline.rectangle(height - in - INTO_MM, back.fromMm(i), height - out, back.toMm(i));
    }
    double cos = shape.cosTilt();
    double sin = shape.slope() * cos;
    for (int i = 1; i < sides.count(); i += 2) {
      List<Point> finger = new ArrayList<>();
      double[][] corners = {
        {sides.fromMm(i), -INTO_MM},
        {sides.toMm(i), -INTO_MM},
        {sides.toMm(i), wall},
        {sides.fromMm(i), wall}
      };
      for (double[] at : corners) {
        finger.add(
            new Point(
                in + at[0] * cos - at[1] * sin, shape.depthMm(in) + at[0] * sin + at[1] * cos));
      }
      outline.polygon(finger);
    }
    boolean left = face == Face.LEFT;
    Frame frame =
        new Frame(
            new Vec(left ? in : width - in, 0, 0),
            new Vec(0, 1, 0),
            new Vec(0, 0, 1),
            new Vec(left ? -1 : 1, 0, 0));
    return Pieces.wall(shape, face, frame, outline.together(), List.of());
  }

  private Piece floor() {
    // Cut square, its lower face would stand out of its upper one at the end that points down.
    double lean = wall * shape.slope();
    double atFront = Math.max(0, lean);
    double atBack = Math.min(0, lean);
    double first = shape.alongFloorMm(in);
    double from = first + atFront;
    double to = shape.alongFloorMm(height - in) + atBack;
    Outlines outline = new Outlines().rectangle(in, from, width - in, to);
    for (int i = 0; i < along.count(); i += 2) {
      outline.rectangle(
          in + along.fromMm(i),
          shape.alongFloorMm(out) + atFront,
          in + along.toMm(i),
          from + INTO_MM);
      outline.rectangle(
          in + along.fromMm(i),
          to - INTO_MM,
          in + along.toMm(i),
          shape.alongFloorMm(height - out) + atBack);
    }
    for (int i = 0; i < sides.count(); i += 2) {
      double a = Math.max(from, first + sides.fromMm(i));
      double b = Math.min(to, first + sides.toMm(i));
      outline.rectangle(out, a, in + INTO_MM, b);
      outline.rectangle(width - in - INTO_MM, a, width - out, b);
    }
    return Pieces.floor(shape, outline.together(), List.of());
  }

  /** {@return edges that are too short for fingers, in words} */
  static List<String> plain(BoxShape shape) {
    LaserPieces pieces = new LaserPieces(shape);
    List<String> plain = new ArrayList<>();
    if (!pieces.down(Face.FRONT).joined()) {
      plain.add("front and sides");
    }
    if (!pieces.down(Face.BACK).joined()) {
      plain.add("back and sides");
    }
    if (!pieces.along.joined()) {
      plain.add("floor and front");
    }
    if (!pieces.sides.joined()) {
      plain.add("floor and sides");
    }
    return plain;
  }

  /** {@return the pieces of an edge that stays without fingers, for messages} */
  static Optional<String> plainWords(BoxShape shape) {
    List<String> plain = plain(shape);
    return plain.isEmpty() ? Optional.empty() : Optional.of(String.join(", ", plain));
  }
}
