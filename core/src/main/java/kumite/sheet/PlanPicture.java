package kumite.sheet;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
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

/** The panel from its finished face, scaled to the page, its holes numbered as the drill table. */
final class PlanPicture {
  private final Bench bench;
  private final Panel panel;
  private final LengthUnit unit;
  private final Pen pen;
  private final double left;
  private final double bottom;
  private final double scale;

  private PlanPicture(Bench bench, Pen pen, double left, double bottom, double scale) {
    this.bench = bench;
    this.panel = bench.build().panel();
    this.unit = bench.build().brief().units();
    this.pen = pen;
    this.left = left;
    this.bottom = bottom;
    this.scale = scale;
  }

  static void draw(Bench bench, Flow flow, Pen pen) throws IOException {
    Panel panel = bench.build().panel();
    double width = flow.widthMm() - 12;
    double scale = Math.min(1, Math.min(width / panel.widthMm(), 120 / panel.heightMm()));
    double height = panel.heightMm() * scale;
    flow.room(height + 30);
    flow.heading(
        String.format(
            Locale.ROOT, "Panel from the finished face, not to scale (1 : %.2f)", 1 / scale));
    double bottom = flow.y() + 4 + height;
    new PlanPicture(bench, pen, Flow.MARGIN_MM + 10, bottom, scale).draw();
    flow.down(height + 14);
    flow.paragraph(
        "Measured from the "
            + panel.datum().words()
            + ". Numbers as in the drill table. Full line: cut-out. Thin line: flange or plate."
            + " Dashed: body below. Dotted: case wall and what stands in the case. An arrow points"
            + " to the front of what must not be turned round.");
    flow.down(2);
  }

  private void draw() throws IOException {
    pen.width(0.4);
    pen.path(scaled(Rounding.points(panel, 2)), left, bottom);
    pen.width(0.15);
    pen.dashed(0.4, 1);
    List<Point> wall = Rounding.insideOfWall(panel);
    if (wall.size() > 2) {
      pen.path(scaled(wall), left, bottom);
    }
    for (Block block : panel.inside().blocks()) {
      pen.path(scaled(corners(block)), left, bottom);
    }
    pen.solid();
    ruler();
    Captions captions =
        new Captions(
            new Captions.Box(
                left,
                bottom - panel.heightMm() * scale - 3,
                panel.widthMm() * scale,
                panel.heightMm() * scale + 3),
            2.5);
    for (Control control : bench.build().onPanel()) {
      control(control);
    }
    // Words last, on white, so that no line runs through them; the drill table has all of them.
    numbers(captions);
    labels(captions);
    for (Block block : panel.inside().blocks()) {
      Point middle = block.centre();
      double size = 5.5;
      String name = pen.cut(Face.WORDS, size, block.title(), 40);
      Captions.Box at = Captions.Box.about(x(middle), y(middle), 0, 0);
      captions
          .place(at, pen.widthMm(Face.WORDS, size, name), 2.2, 20)
          .ifPresent(box -> plate(box, List.of(new Line(Face.WORDS, size, name))));
    }
  }

  private void control(Control control) throws IOException {
    ControlKind kind = bench.catalogue().kindOf(control);
    Placement at = control.placement();
    pen.width(0.12);
    pen.shape(kind.face(), at, left, bottom, scale);
    pen.dashed(1, 0.8);
    pen.shape(kind.body(), at, left, bottom, scale);
    pen.solid();
    double cx = x(at.centre());
    double cy = y(at.centre());
    pen.line(cx - 1.5, cy, cx + 1.5, cy);
    pen.line(cx, cy - 1.5, cx, cy + 1.5);
    if (FrontMark.wanted(kind)) {
      pen.width(0.25);
      FrontMark.draw(pen, FrontMark.pieces(control, kind), p -> p, left, bottom, scale);
    }
  }

  private Captions.Box own(DrillPlan.Hole hole) {
    return Captions.Box.about(
        x(hole.stored()),
        y(hole.stored()),
        hole.shape().widthMm() * scale,
        hole.shape().heightMm() * scale);
  }

  private void numbers(Captions captions) throws IOException {
    for (DrillPlan.Hole hole : bench.drill().inOrder()) {
      Placement at = new Placement(hole.stored().xMm(), hole.stored().yMm(), hole.turnDegrees());
      pen.width(hole.cutout() ? 0.3 : 0.2);
      pen.shape(hole.shape(), at, left, bottom, scale);
      captions.avoid(own(hole));
    }
    for (DrillPlan.Hole hole : bench.drill().inOrder()) {
      String number = String.valueOf(hole.order());
      double wide = pen.widthMm(Face.MONO, 4.5, number);
      Captions.Box named = Captions.Box.about(x(hole.stored()), y(hole.stored()), 1, 1);
      Captions.Box inside =
          Captions.Box.about(x(hole.stored()) + wide / 2 + 0.8, y(hole.stored()) - 1.2, 0, 0);
      Captions.Box beside = hole.cutout() ? inside : named;
      Optional<Captions.Box> box = captions.placeOff(beside, own(hole), wide, 1.7, 12);
      if (box.isEmpty()) {
        box = captions.place(beside, wide, 1.7, 12);
      }
      box.ifPresent(b -> plate(b, List.of(new Line(Face.MONO, 4.5, number))));
    }
  }

  private void labels(Captions captions) throws IOException {
    for (Control control : bench.build().onPanel()) {
      ControlKind kind = bench.catalogue().kindOf(control);
      Point shown = panel.datum().fromStored(control.placement().centre(), panel);
      List<Line> lines =
          List.of(
              new Line(Face.STRONG, 6.5, pen.cut(Face.STRONG, 6.5, control.label(), 24)),
              new Line(
                  Face.MONO,
                  5.2,
                  Length.fine(shown.xMm(), unit) + ", " + Length.fine(shown.yMm(), unit)));
      double wide = lines.stream().mapToDouble(this::width).max().orElse(0);
      Captions.Box face =
          Captions.Box.about(
              x(control.placement().centre()),
              y(control.placement().centre()),
              kind.face().widthMm() * scale,
              kind.face().heightMm() * scale);
      // Where no room is left the number tells; the drill table has the rest.
      for (int many = lines.size(); many > 0; many--) {
        Optional<Captions.Box> box = captions.placeClear(face, wide, 2.4 * many, 30);
        if (box.isPresent()) {
          boolean beside = box.get().meets(face, 1.5);
          if (beside || captions.line(face, box.get())) {
            leader(face, box.get());
            plate(box.get(), lines.subList(0, many));
            break;
          }
          captions.release(box.get());
        }
      }
    }
  }

  /** A caption that lies further out is tied to what it names. */
  private void leader(Captions.Box named, Captions.Box caption) throws IOException {
    if (!caption.meets(named, 1.5)) {
      pen.width(0.08);
      pen.line(named.midAcross(), named.midDown(), caption.midAcross(), caption.midDown());
    }
  }

  private record Line(Face face, double size, String text) {}

  private double width(Line line) {
    return pen.widthMm(line.face(), line.size(), line.text());
  }

  /** Centred lines on a white ground. */
  private void plate(Captions.Box box, List<Line> lines) {
    try {
      pen.fill(box.left(), box.top(), box.width(), box.height(), 1);
      double step = box.height() / lines.size();
      for (int i = 0; i < lines.size(); i++) {
        Line line = lines.get(i);
        pen.textCentred(
            line.face(), line.size(), box.midAcross(), box.top() + (i + 0.8) * step, line.text());
      }
    } catch (IOException e) {
      throw new java.io.UncheckedIOException(e);
    }
  }

  private double x(Point at) {
    return left + at.xMm() * scale;
  }

  private double y(Point at) {
    return bottom - at.yMm() * scale;
  }

  private List<Point> scaled(List<Point> points) {
    return points.stream().map(p -> new Point(p.xMm() * scale, p.yMm() * scale)).toList();
  }

  static List<Point> corners(Block block) {
    double right = block.leftMm() + block.widthMm();
    double back = block.frontMm() + block.heightMm();
    List<Point> corners = new ArrayList<>();
    corners.add(new Point(block.leftMm(), block.frontMm()));
    corners.add(new Point(right, block.frontMm()));
    corners.add(new Point(right, back));
    corners.add(new Point(block.leftMm(), back));
    return corners;
  }

  private void ruler() throws IOException {
    double step = unit == LengthUnit.MM ? 50 : 2 * Length.MM_PER_INCH;
    while (step * scale < 8) {
      step *= 2; // numbers of a wide panel would run into each other
    }
    for (double mm = 0; mm <= panel.widthMm() + 0.01; mm += step) {
      double at = left + mm * scale;
      pen.line(at, bottom + 1, at, bottom + 2.5);
      pen.textCentred(Face.MONO, 5, at, bottom + 4.8, tick(mm));
    }
    for (double mm = 0; mm <= panel.heightMm() + 0.01; mm += step) {
      double at = bottom - mm * scale;
      pen.line(left - 2.5, at, left - 1, at);
      String text = tick(mm);
      pen.text(Face.MONO, 5, left - 3.5 - pen.widthMm(Face.MONO, 5, text), at + 0.6, text);
    }
  }

  private String tick(double mm) {
    return String.format(Locale.ROOT, "%.0f", unit == LengthUnit.MM ? mm : mm / Length.MM_PER_INCH);
  }
}
