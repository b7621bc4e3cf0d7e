package kumite.sheet;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.panel.Panel;
import kumite.kind.ControlKind;
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
    REFERENCE,
    /** Words of printed art. */
    ART,
    /** The edge of printed art, past the line it is cut along. */
    BLEED,
    /** What of printed art lies under flanges. */
    HIDDEN,
    /** The holes of a clear cover over the art. */
    COVER
  }

  /** {@return the layers that hold anything, in their order} */
  List<Layer> layers() {
    Set<Layer> used = EnumSet.noneOf(Layer.class);
    paths.forEach(path -> used.add(path.layer()));
    circles.forEach(circle -> used.add(circle.layer()));
    texts.forEach(text -> used.add(text.layer()));
    return List.copyOf(used);
  }

  /** An outline, closed where its last piece ends at the first; else a line. */
  record Path(Layer layer, List<Rounding.Piece> pieces) {
    boolean closed() {
      Point first = pieces.get(0).from();
      return pieces.get(pieces.size() - 1).to().distanceMm(first) < 1e-6;
    }
  }

  /** A round hole or mark. */
  record Circle(Layer layer, Point centre, double diameterMm) {}

  /** A label, centred at a place. */
  record Text(Layer layer, Point at, double heightMm, String text) {}

  /**
   * Draws a panel, with the numbers of the drill table, the fronts of what must not be turned
   * round, and a note of size and kerf beside it.
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
      boolean screw = !hole.cutout();
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
    for (DrillPlan.Hole hole : bench.drill().inOrder()) {
      texts.add(
          new Text(
              Layer.REFERENCE,
              hole.stored().plus(0, hole.cutout() ? -1 : hole.shape().heightMm() / 2 + 0.6),
              2,
              String.valueOf(hole.order())));
    }
    texts.add(
        new Text(Layer.REFERENCE, new Point(panel.widthMm() / 2, 2.5), 3, note(panel, kerfMm)));
    for (Control control : build.onPanel()) {
      Shape face = bench.catalogue().kindOf(control).face();
      if (face instanceof Shape.Round round) {
        circles.add(new Circle(Layer.REFERENCE, control.placement().centre(), round.diameterMm()));
      } else {
        paths.add(new Path(Layer.REFERENCE, Rounding.of(face, control.placement())));
      }
      ControlKind kind = bench.catalogue().kindOf(control);
      if (FrontMark.wanted(kind)) {
        for (Point[] piece : FrontMark.pieces(control, kind)) {
          paths.add(new Path(Layer.REFERENCE, List.of(new Rounding.Side(piece[0], piece[1]))));
        }
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

  private static String note(Panel panel, double kerfMm) {
    return String.format(
        Locale.ROOT,
        "%.2f x %.2f x %.2f mm %s, %s",
        panel.widthMm(),
        panel.heightMm(),
        panel.thicknessMm(),
        panel.material().words(),
        kerfMm == 0
            ? "true size, no kerf allowed for"
            : String.format(
                Locale.ROOT, "kerf %.2f mm allowed for: cut on the line, not beside it", kerfMm));
  }

  static Shape shrunk(DrillPlan.Hole hole, double kerfMm) {
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
