package kumite.files;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.StreamReadFeature;
import com.fasterxml.jackson.core.util.DefaultIndenter;
import com.fasterxml.jackson.core.util.DefaultPrettyPrinter;
import com.fasterxml.jackson.core.util.Separators;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import kumite.build.Build;
import kumite.parts.Catalogue;

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
  public static final int VERSION = 4;

  /** A build of a thousand controls takes under a megabyte; more is no build. */
  static final long LARGEST_BYTES = 16L * 1024 * 1024;

  private static final JsonMapper JSON =
      JsonMapper.builder()
          .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
          .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
          .build();

  private static final DefaultPrettyPrinter PRINTER =
      new DefaultPrettyPrinter()
          .withSeparators(
              Separators.createDefaultInstance()
                  .withObjectFieldValueSpacing(Separators.Spacing.AFTER)
                  .withObjectEmptySeparator("")
                  .withArrayEmptySeparator(""))
          .withObjectIndenter(new DefaultIndenter("  ", "\n"))
          .withArrayIndenter(new DefaultIndenter("  ", "\n"));

  private BuildFile() {}

  /**
   * Reads a build file.
   *
   * @throws BuildFileException if it is missing, unreadable, cut short, of another format or a
   *     newer version, or holds an unknown key or a value out of range
   */
  public static Build read(Path file, Catalogue catalogue) throws BuildFileException {
    String name = file.toString();
    byte[] bytes;
    try {
      if (Files.isDirectory(file)) {
        throw new BuildFileException(name, "", "is a folder", "name a file ending in " + ENDING);
      }
      if (Files.size(file) > LARGEST_BYTES) {
        throw new BuildFileException(
            name, "", "is larger than any build (16 MB)", "is it the right file?");
      }
      bytes = Files.readAllBytes(file);
    } catch (NoSuchFileException e) {
      throw new BuildFileException(name, "", "there is no such file", "check the name");
    } catch (IOException e) {
      throw new BuildFileException(
          name, "", "cannot be read (" + e.getMessage() + ")", "check its permissions");
    }
    return parse(text(bytes, name), name, catalogue);
  }

  /**
   * Reads a build from the text of a file.
   *
   * @param name what messages call it
   */
  public static Build parse(String text, String name, Catalogue catalogue)
      throws BuildFileException {
    JsonNode root;
    try {
      root = JSON.readTree(text);
    } catch (JsonProcessingException e) {
      String place =
          e.getLocation() == null
              ? ""
              : "line " + e.getLocation().getLineNr() + ", column " + e.getLocation().getColumnNr();
      throw new BuildFileException(
          name,
          place,
          e.getOriginalMessage().startsWith("Unexpected end-of-input")
              ? "the file ends too early"
              : "is not JSON (" + firstLine(e.getOriginalMessage()) + ")",
          "mend it there, or take the copy ending in .bak");
    }
    try {
      return BuildJson.read(root, catalogue);
    } catch (Key.Misfit e) {
      throw new BuildFileException(name, e.place, e.what, e.remedy);
    }
  }

  /** {@return a build as the text of a file, keys in a fixed order} */
  public static String text(Build build) {
    return print(BuildJson.write(build));
  }

  /**
   * Writes a build file whole or not at all; the version before is kept as {@code .bak}.
   *
   * @throws BuildFileException if it cannot be written; the old file is then untouched
   */
  public static void write(Build build, Path file) throws BuildFileException {
    try {
      Path folder = file.toAbsolutePath().getParent();
      if (Files.isDirectory(file)) {
        throw new BuildFileException(file.toString(), "", "is a folder", "give a file name");
      }
      if (!Files.isDirectory(folder)) {
        throw new BuildFileException(
            file.toString(), "", "its folder does not exist", "make the folder first");
      }
      if (Files.exists(file)) {
        Path backup = file.resolveSibling(file.getFileName() + ".bak");
        Path half = Files.createTempFile(folder, ".kumite-", ".tmp");
        Files.copy(file, half, StandardCopyOption.REPLACE_EXISTING);
        Files.move(half, backup, StandardCopyOption.REPLACE_EXISTING);
      }
      writeWhole(file, text(build));
    } catch (IOException e) {
      throw new BuildFileException(
          file.toString(),
          "",
          "cannot be written (" + e.getMessage() + ")",
          "choose another folder; the old file is untouched");
    }
  }

  /** Writes a text file by way of a temporary one, so that a crash leaves the old or the new. */
  static void writeWhole(Path file, String text) throws IOException {
    Path folder = file.toAbsolutePath().getParent();
    Path half = Files.createTempFile(folder, ".kumite-", ".tmp");
    try {
      try (FileChannel channel =
          FileChannel.open(half, StandardOpenOption.WRITE, StandardOpenOption.TRUNCATE_EXISTING)) {
        ByteBuffer bytes = ByteBuffer.wrap(text.getBytes(StandardCharsets.UTF_8));
        while (bytes.hasRemaining()) {
          channel.write(bytes);
        }
        channel.force(true);
      }
      Files.move(half, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
    } finally {
      Files.deleteIfExists(half);
    }
  }

  /** {@return JSON as text with a fixed layout and a closing newline} */
  static String print(JsonNode node) {
    try {
      return JSON.writer(PRINTER).writeValueAsString(node) + "\n";
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("a tree of plain values can always be written", e);
    }
  }

  static JsonNode tree(String text) throws JsonProcessingException {
    return JSON.readTree(text);
  }

  private static String text(byte[] bytes, String name) throws BuildFileException {
    try {
      return StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes)).toString();
    } catch (CharacterCodingException e) {
      throw new BuildFileException(
          name, "", "is not UTF-8 text", "is it the right file? Build files end in " + ENDING);
    }
  }

  private static String firstLine(String message) {
    return message.lines().findFirst().orElse("");
  }
}
