package kumite.files;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import kumite.Builds;
import kumite.build.Build;
import kumite.kind.Common;
import kumite.kind.WireColour;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.verdict.Rooms;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class BuildFileTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();
  private Path folder;

  @BeforeMethod
  public void makeFolder() throws Exception {
    folder = Files.createTempDirectory("kumite-test");
  }

  @AfterMethod(alwaysRun = true)
  public void removeFolder() throws Exception {
    try (Stream<Path> files = Files.walk(folder)) {
      for (Path file : files.sorted((a, b) -> b.compareTo(a)).toList()) {
        Files.delete(file);
      }
    }
  }

  /** A build that uses every optional key. */
  private static Build full() {
    Build build = Builds.ferryBridge();
    ContactId horn = ContactId.parse("horn");
    return build
        .withLoom(build.loom().withLock(horn, "D9").withColour(horn, WireColour.parse("WHBU")))
        .withControl(
            new ControlId("bilge"),
            c -> c.withCommon(Optional.of(Common.RAIL)).withPlacement(c.placement().turnedTo(12.5)))
        .withControl(new ControlId("horn"), c -> c.withLampOhm(java.util.OptionalDouble.of(200)));
  }

  @Test
  public void whatIsSavedIsWhatIsLoaded() throws Exception {
    for (Build build : new Build[] {Build.empty("Ä \"quoted\" \\ build"), full()}) {
      Path file = folder.resolve("x.kumite.json");
      BuildFile.write(build, file);
      assertThat(BuildFile.read(file, CATALOGUE)).isEqualTo(build);
    }
  }

  @Test
  public void theShippedDemoIsWrittenAsWeWriteAndMatchesThePublishedSchema() throws Exception {
    String text = Demo.text(Demo.USUAL).orElseThrow();
    assertThat(BuildFile.text(Builds.ferryBridge())).isEqualTo(text);
    assertThat(Builds.ferryBridge().controls()).hasSizeGreaterThanOrEqualTo(14);
    JsonSchema schema =
        JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
            .getSchema(Files.readString(Path.of("../docs/build.schema.json")));
    ObjectMapper mapper = new ObjectMapper();
    assertThat(schema.validate(mapper.readTree(text))).isEmpty();
    assertThat(schema.validate(mapper.readTree(BuildFile.text(full())))).isEmpty();
    JsonNode wrong = mapper.readTree(text.replace("\"width_mm\": 400", "\"width_mm\": -400"));
    assertThat(schema.validate(wrong)).as("the schema can say no").isNotEmpty();
  }

  @Test
  public void keepsTheVersionBeforeAndLeavesNoHalfFiles() throws Exception {
    Path file = folder.resolve("x.kumite.json");
    BuildFile.write(Build.empty("first"), file);
    BuildFile.write(Build.empty("second"), file);
    assertThat(BuildFile.read(file, CATALOGUE).brief().title()).isEqualTo("second");
    assertThat(BuildFile.read(folder.resolve("x.kumite.json.bak"), CATALOGUE).brief().title())
        .isEqualTo("first");
    try (Stream<Path> files = Files.list(folder)) {
      assertThat(files).hasSize(2);
    }
  }

  private static UnaryOperator<String> replace(String what, String with) {
    return text -> {
      assertThat(text).contains(what);
      return text.replaceFirst(
          java.util.regex.Pattern.quote(what), java.util.regex.Matcher.quoteReplacement(with));
    };
  }

  @DataProvider
  Object[][] damage() {
    return new Object[][] {
      // the damage, and what the one line must name
      {replace("\"version\": " + BuildFile.VERSION, "\"version\": 9"), "version: is 9, newer"},
      {replace("\"version\": " + BuildFile.VERSION, "\"version\": 0"), "versions begin at 1"},
      {replace("kumite-build", "shopping-list"), "format: is \"shopping-list\""},
      {replace("\"thickness_mm\"", "\"thicknes_mm\""), "panel.thickness_mm: is missing"},
      {replace("\"revision\"", "\"colour\": 1, \"revision\""), "colour: unknown key"},
      {replace("\"width_mm\": 400", "\"width_mm\": -400"), "width_mm must be between 20 and 3000"},
      {replace("\"width_mm\": 400", "\"width_mm\": 1e999"), "panel.width_mm"},
      {
        replace("\"width_mm\": 400", "\"width_mm\": \"wide\""), "must be a number, but was \"wide\""
      },
      {replace("\"id\": \"anchor\"", "\"id\": \"horn\""), "controls[2].id: \"horn\" is used by"},
      {replace("\"id\": \"anchor\"", "\"id\": \"An chor\""), "controls[2].id"},
      {replace("\"kind\": \"lever-8\"", "\"kind\": \"lever-99\""), "no control \"lever-99\""},
      {replace("native-3v3-26", "native-9v"), "board.kind: the catalogue has no board"},
      {
        replace("\"rudder.left\"", "\"rudder.sideways\""),
        "profiles[0].map.rudder.sideways: the build has no such"
      },
      {replace("\"Button 1\"", "\"Trombone\""), "seats[0].profiles[0].map.horn.to"},
      {replace("\"deferred\"", "\"hopeful\""), "use one of deferred, eager"},
      {replace("\"2026-10-04\"", "\"last week\""), "log[0].date"},
      {replace("\"locks\": {}", "\"locks\": []"), "seats[0].loom.locks: must be an object"},
      {replace("\"title\": \"Ferry bridge desk\",", ""), "brief.title: is missing"},
      {replace("\"wait_us\": 5000", "\"wait_us\": 5.5"), "must be a whole number"},
      {replace("\"x_mm\": 42", "\"x_mm\": 42, \"x_mm\": 43"), "line "},
      {(UnaryOperator<String>) text -> text.substring(0, text.length() / 2), "ends too early"},
      {(UnaryOperator<String>) text -> "", "the file is empty"},
      {(UnaryOperator<String>) text -> "hello", "line 1"},
      {(UnaryOperator<String>) text -> "[]", "top level"},
    };
  }

  @Test(dataProvider = "damage")
  public void namesThePlaceOfDamageOnOneLine(UnaryOperator<String> damage, String says)
      throws Exception {
    Path file = folder.resolve("bad.kumite.json");
    Files.writeString(file, damage.apply(Demo.text(Demo.USUAL).orElseThrow()));
    assertThatThrownBy(() -> BuildFile.read(file, CATALOGUE))
        .isInstanceOf(BuildFileException.class)
        .hasMessageContaining("bad.kumite.json")
        .hasMessageContaining(says)
        .message()
        .doesNotContain("\n");
  }

  @Test
  public void noCutOfAFileReadsOrCrashes() {
    String text = BuildFile.text(Builds.buttons(60, 60)).stripTrailing();
    for (int length = 0; length < text.length(); length += 7) {
      String cut = text.substring(0, length);
      assertThatThrownBy(() -> BuildFile.parse(cut, "cut", CATALOGUE))
          .as("cut at %d", length)
          .isInstanceOf(BuildFileException.class);
    }
  }

  @Test
  public void missingAndUnfitFilesAreNamed() throws Exception {
    assertThatThrownBy(() -> BuildFile.read(folder.resolve("none.json"), CATALOGUE))
        .hasMessageContaining("no such file");
    assertThatThrownBy(() -> BuildFile.read(folder, CATALOGUE)).hasMessageContaining("is a folder");
    Path binary = folder.resolve("binary");
    Files.write(binary, new byte[] {(byte) 0xFF, (byte) 0xFE, 0, 1});
    assertThatThrownBy(() -> BuildFile.read(binary, CATALOGUE)).hasMessageContaining("UTF-8");
    assertThatThrownBy(
            () -> BuildFile.write(Build.empty("x"), folder.resolve("no/such/x.kumite.json")))
        .hasMessageContaining("folder does not exist");
  }

  @Test
  public void unsavedWorkIsFoundAgainAndADamagedJournalIsPutAside() throws Exception {
    Journal journal = new Journal(folder.resolve("state"), Rooms.standard());
    assertThat(journal.find(CATALOGUE).work()).isEmpty();
    journal.keep(full(), Optional.of(Path.of("/bench/desk.kumite.json")));
    Journal.Unsaved found = journal.find(CATALOGUE).work().orElseThrow();
    assertThat(found.build()).isEqualTo(full());
    assertThat(found.savedAs()).contains(Path.of("/bench/desk.kumite.json"));
    Path file = folder.resolve("state/unsaved.kumite.json");
    Files.writeString(file, Files.readString(file).substring(0, 300));
    Journal.Found damaged = journal.find(CATALOGUE);
    assertThat(damaged.work()).isEmpty();
    assertThat(damaged.trouble().orElseThrow()).contains("cannot be read", ".damaged");
    assertThat(folder.resolve("state/unsaved.kumite.json.damaged")).exists();
    journal.keep(full(), Optional.empty());
    journal.clear();
    assertThat(journal.find(CATALOGUE).work()).isEmpty();
    assertThat(journal.find(CATALOGUE).trouble()).isEmpty();
  }

  @Test
  public void aBuildWithItsOwnPartsAndOutlineIsWhole() throws Exception {
    var kind = Catalogue.standard().control("button-30").orElseThrow();
    var node = (com.fasterxml.jackson.databind.node.ObjectNode) kumite.parts.PartFile.write(kind);
    var own =
        kumite.parts.PartFile.read(
            new kumite.json.Key("", node.put("id", "own-bell").put("name", "Bell")));
    Build build = Build.empty("Own").withOwn(own);
    build =
        build
            .withControl(
                kumite.build.Control.of(
                    new kumite.name.ControlId("bell"),
                    "Bell",
                    "own-bell",
                    kumite.measure.Placement.at(99, 99)))
            .withPanel(
                build
                    .panel()
                    .withOutline(
                        java.util.List.of(
                            new kumite.measure.Point(0, 0),
                            new kumite.measure.Point(300, 30),
                            new kumite.measure.Point(250, 200),
                            new kumite.measure.Point(20, 190))));
    assertThat(BuildFile.parse(BuildFile.text(build), "own", Catalogue.standard()))
        .isEqualTo(build);
    assertThat(kumite.verdict.Bench.of(build, Catalogue.standard()).gaps().list()).isNotEmpty();
  }

  /** A file as version 3 wrote it opens as the same build; a control called board gets a new id. */
  @Test
  public void theThirdVersionIsBroughtUpToDate() throws Exception {
    String text;
    try (var in = getClass().getResourceAsStream("version-3.kumite.json")) {
      text = new String(in.readAllBytes(), java.nio.charset.StandardCharsets.UTF_8);
    }
    assertThat(text).contains("\"version\": 3");
    Build old = BuildFile.parse(text, "old", Catalogue.standard());
    assertThat(old.controls()).isEqualTo(Builds.ferryBridge().controls());
    assertThat(old.profile()).isEqualTo(Builds.ferryBridge().profile());
    String clash = text.replace("\"bilge\"", "\"board\"");
    Build renamed = BuildFile.parse(clash, "old", Catalogue.standard());
    assertThat(renamed.control(new kumite.name.ControlId("board-control"))).isPresent();
    assertThat(renamed.mapping().of(kumite.name.ContactId.parse("board-control"))).isPresent();
    assertThat(BuildFile.parse(BuildFile.text(renamed), "new", Catalogue.standard()))
        .isEqualTo(renamed);
  }
}
