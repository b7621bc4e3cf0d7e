package kumite.desktop;

import javafx.application.Application;
import kumite.files.BuildFileException;
import kumite.files.Demo;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;

/**
 * Starts the workbench. A class of its own, since JavaFX on the class path must not be started from
 * an {@code Application}.
 */
public final class Launcher {
  private Launcher() {}

  /** Starts the workbench; see {@link Options} for the arguments. */
  public static void main(String[] args) {
    // The toolkit takes a while to start; the core gets ready beside it on the other processor.
    Thread ready = new Thread(Launcher::readyTheCore, "ready");
    ready.setDaemon(true);
    ready.start();
    Application.launch(KumiteApp.class, args);
  }

  /** Loads the parts and works a build out once, so that its classes are there when needed. */
  private static void readyTheCore() {
    try {
      Catalogue catalogue = Catalogue.standard();
      Bench.of(Demo.open(Demo.USUAL, catalogue), catalogue);
    } catch (BuildFileException | RuntimeException e) {
      // Whatever is wrong is told where the build is opened.
    }
  }
}
