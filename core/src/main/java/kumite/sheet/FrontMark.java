package kumite.sheet;

import java.io.IOException;
import java.util.List;
import java.util.function.UnaryOperator;
import kumite.build.Control;
import kumite.kind.ControlKind;
import kumite.measure.Point;

/**
 * An arrow to the front of a control that reports motion: put in the wrong way round, its motion
 * runs backwards, and that shows only when the holes are drilled.
 */
final class FrontMark {
  private FrontMark() {}

  static boolean wanted(ControlKind kind) {
    return kind.hidesItsFront();
  }

  /** {@return the lines of the arrow, pairs of ends on the panel} */
  static List<Point[]> pieces(Control control, ControlKind kind) {
    double from = kind.cutout().heightMm() / 2;
    double to = from + Math.max(6, kind.face().heightMm() / 4);
    Point tail = control.placement().place(new Point(0, -from));
    Point tip = control.placement().place(new Point(0, -to));
    Point left = control.placement().place(new Point(-2, -to + 3));
    Point right = control.placement().place(new Point(2, -to + 3));
    return List.of(new Point[] {tail, tip}, new Point[] {left, tip}, new Point[] {right, tip});
  }

  /**
   * Draws an arrow.
   *
   * @param seen where a place of the panel is seen, mirrored from below
   */
  static void draw(
      Pen pen,
      List<Point[]> pieces,
      UnaryOperator<Point> seen,
      double left,
      double bottom,
      double scale)
      throws IOException {
    for (Point[] piece : pieces) {
      Point a = seen.apply(piece[0]);
      Point b = seen.apply(piece[1]);
      pen.line(
          left + a.xMm() * scale,
          bottom - a.yMm() * scale,
          left + b.xMm() * scale,
          bottom - b.yMm() * scale);
    }
  }
}
