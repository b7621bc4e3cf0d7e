package kumite.panel;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.box.Box;
import kumite.build.box.BoxBook;
import kumite.build.box.Making;
import kumite.build.panel.Block;
import kumite.build.panel.Panel;
import kumite.name.ControlId;
import kumite.parts.Catalogue;

/**
 * The screws that hold the panel itself: one into the middle of each small block that reaches it,
 * as corner blocks are used. What lies on such a screw lies crooked, and hides it once it is on.
 */
public final class PanelScrews {
  /** A block no longer than this is there to be screwed into: common practice, no source. */
  private static final double SMALL_MM = 40;

  /** The head of a usual wood screw or M4, in mm: common practice, no source. */
  private static final double HEAD_MM = 8;

  /**
   * A screw with something on it.
   *
   * @param control what lies on it
   * @param block what the screw goes into
   */
  public record Covered(ControlId control, Block block) {}

  private PanelScrews() {}

  /** {@return the blocks that the panel is screwed to, in order; not the lips of a seam} */
  public static List<Block> into(Panel panel, Optional<Box> box) {
    return panel.inside().blocks().stream()
        .filter(
            block ->
                box.map(Box::making)
                    .filter(Making.Printed.class::isInstance)
                    .map(Making.Printed.class::cast)
                    .filter(
                        printed ->
                            printed.seamed(
                                block.leftMm(), block.frontMm(), block.widthMm(), block.heightMm()))
                    .isEmpty())
        .filter(block -> block.widthMm() <= SMALL_MM && block.heightMm() <= SMALL_MM)
        .filter(block -> block.stands() != Block.Stands.FLOOR)
        .toList();
  }

  /** {@return all that lie on a screw, in the order of the controls} */
  public static List<Covered> covered(Build build, Catalogue catalogue) {
    List<Covered> covered = new ArrayList<>();
    List<Block> screwed = into(build.panel(), build.get(BoxBook.PART).box());
    for (Control control : screwed.isEmpty() ? List.<Control>of() : build.onPanel()) {
      Placed part = Placed.of(control, catalogue.kindOf(control));
      for (Block block : screwed) {
        Swept head = Swept.circle(block.centre(), HEAD_MM);
        boolean on =
            part.face().to(head).gapMm() < 0 || part.capped() && part.swing().to(head).gapMm() < 0;
        if (on) {
          covered.add(new Covered(control.id(), block));
        }
      }
    }
    return covered;
  }
}
