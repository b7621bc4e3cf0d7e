package kumite.panel;

import java.util.ArrayList;
import java.util.List;
import kumite.measure.Placement;
import kumite.measure.Point;

/**
 * A regular arrangement of controls. All lengths are millimetres between centres.
 *
 * <pre>{@code
 * List<Placement> places = new Layout.Grid(4, 36, 36).places(8, new Point(150, 100), 1);
 * }</pre>
 */
public sealed interface Layout {

  /**
   * Rows and columns.
   *
   * @param columns how many to a row; 1 to 100
   * @param acrossMm between columns; above 0
   * @param alongMm between rows; above 0
   */
  record Grid(int columns, double acrossMm, double alongMm) implements Layout {
    public Grid {
      requireColumns(columns);
      requirePitch(acrossMm, "spacing across");
      requirePitch(alongMm, "spacing between rows");
    }
  }

  /**
   * Rows of which every second one is shifted.
   *
   * @param columns how many to a row; 1 to 100
   * @param acrossMm between columns; above 0
   * @param alongMm between rows; above 0
   * @param shiftMm how far every second row is shifted to the right
   */
  record Staggered(int columns, double acrossMm, double alongMm, double shiftMm) implements Layout {
    public Staggered {
      requireColumns(columns);
      requirePitch(acrossMm, "spacing across");
      requirePitch(alongMm, "spacing between rows");
    }
  }

  /**
   * Rows that follow the arc that fingertips make about a resting palm. Every button of the first
   * row is as far from the palm as the next.
   *
   * @param columns how many to a row; 1 to 100
   * @param acrossMm between neighbours of a row, straight; above 0
   * @param alongMm between rows; above 0
   * @param radiusMm from the resting point to the first row; above 0
   */
  record Arc(int columns, double acrossMm, double alongMm, double radiusMm) implements Layout {
    public Arc {
      requireColumns(columns);
      requirePitch(acrossMm, "spacing across");
      requirePitch(alongMm, "spacing between rows");
      requirePitch(radiusMm, "radius");
      if (acrossMm > 2 * radiusMm) {
        throw new IllegalArgumentException(
            "a spacing of "
                + acrossMm
                + " mm does not fit on an arc of radius "
                + radiusMm
                + " mm; make the radius larger");
      }
    }

    /** {@return how far ahead of the palm the middle of so many controls lies, in mm} */
    double aheadMm(int count) {
      double front = Double.POSITIVE_INFINITY;
      double back = Double.NEGATIVE_INFINITY;
      int columns = Math.min(columns(), Math.max(1, count));
      for (int i = 0; i < count; i++) {
        int row = i / columns;
        int inRow = Math.min(columns, count - row * columns);
        double y = Layout.offset(this, i % columns - (inRow - 1) / 2.0, row, 1).yMm();
        front = Math.min(front, y);
        back = Math.max(back, y);
      }
      return count == 0 ? radiusMm : (front + back) / 2;
    }
  }

  /**
   * Rows of four that follow the lengths of the fingers, index to little finger: the middle one
   * reaches furthest, the little one least.
   *
   * @param acrossMm between neighbours, left to right; above 0
   * @param alongMm between rows; above 0
   * @param breadthMm of the hand; 20 to 200
   * @param left whether the left hand plays, its index finger on the right
   */
  record Fingers(double acrossMm, double alongMm, double breadthMm, boolean left)
      implements Layout {
    /**
     * How far the fingertips of a hand 84 mm broad lie ahead of the index finger's when they are
     * bent a little: common practice, no source.
     */
    private static final double[] AHEAD_MM = {0, 9, 4, -12};

    public Fingers {
      requirePitch(acrossMm, "spacing across");
      requirePitch(alongMm, "spacing between rows");
      requirePitch(breadthMm, "breadth of the hand");
    }

    @Override
    public int columns() {
      return AHEAD_MM.length;
    }

    private double aheadMm(double column) {
      int finger = (int) Math.max(0, Math.min(3, Math.round(column + 1.5)));
      return AHEAD_MM[left ? 3 - finger : finger]
          * breadthMm
          / kumite.build.brief.Hand.AVERAGE.breadthMm();
    }
  }

  /** {@return how many to a row} */
  int columns();

  private static void requireColumns(int columns) {
    if (columns < 1 || columns > 100) {
      throw new IllegalArgumentException("a row has 1 to 100 controls, but was given " + columns);
    }
  }

  private static void requirePitch(double mm, String what) {
    if (!(mm > 0 && mm <= 1000)) {
      throw new IllegalArgumentException(
          what + " must be above 0 and at most 1000 mm, but was " + mm);
    }
  }

  /**
   * The places of so many controls, the first row at the front, each row from left to right.
   *
   * @param count how many
   * @param middle the middle of the whole arrangement
   * @param spread 1 as it is, more for wider spacing in the same proportion
   */
  default List<Placement> places(int count, Point middle, double spread) {
    List<Point> raw = new ArrayList<>();
    int columns = Math.min(columns(), Math.max(1, count));
    for (int i = 0; i < count; i++) {
      int row = i / columns;
      int inRow = Math.min(columns, count - row * columns);
      double column = i % columns - (inRow - 1) / 2.0;
      raw.add(offset(this, column, row, spread));
    }
    double left = raw.stream().mapToDouble(Point::xMm).min().orElse(0);
    double right = raw.stream().mapToDouble(Point::xMm).max().orElse(0);
    double front = raw.stream().mapToDouble(Point::yMm).min().orElse(0);
    double back = raw.stream().mapToDouble(Point::yMm).max().orElse(0);
    List<Placement> places = new ArrayList<>();
    for (Point p : raw) {
      places.add(
          Placement.at(
              tenth(middle.xMm() + p.xMm() - (left + right) / 2),
              tenth(middle.yMm() + p.yMm() - (front + back) / 2)));
    }
    return places;
  }

  /** {@return a place counted from the middle of the first row, or from the palm for an arc} */
  private static Point offset(Layout layout, double column, int row, double spread) {
    if (layout instanceof Grid grid) {
      return new Point(column * grid.acrossMm() * spread, row * grid.alongMm() * spread);
    }
    if (layout instanceof Staggered rows) {
      double shift = row % 2 == 0 ? 0 : rows.shiftMm();
      return new Point(
          column * rows.acrossMm() * spread + shift * spread, row * rows.alongMm() * spread);
    }
    if (layout instanceof Fingers fingers) {
      return new Point(
          column * fingers.acrossMm() * spread,
          row * fingers.alongMm() * spread + fingers.aheadMm(column));
    }
    Arc arc = (Arc) layout;
    double radius = arc.radiusMm() + row * arc.alongMm() * spread;
    // Neighbours are a chord apart: 2 r sin(angle / 2).
    double step = 2 * Math.asin(Math.min(1, arc.acrossMm() * spread / (2 * radius)));
    double angle = column * step;
    return new Point(radius * Math.sin(angle), radius * Math.cos(angle));
  }

  /** Coordinates are set with a rule: a tenth of a millimetre is the most that makes sense. */
  private static double tenth(double mm) {
    return Math.rint(mm * 10) / 10;
  }
}
