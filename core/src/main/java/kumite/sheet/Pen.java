package kumite.sheet;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import kumite.measure.Paper;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.measure.Shape;
import kumite.panel.Rounding;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentInformation;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.graphics.optionalcontent.PDOptionalContentGroup;
import org.apache.pdfbox.pdmodel.graphics.optionalcontent.PDOptionalContentProperties;
import org.jspecify.annotations.Nullable;

/**
 * Draws on the pages of one document, in millimetres from the top left corner of the page.
 *
 * <p>A PDF point is 1/72 in (ISO 32000-1, 8.3.2.3), so 100 mm are 283.46 points.
 *
 * <p>Longer than most files: what a page can be written and drawn with, and nothing else.
 */
final class Pen implements AutoCloseable {
  private static final double POINTS_PER_MM = 72 / 25.4;

  private final PDDocument document;
  private Sheet paper;
  private final Map<Face, PDFont> fonts = new EnumMap<>(Face.class);
  private @Nullable PDPageContentStream out;
  private PDPage sheetPage = new PDPage();

  Pen(PDDocument document, Sheet paper) {
    this.document = document;
    this.paper = paper;
  }

  /** A page's size in mm. */
  record Sheet(double widthMm, double heightMm) {
    /** {@return the same paper with its long side along the bottom, or up} */
    Sheet turned() {
      return new Sheet(heightMm, widthMm);
    }
  }

  private PDFont font(Face face) throws IOException {
    PDFont font = fonts.get(face);
    if (font == null) {
      font = PDType0Font.load(document, new java.io.ByteArrayInputStream(Signs.bytes(face)), true);
      fonts.put(face, font);
    }
    return font;
  }

  /** What draws a document. */
  interface Drawing {
    void draw(Pen pen) throws IOException;
  }

  /** {@return a whole PDF document} */
  static byte[] pdf(String title, Paper paper, Drawing drawing) {
    return pdf(title, new Sheet(paper.widthMm(), paper.heightMm()), drawing);
  }

  static byte[] pdf(String title, Sheet paper, Drawing drawing) {
    try (PDDocument document = new PDDocument();
        Pen pen = new Pen(document, paper)) {
      PDDocumentInformation about = new PDDocumentInformation();
      about.setTitle(title);
      about.setCreator("Kumite");
      document.setDocumentInformation(about);
      drawing.draw(pen);
      pen.endPage();
      ByteArrayOutputStream bytes = new ByteArrayOutputStream();
      document.save(bytes);
      return bytes.toByteArray();
    } catch (IOException e) {
      throw new UncheckedIOException(title + " could not be drawn", e);
    }
  }

  /** Begins the next page, on paper of another size or laid the other way. */
  void page(Sheet size) throws IOException {
    paper = size;
    page();
  }

  /** Begins the next page. */
  void page() throws IOException {
    endPage();
    sheetPage = new PDPage(new PDRectangle(points(paper.widthMm()), points(paper.heightMm())));
    document.addPage(sheetPage);
    out = new PDPageContentStream(document, sheetPage);
    ink(0);
    width(0.2);
  }

  @Override
  public void close() throws IOException {
    endPage();
  }

  /** Ends the page; a document is whole only after that. */
  void endPage() throws IOException {
    if (out != null) {
      out.close();
      out = null;
    }
  }

  /**
   * Tells a printer where the page is trimmed and how far its print goes past that.
   *
   * @param rimMm from the page's edge to the trimmed one
   * @param bleedMm past the trimmed edge
   */
  void trimmed(double rimMm, double bleedMm) {
    sheetPage.setTrimBox(inset(rimMm));
    sheetPage.setBleedBox(inset(rimMm - bleedMm));
  }

  private PDRectangle inset(double mm) {
    return new PDRectangle(
        points(mm),
        points(mm),
        points(paper.widthMm() - 2 * mm),
        points(paper.heightMm() - 2 * mm));
  }

  /** What is drawn on a layer. */
  interface Body {
    void draw() throws IOException;
  }

  /** Draws on a layer that a reader can switch off (ISO 32000-1, 8.11). */
  void layer(String name, Body body) throws IOException {
    PDOptionalContentProperties layers =
        document.getDocumentCatalog().getOCProperties() == null
            ? new PDOptionalContentProperties()
            : document.getDocumentCatalog().getOCProperties();
    document.getDocumentCatalog().setOCProperties(layers);
    PDOptionalContentGroup group =
        layers.hasGroup(name) ? layers.getGroup(name) : new PDOptionalContentGroup(name);
    if (!layers.hasGroup(name)) {
      layers.addGroup(group);
    }
    out.beginMarkedContent(COSName.OC, group);
    body.draw();
    out.endMarkedContent();
  }

  Sheet paper() {
    return paper;
  }

  /** Grey from 0, black, to 1, white. */
  void ink(double grey) throws IOException {
    out.setStrokingColor((float) grey);
    out.setNonStrokingColor((float) grey);
  }

  /** Draws lines in a colour, red, green and blue of eight bits each, until the next ink. */
  void colour(int rgb) throws IOException {
    out.setStrokingColor((rgb >> 16) / 255f, (rgb >> 8 & 0xff) / 255f, (rgb & 0xff) / 255f);
  }

  void width(double mm) throws IOException {
    out.setLineWidth(points(mm));
  }

  void dashed(double onMm, double offMm) throws IOException {
    out.setLineDashPattern(new float[] {points(onMm), points(offMm)}, 0);
  }

  void solid() throws IOException {
    out.setLineDashPattern(new float[0], 0);
  }

  void line(double x1, double y1, double x2, double y2) throws IOException {
    out.moveTo(x(x1), y(y1));
    out.lineTo(x(x2), y(y2));
    out.stroke();
  }

  void box(double left, double top, double width, double height, double corner) throws IOException {
    boxPath(left, top, width, height, corner);
    out.stroke();
  }

  /** Nothing shows outside of the box until {@link #unclip}. */
  void clip(double left, double top, double width, double height) throws IOException {
    out.saveGraphicsState();
    boxPath(left, top, width, height, 0);
    out.clip();
  }

  void unclip() throws IOException {
    out.restoreGraphicsState();
  }

  /**
   * Draws an outline in true size, its arcs as curves.
   *
   * @param seen where a place of the panel is seen, mirrored from below
   * @param left where the panel's left edge is on the page
   * @param bottom where its front edge is
   */
  void outline(List<Rounding.Piece> pieces, UnaryOperator<Point> seen, double left, double bottom)
      throws IOException {
    trace(pieces, seen, left, bottom);
    out.closePath();
    out.stroke();
  }

  /** Fills an outline in true size with a grey. */
  void filled(List<Rounding.Piece> pieces, double left, double bottom, double grey)
      throws IOException {
    ink(grey);
    trace(pieces, p -> p, left, bottom);
    out.closePath();
    out.fill();
    ink(0);
  }

  private void trace(
      List<Rounding.Piece> pieces, UnaryOperator<Point> seen, double left, double bottom)
      throws IOException {
    Point from = seen.apply(pieces.get(0).from());
    out.moveTo(x(left + from.xMm()), y(bottom - from.yMm()));
    for (Rounding.Piece piece : pieces) {
      if (piece instanceof Rounding.Arc arc) {
        arc(arc, seen, left, bottom);
      } else {
        Point to = seen.apply(piece.to());
        out.lineTo(x(left + to.xMm()), y(bottom - to.yMm()));
      }
    }
  }

  /**
   * An arc as cubic curves of a quarter at most, control points at 4/3 tan(angle / 4) radii: such a
   * curve is off by less than 0.03 % of the radius.
   */
  private void arc(Rounding.Arc arc, UnaryOperator<Point> seen, double left, double bottom)
      throws IOException {
    int parts = (int) Math.max(1, Math.ceil(Math.abs(arc.sweepDegrees()) / 90 - 1e-9));
    double step = Math.toRadians(arc.sweepDegrees() / parts);
    double reach = 4.0 / 3 * Math.tan(step / 4) * arc.radiusMm();
    double angle = Math.toRadians(arc.startDegrees());
    for (int i = 0; i < parts; i++) {
      Point a = onArc(arc, angle).plus(-reach * Math.sin(angle), reach * Math.cos(angle));
      double next = angle + step;
      Point end = onArc(arc, next);
      Point b = end.plus(reach * Math.sin(next), -reach * Math.cos(next));
      Point[] seenPoints = {seen.apply(a), seen.apply(b), seen.apply(end)};
      out.curveTo(
          x(left + seenPoints[0].xMm()),
          y(bottom - seenPoints[0].yMm()),
          x(left + seenPoints[1].xMm()),
          y(bottom - seenPoints[1].yMm()),
          x(left + seenPoints[2].xMm()),
          y(bottom - seenPoints[2].yMm()));
      angle = next;
    }
  }

  private static Point onArc(Rounding.Arc arc, double angle) {
    return arc.centre().plus(arc.radiusMm() * Math.cos(angle), arc.radiusMm() * Math.sin(angle));
  }

  /** Draws a closed path of panel points in true size. */
  void path(List<Point> points, double left, double bottom) throws IOException {
    for (int i = 0; i < points.size(); i++) {
      float px = x(left + points.get(i).xMm());
      float py = y(bottom - points.get(i).yMm());
      if (i == 0) {
        out.moveTo(px, py);
      } else {
        out.lineTo(px, py);
      }
    }
    out.closePath();
    out.stroke();
  }

  /** Draws an open line through places of the page. */
  void through(List<Point> points) throws IOException {
    for (int i = 0; i < points.size(); i++) {
      float px = x(points.get(i).xMm());
      float py = y(points.get(i).yMm());
      if (i == 0) {
        out.moveTo(px, py);
      } else {
        out.lineTo(px, py);
      }
    }
    out.stroke();
  }

  private void boxPath(double left, double top, double width, double height, double corner)
      throws IOException {
    double r = Math.min(corner, Math.min(width, height) / 2);
    double k = r * 0.5523; // a quarter circle as one Bezier curve is off by under 0.03 %
    double right = left + width;
    double bottom = top + height;
    out.moveTo(x(left + r), y(top));
    out.lineTo(x(right - r), y(top));
    out.curveTo(x(right - r + k), y(top), x(right), y(top + r - k), x(right), y(top + r));
    out.lineTo(x(right), y(bottom - r));
    out.curveTo(x(right), y(bottom - r + k), x(right - r + k), y(bottom), x(right - r), y(bottom));
    out.lineTo(x(left + r), y(bottom));
    out.curveTo(x(left + r - k), y(bottom), x(left), y(bottom - r + k), x(left), y(bottom - r));
    out.lineTo(x(left), y(top + r));
    out.curveTo(x(left), y(top + r - k), x(left + r - k), y(top), x(left + r), y(top));
    out.closePath();
  }

  void fill(double left, double top, double width, double height, double grey) throws IOException {
    ink(grey);
    boxPath(left, top, width, height, 0);
    out.fill();
    ink(0);
  }

  void circle(double x, double y, double diameter) throws IOException {
    box(x - diameter / 2, y - diameter / 2, diameter, diameter, diameter / 2);
  }

  /**
   * Draws a part's outline.
   *
   * @param left where the panel's left edge is on the page
   * @param bottom where its front edge is
   * @param scale millimetres on paper for one on the panel
   */
  void shape(Shape shape, Placement placement, double left, double bottom, double scale)
      throws IOException {
    double cx = left + placement.xMm() * scale;
    double cy = bottom - placement.yMm() * scale;
    if (shape instanceof Shape.Round round) {
      circle(cx, cy, round.diameterMm() * scale);
      return;
    }
    if (placement.turnDegrees() == 0) {
      double w = shape.widthMm() * scale;
      double h = shape.heightMm() * scale;
      box(cx - w / 2, cy - h / 2, w, h, ((Shape.Rect) shape).cornerMm() * scale);
      return;
    }
    double w = shape.widthMm() / 2;
    double h = shape.heightMm() / 2;
    Point[] corners = {new Point(-w, -h), new Point(w, -h), new Point(w, h), new Point(-w, h)};
    for (int i = 0; i < 4; i++) {
      Point at = placement.place(corners[i]);
      double px = left + at.xMm() * scale;
      double py = bottom - at.yMm() * scale;
      if (i == 0) {
        out.moveTo(x(px), y(py));
      } else {
        out.lineTo(x(px), y(py));
      }
    }
    out.closePath();
    out.stroke();
  }

  /** Writes a text with its base line at y; the size is in points, as printers count. */
  void text(Face face, double size, double x, double y, String text) throws IOException {
    out.beginText();
    out.newLineAtOffset(x(x), y(y));
    for (Signs.Run run : Signs.runs(face, text)) {
      out.setFont(font(run.face()), (float) size);
      out.showText(run.text());
    }
    out.endText();
  }

  void textCentred(Face face, double size, double x, double y, String text) throws IOException {
    text(face, size, x - widthMm(face, size, text) / 2, y, text);
  }

  /** {@return the width of a text in mm} */
  double widthMm(Face face, double size, String text) {
    try {
      double width = 0;
      for (Signs.Run run : Signs.runs(face, text)) {
        width += font(run.face()).getStringWidth(run.text());
      }
      return width / 1000 * size / POINTS_PER_MM;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** {@return the text, cut with an ellipsis where it is wider than given} */
  String cut(Face face, double size, String text, double widthMm) {
    if (widthMm(face, size, text) <= widthMm) {
      return text;
    }
    int[] signs = text.codePoints().toArray();
    int fits = signs.length - 1;
    while (fits > 0 && widthMm(face, size, new String(signs, 0, fits) + "…") > widthMm) {
      fits--;
    }
    return new String(signs, 0, fits).stripTrailing() + "…";
  }

  /** {@return the text broken at spaces into lines no wider than given; a long word is cut} */
  List<String> wrap(Face face, double size, String text, double widthMm) {
    List<String> lines = new ArrayList<>();
    StringBuilder line = new StringBuilder();
    for (String word : text.split(" ")) {
      String longer = line.isEmpty() ? word : line + " " + word;
      if (widthMm(face, size, longer) <= widthMm) {
        line = new StringBuilder(longer);
        continue;
      }
      if (!line.isEmpty()) {
        lines.add(line.toString());
      }
      while (widthMm(face, size, word) > widthMm && word.codePointCount(0, word.length()) > 1) {
        int fits = word.offsetByCodePoints(word.length(), -1);
        while (fits > Character.charCount(word.codePointAt(0))
            && widthMm(face, size, word.substring(0, fits)) > widthMm) {
          fits = word.offsetByCodePoints(fits, -1);
        }
        lines.add(word.substring(0, fits));
        word = word.substring(fits);
      }
      line = new StringBuilder(word);
    }
    lines.add(line.toString());
    return lines;
  }

  private static float points(double mm) {
    return (float) (mm * POINTS_PER_MM);
  }

  private static float x(double mm) {
    return points(mm);
  }

  private float y(double mm) {
    return points(paper.heightMm() - mm);
  }
}
