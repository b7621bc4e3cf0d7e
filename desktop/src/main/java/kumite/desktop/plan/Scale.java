package kumite.desktop.plan;

import kumite.build.panel.Panel;
import kumite.measure.Point;

/**
 * How the panel lies on the screen.
 *
 * @param pxPerMm pixels for one millimetre
 * @param leftPx where the panel's left edge is; its right edge where it is turned over
 * @param frontPx where its front edge is; y grows upward from there
 * @param widthMm the panel's width
 * @param turned whether it is turned over, to be seen from below
 */
public record Scale(double pxPerMm, double leftPx, double frontPx, double widthMm, boolean turned) {
  /** Room for the rulers at the left and at the front. */
  public static final double RULER_PX = 38;

  private static final double MARGIN_PX = 18;
  private static final double LEAST = 0.05;
  private static final double MOST = 60;

  /** {@return the scale at which a panel fills an area} */
  public static Scale fit(Panel panel, double widthPx, double heightPx, boolean turned) {
    double scale =
        Math.max(
            LEAST,
            Math.min(
                (widthPx - RULER_PX - 2 * MARGIN_PX) / panel.widthMm(),
                (heightPx - RULER_PX - 2 * MARGIN_PX) / panel.heightMm()));
    double left = RULER_PX + (widthPx - RULER_PX - panel.widthMm() * scale) / 2;
    double front = (heightPx - RULER_PX + panel.heightMm() * scale) / 2;
    return new Scale(scale, left, front, panel.widthMm(), turned);
  }

  /** {@return this scale larger or smaller, the place under a pixel staying where it is} */
  public Scale zoomed(double factor, double xPx, double yPx) {
    double next = Math.max(LEAST, Math.min(MOST, pxPerMm * factor));
    double real = next / pxPerMm;
    return new Scale(
        next, xPx + (leftPx - xPx) * real, yPx + (frontPx - yPx) * real, widthMm, turned);
  }

  /** {@return this scale with the panel moved on the screen} */
  public Scale moved(double dxPx, double dyPx) {
    return new Scale(pxPerMm, leftPx + dxPx, frontPx + dyPx, widthMm, turned);
  }

  /** {@return this scale for a panel of another width, or turned over} */
  public Scale forPanel(double newWidthMm, boolean newTurned) {
    return new Scale(pxPerMm, leftPx, frontPx, newWidthMm, newTurned);
  }

  /** {@return where a place is, left to right, in dots} */
  public double x(double xMm) {
    return leftPx + (turned ? widthMm - xMm : xMm) * pxPerMm;
  }

  /** {@return where a place is, top to bottom, in dots} */
  public double y(double yMm) {
    return frontPx - yMm * pxPerMm;
  }

  /** {@return the place of the panel under a dot} */
  public Point toPanel(double xPx, double yPx) {
    double across = (xPx - leftPx) / pxPerMm;
    return new Point(turned ? widthMm - across : across, (frontPx - yPx) / pxPerMm);
  }
}
