package kumite.build.panel;

import java.util.Objects;
import kumite.measure.Check;
import kumite.measure.Length;
import kumite.measure.Point;
import kumite.measure.Range;

/**
 * Something below the panel that is in the way: a batten, a bracket, a corner block. It lies square
 * to the panel.
 *
 * @param name what it is
 * @param leftMm its left edge
 * @param frontMm its front edge
 * @param widthMm left to right
 * @param heightMm front to back
 * @param stands what holds it
 * @param tallMm how far it reaches up from the floor or down from the panel; 0 for one that fills
 *     the whole depth
 */
public record Block(
    String name,
    double leftMm,
    double frontMm,
    double widthMm,
    double heightMm,
    Stands stands,
    double tallMm) {
  /** A side of it. */
  public static final Range SIDE = Range.above(0, 3000, "mm");

  /** How tall it is, where it does not fill the depth. */
  public static final Range TALL = Range.above(0, 2000, "mm");

  /** What holds a block, and so which heights it takes. */
  public enum Stands {
    WHOLE("from panel to floor"),
    FLOOR("on the floor"),
    PANEL("under the panel");

    private final String words;

    Stands(String words) {
      this.words = words;
    }

    /** {@return it in words} */
    public String words() {
      return words;
    }
  }

  public Block {
    Check.writable(name, "name");
    Check.between(-Length.LARGEST_MM, Length.LARGEST_MM, leftMm, "left_mm");
    Check.between(-Length.LARGEST_MM, Length.LARGEST_MM, frontMm, "front_mm");
    SIDE.check(widthMm, "width_mm");
    SIDE.check(heightMm, "height_mm");
    Objects.requireNonNull(stands, "stands");
    Check.between(TALL.least(), TALL.most(), tallMm, "tall_mm");
    if (stands == Stands.WHOLE != (tallMm == 0)) {
      throw new IllegalArgumentException(
          stands == Stands.WHOLE
              ? "tall_mm: " + name + " fills the depth; say what it stands on, floor or panel"
              : "tall_mm: how tall " + name + " is must be said, above 0");
    }
  }

  /** A block that fills the whole depth of the case. */
  public Block(String name, double leftMm, double frontMm, double widthMm, double heightMm) {
    this(name, leftMm, frontMm, widthMm, heightMm, Stands.WHOLE, 0);
  }

  /** {@return the same block held otherwise} */
  public Block standing(Stands on, double tall) {
    return new Block(name, leftMm, frontMm, widthMm, heightMm, on, tall);
  }

  /** {@return the same block elsewhere, and of another size} */
  public Block at(double left, double front, double width, double height) {
    return new Block(name, left, front, width, height, stands, tallMm);
  }

  /** {@return how far its upper end is below the panel's underside, where the case is so deep} */
  public double topMm(double depthMm) {
    return stands == Stands.FLOOR ? depthMm - tallMm : 0;
  }

  /** {@return how far its lower end is below the panel's underside, where the case is so deep} */
  public double bottomMm(double depthMm) {
    return stands == Stands.PANEL ? tallMm : depthMm;
  }

  /** {@return its name, and what holds it where it does not fill the depth} */
  public String title() {
    return stands == Stands.WHOLE ? name : name + ", " + stands.words();
  }

  /** {@return its middle} */
  public Point centre() {
    return new Point(leftMm + widthMm / 2, frontMm + heightMm / 2);
  }
}
