package kumite.desktop;

import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import javafx.application.Application;
import kumite.parts.Catalogue;

/**
 * Starts the workbench. A class of its own, since JavaFX on the class path must not be started from
 * an {@code Application}.
 */
public final class Launcher {
  /** The toolkit makes the application itself, so what is ready for it lies here. */
  private static volatile CompletableFuture<Opening> ready;

  private Launcher() {}

  /** Starts the workbench; see {@link Options} for the arguments. */
  public static void main(String[] args) {
    // The toolkit takes a while to start; the build gets ready beside it on the other processor.
    List<String> arguments = List.of(args);
    ready = CompletableFuture.supplyAsync(() -> read(arguments));
    Application.launch(KumiteApp.class, args);
    if (ready.isCompletedExceptionally()) {
      System.exit(2); // what was wrong with the arguments has been said
    }
  }

  private static Opening read(List<String> arguments) {
    return Opening.of(Options.parse(arguments), Catalogue.standard());
  }

  /**
   * {@return what the window opens with, as soon as it is ready}
   *
   * @throws IllegalArgumentException if the arguments are wrong; the message says which
   */
  static Opening opening(List<String> arguments) {
    if (ready == null) {
      return read(arguments);
    }
    try {
      return ready.join();
    } catch (CompletionException e) {
      if (e.getCause() instanceof RuntimeException wrong) {
        throw wrong;
      }
      throw e;
    }
  }
}
