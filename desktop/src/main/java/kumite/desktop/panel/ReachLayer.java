package kumite.desktop.panel;

import java.util.List;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.shape.Arc;
import javafx.scene.shape.ArcType;
import javafx.scene.shape.Circle;
import kumite.build.brief.Hand;
import kumite.desktop.plan.Scale;

/** Resting points of the player, which can be dragged, with the arc that a finger reaches. */
final class ReachLayer extends Group {

  void show(Scale scale, Hand hand, boolean wanted) {
    getChildren().clear();
    if (!wanted) {
      return;
    }
    List<Hand.Rest> rests = hand.rests();
    for (int i = 0; i < rests.size(); i++) {
      Hand.Rest rest = rests.get(i);
      double x = scale.x(rest.at().xMm());
      double y = scale.y(rest.at().yMm());
      double r = hand.reachMm() * scale.pxPerMm();
      Arc arc = new Arc(x, y, r, r, 0, 180);
      arc.setType(ArcType.OPEN);
      arc.getStyleClass().add("reach-arc");
      arc.setMouseTransparent(true);
      Circle palm = new Circle(x, y, Math.max(9, hand.breadthMm() / 8 * scale.pxPerMm()));
      palm.getStyleClass().add("rest-point");
      palm.setId("rest-" + i);
      palm.setUserData(i);
      Label name = new Label(rest.name() + ", reach");
      name.getStyleClass().add("reach-label");
      name.setMouseTransparent(true);
      getChildren().addAll(arc, palm, name);
      name.applyCss();
      name.autosize();
      name.relocate(x - name.getWidth() / 2, y - palm.getRadius() - name.getHeight() - 2);
    }
  }

  /** {@return the number of the resting point under the mouse, or -1} */
  static int restOf(Node node) {
    return node instanceof Circle && node.getUserData() instanceof Integer index ? index : -1;
  }
}
