package kumite.sheet;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import kumite.build.Control;
import kumite.build.panel.Block;
import kumite.build.panel.Panel;
import kumite.kind.ControlKind;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.panel.Captions;
import kumite.panel.DrillPlan;
import kumite.panel.Rounding;
import kumite.verdict.Bench;

/**
 * The panel in its true size over as many pages as it takes, seen from the face and, mirrored, from
 * the underside, where the inside of the case and what stands in it are drawn too, so that it can
 * be taped in place there. Pages overlap; crosses in circles come to lie on each other. Numbers are
 * those of the drill table.
 *
 * <pre>{@code
 * byte[] pdf = Template.pdf(bench, Paper.A4);
 * }</pre>
 */
public final class Template {
  private static final double MARGIN_MM = 12;
  private static final double FOOT_MM = 28;
  private static final double OVERLAP_MM = 10;

  /** Printers leave up to this much of the page's rim white: common practice, no source. */
  static final double RIM_MM = 6;

  /** A caption further away than this names nothing. */
  private static final double FURTHEST_MM = 18;

  private final Bench bench;
  private final Panel panel;
  private final LengthUnit unit;
  private final Pen pen;
  private final Tiles tiles;

  /** How a panel is parted over pages of one size. */
  private record Tiles(Pen.Sheet sheet, double width, double height, int columns, int rows) {
    static Tiles of(Panel panel, Pen.Sheet sheet) {
      double width = sheet.widthMm() - 2 * MARGIN_MM - OVERLAP_MM;
      double height = sheet.heightMm() - MARGIN_MM - FOOT_MM - OVERLAP_MM;
      return new Tiles(
          sheet, width, height, count(panel.widthMm(), width), count(panel.heightMm(), height));
    }

    /** {@return the way of laying the paper that takes fewer pages, upright where both do} */
    static Tiles fewest(Panel panel, Pen.Sheet upright) {
      Tiles up = of(panel, upright);
      Tiles across = of(panel, upright.turned());
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

  private Template(Bench bench, Pen pen) {
    this.bench = bench;
    this.panel = bench.build().panel();
    this.unit = bench.build().brief().units();
    this.pen = pen;
    this.tiles = Tiles.fewest(panel, pen.paper());
  }

  /**
   * {@return the template as a PDF document: all pages of the face, then of the underside, then
   * gauges for holes that are not round}
   */
  public static byte[] pdf(Bench bench, Paper paper) {
    return Pen.pdf(
        bench.build().brief().title() + ", drill template",
        paper,
        pen -> {
          Pen.Sheet upright = pen.paper();
          Template template = new Template(bench, pen);
          template.side(false);
          template.side(true);
          HoleGauges.draw(bench, pen, upright);
        });
  }

  /** {@return how many pages one side takes} */
  public static int pages(Panel panel, Paper paper) {
    return Tiles.fewest(panel, new Pen.Sheet(paper.widthMm(), paper.heightMm())).pages();
  }

  private void side(boolean below) throws IOException {
    for (int row = 0; row < tiles.rows(); row++) {
      for (int column = 0; column < tiles.columns(); column++) {
        pen.page(tiles.sheet());
        tile(below, column, row);
        foot(below, column, row);
      }
    }
  }

  /** Page A1 shows the back left of the panel, as it lies before the builder. */
  private void tile(boolean below, int column, int row) throws IOException {
    double left = MARGIN_MM - column * tiles.width();
    double bottom = MARGIN_MM + panel.heightMm() - row * tiles.height();
    double width = tiles.width() + OVERLAP_MM;
    double height = tiles.height() + OVERLAP_MM;
    UnaryOperator<Point> seen = p -> seen(p, below);
    Captions.Box page = new Captions.Box(MARGIN_MM, MARGIN_MM, width, height);
    Captions captions = new Captions(page, 2.5);
    pen.clip(MARGIN_MM, MARGIN_MM, width, height);
    pen.width(0.35);
    pen.outline(Rounding.of(panel), seen, left, bottom);
    pen.width(0.15);
    pen.dashed(6, 2);
    double middle = left + panel.widthMm() / 2;
    pen.line(middle, bottom - panel.heightMm() - 5, middle, bottom + 5);
    double centre = bottom - panel.heightMm() / 2;
    pen.line(left - 5, centre, left + panel.widthMm() + 5, centre);
    pen.solid();
    if (below) {
      inside(left, bottom);
    }
    for (DrillPlan.Hole hole : bench.drill().inOrder()) {
      if (meets(page, box(hole, below, left, bottom))) {
        hole(hole, below, left, bottom);
      }
    }
    for (Control control : bench.build().controls()) {
      ControlKind kind = bench.catalogue().kindOf(control);
      double reach = Math.hypot(kind.body().widthMm(), kind.body().heightMm());
      double wide = Math.max(reach, Math.hypot(kind.face().widthMm(), kind.face().heightMm()));
      Point at = seen.apply(control.placement().centre());
      if (meets(page, Captions.Box.about(left + at.xMm(), bottom - at.yMm(), wide, wide))) {
        flange(control, kind, below, left, bottom);
        if (FrontMark.wanted(kind)) {
          pen.width(0.3);
          FrontMark.draw(pen, FrontMark.pieces(control, kind), seen, left, bottom, 1);
        }
      }
    }
    registration(left, bottom, captions);
    words(below, left, bottom, page, captions);
    pen.unclip();
    pen.width(0.1);
    pen.box(MARGIN_MM, MARGIN_MM, width, height, 0);
  }

  /** The inside edge of the case and the blocks in it, as they lie over the underside. */
  private void inside(double left, double bottom) throws IOException {
    pen.width(0.2);
    pen.dashed(0.6, 1.2);
    List<Point> wall = Rounding.insideOfWall(panel);
    if (wall.size() > 2) {
      pen.path(mirrored(wall), left, bottom);
    }
    for (Block block : panel.inside().blocks()) {
      pen.path(mirrored(PlanPicture.corners(block)), left, bottom);
    }
    pen.solid();
  }

  private void hole(DrillPlan.Hole hole, boolean below, double left, double bottom)
      throws IOException {
    Placement at = new Placement(hole.stored().xMm(), hole.stored().yMm(), hole.turnDegrees());
    pen.width(0.3);
    pen.outline(Rounding.of(hole.shape(), at), p -> seen(p, below), left, bottom);
    double x = left + across(hole.stored(), below);
    double y = bottom - hole.stored().yMm();
    double arm = Math.max(4, hole.shape().widthMm() / 2 + 3);
    pen.width(0.12);
    pen.line(x - arm, y, x + arm, y);
    pen.line(x, y - arm, x, y + arm);
  }

  /** What lies on another page, with the arms of its cross-hair, is not drawn on this one. */
  private static boolean meets(Captions.Box page, Captions.Box box) {
    return page.meets(box, 10);
  }

  private void flange(Control control, ControlKind kind, boolean below, double left, double bottom)
      throws IOException {
    pen.width(0.12);
    pen.dashed(1, 1);
    pen.outline(
        Rounding.of(below ? kind.body() : kind.face(), control.placement()),
        p -> seen(p, below),
        left,
        bottom);
    pen.solid();
  }

  /** Numbers first, since the table knows the rest by them; then words where they find room. */
  private void words(
      boolean below, double left, double bottom, Captions.Box page, Captions captions)
      throws IOException {
    List<DrillPlan.Hole> here = new ArrayList<>();
    for (DrillPlan.Hole hole : bench.drill().inOrder()) {
      Captions.Box box = box(hole, below, left, bottom);
      if (Captions.Box.about(box.midAcross(), box.midDown(), 0, 0).within(page)) {
        here.add(hole);
        captions.avoid(box);
      }
    }
    for (DrillPlan.Hole hole : here) {
      String number = String.valueOf(hole.order());
      Captions.Box box = box(hole, below, left, bottom);
      double wide = pen.widthMm(Face.STRONG, 7, number);
      Captions.Box quarter =
          Captions.Box.about(box.midAcross() + wide / 2 + 0.6, box.midDown() - 2.2, wide - 1, 0.4);
      captions
          .place(quarter, wide, 2.4, FURTHEST_MM)
          .ifPresent(b -> write(b, List.of(number), Face.STRONG, 7));
    }
    for (DrillPlan.Hole hole : here) {
      if (hole.cutout()) {
        // Clear of the cross-hair's arms too.
        Captions.Box box = box(hole, below, left, bottom);
        caption(
            hole,
            below,
            Captions.Box.about(
                box.midAcross(), box.midDown(), box.width() + 6.5, box.height() + 6.5),
            captions);
      }
    }
    for (Block block : below ? panel.inside().blocks() : List.<Block>of()) {
      Captions.Box at =
          Captions.Box.about(
              left + across(block.centre(), true), bottom - block.centre().yMm(), 0, 0);
      String name = pen.cut(Face.WORDS, 7, block.name(), 60);
      captions
          .place(at, pen.widthMm(Face.WORDS, 7, name), 2.6, FURTHEST_MM)
          .ifPresent(b -> write(b, List.of(name), Face.WORDS, 7));
    }
  }

  private Captions.Box box(DrillPlan.Hole hole, boolean below, double left, double bottom) {
    return Captions.Box.about(
        left + across(hole.stored(), below),
        bottom - hole.stored().yMm(),
        hole.shape().widthMm(),
        hole.shape().heightMm());
  }

  private void caption(DrillPlan.Hole hole, boolean below, Captions.Box named, Captions captions) {
    List<String> all =
        List.of(
            pen.cut(Face.WORDS, 6.5, hole.label(), 60),
            "x " + Length.fine(below ? hole.belowXMm() : hole.xMm(), unit),
            "y " + Length.fine(below ? hole.stored().yMm() : hole.yMm(), unit),
            hole.sizeWords(unit));
    for (List<String> lines : List.of(all, all.subList(0, 1))) {
      double wide =
          lines.stream().mapToDouble(l -> pen.widthMm(Face.WORDS, 6.5, l)).max().orElse(0);
      Optional<Captions.Box> box = captions.place(named, wide, 2.6 * lines.size(), FURTHEST_MM);
      if (box.isPresent()) {
        write(box.get(), lines, Face.WORDS, 6.5);
        return;
      }
    }
  }

  private void write(Captions.Box box, List<String> lines, Face face, double size) {
    try {
      double step = box.height() / lines.size();
      for (int i = 0; i < lines.size(); i++) {
        pen.textCentred(face, size, box.midAcross(), box.top() + (i + 0.82) * step, lines.get(i));
      }
    } catch (IOException e) {
      throw new java.io.UncheckedIOException(e);
    }
  }

  private double across(Point at, boolean below) {
    return below ? panel.widthMm() - at.xMm() : at.xMm();
  }

  private Point seen(Point at, boolean below) {
    return new Point(across(at, below), at.yMm());
  }

  private List<Point> mirrored(List<Point> points) {
    return points.stream().map(p -> new Point(across(p, true), p.yMm())).toList();
  }

  /**
   * Marks lie on the middle of the overlap, so that each is printed on every page that meets there.
   */
  private void registration(double left, double bottom, Captions captions) throws IOException {
    for (int column = 0; column <= tiles.columns(); column++) {
      for (int row = 0; row <= tiles.rows(); row++) {
        double x = left + column * tiles.width() + OVERLAP_MM / 2;
        double y = bottom - panel.heightMm() + row * tiles.height() + OVERLAP_MM / 2;
        pen.width(0.15);
        pen.circle(x, y, 5);
        pen.line(x - 4, y, x + 4, y);
        pen.line(x, y - 4, x, y + 4);
        captions.take(Captions.Box.about(x, y, 8, 8));
      }
    }
  }

  private void foot(boolean below, int column, int row) throws IOException {
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
    map(top, column, row);
    String name =
        name(column, row)
            + (below
                ? " underside, panel turned over left to right; x from the left, y from the front. "
                : " face; x and y from the " + panel.datum().words() + ". ")
            + bench.build().brief().title()
            + ", revision "
            + bench.build().revision();
    pen.text(Face.STRONG, 7, MARGIN_MM, top + 17, pen.cut(Face.STRONG, 7, name, wide));
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
}
