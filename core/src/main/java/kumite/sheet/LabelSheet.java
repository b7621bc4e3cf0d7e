package kumite.sheet;

import java.io.IOException;
import java.util.List;
import kumite.build.Control;
import kumite.kind.ControlKind;
import kumite.loom.Strand;
import kumite.verdict.Bench;

/** Labels to cut out: a disc for each cap, a flag for each end of each strand. */
public final class LabelSheet {
  private static final double MARGIN_MM = 14;

  /** A cap is narrower than its flange by about this: common practice, measure yours. */
  private static final double CAP_LESS_MM = 8;

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
      double cap =
          Math.max(8, Math.min(kind.face().widthMm(), kind.face().heightMm()) - CAP_LESS_MM);
      place(cap + 4, cap + 4, "Caps, continued");
      pen.width(0.15);
      pen.circle(x + cap / 2, y + cap / 2, cap);
      double size = Math.min(9, cap / 2.2);
      List<String> lines = pen.wrap(Face.STRONG, size, control.label(), cap * 0.84);
      double step = size * 0.42;
      double first = y + cap / 2 - step * (lines.size() - 1) / 2 + size * 0.12;
      for (int i = 0; i < lines.size(); i++) {
        pen.textCentred(Face.STRONG, size, x + cap / 2, first + i * step, lines.get(i));
      }
      x += cap + 4;
    }
    flags(bench);
  }

  /** {@return the flags of the wires alone as a PDF document} */
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
      for (Strand strand : bench.loom().strands()) {
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
    pen.text(Face.MONO, 7, x + 1.5, y + 3.4, strand.id() + " " + strand.colour().code());
    pen.text(
        Face.STRONG, 6, x + 16, y + 3.4, fit(Face.STRONG, 6, here.part() + " " + here.tab(), 17));
    pen.text(
        Face.WORDS,
        5.5,
        x + 1.5,
        y + 7.2,
        fit(Face.WORDS, 5.5, "to " + there.part() + " " + there.tab(), FLAG_WIDTH_MM - 3));
    x += FLAG_WIDTH_MM + 2;
  }

  private String fit(Face face, double size, String text, double width) {
    String shown = text;
    while (shown.length() > 1 && pen.widthMm(face, size, shown) > width) {
      shown = shown.substring(0, shown.length() - 1);
    }
    return shown;
  }

  private void page(String title) throws IOException {
    pen.page();
    pen.text(Face.STRONG, 11, MARGIN_MM, MARGIN_MM, title);
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
