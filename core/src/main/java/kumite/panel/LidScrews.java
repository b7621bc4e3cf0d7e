package kumite.panel;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.box.Box;
import kumite.build.box.BoxBook;
import kumite.build.box.Making;
import kumite.build.panel.Block;
import kumite.build.panel.Opening;
import kumite.build.panel.Panel;
import kumite.kind.ScrewHole;
import kumite.measure.Point;

/**
 * The screws that hold a panel on the case that was decided, where it lifts off: into its blocks,
 * or into the edges of boards that are thick enough.
 *
 * @param at their middles, in stored coordinates
 * @param into what they go into
 * @param clearanceMm of their holes in the panel
 * @param sinkMm of a countersink; 0 where the panel bears none
 */
public record LidScrews(List<Point> at, Into into, double clearanceMm, double sinkMm) {
  /** An edge takes a screw from here on: common practice, no source. */
  public static final double EDGE_MM = 9;

  /**
   * From a board's end to the first screw, and from one to the next: common practice, no source.
   */
  private static final double END_MM = 30;

  private static final double EACH_MM = 200;

  /** A wood screw of 3.5 mm, its hole and its head: DIN 7997, from memory. */
  private static final double WOOD_HOLE_MM = 4;

  private static final double WOOD_HEAD_MM = 7;

  /** So much wood takes its sunk head: common practice, no source. */
  public static final double SUNK_FROM_MM = 8;

  /** What they go into. */
  public enum Into {
    NOTHING,
    BLOCKS,
    EDGES
  }

  private static final LidScrews NONE = new LidScrews(List.of(), Into.NOTHING, 0, 0);

  public LidScrews {
    at = List.copyOf(at);
  }

  /** {@return those of a build; none where nobody spoke of a case} */
  public static LidScrews of(Build build) {
    return build.get(BoxBook.PART).box().map(box -> of(build.panel(), box)).orElse(NONE);
  }

  /** {@return those of a panel on a case} */
  public static LidScrews of(Panel panel, Box box) {
    if (panel.inside().opening() != Opening.LIFTS_OFF || box.making() instanceof Making.Bought) {
      return NONE;
    }
    boolean boards = box.making() instanceof Making.Boards;
    List<Block> blocks = PanelScrews.into(panel, Optional.of(box));
    if (!blocks.isEmpty()) {
      List<Point> middles = blocks.stream().map(Block::centre).toList();
      return boards ? wooden(panel, middles, Into.BLOCKS) : threaded(panel, middles);
    }
    return boards && panel.rectangular() && box.making().thicknessMm() >= EDGE_MM
        ? wooden(panel, edges(panel, box), Into.EDGES)
        : NONE;
  }

  private static LidScrews wooden(Panel panel, List<Point> at, Into into) {
    return new LidScrews(
        at, into, WOOD_HOLE_MM, panel.stackMm() >= SUNK_FROM_MM ? WOOD_HEAD_MM : 0);
  }

  private static LidScrews threaded(Panel panel, List<Point> at) {
    Screw m3 = Screw.named("M3").orElseThrow();
    double sink = Screw.sinkMm(new ScrewHole(new Point(0, 0), m3.clearanceMm(), m3.name()), panel);
    return new LidScrews(at, Into.BLOCKS, m3.clearanceMm(), sink);
  }

  private static List<Point> edges(Panel panel, Box box) {
    double middle = box.overhangMm() + box.making().thicknessMm() / 2;
    List<Point> points = new ArrayList<>();
    double width = panel.widthMm() - 2 * box.overhangMm();
    double height = panel.heightMm() - 2 * box.overhangMm();
    double end = Math.min(END_MM, width / 4);
    int across = Math.max(2, (int) Math.ceil((width - 2 * end) / EACH_MM) + 1);
    for (int i = 0; i < across; i++) {
      double along = box.overhangMm() + end + (width - 2 * end) * i / (across - 1);
      points.add(new Point(along, middle));
      points.add(new Point(along, panel.heightMm() - middle));
    }
    int deep = Math.max(1, (int) Math.ceil(height / EACH_MM));
    for (int i = 0; i < deep; i++) {
      double y = box.overhangMm() + height * (i + 1) / (deep + 1);
      points.add(new Point(middle, y));
      points.add(new Point(panel.widthMm() - middle, y));
    }
    return points;
  }
}
