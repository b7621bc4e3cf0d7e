package kumite.program;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.OptionalInt;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.RandomBuilds;
import kumite.build.map.AxisTuning;
import kumite.build.map.OppositesRule;
import kumite.build.map.PressAt;
import kumite.build.map.Ramp;
import kumite.build.map.Repeat;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The steps of docs/semantics.md one by one: tables worked by hand, and laws. */
public class StepsTest {

  /**
   * What opposite directions give, worked by hand from the words of each rule: l or r goes down in
   * capitals and up in small letters, B is both in one look; after each, what passes.
   */
  @DataProvider
  public Object[][] opposites() {
    return new Object[][] {
      {OppositesRule.NEUTRAL, "LRrl", "l.l."},
      {OppositesRule.NEUTRAL, "RLlr", "r.r."},
      {OppositesRule.NEUTRAL, "Blr", ".r."},
      {OppositesRule.LAST, "LRrl", "lrl."},
      {OppositesRule.LAST, "RLlr", "rlr."},
      {OppositesRule.LAST, "LRlr", "lrr."},
      {OppositesRule.LAST, "Brl", ".l."},
      {OppositesRule.FIRST, "LRrl", "lll."},
      {OppositesRule.FIRST, "RLlr", "rrr."},
      {OppositesRule.FIRST, "LRlr", "llr."},
      {OppositesRule.FIRST, "Blr", ".r."},
      {OppositesRule.LOW, "LRrl", "lll."},
      {OppositesRule.LOW, "RLlr", "rlr."},
      {OppositesRule.LOW, "Brl", "ll."},
      {OppositesRule.HIGH, "LRrl", "lrl."},
      {OppositesRule.HIGH, "RLlr", "rrr."},
      {OppositesRule.HIGH, "Blr", "rr."},
    };
  }

  @Test(dataProvider = "opposites")
  public void oppositesGiveWhatTheirRuleSays(OppositesRule rule, String play, String passes) {
    Contest contest = new Contest(rule);
    boolean low = false;
    boolean high = false;
    StringBuilder passed = new StringBuilder();
    for (char c : play.toCharArray()) {
      low = c == 'L' || c == 'B' || low && c != 'l';
      high = c == 'R' || c == 'B' || high && c != 'r';
      Contest.Winner winner = contest.look(low, high);
      // Looking again changes nothing.
      assertThat(contest.look(low, high)).isEqualTo(winner);
      passed.append(
          switch (winner) {
            case LOW -> 'l';
            case HIGH -> 'r';
            case NEITHER -> '.';
          });
    }
    assertThat(passed.toString()).isEqualTo(passes);
  }

  /**
   * The reflected binary code of two bits, 00 01 11 10, as patented by F. Gray (US 2632058, 1953,
   * from memory): neighbours differ in one bit, and so do the last and the first.
   */
  @Test
  public void pulsesFollowTheGraySequenceBothWays() {
    boolean[][] forward = {{false, false}, {true, false}, {true, true}, {false, true}};
    SplittableRandom random = new SplittableRandom(4);
    int at = 0;
    int counted = 0;
    int turned = 0;
    for (int i = 0; i < 10_000; i++) {
      int way = random.nextInt(3) - 1;
      int next = Math.floorMod(at + way, 4);
      counted +=
          Quadrature.count(
              Quadrature.state(forward[at][0], forward[at][1]),
              Quadrature.state(forward[next][0], forward[next][1]));
      turned += way;
      at = next;
    }
    assertThat(counted).as("every quarter is counted once").isEqualTo(turned);
    for (int state = 0; state < 4; state++) {
      assertThat(Quadrature.count(state, 3 - state)).as("both changed: not known").isZero();
    }
  }

  @Test
  public void smoothingComesToRestAtTheCodeAndNeverPassesIt() {
    SplittableRandom random = new SplittableRandom(5);
    for (int smoothing = 0; smoothing <= 7; smoothing++) {
      int from = random.nextInt(65_536);
      int to = random.nextInt(65_536);
      int state = Smoother.rest(from);
      int looks = 0;
      while (Smoother.code(state) != to || state != Smoother.rest(to)) {
        int next = Smoother.next(state, to, smoothing);
        assertThat((long) (next - Smoother.rest(to)) * (state - Smoother.rest(to)))
            .as("smoothing %d stays on its side", smoothing)
            .isNotNegative();
        state = next;
        assertThat(++looks).as("smoothing %d ends", smoothing).isLessThan(5000);
      }
    }
    assertThat(Smoother.next(Smoother.rest(0), 1000, 0)).isEqualTo(Smoother.rest(1000));
  }

  @Test
  public void betweenBothThresholdsItStaysWhatItWas() {
    PressAt at = new PressAt(600, 400);
    for (int code = 0; code <= 1000; code++) {
      boolean between = code >= 400 && code < 600;
      assertThat(Threshold.next(false, code, 1000, at)).isEqualTo(code >= 600);
      assertThat(Threshold.next(true, code, 1000, at)).isEqualTo(code >= 400);
      assertThat(Threshold.next(true, code, 1000, at) != Threshold.next(false, code, 1000, at))
          .isEqualTo(between);
    }
  }

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 200).mapToObj(seed -> new Object[] {seed}).toArray(Object[][]::new);
  }

  /** Whatever the tuning: in range, never turning back, both ends reached, dead where it says. */
  @Test(dataProvider = "seeds")
  public void anAxisNeverTurnsBackAndReachesItsEnds(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    AxisTuning tuning = RandomBuilds.tuned(random);
    int codes = new int[] {255, 1023, 4095, 65_535}[random.nextInt(4)];
    int most = random.nextBoolean() ? 255 : codes;
    AxisShape shape = new AxisShape(tuning, codes);
    int sign = tuning.inverted() && !tuning.equals(AxisTuning.STRAIGHT) ? -1 : 1;
    int before = shape.value(0, most);
    for (int code = 1; code <= codes; code += 1 + codes / 3000) {
      int now = shape.value(code, most);
      assertThat(now).isBetween(0, most);
      assertThat((now - before) * sign).as("code %d of %s", code, tuning).isNotNegative();
      before = now;
    }
    if (tuning.most() - tuning.least() > 20) {
      int high = shape.value(codes, most);
      int low = shape.value(0, most);
      boolean upper = tuning.centre().isEmpty() || tuning.centre().getAsInt() < tuning.most() - 5;
      boolean lower = tuning.centre().isEmpty() || tuning.centre().getAsInt() > tuning.least() + 5;
      if (upper) {
        assertThat(high).as("%s", tuning).isEqualTo(sign > 0 ? most : 0);
      }
      if (lower) {
        assertThat(low).as("%s", tuning).isEqualTo(sign > 0 ? 0 : most);
      }
      tuning
          .centre()
          .ifPresent(
              centre ->
                  assertThat(shape.travel((int) ((long) centre * codes / 1000)))
                      .as("rest of %s", tuning)
                      .isZero());
    }
  }

  @Test
  public void withoutATuningAnAxisIsWhatTheConverterGives() {
    AxisShape shape = new AxisShape(AxisTuning.STRAIGHT, 4095);
    for (int code = 0; code <= 4095; code++) {
      assertThat(shape.value(code, 4095)).isEqualTo(code);
    }
    AxisTuning whole = AxisTuning.STRAIGHT.measured(0, OptionalInt.empty(), 1000);
    AxisShape measured = new AxisShape(whole, 4095);
    for (int code = 0; code <= 4095; code++) {
      assertThat(measured.value(code, 4095))
          .as("measured whole")
          .isCloseTo(code, org.assertj.core.api.Assertions.within(1));
    }
  }

  /** A curve of 0 is a line; of 100 the cube of the travel, as its formula says (calc). */
  @Test
  public void theCurveIsTheCubeAtItsMost() {
    AxisTuning fine = AxisTuning.STRAIGHT.curved(100);
    AxisTuning coarse = AxisTuning.STRAIGHT.curved(-100);
    for (int code = 0; code <= 4095; code += 5) {
      double x = code / 4095.0;
      assertThat(new AxisShape(fine, 4095).travel(code) / 32767.0)
          .isCloseTo(x * x * x, org.assertj.core.api.Assertions.within(2e-4));
      assertThat(new AxisShape(coarse, 4095).travel(code) / 32767.0)
          .isCloseTo(1 - Math.pow(1 - x, 3), org.assertj.core.api.Assertions.within(2e-4));
    }
  }

  /** A ramp takes its time, within one look and the part of a step that is dropped (5 %). */
  @Test(dataProvider = "seeds")
  public void aRampTakesItsTime(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Ramp ramp = new Ramp(random.nextInt(1, 400), random.nextInt(1, 400));
    long look = random.nextInt(200, 4000);
    long rise = time(0, AxisShape.FULL, look, ramp);
    assertThat(rise)
        .isBetween(1000L * ramp.riseMs() - look, Math.round(1060.0 * ramp.riseMs()) + look);
    long over = time(-AxisShape.FULL, AxisShape.FULL, look, ramp);
    assertThat(over)
        .as("from end to end by way of the middle")
        .isBetween(
            1000L * (ramp.riseMs() + ramp.returnMs()) - 2 * look,
            Math.round(1060.0 * (ramp.riseMs() + ramp.returnMs())) + 3 * look);
  }

  private static long time(int from, int to, long look, Ramp ramp) {
    long us = 0;
    for (int at = from; at != to; us += look) {
      at = Slide.next(at, to, look, ramp);
    }
    return us;
  }

  @Test
  public void rapidFireIsOnForItsTimeAndOffForItsTime() {
    Repeat repeat = new Repeat(30, 12);
    long on = IntStream.range(0, 42_000 * 10).filter(us -> Rapid.on(repeat, us)).count();
    assertThat(on).isEqualTo(30_000 * 10);
    assertThat(Rapid.on(repeat, 0)).isTrue();
    assertThat(Rapid.on(repeat, 29_999)).isTrue();
    assertThat(Rapid.on(repeat, 30_000)).isFalse();
    assertThat(Rapid.on(repeat, 42_000)).isTrue();
  }
}
