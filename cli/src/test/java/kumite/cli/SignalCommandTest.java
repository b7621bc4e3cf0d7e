package kumite.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
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
}
