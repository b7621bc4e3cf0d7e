package kumite.program;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.build.map.AxisTuning;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class CalibrationTest {
  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 60).mapToObj(seed -> new Object[] {seed}).toArray(Object[][]::new);
  }

  /** Whatever the ends and the noise: the moved one is found, and reaches both ends afterwards. */
  @Test(dataProvider = "seeds")
  public void theMovedAxisIsFoundAndReachesItsEnds(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    int most = 4095;
    int columns = random.nextInt(1, 6);
    int moved = random.nextInt(columns);
    int low = random.nextInt(0, 900);
    int high = random.nextInt(2500, most + 1);
    boolean centred = random.nextBoolean();
    int rest = centred ? (low + high) / 2 : low;
    int noise = random.nextInt(0, 25);
    List<int[]> readings = new ArrayList<>();
    for (int i = 0; i < 400; i++) {
      int[] row = new int[columns];
      for (int c = 0; c < columns; c++) {
        double swing = Math.sin(Math.max(0, i - 40) / 30.0);
        double at =
            c != moved
                ? 1000
                : centred ? rest + swing * (high - low) / 2 : low + Math.abs(swing) * (high - low);
        int shaken = (int) Math.round(at) + (noise == 0 ? 0 : random.nextInt(noise) - noise / 2);
        row[c] = Math.max(0, Math.min(most, shaken));
      }
      readings.add(row);
    }
    Calibration found = Calibration.of(readings, most);
    assertThat(found.moved()).isEqualTo(moved);
    assertThat(found.centred()).isEqualTo(centred);
    assertThat(found.noise()).isLessThanOrEqualTo(Math.max(noise, 1));
    AxisTuning tuning = found.apply(AxisTuning.STRAIGHT);
    assertThat(tuning.calibrated()).isTrue();
    AxisShape shape = new AxisShape(tuning, most);
    assertThat(shape.value(found.most(), 255)).isEqualTo(255);
    assertThat(shape.value(found.least(), 255)).isZero();
    if (centred && noise > 1) {
      for (int code = rest - noise / 2; code <= rest + noise / 2; code++) {
        assertThat(shape.travel(code)).as("the rest is quiet").isZero();
      }
    }
  }

  @Test
  public void readingsComeAsText() {
    List<int[]> read = Calibration.read("x;y\n0;5\n1023;5\n", 1023);
    assertThat(read).hasSize(2);
    assertThat(read.get(1)).containsExactly(1023, 5);
    assertThatThrownBy(() -> Calibration.read("1,2\n3,x\n", 1023))
        .hasMessageContaining("row 2: \"x\" is no code");
    assertThatThrownBy(() -> Calibration.read("1,2\n3\n", 1023))
        .hasMessageContaining("row 2: has 1");
    assertThatThrownBy(() -> Calibration.read("1\n2\n9999\n", 1023)).hasMessageContaining("9999");
  }

  @Test
  public void nothingMovedIsSaid() {
    assertThatThrownBy(
            () -> Calibration.of(List.of(new int[] {5}, new int[] {6}, new int[] {5}), 1023))
        .hasMessageContaining("nothing moved");
    assertThatThrownBy(() -> Calibration.of(List.of(), 1023)).hasMessageContaining("too few");
  }
}
