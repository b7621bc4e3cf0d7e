package kumite.desktop.panel;

import javafx.scene.Node;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import kumite.kind.ControlKind;

/** A small drawing of a kind of control, as seen from above. */
final class TrayIcon {
  private static final double SIZE = 20;

  private TrayIcon() {}

  static Node of(ControlKind kind) {
    Pane pane = new Pane();
    pane.setMinSize(SIZE, SIZE);
    pane.setMaxSize(SIZE, SIZE);
    double c = SIZE / 2;
    switch (kind.family()) {
      case BUTTON -> {
        pane.getChildren().add(ring(c, 9));
        pane.getChildren().add(ring(c, kind.cutout().widthMm() > 25 ? 7 : 5.5));
        if (kind.lit()) {
          Circle lamp = ring(c, 2.5);
          lamp.getStyleClass().add("tray-solid");
          pane.getChildren().add(lamp);
        }
      }
      case LEVER -> {
        Circle ball = ring(c, 6.5);
        ball.getStyleClass().add("tray-solid");
        pane.getChildren().addAll(ring(c, 9), ball);
      }
      case SLIDER -> {
        Rectangle cap = new Rectangle(c - 6, c - 3, 12, 6);
        cap.getStyleClass().addAll("tray-line", "tray-solid");
        Rectangle slot = new Rectangle(c - 1.5, 1, 3, SIZE - 2);
        slot.getStyleClass().add("tray-line");
        pane.getChildren().addAll(slot, cap);
      }
      case STICK -> {
        Circle cap = ring(c, 4);
        cap.getStyleClass().add("tray-solid");
        pane.getChildren()
            .addAll(ring(c, 9), hand(c - 9, c, c + 9, c), hand(c, c - 9, c, c + 9), cap);
      }
      case BALL -> pane.getChildren().addAll(ring(c, 9), ring(c, 6), hand(c - 6, c, c + 6, c));
      case ENCODER ->
          pane.getChildren()
              .addAll(
                  ring(c, 6), hand(c - 8, c - 6, c - 4, c - 8), hand(c + 8, c - 6, c + 4, c - 8));
      case KEY -> pane.getChildren().addAll(square(c, 8), square(c, 5));
      case PAD -> {
        Rectangle pad = square(c, 7);
        pad.getStrokeDashArray().setAll(2.0, 2.0);
        pane.getChildren().addAll(pad, ring(c, 2));
      }
      case SENSOR ->
          pane.getChildren()
              .addAll(ring(c, 2.5), hand(c - 8, c, c - 4, c), hand(c + 4, c, c + 8, c));
      case KNOB -> pane.getChildren().addAll(ring(c, 8), hand(c, c, c, 3));
      case TOGGLE -> {
        Circle tip = ring(c, 3);
        tip.getStyleClass().add("tray-solid");
        pane.getChildren().addAll(ring(c, 6.5), tip);
      }
      case ROTARY -> {
        pane.getChildren().addAll(ring(c, 6.5), hand(c, c, c, 5));
        for (int i = 0; i < 5; i++) {
          double angle = Math.toRadians(-60 + 30 * i);
          pane.getChildren()
              .add(
                  hand(
                      c + 8 * Math.sin(angle),
                      c - 8 * Math.cos(angle),
                      c + 9.5 * Math.sin(angle),
                      c - 9.5 * Math.cos(angle)));
        }
      }
    }
    return pane;
  }

  private static Circle ring(double centre, double radius) {
    Circle circle = new Circle(centre, centre, radius);
    circle.getStyleClass().add("tray-line");
    return circle;
  }

  private static Rectangle square(double centre, double half) {
    Rectangle square = new Rectangle(centre - half, centre - half, 2 * half, 2 * half);
    square.getStyleClass().add("tray-line");
    return square;
  }

  private static Line hand(double x1, double y1, double x2, double y2) {
    Line line = new Line(x1, y1, x2, y2);
    line.getStyleClass().add("tray-line");
    return line;
  }
}
