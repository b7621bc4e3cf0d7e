package kumite.desktop.power;

import java.util.ArrayList;
import java.util.List;
import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import kumite.circuit.InputCircuit;
import kumite.circuit.InputLevels;
import kumite.circuit.Span;
import kumite.power.Ladder;
import kumite.working.Working;

/** A board's scale of volts: low, undefined, high, and where the levels of an input stand. */
final class LevelScale extends Pane {
  private static final PseudoClass BAD = PseudoClass.getPseudoClass("bad");
  private static final double TOP = 10;
  private static final double HEIGHT = 142;
  private static final double LEFT = 34;
  private static final double WIDTH = 24;
  private static final double LABEL_PITCH = 14;

  private final double fullVolts;

  LevelScale(InputLevels levels, int adcBits) {
    getStyleClass().add("level-scale");
    InputCircuit circuit = levels.circuit();
    fullVolts = Math.max(circuit.reads().logicVolts(), levels.mostVolts());
    setMinSize(190, TOP + HEIGHT + 14);
    setPrefSize(190, TOP + HEIGHT + 14);
    Rectangle tube = new Rectangle(LEFT, TOP, WIDTH, HEIGHT);
    tube.getStyleClass().add("level-tube");
    getChildren().add(tube);
    tick(0);
    tick(circuit.reads().logicVolts());
    if (!circuit.measured()) {
      band(circuit.reads().highVolts(), fullVolts, "level-sound");
      band(circuit.reads().lowVolts(), circuit.reads().highVolts(), "level-undefined");
      band(0, circuit.reads().lowVolts(), "level-sound");
      tick(circuit.reads().lowVolts());
      tick(circuit.reads().highVolts());
      mark("idle", levels.idleRange(), levels.idle());
      mark("held", levels.heldRange(), levels.held());
      setAccessibleText(
          "idle " + words(levels.idleRange()) + ", held " + words(levels.heldRange()));
    } else if (circuit.shape() == InputCircuit.Shape.WIPER) {
      Line slope = new Line(LEFT, y(0), LEFT + WIDTH, y(circuit.reads().logicVolts()));
      slope.getStyleClass().add("level-slope");
      getChildren().add(slope);
      label("end", y(circuit.reads().logicVolts()) + 4, true);
      label("start", y(0) - 4, true);
    } else {
      steps(circuit.ladder(Math.max(1, adcBits)));
    }
    Rectangle edge = new Rectangle(LEFT, TOP, WIDTH, HEIGHT);
    edge.getStyleClass().add("level-edge");
    getChildren().add(edge);
  }

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
    label(name + ", " + reading.words(), at, true);
    label(words(span), at + LABEL_PITCH, false);
  }

  private void steps(Ladder ladder) {
    List<Double> taken = new ArrayList<>();
    for (Ladder.Step step : ladder.steps()) {
      boolean close =
          ladder.leastGapCodes() < Ladder.CODES_APART
              && (step.number() == ladder.closest() || step.number() == ladder.closest() + 1);
      double top = y(step.mostVolts());
      Rectangle bar = new Rectangle(LEFT, top, WIDTH, Math.max(2, y(step.leastVolts()) - top));
      bar.getStyleClass().add("level-mark");
      bar.pseudoClassStateChanged(BAD, close);
      getChildren().add(bar);
      double at = y(step.volts());
      if (taken.stream().noneMatch(other -> Math.abs(other - at) < LABEL_PITCH - 2)) {
        taken.add(at);
        label("step " + step.number() + "  " + Working.number(step.volts(), 2) + " V", at, false);
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

  private static String words(Span span) {
    int places = span.most() < 0.095 ? 3 : 2;
    String least = Working.number(span.least(), places);
    String most = Working.number(span.most(), places);
    return least.equals(most) ? most + " V" : least + " to " + most + " V";
  }
}
