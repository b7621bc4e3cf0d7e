package kumite.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.PrintWriter;
import java.io.RandomAccessFile;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HexFormat;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import picocli.CommandLine;

/** Descriptors from hexadecimal, text and bytes say the same; what is none is told in one line. */
public class HidCommandTest {
  /** Ten buttons and a hat, written by hand from the standard. */
  private static final String PAD =
      "05 01 09 05 A1 01 05 09 19 01 29 0A 15 00 25 01 75 01 95 0A 81 02 95 06 81 01"
          + " 05 01 09 39 25 07 75 04 95 01 81 42 75 04 81 01 C0";

  private Path folder;

  private record Ran(int exit, String out, String err) {}

  private static Ran run(String... args) {
    StringWriter out = new StringWriter();
    StringWriter err = new StringWriter();
    CommandLine line = KumiteCommand.commandLine();
    line.setOut(new PrintWriter(out, true));
    line.setErr(new PrintWriter(err, true));
    int exit = line.execute(args);
    return new Ran(exit, out.toString(), err.toString());
  }

  @BeforeClass
  public void makeFolder() throws Exception {
    folder = Files.createTempDirectory("kumite-hid");
  }

  @Test
  public void everyFormSaysTheSame() throws Exception {
    byte[] bytes = HexFormat.of().parseHex(PAD.replace(" ", ""));
    Path binary = Files.write(folder.resolve("pad.bin"), bytes);
    Path text = Files.writeString(folder.resolve("pad.hex"), PAD.replace(" 05 09", "\n05 09\n"));
    Path code =
        Files.writeString(
            folder.resolve("pad.txt"), "0x" + PAD.replace(" ", ", 0x").replace("0xA1", "0Xa1"));
    String wanted = run("hid", "read", PAD).out();
    assertThat(wanted).contains("Button 1 to Button 10", "input report: 3 bytes", "padding");
    for (Path file : new Path[] {binary, text, code}) {
      Ran ran = run("hid", "read", file.toString());
      assertThat(ran.exit()).isZero();
      assertThat(ran.out()).as(file.toString()).isEqualTo(wanted);
    }
  }

  @Test
  public void jsonHasReportsAndFields() throws Exception {
    JsonNode root = new ObjectMapper().readTree(run("hid", "read", PAD, "--json").out());
    JsonNode report = root.get("reports").get(0);
    assertThat(report.get("id").asInt()).isZero();
    assertThat(report.get("type").asText()).isEqualTo("input");
    assertThat(report.get("bytes").asInt()).isEqualTo(3);
    JsonNode buttons = report.get("fields").get(0);
    assertThat(buttons.get("bit").asInt()).isZero();
    assertThat(buttons.get("count").asInt()).isEqualTo(10);
    assertThat(buttons.get("usage_page").asInt()).isEqualTo(9);
    assertThat(buttons.get("usage_min").asInt()).isEqualTo(1);
    assertThat(buttons.get("usage_max").asInt()).isEqualTo(10);
    assertThat(buttons.has("usage")).isFalse();
    JsonNode hat = report.get("fields").get(2);
    assertThat(hat.get("bit").asInt()).isEqualTo(16);
    assertThat(hat.get("usage").asInt()).isEqualTo(0x39);
    assertThat(hat.get("logical_max").asInt()).isEqualTo(7);
    assertThat(report.get("fields").get(1).get("constant").asBoolean()).isTrue();
  }

  /** What the window exports is read back with the places that paths names. */
  @Test
  public void anExportedDescriptorIsReadBack() throws Exception {
    Path out = folder.resolve("out");
    String demo = "../demo/ferry-bridge.kumite.json";
    assertThat(run("export", demo, "--what", "descriptor", "--out", out.toString()).exit())
        .isZero();
    String hex = run("hid", "read", out.resolve("descriptor.hex").toString(), "--json").out();
    assertThat(run("hid", "read", out.resolve("descriptor.bin").toString(), "--json").out())
        .isEqualTo(hex);
    JsonNode reports = new ObjectMapper().readTree(hex).get("reports");
    assertThat(reports).hasSize(1);
    assertThat(reports.get(0).get("fields").size()).isGreaterThan(4);
  }

  @DataProvider
  public Object[][] bad() throws Exception {
    if (folder == null) {
      makeFolder();
    }
    Path huge = folder.resolve("huge.bin");
    try (RandomAccessFile file = new RandomAccessFile(huge.toFile(), "rw")) {
      file.setLength(1L << 30); // a gigabyte that takes no room
    }
    Path long_ = Files.write(folder.resolve("long.bin"), new byte[70_000]);
    Path empty = Files.write(folder.resolve("empty.bin"), new byte[] {5});
    return new Object[][] {
      {"none.bin", "neither a file nor hexadecimal"},
      {"05 0", "neither a file nor hexadecimal"},
      {"", "neither a file nor hexadecimal"},
      {"xyz".repeat(500), "neither a file nor hexadecimal"},
      {folder.toString(), "no ordinary file"},
      {"/dev/zero", "no ordinary file"},
      {huge.toString(), "65535 bytes at most"},
      {long_.toString(), "descriptor byte"},
      {empty.toString(), "descriptor byte 0"},
      {"05 01 A1 01", "not closed"},
      {"C0", "descriptor byte 0"},
    };
  }

  @Test(dataProvider = "bad")
  public void whatIsNoDescriptorIsToldInOneLine(String what, String says) {
    Ran ran = run("hid", "read", what);
    assertThat(ran.exit()).as(what).isEqualTo(2);
    assertThat(ran.err()).contains(says).doesNotContain("Exception");
    assertThat(ran.err().strip().lines()).hasSize(1);
    assertThat(ran.err().length()).isLessThan(400);
    assertThat(ran.out()).isEmpty();
  }
}
