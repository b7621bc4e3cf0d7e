package kumite.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.Map;
import java.util.SplittableRandom;
import kumite.working.Quantity;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class SumTest {
  private static Map<String, String> typed(String... pairs) {
    Map<String, String> map = new HashMap<>();
    for (String pair : pairs) {
      map.put(pair.split("=", 2)[0], pair.split("=", 2)[1]);
    }
    return map;
  }

  @DataProvider
  Object[][] worked() {
    return new Object[][] {
      // Technical reference of the first game control adapter, from memory: 24.2 + 0.011 R
      {Sum.GAMEPORT, typed("ohm=0"), "time_us", 24.2},
      {Sum.GAMEPORT, typed("ohm=100k"), "time_us", 1124.2},
      {Sum.GAMEPORT, typed("ohm=100 kOhm"), "time_us", 1124.2},
      // A capacitor reaches 1 - 1/e of the supply after one time constant: textbook.
      {
        Sum.RC,
        typed("ohm=10k", "farad=100n", "supply=1", "threshold=0.632120558828"),
        "time_s",
        1e-3
      },
      {Sum.RC, typed("ohm=4k7", "farad=0.1 uF"), "tau_s", 4.7e-4},
      // Worked by hand with Ohm's law.
      {Sum.DIVIDER, typed("supply=5", "top=10k", "bottom=20k"), "volts_v", 10 / 3.0},
      {Sum.DIVIDER, typed("supply=5", "top=10k", "bottom=20k", "load=20k"), "volts_v", 2.5},
      {Sum.DIVIDER, typed("top=4k7", "bottom=4.7 kOhm"), "volts_v", 1.65},
      {
        Sum.LAMP, typed("supply=5", "forward=1.8", "current=20 mA", "series=E12"), "chosen_ohm", 180
      },
      // 22 AWG, ASTM B258 and IEC 60028: 0.0530 ohm/m; 2 m there and back at 1 A.
      {Sum.DROP, typed("current=1 A", "awg=22", "length=1000 mm"), "drop_v", 0.106},
      // 2000 mAh, four fifths of it, at 50 mA: 32 h.
      {Sum.BATTERY, typed("capacity=2 Ah", "load=50"), "hours_h", 32},
      {Sum.POT, typed("ohm=10k", "travel=50", "bits=12"), "code", 2048},
      {Sum.POT, typed("ohm=10k"), "most_source_ohm", 2500},
      {Sum.MATRIX, typed("contacts=64"), "matrix_terminals", 16},
      {Sum.MATRIX, typed("contacts=20"), "register_chips", 3},
      // 0.7 of 5 V is 3.5 V: 3.3 V data does not reach it.
      {Sum.STRIP, typed("lamps=10"), "most_ma", 600},
      {Sum.STRIP, typed("lamps=10", "supply=5"), "data_needed_v", 3.5},
    };
  }

  @Test(dataProvider = "worked")
  public void comesToWhatHandAndBookSay(
      Sum sum, Map<String, String> typed, String key, double wanted) {
    Sum.Answer answer = sum.work(typed);
    double value = ((Number) answer.values().get(key)).doubleValue();
    assertThat(value).isCloseTo(wanted, within(Math.abs(wanted) * 1e-3 + 1e-12));
    assertThat(answer.working().inWords()).contains(answer.working().result());
  }

  @DataProvider
  public Object[][] judged() {
    return new Object[][] {
      // 0.1 V left: 5 % of 3.3 V is more than that, so 0 to 62 mA flow by Ohm's law.
      {Sum.LAMP, typed("supply=3.3", "forward=3.2", "current=15"), "stop", "0.10 V"},
      {Sum.LAMP, typed("supply=3.3", "forward=2.8", "current=15"), "look", "0.50 V"},
      {Sum.LAMP, typed("supply=5", "forward=2.0", "current=15"), "fine", "3.00 V"},
      {Sum.LAMP, typed("supply=3", "forward=3.2", "current=15"), "stop", "not light"},
      // The port counts to about 100 kohm (its technical reference, from memory).
      {Sum.GAMEPORT, typed("ohm=220k"), "look", "100 kohm"},
      {Sum.GAMEPORT, typed("ohm=121k"), "look", "beyond"},
      {Sum.GAMEPORT, typed("ohm=119k"), "fine", ""},
      {Sum.GAMEPORT, typed("ohm=0"), "fine", ""},
      {Sum.DROP, typed("current=500", "awg=30", "length=1000"), "look", "5 %"},
      {Sum.DROP, typed("current=500", "awg=22", "length=1000"), "fine", "5 %"},
      {Sum.DROP, typed("current=100 A", "awg=30", "length=1000"), "stop", "cannot flow"},
      {Sum.POT, typed("ohm=100k"), "look", "10 kohm"},
      {Sum.POT, typed("ohm=10k"), "fine", ""},
      {Sum.DIVIDER, typed("top=100k", "bottom=100k"), "look", "10 kohm"},
      {Sum.LADDER, typed("steps=40"), "look", "codes apart"},
      {Sum.LADDER, typed("steps=4"), "fine", ""},
      {Sum.STRIP, typed("lamps=4", "data=5"), "fine", ""},
      {Sum.STRIP, typed("lamps=10", "data=5"), "look", "500 mA"},
      {Sum.STRIP, typed("lamps=4"), "look", "data level"},
    };
  }

  @Test(dataProvider = "judged")
  public void judgesAsTheFindingsDo(
      Sum sum, Map<String, String> typed, String grade, String words) {
    Judgement said = sum.work(typed).judgement().orElseThrow();
    assertThat(said.grade().word()).isEqualTo(grade);
    assertThat(said.why()).contains(words);
  }

  @Test
  public void theStripsDataLevelIsJudged() {
    assertThat(Sum.STRIP.work(typed("lamps=10")).values().get("data_read")).isEqualTo(false);
    assertThat(Sum.STRIP.work(typed("lamps=10", "data=5")).values().get("data_read"))
        .isEqualTo(true);
  }

  @DataProvider
  Object[][] bad() {
    return new Object[][] {
      {Sum.LAMP, typed("current=0"), "current must be above 0 A"},
      {Sum.LAMP, typed("supply=-5"), "supply"},
      {Sum.LAMP, typed("series=E96"), "E12 or E24"},
      {Sum.RC, typed("farad=100"), "lacks its unit"},
      {Sum.RC, typed("threshold=5"), "below the supply"},
      {Sum.DIVIDER, typed("top=0"), "top must be above 0 ohm"},
      {Sum.DIVIDER, typed("top=ten"), "type for example 220, 220 ohm or 4k7"},
      {Sum.WIRE, typed("awg=99"), "between 0 and 40"},
      {Sum.WIRE, typed("length=12 parsec"), "length"},
      {Sum.LADDER, typed("steps=1"), "between 2 and 64"},
      {Sum.LADDER, typed("kind=rope"), "buttons or taps"},
      {Sum.BATTERY, typed("usable=140"), "between 0 and 100"},
      {Sum.MATRIX, typed("contacts=2.5"), "whole number"},
      {Sum.MATRIX, typed("pins=2"), "does not ask for pins"},
    };
  }

  @Test(dataProvider = "bad")
  public void namesWhatIsWrongAndWhatToType(Sum sum, Map<String, String> typed, String words) {
    assertThatThrownBy(() -> sum.work(typed))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining(words);
  }

  @DataProvider
  Object[][] quantities() {
    return new Object[][] {
      {Quantity.VOLT, "3V3", 3.3},
      {Quantity.VOLT, "5", 5},
      {Quantity.AMP, "20", 0.020},
      {Quantity.AMP, "20 mA", 0.020},
      {Quantity.AMP, "0.5 A", 0.5},
      {Quantity.FARAD, "100n", 1e-7},
      {Quantity.FARAD, "4u7", 4.7e-6},
      {Quantity.SECOND, "200 us", 2e-4},
      {Quantity.AMP_HOUR, "2000 mAh", 2},
      {Quantity.OHM, "4k7", 4700},
      {Quantity.OHM, "4.7 kOhm", 4700},
      {Quantity.OHM, "1M", 1e6},
    };
  }

  @Test(dataProvider = "quantities")
  public void readsQuantitiesAndSaysThemBack(Quantity quantity, String typed, double value) {
    assertThat(quantity.parse(typed)).isCloseTo(value, within(value * 1e-9));
    assertThat(quantity.parse(quantity.words(value))).isCloseTo(value, within(value * 1e-3));
  }

  /** No draw of resistors within their tolerance may fall outside the bands that judge a ladder. */
  @Test
  public void aLaddersBandsHoldEveryDrawOfItsResistors() {
    SplittableRandom random = new SplittableRandom(11);
    for (int round = 0; round < 400; round++) {
      int count = random.nextInt(2, 12);
      double tolerance = random.nextDouble(0, 0.1);
      Ladder ladder = Ladder.buttons(3.3, 10_000, count, tolerance, 12, ESeries.E24);
      double pull = 10_000 * (1 + tolerance * random.nextDouble(-1, 1));
      double below = 0;
      for (int k = 0; k < count; k++) {
        below += k == 0 ? 0 : ladder.ohms().get(k) * (1 + tolerance * random.nextDouble(-1, 1));
        double volts = 3.3 * below / (below + pull);
        Ladder.Step step = ladder.steps().get(k);
        assertThat(volts).isBetween(step.leastVolts() - 1e-9, step.mostVolts() + 1e-9);
        assertThat(step.code()).isBetween(step.leastCode(), step.mostCode());
      }
    }
  }

  /** A chain of equal rungs divides evenly; its ends are ground and supply. */
  @Test
  public void tapsDivideEvenly() {
    Ladder ladder = Ladder.taps(4, 1000, 5, 0.01, 10);
    for (int k = 0; k < 5; k++) {
      assertThat(ladder.steps().get(k).volts()).isCloseTo(k, within(1e-12));
    }
    assertThat(ladder.leastGapCodes()).isBetween(200, 256);
    assertThat(Ladder.buttons(3.3, 10_000, 40, 0.05, 8, ESeries.E12).leastGapCodes())
        .isLessThan(Ladder.CODES_APART);
  }

  /** IEC 60063, from memory: the nearest of E12 by ratio. */
  @Test
  public void findsTheNearestPreferredValue() {
    assertThat(ESeries.E12.nearest(1.05e3)).isCloseTo(1000, within(1e-6));
    assertThat(ESeries.E12.nearest(1.15e3)).isCloseTo(1200, within(1e-6));
    assertThat(ESeries.E12.nearest(9.0)).isCloseTo(8.2, within(1e-6));
    assertThat(ESeries.E12.nearest(95)).isCloseTo(100, within(1e-6));
    assertThat(ESeries.E24.nearest(4700)).isCloseTo(4700, within(1e-6));
  }
}
