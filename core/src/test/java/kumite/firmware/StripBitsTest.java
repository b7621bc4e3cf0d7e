package kumite.firmware;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.build.supply.Rgb;
import org.testng.SkipException;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * What leaves an 8-bit board at 16 MHz for a strip, seen by the part's simulator where this machine
 * has it. Times that such lamps take: a 0 is high for 0.2 to 0.5 us, a 1 for 0.65 to 0.95 us, a bit
 * takes 1.1 us or more, and they take over what they have after 50 us (from memory of their
 * sheets).
 */
public class StripBitsTest {
  /** The simulator's file counts tens of nanoseconds. */
  private static final int UNIT_NS = 10;

  @BeforeClass
  public void tools() {
    for (String tool : List.of("avr-gcc", "simavr")) {
      try {
        Exported.run(Path.of("."), "", "sh", "-c", "command -v " + tool);
      } catch (AssertionError | IOException e) {
        throw new SkipException(tool + " is not on this machine");
      }
    }
  }

  @DataProvider
  Object[][] seeds() {
    return IntStream.range(0, 3).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  @Test(dataProvider = "seeds")
  public void bitsAreAsLongAsTheLampsTakeThem(int seed) throws IOException {
    SplittableRandom random = new SplittableRandom(seed);
    Rgb colour = new Rgb(random.nextInt(256), random.nextInt(256), random.nextInt(256));
    int lamps = random.nextInt(1, 20);
    Path folder =
        Exported.write("strip-" + seed, Map.of("strip.h", Firmware.template("sketch/strip.h")));
    Targets.standIn(folder, "eight", "strip.c");
    Exported.run(
        folder,
        "",
        "sh",
        "-c",
        "avr-gcc -std=gnu99 -Os -Wall -mmcu=atmega1284p -I. -I/usr/include/simavr/avr -DRED="
            + colour.red()
            + " -DGREEN="
            + colour.green()
            + " -DBLUE="
            + colour.blue()
            + " -DLAMPS="
            + lamps
            + " -o strip.elf eight/strip.c -Wl,--undefined=_mmcu,--section-start=.mmcu=0x910000"
            + " && timeout 60 simavr strip.elf > strip.log 2>&1");
    List<long[]> highs = highs(Files.readAllLines(folder.resolve("strip.vcd")));
    assertThat(highs).hasSize(24 * lamps);
    StringBuilder bits = new StringBuilder();
    for (int i = 0; i < highs.size(); i++) {
      long ns = (highs.get(i)[1] - highs.get(i)[0]) * UNIT_NS;
      boolean one = ns > 575;
      assertThat(ns).isBetween(one ? 650L : 200L, one ? 950L : 500L);
      bits.append(one ? '1' : '0');
      if (i > 0) {
        long whole = (highs.get(i)[0] - highs.get(i - 1)[0]) * UNIT_NS;
        assertThat(whole).isBetween(1100L, 40_000L);
      }
    }
    String wanted =
        String.format(
                "%24s",
                Integer.toBinaryString(colour.green() << 16 | colour.red() << 8 | colour.blue()))
            .replace(' ', '0');
    assertThat(bits.toString()).isEqualTo(wanted.repeat(lamps));
  }

  /** When pin 2 of the port rose and fell; its pin 7 is never touched. */
  private static List<long[]> highs(List<String> lines) {
    List<long[]> highs = new ArrayList<>();
    long now = 0;
    boolean was = false;
    for (String line : lines) {
      if (line.startsWith("#")) {
        now = Long.parseLong(line.substring(1));
      } else if (line.matches("b[01]{8} .*")) {
        boolean is = line.charAt(6) == '1';
        if (is && !was) {
          highs.add(new long[] {now, now});
          assertThat(line.charAt(1)).isEqualTo('1');
        } else if (was && !is) {
          highs.get(highs.size() - 1)[1] = now;
        }
        was = is;
      }
    }
    return highs;
  }
}
