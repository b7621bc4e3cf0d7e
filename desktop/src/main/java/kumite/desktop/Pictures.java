package kumite.desktop;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Queue;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.embed.swing.SwingFXUtils;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.image.WritableImage;
import javafx.stage.Stage;
import javafx.util.Duration;
import javax.imageio.ImageIO;
import kumite.build.Build;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.Workbench;
import kumite.files.BuildFileException;
import kumite.files.Demo;
import kumite.finding.Station;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.parts.Catalogue;

/** Takes a picture of each view in the real window: this is how docs/screenshots is refreshed. */
final class Pictures {
  /** Time for a view to be worked out, laid out and drawn before its picture. */
  private static final Duration SETTLE = Duration.millis(700);

  private record Shot(String name, Runnable prepare) {}

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

  void takeAll() {
    // Each picture a tenth of a second after the one before, on the device's clock.
    long[] nanos = {0};
    workbench.clock(() -> nanos[0] += 100_000_000);
    shell.setMouseTransparent(true); // what is under the mouse by chance stays as it is
    List<Shot> shots = new ArrayList<>();
    shots.add(new Shot("brief", () -> workbench.station().set(Station.BRIEF)));
    shots.add(
        new Shot(
            "panel",
            () -> {
              workbench.station().set(Station.PANEL);
              workbench.select(new ControlId("horn"));
            }));
    shots.add(
        new Shot(
            "panel-section",
            () -> {
              press("Case");
              workbench.select(new ControlId("horn"));
              press("Section");
              press("Selected");
            }));
    shots.add(
        new Shot(
            "panel-hand",
            () -> {
              press("Top");
              press("Hand");
            }));
    shots.add(
        new Shot(
            "panel-gaps",
            () -> {
              press("Gaps");
              ((javafx.scene.control.ListView<?>) shell.lookup("#gaps"))
                  .getSelectionModel()
                  .select(1);
            }));
    shots.add(
        new Shot(
            "loom",
            () -> {
              press("Selected");
              workbench.station().set(Station.LOOM);
              workbench.select(ContactId.parse("horn"));
            }));
    shots.add(new Shot("loom-what-if", () -> press("What if")));
    shots.add(new Shot("loom-boards", () -> press("Boards")));
    shots.add(
        new Shot(
            "power",
            () -> {
              press("Picture");
              workbench.station().set(Station.POWER);
            }));
    shots.add(
        new Shot(
            "map-pressed",
            () -> {
              workbench.station().set(Station.MAP);
              workbench.hold(ContactId.parse("port"), 0.62);
              workbench.hold(ContactId.parse("rudder.left"), 1);
              workbench.select(ContactId.parse("horn"));
              workbench.hold(ContactId.parse("horn"), 1);
            }));
    shots.add(new Shot("log", () -> workbench.station().set(Station.LOG)));
    shots.add(
        new Shot(
            "finder",
            () -> {
              workbench.station().set(Station.PANEL);
              ((javafx.scene.control.Button) shell.lookup("#finder-button")).fire();
              ((TextField) shell.lookup("#finder-text")).setText("horn");
            }));
    shots.add(
        new Shot(
            "empty",
            () -> {
              closeFinder();
              workbench.open(Build.empty("New build"), Optional.empty());
            }));
    shots.add(
        new Shot(
            "map-layers",
            () -> {
              demo("one-hand");
              workbench.station().set(Station.MAP);
              press("Shift, while held shift");
              workbench.select(ContactId.parse("light"));
              workbench.hold(ContactId.parse("shift"), 1);
              workbench.hold(ContactId.parse("light"), 1);
            }));
    shots.add(
        new Shot(
            "map-play",
            () -> {
              workbench.release();
              press("Play");
              ((javafx.scene.control.Button) shell.lookup("#script-play")).fire();
            }));
    shots.add(
        new Shot(
            "map-firmware",
            () -> {
              workbench.select(ContactId.parse("dash"));
              press("Firmware");
            }));
    shots.add(
        new Shot(
            "leads",
            () -> {
              demo("quarter-turn");
              workbench.station().set(Station.LEADS);
            }));
    shots.add(new Shot("leads-faces", () -> press("Faces")));
    shots.add(new Shot("leads-ringout", () -> press("Ring-out")));
    next(new ArrayDeque<>(shots));
  }

  private void demo(String name) {
    try {
      workbench.open(Demo.open(name, Catalogue.standard()), Optional.empty());
    } catch (BuildFileException e) {
      throw new IllegalStateException("a demo that ships can be read", e);
    }
  }

  private void closeFinder() {
    javafx.event.Event.fireEvent(
        shell,
        new javafx.scene.input.KeyEvent(
            javafx.scene.input.KeyEvent.KEY_PRESSED,
            "",
            "",
            javafx.scene.input.KeyCode.ESCAPE,
            false,
            false,
            false,
            false));
  }

  private void press(String segment) {
    for (Node node : shell.lookupAll(".segment")) {
      if (node instanceof ToggleButton button && button.getText().equals(segment)) {
        button.fire();
      }
    }
  }

  private void link(String text) {
    for (Node node : shell.lookupAll(".hyperlink")) {
      if (node instanceof Hyperlink link && link.getText().equals(text)) {
        link.fire();
        return;
      }
    }
  }

  private void next(Queue<Shot> shots) {
    Shot shot = shots.poll();
    if (shot == null) {
      Platform.exit();
      return;
    }
    shot.prepare().run();
    after(
        () -> {
          save(stage.getScene(), folder.resolve(shot.name() + ".png"));
          next(shots);
        });
  }

  /** Takes one picture of the window as it comes up, and says where it is. */
  static void takeOne(Stage stage, Path file) {
    after(
        () -> {
          save(stage.getScene(), file);
          System.out.println("A picture of the window is in " + file.toAbsolutePath());
        });
  }

  private static void after(Runnable run) {
    PauseTransition pause = new PauseTransition(SETTLE);
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
