package kumite.desktop.loom;

import javafx.scene.AccessibleRole;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.control.Tooltip;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import kumite.component.Component;
import kumite.desktop.plan.Scale;
import kumite.wiring.Lay;

/**
 * A resistor, diode or capacitor where it sits: a body between its leads; a diode with its band.
 */
final class SmallPart {
  private static final double BODY_MM = 2;

  /** Of the way between its ends, how much the body takes at most. */
  private static final double MOST = 0.6;

  private SmallPart() {}

  static Node node(Lay.Small part, Scale scale) {
    double x1 = scale.x(part.from().xMm());
    double y1 = scale.y(part.from().yMm());
    double x2 = scale.x(part.to().xMm());
    double y2 = scale.y(part.to().yMm());
    double length = Math.hypot(x2 - x1, y2 - y1);
    Line leads = new Line(x1, y1, x2, y2);
    leads.getStyleClass().add("lay-lead");
    double along = Math.min(length * MOST, 2.4 * BODY_MM * scale.pxPerMm());
    double wide = Math.min(along / 1.6, BODY_MM * scale.pxPerMm());
    double mx = (x1 + x2) / 2;
    double my = (y1 + y2) / 2;
    double turn = Math.toDegrees(Math.atan2(y2 - y1, x2 - x1));
    Rectangle body = box(mx, my, along, wide, turn, "lay-part");
    Group node = new Group(leads, body);
    String words = part.part().words();
    if (part.part() instanceof Component.Diode) {
      double out = along * 0.3;
      double bx = mx + out * Math.cos(Math.toRadians(turn));
      double by = my + out * Math.sin(Math.toRadians(turn));
      node.getChildren().add(box(bx, by, Math.max(1, along * 0.14), wide, turn, "lay-band"));
      words += ", its band towards " + ((Component.Diode) part.part()).cathode();
    }
    if (part.part() instanceof Component.Resistor resistor) {
      words += ", " + resistor.job().words();
    }
    node.setAccessibleRole(AccessibleRole.IMAGE_VIEW);
    node.setAccessibleText(words);
    Tooltip.install(node, new Tooltip(words));
    return node;
  }

  private static Rectangle box(
      double x, double y, double width, double height, double turn, String style) {
    Rectangle box = new Rectangle(x - width / 2, y - height / 2, width, height);
    box.setRotate(turn);
    box.getStyleClass().add(style);
    return box;
  }
}
