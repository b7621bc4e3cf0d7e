package kumite.files;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;

/** Reads files that may be anything as text; what cannot be read is told in one line. */
public final class TextFile {
  /** A build of a thousand controls takes under a megabyte; more is no file of a bench. */
  public static final long LARGEST_BYTES = 16L * 1024 * 1024;

  private TextFile() {}

  /**
   * Reads a file as UTF-8.
   *
   * @throws BuildFileException if it is missing, a folder, not to be read, empty, larger than 16 MB
   *     or no UTF-8 text
   */
  public static String read(Path file) throws BuildFileException {
    byte[] bytes = bytes(file);
    if (bytes.length == 0) {
      throw refusal(file, "the file is empty", "is it the right file?");
    }
    try {
      return StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes)).toString();
    } catch (CharacterCodingException e) {
      throw refusal(file, "is not UTF-8 text", "save it as UTF-8; is it the right file?");
    }
  }

  private static byte[] bytes(Path file) throws BuildFileException {
    try {
      if (Files.isDirectory(file)) {
        throw refusal(file, "is a folder", "name a file in it");
      }
      if (Files.exists(file) && !Files.isRegularFile(file)) {
        throw refusal(file, "is no ordinary file", "name a file");
      }
      if (Files.size(file) > LARGEST_BYTES) {
        throw refusal(file, "is larger than any such file (16 MB)", "is it the right file?");
      }
      return Files.readAllBytes(file);
    } catch (NoSuchFileException e) {
      throw refusal(file, "there is no such file", "check the name");
    } catch (IOException e) {
      throw refusal(file, "cannot be read (" + WholeFile.reason(e) + ")", "check its permissions");
    }
  }

  private static BuildFileException refusal(Path file, String what, String remedy) {
    return new BuildFileException(file.toString(), "", what, remedy);
  }
}
