package kumite.box;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntToDoubleFunction;
import kumite.build.box.Face;
import kumite.measure.Point;

/**
 * Sheets with finger joints. Of a corner between two walls front and back have the first, third and
 * every odd finger, the sides the others; of an edge along the floor the floor has the odd ones.
 * What lies below both, at the ends of an edge, belongs to front and back.
 */
final class LaserPieces {
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
    List<Point> left = new ArrayList<>();
    for (int i = 0; i < down.count(); i++) {
      double x = i % 2 == 0 ? out : in;
      left.add(new Point(x, down.fromMm(i)));
      left.add(new Point(x, i == down.count() - 1 ? bottom : down.toMm(i)));
    }
    left.add(new Point(in, bottom));
    List<Point> ring = new ArrayList<>(left);
    for (int i = 0; i < along.count(); i++) {
      double y = i % 2 == 0 ? deep : bottom;
      ring.add(new Point(in + along.fromMm(i), y));
      ring.add(new Point(in + along.toMm(i), y));
    }
    for (int i = left.size() - 1; i >= 0; i--) {
      ring.add(new Point(width - left.get(i).xMm(), left.get(i).yMm()));
    }
    double sign = face == Face.FRONT ? -1 : 1;
    Vec origin = new Vec(0, face == Face.FRONT ? in : height - in, 0);
    Frame frame = new Frame(origin, new Vec(1, 0, 0), new Vec(0, 0, 1), new Vec(0, sign, 0));
    return Pieces.wall(shape, face, frame, Outlines.cleaned(ring), List.of());
  }

  private Piece side(Face face) {
    List<Point> ring = new ArrayList<>(List.of(new Point(in, 0), new Point(height - in, 0)));
    Fingers front = down(Face.FRONT);
    Fingers back = down(Face.BACK);
    for (int i = 0; i < back.count(); i++) {
      double x = i % 2 == 0 ? height - in : height - out;
      ring.add(new Point(x, back.fromMm(i)));
      ring.add(new Point(x, back.toMm(i)));
    }
    ring.add(new Point(height - in, shape.depthMm(height - in)));
    double cos = shape.cosTilt();
    double sin = shape.slope() * cos;
    for (int i = sides.count() - 1; i >= 0; i--) {
      double below = i % 2 == 0 ? 0 : wall;
      for (double at : new double[] {sides.toMm(i), sides.fromMm(i)}) {
        ring.add(
            new Point(in + at * cos - below * sin, shape.depthMm(in) + at * sin + below * cos));
      }
    }
    ring.add(new Point(in, shape.depthMm(in)));
    for (int i = front.count() - 1; i >= 0; i--) {
      double x = i % 2 == 0 ? in : out;
      ring.add(new Point(x, front.toMm(i)));
      ring.add(new Point(x, front.fromMm(i)));
    }
    boolean left = face == Face.LEFT;
    Frame frame =
        new Frame(
            new Vec(left ? in : width - in, 0, 0),
            new Vec(0, 1, 0),
            new Vec(0, 0, 1),
            new Vec(left ? -1 : 1, 0, 0));
    return Pieces.wall(shape, face, frame, Outlines.cleaned(ring), List.of());
  }

  private Piece floor() {
    // Cut square, its lower face would stand out of its upper one at the end that points down.
    double lean = wall * shape.slope();
    double atFront = Math.max(0, lean);
    double atBack = Math.min(0, lean);
    double first = shape.alongFloorMm(in);
    double from = first + atFront;
    double to = shape.alongFloorMm(height - in) + atBack;
    double front = shape.alongFloorMm(out) + atFront;
    double back = shape.alongFloorMm(height - out) + atBack;
    List<Point> ring = new ArrayList<>();
    edge(ring, false, i -> i % 2 == 0 ? front : from);
    for (int i = 0; i < sides.count(); i++) {
      double x = i % 2 == 0 ? width - out : width - in;
      if (i == 0) {
        ring.add(new Point(width - in, from));
      }
      ring.add(new Point(x, Math.max(from, first + sides.fromMm(i))));
      ring.add(new Point(x, Math.min(to, first + sides.toMm(i))));
    }
    ring.add(new Point(width - in, to));
    edge(ring, true, i -> i % 2 == 0 ? back : to);
    ring.add(new Point(in, to));
    for (int i = sides.count() - 1; i >= 0; i--) {
      double x = i % 2 == 0 ? out : in;
      ring.add(new Point(x, Math.min(to, first + sides.toMm(i))));
      ring.add(new Point(x, Math.max(from, first + sides.fromMm(i))));
    }
    ring.add(new Point(in, from));
    return Pieces.floor(shape, Outlines.cleaned(ring), List.of());
  }

  /** Front or back edge of the floor, left to right or back again. */
  private void edge(List<Point> ring, boolean backward, IntToDoubleFunction at) {
    for (int k = 0; k < along.count(); k++) {
      int i = backward ? along.count() - 1 - k : k;
      Point one = new Point(in + along.fromMm(i), at.applyAsDouble(i));
      Point other = new Point(in + along.toMm(i), at.applyAsDouble(i));
      ring.add(backward ? other : one);
      ring.add(backward ? one : other);
    }
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
