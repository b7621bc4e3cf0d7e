package kumite.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Every command with every kind of file that is no build, and with builds that were torn, spoiled
 * or written by another hand: one clear line that names the file, exit 2, and nothing written.
 */
public class HostileInputTest {
  private static final Path DEMO = Path.of("../demo/ferry-bridge.kumite.json");
  private Path folder;

  @BeforeClass
  public void makeFolder() throws Exception {
    folder = Files.createTempDirectory("kumite-hostile");
  }

  @AfterClass(alwaysRun = true)
  public void removeFolder() throws Exception {
    try (var files = Files.walk(folder)) {
      files.sorted(java.util.Comparator.reverseOrder()).forEach(f -> f.toFile().delete());
    }
  }

  /** Commands that take a build, each with what else it needs. */
  private List<List<String>> commands(String file) {
    String out = folder.resolve("out").toString();
    List<List<String>> commands = new ArrayList<>();
    for (String plain : List.of("check", "paths", "gaps", "nets", "boards")) {
      commands.add(List.of(plain, file));
      commands.add(List.of(plain, file, "--json"));
    }
    commands.add(List.of("press", file, "horn"));
    commands.add(List.of("levers", file, "rudder"));
    for (String what : List.of("all", "bench-sheet", "svg", "netlist", "wiring-board", "spice")) {
      commands.add(List.of("export", file, "--what", what, "--out", out));
    }
    return commands;
  }

  @DataProvider
  public Object[][] noBuilds() throws Exception {
    makeOnce();
    return new Object[][] {
      {"missing.json", null},
      {"empty.json", new byte[0]},
      {"blank.json", "  \n\t ".getBytes(StandardCharsets.UTF_8)},
      {"noise.json", noise(4096)},
      {"zeros.json", new byte[2048]},
      {"list.json", "[1, 2, 3]".getBytes(StandardCharsets.UTF_8)},
      {"text.json", "\"a build\"".getBytes(StandardCharsets.UTF_8)},
      {"number.json", "42".getBytes(StandardCharsets.UTF_8)},
      {"null.json", "null".getBytes(StandardCharsets.UTF_8)},
      {"other.json", "{\"format\": \"recipe\"}".getBytes(StandardCharsets.UTF_8)},
      {"future.json", later().getBytes(StandardCharsets.UTF_8)},
      {"deep.json", ("[".repeat(20_000)).getBytes(StandardCharsets.UTF_8)},
      {"twice.json", twice().getBytes(StandardCharsets.UTF_8)},
      {"latin.json", demo().replace("Ferry", "F\u00e4hre").getBytes(StandardCharsets.ISO_8859_1)},
      {"utf16.json", demo().getBytes(StandardCharsets.UTF_16)},
      {
        "endless.json",
        demo()
            .replace("\"revision\": \"C\"", "\"revision\": 1e999")
            .getBytes(StandardCharsets.UTF_8)
      },
    };
  }

  private void makeOnce() throws Exception {
    if (folder == null) {
      makeFolder();
    }
  }

  private static String demo() throws Exception {
    return Files.readString(DEMO);
  }

  private static String later() throws Exception {
    return demo().replaceFirst("\"version\"\\s*:\\s*\\d+", "\"version\": 9999");
  }

  private static String twice() throws Exception {
    return demo() + demo();
  }

  private static byte[] noise(int length) {
    byte[] bytes = new byte[length];
    new SplittableRandom(3).nextBytes(bytes);
    return bytes;
  }

  @Test(dataProvider = "noBuilds")
  public void whatIsNoBuildIsToldInOneLineByEveryCommand(String name, byte[] content)
      throws Exception {
    Path file = folder.resolve(name);
    if (content != null) {
      Files.write(file, content);
    }
    for (List<String> command : commands(file.toString())) {
      Ran ran = Ran.run(command.toArray(String[]::new));
      assertThat(ran.exit()).as("%s", command).isEqualTo(2);
      assertThat(ran.err().strip().lines()).as("%s says %s", command, ran.err()).hasSize(1);
      assertThat(ran.err()).as("%s", command).contains(name).doesNotContain("Exception");
      assertThat(ran.out()).as("%s", command).isEmpty();
    }
    assertThat(folder.resolve("out")).as("nothing is half-written").doesNotExist();
  }

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 120).mapToObj(seed -> new Object[] {seed}).toArray(Object[][]::new);
  }

  /** Any few letters of a build changed: it is read and judged, or refused in one line. */
  @Test(dataProvider = "seeds")
  public void aSpoiledBuildIsReadOrRefusedInOneLine(int seed) throws Exception {
    SplittableRandom random = new SplittableRandom(seed);
    StringBuilder text = new StringBuilder(demo());
    for (int i = random.nextInt(1, 6); i > 0; i--) {
      int at = random.nextInt(text.length());
      switch (random.nextInt(4)) {
        case 0 -> text.deleteCharAt(at);
        case 1 -> text.insert(at, (char) random.nextInt(32, 127));
        case 2 -> text.setCharAt(at, (char) random.nextInt(32, 127));
        default -> text.delete(at, Math.min(text.length(), at + random.nextInt(1, 60)));
      }
    }
    Path file = Files.writeString(folder.resolve("spoiled-" + seed + ".json"), text);
    Ran ran = Ran.run("check", file.toString());
    assertThat(ran.exit()).isIn(0, 1, 2);
    assertThat(ran.out() + ran.err()).doesNotContain("Exception").doesNotContain("\tat ");
    if (ran.exit() == 2) {
      assertThat(ran.err().strip().lines()).as(ran.err()).hasSize(1);
      assertThat(ran.err()).contains(file.getFileName().toString());
      assertThat(ran.out()).isEmpty();
    } else {
      assertThat(ran.out()).isNotBlank();
    }
  }

  @DataProvider
  public Object[][] scripts() {
    return new Object[][] {
      {"horn@"},
      {"horn@x"},
      {"horn=2"},
      {"horn=-1"},
      {"horn=NaN"},
      {"=1"},
      {"horn="},
      {"telegraph=0"},
      {"telegraph=1.5"},
      {"rudder"},
      {"rudder.sideways"},
      {""},
      {" "},
      {"horn horn.nothing"},
      {"port=1e400"},
      {"HORN"},
    };
  }

  /** What is no press is named, whatever was typed. */
  @Test(dataProvider = "scripts")
  public void whatIsNoPressIsToldInOneLine(String what) {
    Ran ran = Ran.run("press", DEMO.toString(), what);
    assertThat(ran.exit()).as(what).isEqualTo(2);
    assertThat(ran.err().strip().lines()).as("%s: %s", what, ran.err()).hasSize(1);
    assertThat(ran.err()).doesNotContain("Exception");
  }

  /** A folder that cannot be written to is named, and what was there stays. */
  @Test
  public void anExportOverOtherFilesIsRefusedWhole() throws Exception {
    Path out = Files.createDirectory(folder.resolve("taken"));
    Path theirs = Files.writeString(out.resolve("drill.csv"), "not ours");
    Ran ran = Ran.run("export", DEMO.toString(), "--what", "all", "--out", out.toString());
    assertThat(ran.exit()).isEqualTo(2);
    assertThat(ran.err()).contains("drill.csv");
    assertThat(theirs).hasContent("not ours");
    try (var files = Files.list(out)) {
      assertThat(files).as("nothing beside it").containsExactly(theirs);
    }
  }
}
