package kumite.panel;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.box.Box;
import kumite.build.box.Cutout;
import kumite.build.panel.Panel;
import kumite.kind.BoardKind;
import kumite.measure.Point;
import kumite.measure.Shape;
import kumite.parts.Catalogue;

/**
 * Where the cable of a board would leave the case, straight on from its plug.
 *
 * @param board in words
 * @param side of the case
 * @param atMm its middle, from the left edge of the panel, or from the front edge at a side
 * @param plugMm how wide an opening its plug's grip passes
 * @param downMm how far below the underside of the panel its plug is: half-way up the board, common
 *     practice, no source
 */
public record WayOut(String board, Side side, double atMm, double plugMm, double downMm) {
  /** A wall of the case. */
  public enum Side {
    FRONT("front", "left"),
    BACK("back", "left"),
    LEFT("left", "front"),
    RIGHT("right", "front");

    private final String words;
    private final String from;

    Side(String words, String from) {
      this.words = words;
      this.from = from;
    }

    /** {@return which wall, in words for people} */
    public String words() {
      return words;
    }

    /** {@return the edge that places along it are measured from, in words for people} */
    public String from() {
      return from;
    }
  }

  /** Room round a plug's grip so that it passes, in mm: common practice, no source. */
  private static final double ROUND_MM = 2;

  /** A plug's grip is no taller than this: common practice, no source. */
  public static final double GRIP_HIGH_MM = 7;

  /** {@return one for each board that has a plug, in a case that has walls} */
  public static List<WayOut> of(Build build, Catalogue catalogue) {
    List<WayOut> ways = new ArrayList<>();
    for (BoardRoom board : BoardRoom.of(build, catalogue)) {
      of(board, build.panel()).ifPresent(ways::add);
    }
    return ways;
  }

  static Optional<WayOut> of(BoardRoom board, Panel panel) {
    BoardKind.Seating seating = board.kind().seating();
    if (panel.inside().wallMm() <= 0 || board.plug().isEmpty()) {
      return Optional.empty();
    }
    Point centre = board.choice().placement().centre();
    Point end = board.choice().placement().place(new Point(0, board.kind().heightMm() / 2));
    double dx = end.xMm() - centre.xMm();
    double dy = end.yMm() - centre.yMm();
    boolean across = Math.abs(dx) > Math.abs(dy);
    Side side = across ? dx < 0 ? Side.LEFT : Side.RIGHT : dy < 0 ? Side.FRONT : Side.BACK;
    return Optional.of(
        new WayOut(
            board.words(),
            side,
            across ? end.yMm() : end.xMm(),
            seating.plugWidthMm() + ROUND_MM,
            board.middleMm(panel, end.yMm())));
  }

  /** {@return how wide its grip is, in mm} */
  public double gripMm() {
    return plugMm - ROUND_MM;
  }

  /** {@return whether an opening of a case lets its plug out} */
  public boolean let(Box box) {
    return box.openings().stream().anyMatch(this::through);
  }

  private boolean through(Cutout opening) {
    if (!opening.face().name().equals(side.name())) {
      return false;
    }
    double dx = Math.abs(opening.at().xMm() - atMm) + gripMm() / 2;
    double dy = Math.abs(opening.at().yMm() - downMm) + GRIP_HIGH_MM / 2;
    return opening.hole() instanceof Shape.Round round
        ? Math.hypot(dx, dy) <= round.diameterMm() / 2 + NEAR_MM
        : dx <= opening.hole().widthMm() / 2 + NEAR_MM
            && dy <= opening.hole().heightMm() / 2 + NEAR_MM;
  }

  private static final double NEAR_MM = 1e-6;
}
