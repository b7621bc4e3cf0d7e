package kumite.panel;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Seat;
import kumite.build.panel.Block;
import kumite.build.panel.Panel;
import kumite.kind.BoardKind;
import kumite.measure.Point;
import kumite.measure.Shape;
import kumite.name.SeatId;
import kumite.parts.Catalogue;
import org.locationtech.jts.geom.Envelope;

/**
 * A board and the plug behind it, in place.
 *
 * @param seat whose board it is
 * @param words what it is called where several are
 * @param outline the board's edge
 * @param plug the plug, its grip and the bend of its cable; empty where nothing is plugged in
 */
record BoardRoom(
    SeatId seat,
    String words,
    BoardChoice choice,
    BoardKind kind,
    Swept outline,
    Optional<Swept> plug) {

  /** {@return the boards of all seats that have one} */
  static List<BoardRoom> of(Build build, Catalogue catalogue) {
    List<BoardRoom> boards = new ArrayList<>();
    long several = build.seats().stream().filter(seat -> seat.board().isPresent()).count();
    for (Seat seat : build.seats()) {
      String words = several > 1 ? "the board of seat " + seat.id() : "the board";
      seat.board()
          .flatMap(
              choice ->
                  catalogue.board(choice.kind()).map(kind -> of(seat.id(), words, choice, kind)))
          .ifPresent(boards::add);
    }
    return boards;
  }

  static BoardRoom of(SeatId seat, String words, BoardChoice choice, BoardKind kind) {
    Swept outline =
        Swept.of(new Shape.Rect(kind.widthMm(), kind.heightMm(), 0), choice.placement());
    double reach = kind.seating().plugReachMm();
    if (reach <= 0 || kind.seating().plugWidthMm() <= 0) {
      return new BoardRoom(seat, words, choice, kind, outline, Optional.empty());
    }
    Point middle = choice.placement().place(new Point(0, kind.heightMm() / 2 + reach / 2));
    Swept plug =
        Swept.of(
            new Shape.Rect(kind.seating().plugWidthMm(), reach, 0),
            choice.placement().movedTo(middle.xMm(), middle.yMm()));
    return new BoardRoom(seat, words, choice, kind, outline, Optional.of(plug));
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

  /** {@return the places of its screws, where its kind says where they are} */
  List<Point> screws() {
    return kind.seating().standoffHoleMm() <= 0
        ? List.of()
        : kind.seating().standoffs().stream().map(at -> choice.placement().place(at)).toList();
  }

  /** {@return its plug in words} */
  String plugWords() {
    return words.equals("the board") ? "the board's plug" : "the plug of " + words;
  }

  /** {@return it as what takes part in a gap} */
  Gap.Thing thing() {
    return new Gap.Thing(words, Optional.of(seat));
  }

  /** {@return how far its upper end is below the panel, where the case is so deep} */
  double topMm(double depthMm) {
    return hangs() ? 0 : depthMm - heightMm();
  }

  /** {@return how far half of its height is below the panel at a place, in mm} */
  double middleMm(Panel panel, double yMm) {
    double depth = panel.depthAtMm(yMm);
    return (topMm(depth) + bottomMm(depth)) / 2;
  }

  /** {@return how far its lower end is below the panel, where the case is so deep} */
  double bottomMm(double depthMm) {
    return hangs() ? heightMm() : depthMm;
  }

  /** {@return whether it shares a height with a block, both over the same ground} */
  boolean level(Block block, Panel panel, Swept with) {
    double depth = floorMm(panel, outline, with);
    return topMm(depth) < block.bottomMm(depth) && block.topMm(depth) < bottomMm(depth);
  }

  /** {@return whether it shares a height with another board} */
  boolean level(BoardRoom other, Panel panel) {
    double depth = floorMm(panel, other.outline);
    return topMm(depth) < other.bottomMm(depth) && other.topMm(depth) < bottomMm(depth);
  }

  /** {@return the least depth of the case where a body and the board lie over each other} */
  double floorMm(Panel panel, Swept body) {
    return floorMm(panel, body, outline);
  }

  /** {@return the least depth of the case where two outlines lie over each other} */
  static double floorMm(Panel panel, Swept body, Swept other) {
    Envelope one = body.envelope();
    Envelope two = other.envelope();
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
