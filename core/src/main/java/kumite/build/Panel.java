package kumite.build;

import java.util.Objects;

/**
 * The plate that the controls sit in.
 *
 * @param widthMm left to right; 20 to 3000
 * @param heightMm front to back; 20 to 2000
 * @param cornerMm radius of the corners; 0 to half the shorter side
 * @param thicknessMm 0.5 to 60
 * @param material what it is made of
 * @param inside the case below
 * @param datum where its coordinates are measured from
 */
public record Panel(
    double widthMm,
    double heightMm,
    double cornerMm,
    double thicknessMm,
    Material material,
    CaseInside inside,
    Datum datum) {

  public Panel {
    Check.between(20, 3000, widthMm, "width_mm");
    Check.between(20, 2000, heightMm, "height_mm");
    Check.between(0, Math.min(widthMm, heightMm) / 2, cornerMm, "corner_mm");
    Check.between(0.5, 60, thicknessMm, "thickness_mm");
    Objects.requireNonNull(material, "material");
    Objects.requireNonNull(inside, "inside");
    Objects.requireNonNull(datum, "datum");
  }

  /** {@return the same panel with another outline; the corner radius shrinks to fit} */
  public Panel withSize(double newWidthMm, double newHeightMm) {
    double corner = Math.min(cornerMm, Math.max(0, Math.min(newWidthMm, newHeightMm) / 2));
    return new Panel(newWidthMm, newHeightMm, corner, thicknessMm, material, inside, datum);
  }

  /** {@return the same panel with another corner radius} */
  public Panel withCorner(double newCornerMm) {
    return new Panel(widthMm, heightMm, newCornerMm, thicknessMm, material, inside, datum);
  }

  /** {@return the same panel in another thickness} */
  public Panel withThickness(double newThicknessMm) {
    return new Panel(widthMm, heightMm, cornerMm, newThicknessMm, material, inside, datum);
  }

  /** {@return the same panel in another material} */
  public Panel withMaterial(Material newMaterial) {
    return new Panel(widthMm, heightMm, cornerMm, thicknessMm, newMaterial, inside, datum);
  }

  /** {@return the same panel on another case} */
  public Panel withInside(CaseInside newInside) {
    return new Panel(widthMm, heightMm, cornerMm, thicknessMm, material, newInside, datum);
  }

  /** {@return the same panel measured from another datum} */
  public Panel withDatum(Datum newDatum) {
    return new Panel(widthMm, heightMm, cornerMm, thicknessMm, material, inside, newDatum);
  }
}
