package kumite.desktop.map;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import kumite.build.map.Timing;
import kumite.timing.Delay;

/** Delays of several choices on one axis: from best to worst, with the mean and 99 of 100. */
final class DelayChart extends Pane {
  private static final double ROW = 26;
  private static final double NAMES = 210;

  /** One choice. */
  private record Row(String name, Delay delay) {}

  private List<Row> rows = List.of();

  DelayChart() {
    setId("delay-chart");
    getStyleClass().add("delay-chart");
    widthProperty().addListener((o, was, is) -> draw());
  }

  void show(Timing timing, Delay.Out out) {
    List<Row> next = new ArrayList<>();
    next.add(new Row("as it is", Delay.of(timing, false, 0, out)));
    for (Timing.Debounce school : Timing.Debounce.values()) {
      for (int poll : new int[] {1000, 8000}) {
        Timing other = new Timing(timing.scanUs(), school, timing.waitUs(), poll);
        if (!other.equals(timing)) {
          next.add(
              new Row(
                  school.words() + ", report each " + poll / 1000 + " ms",
                  Delay.of(other, false, 0, out)));
        }
      }
    }
    int slower = Math.min(50_000, timing.scanUs() * 4);
    next.add(
        new Row(
            "look each " + Math.round(slower / 100.0) / 10.0 + " ms",
            Delay.of(
                new Timing(slower, timing.debounce(), timing.waitUs(), timing.pollUs()),
                false,
                0,
                out)));
    rows = next;
    setMinHeight(rows.size() * ROW + 34);
    setPrefHeight(rows.size() * ROW + 34);
    draw();
  }

  private void draw() {
    getChildren().clear();
    double width = getWidth() - NAMES - 170;
    if (width < 60) {
      return;
    }
    double most = rows.stream().mapToDouble(r -> r.delay().worstUs()).max().orElse(1);
    double step = most > 20_000 ? 5000 : most > 8000 ? 2000 : 1000;
    double full = Math.ceil(most / step) * step;
    for (double us = 0; us <= full; us += step) {
      double x = NAMES + width * us / full;
      line(x, 0, x, rows.size() * ROW, "delay-grid");
      word(String.format(Locale.ROOT, "%.0f ms", us / 1000), x - 10, rows.size() * ROW + 2, "note");
    }
    double frame = NAMES + width * Delay.FRAME_US / full;
    if (Delay.FRAME_US < full) {
      line(frame, 0, frame, rows.size() * ROW, "delay-frame");
    }
    for (int i = 0; i < rows.size(); i++) {
      Delay delay = rows.get(i).delay();
      word(rows.get(i).name(), 0, i * ROW + 4, i == 0 ? "strong" : "plain");
      double from = NAMES + width * delay.bestUs() / full;
      double to = NAMES + width * delay.worstUs() / full;
      Rectangle bar = new Rectangle(from, i * ROW + 7, Math.max(2, to - from), 11);
      bar.getStyleClass().add(i == 0 ? "delay-bar-now" : "delay-bar");
      getChildren().add(bar);
      double mean = NAMES + width * delay.meanUs() / full;
      line(mean, i * ROW + 4, mean, i * ROW + 21, "delay-mean");
      double late = NAMES + width * delay.quantileUs(0.99) / full;
      line(late, i * ROW + 7, late, i * ROW + 18, "delay-mean");
      word(
          String.format(Locale.ROOT, "%.1f ms, %.2f frames", delay.meanUs() / 1000, delay.frames()),
          NAMES + width + 8,
          i * ROW + 4,
          "mono");
    }
  }

  private void line(double x1, double y1, double x2, double y2, String style) {
    Line line = new Line(x1, y1, x2, y2);
    line.getStyleClass().add(style);
    getChildren().add(line);
  }

  private void word(String text, double x, double y, String style) {
    Label label = new Label(text);
    label.getStyleClass().add(style);
    label.relocate(x, y);
    getChildren().add(label);
  }
}
