package kumite.timing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.SplittableRandom;
import kumite.build.map.Timing;
import org.testng.annotations.Test;

/** Bounces, quantiles and messages at their edges; expected values are arithmetic. */
public class TimingBoundaryTest {
  /** Odd in count, ascending, from 0 to a length that was asked for, of up to four pairs. */
  @Test
  public void aBounceEndsWhereItWasToEnd() {
    SplittableRandom random = new SplittableRandom(5);
    int[] pairs = new int[6];
    boolean least = false;
    boolean most = false;
    for (int i = 0; i < 20_000; i++) {
      int low = random.nextInt(0, 60);
      int high = low + random.nextInt(0, 60);
      Bounce bounce = Bounce.drawn(low, high, random);
      List<Integer> edges = bounce.edgesUs();
      assertThat(edges.get(0)).isZero();
      assertThat(edges.size() % 2).isEqualTo(1);
      pairs[edges.size() / 2]++;
      for (int e = 1; e < edges.size(); e++) {
        assertThat(edges.get(e)).isGreaterThan(edges.get(e - 1));
      }
      if (edges.size() == 1) {
        assertThat(low).as("too short to bounce").isLessThan(4);
      } else {
        // Edges that fell together are pushed apart, and so may pass the end by their count.
        assertThat(bounce.lengthUs()).isBetween(low, high + edges.size());
        least |= bounce.lengthUs() == low;
        most |= bounce.lengthUs() == high && high > low;
      }
      assertThat(bounce.turnedAt(bounce.lengthUs())).isTrue();
      assertThat(bounce.turnedAt(-1)).isFalse();
    }
    assertThat(least && most).as("both ends are drawn").isTrue();
    for (int p = 1; p <= 4; p++) {
      assertThat(pairs[p]).as("%d pairs", p).isGreaterThan(300);
    }
    assertThat(pairs[5]).isZero();
    assertThat(Bounce.clean().edgesUs()).containsExactly(0);
  }

  /** Quantiles of a study are those of its own histogram, counted here one press at a time. */
  @Test
  public void quantilesAreThoseOfThePresses() {
    for (int presses : new int[] {1, 2, 20, 99, 100, 101, 5000}) {
      DelayStudy study =
          DelayStudy.of(
              new Timing(1000, Timing.Debounce.EAGER, 0, 4000),
              0,
              List.of(),
              0,
              0,
              0,
              presses,
              presses);
      List<Double> each = new ArrayList<>();
      for (int step = 0; step < study.histogram().length; step++) {
        each.addAll(
            Collections.nCopies(study.histogram()[step], (step + 1.0) * DelayStudy.STEP_US));
      }
      assertThat(each).hasSize(presses);
      assertThat(study.medianUs()).isEqualTo(nth(each, 0.5));
      assertThat(study.p95Us()).isEqualTo(nth(each, 0.95));
      assertThat(study.p99Us()).isEqualTo(nth(each, 0.99));
      assertThat(study.histogram()[study.histogram().length - 1])
          .as("it ends with the slowest")
          .isPositive();
      assertThat(study.worstUs())
          .isCloseTo(each.get(presses - 1), within((double) DelayStudy.STEP_US));
    }
  }

  /** The smallest value that so large a part does not exceed. */
  private static double nth(List<Double> ascending, double part) {
    return ascending.get((int) Math.ceil(part * ascending.size()) - 1);
  }

  /** A register shows late: each such look is one period more, to the microsecond in the mean. */
  @Test
  public void eachLateLookIsAPeriodMore() {
    Timing timing = new Timing(2000, Timing.Debounce.EAGER, 0, 1000);
    double[] means = new double[3];
    for (int late = 0; late < 3; late++) {
      means[late] = DelayStudy.of(timing, 0, List.of(), late, 0, 0, 200_000, 7).meanUs();
    }
    assertThat(means[1] - means[0]).isCloseTo(2000, within(1e-6));
    assertThat(means[2] - means[0]).isCloseTo(4000, within(1e-6));
  }

  /** The window of a chord is over at the first look after it: floor(window / scan) + 1 looks. */
  @Test
  public void partsOfADelayAreSaidInWords() {
    Timing timing = new Timing(1000, Timing.Debounce.DEFERRED, 4500, 8000);
    Delay delay = Delay.of(timing, true, 30_000, Delay.Out.WIRE);
    // scan 0..1, register 1, debounce 5 (the first look at or after 4.5), chord 31, poll 0..8
    assertThat(delay.bestUs()).isEqualTo(37_000);
    assertThat(delay.worstUs()).isEqualTo(46_000);
    assertThat(delay.meanUs()).isEqualTo(41_500);
    assertThat(delay.working().formula())
        .isEqualTo("t = scan/2 + register + debounce + chord + poll/2");
    assertThat(delay.working().result()).isEqualTo("41.5 ms");
    assertThat(delay.within(37_000)).isZero();
    assertThat(delay.within(46_000)).isEqualTo(1);
    assertThat(delay.within(60_000)).isEqualTo(1);
    // Half of scan's width under poll's: 0.5^2 / (2 x 1 x 8)
    assertThat(delay.within(37_500)).isCloseTo(0.25 / 16, within(1e-12));
    assertThat(Delay.of(timing, false, 0, Delay.Out.RADIO).working().formula()).endsWith("slot/2");
    assertThat(Delay.of(timing, false, 29_999, Delay.Out.WIRE).bestUs()).isEqualTo(35_000);
    Timing none = new Timing(1000, Timing.Debounce.DEFERRED, 0, 8000);
    assertThat(Delay.of(none).working().formula()).isEqualTo("t = scan/2 + poll/2");
  }

  /** Ten bits a byte at 115 200 baud (one to start, eight, one to stop): 86.8 us. */
  @Test
  public void aMessageTakesTenBitsAByte() {
    Timing hearer = new Timing(1000, Timing.Debounce.EAGER, 0, 1000);
    assertThat(new SerialLine(1, hearer).transferUs()).isCloseTo(86.8055, within(1e-3));
    assertThat(new SerialLine(12, hearer).transferUs()).isCloseTo(12 * 86.8055, within(1e-2));
  }
}
