package kumite.panel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.panel.CaseInside;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Severity;
import kumite.finding.Station;
import kumite.kind.ControlKind;
import kumite.measure.Placement;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A row that is too narrow is spread along itself: it stays a row, in its order. */
public class SpacingLawTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  /** Findings about the room between two parts. */
  private static final List<String> BETWEEN_PARTS =
      List.of("PN-01", "PN-03", "PN-04", "PN-10", "PN-11", "PN-31", "PN-32");

  private static Build row(String kind, int many, double pitch, boolean alongX, double size) {
    Build build = Build.empty("Row");
    build = build.withPanel(build.panel().withSize(size, size).withInside(new CaseInside(8, 120)));
    for (int i = 0; i < many; i++) {
      double along = size / 2 + (i - (many - 1) / 2.0) * pitch;
      build =
          build.withControl(
              Control.of(
                  new ControlId("p" + i),
                  "P" + i,
                  kind,
                  alongX ? Placement.at(along, size / 2) : Placement.at(size / 2, along)));
    }
    return build;
  }

  private static List<Finding> narrow(Build build) {
    return Bench.of(build, CATALOGUE).findings().stream()
        .filter(f -> f.station() == Station.PANEL && f.severity() != Severity.FINE)
        .filter(f -> BETWEEN_PARTS.contains(f.code().text()))
        .toList();
  }

  @DataProvider(parallel = true)
  public Object[][] seeds() {
    return IntStream.range(0, 60).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  @Test(dataProvider = "seeds")
  public void aRowIsSpreadAndStaysARow(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    List<ControlKind> kinds =
        CATALOGUE.controls().stream()
            .filter(k -> k.cutout().widthMm() > 10 && k.face().widthMm() < 60)
            .toList();
    ControlKind kind = kinds.get(random.nextInt(kinds.size()));
    boolean alongX = random.nextBoolean();
    int many = random.nextInt(3, 8);
    double face = alongX ? kind.face().widthMm() : kind.face().heightMm();
    Build build = row(kind.id(), many, face * random.nextDouble(0.75, 1.0), alongX, 1400);
    List<Finding> before = narrow(build);
    assertThat(before).isNotEmpty();
    Fix fix = before.get(0).fix().orElseThrow();
    assertThat(fix.label()).contains("of " + many);
    Build after = fix.edit().apply(build);
    assertThat(narrow(after)).as(fix.label()).isEmpty();
    List<Double> along = new ArrayList<>();
    for (Control control : after.controls()) {
      Placement at = control.placement();
      assertThat(alongX ? at.yMm() : at.xMm()).isEqualTo(700);
      along.add(alongX ? at.xMm() : at.yMm());
    }
    assertThat(along).isSorted();
    double pitch = along.get(1) - along.get(0);
    for (int i = 1; i < many; i++) {
      assertThat(along.get(i) - along.get(i - 1)).isCloseTo(pitch, within(1e-9));
    }
    // No wider than it must be: half a millimetre less has too little room again.
    assertThat(narrow(row(kind.id(), many, pitch - 0.51, alongX, 1400))).isNotEmpty();
    double middle = (along.get(0) + along.get(many - 1)) / 2;
    assertThat(middle).as("about its own middle").isCloseTo(700, within(0.51));
  }

  /** Six buttons at 31 mm: their 33 mm flanges and 2 mm between them want 35. */
  @Test
  public void sixButtonsAreSpreadToWhatFits() {
    ControlKind kind = CATALOGUE.control("button-30").orElseThrow();
    double pitch = kind.face().widthMm() + Gaps.FLANGE_MM;
    Build build = row("button-30", 6, 31, true, 300);
    Optional<Fix> fix = narrow(build).get(0).fix();
    Build after = fix.orElseThrow().edit().apply(build);
    double there =
        after.controls().get(1).placement().xMm() - after.controls().get(0).placement().xMm();
    assertThat(there).isBetween(pitch, pitch + 0.5);
  }

  /** Where one part of a row meets something else, it moves along the row, or the row with it. */
  @Test(dataProvider = "seeds")
  public void aRowIsNotBrokenByOnePart(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Build build = row("button-30", 4, 50, true, 500);
    double x = build.controls().get(random.nextInt(4)).placement().xMm();
    build =
        build.withControl(
            Control.of(
                new ControlId("other"),
                "Other",
                "toggle-12",
                Placement.at(
                    x, 250 + random.nextDouble(18, 26) * (random.nextBoolean() ? 1 : -1))));
    for (Finding finding : narrow(build)) {
      Build after = finding.fix().orElseThrow().edit().apply(build);
      long rows =
          IntStream.range(0, 4)
              .mapToDouble(i -> after.controls().get(i).placement().yMm())
              .distinct()
              .count();
      assertThat(rows).as(finding.fix().orElseThrow().label()).isEqualTo(1);
    }
  }
}
