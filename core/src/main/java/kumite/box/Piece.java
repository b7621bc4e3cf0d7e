package kumite.box;

import java.util.List;
import java.util.Optional;
import kumite.build.box.Face;
import kumite.build.panel.Material;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.measure.Shape;
import kumite.panel.Rounding;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LinearRing;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.prep.PreparedGeometry;
import org.locationtech.jts.geom.prep.PreparedGeometryFactory;
import org.locationtech.jts.operation.overlayng.OverlayNG;
import org.locationtech.jts.operation.overlayng.OverlayNGRobust;
import org.locationtech.jts.operation.union.UnaryUnionOp;

/**
 * One piece of the case as it is cut.
 *
 * @param id such as {@code back}; no two pieces of a case have the same
 * @param part what sort of piece
 * @param face the side of the case that it is, where it is one
 * @param frame how it lies in the case
 * @param outline its corners in order, in its own x and y, before the kerf
 * @param holes through it
 * @param thicknessMm of it
 * @param material what it is made of
 * @param bevels edges that are not cut square
 */
public record Piece(
    String id,
    Part part,
    Optional<Face> face,
    Frame frame,
    List<Point> outline,
    List<Hole> holes,
    double thicknessMm,
    Material material,
    List<Bevel> bevels) {
  private static final GeometryFactory FACTORY = new GeometryFactory();

  /** Corners of a round hole where it is drawn as a polygon, as a tenth of a turn at most. */
  private static final double CHORD_DEGREES = 6;

  /** What sort of piece. */
  public enum Part {
    /** The panel itself. */
    PANEL,
    /** A wall or the floor. */
    WALL,
    /** A batten or corner block. */
    BLOCK,
    /** Walls and floor in one, from a printer. */
    TRAY
  }

  /**
   * A hole.
   *
   * @param words what for
   * @param shape its shape
   * @param at where, in the piece's own x and y
   */
  public record Hole(String words, Shape shape, Placement at) {
    /** {@return its outline as a polygon's corners, counter-clockwise} */
    public List<Point> ring() {
      return Rounding.points(Rounding.of(shape, at), CHORD_DEGREES);
    }
  }

  /**
   * An edge that is sawn at an angle.
   *
   * @param edge which, in words
   * @param degrees off square
   * @param longer which face stays the longer one, in words
   */
  public record Bevel(String edge, double degrees, String longer) {}

  public Piece {
    outline = List.copyOf(outline);
    holes = List.copyOf(holes);
    bevels = List.copyOf(bevels);
  }

  /** {@return its size along its own x, in mm} */
  public double widthMm() {
    return envelope().getWidth();
  }

  /** {@return its size along its own y, in mm} */
  public double heightMm() {
    return envelope().getHeight();
  }

  /** {@return the least x of its outline, in mm} */
  public double leftMm() {
    return envelope().getMinX();
  }

  /** {@return the least y of its outline, in mm} */
  public double topMm() {
    return envelope().getMinY();
  }

  /** {@return its outline moved outward by so much, for a beam that takes that away again} */
  public List<Point> grown(double mm) {
    return Outlines.grown(outline, mm);
  }

  Envelope envelope() {
    Envelope box = new Envelope();
    outline.forEach(p -> box.expandToInclude(p.xMm(), p.yMm()));
    return box;
  }

  /** {@return the same with other holes} */
  Piece with(List<Hole> others) {
    return new Piece(id, part, face, frame, outline, others, thicknessMm, material, bevels);
  }

  /**
   * {@return its face with its holes; holes that leave it are cut off at its edge, those that run
   * into each other are one; where they part it, the largest part}
   */
  public Polygon area() {
    Polygon whole = FACTORY.createPolygon(ring(outline));
    List<LinearRing> rings = holes.stream().map(hole -> ring(hole.ring())).toList();
    PreparedGeometry around = PreparedGeometryFactory.prepare(whole);
    if (rings.stream().allMatch(around::contains) && apart(rings)) {
      return FACTORY.createPolygon(ring(outline), rings.toArray(new LinearRing[0]));
    }
    Geometry cut = UnaryUnionOp.union(rings.stream().map(FACTORY::createPolygon).toList());
    Geometry left = OverlayNGRobust.overlay(whole, cut, OverlayNG.DIFFERENCE);
    Polygon largest = whole;
    for (int i = 0; i < left.getNumGeometries(); i++) {
      if (left.getGeometryN(i) instanceof Polygon part
          && (largest == whole || part.getArea() > largest.getArea())) {
        largest = part;
      }
    }
    return largest;
  }

  private static boolean apart(List<LinearRing> rings) {
    for (int i = 0; i < rings.size(); i++) {
      Envelope around = rings.get(i).getEnvelopeInternal();
      for (LinearRing other : rings.subList(0, i)) {
        if (around.intersects(other.getEnvelopeInternal())
            && FACTORY.createPolygon(rings.get(i)).intersects(FACTORY.createPolygon(other))) {
          return false;
        }
      }
    }
    return true;
  }

  private static LinearRing ring(List<Point> points) {
    Coordinate[] closed = new Coordinate[points.size() + 1];
    for (int i = 0; i < points.size(); i++) {
      closed[i] = new Coordinate(points.get(i).xMm(), points.get(i).yMm());
    }
    closed[points.size()] = closed[0].copy();
    return FACTORY.createLinearRing(closed);
  }
}
