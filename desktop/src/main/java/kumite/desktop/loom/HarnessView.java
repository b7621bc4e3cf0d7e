package kumite.desktop.loom;

import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.StrokeLineCap;
import kumite.build.Control;
import kumite.build.panel.Block;
import kumite.build.panel.Panel;
import kumite.loom.Harness;
import kumite.measure.Point;
import kumite.verdict.Bench;

/** Where the wires run behind the panel: thicker where more run side by side. */
final class HarnessView extends Pane {
  private static final double HEIGHT = 196;
  private static final double EDGE = 8;

  private Bench bench;
  private double drawn = -1;

  HarnessView() {
    getStyleClass().add("harness");
    setMinHeight(HEIGHT);
    setPrefHeight(HEIGHT);
    setMaxHeight(HEIGHT);
  }

  void show(Bench newBench) {
    bench = newBench;
    drawn = -1;
    requestLayout();
  }

  @Override
  protected void layoutChildren() {
    if (bench != null && drawn != getWidth()) {
      drawn = getWidth();
      draw();
    }
    super.layoutChildren();
  }

  private void draw() {
    getChildren().clear();
    if (bench.board().isEmpty()) {
      return;
    }
    Panel panel = bench.build().panel();
    double scale =
        Math.min(
            (getWidth() - 2 * EDGE) / panel.widthMm(), (HEIGHT - 2 * EDGE - 16) / panel.heightMm());
    double left = (getWidth() - panel.widthMm() * scale) / 2;
    double top = EDGE;
    Rectangle face = new Rectangle(left, top, panel.widthMm() * scale, panel.heightMm() * scale);
    face.getStyleClass().add("panel-outline");
    getChildren().add(face);
    for (Block block : panel.inside().blocks()) {
      Rectangle box =
          new Rectangle(
              left + block.leftMm() * scale,
              top + (panel.heightMm() - block.frontMm() - block.heightMm()) * scale,
              block.widthMm() * scale,
              block.heightMm() * scale);
      box.getStyleClass().add("block");
      getChildren().add(box);
    }
    Harness harness = Harness.of(bench.build(), bench.board().orElseThrow(), bench.loom());
    for (Harness.Bundle bundle : harness.bundles()) {
      Line line =
          new Line(
              left + bundle.from().xMm() * scale,
              top + (panel.heightMm() - bundle.from().yMm()) * scale,
              left + bundle.to().xMm() * scale,
              top + (panel.heightMm() - bundle.to().yMm()) * scale);
      line.getStyleClass().add("bundle");
      line.setStrokeLineCap(StrokeLineCap.ROUND);
      line.setStrokeWidth(1 + Math.sqrt(bundle.strands().size()) * 1.2);
      Tooltip.install(
          line,
          new Tooltip(
              bundle.strands().size() + " side by side: " + String.join(", ", bundle.strands())));
      getChildren().add(line);
    }
    for (Point branch : harness.branches()) {
      dot(left, top, scale, panel, branch, 2.6, "branch");
    }
    for (Control control : bench.build().controls()) {
      Circle dot = dot(left, top, scale, panel, control.placement().centre(), 4, "harness-control");
      Tooltip.install(dot, new Tooltip(control.label()));
    }
    bench
        .build()
        .board()
        .ifPresent(
            board -> {
              double width = bench.board().orElseThrow().widthMm() * scale;
              double height = bench.board().orElseThrow().heightMm() * scale;
              Point at = board.placement().centre();
              Rectangle body =
                  new Rectangle(
                      left + at.xMm() * scale - width / 2,
                      top + (panel.heightMm() - at.yMm()) * scale - height / 2,
                      width,
                      height);
              body.setRotate(-board.placement().turnDegrees());
              body.getStyleClass().add("board-body");
              getChildren().add(body);
            });
    Label note =
        new Label(
            "Seen from the face. Up to "
                + harness.thickest()
                + " strands side by side, tied at "
                + harness.branches().size()
                + " branch points");
    note.getStyleClass().add("note");
    note.relocate(left, HEIGHT - 20);
    getChildren().add(note);
  }

  private Circle dot(
      double left, double top, double scale, Panel panel, Point at, double radius, String style) {
    Circle dot =
        new Circle(left + at.xMm() * scale, top + (panel.heightMm() - at.yMm()) * scale, radius);
    dot.getStyleClass().add(style);
    getChildren().add(dot);
    return dot;
  }
}
