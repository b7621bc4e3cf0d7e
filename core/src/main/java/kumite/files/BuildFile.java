package kumite.files;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.util.DefaultIndenter;
import com.fasterxml.jackson.core.util.DefaultPrettyPrinter;
import com.fasterxml.jackson.core.util.Separators;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import kumite.build.Build;
import kumite.json.JsonText;
import kumite.json.Misfit;
import kumite.parts.Catalogue;
import kumite.verdict.Rooms;

/**
 * Reads and writes build files.
 *
 * <pre>{@code
 * Build build = BuildFile.read(Path.of("desk.kumite.json"), Catalogue.standard());
 * BuildFile.write(build, Path.of("desk.kumite.json"));
 * }</pre>
 */
public final class BuildFile {
  /** The ending of a build file's name. */
  public static final String ENDING = ".kumite.json";

  /** The version written, and the newest read. */
  public static final int VERSION = 7;

  private static final JsonMapper JSON = JsonMapper.builder().build();

  private static final DefaultPrettyPrinter PRINTER =
      new DefaultPrettyPrinter()
          .withSeparators(
              Separators.createDefaultInstance()
                  .withObjectFieldValueSpacing(Separators.Spacing.AFTER)
                  .withObjectEmptySeparator("")
                  .withArrayEmptySeparator(""))
          .withObjectIndenter(new DefaultIndenter("  ", "\n"))
          .withArrayIndenter(new DefaultIndenter("  ", "\n"));

  /** A schema lists words; one to a line they would fill pages. */
  private static final DefaultPrettyPrinter SCHEMA_PRINTER =
      PRINTER.withArrayIndenter(DefaultPrettyPrinter.FixedSpaceIndenter.instance);

  private BuildFile() {}

  /**
   * Reads a build file.
   *
   * @throws BuildFileException if it is missing, unreadable, cut short, of another format or a
   *     newer version, or holds an unknown key or a value out of range
   */
  public static Build read(Path file, Catalogue catalogue) throws BuildFileException {
    return read(file, catalogue, Rooms.standard());
  }

  /**
   * Reads a build file with the parts of these rooms.
   *
   * @throws BuildFileException as {@link #read(Path, Catalogue)}
   */
  public static Build read(Path file, Catalogue catalogue, Rooms rooms) throws BuildFileException {
    return parse(TextFile.read(file), file.toString(), catalogue, rooms);
  }

  /**
   * Reads a build from the text of a file.
   *
   * @param name what messages call it
   */
  public static Build parse(String text, String name, Catalogue catalogue)
      throws BuildFileException {
    return parse(text, name, catalogue, Rooms.standard());
  }

  /**
   * Reads a build with the parts of these rooms from the text of a file.
   *
   * @throws BuildFileException as {@link #read(Path, Catalogue)}
   */
  public static Build parse(String text, String name, Catalogue catalogue, Rooms rooms)
      throws BuildFileException {
    try {
      return BuildJson.read(JsonText.read(text), catalogue, rooms);
    } catch (Misfit e) {
      boolean torn = e.place().startsWith("line") && !e.what().equals("the file is empty");
      throw new BuildFileException(
          name,
          e.place(),
          e.what(),
          torn ? e.remedy() + "; or take the copy ending in .bak" : e.remedy());
    }
  }

  /** {@return the schema of a file with the parts of these rooms (JSON Schema 2020-12), as text} */
  public static String schema(Rooms rooms) {
    return print(BuildJson.schema(rooms), SCHEMA_PRINTER);
  }

  /** {@return a build as the text of a file, keys in a fixed order} */
  public static String text(Build build) {
    return text(build, Rooms.standard());
  }

  /** {@return a build with the parts of these rooms as the text of a file} */
  public static String text(Build build, Rooms rooms) {
    return print(BuildJson.write(build, rooms));
  }

  /**
   * Writes a build file whole or not at all; the version before is kept as {@code .bak}.
   *
   * @throws BuildFileException if it cannot be written; the old file is then untouched
   */
  public static void write(Build build, Path file) throws BuildFileException {
    write(build, file, Rooms.standard());
  }

  /**
   * Writes a build file with the parts of these rooms.
   *
   * @throws BuildFileException as {@link #write(Build, Path)}
   */
  public static void write(Build build, Path file, Rooms rooms) throws BuildFileException {
    if (Files.isRegularFile(file)) {
      try {
        WholeFile.write(file.resolveSibling(file.getFileName() + ".bak"), Files.readAllBytes(file));
      } catch (IOException e) {
        throw new BuildFileException(
            file.toString(),
            "",
            "cannot be kept as .bak (" + WholeFile.reason(e) + ")",
            "it is untouched; save under another name");
      }
    }
    writeWhole(file, text(build, rooms));
  }

  /**
   * What a file held at one moment, to tell later whether somebody else wrote it meanwhile.
   *
   * @param sum its SHA-256 sum; empty where there was none
   */
  public record Held(Optional<String> sum) {
    /** {@return what a file holds now} */
    public static Held by(Path file) {
      try {
        return new Held(
            Files.isRegularFile(file)
                ? Optional.of(ExportFolder.sum(Files.readAllBytes(file)))
                : Optional.empty());
      } catch (IOException e) {
        return new Held(Optional.empty());
      }
    }
  }

  static void writeWhole(Path file, String text) throws BuildFileException {
    WholeFile.write(file, text.getBytes(StandardCharsets.UTF_8));
  }

  /** {@return JSON as text with a fixed layout and a closing newline} */
  static String print(JsonNode node) {
    return print(node, PRINTER);
  }

  private static String print(JsonNode node, DefaultPrettyPrinter printer) {
    try {
      return JSON.writer(printer).writeValueAsString(node) + "\n";
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("a tree of plain values can always be written", e);
    }
  }
}
