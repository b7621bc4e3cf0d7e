package kumite.box;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.build.Build;
import kumite.build.box.Box;
import kumite.build.box.BoxBook;
import kumite.build.box.Cutout;
import kumite.build.box.Face;
import kumite.build.box.Making;
import kumite.build.box.StockSheet;
import kumite.build.box.Through;
import kumite.build.panel.Block;
import kumite.build.panel.CaseInside;
import kumite.build.panel.Datum;
import kumite.build.panel.Material;
import kumite.build.panel.Opening;
import kumite.build.panel.Panel;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.measure.Shape;
import kumite.parts.Catalogue;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.prep.PreparedGeometry;
import org.locationtech.jts.geom.prep.PreparedGeometryFactory;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Cases drawn by chance: their pieces fill their walls, their solids are closed, their sheets hold.
 */
public class BoxLawTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();
  private static final GeometryFactory FACTORY = new GeometryFactory();

  @DataProvider
  Object[][] seeds() {
    return IntStream.range(0, 60).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  private static Build draw(SplittableRandom random, Making making, boolean level) {
    double width = random.nextDouble(80, 700);
    double height = random.nextDouble(80, 500);
    double back = random.nextDouble(20, 160);
    double front = level ? back : Math.max(10, back + random.nextDouble(-0.5, 0.5) * height);
    double overhang = random.nextBoolean() ? 0 : random.nextDouble(0, 8);
    double wall = making.thicknessMm() + overhang + random.nextDouble(0, 12);
    Panel panel =
        new Panel(
            width,
            height,
            0,
            3,
            Material.ACRYLIC,
            new CaseInside(wall, back, front, List.of(), Opening.LIFTS_OFF),
            Datum.FRONT_LEFT);
    Box box = new Box(making).withOverhang(overhang);
    return Builds.buttons().withPanel(panel).with(BoxBook.PART, new BoxBook(box));
  }

  private static BoxPlan plan(Build build) {
    return BoxPlan.of(build, CATALOGUE);
  }

  private static boolean in(Piece piece, PreparedGeometry area, Vec place) {
    Vec seen = piece.frame().seen(place);
    return seen.z() > 0
        && seen.z() < piece.thicknessMm()
        && area.contains(FACTORY.createPoint(new Coordinate(seen.x(), seen.y())));
  }

  private static List<Piece> walls(BoxPlan plan) {
    return plan.pieces().stream().filter(p -> p.part() == Piece.Part.WALL).toList();
  }

  /** No place belongs to two pieces, however the floor slopes. */
  @Test(dataProvider = "seeds")
  public void noTwoPiecesTakeOnePlace(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    double t = random.nextDouble(1.5, 9);
    BoxPlan plan = plan(draw(random, new Making.Laser(t, 0.15, 0), seed % 3 == 0));
    List<Piece> walls = walls(plan);
    List<PreparedGeometry> areas =
        walls.stream().map(p -> PreparedGeometryFactory.prepare(p.area())).toList();
    Panel panel = plan.shape().panel();
    double deep = Math.max(panel.inside().depthMm(), panel.inside().frontDepthMm()) + 2 * t;
    for (int i = 0; i < 1500; i++) {
      Vec place = nearWall(random, panel, plan.shape(), deep);
      long count =
          IntStream.range(0, walls.size())
              .filter(k -> in(walls.get(k), areas.get(k), place))
              .count();
      assertThat(count).as("%s", place).isLessThan(2);
    }
  }

  private static Vec nearWall(SplittableRandom random, Panel panel, BoxShape shape, double deep) {
    double x = random.nextDouble(panel.widthMm());
    double y = random.nextDouble(panel.heightMm());
    double rim = shape.outMm() + random.nextDouble(0, 1.2 * shape.wallMm());
    switch (random.nextInt(5)) {
      case 0 -> x = rim;
      case 1 -> x = panel.widthMm() - rim;
      case 2 -> y = rim;
      case 3 -> y = panel.heightMm() - rim;
      default -> {}
    }
    return new Vec(x, y, random.nextDouble(0, deep));
  }

  /** Where the floor is level, the fingers of both sides fill walls and floor with nothing left. */
  @Test(dataProvider = "seeds")
  public void levelFingersFillTheirEdges(int seed) {
    SplittableRandom random = new SplittableRandom(1000 + seed);
    double t = random.nextDouble(1.5, 9);
    BoxPlan plan = plan(draw(random, new Making.Laser(t, 0.15, 0), true));
    BoxShape shape = plan.shape();
    Panel panel = shape.panel();
    double out = shape.outMm();
    double depth = panel.inside().depthMm();
    double volume = 0;
    for (Piece piece : walls(plan)) {
      volume += piece.area().getArea() * piece.thicknessMm();
    }
    double w = panel.widthMm() - 2 * out;
    double h = panel.heightMm() - 2 * out;
    double shell = w * h * (depth + t) - (w - 2 * t) * (h - 2 * t) * depth;
    assertThat(volume).isCloseTo(shell, within(1e-6 * shell));
  }

  /** A slope leaves no more open than the wedge of a square cut: t tan a along each floor edge. */
  @Test(dataProvider = "seeds")
  public void aSlopeLeavesOnlyItsWedge(int seed) {
    SplittableRandom random = new SplittableRandom(2000 + seed);
    double t = random.nextDouble(1.5, 6);
    BoxPlan plan = plan(draw(random, new Making.Laser(t, 0.15, 0), false));
    BoxShape shape = plan.shape();
    Panel panel = shape.panel();
    double tan = Math.abs(shape.slope());
    List<Piece> walls = walls(plan);
    List<PreparedGeometry> areas =
        walls.stream().map(p -> PreparedGeometryFactory.prepare(p.area())).toList();
    for (int i = 0; i < 1000; i++) {
      // In the middle of a wall or of the floor, well away from the edge between both.
      double x = random.nextDouble(shape.inMm() + t, panel.widthMm() - shape.inMm() - t);
      double y = random.nextDouble(shape.inMm() + t, panel.heightMm() - shape.inMm() - t);
      double away = t * (1 + tan) * 2;
      boolean floor = random.nextBoolean();
      double front = shape.depthMm(shape.outMm());
      Vec place =
          floor
              ? new Vec(x, y, shape.depthMm(y) + t / shape.cosTilt() / 2)
              : new Vec(x, shape.outMm() + t / 2, random.nextDouble() * (front - away));
      if (!floor && place.z() <= 0) {
        continue;
      }
      boolean edge =
          floor && (y < shape.inMm() + away || y > panel.heightMm() - shape.inMm() - away);
      if (!edge) {
        long count =
            IntStream.range(0, walls.size())
                .filter(k -> in(walls.get(k), areas.get(k), place))
                .count();
        assertThat(count).as("%s", place).isEqualTo(1);
      }
    }
  }

  /** Cut by the beam, each tab is as much wider than its slot as was asked for. */
  @Test(dataProvider = "seeds")
  public void theKerfIsGivenBack(int seed) {
    SplittableRandom random = new SplittableRandom(3000 + seed);
    double kerf = random.nextDouble(0, 0.4);
    double tight = random.nextDouble(-0.1, 0.2);
    BoxPlan plan = plan(draw(random, new Making.Laser(3, kerf, tight), true));
    double grow = kerf / 2 + tight / 4; // as the drawing has it
    Piece front = plan.piece("front").orElseThrow();
    Piece floor = plan.piece("floor").orElseThrow();
    double deep = plan.shape().panel().inside().depthMm();
    List<double[]> tabs = along(front.grown(grow), deep + 1.5);
    List<double[]> between = along(floor.grown(grow), plan.shape().outMm() + 1.5);
    // The first and last of the front reach round the corner; those between go into the floor.
    for (int i = 1; i + 1 < tabs.size(); i++) {
      double tab = tabs.get(i)[1] - tabs.get(i)[0] - kerf;
      double slot = between.get(i)[0] - between.get(i - 1)[1] + kerf;
      assertThat(tab - slot).isCloseTo(tight, within(1e-6));
    }
    assertThat(tabs.size()).isGreaterThanOrEqualTo(3);
    assertThat(between).hasSize(tabs.size() - 1);
  }

  /** Where a level line lies in an outline: from and to. */
  private static List<double[]> along(List<Point> ring, double y) {
    var line =
        FACTORY.createLineString(
            new Coordinate[] {new Coordinate(-100, y), new Coordinate(2000, y)});
    var cut = Outlines.polygonOf(ring).intersection(line);
    List<double[]> parts = new ArrayList<>();
    for (int i = 0; i < cut.getNumGeometries(); i++) {
      Envelope around = cut.getGeometryN(i).getEnvelopeInternal();
      parts.add(new double[] {around.getMinX(), around.getMaxX()});
    }
    parts.sort((a, b) -> Double.compare(a[0], b[0]));
    return parts;
  }

  /** Boards are sawn so that nothing stands over: lengths and bevels by trigonometry. */
  @Test(dataProvider = "seeds")
  public void boardsMeet(int seed) {
    SplittableRandom random = new SplittableRandom(4000 + seed);
    double t = random.nextDouble(6, 18);
    BoxPlan plan = plan(draw(random, new Making.Boards(t, 3), seed % 2 == 0));
    BoxShape shape = plan.shape();
    Panel panel = shape.panel();
    double rise = panel.inside().depthMm() - panel.inside().frontDepthMm();
    double tilt = Math.toDegrees(Math.atan2(Math.abs(rise), panel.heightMm()));
    Piece floor = plan.piece("floor").orElseThrow();
    Piece left = plan.piece("left").orElseThrow();
    Piece front = plan.piece("front").orElseThrow();
    double h = panel.heightMm() - 2 * shape.outMm();
    double cos = Math.cos(Math.toRadians(tilt));
    assertThat(floor.heightMm())
        .isCloseTo(h / cos + t * Math.tan(Math.toRadians(tilt)), within(1e-6));
    assertThat(floor.widthMm()).isCloseTo(panel.widthMm() - 2 * shape.outMm(), within(1e-9));
    assertThat(left.widthMm()).isCloseTo(h, within(1e-9));
    assertThat(front.widthMm()).isCloseTo(floor.widthMm() - 2 * t, within(1e-9));
    double ends =
        Math.max(shape.depthMm(shape.outMm()), shape.depthMm(panel.heightMm() - shape.outMm()));
    assertThat(left.heightMm()).isCloseTo(ends, within(1e-9));
    for (Piece piece : List.of(floor, front)) {
      assertThat(piece.bevels())
          .as("%s", tilt)
          .hasSize(tilt < 0.05 ? 0 : piece == floor ? 2 : 1)
          .allSatisfy(b -> assertThat(b.degrees()).isCloseTo(tilt, within(1e-9)));
    }
  }

  /** Walls round any shape are mitred by half of each turn; all turns make one full one. */
  @Test(dataProvider = "seeds")
  public void mitresShareTheTurns(int seed) {
    SplittableRandom random = new SplittableRandom(5000 + seed);
    List<Point> corners = new ArrayList<>();
    int n = 3 + random.nextInt(6);
    for (int i = 0; i < n; i++) {
      double angle = 2 * Math.PI * (i + random.nextDouble(0.2, 0.8)) / n;
      corners.add(new Point(300 + 250 * Math.cos(angle), 300 + 250 * Math.sin(angle)));
    }
    Build build = draw(random, new Making.Boards(4, 3), true);
    Panel panel = build.panel().withOutline(corners);
    BoxPlan plan = plan(build.withPanel(panel));
    List<Piece> walls = walls(plan).stream().filter(p -> p.face().isEmpty()).toList();
    double sum =
        walls.stream().flatMap(p -> p.bevels().stream()).mapToDouble(Piece.Bevel::degrees).sum();
    if (plan.shape().hollow()) {
      assertThat(walls).hasSize(plan.shape().panel().corners().size());
      assertThat(sum).isCloseTo(360, within(1e-6));
    } else {
      assertThat(plan.pieces()).hasSize(1);
    }
  }

  private static Build withOpenings(SplittableRandom random, Build build) {
    Box box = build.get(BoxBook.PART).box().orElseThrow();
    for (Face face : Face.values()) {
      for (int i = random.nextInt(3); i > 0; i--) {
        Shape hole =
            random.nextBoolean()
                ? new Shape.Round(random.nextDouble(3, 12))
                : new Shape.Rect(random.nextDouble(3, 16), random.nextDouble(3, 9), 0);
        Point at =
            new Point(
                random.nextDouble(build.panel().widthMm()),
                random.nextDouble(face.wall() ? 60 : build.panel().heightMm()));
        box = box.with(new Cutout(face + " " + i, face, at, Through.VENT, Optional.of(hole)));
      }
    }
    return build.with(BoxBook.PART, new BoxBook(box));
  }

  private static String key(Vec at) {
    return Math.round(at.x() * 1e5)
        + " "
        + Math.round(at.y() * 1e5)
        + " "
        + Math.round(at.z() * 1e5);
  }

  /** Each edge belongs to two triangles, which pass it each its own way; and Euler's formula. */
  private static void closed(Mesh mesh, int tunnels, int parts) {
    Map<String, Integer> edges = new HashMap<>();
    Set<String> corners = new HashSet<>();
    for (Mesh.Triangle t : mesh.triangles()) {
      List<String> at = List.of(key(t.a()), key(t.b()), key(t.c()));
      corners.addAll(at);
      for (int i = 0; i < 3; i++) {
        String from = at.get(i);
        String to = at.get((i + 1) % 3);
        edges.merge(from + ">" + to, 1, Integer::sum);
      }
    }
    assertThat(edges).allSatisfy((edge, count) -> assertThat(count).as(edge).isEqualTo(1));
    for (String edge : edges.keySet()) {
      String[] ends = edge.split(">");
      assertThat(edges).containsKey(ends[1] + ">" + ends[0]);
    }
    // V - E + F = 2 (parts - tunnels), each tunnel one more hole through the solid.
    int euler = corners.size() - edges.size() / 2 + mesh.triangles().size();
    assertThat(euler).isEqualTo(2 * (parts - tunnels));
  }

  /** A printed tray is closed, and as much plastic as its measures say. */
  @Test(dataProvider = "seeds")
  public void aTrayIsASolid(int seed) {
    SplittableRandom random = new SplittableRandom(6000 + seed);
    double t = random.nextDouble(1.2, 5);
    Build build =
        withOpenings(random, draw(random, new Making.Printed(t, 220, 220, 250), seed % 3 == 0));
    BoxPlan plan = plan(build);
    BoxShape shape = plan.shape();
    Mesh mesh = plan.solid(plan.piece("tray").orElseThrow(), CATALOGUE);
    Panel panel = build.panel();
    double w = panel.widthMm() - 2 * shape.outMm();
    double h = panel.heightMm() - 2 * shape.outMm();
    double middle = shape.depthMm(panel.heightMm() / 2);
    double thick = t * Math.sqrt(1 + shape.slope() * shape.slope());
    double volume = w * h * (middle + thick) - (w - 2 * t) * (h - 2 * t) * middle;
    Polygon floor = Outlines.polygonOf(shape.ring(shape.inMm()));
    int through = 0;
    List<Polygon> taken = new ArrayList<>();
    List<Face> where = new ArrayList<>();
    for (Cutout opening : plan.box().openings()) {
      Polygon hole =
          Outlines.polygonOf(new Piece.Hole("", opening.hole(), placed(opening.at())).ring());
      Polygon face = face(opening.face(), shape, floor);
      boolean clear =
          face.contains(hole)
              && face.getBoundary().distance(hole) > 0.2
              && IntStream.range(0, taken.size())
                  .noneMatch(
                      i -> where.get(i) == opening.face() && taken.get(i).distance(hole) <= 0.2);
      if (clear) {
        taken.add(hole);
        where.add(opening.face());
        through++;
        // A chord polygon of the same hole, so that rounding takes nothing away.
        double chord = opening.hole() instanceof Shape.Round round ? ring36(round) : 1;
        volume -= shapeArea(opening.hole()) * chord * (opening.face() == Face.FLOOR ? thick : t);
      }
    }
    closed(mesh, through, 1);
    assertThat(mesh.volumeMm3()).isCloseTo(volume, within(1e-6 * w * h * middle));
  }

  /** A circle as 36 chords of 10 degrees: n/2 sin(2 pi/n) r^2 in place of pi r^2. */
  private static double ring36(Shape.Round round) {
    return 18 * Math.sin(Math.PI / 18) / Math.PI;
  }

  private static double shapeArea(Shape shape) {
    return shape instanceof Shape.Round round
        ? Math.PI / 4 * round.diameterMm() * round.diameterMm()
        : shape.widthMm() * shape.heightMm();
  }

  private static kumite.measure.Placement placed(Point at) {
    return kumite.measure.Placement.at(at.xMm(), at.yMm());
  }

  private static Polygon face(Face face, BoxShape shape, Polygon floor) {
    double in = shape.inMm();
    Panel panel = shape.panel();
    double end = panel.heightMm() - in;
    return switch (face) {
      case FLOOR -> floor;
      case FRONT -> box(in, panel.widthMm() - in, shape.depthMm(in), shape.depthMm(in));
      case BACK -> box(in, panel.widthMm() - in, shape.depthMm(end), shape.depthMm(end));
      case LEFT, RIGHT -> box(in, end, shape.depthMm(in), shape.depthMm(end));
    };
  }

  private static Polygon box(double from, double to, double deepFrom, double deepTo) {
    return Outlines.polygonOf(
        List.of(
            new Point(from, 0),
            new Point(to, 0),
            new Point(to, deepTo),
            new Point(from, deepFrom)));
  }

  /**
   * Blocks against the walls are one with the tray, with a blind hole each for an insert: by hand
   * what they and the holes are.
   */
  @Test(dataProvider = "seeds")
  public void blocksArePrintedWithTheTray(int seed) {
    SplittableRandom random = new SplittableRandom(8000 + seed);
    double t = random.nextDouble(1.2, 4);
    Build build = draw(random, new Making.Printed(t, 700, 500, 250), seed % 2 == 0);
    build = build.with(BoxBook.PART, new BoxBook(new Box(new Making.Printed(t, 700, 500, 250))));
    double side = random.nextDouble(8, 20);
    Panel panel = build.panel();
    double width = panel.widthMm();
    double height = panel.heightMm();
    List<Block> blocks = new ArrayList<>();
    blocks.add(new Block("a", t, t, side, side));
    blocks.add(new Block("b", width - t - side, height - t - side, side, side));
    blocks.add(new Block("c", width / 2, t, side, side));
    build = build.withPanel(panel.withInside(panel.inside().withWall(t).withBlocks(blocks)));
    BoxPlan plan = plan(build);
    BoxShape shape = plan.shape();
    assertThat(plan.pieces()).noneMatch(p -> p.part() == Piece.Part.BLOCK);
    Mesh mesh = plan.solid(plan.piece("tray").orElseThrow(), CATALOGUE);
    double middle = shape.depthMm(height / 2);
    double thick = t * Math.sqrt(1 + shape.slope() * shape.slope());
    double volume = width * height * (middle + thick) - (width - 2 * t) * (height - 2 * t) * middle;
    double insert = Math.PI / 4 * 16 * ring36(new Shape.Round(4)) * 8;
    for (Block block : blocks) {
      volume += side * side * shape.depthMm(block.centre().yMm());
      double least =
          Math.min(shape.depthMm(block.frontMm()), shape.depthMm(block.frontMm() + side));
      volume -= least > 8 ? insert : 0;
    }
    closed(mesh, 0, 1);
    assertThat(mesh.volumeMm3()).isCloseTo(volume, within(1e-6 * width * height * middle));
  }

  /** Holes that run into each other or off the edge are cut as one: what is left is a solid. */
  @Test(dataProvider = "seeds")
  public void aPlateWithAnyHolesIsASolid(int seed) {
    SplittableRandom random = new SplittableRandom(6200 + seed);
    Piece plain = plan(draw(random, new Making.Printed(3, 900, 900, 400), false)).pieces().get(0);
    List<Piece.Hole> holes = new ArrayList<>();
    Geometry left = Outlines.polygonOf(plain.outline());
    int count = random.nextInt(2, 14);
    for (int i = 0; i < count; i++) {
      Shape shape =
          random.nextBoolean()
              ? new Shape.Round(random.nextDouble(6, 40))
              : new Shape.Rect(random.nextDouble(6, 40), random.nextDouble(6, 40), 0);
      Placement at =
          new Placement(
              plain.leftMm() + random.nextDouble(0, plain.widthMm()),
              plain.topMm() + random.nextDouble(0, plain.heightMm()),
              random.nextInt(4) * 30);
      Piece.Hole hole = new Piece.Hole("h" + i, shape, at);
      holes.add(hole);
      left = left.difference(Outlines.polygonOf(hole.ring()));
    }
    double largest = 0;
    for (int i = 0; i < left.getNumGeometries(); i++) {
      largest = Math.max(largest, left.getGeometryN(i).getArea());
    }
    Piece piece = plain.with(holes);
    assertThat(piece.area().isValid()).isTrue();
    assertThat(piece.area().getArea()).isCloseTo(largest, within(1e-6 * largest));
    Mesh mesh = Tray.plate(piece);
    assertThat(mesh.volumeMm3())
        .isCloseTo(largest * piece.thicknessMm(), within(1e-6 * largest * piece.thicknessMm()));
    closed(mesh, piece.area().getNumInteriorRing(), 1);
  }

  /** A printed panel is closed, with a hole through it for each of its holes. */
  @Test
  public void aPlateIsASolid() {
    Build build = Builds.ferryBridge();
    build = build.withPanel(build.panel().withMaterial(Material.PRINTED));
    BoxPlan plan = plan(build);
    Piece panel = plan.piece("panel").orElseThrow();
    Mesh mesh = plan.solid(panel, CATALOGUE);
    closed(mesh, panel.holes().size(), 1);
    assertThat(mesh.volumeMm3())
        .isCloseTo(panel.area().getArea() * panel.thicknessMm(), within(1e-3));
    ByteBuffer stl = ByteBuffer.wrap(mesh.stl("panel")).order(ByteOrder.LITTLE_ENDIAN);
    assertThat(stl.getInt(80)).isEqualTo(mesh.triangles().size());
    assertThat(stl.capacity()).isEqualTo(84 + 50 * mesh.triangles().size());
  }

  /** Pieces on a sheet lie on it, apart from each other, and none is lost. */
  @Test(dataProvider = "seeds")
  public void sheetsHold(int seed) {
    SplittableRandom random = new SplittableRandom(7000 + seed);
    boolean boards = random.nextBoolean();
    Making making =
        boards ? new Making.Boards(12, 3) : new Making.Laser(3, random.nextDouble(0, 0.4), 0);
    Build build = draw(random, making, random.nextBoolean());
    Box box = build.get(BoxBook.PART).box().orElseThrow();
    List<StockSheet> stock = new ArrayList<>();
    for (int i = random.nextInt(4); i > 0; i--) {
      stock.add(
          new StockSheet(
              random.nextDouble(100, 1500), random.nextDouble(100, 1500), random.nextInt(3)));
    }
    BoxPlan plan = plan(build.with(BoxBook.PART, new BoxBook(box.withStock(stock))));
    List<String> laid = new ArrayList<>();
    Map<StockSheet, Integer> used = new HashMap<>();
    for (Nest.Laid sheet : plan.nest().sheets()) {
      used.merge(sheet.sheet(), 1, Integer::sum);
      Envelope whole = new Envelope(0, sheet.sheet().widthMm(), 0, sheet.sheet().heightMm());
      List<Envelope> spots = new ArrayList<>();
      for (Nest.Spot spot : sheet.spots()) {
        Envelope at =
            new Envelope(
                spot.leftMm(),
                spot.leftMm() + spot.widthMm(),
                spot.topMm(),
                spot.topMm() + spot.heightMm());
        assertThat(whole.contains(at)).isTrue();
        spots.forEach(other -> assertThat(other.distance(at)).isGreaterThan(0.1));
        spots.add(at);
        laid.add(spot.piece().id());
        assertThat(spot.piece().thicknessMm()).isEqualTo(sheet.thicknessMm());
      }
      assertThat(sheet.used()).isBetween(0.0, 1.0);
    }
    plan.nest().tooLarge().forEach(piece -> laid.add(piece.id()));
    assertThat(laid)
        .containsExactlyInAnyOrderElementsOf(
            plan.pieces().stream()
                .filter(p -> p.part() != Piece.Part.BLOCK)
                .map(Piece::id)
                .toList());
    used.forEach(
        (sheet, count) -> {
          if (sheet.count() > 0) {
            assertThat(count).isLessThanOrEqualTo(sheet.count());
          }
        });
  }
}
