package kumite.box;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import kumite.measure.Point;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.triangulate.polygon.PolygonTriangulator;

/** The surface of a solid as triangles, each turned so that its outside is outside. */
public final class Mesh {
  /**
   * A triangle, counter-clockwise when seen from outside, z up.
   *
   * @param a one corner
   * @param b the next
   * @param c the last
   */
  public record Triangle(Vec a, Vec b, Vec c) {
    Vec normal() {
      return b.minus(a).cross(c.minus(a));
    }
  }

  private final List<Triangle> triangles = new ArrayList<>();

  /** {@return the triangles} */
  public List<Triangle> triangles() {
    return List.copyOf(triangles);
  }

  /**
   * Adds a flat face.
   *
   * @param area in the face's own x and y; its corners are the only ones used
   * @param place where a point of it lies, with z down as in the case
   * @param outward a way that leaves the solid there, with z down
   */
  void face(Polygon area, Function<Point, Vec> place, Vec outward) {
    Geometry parts = PolygonTriangulator.triangulate(area);
    for (int i = 0; i < parts.getNumGeometries(); i++) {
      Coordinate[] c = parts.getGeometryN(i).getCoordinates();
      add(at(c[0], place), at(c[1], place), at(c[2], place), up(outward));
    }
  }

  private static Vec at(Coordinate c, Function<Point, Vec> place) {
    return up(place.apply(new Point(c.x, c.y)));
  }

  /** Printers look from above: z is turned up, so that left and right stay. */
  private static Vec up(Vec down) {
    return new Vec(down.x(), down.y(), -down.z());
  }

  /**
   * Adds a band between two rings of as many corners.
   *
   * @param outward from the middle of the band's i-th piece, a way that leaves the solid there
   */
  void band(List<Vec> one, List<Vec> other, Function<Integer, Vec> outward) {
    int n = one.size();
    for (int i = 0; i < n; i++) {
      int next = (i + 1) % n;
      Vec out = up(outward.apply(i));
      add(up(one.get(i)), up(one.get(next)), up(other.get(next)), out);
      add(up(one.get(i)), up(other.get(next)), up(other.get(i)), out);
    }
  }

  /** Adds a triangle that is turned as it has to be, z up. */
  void add(Triangle triangle) {
    triangles.add(triangle);
  }

  private void add(Vec a, Vec b, Vec c, Vec outward) {
    Triangle one = new Triangle(a, b, c);
    triangles.add(one.normal().dot(outward) >= 0 ? one : new Triangle(a, c, b));
  }

  /**
   * {@return the volume inside, in mm3, by the divergence theorem; above 0 for a closed surface}
   */
  public double volumeMm3() {
    double sum = 0;
    for (Triangle t : triangles) {
      sum += t.a().dot(t.b().cross(t.c()));
    }
    return sum / 6;
  }

  /** {@return whether each edge is passed as often one way as the other, so that nothing gapes} */
  boolean closed() {
    Map<List<Vec>, Integer> open = new HashMap<>();
    for (Triangle t : triangles) {
      pass(open, t.a(), t.b());
      pass(open, t.b(), t.c());
      pass(open, t.c(), t.a());
    }
    return open.values().stream().allMatch(times -> times == 0);
  }

  private static void pass(Map<List<Vec>, Integer> open, Vec from, Vec to) {
    Vec a = plain(from);
    Vec b = plain(to);
    int way =
        Comparator.comparingDouble(Vec::x)
            .thenComparingDouble(Vec::y)
            .thenComparingDouble(Vec::z)
            .compare(a, b);
    if (way != 0) {
      open.merge(way < 0 ? List.of(a, b) : List.of(b, a), way, Integer::sum);
    }
  }

  /** The same place whichever face it was worked out from. */
  private static Vec plain(Vec at) {
    return new Vec(plain(at.x()), plain(at.y()), plain(at.z()));
  }

  private static double plain(double mm) {
    return Math.round(mm * 1e5);
  }

  /** {@return the surface as a binary STL document, in mm} */
  public byte[] stl(String name) {
    ByteBuffer out = ByteBuffer.allocate(84 + 50 * triangles.size()).order(ByteOrder.LITTLE_ENDIAN);
    byte[] title = ("Kumite, millimetres: " + name).getBytes(StandardCharsets.US_ASCII);
    out.put(title, 0, Math.min(80, title.length));
    out.position(80);
    out.putInt(triangles.size());
    for (Triangle t : triangles) {
      Vec n = t.normal();
      double length = n.length() == 0 ? 1 : n.length();
      put(out, n.times(1 / length));
      put(out, t.a());
      put(out, t.b());
      put(out, t.c());
      out.putShort((short) 0);
    }
    return out.array();
  }

  private static void put(ByteBuffer out, Vec at) {
    out.putFloat((float) at.x()).putFloat((float) at.y()).putFloat((float) at.z());
  }
}
