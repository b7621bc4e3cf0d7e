package kumite.panel;

import java.util.ArrayList;
import java.util.List;
import kumite.build.panel.Panel;
import kumite.measure.Point;
import kumite.working.Source;
import kumite.working.Working;

/** What lies between the board, its plug and everything else. */
final class BoardGaps {
  private static final Source HEIGHTS =
      Source.common("heights of boards and standoffs vary: measure yours");
  private static final Source PLUGS = Source.common("plugs and their grips vary: measure yours");

  private BoardGaps() {}

  /** Measures boards and their plugs against walls, blocks, each other and the case's depth. */
  static void measure(Surroundings around, Measured into) {
    List<BoardRoom> boards = around.boards();
    for (int i = 0; i < boards.size(); i++) {
      BoardRoom board = boards.get(i);
      wall(Gap.Kind.BOARD_WALL, board, board.outline(), around, into);
      if (!around.lets(board)) {
        board.plug().ifPresent(plug -> wall(Gap.Kind.PLUG_WALL, board, plug, around, into));
      }
      for (int at = 0; at < around.outlines().size(); at++) {
        if (board.level(around.blocks().get(at), around.panel(), around.outlines().get(at))) {
          int block = at;
          block(board, board.outline(), at, around, into);
          board.plug().ifPresent(plug -> block(board, plug, block, around, into));
        }
      }
      for (BoardRoom other : boards.subList(0, i)) {
        if (other.level(board, around.panel())) {
          beside(other, board, into);
        }
      }
      depth(board, around.panel(), into);
    }
  }

  private static void beside(BoardRoom one, BoardRoom other, Measured into) {
    List<Swept> ones = new ArrayList<>(List.of(one.outline()));
    one.plug().ifPresent(ones::add);
    List<Swept> others = new ArrayList<>(List.of(other.outline()));
    other.plug().ifPresent(others::add);
    Swept.Between between = Placed.narrowest(ones, others, Gaps.INTEREST_MM);
    if (between != null) {
      bare(
          Gap.Kind.BOARD_BOARD,
          other,
          between,
          one.words(),
          "gap = nearest distance between the two outlines",
          "boards, or their plugs with the bend of the cable",
          into);
    }
  }

  private static void wall(
      Gap.Kind kind, BoardRoom board, Swept outline, Surroundings around, Measured into) {
    Swept.Between between = around.wall().from(outline);
    boolean plug = kind == Gap.Kind.PLUG_WALL;
    bare(
        kind,
        board,
        between,
        "the " + around.wall().side(between) + " wall",
        plug
            ? "gap = from the end of the plug's bend to the inside of the wall"
            : "gap = from the board to the inside of the wall",
        plug ? "plug, its grip and the bend of the cable" : "board",
        into);
  }

  private static void block(
      BoardRoom board, Swept outline, int i, Surroundings around, Measured into) {
    Swept block = around.outlines().get(i);
    if (!outline.clearlyBeyond(block, Gaps.INTEREST_MM)) {
      bare(
          Gap.Kind.BOARD_BLOCK,
          board,
          outline.to(block),
          around.blocks().get(i).name(),
          "gap = nearest distance between the two outlines",
          "board, or its plug with the bend of the cable",
          into);
    }
  }

  private static void bare(
      Gap.Kind kind,
      BoardRoom board,
      Swept.Between between,
      String against,
      String formula,
      String what,
      Measured into) {
    into.add(
        kind,
        List.of(),
        board.thing(),
        against,
        between,
        0,
        () ->
            new Working(
                kind.words(),
                formula,
                List.of(
                    Working.words("A", what, "sizes from the catalogue"),
                    Working.value("needed", 0, 1, "mm", "they may touch, not cross")),
                Working.number(between.gapMm(), 1) + " mm",
                PLUGS));
  }

  /** The board, on the floor or under the panel, takes its height of the case's depth. */
  private static void depth(BoardRoom board, Panel panel, Measured into) {
    double depth = board.depthMm(panel);
    double room = depth - board.heightMm();
    Point centre = board.choice().placement().centre();
    into.add(
        Gap.Kind.BOARD_DEPTH,
        List.of(),
        board.thing(),
        board.hangs() ? "the case floor" : "the panel",
        new Swept.Between(room, centre, centre),
        Gaps.BOARD_MM,
        () ->
            new Working(
                "room " + (board.hangs() ? "below" : "above") + " the board",
                "room = depth - height",
                List.of(
                    Working.value(
                        "depth", depth, 1, "mm", "underside of panel to case floor, at the board"),
                    Working.value(
                        "height",
                        board.heightMm(),
                        1,
                        "mm",
                        "board with what stands on it and its standoffs"),
                    Working.value("needed", Gaps.BOARD_MM, 1, "mm", "so that nothing is pressed")),
                Working.number(room, 1) + " mm",
                HEIGHTS));
  }

  /**
   * Measures a part against the board and its plug. Where their heights are shared they must stay
   * apart sideways; where the body hangs above the board, the bend of its wire needs room.
   */
  static void toPart(Placed part, Surroundings around, Measured into) {
    for (BoardRoom board : around.boards()) {
      toPart(Gap.Kind.BODY_BOARD, part, board, board.outline(), around.panel(), into);
      board
          .plug()
          .ifPresent(plug -> toPart(Gap.Kind.BODY_PLUG, part, board, plug, around.panel(), into));
      if (board.hangs()) {
        screws(part, board, into);
        Swept.Between turned = Placed.narrowest(part.wrench(), List.of(board.outline()), 0);
        if (turned != null && turned.gapMm() < 0) {
          into.single(
              Gap.Kind.WRENCH_BOARD,
              part,
              turned,
              board.words(),
              0,
              "gap = from what the wrench sweeps to the board",
              "the wrench just passes");
        }
      }
    }
  }

  /** The screws of a board that hangs come through the panel; their heads lie on its face. */
  private static void screws(Placed part, BoardRoom board, Measured into) {
    List<Swept> heads =
        board.screws().stream()
            .map(at -> Swept.circle(at, 2 * board.kind().seating().standoffHoleMm()))
            .toList();
    Swept.Between head = Placed.narrowest(heads, List.of(part.face()), Gaps.HEAD_MM);
    if (head != null && head.gapMm() < Gaps.HEAD_MM) {
      into.single(
          Gap.Kind.BOARD_SCREW,
          part,
          head,
          "a screw of " + board.words(),
          Gaps.HEAD_MM,
          "gap = from the screw's head to the rim of the flange",
          "the flange lies flat");
    }
  }

  private static void toPart(
      Gap.Kind kind, Placed part, BoardRoom board, Swept outline, Panel panel, Measured into) {
    if (part.body().clearlyBeyond(outline, Gaps.INTEREST_MM)) {
      return;
    }
    double below = part.depthMm(panel);
    double over = board.clearanceMm(panel, part.body(), below);
    if (over >= Gaps.BEND_MM) {
      return; // it hangs well above the board
    }
    Swept.Between sideways = part.body().to(outline);
    boolean above = over > 0 && sideways.gapMm() < Gaps.BODY_MM;
    Swept.Between between =
        above ? new Swept.Between(over, sideways.from(), sideways.from()) : sideways;
    double needed = above ? Gaps.BEND_MM : Gaps.BODY_MM;
    into.add(
        kind,
        List.of(part.id()),
        kind == Gap.Kind.BODY_PLUG ? board.plugWords() : board.words(),
        between,
        needed,
        () ->
            new Working(
                kind.words(),
                board.hangs()
                    ? "both hang below the panel, so they meet sideways"
                    : above
                        ? "gap = H - D - B, straight down"
                        : "they share a height where H - D - B is under 0; then gap = sideways",
                List.of(
                    Working.value(
                        "H",
                        board.floorMm(panel, part.body()),
                        1,
                        "mm",
                        "underside of panel to case floor"),
                    Working.value("D", below, 1, "mm", "body"),
                    Working.value("B", board.heightMm(), 1, "mm", "board on its standoffs"),
                    Working.value(
                        "needed",
                        needed,
                        1,
                        "mm",
                        above ? "bend of the wire above the board" : "sideways")),
                Working.number(between.gapMm(), 1) + (above ? " mm above it" : " mm sideways"),
                HEIGHTS));
  }
}
