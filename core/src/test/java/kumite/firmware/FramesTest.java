package kumite.firmware;

import static org.assertj.core.api.Assertions.assertThat;
import static org.testng.Assert.assertEquals;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import kumite.build.Build;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Pads that talk in frames, as exported programs hear them. */
public class FramesTest {
  private static final int BUILDS = Integer.getInteger("firmware.framed", 8);
  private static final long FIRST = Long.getLong("firmware.first", 1);
  private static final int PLAYS = 20;
  private static final int FEW = 6;

  @DataProvider(parallel = true)
  public Object[][] seeds() {
    return IntStream.range(0, BUILDS)
        .mapToObj(i -> new Object[] {FIRST + i})
        .toArray(Object[][]::new);
  }

  @DataProvider(parallel = true)
  public Object[][] few() {
    return IntStream.range(0, (BUILDS + 1) / 2)
        .mapToObj(i -> new Object[] {FIRST + i})
        .toArray(Object[][]::new);
  }

  /** Whatever is joined to what: wires left out and added, several pads side by side. */
  @Test(dataProvider = "seeds")
  public void theProgramHearsWhatTheDeviceHears(long seed) throws IOException {
    SplittableRandom random = new SplittableRandom(seed);
    Blueprint blueprint = drawn(() -> FramedBuilds.draw(random), score -> heard(score) > 0);
    Firmware firmware = Firmware.of(blueprint);
    Path folder =
        Exported.write("framed-" + seed, firmware.files(Firmware.Target.PORTABLE, List.of()));
    List<Exported.Play> plays = Exported.plays(blueprint, PLAYS, random);
    agree(blueprint, plays, Targets.portable(folder, lines(plays), seed < FIRST + 3), "portable");
    List<Exported.Play> few = plays.subList(0, FEW);
    if (firmware.why(Firmware.Target.SKETCH).isEmpty()) {
      agree(blueprint, few, Targets.sketch(firmware, folder, lines(few)), "sketch");
    }
    if (firmware.why(Firmware.Target.SCRIPT).isEmpty()) {
      agree(blueprint, few, Targets.script(firmware, folder, lines(few)), "script");
    }
  }

  /** {@return the first program of drawn builds that is of use here} */
  private static Blueprint drawn(Supplier<Build> builds, Predicate<Score> wanted) {
    Optional<Blueprint> drawn = Optional.empty();
    while (drawn.filter(b -> wanted.test(Firmware.of(b).score())).isEmpty()) {
      drawn = Exported.blueprint(builds.get());
    }
    return drawn.get();
  }

  private static int heard(Score score) {
    return score.size("N_FRAMES") + score.size("N_KEYBOARDS") + score.size("N_TOLD_PADS");
  }

  /** A USB pad of any report, whose wires are right or not. */
  @Test(dataProvider = "few")
  public void theProgramTakesWhatAUsbPadReports(long seed) throws IOException {
    SplittableRandom random = new SplittableRandom(seed);
    Blueprint blueprint =
        drawn(() -> FramedBuilds.hosted(random), score -> score.size("N_TOLD_PADS") > 0);
    Firmware firmware = Firmware.of(blueprint);
    Path folder =
        Exported.write("hosted-" + seed, firmware.files(Firmware.Target.PORTABLE, List.of()));
    List<Exported.Play> plays = Exported.plays(blueprint, PLAYS, random);
    agree(blueprint, plays, Targets.portable(folder, lines(plays), seed < FIRST + 2), "portable");
    List<Exported.Play> few = plays.subList(0, FEW);
    agree(blueprint, few, Targets.sketch(firmware, folder, lines(few)), "sketch");
    assertThat(firmware.why(Firmware.Target.SCRIPT)).isPresent();
  }

  private static String lines(List<Exported.Play> plays) {
    return plays.stream().map(Exported.Play::line).collect(Collectors.joining());
  }

  private static void agree(
      Blueprint blueprint, List<Exported.Play> plays, String given, String what) {
    Optional<String> difference =
        blueprint.inputs().dead().isPresent()
            ? Optional.of(given).filter(g -> !g.contains("a supply is shorted"))
            : Exported.difference(plays, given);
    assertEquals(difference, Optional.empty(), what);
  }
}
