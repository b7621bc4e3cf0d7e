package kumite.build.box;

import kumite.measure.Range;

/**
 * Sheets or boards of one size that the builder has.
 *
 * @param widthMm along the grain, where there is one
 * @param heightMm across it
 * @param count how many; 0 for as many as it takes
 */
public record StockSheet(double widthMm, double heightMm, int count) {
  /** A side of a sheet. */
  public static final Range SIDE = Range.of(20, 5000, "mm");

  /** How many of one size. */
  public static final Range COUNT = Range.of(0, 1000);

  public StockSheet {
    SIDE.check(widthMm, "width_mm");
    SIDE.check(heightMm, "height_mm");
    COUNT.check(count, "count");
  }
}
