package kumite.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.Map;
import kumite.hid.DescriptorReader;
import kumite.hid.InputField;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class CommandLineTest {
  private static final String DEMO = "../demo/ferry-bridge.kumite.json";

  @Test
  public void checkJudgesAndExitsByItsVerdict() throws Exception {
    Ran ran = Ran.run("check", DEMO, "--json");
    assertThat(ran.exit()).as("stops").isEqualTo(1);
    JsonNode root = ran.json();
    assertThat(root.get("build").asText()).isEqualTo("Ferry bridge desk");
    assertThat(root.at("/verdict/stop").asInt()).isEqualTo(2);
    assertThat(root.at("/verdict/look").asInt()).isEqualTo(1);
    assertThat(root.get("findings")).hasSize(1 + 2 + root.at("/verdict/fine").asInt());
    JsonNode first = root.get("findings").get(0);
    for (String key : new String[] {"code", "severity", "about", "title", "detail", "fix"}) {
      assertThat(first.has(key)).as(key).isTrue();
    }
    assertThat(first.get("about").get(0).asText()).isEqualTo("rudder");
  }

  @Test
  public void pathsNameWhereEachContactIsReported() throws Exception {
    JsonNode rows = Ran.run("paths", DEMO, "--json").json();
    assertThat(rows).hasSize(17);
    JsonNode horn = find(rows, "horn");
    assertThat(horn.get("length_mm").asInt()).isPositive();
    assertThat(horn.get("common").asText()).isEqualTo("ground");
    assertThat(horn.at("/host/kind").asText()).isEqualTo("button");
    assertThat(horn.at("/host/usage_page").asInt()).isEqualTo(9);
    assertThat(horn.at("/host/usage").asInt()).isEqualTo(1);
    assertThat(horn.get("function").asText()).isEqualTo("Sound horn");
    assertThat(find(rows, "rudder.left").get("control").asText()).isEqualTo("rudder");
  }

  private static JsonNode find(JsonNode rows, String id) {
    for (JsonNode row : rows) {
      if (row.get("id").asText().equals(id)) {
        return row;
      }
    }
    throw new AssertionError("no path " + id);
  }

  /** The exported descriptor alone, read back, must explain what press and paths say. */
  @Test
  public void pressPathsAndDescriptorAgree() throws Exception {
    Path folder = Files.createTempDirectory("kumite-cli");
    assertThat(Ran.run("export", DEMO, "--what", "descriptor", "--out", folder.toString()).exit())
        .isZero();
    byte[] descriptor = Files.readAllBytes(folder.resolve("descriptor.bin"));
    String hex = Files.readString(folder.resolve("descriptor.hex"));
    assertThat(HexFormat.of().parseHex(hex.replaceAll("\\s", ""))).isEqualTo(descriptor);
    assertThat(hex.lines().findFirst().orElseThrow().split(" ")).hasSize(16);
    Map<Integer, InputField> byPlace = new HashMap<>();
    DescriptorReader.inputFields(descriptor).forEach(f -> byPlace.put(f.bitOffset(), f));
    for (JsonNode row : Ran.run("paths", DEMO, "--json").json()) {
      InputField field =
          byPlace.get(row.at("/report/byte").asInt() * 8 + row.at("/report/bit").asInt());
      assertThat(field.usage().page()).isEqualTo(row.at("/host/usage_page").asInt());
      assertThat(field.usage().id()).isEqualTo(row.at("/host/usage").asInt());
      JsonNode pressed = Ran.run("press", DEMO, row.get("id").asText(), "--json").json();
      JsonNode reports = pressed.get("reports");
      byte[] rest = HexFormat.of().parseHex(reports.get(0).get("hex").asText());
      byte[] held = HexFormat.of().parseHex(reports.get(reports.size() - 1).get("hex").asText());
      assertThat(field.read(held)).as(row.get("id").asText()).isNotEqualTo(field.read(rest));
      assertThat(pressed.get("held").get(0).asText()).isEqualTo(row.get("id").asText());
    }
  }

  @Test
  public void pressTakesTravelAndSteps() throws Exception {
    JsonNode reports =
        Ran.run("press", DEMO, "port=50%", "telegraph=3", "horn", "--json").json().get("reports");
    byte[] held = HexFormat.of().parseHex(reports.get(reports.size() - 1).get("hex").asText());
    assertThat(held).as("10 buttons, hat, 2 bits, three axes").hasSize(8);
    assertThat(held[0]).as("button 1").isEqualTo((byte) 1);
    // Calibrated from code 36 to 4045: 4095 x (2048 - 36) / (4045 - 36) = 2055.
    assertThat(held[2] & 0xFF | (held[3] & 0xFF) << 8)
        .as("half way, calibrated")
        .isBetween(2053, 2056);
    assertThat(held[6] & 0xFF | (held[7] & 0xFF) << 8).as("step 3 of 5").isEqualTo(2048);
  }

  /** A script: each move shows in the reports at its time, and ends as it was let go. */
  @Test
  public void aScriptIsPlayedWithItsTimes() throws Exception {
    JsonNode root = Ran.run("press", DEMO, "horn@10+80ms", "rudder.left@30ms", "--json").json();
    JsonNode reports = root.get("reports");
    // Deferred 5 ms and both waits: told between 5 and 7 ms after the contact rests, which takes
    // 5 ms at most.
    double[] times = new double[reports.size()];
    for (int i = 0; i < times.length; i++) {
      times[i] = reports.get(i).get("time_ms").asDouble();
    }
    assertThat(times[0]).isZero();
    assertThat(times[1]).as("horn").isBetween(15.0, 22.0);
    assertThat(times[2]).as("lever").isBetween(35.0, 45.0);
    assertThat(times[3]).as("horn let go").isBetween(95.0, 102.0);
    assertThat(times).hasSize(4);
    JsonNode known = root.get("known");
    assertThat(known.get(known.size() - 1).get("pressed").get(0).asText()).isEqualTo("rudder.left");
    assertThat(known.get(0).get("layer").asText()).isEqualTo("base");
    JsonNode kept = Ran.run("press", DEMO, "Leave the pier", "--json").json();
    assertThat(kept.get("reports").size()).isGreaterThan(4);
  }

  @DataProvider
  public Object[][] badScripts() {
    return new Object[][] {
      {"trombone@10ms", "no contact \"trombone\""},
      {"horn@-5ms", "before the start"},
      {"horn@5ms+-2ms", "before the start"},
      {"horn@soon", "is no time"},
      {"@5ms", "is no move"},
      {"horn=7@5ms", "travel must be between 0 and 1"},
      {"horn@99999999s", "ten minutes"},
    };
  }

  @Test(dataProvider = "badScripts")
  public void aBadScriptIsNamed(String script, String told) {
    Ran ran = Ran.run("press", DEMO, script, "--json");
    assertThat(ran.exit()).isEqualTo(2);
    assertThat(ran.err()).contains(told);
    assertThat(ran.err().lines()).hasSize(1);
  }

  /** Held at power-up, the phone's profile is in force: its device has no more than it maps. */
  @Test
  public void contactsHeldAtPowerUpChooseTheProfile() throws Exception {
    JsonNode plain = Ran.run("paths", DEMO, "--json").json();
    JsonNode phone = Ran.run("paths", DEMO, "--profile", "Phone", "--json").json();
    assertThat(find(plain, "bilge").get("function").asText()).isEqualTo("Bilge pump");
    assertThat(find(phone, "bilge").get("function").asText()).isEmpty();
    String asked = Ran.run("press", DEMO, "horn", "--profile", "Phone").out();
    String held =
        Ran.run("press", DEMO, "horn", "--power-up", "anchor", "--power-up", "radar").out();
    assertThat(held).isEqualTo(asked);
    Ran unknown = Ran.run("paths", DEMO, "--profile", "Toaster");
    assertThat(unknown.exit()).isEqualTo(2);
    assertThat(unknown.err()).contains("no profile \"Toaster\"", "Main, Phone");
  }

  /** What is said of a contact is what it does on the layer that is held, and no more. */
  @Test
  public void aHeldLayerIsToldInWords() {
    String out = Ran.run("press", "../demo/one-hand.kumite.json", "shift", "light").out();
    assertThat(out.lines().filter(line -> line.startsWith("light:")).findFirst().orElseThrow())
        .endsWith("Map");
    assertThat(out.lines().filter(line -> line.startsWith("shift:")).findFirst().orElseThrow())
        .endsWith("reaches a layer");
  }

  @Test
  public void delaysAreTold() throws Exception {
    JsonNode rows = Ran.run("delay", DEMO, "--json", "--presses", "2000").json().get("paths");
    assertThat(rows).hasSize(17);
    JsonNode horn = find(rows, "horn");
    // 1 ms scan, 5 ms deferred, 1 ms poll: 6.0 ms on average, 7 at worst (TRADE section 9).
    assertThat(horn.get("mean_ms").asDouble()).isEqualTo(6.0);
    assertThat(horn.get("worst_ms").asDouble()).isEqualTo(7.0);
    assertThat(horn.get("median_ms").asDouble())
        .isCloseTo(6.0, org.assertj.core.api.Assertions.within(1e-6));
    assertThat(horn.get("p99_ms").asDouble()).isBetween(6.8, 7.0);
    assertThat(horn.at("/simulated/mean_ms").asDouble()).as("with bounce").isGreaterThan(6.0);
    assertThat(find(rows, "port").get("mean_ms").asDouble()).as("no debounce").isEqualTo(1.0);
    assertThat(Ran.run("delay", DEMO, "horn").out()).contains("6.00 ms", "scan/2");
  }

  @Test
  public void everyExportIsWritten() throws Exception {
    Path folder = Files.createTempDirectory("kumite-cli").resolve("new/folder");
    for (String[] what :
        new String[][] {
          {"bench-sheet", "bench-sheet.pdf"},
          {"drill-csv", "drill.csv"},
          {"wiring-csv", "wiring.csv"}
        }) {
      assertThat(Ran.run("export", DEMO, "--what", what[0], "--out", folder.toString()).exit())
          .isZero();
      assertThat(folder.resolve(what[1])).isNotEmptyFile();
    }
    assertThat(Files.readString(folder.resolve("drill.csv")))
        .startsWith("control,label,purpose,x_mm,y_mm,diameter_mm")
        .contains("anchor,Anchor,cut-out,182.70,149.00,30.00")
        .contains("\r\n");
    assertThat(Files.readAllLines(folder.resolve("wiring.csv"))).hasSizeGreaterThan(30);
  }

  /** The table of paths tells what press tells: a contact whose wire is out reaches nobody. */
  @Test
  public void aPathThatReachesNobodySaysSo() throws Exception {
    JsonNode horn = Ran.run("paths", DEMO, "--json").json().get(5);
    kumite.build.Build build =
        kumite.files.BuildFile.parse(
            Files.readString(Path.of(DEMO)), "demo", kumite.parts.Catalogue.standard());
    String contact = horn.get("id").asText();
    kumite.name.Jumper wire =
        kumite.verdict.Bench.of(build, kumite.parts.Catalogue.standard())
            .path(kumite.name.ContactId.parse(contact))
            .orElseThrow()
            .strand()
            .orElseThrow()
            .wire();
    Path file = Files.createTempDirectory("out").resolve("out.kumite.json");
    Files.writeString(
        file, kumite.files.BuildFile.text(build.withLoom(build.loom().withLeftOut(wire))));
    assertThat(row(Ran.run("paths", DEMO).out(), contact)).doesNotContain("(");
    assertThat(row(Ran.run("paths", file.toString()).out(), contact)).contains("(no ");
    assertThat(Ran.run("press", file.toString(), contact).out()).contains("does not reach");
  }

  private static String row(String table, String contact) {
    return table.lines().filter(l -> l.startsWith(contact + " ")).findFirst().orElseThrow();
  }

  /** The larger a build, the longer a remedy is tried: from 151 controls on it is asked for. */
  @Test
  public void remediesOfALargeBuildAreAskedFor() throws Exception {
    for (int count : new int[] {150, 151}) {
      kumite.build.Build build = kumite.build.Build.empty("Large");
      build = build.withPanel(build.panel().withSize(1200, 600));
      for (int i = 0; i < count; i++) {
        build =
            build.withControl(
                kumite.build.Control.of(
                    new kumite.name.ControlId("t" + i),
                    "T" + i,
                    "tact-6",
                    kumite.measure.Placement.at(30 + 40 * (i % 25), 30 + 60 * (i / 25))));
      }
      Path file = Files.createTempDirectory("large").resolve("large.kumite.json");
      Files.writeString(file, kumite.files.BuildFile.text(build));
      boolean few = count == 150;
      Ran plain = Ran.run("check", file.toString());
      assertThat(plain.out().contains("--remedies does")).isEqualTo(!few);
      assertThat(plain.out().contains("Remedy:")).isEqualTo(few);
      assertThat(Ran.run("check", file.toString(), "--remedies").out()).contains("Remedy:");
      assertThat(
              Ran.run("check", file.toString(), "--json").json().get("remedies_tried").asBoolean())
          .isEqualTo(few);
    }
  }

  /** Noise of two codes moves nothing that nobody moves; more is asked for by a number. */
  @Test
  public void aConvertersNoiseIsAskedFor() throws Exception {
    String[] plain = {"press", DEMO, "horn@10ms+80ms", "anchor@200ms+80ms", "--json"};
    String[] noisy = {
      "press", DEMO, "horn@10ms+80ms", "anchor@200ms+80ms", "--noise", "2", "--json"
    };
    assertThat(Ran.run(noisy).json()).isEqualTo(Ran.run(plain).json());
    for (String bad : new String[] {"-1", "65", "two"}) {
      Ran ran = Ran.run("press", DEMO, "horn", "--noise", bad);
      assertThat(ran.exit()).as(bad).isEqualTo(2);
      assertThat(ran.err()).contains("--noise");
    }
  }

  @Test
  public void sumsShowTheirWorking() throws Exception {
    String[] mercy = {"sum", "lamp", "--supply", "3.3", "--forward", "3.2", "--current", "15"};
    assertThat(Ran.run(mercy).out()).contains("stop: 0.10 V are left for the resistor");
    JsonNode port = Ran.run("sum", "gameport", "--ohm", "220k", "--json").json();
    assertThat(port.get("says").asText()).isEqualTo("look");
    assertThat(port.get("because").asText()).contains("100 kohm");
    JsonNode wire = Ran.run("sum", "wire", "--awg", "22", "--length", "1 m", "--json").json();
    assertThat(wire)
        .isEqualTo(Ran.run("sum", "wire", "--awg", "22", "--length", "1000 mm", "--json").json());
    assertThat(wire.get("diameter_mm").asDouble()).isBetween(0.643, 0.645); // ASTM B258: 0.644
    assertThat(wire.get("resistance_ohm").asDouble()).isBetween(0.0528, 0.0532); // TRADE: 0.0530
    JsonNode lamp =
        Ran.run("sum", "lamp", "--supply", "5", "--forward", "2", "--current", "15", "--json")
            .json();
    assertThat(lamp.get("chosen_ohm").asDouble()).isEqualTo(200);
    assertThat(lamp.at("/working/formula").asText()).isEqualTo("R = (Vs - Vf) / I");
    assertThat(lamp.at("/working/source").asText()).contains("IEC 60063");
  }

  @DataProvider
  Object[][] bad() {
    return new Object[][] {
      {new String[] {"check", "none.json"}, "none.json"},
      {new String[] {"check"}, "FILE"},
      {new String[] {"press", DEMO, "trombone"}, "it has rudder.up"},
      {
        new String[] {"press", "../demo/lantern-duel.kumite.json", "right-lever"},
        "add --seat right"
      },
      {new String[] {"press", DEMO, "port=7"}, "between 0 and 1"},
      {new String[] {"press", DEMO, "telegraph=9"}, "steps 1 to 5"},
      {new String[] {"press", DEMO, "port=x"}, "such as 0.7"},
      {new String[] {"export", DEMO, "--what", "poem", "--out", "/tmp"}, "bench-sheet"},
      {new String[] {"export", DEMO, "--what", "drill-csv", "--out", "/dev/null/x"}, "cannot"},
      {new String[] {"sum", "wire", "--awg", "99"}, "between 0 and 40"},
      {
        new String[] {"sum", "lamp", "--supply", "-5", "--forward", "2", "--current", "9"}, "supply"
      },
      {new String[] {"sum", "wire", "--awg", "22", "--length", "-3"}, "between 0 and"},
      {new String[] {"frobnicate"}, "frobnicate"},
      {new String[] {"check", DEMO, "--frob"}, "--frob"},
      {new String[] {"export", DEMO, "--what", "svg"}, "--out"},
      {new String[] {"export", DEMO, "--what", "svg", "--out", DEMO}, "is a file"},
      {new String[] {"levers", DEMO, "horn"}, "is no lever"},
      {new String[] {"levers", DEMO, "nobody"}, "rudder"},
      {new String[] {"check", ".."}, "is a folder"},
      {new String[] {"parts", "import", ".."}, "is a folder"},
      {new String[] {"boards", "import", "/dev/null"}, "is no ordinary file"},
      {new String[] {"nets", DEMO, "--probed", "none.csv"}, "no such file"},
    };
  }

  @Test(dataProvider = "bad")
  public void badInputIsOneClearLineAndExitTwo(String[] args, String says) {
    Ran ran = Ran.run(args);
    assertThat(ran.exit()).isEqualTo(2);
    assertThat(ran.err()).contains(says).doesNotContain("\tat ");
    assertThat(ran.err().strip().lines()).as("one line").hasSize(1);
  }

  @Test
  public void helpNamesEveryCommand() {
    assertThat(Ran.run("--help").out()).contains("check", "paths", "press", "export", "sum");
    assertThat(Ran.run("export", "--help").out()).contains("bench-sheet", "descriptor");
  }

  @Test
  public void gapsComeWorstFirstWithWhatIsNeeded() throws Exception {
    JsonNode rows = Ran.run("gaps", DEMO, "--json").json();
    assertThat(rows.get(0).get("height").asText()).isEqualTo("below");
    assertThat(rows.get(0).get("between").get(0).asText()).isEqualTo("rudder");
    assertThat(rows.get(0).get("gap_mm").asDouble()).isEqualTo(-2.5);
    assertThat(rows.get(0).get("needed_mm").asDouble()).isEqualTo(1.0);
    double last = Double.POSITIVE_INFINITY;
    boolean stops = true;
    for (JsonNode row : rows) {
      last = row.get("stops").asBoolean() == stops ? last : Double.POSITIVE_INFINITY;
      assertThat(stops || !row.get("stops").asBoolean()).as("stops first").isTrue();
      stops = row.get("stops").asBoolean();
      assertThat(row.get("missing_mm").asDouble()).isLessThanOrEqualTo(last);
      last = row.get("missing_mm").asDouble();
    }
    assertThat(Ran.run("gaps", DEMO).out()).contains("stop").contains("flange to flange");
  }

  /** The comparison says what the window's does; pattern and depth follow from the catalogue. */
  @Test
  public void leversAreComparedWithWhatASwapCosts() throws Exception {
    JsonNode all = Ran.run("levers", DEMO, "--json").json();
    assertThat(all).hasSize(1);
    JsonNode rudder = Ran.run("levers", DEMO, "rudder", "--json").json().get(0);
    assertThat(rudder).isEqualTo(all.get(0));
    JsonNode fitted = rudder.get("kinds").get(0);
    assertThat(fitted.get("fitted").asBoolean()).isTrue();
    assertThat(fitted.get("room_below_mm").asDouble()).as("72 - 46").isEqualTo(26);
    for (JsonNode row : rudder.get("kinds")) {
      int screws =
          Ran.run("parts", "show", row.get("kind").asText(), "--json")
              .json()
              .at("/screws/at")
              .size();
      assertThat(row.get("plate_holes_shared").asInt() + row.get("plate_holes_to_drill").asInt())
          .isEqualTo(screws);
      // A hole at the same place may have to be opened; it is drilled, and still one hole.
      assertThat(row.at("/pattern_for_both/screws").size())
          .isBetween(4, 4 + row.get("plate_holes_to_drill").asInt());
    }
    assertThat(Ran.run("levers", DEMO).out()).contains("fitted now", "new screw holes");
  }

  /** Everything at once is every export, one by one; what a bare build lacks is noted. */
  @Test
  public void allIsEveryExport() throws Exception {
    Path one = Files.createTempDirectory("kumite-each");
    Path all = Files.createTempDirectory("kumite-all");
    for (kumite.verdict.Export export : kumite.verdict.Rooms.standard().exports()) {
      boolean code = export == kumite.sheet.Exports.FIRMWARE; // it has a folder of its own there
      Path out = code ? Files.createDirectories(one.resolve("firmware")) : one;
      Ran.run("export", DEMO, "--what", export.word(), "--out", out.toString());
    }
    Ran ran = Ran.run("export", DEMO, "--what", "all", "--out", all.toString());
    assertThat(ran.exit()).isZero();
    assertThat(ran.err()).isEmpty();
    try (var each = Files.list(one);
        var together = Files.list(all)) {
      assertThat(together.map(f -> f.getFileName().toString()).sorted().toList())
          .isEqualTo(each.map(f -> f.getFileName().toString()).sorted().toList());
    }
  }

  /** A file of the same name that somebody else made is not replaced unless that is said. */
  @Test
  public void onlyWhatKumiteWroteIsReplaced() throws Exception {
    Path folder = Files.createTempDirectory("kumite-ours");
    String[] export = {"export", DEMO, "--what", "drill-csv", "--out", folder.toString()};
    Path table = folder.resolve("drill.csv");
    Files.writeString(table, "my own table\n");
    Ran refused = Ran.run(export);
    assertThat(refused.exit()).isEqualTo(2);
    assertThat(refused.err()).contains("drill.csv", "--replace");
    assertThat(Files.readString(table)).isEqualTo("my own table\n");
    assertThat(
            Ran.run("export", DEMO, "--what", "drill-csv", "--out", folder.toString(), "--replace")
                .exit())
        .isZero();
    assertThat(Ran.run(export).exit()).as("ours is replaced").isZero();
    Files.writeString(table, Files.readString(table) + "a note of mine\n");
    assertThat(Ran.run(export).exit()).as("ours with a note in it is not").isEqualTo(2);
    assertThat(Files.readString(table)).endsWith("a note of mine\n");
    try (var files = Files.list(folder)) {
      assertThat(files.map(f -> f.getFileName().toString()))
          .containsExactlyInAnyOrder("drill.csv", "kumite-exports.sha256");
    }
  }

  @Test
  public void partsAreListedShownAndReadFromAFile() throws Exception {
    JsonNode parts = Ran.run("parts", "list", "--json").json();
    assertThat(parts).hasSizeGreaterThanOrEqualTo(40);
    JsonNode lever = Ran.run("parts", "show", "lever-8", "--json").json();
    assertThat(lever.at("/body_mm/rect/0").asDouble()).isEqualTo(65);
    assertThat(Ran.run("parts", "show", "nothing").exit()).isEqualTo(2);
    Path folder = Files.createTempDirectory("kumite-parts");
    Path csv = folder.resolve("mine.csv");
    Files.writeString(csv, "id,name,family,cutout,body_depth\nfog,Fog,button,33 round,40\n");
    Path build = folder.resolve("b.kumite.json");
    Files.copy(Path.of(DEMO), build);
    Ran ran = Ran.run("parts", "import", csv.toString(), "--into", build.toString(), "--json");
    assertThat(ran.exit()).isZero();
    assertThat(ran.json().at("/parts/0/id").asText()).isEqualTo("fog");
    assertThat(Files.readString(build)).contains("\"fog\"");
    String before = Files.readString(build);
    Files.writeString(csv, "id,name,family,cutout,body_depth\nfog,Fog,button,wide,40\n");
    Ran bad = Ran.run("parts", "import", csv.toString(), "--into", build.toString());
    assertThat(bad.exit()).isEqualTo(2);
    assertThat(bad.err()).contains("row 2, cutout");
    assertThat(Files.readString(build)).as("nothing half-done").isEqualTo(before);
  }

  @Test
  public void everyExportIsWrittenAndBadKerfIsTold() throws Exception {
    Path folder = Files.createTempDirectory("kumite-out");
    for (kumite.verdict.Export export : kumite.verdict.Rooms.standard().exports()) {
      boolean leads = export == kumite.sheet.Exports.LEADS;
      boolean table = export.word().equals("loader-table");
      boolean tray = export.word().equals("case-stl");
      String build =
          leads
              ? "../demo/quarter-turn.kumite.json"
              : table ? onSettable(folder).toString() : tray ? inTray(folder).toString() : DEMO;
      Ran ran = Ran.run("export", build, "--what", export.word(), "--out", folder.toString());
      assertThat(ran.exit()).as("%s %s", export, ran.err()).isZero();
      assertThat(Files.size(folder.resolve(export.file()))).isPositive();
      assertThat(Ran.run("export", "--help").out()).contains(export.word());
    }
    Ran bad =
        Ran.run("export", DEMO, "--what", "svg", "--kerf", "wide", "--out", folder.toString());
    assertThat(bad.exit()).isEqualTo(2);
    assertThat(bad.err()).contains("not a length");
    assertThat(
            Ran.run("export", DEMO, "--what", "dxf", "--kerf", "1/8 in", "--out", folder.toString())
                .err())
        .contains("wider than the hole");
  }

  /** The demo in a printed tray. */
  private static Path inTray(Path folder) throws Exception {
    kumite.build.Build build =
        kumite.files.BuildFile.parse(
            Files.readString(Path.of(DEMO)), "demo", kumite.parts.Catalogue.standard());
    Path file = folder.resolve("tray.kumite.json");
    Files.writeString(
        file,
        kumite.files.BuildFile.text(
            build.with(
                kumite.build.box.BoxBook.PART,
                new kumite.build.box.BoxBook(
                    new kumite.build.box.Box(
                        new kumite.build.box.Making.Printed(2.4, 420, 420, 250))))));
    return file;
  }

  /** The demo on an encoder whose sockets are set by a table. */
  private static Path onSettable(Path folder) throws Exception {
    kumite.build.Build build =
        kumite.files.BuildFile.parse(
            Files.readString(Path.of(DEMO)), "demo", kumite.parts.Catalogue.standard());
    Path file = folder.resolve("settable.kumite.json");
    Files.writeString(
        file,
        kumite.files.BuildFile.text(
            build.withBoard(
                java.util.Optional.of(
                    new kumite.build.BoardChoice(
                        "encoder-set-pad-12", kumite.measure.Placement.at(60, 60))))));
    return file;
  }

  @Test
  public void pathsSayHowTheyReadAndHowTheyAreShared() throws Exception {
    JsonNode rows = Ran.run("paths", DEMO, "--json").json();
    for (JsonNode row : rows) {
      assertThat(row.get("topology").asText()).isEqualTo("direct");
      assertThat(row.get("common").asText()).isEqualTo("ground");
      boolean measured = row.get("level_idle").asText().equals("measured");
      assertThat(row.get("pulls").asText()).isEqualTo(measured ? "none" : "pull-up");
      if (!measured) {
        assertThat(row.get("level_idle").asText()).isEqualTo("high");
        assertThat(row.get("level_held").asText()).isEqualTo("low");
        assertThat(row.get("idle_v").asDouble()).isGreaterThan(2.0);
        assertThat(row.get("held_v").asDouble()).isLessThan(0.8);
      }
    }
    JsonNode rail = Ran.run("paths", "../demo/lantern-duel.kumite.json", "--json").json();
    assertThat(rail).as("the left seat").hasSize(12);
    assertThat(
            Ran.run("paths", "../demo/lantern-duel.kumite.json", "--seat", "right", "--json")
                .json())
        .as("the right seat")
        .hasSize(12);
    for (JsonNode row : rail) {
      assertThat(row.get("common").asText()).isEqualTo("rail");
      assertThat(row.get("pulls").asText()).isEqualTo("pull-down");
      assertThat(row.get("level_held").asText()).isEqualTo("high");
    }
  }

  @Test
  public void noVoltsAreGivenWhereAShortMakesThemWorthless() throws Exception {
    ObjectNode tree = (ObjectNode) new ObjectMapper().readTree(Files.readString(Path.of(DEMO)));
    ObjectNode loom = (ObjectNode) tree.at("/seats/0/loom");
    loom.withArray("added").add("wiper:NO - board:3V3");
    Path shorted = Files.createTempFile("shorted", ".kumite.json");
    Files.writeString(shorted, tree.toString());
    boolean met = false;
    for (JsonNode row : Ran.run("paths", shorted.toString(), "--json").json()) {
      if (row.get("id").asText().equals("wiper")) {
        met = true;
        assertThat(row.get("level_held").asText()).isEqualTo("undefined");
        assertThat(row.get("held_v").isNull()).isTrue();
        assertThat(row.get("idle_v").asDouble()).isGreaterThan(2);
      }
    }
    assertThat(met).isTrue();
  }

  @Test
  public void probedPairsAreHeldAgainstThePlan() throws Exception {
    JsonNode rows = Ran.run("paths", DEMO, "--json").json();
    String bilge = "";
    String wiper = "";
    for (JsonNode row : rows) {
      bilge = row.get("id").asText().equals("bilge") ? row.get("terminal").asText() : bilge;
      wiper = row.get("id").asText().equals("wiper") ? row.get("terminal").asText() : wiper;
    }
    Path pairs = Files.createTempFile("pairs", ".csv");
    Files.writeString(
        pairs, "from,to\nbilge:NO,board:" + bilge + "\nwiper:NO,board:" + wiper + "\n");
    Ran right = Ran.run("nets", DEMO, "--probed", pairs.toString(), "--json");
    assertThat(right.exit()).isZero();
    assertThat(right.json().get("differences")).isEmpty();
    Files.writeString(
        pairs, "from,to\nbilge:NO,board:" + wiper + "\nwiper:NO,board:" + bilge + "\n");
    Ran swapped = Ran.run("nets", DEMO, "--probed", pairs.toString(), "--json");
    assertThat(swapped.exit()).isEqualTo(1);
    assertThat(swapped.json().get("differences")).hasSize(1);
    assertThat(swapped.json().get("differences").get(0).get("kind").asText()).isEqualTo("swapped");
    Files.writeString(pairs, "from,to\nbilge\n");
    Ran bad = Ran.run("nets", DEMO, "--probed", pairs.toString());
    assertThat(bad.exit()).isEqualTo(2);
    assertThat(bad.err()).contains("row 2");
  }

  @Test
  public void everySumRunsAndGivesUnitsInItsKeys() throws Exception {
    for (kumite.power.Sum sum : kumite.power.Sum.values()) {
      java.util.List<String> words =
          new java.util.ArrayList<>(java.util.List.of("sum", sum.word()));
      for (kumite.power.Sum.Ask ask : sum.asks()) {
        if (ask.needed()) {
          words.add("--" + ask.name());
          words.add(ask.usual());
        }
      }
      assertThat(Ran.run(words.toArray(String[]::new)).out()).as(sum.word()).contains("result");
      words.add("--json");
      JsonNode answer = Ran.run(words.toArray(String[]::new)).json();
      assertThat(answer.get("sum").asText()).isEqualTo(sum.word());
      assertThat(answer.get("working").get("source").asText()).isNotBlank();
    }
    JsonNode pulse = Ran.run("sum", "gameport", "--ohm", "100k", "--json").json();
    assertThat(pulse.get("time_us").asDouble()).isEqualTo(1124.2);
  }

  @Test
  public void boardsAreComparedAndOneIsTakenIntoABuild() throws Exception {
    JsonNode rows = Ran.run("boards", "compare", DEMO, "--json").json();
    assertThat(rows).hasSizeGreaterThanOrEqualTo(12);
    assertThat(rows.get(0).get("possible").asBoolean()).isTrue();
    assertThat(rows.get(0).get("points").get("terminals").get("words").asText()).contains("fits");
    Path file = Files.createTempFile("board", ".json");
    String shown = Ran.run("boards", "show", "native-3v3-11").out();
    Files.writeString(file, shown.replace("native-3v3-11", "own-eleven"));
    Path build = Files.createTempDirectory("kumite-board").resolve("copy.kumite.json");
    Files.copy(Path.of(DEMO), build);
    assertThat(Ran.run("boards", "import", file.toString(), "--into", build.toString()).exit())
        .isZero();
    assertThat(Files.readString(build)).contains("own-eleven");
    Files.writeString(file, shown.replace("\"input\"", "\"output\""));
    Ran bad = Ran.run("boards", "import", file.toString());
    assertThat(bad.exit()).isEqualTo(2);
    assertThat(bad.err()).contains("terminals[0].role").contains("output");
  }
}
