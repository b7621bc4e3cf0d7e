package kumite.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Leads and ring-outs on the command line, as a script sees them. */
public class LeadCommandTest {
  private static final Path DEMO = Path.of("../demo/quarter-turn.kumite.json");
  private Path folder;

  @BeforeClass
  public void makeFolder() throws Exception {
    folder = Files.createTempDirectory("leads");
  }

  private static List<Integer> pins(JsonNode lead) {
    List<Integer> to = new ArrayList<>();
    int before = 0;
    for (JsonNode pin : lead.get("pins")) {
      assertThat(pin.get("from").asInt()).isGreaterThan(before);
      before = pin.get("from").asInt();
      assertThat(pin.get("role").asText()).isNotBlank();
      assertThat(pin.get("colour").asText()).matches("[A-Z]{2,4}");
      to.add(pin.get("to").asInt());
    }
    return to;
  }

  @DataProvider
  public Object[][] turns() {
    // Degrees, then where pins 1 to 4 go: TRADE section 8, and its compositions by hand.
    return new Object[][] {
      {"0", 0, List.of(1, 2, 3, 4)},
      {"90", 90, List.of(3, 4, 2, 1)},
      {"180", 180, List.of(2, 1, 4, 3)},
      {"270", 270, List.of(4, 3, 1, 2)},
      {"-90", 270, List.of(4, 3, 1, 2)},
      {"360", 0, List.of(1, 2, 3, 4)},
      {"half", 180, List.of(2, 1, 4, 3)},
    };
  }

  @Test(dataProvider = "turns")
  public void aTurnIsPrintedForScripts(String turn, int degrees, List<Integer> pins)
      throws Exception {
    Ran ran = Ran.run("lead", "turn", turn, "--kind", "nine-pin", "--json");
    assertThat(ran.exit()).isZero();
    assertThat(ran.json().get("turn").asInt(-1)).isEqualTo(degrees);
    assertThat(pins(ran.json())).startsWith(pins.toArray(Integer[]::new)).hasSize(9);
    assertThat(ran.json().get("findings")).isNotEmpty();
  }

  @Test
  public void whatIsPrintedCanBeReadBackJoinedAndUndone() throws Exception {
    Path quarter = folder.resolve("quarter.lead.json");
    Files.writeString(quarter, Ran.run("lead", "turn", "90", "--json").out());
    String half = folder.resolve("half.lead.json").toString();
    assertThat(Ran.run("lead", "turn", "half", "--out", half).exit()).isZero();
    JsonNode both = Ran.run("lead", "compose", quarter.toString(), half, "--json").json();
    assertThat(both.get("turn").asInt()).isEqualTo(270);
    String q = quarter.toString();
    assertThat(Ran.run("lead", "compose", q, q, q, q, "--json").json().get("turn").asInt())
        .isZero();
    JsonNode undone = Ran.run("lead", "invert", q, "--json").json();
    assertThat(undone.get("turn").asInt()).isEqualTo(270);
    assertThat(Ran.run("lead", "solve", q, half, "--json").json().get("turn").asInt())
        .isEqualTo(90);
    assertThat(Ran.run("lead", "solve", "plain", half, "--among", half).out()).contains("by half");
    assertThat(Ran.run("lead", "solve", "plain", q, "--among", half).err())
        .contains("none does this");
    assertThat(Ran.run("lead", "turn", "mirror", "--json").json().has("turn")).isFalse();
    assertThat(
            Ran.run("lead", "solve", "nine-pin-direct", "nine-pin-select", "--json")
                .json()
                .toString())
        .contains("\"from\":\"7\",\"to\":\"5\"");
    assertThat(Ran.run("lead", "show", DEMO + "#Both joined", "--json").json().get("turn").asInt())
        .isEqualTo(270);
    assertThat(Ran.run("lead", "show", "quarter-turn#half turn").out()).contains("by half");
  }

  @Test
  public void checkEndsWithOneWhereThereIsSomethingToStop() throws Exception {
    assertThat(Ran.run("lead", "check", "90").exit()).isZero();
    Ran select = Ran.run("lead", "check", "90", "--pinout", "nine-pin-select", "--json");
    assertThat(select.exit()).isEqualTo(1);
    assertThat(select.json().get("findings").get(0).get("severity").asText()).isEqualTo("stop");
    assertThat(Ran.run("lead", "check", "180", "--pinout", "nine-pin-select").exit()).isZero();
  }

  @Test
  public void aChartIsWrittenAsAPdf() throws Exception {
    Path pdf = folder.resolve("chart.pdf");
    assertThat(Ran.run("lead", "chart", "90", "--out", pdf.toString()).exit()).isZero();
    assertThat(new String(Files.readAllBytes(pdf), StandardCharsets.ISO_8859_1)).startsWith("%PDF");
    assertThat(Ran.run("lead", "chart", "90", "--out", folder.resolve("new").toString()).exit())
        .isZero();
    assertThat(folder.resolve("new").resolve("lead.pdf")).exists();
    Path mine = folder.resolve("mine.pdf");
    Files.writeString(mine, "my notes");
    Ran refused = Ran.run("lead", "chart", "90", "--out", mine.toString());
    assertThat(refused.exit()).isEqualTo(2);
    assertThat(Files.readString(mine)).isEqualTo("my notes");
    assertThat(Ran.run("lead", "turn", "90", "--out", mine.toString()).exit()).isEqualTo(2);
  }

  private Path file(String name, String text) throws Exception {
    return Files.writeString(folder.resolve(name), text);
  }

  @Test
  public void ownConnectorsAreReadFromAFile() throws Exception {
    Path own =
        file(
            "own.json",
            """
            {"connectors": [{"id": "bell", "name": "Bell plug", "mechanism": "found",
              "pins": [{"name": "T", "x_mm": 0, "y_mm": 0}, {"name": "R", "x_mm": 4, "y_mm": 0}],
              "face": {"shape": "box", "width_mm": 9, "height_mm": 5}, "numbering": "as marked",
              "wired": [{"how": "screw", "strip_mm": 5, "awg": [18, 28], "tool": "driver"}],
              "amps_each": 1, "pad_gender": "male",
              "source": {"kind": "given", "text": "measured"}}]}
            """);
    Path table = file("bell.csv", "from,to\nT,R\nR,T\n");
    Ran ran =
        Ran.run(
            "lead", "show", table.toString(), "--kind", "bell", "--own", own.toString(), "--json");
    assertThat(ran.err()).isEmpty();
    Path lead = file("bell.lead.json", ran.out());
    assertThat(Ran.run("lead", "invert", lead.toString()).out()).contains("T > R");
    assertThat(Ran.run("lead", "kinds", "--own", own.toString()).out()).contains("Bell plug");
  }

  @DataProvider
  public Object[][] bad() throws Exception {
    makeFolder();
    String table = file("bad.csv", "from,to\n1,2\n11,3\n").toString();
    String torn = file("torn.lead.json", "{\"format\": \"kumite-lead\", \"version\": 1").toString();
    String usb = file("u.csv", "from,to\n1,1\n").toString();
    return new Object[][] {
      {List.of("turn", "45"), "quarters"},
      {List.of("turn", "north"), "no turn"},
      {List.of("turn", "90", "--kind", "usb"), "no pins for up, down, left and right"},
      {List.of("turn", "90", "--kind", "ten-pin"), "no connector"},
      {List.of("turn", "90", "--pinout", "usb-device"), "is of usb"},
      {List.of("show", "1>2 2>2"), "no permutation"},
      {List.of("show", table), "row 3"},
      {List.of("show", torn), "torn.lead.json"},
      {List.of("compose", "90", folder.resolve("nothing.json").toString()), "no such file"},
      {List.of("show", "../demo/quarter-turn.kumite.json"), "FILE#NAME"},
      {List.of("show", "../demo/quarter-turn.kumite.json#Loop"), "has no lead \"Loop\""},
      {List.of("compose", usb, "lead", "--kind", "usb"), "no such file"},
      {List.of("solve", "1>1", "90"), "carries pin"},
      {List.of("chart", "90"), "--out"},
    };
  }

  @Test(dataProvider = "bad")
  public void badInputIsNamedInOneLine(List<String> args, String what) {
    List<String> all = new ArrayList<>(List.of("lead"));
    all.addAll(args);
    Ran ran = Ran.run(all.toArray(String[]::new));
    assertThat(ran.exit()).as(ran.err()).isEqualTo(2);
    assertThat(ran.err()).contains(what).doesNotContain("Exception");
    assertThat(ran.err().strip().lines()).hasSize(1);
    assertThat(ran.out()).isEmpty();
  }

  // ---- ring-out

  @Test
  public void thePlanOfNineCores() throws Exception {
    JsonNode plan = Ran.run("ringout", "plan", "--cores", "9", "--json").json();
    assertThat(plan.get("cores").asInt()).isEqualTo(9);
    assertThat(plan.at("/one_by_one/worst").asInt()).isEqualTo(36);
    assertThat(plan.at("/one_by_one/mean").asDouble()).isBetween(24.15, 24.25);
    assertThat(plan.at("/grouped/worst").asInt()).isEqualTo(21);
    assertThat(plan.at("/grouped/bound").asDouble()).isBetween(18.46, 18.48);
    assertThat(Ran.run("ringout", "plan", "--cores", "9").out()).contains("36 probes", "21 probes");
    for (String bad : List.of("0", "65", "-3", "many")) {
      assertThat(Ran.run("ringout", "plan", "--cores", bad).exit()).isEqualTo(2);
    }
  }

  /** A cable of the test's own, one broken and two crossed, answered by the script. */
  @Test
  public void aScriptRingsOutACable() throws Exception {
    Map<String, String> truth = new HashMap<>();
    List<String> colours = List.of("BN", "BU", "GN", "OG", "PK", "TQ", "RD", "BK", "WH");
    for (int i = 0; i < 9; i++) {
      truth.put(colours.get(i), String.valueOf(i + 1));
    }
    truth.put("BU", "3");
    truth.put("GN", "2");
    truth.remove("RD");
    Path file = folder.resolve("found.ringout.json");
    assertThat(
            Ran.run(
                    "ringout",
                    "new",
                    file.toString(),
                    "--from",
                    "bare-9",
                    "--to",
                    "nine-pin",
                    "--near",
                    String.join(",", colours))
                .exit())
        .isZero();
    JsonNode plan = Ran.run("ringout", "plan", "--cores", "9", "--json").json();
    int promised =
        plan.at("/grouped/finding_broken/worst_by_broken/1").asInt()
            + plan.at("/grouped/finding_broken/last_round_by_broken/1").asInt();
    int asked = 0;
    JsonNode now = Ran.run("ringout", "next", file.toString(), "--json").json();
    while (!now.get("done").asBoolean()) {
      boolean beep = false;
      for (JsonNode near : now.at("/next/near")) {
        for (JsonNode far : now.at("/next/far")) {
          beep |= far.asText().equals(truth.get(near.asText()));
        }
      }
      boolean found = now.get("known").findValuesAsText("broken").contains("true");
      int left = now.at("/left/" + (found ? "worst" : "worst_with_one_broken")).asInt();
      assertThat(asked + left)
          .as("no more than was promised, at any time")
          .isLessThanOrEqualTo(promised);
      assertThat(Ran.run("ringout", "answer", file.toString(), beep ? "beep" : "silent").exit())
          .isZero();
      asked++;
      now = Ran.run("ringout", "next", file.toString(), "--json").json();
    }
    assertThat(asked).isLessThanOrEqualTo(promised);
    for (JsonNode core : now.get("known")) {
      String there = truth.get(core.get("near").asText());
      assertThat(core.get("broken").asBoolean()).isEqualTo(there == null);
      assertThat(core.get("far").path(0).asText(null)).isEqualTo(there);
    }
    Path lead = folder.resolve("found.lead.json");
    assertThat(Ran.run("ringout", "lead", file.toString(), "--out", lead.toString()).exit())
        .isZero();
    assertThat(Ran.run("lead", "show", lead.toString()).out())
        .contains("2 > 3    BU", "3 > 2    GN");
    assertThat(Ran.run("ringout", "answer", file.toString(), "beep").err())
        .contains("nothing is left to ask");
  }

  @Test
  public void aRingOutOfABuildGoesOn() throws Exception {
    Path build = folder.resolve("desk.kumite.json");
    Files.copy(DEMO, build);
    String name = build + "#Cable from the drawer";
    assertThat(Ran.run("ringout", "next", name).out()).contains("12 asked");
    assertThat(Ran.run("ringout", "next", build.toString()).out()).contains("12 asked");
    Ran none = Ran.run("ringout", "next", "../demo/one-hand.kumite.json");
    assertThat(none.exit()).isEqualTo(2);
    assertThat(none.err()).contains("a build with 0 ring-outs");
    assertThat(Ran.run("ringout", "answer", name, "silent").out()).contains("13 asked");
    assertThat(Ran.run("ringout", "next", build + "#Other").exit()).isEqualTo(2);
    assertThat(Ran.run("ringout", "answer", name, "perhaps").err()).contains("beep or silent");
    assertThat(Ran.run("ringout", "lead", name).err()).contains("is not done");
  }

  @Test
  public void readingsThatContradictAreShownWithTheOneToRepeat() throws Exception {
    Path file =
        file(
            "odd.ringout.json",
            """
            {"format": "kumite-ringout", "version": 1, "cores": 3, "readings": [
              {"near": ["1"], "far": ["1"], "beep": true},
              {"near": ["2"], "far": ["1", "2"], "beep": false},
              {"near": ["1"], "far": ["1", "3"], "beep": false}]}
            """);
    JsonNode now = Ran.run("ringout", "next", file.toString(), "--json").json();
    assertThat(now.at("/contradiction/readings").toString()).isEqualTo("[1,3]");
    assertThat(now.at("/contradiction/repeat").asInt()).isEqualTo(3);
    assertThat(now.get("done").asBoolean()).isFalse();
    assertThat(Ran.run("ringout", "next", file.toString()).out())
        .contains("Repeat reading 3", "--again 3");
    assertThat(Ran.run("ringout", "answer", file.toString(), "beep", "--again", "9").err())
        .contains("there are readings 1 to 3");
    // Said the same once more, the other one is to be repeated; said otherwise, it is mended.
    String other = Ran.run("ringout", "answer", file.toString(), "silent", "--again", "3").out();
    assertThat(other).contains("Repeat reading 1");
    assertThat(Ran.run("ringout", "answer", file.toString(), "silent", "--again", "1").out())
        .contains("So far:")
        .doesNotContain("Repeat");
  }

  /** A ring-out between connectors of one's own keeps them in its file, to its lead. */
  @Test
  public void aRingOutKnowsItsOwnConnectors() throws Exception {
    Path own =
        file(
            "own.json",
            """
            {"connectors": [{"id": "round-3", "name": "Round three", "mechanism": "three in a ring",
              "pins": [{"name": "1", "x_mm": -3, "y_mm": 0}, {"name": "2", "x_mm": 3, "y_mm": 0},
                {"name": "3", "x_mm": 0, "y_mm": 3}],
              "face": {"shape": "round", "diameter_mm": 12}, "numbering": "as printed",
              "wired": [{"how": "solder", "strip_mm": 3, "awg": [20, 28], "tool": "iron"}],
              "amps_each": 1, "pad_gender": "male",
              "source": {"kind": "given", "text": "measured"}}]}
            """);
    Path file = folder.resolve("mine.ringout.json");
    String name = file.toString();
    assertThat(Ran.run("ringout", "new", name, "--from", "round-3", "--own", own.toString()).exit())
        .isZero();
    for (int probes = 0;
        !Ran.run("ringout", "next", name, "--json").json().get("done").asBoolean();
        probes++) {
      JsonNode next = Ran.run("ringout", "next", name, "--json").json().get("next");
      boolean beep = false;
      for (JsonNode near : next.get("near")) {
        for (JsonNode far : next.get("far")) {
          beep |= near.equals(far);
        }
      }
      assertThat(Ran.run("ringout", "answer", name, beep ? "beep" : "silent").exit()).isZero();
      assertThat(probes).isLessThan(20);
    }
    Ran lead = Ran.run("ringout", "lead", name);
    assertThat(lead.exit()).as(lead.err()).isZero();
    assertThat(lead.json().at("/from/connector").asText()).isEqualTo("round-3");
    assertThat(lead.json().at("/own/connectors")).hasSize(1);
  }

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 40).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  private static String brief(int[] to) {
    List<String> pairs = new ArrayList<>();
    for (int i = 0; i < to.length; i++) {
      pairs.add(i + 1 + ">" + (to[i] + 1));
    }
    return String.join(" ", pairs);
  }

  private static int[] shuffled(Random random) {
    List<Integer> order = new ArrayList<>(IntStream.range(0, 9).boxed().toList());
    Collections.shuffle(order, random);
    return order.stream().mapToInt(i -> i).toArray();
  }

  private static List<Integer> printed(int[] to) {
    return Arrays.stream(to).mapToObj(i -> i + 1).toList();
  }

  /** Any permutations, composed, undone and solved by hand as arrays and by the command. */
  @Test(dataProvider = "seeds")
  public void anyPermutationsAreComposedUndoneAndSolved(int seed) throws Exception {
    Random random = new Random(seed);
    int[] a = shuffled(random);
    int[] b = shuffled(random);
    int[] both = new int[9];
    int[] undone = new int[9];
    int[] between = new int[9];
    for (int i = 0; i < 9; i++) {
      both[i] = b[a[i]];
      undone[a[i]] = i;
      between[a[i]] = b[i];
    }
    JsonNode composed = Ran.run("lead", "compose", brief(a), brief(b), "--json").json();
    assertThat(pins(composed)).isEqualTo(printed(both));
    assertThat(pins(Ran.run("lead", "invert", brief(a), "--json").json()))
        .isEqualTo(printed(undone));
    assertThat(pins(Ran.run("lead", "solve", brief(a), brief(b), "--json").json()))
        .isEqualTo(printed(between));
    // A turn is told where the four directions run round, whatever the others do.
    int[] quarter = {2, 3, 1, 0};
    boolean turned = true;
    int[] now = {0, 1, 2, 3};
    Integer degrees = null;
    for (int quarters = 0; quarters < 4; quarters++) {
      turned = true;
      for (int i = 0; i < 4; i++) {
        turned &= both[i] == now[i];
      }
      degrees = turned ? Integer.valueOf(quarters * 90) : degrees;
      for (int i = 0; i < 4; i++) {
        now[i] = quarter[now[i]];
      }
    }
    assertThat(composed.has("turn") ? Integer.valueOf(composed.get("turn").asInt()) : null)
        .isEqualTo(degrees);
  }
}
