package kumite.desktop.box;

import java.util.Locale;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import kumite.box.BoxPlan;
import kumite.box.Nest;
import kumite.measure.Point;

/** The pieces as they lie on their sheets. */
final class SheetsView extends Pane {
  private static final double MARGIN_PX = 14;
  private static final double WORDS_PX = 22;

  private Optional<BoxPlan> plan = Optional.empty();

  SheetsView() {
    setId("case-sheets");
    getStyleClass().add("plan-view");
    setMinSize(200, 200);
    Rectangle clip = new Rectangle();
    clip.widthProperty().bind(widthProperty());
    clip.heightProperty().bind(heightProperty());
    setClip(clip);
    widthProperty().addListener((o, was, is) -> draw());
    heightProperty().addListener((o, was, is) -> draw());
  }

  void show(BoxPlan next) {
    plan = Optional.of(next);
    draw();
  }

  private void draw() {
    getChildren().clear();
    if (plan.isEmpty() || getWidth() < 50 || getHeight() < 50) {
      return;
    }
    Nest nest = plan.get().nest();
    if (nest.sheets().isEmpty()) {
      Label none =
          new Label(
              nest.tooLarge().isEmpty()
                  ? "Nothing of this case is cut from a sheet."
                  : "No sheet takes these pieces; say below which sheets there are.");
      none.relocate(MARGIN_PX, MARGIN_PX);
      getChildren().add(none);
      return;
    }
    int count = nest.sheets().size();
    double most = 1;
    double tall = 1;
    for (Nest.Laid laid : nest.sheets()) {
      most = Math.max(most, laid.sheet().widthMm());
      tall = Math.max(tall, laid.sheet().heightMm());
    }
    int columns = 1;
    double scale = 0;
    for (int tried = 1; tried <= count; tried++) {
      double fits = Math.min(wide(tried) / most, high(count, tried) / tall);
      if (fits > scale) {
        scale = fits;
        columns = tried;
      }
    }
    double wide = wide(columns);
    double high = high(count, columns);
    for (int i = 0; i < count; i++) {
      double x = MARGIN_PX + (i % columns) * (wide + MARGIN_PX);
      double y = MARGIN_PX + (i / columns) * (high + WORDS_PX + MARGIN_PX);
      sheet(nest.sheets().get(i), x, y, scale);
    }
  }

  private double wide(int columns) {
    return (getWidth() - (columns + 1) * MARGIN_PX) / columns;
  }

  private double high(int count, int columns) {
    int rows = (count + columns - 1) / columns;
    return (getHeight() - (rows + 1) * MARGIN_PX) / rows - WORDS_PX;
  }

  private void sheet(Nest.Laid laid, double x, double y, double scale) {
    Label words =
        new Label(
            String.format(
                Locale.ROOT,
                "%.0f x %.0f x %.1f mm %s, %.0f %% used",
                laid.sheet().widthMm(),
                laid.sheet().heightMm(),
                laid.thicknessMm(),
                laid.material().words(),
                100 * laid.used()));
    words.getStyleClass().add("plan-note");
    words.relocate(x, y);
    Rectangle sheet =
        new Rectangle(
            x, y + WORDS_PX, laid.sheet().widthMm() * scale, laid.sheet().heightMm() * scale);
    sheet.getStyleClass().add("case-floor");
    getChildren().addAll(words, sheet);
    for (Nest.Spot spot : laid.spots()) {
      Polygon shape = new Polygon();
      for (Point p : spot.piece().outline()) {
        Point at = spot.at(p);
        shape.getPoints().addAll(x + at.xMm() * scale, y + WORDS_PX + at.yMm() * scale);
      }
      shape.getStyleClass().add("case-face");
      Label name = new Label(spot.piece().id());
      name.getStyleClass().add("case-name");
      getChildren().addAll(shape, name);
      name.applyCss();
      name.autosize();
      name.relocate(
          x + (spot.leftMm() + spot.widthMm() / 2) * scale - name.getWidth() / 2,
          y + WORDS_PX + (spot.topMm() + spot.heightMm() / 2) * scale - name.getHeight() / 2);
    }
  }
}
