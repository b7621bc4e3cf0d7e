package kumite.panel;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.panel.Block;
import kumite.build.panel.Opening;
import kumite.build.panel.Panel;
import kumite.measure.Point;
import kumite.measure.Shape;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import org.locationtech.jts.geom.Coordinate;

/**
 * What takes up room below the panel, for whatever else reaches in through the case.
 *
 * @param sort what sort of thing
 * @param words what it is
 * @param control the control that it belongs to, if it is one
 * @param outline seen from above
 * @param topMm how far its upper end is below the underside of the panel
 * @param bottomMm how far its lower end is
 * @param swings whether it hangs from the panel and moves with it
 */
public record Inside(
    Sort sort,
    String words,
    Optional<ControlId> control,
    Swept outline,
    double topMm,
    double bottomMm,
    boolean swings) {
  /** What sort of thing. */
  public enum Sort {
    CONTROL,
    BOARD,
    BLOCK
  }

  /** Things nearer than this in height share a height: they touch as well as meet. */
  private static final double NEAR_MM = 1e-6;

  /** {@return all bodies, boards, plugs and blocks} */
  public static List<Inside> of(Build build, Catalogue catalogue) {
    Panel panel = build.panel();
    List<Inside> all = new ArrayList<>();
    for (Control control : build.onPanel()) {
      Placed part = Placed.of(control, catalogue.kindOf(control));
      for (Swept below : part.below()) {
        all.add(
            new Inside(
                Sort.CONTROL,
                control.label(),
                Optional.of(control.id()),
                below,
                0,
                part.depthMm(panel),
                true));
      }
    }
    for (BoardRoom board : BoardRoom.of(build, catalogue)) {
      double depth = board.depthMm(panel);
      all.add(board(board, board.words(), board.outline(), depth));
    }
    for (Block block : panel.inside().blocks()) {
      Swept outline = Swept.of(block);
      double depth = BoardRoom.floorMm(panel, outline, outline);
      all.add(
          new Inside(
              Sort.BLOCK,
              block.name(),
              Optional.empty(),
              outline,
              block.topMm(depth),
              block.bottomMm(depth),
              block.stands() == Block.Stands.PANEL));
    }
    return all;
  }

  private static Inside board(BoardRoom board, String words, Swept outline, double depth) {
    return new Inside(
        Sort.BOARD,
        words,
        Optional.empty(),
        outline,
        board.topMm(depth),
        board.bottomMm(depth),
        board.hangs());
  }

  /**
   * {@return the room between it and a box that stands square to the panel, in mm; negative by how
   * far they are in each other. Infinite where they share no height}
   *
   * @param leftMm the box's left edge
   * @param frontMm its front edge
   * @param rightMm its right edge
   * @param backMm its back edge
   * @param fromMm its upper end, below the panel
   * @param toMm its lower end
   */
  public double gapMm(
      double leftMm, double frontMm, double rightMm, double backMm, double fromMm, double toMm) {
    double over = Math.max(fromMm - bottomMm, topMm - toMm);
    if (over >= -NEAR_MM) {
      return Double.POSITIVE_INFINITY;
    }
    return outline.to(box(leftMm, frontMm, rightMm, backMm)).gapMm();
  }

  /**
   * {@return the same while the lid swings open: what hangs from it passes over more than where it
   * hung; infinite where it hangs from no hinged lid or ends above the box}
   */
  public double swungMm(
      Panel panel, double leftMm, double frontMm, double rightMm, double backMm, double fromMm) {
    if (!swings || panel.inside().opening() == Opening.LIFTS_OFF || bottomMm <= fromMm) {
      return Double.POSITIVE_INFINITY;
    }
    Swept swung = LidGaps.swung(outline, bottomMm, fromMm, panel);
    return swung.to(box(leftMm, frontMm, rightMm, backMm)).gapMm();
  }

  private static Swept box(double left, double front, double right, double back) {
    return Swept.of(
        new Shape.Rect(Math.max(1e-3, right - left), Math.max(1e-3, back - front), 0),
        kumite.measure.Placement.at((left + right) / 2, (front + back) / 2));
  }

  /** {@return its corners seen from above, in order; round ends as chords} */
  public List<Point> corners() {
    List<Point> corners = new ArrayList<>();
    Coordinate[] ring =
        outline.core().buffer(Math.max(0.01, outline.radiusMm()), 4).convexHull().getCoordinates();
    for (int i = 0; i < ring.length - 1; i++) {
      corners.add(new Point(ring[i].x, ring[i].y));
    }
    return corners;
  }
}
