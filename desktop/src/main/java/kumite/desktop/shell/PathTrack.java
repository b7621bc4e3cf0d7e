package kumite.desktop.shell;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.OverrunStyle;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.Pane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import kumite.device.Hop;
import kumite.device.Trace;

/** The line of the path strip: the hops with their values, and below them the time ruler. */
final class PathTrack extends Pane {
  private static final PseudoClass LIVE = PseudoClass.getPseudoClass("live");
  private static final PseudoClass BROKEN = PseudoClass.getPseudoClass("broken");
  private static final List<String> STAGES =
      Arrays.stream(Hop.Stage.values()).map(Hop.Stage::word).toList();

  /** A move that came to rest later than this after the start is not drawn to scale. */
  private static final long LATEST_US = 50_000;

  private static final class HopView {
    final Label stage = new Label();
    final Circle dot = new Circle(6);
    final Label value = new Label();
    final Label measure = new Label();
    final VBox words = new VBox(value, measure);

    HopView(String name) {
      stage.setText(name);
      stage.getStyleClass().add("hop-stage");
      dot.getStyleClass().add("hop-dot");
      value.getStyleClass().add("hop-value");
      measure.getStyleClass().addAll("mono", "hop-measure");
      words.getStyleClass().add("hop-words");
      for (Label label : new Label[] {value, measure}) {
        label.setTextOverrun(OverrunStyle.ELLIPSIS);
        label.setMaxWidth(Double.MAX_VALUE);
      }
    }
  }

  private final Workbench workbench;
  private final List<HopView> views = new ArrayList<>();
  private final List<Line> links = new ArrayList<>();
  private final Label empty = new Label("Here you will see its way: " + String.join(" > ", STAGES));
  private final Line ruler = new Line();
  private final List<Node> marks = new ArrayList<>();
  private final Map<Node, Double> anchors = new HashMap<>();

  PathTrack(Workbench workbench) {
    this.workbench = workbench;
    getStyleClass().add("track");
    setMinHeight(92);
    for (int i = 0; i < STAGES.size() - 1; i++) {
      Line link = new Line();
      link.getStyleClass().add("hop-link");
      links.add(link);
      getChildren().add(link);
    }
    for (String stage : STAGES) {
      HopView view = new HopView(stage);
      views.add(view);
      getChildren().addAll(view.stage, view.dot, view.words);
    }
    empty.getStyleClass().add("note");
    ruler.getStyleClass().add("ruler-line");
    getChildren().addAll(empty, ruler);
  }

  void show(List<Hop> hops, boolean any) {
    empty.setVisible(!any);
    for (int i = 0; i < views.size(); i++) {
      HopView view = views.get(i);
      view.stage.setVisible(any);
      view.dot.setVisible(any);
      view.words.setVisible(any);
      if (any) {
        Hop hop = hops.get(i);
        view.value.setText(hop.value());
        view.measure.setText(hop.measure());
        Tooltip.install(
            view.words, new Tooltip(hop.value() + "\n" + hop.measure() + "\n" + hop.tip()));
        view.dot.pseudoClassStateChanged(LIVE, hop.live());
        view.dot.pseudoClassStateChanged(BROKEN, hop.broken());
        view.value.pseudoClassStateChanged(BROKEN, hop.broken());
      }
      if (i > 0) {
        links.get(i - 1).setVisible(any);
        links.get(i - 1).pseudoClassStateChanged(LIVE, any && hops.get(i).live());
        links.get(i - 1).pseudoClassStateChanged(BROKEN, any && hops.get(i).broken());
      }
    }
    ruler();
    requestLayout();
  }

  /** The ruler below: when the press got where, to scale. */
  private void ruler() {
    getChildren().removeAll(marks);
    marks.clear();
    anchors.clear();
    Optional<Trace.Hops> times =
        workbench.path().get().flatMap(id -> workbench.trace().get().map(t -> t.hops().get(id)));
    // Of a script only what comes at its start is to this scale; its own strip shows the rest.
    ruler.setVisible(
        times.isPresent()
            && times.get().reportedUs().isPresent()
            && times.get().bounceUs() < LATEST_US);
    if (!ruler.isVisible()) {
      return;
    }
    Trace.Hops t = times.get();
    // A report at the very end would lie on the end's own word.
    double end = Math.max(8000, Math.ceil((t.reportedUs().getAsLong() + 900) / 4000.0) * 4000);
    mark(0, end, "0", false, 0.5);
    mark(end, end, String.format(Locale.ROOT, "%.0f ms", end / 1000), false, 0.5);
    if (t.bounceUs() > 0) {
      mark(t.bounceUs(), end, "contact rests", true, 0.5);
    }
    // Settled and report are often a hair apart: one word goes to the left, the other to the
    // right.
    t.settledUs().ifPresent(us -> mark(us, end, "settled ", true, 1));
    mark(t.reportedUs().getAsLong(), end, " report", true, 0);
  }

  private void mark(double us, double end, String text, boolean live, double anchor) {
    Line tick = new Line();
    tick.getStyleClass().add("ruler-line");
    tick.pseudoClassStateChanged(LIVE, live);
    Label label = new Label(text);
    label.getStyleClass().addAll("mono", "ruler-label");
    tick.setUserData(us / end);
    label.setUserData(us / end);
    anchors.put(label, anchor);
    marks.add(tick);
    marks.add(label);
    getChildren().addAll(tick, label);
  }

  @Override
  protected void layoutChildren() {
    double width = getWidth();
    double column = width / STAGES.size();
    double lineY = snapPositionY(28);
    for (int i = 0; i < views.size(); i++) {
      HopView view = views.get(i);
      double centre = snapPositionX(column * (i + 0.5));
      view.stage.autosize();
      view.stage.relocate(snapPositionX(centre - view.stage.getWidth() / 2), 2);
      view.dot.setCenterX(centre);
      view.dot.setCenterY(lineY);
      view.words.resizeRelocate(
          snapPositionX(column * i + 3), lineY + 11, column - 6, view.words.prefHeight(column - 6));
      if (i > 0) {
        Line link = links.get(i - 1);
        link.setStartX(centre - column);
        link.setEndX(centre);
        link.setStartY(lineY);
        link.setEndY(lineY);
      }
    }
    empty.autosize();
    empty.relocate(16, 36);
    double rulerY = snapPositionY(getHeight() - 15) + 0.5;
    double from = column / 2;
    double to = width - column / 2;
    ruler.setStartX(from);
    ruler.setEndX(to);
    ruler.setStartY(rulerY);
    ruler.setEndY(rulerY);
    for (Node node : marks) {
      double x = snapPositionX(from + (to - from) * (double) node.getUserData()) + 0.5;
      if (node instanceof Line tick) {
        tick.setStartX(x);
        tick.setEndX(x);
        tick.setStartY(rulerY - 3);
        tick.setEndY(rulerY + 3);
      } else {
        Label label = (Label) node;
        label.autosize();
        label.relocate(x - label.getWidth() * anchors.get(label), rulerY + 2);
      }
    }
  }
}
