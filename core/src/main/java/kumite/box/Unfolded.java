package kumite.box;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.box.Face;
import kumite.build.panel.Panel;
import kumite.measure.Point;
import org.locationtech.jts.geom.Envelope;

/**
 * The faces of a case laid flat round its panel, seen from outside: walls folded up beside the edge
 * that they stand under, the floor beyond the front. Places are in mm, right and down.
 *
 * @param shape the case
 */
public record Unfolded(BoxShape shape) {
  /** Between two faces, so that they are told apart. */
  private static final double APART_MM = 12;

  private double deepest() {
    Panel panel = shape.panel();
    return Math.max(panel.inside().depthMm(), panel.inside().frontDepthMm()) + shape.wallMm();
  }

  private double backTall() {
    return shape.panel().inside().depthMm() + shape.wallMm();
  }

  private double frontTall() {
    return shape.panel().inside().frontDepthMm() + shape.wallMm();
  }

  /** {@return left to right, in mm} */
  public double widthMm() {
    return shape.panel().widthMm() + 2 * (deepest() + APART_MM);
  }

  /** {@return top to bottom, in mm} */
  public double heightMm() {
    return backTall()
        + shape.panel().heightMm()
        + frontTall()
        + shape.alongFloorMm(shape.panel().heightMm())
        + 3 * APART_MM;
  }

  private double left() {
    return deepest() + APART_MM;
  }

  /** Where the panel's front edge lies. */
  private double front() {
    return backTall() + APART_MM + shape.panel().heightMm();
  }

  private double floor() {
    return front() + APART_MM + frontTall() + APART_MM;
  }

  /** {@return where a place of the panel lies} */
  public Point panel(Point at) {
    return new Point(left() + at.xMm(), front() - at.yMm());
  }

  /** {@return where a place of a face lies} */
  public Point at(Face face, Point at) {
    return switch (face) {
      case FRONT -> new Point(left() + at.xMm(), front() + APART_MM + at.yMm());
      case BACK -> new Point(left() + at.xMm(), backTall() - at.yMm());
      case LEFT -> new Point(left() - APART_MM - at.yMm(), front() - at.xMm());
      case RIGHT ->
          new Point(left() + shape.panel().widthMm() + APART_MM + at.yMm(), front() - at.xMm());
      case FLOOR -> new Point(left() + at.xMm(), floor() + shape.alongFloorMm(at.yMm()));
    };
  }

  /** {@return which place of a face lies there} */
  public Point on(Face face, Point there) {
    return switch (face) {
      case FRONT -> new Point(there.xMm() - left(), there.yMm() - front() - APART_MM);
      case BACK -> new Point(there.xMm() - left(), backTall() - there.yMm());
      case LEFT -> new Point(front() - there.yMm(), left() - APART_MM - there.xMm());
      case RIGHT ->
          new Point(
              front() - there.yMm(), there.xMm() - left() - shape.panel().widthMm() - APART_MM);
      case FLOOR -> new Point(there.xMm() - left(), (there.yMm() - floor()) * shape.cosTilt());
    };
  }

  /** {@return a face's own outline, as places on it} */
  public List<Point> outline(Face face) {
    Panel panel = shape.panel();
    double out = shape.outMm();
    double right = panel.widthMm() - out;
    double back = panel.heightMm() - out;
    double wall = shape.wallMm();
    return switch (face) {
      case FRONT -> BoardPieces.rectangle(out, 0, right, shape.depthMm(out) + wall);
      case BACK -> BoardPieces.rectangle(out, 0, right, shape.depthMm(back) + wall);
      case LEFT, RIGHT ->
          List.of(
              new Point(out, 0),
              new Point(back, 0),
              new Point(back, shape.depthMm(back) + wall),
              new Point(out, shape.depthMm(out) + wall));
      case FLOOR -> shape.ring(out);
    };
  }

  /**
   * Where a face is parted.
   *
   * @param from one end, as the face is measured
   * @param to the other
   */
  public record Seam(Point from, Point to) {}

  /** {@return where a face is parted; nowhere where the case is not printed} */
  public List<Seam> seams(Face face) {
    List<Seam> seams = new ArrayList<>();
    double out = shape.outMm();
    double right = shape.panel().widthMm() - out;
    double back = shape.panel().heightMm() - out;
    for (Parting.Seam seam : Parting.seams(shape)) {
      boolean x = seam.across() == MeshCut.Across.X;
      double at = seam.at();
      if (at <= out || at >= (x ? right : back)) {
        continue;
      }
      if (face == Face.FLOOR) {
        seams.add(
            x
                ? new Seam(new Point(at, out), new Point(at, back))
                : new Seam(new Point(out, at), new Point(right, at)));
      } else if (face.across() == x) {
        double y = x ? face == Face.FRONT ? out : back : at;
        seams.add(new Seam(new Point(at, 0), new Point(at, shape.depthMm(y) + shape.wallMm())));
      }
    }
    return seams;
  }

  /** {@return whether a seam runs through a place on the floor} */
  public boolean onSeam(List<Point> corners) {
    Envelope around = Outlines.polygonOf(corners).getEnvelopeInternal();
    return shape.box().making() instanceof kumite.build.box.Making.Printed printed
        && printed.seamed(
            around.getMinX(), around.getMinY(), around.getWidth(), around.getHeight());
  }

  /** {@return the outline of the piece that is that face, where there is one} */
  public Optional<List<Point>> piece(BoxPlan plan, Face face) {
    return plan.pieces().stream()
        .filter(p -> p.face().filter(f -> f == face).isPresent())
        .findFirst()
        .map(
            p ->
                face == Face.FLOOR
                    ? p.outline().stream()
                        .map(q -> new Point(q.xMm(), q.yMm() * shape.cosTilt()))
                        .toList()
                    : p.outline());
  }

  /** {@return the face that lies there, if one does} */
  public Optional<Face> face(Point there) {
    for (Face face : Face.values()) {
      for (List<Point> ring : ringed(face) ? shape.strips(face) : List.of(outline(face))) {
        List<Point> laid = ring.stream().map(p -> at(face, p)).toList();
        if (laid.size() > 2
            && Outlines.polygonOf(laid)
                .contains(
                    new org.locationtech.jts.geom.GeometryFactory()
                        .createPoint(
                            new org.locationtech.jts.geom.Coordinate(there.xMm(), there.yMm())))) {
          return Optional.of(face);
        }
      }
    }
    return Optional.empty();
  }

  /** Of a panel that is no rectangle a side has as many walls as it has straight edges there. */
  private boolean ringed(Face face) {
    return face.wall() && !shape.panel().rectangular();
  }

  /** {@return the outlines of what is to be seen of a face, as places on it} */
  public List<List<Point>> outlines(BoxPlan plan, Face face) {
    return ringed(face) ? shape.strips(face) : List.of(piece(plan, face).orElse(outline(face)));
  }
}
