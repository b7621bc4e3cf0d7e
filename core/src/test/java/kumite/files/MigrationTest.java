package kumite.files;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.build.brief.Hand;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * A file of every older version opens, means what it meant, and is written as the newest. Samples
 * are the demo as each version wrote it.
 */
public class MigrationTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();
  private static final ObjectMapper JSON = new ObjectMapper();

  @DataProvider
  public Object[][] older() {
    return IntStream.range(1, BuildFile.VERSION)
        .mapToObj(version -> new Object[] {version})
        .toArray(Object[][]::new);
  }

  private static String sample(int version) throws Exception {
    String name = "version-" + version + ".kumite.json";
    try (var in = MigrationTest.class.getResourceAsStream(name)) {
      assertThat(in).as("a sample of every older version: %s", name).isNotNull();
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    }
  }

  private static Build opened(int version) throws Exception {
    return BuildFile.parse(sample(version), "old", CATALOGUE);
  }

  private static JsonSchema schema() throws Exception {
    return JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
        .getSchema(Files.readString(Path.of("../docs/build.schema.json")));
  }

  @Test(dataProvider = "older")
  public void anOlderFileOpensAndIsWrittenAsTheNewest(int version) throws Exception {
    assertThat(JSON.readTree(sample(version)).get("version").asInt()).isEqualTo(version);
    Build build = opened(version);
    String text = BuildFile.text(build);
    JsonNode root = JSON.readTree(text);
    assertThat(root.get("version").asInt()).isEqualTo(BuildFile.VERSION);
    assertThat(schema().validate(root)).isEmpty();
    assertThat(BuildFile.parse(text, "new", CATALOGUE)).isEqualTo(build);
  }

  /** The demo is the demo in every version, but for what a version did not know. */
  @Test(dataProvider = "older")
  public void anOlderFileMeansWhatItMeant(int version) throws Exception {
    Build build = opened(version);
    Build demo = Builds.ferryBridge();
    assertThat(build.controls()).isEqualTo(demo.controls());
    assertThat(build.mapping()).isEqualTo(demo.mapping());
    assertThat(build.timing()).isEqualTo(demo.timing());
    assertThat(build.board()).isEqualTo(demo.board());
    assertThat(build.panel().widthMm()).isEqualTo(demo.panel().widthMm());
    if (version >= 2) {
      assertThat(build.brief()).isEqualTo(demo.brief());
      assertThat(build.panel()).isEqualTo(demo.panel());
    } else {
      assertThat(build.brief().hand()).isEqualTo(Hand.AVERAGE.withReach(140));
    }
    Bench old = Bench.of(build, CATALOGUE);
    Bench now = Bench.of(demo, CATALOGUE);
    assertThat(old.layout().descriptor()).isEqualTo(now.layout().descriptor());
    assertThat(old.loom().plan().choices().keySet())
        .isEqualTo(now.loom().plan().choices().keySet());
    assertThat(old.loom().strands()).hasSameSizeAs(now.loom().strands());
  }

  /** Any letters lost from an old file: it opens, or is refused in one line that names a place. */
  @Test(dataProvider = "older")
  public void aTornOlderFileIsRefusedInOneLine(int version) throws Exception {
    String text = sample(version);
    SplittableRandom random = new SplittableRandom(version);
    for (int i = 0; i < 200; i++) {
      int from = random.nextInt(text.length());
      int to = Math.min(text.length(), from + random.nextInt(1, 80));
      String torn = text.substring(0, from) + text.substring(to);
      try {
        assertThat(BuildFile.parse(torn, "torn", CATALOGUE)).isNotNull();
      } catch (BuildFileException e) {
        assertThat(e.getMessage().lines()).as(e.getMessage()).hasSize(1);
        assertThat(e.getMessage()).startsWith("torn").doesNotContain("Exception");
      }
    }
  }

  /** A version that is to come is named as such, and one that never was too. */
  @Test
  public void otherVersionsAreNamed() throws Exception {
    String newest = BuildFile.text(Builds.ferryBridge());
    for (String version :
        List.of("0", "-3", String.valueOf(BuildFile.VERSION + 1), "1.5", "\"5\"")) {
      String text = newest.replaceFirst("\"version\": \\d+", "\"version\": " + version);
      assertThatThrownBy(() -> BuildFile.parse(text, "other", CATALOGUE))
          .isInstanceOf(BuildFileException.class)
          .hasMessageContaining("version");
    }
  }

  /** The published schema is that of the version that is written. */
  @Test
  public void theSchemaSaysWhichVersionItIs() throws Exception {
    JsonNode schema = JSON.readTree(Files.readString(Path.of("../docs/build.schema.json")));
    assertThat(schema.at("/properties/version/const").asInt()).isEqualTo(BuildFile.VERSION);
    assertThat(schema.get("title").asText())
        .isEqualTo("Kumite build, version " + BuildFile.VERSION);
    List<String> required = new ArrayList<>();
    schema.get("required").forEach(key -> required.add(key.asText()));
    JSON.readTree(BuildFile.text(Build.empty("Bare")))
        .fieldNames()
        .forEachRemaining(
            key ->
                assertThat(schema.get("properties").has(key))
                    .as("the schema knows %s", key)
                    .isTrue());
    required.forEach(
        key -> assertThat(BuildFile.text(Build.empty("Bare"))).contains("\"" + key + "\""));
  }

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 60).mapToObj(seed -> new Object[] {seed}).toArray(Object[][]::new);
  }

  /** Builds that nobody thought of, against the published schema, by another library. */
  @Test(dataProvider = "seeds")
  public void randomBuildsKeepToTheSchema(int seed) throws Exception {
    SplittableRandom random = new SplittableRandom(9000 + seed);
    Build build = RandomBuilds.layered(RandomBuilds.any(random), random);
    JsonNode root = JSON.readTree(BuildFile.text(build));
    assertThat(schema().validate(root)).isEmpty();
  }
}
