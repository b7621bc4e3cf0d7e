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
  /** A caption further away than this names nothing. */
  private static final double FURTHEST_MM = 18;

  private final Bench bench;
  private final Panel panel;
  private final LengthUnit unit;
  private final Pen pen;
  private final Tiling tiling;

  private Template(Bench bench, Pen pen) {
    this.bench = bench;
    this.panel = bench.build().panel();
    this.unit = bench.build().brief().units();
    this.pen = pen;
    this.tiling = new Tiling(bench, pen);
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
    return Tiling.pages(panel, paper);
  }

  private void side(boolean below) throws IOException {
    String seenFrom =
        below
            ? "underside, panel turned over left to right; x from the left, y from the front."
            : "face; x and y from the " + panel.datum().words() + ".";
    tiling.side(below, seenFrom, page -> tile(page, below));
  }

  private void tile(Tiling.Page page, boolean below) throws IOException {
    double left = page.left();
    double bottom = page.bottom();
    UnaryOperator<Point> seen = page::seen;
    Captions captions = page.captions();
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
      inside(pen, page);
    }
    for (DrillPlan.Hole hole : bench.drill().inOrder()) {
      if (meets(page.area(), box(hole, below, left, bottom))) {
        hole(hole, below, left, bottom);
      }
    }
    for (Control control : bench.build().controls()) {
      ControlKind kind = bench.catalogue().kindOf(control);
      if (meets(page.area(), box(page, control, kind))) {
        flange(control, kind, below, left, bottom);
        if (FrontMark.wanted(kind)) {
          pen.width(0.3);
          FrontMark.draw(pen, FrontMark.pieces(control, kind), seen, left, bottom, 1);
        }
      }
    }
    tiling.registration(page);
    words(below, left, bottom, page.area(), captions);
  }

  /** {@return what a control covers at most, on its page} */
  static Captions.Box box(Tiling.Page page, Control control, ControlKind kind) {
    double reach = Math.hypot(kind.body().widthMm(), kind.body().heightMm());
    double wide = Math.max(reach, Math.hypot(kind.face().widthMm(), kind.face().heightMm()));
    Point at = control.placement().centre();
    return Captions.Box.about(page.x(at), page.y(at), wide, wide);
  }

  /** The inside edge of the case and the blocks in it, as they lie over the panel. */
  static void inside(Pen pen, Tiling.Page page) throws IOException {
    Panel panel = page.panel();
    pen.width(0.2);
    pen.dashed(0.6, 1.2);
    List<Point> wall = Rounding.insideOfWall(panel);
    if (wall.size() > 2) {
      pen.path(wall.stream().map(page::seen).toList(), page.left(), page.bottom());
    }
    for (Block block : panel.inside().blocks()) {
      List<Point> corners = PlanPicture.corners(block).stream().map(page::seen).toList();
      pen.path(corners, page.left(), page.bottom());
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
  static boolean meets(Captions.Box page, Captions.Box box) {
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
      String name = pen.cut(Face.WORDS, 7, block.title(), 60);
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
}
