package kumite.box;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import kumite.build.Build;
import kumite.build.box.Face;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.measure.Shape;
import kumite.panel.DrillPlan;
import kumite.panel.LidScrews;
import kumite.panel.Rounding;
import kumite.panel.Screw;
import kumite.parts.Catalogue;
import org.locationtech.jts.algorithm.Orientation;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LinearRing;
import org.locationtech.jts.geom.Polygon;

/**
 * A printed tray: walls and floor in one, openings through them, posts for boards on the floor. All
 * faces share their corners, so that the surface is closed.
 */
public final class Tray {
  /** A post under a board, as high as a standoff. */
  static final double POST_MM = Screws.STANDOFF_MM;

  /** A post is so many times as thick as its screw: common practice, no source. */
  private static final double POST_PER_SCREW = 2.5;

  private static final double CHORD_DEGREES = 10;

  /** A hole that an M3 insert is melted into: common practice, no source. */
  private static final double INSERT_MM = 4;

  private static final double INSERT_DEEP_MM = 8;

  private static final GeometryFactory FACTORY = new GeometryFactory();

  private final BoxShape shape;
  private final double thick;
  private final List<Point> outer;
  private final List<Point> inner;
  private final TrayRoom inside;
  private final List<Point> room;
  private final List<List<Loop>> inWall = new ArrayList<>();
  private final Mesh mesh = new Mesh();

  /**
   * A hole in a wall or the floor, or a post.
   *
   * @param ring its corners on the face, counter-clockwise
   */
  private record Loop(List<Point> ring) {
    LinearRing closed() {
      return Tray.closed(ring);
    }

    Polygon area() {
      return FACTORY.createPolygon(closed());
    }
  }

  /**
   * A post under a board.
   *
   * @param at where, seen from above
   * @param diameterMm of it
   * @param pilotMm of the hole for its screw
   */
  record Post(Point at, double diameterMm, double pilotMm) {
    double volumeMm3() {
      return Math.PI / 4 * (diameterMm * diameterMm - pilotMm * pilotMm) * POST_MM;
    }

    private List<Point> ring(double diameter) {
      return round(new Shape.Round(diameter), at);
    }
  }

  private final Build build;
  private final Catalogue catalogue;

  private Tray(Build build, Catalogue catalogue, BoxShape shape) {
    this.build = build;
    this.catalogue = catalogue;
    this.shape = shape;
    this.thick = shape.wallMm() / shape.cosTilt();
    this.outer = shape.ring(shape.outMm());
    this.inner = shape.ring(shape.inMm());
    this.inside = new TrayRoom(shape);
    this.room = inside.ring();
  }

  /**
   * {@return its surface; openings that leave their face, and posts that do not fit, are left out}
   */
  static Mesh of(Build build, Catalogue catalogue, BoxShape shape) {
    Tray tray = new Tray(build, catalogue, shape);
    tray.rim();
    List<Loop> floor = new ArrayList<>();
    int n = tray.outer.size();
    for (int i = 0; i < n; i++) {
      tray.wall(i);
    }
    tray.insides();
    for (Piece.Hole hole : Pieces.holes(build, catalogue, shape, Face.FLOOR)) {
      tray.fitting(floor, new Loop(ring(hole.shape(), hole.at())), tray.area(tray.room));
    }
    List<Post> posts = new ArrayList<>();
    List<Loop> feet = new ArrayList<>(floor);
    for (Post post : posts(build, catalogue)) {
      if (tray.fitting(feet, new Loop(post.ring(post.diameterMm())), tray.area(tray.room))) {
        posts.add(post);
      }
    }
    tray.floor(floor, posts);
    return tray.mesh;
  }

  /** {@return the posts of boards that stand on the floor} */
  static List<Post> posts(Build build, Catalogue catalogue) {
    List<Post> posts = new ArrayList<>();
    for (DrillPlan.Hole hole : DrillPlan.inFloor(build, catalogue)) {
      double screw =
          Screws.through(hole.shape().widthMm())
              .map(Screw::diameterMm)
              .orElse(hole.shape().widthMm());
      posts.add(
          new Post(
              hole.stored(),
              screw * POST_PER_SCREW,
              Screws.pilotMm(screw, kumite.build.panel.Material.PRINTED)));
    }
    return posts;
  }

  /** {@return a plate as a solid, its holes through it} */
  static Mesh plate(Piece piece) {
    Mesh mesh = new Mesh();
    Polygon area = piece.area();
    double t = piece.thicknessMm();
    Vec through = piece.frame().through();
    mesh.face(area, at -> piece.frame().at(at, 0), through.times(-1));
    mesh.face(area, at -> piece.frame().at(at, t), through);
    for (int r = 0; r <= area.getNumInteriorRing(); r++) {
      boolean hole = r > 0;
      LinearRing ring = hole ? area.getInteriorRingN(r - 1) : area.getExteriorRing();
      List<Point> points = points(ring);
      sides(
          mesh,
          points,
          at -> piece.frame().at(at, 0),
          at -> piece.frame().at(at, t),
          hole != Orientation.isCCW(ring.getCoordinates()));
    }
    return mesh;
  }

  private static List<Point> points(LinearRing ring) {
    List<Point> points = new ArrayList<>();
    Coordinate[] all = ring.getCoordinates();
    for (int i = 0; i < all.length - 1; i++) {
      points.add(new Point(all[i].x, all[i].y));
    }
    return points;
  }

  /**
   * The band between two copies of a ring.
   *
   * @param right whether the outside lies to the right as the ring runs, else to the left
   */
  private static void sides(
      Mesh mesh,
      List<Point> ring,
      Function<Point, Vec> one,
      Function<Point, Vec> other,
      boolean right) {
    double sign = right ? 1 : -1;
    mesh.band(
        ring.stream().map(one).toList(),
        ring.stream().map(other).toList(),
        i -> {
          Point a = ring.get(i);
          Point b = ring.get((i + 1) % ring.size());
          double dx = b.xMm() - a.xMm();
          double dy = b.yMm() - a.yMm();
          Vec out = one.apply(new Point(sign * dy, -sign * dx));
          return out.minus(one.apply(new Point(0, 0)));
        });
  }

  private boolean fitting(List<Loop> loops, Loop loop, Polygon within) {
    Polygon area = loop.area();
    boolean fits =
        within.contains(area)
            && within.getBoundary().distance(area) > 0.2
            && loops.stream().allMatch(other -> other.area().distance(area) > 0.2);
    if (fits) {
      loops.add(loop);
    }
    return fits;
  }

  private Polygon area(List<Point> ring) {
    return FACTORY.createPolygon(closed(ring));
  }

  private static LinearRing closed(List<Point> ring) {
    Coordinate[] all = new Coordinate[ring.size() + 1];
    for (int i = 0; i < ring.size(); i++) {
      all[i] = new Coordinate(ring.get(i).xMm(), ring.get(i).yMm());
    }
    all[ring.size()] = all[0].copy();
    return FACTORY.createLinearRing(all);
  }

  private static List<Point> round(Shape shape, Point at) {
    return ring(shape, Placement.at(at.xMm(), at.yMm()));
  }

  private static List<Point> ring(Shape shape, Placement at) {
    return Rounding.points(Rounding.of(shape, at), CHORD_DEGREES);
  }

  private static Polygon holed(List<Point> shell, List<Loop> holes) {
    return FACTORY.createPolygon(
        closed(shell), holes.stream().map(Loop::closed).toArray(LinearRing[]::new));
  }

  private void rim() {
    mesh.face(holed(outer, rims()), at -> new Vec(at.xMm(), at.yMm(), 0), new Vec(0, 0, -1));
    for (Loop insert : inserts()) {
      Function<Point, Vec> top = at -> new Vec(at.xMm(), at.yMm(), 0);
      Function<Point, Vec> bottom = at -> new Vec(at.xMm(), at.yMm(), INSERT_DEEP_MM);
      sides(mesh, insert.ring(), top, bottom, !Orientation.isCCW(insert.closed().getCoordinates()));
      mesh.face(insert.area(), bottom, new Vec(0, 0, -1));
    }
  }

  private List<Loop> rims() {
    List<Loop> loops = new ArrayList<>(List.of(new Loop(room)));
    loops.addAll(inserts());
    return loops;
  }

  /** Holes for threaded inserts, where the lid is screwed to a block that is printed with it. */
  private List<Loop> inserts() {
    List<Loop> loops = new ArrayList<>();
    for (Point at : LidScrews.of(shape.panel(), shape.box()).at()) {
      Loop loop = new Loop(round(new Shape.Round(INSERT_MM), at));
      boolean within =
          TrayRoom.merged(shape).stream()
              .anyMatch(
                  block ->
                      Outlines.polygonOf(TrayRoom.corners(block)).contains(loop.area())
                          && shape.depthMm(block.frontMm()) > INSERT_DEEP_MM
                          && shape.depthMm(block.frontMm() + block.heightMm()) > INSERT_DEEP_MM);
      if (within && area(room).distance(loop.area()) > 0.2) {
        loops.add(loop);
      }
    }
    return loops;
  }

  /** One wall, outside and inside, with the ways through it. */
  private void wall(int i) {
    int next = (i + 1) % outer.size();
    Point a = outer.get(i);
    Point b = outer.get(next);
    double length = a.distanceMm(b);
    Vec along = new Vec((b.xMm() - a.xMm()) / length, (b.yMm() - a.yMm()) / length, 0);
    Vec out = new Vec(along.y(), -along.x(), 0);
    List<Loop> holes = new ArrayList<>();
    Optional<Face> side = shape.sideOf(i);
    if (side.isPresent()) {
      Face face = side.get();
      for (Piece.Hole hole : Pieces.holes(build, catalogue, shape, face)) {
        Point centre = hole.at().centre();
        Point at = new Point(fromCorner(a, along, face, centre), centre.yMm());
        Loop loop = new Loop(ring(hole.shape(), hole.at().movedTo(at.xMm(), at.yMm())));
        for (Polygon strip : inside.strips(i)) {
          fitting(holes, loop, strip);
        }
      }
    }
    Function<Point, Vec> outside = at -> on(a, along, at, 0, out);
    Function<Point, Vec> inside = at -> on(a, along, at, shape.wallMm(), out);
    mesh.face(cut(side(i), holes), outside, out);
    inWall.add(holes);
    for (Loop hole : holes) {
      // In a hole the outside of the solid is toward its middle.
      boolean right = !Orientation.isCCW(hole.closed().getCoordinates());
      sides(mesh, hole.ring(), outside, inside, right);
    }
  }

  /** The inner faces: walls between blocks with the ways through them, and blocks. */
  private void insides() {
    for (int e = 0; e < room.size(); e++) {
      Point p = room.get(e);
      Point q = room.get((e + 1) % room.size());
      int wall = inside.wallOf(p, q);
      if (wall >= 0) {
        Polygon strip = inside.strip(wall, p, q);
        List<Loop> here =
            inWall.get(wall).stream().filter(hole -> strip.contains(hole.area())).toList();
        Point a = outer.get(wall);
        Point b = outer.get((wall + 1) % outer.size());
        double length = a.distanceMm(b);
        Vec along = new Vec((b.xMm() - a.xMm()) / length, (b.yMm() - a.yMm()) / length, 0);
        Vec out = new Vec(along.y(), -along.x(), 0);
        mesh.face(cut(strip, here), at -> on(a, along, at, shape.wallMm(), out), out.times(-1));
      } else {
        double length = p.distanceMm(q);
        Vec along = new Vec((q.xMm() - p.xMm()) / length, (q.yMm() - p.yMm()) / length, 0);
        Vec out = new Vec(along.y(), -along.x(), 0);
        Polygon face =
            FACTORY.createPolygon(
                closed(
                    List.of(
                        new Point(0, 0),
                        new Point(length, 0),
                        new Point(length, shape.depthMm(q.yMm())),
                        new Point(0, shape.depthMm(p.yMm())))));
        mesh.face(face, at -> on(p, along, at, 0, out), out.times(-1));
      }
    }
  }

  static double fromCorner(Point corner, Vec along, Face face, Point at) {
    double stored = at.xMm();
    return face.across()
        ? (stored - corner.xMm()) * along.x()
        : (stored - corner.yMm()) * along.y();
  }

  private static Vec on(Point corner, Vec along, Point at, double inward, Vec out) {
    Vec from = new Vec(corner.xMm(), corner.yMm(), at.yMm());
    return from.plus(along.times(at.xMm())).minus(out.times(inward));
  }

  /** A wall's outer face in its own x and z. */
  private Polygon side(int i) {
    Point a = outer.get(i);
    Point b = outer.get((i + 1) % outer.size());
    double length = a.distanceMm(b);
    return FACTORY.createPolygon(
        closed(
            List.of(
                new Point(0, 0),
                new Point(length, 0),
                new Point(length, shape.depthMm(b.yMm()) + thick),
                new Point(0, shape.depthMm(a.yMm()) + thick))));
  }

  private static Polygon cut(Polygon face, List<Loop> holes) {
    return FACTORY.createPolygon(
        face.getExteriorRing(), holes.stream().map(Loop::closed).toArray(LinearRing[]::new));
  }

  private void floor(List<Loop> openings, List<Post> posts) {
    Function<Point, Vec> top = at -> new Vec(at.xMm(), at.yMm(), shape.depthMm(at.yMm()));
    Function<Point, Vec> bottom =
        at -> new Vec(at.xMm(), at.yMm(), shape.depthMm(at.yMm()) + thick);
    Function<Point, Vec> head =
        at -> new Vec(at.xMm(), at.yMm(), shape.depthMm(at.yMm()) - POST_MM);
    Vec up = new Vec(0, 0, -1);
    List<Loop> inFloor = new ArrayList<>(openings);
    posts.forEach(post -> inFloor.add(new Loop(post.ring(post.diameterMm()))));
    mesh.face(holed(room, inFloor), top, up);
    mesh.face(holed(outer, openings), bottom, up.times(-1));
    for (Loop opening : openings) {
      sides(
          mesh, opening.ring(), top, bottom, !Orientation.isCCW(opening.closed().getCoordinates()));
    }
    for (Post post : posts) {
      Loop rim = new Loop(post.ring(post.diameterMm()));
      Loop pilot = new Loop(post.ring(post.pilotMm()));
      boolean ccw = Orientation.isCCW(rim.closed().getCoordinates());
      sides(mesh, rim.ring(), top, head, ccw);
      mesh.face(holed(rim.ring(), List.of(pilot)), head, up);
      sides(mesh, pilot.ring(), head, top, !ccw);
      mesh.face(FACTORY.createPolygon(pilot.closed()), top, up);
    }
  }
}
