package kumite.circuit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.function.DoubleUnaryOperator;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class CircuitTest {
  private static Element.Resistor r(String name, String a, String b, double ohm) {
    return new Element.Resistor(name, a, b, ohm);
  }

  private static Element.Source v(String name, String a, double volts) {
    return new Element.Source(name, a, "0", volts);
  }

  @Test
  public void theExampleOfTheDoorHolds() {
    Circuit divider =
        Circuit.of(v("1", "in", 3.3), r("1", "in", "out", 1e4), r("2", "out", "0", 1e4));
    OperatingPoint.Solved point = divider.operatingPoint().solved();
    assertThat(point.at("out")).isCloseTo(1.65, within(1e-12));
    assertThat(point.through("R1")).isCloseTo(1.65e-4, within(1e-15));
    assertThat(point.through("V1")).as("a source that gives").isCloseTo(-1.65e-4, within(1e-15));
    assertThat(point.steps()).isEqualTo(1);
  }

  /**
   * The unbalanced bridge, worked by hand by Thevenin's theorem: 10 V over 100 + 200 and 300 + 150
   * ohm, 50 ohm across. Vth = 10 (200/300 - 150/450) = 10/3 V, Rth = 100||200 + 300||150 = 500/3
   * ohm, I = (10/3) / (500/3 + 50) = 2/130 A.
   */
  @Test
  public void solvesTheUnbalancedBridgeAsTheveninDoes() {
    Circuit bridge =
        Circuit.of(
            v("1", "top", 10),
            r("1", "top", "left", 100),
            r("2", "left", "0", 200),
            r("3", "top", "right", 300),
            r("4", "right", "0", 150),
            r("5", "left", "right", 50));
    assertThat(bridge.operatingPoint().solved().through("R5")).isCloseTo(2 / 130.0, within(1e-12));
  }

  /** The R-2R ladder of textbooks: each node halves the volts before it. */
  @Test
  public void anR2rLadderHalvesAtEachNode() {
    Circuit ladder =
        Circuit.of(
            v("1", "n0", 8),
            r("1", "n0", "n1", 1000),
            r("2", "n1", "0", 2000),
            r("3", "n1", "n2", 1000),
            r("4", "n2", "0", 2000),
            r("5", "n2", "n3", 1000),
            r("6", "n3", "0", 1000));
    OperatingPoint.Solved point = ladder.operatingPoint().solved();
    assertThat(point.at("n1")).isCloseTo(4, within(1e-12));
    assertThat(point.at("n2")).isCloseTo(2, within(1e-12));
    assertThat(point.at("n3")).isCloseTo(1, within(1e-12));
  }

  @DataProvider
  Object[][] diodes() {
    SplittableRandom random = new SplittableRandom(4);
    Object[][] cases = new Object[60][];
    for (int i = 0; i < cases.length; i++) {
      cases[i] =
          new Object[] {
            random.nextDouble(-5, 12),
            Math.pow(10, random.nextDouble(0, 6)),
            new Element.Model(
                "any",
                Math.pow(10, random.nextDouble(-20, -8)),
                random.nextDouble(1, 3),
                random.nextInt(3) == 0 ? 0 : random.nextDouble(0.1, 20))
          };
    }
    return cases;
  }

  /** Against halving the interval on the one equation of resistor and diode in series. */
  @Test(dataProvider = "diodes")
  public void aDiodeBehindAResistorSettlesWhereHalvingFindsIt(
      double supply, double ohm, Element.Model model) {
    Circuit circuit =
        Circuit.of(
            v("1", "in", supply), r("1", "in", "k", ohm), new Element.Diode("1", "k", "0", model));
    double volts = circuit.operatingPoint().solved().at("k");
    double scale = model.emission() * Element.Model.THERMAL_VOLTS;
    // Unknown: the junction's volts; the drop over RS and R follows from its current.
    DoubleUnaryOperator excess =
        junction -> {
          double amps = model.saturationAmps() * Math.expm1(junction / scale) + 1e-12 * junction;
          return junction + amps * (model.seriesOhm() + ohm) - supply;
        };
    double low = Math.min(supply, 0) - 1;
    double high = 3;
    for (int i = 0; i < 200; i++) {
      double middle = (low + high) / 2;
      if (excess.applyAsDouble(middle) > 0) {
        high = middle;
      } else {
        low = middle;
      }
    }
    double amps = model.saturationAmps() * Math.expm1(low / scale) + 1e-12 * low;
    assertThat(volts).isCloseTo(low + amps * model.seriesOhm(), within(1e-6));
  }

  /** Facts of the trade: a silicon diode has about 0.6 to 0.7 V at 1 mA; common practice. */
  @Test
  public void modelsGiveTheVoltsTheyAreKnownFor() {
    Circuit silicon =
        Circuit.of(
            v("1", "in", 5.65),
            r("1", "in", "k", 5000),
            new Element.Diode("1", "k", "0", Element.Model.SIGNAL_DIODE));
    assertThat(silicon.operatingPoint().solved().at("k")).isBetween(0.55, 0.72);
    Element.Model lamp = Element.Model.lamp(2.0, 0.015, 0);
    Circuit lit =
        Circuit.of(v("1", "in", 5), r("1", "in", "k", 200), new Element.Diode("1", "k", "0", lamp));
    assertThat(lit.operatingPoint().solved().at("k")).isCloseTo(2.0, within(1e-6));
    assertThat(lit.operatingPoint().solved().through("D1")).isCloseTo(0.015, within(1e-7));
  }

  @DataProvider
  Object[][] seeds() {
    Object[][] seeds = new Object[40][];
    for (int i = 0; i < seeds.length; i++) {
      seeds[i] = new Object[] {i};
    }
    return seeds;
  }

  /** Kirchhoff's laws on circuits nobody thought of: no current is lost at a node, nor power. */
  @Test(dataProvider = "seeds")
  public void currentsBalanceAtEveryNodeAndPowerOverAll(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    int nodes = random.nextInt(3, 9);
    List<Element> parts = new ArrayList<>();
    parts.add(v("A", "n1", random.nextDouble(1, 12)));
    for (int i = 1; i <= nodes; i++) {
      // A chain ties each node to ground; more parts go anywhere.
      parts.add(r("c" + i, "n" + i, i == 1 ? "0" : "n" + (i - 1), random.nextDouble(1, 1e5)));
    }
    for (int i = 0; i < nodes; i++) {
      String a = "n" + random.nextInt(1, nodes + 1);
      int other = random.nextInt(0, nodes + 1);
      String b = other == 0 ? "0" : "n" + other;
      if (!a.equals(b)) {
        parts.add(
            random.nextInt(3) == 0
                ? new Element.Diode("d" + i, a, b, Element.Model.SIGNAL_DIODE)
                : r("x" + i, a, b, random.nextDouble(1, 1e6)));
      }
    }
    OperatingPoint.Solved point = new Circuit(parts).operatingPoint().solved();
    Map<String, Double> sums = new HashMap<>();
    double power = 0;
    double size = 0;
    for (Element part : parts) {
      String letter =
          part instanceof Element.Source ? "V" : part instanceof Element.Diode ? "D" : "R";
      double amps = point.through(letter + part.name());
      sums.merge(part.a(), -amps, Double::sum);
      sums.merge(part.b(), amps, Double::sum);
      power += amps * (point.at(part.a()) - point.at(part.b()));
      size += Math.abs(amps);
    }
    double allowed = 1e-7 * Math.max(1e-3, size);
    sums.forEach((node, sum) -> assertThat(sum).as(node).isCloseTo(0, within(allowed)));
    assertThat(power).isCloseTo(0, within(12 * allowed));
  }

  @Test
  public void saysWhatFloatsAndWhatIsShorted() {
    OperatingPoint floating =
        Circuit.of(v("1", "in", 5), r("1", "in", "0", 10), r("2", "a", "b", 10)).operatingPoint();
    assertThat(floating)
        .isInstanceOfSatisfying(
            OperatingPoint.Unsolved.class,
            fault -> {
              assertThat(fault.why()).isEqualTo(OperatingPoint.Why.FLOATING);
              assertThat(fault.names()).containsExactly("a", "b");
              assertThat(fault.words()).contains("pull resistor");
            });
    OperatingPoint open =
        Circuit.of(v("1", "in", 5), new Element.Switch("1", "in", "pin", 0.1, false))
            .operatingPoint();
    assertThat(((OperatingPoint.Unsolved) open).names()).containsExactly("pin");
    OperatingPoint shorted = Circuit.of(v("1", "in", 5), v("2", "in", 3.3)).operatingPoint();
    assertThat(((OperatingPoint.Unsolved) shorted).why()).isEqualTo(OperatingPoint.Why.SHORTED);
    OperatingPoint across = Circuit.of(v("1", "0", 5)).operatingPoint();
    assertThat(((OperatingPoint.Unsolved) across).why()).isEqualTo(OperatingPoint.Why.SHORTED);
    assertThatThrownBy(shorted::solved).hasMessageContaining("shorted");
  }

  @Test
  public void refusesPartsThatCannotBe() {
    assertThatThrownBy(() -> r("7", "a", "b", 0))
        .hasMessageContaining("7")
        .hasMessageContaining("0 ohm");
    assertThatThrownBy(() -> r("7", "a", "b", -4)).hasMessageContaining("-4");
    assertThatThrownBy(() -> r("7", "a", "b", Double.NaN)).hasMessageContaining("above 0");
    assertThatThrownBy(() -> r("7 8", "a", "b", 1)).hasMessageContaining("letters");
    assertThatThrownBy(() -> Circuit.of(r("1", "a", "0", 1), r("1", "b", "0", 1)))
        .hasMessageContaining("named 1");
    assertThatThrownBy(() -> new Element.Model("x", 0, 1, 0)).hasMessageContaining("IS above 0");
  }
}
