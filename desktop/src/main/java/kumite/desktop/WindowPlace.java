package kumite.desktop;

import java.io.IOException;
import java.io.StringReader;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Properties;
import java.util.stream.Stream;
import javafx.geometry.Rectangle2D;
import javafx.stage.Screen;
import javafx.stage.Stage;
import kumite.files.BuildFileException;
import kumite.files.WholeFile;

/**
 * Where the window stands on the screens, in screen pixels.
 *
 * @param area its outer rectangle, as it is when not maximised
 * @param whole whether it fills its screen
 */
record WindowPlace(Rectangle2D area, boolean whole) {
  static final double USUAL_WIDTH = 1280;
  static final double USUAL_HEIGHT = 800;
  private static final String FILE = "window.properties";

  /** {@return the usual size in the middle of a screen, no larger than what is visible of it} */
  static WindowPlace usual(Rectangle2D visible) {
    double width = Math.min(USUAL_WIDTH, visible.getWidth());
    double height = Math.min(USUAL_HEIGHT, visible.getHeight());
    return new WindowPlace(
        new Rectangle2D(
            visible.getMinX() + (visible.getWidth() - width) / 2,
            visible.getMinY() + (visible.getHeight() - height) / 2,
            width,
            height),
        false);
  }

  /**
   * {@return this place moved and shrunk by as little as brings it whole inside the screen that
   * shows most of it; the usual place on the first screen where no screen shows any}
   *
   * @param visible what can be seen of each screen, the first one first; at least one
   */
  WindowPlace within(List<Rectangle2D> visible) {
    Rectangle2D best = visible.get(0);
    double most = 0;
    for (Rectangle2D screen : visible) {
      double shown = shared(screen);
      if (shown > most) {
        most = shown;
        best = screen;
      }
    }
    if (most == 0) {
      return new WindowPlace(usual(best).area, whole);
    }
    double width = Math.min(area.getWidth(), best.getWidth());
    double height = Math.min(area.getHeight(), best.getHeight());
    double x = Math.max(best.getMinX(), Math.min(area.getMinX(), best.getMaxX() - width));
    double y = Math.max(best.getMinY(), Math.min(area.getMinY(), best.getMaxY() - height));
    return new WindowPlace(new Rectangle2D(x, y, width, height), whole);
  }

  private double shared(Rectangle2D screen) {
    double width =
        Math.min(area.getMaxX(), screen.getMaxX()) - Math.max(area.getMinX(), screen.getMinX());
    double height =
        Math.min(area.getMaxY(), screen.getMaxY()) - Math.max(area.getMinY(), screen.getMinY());
    return Math.max(0, width) * Math.max(0, height);
  }

  /**
   * {@return the place kept in a folder; empty where none is kept or what is kept makes no sense}
   */
  static Optional<WindowPlace> kept(Path folder) {
    Path file = folder.resolve(FILE);
    if (!Files.isRegularFile(file)) {
      return Optional.empty();
    }
    try {
      Properties kept = new Properties();
      kept.load(new StringReader(Files.readString(file)));
      Rectangle2D area =
          new Rectangle2D(
              number(kept, "x"), number(kept, "y"), number(kept, "width"), number(kept, "height"));
      return Optional.of(
          new WindowPlace(area, Boolean.parseBoolean(kept.getProperty("whole", "false"))));
    } catch (IOException | IllegalArgumentException e) {
      return Optional.empty(); // a convenience; the window opens in its usual place
    }
  }

  private static double number(Properties kept, String key) {
    double value = Double.parseDouble(kept.getProperty(key, ""));
    if (!Double.isFinite(value)) {
      throw new IllegalArgumentException(key);
    }
    return value;
  }

  /** Keeps the place in a folder, which is made when first needed. */
  void keep(Path folder) throws IOException, BuildFileException {
    Properties kept = new Properties();
    kept.setProperty("x", Double.toString(area.getMinX()));
    kept.setProperty("y", Double.toString(area.getMinY()));
    kept.setProperty("width", Double.toString(area.getWidth()));
    kept.setProperty("height", Double.toString(area.getHeight()));
    kept.setProperty("whole", Boolean.toString(whole));
    StringWriter text = new StringWriter();
    kept.store(text, null);
    Files.createDirectories(folder);
    WholeFile.write(folder.resolve(FILE), text.toString().getBytes(StandardCharsets.UTF_8));
  }

  /** Puts a window here, before it is shown. */
  void place(Stage stage) {
    stage.setX(area.getMinX());
    stage.setY(area.getMinY());
    stage.setWidth(area.getWidth());
    stage.setHeight(area.getHeight());
    stage.setMaximized(whole);
  }

  /**
   * {@return where a window is now}
   *
   * @param before what it returns to when no longer maximised
   */
  static WindowPlace of(Stage stage, WindowPlace before) {
    return stage.isMaximized() || stage.isFullScreen()
        ? new WindowPlace(before.area, true)
        : new WindowPlace(
            new Rectangle2D(stage.getX(), stage.getY(), stage.getWidth(), stage.getHeight()),
            false);
  }

  /** {@return what can be seen of each screen, the first one first} */
  static List<Rectangle2D> screens() {
    Rectangle2D first = Screen.getPrimary().getVisualBounds();
    return Stream.concat(
            Stream.of(first),
            Screen.getScreens().stream().map(Screen::getVisualBounds).filter(s -> !s.equals(first)))
        .toList();
  }
}
