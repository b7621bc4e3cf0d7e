package kumite.desktop.shell;

import java.util.List;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import kumite.device.SignalPath;

/**
 * The path strip: the selected signal path whole, from finger to host, with its values, and live
 * when it is pressed.
 */
public final class PathStrip extends HBox {
  private static final PseudoClass LIT = PseudoClass.getPseudoClass("lit");
  private static final PseudoClass LIVE = PseudoClass.getPseudoClass("live");
  private final Workbench workbench;
  private final Keys keys;
  private final Label name = new Label();
  private final Label hint = new Label();
  private final Button press = new Button("Press");
  private final Slider travel = new Slider(0, 1, 0);
  private final VBox who = new VBox();
  private final PathTrack track;
  private boolean showing;

  PathStrip(Workbench workbench, Keys keys) {
    this.workbench = workbench;
    this.keys = keys;
    this.track = new PathTrack(workbench);
    getStyleClass().add("path-strip");
    Label path = new Label("Path");
    path.getStyleClass().add("note");
    name.getStyleClass().add("emphasis");
    hint.getStyleClass().add("note");
    press.getStyleClass().add("press");
    press.setId("press");
    press.setMaxWidth(Double.MAX_VALUE);
    travel.setId("travel");
    travel.setAccessibleText("Travel of the control");
    who.getStyleClass().add("who");
    who.getChildren().addAll(path, name, hint, press);
    HBox.setHgrow(track, Priority.ALWAYS);
    getChildren().addAll(who, track);

    press.addEventHandler(MouseEvent.MOUSE_PRESSED, event -> down());
    press.addEventHandler(MouseEvent.MOUSE_RELEASED, event -> up());
    press.setOnKeyPressed(
        event -> {
          if (event.getCode() == KeyCode.SPACE || event.getCode() == KeyCode.ENTER) {
            down();
            event.consume();
          }
        });
    press.setOnKeyReleased(
        event -> {
          if (event.getCode() == KeyCode.SPACE || event.getCode() == KeyCode.ENTER) {
            up();
            event.consume();
          }
        });
    travel
        .valueProperty()
        .addListener(
            (o, was, is) -> {
              if (!showing) {
                workbench
                    .path()
                    .get()
                    .ifPresent(id -> workbench.hold(id, snapped(is.doubleValue())));
              }
            });
    // What springs back does so when the mouse lets go of it; what stays, stays.
    travel.setOnMouseReleased(
        event ->
            path()
                .filter(p -> p.site().contact().rest() > 0)
                .ifPresent(p -> workbench.letGo(p.id())));
    workbench.bench().addListener((o, was, is) -> show());
    workbench.path().addListener((o, was, is) -> show());
    workbench
        .hovered()
        .addListener(
            (o, was, is) -> {
              pseudoClassStateChanged(LIT, is.isPresent());
              show();
            });
    workbench.trace().addListener((o, was, is) -> show());
    workbench.holds().addListener((o, was, is) -> show());
    show();
  }

  private Optional<SignalPath> path() {
    return workbench.shown().flatMap(workbench.bench().get()::path);
  }

  private double snapped(double value) {
    int steps = path().map(p -> p.site().kind().steps()).orElse(0);
    return steps > 1 ? Math.rint(value * (steps - 1)) / (steps - 1) : Math.rint(value * 100) / 100;
  }

  private void down() {
    path().ifPresent(path -> keys.down(path.id()));
  }

  private void up() {
    path().ifPresent(path -> keys.up(path.id()));
  }

  private void show() {
    showing = true;
    Optional<SignalPath> path = path();
    if (path.isEmpty()) {
      name.setText("No path yet");
      hint.setText("add a control first");
      press.setVisible(false);
      who.getChildren().remove(travel);
      track.show(List.of(), false);
      showing = false;
      return;
    }
    SignalPath shown = path.get();
    boolean analog = shown.site().contact().type().analog();
    name.setText(shown.site().label());
    name.setTooltip(new Tooltip(shown.id().toString()));
    boolean held = workbench.holds().get().on(shown.id());
    double at = workbench.holds().get().over(c -> shown.site().rest()).applyAsDouble(shown.id());
    Optional<String> key = keys.of(shown.id());
    boolean latching = shown.site().kind().latching();
    if (analog) {
      hint.setText("drag to move it");
      int steps = shown.site().kind().steps();
      travel.setBlockIncrement(steps > 1 ? 1.0 / (steps - 1) : 0.05);
      travel.setValue(at);
      if (!who.getChildren().contains(travel)) {
        who.getChildren().remove(press);
        who.getChildren().add(travel);
      }
    } else {
      hint.setText(
          key.map(k -> (latching ? "press " : "hold ") + k + " to press").orElse("press it here"));
      press.setVisible(true);
      if (!who.getChildren().contains(press)) {
        who.getChildren().remove(travel);
        who.getChildren().add(press);
      }
      press.setText(held ? "pressed" : "Press");
      press.pseudoClassStateChanged(LIVE, held);
    }
    track.show(
        workbench.bench().get().hops(shown, workbench.holds().get(), workbench.trace().get()),
        true);
    showing = false;
  }
}
