package kumite.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import kumite.files.BuildFile;
import kumite.files.Demo;
import kumite.files.ReadingsFile;
import kumite.parts.Catalogue;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Readings, rounds and diagnosis on the command line, as a script sees them. */
public class BringUpCommandTest {
  private Path folder;
  private String desk;
  private String duel;

  @BeforeClass
  public void makeFolder() throws Exception {
    folder = Files.createTempDirectory("bring-up");
    desk = demo("ferry-bridge");
    duel = demo("lantern-duel");
  }

  private String demo(String name) throws Exception {
    return written(name + ".kumite.json", BuildFile.text(Demo.open(name, Catalogue.standard())));
  }

  private String written(String name, String text) throws Exception {
    return Files.writeString(folder.resolve(name), text).toString();
  }

  private JsonNode reading(String... arguments) throws Exception {
    String[] all = new String[arguments.length + 2];
    all[0] = "reading";
    System.arraycopy(arguments, 0, all, 1, arguments.length);
    all[all.length - 1] = "--json";
    return Ran.run(all).json();
  }

  @Test
  public void aReadingIsVoltsOhmsAndABeep() throws Exception {
    JsonNode silent = reading(desk, "anchor:NO", "board:GND");
    assertThat(silent.get("beep").asBoolean()).isFalse();
    assertThat(silent.get("volts").isNull()).isTrue();
    JsonNode held = reading(desk, "anchor:NO", "board:GND", "--held", "anchor");
    assertThat(held.get("beep").asBoolean()).isTrue();
    assertThat(held.get("ohms").asDouble()).isBetween(0.0, 1.0);
    JsonNode volts = reading(desk, "anchor:NO", "board:GND", "--state", "powered");
    assertThat(volts.get("volts").asDouble()).isCloseTo(3.3, within(0.05));
    assertThat(volts.get("beep").isNull()).isTrue();
    assertThat(volts.get("low").asDouble()).isLessThan(volts.get("high").asDouble());
    assertThat(Ran.run("reading", desk, "port:W", "board:GND", "--held", "port=0.5").out())
        .contains("kohm");
  }

  /** Two boards: a place of the second is called as nets calls it, and nothing joins the two. */
  @Test
  public void placesOfASecondBoardAreReadToo() throws Exception {
    JsonNode through = reading(duel, "right-lift:COM", "BOARD-RIGHT:COM");
    assertThat(through.get("beep").asBoolean()).isTrue();
    JsonNode apart = reading(duel, "board:COM", "BOARD-RIGHT:COM");
    assertThat(apart.get("beep").asBoolean()).isFalse();
    JsonNode held = reading(duel, "BOARD-RIGHT:K1", "BOARD-RIGHT:COM", "--held", "right-light");
    assertThat(held.get("beep").asBoolean()).isTrue();
    // Asked for by its seat, the second board is called as that seat calls it.
    JsonNode here =
        reading(duel, "--seat", "right", "board:K1", "board:COM", "--held", "right-light");
    assertThat(here.get("beep").asBoolean()).isTrue();
    JsonNode other = reading(duel, "--seat", "right", "board:K1", "BOARD-LEFT:COM");
    assertThat(other.get("beep").asBoolean()).isFalse();
  }

  @DataProvider
  public static Object[][] rounds() {
    return new Object[][] {{"trial"}, {"continuity"}, {"volts"}, {"host"}, {"play"}, {"all"}};
  }

  @Test(dataProvider = "rounds")
  public void roundsListTheirQuestions(String what) throws Exception {
    JsonNode all = Ran.run("rounds", duel, "--what", what, "--json").json().get("questions");
    assertThat(all).isNotEmpty();
    Set<String> ids = new HashSet<>();
    for (JsonNode question : all) {
      assertThat(ids.add(question.get("id").asText())).isTrue();
      assertThat(question.get("expected").asText()).isNotBlank();
      assertThat(question.get("why").asText()).isNotBlank();
    }
    String csv = Ran.run("rounds", duel, "--what", what, "--csv").out();
    assertThat(ReadingsFile.read(csv)).hasSize(all.size()).allMatch(e -> e.answer().isEmpty());
  }

  /** A shared side that is open: what lies beyond it is dead, and the chain is named. */
  @Test
  public void anOpenSignalWireIsFoundFromTheHostAndAProbe() throws Exception {
    String readings =
        written(
            "open.csv",
            "from,to,state,held,reading\n"
                + ",,host,radar,nothing\n"
                + ",,host,lamps,lamps\n"
                + "radar:NO,board:D4,unpowered,,silent\n");
    Ran ran = Ran.run("diagnose", desk, "--readings", readings, "--json");
    assertThat(ran.exit()).isEqualTo(1);
    JsonNode found = ran.json();
    JsonNode first = found.get("faults").get(0);
    assertThat(first.get("id").asText()).isEqualTo("open board:D4~radar:NO");
    assertThat(first.get("what").asText()).contains("open");
    assertThat(first.get("repair").asText()).isNotBlank();
    assertThat(first.get("probability").asDouble()).isGreaterThan(0.5);
    assertThat(found.get("next").get("bits").asDouble()).isPositive();
    double sum = 0;
    for (JsonNode fault : found.get("faults")) {
      sum += fault.get("probability").asDouble();
    }
    assertThat(sum).isBetween(0.9, 1.001);
  }

  @Test
  public void whatIsAsExpectedIsFineAndRingsAreSaidToHideAnOpenLink() throws Exception {
    String readings =
        written(
            "fine.csv",
            "from,to,state,held,reading\n,,host,radar,radar\nradar:NO,board:D4,,,beep\n");
    Ran ran = Ran.run("diagnose", desk, "--readings", readings, "--json");
    assertThat(ran.exit()).isZero();
    assertThat(ran.json().get("faults").get(0).get("id").asText()).isEqualTo("none");
    assertThat(ran.json().get("equal").toString()).contains("none").contains("open ");
  }

  @DataProvider
  public static Object[][] bad() {
    return new Object[][] {
      {"", "empty"},
      {"a,b,c\n1,2,3\n", "row 1"},
      {"from,to,state,held,reading\nanchor,board:GND,,,beep\n", "row 2"},
      {"from,to,state,held,reading\nanchor:NO,board:GND,,,perhaps\n", "perhaps"},
      {"from,to,state,held,reading\nanchor:NO,board:GND,asleep,,beep\n", "asleep"},
      {"from,to,state,held,reading\nanchor:NO,board:GND,powered,,beep\n", "does not belong"},
      {"from,to,state,held,reading\nanchor:NO,anchor:NO,,,beep\n", "both probes"},
      {"from,to,state,held,reading\nanchor:NO,board:GND,,port=7,beep\n", "port=7"},
      {"from,to,state,held,reading\n\"anchor:NO,board:GND,,,beep\n", "quote"},
      {"from,to,state,held,reading\nx,,host,anchor,anchor\n", "leave from and to empty"},
      {"from,to,state,held,reading\ndevices,,host,,many\n", "many"},
    };
  }

  @Test(dataProvider = "bad")
  public void badTablesAreRefusedByTheirRow(String text, String named) throws Exception {
    Ran ran = Ran.run("diagnose", desk, "--readings", written("bad.csv", text));
    assertThat(ran.exit()).isEqualTo(2);
    assertThat(ran.err()).contains(named).doesNotContain("Exception").hasLineCount(1);
  }

  @DataProvider
  public static Object[][] kept() {
    return new Object[][] {
      {"ghost:NO,board:GND,,,beep", "ghost:NO"},
      {"anchor:NO,board:GND,powered,,48 V", "48 V"},
      {"anchor:NO,board:GND,,ghost,beep", "ghost"},
      {"anchor:NO,board:D5,,,beep\nanchor:NO,board:D5,,,silent", "read it again"},
    };
  }

  /** A reading that cannot be is told and does not count; nothing else is lost. */
  @Test(dataProvider = "kept")
  public void readingsThatCannotBeAreTold(String row, String named) throws Exception {
    String file =
        written(
            "kept.csv", "from,to,state,held,reading\n" + row + "\nradar:NO,board:D4,,,silent\n");
    JsonNode found = Ran.run("diagnose", desk, "--readings", file, "--json").json();
    assertThat(found.get("notes").toString()).contains(named);
    assertThat(found.get("faults").toString()).contains("open board:D4~radar:NO");
  }

  @Test
  public void unknownPlacesStatesAndBoardlessBuildsAreNamed() throws Exception {
    for (List<String> wrong :
        List.of(
            List.of("reading", desk, "anchor:XX", "board:GND"),
            List.of("reading", desk, "anchor", "board:GND"),
            List.of("reading", desk, "anchor:NO", "board:GND", "--state", "warm"),
            List.of("rounds", desk, "--what", "party"),
            List.of("rounds", desk, "--csv", "--json"))) {
      Ran ran = Ran.run(wrong.toArray(String[]::new));
      assertThat(ran.exit()).as(wrong.toString()).isEqualTo(2);
      assertThat(ran.err()).doesNotContain("Exception").isNotBlank();
    }
    String empty =
        written("empty.kumite.json", BuildFile.text(kumite.build.Build.empty("Nothing yet")));
    assertThat(Ran.run("reading", empty, "b:NO", "board:GND").err()).contains("no board");
  }

  @Test
  public void roundsAreExportedAsPaperAndTable() throws Exception {
    Path out = folder.resolve("out");
    Ran.run("export", desk, "--what", "round", "--out", out.toString());
    Ran.run("export", desk, "--what", "readings", "--out", out.toString());
    assertThat(Files.size(out.resolve("bring-up.pdf"))).isGreaterThan(10_000);
    String csv = Files.readString(out.resolve("readings.csv"));
    assertThat(ReadingsFile.read(csv)).hasSizeGreaterThan(100);
  }
}
