package kumite.desktop.power;

import java.util.ArrayList;
import java.util.List;
import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import kumite.circuit.InputLevels;
import kumite.circuit.Span;
import kumite.working.Working;

/** A board's scale of volts: low, undefined, high, and where the levels of an input stand. */
final class LevelScale extends Pane {
  private static final PseudoClass BAD = PseudoClass.getPseudoClass("bad");
  private static final double TOP = 10;
  private static final double HEIGHT = 142;
  private static final double LEFT = 34;
  private static final double WIDTH = 24;
  private static final double LABEL_PITCH = 14;

  private final InputLevels.Thresholds reads;
  private final double fullVolts;

  LevelScale(InputLevels levels, List<Double> steps) {
    getStyleClass().add("level-scale");
    reads = levels.thresholds();
    fullVolts = Math.max(reads.supplyVolts(), levels.mostVolts());
    setMinSize(190, TOP + HEIGHT + 14);
    setPrefSize(190, TOP + HEIGHT + 14);
    Rectangle tube = new Rectangle(LEFT, TOP, WIDTH, HEIGHT);
    tube.getStyleClass().add("level-tube");
    getChildren().add(tube);
    tick(0);
    tick(reads.supplyVolts());
    if (!levels.measured()) {
      band(reads.highVolts(), fullVolts, "level-sound");
      band(reads.lowVolts(), reads.highVolts(), "level-undefined");
      band(0, reads.lowVolts(), "level-sound");
      tick(reads.lowVolts());
      tick(reads.highVolts());
      mark("idle", levels.idleRange(), levels.idle());
      mark("held", levels.heldRange(), levels.held());
      setAccessibleText(
          "idle "
              + words(levels.idleRange(), levels.idle())
              + ", held "
              + words(levels.heldRange(), levels.held()));
    } else if (steps.isEmpty()) {
      Line slope = new Line(LEFT, y(0), LEFT + WIDTH, y(reads.supplyVolts()));
      slope.getStyleClass().add("level-slope");
      getChildren().add(slope);
      label("end", y(reads.supplyVolts()) + 4, true);
      label("start", y(0) - 4, true);
    } else {
      steps(steps);
    }
    Rectangle edge = new Rectangle(LEFT, TOP, WIDTH, HEIGHT);
    edge.getStyleClass().add("level-edge");
    getChildren().add(edge);
  }

  /** Where the words of the first mark are. */
  private double marked = Double.NaN;

  private double y(double volts) {
    return TOP + HEIGHT * (1 - Math.max(0, Math.min(1, volts / fullVolts)));
  }

  private void band(double low, double high, String style) {
    Rectangle band = new Rectangle(LEFT, y(high), WIDTH, y(low) - y(high));
    band.getStyleClass().add(style);
    getChildren().add(band);
  }

  private void tick(double volts) {
    Label label = new Label(Working.number(volts, 1));
    label.getStyleClass().addAll("mono", "note");
    label.relocate(4, y(volts) - 8);
    getChildren().add(label);
  }

  private void mark(String name, Span span, InputLevels.Reading reading) {
    double top = y(span.most());
    double height = Math.max(3, y(span.least()) - top);
    Rectangle bar =
        new Rectangle(LEFT + WIDTH + 4, Math.min(top, y(span.least()) - height), 8, height);
    bar.getStyleClass().add("level-mark");
    bar.pseudoClassStateChanged(BAD, reading == InputLevels.Reading.UNDEFINED);
    getChildren().add(bar);
    double at = Math.min(TOP + HEIGHT - 22, Math.max(TOP + 8, top + height / 2));
    // Where both levels are alike, the words of the second go under those of the first.
    if (!Double.isNaN(marked) && Math.abs(at - marked) < 2 * LABEL_PITCH) {
      boolean under = marked + 4 * LABEL_PITCH < TOP + HEIGHT;
      at = marked + (under ? 2 : -2) * LABEL_PITCH;
    }
    marked = at;
    label(name + ", " + reading.words(), at, true);
    label(words(span, reading), at + LABEL_PITCH, false);
  }

  private void steps(List<Double> steps) {
    List<Double> taken = new ArrayList<>();
    for (int i = 0; i < steps.size(); i++) {
      double at = y(steps.get(i));
      Rectangle bar = new Rectangle(LEFT, at - 1, WIDTH, 2);
      bar.getStyleClass().add("level-mark");
      getChildren().add(bar);
      if (taken.stream().noneMatch(other -> Math.abs(other - at) < LABEL_PITCH - 2)) {
        taken.add(at);
        label("step " + (i + 1) + "  " + Working.number(steps.get(i), 2) + " V", at, false);
      }
    }
  }

  private void label(String text, double at, boolean strong) {
    Label label = new Label(text);
    label.getStyleClass().add(strong ? "strong" : "mono");
    label.getStyleClass().add("level-label");
    label.relocate(LEFT + WIDTH + 18, at - 9);
    getChildren().add(label);
  }

  private String words(Span span, InputLevels.Reading reading) {
    if (!reads.sure(span, reading)) {
      return "no sure volts";
    }
    int places = span.most() < 0.095 ? 3 : 2;
    String least = Working.number(span.least(), places);
    String most = Working.number(span.most(), places);
    return least.equals(most) ? most + " V" : least + " to " + most + " V";
  }
}
