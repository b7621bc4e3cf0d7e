package kumite.panel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import kumite.Builds;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.panel.Material;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.measure.Placement;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Tools, screws and running dimensions, against handbook values. */
public class DrillPlanTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  /** ISO 273, medium fit, and ISO 10642 head diameters; both from memory. */
  @DataProvider
  Object[][] screws() {
    return new Object[][] {
      {"M2", 2.4, 0.0},
      {"M2.5", 2.9, 0.0},
      {"M3", 3.4, 6.72},
      {"M3.5", 3.9, 0.0},
      {"M4", 4.5, 8.96},
      {"M5", 5.5, 11.20},
      {"M6", 6.6, 13.44},
    };
  }

  @Test(dataProvider = "screws")
  public void screwsClearAndSinkAsTheStandardsSay(String name, double clearance, double head) {
    Screw screw = Screw.named(name).orElseThrow();
    assertThat(screw.clearanceMm()).isEqualTo(clearance);
    assertThat(screw.headMm()).isEqualTo(head);
    if (head > 0) {
      // That head is 2.24 times the thread (same standard).
      assertThat(head).isCloseTo(2.24 * Double.parseDouble(name.substring(1)), within(0.005));
    }
  }

  /** ASME B94.11M, from memory: a few number drills and fractions in inches. */
  @DataProvider
  Object[][] drills() {
    return new Object[][] {
      {"No. 1 twist bit", 0.2280},
      {"No. 7 twist bit", 0.2010},
      {"No. 16 twist bit", 0.1770},
      {"No. 21 twist bit", 0.1590},
      {"No. 29 twist bit", 0.1360},
      {"No. 36 twist bit", 0.1065},
      {"No. 43 twist bit", 0.0890},
      {"No. 60 twist bit", 0.0400},
      {"3/8 in twist bit", 0.375},
      {"1/64 in twist bit", 1 / 64.0},
      {"31/64 in twist bit", 31 / 64.0},
    };
  }

  @Test(dataProvider = "drills")
  public void drillsHaveTheirDiameters(String name, double inch) {
    Tool tool =
        Tool.of(Tool.Type.TWIST).stream()
            .filter(t -> t.name().equals(name))
            .findFirst()
            .orElseThrow();
    assertThat(tool.diameterMm()).isCloseTo(inch * 25.4, within(1e-9));
  }

  @DataProvider
  Object[][] choices() {
    return new Object[][] {
      // hole, most play, material, thickness, tool, play
      {30.0, 1.0, Material.PLYWOOD, 12.0, "30 mm spade bit", 0.0},
      {30.0, 1.0, Material.ACRYLIC, 3.0, "30 mm hole saw", 0.0},
      {24.0, 1.0, Material.ALUMINIUM, 2.0, "24 mm hole saw", 0.0},
      {12.0, 1.0, Material.STEEL, 2.0, "12 mm twist bit", 0.0},
      {4.5, 0.5, Material.MDF, 12.0, "4.5 mm twist bit", 0.0},
      {22.3, 1.0, Material.STEEL, 2.0, "24 mm", -1.0},
    };
  }

  @Test(dataProvider = "choices")
  public void theNearestToolIsChosen(
      double hole, double most, Material material, double thickness, String tool, double play) {
    Tool.Choice choice = Tool.forHole(hole, most, material, thickness).orElseThrow();
    if (play < 0) {
      assertThat(choice.playMm()).as("no tool within the play: file it out").isNegative();
      assertThat(choice.playWords()).startsWith("file out");
    } else {
      assertThat(choice.tool().name()).isEqualTo(tool);
      assertThat(choice.playMm()).isCloseTo(play, within(1e-9));
    }
  }

  /** 1 1/8 in is 28.575 mm; a 28.6 mm hole is 0.025 mm over (1 in = 25.4 mm, 1959 agreement). */
  @Test
  public void theNearestFractionIsNamedWithItsError() {
    Build build =
        Build.empty("x")
            .withControl(Control.of(new ControlId("b"), "B", "button-28", Placement.at(60, 60)))
            .withPanel(Build.empty("x").panel().withThickness(6));
    DrillPlan.Hole hole = DrillPlan.of(build, CATALOGUE).holes().get(0);
    assertThat(hole.nearestInch()).startsWith("1 1/8 in");
  }

  /** Each place is rounded on its own: a row of 33 1/3 mm steps ends where it must. */
  @Test
  public void runningDimensionsDoNotAddUpErrors() {
    double[] places = new double[20];
    for (int i = 0; i < 10; i++) {
      places[2 * i] = 20 + i * 100 / 3.0;
      places[2 * i + 1] = 60;
    }
    Build build = Builds.buttons(places);
    build = build.withPanel(build.panel().withSize(400, 200));
    List<DrillPlan.Hole> holes = DrillPlan.of(build, CATALOGUE).holes();
    double last = Double.parseDouble(Length.number(holes.get(9).xMm(), LengthUnit.MM));
    assertThat(last).isEqualTo(320.0);
    for (DrillPlan.Hole hole : holes) {
      double shown = Double.parseDouble(Length.number(hole.xMm(), LengthUnit.MM));
      assertThat(shown).isCloseTo(hole.stored().xMm(), within(0.05001));
      assertThat(hole.belowXMm() + hole.stored().xMm()).isCloseTo(400, within(1e-9));
    }
  }

  @Test
  public void everyHoleHasItsTurnSmallOnesFirstAndCutOutsLast() {
    DrillPlan plan = DrillPlan.of(Builds.ferryBridge(), CATALOGUE);
    Set<Integer> turns = new TreeSet<>();
    plan.holes().forEach(h -> turns.add(h.order()));
    assertThat(turns).hasSize(plan.holes().size()).contains(1, plan.holes().size());
    for (DrillPlan.Hole hole : plan.holes()) {
      assertThat(hole.toolWords()).isNotBlank();
      for (DrillPlan.Hole other : plan.holes()) {
        if (hole.tool().isPresent() && other.tool().isEmpty()) {
          assertThat(hole.order()).as("drilled before sawn").isLessThan(other.order());
        }
        if (hole.tool().isPresent()
            && other.tool().isPresent()
            && hole.shape().widthMm() < other.shape().widthMm()) {
          assertThat(hole.order()).isLessThan(other.order());
        }
      }
    }
  }
}
