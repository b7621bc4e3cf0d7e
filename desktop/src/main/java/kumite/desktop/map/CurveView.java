package kumite.desktop.map;

import java.util.OptionalInt;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Rectangle;
import kumite.build.map.AxisTuning;
import kumite.program.AxisShape;

/** The value of an axis over the code of its contact: as the converter gives it, and as tuned. */
final class CurveView extends Pane {
  private static final int POINTS = 120;
  private static final double SIDE = 190;

  private final Polyline plain = new Polyline();
  private final Polyline tuned = new Polyline();
  private final Line now = new Line();
  private final Circle dot = new Circle(4);
  private final Rectangle frame = new Rectangle(SIDE, SIDE);
  private int most = 1;

  CurveView() {
    setMinSize(SIDE, SIDE);
    setMaxSize(SIDE, SIDE);
    setId("curve");
    frame.getStyleClass().add("curve-frame");
    plain.getStyleClass().add("curve-plain");
    tuned.getStyleClass().add("curve-tuned");
    now.getStyleClass().add("curve-now");
    dot.getStyleClass().add("curve-dot");
    getChildren().addAll(frame, plain, tuned, now, dot);
  }

  void show(AxisTuning tuning, int codeMost, OptionalInt code) {
    most = codeMost;
    AxisShape straight = new AxisShape(AxisTuning.STRAIGHT, codeMost);
    AxisShape shape = new AxisShape(tuning, codeMost);
    plain.getPoints().clear();
    tuned.getPoints().clear();
    for (int i = 0; i <= POINTS; i++) {
      int at = (int) ((long) i * codeMost / POINTS);
      plain.getPoints().addAll(x(at), y(straight.value(at, codeMost)));
      tuned.getPoints().addAll(x(at), y(shape.value(at, codeMost)));
    }
    now.setVisible(code.isPresent());
    dot.setVisible(code.isPresent());
    code.ifPresent(
        at -> {
          now.setStartX(x(at));
          now.setEndX(x(at));
          now.setStartY(0);
          now.setEndY(SIDE);
          dot.setCenterX(x(at));
          dot.setCenterY(y(shape.value(at, codeMost)));
        });
    setAccessibleText(
        "Curve: code 0 gives "
            + shape.value(0, codeMost)
            + ", half "
            + shape.value(codeMost / 2, codeMost)
            + ", all "
            + shape.value(codeMost, codeMost));
  }

  private double x(int code) {
    return SIDE * code / most;
  }

  private double y(int value) {
    return SIDE - SIDE * value / most;
  }
}
