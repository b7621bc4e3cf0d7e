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
import kumite.verdict.Rooms;

/**
 * The journal of unsaved work: the newest unsaved build, kept in a file of its own until it is
 * saved or thrown away.
 */
public final class Journal {
  private final Path file;
  private final Rooms rooms;

  /**
   * Unsaved work found at start.
   *
   * @param build the build
   * @param savedAs the file it was opened from or last saved to, if any
   */
  public record Unsaved(Build build, Optional<Path> savedAs) {}

  /** A journal of builds with the parts of these rooms, in a folder made when first needed. */
  public Journal(Path folder, Rooms rooms) {
    this.rooms = rooms;
    this.file = folder.resolve("unsaved" + BuildFile.ENDING);
  }

  /** Keeps a build as unsaved work, in place of the one before. */
  public void keep(Build build, Optional<Path> savedAs) throws IOException, BuildFileException {
    ObjectNode node = JsonNodeFactory.instance.objectNode();
    node.put("format", "kumite-journal");
    node.put("saved_as", savedAs.map(Path::toString).orElse(""));
    node.set("build", BuildJson.write(build, rooms));
    Files.createDirectories(file.getParent());
    BuildFile.writeWhole(file, BuildFile.print(node));
  }

  /** Forgets the unsaved work: it was saved, or thrown away. */
  public void clear() throws IOException {
    Files.deleteIfExists(file);
  }

  /**
   * What was found at start.
   *
   * @param work the unsaved work, if there is any that can be read
   * @param trouble what is wrong with a journal that cannot, for the person; mostly empty
   */
  public record Found(Optional<Unsaved> work, Optional<String> trouble) {}

  /**
   * The unsaved work of an earlier session. A journal that cannot be read is put aside under a name
   * ending in {@code .damaged} where that can be done, so that nothing is lost, and is told.
   */
  public Found find(Catalogue catalogue) {
    try {
      if (!Files.exists(file)) {
        return new Found(Optional.empty(), Optional.empty());
      }
      JsonNode root = JsonText.read(Files.readString(file));
      if (root.get("build") == null) {
        return putAside("it holds no build");
      }
      String savedAs = root.path("saved_as").asText("");
      Unsaved unsaved =
          new Unsaved(
              BuildJson.read(root.get("build"), catalogue, rooms),
              savedAs.isEmpty() ? Optional.empty() : Optional.of(Path.of(savedAs)));
      return new Found(Optional.of(unsaved), Optional.empty());
    } catch (Misfit e) {
      return putAside(e.getMessage());
    } catch (IOException e) {
      return putAside(WholeFile.reason(e));
    }
  }

  private Found putAside(String why) {
    Path aside = file.resolveSibling(file.getFileName() + ".damaged");
    String where;
    try {
      Files.move(file, aside, StandardCopyOption.REPLACE_EXISTING);
      where = "it is kept as " + aside;
    } catch (IOException e) {
      where = "it is still at " + file + "; move it away before you go on, or it is overwritten";
    }
    return new Found(
        Optional.empty(),
        Optional.of("Unsaved work of last time cannot be read (" + why + "); " + where));
  }
}
