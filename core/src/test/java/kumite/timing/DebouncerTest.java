package kumite.timing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import kumite.build.map.Timing;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class DebouncerTest {

  @Test
  public void deferredWaitsForQuiet() {
    Debouncer debouncer =
        new Debouncer(new Timing(1000, Timing.Debounce.DEFERRED, 5000, 1000), false);
    boolean[] looks = {true, false, true, true, true, true, true, true, true};
    int first = -1;
    for (int ms = 0; ms < looks.length; ms++) {
      if (debouncer.look(ms * 1000L, looks[ms]) && first < 0) {
        first = ms;
      }
    }
    assertThat(first).as("last edge at 2 ms, quiet for 5").isEqualTo(7);
  }

  @Test
  public void eagerTakesTheFirstEdgeAndHoldsOff() {
    Debouncer debouncer = new Debouncer(new Timing(1000, Timing.Debounce.EAGER, 5000, 1000), false);
    assertThat(debouncer.look(0, true)).isTrue();
    assertThat(debouncer.look(1000, false)).as("within the hold-off").isTrue();
    assertThat(debouncer.look(5000, false)).as("after it").isFalse();
  }

  @DataProvider
  public Object[][] rules() {
    List<Object[]> rules = new ArrayList<>();
    for (Timing.Debounce debounce : Timing.Debounce.values()) {
      for (int waitUs : new int[] {0, 1, 700, 5000, 20_000}) {
        rules.add(new Object[] {debounce, waitUs});
      }
    }
    return rules.toArray(Object[][]::new);
  }

  /** The plain model looks back over all that was seen, where the debouncer keeps three numbers. */
  @Test(dataProvider = "rules")
  public void randomEdgesSettleAsInAPlainModel(Timing.Debounce debounce, int waitUs) {
    SplittableRandom random = new SplittableRandom(waitUs);
    for (int run = 0; run < 200; run++) {
      boolean first = random.nextBoolean();
      Debouncer debouncer = new Debouncer(new Timing(1000, debounce, waitUs, 1000), first);
      List<Long> times = new ArrayList<>();
      List<Boolean> raws = new ArrayList<>();
      List<Boolean> settled = new ArrayList<>();
      long us = 0;
      boolean raw = first;
      for (int look = 0; look < 60; look++) {
        us += random.nextInt(1, 2500);
        raw ^= random.nextInt(3) == 0;
        times.add(us);
        raws.add(raw);
        boolean before = look == 0 ? first : settled.get(look - 1);
        settled.add(
            switch (debounce) {
              case DEFERRED -> quietFor(times, raws, first) >= waitUs ? raw : before;
              case EAGER -> sinceTurned(times, settled, first) >= waitUs ? raw : before;
            });
        assertThat(debouncer.look(us, raw))
            .as("look %d of run %d: %s at %s", look, run, raws, times)
            .isEqualTo(settled.get(look));
      }
    }
  }

  /** How long the input has read the same at the last look; for ever where it never changed. */
  private static long quietFor(List<Long> times, List<Boolean> raws, boolean first) {
    int last = raws.size() - 1;
    int since = last;
    while (since > 0 && raws.get(since - 1).equals(raws.get(last))) {
      since--;
    }
    return since == 0 && raws.get(0) == first ? Long.MAX_VALUE : times.get(last) - times.get(since);
  }

  /** How long ago the settled state turned, at the last look; for ever where it never did. */
  private static long sinceTurned(List<Long> times, List<Boolean> settled, boolean first) {
    for (int i = settled.size() - 1; i >= 0; i--) {
      boolean before = i == 0 ? first : settled.get(i - 1);
      if (settled.get(i) != before) {
        return times.get(times.size() - 1) - times.get(i);
      }
    }
    return Long.MAX_VALUE;
  }

  @Test
  public void bouncesStayWithinTheirRangeAndEndTurnedOver() {
    SplittableRandom random = new SplittableRandom(1);
    for (int i = 0; i < 2000; i++) {
      Bounce bounce = Bounce.drawn(1000, 5000, random);
      assertThat(bounce.edgesUs()).isSorted().doesNotHaveDuplicates();
      assertThat(bounce.lengthUs()).isBetween(1000, 5010);
      assertThat(bounce.turnedAt(-1)).isFalse();
      assertThat(bounce.turnedAt(bounce.lengthUs())).isTrue();
    }
    assertThatThrownBy(() -> new Bounce(List.of(0, 5))).hasMessageContaining("odd");
  }
}
