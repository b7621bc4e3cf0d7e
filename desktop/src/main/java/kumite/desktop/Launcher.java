package kumite.desktop;

import javafx.application.Application;

/**
 * Starts the workbench. A class of its own, since JavaFX on the class path must not be started from
 * an {@code Application}.
 */
public final class Launcher {
  private Launcher() {}

  /** Starts the workbench; see {@link Options} for the arguments. */
  public static void main(String[] args) {
    Application.launch(KumiteApp.class, args);
  }
}
