package kumite.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Where a judgement turns, and each number that a sum gives: by Ohm's law and the definitions,
 * worked out anew here. Expected values without a source are arithmetic.
 */
public class PowerBoundaryTest {
  private static Map<String, String> typed(String pairs) {
    Map<String, String> map = new HashMap<>();
    for (String pair : pairs.split("; ")) {
      map.put(pair.split("=", 2)[0], pair.split("=", 2)[1]);
    }
    return map;
  }

  @DataProvider
  public Object[][] numbers() {
    return new Object[][] {
      // 22 AWG: 0.0530 ohm/m (ASTM B258, IEC 60028); 3 m there and back at half an ampere
      {Sum.DROP, "supply=5; current=500; awg=22; length=1500 mm", "resistance_ohm", 0.1590},
      {Sum.DROP, "supply=5; current=500; awg=22; length=1500 mm", "drop_v", 0.0795},
      {Sum.DROP, "supply=5; current=500; awg=22; length=1500 mm", "left_v", 4.9205},
      {Sum.DROP, "supply=5; current=500; awg=22; length=1500 mm", "lost_percent", 1.59},
      {Sum.WIRE, "awg=22; length=500 mm", "resistance_ohm", 0.0265},
      // 1 k and 3 k from 4 V: 1 mA flows, 3 V in the middle, 750 ohm seen
      {Sum.DIVIDER, "supply=4; top=1k; bottom=3k", "volts_v", 3},
      {Sum.DIVIDER, "supply=4; top=1k; bottom=3k", "source_ohm", 750},
      {Sum.DIVIDER, "supply=4; top=1k; bottom=3k", "current_ma", 1},
      // A load of 3 k beside the 3 k leaves 1.5 k: 2.4 V, 1.6 mA
      {Sum.DIVIDER, "supply=4; top=1k; bottom=3k; load=3k", "volts_v", 2.4},
      {Sum.DIVIDER, "supply=4; top=1k; bottom=3k; load=3k", "current_ma", 1.6},
      // A quarter of the way on 8 bits of 4 V: 1 V, code 64; 10 k x 0.25 x 0.75
      {Sum.POT, "ohm=10k; travel=25; reference=4; bits=8", "code", 64},
      {Sum.POT, "ohm=10k; travel=25; reference=4; bits=8", "volts_v", 1},
      {Sum.POT, "ohm=10k; travel=25; reference=4; bits=8", "source_ohm", 1875},
      {Sum.POT, "ohm=10k; travel=25; reference=4; bits=8", "current_ma", 0.4},
      // Half of the supply after ln 2 time constants
      {Sum.RC, "ohm=10k; farad=100n; supply=4; threshold=2", "time_s", 1e-3 * Math.log(2)},
      // 17 contacts: 4 rows, 5 columns; three registers of eight
      {Sum.MATRIX, "contacts=17", "rows", 4},
      {Sum.MATRIX, "contacts=17", "columns", 5},
      {Sum.MATRIX, "contacts=17", "matrix_terminals", 9},
      {Sum.MATRIX, "contacts=16", "register_chips", 2},
      {Sum.MATRIX, "contacts=8", "register_chips", 1},
      {Sum.MATRIX, "contacts=9", "multiplexer_terminals", 5},
      {Sum.STRIP, "lamps=10; each=60; brightness=25", "usual_ma", 150},
      {Sum.BATTERY, "capacity=1000; usable=50; load=20", "hours_h", 25},
      // 24 V and 22 V to lose at 100 mA: 220 ohm, 2.2 W, so 5 W
      {Sum.LAMP, "supply=24; forward=2; current=100", "power_w", 2.2},
      {Sum.LAMP, "supply=24; forward=2; current=100", "rating_w", 5},
    };
  }

  @Test(dataProvider = "numbers")
  public void eachNumberIsWhatItIsCalled(Sum sum, String given, String key, double wanted) {
    double value = ((Number) sum.work(typed(given)).values().get(key)).doubleValue();
    assertThat(value).isCloseTo(wanted, within(Math.abs(wanted) * 2e-3 + 1e-12));
  }

  /** Just on this side of where a judgement turns, and just on the other. */
  @DataProvider
  public Object[][] turns() {
    return new Object[][] {
      // A port gives 500 mA (USB 2.0, 7.2.1): 10 lamps of 50 mA are just that
      {Sum.STRIP, "lamps=10; each=50; data=5", "fine"},
      {Sum.STRIP, "lamps=10; each=50.1; data=5", "look"},
      // 0.7 of 5 V is 3.5 V
      {Sum.STRIP, "lamps=4; data=3.5", "fine"},
      {Sum.STRIP, "lamps=4; data=3.499", "look"},
      // A converter reads 10 kohm: a pot of 40 k looks like 10 k in the middle
      {Sum.POT, "ohm=40k", "fine"},
      {Sum.POT, "ohm=40.1k", "look"},
      {Sum.DIVIDER, "top=20k; bottom=20k", "fine"},
      {Sum.DIVIDER, "top=20.1k; bottom=20k", "look"},
      {Sum.GAMEPORT, "ohm=120k", "fine"},
      {Sum.GAMEPORT, "ohm=120.1k", "look"},
    };
  }

  @Test(dataProvider = "turns")
  public void aJudgementTurnsWhereItSays(Sum sum, String given, String grade) {
    assertThat(sum.work(typed(given)).judgement().orElseThrow().grade().word()).isEqualTo(grade);
  }

  /** Heat: by watts and amperes worked out here; the limits are common practice, no source. */
  @DataProvider
  public Object[][] heat() {
    return new Object[][] {
      // 22 AWG is 0.326 mm2 (ASTM B258): 1.95 A are 6 A/mm2, 4.89 A are 15
      {Sum.DROP, "supply=24; current=1.94 A; awg=22; length=100", "fine", "5 %"},
      {Sum.DROP, "supply=24; current=1.97 A; awg=22; length=100", "look", "warm"},
      {Sum.DROP, "supply=24; current=4.87 A; awg=22; length=100", "look", "warm"},
      {Sum.DROP, "supply=24; current=4.92 A; awg=22; length=100", "stop", "fuse"},
      {Sum.DROP, "supply=12; current=10 A; awg=30; length=10", "stop", "melts"},
      // 5 V over 200 ohm: 125 mW, half of a quarter watt
      {Sum.DIVIDER, "supply=10; top=200; bottom=200", "fine", ""},
      {Sum.DIVIDER, "supply=10.1; top=200; bottom=200", "look", "0.50 W"},
      {Sum.DIVIDER, "supply=5; top=1; bottom=1", "stop", "burns"},
      // the load takes most of the current: 9 V over 32 ohm are 2.53 W in the upper one alone
      {Sum.DIVIDER, "supply=10; top=32; bottom=10k; load=3.6", "stop", "burns"},
      // The first button lays 3.3 V on the pull-up; three rungs share it
      {Sum.LADDER, "steps=4; ohm=88", "fine", ""},
      {Sum.LADDER, "steps=4; ohm=87", "look", "0.13 W"},
      {Sum.LADDER, "steps=4; ohm=1", "stop", "burns"},
      {Sum.LADDER, "steps=4; kind=taps; ohm=10", "fine", ""},
      {Sum.LADDER, "steps=4; kind=taps; ohm=9.6", "look", "0.13 W"},
      {Sum.POT, "ohm=1k; reference=10", "fine", ""},
      {Sum.POT, "ohm=990; reference=10", "look", "0.10 W"},
      {Sum.POT, "ohm=10; reference=3.3", "stop", "burns"},
      {Sum.POT, "ohm=100k; reference=3.3", "look", "10 kohm"},
    };
  }

  @Test(dataProvider = "heat")
  public void nothingThatBurnsIsFine(Sum sum, String given, String grade, String words) {
    Judgement said = sum.work(typed(given)).judgement().orElseThrow();
    assertThat(said.grade().word()).as(said.why()).isEqualTo(grade);
    assertThat(said.why()).contains(words);
  }

  /** At half of its rating, and not above; from 2.5 W on no usual one is left, which is a stop. */
  @Test
  public void aResistorIsAtMostHalfUsed() {
    SplittableRandom random = new SplittableRandom(24);
    List<Double> ratings = List.of(0.125, 0.25, 0.5, 1.0, 2.0, 5.0);
    int burnt = 0;
    for (int i = 0; i < 2000; i++) {
      double supply = random.nextDouble(3, 30);
      double milliamps = random.nextDouble(1, 700);
      LampResistor lamp = LampResistor.of(supply, 2, milliamps, ESeries.E24);
      double watts = (supply - 2) * (supply - 2) / lamp.chosenOhm();
      assertThat(lamp.watts()).isCloseTo(watts, within(1e-9));
      Optional<Double> least = ratings.stream().filter(r -> r >= 2 * watts).findFirst();
      assertThat(lamp.ratingWatts()).isEqualTo(least.orElse(0.0));
      if (least.isEmpty()) {
        burnt++;
        assertThat(lamp.judgement().grade().word()).isEqualTo("stop");
        assertThat(lamp.judgement().why()).contains("burns");
        assertThat(lamp.working().result()).contains("are lost in it");
      }
    }
    assertThat(burnt).isBetween(200, 1800);
    assertThat(LampResistor.of(27, 2, 100, ESeries.E24).ratingWatts())
        .as("250 ohm are 270: 2.31 W")
        .isEqualTo(5);
    assertThat(LampResistor.of(22, 2, 200, ESeries.E24).ratingWatts()).as("100 ohm: 4 W").isZero();
  }

  @DataProvider
  public Object[][] refused() {
    return new Object[][] {
      {0.0, 1e4, 5, 0.01, 10},
      {3.3, 0.0, 5, 0.01, 10},
      {3.3, 1e4, 1, 0.01, 10},
      {3.3, 1e4, 65, 0.01, 10},
      {3.3, 1e4, 5, -0.01, 10},
      {3.3, 1e4, 5, 1.0, 10},
      {3.3, 1e4, 5, 0.01, 0},
      {3.3, 1e4, 5, 0.01, 25},
    };
  }

  @Test(dataProvider = "refused")
  public void aLadderOutOfItsRangesIsRefused(
      double supply, double ohm, int count, double tolerance, int bits) {
    assertThatThrownBy(() -> Ladder.taps(supply, ohm, count, tolerance, bits))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> Ladder.buttons(supply, ohm, count, tolerance, bits, ESeries.E24))
        .isInstanceOf(IllegalArgumentException.class);
  }

  /** Each step by the divider that it is, at worst with every resistor off the bad way. */
  @Test
  public void aLaddersStepsAreDividers() {
    for (int count : new int[] {2, 3, 9, 64}) {
      for (double tolerance : new double[] {0, 0.01, 0.05}) {
        Ladder taps = Ladder.taps(4, 1000, count, tolerance, 12);
        assertThat(taps.ohms()).hasSize(count - 1).containsOnly(1000.0);
        Ladder buttons = Ladder.buttons(4, 1000, count, tolerance, 12, ESeries.E24);
        double below = 0;
        for (int k = 0; k < count; k++) {
          below += k == 0 ? 0 : buttons.ohms().get(k);
          step(taps.steps().get(k), 1000.0 * k, 1000.0 * (count - 1 - k), tolerance);
          step(buttons.steps().get(k), below, 1000, tolerance);
        }
        List<Integer> gaps = new ArrayList<>();
        for (int k = 1; k < count; k++) {
          gaps.add(taps.steps().get(k).leastCode() - taps.steps().get(k - 1).mostCode());
        }
        int least = gaps.stream().mapToInt(gap -> gap).min().orElseThrow();
        assertThat(taps.leastGapCodes()).isEqualTo(least);
        assertThat(taps.closest()).as("the first of them").isEqualTo(gaps.indexOf(least) + 1);
      }
    }
  }

  private static void step(Ladder.Step step, double below, double above, double tolerance) {
    double leak = 1e-6 * below * above / (below + above);
    double low = below * (1 - tolerance);
    double high = below * (1 + tolerance);
    assertThat(step.volts()).isCloseTo(4 * below / (below + above), within(1e-9));
    assertThat(step.leastVolts())
        .isCloseTo(
            low == 0 ? 0 : Math.max(0, 4 * low / (low + above * (1 + tolerance)) - leak),
            within(1e-9));
    assertThat(step.mostVolts())
        .isCloseTo(
            high == 0 ? 0 : Math.min(4, 4 * high / (high + above * (1 - tolerance)) + leak),
            within(1e-9));
  }

  /** IEC 60063 by its own rule: nothing preferred lies between what was asked and what is given. */
  @Test
  public void preferredValuesLeaveNothingOut() {
    SplittableRandom random = new SplittableRandom(60063);
    for (int i = 0; i < 3000; i++) {
      ESeries series = random.nextBoolean() ? ESeries.E12 : ESeries.E24;
      List<Double> all = new ArrayList<>();
      for (int decade = -3; decade < 7; decade++) {
        for (int figure : series.figures()) {
          all.add(figure * Math.pow(10, decade));
        }
      }
      double ohm = Math.pow(10, random.nextDouble(-1, 6));
      double above =
          all.stream().filter(v -> v >= ohm * (1 - 1e-9)).min(Double::compare).orElseThrow();
      double below =
          all.stream().filter(v -> v < above * (1 - 1e-9)).max(Double::compare).orElseThrow();
      assertThat(series.atLeast(ohm)).isCloseTo(above, within(above * 1e-9));
      double nearest = above / ohm <= ohm / below ? above : below;
      assertThat(series.nearest(ohm)).isCloseTo(nearest, within(nearest * 1e-9));
    }
    for (int figure : ESeries.E24.figures()) {
      for (double decade : new double[] {0.1, 1, 100, 10_000}) {
        assertThat(ESeries.E24.atLeast(figure * decade))
            .as("what is preferred is found itself")
            .isCloseTo(figure * decade, within(1e-9 * figure * decade));
      }
    }
  }
}
