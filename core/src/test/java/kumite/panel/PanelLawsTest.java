package kumite.panel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import kumite.RandomBuilds;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.panel.Block;
import kumite.build.panel.CaseInside;
import kumite.build.panel.Material;
import kumite.build.panel.Opening;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Severity;
import kumite.finding.Station;
import kumite.kind.BoardKind;
import kumite.kind.ControlKind;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.measure.Shape;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.util.AffineTransformation;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Laws of the panel's verdict over layouts that nobody thought of. The judge is the geometry
 * library, by polygons with 64 segments a quarter, which are off by under 0.0004 of a radius.
 */
public class PanelLawsTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();
  private static final GeometryFactory FACTORY = new GeometryFactory();

  /** Overlaps smaller than this may be the polygons' own error, in square millimetres. */
  private static final double SLIVER = 0.5;

  private static Geometry outline(Shape shape, Placement at) {
    if (shape instanceof Shape.Round round) {
      return FACTORY
          .createPoint(new Coordinate(at.xMm(), at.yMm()))
          .buffer(round.diameterMm() / 2, 64);
    }
    Shape.Rect rect = (Shape.Rect) shape;
    double w = rect.widthMm() / 2 - rect.cornerMm();
    double h = rect.heightMm() / 2 - rect.cornerMm();
    Coordinate[] corners = new Coordinate[4];
    int[][] signs = {{-1, -1}, {1, -1}, {1, 1}, {-1, 1}};
    for (int i = 0; i < 4; i++) {
      Point p = at.place(new Point(signs[i][0] * w, signs[i][1] * h));
      corners[i] = new Coordinate(p.xMm(), p.yMm());
    }
    return FACTORY.createMultiPointFromCoords(corners).convexHull().buffer(rect.cornerMm(), 64);
  }

  private static Build randomLayout(SplittableRandom random, int parts) {
    Build build = Build.empty("Law");
    build =
        build.withPanel(
            build
                .panel()
                .withSize(random.nextDouble(200, 500), random.nextDouble(150, 300))
                .withThickness(random.nextDouble(1, 18))
                .withInside(
                    new CaseInside(
                        random.nextDouble(0, 20),
                        random.nextDouble(30, 90),
                        random.nextDouble(30, 90),
                        List.of(new Block("batten", random.nextDouble(150), 60, 40, 20)),
                        Opening.values()[random.nextInt(Opening.values().length)])));
    for (int i = 0; i < parts; i++) {
      ControlKind kind = CATALOGUE.controls().get(random.nextInt(CATALOGUE.controls().size()));
      build =
          build.withControl(
              Control.of(
                  new ControlId("c" + i),
                  "C " + i,
                  kind.id(),
                  new Placement(
                      random.nextDouble(build.panel().widthMm()),
                      random.nextDouble(build.panel().heightMm()),
                      random.nextInt(8) * 45)));
    }
    return build;
  }

  private static Set<String> stops(Bench bench) {
    Set<String> pairs = new HashSet<>();
    for (Finding f : bench.findings()) {
      if (f.severity() == Severity.STOP && f.station() == Station.PANEL) {
        for (String one : f.named()) {
          for (String other : f.named()) {
            pairs.add(one + " " + other);
          }
        }
      }
    }
    return pairs;
  }

  /** Two bodies, two flanges or two holes that overlap are a stop, whatever else is narrow. */
  @Test
  public void whatOverlapsIsAStop() {
    SplittableRandom random = new SplittableRandom(41);
    int colliding = 0;
    for (int round = 0; round < 60; round++) {
      Build build = randomLayout(random, 12);
      Set<String> stops = stops(Bench.of(build, CATALOGUE));
      Set<ControlId> off = new HashSet<>(Arrange.offPanel(build));
      for (Control a : build.controls()) {
        for (Control b : build.controls()) {
          if (a.id().compareTo(b.id()) >= 0 || off.contains(a.id()) || off.contains(b.id())) {
            continue;
          }
          ControlKind one = CATALOGUE.kindOf(a);
          ControlKind two = CATALOGUE.kindOf(b);
          Shape[][] levels = {
            {one.body(), two.body()}, {one.face(), two.face()}, {one.cutout(), two.cutout()}
          };
          for (Shape[] level : levels) {
            double shared =
                outline(level[0], a.placement())
                    .intersection(outline(level[1], b.placement()))
                    .getArea();
            if (shared > SLIVER) {
              colliding++;
              assertThat(stops)
                  .as("round %d: %s and %s share %.1f mm2", round, a, b, shared)
                  .contains(a.id() + " " + b.id());
            }
          }
        }
      }
    }
    assertThat(colliding).isGreaterThan(300);
  }

  /** What a swinging lid passes over: the body turned about the hinge step by step. */
  @Test
  public void aBodyThatStrikesTheFarWallAsTheLidSwingsIsAStop() {
    SplittableRandom random = new SplittableRandom(43);
    int struck = 0;
    for (int round = 0; round < 200; round++) {
      Build empty = randomLayout(random, 0);
      double wall = random.nextDouble(2, 20);
      Build build =
          empty
              .withPanel(
                  empty
                      .panel()
                      .withInside(new CaseInside(wall, 90, 90, List.of(), Opening.HINGED_BACK)))
              .withControl(
                  Control.of(
                      new ControlId("deep"),
                      "Deep",
                      "button-28-lamp",
                      Placement.at(
                          empty.panel().widthMm() / 2, wall + 19 + random.nextDouble(1, 12))));
      ControlKind kind = CATALOGUE.control("button-28-lamp").orElseThrow();
      double deep = kind.depthBelowMm(build.panel().thicknessMm());
      double far = build.panel().heightMm() - build.controls().get(0).placement().yMm() + 19;
      double furthest = 0;
      for (double degrees = 0; degrees <= 90; degrees += 0.05) {
        double t = Math.toRadians(degrees);
        // Turned up about the pin, the lowest far edge is as high as the wall's top at most.
        double out = far * Math.cos(t) + deep * Math.sin(t);
        double up = far * Math.sin(t) - deep * Math.cos(t);
        furthest = up <= 0 ? Math.max(furthest, out) : furthest;
      }
      double gap = build.panel().heightMm() - wall - furthest;
      Optional<Gap> found =
          Gaps.of(build, CATALOGUE).list().stream()
              .filter(g -> g.kind() == Gap.Kind.LID_WALL)
              .findFirst();
      if (gap < 0.99) {
        assertThat(found).as("round %d: %.2f mm", round, gap).isPresent();
        assertThat(found.get().gapMm()).isCloseTo(gap, within(0.01));
        assertThat(found.get().stops()).isEqualTo(gap <= 0);
        struck += gap <= 0 ? 1 : 0;
      } else if (gap > 1.01) {
        assertThat(found).as("round %d: %.2f mm", round, gap).isEmpty();
      }
    }
    assertThat(struck).isBetween(20, 180);
  }

  /**
   * A fix on the panel adds no stop and takes its own finding away, over 500 builds; and where the
   * board or a part moves, it moves along a side unless that is three times as far.
   */
  @Test
  public void aFixNeverAddsAStop() {
    SplittableRandom random = new SplittableRandom(47);
    int mended = 0;
    for (int round = 0; round < 500; round++) {
      Build build = random.nextInt(4) == 0 ? RandomBuilds.any(random) : randomLayout(random, 5);
      Bench bench = Bench.of(build, CATALOGUE);
      List<Finding> panel =
          bench.findings().stream()
              .filter(f -> f.station() == Station.PANEL && f.severity() != Severity.FINE)
              .toList();
      if (panel.isEmpty()) {
        continue;
      }
      Finding finding = panel.get(random.nextInt(panel.size()));
      Optional<Fix> fix = finding.fix();
      if (fix.isPresent()) {
        mended++;
        Bench after = Bench.of(fix.get().edit().apply(build), CATALOGUE);
        assertThat(count(after, Severity.STOP))
            .as("round %d: %s by %s", round, finding.title(), fix.get().label())
            .isLessThanOrEqualTo(count(bench, Severity.STOP));
        assertThat(after.findings().stream().filter(f -> f.severity() != Severity.FINE))
            .as("round %d: %s by %s", round, finding.title(), fix.get().label())
            .noneMatch(
                f ->
                    f.code().text().equals(finding.code().text())
                        && f.named().equals(finding.named()));
      }
    }
    assertThat(mended).isGreaterThan(150);
  }

  /** Statements about parts: one finding may speak of many, so its parts are counted. */
  private static int count(Bench bench, Severity severity) {
    return bench.findings().stream()
        .filter(f -> f.severity() == severity)
        .mapToInt(f -> Math.max(1, f.named().size()))
        .sum();
  }

  // ---- tables

  @DataProvider
  Object[][] depths() {
    return new Object[][] {
      // kind, panel, case, room left below it by hand; what stands from below hangs whole
      {"lever-8", 12.0, 40.0, 40 - 46.0},
      {"lever-8", 3.0, 70.0, 70 - 46.0},
      {"lever-8-nut", 12.0, 40.0, 40 - (42 - 11.0)}, // a nut below: put in from above
      {"trackball-75", 18.0, 60.0, 60 - 66.0},
      {"button-28", 12.0, 70.0, 70 - (60 - 9.0)}, // takes 3 mm at least; 9 mm more are lost
      {"knob-16", 5.0, 30.0, 30 - 22.0},
      {"keyswitch-14", 1.5, 20.0, 20 - (9 - 0.1)},
    };
  }

  @Test(dataProvider = "depths")
  public void whatHangsFromBelowLosesNothingToThePanel(
      String kind, double thickness, double depth, double room) {
    Build build = Build.empty("Deep");
    build =
        build
            .withPanel(
                build
                    .panel()
                    .withThickness(thickness)
                    .withMaterial(Material.PLYWOOD)
                    .withInside(new CaseInside(12, depth)))
            .withControl(Control.of(new ControlId("x"), "X", kind, Placement.at(150, 100)));
    Gap gap =
        Gaps.of(build, CATALOGUE).list().stream()
            .filter(g -> g.kind() == Gap.Kind.DEPTH)
            .findFirst()
            .orElseThrow();
    assertThat(gap.gapMm()).isCloseTo(room, within(1e-9));
    assertThat(gap.stops()).isEqualTo(room < 0);
    assertThat(Bench.of(build, CATALOGUE).count(Station.PANEL, Severity.STOP) > 0)
        .as("stop")
        .isEqualTo(room < 0);
  }

  /** The two cases that were let through: 8 mm of overlap, and a board 10 mm inside the wall. */
  @Test
  public void theWorstGapDecidesThoughAnotherMissesMore() {
    Build build = Build.empty("Two");
    build =
        build.withPanel(
            build.panel().withThickness(12).withMaterial(Material.PLYWOOD).withSize(300, 200));
    for (int i = 0; i < 2; i++) {
      build =
          build.withControl(
              Control.of(
                  new ControlId("b" + i), "B " + i, "button-28", Placement.at(120 + 30 * i, 90)));
    }
    Bench bench = Bench.of(build, CATALOGUE);
    Finding stop =
        bench.findings().stream().filter(f -> f.named().size() == 2).findFirst().orElseThrow();
    assertThat(stop.severity()).isEqualTo(Severity.STOP);
    assertThat(stop.title()).contains("bodies collide");
    assertThat(stop.detail()).contains("overlap 8.0 mm", "wrench to body");

    BoardKind board = CATALOGUE.board("native-3v3-26").orElseThrow();
    Build boarded =
        Build.empty("Board")
            .withBoard(
                Optional.of(
                    new BoardChoice(
                        board.id(), Placement.at(150, 200 - 12 + 10 - board.heightMm() / 2))));
    assertThat(Bench.of(boarded, CATALOGUE).findings())
        .anySatisfy(
            f -> {
              assertThat(f.code().text()).isEqualTo("PN-14");
              assertThat(f.severity()).isEqualTo(Severity.STOP);
              assertThat(f.detail()).contains("overlap 10.0 mm");
            });
  }

  /**
   * Nine buttons in a channel, 2.6 mm from flange to flange; the last is 3 mm from where it may be.
   */
  @Test
  public void aWholeRowMovesWhereNoPartOfItCanMoveAlone() {
    Build build = Build.empty("Row");
    build = build.withPanel(build.panel().withSize(420, 60).withInside(new CaseInside(14, 70)));
    for (int i = 0; i < 9; i++) {
      build =
          build.withControl(
              Control.of(
                  new ControlId("r" + i), "R " + i, "button-30", Placement.at(50 + 36 * i, 30)));
    }
    build =
        build.withControl(
            Control.of(new ControlId("end"), "End", "button-30", Placement.at(390.2, 30)));
    build = build.withControl(new ControlId("r8"), c -> c.withPlacement(Placement.at(338, 30)));
    build =
        build.withControl(
            new ControlId("end"), c -> c.withPlacement(Placement.at(338 + 33.4 - 1, 30)));
    build =
        build.withPanel(
            build
                .panel()
                .withInside(
                    build
                        .panel()
                        .inside()
                        .withBlocks(List.of(new Block("post", 386.5, 10, 20, 40)))));
    List<Gap> narrow = Gaps.of(build, CATALOGUE).tooNarrow();
    assertThat(narrow.get(0).stops()).isTrue();
    Optional<Nudge> nudge = new Nudge.Search(build, CATALOGUE).forGap(narrow.get(0));
    assertThat(nudge).isPresent();
    assertThat(nudge.get().controls()).hasSizeGreaterThan(1);
    assertThat(nudge.get().dyMm()).isZero();
    Build after = Arrange.shift(build, nudge.get().controls(), nudge.get().dxMm(), 0).apply(build);
    assertThat(Gaps.of(after, CATALOGUE).tooNarrow()).isEmpty();
  }

  /** A thousand parts on one spot: one statement, and the rest of the verdict stays readable. */
  @Test
  public void aPileIsOneFinding() {
    Build build = Build.empty("Pile");
    List<Control> controls = new ArrayList<>();
    for (int i = 0; i < 1000; i++) {
      controls.add(
          Control.of(new ControlId("p" + i), "P " + i, "button-24", Placement.at(150, 100)));
    }
    Bench bench = Bench.of(build.withControls(controls), CATALOGUE);
    assertThat(bench.findings()).hasSizeLessThan(20);
    assertThat(bench.findings().get(0).code().text()).isEqualTo("PN-28");
    assertThat(bench.findings().get(0).named()).hasSize(1000);
    assertThat(bench.findings().get(0).fix()).isEmpty();
  }

  /** A flange covers its hole where the hole, taken from it, leaves nothing: by the library. */
  @Test
  public void coverIsWhatTheGeometryLibraryMeasures() {
    SplittableRandom random = new SplittableRandom(53);
    ControlKind any = CATALOGUE.control("button-30").orElseThrow();
    for (int round = 0; round < 300; round++) {
      Shape hole = shape(random);
      Shape face = shape(random);
      ControlKind kind = withShapes(any, hole, face);
      Geometry holes = outline(hole, Placement.at(0, 0));
      Geometry faces = outline(face, Placement.at(0, 0));
      double uncovered = holes.difference(faces).getArea();
      if (kind.coverMm() > 0.02) {
        assertThat(uncovered).as("%s in %s", hole, face).isLessThan(0.1);
        assertThat(faces.getBoundary().distance(holes))
            .as("%s in %s", hole, face)
            .isCloseTo(kind.coverMm(), within(0.05));
      } else if (kind.coverMm() < -0.02) {
        assertThat(uncovered).as("%s in %s", hole, face).isPositive();
      }
    }
  }

  private static Shape shape(SplittableRandom random) {
    double w = random.nextDouble(8, 40);
    double h = random.nextDouble(8, 40);
    return random.nextBoolean()
        ? new Shape.Round(w)
        : new Shape.Rect(w, h, random.nextInt(3) * Math.min(w, h) / 4);
  }

  private static ControlKind withShapes(ControlKind kind, Shape hole, Shape face) {
    return new ControlKind(
        "own-x",
        kind.name(),
        kind.trait(),
        kind.family(),
        hole,
        face,
        kind.body(),
        kind.bodyDepthMm(),
        kind.thinnestMm(),
        kind.thickestMm(),
        kind.mount(),
        kind.screws(),
        kind.above(),
        kind.feel(),
        kind.gate(),
        kind.contacts(),
        kind.tabMm(),
        kind.bounce(),
        kind.lamp(),
        kind.steps(),
        kind.ohm(),
        kind.latching(),
        kind.feed(),
        kind.cap(),
        kumite.kind.Tabs.NONE);
  }

  /** A lever turned through any quarter: its contact closes towards where geometry turns it. */
  @Test
  public void aTurnedLeverIsPushedWhereGeometryTurnsIt() {
    double[][] ways = {{0, 1}, {1, 0}, {0, -1}, {-1, 0}}; // north, east, south, west
    ControlKind lever = CATALOGUE.control("lever-8").orElseThrow();
    for (int quarter = -4; quarter <= 4; quarter++) {
      Control control =
          Control.of(new ControlId("l"), "L", lever.id(), new Placement(0, 0, quarter * 90));
      for (var contact : lever.contacts()) {
        double[] named = ways[kumite.map.Turned.named(contact).orElseThrow().ordinal()];
        double[] pushed = ways[kumite.map.Turned.pushed(control, contact).orElseThrow().ordinal()];
        Coordinate turned = new Coordinate();
        AffineTransformation.rotationInstance(Math.toRadians(quarter * 90))
            .transform(new Coordinate(named[0], named[1]), turned);
        assertThat(pushed[0]).isCloseTo(turned.x, within(1e-9));
        assertThat(pushed[1]).isCloseTo(turned.y, within(1e-9));
      }
    }
  }
}
