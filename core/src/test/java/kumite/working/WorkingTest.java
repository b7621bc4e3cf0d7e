package kumite.working;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.SplittableRandom;
import org.testng.annotations.Test;

public class WorkingTest {

  @Test
  public void numbersAreRoundedHalfUpAndNeverMinusZero() {
    assertThat(Working.number(0.05, 1)).isEqualTo("0.1");
    assertThat(Working.number(-0.04, 1)).isEqualTo("0.0");
    assertThat(Working.number(2.675, 2)).isEqualTo("2.68"); // as it is written, not as it is stored
    assertThat(Working.number(1234567.5, 0)).isEqualTo("1234568");
    assertThat(Working.number(1e-9, 3)).isEqualTo("0.000");
    assertThat(Working.number(Double.NaN, 3)).isEqualTo("?"); // volts that did not come to rest
    SplittableRandom random = new SplittableRandom(2);
    for (int i = 0; i < 500; i++) {
      double value = random.nextDouble(-5000, 5000);
      BigDecimal shown = new BigDecimal(Working.number(value, 3));
      assertThat(shown.subtract(BigDecimal.valueOf(value)).abs())
          .isLessThanOrEqualTo(new BigDecimal("0.0005"));
      assertThat(shown.scale()).isEqualTo(3);
      assertThat(shown).isEqualTo(BigDecimal.valueOf(value).setScale(3, RoundingMode.HALF_UP));
    }
  }

  @Test
  public void aWorkingTellsFormulaValuesResultAndSource() {
    Working working =
        new Working(
            "lamp resistor",
            "R = (Vs - Vf) / I",
            List.of(
                Working.value("Vs", 5, 1, "V", "supply"),
                Working.words("lamp", "red", "as fitted")),
            "200 ohm",
            Source.memory("a handbook"));
    assertThat(working.inWords().lines())
        .containsExactly(
            "lamp resistor: R = (Vs - Vf) / I",
            "  Vs = 5.0 V  supply",
            "  lamp = red  as fitted",
            "  result 200 ohm",
            "a handbook (from memory)");
  }
}
