package kumite.panel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeSet;
import java.util.stream.IntStream;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.Seat;
import kumite.build.map.Mapping;
import kumite.build.panel.Block;
import kumite.build.panel.CaseInside;
import kumite.build.panel.Material;
import kumite.build.panel.Panel;
import kumite.files.BuildFile;
import kumite.finding.Finding;
import kumite.kind.ControlKind;
import kumite.kind.ScrewHole;
import kumite.map.TargetText;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.name.SeatId;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Screws, sheets, covers, and the people at a panel, against tables and by hand. */
public class PanelTruthsTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 60).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  private static Panel panel(Material material, double thickness) {
    return Build.empty("Truths").panel().withMaterial(material).withThickness(thickness);
  }

  // ---- sinks

  @DataProvider
  public Object[][] sinks() {
    return new Object[][] {
      // Screw, its hole, depth of the cone by hand: heads ISO 10642 and ASME B18.6.3 (82 degrees,
      // No. 8 about 8.4 mm), both from memory as in TRADE.
      {"M3", 3.4, (6.72 - 3.4) / 2},
      {"M4", 4.5, (8.96 - 4.5) / 2},
      {"No. 8-32", 4.5, (8.4 - 4.5) / 2 / Math.tan(Math.toRadians(41))},
      {"#8-32", 4.5, (8.4 - 4.5) / 2 / Math.tan(Math.toRadians(41))},
      {"8-32", 4.5, (8.4 - 4.5) / 2 / Math.tan(Math.toRadians(41))},
      {"M6", 6.6, (13.44 - 6.6) / 2},
    };
  }

  @Test(dataProvider = "sinks")
  public void sinksAreConesOfTheirStandard(String name, double hole, double depth) {
    Screw screw = Screw.named(name).orElseThrow();
    assertThat(screw.sinkDepthMm(hole)).isCloseTo(depth, within(1e-9));
    ScrewHole at = new ScrewHole(new Point(0, 0), hole, name);
    for (Material material : Material.values()) {
      for (double t = 1; t <= 19; t += 0.5) {
        boolean holds = t - depth >= material.underSinkMm();
        assertThat(Screw.sinkMm(at, panel(material, t)) > 0)
            .as("%s in %s of %s mm", name, material, t)
            .isEqualTo(holds);
      }
    }
    // TRADE: none into thin print or 3 mm acrylic; common practice.
    assertThat(Screw.sinkMm(at, panel(Material.ACRYLIC, 3))).isZero();
    assertThat(Screw.sinkMm(at, panel(Material.PRINTED, 3))).isZero();
    assertThat(Screw.sinkMm(at, panel(Material.PLYWOOD, 12))).isPositive();
  }

  // ---- the sheet

  /** Table 23 of Timoshenko and Woinowsky-Krieger, from memory, and a plate worked by hand. */
  @Test
  public void aPlateBendsAsTheTableSays() {
    Map<Double, Double> table =
        Map.of(1.0, 0.01160, 1.4, 0.01484, 2.0, 0.01651, 3.0, 0.01690, 9.0, 0.01690);
    table.forEach((ratio, k) -> assertThat(Sheet.k(ratio)).isCloseTo(k, within(1e-9)));
    // 3 mm acrylic, 276 by 276 mm inside the walls: D = 8.24 N m, w = 0.0116 * 30 * 0.0762 / 8.24.
    Panel square = panel(Material.ACRYLIC, 3).withSize(300, 300).withInside(new CaseInside(12, 70));
    assertThat(Sheet.of(square).bendsMm()).isCloseTo(3.58, within(0.02));
  }

  @Test(dataProvider = "seeds")
  public void aRibHoldsTheSheet(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    double wide = random.nextDouble(300, 1200);
    double high = random.nextDouble(200, 500);
    Material material = Material.values()[random.nextInt(Material.values().length)];
    Panel bare =
        panel(material, random.nextDouble(1.5, 6))
            .withSize(wide, high)
            .withInside(new CaseInside(10, 90));
    Block rib = new Block("rib", wide / 2 - 6, 10, 12, high - 20);
    double bends = Sheet.of(bare).bendsMm();
    double held = Sheet.of(bare.withInside(bare.inside().withBlocks(List.of(rib)))).bendsMm();
    double onFloor =
        Sheet.of(
                bare.withInside(
                    bare.inside().withBlocks(List.of(rib.standing(Block.Stands.FLOOR, 20)))))
            .bendsMm();
    double under =
        Sheet.of(
                bare.withInside(
                    bare.inside().withBlocks(List.of(rib.standing(Block.Stands.PANEL, 20)))))
            .bendsMm();
    assertThat(held).isLessThanOrEqualTo(bends);
    assertThat(onFloor).as("what does not touch it does not hold it").isEqualTo(bends);
    assertThat(under).isEqualTo(held);
    // Twice as thick is eight times as stiff.
    assertThat(Sheet.of(bare.withThickness(2 * bare.thicknessMm())).bendsMm())
        .isCloseTo(bends / 8, within(1e-9));
    Build build =
        Build.empty("Sheet")
            .withPanel(bare)
            .withControl(
                Control.of(new ControlId("b"), "B", "button-30", Placement.at(wide / 3, high / 2)));
    assertThat(codes(build).contains("PN-33")).isEqualTo(bends > Sheet.MOST_MM);
  }

  private static Set<String> codes(Build build) {
    Set<String> codes = new TreeSet<>();
    Bench.of(build, CATALOGUE).findings().stream().map(f -> f.code().text()).forEach(codes::add);
    return codes;
  }

  // ---- covers

  /** To a part that passes through both, panel and cover are one thicker panel. */
  @Test(dataProvider = "seeds")
  public void aCoverIsPartOfWhatAPartGrips(int seed) throws Exception {
    SplittableRandom random = new SplittableRandom(seed);
    Build build = RandomBuilds.any(random);
    double cover = random.nextDouble(0.2, 3);
    Panel panel = build.panel().withThickness(random.nextDouble(1, 15)).withCover(cover);
    Build covered = build.withPanel(panel);
    Build thick = build.withPanel(panel.withCover(0).withThickness(panel.thicknessMm() + cover));
    assertThat(depths(covered)).isEqualTo(depths(thick));
    for (Control control : build.controls()) {
      ControlKind kind = CATALOGUE.with(build).kindOf(control);
      boolean alone =
          kind.mount().how() == ControlKind.Mount.How.SCREWS
              && kind.mount().from() == ControlKind.Mount.From.BELOW;
      double grip = panel.thicknessMm() + (alone ? 0 : cover);
      assertThat(Grip.holds(kind, panel))
          .as(kind.id())
          .isEqualTo(grip >= kind.thinnestMm() && grip <= kind.thickestMm());
    }
    Build read = BuildFile.parse(BuildFile.text(covered), "cover", CATALOGUE);
    assertThat(read.panel()).isEqualTo(covered.panel());
  }

  private static List<String> depths(Build build) {
    List<String> depths = new ArrayList<>();
    Gaps.of(build, CATALOGUE.with(build)).list().stream()
        .filter(g -> g.kind() == Gap.Kind.DEPTH)
        .forEach(g -> depths.add(g.controls() + String.format(" %.6f", g.gapMm())));
    return depths;
  }

  /** A button that holds in 4 mm at most, in 3 mm of acrylic under 2 mm of cover. */
  @Test
  public void aPartThatCannotGripBothIsAStop() {
    Build build =
        Build.empty("Cover")
            .withControl(Control.of(new ControlId("b"), "B", "button-30", Placement.at(150, 100)));
    assertThat(codes(build)).doesNotContain("PN-07");
    Build covered = build.withPanel(build.panel().withCover(2));
    assertThat(codes(covered)).contains("PN-07");
    Finding stop =
        Bench.of(covered, CATALOGUE).findings().stream()
            .filter(f -> f.code().text().equals("PN-07"))
            .findFirst()
            .orElseThrow();
    assertThat(stop.detail()).contains("panel and cover are 5.0 mm");
    assertThat(codes(stop.fix().orElseThrow().edit().apply(covered))).doesNotContain("PN-07");
  }

  // ---- hands and people

  private static Build deck(double apart, boolean twoSeats, boolean secondLever) {
    SeatId left = SeatId.FIRST;
    SeatId right = new SeatId("right");
    Build build = Build.empty("Duel");
    build = build.withPanel(build.panel().withSize(1400, 300).withThickness(12));
    if (twoSeats) {
      build = build.withSeats(List.of(Seat.empty(left), Seat.empty(right)));
    }
    Mapping one = Mapping.EMPTY;
    Mapping two = Mapping.EMPTY;
    for (int player = 0; player < 2; player++) {
      double x = 200 + player * apart;
      List<String> kinds =
          new ArrayList<>(List.of("button-30-screw", "button-30-screw", "button-30-screw"));
      if (player == 0 || secondLever) {
        kinds.add(0, "lever-8");
      }
      for (int i = 0; i < kinds.size(); i++) {
        ControlId id = new ControlId("p" + player + i);
        Control control = Control.of(id, "P" + player + i, kinds.get(i), Placement.at(x, 150));
        x += 60;
        build =
            build.withControl(
                twoSeats && player == 1 ? control.withSeat(Optional.of(right)) : control);
        String pad = !twoSeats && player == 1 ? "Pad 2 " : "";
        ControlKind kind = CATALOGUE.kindOf(control);
        int button = 1 + i;
        for (var contact : kind.contacts()) {
          ContactId at =
              kind.contacts().size() == 1
                  ? ContactId.parse(id.text())
                  : ContactId.parse(id.text() + "." + contact.name());
          Mapping.Entry entry = new Mapping.Entry(TargetText.parse(pad + "Button " + button++), "");
          if (twoSeats && player == 1) {
            two = two.with(at, entry);
          } else {
            one = one.with(at, entry);
          }
        }
      }
    }
    Mapping first = one;
    Mapping second = two;
    List<Seat> seats =
        new ArrayList<>(List.of(Seat.empty(left).withProfile(p -> p.withBase(first))));
    if (twoSeats) {
      seats.add(Seat.empty(right).withProfile(p -> p.withBase(second)));
    }
    return build.withSeats(seats);
  }

  @DataProvider
  public Object[][] players() {
    return new Object[][] {
      // Shoulders of 95 of 100 men are narrower than 535 mm (1988 survey, from memory).
      {534.0, true, true, true},
      {536.0, true, true, false},
      {534.0, false, true, true},
      {536.0, false, true, false},
      // One player whose second board reads more buttons is one player.
      {400.0, true, false, false},
      {400.0, false, false, false},
    };
  }

  @Test(dataProvider = "players")
  public void playersNeedTheirShoulders(
      double apart, boolean twoSeats, boolean secondLever, boolean told) {
    assertThat(codes(deck(apart, twoSeats, secondLever)).contains("HD-06")).isEqualTo(told);
  }

  /** A flush button within the fingers round the ball is under the hand; one outside is not. */
  @Test(dataProvider = "seeds")
  public void aButtonUnderTheHandIsTold(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    ControlKind lever = CATALOGUE.control("lever-8").orElseThrow();
    ControlKind button = CATALOGUE.control("button-24").orElseThrow();
    double angle = random.nextDouble(2 * Math.PI);
    double away = random.nextDouble(20, 120);
    double gap = away - lever.above().swing().widthMm() / 2 - button.face().widthMm() / 2;
    Build build =
        Build.empty("Hand")
            .withControl(Control.of(new ControlId("l"), "L", "lever-8", Placement.at(150, 100)))
            .withControl(
                Control.of(
                    new ControlId("b"),
                    "B",
                    "button-24",
                    Placement.at(150 + away * Math.cos(angle), 100 + away * Math.sin(angle))));
    boolean under = gap < lever.above().fingersMm();
    assertThat(codes(build).contains("HD-07")).as("gap %.2f", gap).isEqualTo(under);
  }

  // ---- screws of the panel, and the way out

  @Test(dataProvider = "seeds")
  public void aPartOnThePanelsScrewIsTold(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    ControlKind button = CATALOGUE.control("button-30").orElseThrow();
    double size = random.nextDouble(12, 60);
    double x = random.nextDouble(60, 240);
    double y = random.nextDouble(60, 140);
    Block.Stands stands = Block.Stands.values()[random.nextInt(3)];
    Block block =
        new Block("corner block", x - size / 2, y - size / 2, size, size)
            .standing(stands, stands == Block.Stands.WHOLE ? 0 : 15);
    double away = random.nextDouble(0, 40);
    double angle = random.nextDouble(2 * Math.PI);
    Build build = Build.empty("Screws");
    build =
        build
            .withPanel(build.panel().withInside(build.panel().inside().withBlocks(List.of(block))))
            .withControl(
                Control.of(
                    new ControlId("b"),
                    "B",
                    button.id(),
                    Placement.at(x + away * Math.cos(angle), y + away * Math.sin(angle))));
    boolean on =
        size <= 40 && stands != Block.Stands.FLOOR && away < button.face().widthMm() / 2 + 4;
    assertThat(codes(build).contains("PN-35")).as("%.1f away", away).isEqualTo(on);
  }

  /** Each board has its way out: on the side its plug looks to, at its plug's middle. */
  @Test
  public void theCableLeavesWhereThePlugLooks() {
    String[] sides = {"back", "left", "front", "right"};
    for (int quarter = 0; quarter < 4; quarter++) {
      Placement one = Placement.at(150, 100).turnedTo(90 * quarter);
      Placement two = Placement.at(210, 60).turnedTo(90 * quarter);
      Build build = Build.empty("Way out");
      build =
          build.withSeats(
              List.of(
                  Seat.empty(SeatId.FIRST)
                      .withBoard(Optional.of(new kumite.build.BoardChoice("native-5v-18", one))),
                  Seat.empty(new SeatId("right"))
                      .withBoard(Optional.of(new kumite.build.BoardChoice("native-3v3-26", two)))));
      List<WayOut> ways = WayOut.of(build, CATALOGUE);
      assertThat(ways).hasSize(2).allMatch(w -> w.plugMm() > 5);
      boolean level = quarter % 2 == 0;
      assertThat(ways).extracting(way -> way.side().words()).containsOnly(sides[quarter]);
      assertThat(ways.get(0).atMm()).isCloseTo(level ? 150 : 100, within(1e-9));
      assertThat(ways.get(1).atMm()).isCloseTo(level ? 210 : 60, within(1e-9));
      Build open = build.withPanel(build.panel().withInside(new CaseInside(0, 70)));
      assertThat(WayOut.of(open, CATALOGUE)).isEmpty();
    }
  }

  /** A rib that is taller than the case is told, by where it stands on a floor that slopes. */
  @Test
  public void aBlockTallerThanTheCaseIsTold() {
    Build build = Build.empty("Tall");
    for (double tall : new double[] {39, 41, 61}) {
      for (double front : new double[] {5, 180}) {
        Block rib = new Block("rib", 50, front, 40, 10).standing(Block.Stands.FLOOR, tall);
        CaseInside inside =
            new CaseInside(5, 60, 40, List.of(rib), kumite.build.panel.Opening.LIFTS_OFF);
        Build there = build.withPanel(build.panel().withInside(inside));
        double deep = 40 + 20 * front / there.panel().heightMm();
        assertThat(codes(there).contains("PN-23"))
            .as("%s at %s", tall, front)
            .isEqualTo(tall > deep);
      }
    }
  }
}
