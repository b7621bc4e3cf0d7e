package kumite.desktop;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.List;
import java.util.Optional;
import java.util.Queue;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.embed.swing.SwingFXUtils;
import javafx.event.Event;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.stage.Stage;
import javafx.util.Duration;
import javax.imageio.ImageIO;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.StationRoom;
import kumite.desktop.shell.Workbench;
import kumite.files.BuildFileException;
import kumite.files.Demo;
import kumite.finding.Station;
import kumite.parts.Catalogue;

/** Takes a picture of each view in the real window: this is how docs/screenshots is refreshed. */
final class Pictures implements StationRoom.Hand {
  /** Time for a view to be worked out, laid out and drawn before its picture. */
  private static final Duration SETTLE = Duration.millis(700);

  private final Stage stage;
  private final Workbench workbench;
  private final Shell shell;
  private final Path folder;

  Pictures(Stage stage, Workbench workbench, Shell shell, Path folder) {
    this.stage = stage;
    this.workbench = workbench;
    this.shell = shell;
    this.folder = folder;
  }

  /** Takes those of all rooms, then those of the window itself, and ends the application. */
  void takeAll(List<StationRoom> rooms) {
    // Each picture a tenth of a second after the one before, on the device's clock.
    long[] nanos = {0};
    workbench.clock(() -> nanos[0] += 100_000_000);
    shell.setMouseTransparent(true); // what is under the mouse by chance stays as it is
    Queue<StationRoom.Picture> pictures = new ArrayDeque<>();
    rooms.forEach(room -> pictures.addAll(room.pictures()));
    pictures.add(
        new StationRoom.Picture(
            "finder",
            hand -> {
              hand.demo(Demo.USUAL);
              workbench.station().set(Station.PANEL);
              hand.press("Selected");
              hand.fire("finder-button");
              hand.type("finder-text", "horn");
            }));
    next(pictures);
  }

  @Override
  public Workbench workbench() {
    return workbench;
  }

  @Override
  public void demo(String name) {
    try {
      workbench.release();
      workbench.open(Demo.open(name, Catalogue.standard()), Optional.empty());
    } catch (BuildFileException e) {
      throw new IllegalStateException("a demo that ships can be read", e);
    }
  }

  @Override
  public void escape() {
    KeyEvent key =
        new KeyEvent(KeyEvent.KEY_PRESSED, "", "", KeyCode.ESCAPE, false, false, false, false);
    Event.fireEvent(shell, key);
  }

  @Override
  public void press(String text) {
    for (Node node : shell.lookupAll(".segment")) {
      if (node instanceof ToggleButton button && button.getText().equals(text)) {
        button.fire();
      }
    }
  }

  @Override
  public void fire(String id) {
    ((Button) shell.lookup("#" + id)).fire();
  }

  @Override
  public void choose(String id, int row) {
    ((ListView<?>) shell.lookup("#" + id)).getSelectionModel().select(row);
  }

  @Override
  public void type(String id, String text) {
    ((TextField) shell.lookup("#" + id)).setText(text);
  }

  private void next(Queue<StationRoom.Picture> shots) {
    StationRoom.Picture shot = shots.poll();
    if (shot == null) {
      Platform.exit();
      return;
    }
    shot.prepare().on(this);
    after(
        shot.patience(),
        () -> {
          save(stage.getScene(), folder.resolve(shot.name() + ".png"));
          next(shots);
        });
  }

  /** Takes one picture of the window as it comes up, and says where it is. */
  static void takeOne(Stage stage, Path file) {
    after(
        1,
        () -> {
          save(stage.getScene(), file);
          System.out.println("A picture of the window is in " + file.toAbsolutePath());
        });
  }

  private static void after(int patience, Runnable run) {
    PauseTransition pause = new PauseTransition(SETTLE.multiply(patience));
    pause.setOnFinished(event -> run.run());
    pause.play();
  }

  private static void save(Scene scene, Path file) {
    WritableImage image = scene.snapshot(null);
    try {
      if (file.toAbsolutePath().getParent() != null) {
        Files.createDirectories(file.toAbsolutePath().getParent());
      }
      ImageIO.write(SwingFXUtils.fromFXImage(image, null), "png", file.toFile());
    } catch (IOException e) {
      System.err.println(file + " cannot be written: " + e.getMessage());
    }
  }
}
