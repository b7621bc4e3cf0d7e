package kumite.device;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.build.map.Timing;
import kumite.timing.Debouncer;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Bounce read off a stream, against a plain count over every look. */
public class BounceReadingTest {
  private static final int SCAN = 500;

  @DataProvider
  Object[][] seeds() {
    return IntStream.range(0, 80).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  /** A contact that moves now and then and bounces; at each look it reads what it is then. */
  private record Play(List<Boolean> looks, int moves, long longestUs) {}

  private static Play play(SplittableRandom random) {
    List<Boolean> looks = new ArrayList<>(List.of(false));
    boolean level = false;
    int moves = random.nextInt(1, 30);
    long longest = 0;
    for (int move = 0; move < moves; move++) {
      for (int quiet = random.nextInt(25, 80); quiet > 0; quiet--) {
        looks.add(level);
      }
      level = !level;
      looks.add(level);
      int first = looks.size() - 1;
      int edges = 2 * random.nextInt(4); // an even number of bounces, so that it ends moved
      for (int edge = 0; edge < edges; edge++) {
        for (int stay = random.nextInt(4); stay > 0; stay--) {
          looks.add(looks.get(looks.size() - 1));
        }
        looks.add(!looks.get(looks.size() - 1));
      }
      longest = Math.max(longest, (long) (looks.size() - 1 - first) * SCAN);
    }
    for (int quiet = 0; quiet < 60; quiet++) {
      looks.add(level);
    }
    return new Play(looks, moves, longest);
  }

  private static SelfTest stream(Play play, long startUs) {
    SelfTest.Writer writer = new SelfTest.Writer(SCAN);
    long us = startUs;
    for (boolean level : play.looks()) {
      writer.look(us % (1L << 32), new Boolean[] {level}, new Boolean[] {level}, new Integer[0]);
      us += SCAN;
    }
    return writer.done();
  }

  /** The same count, by living through every look. */
  private static int changes(Play play, Timing timing) {
    Debouncer debouncer = new Debouncer(timing, false);
    boolean settled = false;
    int changes = 0;
    for (int i = 0; i < play.looks().size(); i++) {
      boolean now = debouncer.look((long) i * SCAN, play.looks().get(i));
      changes += now != settled ? 1 : 0;
      settled = now;
    }
    return changes;
  }

  @Test(dataProvider = "seeds")
  public void itIsWhatEveryLookSays(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Play play = play(random);
    Timing timing = new Timing(SCAN, Timing.Debounce.DEFERRED, random.nextInt(12) * 1000, 1000);
    // The clock may run over in the middle of it.
    long start = random.nextBoolean() ? 0 : (1L << 32) - random.nextInt(400) * SCAN;
    BounceReading reading = BounceReading.of(stream(play, start), timing);
    assertThat(reading.movements()).isEqualTo(play.moves());
    assertThat(reading.longestUs()).isEqualTo(play.longestUs());
    assertThat(stream(play, start).seen(0).chatterUs()).isEqualTo(play.longestUs());
    assertThat(reading.histogram().values().stream().mapToInt(Integer::intValue).sum())
        .isEqualTo(play.moves());
    for (Timing.Debounce school : Timing.Debounce.values()) {
      Timing with = new Timing(SCAN, school, timing.waitUs(), 1000);
      BounceReading.Told told =
          school == Timing.Debounce.EAGER ? reading.eager() : reading.deferred();
      assertThat(told.doubled()).isEqualTo(Math.max(0, changes(play, with) - play.moves()));
      double wait = school == Timing.Debounce.EAGER ? 0 : timing.waitUs();
      assertThat(told.meanUs()).isCloseTo(SCAN / 2.0 + wait + 500, within(1e-9));
    }
  }

  /**
   * The wait that is asked for leaves no double of any school, and half a millisecond less might.
   */
  @Test(dataProvider = "seeds")
  public void theWaitThatIsAskedForIsEnough(int seed) {
    Play play = play(new SplittableRandom(1000 + seed));
    SelfTest test = stream(play, 0);
    int wait = BounceReading.of(test, Timing.USUAL).waitUs();
    long least = play.longestUs() == 0 ? 0 : play.longestUs() + SCAN;
    assertThat((long) wait).isBetween(least, least + 499);
    assertThat(wait % 500).isZero();
    BounceReading with =
        BounceReading.of(test, new Timing(SCAN, Timing.Debounce.DEFERRED, wait, 1000));
    assertThat(with.deferred().doubled()).isZero();
    assertThat(with.eager().doubled()).isZero();
  }

  /** The rule of three: none of 60 seen, at most 5 in a hundred (JAMA 249 (1983), from memory). */
  @Test
  public void noneSeenIsNotNone() {
    List<Boolean> looks = new ArrayList<>(List.of(false));
    for (int move = 0; move < 60; move++) {
      for (int i = 0; i < 40; i++) {
        looks.add(move % 2 == 0);
      }
    }
    SelfTest test = stream(new Play(looks, 60, 0), 0);
    BounceReading reading = BounceReading.of(test, Timing.USUAL);
    assertThat(reading.movements()).isEqualTo(60);
    assertThat(reading.chancePercent(reading.deferred())).isCloseTo(5, within(1e-9));
    assertThat(reading.words(Timing.USUAL, "a").get(0)).contains("none bounced");
    SelfTest still = stream(new Play(List.of(false, false), 0, 0), 0);
    assertThat(BounceReading.of(still, Timing.USUAL).words(Timing.USUAL, "").get(0))
        .startsWith("No contact moved");
    assertThat(BounceReading.of(new SelfTest(1000, List.of()), Timing.USUAL).any()).isFalse();
  }
}
