package kumite.desktop.signals;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Polyline;
import kumite.signal.Level;
import kumite.signal.Play;
import kumite.signal.PortKind;
import kumite.signal.SignalLine;
import kumite.signal.Waveform;

/** Lines over time: high above, low below, unclear and floating half-way and dashed. */
final class WaveView extends Pane {
  private static final double NAME_PX = 84;
  private static final double ROW_PX = 30;
  private static final double HIGH_PX = 16;
  private static final double TOP_PX = 12;
  private static final double RIGHT_PX = 10;

  /** So much of what comes before and after a reading is shown, as a share of it. */
  private static final double AROUND = 0.06;

  private List<SignalLine> lines = List.of();
  private Waveform waveform = new Waveform(List.of(), List.of(), 0);
  private boolean live;
  private long from;
  private long to = 1;

  WaveView() {
    setId("port-wave");
    getStyleClass().add("wave");
    widthProperty().addListener((o, was, is) -> draw());
  }

  /**
   * Shows a play.
   *
   * @param held whether something is held, so that what the pad says is live
   */
  void show(PortKind kind, Play play, boolean held) {
    live = held;
    lines = kind.lines();
    waveform = play.waveform();
    long end = play.readings().get(0).endNs();
    long lasts = Math.max(1000, end - Play.REST_NS);
    from = Math.max(0, (long) (Play.REST_NS - AROUND * lasts));
    to = (long) (end + AROUND * lasts);
    double tall = TOP_PX + ROW_PX * lines.size();
    setMinHeight(tall);
    setPrefHeight(tall);
    setAccessibleText(lines.size() + " lines over " + lasts / 1000 + " us");
    draw();
  }

  private void draw() {
    getChildren().clear();
    double wide = getWidth() - NAME_PX - RIGHT_PX;
    if (wide <= 0) {
      return;
    }
    for (int row = 0; row < lines.size(); row++) {
      String name = lines.get(row).name();
      double base = TOP_PX + ROW_PX * row + HIGH_PX;
      Label label = new Label(name.replace('_', ' '));
      label.getStyleClass().add("note");
      label.relocate(0, base - HIGH_PX);
      getChildren().add(label);
      trace(name, base, wide, lines.get(row).from().byPad());
    }
  }

  private void trace(String name, double base, double wide, boolean byPad) {
    List<Double> points = new ArrayList<>();
    Level level = waveform.at(name, from);
    double x = NAME_PX;
    begin(points, x, base, level);
    for (Waveform.Change change : waveform.of(name)) {
      if (change.atNs() > from && change.atNs() < to) {
        double at = NAME_PX + wide * (change.atNs() - from) / (to - from);
        points.addAll(List.of(at, y(base, level)));
        if (change.level().clear() != level.clear()) {
          add(points, level, byPad);
          points = new ArrayList<>();
        }
        level = change.level();
        begin(points, at, base, level);
      }
    }
    points.addAll(List.of(NAME_PX + wide, y(base, level)));
    add(points, level, byPad);
  }

  private static void begin(List<Double> points, double x, double base, Level level) {
    points.addAll(List.of(x, y(base, level)));
  }

  private void add(List<Double> points, Level level, boolean byPad) {
    Polyline line = new Polyline();
    line.getPoints().setAll(points);
    line.getStyleClass().add("wave-line");
    if (!level.clear()) {
      line.getStyleClass().add("unclear");
    } else if (byPad && live) {
      line.getStyleClass().add("by-pad");
    }
    getChildren().add(line);
  }

  private static double y(double base, Level level) {
    return switch (level) {
      case HIGH -> base - HIGH_PX;
      case LOW -> base;
      case UNCLEAR, FREE -> base - HIGH_PX / 2;
    };
  }
}
