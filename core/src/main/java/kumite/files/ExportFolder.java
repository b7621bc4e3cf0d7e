package kumite.files;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * A folder that exports are written to. A list in it, in the form that {@code sha256sum --check}
 * reads, keeps which files were written here and how they were then; only those are replaced
 * without being asked.
 */
public final class ExportFolder {
  /** The list of what was written here. */
  public static final String LIST = "kumite-exports.sha256";

  private final Path folder;

  /** A folder that exists. */
  public ExportFolder(Path folder) {
    this.folder = folder;
  }

  /** {@return the files of these names that are there and are not as they were written here} */
  public List<Path> others(Iterable<String> names) throws BuildFileException {
    Map<String, String> written = list();
    List<Path> others = new ArrayList<>();
    for (String name : names) {
      Path file = folder.resolve(name);
      if (Files.exists(file) && !same(file, written.get(name))) {
        others.add(file);
      }
    }
    return others;
  }

  private static boolean same(Path file, String sum) throws BuildFileException {
    if (sum == null || !Files.isRegularFile(file)) {
      return false;
    }
    try {
      return sum.equals(sum(Files.readAllBytes(file)));
    } catch (java.io.IOException e) {
      throw new BuildFileException(
          file.toString(), "", "cannot be read (" + WholeFile.reason(e) + ")", "");
    }
  }

  /**
   * Writes files, all that are there already replaced.
   *
   * @return where they are
   * @throws BuildFileException if one cannot be written; those before it are whole
   */
  public List<Path> write(Map<String, byte[]> files) throws BuildFileException {
    Map<String, String> written = list();
    List<Path> paths = new ArrayList<>();
    for (Map.Entry<String, byte[]> file : files.entrySet()) {
      Path path = folder.resolve(file.getKey());
      folder(path.getParent());
      WholeFile.write(path, file.getValue());
      written.put(file.getKey(), sum(file.getValue()));
      paths.add(path);
    }
    StringBuilder text = new StringBuilder();
    written.forEach((name, sum) -> text.append(sum).append("  ").append(name).append('\n'));
    WholeFile.write(folder.resolve(LIST), text.toString().getBytes(StandardCharsets.UTF_8));
    return paths;
  }

  private static void folder(Path folder) throws BuildFileException {
    try {
      Files.createDirectories(folder);
    } catch (java.io.IOException e) {
      throw new BuildFileException(
          folder.toString(),
          "",
          "cannot be made a folder (" + WholeFile.reason(e) + ")",
          "choose another folder");
    }
  }

  private Map<String, String> list() throws BuildFileException {
    Map<String, String> written = new TreeMap<>();
    Path list = folder.resolve(LIST);
    if (Files.isRegularFile(list)) {
      for (String line : TextFile.read(list).split("\n")) {
        String[] words = line.strip().split("  ", 2);
        if (words.length == 2 && words[0].matches("[0-9a-f]{64}")) {
          written.put(words[1], words[0]);
        }
      }
    }
    return written;
  }

  /** {@return the SHA-256 sum of bytes (FIPS 180-4) as hexadecimal digits} */
  static String sum(byte[] bytes) {
    try {
      return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every Java has SHA-256", e);
    }
  }
}
