package kumite.box;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.TreeSet;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.box.Box;
import kumite.build.box.BoxBook;
import kumite.build.box.Face;
import kumite.build.box.Making;
import kumite.build.panel.CaseInside;
import kumite.build.panel.Material;
import kumite.build.panel.Opening;
import kumite.build.panel.Panel;
import kumite.files.BuildFile;
import kumite.files.BuildFileException;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Severity;
import kumite.loom.Loom;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Controls in other faces of the case: a face is a panel of its own, and wires go round the edge.
 */
public class FaceLawTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();
  private static final double WALL = 3;

  @DataProvider
  Object[][] seeds() {
    return IntStream.range(0, 60).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  private static Build desk(Opening opening) {
    Build build = Builds.wired(Builds.buttons(100, 100, 200, 100), "native-3v3-26");
    Panel panel =
        build.panel().withCorner(0).withInside(new CaseInside(WALL, 80).withOpening(opening));
    return build
        .withPanel(panel)
        .withBoard(
            Optional.of(
                new BoardChoice("native-3v3-26", Placement.at(150, 150))
                    .on(BoardChoice.Seat.FLOOR)))
        .with(BoxBook.PART, new BoxBook(new Box(new Making.Laser(WALL, 0.15, 0))));
  }

  private static Build with(Build build, Face face, String id, String kind, double x, double y) {
    return build.withControl(
        Control.of(new ControlId(id), id.toUpperCase(), kind, Placement.at(x, y))
            .on(Optional.of(face)));
  }

  private static List<String> codes(Build build, String prefix) {
    return Bench.of(build, CATALOGUE).findings().stream()
        .filter(f -> f.severity() != Severity.FINE)
        .filter(f -> f.title().startsWith(prefix))
        .map(f -> f.code().text() + " " + f.severity())
        .sorted()
        .toList();
  }

  /** What is said of parts in a wall is what is said of them in a panel of that size. */
  @Test(dataProvider = "seeds")
  public void aFaceIsAPanel(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Face face = random.nextBoolean() ? Face.FRONT : Face.RIGHT;
    Build build = desk(Opening.LIFTS_OFF);
    double wide = face.across() ? build.panel().widthMm() : build.panel().heightMm();
    double deep = face.across() ? build.panel().heightMm() : build.panel().widthMm();
    Build plain =
        Builds.buttons()
            .withPanel(
                new Panel(
                    wide,
                    80 + 2 * WALL,
                    0,
                    WALL,
                    Material.ACRYLIC,
                    new CaseInside(WALL, deep - 2 * WALL),
                    build.panel().datum()));
    for (int i = 0; i < 1 + random.nextInt(3); i++) {
      String kind = List.of("button-24", "button-30", "toggle-12").get(random.nextInt(3));
      double x = random.nextDouble(0, wide);
      double y = random.nextDouble(0, 80);
      build = with(build, face, "side" + i, kind, x, y);
      plain =
          plain.withControl(
              Control.of(new ControlId("side" + i), "SIDE" + i, kind, Placement.at(x, y + WALL)));
    }
    String name = face == Face.FRONT ? "Front: " : "Right: ";
    List<String> panel = codes(plain, "").stream().filter(code -> code.startsWith("PN-")).toList();
    List<String> told = codes(build, name).stream().filter(code -> code.startsWith("PN-")).toList();
    assertThat(new TreeSet<>(told)).isEqualTo(new TreeSet<>(panel));
  }

  /** Repairs of a face mend it, and move nothing that sits elsewhere. */
  @Test(dataProvider = "seeds")
  public void repairsStayOnTheirFace(int seed) {
    SplittableRandom random = new SplittableRandom(100 + seed);
    Build build = desk(Opening.LIFTS_OFF);
    Face face = Face.values()[random.nextInt(5)];
    double x = random.nextDouble(30, 170);
    build = with(build, face, "one", "button-24", x, 40);
    build = with(build, face, "two", "button-24", x + random.nextDouble(5, 20), 42);
    int mended = 0;
    for (Finding finding : Bench.of(build, CATALOGUE).findings()) {
      Optional<Fix> fix = finding.title().contains(": ") ? finding.fix() : Optional.empty();
      if (fix.isPresent()) {
        Build after = fix.get().edit().apply(build);
        assertThat(after.onPanel()).isEqualTo(build.onPanel());
        assertThat(after.panel()).isEqualTo(build.panel());
        assertThat(after.controls()).allMatch(c -> c.face().isEmpty() || c.face().get() == face);
        assertThat(Bench.of(after, CATALOGUE).findings())
            .noneMatch(f -> f.severity() != Severity.FINE && f.same(finding));
        mended++;
      }
    }
    assertThat(mended).as("%s at %s", face, x).isPositive();
  }

  /** A wire to a wall goes along panel and wall: as long as the way over the edge, unfolded. */
  @Test(dataProvider = "seeds")
  public void wiresGoRoundTheEdge(int seed) {
    SplittableRandom random = new SplittableRandom(200 + seed);
    Build build = desk(Opening.values()[seed % 5]);
    Face face = Face.values()[random.nextInt(4)];
    Point at = new Point(random.nextDouble(40, 150), random.nextDouble(20, 60));
    Build sided = with(build, face, "side", "button-24", at.xMm(), at.yMm());
    Loom loom = Bench.of(sided, CATALOGUE).loom();
    double shortest =
        loom.strands().stream()
            .filter(s -> s.contact().filter(c -> c.control().text().equals("side")).isPresent())
            .mapToDouble(s -> s.lengthMm())
            .min()
            .orElseThrow();
    Panel panel = build.panel();
    double aside =
        switch (face) {
          case FRONT -> 150 - 28;
          case BACK -> 200 - 150 - 28;
          case LEFT -> 150 - 11;
          case RIGHT -> panel.widthMm() - 150 - 11;
          case FLOOR -> 0;
        };
    // From the board's edge to the wall, and down the wall to the tab at least.
    assertThat(shortest).as("%s %s", face, at).isGreaterThan(aside + at.yMm() - 30);
    assertThat(shortest).isLessThan(panel.widthMm() + panel.heightMm() + 80 + 200);
  }

  /** Seen from the panel nothing changes: gaps, holes and reach are those without them. */
  @Test(dataProvider = "seeds")
  public void thePanelDoesNotSeeThem(int seed) {
    SplittableRandom random = new SplittableRandom(300 + seed);
    Build build = desk(Opening.LIFTS_OFF);
    Bench before = Bench.of(build, CATALOGUE);
    Build sided = build;
    for (Face face : Face.values()) {
      sided =
          with(
              sided,
              face,
              "on-" + face.name().toLowerCase(),
              "button-24",
              random.nextDouble(30, 170),
              random.nextDouble(20, 60));
    }
    Bench after = before.next(sided);
    assertThat(after.gaps()).isEqualTo(before.gaps());
    assertThat(after.drill()).isEqualTo(before.drill());
    assertThat(after.reach()).isEqualTo(before.reach());
    int holes =
        after.get(BoxChecks.PLAN).pieces().stream()
            .filter(p -> p.face().isPresent())
            .mapToInt(p -> p.holes().size())
            .sum();
    int were =
        before.get(BoxChecks.PLAN).pieces().stream()
            .filter(p -> p.face().isPresent())
            .mapToInt(p -> p.holes().size())
            .sum();
    assertThat(holes - were).isEqualTo(5);
    assertThat(after.paths()).hasSize(before.paths().size() + 5);
  }

  /**
   * A body in a wall and one under the panel are told where they take one place, and only there.
   */
  @Test(dataProvider = "seeds")
  public void bodiesMeetRoundTheCorner(int seed) {
    SplittableRandom random = new SplittableRandom(400 + seed);
    Build build = desk(Opening.LIFTS_OFF);
    double y = random.nextDouble(10, 90);
    double x = random.nextDouble(40, 260);
    double v = random.nextDouble(20, 60);
    build = build.withControl(new ControlId("b1"), c -> c.withPlacement(Placement.at(150, y + 20)));
    build = with(build, Face.FRONT, "side", "button-24", x, v);
    Control b1 = build.control(new ControlId("b1")).orElseThrow();
    var kind = CATALOGUE.kindOf(b1);
    var side = CATALOGUE.control("button-24").orElseThrow();
    double radius = kind.body().widthMm() / 2;
    double half = side.body().widthMm() / 2;
    double deep = WALL + side.depthBelowMm(WALL);
    boolean heights = v - half < kind.depthBelowMm(build.panel().stackMm());
    double dx = Math.max(0, Math.abs(x - 150) - half);
    double dy = Math.max(0, y + 20 - deep);
    boolean meet = heights && Math.hypot(dx, dy) < radius;
    boolean close = Math.abs(Math.hypot(dx, dy) - radius) < 0.05;
    boolean told =
        Bench.of(build, CATALOGUE).findings().stream()
            .anyMatch(f -> f.code() == BoxCode.MEETS_INSIDE && f.detail().contains("24"));
    assertThat(told || close).as("x %s y %s v %s", x, y, v).isEqualTo(meet || close);
  }

  /** Unfolded, each place of a turned part lies where the part does, turned with its face. */
  @Test(dataProvider = "seeds")
  public void turnedPartsUnfoldWhole(int seed) {
    SplittableRandom random = new SplittableRandom(500 + seed);
    Panel panel = desk(Opening.LIFTS_OFF).panel();
    for (Face face : Face.values()) {
      Placement at =
          new Placement(
              random.nextDouble(200), random.nextDouble(80), random.nextDouble(-180, 180));
      Point offset = new Point(random.nextDouble(-20, 20), random.nextDouble(-20, 20));
      Point unfolded = face.flat(face.place(at, offset), panel);
      assertThat(face.flat(at, panel).place(offset).distanceMm(unfolded)).isLessThan(1e-9);
      // Seen from outside an untouched part stands upright: its upper side nearer to the panel.
      Placement upright = new Placement(at.xMm(), at.yMm(), 0);
      Point up = face.place(upright, new Point(0, 5));
      assertThat(up.yMm() - at.yMm()).isCloseTo(face.wall() ? -5 : 5, within(1e-9));
    }
  }

  /** A face stands in the file, and comes back. */
  @Test
  public void aFaceIsKept() throws BuildFileException {
    Build build = with(desk(Opening.LIFTS_OFF), Face.LEFT, "side", "button-24", 60, 40);
    String text = BuildFile.text(build);
    assertThat(text).contains("\"face\": \"left\"");
    assertThat(BuildFile.parse(text, "test", CATALOGUE)).isEqualTo(build);
    assertThat(build.flat().control(new ControlId("side")).orElseThrow().placement().xMm())
        .isCloseTo(-40, within(1e-9));
    assertThat(build.flat().flat()).isEqualTo(build.flat());
  }
}
