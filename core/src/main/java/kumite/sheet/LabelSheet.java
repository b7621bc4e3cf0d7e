package kumite.sheet;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import kumite.build.Control;
import kumite.build.map.Layer;
import kumite.device.Senses;
import kumite.kind.ControlKind;
import kumite.loom.Strand;
import kumite.map.TargetText;
import kumite.measure.Paper;
import kumite.measure.Placement;
import kumite.measure.Shape;
import kumite.name.ContactId;
import kumite.verdict.Bench;

/** Labels to cut out: a disc for each cap, a flag for each end of each strand. */
public final class LabelSheet {
  private static final double MARGIN_MM = 14;

  private static final double STRIP_WIDE_MM = 30;
  private static final double STRIP_HIGH_MM = 8;

  /** Points; smaller print is not read on a panel. */
  private static final double SMALLEST = 4;

  /** Millimetres from line to line for a point of size. */
  private static final double LINE = 0.42;

  private static final double FLAG_WIDTH_MM = 34;
  private static final double FLAG_HEIGHT_MM = 9;

  private final Pen pen;
  private double x;
  private double y;
  private double rowHeight;

  private LabelSheet(Pen pen) {
    this.pen = pen;
  }

  /** {@return the labels of a build as a PDF document} */
  public static byte[] pdf(Bench bench, Paper paper) {
    return Pen.pdf(
        bench.build().brief().title() + ", labels", paper, pen -> new LabelSheet(pen).draw(bench));
  }

  private void draw(Bench bench) throws IOException {
    page("Caps of " + bench.build().brief().title());
    for (Control control : bench.build().controls()) {
      ControlKind kind = bench.catalogue().kindOf(control);
      String words = legend(bench, control);
      if (kind.cap().isPresent()) {
        cap(words, kind.cap().get());
      } else {
        strip(words);
      }
    }
    flags(bench);
  }

  /** The label, and what the control is on each layer that names it. */
  private static String legend(Bench bench, Control control) {
    StringBuilder words = new StringBuilder(control.label());
    ContactId contact = new ContactId(control.id(), "");
    for (Layer layer : Senses.known(bench.build().profile(), bench.board()).layers()) {
      layer
          .mapping()
          .of(contact)
          .ifPresent(
              entry ->
                  words
                      .append(" / ")
                      .append(
                          entry.function().isEmpty()
                              ? TargetText.brief(entry.target())
                              : entry.function()));
    }
    return words.toString();
  }

  /** A label of the cap's own size and shape. */
  private void cap(String label, Shape cap) throws IOException {
    double wide = cap.widthMm();
    double high = cap.heightMm();
    place(wide + 4, high + 4, "Caps, continued");
    double cx = x + wide / 2;
    double cy = y + high / 2;
    pen.width(0.15);
    pen.shape(cap, Placement.at(0, 0), cx, cy, 1);
    boolean round = cap instanceof Shape.Round;
    words(label, cx, cy, wide * (round ? 0.84 : 0.92), high * (round ? 0.6 : 0.9), 9);
    x += wide + 4;
  }

  /** What has no cap to write on gets a strip to stick beside it. */
  private void strip(String label) throws IOException {
    place(STRIP_WIDE_MM + 4, STRIP_HIGH_MM + 4, "Caps, continued");
    pen.width(0.15);
    pen.box(x, y, STRIP_WIDE_MM, STRIP_HIGH_MM, 1);
    words(
        label,
        x + STRIP_WIDE_MM / 2,
        y + STRIP_HIGH_MM / 2,
        STRIP_WIDE_MM - 2,
        STRIP_HIGH_MM - 1,
        8);
    x += STRIP_WIDE_MM + 4;
  }

  /** Centred words, as large as they fit; too long ones are cut. */
  private void words(String label, double cx, double cy, double wide, double high, double largest)
      throws IOException {
    double size = largest;
    List<String> lines = pen.wrap(Face.STRONG, size, label, wide);
    while (size > SMALLEST && lines.size() * size * LINE > high) {
      size -= 0.5;
      lines = pen.wrap(Face.STRONG, size, label, wide);
    }
    double step = size * LINE;
    int fits = (int) Math.max(1, Math.floor(high / step + 1e-9));
    if (lines.size() > fits) {
      lines = new ArrayList<>(lines.subList(0, fits));
      lines.set(fits - 1, pen.cut(Face.STRONG, size, lines.get(fits - 1) + "…", wide));
    }
    double first = cy - step * (lines.size() - 1) / 2 + size * 0.12;
    for (int i = 0; i < lines.size(); i++) {
      pen.textCentred(
          Face.STRONG, size, cx, first + i * step, pen.cut(Face.STRONG, size, lines.get(i), wide));
    }
  }

  /**
   * {@return the flags of the wires alone as a PDF document}
   *
   * @throws IllegalArgumentException if there are no wires yet
   */
  public static byte[] wires(Bench bench, Paper paper) {
    if (bench.loom().strands().isEmpty()) {
      throw new IllegalArgumentException("there are no wires yet; choose a board first");
    }
    return Pen.pdf(
        bench.build().brief().title() + ", wire labels",
        paper,
        pen -> new LabelSheet(pen).flags(bench));
  }

  private void flags(Bench bench) throws IOException {
    if (!bench.loom().strands().isEmpty()) {
      page("Wire flags: fold round the wire, both ends carry the same");
      for (Strand strand : bench.loom().strands().stream().filter(Strand::cutHere).toList()) {
        flag(strand, strand.from(), strand.to());
        flag(strand, strand.to(), strand.from());
      }
    }
  }

  /** A flag says what it is at, then where the other end belongs. */
  private void flag(Strand strand, Strand.End here, Strand.End there) throws IOException {
    place(FLAG_WIDTH_MM + 2, FLAG_HEIGHT_MM + 2, "Wire flags, continued");
    pen.width(0.15);
    pen.box(x, y, FLAG_WIDTH_MM, FLAG_HEIGHT_MM, 0);
    String wire = strand.id() + " " + strand.colour().code();
    double used = Math.max(14.5, pen.widthMm(Face.MONO, 7, wire) + 2.5);
    pen.text(Face.MONO, 7, x + 1.5, y + 3.4, wire);
    pen.text(
        Face.STRONG,
        6,
        x + used,
        y + 3.4,
        pen.cut(Face.STRONG, 6, here.part() + " " + here.tab(), FLAG_WIDTH_MM - used - 1));
    pen.text(
        Face.WORDS,
        5.5,
        x + 1.5,
        y + 7.2,
        pen.cut(Face.WORDS, 5.5, "to " + there.part() + " " + there.tab(), FLAG_WIDTH_MM - 3));
    x += FLAG_WIDTH_MM + 2;
  }

  private void page(String title) throws IOException {
    pen.page();
    pen.text(
        Face.STRONG,
        11,
        MARGIN_MM,
        MARGIN_MM,
        pen.cut(Face.STRONG, 11, title, pen.paper().widthMm() - 2 * MARGIN_MM));
    CheckBars.level(pen, MARGIN_MM, pen.paper().heightMm() - 14);
    x = MARGIN_MM;
    y = MARGIN_MM + 6;
    rowHeight = 0;
  }

  private void place(double width, double height, String title) throws IOException {
    if (x + width > pen.paper().widthMm() - MARGIN_MM) {
      x = MARGIN_MM;
      y += rowHeight;
      rowHeight = 0;
    }
    if (y + height > pen.paper().heightMm() - 24) {
      page(title);
    }
    rowHeight = Math.max(rowHeight, height);
  }
}
