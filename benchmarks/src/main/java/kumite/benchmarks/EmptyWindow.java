package kumite.benchmarks;

import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.stage.Stage;

/** The reference of the start: a JavaFX window with one label, closed as soon as it is shown. */
public final class EmptyWindow {
  private EmptyWindow() {}

  /** Starts it. */
  public static void main(String[] args) {
    Application.launch(Bare.class, args);
  }

  /** The window. */
  public static final class Bare extends Application {
    @Override
    public void start(Stage stage) {
      stage.setScene(new Scene(new Label("empty"), 1280, 800));
      stage.show();
      Platform.runLater(() -> Platform.runLater(Platform::exit));
    }
  }
}
