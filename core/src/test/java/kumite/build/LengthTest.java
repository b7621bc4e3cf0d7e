package kumite.build;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import kumite.measure.Length;
import kumite.measure.LengthUnit;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class LengthTest {

  /** Source of the inch: exactly 25.4 mm, international yard and pound agreement, 1959. */
  @DataProvider
  Object[][] typed() {
    return new Object[][] {
      // typed           unit without one    millimetres
      {"28.6", LengthUnit.MM, 28.6},
      {"28,6 mm", LengthUnit.INCH, 28.6},
      {"2.5 cm", LengthUnit.MM, 25.0},
      {"1 in", LengthUnit.MM, 25.4},
      {"1 1/8", LengthUnit.MM, 28.575}, // TRADE check value; a fraction is inches
      {"1 1/8 in", LengthUnit.MM, 28.575},
      {"3/4\"", LengthUnit.MM, 19.05},
      {".75", LengthUnit.INCH, 19.05},
      {"-3 mm", LengthUnit.MM, -3.0},
      {" 12IN ", LengthUnit.MM, 304.8},
      {"1-1/8 in", LengthUnit.MM, 28.575},
      {"1 - 1/8", LengthUnit.MM, 28.575},
      {"1 ft", LengthUnit.MM, 304.8}, // 12 in to the foot, 1959 agreement
      {"1 ft 2 1/2 in", LengthUnit.MM, 368.3},
      {"1' 2\"", LengthUnit.MM, 355.6},
      {"2ft-3in", LengthUnit.MM, 685.8},
      {"0.3 m", LengthUnit.INCH, 300.0},
      {"1\u20442 in", LengthUnit.MM, 12.7},
      {"\u22123 mm", LengthUnit.MM, -3.0},
    };
  }

  @Test(dataProvider = "typed")
  public void understandsWhatBuildersType(String text, LengthUnit unit, double mm) {
    Length.Typed typed = Length.parse(text, unit);
    assertThat(typed.mm()).as("\"%s\"", text).isCloseTo(mm, within(1e-9));
    assertThat(typed.understood()).contains("mm = ").endsWith("in");
  }

  @DataProvider
  Object[][] refused() {
    return new Object[][] {
      {""},
      {"x"},
      {"1/0"},
      {"17 ft"},
      {"1 ft 13 in"},
      {"1 ft 2 mm"},
      {"1e400"},
      {"6000 mm"},
      {"NaN"},
      {"--3"}
    };
  }

  @Test(dataProvider = "refused")
  public void refusesWhatIsNoLengthAndSaysWhatToType(String text) {
    assertThatThrownBy(() -> Length.parse(text, LengthUnit.MM))
        .isInstanceOf(IllegalArgumentException.class)
        .message()
        .matches("(?s).*(type for example|Is the unit right).*");
  }

  @Test
  public void namesTheNearest64thInLowestTerms() {
    // 28.6 mm is 1 1/8 in (28.575 mm) and 0.025 mm; 30 mm is 1 3/16 in (30.1625 mm) less 0.1625 mm.
    assertThat(Length.nearest64th(28.6)).isEqualTo("1 1/8 in");
    assertThat(Length.errorOf64th(28.6)).isCloseTo(0.025, within(1e-9));
    assertThat(Length.nearest64th(30)).isEqualTo("1 3/16 in");
    assertThat(Length.errorOf64th(30)).isCloseTo(-0.1625, within(1e-9));
    assertThat(Length.nearest64th(25.4)).isEqualTo("1 in");
    assertThat(Length.nearest64th(25.4 / 64)).isEqualTo("1/64 in");
  }

  @Test
  public void showsNoMinusZero() {
    assertThat(Length.text(-0.01, LengthUnit.MM)).isEqualTo("0.0 mm");
    assertThat(Length.text(28.575, LengthUnit.INCH)).isEqualTo("1.125 in");
  }

  /** Resistances as they stand on parts: a letter where the point would be (IEC 60062, memory). */
  @DataProvider
  Object[][] ohms() {
    return new Object[][] {
      {"4R7", 4.7},
      {"R47", 0.47},
      {"2k2", 2200},
      {"1M", 1e6},
      {"4k7 ohm", 4700},
      {"k47", 470},
      {"220", 220},
      {"0,5 kOhm", 500},
    };
  }

  @Test(dataProvider = "ohms")
  public void understandsResistancesAsTheyStandOnParts(String text, double ohm) {
    assertThat(kumite.working.Quantity.OHM.parse(text)).isCloseTo(ohm, within(1e-9 * ohm));
  }
}
