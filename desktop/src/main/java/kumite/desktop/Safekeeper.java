package kumite.desktop;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import javafx.animation.PauseTransition;
import javafx.util.Duration;
import kumite.build.Build;
import kumite.desktop.shell.Workbench;
import kumite.files.Journal;

/**
 * Keeps unsaved work in the journal, half a second after the last edit, off the interface thread.
 */
final class Safekeeper {
  private static final Duration QUIET = Duration.millis(500);

  private final Workbench workbench;
  private final Journal journal;
  private final PauseTransition quiet = new PauseTransition(QUIET);
  private final ExecutorService writer =
      Executors.newSingleThreadExecutor(
          task -> {
            Thread thread = new Thread(task, "journal");
            thread.setDaemon(true);
            return thread;
          });

  Safekeeper(Workbench workbench, Journal journal) {
    this.workbench = workbench;
    this.journal = journal;
    quiet.setOnFinished(event -> keep());
    workbench.build().addListener((o, was, is) -> quiet.playFromStart());
    workbench.saved().addListener((o, was, is) -> quiet.playFromStart());
  }

  /** Nothing more once it has ended: what was left is written by then. */
  private void keep() {
    if (writer.isShutdown()) {
      return;
    }
    Build build = workbench.kept();
    Optional<Path> file = workbench.file().get();
    boolean unsaved = workbench.unsaved();
    writer.execute(
        () -> {
          try {
            if (unsaved) {
              journal.keep(build, file);
            } else {
              journal.clear();
            }
          } catch (IOException | kumite.files.BuildFileException e) {
            javafx.application.Platform.runLater(
                () ->
                    workbench.complain(
                        "Unsaved work cannot be kept safe (" + e.getMessage() + "); save soon"));
          }
        });
  }

  /** Writes what is left before the application ends. */
  void finish() {
    quiet.stop();
    keep();
    writer.shutdown();
    try {
      writer.awaitTermination(5, TimeUnit.SECONDS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}
