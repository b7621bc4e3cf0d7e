package kumite.panel;

import java.util.Optional;
import kumite.build.BoardChoice;
import kumite.build.panel.Panel;
import kumite.kind.BoardKind;
import kumite.measure.Point;
import kumite.measure.Shape;
import org.locationtech.jts.geom.Envelope;

/**
 * The board and the plug behind it, in place.
 *
 * @param outline the board's edge
 * @param plug the plug, its grip and the bend of its cable; empty where nothing is plugged in
 */
record BoardRoom(BoardChoice choice, BoardKind kind, Swept outline, Optional<Swept> plug) {

  static BoardRoom of(BoardChoice choice, BoardKind kind) {
    Swept outline =
        Swept.of(new Shape.Rect(kind.widthMm(), kind.heightMm(), 0), choice.placement());
    double reach = kind.seating().plugReachMm();
    if (reach <= 0 || kind.seating().plugWidthMm() <= 0) {
      return new BoardRoom(choice, kind, outline, Optional.empty());
    }
    Point middle = choice.placement().place(new Point(0, kind.heightMm() / 2 + reach / 2));
    Swept plug =
        Swept.of(
            new Shape.Rect(kind.seating().plugWidthMm(), reach, 0),
            choice.placement().movedTo(middle.xMm(), middle.yMm()));
    return new BoardRoom(choice, kind, outline, Optional.of(plug));
  }

  /** {@return how high it stands, or how deep it hangs, with all that is on it, in mm} */
  double heightMm() {
    return choice.heightMm(kind);
  }

  boolean hangs() {
    return choice.seat() == BoardChoice.Seat.PANEL;
  }

  /**
   * {@return the room between the lower end of a body and the top of the board, in mm; negative
   * where they share a height. A board that hangs beside the body shares all of it}
   */
  double clearanceMm(Panel panel, Swept body, double belowMm) {
    if (hangs()) {
      return belowMm <= 0 ? Double.POSITIVE_INFINITY : -Math.min(belowMm, heightMm());
    }
    return floorMm(panel, body) - belowMm - heightMm();
  }

  /** {@return the least depth of the case where a body and the board lie over each other} */
  double floorMm(Panel panel, Swept body) {
    Envelope one = body.envelope();
    Envelope two = outline.envelope();
    double from = Math.max(one.getMinY(), two.getMinY());
    double to = Math.min(one.getMaxY(), two.getMaxY());
    return Math.min(panel.depthAtMm(from), panel.depthAtMm(to));
  }

  /** {@return the least depth of the case under the board, in mm} */
  double depthMm(Panel panel) {
    Envelope box = outline.envelope();
    return Math.min(panel.depthAtMm(box.getMinY()), panel.depthAtMm(box.getMaxY()));
  }
}
