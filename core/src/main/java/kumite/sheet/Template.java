package kumite.sheet;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.panel.Panel;
import kumite.measure.Length;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.measure.Shape;
import kumite.panel.DrillPlan;
import kumite.panel.Rounding;
import kumite.verdict.Bench;

/**
 * The panel in its true size over as many pages as it takes, seen from the face and, mirrored, from
 * the underside. Pages overlap; crosses in circles come to lie on each other.
 *
 * <pre>{@code
 * byte[] pdf = Template.pdf(bench, Paper.A4);
 * }</pre>
 */
public final class Template {
  private static final double MARGIN_MM = 12;
  private static final double FOOT_MM = 24;
  private static final double OVERLAP_MM = 10;

  private final Bench bench;
  private final Panel panel;
  private final Pen pen;
  private final double tileWidth;
  private final double tileHeight;
  private final int columns;
  private final int rows;

  private Template(Bench bench, Pen pen) {
    this.bench = bench;
    this.panel = bench.build().panel();
    this.pen = pen;
    this.tileWidth = pen.paper().widthMm() - 2 * MARGIN_MM - OVERLAP_MM;
    this.tileHeight = pen.paper().heightMm() - MARGIN_MM - FOOT_MM - OVERLAP_MM;
    this.columns = tiles(panel.widthMm(), tileWidth);
    this.rows = tiles(panel.heightMm(), tileHeight);
  }

  /** {@return the template as a PDF document: all pages of the face, then of the underside} */
  public static byte[] pdf(Bench bench, Paper paper) {
    return Pen.pdf(
        bench.build().brief().title() + ", drill template",
        paper,
        pen -> {
          Template template = new Template(bench, pen);
          template.side(false);
          template.side(true);
        });
  }

  /** {@return how many pages one side takes} */
  public static int pages(Panel panel, Paper paper) {
    return tiles(panel.widthMm(), paper.widthMm() - 2 * MARGIN_MM - OVERLAP_MM)
        * tiles(panel.heightMm(), paper.heightMm() - MARGIN_MM - FOOT_MM - OVERLAP_MM);
  }

  private static int tiles(double length, double tile) {
    // The overlap of the last page is as good as any other part of it.
    return (int) Math.max(1, Math.ceil((length - OVERLAP_MM) / tile - 1e-9));
  }

  private void side(boolean below) throws IOException {
    for (int row = 0; row < rows; row++) {
      for (int column = 0; column < columns; column++) {
        pen.page();
        tile(below, column, row);
        foot(below, column, row);
      }
    }
  }

  /** Page A1 shows the back left of the panel, as it lies before the builder. */
  private void tile(boolean below, int column, int row) throws IOException {
    double left = MARGIN_MM - column * tileWidth;
    double bottom = MARGIN_MM + panel.heightMm() - row * tileHeight;
    double width = tileWidth + OVERLAP_MM;
    double height = tileHeight + OVERLAP_MM;
    pen.clip(MARGIN_MM, MARGIN_MM, width, height);
    pen.width(0.35);
    pen.path(points(Rounding.of(panel), below), left, bottom);
    pen.width(0.15);
    pen.dashed(6, 2);
    double middle = left + panel.widthMm() / 2;
    pen.line(middle, bottom - panel.heightMm() - 5, middle, bottom + 5);
    double centre = bottom - panel.heightMm() / 2;
    pen.line(left - 5, centre, left + panel.widthMm() + 5, centre);
    pen.solid();
    for (DrillPlan.Hole hole : bench.drill().holes()) {
      hole(hole, below, left, bottom);
    }
    for (Control control : bench.build().controls()) {
      flange(control, below, left, bottom);
    }
    registration(left, bottom);
    pen.unclip();
    pen.width(0.1);
    pen.box(MARGIN_MM, MARGIN_MM, width, height, 0);
  }

  private void hole(DrillPlan.Hole hole, boolean below, double left, double bottom)
      throws IOException {
    Placement at = new Placement(hole.stored().xMm(), hole.stored().yMm(), hole.turnDegrees());
    pen.width(0.3);
    pen.path(points(Rounding.of(hole.shape(), at), below), left, bottom);
    double x = left + across(hole.stored(), below);
    double y = bottom - hole.stored().yMm();
    double arm = Math.max(4, hole.shape().widthMm() / 2 + 3);
    pen.width(0.12);
    pen.line(x - arm, y, x + arm, y);
    pen.line(x, y - arm, x, y + arm);
    if (hole.purpose().equals("cut-out")) {
      String place =
          below
              ? "x " + tenth(hole.belowXMm()) + " from the left"
              : "x " + tenth(hole.xMm()) + "  y " + tenth(hole.yMm());
      pen.textCentred(Face.STRONG, 8, x, y + arm + 3, hole.label());
      pen.textCentred(Face.MONO, 5.5, x, y + arm + 5.6, place);
      pen.textCentred(Face.MONO, 5.5, x, y + arm + 8, hole.sizeWords());
    }
  }

  private void flange(Control control, boolean below, double left, double bottom)
      throws IOException {
    Shape face = bench.catalogue().kindOf(control).face();
    Shape body = bench.catalogue().kindOf(control).body();
    pen.width(0.12);
    pen.dashed(1, 1);
    pen.path(points(Rounding.of(below ? body : face, control.placement()), below), left, bottom);
    pen.solid();
  }

  private double across(Point at, boolean below) {
    return below ? panel.widthMm() - at.xMm() : at.xMm();
  }

  private List<Point> points(List<Rounding.Piece> pieces, boolean below) {
    List<Point> points = new ArrayList<>();
    for (Point p : Rounding.points(pieces, 1)) {
      points.add(new Point(across(p, below), p.yMm()));
    }
    return points;
  }

  /**
   * Marks lie on the middle of the overlap, so that each is printed on every page that meets there.
   */
  private void registration(double left, double bottom) throws IOException {
    for (int column = 0; column <= columns; column++) {
      for (int row = 0; row <= rows; row++) {
        double x = left + column * tileWidth + OVERLAP_MM / 2;
        double y = bottom - panel.heightMm() + row * tileHeight + OVERLAP_MM / 2;
        pen.width(0.15);
        pen.circle(x, y, 5);
        pen.line(x - 4, y, x + 4, y);
        pen.line(x, y - 4, x, y + 4);
      }
    }
  }

  private void foot(boolean below, int column, int row) throws IOException {
    Build build = bench.build();
    double top = pen.paper().heightMm() - FOOT_MM + 5;
    CheckBars.level(pen, MARGIN_MM, top + 3);
    CheckBars.upright(pen, 4, MARGIN_MM);
    pen.text(
        Face.WORDS,
        7,
        MARGIN_MM,
        top + 14,
        "Print at 100 %, not fitted to the page. Measure all three bars before you cut; paper"
            + " stretches when damp.");
    double right = MARGIN_MM + 124;
    double mapWidth = pen.paper().widthMm() - MARGIN_MM - right;
    double cell = Math.min(4, Math.min(mapWidth / columns, 9.0 / rows));
    for (int r = 0; r < rows; r++) {
      for (int c = 0; c < columns; c++) {
        double x = pen.paper().widthMm() - MARGIN_MM - (columns - c) * cell;
        if (r == row && c == column) {
          pen.fill(x, top - 1 + r * cell, cell, cell, 0.2);
        }
        pen.width(0.15);
        pen.box(x, top - 1 + r * cell, cell, cell, 0);
      }
    }
    String name =
        name(column, row)
            + (below ? " underside, mirrored" : " face")
            + ", "
            + build.brief().title()
            + " rev "
            + build.revision();
    double width = pen.widthMm(Face.WORDS, 7, name);
    pen.text(Face.STRONG, 7, pen.paper().widthMm() - MARGIN_MM - width - 2, top + 14, name);
  }

  private static String name(int column, int row) {
    return (char) ('A' + row % 26) + String.valueOf(column + 1);
  }

  private String tenth(double mm) {
    return Length.number(mm, bench.build().brief().units());
  }
}
