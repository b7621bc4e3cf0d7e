package kumite.box;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.build.Build;
import kumite.build.box.Box;
import kumite.build.box.BoxBook;
import kumite.build.box.Cutout;
import kumite.build.box.Face;
import kumite.build.box.Making;
import kumite.build.box.Through;
import kumite.build.panel.CaseInside;
import kumite.build.panel.Opening;
import kumite.build.panel.Panel;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.measure.Point;
import kumite.measure.Shape;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.operation.buffer.BufferOp;
import org.locationtech.jts.operation.buffer.BufferParameters;
import org.testng.annotations.AfterClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Openings in the walls of a panel that is no rectangle: where a straight edge stands on the
 * outermost line of a side they go through that wall and no other, elsewhere it is said that there
 * is none. Where walls stand is found by JTS: the panel moved inward, and a line along it.
 */
public class RingOpeningsTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();
  private static final GeometryFactory FACTORY = new GeometryFactory();
  private static final double DEEP_MM = 60;
  private static final Map<String, Integer> SEEN = new ConcurrentHashMap<>();

  @DataProvider(parallel = true)
  public Object[][] seeds() {
    return IntStream.range(0, 60).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  /** A rectangle with notches out of its corners and its edges, some of them cut askew. */
  private static List<Point> outline(double width, double height, SplittableRandom random) {
    Geometry left = rectangle(0, 0, width, height);
    for (int i = 1 + random.nextInt(3); i > 0; i--) {
      double w = random.nextDouble(50, width / 3);
      double h = random.nextDouble(40, height / 3);
      double x =
          List.of(0.0, width - w, random.nextDouble(60, width - w - 60)).get(random.nextInt(3));
      double y = random.nextBoolean() ? 0 : height - h;
      Geometry notch =
          random.nextInt(4) == 0 && (x == 0 || x == width - w)
              ? corner(x == 0 ? 0 : width, y == 0 ? 0 : height, x == 0 ? w : -w, y == 0 ? h : -h)
              : rectangle(x, y, x + w, y + h);
      Geometry rest = left.difference(notch);
      boolean plain = rest instanceof Polygon p && p.getNumInteriorRing() == 0;
      left = plain && shortest(rest) > 40 ? rest : left;
    }
    List<Point> corners = new ArrayList<>();
    Coordinate[] ring = left.getCoordinates();
    for (int i = 0; i + 1 < ring.length; i++) {
      corners.add(new Point(ring[i].x, ring[i].y));
    }
    return corners;
  }

  private static double shortest(Geometry shape) {
    Coordinate[] ring = shape.getCoordinates();
    return IntStream.range(0, ring.length - 1)
        .mapToDouble(i -> ring[i].distance(ring[i + 1]))
        .min()
        .orElseThrow();
  }

  private static Polygon rectangle(double x0, double y0, double x1, double y1) {
    return FACTORY.createPolygon(
        new Coordinate[] {
          new Coordinate(x0, y0),
          new Coordinate(x1, y0),
          new Coordinate(x1, y1),
          new Coordinate(x0, y1),
          new Coordinate(x0, y0)
        });
  }

  private static Polygon corner(double x, double y, double w, double h) {
    return FACTORY.createPolygon(
        new Coordinate[] {
          new Coordinate(x, y),
          new Coordinate(x + w, y),
          new Coordinate(x, y + h),
          new Coordinate(x, y)
        });
  }

  private static Build draw(SplittableRandom random, Making making) {
    double width = random.nextDouble(260, 600);
    double height = random.nextDouble(220, 420);
    Build build = Builds.buttons();
    Panel panel =
        build
            .panel()
            .withSize(width, height)
            .withCorner(0)
            .withInside(
                new CaseInside(
                    making.thicknessMm(), DEEP_MM, DEEP_MM, List.of(), Opening.LIFTS_OFF))
            .withOutline(outline(width, height, random));
    return build.withPanel(panel).with(BoxBook.PART, new BoxBook(new Box(making)));
  }

  /** How much of a side is wall at a place along it, to either end of that wall; empty for none. */
  private static Optional<double[]> wall(Panel panel, double in, Face face, double at) {
    List<Coordinate> ring = new ArrayList<>();
    panel.corners().forEach(p -> ring.add(new Coordinate(p.xMm(), p.yMm())));
    ring.add(ring.get(0));
    Geometry whole = FACTORY.createPolygon(ring.toArray(new Coordinate[0]));
    Geometry inner =
        BufferOp.bufferOp(
            whole,
            -in,
            new BufferParameters(1, BufferParameters.CAP_FLAT, BufferParameters.JOIN_MITRE, 50));
    double off = in + 1e-6;
    double w = panel.widthMm();
    double h = panel.heightMm();
    Geometry line =
        FACTORY.createLineString(
            switch (face) {
              case FRONT -> new Coordinate[] {new Coordinate(0, off), new Coordinate(w, off)};
              case BACK ->
                  new Coordinate[] {new Coordinate(0, h - off), new Coordinate(w, h - off)};
              case LEFT -> new Coordinate[] {new Coordinate(off, 0), new Coordinate(off, h)};
              default -> new Coordinate[] {new Coordinate(w - off, 0), new Coordinate(w - off, h)};
            });
    Geometry lies = line.intersection(inner);
    for (int i = 0; i < lies.getNumGeometries(); i++) {
      Coordinate[] ends = lies.getGeometryN(i).getCoordinates();
      if (ends.length == 2) {
        double a = face.across() ? ends[0].x : ends[0].y;
        double b = face.across() ? ends[1].x : ends[1].y;
        if (Math.min(a, b) < at && at < Math.max(a, b)) {
          return Optional.of(new double[] {Math.min(a, b), Math.max(a, b)});
        }
      }
    }
    return Optional.empty();
  }

  private static Vec inside(Panel panel, double wall, Face face, double at, double down) {
    return switch (face) {
      case FRONT -> new Vec(at, wall / 2, down);
      case BACK -> new Vec(at, panel.heightMm() - wall / 2, down);
      case LEFT -> new Vec(wall / 2, at, down);
      default -> new Vec(panel.widthMm() - wall / 2, at, down);
    };
  }

  private static long solidAt(BoxPlan plan, Vec place) {
    return plan.pieces().stream()
        .filter(p -> p.part() == Piece.Part.WALL && p.face().isEmpty())
        .filter(
            piece -> {
              Vec seen = piece.frame().seen(place);
              return seen.z() > 0
                  && seen.z() < piece.thicknessMm()
                  && piece.area().contains(FACTORY.createPoint(new Coordinate(seen.x(), seen.y())));
            })
        .count();
  }

  @Test(dataProvider = "seeds")
  public void anOpeningGoesThroughTheWallThatStandsThere(int seed) {
    SplittableRandom random = new SplittableRandom(8100 + seed);
    double t = random.nextDouble(3, 8);
    Making making =
        List.<Making>of(
                new Making.Boards(t, 3),
                new Making.Laser(t, 0.15, 0),
                new Making.Printed(t, 900, 900, 900))
            .get(random.nextInt(3));
    Build plain = draw(random, making);
    Face face = List.of(Face.FRONT, Face.BACK, Face.LEFT, Face.RIGHT).get(random.nextInt(4));
    double most = face.across() ? plain.panel().widthMm() : plain.panel().heightMm();
    double at = random.nextDouble(10, most - 10);
    double wide = random.nextDouble(4, 14);
    Shape hole = new Shape.Rect(wide, random.nextDouble(4, 12), 0);
    Cutout opening =
        new Cutout("vent", face, new Point(at, DEEP_MM / 2), Through.VENT, Optional.of(hole));
    Build build = plain.with(BoxBook.PART, new BoxBook(new Box(making).with(opening)));
    Panel panel = build.panel();
    BoxPlan plan = BoxPlan.of(build, CATALOGUE);
    Bench bench = Bench.of(build, CATALOGUE);
    List<String> codes = bench.findings().stream().map(f -> f.code().text()).toList();
    Optional<double[]> wall = wall(panel, t, face, at);
    assertThat(codes.contains("CS-20")).as("%s at %.1f", face, at).isEqualTo(wall.isEmpty());
    if (wall.isEmpty()) {
      Optional<Fix> fix =
          bench.findings().stream()
              .filter(f -> f.code().text().equals("CS-20"))
              .findFirst()
              .flatMap(Finding::fix);
      fix.ifPresent(
          f ->
              assertThat(Bench.of(f.edit().apply(build), CATALOGUE).findings())
                  .noneMatch(left -> left.code().text().equals("CS-20")));
      SEEN.merge(fix.isPresent() ? "moved" : "none", 1, Integer::sum);
      return;
    }
    double left = Math.min(at - wide / 2 - wall.get()[0], wall.get()[1] - at - wide / 2);
    assertThat(codes.contains("CS-06")).as("%.2f left", left).isEqualTo(left < 2);
    if (left < 2) {
      SEEN.merge("near", 1, Integer::sum);
      return;
    }
    SEEN.merge(making.getClass().getSimpleName(), 1, Integer::sum);
    if (making instanceof Making.Printed) {
      Mesh with = plan.solid(plan.piece("tray").orElseThrow(), CATALOGUE);
      BoxPlan closed = BoxPlan.of(plain, CATALOGUE);
      Mesh without = closed.solid(closed.piece("tray").orElseThrow(), CATALOGUE);
      double gone = hole.widthMm() * hole.heightMm() * t;
      assertThat(without.volumeMm3() - with.volumeMm3()).isCloseTo(gone, within(1e-3 * gone));
    } else {
      assertThat(solidAt(plan, inside(panel, t, face, at, DEEP_MM / 2))).isZero();
      double beside = at + (at < most / 2 ? 1 : -1) * (wide / 2 + 0.5);
      assertThat(solidAt(plan, inside(panel, t, face, beside, DEEP_MM / 2))).isEqualTo(1);
      long holes =
          plan.pieces().stream()
              .mapToLong(p -> p.part() == Piece.Part.WALL ? p.holes().size() : 0)
              .sum();
      assertThat(holes).isEqualTo(1);
    }
  }

  @AfterClass
  public void allCasesCame() {
    assertThat(new TreeMap<>(SEEN)).containsKeys("moved", "Boards", "Laser", "Printed");
  }
}
