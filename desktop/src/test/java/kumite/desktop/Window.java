package kumite.desktop;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Supplier;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextInputControl;
import javafx.scene.text.Text;
import javafx.stage.Stage;
import kumite.desktop.shell.StationRoom;
import kumite.desktop.shell.Workbench;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import kumite.verdict.Rooms;
import org.testfx.api.FxToolkit;

/** The real window under a virtual display, and hands to work it with. */
final class Window {
  final Hands hands;
  private final KumiteApp app = new KumiteApp();
  private static final javafx.scene.input.KeyCode MARKER = javafx.scene.input.KeyCode.F12;

  private final java.util.concurrent.atomic.AtomicInteger arrived =
      new java.util.concurrent.atomic.AtomicInteger();

  /** How long a click takes to travel through the display server, and more. */
  private static final long POPUP_MILLIS = 80;

  private final Stage stage;

  /** What a handler threw; a person would have seen nothing happen. */
  private final java.util.Queue<Throwable> thrown =
      new java.util.concurrent.ConcurrentLinkedQueue<>();

  private Window(
      Options options,
      double width,
      double height,
      double fontPx,
      Rooms rooms,
      List<StationRoom> stations)
      throws Exception {
    FxToolkit.registerPrimaryStage();
    AtomicReference<Stage> shown = new AtomicReference<>();
    onFx(
        () -> {
          Thread.currentThread().setUncaughtExceptionHandler((thread, e) -> thrown.add(e));
          Application.setUserAgentStylesheet(Look.baseTheme());
          Look.loadFonts();
          Stage fresh = new Stage();
          app.open(fresh, Opening.of(options, Catalogue.standard(), rooms), stations);
          fresh.setX(0);
          fresh.setY(0);
          fresh.setWidth(width);
          fresh.setHeight(height);
          if (fontPx != 13) {
            fresh.getScene().getRoot().setStyle("-fx-font-size: " + fontPx + "px;");
          }
          fresh
              .getScene()
              .addEventFilter(
                  javafx.scene.input.KeyEvent.KEY_RELEASED,
                  event -> {
                    if (event.getCode() == MARKER) {
                      arrived.incrementAndGet();
                    }
                  });
          fresh.requestFocus();
          shown.set(fresh);
          return null;
        });
    stage = shown.get();
    hands = new Hands();
    settle();
  }

  static Window open(Path state, String... arguments) throws Exception {
    return sized(state, 1280, 800, 13, arguments);
  }

  static Window sized(Path state, double width, double height, double fontPx, String... arguments)
      throws Exception {
    List<String> all = new ArrayList<>(List.of(arguments));
    all.add("--state");
    all.add(state.toString());
    return new Window(
        Options.parse(all), width, height, fontPx, Rooms.standard(), StationRoom.standard());
  }

  /** {@return a window with other rooms than the application's} */
  static Window withRooms(Path state, Rooms rooms, List<StationRoom> stations, String... arguments)
      throws Exception {
    List<String> all = new ArrayList<>(List.of(arguments));
    all.add("--state");
    all.add(state.toString());
    return new Window(Options.parse(all), 1280, 800, 13, rooms, stations);
  }

  /** {@return the text of a label or button} */
  String text(String query) {
    settle();
    return onFx(() -> ((Labeled) lookup(query)).getText());
  }

  static <T> T onFx(Supplier<T> supplier) {
    return Fx.onFx(supplier);
  }

  Workbench workbench() {
    return app.workbench();
  }

  /** {@return the bench, once it has caught up with the build} */
  Bench bench() {
    settle();
    return onFx(() -> workbench().bench().get());
  }

  /** Waits until what was done has arrived, been worked out and drawn. */
  void settle() {
    if (Platform.isFxApplicationThread()) {
      throw new AssertionError("what is waited for cannot happen on the thread that waits");
    }
    letArrive();
    drawn();
    // The buttons of fixes come once they have been tried.
    Fx.await(20, "the bench never caught up with the build", () -> onFx(this::caughtUp));
    drawn();
    nothingThrown();
  }

  private void nothingThrown() {
    Throwable first = thrown.poll();
    if (first != null) {
      throw new AssertionError("a handler threw", first);
    }
  }

  private boolean caughtUp() {
    Bench bench = workbench().bench().get();
    return bench.build().equals(workbench().build().get())
        && bench.findings().stream()
            .filter(f -> f.station() == workbench().station().get())
            .allMatch(kumite.finding.Finding::fixKnown);
  }

  /**
   * Keys and clicks travel through the display server. A key that means nothing here is sent after
   * them; events keep their order, so once it arrives all before it have.
   */
  private void letArrive() {
    if (!onFx(() -> stage != null && stage.isShowing() && stage.isFocused())) {
      return;
    }
    if (onFx(Window::popup)) {
      // A popup has the keys and would swallow the mark; the mouse gets a moment to arrive.
      try {
        Thread.sleep(POPUP_MILLIS);
      } catch (InterruptedException e) {
        throw new AssertionError(e);
      }
      return;
    }
    int before = arrived.get();
    hands.push(MARKER);
    // A popup may come up meanwhile; what follows waits for the interface thread all the same.
    Fx.comesTrue(3, () -> arrived.get() > before);
  }

  /** Waits until a menu whose item was clicked has closed. */
  void popupGone() {
    Fx.await(5, "a menu stays open", () -> !onFx(Window::popup));
  }

  private static boolean popup() {
    return javafx.stage.Window.getWindows().stream()
        .anyMatch(
            window ->
                window.isShowing()
                    && window instanceof javafx.stage.PopupWindow
                    && !(window instanceof javafx.scene.control.Tooltip));
  }

  /**
   * Waits until what is queued for the interface thread has been done, and the window was laid out:
   * by a pulse of its own, which looks only at what has changed.
   */
  private void drawn() {
    CountDownLatch laidOut = new CountDownLatch(1);
    Runnable listener = laidOut::countDown;
    onFx(
        () -> {
          stage.getScene().addPostLayoutPulseListener(listener);
          Platform.requestNextPulse();
          return null;
        });
    try {
      if (!laidOut.await(20, TimeUnit.SECONDS)) {
        throw new AssertionError("the window is not laid out any more");
      }
    } catch (InterruptedException e) {
      throw new AssertionError(e);
    } finally {
      Fx.onFx(() -> stage.getScene().removePostLayoutPulseListener(listener));
    }
  }

  Stage stage() {
    return stage;
  }

  <T extends Node> T find(String query) {
    settle();
    Fx.await(10, "nothing in the window is " + query, () -> present(query));
    return lookup(query);
  }

  private boolean present(String query) {
    return lookup(query) != null;
  }

  /** {@return everything on the screen that answers to a query, top to bottom} */
  List<Node> nodes(String query) {
    settle();
    return onFx(
        () ->
            stage.getScene().getRoot().lookupAll(query).stream()
                .filter(Window::onScreen)
                .map(Node.class::cast)
                .toList());
  }

  @SuppressWarnings("unchecked")
  private <T extends Node> T lookup(String query) {
    return (T)
        onFx(
            () ->
                stage.getScene().getRoot().lookupAll(query).stream()
                    .filter(Window::onScreen)
                    .findFirst()
                    .orElse(null));
  }

  private static boolean onScreen(Node node) {
    for (Node at = node; at != null; at = at.getParent()) {
      if (!at.isVisible()) {
        return false;
      }
    }
    return true;
  }

  void click(String query) {
    Node node = find(query);
    hands.clickOn(node);
    settle();
  }

  /** Adds a part from the tray: its family's list, then its row. */
  void add(String kind) {
    String family =
        onFx(
            () ->
                workbench()
                    .catalogue()
                    .control(kind)
                    .orElseThrow()
                    .family()
                    .name()
                    .toLowerCase(java.util.Locale.ROOT));
    click("#family-" + family);
    hands.clickOn("#add-" + kind);
    popupGone();
    settle();
  }

  /** Presses one of a row of choices by its words. */
  void choose(String words) {
    settle();
    Node segment =
        onFx(
            () ->
                stage.getScene().getRoot().lookupAll(".segment").stream()
                    .filter(javafx.scene.control.ToggleButton.class::isInstance)
                    .filter(
                        node -> ((javafx.scene.control.ToggleButton) node).getText().equals(words))
                    .filter(Window::onScreen)
                    .findFirst()
                    .orElseThrow(() -> new AssertionError("no choice is called " + words)));
    hands.clickOn(segment);
    settle();
  }

  /** Puts the focus into a field, replaces its text and takes it with Enter. */
  void type(String query, String text) {
    TextInputControl field = find(query);
    hands.clickOn(field);
    settle();
    onFx(
        () -> {
          field.selectAll();
          return null;
        });
    hands.write(text);
    hands.push(javafx.scene.input.KeyCode.ENTER);
    settle();
  }

  /** {@return a node that is there, on the screen or scrolled out of it} */
  Node whole(String query) {
    return onFx(
        () -> {
          Node node = stage.getScene().getRoot().lookup(query);
          if (node == null) {
            throw new AssertionError("nothing in the window is " + query);
          }
          return node;
        });
  }

  /** Writes into a field that may be off the screen, or has several lines. */
  void fill(String query, String text) {
    TextInputControl field = (TextInputControl) whole(query);
    onFx(
        () -> {
          field.setText(text);
          return null;
        });
    settle();
  }

  /** Presses a button that may have to be scrolled to. */
  void fire(String query) {
    javafx.scene.control.ButtonBase button = (javafx.scene.control.ButtonBase) whole(query);
    onFx(
        () -> {
          button.fire();
          return null;
        });
    settle();
  }

  String news() {
    settle();
    return onFx(() -> workbench().notice().get().map(Workbench.Notice::text).orElse(""));
  }

  /** {@return every label and button whose text is cut without a tooltip that has it whole} */
  List<String> cutTexts() {
    settle();
    List<String> cut = new ArrayList<>();
    // What is worked out aside may come in between two layouts; then it is looked at again.
    Fx.comesTrue(
        1,
        () -> {
          cut.clear();
          drawn();
          onFx(
              () -> {
                collectCut(stage.getScene().getRoot(), cut);
                return null;
              });
          return cut.isEmpty();
        });
    return cut;
  }

  private static void collectCut(Node node, List<String> cut) {
    if (!node.isVisible()) {
      return;
    }
    if (node instanceof Labeled labeled
        && labeled.getText() != null
        && !labeled.getText().isEmpty()
        && labeled.getWidth() > 0) {
      Optional<String> shown =
          labeled.getChildrenUnmodifiable().stream()
              .filter(Text.class::isInstance)
              .map(child -> ((Text) child).getText())
              .findFirst();
      boolean whole =
          shown.isEmpty()
              || shown.get().replace("\n", " ").equals(labeled.getText().replace("\n", " "));
      boolean tooltip =
          labeled.getTooltip() != null
              && labeled.getTooltip().getText().contains(labeled.getText());
      boolean installed =
          tooltipOf(labeled).filter(text -> text.contains(labeled.getText())).isPresent();
      if (!whole && !tooltip && !installed) {
        cut.add("\"" + labeled.getText() + "\" shows as \"" + shown.get() + "\"");
      }
    }
    if (node instanceof Parent parent) {
      parent.getChildrenUnmodifiable().forEach(child -> collectCut(child, cut));
    }
  }

  /** A tooltip installed on the label or on what it lies in. */
  private static Optional<String> tooltipOf(Node node) {
    for (Node at = node; at != null; at = at.getParent()) {
      for (Object value : at.getProperties().values()) {
        if (value instanceof javafx.scene.control.Tooltip tooltip) {
          return Optional.of(tooltip.getText());
        }
      }
    }
    return Optional.empty();
  }

  void close() {
    onFx(
        () -> {
          stage.hide();
          app.stop(); // where the toolkit calls it
          return null;
        });
    Platform.setImplicitExit(false);
    nothingThrown();
  }
}
