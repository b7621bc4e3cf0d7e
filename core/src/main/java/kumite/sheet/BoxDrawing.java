package kumite.sheet;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import kumite.box.BoxChecks;
import kumite.box.BoxPlan;
import kumite.box.Nest;
import kumite.box.Piece;
import kumite.box.Relief;
import kumite.build.box.Making;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.measure.Shape;
import kumite.panel.Rounding;
import kumite.verdict.Bench;

/**
 * The sheets that a case is cut from. Walls and floor are seen from inside, so that the numbers on
 * them are hidden once it stands; the panel is seen from its face.
 */
public final class BoxDrawing {
  private static final double LETTERS_MM = 5;

  private BoxDrawing() {}

  /** {@return whether anything of a case is cut from a sheet} */
  static boolean anySheet(Bench bench) {
    return !bench.get(BoxChecks.PLAN).nest().sheets().isEmpty();
  }

  /**
   * {@return a file for each sheet}
   *
   * @throws IllegalArgumentException if nothing of the case is cut from a sheet, or a piece goes on
   *     none
   */
  static Map<String, byte[]> files(
      Bench bench, String ending, Function<CutDrawing, String> written) {
    BoxPlan plan = bench.get(BoxChecks.PLAN);
    if (!plan.nest().tooLarge().isEmpty()) {
      throw new IllegalArgumentException(
          "no sheet takes "
              + String.join(
                  ", ", plan.nest().tooLarge().stream().map(p -> "\"" + p.id() + "\"").toList())
              + "; say under case, stock which sheets there are");
    }
    if (plan.nest().sheets().isEmpty()) {
      throw new IllegalArgumentException(
          "nothing of this case is cut from a sheet; see case-stl for printed pieces");
    }
    Map<String, byte[]> files = new LinkedHashMap<>();
    for (int i = 0; i < plan.nest().sheets().size(); i++) {
      String text = written.apply(sheet(plan, i));
      files.put("case-" + (i + 1) + "." + ending, text.getBytes(StandardCharsets.UTF_8));
    }
    return files;
  }

  /**
   * {@return the printed pieces as STL by file name}
   *
   * @throws IllegalArgumentException if none is printed
   */
  static Map<String, byte[]> solids(Bench bench) {
    BoxPlan plan = bench.get(BoxChecks.PLAN);
    if (plan.printed().isEmpty()) {
      throw new IllegalArgumentException(
          "nothing of this case is printed; set making to printed, or see case-dxf");
    }
    Map<String, byte[]> files = new LinkedHashMap<>();
    for (Piece piece : plan.printed()) {
      files.put(piece.id() + ".stl", plan.solid(piece, bench.catalogue()).stl(piece.id()));
    }
    return files;
  }

  /** {@return one sheet with what is cut from it} */
  static CutDrawing sheet(BoxPlan plan, int index) {
    Nest.Laid laid = plan.nest().sheets().get(index);
    List<CutDrawing.Path> paths = new ArrayList<>();
    List<CutDrawing.Circle> circles = new ArrayList<>();
    List<CutDrawing.Text> texts = new ArrayList<>();
    double width = laid.sheet().widthMm();
    double height = laid.sheet().heightMm();
    paths.add(
        new CutDrawing.Path(
            CutDrawing.Layer.REFERENCE,
            Relief.of(
                List.of(
                    new Point(0, 0),
                    new Point(width, 0),
                    new Point(width, height),
                    new Point(0, height)),
                0)));
    Making.Laser laser =
        plan.box().making() instanceof Making.Laser beam
            ? beam
            : new Making.Laser(plan.box().making().thicknessMm(), 0, 0, 0);
    double kerf = laser.kerfMm();
    // A tab grows by what a slot shrinks: half of the kerf on each side, and a quarter of the fit.
    double grow = kerf / 2 + laser.tightMm() / 4;
    double relief = Relief.radiusMm(laser, grow);
    int corners = 0;
    int freed = 0;
    for (Nest.Spot spot : laid.spots()) {
      Piece piece = spot.piece();
      Function<Point, Point> onSheet = spot::at;
      List<Point> outline = piece.grown(grow).stream().map(onSheet).toList();
      List<Rounding.Piece> beam = Relief.of(outline, relief);
      corners += Relief.inside(outline);
      freed += beam.size() - outline.size(); // an arc in each corner that has one
      paths.add(new CutDrawing.Path(CutDrawing.Layer.CUT, beam));
      for (Piece.Hole hole : piece.holes()) {
        Shape shape = less(hole, kerf);
        if (shape instanceof Shape.Round round) {
          circles.add(
              new CutDrawing.Circle(
                  CutDrawing.Layer.CUT, onSheet.apply(hole.at().centre()), round.diameterMm()));
        } else {
          List<Rounding.Piece> ring = Rounding.of(shape, turned(spot, hole.at()));
          paths.add(new CutDrawing.Path(CutDrawing.Layer.CUT, ring));
        }
      }
      Point middle =
          new Point(spot.leftMm() + spot.widthMm() / 2, spot.topMm() + spot.heightMm() / 2);
      boolean panel = piece.part() == Piece.Part.PANEL;
      texts.add(
          new CutDrawing.Text(
              panel ? CutDrawing.Layer.REFERENCE : CutDrawing.Layer.ENGRAVE,
              middle,
              Math.min(LETTERS_MM, spot.heightMm() / 3),
              plan.pieces().indexOf(piece) + 1 + " " + piece.id()));
    }
    texts.add(
        new CutDrawing.Text(
            CutDrawing.Layer.REFERENCE,
            new Point(width / 2, height - 2.5),
            2,
            String.format(
                Locale.ROOT,
                "%.0f x %.0f x %.2f mm %s, kerf %.2f in the lines, seen from inside%s",
                width,
                height,
                laid.thicknessMm(),
                laid.material().words(),
                kerf,
                corners(laser.reliefMm(), corners, freed))));
    return new CutDrawing(width, height, paths, circles, texts);
  }

  /** A hole that has no room is not cut; what the sheet says of corners is what it holds. */
  private static String corners(double reliefMm, int corners, int freed) {
    if (reliefMm == 0 || corners == 0) {
      return "";
    }
    return freed == 0
        ? String.format(Locale.ROOT, ", inside corners sharp: %.2f mm does not fit", reliefMm)
        : String.format(
            Locale.ROOT, ", %d of %d inside corners freed by %.2f mm", freed, corners, reliefMm);
  }

  private static Shape less(Piece.Hole hole, double kerf) {
    Shape shape = hole.shape();
    if (Math.min(shape.widthMm(), shape.heightMm()) <= kerf) {
      throw new IllegalArgumentException(
          "a kerf of " + kerf + " mm is wider than the hole of " + hole.words());
    }
    return shape instanceof Shape.Round round
        ? new Shape.Round(round.diameterMm() - kerf)
        : new Shape.Rect(
            shape.widthMm() - kerf,
            shape.heightMm() - kerf,
            Math.max(0, ((Shape.Rect) shape).cornerMm() - kerf / 2));
  }

  private static Placement turned(Nest.Spot spot, Placement at) {
    Point centre = spot.at(at.centre());
    double turn = spot.mirrored() ? -at.turnDegrees() : at.turnDegrees();
    double degrees = ((spot.turned() ? turn - 90 : turn) % 360 + 360) % 360;
    return new Placement(centre.xMm(), centre.yMm(), degrees);
  }
}
