package kumite.loom;

import java.util.ArrayList;
import java.util.List;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.loom.Laying;
import kumite.build.panel.Opening;
import kumite.build.panel.Panel;
import kumite.kind.BoardKind;
import kumite.measure.Point;
import kumite.working.Source;
import kumite.working.Working;

/** How long a wire is cut: its way along the panel's edges and round what stands in the case. */
final class Lengths {
  private static final Source LENGTHS =
      Source.common("wires run along the panel's edges, not across; allowances are yours");

  private final Build build;
  private final BoardKind board;
  private final Ways ways;

  Lengths(Build build, BoardKind board) {
    this.build = build;
    this.board = board;
    this.ways = Ways.of(build.panel());
  }

  private Laying laying() {
    return build.loom().laying();
  }

  /** {@return the distance along the panel's edges, round the blocks of the case} */
  double along(Point a, Point b) {
    return ways.mm(a, b);
  }

  /** {@return the distances along the panel's edges between all pairs of places} */
  double[][] distances(List<Point> places) {
    return ways.all(places);
  }

  /** A length to cut, with how it came about. */
  record Cut(int lengthMm, Working working) {
    static Cut of(String formula, List<Working.Value> values, double exactMm) {
      int rounded = (int) (Math.ceil(exactMm / 5 - 1e-9) * 5);
      return new Cut(
          rounded,
          new Working("cut length", formula, values, rounded + " mm, rounded up to 5", LENGTHS));
    }
  }

  /** {@return the cut from a place that deep below the panel to a terminal} */
  Cut toBoard(Point at, double depthMm, Point terminal) {
    Laying laying = laying();
    double dx = Math.abs(at.xMm() - terminal.xMm());
    double dy = Math.abs(at.yMm() - terminal.yMm());
    boolean onFloor = onFloor();
    double drop =
        onFloor ? Math.max(0, build.panel().depthAtMm(at.yMm()) - depthMm - boardHeightMm()) : 0;
    double round = ways.mm(at, terminal) - dx - dy;
    Working.Value loop = loop(at, terminal, dx + dy + round + drop + 2 * laying.slackMm());
    return Cut.of(
        "L = dx + dy + round + drop + 2 slack + loop",
        List.of(
            Working.value("dx", dx, 1, "mm", "left to right"),
            Working.value("dy", dy, 1, "mm", "front to back"),
            Working.value("round", round, 1, "mm", "the way round what stands in the case"),
            Working.value("drop", drop, 1, "mm", "from the tabs down to the board"),
            Working.value("slack", laying.slackMm(), 1, "mm", "at each end"),
            loop),
        dx
            + dy
            + round
            + drop
            + 2 * laying.slackMm()
            + loopMm(at, terminal, dx + dy + round + drop));
  }

  private double boardHeightMm() {
    return build.board().map(b -> b.heightMm(board)).orElse(board.seating().heightMm());
  }

  private boolean onFloor() {
    return build.board().map(b -> b.seat() == BoardChoice.Seat.FLOOR).orElse(true);
  }

  private Working.Value loop(Point at, Point terminal, double routed) {
    String why =
        !onFloor()
            ? "none: board and controls stay together"
            : build.panel().inside().opening() == Opening.LIFTS_OFF
                ? "so that the panel lifts off"
                : "so that the lid opens square, " + build.panel().inside().opening().words();
    return Working.value(
        "loop", loopMm(at, terminal, routed - 2 * laying().slackMm()), 1, "mm", why);
  }

  /**
   * The service loop. A board on the panel needs none. A panel that lifts off takes the loop from
   * the settings. A hinged one needs what the strand lacks when the lid stands square: from the
   * board, as far from the hinge as it lies, to the control, as high above the hinge.
   */
  private double loopMm(Point at, Point terminal, double routed) {
    if (!onFloor()) {
      return 0;
    }
    Panel panel = build.panel();
    Opening opening = panel.inside().opening();
    if (beside(at)) {
      return 0; // what sits in a wall stays there when the lid opens
    }
    if (opening == Opening.LIFTS_OFF) {
      return laying().serviceLoopMm();
    }
    double lid = opening.fromHingeMm(at, panel);
    double base = opening.fromHingeMm(terminal, panel);
    boolean acrossX = opening == Opening.HINGED_BACK || opening == Opening.HINGED_FRONT;
    double aside = Math.abs(acrossX ? at.xMm() - terminal.xMm() : at.yMm() - terminal.yMm());
    double rise = lid + panel.depthAtMm(terminal.yMm());
    double open = Math.sqrt(base * base + rise * rise + aside * aside);
    return Math.max(0, open - routed - 2 * laying().slackMm());
  }

  /** {@return whether a place lies beside the panel: in a wall or the floor, unfolded} */
  private boolean beside(Point at) {
    return at.xMm() < 0
        || at.yMm() < 0
        || at.xMm() > build.panel().widthMm()
        || at.yMm() > build.panel().heightMm();
  }

  /** A wire from the lid to a wall follows the lid as it opens. */
  private double followMm(Point from, Point to) {
    if (beside(from) == beside(to)) {
      return 0;
    }
    Panel panel = build.panel();
    Point lid = beside(from) ? to : from;
    return panel.inside().opening() == Opening.LIFTS_OFF
        ? laying().serviceLoopMm()
        : panel.inside().opening().fromHingeMm(lid, panel) + panel.depthAtMm(lid.yMm());
  }

  Cut link(Point from, Point to) {
    double follow = followMm(from, to);
    double dx = Math.abs(from.xMm() - to.xMm());
    double dy = Math.abs(from.yMm() - to.yMm());
    List<Working.Value> values =
        new ArrayList<>(
            List.of(
                Working.value("dx", dx, 1, "mm", "left to right"),
                Working.value("dy", dy, 1, "mm", "front to back"),
                Working.value(
                    "round",
                    ways.mm(from, to) - dx - dy,
                    1,
                    "mm",
                    "the way round what is in the case"),
                Working.value("slack", laying().slackMm(), 1, "mm", "at each end")));
    if (follow > 0) {
      values.add(Working.value("loop", follow, 1, "mm", "from the lid to a wall, as it opens"));
    }
    return Cut.of(
        follow > 0 ? "L = dx + dy + round + 2 slack + loop" : "L = dx + dy + round + 2 slack",
        values,
        ways.mm(from, to) + 2 * laying().slackMm() + follow);
  }

  /** {@return bare wire straight from one place to another, soldered where it passes} */
  Cut bare(Point from, Point to) {
    double straight = from.distanceMm(to);
    return Cut.of(
        "L = straight",
        List.of(Working.value("straight", straight, 1, "mm", "tab to tab, no slack")),
        straight);
  }

  /** A short piece between two tabs of one control, long enough to be held. */
  private static final double JUMPER_MM = 20;

  Cut jumper() {
    return Cut.of(
        "L = 20 + slack",
        List.of(Working.value("slack", laying().slackMm(), 1, "mm", "both ends together")),
        JUMPER_MM + laying().slackMm());
  }

  /** {@return the cut between two tabs of one control} */
  Cut jumper(Point from, Point to) {
    return ways.mm(from, to) <= JUMPER_MM ? jumper() : link(from, to);
  }
}
