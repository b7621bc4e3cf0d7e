package kumite.box;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LineSegment;
import org.locationtech.jts.geom.Point;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.operation.polygonize.Polygonizer;
import org.locationtech.jts.triangulate.polygon.PolygonTriangulator;

/**
 * A closed surface cut by an upright plane, and closed again there.
 *
 * <p>Where two triangles share an edge both find the same point on it, so that nothing gapes.
 */
final class MeshCut {
  /** A corner so near to the plane would lie on it: the plane moves aside by as much. */
  private static final double ASIDE_MM = 1e-4;

  private static final double GRID_MM = 1e-6;

  private static final int MOST_ATTEMPTS = 8;

  private static final GeometryFactory FACTORY = new GeometryFactory();

  /** Which way the plane stands. */
  enum Across {
    /** It parts left from right. */
    X,
    /** It parts front from back. */
    Y;

    double of(Vec at) {
      return this == X ? at.x() : at.y();
    }

    private double beside(Vec at) {
      return this == X ? at.y() : at.x();
    }

    private Vec at(double along, double beside, double z) {
      return this == X ? new Vec(along, beside, z) : new Vec(beside, along, z);
    }
  }

  private final Across across;
  private final double at;
  private final Set<LineSegment> seam = new LinkedHashSet<>();
  private final List<Mesh.Triangle> kept = new ArrayList<>();

  private MeshCut(Across across, double at) {
    this.across = across;
    this.at = at;
  }

  /**
   * {@return what lies on one side of a plane, closed}
   *
   * @param at where the plane stands, in mm
   * @param below whether what lies at lesser values is kept, else what lies beyond
   */
  static Mesh of(Mesh mesh, Across across, double at, boolean below) {
    Mesh made = new Mesh();
    for (int attempt = 0; attempt < MOST_ATTEMPTS; attempt++) {
      double free = at + attempt * 100 * ASIDE_MM;
      while (touches(mesh, across, free)) {
        free += 3 * ASIDE_MM;
      }
      made = new MeshCut(across, free).cut(mesh, below ? 1 : -1);
      if (made.closed()) {
        return made;
      }
      // A crumb of rounding lay on the plane: a hundredth of a millimetre aside there is none.
    }
    return made;
  }

  private Mesh cut(Mesh mesh, double sign) {
    ToDoubleFunction<Vec> inside = v -> sign * (at - across.of(v));
    mesh.triangles().forEach(triangle -> clip(triangle, inside));
    Mesh made = new Mesh();
    kept.forEach(made::add);
    caps().forEach(cap -> cap(cap, made, sign));
    return made;
  }

  private static boolean touches(Mesh mesh, Across across, double at) {
    return mesh.triangles().stream()
        .anyMatch(
            t ->
                Math.abs(across.of(t.a()) - at) < ASIDE_MM
                    || Math.abs(across.of(t.b()) - at) < ASIDE_MM
                    || Math.abs(across.of(t.c()) - at) < ASIDE_MM);
  }

  private void clip(Mesh.Triangle triangle, ToDoubleFunction<Vec> inside) {
    List<Vec> corners = List.of(triangle.a(), triangle.b(), triangle.c());
    List<Vec> left = new ArrayList<>();
    List<Vec> crossed = new ArrayList<>();
    for (int i = 0; i < 3; i++) {
      Vec here = corners.get(i);
      Vec next = corners.get((i + 1) % 3);
      boolean in = inside.applyAsDouble(here) > 0;
      if (in) {
        left.add(here);
      }
      if (in != inside.applyAsDouble(next) > 0) {
        Vec met = met(here, next);
        left.add(met);
        crossed.add(met);
      }
    }
    for (int i = 2; i < left.size(); i++) {
      kept.add(new Mesh.Triangle(left.get(0), left.get(i - 1), left.get(i)));
    }
    if (crossed.size() == 2) {
      Coordinate a = flat(crossed.get(0));
      Coordinate b = flat(crossed.get(1));
      // A thin triangle goes there and back: what is passed twice bounds nothing.
      LineSegment piece = new LineSegment(a, b);
      piece.normalize();
      if (!a.equals2D(b) && !seam.remove(piece)) {
        seam.add(piece);
      }
    }
  }

  /** The same whichever end is named first. */
  private Vec met(Vec one, Vec other) {
    boolean turned = across.of(one) > across.of(other);
    Vec a = turned ? other : one;
    Vec b = turned ? one : other;
    double t = (at - across.of(a)) / (across.of(b) - across.of(a));
    Vec on = a.plus(b.minus(a).times(t));
    return across.at(at, snapped(across.beside(on)), snapped(on.z()));
  }

  /** What rounding parts by less than that is one place. */
  private static double snapped(double mm) {
    return Math.round(mm / GRID_MM) * GRID_MM;
  }

  private Coordinate flat(Vec on) {
    return new Coordinate(across.beside(on), on.z());
  }

  /** The faces of the plane that lie in the solid. */
  private List<Polygon> caps() {
    Polygonizer polygons = new Polygonizer();
    seam.forEach(piece -> polygons.add(piece.toGeometry(FACTORY)));
    List<Polygon> caps = new ArrayList<>();
    for (Object any : polygons.getPolygons()) {
      Polygon polygon = (Polygon) any;
      if (within(polygon.getInteriorPoint())) {
        caps.add(polygon);
      }
    }
    return caps;
  }

  /** A way out of the solid crosses its surface an odd number of times. */
  private boolean within(Point place) {
    boolean within = false;
    for (LineSegment piece : seam) {
      Coordinate a = piece.p0;
      Coordinate b = piece.p1;
      if (a.y > place.getY() != b.y > place.getY()) {
        double x = a.x + (place.getY() - a.y) / (b.y - a.y) * (b.x - a.x);
        within ^= x > place.getX();
      }
    }
    return within;
  }

  /** All its triangles run the same way round; the largest says which, as thin ones cannot. */
  private void cap(Polygon cap, Mesh made, double outward) {
    var parts = PolygonTriangulator.triangulate(cap);
    List<Mesh.Triangle> triangles = new ArrayList<>();
    double largest = 0;
    for (int i = 0; i < parts.getNumGeometries(); i++) {
      Coordinate[] c = parts.getGeometryN(i).getCoordinates();
      Mesh.Triangle one =
          new Mesh.Triangle(
              across.at(at, c[0].x, c[0].y),
              across.at(at, c[1].x, c[1].y),
              across.at(at, c[2].x, c[2].y));
      triangles.add(one);
      double area = across.of(one.normal());
      largest = Math.abs(area) > Math.abs(largest) ? area : largest;
    }
    boolean right = largest * outward > 0;
    triangles.forEach(t -> made.add(right ? t : new Mesh.Triangle(t.a(), t.c(), t.b())));
  }
}
