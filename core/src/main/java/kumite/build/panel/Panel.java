package kumite.build.panel;

import java.util.List;
import java.util.Objects;
import kumite.build.Decided;
import kumite.build.Part;
import kumite.measure.Check;
import kumite.measure.Point;
import kumite.measure.Range;

/**
 * The plate that the controls sit in.
 *
 * @param widthMm left to right; 20 to 3000
 * @param heightMm front to back; 20 to 2000
 * @param cornerMm radius of the corners; 0 to what the shortest side takes
 * @param thicknessMm 0.5 to 60
 * @param material what it is made of
 * @param inside the case below
 * @param datum where its coordinates are measured from
 * @param outline the corners in order around a panel that is no rectangle, within 0 to width and 0
 *     to height and touching all four; empty for a rectangle
 * @param coverMm the clear cover and the art on top of it, thickness in mm; 0 for none, 20 at most
 */
public record Panel(
    double widthMm,
    double heightMm,
    double cornerMm,
    double thicknessMm,
    Material material,
    CaseInside inside,
    Datum datum,
    List<Point> outline,
    double coverMm)
    implements Decided<Panel> {
  /** Left to right. */
  public static final Range WIDTH = Range.of(20, 3000, "mm");

  /** Front to back. */
  public static final Range HEIGHT = Range.of(20, 2000, "mm");

  /** Radius of a corner; no more than half of the shorter side. */
  public static final Range CORNER = Range.of(0, HEIGHT.most() / 2, "mm");

  /** Thickness. */
  public static final Range THICKNESS = Range.of(0.5, 60, "mm");

  /** A clear cover with the art under it; none is 0. */
  public static final Range COVER = Range.of(0, 20, "mm");

  /** A panel that is no rectangle has at least this many corners. */
  public static final int FEWEST_CORNERS = Outline.FEWEST_CORNERS;

  /** And at most this many. */
  public static final int MOST_CORNERS = Outline.MOST_CORNERS;

  /** The panel as a part of a build: bare, 300 by 200 mm, where nothing was decided. */
  public static final Part<Panel> PART =
      new Part<>(
          "panel",
          new Panel(300, 200, 6, 3, Material.ACRYLIC, new CaseInside(12, 70), Datum.FRONT_LEFT));

  public Panel {
    WIDTH.check(widthMm, "width_mm");
    HEIGHT.check(heightMm, "height_mm");
    Check.between(0, Math.min(widthMm, heightMm) / 2, cornerMm, "corner_mm");
    THICKNESS.check(thicknessMm, "thickness_mm");
    COVER.check(coverMm, "cover_mm");
    Objects.requireNonNull(material, "material");
    Objects.requireNonNull(inside, "inside");
    Objects.requireNonNull(datum, "datum");
    if (!outline.isEmpty()) {
      Outline.require(outline, widthMm, heightMm, cornerMm);
    }
    outline = outline.isEmpty() ? List.of() : Outline.counterClockwise(outline);
  }

  /** A rectangular panel. */
  public Panel(
      double widthMm,
      double heightMm,
      double cornerMm,
      double thicknessMm,
      Material material,
      CaseInside inside,
      Datum datum) {
    this(widthMm, heightMm, cornerMm, thicknessMm, material, inside, datum, List.of(), 0);
  }

  /** {@return whether it is a rectangle} */
  public boolean rectangular() {
    return outline.isEmpty();
  }

  /** {@return its corners counter-clockwise, before rounding} */
  public List<Point> corners() {
    return outline.isEmpty()
        ? List.of(
            new Point(0, 0),
            new Point(widthMm, 0),
            new Point(widthMm, heightMm),
            new Point(0, heightMm))
        : outline;
  }

  /** {@return how much of each side the rounding of corner {@code i} takes, in mm} */
  public double roundingMm(int i) {
    return Outline.tangent(corners(), i, cornerMm);
  }

  /** {@return the room between underside and case floor at a place, in mm} */
  public double depthAtMm(double yMm) {
    double share = Math.max(0, Math.min(1, yMm / heightMm));
    return inside.frontDepthMm() + share * (inside.depthMm() - inside.frontDepthMm());
  }

  /** {@return the same panel in another size; the corner radius shrinks to fit} */
  public Panel withSize(double newWidthMm, double newHeightMm) {
    double corner = Math.min(cornerMm, Math.max(0, Math.min(newWidthMm, newHeightMm) / 2));
    List<Point> scaled =
        outline.stream()
            .map(p -> new Point(p.xMm() * newWidthMm / widthMm, p.yMm() * newHeightMm / heightMm))
            .toList();
    return new Panel(
        newWidthMm, newHeightMm, corner, thicknessMm, material, inside, datum, scaled, coverMm);
  }

  /**
   * The same panel in another shape; width and height follow the corners.
   *
   * @param corners in order around the panel, anywhere; empty for a rectangle
   * @throws IllegalArgumentException if no panel can be cut so; the message says why
   */
  public Panel withOutline(List<Point> corners) {
    if (corners.isEmpty()) {
      return new Panel(
          widthMm, heightMm, cornerMm, thicknessMm, material, inside, datum, List.of(), coverMm);
    }
    Outline.requireCount(corners.size());
    double left = corners.stream().mapToDouble(Point::xMm).min().orElseThrow();
    double front = corners.stream().mapToDouble(Point::yMm).min().orElseThrow();
    double right = corners.stream().mapToDouble(Point::xMm).max().orElseThrow();
    double back = corners.stream().mapToDouble(Point::yMm).max().orElseThrow();
    return new Panel(
        right - left,
        back - front,
        Math.min(cornerMm, Math.max(0, Math.min(right - left, back - front) / 2)),
        thicknessMm,
        material,
        inside,
        datum,
        corners.stream().map(p -> p.plus(-left, -front)).toList(),
        coverMm);
  }

  /** {@return the same panel with another corner radius} */
  public Panel withCorner(double newCornerMm) {
    return new Panel(
        widthMm, heightMm, newCornerMm, thicknessMm, material, inside, datum, outline, coverMm);
  }

  /** {@return the same panel in another thickness} */
  public Panel withThickness(double newThicknessMm) {
    return new Panel(
        widthMm, heightMm, cornerMm, newThicknessMm, material, inside, datum, outline, coverMm);
  }

  /** {@return the same panel under another cover; 0 for none} */
  public Panel withCover(double newCoverMm) {
    return new Panel(
        widthMm, heightMm, cornerMm, thicknessMm, material, inside, datum, outline, newCoverMm);
  }

  /** {@return panel and cover together: what a part that is put in from above passes through} */
  public double stackMm() {
    return thicknessMm + coverMm;
  }

  /** {@return the same panel in another material} */
  public Panel withMaterial(Material newMaterial) {
    return new Panel(
        widthMm, heightMm, cornerMm, thicknessMm, newMaterial, inside, datum, outline, coverMm);
  }

  /** {@return the same panel on another case} */
  public Panel withInside(CaseInside newInside) {
    return new Panel(
        widthMm, heightMm, cornerMm, thicknessMm, material, newInside, datum, outline, coverMm);
  }

  /** {@return the same panel measured from another datum} */
  public Panel withDatum(Datum newDatum) {
    return new Panel(
        widthMm, heightMm, cornerMm, thicknessMm, material, inside, newDatum, outline, coverMm);
  }
}
