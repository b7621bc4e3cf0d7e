package kumite.firmware;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.SplittableRandom;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.build.loom.Topology;
import org.testng.annotations.Test;

/**
 * Cycles of one tick on this computer; no test: it is run by {@code ./kumite benchmarks firmware}.
 */
public class TickSpeed {
  @Test
  public void ticks() throws IOException {
    for (int contacts : new int[] {16, 64, 128}) {
      Topology way = contacts > 40 ? Topology.MATRIX : Topology.REGISTERS;
      Build build = RandomBuilds.sharing(way, contacts, new SplittableRandom(1));
      Firmware firmware = Firmware.of(Exported.blueprint(build).orElseThrow());
      Path folder = Exported.write("speed", firmware.files(Firmware.Target.PORTABLE, List.of()));
      Targets.standIn(folder, "speed", "speed.c");
      Exported.run(
          folder, "", "sh", "-c", "gcc -std=gnu99 -O2 -Icore -o fast core/*.c speed/speed.c");
      String[] cycles = Exported.run(folder, "", "./fast").strip().split(" ");
      System.out.printf(
          "%d contacts, %s: %s cycles a tick; reading as many terminals alone: %s%n",
          contacts, way, cycles[0], cycles[1]);
    }
  }
}
