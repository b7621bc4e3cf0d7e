package kumite.desktop.leads;

import java.util.Arrays;
import java.util.Optional;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import kumite.lead.Turn;

/** The stick's directions as the player holds it, and what the host reads of each push. */
final class RoseView extends Pane {
  private static final double RADIUS = 40;
  private static final double MIDDLE = 48;
  private static final double BETWEEN = 122;

  RoseView() {
    setMinSize(222, 118);
    setPrefSize(222, 118);
    setMaxSize(222, 118);
    setAccessibleRole(AccessibleRole.IMAGE_VIEW);
  }

  void show(Optional<Turn> turn) {
    getChildren().clear();
    circle(MIDDLE, "as held");
    circle(MIDDLE + BETWEEN, "as read");
    Line shaft = new Line(MIDDLE + RADIUS + 6, MIDDLE, MIDDLE + BETWEEN - RADIUS - 6, MIDDLE);
    shaft.getStyleClass().add("rose-arrow");
    Line upper = new Line(shaft.getEndX(), MIDDLE, shaft.getEndX() - 6, MIDDLE - 5);
    Line lower = new Line(shaft.getEndX(), MIDDLE, shaft.getEndX() - 6, MIDDLE + 5);
    upper.getStyleClass().add("rose-arrow");
    lower.getStyleClass().add("rose-arrow");
    getChildren().addAll(shaft, upper, lower);
    for (Turn.Direction pushed : Turn.Direction.values()) {
      word(pushed, pushed, MIDDLE);
      turn.ifPresent(t -> word(t.of(pushed), pushed, MIDDLE + BETWEEN));
    }
    setAccessibleText(
        turn.map(
                t ->
                    String.join(
                        ", ",
                        Arrays.stream(Turn.Direction.values())
                            .map(d -> d.words() + " is read as " + t.of(d).words())
                            .toList()))
            .orElse("no turn of a stick"));
    if (turn.isEmpty()) {
      Label none = new Label("no turn");
      none.getStyleClass().add("note");
      none.relocate(MIDDLE + BETWEEN - 22, MIDDLE - 8);
      getChildren().add(none);
    }
  }

  private void circle(double x, String words) {
    Circle circle = new Circle(x, MIDDLE, RADIUS + 6);
    circle.getStyleClass().add("rose");
    Label label = new Label(words);
    label.getStyleClass().add("note");
    label.setManaged(false);
    label.resizeRelocate(x - 40, MIDDLE + RADIUS + 10, 80, 18);
    label.setAlignment(javafx.geometry.Pos.CENTER);
    getChildren().addAll(circle, label);
  }

  /** The name of a push, at the side where it stands. */
  private void word(Turn.Direction side, Turn.Direction called, double x) {
    Label label = new Label(called.words());
    label.getStyleClass().add("note");
    if (called == Turn.Direction.UP) {
      label.getStyleClass().add("rose-up");
    }
    double dx = side == Turn.Direction.RIGHT ? 1 : side == Turn.Direction.LEFT ? -1 : 0;
    double dy = side == Turn.Direction.UP ? -1 : side == Turn.Direction.DOWN ? 1 : 0;
    label.setManaged(false);
    label.setAlignment(javafx.geometry.Pos.CENTER);
    label.resizeRelocate(x + dx * (RADIUS - 14) - 25, MIDDLE + dy * (RADIUS - 8) - 9, 50, 18);
    getChildren().add(label);
  }
}
