package kumite.box;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.box.Box;
import kumite.build.box.BoxBook;
import kumite.build.box.Cutout;
import kumite.build.box.Face;
import kumite.build.box.Making;
import kumite.build.box.Through;
import kumite.build.panel.Block;
import kumite.build.panel.CaseInside;
import kumite.build.panel.Opening;
import kumite.build.panel.Panel;
import kumite.measure.Point;
import kumite.measure.Shape;
import kumite.panel.LidScrews;
import kumite.panel.WayOut;
import kumite.parts.Catalogue;

/** The case that follows from the panel alone, to begin from. */
public final class PlainBox {
  /** The kerf of a usual beam, and of a usual saw: common practice, no source. */
  private static final double BEAM_MM = 0.15;

  private static final double SAW_MM = 3;

  /** A usual board; a printed wall that is stiff: common practice, no source. */
  private static final double BOARD_MM = 12;

  private static final double PRINT_MM = 2.4;

  /** The bed of a usual printer: common practice, no source. */
  private static final double BED_MM = 220;

  private static final double BED_HIGH_MM = 250;

  /** A corner block that a screw does not split, and the largest that is of use. */
  private static final double LEAST_BLOCK_MM = 8;

  private static final double MOST_BLOCK_MM = 20;

  /** A plug's grip is no taller than this: common practice, no source. */
  private static final double PLUG_HIGH_MM = 9;

  private PlainBox() {}

  /** {@return a build with the plain case, and with corner blocks where the panel lifts off} */
  public static Build in(Build build, Catalogue catalogue) {
    Panel panel = build.panel();
    Box box = new Box(making(panel));
    for (WayOut way : WayOut.of(build, catalogue)) {
      if (panel.rectangular()) {
        box = box.with(opening(way));
      }
    }
    Build cased = build.with(BoxBook.PART, new BoxBook(box));
    return panel.inside().opening() == Opening.LIFTS_OFF && LidScrews.of(panel, box).at().isEmpty()
        ? cased.withPanel(blocked(panel, box))
        : cased;
  }

  /** {@return how a panel of that material is usually cased} */
  public static Making making(Panel panel) {
    return switch (panel.material()) {
      case ACRYLIC -> new Making.Laser(within(panel, panel.thicknessMm()), BEAM_MM, 0);
      case PRINTED -> new Making.Printed(within(panel, PRINT_MM), BED_MM, BED_MM, BED_HIGH_MM);
      case PLYWOOD, MDF, ALUMINIUM, STEEL -> new Making.Boards(within(panel, BOARD_MM), SAW_MM);
    };
  }

  /** Walls are no thicker than the room that was kept for them. */
  private static double within(Panel panel, double wanted) {
    double room = panel.inside().wallMm();
    return room < 0.5 ? wanted : Math.min(wanted, room);
  }

  /** {@return the opening that lets a board's plug out} */
  public static Cutout opening(WayOut way) {
    Face face = Face.valueOf(way.side().name());
    return new Cutout(
        "plug of " + way.board(),
        face,
        new Point(way.atMm(), way.downMm()),
        Through.PLUG,
        Optional.of(new Shape.Rect(way.plugMm(), PLUG_HIGH_MM, 0)));
  }

  /** {@return a panel with a block in each corner of its case, where there is room for one} */
  static Panel blocked(Panel panel, Box box) {
    CaseInside inside = panel.inside();
    double in = box.overhangMm() + box.making().thicknessMm();
    double side = Math.min(MOST_BLOCK_MM, inside.wallMm() - in);
    if (side < LEAST_BLOCK_MM || !panel.rectangular()) {
      return panel;
    }
    List<Block> blocks = new ArrayList<>(inside.blocks());
    double right = panel.widthMm() - in - side;
    double back = panel.heightMm() - in - side;
    blocks.add(new Block("front left block", in, in, side, side));
    blocks.add(new Block("front right block", right, in, side, side));
    blocks.add(new Block("back left block", in, back, side, side));
    blocks.add(new Block("back right block", right, back, side, side));
    return panel.withInside(inside.withBlocks(blocks));
  }
}
