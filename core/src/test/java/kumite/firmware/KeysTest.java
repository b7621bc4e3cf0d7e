package kumite.firmware;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.SplittableRandom;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * A program clocked bit by bit as a keyboard does it: start 0, eight bits least first, odd parity,
 * stop 1, codes of the second set. From memory, as the kind of port has them: A 1C, B 32, Up E0 75.
 */
public class KeysTest {
  private static final String A_DOWN = "00011100001";
  private static final String UP = "00000111111";

  private static final int KEY_A = 0;
  private static final int KEY_B = 1;
  private static final int KEY_UP = 44;

  private Path folder;

  @BeforeClass
  public void program() throws IOException {
    Blueprint blueprint = Exported.blueprint(FramedBuilds.of("keyboard-frame")).orElseThrow();
    folder =
        Exported.write("keys", Firmware.of(blueprint).files(Firmware.Target.PORTABLE, List.of()));
    Targets.standIn(folder, "keys", "keys.c");
    Exported.run(folder, "", "sh", "-c", "gcc -std=c99 -O1 -Icore -o clocked core/*.c keys/keys.c");
  }

  /** {@return the bits of a byte, worked out here and not by the workbench} */
  private static String bits(int value) {
    StringBuilder bits = new StringBuilder("0");
    for (int i = 0; i < 8; i++) {
      bits.append(value >> i & 1);
    }
    return bits.append(1 - Integer.bitCount(value) % 2).append('1').toString();
  }

  @DataProvider
  public Object[][] lines() {
    return new Object[][] {
      {A_DOWN, "" + KEY_A},
      {bits(0x1C) + bits(0x32), KEY_A + " " + KEY_B},
      {bits(0x1C) + UP + bits(0x1C), ""},
      {bits(0xE0) + bits(0x75), "" + KEY_UP},
      {bits(0x75), ""}, // the same code of the number pad: no key of it
      {bits(0xE0) + bits(0x75) + bits(0xE0) + UP + bits(0x75), ""},
      {"00011100011" + bits(0x32), "" + KEY_B}, // wrong parity
      {"00011100000" + bits(0x32), "" + KEY_B}, // no stop bit
      {"10011100001" + bits(0x32), "" + KEY_B}, // no start bit
      {"00011." + bits(0x32), "" + KEY_B}, // broken off, then a rest
      {bits(0x1C) + UP + "00011100011" + bits(0x1C), "" + KEY_A}, // a release that was lost
      {bits(0x1C) + "." + bits(0x1C) + bits(0x1C), "" + KEY_A}, // it repeats while it is held
    };
  }

  @Test(dataProvider = "lines")
  public void bitsAreKeys(String line, String held) throws IOException {
    assertThat(Exported.run(folder, line + "\n", "./clocked").strip()).isEqualTo(held);
  }

  /** Whatever is pressed and let go in whatever order, what is down is down. */
  @Test
  public void manyKeysAreWhatTheyAre() throws IOException {
    SplittableRandom random = new SplittableRandom(4);
    int[] codes = {0x1C, 0x32, 0x21, 0x23, 0x24, 0x2B, 0x34, 0x33}; // A to H
    TreeSet<Integer> down = new TreeSet<>();
    StringBuilder lines = new StringBuilder();
    StringBuilder wanted = new StringBuilder();
    for (int i = 0; i < 200; i++) {
      int key = random.nextInt(codes.length);
      lines.append(random.nextInt(5) == 0 ? "01." : "");
      if (down.remove(key)) {
        lines.append(bits(0xF0));
      } else {
        down.add(key);
      }
      lines.append(bits(codes[key])).append('\n');
      wanted.append(down.stream().map(k -> " " + k).collect(Collectors.joining())).append('\n');
    }
    assertThat(Exported.run(folder, lines.toString(), "./clocked")).isEqualTo(wanted.toString());
  }
}
