package kumite.desktop.panel;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import javafx.geometry.Point2D;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import kumite.build.Control;
import kumite.build.panel.Panel;
import kumite.desktop.plan.Scale;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.measure.Point;
import kumite.name.ControlId;
import kumite.panel.Captions;
import kumite.panel.Gap;
import kumite.verdict.Bench;

/** What is written over the plan: dimensions, gaps, snap lines, a measured distance, a frame. */
final class Marks extends Pane {
  private static final int MOST_FIGURES = 8;

  /** How far from its gap a figure may stand, in dots. */
  private static final double CHIP_REACH_PX = 140;

  private Scale scale = new Scale(1, 0, 0, 0, false);
  private LengthUnit unit = LengthUnit.MM;

  Marks() {
    setMouseTransparent(true);
    setManaged(false);
    setPickOnBounds(false);
  }

  void begin(Scale newScale, LengthUnit newUnit) {
    scale = newScale;
    unit = newUnit;
    getChildren().clear();
  }

  /** Distances of a single selected control from the datum. */
  void dimensions(Bench bench, Set<ControlId> selection) {
    if (selection.size() != 1) {
      return;
    }
    Optional<Control> control = bench.build().control(selection.iterator().next());
    if (control.isEmpty()) {
      return;
    }
    Panel panel = bench.build().panel();
    Point at = control.get().placement().centre();
    Point shown = panel.datum().fromStored(at, panel);
    Point origin = panel.datum().toStored(new Point(0, 0), panel);
    double x = scale.x(at.xMm());
    double y = scale.y(at.yMm());
    dimension(scale.x(origin.xMm()), y, x, y, Length.number(shown.xMm(), unit));
    dimension(x, scale.y(origin.yMm()), x, y, Length.number(shown.yMm(), unit));
  }

  private void dimension(double x1, double y1, double x2, double y2, String text) {
    line(x1, y1, x2, y2, "dimension");
    // Towards the datum, where a panel is emptier than in its middle.
    double along = x1 == x2 ? 0.2 : 0.5;
    tag(text, x1 + (x2 - x1) * along, y1 + (y2 - y1) * along, "dimension-label");
  }

  /**
   * All gaps of findings that ask for something. Figures stand at the worst ones and at those of
   * the selection; on a crowded panel they would hide what they speak of.
   */
  void gaps(Bench bench, Set<ControlId> selection, Captions captions) {
    int written = 0;
    for (Finding finding : bench.findings()) {
      if (finding.severity() != Severity.FINE && finding.drawn().orElse(null) instanceof Gap gap) {
        boolean chosen = gap.controls().stream().anyMatch(selection::contains);
        if (chosen || written < MOST_FIGURES) {
          written++;
          String sign = finding.severity() == Severity.STOP ? "\u25CF " : "\u25B2 ";
          gapLine(gap, finding.severity().word());
          chip(gap, sign, finding.severity().word(), captions);
        } else {
          gapLine(gap, finding.severity().word());
        }
      }
    }
  }

  private void gapLine(Gap gap, String style) {
    line(
        scale.x(gap.from().xMm()),
        scale.y(gap.from().yMm()),
        scale.x(gap.to().xMm()),
        scale.y(gap.to().yMm()),
        "gap-line",
        style);
  }

  /** The figure of a gap, clear of names and parts, with a line to where it is narrowest. */
  private void chip(Gap gap, String sign, String style, Captions captions) {
    double x = scale.x((gap.from().xMm() + gap.to().xMm()) / 2);
    double y = scale.y((gap.from().yMm() + gap.to().yMm()) / 2);
    Label label = new Label(sign + Length.number(gap.gapMm(), unit));
    label.getStyleClass().addAll("mono", "gap-label", style);
    getChildren().add(label);
    label.applyCss();
    label.autosize();
    Optional<Captions.Box> place =
        captions.place(
            Captions.Box.about(x, y, 6, 6), label.getWidth(), label.getHeight(), CHIP_REACH_PX);
    Captions.Box box =
        place.orElse(Captions.Box.about(x, y - 18, label.getWidth(), label.getHeight()));
    label.relocate(Math.round(box.left()), Math.round(box.top()));
    if (!box.meets(Captions.Box.about(x, y, 6, 6), 4)) {
      Line leader =
          new Line(
              x,
              y,
              Math.max(box.left(), Math.min(box.right(), x)),
              Math.max(box.top(), Math.min(box.bottom(), y)));
      leader.getStyleClass().addAll("leader", style);
      getChildren().add(getChildren().indexOf(label), leader);
    }
  }

  /** One gap, drawn and written out; under the loupe with both ends marked. */
  void gap(Gap gap, String style, String sign) {
    double x1 = scale.x(gap.from().xMm());
    double y1 = scale.y(gap.from().yMm());
    double x2 = scale.x(gap.to().xMm());
    double y2 = scale.y(gap.to().yMm());
    gapLine(gap, style);
    tag(
        sign + Length.number(gap.gapMm(), unit),
        (x1 + x2) / 2,
        (y1 + y2) / 2 - 18,
        "gap-label",
        style);
  }

  void loupe(Gap gap) {
    gap(gap, "loupe", gap.kind().words() + " ");
    for (Point end : new Point[] {gap.from(), gap.to()}) {
      Circle dot = new Circle(scale.x(end.xMm()), scale.y(end.yMm()), 3);
      dot.getStyleClass().add("loupe-end");
      getChildren().add(dot);
    }
  }

  /** What a dragged control snapped to. */
  void snap(Snap snap, Panel panel) {
    snapLine(snap.lineX(), true, snap.alongX(), panel);
    snapLine(snap.lineY(), false, snap.alongY(), panel);
  }

  private void snapLine(OptionalDouble at, boolean vertical, Optional<String> what, Panel panel) {
    if (at.isEmpty()) {
      return;
    }
    double mm = at.getAsDouble();
    double top = scale.y(panel.heightMm());
    double left = Math.min(scale.x(0), scale.x(panel.widthMm()));
    double right = Math.max(scale.x(0), scale.x(panel.widthMm()));
    if (vertical) {
      line(scale.x(mm), top, scale.x(mm), scale.y(0), "snap-line");
    } else {
      line(left, scale.y(mm), right, scale.y(mm), "snap-line");
    }
    Label label = new Label("in line with " + what.orElse(""));
    label.getStyleClass().add("snap-label");
    getChildren().add(label);
    label.applyCss();
    label.autosize();
    label.relocate(
        vertical ? scale.x(mm) + 4 : left + 8,
        vertical ? top + 4 : scale.y(mm) - label.getHeight() - 1);
  }

  /** A distance between two places that a person clicked. */
  void measured(Point from, Point to) {
    double x1 = scale.x(from.xMm());
    double y1 = scale.y(from.yMm());
    double x2 = scale.x(to.xMm());
    double y2 = scale.y(to.yMm());
    line(x1, y1, x2, y2, "measure-line");
    for (Point2D end : new Point2D[] {new Point2D(x1, y1), new Point2D(x2, y2)}) {
      Circle dot = new Circle(end.getX(), end.getY(), 3);
      dot.getStyleClass().add("loupe-end");
      getChildren().add(dot);
    }
    if (from.distanceMm(to) > 0.01) {
      tag(
          Length.both(from.distanceMm(to))
              + "   across "
              + Length.number(Math.abs(to.xMm() - from.xMm()), unit)
              + "  along "
              + Length.number(Math.abs(to.yMm() - from.yMm()), unit),
          (x1 + x2) / 2,
          (y1 + y2) / 2 - 16,
          "dimension-label");
    }
  }

  /** The frame that selects what lies inside. */
  void frame(double x1, double y1, double x2, double y2) {
    Rectangle frame =
        new Rectangle(Math.min(x1, x2), Math.min(y1, y2), Math.abs(x2 - x1), Math.abs(y2 - y1));
    frame.getStyleClass().add("select-frame");
    getChildren().add(frame);
  }

  private void line(double x1, double y1, double x2, double y2, String... styles) {
    Line line = new Line(x1, y1, x2, y2);
    line.getStyleClass().addAll(styles);
    getChildren().add(line);
  }

  /** A label whose centre keeps its place, whatever size its text takes once it is styled. */
  private void tag(String text, double x, double y, String... styles) {
    Label label = new Label(text);
    label.getStyleClass().add("mono");
    label.getStyleClass().addAll(styles);
    getChildren().add(label);
    label.layoutXProperty().bind(label.widthProperty().multiply(-0.5).add(Math.round(x)));
    label.layoutYProperty().bind(label.heightProperty().multiply(-0.5).add(Math.round(y)));
  }
}
