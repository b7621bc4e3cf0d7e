package kumite.sheet;

import java.io.IOException;
import java.util.List;
import java.util.Locale;
import kumite.box.BoxChecks;
import kumite.box.BoxPlan;
import kumite.box.Piece;
import kumite.build.panel.CaseInside;
import kumite.build.panel.Datum;
import kumite.build.panel.Panel;
import kumite.measure.Paper;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.measure.Shape;
import kumite.panel.Rounding;
import kumite.verdict.Bench;

/**
 * Each face of the case that has holes, in its true size over as many pages as it takes, as it is
 * marked from outside: walls with the panel's edge on top, the floor from below.
 */
final class FacePaper {
  private FacePaper() {}

  /** {@return whether a face has a hole} */
  static boolean any(Bench bench) {
    return bench.get(BoxChecks.PLAN).pieces().stream().anyMatch(FacePaper::drilled);
  }

  private static boolean drilled(Piece piece) {
    boolean wall = piece.face().isPresent() || piece.part() == Piece.Part.WALL;
    return wall && !piece.holes().isEmpty();
  }

  /**
   * {@return the templates as a PDF document}
   *
   * @throws IllegalArgumentException if no face has a hole
   */
  static byte[] pdf(Bench bench, Paper paper) {
    BoxPlan plan = bench.get(BoxChecks.PLAN);
    List<Piece> drilled = plan.pieces().stream().filter(FacePaper::drilled).toList();
    if (drilled.isEmpty()) {
      throw new IllegalArgumentException(
          "no face of the case has a hole; put an opening into one first");
    }
    return Pen.pdf(
        bench.build().brief().title() + ", case templates",
        paper,
        pen -> {
          for (Piece piece : drilled) {
            face(bench, pen, plan, piece);
          }
        });
  }

  private static void face(Bench bench, Pen pen, BoxPlan plan, Piece piece) throws IOException {
    double width = Math.max(20, piece.widthMm());
    double height = Math.max(20, piece.heightMm());
    Panel plate =
        new Panel(
            width,
            height,
            0,
            piece.thicknessMm(),
            piece.material(),
            new CaseInside(0, 10),
            Datum.FRONT_LEFT);
    Tiling tiling = new Tiling(bench, plate, pen, Tiling.Extent.of(plate));
    String from = piece.id() + ", from outside; x from the left, y down from its upper edge.";
    tiling.side(
        false,
        from,
        "Full line: cut. Crosses: middles of holes. Crosses in circles lie on each other.",
        page -> {
          draw(pen, page, plan, piece);
          tiling.registration(page);
        });
  }

  /** {@return a place of a piece as it is seen from outside, y up from its lower edge} */
  static Point seen(Piece piece, Point at) {
    double x = at.xMm() - piece.leftMm();
    double y = at.yMm() - piece.topMm();
    return new Point(turned(piece) ? piece.widthMm() - x : x, piece.heightMm() - y);
  }

  /** Walls round a panel that is no rectangle run as they are seen from outside. */
  private static boolean turned(Piece piece) {
    return piece
        .face()
        .filter(
            face ->
                switch (face) {
                  case BACK, LEFT, FLOOR -> true;
                  case FRONT, RIGHT -> false;
                })
        .isPresent();
  }

  private static void draw(Pen pen, Tiling.Page page, BoxPlan plan, Piece piece)
      throws IOException {
    pen.width(0.35);
    pen.path(
        piece.outline().stream().map(p -> seen(piece, p)).toList(), page.left(), page.bottom());
    for (Piece.Hole hole : piece.holes()) {
      Point at = seen(piece, hole.at().centre());
      pen.width(0.3);
      pen.outline(
          Rounding.of(
              hole.shape(),
              new Placement(at.xMm(), at.yMm(), turn(piece, hole.at().turnDegrees()))),
          p -> p,
          page.left(),
          page.bottom());
      double x = page.left() + at.xMm();
      double y = page.bottom() - at.yMm();
      double arm = Math.max(4, hole.shape().widthMm() / 2 + 3);
      pen.width(0.12);
      pen.line(x - arm, y, x + arm, y);
      pen.line(x, y - arm, x, y + arm);
      pen.textCentred(
          Face.WORDS,
          6.5,
          x,
          y + hole.shape().heightMm() / 2 + 6,
          // Screws of a board stand too near each other for words.
          (named(plan, hole.words()) ? hole.words() + ", " : "") + size(hole.shape()));
      pen.textCentred(
          Face.WORDS,
          6.5,
          x,
          y + hole.shape().heightMm() / 2 + 9,
          String.format(Locale.ROOT, "x %.1f  y %.1f", at.xMm(), piece.heightMm() - at.yMm()));
    }
    pen.textCentred(
        Face.STRONG,
        9,
        page.left() + piece.widthMm() / 2,
        page.bottom() - piece.heightMm() + 6,
        piece.id());
  }

  /** Turned over once, a turn runs the other way; the walls seen as they are drawn are. */
  private static double turn(Piece piece, double degrees) {
    return ((turned(piece) ? degrees : -degrees) % 360 + 360) % 360;
  }

  private static boolean named(BoxPlan plan, String words) {
    return plan.box().opening(words).isPresent()
        || plan.build().controls().stream()
            .anyMatch(c -> c.face().isPresent() && c.label().equals(words));
  }

  private static String size(Shape shape) {
    return shape instanceof Shape.Round round
        ? String.format(Locale.ROOT, "%.1f round", round.diameterMm())
        : String.format(Locale.ROOT, "%.1f x %.1f", shape.widthMm(), shape.heightMm());
  }
}
