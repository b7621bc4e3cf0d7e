package kumite.sheet;

import java.util.ArrayList;
import java.util.List;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.panel.Panel;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.measure.Shape;
import kumite.panel.DrillPlan;
import kumite.panel.Rounding;
import kumite.verdict.Bench;

/**
 * What a cutting machine needs of a panel, on layers, in panel coordinates. SVG and DXF are written
 * from this one drawing.
 *
 * @param widthMm of the panel
 * @param heightMm of the panel
 * @param paths closed outlines
 * @param circles round holes
 * @param texts labels
 */
record CutDrawing(
    double widthMm, double heightMm, List<Path> paths, List<Circle> circles, List<Text> texts) {

  /** What a layer is for. */
  enum Layer {
    CUT,
    ENGRAVE,
    DRILL,
    REFERENCE
  }

  /** A closed outline. */
  record Path(Layer layer, List<Rounding.Piece> pieces) {}

  /** A round hole or mark. */
  record Circle(Layer layer, Point centre, double diameterMm) {}

  /** A label, centred at a place. */
  record Text(Layer layer, Point at, double heightMm, String text) {}

  /**
   * Draws a panel.
   *
   * @param kerfMm how wide the beam or cutter cuts; 0 draws true sizes. Holes shrink and the
   *     outline grows by half of it on each side, so that the finished edges are where they belong
   * @throws IllegalArgumentException if the kerf is no width, or wider than a hole
   */
  static CutDrawing of(Bench bench, double kerfMm) {
    if (!(kerfMm >= 0 && kerfMm <= 10)) {
      throw new IllegalArgumentException("kerf must be 0 to 10 mm, but was " + kerfMm);
    }
    Build build = bench.build();
    Panel panel = build.panel();
    List<Path> paths = new ArrayList<>();
    List<Circle> circles = new ArrayList<>();
    List<Text> texts = new ArrayList<>();
    paths.add(new Path(Layer.CUT, Rounding.grown(panel, kerfMm / 2)));
    for (DrillPlan.Hole hole : bench.drill().holes()) {
      boolean screw = !hole.purpose().equals("cut-out");
      Layer layer = screw ? Layer.DRILL : Layer.CUT;
      // A drill makes its hole without kerf.
      Shape shape = screw ? hole.shape() : shrunk(hole, kerfMm);
      if (shape instanceof Shape.Round round) {
        circles.add(new Circle(layer, hole.stored(), round.diameterMm()));
      } else {
        Placement at = new Placement(hole.stored().xMm(), hole.stored().yMm(), hole.turnDegrees());
        paths.add(new Path(layer, Rounding.of(shape, at)));
      }
    }
    for (Control control : build.controls()) {
      Shape face = bench.catalogue().kindOf(control).face();
      if (face instanceof Shape.Round round) {
        circles.add(new Circle(Layer.REFERENCE, control.placement().centre(), round.diameterMm()));
      } else {
        paths.add(new Path(Layer.REFERENCE, Rounding.of(face, control.placement())));
      }
      texts.add(
          new Text(
              Layer.ENGRAVE,
              control.placement().centre().plus(0, -face.heightMm() / 2 - 6),
              4,
              control.label()));
    }
    return new CutDrawing(panel.widthMm(), panel.heightMm(), paths, circles, texts);
  }

  private static Shape shrunk(DrillPlan.Hole hole, double kerfMm) {
    Shape shape = hole.shape();
    if (Math.min(shape.widthMm(), shape.heightMm()) <= kerfMm) {
      throw new IllegalArgumentException(
          "a kerf of "
              + kerfMm
              + " mm is wider than the hole of "
              + hole.label()
              + "; cut that one with a finer tool");
    }
    if (shape instanceof Shape.Round round) {
      return new Shape.Round(round.diameterMm() - kerfMm);
    }
    Shape.Rect rect = (Shape.Rect) shape;
    return new Shape.Rect(
        rect.widthMm() - kerfMm,
        rect.heightMm() - kerfMm,
        Math.max(0, rect.cornerMm() - kerfMm / 2));
  }
}
