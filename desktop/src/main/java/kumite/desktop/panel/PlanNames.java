package kumite.desktop.panel;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Line;
import kumite.name.ControlId;
import kumite.panel.Captions;

/**
 * The names on the plan: inside a part where they fit, else beside it, never on each other, with a
 * fine line to what they name where they stand off.
 */
final class PlanNames extends Pane {
  /** How far a name is moved out at a time, in dots. */
  private static final double STEP_PX = 6;

  private static final double FURTHEST_PX = 90;

  /** Half the height of the cross at a control's centre. */
  private static final double CENTRE_MARK_PX = 4;

  /** A name nearer than this to its part needs no line to it. */
  private static final double NEAR_PX = 5;

  private final List<Line> leaders = new ArrayList<>();

  PlanNames() {
    setMouseTransparent(true);
    setManaged(false);
  }

  /**
   * Places all names.
   *
   * @param others what else is written on the plan, kept clear
   * @param aside other names, with what they name
   * @return what is left free, for the figures of gaps
   */
  Captions place(
      double width,
      double height,
      Collection<ControlNode> nodes,
      Set<ControlId> selection,
      Collection<Node> others,
      Map<Label, Captions.Box> aside) {
    getChildren().removeAll(leaders);
    leaders.clear();
    Captions captions = new Captions(new Captions.Box(2, 2, width - 4, height - 4), STEP_PX);
    others.stream().filter(Node::isVisible).forEach(node -> captions.take(box(node)));
    nodes.forEach(node -> captions.avoid(node.face()));
    List<ControlNode> order = new ArrayList<>(nodes);
    order.sort(
        Comparator.comparing((ControlNode node) -> !selection.contains(node.controlId()))
            .thenComparing(ControlNode::controlId));
    for (ControlNode node : order) {
      Label name = node.name();
      Captions.Box face = node.face();
      // Below the centre mark, its lower corners inside a round rim.
      double down = name.getHeight() / 2 + CENTRE_MARK_PX;
      double rim = Math.min(face.width(), face.height()) / 2 - 2;
      Captions.Box inside =
          Captions.Box.about(
              face.midAcross(), face.midDown() + down, name.getWidth(), name.getHeight());
      boolean fits =
          node.hasRoomInside()
              && Math.hypot(name.getWidth() / 2, down + name.getHeight() / 2) < rim;
      Optional<Captions.Box> place = Optional.empty();
      if (fits && captions.isFree(inside)) {
        captions.take(inside);
        place = Optional.of(inside);
      } else {
        place = captions.place(face, name.getWidth(), name.getHeight(), FURTHEST_PX);
      }
      name.setVisible(place.isPresent());
      place.ifPresent(
          box -> {
            name.relocate(Math.round(box.left()), Math.round(box.top()));
            if (!box.meets(face, NEAR_PX)) {
              leader(face, box);
            }
          });
    }
    aside.forEach(
        (name, named) -> {
          Optional<Captions.Box> place =
              captions.place(named, name.getWidth(), name.getHeight(), FURTHEST_PX);
          name.setVisible(place.isPresent());
          place.ifPresent(
              box -> {
                name.relocate(Math.round(box.left()), Math.round(box.top()));
                if (!box.meets(named, NEAR_PX)) {
                  leader(named, box);
                }
              });
        });
    return captions;
  }

  private void leader(Captions.Box face, Captions.Box name) {
    Line line =
        new Line(
            face.midAcross(),
            face.midDown(),
            Math.max(name.left(), Math.min(name.right(), face.midAcross())),
            Math.max(name.top(), Math.min(name.bottom(), face.midDown())));
    line.getStyleClass().add("leader");
    leaders.add(line);
    getChildren().add(0, line);
  }

  private static Captions.Box box(Node node) {
    var at = node.getBoundsInParent();
    return new Captions.Box(at.getMinX(), at.getMinY(), at.getWidth(), at.getHeight());
  }
}
