package kumite.desktop.panel;

import java.util.Locale;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import kumite.build.panel.Panel;
import kumite.desktop.plan.Scale;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.measure.Point;

/** The rulers at the left and at the front of the plan, counted from the datum, and its mark. */
final class Rulers extends Pane {
  private String drawn = "";

  Rulers() {
    setMouseTransparent(true);
    setManaged(false);
  }

  void show(Scale scale, Panel panel, LengthUnit unit) {
    String wanted =
        scale + " " + panel.widthMm() + " " + panel.heightMm() + " " + unit + panel.datum();
    if (wanted.equals(drawn)) {
      return;
    }
    drawn = wanted;
    getChildren().clear();
    double unitMm = unit == LengthUnit.MM ? 1 : Length.MM_PER_INCH;
    double major = step(scale, unitMm);
    double minor = major / (unit == LengthUnit.MM ? 5 : 4);
    double y = scale.y(0) + 10;
    double x = Math.min(scale.x(0), scale.x(panel.widthMm())) - 10;
    long every = Math.round(major / minor);
    for (int i = 0; i * minor <= panel.widthMm() + 1e-6; i++) {
      boolean big = i % every == 0;
      tick(scale.x(i * minor), y, 0, big ? 8 : 4);
      if (big) {
        Label label = number(shown(panel, new Point(i * minor, 0), unit, true));
        label.relocate(Math.round(scale.x(i * minor) - label.getWidth() / 2), y + 10);
      }
    }
    for (int i = 0; i * minor <= panel.heightMm() + 1e-6; i++) {
      boolean big = i % every == 0;
      tick(x, scale.y(i * minor), big ? -8 : -4, 0);
      if (big) {
        Label label = number(shown(panel, new Point(0, i * minor), unit, false));
        label.relocate(
            Math.round(x - 12 - label.getWidth()),
            Math.round(scale.y(i * minor) - label.getHeight() / 2));
      }
    }
    Point origin = panel.datum().toStored(new Point(0, 0), panel);
    Circle mark = new Circle(scale.x(origin.xMm()), scale.y(origin.yMm()), 4);
    mark.getStyleClass().add("datum-mark");
    getChildren().add(mark);
  }

  /** {@return a step of at least 45 px between figures, in mm} */
  private static double step(Scale scale, double unitMm) {
    for (double units : new double[] {0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100, 200, 500}) {
      if (units * unitMm * scale.pxPerMm() >= 45) {
        return units * unitMm;
      }
    }
    return 1000 * unitMm;
  }

  private static String shown(Panel panel, Point stored, LengthUnit unit, boolean alongX) {
    Point point = panel.datum().fromStored(stored, panel);
    double mm = alongX ? point.xMm() : point.yMm();
    double value = unit == LengthUnit.MM ? mm : mm / Length.MM_PER_INCH;
    return Math.abs(value - Math.rint(value)) < 0.005
        ? String.valueOf((long) Math.rint(value))
        : String.format(Locale.ROOT, "%.1f", value);
  }

  private void tick(double x, double y, double dx, double dy) {
    double px = Math.floor(x) + 0.5;
    double py = Math.floor(y) + 0.5;
    Line line = new Line(px, py, px + dx, py + dy);
    line.getStyleClass().add("ruler-line");
    getChildren().add(line);
  }

  private Label number(String text) {
    Label label = new Label(text);
    label.getStyleClass().addAll("mono", "ruler-label");
    getChildren().add(label);
    label.applyCss();
    label.autosize();
    return label;
  }
}
