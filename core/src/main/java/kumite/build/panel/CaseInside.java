package kumite.build.panel;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import kumite.measure.Check;
import kumite.measure.Range;

/**
 * The inside of the case below the panel.
 *
 * @param wallMm how far the walls come in from the panel's edge, on all sides; 0 to 200
 * @param depthMm from the underside of the panel to the case floor at the back edge; 1 to 2000
 * @param frontDepthMm the same at the front edge; less for a desk that slopes down to the hand
 * @param blocks what else is in the way below the panel
 * @param opening how the case is opened
 */
public record CaseInside(
    double wallMm, double depthMm, double frontDepthMm, List<Block> blocks, Opening opening) {
  /** Walls. */
  public static final Range WALL = Range.of(0, 200, "mm");

  /** Inside depths, at the front and at the back. */
  public static final Range DEPTH = Range.of(1, 2000, "mm");

  /** More blocks than this is taken for a damaged file. */
  public static final int MOST_BLOCKS = 100;

  public CaseInside {
    WALL.check(wallMm, "wall_mm");
    DEPTH.check(depthMm, "depth_mm");
    DEPTH.check(frontDepthMm, "front_depth_mm");
    blocks = List.copyOf(blocks);
    Check.between(0, MOST_BLOCKS, blocks.size(), "number of blocks");
    Objects.requireNonNull(opening, "opening");
  }

  /** A case with a level floor and nothing in the way. */
  public CaseInside(double wallMm, double depthMm) {
    this(wallMm, depthMm, depthMm, List.of(), Opening.LIFTS_OFF);
  }

  /** {@return the same case with other walls} */
  public CaseInside withWall(double newWallMm) {
    return new CaseInside(newWallMm, depthMm, frontDepthMm, blocks, opening);
  }

  /** {@return the same case deeper or shallower; a level floor stays level} */
  public CaseInside withDepth(double newDepthMm) {
    double front = frontDepthMm == depthMm ? newDepthMm : frontDepthMm;
    return new CaseInside(wallMm, newDepthMm, front, blocks, opening);
  }

  /** {@return the same case with another depth at the front} */
  public CaseInside withFrontDepth(double newFrontDepthMm) {
    return new CaseInside(wallMm, depthMm, newFrontDepthMm, blocks, opening);
  }

  /** {@return the same case, deeper everywhere by as much} */
  public CaseInside deeperBy(double mm) {
    return new CaseInside(wallMm, depthMm + mm, frontDepthMm + mm, blocks, opening);
  }

  /** {@return the same case with other things in the way} */
  public CaseInside withBlocks(List<Block> newBlocks) {
    return new CaseInside(wallMm, depthMm, frontDepthMm, newBlocks, opening);
  }

  /** {@return the same case without a block; those like it stay} */
  public CaseInside without(Block block) {
    List<Block> left = new ArrayList<>(blocks);
    left.remove(block);
    return withBlocks(left);
  }

  /** {@return the same case with a block replaced; the same case where it has none such} */
  public CaseInside replacing(Block block, Block by) {
    List<Block> next = new ArrayList<>(blocks);
    int at = next.indexOf(block);
    if (at >= 0) {
      next.set(at, by);
    }
    return withBlocks(next);
  }

  /** {@return the same case opened otherwise} */
  public CaseInside withOpening(Opening newOpening) {
    return new CaseInside(wallMm, depthMm, frontDepthMm, blocks, newOpening);
  }
}
