package kumite.sheet;

import java.io.IOException;

/** The bars that show whether a printer kept the scale: 100 mm, 4 in, and 100 mm up the page. */
final class CheckBars {
  static final double BAR_MM = 100;
  static final double BAR_INCH_MM = 4 * 25.4;

  private CheckBars() {}

  /** Draws the two level bars with their left end at x, one under the other. */
  static void level(Pen pen, double x, double y) throws IOException {
    bar(pen, x, y, BAR_MM, 10, "100 mm");
    bar(pen, x, y + 6, BAR_INCH_MM, 4, "4 in");
  }

  private static void bar(Pen pen, double x, double y, double length, int parts, String words)
      throws IOException {
    pen.width(0.25);
    pen.line(x, y, x + length, y);
    for (int i = 0; i <= parts; i++) {
      double at = x + length * i / parts;
      double tick = i == 0 || i == parts ? 2.4 : 1.2;
      pen.line(at, y - tick, at, y);
    }
    pen.text(Face.MONO, 6, x + length + 2, y, words);
  }

  /** Draws the upright bar with its top at y. */
  static void upright(Pen pen, double x, double y) throws IOException {
    pen.width(0.25);
    pen.line(x, y, x, y + BAR_MM);
    for (int i = 0; i <= 10; i++) {
      double tick = i == 0 || i == 10 ? 2.4 : 1.2;
      pen.line(x, y + BAR_MM * i / 10, x + tick, y + BAR_MM * i / 10);
    }
  }
}
