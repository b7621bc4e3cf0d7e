package kumite.desktop;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.function.Supplier;
import javafx.event.Event;
import javafx.geometry.Bounds;
import javafx.geometry.VerticalDirection;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.robot.Robot;
import javafx.stage.Window;

/**
 * Hands on mouse and keys. Mouse and single keys are real events that travel through the display
 * server; nothing is waited for here, since whoever asks for the outcome waits for what was sent.
 * Texts are put into what has the focus, letter by letter.
 */
public final class Hands {
  private final Robot robot = onFx(Robot::new);

  private static <T> T onFx(Supplier<T> supplier) {
    return Fx.onFx(supplier);
  }

  private Hands act(Runnable run) {
    onFx(
        () -> {
          run.run();
          return null;
        });
    return this;
  }

  /** Moves the mouse to the middle of a node. */
  public Hands moveTo(Node node) {
    return act(
        () -> {
          Bounds at = node.localToScreen(node.getBoundsInLocal());
          move((at.getMinX() + at.getMaxX()) / 2, (at.getMinY() + at.getMaxY()) / 2);
        });
  }

  /**
   * Moves the mouse to a place on the screen, by a place beside it: a drag wants to see it move.
   */
  public Hands moveTo(double x, double y) {
    return act(() -> move(x, y));
  }

  private void move(double x, double y) {
    robot.mouseMove(x - 1, y);
    robot.mouseMove(x, y);
  }

  /** Presses the mouse on the middle of a node, and lets go. */
  public Hands clickOn(Node node) {
    moveTo(node);
    return press(MouseButton.PRIMARY).release(MouseButton.PRIMARY);
  }

  /** Clicks on the node of any window that answers to a query. */
  public Hands clickOn(String query) {
    return clickOn(
        onFx(
            () ->
                Window.getWindows().stream()
                    .filter(Window::isShowing)
                    .map(window -> window.getScene().getRoot().lookup(query))
                    .filter(node -> node != null && node.isVisible())
                    .findFirst()
                    .orElseThrow(() -> new AssertionError("no window has " + query))));
  }

  /** Presses a mouse button down. */
  public Hands press(MouseButton button) {
    return act(() -> robot.mousePress(button));
  }

  /** Lets a mouse button go. */
  public Hands release(MouseButton button) {
    return act(() -> robot.mouseRelease(button));
  }

  /** Turns the wheel. */
  public Hands scroll(int notches, VerticalDirection way) {
    return act(() -> robot.mouseWheel(way == VerticalDirection.UP ? -notches : notches));
  }

  /** Presses a key down. */
  public Hands press(KeyCode key) {
    return act(() -> robot.keyPress(key));
  }

  /** Lets a key go. */
  public Hands release(KeyCode key) {
    return act(() -> robot.keyRelease(key));
  }

  /** Presses keys down in order and lets them go in the other. */
  public Hands push(KeyCode... keys) {
    List<KeyCode> down = Arrays.asList(keys);
    return act(
        () -> {
          down.forEach(robot::keyPress);
          for (int i = down.size() - 1; i >= 0; i--) {
            robot.keyRelease(down.get(i));
          }
        });
  }

  /** Types a text into what has the focus. */
  public Hands write(String text) {
    return act(
        () ->
            text.codePoints()
                .mapToObj(Character::toString)
                .forEach(
                    letter -> {
                      Scene scene = focused();
                      String name = letter.toUpperCase(Locale.ROOT);
                      KeyCode named = KeyCode.getKeyCode(name);
                      KeyCode code = named == null ? KeyCode.UNDEFINED : named;
                      fire(scene, KeyEvent.KEY_PRESSED, KeyEvent.CHAR_UNDEFINED, code);
                      fire(scene, KeyEvent.KEY_TYPED, letter, KeyCode.UNDEFINED);
                      fire(scene, KeyEvent.KEY_RELEASED, KeyEvent.CHAR_UNDEFINED, code);
                    }));
  }

  private static Scene focused() {
    return Window.getWindows().stream()
        .filter(Window::isFocused)
        .map(Window::getScene)
        .findFirst()
        .orElseGet(() -> Window.getWindows().get(0).getScene());
  }

  private static void fire(
      Scene scene, javafx.event.EventType<KeyEvent> type, String letter, KeyCode code) {
    Node owner = scene.getFocusOwner();
    Event.fireEvent(
        owner == null ? scene : owner,
        new KeyEvent(type, letter, letter, code, false, false, false, false));
  }
}
