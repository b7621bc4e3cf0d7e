package kumite.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.files.BuildFile;
import kumite.loom.Console;
import kumite.measure.Placement;
import kumite.parts.Catalogue;
import kumite.ports.Consoles;
import kumite.signal.PortFile;
import kumite.signal.PortKind;
import kumite.verdict.Rooms;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Mechanisms on the command line, as a script sees them. */
public class SignalCommandTest {
  private Path folder;

  @BeforeClass
  public void makeFolder() throws Exception {
    folder = Files.createTempDirectory("signal");
  }

  @Test
  public void everyKindIsListedAndPlayedIntoFiles() throws Exception {
    JsonNode kinds = Ran.run("signal", "list", "--json").json();
    assertThat(kinds.size()).isGreaterThanOrEqualTo(11);
    for (JsonNode kind : kinds) {
      String id = kind.get("id").asText();
      List<String> lines = new ArrayList<>();
      kind.get("lines").forEach(line -> lines.add(line.asText()));
      assertThat(kind.get("what").asText()).isNotBlank();
      String button = kind.get("buttons").get(0).asText();
      Path dump = folder.resolve(id + ".vcd");
      Path table = folder.resolve(id + ".csv");
      for (Path file : List.of(dump, table)) {
        String out = file.toString();
        Ran ran =
            Ran.run("signal", "simulate", id, "--press", button, "--frames", "2", "--out", out);
        assertThat(ran.exit()).as(ran.err()).isZero();
        assertThat(ran.out()).contains(button);
      }
      for (String line : lines) {
        assertThat(Files.readString(dump)).contains(" " + line + " $end");
      }
      assertThat(Files.readAllLines(table).get(0)).isEqualTo("time_us," + String.join(",", lines));
    }
  }

  @Test
  public void aReadingIsPrintedForScripts() throws Exception {
    Ran ran = Ran.run("signal", "simulate", "serial-latch-16", "--press", "A,Up", "--json");
    JsonNode reading = ran.json().get("readings").get(0);
    assertThat(reading.get("held").toString()).isEqualTo("[\"Up\",\"A\"]");
    assertThat(reading.get("presence").asText()).isEqualTo("a pad is there");
    assertThat(reading.get("unclear")).isEmpty();
  }

  @DataProvider
  public Object[][] faults() {
    return new Object[][] {
      {List.of("serial-latch-16", "--no-pad"), "no pad"},
      {List.of("serial-latch-16", "--no-pad", "--without-pull", "data"), "12 unclear"},
      {List.of("keyboard-frame", "--press", "A", "--without-pull", "clock"), "nothing held"},
      {List.of("one-wire-pulse", "--without-pull", "data", "--press", "A"), "unclear"},
      {List.of("packet", "--no-pad"), "no pad"},
      {List.of("serial-latch-8", "--time", "latch=40", "--press", "B"), "B, a pad is there"},
    };
  }

  @Test(dataProvider = "faults")
  public void whatIsPutWrongShows(List<String> words, String says) throws Exception {
    List<String> all = new ArrayList<>(List.of("signal", "simulate"));
    all.addAll(words);
    Ran ran = Ran.run(all.toArray(String[]::new));
    assertThat(ran.exit()).as(ran.err()).isZero();
    assertThat(ran.out()).contains(says);
  }

  @DataProvider
  public Object[][] wrongs() {
    return new Object[][] {
      {List.of("smoke"), "serial-latch-16"},
      {List.of("serial-latch-16", "--press", "Jump"), "Select"},
      {List.of("serial-latch-16", "--press", "X=1"), "it has none"},
      {List.of("serial-latch-16", "--frames", "0"), "between 1 and 10000"},
      {List.of("serial-latch-16", "--frames", "1000000"), "10000"},
      {List.of("serial-latch-16", "--frames", "many"), "many"},
      {List.of("serial-latch-16", "--seed", "x"), "x"},
      {List.of("serial-latch-16", "--time", "soon=3"), "soon"},
      {List.of("serial-latch-16", "--time", "bit=3"), "it has frame, "},
      {List.of("serial-latch-16", "--time", "latch=-3"), "between 0 and"},
      {List.of("serial-latch-16", "--time", "latch=NaN"), "was NaN"},
      {List.of("serial-latch-16", "--time", "frame=100"), "shorter than one reading"},
      {List.of("serial-latch-16", "--without-pull", "smoke"), "latch, clock, data"},
      {List.of("serial-latch-16", "--out", "wave.png"), "neither .vcd nor .csv"},
      {List.of("serial-latch-16", "--out", "/nowhere/at/all.vcd"), "folder"},
    };
  }

  @Test(dataProvider = "wrongs")
  public void whatCannotBeIsRefusedInOneLine(List<String> words, String says) throws Exception {
    List<String> all = new ArrayList<>(List.of("signal", "simulate"));
    all.addAll(words);
    Ran ran = Ran.run(all.toArray(String[]::new));
    assertThat(ran.exit()).isEqualTo(2);
    assertThat(ran.err()).contains(says).doesNotContain("Exception");
    assertThat(ran.err().strip().lines().count()).isLessThanOrEqualTo(2);
  }

  /** {@return a file of a build that is the pad of a console, with a button for each of its own} */
  private Path answering(String kind, String board) throws Exception {
    PortKind port = PortFile.find(PortFile.standard(), kind).orElseThrow();
    Catalogue catalogue = Catalogue.standard();
    Build build =
        Consoles.added(Build.empty("Answering"), port)
            .withBoard(Optional.of(new BoardChoice(board, Placement.at(150, 100))));
    Console console = Console.all(build, catalogue).get(0);
    Path file = folder.resolve(kind + "-" + board + ".kumite.json");
    BuildFile.write(
        Consoles.given(build, catalogue, console, port.buttons()), file, Rooms.standard());
    return file;
  }

  /** A press tells each bit that the console takes, with its time. */
  @Test
  public void aPressPrintsTheBitsThatAConsoleTakes() throws Exception {
    String file = answering("serial-latch-8", "circuit-serial-latch-8").toString();
    Ran ran = Ran.run("press", file, "start", "left", "--json");
    assertThat(ran.exit()).as(ran.err()).isZero();
    JsonNode frame = ran.json().get("frames").get(0);
    assertThat(frame.get("held").toString()).isEqualTo("[\"Start\",\"Left\"]");
    List<String> levels = new ArrayList<>();
    for (JsonNode bit : frame.get("bits")) {
      levels.add(bit.get("button").asText() + " " + bit.get("level").asText());
    }
    assertThat(levels)
        .containsExactly(
            "A high",
            "B high",
            "Select high",
            "Start low",
            "Up high",
            "Down high",
            "Left low",
            "Right high");
    // Latch 12 us, 6 us later pulses of 6 and 6 us, taken while the clock is low: common practice.
    assertThat(frame.get("bits").get(0).get("time_us").asDouble()).isEqualTo(24);
    assertThat(frame.get("bits").get(7).get("time_us").asDouble()).isEqualTo(24 + 7 * 12);
    assertThat(Ran.run("press", file, "start").out()).contains("bit 4 of 8: data low (Start)");
    assertThat(frame.get("unclear")).isEmpty();
    // With the clock's core out nobody knows what the register tells, and a press says so.
    String torn = Files.readString(Path.of(file));
    Path broken = folder.resolve("torn.kumite.json");
    Files.writeString(
        broken,
        torn.replaceFirst(
            "\"left_out\"\\s*:\\s*\\[\\s*\\]", "\"left_out\": [\"board:PIN2 - console-1:clock\"]"));
    Ran open = Ran.run("press", broken.toString(), "start", "--json");
    assertThat(open.exit()).as(open.err()).isZero();
    assertThat(open.json().at("/frames/0/unclear")).isNotEmpty();
  }

  /** A console's frame over the wires of a build, and why there is none. */
  @Test
  public void aConsoleIsPlayedOverTheWiresOfABuild() throws Exception {
    for (String board : List.of("circuit-serial-latch-8", "native-5v-54")) {
      Path file = answering("serial-latch-8", board);
      String[] play = {
        "signal", "simulate", "--build", file.toString(), "--port", "console-1", "--press", "A,Up"
      };
      assertThat(Ran.run(play).out()).contains("reading 1: A, Up, a pad is there");
    }
    Path mute = answering("serial-latch-8", "encoder-12-ground");
    Ran ran = Ran.run("signal", "simulate", "--build", mute.toString(), "--port", "console-1");
    assertThat(ran.exit()).isEqualTo(2);
    assertThat(ran.err()).contains("nothing answers port \"console-1\"");
    Ran sheet =
        Ran.run(
            "export",
            answering("select-line-3", "circuit-select-line-3").toString(),
            "--what",
            "ports",
            "--out",
            folder.resolve("sheet").toString());
    assertThat(sheet.exit()).as(sheet.err()).isZero();
    assertThat(folder.resolve("sheet/ports.pdf")).exists();
  }
}
