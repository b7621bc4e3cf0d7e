package kumite.timing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.SplittableRandom;
import kumite.build.map.Timing;
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
