package kumite.files;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** The builds that were opened or saved last, newest first, kept as one path a line. */
public final class RecentFiles {
  /** More than this is a search, not a list. */
  public static final int MOST = 10;

  private final Path list;

  /** The list of a folder, which is made when first needed. */
  public RecentFiles(Path folder) {
    this.list = folder.resolve("recent.txt");
  }

  /** {@return the drawer that is kept beside the list} */
  public DrawerFile drawer() {
    return new DrawerFile(list.resolveSibling("drawer.csv"));
  }

  /** {@return the files that are still there; empty where no list can be read} */
  public List<Path> all() {
    List<Path> files = new ArrayList<>();
    try {
      if (Files.isRegularFile(list)) {
        for (String line : Files.readString(list).split("\n")) {
          if (!line.isBlank() && files.size() < MOST && Files.isRegularFile(Path.of(line))) {
            files.add(Path.of(line));
          }
        }
      }
    } catch (IOException | InvalidPathException e) {
      return List.copyOf(files); // a list of conveniences; what is left of it serves
    }
    return List.copyOf(files);
  }

  /**
   * Puts a file first.
   *
   * @throws BuildFileException if the list cannot be written
   */
  public void used(Path file) throws BuildFileException {
    Path whole = file.toAbsolutePath().normalize();
    List<Path> files = new ArrayList<>(all());
    files.remove(whole);
    files.add(0, whole);
    StringBuilder text = new StringBuilder();
    files.stream().limit(MOST).forEach(f -> text.append(f).append('\n'));
    try {
      Files.createDirectories(list.toAbsolutePath().getParent());
    } catch (IOException e) {
      throw new BuildFileException(
          list.toString(), "", "cannot be written (" + WholeFile.reason(e) + ")", "");
    }
    WholeFile.write(list, text.toString().getBytes(StandardCharsets.UTF_8));
  }
}
