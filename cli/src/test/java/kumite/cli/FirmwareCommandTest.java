package kumite.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Exported code on the command line: what it tells is what {@code press} tells. */
public class FirmwareCommandTest {
  private static final String DEMO = "../demo/ferry-bridge.kumite.json";
  private Path built;

  /** What a program said and how it ended. */
  private record Said(int exit, String out) {}

  private static Said run(Path folder, String input, String... command) throws Exception {
    Path in = Files.createTempFile("kumite", "in");
    Files.writeString(in, input);
    Process process =
        new ProcessBuilder(command)
            .directory(folder.toFile())
            .redirectErrorStream(true)
            .redirectInput(in.toFile())
            .start();
    String out = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    return new Said(process.waitFor(), out);
  }

  private static Map<String, String> texts(Path folder) throws IOException {
    Map<String, String> texts = new TreeMap<>();
    try (Stream<Path> files = Files.walk(folder)) {
      for (Path file : files.filter(Files::isRegularFile).toList()) {
        texts.put(folder.relativize(file).toString(), Files.readString(file));
      }
    }
    return texts;
  }

  @BeforeClass
  public void build() throws Exception {
    built = Files.createTempDirectory("kumite-code");
    Ran ran = Ran.run("export", DEMO, "--what", "firmware", "--out", built.toString());
    assertThat(ran.exit()).isZero();
    assertThat(ran.err()).contains("README begins with them");
    Said made = run(built, "", "make", "-s");
    assertThat(made.out()).isEmpty();
    assertThat(run(built, "", "make", "-s", "check").exit()).isZero();
  }

  @DataProvider
  public Object[][] scripts() {
    return new Object[][] {
      {"horn@0+80ms rudder.left@10ms", 1, List.of()},
      {"horn@0+80ms, rudder.left@10ms; port=0.4@20ms", 7, List.of()},
      {"port=40% telegraph=3 horn", -3, List.of()},
      {"telegraph=0.5@1s+20000us horn@0.25ms", 99, List.of()},
      {"anchor@5 radar@5 anchor@20+5", 12, List.of("anchor", "radar")},
      {"bilge@0+1ms bilge@2+1ms bilge@4+1ms", 4, List.of("anchor")},
    };
  }

  /** The same words, the same seed, the same reports. */
  @Test(dataProvider = "scripts")
  public void theDeviceTellsWhatPressTells(String script, long seed, List<String> powerUp)
      throws Exception {
    List<String> press = new ArrayList<>(List.of("press", DEMO));
    press.addAll(List.of(script.split(" ")));
    press.addAll(List.of("--seed=" + seed, "--json"));
    List<String> device = new ArrayList<>(List.of("./device-host", "--seed", "" + seed));
    for (String contact : powerUp) {
      press.addAll(List.of("--power-up", contact));
      device.addAll(List.of("--power-up", contact));
    }
    StringBuilder wanted = new StringBuilder();
    for (JsonNode report : Ran.run(press.toArray(String[]::new)).json().get("reports")) {
      wanted
          .append(Math.round(report.get("time_ms").asDouble() * 1000))
          .append(' ')
          .append(report.get("id").asInt())
          .append(' ')
          .append(report.get("hex").asText())
          .append('\n');
    }
    Said said = run(built, script, device.toArray(String[]::new));
    assertThat(said.out()).isEqualTo(wanted.toString());
    assertThat(said.exit()).isZero();
  }

  @DataProvider
  public Object[][] hostile() {
    return new Object[][] {
      {"hron@0", "no contact \"hron\"; it has rudder.up"},
      {"horn@", "\"horn@\": is no time"},
      {"horn@5x", "is no time"},
      {"horn@-5", "is no time"},
      {"horn@0x10", "is no time"},
      {"horn@nan", "is no time"},
      {"horn@1e999", "is no time"},
      {"horn@700s", "ten minutes"},
      {"horn@599s+5s", "ten minutes"},
      {"port=2@0", "between 0 and 1"},
      {"port=x@0", "how far it is moved"},
      {"port=@0", "how far it is moved"},
      {"telegraph=9", "between 0 and 1"},
      {"horn@0 ".repeat(1001), "at most 1000 moves"},
      {"h".repeat(500) + "@0", "too long"},
    };
  }

  @Test(dataProvider = "hostile")
  public void aScriptThatCannotBeReadIsNamed(String script, String why) throws Exception {
    Said said = run(built, script, "./device-host");
    assertThat(said.exit()).isEqualTo(2);
    assertThat(said.out()).contains(why).doesNotContain("Segmentation");
  }

  @Test
  public void anOptionThatIsUnknownIsNamed() throws Exception {
    assertThat(run(built, "", "./device-host", "--seed", "x").out()).contains("usage:");
    assertThat(run(built, "", "./device-host", "--profile", "No").out())
        .contains("no profile \"No\"; it has Main, Phone");
    assertThat(run(built, "", "./device-host", "--profile", "Phone").exit()).isZero();
    assertThat(run(built, "", "./device-host").out()).startsWith("0 0 ");
  }

  @DataProvider
  public Object[][] targets() {
    return new Object[][] {
      {"portable", "core/device_tables.c"},
      {"sketch", "ferry_bridge_desk/ferry_bridge_desk.ino"},
      {"script", "code.py"},
    };
  }

  /** The same build gives the same bytes; what somebody else put there stays. */
  @Test(dataProvider = "targets")
  public void everyTargetIsWrittenTheSameAndReplacesNothingElse(String target, String file)
      throws Exception {
    Path one = Files.createTempDirectory("kumite-one");
    Path other = Files.createTempDirectory("kumite-other");
    for (Path out : List.of(one, other)) {
      assertThat(export(out, target).exit()).isZero();
    }
    assertThat(texts(one)).isEqualTo(texts(other)).containsKeys(file, "README.txt");
    assertThat(export(one, target).exit()).as("ours is replaced").isZero();
    Files.writeString(one.resolve(file), "mine\n");
    Map<String, String> before = texts(one);
    Ran refused = export(one, target);
    assertThat(refused.exit()).isEqualTo(2);
    assertThat(refused.err()).contains(file, "--replace");
    assertThat(texts(one)).isEqualTo(before);
    Path blocked = Files.createTempDirectory("kumite-blocked");
    Path first = Path.of(file).getName(0);
    Files.writeString(
        Path.of(file).getNameCount() > 1 ? blocked.resolve(first) : blocked.resolve("x"), "a file");
    if (Path.of(file).getNameCount() > 1) {
      Ran folder = export(blocked, target);
      assertThat(folder.exit()).isEqualTo(2);
      assertThat(folder.err()).contains(first.toString()).doesNotContain("Exception");
    }
  }

  private static Ran export(Path out, String target) {
    return Ran.run(
        "export", DEMO, "--what", "firmware", "--target", target, "--out", out.toString());
  }

  @Test
  public void whatCannotBeWrittenIsSaid() throws Exception {
    Path out = Files.createTempDirectory("kumite-none");
    Ran unknown = export(out, "tape");
    assertThat(unknown.exit()).isEqualTo(2);
    assertThat(unknown.err()).contains("--target tape", "portable, sketch, script");
    Ran fixed =
        Ran.run(
            "export",
            "../demo/lantern-duel.kumite.json",
            "--what",
            "firmware",
            "--out",
            out.toString());
    assertThat(fixed.exit()).isEqualTo(2);
    assertThat(fixed.err()).contains("seat left", "seat right", "brings its own program");
    assertThat(texts(out)).isEmpty();
  }

  /** The stream of the simulated board is that of the program, and is read back. */
  @Test
  public void theSelfTestStreamIsReadBack() throws Exception {
    String script = "horn@5+60ms anchor@90+60ms horn@200+60ms";
    List<String> press = new ArrayList<>(List.of("press", DEMO));
    press.addAll(List.of(script.split(" ")));
    press.add("--self-test");
    String simulated = Ran.run(press.toArray(String[]::new)).out();
    assertThat(run(built, script, "./device-host", "--self-test").out()).isEqualTo(simulated);
    Path stream = Files.createTempFile("kumite", ".txt");
    Files.writeString(stream, simulated);
    JsonNode told = Ran.run("self-test", DEMO, stream.toString(), "--json").json();
    assertThat(told.get("contacts")).hasSize(17);
    for (JsonNode contact : told.get("contacts")) {
      int presses =
          switch (contact.get("contact").asText()) {
            case "horn" -> 2;
            case "anchor" -> 1;
            default -> 0;
          };
      if (!contact.get("pressed_at_end").asBoolean()) {
        assertThat(contact.get("presses").asInt()).as(contact.toString()).isEqualTo(presses);
      }
    }
    Files.writeString(stream, simulated.substring(0, simulated.length() - 20));
    Ran cut = Ran.run("self-test", DEMO, stream.toString());
    assertThat(cut.exit()).isEqualTo(2);
    assertThat(cut.err()).contains(stream.toString(), "line");
  }
}
