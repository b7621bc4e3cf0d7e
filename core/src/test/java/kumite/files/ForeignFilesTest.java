package kumite.files;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.StringReader;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.Stream;
import kumite.Builds;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.json.JsonText;
import kumite.json.Key;
import kumite.json.Misfit;
import kumite.kind.BoardKind;
import kumite.kind.ControlKind;
import kumite.measure.Placement;
import kumite.name.ControlId;
import kumite.parts.BoardFile;
import kumite.parts.Catalogue;
import kumite.parts.PartFile;
import kumite.table.Table;
import kumite.verdict.Bench;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** No file from outside ends in anything but a clear line, and no file of ours is lost. */
public class ForeignFilesTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();
  private Path folder;

  @BeforeMethod
  public void makeFolder() throws IOException {
    folder = Files.createTempDirectory("kumite-foreign");
  }

  @AfterMethod
  public void removeFolder() throws IOException {
    try (Stream<Path> files = Files.walk(folder)) {
      for (Path file : files.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(file);
      }
    }
  }

  // ---- JSON

  private static Build withOwnThings() {
    ControlKind lever = CATALOGUE.control("lever-8").orElseThrow();
    ControlKind own =
        PartFile.read(new Key("", ((ObjectNode) PartFile.write(lever)).put("id", "own-lever")));
    BoardKind board = CATALOGUE.board("header-40").orElseThrow();
    BoardKind ownBoard =
        BoardFile.read(new Key("", ((ObjectNode) BoardFile.write(board)).put("id", "own-board")));
    Build build = Builds.ferryBridge().withOwn(own).withOwnBoard(ownBoard);
    return build
        .withControl(new ControlId("rudder"), c -> c.withKind("own-lever"))
        .withBoard(Optional.of(new BoardChoice("own-board", Placement.at(200, 120))));
  }

  private static List<JsonNode> oddities() {
    JsonNodeFactory nodes = JsonNodeFactory.instance;
    return List.of(
        nodes.nullNode(),
        nodes.objectNode(),
        nodes.arrayNode(),
        nodes.arrayNode().addNull(),
        nodes.arrayNode().add(nodes.objectNode()),
        nodes.textNode(""),
        nodes.textNode("odd"),
        nodes.numberNode(-1),
        nodes.numberNode(1e300),
        nodes.numberNode(0.5),
        nodes.booleanNode(true));
  }

  /** Every place of a document, as the node that holds it and the step into it. */
  private record Place(JsonNode holder, String key, int index) {
    void put(JsonNode value) {
      if (holder instanceof ObjectNode object) {
        object.set(key, value);
      } else {
        ((ArrayNode) holder).set(index, value);
      }
    }

    JsonNode now() {
      return holder.isObject() ? holder.get(key) : holder.get(index);
    }
  }

  private static void places(JsonNode node, List<Place> into) {
    if (node instanceof ObjectNode object) {
      object
          .fieldNames()
          .forEachRemaining(
              name -> {
                into.add(new Place(object, name, -1));
                places(object.get(name), into);
              });
    } else if (node instanceof ArrayNode array) {
      for (int i = 0; i < array.size(); i++) {
        into.add(new Place(array, "", i));
        places(array.get(i), into);
      }
    }
  }

  /** Whatever stands at whatever place, it is read or refused by name: nothing else happens. */
  @Test
  public void anythingAnywhereInABuildIsReadOrRefusedInOneLine() {
    JsonNode root = JsonText.read(BuildFile.text(withOwnThings()));
    List<Place> places = new ArrayList<>();
    places(root, places);
    SplittableRandom random = new SplittableRandom(61);
    List<JsonNode> odd = oddities();
    int refused = 0;
    for (Place place : places) {
      JsonNode before = place.now();
      boolean own = root.at("/own_parts").toString().contains(before.toString());
      for (int i = 0; i < odd.size(); i++) {
        if (!own && random.nextInt(4) > 0) {
          continue; // all of them inside own parts and boards, some of them elsewhere
        }
        place.put(odd.get(i));
        try {
          BuildFile.parse(root.toString(), "odd", CATALOGUE);
        } catch (BuildFileException e) {
          refused++;
          assertThat(e.getMessage())
              .startsWith("odd: ")
              .doesNotContain("\n", "Exception", "com.fasterxml", "java.", "null (");
        }
        place.put(before);
      }
    }
    assertThat(refused).isGreaterThan(2000);
  }

  @DataProvider
  Object[][] torn() {
    return new Object[][] {
      {"", "the file is empty"},
      {"   \n", "the file is empty"},
      {"{\"a\": 1,}", "line 1, column 9: is not JSON"},
      {"{\"a\": 1 \"b\": 2}", "is not JSON: found \"b\": 2}"},
      {"{\n\"a\": 1,\n\"a\": 2}", "the key \"a\" is there twice"},
      {"[1, 2", "ends too early"},
      {"{} {}", "follows after the end"},
      {"nonsense", "is not JSON"},
      {"[".repeat(3000), "deeper"},
      {"{\"a\": NaN}", "is not JSON"},
      {"\u0000\u0001", "is not JSON"},
    };
  }

  @Test(dataProvider = "torn")
  public void tornJsonIsToldWithoutAParsersWords(String text, String says) {
    assertThatThrownBy(() -> JsonText.read(text))
        .isInstanceOf(Misfit.class)
        .hasMessageContaining(says)
        .message()
        .doesNotContain("Unexpected", "token", "JsonParser", "code 1", "expecting");
  }

  @Test
  public void aByteOrderMarkIsPassedOver() throws Exception {
    Path file = folder.resolve("bom.kumite.json");
    Files.writeString(file, "\uFEFF" + BuildFile.text(Builds.buttons(60, 60)));
    assertThat(BuildFile.read(file, CATALOGUE)).isEqualTo(Builds.buttons(60, 60));
    ControlKind kind = CATALOGUE.control("button-30").orElseThrow();
    PartFile.Imported parts = PartFile.read("\uFEFF" + PartFile.write(kind), "x.json");
    assertThat(parts.kinds()).containsExactly(kind);
    assertThat(parts.notes()).singleElement().asString().contains("byte order mark");
  }

  // ---- tables

  @DataProvider
  Object[][] tables() {
    return new Object[][] {
      {"terminal,side\nGND,left\n", 2, 0},
      {"terminal;side\nGND;left\n", 2, 1},
      {"terminal\tside\nGND\tleft", 2, 1},
      {"\uFEFFterminal;side\r\nGND;left\r\n", 2, 2},
      {"\"terminal\";\"side\"\n\"A;B\";left\n", 2, 1},
      {"terminal,side\n\n\nGND,\"le\nft\"\n", 5, 0},
    };
  }

  /** Rows keep the line they end in, whatever parts their cells. */
  @Test(dataProvider = "tables")
  public void tablesAreReadWhateverPartsTheirCells(String text, int lastLine, int notes) {
    Table table = Table.read(text, List.of("terminal", "side"));
    assertThat(table.rows()).hasSize(2);
    assertThat(table.rows().get(0).cells()).containsExactly("terminal", "side");
    assertThat(table.rows().get(1).cells()).hasSize(2);
    assertThat(table.rows().get(1).line()).isEqualTo(lastLine);
    assertThat(table.notes()).hasSize(notes);
  }

  @Test
  public void anOpenQuoteIsNamedByItsRow() {
    assertThatThrownBy(() -> Table.read("terminal,side\nGND,\"left\n", List.of("terminal")))
        .hasMessageContaining("row 2")
        .hasMessageContaining("quote");
  }

  @Test
  public void pairsThatContradictEachOtherAreNamedByTheirRows() {
    assertThatThrownBy(
            () ->
                kumite.wiring.Probe.parse(
                    "from,to,beeps\nhorn:NO,board:D6,yes\nboard:D6,horn:NO,no\n"))
        .hasMessageContaining("row 3")
        .hasMessageContaining("against row 2");
    assertThatThrownBy(
            () ->
                kumite.wiring.Probe.parse(
                    "from;to;beeps\na:NO;b:NO;yes\nb:NO;c:NO;yes\na:NO;c:NO;no\n"))
        .hasMessageContaining("row 4");
    assertThatThrownBy(() -> kumite.wiring.Probe.parse("from,to,beeps\na:NO,a:NO,no\n"))
        .hasMessageContaining("row 2")
        .hasMessageContaining("between two places");
  }

  /** Commas, quotes, line ends and a leading equals sign in labels, read back by another parser. */
  @Test
  public void tablesAreQuotedAsAnotherParserReadsThem() throws Exception {
    String[] labels = {"A, B", "say \"go\"", " lead", "=1+1", "semi;colon", "Ü,\"ß\"", "#1", "'"};
    Build build = Build.empty("Quotes");
    for (int i = 0; i < labels.length; i++) {
      build =
          build.withControl(
              Control.of(
                  new ControlId("q" + i), labels[i], "button-24", Placement.at(30 + 34 * i, 60)));
    }
    Bench bench = Bench.of(build, CATALOGUE);
    try (CSVParser parser =
        CSVParser.parse(
            new StringReader(Tables.drill(bench)),
            CSVFormat.RFC4180.builder().setHeader().setSkipHeaderRecord(true).get())) {
      List<String> read = new ArrayList<>();
      for (CSVRecord row : parser) {
        assertThat(row.isConsistent()).isTrue();
        read.add(row.get("label"));
      }
      assertThat(read).containsExactlyInAnyOrder(labels);
    }
  }

  // ---- whole files

  @Test
  public void aFileIsWrittenWholeAndItsLinkAndPermissionsStay() throws Exception {
    Path real = folder.resolve("real.txt");
    Files.writeString(real, "old");
    Files.setPosixFilePermissions(real, PosixFilePermissions.fromString("rw-r-----"));
    Path link = Files.createSymbolicLink(folder.resolve("link.txt"), Path.of("real.txt"));
    WholeFile.write(link, "new".getBytes(StandardCharsets.UTF_8));
    assertThat(Files.isSymbolicLink(link)).isTrue();
    assertThat(Files.readString(real)).isEqualTo("new");
    assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(real)))
        .isEqualTo("rw-r-----");
    nothingStray("real.txt", "link.txt");
    Path loop = Files.createSymbolicLink(folder.resolve("loop"), Path.of("loop"));
    assertThatThrownBy(() -> WholeFile.write(loop, new byte[1])).hasMessageContaining("leads to");
  }

  private void nothingStray(String... expected) throws IOException {
    try (Stream<Path> files = Files.list(folder)) {
      assertThat(files.map(f -> f.getFileName().toString())).containsExactlyInAnyOrder(expected);
    }
  }

  /** While one writes, the other is told; a half left by one that was killed is taken over. */
  @Test
  public void theSecondOfTwoWritersIsTold() throws Exception {
    Path file = folder.resolve("x.txt");
    Files.writeString(file, "old");
    Path half = folder.resolve(".x.txt.half");
    try (FileChannel other =
            FileChannel.open(half, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        FileLock lock = other.lock()) {
      assertThat(lock.isValid()).isTrue();
      assertThatThrownBy(() -> WholeFile.write(file, "new".getBytes(StandardCharsets.UTF_8)))
          .hasMessageContaining("x.txt")
          .hasMessageContaining("being written by another program");
    }
    assertThat(Files.readString(file)).isEqualTo("old");
    WholeFile.write(file, "new".getBytes(StandardCharsets.UTF_8));
    assertThat(Files.readString(file)).isEqualTo("new");
    nothingStray("x.txt");
  }

  @Test
  public void whatCannotBeWrittenLeavesTheOldFileAndNamesIt() throws Exception {
    Path held = Files.createDirectory(folder.resolve("a folder"));
    assertThatThrownBy(() -> WholeFile.write(held, new byte[1]))
        .hasMessageContaining("a folder: is a folder");
    assertThatThrownBy(() -> WholeFile.write(folder.resolve("none/x"), new byte[1]))
        .hasMessageContaining("folder does not exist");
    assertThatThrownBy(() -> WholeFile.write(Path.of("/proc/x.txt"), new byte[1]))
        .isInstanceOf(BuildFileException.class)
        .hasMessageContaining("/proc/x.txt");
    nothingStray("a folder");
  }

  @Test
  public void recentBuildsAreNewestFirstAndOnlyThoseThatAreThere() throws Exception {
    RecentFiles recent = new RecentFiles(folder.resolve("state"));
    assertThat(recent.all()).isEmpty();
    List<Path> made = new ArrayList<>();
    for (int i = 0; i < 12; i++) {
      Path file = folder.resolve("b" + i + BuildFile.ENDING);
      Files.writeString(file, "x");
      recent.used(file);
      made.add(0, file.toAbsolutePath());
    }
    assertThat(recent.all()).isEqualTo(made.subList(0, RecentFiles.MOST));
    recent.used(made.get(4));
    assertThat(recent.all().get(0)).isEqualTo(made.get(4));
    assertThat(recent.all()).doesNotHaveDuplicates().hasSize(RecentFiles.MOST);
    Files.delete(made.get(4));
    assertThat(recent.all()).doesNotContain(made.get(4));
  }

  /** The list is in the form of the usual sum program, and tells ours from others'. */
  @Test
  public void anExportFolderKnowsItsOwnFiles() throws Exception {
    ExportFolder exports = new ExportFolder(folder);
    Map<String, byte[]> files = Map.of("a.txt", "abc".getBytes(StandardCharsets.UTF_8));
    Files.writeString(folder.resolve("a.txt"), "mine");
    assertThat(exports.others(files.keySet())).containsExactly(folder.resolve("a.txt"));
    exports.write(files);
    assertThat(exports.others(files.keySet())).isEmpty();
    // FIPS 180-4 and its example: the sum of "abc".
    assertThat(Files.readString(folder.resolve(ExportFolder.LIST)))
        .isEqualTo("ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad  a.txt\n");
    assertThat(BuildFile.Held.by(folder.resolve("a.txt")))
        .isEqualTo(BuildFile.Held.by(folder.resolve("a.txt")))
        .isNotEqualTo(BuildFile.Held.by(folder.resolve("none")));
  }
}
