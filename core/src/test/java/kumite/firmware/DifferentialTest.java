package kumite.firmware;

import static org.testng.Assert.assertEquals;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import kumite.circuit.InputLevels;
import kumite.loom.Look;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * The exported programs and the simulated device tell the same, byte for byte and tick for tick,
 * over builds and plays drawn by chance.
 */
public class DifferentialTest {
  private static final int BUILDS = Integer.getInteger("firmware.builds", 28);
  private static final long FIRST = Long.getLong("firmware.first", 1);
  private static final int PLAYS = Integer.getInteger("firmware.plays", 50);
  private static final int FEW = 6;

  /** So many are made by their own Makefile, with all its warnings. */
  private static final int STRICT = 12;

  /** Of so many builds one is tried as a sketch and as a script too: both take longer. */
  private static final int EACH = Integer.getInteger("firmware.each", 3);

  /** Two at a time: most of it is the compiler's. */
  @DataProvider(parallel = true)
  public Object[][] seeds() {
    return IntStream.range(0, BUILDS)
        .mapToObj(i -> new Object[] {FIRST + i})
        .toArray(Object[][]::new);
  }

  @Test(dataProvider = "seeds")
  public void theProgramTellsWhatTheDeviceTells(long seed) throws IOException {
    SplittableRandom random = new SplittableRandom(seed);
    Blueprint blueprint = ProgrammableBuilds.draw(random);
    Firmware firmware = Firmware.of(blueprint);
    Path folder =
        Exported.write("random-" + seed, firmware.files(Firmware.Target.PORTABLE, List.of()));
    List<Exported.Play> plays = Exported.plays(blueprint, PLAYS, random);
    agree(
        blueprint,
        plays,
        Targets.portable(folder, lines(plays), seed < FIRST + STRICT),
        "portable, seed " + seed);
    if (seed % EACH == 0 && firmware.why(Firmware.Target.SKETCH).isEmpty()) {
      List<Exported.Play> few = plays.subList(0, FEW);
      agree(blueprint, few, Targets.sketch(firmware, folder, lines(few)), "sketch, seed " + seed);
      if (firmware.why(Firmware.Target.SCRIPT).isEmpty() && !floatsAtConverter(blueprint)) {
        agree(blueprint, few, Targets.script(firmware, folder, lines(few)), "script, seed " + seed);
      }
    }
  }

  /**
   * A script has one module a terminal: where that measures, it takes switches in through the
   * converter, and what nothing holds may come out either way.
   */
  private static boolean floatsAtConverter(Blueprint blueprint) {
    var seen = blueprint.inputs().see(blueprint.inputs()::rest);
    return seen.entrySet().stream()
        .anyMatch(
            look ->
                look.getKey().how() instanceof Look.Channel channel
                    && !channel.measured()
                    && look.getValue().reading() == InputLevels.Reading.UNDEFINED);
  }

  private static String lines(List<Exported.Play> plays) {
    return plays.stream().map(Exported.Play::line).collect(Collectors.joining());
  }

  private static void agree(
      Blueprint blueprint, List<Exported.Play> plays, String given, String what) {
    // A board that a short holds down tells nothing, and its program says so.
    Optional<String> difference =
        blueprint.inputs().dead().isPresent()
            ? Optional.of(given).filter(g -> !g.contains("a supply is shorted"))
            : Exported.difference(plays, given);
    assertEquals(difference, Optional.empty(), what);
  }
}
