package kumite.sheet;

import java.io.IOException;
import kumite.build.panel.Panel;
import kumite.measure.Paper;
import kumite.measure.Point;
import kumite.panel.Captions;
import kumite.verdict.Bench;

/**
 * A panel in its true size over as many pages as it takes. Pages overlap; crosses in circles come
 * to lie on each other; bars to check the printer by stand on each.
 */
final class Tiling {
  static final double MARGIN_MM = 12;
  private static final double FOOT_MM = 32;
  private static final double OVERLAP_MM = 10;

  /** Printers leave up to this much of the page's rim white: common practice, no source. */
  static final double RIM_MM = 6;

  private final Panel panel;
  private final String title;
  private final Pen pen;
  private final Extent extent;
  private final Tiles tiles;

  /**
   * What the pages cover, seen from the face, in mm from the panel's front left corner.
   *
   * @param rightMm more than left
   * @param backMm more than front
   */
  record Extent(double leftMm, double frontMm, double rightMm, double backMm) {
    static Extent of(Panel panel) {
      return new Extent(0, 0, panel.widthMm(), panel.heightMm());
    }

    /** {@return it, grown to hold a place and some room about that} */
    Extent with(Point at, double roomMm) {
      return new Extent(
          Math.min(leftMm, at.xMm() - roomMm),
          Math.min(frontMm, at.yMm() - roomMm),
          Math.max(rightMm, at.xMm() + roomMm),
          Math.max(backMm, at.yMm() + roomMm));
    }

    double widthMm() {
      return rightMm - leftMm;
    }

    double heightMm() {
      return backMm - frontMm;
    }
  }

  /** Tiles the panel alone. */
  Tiling(Bench bench, Pen pen) {
    this(bench, pen, Extent.of(bench.build().panel()));
  }

  /** Tiles the panel with what lies beside it. */
  Tiling(Bench bench, Pen pen, Extent extent) {
    this(bench, bench.build().panel(), pen, extent);
  }

  /** Tiles a plate, a face of the case or the panel, with what lies beside it. */
  Tiling(Bench bench, Panel plate, Pen pen, Extent extent) {
    this.panel = plate;
    this.title = bench.build().brief().title() + ", revision " + bench.build().revision();
    this.pen = pen;
    this.extent = extent;
    this.tiles = Tiles.fewest(extent, pen.paper());
  }

  /**
   * One page.
   *
   * @param below whether the panel lies turned over, left to right
   * @param left where the edge of the panel at the left of the page lies
   * @param bottom where its front edge lies
   * @param area what of the page is drawn on
   * @param captions what is free on it
   */
  record Page(
      Panel panel,
      boolean below,
      double left,
      double bottom,
      Captions.Box area,
      Captions captions) {
    /** {@return a place of the panel as this side shows it, from the left} */
    Point seen(Point at) {
      return below ? new Point(panel.widthMm() - at.xMm(), at.yMm()) : at;
    }

    /** {@return where a place of the panel lies on the page, left to right} */
    double x(Point at) {
      return left + seen(at).xMm();
    }

    /** {@return where a place of the panel lies on the page, top to bottom} */
    double y(Point at) {
      return bottom - at.yMm();
    }
  }

  /** What draws one page. */
  interface Drawing {
    void draw(Page page) throws IOException;
  }

  /** {@return how many pages one side takes} */
  static int pages(Panel panel, Paper paper) {
    return Tiles.fewest(Extent.of(panel), new Pen.Sheet(paper.widthMm(), paper.heightMm())).pages();
  }

  /**
   * Draws one side, page by page; page A1 shows the back left of the panel, as it lies before the
   * builder.
   *
   * @param seenFrom what the foot says after the page's name: which side, and how it is measured
   * @param lines what the kinds of lines mean
   */
  void side(boolean below, String seenFrom, String lines, Drawing drawing) throws IOException {
    for (int row = 0; row < tiles.rows(); row++) {
      for (int column = 0; column < tiles.columns(); column++) {
        pen.page(tiles.sheet());
        double left = MARGIN_MM - column * tiles.width() - before(below);
        double bottom = MARGIN_MM + extent.backMm() - row * tiles.height();
        double width = tiles.width() + OVERLAP_MM;
        double height = tiles.height() + OVERLAP_MM;
        Captions.Box area = new Captions.Box(MARGIN_MM, MARGIN_MM, width, height);
        Captions captions = new Captions(area, 2.5);
        pen.clip(MARGIN_MM, MARGIN_MM, width, height);
        drawing.draw(new Page(panel, below, left, bottom, area, captions));
        pen.unclip();
        pen.width(0.1);
        pen.box(MARGIN_MM, MARGIN_MM, width, height, 0);
        foot(seenFrom, lines, column, row);
      }
    }
  }

  /**
   * Marks lie on the middle of the overlap, so that each is printed on every page that meets there.
   */
  void registration(Page page) throws IOException {
    for (int column = 0; column <= tiles.columns(); column++) {
      for (int row = 0; row <= tiles.rows(); row++) {
        double x = page.left() + before(page.below()) + column * tiles.width() + OVERLAP_MM / 2;
        double y = page.bottom() - extent.backMm() + row * tiles.height() + OVERLAP_MM / 2;
        pen.width(0.15);
        pen.circle(x, y, 5);
        pen.line(x - 4, y, x + 4, y);
        pen.line(x, y - 4, x, y + 4);
        page.captions().take(Captions.Box.about(x, y, 8, 8));
      }
    }
  }

  /** {@return where the covered part begins, from the panel's edge at the left of this side} */
  private double before(boolean below) {
    return below ? panel.widthMm() - extent.rightMm() : extent.leftMm();
  }

  private void foot(String seenFrom, String lines, int column, int row) throws IOException {
    double top = pen.paper().heightMm() - FOOT_MM + 4;
    CheckBars.level(pen, MARGIN_MM, top + 3);
    CheckBars.upright(pen, RIM_MM + 0.5, MARGIN_MM);
    double wide = pen.paper().widthMm() - 2 * MARGIN_MM;
    pen.text(
        Face.WORDS,
        7,
        MARGIN_MM,
        top + 13,
        pen.cut(
            Face.WORDS,
            7,
            "Print at 100 %, not fitted to the page. Measure all three bars before you cut; paper"
                + " stretches when damp.",
            wide));
    pen.text(Face.WORDS, 6.5, MARGIN_MM, top + 17, pen.cut(Face.WORDS, 6.5, lines, wide));
    map(top, column, row);
    String name = name(column, row) + " " + seenFrom + " " + title;
    pen.text(Face.STRONG, 7, MARGIN_MM, top + 21, pen.cut(Face.STRONG, 7, name, wide));
  }

  /** Which of the pages this one is. */
  private void map(double top, int column, int row) throws IOException {
    double mapWidth = pen.paper().widthMm() - MARGIN_MM - (MARGIN_MM + 124);
    double cell = Math.min(4, Math.min(mapWidth / tiles.columns(), 9.0 / tiles.rows()));
    for (int r = 0; r < tiles.rows(); r++) {
      for (int c = 0; c < tiles.columns(); c++) {
        double x = pen.paper().widthMm() - MARGIN_MM - (tiles.columns() - c) * cell;
        if (r == row && c == column) {
          pen.fill(x, top - 1 + r * cell, cell, cell, 0.2);
        }
        pen.width(0.15);
        pen.box(x, top - 1 + r * cell, cell, cell, 0);
      }
    }
  }

  private static String name(int column, int row) {
    return (row < 26 ? "" : String.valueOf((char) ("A".charAt(0) + row / 26 - 1)))
        + (char) ("A".charAt(0) + row % 26)
        + (column + 1);
  }

  /** How a panel is parted over pages of one size. */
  private record Tiles(Pen.Sheet sheet, double width, double height, int columns, int rows) {
    static Tiles of(Extent extent, Pen.Sheet sheet) {
      double width = sheet.widthMm() - 2 * MARGIN_MM - OVERLAP_MM;
      double height = sheet.heightMm() - MARGIN_MM - FOOT_MM - OVERLAP_MM;
      return new Tiles(
          sheet, width, height, count(extent.widthMm(), width), count(extent.heightMm(), height));
    }

    /** {@return the way of laying the paper that takes fewer pages, upright where both do} */
    static Tiles fewest(Extent extent, Pen.Sheet upright) {
      Tiles up = of(extent, upright);
      Tiles across = of(extent, upright.turned());
      return across.pages() < up.pages() ? across : up;
    }

    private static int count(double length, double tile) {
      // The overlap of the last page is as good as any other part of it.
      return (int) Math.max(1, Math.ceil((length - OVERLAP_MM) / tile - 1e-9));
    }

    int pages() {
      return columns * rows;
    }
  }
}
