package kumite.timing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.build.map.Timing;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class DelayTest {

  /**
   * Means by TRADE section 9; medians and 95 of 100 of the sum of two uniform waits by hand from
   * the triangle and the trapezoid that they make (calc).
   */
  @DataProvider
  public Object[][] timings() {
    Timing.Debounce deferred = Timing.Debounce.DEFERRED;
    return new Object[][] {
      // Two equal waits: a triangle from 5 to 7; 95 % leaves a corner of area 0.05 = (7 - t)^2 / 2.
      {new Timing(1000, deferred, 5000, 1000), 6.0, 6.0, 7 - Math.sqrt(0.1), 7.0},
      // 1 and 8 ms: a trapezoid; the last ramp has area 1/16 = 0.0625, so 0.05 = (14 - t)^2 / 16.
      {new Timing(1000, deferred, 5000, 8000), 9.5, 9.5, 14 - Math.sqrt(0.8), 14.0},
      {new Timing(1000, Timing.Debounce.EAGER, 5000, 1000), 1.0, 1.0, 2 - Math.sqrt(0.1), 2.0},
      // 1.5 ms of waiting is over at the second look after the first.
      {new Timing(1000, deferred, 1500, 1000), 3.0, 3.0, 4 - Math.sqrt(0.1), 4.0},
    };
  }

  @Test(dataProvider = "timings")
  public void theClosedFormIsTheOneWorkedByHand(
      Timing timing, double mean, double median, double p95, double worst) {
    Delay delay = Delay.of(timing);
    assertThat(delay.meanUs() / 1000).isCloseTo(mean, within(1e-9));
    assertThat(delay.quantileUs(0.5) / 1000).isCloseTo(median, within(1e-6));
    assertThat(delay.quantileUs(0.95) / 1000).isCloseTo(p95, within(1e-6));
    assertThat(delay.worstUs() / 1000).isCloseTo(worst, within(1e-9));
    assertThat(delay.working().inWords()).contains("ms");
    assertThat(delay.frames()).isCloseTo(mean / (1000.0 / 60), within(1e-9));
  }

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 40).mapToObj(seed -> new Object[] {seed}).toArray(Object[][]::new);
  }

  private static Timing timing(SplittableRandom random) {
    int scan = random.nextInt(100, 4000);
    return new Timing(
        scan,
        Timing.Debounce.values()[random.nextInt(2)],
        random.nextInt(0, 12_000),
        random.nextInt(1000, 12_000));
  }

  /** Without bounce the played presses follow the closed form: 40000 draws, 5 standard errors. */
  @Test(dataProvider = "seeds")
  public void playedPressesFollowTheClosedForm(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Timing timing = timing(random);
    int presses = 40_000;
    // Some boards are passed on by others, over serial lines.
    List<SerialLine> lines = new ArrayList<>();
    for (int i = random.nextInt(3); i > 0; i--) {
      lines.add(new SerialLine(random.nextInt(1, 9), timing(random)));
    }
    Timing last = lines.isEmpty() ? timing : lines.get(lines.size() - 1).hearer();
    int every = 1 + seed % 4; // a pad that needs a pause is asked at some looks only
    Delay delay = Delay.of(timing, every, false, 0, Delay.Out.WIRE, lines);
    DelayStudy study =
        DelayStudy.of(
            new Timing(timing.scanUs(), timing.debounce(), timing.waitUs(), last.pollUs()),
            every,
            lines.stream().mapToDouble(SerialLine::transferUs).sum(),
            lines.stream().map(line -> line.hearer().scanUs()).toList(),
            0,
            0,
            0,
            presses,
            seed);
    double spread = delay.worstUs() - delay.bestUs();
    double error = 5 * spread / Math.sqrt(12.0 * presses) + DelayStudy.STEP_US;
    assertThat(study.meanUs()).isCloseTo(delay.meanUs(), within(error));
    assertThat(study.worstUs()).isLessThanOrEqualTo(delay.worstUs() + 1);
    for (double part : new double[] {0.05, 0.5, 0.95, 0.99}) {
      int within = 0;
      double at = delay.quantileUs(part);
      for (int step = 0; step < study.histogram().length && step * 10.0 < at; step++) {
        within += study.histogram()[step];
      }
      assertThat(within / (double) presses)
          .as("%s of presses by %s us", part, at)
          .isCloseTo(part, within(0.02));
    }
  }

  /** Parts of any widths, against draws of an independent generator. */
  @Test(dataProvider = "seeds")
  public void anySumOfWaitsFollowsItsFormula(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Delay delay =
        new Delay(
            IntStream.range(0, 1 + seed % 4)
                .mapToObj(
                    i -> {
                      double least = random.nextDouble(3000);
                      double width = random.nextInt(4) == 0 ? 0 : random.nextDouble(9000);
                      return new Delay.Part(Delay.Kind.SCAN, least, least + width);
                    })
                .toList());
    double[] draws = new double[20_000];
    Arrays.setAll(
        draws,
        i ->
            delay.parts().stream()
                .mapToDouble(p -> p.leastUs() + random.nextDouble() * (p.mostUs() - p.leastUs()))
                .sum());
    Arrays.sort(draws);
    for (double part : new double[] {0.01, 0.25, 0.5, 0.75, 0.95, 0.99}) {
      double drawn = draws[(int) (part * draws.length)];
      assertThat(delay.within(drawn + 1e-6))
          .as("%s of %s", part, delay.parts())
          .satisfiesAnyOf(
              p -> assertThat(p).isCloseTo(part, within(0.02)),
              p -> assertThat(delay.worstUs() - delay.bestUs()).isLessThan(1e-6));
      assertThat(delay.within(delay.quantileUs(part))).isGreaterThanOrEqualTo(part - 1e-6);
    }
  }

  /** The study settles a bouncing press exactly when the board's debouncer does. */
  @Test(dataProvider = "seeds")
  public void theStudySettlesAsTheDebouncerDoes(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    for (int i = 0; i < 300; i++) {
      Timing timing = timing(random);
      Bounce bounce = Bounce.drawn(0, 8000, random);
      int every = random.nextInt(1, 5);
      int phase = random.nextInt(every * timing.scanUs());
      Debouncer debouncer = new Debouncer(timing, false);
      long us = phase;
      boolean read = bounce.turnedAt((int) us);
      for (int look = 1; !debouncer.look(us, read); look++) {
        us += timing.scanUs();
        read = look % every == 0 ? bounce.turnedAt((int) us) : read;
      }
      assertThat(
              DelayStudy.settled(
                  timing, every, bounce.edgesUs().stream().mapToInt(e -> e).toArray(), phase))
          .as("%s", timing)
          .isEqualTo(us);
    }
  }
}
