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
import kumite.measure.Paper;
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
  /** A caption further away than this names nothing, though a line leads to it. */
  private static final double FURTHEST_MM = 18;

  /** A number is found all the same, further out. */
  private static final double NUMBER_MM = 45;

  /** A caption that is further off than this has a line. */
  private static final double BESIDE_MM = 1.5;

  /** Captions keep this far from the line that is cut. */
  private static final double OFF_LINE_MM = 0.8;

  private final Bench bench;
  private final Panel panel;
  private final LengthUnit unit;
  private final Pen pen;
  private final Tiling tiling;
  private boolean keyed;

  private Template(Bench bench, Pen pen) {
    this.bench = bench;
    this.panel = bench.build().panel();
    this.unit = bench.build().brief().units();
    this.pen = pen;
    this.tiling = new Tiling(bench, pen);
  }

  /**
   * {@return the template as a PDF document: all pages of the face, then of the underside, a key to
   * the numbers where words found no room, and gauges for holes that are not round}
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
          template.key(upright);
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
    String lines =
        below
            ? "Full line: cut. Dashes: bodies. Dots: inside of the case, and what stands in it."
                + " Long dashes: middle of the panel. Crosses in circles lie on each other."
            : "Full line: cut. Dashes: flanges. Long dashes: middle of the panel. Crosses in circles"
                + " lie on each other.";
    tiling.side(below, seenFrom, lines, page -> tile(page, below));
  }

  /** All holes by their numbers, where the words of some found no room on the drawing. */
  private void key(Pen.Sheet upright) throws IOException {
    if (!keyed) {
      return;
    }
    List<String[]> rows = new ArrayList<>();
    for (DrillPlan.Hole hole : bench.drill().inOrder()) {
      rows.add(
          new String[] {
            String.valueOf(hole.order()),
            hole.label(),
            hole.purpose(),
            Length.fine(hole.xMm(), unit),
            Length.fine(hole.belowXMm(), unit),
            Length.fine(hole.yMm(), unit),
            hole.sizeWords(unit)
          });
    }
    Flow flow = new Flow(pen, upright, bench.build().brief().title(), "key to the template");
    flow.newPage();
    flow.table(
        "Key to the numbers on the template, " + unit.symbol(),
        List.of(
            Flow.Column.mono("no.", 12),
            Flow.Column.of("for", 46),
            Flow.Column.of("hole", 22),
            Flow.Column.mono("x above", 20),
            Flow.Column.mono("x below", 20),
            Flow.Column.mono("y", 20),
            Flow.Column.of("size", 42)),
        rows,
        "");
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
    for (Control control : bench.build().onPanel()) {
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
    outline(below, left, bottom, captions);
    List<DrillPlan.Hole> here = new ArrayList<>();
    for (DrillPlan.Hole hole : bench.drill().inOrder()) {
      Captions.Box box = box(hole, below, left, bottom);
      if (box.meets(page, 0)) {
        captions.avoid(box);
      }
      if (Captions.Box.about(box.midAcross(), box.midDown(), 0, 0).within(page)) {
        here.add(hole);
      }
    }
    for (DrillPlan.Hole hole : here) {
      number(hole, box(hole, below, left, bottom), captions);
    }
    for (DrillPlan.Hole hole : here) {
      if (hole.cutout()) {
        caption(hole, below, box(hole, below, left, bottom), captions);
      }
    }
    for (Block block : below ? panel.inside().blocks() : List.<Block>of()) {
      Captions.Box at =
          Captions.Box.about(
              left + across(block.centre(), true), bottom - block.centre().yMm(), 0, 0);
      String name = pen.cut(Face.WORDS, 7, block.title(), 60);
      captions
          .placeClear(at, pen.widthMm(Face.WORDS, 7, name), 2.6, FURTHEST_MM)
          .ifPresent(b -> write(b, List.of(name), Face.WORDS, 7));
    }
  }

  /** No word lies on the line that is cut. */
  private void outline(boolean below, double left, double bottom, Captions captions) {
    List<Point> ring = Rounding.points(panel, 4);
    for (int i = 0; i < ring.size(); i++) {
      Point one = seen(ring.get(i), below);
      Point other = seen(ring.get((i + 1) % ring.size()), below);
      int parts =
          one.xMm() == other.xMm() || one.yMm() == other.yMm()
              ? 1
              : (int) Math.max(1, Math.ceil(one.distanceMm(other) / 2));
      for (int part = 0; part < parts; part++) {
        Point from = between(one, other, (double) part / parts);
        Point to = between(one, other, (part + 1.0) / parts);
        captions.take(
            Captions.Box.about(
                left + (from.xMm() + to.xMm()) / 2,
                bottom - (from.yMm() + to.yMm()) / 2,
                Math.abs(from.xMm() - to.xMm()) + OFF_LINE_MM,
                Math.abs(from.yMm() - to.yMm()) + OFF_LINE_MM));
      }
    }
  }

  private static Point between(Point one, Point other, double share) {
    return new Point(
        one.xMm() + share * (other.xMm() - one.xMm()),
        one.yMm() + share * (other.yMm() - one.yMm()));
  }

  /** In its own hole where that is large enough, else beside it; a line leads to it from afar. */
  private void number(DrillPlan.Hole hole, Captions.Box box, Captions captions) throws IOException {
    String number = String.valueOf(hole.order());
    double wide = pen.widthMm(Face.STRONG, 7, number);
    Captions.Box within =
        Captions.Box.about(
            box.midAcross() + wide / 2 + BESIDE_MM / 2, box.midDown() - 2, wide, 2.4);
    double corner = Math.hypot(within.right() - box.midAcross(), box.midDown() - within.top());
    boolean fits = corner < Math.min(box.width(), box.height()) / 2;
    if (fits && captions.isFree(within)) {
      captions.take(within);
      write(within, List.of(number), Face.STRONG, 7);
      return;
    }
    Optional<Captions.Box> place = captions.placeClear(box, wide, 2.4, NUMBER_MM);
    if (place.isEmpty()) {
      place = captions.place(box, wide, 2.4, NUMBER_MM);
    }
    if (place.isPresent()) {
      if (!place.get().meets(box, BESIDE_MM) && captions.line(box, place.get())) {
        leader(box, place.get());
      }
      plate(place.get(), List.of(number), Face.STRONG, 7);
    }
  }

  /** On white, so that no arm of a cross-hair and no dash runs through it. */
  private void plate(Captions.Box box, List<String> lines, Face face, double size)
      throws IOException {
    pen.fill(box.left(), box.top(), box.width(), box.height(), 1);
    write(box, lines, face, size);
  }

  private void leader(Captions.Box from, Captions.Box to) throws IOException {
    pen.width(0.08);
    pen.line(from.midAcross(), from.midDown(), to.midAcross(), to.midDown());
  }

  private Captions.Box box(DrillPlan.Hole hole, boolean below, double left, double bottom) {
    return Captions.Box.about(
        left + across(hole.stored(), below),
        bottom - hole.stored().yMm(),
        hole.shape().widthMm(),
        hole.shape().heightMm());
  }

  /** Words that find no place beside their hole, or none that a line leads to, stand in the key. */
  private void caption(DrillPlan.Hole hole, boolean below, Captions.Box box, Captions captions)
      throws IOException {
    // Clear of the cross-hair's arms too.
    Captions.Box named =
        Captions.Box.about(box.midAcross(), box.midDown(), box.width() + 6.5, box.height() + 6.5);
    List<String> all =
        List.of(
            pen.cut(Face.WORDS, 6.5, hole.label(), 60),
            "x " + Length.fine(below ? hole.belowXMm() : hole.xMm(), unit),
            "y " + Length.fine(below ? hole.stored().yMm() : hole.yMm(), unit),
            hole.sizeWords(unit));
    for (List<String> lines : List.of(all, all.subList(0, 1))) {
      keyed |= lines.size() == 1;
      double wide =
          lines.stream().mapToDouble(l -> pen.widthMm(Face.WORDS, 6.5, l)).max().orElse(0);
      Captions.Box about = lines.size() == 1 ? box : named;
      Optional<Captions.Box> place =
          captions.placeClear(about, wide, 2.6 * lines.size(), FURTHEST_MM);
      if (place.isEmpty()) {
        continue;
      }
      boolean beside = place.get().meets(about, BESIDE_MM);
      if (beside || captions.line(box, place.get())) {
        if (!beside) {
          leader(box, place.get());
        }
        plate(place.get(), lines, Face.WORDS, 6.5);
        return;
      }
      captions.release(place.get());
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
