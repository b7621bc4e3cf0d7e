package kumite.panel;

import java.util.List;
import java.util.Optional;
import kumite.build.panel.Block;
import kumite.build.panel.Opening;
import kumite.build.panel.Panel;
import kumite.name.ControlId;
import kumite.working.Source;
import kumite.working.Working;
import org.locationtech.jts.geom.Envelope;

/**
 * What hangs under a hinged lid passes as it swings open: bodies, boards and blocks.
 *
 * <p>The pin of the hinge is taken at the panel's edge, level with its underside. The lowest, far
 * edge of a body at r from the pin and d below it runs on a circle of radius {@code sqrt(r^2 +
 * d^2)} (Pythagoras); when it rises past the level t below the panel it is {@code sqrt(r^2 + d^2 -
 * t^2)} from the pin, further out than it hung. Walls reach up to the panel, so there t is 0; a
 * board or a block on the floor ends lower. What is too near with the lid shut is told as that
 * alone.
 */
final class LidGaps {
  private static final Source ARC =
      Source.common("the pin is taken at the panel's edge, level with its underside; the arc is");

  private LidGaps() {}

  /**
   * What swings with the lid.
   *
   * @param outline seen from above
   * @param deepMm how far it reaches below the panel
   */
  private record Hung(List<ControlId> controls, Gap.Thing thing, Swept outline, double deepMm) {}

  static void measure(Placed part, Surroundings around, Measured into) {
    Hung hung =
        new Hung(List.of(part.id()), Gap.Thing.NONE, part.body(), part.depthMm(around.panel()));
    swing(hung, around, into);
  }

  /** Boards that are screwed to the lid, their plugs, and blocks under it. */
  static void measure(Surroundings around, Measured into) {
    for (BoardRoom board : around.boards()) {
      if (board.hangs()) {
        swing(new Hung(List.of(), board.thing(), board.outline(), board.heightMm()), around, into);
        board
            .plug()
            .ifPresent(
                plug ->
                    swing(
                        new Hung(
                            List.of(),
                            new Gap.Thing(board.plugWords(), Optional.of(board.seat())),
                            plug,
                            board.heightMm()),
                        around,
                        into));
      }
    }
    for (int i = 0; i < around.blocks().size(); i++) {
      Block block = around.blocks().get(i);
      if (block.stands() == Block.Stands.PANEL) {
        Gap.Thing thing = new Gap.Thing(block.name(), Optional.empty());
        swing(new Hung(List.of(), thing, around.outlines().get(i), block.tallMm()), around, into);
      }
    }
  }

  private static void swing(Hung hung, Surroundings around, Measured into) {
    Panel panel = around.panel();
    double deep = hung.deepMm();
    if (panel.inside().opening() == Opening.LIFTS_OFF || deep <= 0) {
      return;
    }
    double far = farFromHingeMm(hung.outline().envelope(), panel);
    Swept swung = dragged(hung.outline(), panel.inside().opening(), outMm(far, deep, 0));
    Swept.Between wall = around.wall().nearest(List.of(swung), Gaps.BODY_MM);
    if (wall != null && around.wall().from(hung.outline()).gapMm() >= Gaps.BODY_MM) {
      String against = "the " + around.wall().side(wall) + " wall";
      add(Gap.Kind.LID_WALL, hung, wall, against, far, 0, into);
    }
    for (int i = 0; i < around.outlines().size(); i++) {
      Block block = around.blocks().get(i);
      Swept outline = around.outlines().get(i);
      double top = block.topMm(BoardRoom.floorMm(panel, hung.outline(), outline));
      // What is under the lid too opens with it.
      if (block.stands() != Block.Stands.PANEL) {
        past(Gap.Kind.LID_BLOCK, hung, outline, block.name(), top, far, panel, into);
      }
    }
    for (BoardRoom board : around.boards()) {
      double top = board.topMm(board.floorMm(panel, hung.outline()));
      if (!board.hangs()) {
        past(Gap.Kind.LID_BOARD, hung, board.outline(), board.words(), top, far, panel, into);
      }
    }
  }

  private static void past(
      Gap.Kind kind,
      Hung hung,
      Swept other,
      String against,
      double top,
      double far,
      Panel panel,
      Measured into) {
    if (hung.deepMm() <= top) {
      return; // it lies lower than what swings ever is
    }
    double out = outMm(far, hung.deepMm(), top);
    Swept swung = dragged(hung.outline(), panel.inside().opening(), out);
    if (!swung.clearlyBeyond(other, Gaps.BODY_MM)
        && hung.outline().to(other).gapMm() >= Gaps.BODY_MM) {
      add(kind, hung, swung.to(other), against, far, top, into);
    }
  }

  /** {@return how much further out the lowest edge is when it rises past a level, in mm} */
  static double outMm(double farMm, double deepMm, double levelMm) {
    double level = Math.max(0, levelMm);
    return Math.sqrt(farMm * farMm + deepMm * deepMm - level * level) - farMm;
  }

  /** {@return what a body passes over, below a level, as the lid that it hangs from swings open} */
  static Swept swung(Swept outline, double deepMm, double levelMm, Panel panel) {
    double far = farFromHingeMm(outline.envelope(), panel);
    return dragged(outline, panel.inside().opening(), outMm(far, deepMm, levelMm));
  }

  private static double farFromHingeMm(Envelope body, Panel panel) {
    double far =
        switch (panel.inside().opening()) {
          case HINGED_BACK -> panel.heightMm() - body.getMinY();
          case HINGED_FRONT -> body.getMaxY();
          case HINGED_LEFT -> body.getMaxX();
          case HINGED_RIGHT -> panel.widthMm() - body.getMinX();
          case LIFTS_OFF -> 0;
        };
    return Math.max(0, far);
  }

  private static Swept dragged(Swept body, Opening opening, double byMm) {
    return switch (opening) {
      case HINGED_BACK -> body.dragged(0, -byMm);
      case HINGED_FRONT -> body.dragged(0, byMm);
      case HINGED_LEFT -> body.dragged(byMm, 0);
      case HINGED_RIGHT -> body.dragged(-byMm, 0);
      case LIFTS_OFF -> body;
    };
  }

  private static void add(
      Gap.Kind kind,
      Hung hung,
      Swept.Between between,
      String against,
      double far,
      double top,
      Measured into) {
    double deep = hung.deepMm();
    into.add(
        kind,
        hung.controls(),
        hung.thing(),
        against,
        between,
        Gaps.BODY_MM,
        () ->
            new Working(
                kind.words(),
                "it swings out by sqrt(r^2 + d^2 - t^2) - r; gap = from there to " + against,
                List.of(
                    Working.value("r", far, 1, "mm", "hinge to its far edge"),
                    Working.value("d", deep, 1, "mm", "below the panel"),
                    Working.value("t", Math.max(0, top), 1, "mm", against + " begins so far below"),
                    Working.value("out", outMm(far, deep, top), 1, "mm", "when it passes that"),
                    Working.value("needed", Gaps.BODY_MM, 1, "mm", "so that it passes")),
                Working.number(between.gapMm(), 1) + " mm",
                ARC));
  }
}
