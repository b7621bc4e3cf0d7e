package kumite.sheet;

import java.awt.geom.Point2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.contentstream.PDFGraphicsStreamEngine;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.graphics.image.PDImage;

/** Collects straight lines of a page, in points. */
final class Lines extends PDFGraphicsStreamEngine {
  final List<double[]> lines = new ArrayList<>();
  private Point2D at = new Point2D.Float();

  Lines(PDPage page) throws IOException {
    super(page);
    processPage(page);
  }

  @Override
  public void appendRectangle(Point2D a, Point2D b, Point2D c, Point2D d) {}

  @Override
  public void drawImage(PDImage image) {}

  @Override
  public void clip(int rule) {}

  @Override
  public void moveTo(float x, float y) {
    at = new Point2D.Float(x, y);
  }

  @Override
  public void lineTo(float x, float y) {
    lines.add(new double[] {at.getX(), at.getY(), x, y});
    at = new Point2D.Float(x, y);
  }

  @Override
  public void curveTo(float a, float b, float c, float d, float x, float y) {
    at = new Point2D.Float(x, y);
  }

  @Override
  public Point2D getCurrentPoint() {
    return at;
  }

  @Override
  public void closePath() {}

  @Override
  public void endPath() {}

  @Override
  public void strokePath() {}

  @Override
  public void fillPath(int rule) {}

  @Override
  public void fillAndStrokePath(int rule) {}

  @Override
  public void shadingFill(COSName name) {}

  boolean has(double length, boolean level) {
    return lines.stream()
        .anyMatch(
            l ->
                Math.abs(Math.hypot(l[2] - l[0], l[3] - l[1]) - length) < 0.02
                    && (level ? Math.abs(l[3] - l[1]) : Math.abs(l[2] - l[0])) < 0.01);
  }
}
