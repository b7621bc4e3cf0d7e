package kumite.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import kumite.build.Common;
import kumite.build.ContactKind;
import kumite.parts.BoardKind;
import kumite.parts.Catalogue;
import kumite.parts.Terminal;
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
    assertThat(LampResistor.parseOhms(typed)).isCloseTo(ohm, within(1e-6));
    assertThat(LampResistor.parseOhms(LampResistor.ohms(ohm))).isCloseTo(ohm, within(1e-6));
  }

  @Test
  public void refusesWhatIsNoResistance() {
    for (String typed : new String[] {"", "k", "-3", "4k7k", "0", "ten"}) {
      assertThatThrownBy(() -> LampResistor.parseOhms(typed))
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

  /** Thresholds: JESD8C 0.8 and 2.0 V, JESD7A about 0.3 and 0.7 of the supply, both from memory. */
  @Test
  public void readsLevelsByTheBoardsThresholds() {
    BoardKind board = Catalogue.standard().board("native-3v3-26").orElseThrow();
    assertThat(InputLevels.read(board, 0.8)).isEqualTo(InputLevels.Reading.LOW);
    assertThat(InputLevels.read(board, 1.4)).isEqualTo(InputLevels.Reading.UNDEFINED);
    assertThat(InputLevels.read(board, 2.0)).isEqualTo(InputLevels.Reading.HIGH);
    BoardKind five = Catalogue.standard().board("native-5v-18").orElseThrow();
    assertThat(five.lowVolts() / five.logicVolts()).isCloseTo(0.3, within(1e-9));
    assertThat(five.highVolts() / five.logicVolts()).isCloseTo(0.7, within(1e-9));
  }

  @Test
  public void solvesThePlainContactAsADivider() {
    BoardKind board = Catalogue.standard().board("native-3v3-26").orElseThrow();
    Terminal terminal = board.terminal("D2").orElseThrow();
    ContactKind contact = new ContactKind("", ContactKind.Type.SWITCH, "NO", "");
    InputLevels levels = InputLevels.of(board, terminal, contact, Common.GROUND, 0.9);
    // By hand: 3.3 V x 1.0 / (20000 + 1.0)
    assertThat(levels.heldVolts()).isCloseTo(3.3 / 20_001, within(1e-9));
    assertThat(levels.idleVolts()).isEqualTo(3.3);
    assertThat(levels.readable()).isTrue();
  }

  @Test
  public void aContactToTheRailOnAPullUpIsNeverSeen() {
    BoardKind board = Catalogue.standard().board("native-5v-18").orElseThrow(); // no pull-downs
    Terminal terminal = board.terminal("2").orElseThrow();
    ContactKind contact = new ContactKind("", ContactKind.Type.SWITCH, "NO", "");
    assertThat(InputLevels.of(board, terminal, contact, Common.RAIL, 0).readable()).isFalse();
  }

  /** floor(V / Vref x 2^n), clipped: TRADE section 5. */
  @Test
  public void converterCodesAreFlooredAndClipped() {
    assertThat(InputLevels.code(1.65, 3.3, 12)).isEqualTo(2048);
    assertThat(InputLevels.code(3.3, 3.3, 12)).isEqualTo(4095);
    assertThat(InputLevels.code(-0.1, 3.3, 12)).isZero();
    assertThat(InputLevels.code(3.3 / 1024 * 0.999, 3.3, 10)).isZero();
  }
}
