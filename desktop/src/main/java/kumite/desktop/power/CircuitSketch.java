package kumite.desktop.power;

import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import kumite.circuit.InputCircuit;
import kumite.kind.Common;
import kumite.working.Quantity;
import kumite.working.Working;

/** An input circuit drawn small and plain: what pulls, what closes, and the terminal. */
final class CircuitSketch extends Pane {
  private static final double X = 104;
  private static final double TOP = 22;
  private static final double NODE = 84;
  private static final double FOOT = 146;

  private final InputCircuit circuit;

  CircuitSketch(InputCircuit circuit, String terminal) {
    this.circuit = circuit;
    getStyleClass().add("circuit-sketch");
    setMinSize(200, 166);
    setPrefSize(200, 166);
    setAccessibleText(circuit.shape().words() + ", " + circuit.pull());
    switch (circuit.shape()) {
      case WIPER -> pot();
      case TAP_LADDER, BUTTON_LADDER -> ladder();
      default -> contact();
    }
    line(X, NODE, X + 40, NODE);
    dot(X, NODE);
    Label pin = new Label(terminal);
    pin.getStyleClass().addAll("mono", "circuit-pin");
    pin.relocate(X + 40, NODE - 11);
    getChildren().add(pin);
  }

  private void contact() {
    boolean railContact = circuit.common() == Common.RAIL && circuit.shape() == shapeOrLamp();
    String pull = circuit.pull();
    if (pull.equals("pull-down")) {
      line(X, NODE, X, NODE + 12);
      resistor(X, NODE + 12, pullWords(), false);
      line(X, NODE + 40, X, FOOT - 6);
      ground(X);
      supply(X, TOP);
      blade(X, TOP + 4, NODE);
      return;
    }
    supply(X, TOP);
    if (!pull.equals("none")) {
      line(X, TOP, X, TOP + 10);
      resistor(X, TOP + 10, pullWords(), false);
      line(X, TOP + 38, X, NODE);
    } else {
      note("no pull", X + 12, TOP + 16);
    }
    if (circuit.shape() == InputCircuit.Shape.LAMP_ON_CONTACT) {
      lamp();
    }
    double from = NODE;
    if (circuit.shape() == InputCircuit.Shape.MATRIX) {
      line(X, NODE, X, NODE + 6);
      diode(X, NODE + 6);
      from = NODE + 22;
    }
    blade(X, from, FOOT - 6);
    if (circuit.shape() == InputCircuit.Shape.MATRIX
        || circuit.shape() == InputCircuit.Shape.BARE_MATRIX) {
      note("row, driven low", X + 10, FOOT - 14);
      dot(X, FOOT - 6);
    } else if (railContact) {
      supply(X, FOOT - 6);
    } else {
      ground(X);
    }
  }

  private InputCircuit.Shape shapeOrLamp() {
    return circuit.shape() == InputCircuit.Shape.LAMP_ON_CONTACT
        ? InputCircuit.Shape.LAMP_ON_CONTACT
        : InputCircuit.Shape.CONTACT;
  }

  private String pullWords() {
    return circuit.pull().endsWith("beside it")
        ? "10 kohm"
        : short2(circuit.pulls().leastOhm())
            + " to "
            + Quantity.OHM.words(circuit.pulls().mostOhm());
  }

  private static String short2(double ohm) {
    return Quantity.OHM.words(ohm).replaceAll(" .*", "");
  }

  private void pot() {
    supply(X, TOP);
    line(X, TOP, X, NODE - 28);
    box(X, NODE - 28, 56);
    line(X, NODE + 28, X, FOOT - 6);
    ground(X);
    note(Quantity.OHM.words(circuit.track().ohm()), X - 62, NODE - 24);
    Polygon arrow = new Polygon(X + 7, NODE, X + 15, NODE - 4, X + 15, NODE + 4);
    arrow.getStyleClass().add("circuit-solid");
    getChildren().add(arrow);
  }

  private void ladder() {
    supply(X, TOP);
    if (circuit.shape() == InputCircuit.Shape.TAP_LADDER) {
      double step = (FOOT - 6 - TOP) / 3.0;
      for (int i = 0; i < 3; i++) {
        double y = TOP + i * step;
        line(X - 40, y, X - 40, y + 6);
        box(X - 40, y + 6, step - 12);
        line(X - 40, y + step - 6, X - 40, y + step);
        dot(X - 40, y + step);
      }
      line(X - 40, TOP, X, TOP);
      ground(X - 40);
      line(X - 40, TOP + step, X, NODE);
      note(
          circuit.track().steps() + " taps, " + Quantity.OHM.words(circuit.track().ohm()) + " each",
          X - 2,
          FOOT - 8);
    } else {
      line(X, TOP, X, TOP + 10);
      resistor(X, TOP + 10, "10 kohm", false);
      line(X, TOP + 38, X, NODE);
      for (int i = 0; i < 3; i++) {
        double x = X - 32 * i;
        if (i > 0) {
          line(x + 32, NODE, x + 24, NODE);
          Rectangle rung = new Rectangle(x + 8, NODE - 5, 16, 10);
          rung.getStyleClass().add("circuit-box");
          getChildren().add(rung);
          line(x, NODE, x + 8, NODE);
        }
        blade(x, NODE, FOOT - 6);
        ground(x);
      }
      note(circuit.track().steps() + " steps", X + 12, FOOT - 16);
    }
  }

  private void lamp() {
    double x = X - 52;
    InputCircuit.LampFeed feed = circuit.lamp().orElseThrow();
    if (circuit.common() == Common.GROUND) {
      supply(x, TOP);
      note(Working.number(feed.volts(), 1) + " V", x - 16, TOP - 18);
      if (feed.ohm() > 0) {
        line(x, TOP, x, TOP + 4);
        resistor(x, TOP + 4, Quantity.OHM.words(feed.ohm()), true);
        line(x, TOP + 32, x, TOP + 38);
      } else {
        line(x, TOP, x, TOP + 38);
        note("no R", x - 34, TOP + 10);
      }
      diode(x, TOP + 38);
      note("lamp", x - 40, TOP + 38);
      line(x, TOP + 54, x, NODE);
      line(x, NODE, X, NODE);
    }
  }

  private void diode(double x, double y) {
    Polygon triangle = new Polygon(x - 7, y, x + 7, y, x, y + 13);
    triangle.getStyleClass().add("circuit-box");
    getChildren().add(triangle);
    line(x - 7, y + 14, x + 7, y + 14);
    line(x, y + 14, x, y + 18);
  }

  private void blade(double x, double from, double to) {
    double middle = (from + to) / 2;
    line(x, from, x, middle - 9);
    boolean closed = circuit.restsClosed();
    Line arm = new Line(x, middle + 10, closed ? x : x - 10, middle - 9);
    arm.getStyleClass().add("circuit-blade");
    getChildren().add(arm);
    ring(x, middle - 9);
    ring(x, middle + 10);
    line(x, middle + 10, x, to);
  }

  private void resistor(double x, double y, String words, boolean left) {
    box(x, y, 28);
    note(words, left ? x - 12 - words.length() * 5.6 : x + 12, y + 5);
  }

  private void box(double x, double y, double height) {
    Rectangle box = new Rectangle(x - 6, y, 12, height);
    box.getStyleClass().add("circuit-box");
    getChildren().add(box);
  }

  private void supply(double x, double y) {
    line(x - 12, y, x + 12, y);
    if (x == X) {
      note(Working.number(circuit.reads().logicVolts(), 1) + " V", x - 14, y - 18);
    }
  }

  private void ground(double x) {
    line(x - 10, FOOT - 6, x + 10, FOOT - 6);
    line(x - 6, FOOT - 2, x + 6, FOOT - 2);
    line(x - 2, FOOT + 2, x + 2, FOOT + 2);
  }

  private void dot(double x, double y) {
    Circle dot = new Circle(x, y, 3);
    dot.getStyleClass().add("circuit-solid");
    getChildren().add(dot);
  }

  private void ring(double x, double y) {
    Circle ring = new Circle(x, y, 2.5);
    ring.getStyleClass().add("circuit-box");
    getChildren().add(ring);
  }

  private void line(double x1, double y1, double x2, double y2) {
    Line line = new Line(x1, y1, x2, y2);
    line.getStyleClass().add("circuit-line");
    getChildren().add(line);
  }

  private void note(String text, double x, double y) {
    Label note = new Label(text);
    note.getStyleClass().add("note");
    note.relocate(Math.max(0, x), y);
    getChildren().add(note);
  }
}
