package kumite.desktop.work;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.Shape;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.panel.Panel;
import kumite.kind.ControlKind;
import kumite.measure.Point;
import kumite.parts.Catalogue;
import kumite.plan.Step;

/** Where on the panel a step is worked, small: what it is about is filled, the rest is there. */
final class StepPicture extends Pane {
  private static final double WIDE_PX = 230;
  private static final double HIGH_PX = 120;
  private static final double BOARD_MM = 24;
  private static final String CONTROL = "control ";
  private static final String SEAT = "seat ";

  private final double scale;
  private final double high;

  private StepPicture(Build build, Catalogue catalogue, Set<String> controls, boolean board) {
    Panel panel = build.panel();
    scale = Math.min(WIDE_PX / panel.widthMm(), HIGH_PX / panel.heightMm());
    high = panel.heightMm() * scale;
    getStyleClass().add("step-picture");
    setMinSize(panel.widthMm() * scale + 2, high + 2);
    setMaxSize(panel.widthMm() * scale + 2, high + 2);
    getChildren().add(styled(outline(panel), "step-panel"));
    for (Control control : build.onPanel()) {
      ControlKind kind = catalogue.kindOf(control);
      boolean meant = controls.contains(control.id().text());
      getChildren().add(styled(part(control, kind), meant ? "step-meant" : "step-other"));
    }
    build
        .board()
        .ifPresent(
            choice -> {
              Point at = choice.placement().centre();
              Rectangle there =
                  new Rectangle(
                      (at.xMm() - BOARD_MM / 2) * scale,
                      high - (at.yMm() + BOARD_MM / 2) * scale,
                      BOARD_MM * scale,
                      BOARD_MM * scale);
              getChildren().add(styled(there, board ? "step-meant" : "step-other"));
            });
  }

  /** {@return the picture of a step that is about something on the panel or the board} */
  static Optional<StepPicture> of(Build build, Catalogue catalogue, Step step) {
    Set<String> controls =
        step.at().stream()
            .filter(at -> at.startsWith(CONTROL))
            .map(at -> at.substring(CONTROL.length()))
            .collect(Collectors.toSet());
    boolean board = step.at().stream().anyMatch(at -> at.startsWith(SEAT));
    boolean some =
        board && build.board().isPresent()
            || build.controls().stream().anyMatch(c -> controls.contains(c.id().text()));
    return some
        ? Optional.of(new StepPicture(build, catalogue, controls, board))
        : Optional.empty();
  }

  private Shape outline(Panel panel) {
    if (panel.outline().isEmpty()) {
      return new Rectangle(panel.widthMm() * scale, high);
    }
    Polygon polygon = new Polygon();
    List<Point> corners = panel.outline();
    corners.forEach(p -> polygon.getPoints().addAll(p.xMm() * scale, high - p.yMm() * scale));
    return polygon;
  }

  private Shape part(Control control, ControlKind kind) {
    double x = control.placement().xMm() * scale;
    double y = high - control.placement().yMm() * scale;
    if (kind.face() instanceof kumite.measure.Shape.Round round) {
      return new Circle(x, y, Math.max(2, round.diameterMm() / 2 * scale));
    }
    double wide = kind.face().widthMm() * scale;
    double tall = kind.face().heightMm() * scale;
    if (wide < 1 || tall < 1) {
      return new Line(x - 2, y, x + 2, y);
    }
    Rectangle there = new Rectangle(x - wide / 2, y - tall / 2, wide, tall);
    there.setRotate(-control.placement().turnDegrees());
    return there;
  }

  private static Shape styled(Shape shape, String style) {
    shape.getStyleClass().add(style);
    return shape;
  }
}
