package kumite.panel;

import java.util.ArrayList;
import java.util.List;
import kumite.build.Build;
import kumite.build.brief.Hand;
import kumite.build.panel.Block;
import kumite.measure.Placement;
import kumite.measure.Point;

/** The edits by which a hand changes the panel's corners and the blocks in its case. */
public final class Reshape {
  private Reshape() {}

  /**
   * Gives the panel other corners. What is on it and below it stays where it is among the corners
   * that were not moved, though the place from which all is measured may be another one.
   *
   * @param corners in order around the panel, in mm from the panel's front left corner as it was
   * @throws IllegalArgumentException if no panel can be cut so; the message says why
   */
  public static Build corners(Build build, List<Point> corners) {
    double left = corners.stream().mapToDouble(Point::xMm).min().orElse(0);
    double front = corners.stream().mapToDouble(Point::yMm).min().orElse(0);
    Build next = build.withPanel(build.panel().withOutline(corners));
    return left == 0 && front == 0 ? next : moved(next, -left, -front);
  }

  private static Build moved(Build build, double dxMm, double dyMm) {
    Build next =
        build.withControls(
            build.controls().stream()
                .map(
                    c ->
                        c.face().isPresent()
                            ? c
                            : c.withPlacement(moved(c.placement(), dxMm, dyMm)))
                .toList());
    next =
        next.withSeats(
            next.seats().stream()
                .map(
                    seat ->
                        seat.withBoard(
                            seat.board().map(b -> b.at(moved(b.placement(), dxMm, dyMm)))))
                .toList());
    Hand hand = build.brief().hand();
    next =
        next.withBrief(
            next.brief()
                .withHand(
                    hand.withRests(
                        hand.rests().stream()
                            .map(r -> new Hand.Rest(r.name(), r.at().plus(dxMm, dyMm)))
                            .toList())));
    List<Block> blocks =
        build.panel().inside().blocks().stream().map(b -> moved(b, dxMm, dyMm)).toList();
    return next.withPanel(next.panel().withInside(next.panel().inside().withBlocks(blocks)));
  }

  private static Placement moved(Placement at, double dxMm, double dyMm) {
    return at.movedTo(at.xMm() + dxMm, at.yMm() + dyMm);
  }

  private static Block moved(Block block, double dxMm, double dyMm) {
    return block.at(
        block.leftMm() + dxMm, block.frontMm() + dyMm, block.widthMm(), block.heightMm());
  }

  /** {@return corners with one more in the middle of the side that begins at a corner} */
  public static List<Point> split(List<Point> corners, int side) {
    Point a = corners.get(side);
    Point b = corners.get((side + 1) % corners.size());
    List<Point> more = new ArrayList<>(corners);
    more.add(side + 1, new Point((a.xMm() + b.xMm()) / 2, (a.yMm() + b.yMm()) / 2));
    return more;
  }

  /**
   * {@return a block over two opposite corners}
   *
   * @throws IllegalArgumentException if they lie on one line
   */
  public static Block block(String name, Point one, Point other) {
    return new Block(
        name,
        Math.min(one.xMm(), other.xMm()),
        Math.min(one.yMm(), other.yMm()),
        Math.abs(one.xMm() - other.xMm()),
        Math.abs(one.yMm() - other.yMm()));
  }

  /** {@return the build with one of its blocks replaced; those of the same name stay apart} */
  public static Build block(Build build, int index, Block block) {
    List<Block> blocks = new ArrayList<>(build.panel().inside().blocks());
    blocks.set(index, block);
    return blocks(build, blocks);
  }

  /** {@return the build with one more block} */
  public static Build add(Build build, Block block) {
    List<Block> blocks = new ArrayList<>(build.panel().inside().blocks());
    blocks.add(block);
    return blocks(build, blocks);
  }

  private static Build blocks(Build build, List<Block> blocks) {
    return build.withPanel(build.panel().withInside(build.panel().inside().withBlocks(blocks)));
  }
}
