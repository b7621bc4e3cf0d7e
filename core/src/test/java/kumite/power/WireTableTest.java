package kumite.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Wires, matrices and converters against tables, search by brute force and exact counting. */
public class WireTableTest {

  /** ASTM B258, diameters in mm rounded to three places (from memory). */
  @DataProvider
  public Object[][] gauges() {
    return new Object[][] {
      {10, 2.588}, {11, 2.305}, {12, 2.053}, {13, 1.828}, {14, 1.628}, {15, 1.450}, {16, 1.291},
      {17, 1.150}, {18, 1.024}, {19, 0.912}, {20, 0.812}, {21, 0.723}, {22, 0.644}, {23, 0.573},
      {24, 0.511}, {25, 0.455}, {26, 0.405}, {27, 0.361}, {28, 0.321}, {29, 0.286}, {30, 0.255},
      {31, 0.227}, {32, 0.202}, {33, 0.180}, {34, 0.160}, {35, 0.143}, {36, 0.127},
    };
  }

  @Test(dataProvider = "gauges")
  public void wiresAreAsThickAsTheTableSays(int awg, double diameterMm) {
    Wire wire = Wire.ofAwg(awg);
    assertThat(wire.diameterMm()).isCloseTo(diameterMm, within(0.0011));
    assertThat(wire.areaMm2())
        .isCloseTo(Math.PI * wire.diameterMm() * wire.diameterMm() / 4, within(1e-9));
    // 58 m of copper of one square millimetre have one ohm at 20 C: IEC 60028, from memory.
    assertThat(wire.ohmPerMetre() * wire.areaMm2()).isCloseTo(1.0 / 58, within(1e-9));
  }

  /** Three gauges up halve the copper, ten up take nine tenths of it, a rule of every bench. */
  @Test
  public void threeGaugesHalveAndTenTakeATenth() {
    for (int awg = 10; awg <= 26; awg++) {
      assertThat(Wire.ofAwg(awg).areaMm2() / Wire.ofAwg(awg + 3).areaMm2())
          .isCloseTo(2, within(0.01));
      assertThat(Wire.ofAwg(awg).areaMm2() / Wire.ofAwg(awg + 10).areaMm2())
          .isCloseTo(10, within(0.2));
    }
    assertThatThrownBy(() -> Wire.ofAwg(-5)).isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> Wire.ofAwg(99)).isInstanceOf(IllegalArgumentException.class);
  }

  /** No other number of rows takes fewer wires, whatever the count of contacts. */
  @Test
  public void theMatrixHasFewestWires() {
    for (int contacts = 1; contacts <= 400; contacts++) {
      int fewest = Integer.MAX_VALUE;
      for (int rows = 1; rows <= contacts; rows++) {
        fewest = Math.min(fewest, rows + (contacts + rows - 1) / rows);
      }
      Grid grid = Grid.of(contacts);
      assertThat(grid.rows() + grid.columns()).as("%d contacts", contacts).isEqualTo(fewest);
      assertThat(grid.rows() * grid.columns()).isGreaterThanOrEqualTo(contacts);
      assertThat(grid.columns()).isGreaterThanOrEqualTo(grid.rows());
    }
    assertThatThrownBy(() -> Grid.of(0)).isInstanceOf(IllegalArgumentException.class);
  }

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 80).mapToObj(seed -> new Object[] {seed}).toArray(Object[][]::new);
  }

  /** A code stands for the volts from its step to the next; more volts never give a lower code. */
  @Test(dataProvider = "seeds")
  public void codesAreSteps(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    int bits = random.nextInt(8, 17);
    double reference = random.nextDouble(1, 6);
    double volts = random.nextDouble(-0.5, reference + 0.5);
    int code = Converter.code(volts, reference, bits);
    int most = (1 << bits) - 1;
    assertThat(code).isBetween(0, most);
    if (volts >= 0 && volts < reference) {
      assertThat(volts)
          .isBetween(code * reference / (most + 1), (code + 1) * reference / (most + 1));
    } else {
      assertThat(code).isEqualTo(volts < 0 ? 0 : most);
    }
    assertThat(Converter.code(volts + random.nextDouble(0.2), reference, bits))
        .isGreaterThanOrEqualTo(code);
  }
}
