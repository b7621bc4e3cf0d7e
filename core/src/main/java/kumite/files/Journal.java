package kumite.files;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Optional;
import kumite.build.Build;
import kumite.json.JsonText;
import kumite.json.Misfit;
import kumite.parts.Catalogue;

/**
 * The journal of unsaved work: the newest unsaved build, kept in a file of its own until it is
 * saved or thrown away.
 */
public final class Journal {
  private final Path file;

  /**
   * Unsaved work found at start.
   *
   * @param build the build
   * @param savedAs the file it was opened from or last saved to, if any
   */
  public record Unsaved(Build build, Optional<Path> savedAs) {}

  /** A journal in a folder, which is made when first needed. */
  public Journal(Path folder) {
    this.file = folder.resolve("unsaved" + BuildFile.ENDING);
  }

  /** Keeps a build as unsaved work, in place of the one before. */
  public void keep(Build build, Optional<Path> savedAs) throws IOException, BuildFileException {
    ObjectNode node = JsonNodeFactory.instance.objectNode();
    node.put("format", "kumite-journal");
    node.put("saved_as", savedAs.map(Path::toString).orElse(""));
    node.set("build", BuildJson.write(build));
    Files.createDirectories(file.getParent());
    BuildFile.writeWhole(file, BuildFile.print(node));
  }

  /** Forgets the unsaved work: it was saved, or thrown away. */
  public void clear() throws IOException {
    Files.deleteIfExists(file);
  }

  /**
   * The unsaved work of an earlier session.
   *
   * @return empty where there is none, or where the journal itself is damaged; it is then put aside
   *     under a name ending in {@code .damaged}, so that nothing is lost
   */
  public Optional<Unsaved> find(Catalogue catalogue) {
    try {
      if (!Files.isRegularFile(file)) {
        return Optional.empty();
      }
      JsonNode root = JsonText.read(Files.readString(file));
      if (root.get("build") == null) {
        putAside();
        return Optional.empty();
      }
      String savedAs = root.path("saved_as").asText("");
      return Optional.of(
          new Unsaved(
              BuildJson.read(root.get("build"), catalogue),
              savedAs.isEmpty() ? Optional.empty() : Optional.of(Path.of(savedAs))));
    } catch (Misfit e) {
      putAside();
      return Optional.empty();
    } catch (IOException e) {
      return Optional.empty();
    }
  }

  private void putAside() {
    try {
      Files.move(
          file,
          file.resolveSibling(file.getFileName() + ".damaged"),
          StandardCopyOption.REPLACE_EXISTING);
    } catch (IOException e) {
      // It stays where it is; the next unsaved build takes its place.
    }
  }
}
