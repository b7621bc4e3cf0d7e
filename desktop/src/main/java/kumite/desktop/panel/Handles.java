package kumite.desktop.panel;

import java.util.List;
import java.util.Optional;
import javafx.scene.AccessibleRole;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.control.Tooltip;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import kumite.build.panel.Block;
import kumite.build.panel.Panel;
import kumite.desktop.plan.Scale;
import kumite.measure.Point;

/** What a hand takes hold of to change the panel's corners, or the blocks in its case. */
final class Handles extends Group {
  private static final double HANDLE_PX = 5;

  /** What can be taken hold of now. */
  enum Kind {
    NONE,
    CORNERS,
    BLOCKS
  }

  /** One thing to take hold of. */
  sealed interface Held {
    /** A corner of the panel. */
    record Corner(int index) implements Held {}

    /** The middle of a side, which becomes a corner. */
    record Side(int index) implements Held {}

    /** A block, by its body. */
    record Body(int index) implements Held {}

    /** A block, by its back right corner. */
    record Size(int index) implements Held {}
  }

  private final Polygon ghost = new Polygon();
  private Kind kind = Kind.NONE;

  Handles() {
    setManaged(false);
    ghost.getStyleClass().add("handle-ghost");
    ghost.setMouseTransparent(true);
  }

  void kind(Kind wanted) {
    kind = wanted;
  }

  Kind kind() {
    return kind;
  }

  void show(Scale scale, Panel panel) {
    getChildren().clear();
    ghost.getPoints().clear();
    if (kind == Kind.CORNERS) {
      corners(scale, panel.corners());
    } else if (kind == Kind.BLOCKS) {
      List<Block> blocks = panel.inside().blocks();
      for (int i = 0; i < blocks.size(); i++) {
        block(scale, blocks.get(i), i);
      }
    }
    getChildren().add(ghost);
  }

  private void corners(Scale scale, List<Point> corners) {
    for (int i = 0; i < corners.size(); i++) {
      Point a = corners.get(i);
      Point b = corners.get((i + 1) % corners.size());
      Point middle = new Point((a.xMm() + b.xMm()) / 2, (a.yMm() + b.yMm()) / 2);
      handle(
          scale,
          middle,
          new Held.Side(i),
          "handle-side",
          "Middle of side " + (i + 1) + ": drag it out to make a corner");
    }
    for (int i = 0; i < corners.size(); i++) {
      handle(
          scale,
          corners.get(i),
          new Held.Corner(i),
          "handle",
          "Corner " + (i + 1) + ": drag it; with Ctrl a click takes it out");
    }
  }

  private void block(Scale scale, Block block, int index) {
    double w = block.widthMm() * scale.pxPerMm();
    double h = block.heightMm() * scale.pxPerMm();
    Point at = block.centre();
    Rectangle body = new Rectangle(scale.x(at.xMm()) - w / 2, scale.y(at.yMm()) - h / 2, w, h);
    body.getStyleClass().add("handle-body");
    name(body, new Held.Body(index), block.name() + ": drag it");
    handle(
        scale,
        new Point(block.leftMm() + block.widthMm(), block.frontMm() + block.heightMm()),
        new Held.Size(index),
        "handle",
        block.name() + ", its back right corner: drag it to size the block");
  }

  private void handle(Scale scale, Point at, Held held, String style, String words) {
    Circle circle = new Circle(scale.x(at.xMm()), scale.y(at.yMm()), HANDLE_PX);
    circle.getStyleClass().add(style);
    name(circle, held, words);
  }

  private void name(Node node, Held held, String words) {
    node.setUserData(held);
    node.setAccessibleRole(AccessibleRole.THUMB);
    node.setAccessibleText(words);
    Tooltip.install(node, new Tooltip(words));
    getChildren().add(node);
  }

  /** {@return what a picked node is a handle of} */
  static Optional<Held> of(Node picked) {
    return picked != null && picked.getUserData() instanceof Held held
        ? Optional.of(held)
        : Optional.empty();
  }

  /** Draws what would come of a drag, until it is let go. */
  void ghost(Scale scale, List<Point> ring) {
    ghost.getPoints().clear();
    ring.forEach(p -> ghost.getPoints().addAll(scale.x(p.xMm()), scale.y(p.yMm())));
  }
}
