package kumite.desktop.panel;

import kumite.build.Panel;
import kumite.build.Point;

/**
 * How the panel lies on the screen.
 *
 * @param pxPerMm pixels for one millimetre
 * @param leftPx where the panel's left edge is
 * @param frontPx where its front edge is; y grows upward from there
 */
record Scale(double pxPerMm, double leftPx, double frontPx) {
  /** Room for the rulers at the left and at the front. */
  static final double RULER_PX = 38;

  private static final double MARGIN_PX = 18;

  /** {@return the scale at which a panel fills an area} */
  static Scale fit(Panel panel, double widthPx, double heightPx) {
    double scale =
        Math.max(
            0.05,
            Math.min(
                (widthPx - RULER_PX - 2 * MARGIN_PX) / panel.widthMm(),
                (heightPx - RULER_PX - 2 * MARGIN_PX) / panel.heightMm()));
    double left = RULER_PX + (widthPx - RULER_PX - panel.widthMm() * scale) / 2;
    double front = (heightPx - RULER_PX + panel.heightMm() * scale) / 2;
    return new Scale(scale, left, front);
  }

  double x(double xMm) {
    return leftPx + xMm * pxPerMm;
  }

  double y(double yMm) {
    return frontPx - yMm * pxPerMm;
  }

  Point toPanel(double xPx, double yPx) {
    return new Point((xPx - leftPx) / pxPerMm, (frontPx - yPx) / pxPerMm);
  }
}
