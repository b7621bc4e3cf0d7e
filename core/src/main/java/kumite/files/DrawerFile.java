package kumite.files;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import kumite.bill.Stock;

/** What is in the drawer, kept across builds as a table that any program reads. */
public final class DrawerFile {
  private final Path file;

  DrawerFile(Path file) {
    this.file = file;
  }

  /**
   * {@return what is in it; nothing where there is no such file yet}
   *
   * @throws BuildFileException if it cannot be read; nothing is changed then
   */
  public Stock read() throws BuildFileException {
    if (!Files.exists(file)) {
      return Stock.EMPTY;
    }
    try {
      return Stock.read(TextFile.read(file));
    } catch (IllegalArgumentException e) {
      throw new BuildFileException(file.toString(), "", e.getMessage(), "");
    }
  }

  /**
   * Keeps a drawer.
   *
   * @throws BuildFileException if it cannot be written; the old one stays then
   */
  public void write(Stock stock) throws BuildFileException {
    try {
      Files.createDirectories(file.toAbsolutePath().getParent());
    } catch (IOException e) {
      throw new BuildFileException(
          file.toString(), "", "cannot be written (" + WholeFile.reason(e) + ")", "");
    }
    WholeFile.write(file, stock.text().getBytes(StandardCharsets.UTF_8));
  }
}
