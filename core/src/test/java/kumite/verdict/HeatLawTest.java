package kumite.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import kumite.Builds;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.loom.Laying;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.json.Key;
import kumite.kind.ControlKind;
import kumite.measure.Placement;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.parts.PartFile;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * A part that loses more than the usual one bears is told, and none that stays cool: watts by Ohm's
 * law, with the lamp's forward voltage 0.3 V off either way, since the lamp is solved as a diode
 * that carries about what it is made for.
 */
public class HeatLawTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  private static ControlKind own(String of, String key, double value) {
    ObjectNode node = (ObjectNode) PartFile.write(CATALOGUE.control(of).orElseThrow());
    node.put("id", "own-part");
    if (key.equals("ohm")) {
      node.put("ohm", value);
    } else {
      ((ObjectNode) node.get("lamp")).put(key, value);
    }
    return PartFile.read(new Key("part", node));
  }

  private static Build with(ControlKind kind, String board) {
    Build build = Builds.buttons(60, 60).withOwn(kind);
    build =
        build.withControl(
            Control.of(new ControlId("own"), "Own", kind.id(), Placement.at(150, 80)));
    return Builds.wired(build, board);
  }

  private static List<Finding> hot(Build build) {
    return Bench.of(build, CATALOGUE).findings().stream()
        .filter(f -> f.code().text().equals("PW-19"))
        .toList();
  }

  @Test
  public void aResistorThatGetsHotIsTold() {
    SplittableRandom random = new SplittableRandom(19);
    int told = 0;
    int cool = 0;
    for (int i = 0; i < 60; i++) {
      double ohm = Math.rint(Math.exp(random.nextDouble(Math.log(4), Math.log(1500))));
      Build build =
          with(
                  own("button-30-lamp", "current_ma", Math.max(1, Math.rint(3000 / ohm))),
                  "native-5v-54")
              .withControl(new ControlId("own"), c -> c.withLampOhm(OptionalDouble.of(ohm)));
      double least = watts(2.7, ohm);
      double most = watts(3.3, ohm);
      List<Finding> hot = hot(build);
      if (least > 0.125) {
        told++;
        assertThat(hot).as("%s W at least in %s ohm", least, ohm).hasSize(1);
        assertThat(hot.get(0).detail()).contains("W are lost in one resistor");
        if (least > 2.5) {
          assertThat(hot.get(0).severity()).isEqualTo(Severity.STOP);
        } else if (most < 2.5) {
          assertThat(hot.get(0).severity()).isEqualTo(Severity.LOOK);
        }
      } else if (most < 0.125) {
        cool++;
        assertThat(hot).as("%s W at most in %s ohm", most, ohm).isEmpty();
      }
    }
    assertThat(told).isGreaterThan(15);
    assertThat(cool).isGreaterThan(15);
  }

  private static double watts(double volts, double ohm) {
    return volts * volts / ohm;
  }

  @Test
  public void aPotThatGetsHotIsTold() {
    for (double ohm : new double[] {5, 10, 24, 26, 100, 110, 1000, 10_000}) {
      double watts = 3.3 * 3.3 / ohm;
      List<Finding> hot = hot(with(own("slider-60", "ohm", ohm), "native-3v3-26"));
      assertThat(hot).as("%s ohm", ohm).hasSize(watts > 0.1 ? 1 : 0);
      hot.forEach(
          finding ->
              assertThat(finding.severity()).isEqualTo(watts > 1 ? Severity.STOP : Severity.LOOK));
    }
  }

  /**
   * Four lamps of about 91 mA (3 V over 33 ohm): 0.36 A through the first stretch of a chain, 0.09
   * A through wires of their own. Copper by ASTM B258: 28 AWG 0.0804, 30 AWG 0.0507, 34 AWG 0.0201,
   * 36 AWG 0.0127 mm2; so 4.5, 7.2 and 18 A/mm2 in the chain, 4.5 and 7.2 alone.
   */
  @DataProvider
  public Object[][] gauges() {
    return new Object[][] {
      {28, Laying.CommonShape.CHAIN, ""},
      {30, Laying.CommonShape.CHAIN, "look"},
      {34, Laying.CommonShape.CHAIN, "stop"},
      {34, Laying.CommonShape.RING, "look"},
      {34, Laying.CommonShape.STAR, ""},
      {36, Laying.CommonShape.STAR, "look"},
    };
  }

  @Test(dataProvider = "gauges")
  public void aWireThatGetsHotIsTold(int awg, Laying.CommonShape shape, String word) {
    Build build = Build.empty("Lamps").withOwn(own("button-30-lamp", "current_ma", 100));
    for (int i = 0; i < 4; i++) {
      ControlId id = new ControlId("l" + i);
      build =
          build
              .withControl(Control.of(id, "L" + i, "own-part", Placement.at(50 + 45 * i, 60)))
              .withControl(id, c -> c.withLampOhm(OptionalDouble.of(33)));
    }
    build = Builds.wired(build, "native-5v-54");
    Laying laying = build.loom().laying().withShape(shape).withGauge(awg);
    build = build.withLoom(build.loom().withLaying(laying));
    List<Finding> hot = hot(build).stream().filter(f -> f.title().contains("AWG")).toList();
    assertThat(hot.stream().map(f -> f.severity().word()).toList())
        .isEqualTo(word.isEmpty() ? List.of() : List.of(word));
  }

  /** Nothing that is shipped gets hot as it is wired by the plan. */
  @Test
  public void whatIsShippedStaysCool() throws Exception {
    for (String demo : kumite.files.Demo.names()) {
      assertThat(hot(kumite.files.Demo.open(demo, CATALOGUE))).as(demo).isEmpty();
    }
  }
}
