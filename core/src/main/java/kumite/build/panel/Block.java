package kumite.build.panel;

import kumite.measure.Check;
import kumite.measure.Length;
import kumite.measure.Point;

/**
 * Something below the panel that is in the way: a batten, a bracket, a corner block. It reaches
 * from the panel's underside to the case floor, and lies square to the panel.
 *
 * @param name what it is
 * @param leftMm its left edge
 * @param frontMm its front edge
 * @param widthMm left to right
 * @param heightMm front to back
 */
public record Block(String name, double leftMm, double frontMm, double widthMm, double heightMm) {
  public Block {
    Check.writable(name, "name");
    Check.between(-Length.LARGEST_MM, Length.LARGEST_MM, leftMm, "left_mm");
    Check.between(-Length.LARGEST_MM, Length.LARGEST_MM, frontMm, "front_mm");
    Check.above(0, Check.between(0, 3000, widthMm, "width_mm"), "width_mm");
    Check.above(0, Check.between(0, 3000, heightMm, "height_mm"), "height_mm");
  }

  /** {@return its middle} */
  public Point centre() {
    return new Point(leftMm + widthMm / 2, frontMm + heightMm / 2);
  }
}
