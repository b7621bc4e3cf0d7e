package kumite.box;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.box.Box;
import kumite.build.box.BoxBook;
import kumite.build.box.Cutout;
import kumite.build.box.Face;
import kumite.build.box.Making;
import kumite.build.box.StockSheet;
import kumite.build.box.Through;
import kumite.build.panel.CaseInside;
import kumite.build.panel.Material;
import kumite.build.panel.Opening;
import kumite.build.panel.Panel;
import kumite.build.supply.SupplyBook;
import kumite.build.supply.SupplyPart;
import kumite.files.BuildFile;
import kumite.files.BuildFileException;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Severity;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.measure.Shape;
import kumite.name.ControlId;
import kumite.panel.LidScrews;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What is said of cases, each with its remedy; and a table of what is right and what is wrong. */
public class BoxChecksTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  /** Three buttons and a board whose plug looks to the back; walls of 3 mm in 12 mm of room. */
  private static Build desk() {
    Build build = Builds.wired(Builds.buttons(80, 60, 150, 60, 220, 60), "native-3v3-26");
    Panel panel =
        build
            .panel()
            .withCorner(0)
            .withInside(new CaseInside(12, 70).withOpening(Opening.HINGED_BACK));
    build = build.withPanel(panel);
    build =
        build.withBoard(
            Optional.of(
                new BoardChoice("native-3v3-26", Placement.at(150, 140))
                    .on(BoardChoice.Seat.FLOOR)));
    return PlainBox.in(build, CATALOGUE);
  }

  private static Build cased(Build build, UnaryOperator<Box> change) {
    return build.with(BoxBook.PART, new BoxBook(build.get(BoxBook.PART).box().map(change)));
  }

  private static Build opened(Through through, Face face, double x, double y) {
    return cased(desk(), box -> box.with(new Cutout("one", face, new Point(x, y), through)));
  }

  private static Build made(Making making) {
    return cased(desk(), box -> box.withMaking(making));
  }

  private static Build supplied(String kind) {
    return desk()
        .with(
            SupplyBook.PART,
            SupplyBook.EMPTY.with(
                SupplyPart.of(
                    new ControlId("part"), "Part", kind, Placement.at(60, 150), Optional.empty())));
  }

  @DataProvider
  Object[][] wrong() {
    Panel panel = desk().panel();
    return new Object[][] {
      {"walls meet", made(new Making.Boards(60, 3)).withPanel(panel.withSize(110, 110)), "CS-01"},
      {"walls thicker than their room", made(new Making.Boards(13, 3)), "CS-02"},
      {"round panel, sharp case", desk().withPanel(panel.withCorner(8)), "CS-03"},
      {"no way out", cased(desk(), box -> box.without("plug of the board")), "CS-04"},
      {
        "a hole too small",
        cased(
            desk(),
            box ->
                box.with(
                    box.opening("plug of the board")
                        .orElseThrow()
                        .sized(new Shape.Rect(10, 6, 0)))),
        "CS-05"
      },
      {"past the side", opened(Through.GROMMET, Face.RIGHT, 198, 30), "CS-06"},
      {"past the floor", opened(Through.VENT, Face.FRONT, 60, 69.5), "CS-06"},
      {"near the edge", opened(Through.VENT, Face.FRONT, 60, 67), "CS-06"},
      {
        "one in the other",
        cased(
            opened(Through.VENT, Face.FRONT, 60, 40),
            box -> box.with(new Cutout("two", Face.FRONT, new Point(70, 41), Through.VENT))),
        "CS-07"
      },
      {
        "what is behind meets round the corner",
        cased(
            opened(Through.JACK, Face.LEFT, 16, 40),
            box -> box.with(new Cutout("two", Face.FRONT, new Point(14, 40), Through.JACK))),
        "CS-07"
      },
      {"a nut under the panel", opened(Through.GLAND, Face.LEFT, 100, 10), "CS-08"},
      {
        "a thick wall",
        cased(
            made(new Making.Boards(12, 3)),
            b -> b.with(new Cutout("one", Face.LEFT, new Point(60, 35), Through.GROMMET))),
        "CS-09"
      },
      {
        "a jack in a button",
        opened(Through.JACK, Face.FRONT, 80, 20)
            .withPanel(panel.withInside(new CaseInside(12, 70).withOpening(Opening.HINGED_BACK)))
            .withControl(new ControlId("b1"), c -> c.withPlacement(Placement.at(80, 36))),
        "CS-10"
      },
      {"a jack in the board", near(), "CS-10"},
      {"no sheet", cased(desk(), b -> b.withStock(List.of(new StockSheet(250, 250, 0)))), "CS-12"},
      {
        "sheets used up",
        cased(desk(), b -> b.withStock(List.of(new StockSheet(320, 230, 1)))),
        "CS-12"
      },
      {"no printer", made(new Making.Printed(2.4, 220, 220, 250)), "CS-12"},
      {"held by nothing", desk().withPanel(panel.withInside(new CaseInside(12, 70))), "CS-13"},
      {
        "steep",
        desk().withPanel(panel.withInside(panel.inside().withDepth(300).withFrontDepth(60))),
        "CS-14"
      },
      {
        "no depth in front",
        desk().withPanel(panel.withInside(panel.inside().withFrontDepth(2))),
        "CS-14"
      },
      {"a thin print", made(new Making.Printed(0.8, 400, 400, 250)), "CS-15"},
      {"thin boards", made(new Making.Boards(6, 3)), "CS-15"},
      {
        "short edges",
        desk().withPanel(panel.withInside(new CaseInside(12, 20).withOpening(Opening.HINGED_BACK))),
        "CS-16"
      },
      {"a smaller box", made(new Making.Bought(2.5, 276, 176, 60)), "CS-17"},
      {"a larger box", made(new Making.Bought(2.5, 320, 176, 70)), "CS-17"},
      {"bare metal", cased(desk(), b -> b.withWalls(Optional.of(Material.STEEL))), "CS-18"},
      {"a jack without a hole", supplied("jack-5v"), "CS-19"},
      {"a switch without a hole", supplied("switch-3a"), "CS-19"},
    };
  }

  /** A jack over a board that reaches far back. */
  private static Build near() {
    Build build = opened(Through.JACK, Face.BACK, 150, 60);
    build = build.withBoard(build.board().map(b -> b.at(Placement.at(150, 165))));
    return cased(build, box -> box.without("plug of the board"));
  }

  /** Moved toward a jack, a button meets it as the lid swings before it meets it with it shut. */
  @Test
  public void aLidMeetsFirstAsItSwings() {
    List<String> met = new ArrayList<>();
    for (double y = 70; y > 30; y -= 0.2) {
      double at = y;
      Build build =
          opened(Through.JACK, Face.FRONT, 80, 30)
              .withControl(new ControlId("b1"), c -> c.withPlacement(Placement.at(80, at)));
      said(build).stream()
          .map(f -> f.code().text())
          .filter(code -> code.equals("CS-10") || code.equals("CS-21"))
          .forEach(met::add);
    }
    assertThat(met).startsWith("CS-21", "CS-21").contains("CS-10");
    assertThat(met.lastIndexOf("CS-21")).isLessThan(met.indexOf("CS-10"));
  }

  private static List<Finding> said(Build build) {
    return BoxChecks.of(BoxPlan.of(build, CATALOGUE), CATALOGUE);
  }

  /** Each is told; with a stop nothing is fine; and where a fix is offered, it mends. */
  @Test(dataProvider = "wrong")
  public void whatIsWrongIsTold(String what, Build build, String code) {
    List<Finding> said = said(build);
    assertThat(said).as("%s", said).extracting(f -> f.code().text()).contains(code);
    if (said.stream().anyMatch(f -> f.severity() == Severity.STOP)) {
      assertThat(said).extracting(Finding::severity).doesNotContain(Severity.FINE);
    }
    Bench bench = Bench.of(build, CATALOGUE);
    for (Finding finding : bench.findings()) {
      Optional<Fix> fix = finding.code().text().equals(code) ? finding.fix() : Optional.empty();
      if (fix.isPresent()) {
        Build mended = fix.get().edit().apply(build);
        assertThat(said(mended))
            .as("%s", fix.get().label())
            .filteredOn(f -> f.severity() != Severity.FINE)
            .noneMatch(f -> f.same(finding));
      }
    }
  }

  /** A sound case is called sound, of all three kinds, and each thing that was checked is named. */
  @Test
  public void whatIsSoundIsFine() {
    for (Build build :
        List.of(
            desk(),
            made(new Making.Boards(12, 3)),
            made(new Making.Printed(2.4, 400, 400, 250)),
            made(new Making.Bought(2.5, 276, 176, 70)))) {
      assertThat(said(build))
          .as("%s", said(build))
          .extracting(f -> f.code().text())
          .containsExactly("CS-22", "CS-23", "CS-24");
    }
  }

  /** Two boards, one cable's hole: one of them has no way out. */
  @Test
  public void eachPlugWantsItsOwnWay() {
    Build two = Builds.lanternDuel();
    two = PlainBox.in(two, CATALOGUE);
    Build one = cased(two, box -> new Box(box.making()));
    assertThat(said(one)).filteredOn(f -> f.code() == BoxCode.PLUG_HAS_NO_WAY).hasSize(2);
    Build cable =
        cased(one, box -> box.with(new Cutout("c", Face.BACK, new Point(320, 40), Through.CABLE)));
    assertThat(said(cable)).filteredOn(f -> f.code() == BoxCode.PLUG_HAS_NO_WAY).hasSize(1);
    Build both =
        cased(
            cable, box -> box.with(new Cutout("d", Face.BACK, new Point(360, 40), Through.CABLE)));
    assertThat(said(both)).noneMatch(f -> f.code() == BoxCode.PLUG_HAS_NO_WAY);
  }

  /** A plug that passes the wall is not told that it has no room before it. */
  @Test
  public void anOpeningAnswersThePanel() {
    Build build = desk();
    Placement near = Placement.at(150, 150);
    build = build.withBoard(build.board().map(b -> b.at(near)));
    Build shut = cased(build, box -> new Box(box.making()));
    assertThat(codes(shut)).contains("PN-15", "CS-04");
    Finding told =
        Bench.of(shut, CATALOGUE).findings().stream()
            .filter(f -> f.code() == BoxCode.PLUG_HAS_NO_WAY)
            .findFirst()
            .orElseThrow();
    assertThat(codes(told.fix().orElseThrow().edit().apply(shut)))
        .doesNotContain("PN-15", "CS-04", "CS-05");
  }

  private static List<String> codes(Build build) {
    return Bench.of(build, CATALOGUE).findings().stream().map(f -> f.code().text()).toList();
  }

  /** A case that nobody spoke of is worked out and not judged, and its screws are not drilled. */
  @Test
  public void aPlainCaseIsNotJudged() {
    Build build = Builds.ferryBridge();
    Bench bench = Bench.of(build, CATALOGUE);
    assertThat(bench.get(BoxChecks.PLAN).spoken()).isFalse();
    assertThat(bench.get(BoxChecks.PLAN).pieces()).hasSize(6);
    assertThat(bench.get(BoxChecks.FINDINGS)).isEmpty();
    assertThat(LidScrews.of(build).at()).isEmpty();
    Build spoken = PlainBox.in(build, CATALOGUE);
    assertThat(BoxPlan.of(spoken, CATALOGUE).pieces())
        .isEqualTo(bench.get(BoxChecks.PLAN).pieces());
  }

  @DataProvider
  Object[][] lengths() {
    // By hand. Lever: 3 panel + 2 plate + 2 x 0.8 washers + 3.2 nut + 2 x 0.7 = 11.2, so 12.
    // In 12 mm plywood its head is sunk: 12 + 2 + 0.8 + 3.2 + 1.4 = 19.4, so 20.
    // Hinge of 1 mm on 3 mm sheet: 3 + 1 + 2 x 0.5 + 2.4 + 2 x 0.5 = 8.4, so 10.
    // Sides of 12 mm into end grain: 12 + 20 = 32, so 35. Floor: 12 + 12 = 24, so 25.
    // Panel of 12 mm into edges: 12 + 20 = 32, so 35.
    return new Object[][] {
      {Builds.ferryBridge(), "Lever 8-way to the panel", 4, "M4", 12.0},
      {Builds.ferryBridge(), "hinge to the panel", 4, "M3", 10.0},
      {Builds.ferryBridge(), "hinge to the case", 4, "M3", 10.0},
      {Builds.lanternDuel(), "Lever 8-way to the panel", 8, "M4", 20.0},
      {Builds.lanternDuel(), "sides into front and back", 8, "3.5 wood", 35.0},
      {Builds.lanternDuel(), "floor under the walls", 13, "3.5 wood", 25.0},
      {Builds.lanternDuel(), "panel to the walls' edges", 12, "3.5 wood", 35.0},
    };
  }

  /** Lengths by hand, from the standards' tables (from memory) and what is common practice. */
  @Test(dataProvider = "lengths")
  public void screwsByHand(Build build, String joint, int count, String screw, double mm) {
    ScrewLine line =
        BoxPlan.of(build, CATALOGUE).screws().stream()
            .filter(l -> l.joint().equals(joint))
            .findFirst()
            .orElseThrow();
    assertThat(line.count()).isEqualTo(count);
    assertThat(line.screw()).isEqualTo(screw);
    assertThat(line.lengthMm()).hasValue(mm);
  }

  @DataProvider
  Object[][] seeds() {
    return IntStream.range(0, 60).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  /** Whatever is made: a screw is named only where it is within its bounds, else that is a stop. */
  @Test(dataProvider = "seeds")
  public void noScrewComesThrough(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    double t = random.nextDouble(1, 14);
    Making making =
        switch (random.nextInt(3)) {
          case 0 -> new Making.Boards(t, 3);
          case 1 -> new Making.Laser(t, 0.15, 0);
          default -> new Making.Printed(t, 400, 400, 300);
        };
    Build build = cased(desk(), b -> b.withMaking(making).withFeet(random.nextInt(3) * 6));
    Panel panel =
        build
            .panel()
            .withThickness(random.nextDouble(1, 20))
            .withInside(
                new CaseInside(14, random.nextDouble(20, 120))
                    .withOpening(Opening.values()[random.nextInt(5)]));
    BoxPlan plan = BoxPlan.of(build.withPanel(panel), CATALOGUE);
    List<Finding> said = BoxChecks.of(plan, CATALOGUE);
    long none = 0;
    for (ScrewLine line : plan.screws()) {
      line.lengthMm()
          .ifPresent(mm -> assertThat(mm).isBetween(line.leastMm() - 1e-9, line.mostMm() + 1e-9));
      none += line.lengthMm().isEmpty() ? 1 : 0;
      assertThat(line.count()).isPositive();
    }
    assertThat(said).filteredOn(f -> f.code() == BoxCode.NO_SCREW).hasSize((int) none);
    if (none > 0) {
      assertThat(said).noneMatch(f -> f.code() == BoxCode.SCREWS_FINE);
    }
  }

  /** Screws of the case are holes of the panel, in the drill plan as in its piece. */
  @Test(dataProvider = "seeds")
  public void lidScrewsAreDrilled(int seed) {
    SplittableRandom random = new SplittableRandom(100 + seed);
    Build build = made(new Making.Boards(random.nextDouble(9, 14), 3));
    Panel panel =
        build
            .panel()
            .withSize(random.nextDouble(150, 900), random.nextDouble(150, 600))
            .withInside(new CaseInside(15, 80));
    build = build.withPanel(panel);
    LidScrews lid = LidScrews.of(build);
    assertThat(lid.at()).hasSizeGreaterThanOrEqualTo(6);
    Bench bench = Bench.of(build, CATALOGUE);
    for (Point at : lid.at()) {
      assertThat(bench.drill().holes())
          .anyMatch(h -> h.label().equals("case") && h.stored().distanceMm(at) < 1e-9);
      double inward =
          Math.min(
              Math.min(at.xMm(), panel.widthMm() - at.xMm()),
              Math.min(at.yMm(), panel.heightMm() - at.yMm()));
      double t = bench.get(BoxChecks.PLAN).box().making().thicknessMm();
      assertThat(inward).as("in the middle of an edge").isCloseTo(t / 2, within(1e-9));
    }
    assertThat(bench.get(BoxChecks.PLAN).piece("panel").orElseThrow().holes())
        .hasSameSizeAs(bench.drill().holes());
  }

  /** Laid flat and folded up again, a place is where it was; and no two faces lie on each other. */
  @Test(dataProvider = "seeds")
  public void unfoldingFoldsBack(int seed) {
    SplittableRandom random = new SplittableRandom(200 + seed);
    Build build = desk();
    Panel panel =
        build
            .panel()
            .withInside(
                new CaseInside(12, 100)
                    .withFrontDepth(random.nextDouble(30, 160))
                    .withOpening(Opening.HINGED_BACK));
    BoxShape shape = new BoxShape(panel, build.get(BoxBook.PART).box().orElseThrow());
    Unfolded net = new Unfolded(shape);
    for (Face face : Face.values()) {
      Point at = new Point(random.nextDouble(20, 180), random.nextDouble(5, 25));
      Point there = net.at(face, at);
      assertThat(net.on(face, there).distanceMm(at)).isLessThan(1e-9);
      assertThat(net.face(there)).hasValue(face);
      assertThat(there.xMm()).isBetween(0.0, net.widthMm());
      assertThat(there.yMm()).isBetween(0.0, net.heightMm());
    }
  }

  @DataProvider
  Object[][] refused() {
    return new Object[][] {
      {"{\"how\": \"carved\"}", "carved"},
      {"{\"how\": \"laser\", \"thickness_mm\": 0, \"kerf_mm\": 0.1}", "thickness_mm"},
      {"{\"how\": \"laser\", \"thickness_mm\": 3, \"kerf_mm\": -1}", "kerf_mm"},
      {"{\"how\": \"boards\", \"thickness_mm\": 12}", "kerf_mm"},
      {
        "{\"how\": \"printed\", \"thickness_mm\": 2, \"bed_width_mm\": 5, \"bed_depth_mm\": 200,"
            + " \"bed_height_mm\": 200}",
        "bed_width_mm"
      },
    };
  }

  /** What no case can be is refused by key. */
  @Test(dataProvider = "refused")
  public void brokenCasesAreRefused(String making, String word) throws Exception {
    String text = BuildFile.text(desk());
    String broken = text.replaceFirst("\"making\": \\{[^}]*}", "\"making\": " + making);
    assertThat(broken).isNotEqualTo(text);
    assertThatThrownBy(() -> BuildFile.parse(broken, "test", CATALOGUE))
        .isInstanceOf(BuildFileException.class)
        .hasMessageContaining(word);
    assertThat(BuildFile.parse(text, "test", CATALOGUE)).isEqualTo(desk());
  }
}
