package kumite.sheet;

import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.Map;
import kumite.measure.LengthUnit;
import kumite.measure.Placement;
import kumite.measure.Shape;
import kumite.panel.DrillPlan;
import kumite.panel.Rounding;
import kumite.verdict.Bench;

/**
 * Gauges in true size for holes that are sawn and filed: cut one out of card, lay it on the line,
 * and try the hole with it.
 */
final class HoleGauges {
  private static final double MARGIN_MM = 14;
  private static final double BETWEEN_MM = 8;

  private HoleGauges() {}

  /** Draws a page of gauges, one for each shape; nothing where all holes are round. */
  static void draw(Bench bench, Pen pen, Pen.Sheet upright) throws IOException {
    LengthUnit unit = bench.build().brief().units();
    Map<Shape, Integer> shapes = new LinkedHashMap<>();
    for (DrillPlan.Hole hole : bench.drill().inOrder()) {
      if (hole.shape() instanceof Shape.Rect) {
        shapes.merge(hole.shape(), 1, Integer::sum);
      }
    }
    double x = MARGIN_MM;
    double y = 0;
    double row = 0;
    for (Map.Entry<Shape, Integer> entry : shapes.entrySet()) {
      Shape shape = entry.getKey();
      String size = words(bench, shape, unit);
      String count = entry.getValue() == 1 ? "1 hole" : entry.getValue() + " holes";
      double wide =
          Math.max(
              shape.widthMm(),
              Math.max(pen.widthMm(Face.WORDS, 7, size), pen.widthMm(Face.WORDS, 7, count)));
      double high = shape.heightMm() + 9;
      if (x + wide > upright.widthMm() - MARGIN_MM) {
        x = MARGIN_MM;
        y += row + BETWEEN_MM;
        row = 0;
      }
      if (y == 0 || y + high > upright.heightMm() - 26) {
        page(pen, upright);
        y = MARGIN_MM + 12;
        x = MARGIN_MM;
        row = 0;
      }
      gauge(pen, shape, x + wide / 2, y + shape.heightMm() / 2);
      pen.textCentred(Face.WORDS, 7, x + wide / 2, y + shape.heightMm() + 4, size);
      pen.textCentred(Face.WORDS, 7, x + wide / 2, y + shape.heightMm() + 7.4, count);
      x += wide + BETWEEN_MM;
      row = Math.max(row, high);
    }
  }

  private static void gauge(Pen pen, Shape shape, double cx, double cy) throws IOException {
    pen.width(0.2);
    pen.outline(Rounding.of(shape, Placement.at(0, 0)), p -> p, cx, cy);
    pen.width(0.1);
    pen.line(cx - 2, cy, cx + 2, cy);
    pen.line(cx, cy - 2, cx, cy + 2);
  }

  private static String words(Bench bench, Shape shape, LengthUnit unit) {
    return bench.drill().holes().stream()
        .filter(hole -> hole.shape().equals(shape))
        .findFirst()
        .map(hole -> hole.sizeWords(unit).replaceAll(" turned.*", ""))
        .orElse("");
  }

  private static void page(Pen pen, Pen.Sheet upright) throws IOException {
    pen.page(upright);
    pen.text(Face.STRONG, 11, MARGIN_MM, MARGIN_MM, "Gauges for holes that are not round");
    pen.text(
        Face.WORDS,
        8,
        MARGIN_MM,
        MARGIN_MM + 5,
        "Cut one out of thin card, draw round it on the panel, and try the hole with it.");
    CheckBars.level(pen, MARGIN_MM, pen.paper().heightMm() - 16);
  }
}
