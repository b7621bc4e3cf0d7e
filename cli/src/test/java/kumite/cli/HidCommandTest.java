package kumite.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HexFormat;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Descriptors from hexadecimal, text and bytes say the same; what is none is told in one line. */
public class HidCommandTest {
  /** Ten buttons and a hat, written by hand from the standard. */
  private static final String PAD =
      "05 01 09 05 A1 01 05 09 19 01 29 0A 15 00 25 01 75 01 95 0A 81 02 95 06 81 01"
          + " 05 01 09 39 25 07 75 04 95 01 81 42 75 04 81 01 C0";

  private Path folder;

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
    String wanted = Ran.run("hid", "read", PAD).out();
    assertThat(wanted).contains("Button 1 to Button 10", "input report: 3 bytes", "padding");
    for (Path file : new Path[] {binary, text, code}) {
      Ran ran = Ran.run("hid", "read", file.toString());
      assertThat(ran.exit()).isZero();
      assertThat(ran.out()).as(file.toString()).isEqualTo(wanted);
    }
  }

  @Test
  public void jsonHasReportsAndFields() throws Exception {
    JsonNode root = new ObjectMapper().readTree(Ran.run("hid", "read", PAD, "--json").out());
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
    assertThat(Ran.run("export", demo, "--what", "descriptor", "--out", out.toString()).exit())
        .isZero();
    String hex = Ran.run("hid", "read", out.resolve("descriptor.hex").toString(), "--json").out();
    assertThat(Ran.run("hid", "read", out.resolve("descriptor.bin").toString(), "--json").out())
        .isEqualTo(hex);
    JsonNode reports = new ObjectMapper().readTree(hex).get("reports");
    assertThat(reports).hasSize(1);
    assertThat(reports.get(0).get("fields").size()).isGreaterThan(4);
  }

  @DataProvider
  public Object[][] demos() {
    return kumite.files.Demo.names().stream()
        .map(name -> new Object[] {name})
        .toArray(Object[][]::new);
  }

  /** Each place that paths names is a field of that usage in the descriptor, and no other's. */
  @Test(dataProvider = "demos")
  public void pathsAndTheDescriptorNameTheSamePlaces(String demo) throws Exception {
    String file = "../demo/" + demo + ".kumite.json";
    Path out = folder.resolve(demo);
    Ran.run("export", file, "--what", "descriptor", "--out", out.toString());
    JsonNode reports =
        Ran.run(
                "hid",
                "read",
                java.nio.file.Files.exists(out.resolve("descriptor.bin"))
                    ? out.resolve("descriptor.bin").toString()
                    : out.resolve("left-descriptor.bin").toString(),
                "--json")
            .json()
            .get("reports");
    int held = 0;
    for (JsonNode path : Ran.run("paths", file, "--json").json()) {
      JsonNode host = path.get("host");
      JsonNode place = path.get("report");
      if (place == null || place.isNull()) {
        continue;
      }
      held++;
      int id = place.get("id").asInt();
      int bit = 8 * place.get("byte").asInt() + place.get("bit").asInt() - (id == 0 ? 0 : 8);
      int found = 0;
      for (JsonNode report : reports) {
        for (JsonNode field : report.get("fields")) {
          int from = field.get("bit").asInt();
          int size = field.get("size").asInt();
          boolean here =
              report.get("id").asInt() == id
                  && bit >= from
                  && bit < from + size * field.get("count").asInt();
          if (here) {
            found++;
            int least = field.has("usage") ? field.get("usage").asInt() : usage(field, "usage_min");
            assertThat(size).isEqualTo(place.get("bits").asInt());
            assertThat(field.get("usage_page")).isEqualTo(host.get("usage_page"));
            assertThat(least + (bit - from) / size).isEqualTo(host.get("usage").asInt());
          }
        }
      }
      assertThat(found).as("%s has one place", path.get("id")).isEqualTo(1);
    }
    assertThat(held).isGreaterThanOrEqualTo(file.contains("quarter-turn") ? 0 : 8);
  }

  private static int usage(JsonNode field, String key) {
    return field.get(key).asInt();
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
    Ran ran = Ran.run("hid", "read", what);
    assertThat(ran.exit()).as(what).isEqualTo(2);
    assertThat(ran.err()).contains(says).doesNotContain("Exception");
    assertThat(ran.err().strip().lines()).hasSize(1);
    assertThat(ran.err().length()).isLessThan(400);
    assertThat(ran.out()).isEmpty();
  }
}
