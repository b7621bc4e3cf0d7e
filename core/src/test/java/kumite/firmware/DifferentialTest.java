package kumite.firmware;

import static org.testng.Assert.assertEquals;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * The exported C and the simulated device tell the same, byte for byte and tick for tick, over
 * builds and plays drawn by chance.
 */
public class DifferentialTest {
  private static final int BUILDS = Integer.getInteger("firmware.builds", 40);
  private static final int PLAYS = 50;
  private static final long FIRST = Long.getLong("firmware.first", 1);

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, BUILDS).mapToObj(i -> new Object[] {FIRST + i}).toArray(Object[][]::new);
  }

  @Test(dataProvider = "seeds")
  public void theProgramTellsWhatTheDeviceTells(long seed) throws IOException {
    SplittableRandom random = new SplittableRandom(seed);
    Blueprint blueprint = ProgrammableBuilds.draw(random);
    Path folder =
        Exported.write(
            "random-" + seed,
            Firmware.of(blueprint).files(Firmware.Target.PORTABLE, List.of()));
    Exported.run(folder, "", "make", "-s", "-j2", "CFLAGS+=-O0");
    List<Exported.Play> plays = Exported.plays(blueprint, PLAYS, random);
    String lines = plays.stream().map(Exported.Play::line).collect(Collectors.joining());
    String given =
        blueprint.inputs().dead().isPresent()
            ? plays.stream().map(p -> "\n").collect(Collectors.joining())
            : Exported.run(folder, lines, "./device-host", "--each-line");
    assertEquals(Exported.difference(plays, given), Optional.empty(), "seed " + seed);
  }
}
