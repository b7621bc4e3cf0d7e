package kumite.panel;

import java.util.List;
import kumite.build.panel.Opening;
import kumite.build.panel.Panel;
import kumite.working.Source;
import kumite.working.Working;
import org.locationtech.jts.geom.Envelope;

/**
 * What the bodies under a hinged lid pass as it swings open.
 *
 * <p>The pin of the hinge is taken at the panel's edge, level with its underside. The lowest, far
 * edge of a body at r from the pin and d below it runs on a circle of radius {@code sqrt(r^2 +
 * d^2)} (Pythagoras); when it rises past the level t below the panel it is {@code sqrt(r^2 + d^2 -
 * t^2)} from the pin, further out than it hung. Walls and blocks reach up to the panel, so there t
 * is 0; a board on the floor ends lower. What is too near with the lid shut is told as that alone.
 */
final class LidGaps {
  private static final Source ARC =
      Source.common("the pin is taken at the panel's edge, level with its underside; the arc is");

  private LidGaps() {}

  static void measure(Placed part, Surroundings around, Measured into) {
    Panel panel = around.panel();
    double deep = part.depthMm(panel);
    if (panel.inside().opening() == Opening.LIFTS_OFF || deep <= 0) {
      return;
    }
    double far = farFromHingeMm(part.body().envelope(), panel);
    double out = outMm(far, deep, 0);
    Swept swung = dragged(part.body(), panel.inside().opening(), out);
    Swept.Between wall = around.wall().nearest(List.of(swung), Gaps.BODY_MM);
    if (wall != null && around.wall().from(part.body()).gapMm() >= Gaps.BODY_MM) {
      add(Gap.Kind.LID_WALL, part, wall, "the " + Boundary.side(wall) + " wall", far, deep, into);
    }
    for (int i = 0; i < around.outlines().size(); i++) {
      Swept block = around.outlines().get(i);
      if (!swung.clearlyBeyond(block, Gaps.BODY_MM)) {
        Swept.Between past = swung.to(block);
        if (part.body().to(block).gapMm() >= Gaps.BODY_MM) {
          add(Gap.Kind.LID_BLOCK, part, past, around.blocks().get(i).name(), far, deep, into);
        }
      }
    }
    around.board().ifPresent(board -> board(part, board, panel, far, deep, into));
  }

  private static void board(
      Placed part, BoardRoom board, Panel panel, double far, double deep, Measured into) {
    double top = board.floorMm(panel, part.body()) - board.heightMm();
    if (board.hangs() || deep <= top) {
      return; // it opens with the lid, or lies lower than the body ever is
    }
    Swept swung = dragged(part.body(), panel.inside().opening(), outMm(far, deep, top));
    if (!swung.clearlyBeyond(board.outline(), Gaps.BODY_MM)) {
      Swept.Between past = swung.to(board.outline());
      if (part.body().to(board.outline()).gapMm() >= Gaps.BODY_MM) {
        add(Gap.Kind.LID_BOARD, part, past, "the board", far, deep, into);
      }
    }
  }

  /** {@return how much further out the lowest edge is when it rises past a level, in mm} */
  static double outMm(double farMm, double deepMm, double levelMm) {
    double level = Math.max(0, levelMm);
    return Math.sqrt(farMm * farMm + deepMm * deepMm - level * level) - farMm;
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
      Placed part,
      Swept.Between between,
      String against,
      double far,
      double deep,
      Measured into) {
    into.add(
        kind,
        List.of(part.id()),
        against,
        between,
        Gaps.BODY_MM,
        () ->
            new Working(
                kind.words(),
                "it swings out by sqrt(r^2 + d^2) - r; gap = from there to " + against,
                List.of(
                    Working.value("r", far, 1, "mm", "hinge to the far edge of the body"),
                    Working.value("d", deep, 1, "mm", "body below the panel"),
                    Working.value("out", outMm(far, deep, 0), 1, "mm", "at the panel's level"),
                    Working.value("needed", Gaps.BODY_MM, 1, "mm", "so that it passes")),
                Working.number(between.gapMm(), 1) + " mm",
                ARC));
  }
}
