package kumite.desktop.panel;

import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import kumite.build.Control;
import kumite.desktop.plan.Scale;
import kumite.finding.Severity;
import kumite.kind.ControlKind;
import kumite.kind.ScrewHole;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.measure.Point;
import kumite.name.ControlId;
import kumite.panel.Captions;

/** One control drawn on the plan, its centre at the node's origin. */
final class ControlNode extends Pane {
  private static final PseudoClass SELECTED = PseudoClass.getPseudoClass("selected");
  private static final PseudoClass LIVE = PseudoClass.getPseudoClass("live");
  private static final PseudoClass STOP = PseudoClass.getPseudoClass("stop");
  private static final PseudoClass BELOW = PseudoClass.getPseudoClass("below");
  private static final PseudoClass LOOK = PseudoClass.getPseudoClass("look");

  private final ControlId id;
  private final Pane turned = new Pane();
  private final Label label = new Label();
  private final Tooltip tip = new Tooltip();
  private String drawn = "";
  private Captions.Box face = new Captions.Box(0, 0, 0, 0);
  private Optional<Shown> shown = Optional.empty();

  ControlNode(ControlId id) {
    this.id = id;
    setId("control-" + id.text());
    getStyleClass().add("control-node");
    setAccessibleRole(AccessibleRole.BUTTON);
    setFocusTraversable(true);
    setPickOnBounds(false);
    turned.setPickOnBounds(false);
    label.getStyleClass().add("control-label");
    label.setMouseTransparent(true);
    label.setManaged(false);
    label.setFocusTraversable(false);
    turned.setManaged(false);
    getChildren().add(turned);
    Tooltip.install(this, tip);
  }

  ControlId controlId() {
    return id;
  }

  /** What is shown; a control that did not change is not laid out again. */
  private record Shown(Control control, ControlKind kind, Scale scale, LengthUnit unit) {}

  void show(Control control, ControlKind kind, Scale scale, LengthUnit unit) {
    Shown wish = new Shown(control, kind, scale, unit);
    if (Optional.of(wish).equals(shown)) {
      return;
    }
    shown = Optional.of(wish);
    String wanted = kind.id() + scale.pxPerMm();
    if (!wanted.equals(drawn)) {
      draw(kind, scale.pxPerMm());
      drawn = wanted;
    }
    relocate(scale.x(control.placement().xMm()), scale.y(control.placement().yMm()));
    turned.setRotate(0);
    turned
        .getTransforms()
        .setAll(
            new javafx.scene.transform.Scale(scale.turned() ? -1 : 1, 1),
            new javafx.scene.transform.Rotate(-control.placement().turnDegrees()));
    pseudoClassStateChanged(BELOW, scale.turned());
    label.setText(control.label());
    label.applyCss();
    label.autosize();
    face = faceBox(kind, control.placement().turnDegrees(), scale.pxPerMm());
    tip.setText(control.label() + ": " + kind.trait());
    setAccessibleText(
        control.label()
            + ", "
            + kind.name()
            + ", at "
            + Length.number(control.placement().xMm(), unit)
            + ", "
            + Length.number(control.placement().yMm(), unit));
  }

  /** {@return the name, which lies over all controls} */
  Label name() {
    return label;
  }

  /** {@return whether nothing that a hand takes hold of is drawn where a name would be} */
  boolean hasRoomInside() {
    return shown.map(s -> grip(s.kind()).isEmpty()).orElse(false);
  }

  /** {@return the box about its face, wherever it is now} */
  Captions.Box face() {
    return Captions.Box.about(getLayoutX(), getLayoutY(), face.width(), face.height());
  }

  /** The box about a face that is turned. */
  private static Captions.Box faceBox(ControlKind kind, double turnDegrees, double pxPerMm) {
    double w = kind.face().widthMm() * pxPerMm;
    double h = kind.face().heightMm() * pxPerMm;
    if (kind.face() instanceof kumite.measure.Shape.Round) {
      return Captions.Box.about(0, 0, w, h);
    }
    double cos = Math.abs(Math.cos(Math.toRadians(turnDegrees)));
    double sin = Math.abs(Math.sin(Math.toRadians(turnDegrees)));
    return Captions.Box.about(0, 0, w * cos + h * sin, w * sin + h * cos);
  }

  /** Puts the control where a hand drags it, before it is worked out. */
  void drag(double xPx, double yPx) {
    relocate(xPx, yPx);
    shown = Optional.empty();
  }

  void state(boolean selected, boolean live, Severity worst) {
    pseudoClassStateChanged(SELECTED, selected);
    label.pseudoClassStateChanged(SELECTED, selected);
    pseudoClassStateChanged(LIVE, live);
    pseudoClassStateChanged(STOP, worst == Severity.STOP);
    pseudoClassStateChanged(LOOK, worst == Severity.LOOK);
  }

  private void draw(ControlKind kind, double s) {
    turned.getChildren().clear();
    add(kind.body(), s, "body");
    add(kind.face(), s, "face");
    add(kind.cutout(), s, "cutout");
    double wrench = kind.mount().wrenchMm();
    if (wrench > 0) {
      add(new kumite.measure.Shape.Round(wrench), s, "wrench");
    }
    grip(kind).ifPresent(shape -> add(shape, s, "grip"));
    for (ScrewHole screw : kind.screws()) {
      Point at = screw.at();
      Circle hole = new Circle(at.xMm() * s, -at.yMm() * s, screw.diameterMm() / 2 * s);
      hole.getStyleClass().add("screw");
      turned.getChildren().add(hole);
    }
    Line across = new Line(-4, 0, 4, 0);
    Line along = new Line(0, -4, 0, 4);
    across.getStyleClass().add("centre-mark");
    along.getStyleClass().add("centre-mark");
    turned.getChildren().addAll(across, along);
  }

  /** What a hand takes hold of, where that is smaller than the face. */
  private static Optional<kumite.measure.Shape> grip(ControlKind kind) {
    return switch (kind.family()) {
      case LEVER -> Optional.of(new kumite.measure.Shape.Round(17));
      case STICK -> Optional.of(new kumite.measure.Shape.Round(kind.face().widthMm() / 2));
      case SLIDER -> Optional.of(new kumite.measure.Shape.Rect(12, 7, 1));
      case TOGGLE ->
          kind.above().heightMm() > 10
              ? Optional.of(new kumite.measure.Shape.Round(6))
              : Optional.empty();
      default -> Optional.empty();
    };
  }

  private void add(kumite.measure.Shape shape, double s, String style) {
    javafx.scene.shape.Shape node;
    if (shape instanceof kumite.measure.Shape.Round round) {
      node = new Circle(0, 0, round.diameterMm() / 2 * s);
    } else {
      kumite.measure.Shape.Rect rect = (kumite.measure.Shape.Rect) shape;
      Rectangle box =
          new Rectangle(
              -rect.widthMm() / 2 * s,
              -rect.heightMm() / 2 * s,
              rect.widthMm() * s,
              rect.heightMm() * s);
      box.setArcWidth(2 * rect.cornerMm() * s);
      box.setArcHeight(2 * rect.cornerMm() * s);
      node = box;
    }
    node.getStyleClass().add(style);
    turned.getChildren().add(node);
  }
}
