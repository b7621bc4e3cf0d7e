package kumite.files;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.ObjectMapper;
import java.nio.file.Files;
import java.nio.file.Path;
import kumite.verdict.Rooms;
import org.testng.annotations.Test;

/** What is published of the file is made of the codecs, which read and write it. */
public class SchemaTest {
  private static final String SCHEMA = BuildFile.schema(Rooms.standard());
  private static final Path TARGET = Path.of("target");
  private static final Path DOCS = Path.of("../docs");

  @Test
  public void theSchemaIsThatOfTheCodecs() throws Exception {
    Files.writeString(TARGET.resolve("build.schema.json"), SCHEMA);
    assertThat(Files.readString(DOCS.resolve("build.schema.json")))
        .as("copy core/target/build.schema.json to docs/ where a key was changed on purpose")
        .isEqualTo(SCHEMA);
  }

  @Test
  public void theTableOfKeysIsThatOfTheCodecs() throws Exception {
    String table = KeyTable.of(new ObjectMapper().readTree(SCHEMA));
    Files.writeString(TARGET.resolve("keys.md"), table);
    assertThat(Files.readString(DOCS.resolve("file-format.md")))
        .as("put core/target/keys.md in place of its table")
        .contains("\n" + table);
  }
}
