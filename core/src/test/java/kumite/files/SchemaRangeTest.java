package kumite.files;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.DoubleNode;
import com.fasterxml.jackson.databind.node.IntNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeSet;
import java.util.function.Consumer;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.lead.RandomLeads;
import kumite.parts.Catalogue;
import org.testng.annotations.Test;

/**
 * The ranges of the published schema are those that the reader holds: whatever number is put
 * anywhere, what the reader takes the schema takes, and what the schema refuses the reader refuses.
 * The judge is a validator of JSON Schema 2020-12.
 */
public class SchemaRangeTest {
  private static final ObjectMapper JSON = new ObjectMapper();
  private static final Catalogue CATALOGUE = Catalogue.standard();

  /** Numbers at the edges that ranges have, and far outside of all. */
  private static final double[] TRIED = {
    -1e7, -5001, -1, -0.01, 0, 0.05, 0.5, 1, 9, 31, 101, 1001, 10_001, 1e7
  };

  private static JsonSchema schema() throws Exception {
    return JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
        .getSchema(Files.readString(Path.of("../docs/build.schema.json")));
  }

  private static List<JsonNode> documents() throws Exception {
    List<JsonNode> documents = new ArrayList<>();
    for (String demo : Demo.names()) {
      documents.add(JSON.readTree(Demo.text(demo).orElseThrow()));
    }
    SplittableRandom random = new SplittableRandom(424);
    for (int i = 0; i < 3; i++) {
      Build build = RandomBuilds.layered(RandomBuilds.any(random), random);
      build = build.withLeads(RandomLeads.book(build, random));
      documents.add(JSON.readTree(BuildFile.text(build.home())));
    }
    return documents;
  }

  /** A number in a document, by the way of keys that lead to it, and how another is put there. */
  private record Spot(String way, boolean whole, Consumer<JsonNode> put) {}

  private static void spots(JsonNode at, String way, List<Spot> found) {
    if (at instanceof ObjectNode object) {
      object
          .properties()
          .forEach(
              entry -> {
                String key = entry.getKey();
                if (entry.getValue().isNumber()) {
                  found.add(
                      new Spot(
                          way + "." + key,
                          entry.getValue().isIntegralNumber(),
                          value -> object.set(key, value)));
                }
                spots(entry.getValue(), way + "." + key, found);
              });
    } else if (at instanceof ArrayNode array) {
      for (int i = 0; i < array.size(); i++) {
        int place = i;
        if (array.get(i).isNumber()) {
          found.add(
              new Spot(way + "[]", array.get(i).isIntegralNumber(), v -> array.set(place, v)));
        }
        spots(array.get(i), way + "[]", found);
      }
    }
  }

  /** Numbers that are held against a neighbour of theirs, which a schema cannot say. */
  private static final String ORDERED =
      "\\.tuning\\.(axes|presses)\\..*|\\.panel\\.corner_mm|.*\\.awg\\[]";

  /** Contacts and terminals name keys; the schema speaks of all of a kind alike. */
  private static String kind(String way) {
    return way.replaceAll("\\.(axes|presses|repeats|pulses|locks|map)\\.[^.\\[]+", ".$1.*");
  }

  @Test
  public void whatTheReaderTakesIsWhatTheSchemaSays() throws Exception {
    JsonSchema schema = schema();
    Set<String> seen = new TreeSet<>();
    Set<String> wrong = new TreeSet<>();
    int refused = 0;
    for (JsonNode document : documents()) {
      String text = document.toString();
      List<Spot> spots = new ArrayList<>();
      spots(document, "", spots);
      for (int i = 0; i < spots.size(); i++) {
        if (!seen.add(kind(spots.get(i).way()))) {
          continue; // one of each kind is enough
        }
        for (double tried : TRIED) {
          JsonNode fresh = JSON.readTree(text);
          List<Spot> there = new ArrayList<>();
          spots(fresh, "", there);
          boolean whole = tried == Math.rint(tried) && Math.abs(tried) < 1e9;
          there.get(i).put().accept(whole ? new IntNode((int) tried) : new DoubleNode(tried));
          boolean says = schema.validate(fresh).isEmpty();
          boolean takes;
          try {
            BuildFile.parse(fresh.toString(), "x", CATALOGUE);
            takes = true;
          } catch (BuildFileException e) {
            takes = false;
            refused++;
            if (says
                && e.getMessage().contains("must be between")
                && !kind(spots.get(i).way()).matches(ORDERED)) {
              wrong.add(
                  kind(spots.get(i).way())
                      + ": the reader refuses "
                      + tried
                      + ": "
                      + e.getMessage());
            }
          }
          if (takes && !says) {
            wrong.add(kind(spots.get(i).way()) + ": the schema refuses " + tried);
          }
        }
      }
    }
    assertThat(seen).hasSizeGreaterThan(50);
    assertThat(refused).isGreaterThan(250);
    assertThat(wrong).isEmpty();
  }
}
