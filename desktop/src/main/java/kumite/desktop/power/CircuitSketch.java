package kumite.desktop.power;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import kumite.circuit.Sketch;
import kumite.working.Working;

/**
 * What hangs on an input, drawn from what was solved and from nothing else: each net is a level,
 * the highest on top, and each part stands between its two nets, where no other part stands.
 */
final class CircuitSketch extends Pane {
  private static final double WIDTH = 200;
  private static final double TOP = 24;
  private static final double FOOT = 142;
  private static final double FIRST = 54;

  /** Room for the name of a place where there is nothing else to draw. */
  private static final double BARE_PIN = 150;

  private static final double LABELLED_PITCH = 86;
  private static final int MOST_LETTERS = 12;
  private static final double BARE_PITCH = 26;
  private static final double BODY = 20;
  private static final int MOST_COLUMNS = 6;

  private final Sketch sketch;
  private final Map<String, Double> levels = new HashMap<>();
  private final List<List<Sketch.Branch>> columns = new ArrayList<>();

  CircuitSketch(Sketch sketch) {
    this.sketch = sketch;
    getStyleClass().add("circuit-sketch");
    setMinSize(WIDTH, 166);
    setPrefSize(WIDTH, 166);
    List<String> words =
        sketch.branches().stream()
            .map(b -> b.name() + " " + b.words() + " " + b.between())
            .toList();
    setAccessibleText(sketch.place() + ": " + String.join(", ", words));
    Tooltip.install(this, new Tooltip(sketch.how() + "\n" + String.join("\n", words)));
    place();
    pack();
    draw();
  }

  /** The highest net on top; of nets at the same volts the one that hangs lower when held. */
  private void place() {
    List<Sketch.Level> sorted = new ArrayList<>(sketch.levels());
    sorted.sort(
        Comparator.comparingDouble((Sketch.Level l) -> -l.idleVolts() - l.heldVolts())
            .thenComparing(l -> !l.rail()));
    double step = sorted.size() < 2 ? 0 : (FOOT - TOP) / (sorted.size() - 1);
    for (int i = 0; i < sorted.size(); i++) {
      levels.put(sorted.get(i).name(), TOP + i * step);
    }
  }

  private double top(Sketch.Branch branch) {
    return Math.min(levels.get(branch.from()), levels.get(branch.to()));
  }

  private double foot(Sketch.Branch branch) {
    return Math.max(levels.get(branch.from()), levels.get(branch.to()));
  }

  /** Parts that share no height share a column. */
  private void pack() {
    for (Sketch.Branch branch : sketch.branches()) {
      columns.stream()
          .filter(column -> column.stream().allMatch(other -> apart(branch, other)))
          .findFirst()
          .orElseGet(
              () -> {
                columns.add(new ArrayList<>());
                return columns.get(columns.size() - 1);
              })
          .add(branch);
    }
  }

  private boolean apart(Sketch.Branch one, Sketch.Branch other) {
    return foot(one) <= top(other) + 0.5 || foot(other) <= top(one) + 0.5;
  }

  private void draw() {
    boolean labelled = columns.size() <= 2;
    int shown = Math.min(columns.size(), MOST_COLUMNS);
    Map<String, double[]> reach = new HashMap<>();
    reach.put(sketch.place(), new double[] {FIRST - 20, FIRST});
    for (int i = 0; i < shown; i++) {
      double x = FIRST + i * (labelled ? LABELLED_PITCH : BARE_PITCH);
      for (Sketch.Branch branch : columns.get(i)) {
        branch(branch, x, labelled);
        touch(reach, branch.from(), x);
        touch(reach, branch.to(), x);
      }
    }
    for (Sketch.Level level : sketch.levels()) {
      double[] ends = reach.get(level.name());
      if (ends != null) {
        level(level, ends);
      }
    }
    if (columns.size() > shown) {
      int hidden = columns.subList(shown, columns.size()).stream().mapToInt(List::size).sum();
      note("and " + hidden + " more", FIRST + shown * BARE_PITCH - 12, FOOT + 4);
    }
    if (sketch.branches().isEmpty()) {
      note(tied() ? "tied to it, pressed or not" : "nothing hangs on it", FIRST + 6, TOP + 30);
    }
    pin();
  }

  private static void touch(Map<String, double[]> reach, String net, double x) {
    reach.merge(
        net,
        new double[] {x, x},
        (one, other) -> new double[] {Math.min(one[0], other[0]), Math.max(one[1], other[1])});
  }

  private void level(Sketch.Level level, double[] ends) {
    double y = levels.get(level.name());
    line(ends[0], y, Math.max(ends[1], ends[0] + 1), y);
    boolean read = level.name().equals(sketch.place());
    if (level.rail() && level.idleVolts() == 0) {
      double middle = (Math.max(FIRST, ends[0]) + ends[1]) / 2;
      line(middle - 10, y, middle + 10, y);
      line(middle - 6, y + 4, middle + 6, y + 4);
      line(middle - 2, y + 8, middle + 2, y + 8);
    } else if (level.rail() && !read) {
      double from = Math.max(FIRST, ends[0]);
      line(from - 12, y, ends[1] + 12, y);
      note(Working.number(level.idleVolts(), 1) + " V", from - 14, y - 18);
    }
    if (read && !level.rail()) {
      dot(ends[0] + 20, y);
    }
  }

  /** Whether what is read is a rail itself. */
  private boolean tied() {
    return sketch.levels().stream()
        .anyMatch(level -> level.rail() && level.name().equals(sketch.place()));
  }

  private void pin() {
    double y = levels.getOrDefault(sketch.place(), (TOP + FOOT) / 2);
    Label pin = new Label(sketch.place());
    pin.getStyleClass().addAll("mono", "circuit-pin");
    pin.setMaxWidth(sketch.branches().isEmpty() ? BARE_PIN : FIRST - 14);
    pin.setTooltip(new Tooltip(sketch.place()));
    pin.relocate(0, y - 12);
    getChildren().add(pin);
  }

  private void branch(Sketch.Branch branch, double x, boolean labelled) {
    double top = top(branch);
    double foot = foot(branch);
    double middle = (top + foot) / 2;
    double half = Math.min(BODY / 2 + 2, (foot - top) / 2);
    line(x, top, x, middle - half);
    line(x, middle + half, x, foot);
    switch (branch.kind()) {
      case RESISTOR, SKIN, OUTPUT -> box(x, middle - half, 2 * half);
      case TRACK -> {
        box(x, middle - half, 2 * half);
        Polygon arrow = new Polygon(x - 13, middle, x - 6, middle - 4, x - 6, middle + 4);
        arrow.getStyleClass().add("circuit-solid");
        getChildren().add(arrow);
      }
      case CONTACT -> blade(x, middle, half, branch.closedAtRest());
      case DIODE, LAMP -> diode(x, middle, half, levels.get(branch.from()) <= middle);
    }
    if (labelled && foot - top > 14) {
      String words = branch.words().isEmpty() ? branch.name() : branch.words();
      part(branch.kind() == Sketch.Kind.LAMP ? "lamp " + words : words, x + 11, middle, foot - top);
    }
  }

  /** A part's words: on two lines where one would run into the next column. */
  private void part(String words, double x, double middle, double height) {
    boolean two = words.length() > MOST_LETTERS && height > 34 && columns.size() > 1;
    int cut = two ? words.lastIndexOf(' ', words.length() / 2 + 1) : -1;
    if (cut > 0) {
      note(words.substring(0, cut), x, middle - 15);
      note(words.substring(cut + 1), x, middle - 1);
    } else {
      note(words, x, middle - 8);
    }
  }

  private void diode(double x, double y, double half, boolean down) {
    double tip = down ? half : -half;
    Polygon triangle = new Polygon(x - 7, y - tip, x + 7, y - tip, x, y + tip);
    triangle.getStyleClass().add("circuit-box");
    getChildren().add(triangle);
    line(x - 7, y + tip, x + 7, y + tip);
  }

  private void blade(double x, double y, double half, boolean closed) {
    Line arm = new Line(x, y + half, closed ? x : x - 9, y - half);
    arm.getStyleClass().add("circuit-blade");
    getChildren().add(arm);
    ring(x, y - half);
    ring(x, y + half);
  }

  private void box(double x, double y, double height) {
    Rectangle box = new Rectangle(x - 6, y, 12, height);
    box.getStyleClass().add("circuit-box");
    getChildren().add(box);
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
