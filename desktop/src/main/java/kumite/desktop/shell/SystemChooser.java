package kumite.desktop.shell;

import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import javafx.stage.Window;

/** The file window of the system that Kumite runs on; it blocks its owner until it is answered. */
final class SystemChooser implements FilePane.Outside {
  @Override
  public Optional<Path> ask(FilePane.Wanted wanted, Window owner) {
    File folder = Files.isDirectory(wanted.folder()) ? wanted.folder().toFile() : null;
    if (wanted.use() == FilePane.Use.FOLDER) {
      DirectoryChooser chooser = new DirectoryChooser();
      chooser.setTitle(wanted.question());
      chooser.setInitialDirectory(folder);
      return Optional.ofNullable(chooser.showDialog(owner)).map(File::toPath);
    }
    FileChooser chooser = new FileChooser();
    chooser.setTitle(wanted.question());
    chooser.setInitialDirectory(folder);
    chooser.setInitialFileName(wanted.name());
    if (!wanted.ending().isEmpty()) {
      chooser
          .getExtensionFilters()
          .add(new FileChooser.ExtensionFilter("*" + wanted.ending(), "*" + wanted.ending()));
    }
    File chosen =
        wanted.use() == FilePane.Use.READ
            ? chooser.showOpenDialog(owner)
            : chooser.showSaveDialog(owner);
    return Optional.ofNullable(chosen).map(File::toPath);
  }
}
