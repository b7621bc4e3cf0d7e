package kumite.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import kumite.working.Quantity;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class PowerTest {

  /**
   * Diameters: ASTM B258 table of solid round wire, from memory, in mm to four figures. Resistance
   * at 20 C of 22 and 28 AWG: TRADE check values, from IEC 60028's 1/58 ohm mm2/m.
   */
  @DataProvider
  Object[][] gauges() {
    return new Object[][] {
      {0, 8.251, Double.NaN},
      {10, 2.588, Double.NaN},
      {18, 1.024, Double.NaN},
      {22, 0.6438, 0.0530},
      {28, 0.3211, 0.213},
      {36, 0.1270, Double.NaN},
      {40, 0.0799, Double.NaN},
    };
  }

  @Test(dataProvider = "gauges")
  public void wireHasItsTabledSize(int awg, double diameterMm, double ohmPerMetre) {
    Wire wire = Wire.ofAwg(awg);
    // The table is rounded to four figures.
    assertThat(wire.diameterMm())
        .as("%d AWG", awg)
        .isCloseTo(diameterMm, within(diameterMm * 6e-4));
    if (!Double.isNaN(ohmPerMetre)) {
      assertThat(wire.ohmPerMetre()).isCloseTo(ohmPerMetre, within(ohmPerMetre * 3e-3));
      assertThat(wire.ohm(500)).isCloseTo(wire.ohmPerMetre() / 2, within(1e-12));
    }
  }

  /** IEC 60063, E24, from memory: the whole decade, each found from just below it. */
  @Test
  public void findsEveryPreferredValue() {
    double[] e24 = {
      1.0, 1.1, 1.2, 1.3, 1.5, 1.6, 1.8, 2.0, 2.2, 2.4, 2.7, 3.0, 3.3, 3.6, 3.9, 4.3, 4.7, 5.1, 5.6,
      6.2, 6.8, 7.5, 8.2, 9.1
    };
    for (double value : e24) {
      for (double decade : new double[] {0.1, 1, 10, 1000, 100_000}) {
        double ohm = value * decade;
        assertThat(ESeries.E24.atLeast(ohm)).as("%s", ohm).isCloseTo(ohm, within(ohm * 1e-9));
        assertThat(ESeries.E24.atLeast(ohm * 0.999)).isCloseTo(ohm, within(ohm * 1e-9));
      }
    }
    assertThat(ESeries.E12.atLeast(201)).isEqualTo(220);
    assertThat(ESeries.E24.atLeast(92)).isEqualTo(100);
    assertThatThrownBy(() -> ESeries.E24.atLeast(Double.NaN)).hasMessageContaining("above 0");
  }

  /** Worked by hand with Ohm's law: (5 - 1.8) / 20 mA = 160 ohm; next up in E12 180, in E24 160. */
  @Test
  public void choosesTheNextResistorUp() {
    LampResistor lamp = LampResistor.of(5, 1.8, 20, ESeries.E12);
    assertThat(lamp.exactOhm()).isCloseTo(160, within(1e-9));
    assertThat(lamp.chosenOhm()).isEqualTo(180);
    assertThat(lamp.milliamps()).isCloseTo(3.2 / 180 * 1000, within(1e-9));
    assertThat(lamp.watts()).isCloseTo(3.2 * 3.2 / 180, within(1e-12));
    assertThat(lamp.ratingWatts()).isGreaterThanOrEqualTo(2 * lamp.watts());
    assertThat(LampResistor.of(5, 1.8, 20, ESeries.E24).chosenOhm()).isEqualTo(160);
    assertThat(lamp.working().inWords()).contains("160.0 ohm").contains("IEC 60063");
  }

  @DataProvider
  Object[][] resistances() {
    return new Object[][] {
      {"220", 220},
      {"4k7", 4700},
      {"4.7 kOhm", 4700},
      {"4R7", 4.7},
      {"1M", 1e6},
      {"2,2k", 2200},
      {"330 ohm", 330},
      {"10 Ω", 10}
    };
  }

  @Test(dataProvider = "resistances")
  public void readsResistancesAsBuildersWriteThem(String typed, double ohm) {
    assertThat(Quantity.OHM.parse(typed)).isCloseTo(ohm, within(1e-6));
    assertThat(Quantity.OHM.parse(LampResistor.ohms(ohm))).isCloseTo(ohm, within(1e-6));
  }

  @Test
  public void refusesWhatIsNoResistance() {
    for (String typed : new String[] {"", "k", "-3", "4k7k", "0", "ten"}) {
      assertThatThrownBy(() -> Quantity.OHM.above0(typed, "R"))
          .as(typed)
          .isInstanceOf(IllegalArgumentException.class);
    }
  }

  @Test
  public void saysWhenALampWillNotLight() {
    LampResistor blueOn3v = LampResistor.of(3.0, 3.2, 15, ESeries.E24);
    assertThat(blueOn3v.lights()).isFalse();
    assertThat(blueOn3v.working().result()).contains("will not light");
    assertThatThrownBy(() -> LampResistor.of(5, 2, 0, ESeries.E24)).hasMessageContaining("current");
  }

  /** floor(V / Vref x 2^n), clipped: TRADE section 5. */
  @Test
  public void converterCodesAreFlooredAndClipped() {
    assertThat(Converter.code(1.65, 3.3, 12)).isEqualTo(2048);
    assertThat(Converter.code(3.3, 3.3, 12)).isEqualTo(4095);
    assertThat(Converter.code(-0.1, 3.3, 12)).isZero();
    assertThat(Converter.code(3.3 / 1024 * 0.999, 3.3, 10)).isZero();
  }
}
