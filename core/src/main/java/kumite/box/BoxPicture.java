package kumite.box;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import kumite.build.panel.Opening;
import kumite.build.panel.Panel;
import kumite.measure.Point;
import kumite.panel.Inside;
import kumite.parts.Catalogue;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;

/**
 * The case as it is seen from a side, its lid open or shut: faces from the farthest to the nearest,
 * to be painted in that order.
 *
 * @param faces in that order
 */
public record BoxPicture(List<Seen> faces) {
  /** What a face belongs to. */
  public enum Kind {
    PANEL,
    WALL,
    HOLE,
    BODY
  }

  /**
   * A face as it is seen.
   *
   * @param kind of what
   * @param id of the piece or the name of the thing
   * @param corners right and down from the middle of the case, in mm
   * @param light how much of the light it takes, 0 to 1
   * @param far how far away its middle is, in mm
   */
  public record Seen(Kind kind, String id, List<Point> corners, double light, double far) {
    public Seen {
      corners = List.copyOf(corners);
    }
  }

  /**
   * How it is looked at.
   *
   * @param turnDegrees about the upright axis; 0 from the front
   * @param tiltDegrees from above; 0 level, 90 straight down
   * @param lidDegrees how far the lid is open; a panel that lifts off is raised instead, 2 mm each
   * @param apartMm how far the pieces are drawn apart
   * @param hidden ids of pieces that are left out
   * @param inside whether bodies and boards are drawn
   */
  public record Look(
      double turnDegrees,
      double tiltDegrees,
      double lidDegrees,
      double apartMm,
      Set<String> hidden,
      boolean inside) {
    /** From the front left, from above, half open. */
    public static final Look USUAL = new Look(-28, 32, 60, 0, Set.of(), true);

    public Look {
      hidden = Set.copyOf(hidden);
    }
  }

  /**
   * The box around a picture, in its own right and down.
   *
   * @param leftMm 0 or less
   * @param topMm 0 or less
   * @param rightMm above it by 1 at least
   * @param bottomMm above it by 1 at least
   */
  public record Bounds(double leftMm, double topMm, double rightMm, double bottomMm) {
    /** {@return the scale at which it fills so much room} */
    public double fit(double width, double height) {
      return Math.min(width / (rightMm - leftMm), height / (bottomMm - topMm));
    }
  }

  private static final double RAISED_PER_DEGREE_MM = 2;

  public BoxPicture {
    faces = List.copyOf(faces);
  }

  /** {@return a case as it is seen} */
  public static BoxPicture of(BoxPlan plan, Catalogue catalogue, Look look) {
    Painter painter = new Painter(plan, look);
    for (Piece piece : plan.pieces()) {
      if (!look.hidden().contains(piece.id()) && piece.outline().size() > 2) {
        painter.piece(piece);
      }
    }
    if (look.inside()) {
      // Blocks are pieces.
      Inside.of(plan.build(), catalogue).stream()
          .filter(thing -> thing.sort() != Inside.Sort.BLOCK)
          .forEach(painter::thing);
    }
    painter.seen.sort(Comparator.comparingDouble((Seen s) -> -s.far()));
    return new BoxPicture(painter.seen);
  }

  /** {@return the box around all of it} */
  public Bounds bounds() {
    double left = 0;
    double right = 1;
    double top = 0;
    double bottom = 1;
    for (Seen face : faces) {
      for (Point p : face.corners()) {
        left = Math.min(left, p.xMm());
        right = Math.max(right, p.xMm());
        top = Math.min(top, p.yMm());
        bottom = Math.max(bottom, p.yMm());
      }
    }
    return new Bounds(left, top, right, bottom);
  }

  private static final class Painter {
    private final BoxShape shape;
    private final Panel panel;
    private final Look look;
    private final Vec middle;
    private final List<Seen> seen = new ArrayList<>();

    Painter(BoxPlan plan, Look look) {
      this.shape = plan.shape();
      this.panel = shape.panel();
      this.look = look;
      double deep = Math.max(panel.inside().depthMm(), panel.inside().frontDepthMm());
      this.middle = new Vec(panel.widthMm() / 2, panel.heightMm() / 2, deep / 2);
    }

    void piece(Piece piece) {
      boolean lid = piece.part() == Piece.Part.PANEL;
      List<Point> ring = piece.part() == Piece.Part.WALL ? hull(piece.outline()) : piece.outline();
      Frame frame = piece.frame();
      double t = piece.part() == Piece.Part.TRAY ? 2 : piece.thicknessMm();
      Vec apart = frame.through().times(look.apartMm());
      if (piece.part() == Piece.Part.TRAY) {
        tray(piece);
        return;
      }
      Kind kind = lid ? Kind.PANEL : Kind.WALL;
      prism(
          kind,
          piece.id(),
          ring.stream().map(p -> frame.at(p, 0).plus(apart)).toList(),
          frame.through().times(t),
          lid);
      for (Piece.Hole hole : piece.holes()) {
        // Painted on both faces; only the one that looks this way is seen.
        for (int side = 0; side < 2; side++) {
          double at = side == 0 ? -0.05 : t + 0.05;
          Vec out = frame.through().times(side == 0 ? -1 : 1);
          face(
              Kind.HOLE,
              piece.id(),
              hole.ring().stream().map(p -> frame.at(p, at).plus(apart)).toList(),
              out,
              lid);
        }
      }
    }

    /** A printed tray as its walls and floor, thin. */
    private void tray(Piece piece) {
      List<Point> ring = piece.outline();
      double slope = (panel.inside().depthMm() - panel.inside().frontDepthMm()) / panel.heightMm();
      java.util.function.ToDoubleFunction<Point> deep =
          p -> panel.inside().frontDepthMm() + slope * p.yMm();
      Vec aside = aside(piece);
      List<Vec> floor =
          ring.stream()
              .map(p -> new Vec(p.xMm(), p.yMm(), deep.applyAsDouble(p)).plus(aside))
              .toList();
      face(Kind.WALL, piece.id(), floor, new Vec(0, 0, 1), false);
      face(Kind.WALL, piece.id(), floor, new Vec(0, 0, -1), false);
      for (int i = 0; i < ring.size(); i++) {
        Point a = ring.get(i);
        Point b = ring.get((i + 1) % ring.size());
        if (seamed(a, b)) {
          continue; // open to the next part
        }
        List<Vec> wall =
            List.of(
                new Vec(a.xMm(), a.yMm(), 0).plus(aside),
                new Vec(b.xMm(), b.yMm(), 0).plus(aside),
                new Vec(b.xMm(), b.yMm(), deep.applyAsDouble(b)).plus(aside),
                new Vec(a.xMm(), a.yMm(), deep.applyAsDouble(a)).plus(aside));
        Vec out = new Vec(b.yMm() - a.yMm(), a.xMm() - b.xMm(), 0);
        face(Kind.WALL, piece.id(), wall, out, false);
        face(Kind.WALL, piece.id(), wall, out.times(-1), false);
      }
    }

    private boolean seamed(Point a, Point b) {
      return Parting.seams(shape).stream()
          .anyMatch(
              seam ->
                  seam.across() == MeshCut.Across.X
                      ? a.xMm() == seam.at() && b.xMm() == seam.at()
                      : a.yMm() == seam.at() && b.yMm() == seam.at());
    }

    /** Parts of one tray move away from its middle. */
    private Vec aside(Piece piece) {
      if (Parting.seams(shape).isEmpty()) {
        return new Vec(0, 0, 0);
      }
      double x = piece.leftMm() + piece.widthMm() / 2 - panel.widthMm() / 2;
      double y = piece.topMm() + piece.heightMm() / 2 - panel.heightMm() / 2;
      return new Vec(x / panel.widthMm(), y / panel.heightMm(), 0).times(2 * look.apartMm());
    }

    void thing(Inside thing) {
      if (thing.bottomMm() > thing.topMm()) {
        prism(
            Kind.BODY,
            thing.words(),
            thing.corners().stream().map(p -> new Vec(p.xMm(), p.yMm(), thing.topMm())).toList(),
            new Vec(0, 0, thing.bottomMm() - thing.topMm()),
            thing.swings());
      }
    }

    private static List<Point> hull(List<Point> ring) {
      Geometry hull = Outlines.polygonOf(ring).convexHull();
      List<Point> corners = new ArrayList<>();
      Coordinate[] all = hull.getCoordinates();
      for (int i = 0; i < all.length - 1; i++) {
        corners.add(new Point(all[i].x, all[i].y));
      }
      return corners;
    }

    private void prism(Kind kind, String id, List<Vec> ring, Vec through, boolean swings) {
      List<Vec> other = ring.stream().map(v -> v.plus(through)).toList();
      face(kind, id, ring, through.times(-1), swings);
      face(kind, id, other, through, swings);
      Vec inside = centre(ring);
      for (int i = 0; i < ring.size(); i++) {
        int next = (i + 1) % ring.size();
        List<Vec> side = List.of(ring.get(i), ring.get(next), other.get(next), other.get(i));
        Vec edge = ring.get(next).minus(ring.get(i));
        Vec out = edge.cross(through);
        Vec from = centre(side).minus(inside);
        face(kind, id, side, out.dot(from) >= 0 ? out : out.times(-1), swings);
      }
    }

    private static Vec centre(List<Vec> ring) {
      Vec sum = new Vec(0, 0, 0);
      for (Vec v : ring) {
        sum = sum.plus(v);
      }
      return sum.times(1.0 / ring.size());
    }

    private void face(Kind kind, String id, List<Vec> ring, Vec out, boolean swings) {
      Vec way = swings ? swungWay(out) : out;
      double length = way.length();
      Vec turned = turned(way);
      if (length == 0 || turned.y() >= -1e-9 * length) {
        return; // it looks away: y runs from the eye into the picture
      }
      List<Point> corners = new ArrayList<>();
      double far = 0;
      for (Vec corner : ring) {
        Vec at = turned((swings ? swung(corner) : corner).minus(middle));
        corners.add(new Point(at.x(), at.z()));
        far += at.y() / ring.size();
      }
      // The light comes over the left shoulder.
      Vec light = new Vec(-0.35, -0.55, -0.76);
      double lit = Math.max(0, way.times(1 / length).dot(light));
      // A hole lies on its face and is painted after it.
      seen.add(new Seen(kind, id, corners, lit, kind == Kind.HOLE ? far - 2 : far));
    }

    /** About the upright axis, then toward the eye: x right, y away, z down. */
    private Vec turned(Vec v) {
      double a = Math.toRadians(look.turnDegrees());
      double x = v.x() * Math.cos(a) - v.y() * Math.sin(a);
      double y = v.x() * Math.sin(a) + v.y() * Math.cos(a);
      double b = Math.toRadians(look.tiltDegrees());
      return new Vec(
          x, y * Math.cos(b) + v.z() * Math.sin(b), -y * Math.sin(b) + v.z() * Math.cos(b));
    }

    private Vec swung(Vec v) {
      double a = Math.toRadians(look.lidDegrees());
      Opening opening = panel.inside().opening();
      return switch (opening) {
        case LIFTS_OFF ->
            v.minus(new Vec(0, 0, look.lidDegrees() * RAISED_PER_DEGREE_MM + look.apartMm()));
        case HINGED_BACK -> {
          double y = v.y() - panel.heightMm();
          yield new Vec(
              v.x(),
              panel.heightMm() + y * Math.cos(a) - v.z() * Math.sin(a),
              y * Math.sin(a) + v.z() * Math.cos(a));
        }
        case HINGED_FRONT ->
            new Vec(
                v.x(),
                v.y() * Math.cos(a) + v.z() * Math.sin(a),
                -v.y() * Math.sin(a) + v.z() * Math.cos(a));
        case HINGED_LEFT ->
            new Vec(
                v.x() * Math.cos(a) + v.z() * Math.sin(a),
                v.y(),
                -v.x() * Math.sin(a) + v.z() * Math.cos(a));
        case HINGED_RIGHT -> {
          double x = v.x() - panel.widthMm();
          yield new Vec(
              panel.widthMm() + x * Math.cos(a) - v.z() * Math.sin(a),
              v.y(),
              x * Math.sin(a) + v.z() * Math.cos(a));
        }
      };
    }

    private Vec swungWay(Vec way) {
      return swung(way.plus(middle)).minus(swung(middle));
    }
  }
}
