package kumite.panel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.panel.Block;
import kumite.build.panel.CaseInside;
import kumite.build.panel.Opening;
import kumite.kind.ControlKind;
import kumite.loom.Loom;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import org.testng.annotations.Test;

/** Cuts through the case, and levers compared, against figures worked out by hand. */
public class SectionAndLeverTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  private static Build one(String kind, double x, double y) {
    Build empty = Build.empty("x");
    return empty.withControl(Control.of(new ControlId("c"), "C", kind, Placement.at(x, y)));
  }

  /** A chord 9 mm off the middle of a 30 mm hole is 2 sqrt(15^2 - 9^2) = 24 mm long. */
  @Test
  public void aCutBesideTheMiddleMeetsAChord() {
    Build build = one("button-30", 100, 80);
    Section cut = Section.of(build, CATALOGUE, new Section.Line(true, 89));
    List<Section.Piece> panel =
        cut.pieces().stream().filter(p -> p.role() == Section.Role.PANEL).toList();
    assertThat(panel).hasSize(2);
    assertThat(panel.get(1).fromMm() - panel.get(0).toMm()).isCloseTo(24, within(0.02));
    assertThat(panel.get(0).toMm()).isCloseTo(88, within(0.02));
    Section.Piece body =
        cut.pieces().stream().filter(p -> p.role() == Section.Role.BODY).findFirst().orElseThrow();
    // 44 mm in its thinnest panel of 1 mm; this one is 3 mm.
    assertThat(body.topMm() - body.bottomMm()).isCloseTo(42, within(1e-9));
    assertThat(cut.floorFromMm()).isEqualTo(-73);
  }

  @Test
  public void aSlopingFloorIsMetWhereThereIsLeastRoom() {
    Build build = one("button-30", 100, 80);
    CaseInside sloped = build.panel().inside().withDepth(80).withFrontDepth(40);
    Build desk = build.withPanel(build.panel().withInside(sloped));
    Gap depth =
        Gaps.of(desk, CATALOGUE).list().stream()
            .filter(g -> g.kind() == Gap.Kind.DEPTH)
            .findFirst()
            .orElseThrow();
    // 200 mm deep, 40 mm rise: 0.2 a millimetre. The body of 29.5 mm begins at y = 65.25.
    assertThat(depth.gapMm()).isCloseTo(40 + 0.2 * 65.25 - 42, within(1e-6));
    Section cut = Section.of(desk, CATALOGUE, new Section.Line(false, 100));
    assertThat(cut.floorFromMm()).isEqualTo(-43);
    assertThat(cut.floorToMm()).isEqualTo(-83);
  }

  @Test
  public void blocksAreInTheWayBelow() {
    Build build = one("button-30", 100, 80);
    Block batten = new Block("batten", 116, 0, 18, 200);
    Build blocked =
        build.withPanel(
            build.panel().withInside(build.panel().inside().withBlocks(List.of(batten))));
    Gap gap =
        Gaps.of(blocked, CATALOGUE).list().stream()
            .filter(g -> g.kind() == Gap.Kind.BODY_BLOCK)
            .findFirst()
            .orElseThrow();
    assertThat(gap.gapMm()).isCloseTo(116 - 100 - 29.5 / 2, within(1e-9));
    assertThat(gap.against()).isEqualTo("batten");
  }

  /**
   * The lid stands square: board and control are the legs of a right angle. Board 60 mm from the
   * hinge, control 120 mm from it, case 70 mm deep: sqrt(60^2 + (120 + 70)^2).
   */
  @Test
  public void aHingedLidNeedsTheLoopThatGeometrySays() {
    Build build = kumite.Builds.wired(one("button-30", 150, 80), "native-3v3-26");
    Build hinged =
        build.withPanel(
            build.panel().withInside(build.panel().inside().withOpening(Opening.HINGED_BACK)));
    var strand =
        Loom.of(hinged, CATALOGUE)
            .strandOf(new kumite.name.ContactId(new ControlId("c"), ""))
            .orElseThrow();
    Point terminal =
        kumite.loom.PinPlan.place(
            hinged,
            Bench.of(hinged, CATALOGUE)
                .path(strand.contact().orElseThrow())
                .orElseThrow()
                .pin()
                .orElseThrow()
                .terminal());
    double base = 200 - terminal.yMm();
    double aside = Math.abs(150 - terminal.xMm());
    double open = Math.sqrt(base * base + Math.pow(120 + 70, 2) + aside * aside);
    assertThat((double) strand.lengthMm()).isBetween(open - 1e-6, open + 5.001);
    Build onPanel =
        hinged.withBoard(hinged.board().map(b -> b.on(kumite.build.BoardChoice.Seat.PANEL)));
    assertThat(
            Loom.of(onPanel, CATALOGUE)
                .strandOf(strand.contact().orElseThrow())
                .orElseThrow()
                .lengthMm())
        .as("what stays with the lid needs no loop")
        .isLessThan(strand.lengthMm());
  }

  @Test
  public void leversAreComparedForOnePlace() {
    Build build = one("lever-8", 150, 100);
    Levers levers = Levers.of(build, CATALOGUE, new ControlId("c")).orElseThrow();
    assertThat(levers.rows()).hasSize(CATALOGUE.controls(ControlKind.Family.LEVER).size());
    assertThat(levers.rows().get(0).same()).isTrue();
    // TRADE section 2: shaft height falls as the panel thickens (common practice).
    assertThat(levers.rows().get(0).shaftMm()).isCloseTo(45 - (3 - 1), within(1e-9));
    Levers.Row bat =
        levers.rows().stream()
            .filter(r -> r.kind().id().equals("lever-4-bat"))
            .findFirst()
            .orElseThrow();
    assertThat(bat.holds()).as("takes 6 mm and more").isFalse();
    // Same places, M5 for M4: four holes serve both, drilled to the larger.
    assertThat(bat.shared()).isZero();
    assertThat(bat.pattern().screws())
        .hasSize(4)
        .allSatisfy(s -> assertThat(s.diameterMm()).isEqualTo(5.5));
    // From the 28 mm cut-out to a 5.5 mm hole at 20, 42: sqrt(20^2 + 42^2) - 14 - 2.75.
    assertThat(bat.pattern().leastWebMm()).isCloseTo(Math.hypot(20, 42) - 16.75, within(1e-6));
    Levers.Row slim =
        levers.rows().stream()
            .filter(r -> r.kind().id().equals("lever-8-slim"))
            .findFirst()
            .orElseThrow();
    assertThat(slim.cost()).anySatisfy(c -> assertThat(c).contains("splitter"));
    assertThat(slim.pattern().screws()).hasSize(8);
    assertThat(Levers.of(one("button-30", 50, 50), CATALOGUE, new ControlId("c"))).isEmpty();
  }
}
