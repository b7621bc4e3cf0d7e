package kumite.sheet;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.Control;
import kumite.build.panel.Panel;
import kumite.kind.ControlKind;
import kumite.measure.Paper;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.measure.Shape;
import kumite.panel.Captions;
import kumite.panel.DrillPlan;
import kumite.panel.Rounding;
import kumite.verdict.Bench;

/**
 * The sheet for printed art under a clear cover, in true size: how far the print goes past the edge
 * (bleed), where it is cut, what lies under flanges and is not seen, where words find room, and the
 * holes of the cover.
 */
public final class ArtSheet {
  /** How far print goes past the line it is cut along: common practice, no source. */
  static final double BLEED_MM = 3;

  private static final double MARK_MM = 8;
  private static final double RIM_MM = BLEED_MM + MARK_MM;
  private static final double TEXT_MM = 4;

  /** Words further off than this are on another page altogether. */
  private static final double WORD_MM = 60;

  /** A letter is about so wide for its height; only to find room for words. */
  private static final double WIDE_PER_HIGH = 0.6;

  private static final List<CutDrawing.Layer> LAYERS =
      List.of(
          CutDrawing.Layer.HIDDEN,
          CutDrawing.Layer.BLEED,
          CutDrawing.Layer.CUT,
          CutDrawing.Layer.COVER,
          CutDrawing.Layer.ART);

  private ArtSheet() {}

  /** {@return it as an SVG document, a group a layer} */
  public static String svg(Bench bench) {
    return SvgDrawing.of(drawing(bench), BLEED_MM);
  }

  /** {@return it as a PDF document of one page, its layers to be switched on and off} */
  public static byte[] pdf(Bench bench) {
    Panel panel = bench.build().panel();
    Pen.Sheet page = new Pen.Sheet(panel.widthMm() + 2 * RIM_MM, panel.heightMm() + 2 * RIM_MM);
    return Pen.pdf(
        bench.build().brief().title() + ", art sheet",
        page,
        pen -> {
          pen.page();
          pen.trimmed(RIM_MM, BLEED_MM);
          CutDrawing drawing = drawing(bench);
          for (CutDrawing.Layer layer : LAYERS) {
            pen.layer(
                layer.name().toLowerCase(java.util.Locale.ROOT),
                () -> draw(pen, drawing, layer, RIM_MM, RIM_MM + panel.heightMm()));
          }
          pen.layer(
              "marks",
              () -> {
                marks(pen, panel, RIM_MM, RIM_MM + panel.heightMm());
                words(pen, panel);
              });
        });
  }

  /** {@return whether a sheet of paper holds it whole, bleed and marks too} */
  public static boolean fits(Panel panel, Paper paper) {
    double wide = panel.widthMm() + 2 * RIM_MM;
    double high = panel.heightMm() + 2 * RIM_MM;
    return wide <= paper.widthMm() && high <= paper.heightMm()
        || wide <= paper.heightMm() && high <= paper.widthMm();
  }

  /** {@return it in true size over as many pages as it takes, for a printer of that paper} */
  public static byte[] pages(Bench bench, Paper paper) {
    Panel panel = bench.build().panel();
    CutDrawing drawing = drawing(bench);
    Tiling.Extent extent =
        new Tiling.Extent(-RIM_MM, -RIM_MM, panel.widthMm() + RIM_MM, panel.heightMm() + RIM_MM);
    return Pen.pdf(
        bench.build().brief().title() + ", art sheet over several pages",
        paper,
        pen -> {
          Tiling tiling = new Tiling(bench, pen, extent);
          tiling.side(
              false,
              "art.",
              "Grey lies under flanges. Cut along the full line; dashes: the clear cover. Crosses in"
                  + " circles lie on each other.",
              page -> {
                for (CutDrawing.Layer layer : LAYERS) {
                  draw(pen, drawing, layer, page.left(), page.bottom());
                }
                marks(pen, panel, page.left(), page.bottom());
                tiling.registration(page);
              });
        });
  }

  /** Draws the art sheet's layers in panel coordinates. */
  static CutDrawing drawing(Bench bench) {
    Panel panel = bench.build().panel();
    List<CutDrawing.Path> paths = new ArrayList<>();
    List<CutDrawing.Circle> circles = new ArrayList<>();
    paths.add(new CutDrawing.Path(CutDrawing.Layer.BLEED, Rounding.grown(panel, BLEED_MM)));
    for (CutDrawing.Layer layer :
        new CutDrawing.Layer[] {CutDrawing.Layer.CUT, CutDrawing.Layer.COVER}) {
      paths.add(new CutDrawing.Path(layer, Rounding.of(panel)));
      for (DrillPlan.Hole hole : bench.drill().inOrder()) {
        shape(
            layer,
            hole.shape(),
            new Placement(hole.stored().xMm(), hole.stored().yMm(), hole.turnDegrees()),
            paths,
            circles);
      }
    }
    for (Control control : bench.build().onPanel()) {
      shape(
          CutDrawing.Layer.HIDDEN,
          bench.catalogue().kindOf(control).face(),
          control.placement(),
          paths,
          circles);
    }
    for (DrillPlan.Hole hole : bench.drill().inOrder()) {
      if (hole.sinkMm() > 0) {
        circles.add(new CutDrawing.Circle(CutDrawing.Layer.HIDDEN, hole.stored(), hole.sinkMm()));
      }
    }
    return new CutDrawing(panel.widthMm(), panel.heightMm(), paths, circles, words(bench));
  }

  private static void shape(
      CutDrawing.Layer layer,
      Shape shape,
      Placement at,
      List<CutDrawing.Path> paths,
      List<CutDrawing.Circle> circles) {
    if (shape instanceof Shape.Round round) {
      circles.add(new CutDrawing.Circle(layer, at.centre(), round.diameterMm()));
    } else {
      paths.add(new CutDrawing.Path(layer, Rounding.of(shape, at)));
    }
  }

  /** Words where they are seen: beside the flanges, not under them. */
  private static List<CutDrawing.Text> words(Bench bench) {
    Panel panel = bench.build().panel();
    Captions captions =
        new Captions(new Captions.Box(1, 1, panel.widthMm() - 2, panel.heightMm() - 2), 2.5);
    List<CutDrawing.Text> words = new ArrayList<>();
    for (Control control : bench.build().onPanel()) {
      captions.take(face(bench, control));
    }
    for (Control control : bench.build().onPanel()) {
      String label = control.label();
      double wide = label.codePointCount(0, label.length()) * TEXT_MM * WIDE_PER_HIGH;
      Optional<Captions.Box> box = captions.place(face(bench, control), wide, TEXT_MM * 1.2, 40);
      box.ifPresent(
          b ->
              words.add(
                  new CutDrawing.Text(
                      CutDrawing.Layer.ART,
                      new Point(b.midAcross(), b.midDown() - TEXT_MM * 0.35),
                      TEXT_MM,
                      label)));
    }
    return words;
  }

  private static Captions.Box face(Bench bench, Control control) {
    ControlKind kind = bench.catalogue().kindOf(control);
    double left = Double.POSITIVE_INFINITY;
    double right = Double.NEGATIVE_INFINITY;
    double front = Double.POSITIVE_INFINITY;
    double back = Double.NEGATIVE_INFINITY;
    for (Point p : Rounding.points(Rounding.of(kind.face(), control.placement()), 5)) {
      left = Math.min(left, p.xMm());
      right = Math.max(right, p.xMm());
      front = Math.min(front, p.yMm());
      back = Math.max(back, p.yMm());
    }
    return new Captions.Box(left, front, right - left, back - front);
  }

  private static void draw(
      Pen pen, CutDrawing drawing, CutDrawing.Layer layer, double left, double bottom)
      throws IOException {
    boolean hidden = layer == CutDrawing.Layer.HIDDEN;
    pen.width(0.1);
    if (layer == CutDrawing.Layer.COVER) {
      pen.dashed(2, 1);
    }
    List<CutDrawing.Path> outlines = new ArrayList<>(drawing.paths());
    for (CutDrawing.Circle circle : drawing.circles()) {
      outlines.add(
          new CutDrawing.Path(
              circle.layer(),
              Rounding.of(
                  new Shape.Round(circle.diameterMm()),
                  Placement.at(circle.centre().xMm(), circle.centre().yMm()))));
    }
    for (CutDrawing.Path path : outlines) {
      if (path.layer() == layer) {
        if (hidden) {
          pen.filled(path.pieces(), left, bottom, 0.82);
        } else {
          pen.outline(path.pieces(), p -> p, left, bottom);
        }
      }
    }
    pen.solid();
    for (CutDrawing.Text text : drawing.texts()) {
      double x = left + text.at().xMm();
      double y = bottom - text.at().yMm();
      boolean there =
          x > -WORD_MM
              && y > -WORD_MM
              && x < pen.paper().widthMm() + WORD_MM
              && y < pen.paper().heightMm() + WORD_MM;
      if (text.layer() == layer && there) {
        double points = text.heightMm() / 0.3528; // a point is 0.3528 mm
        pen.textCentred(Face.STRONG, points * 0.8, x, y, text.text());
      }
    }
  }

  /** Marks at the corners, outside of the bleed, show where to lay the knife. */
  private static void marks(Pen pen, Panel panel, double left, double bottom) throws IOException {
    pen.width(0.1);
    for (int right = 0; right < 2; right++) {
      for (int front = 0; front < 2; front++) {
        double x = left + right * panel.widthMm();
        double y = bottom - (1 - front) * panel.heightMm();
        double outX = right == 0 ? -1 : 1;
        double outY = front == 0 ? -1 : 1;
        pen.line(x + outX * (BLEED_MM + 1), y, x + outX * (RIM_MM - 1), y);
        pen.line(x, y + outY * (BLEED_MM + 1), x, y + outY * (RIM_MM - 1));
      }
    }
  }

  private static void words(Pen pen, Panel panel) throws IOException {
    pen.text(
        Face.WORDS,
        6,
        RIM_MM + 2,
        RIM_MM + panel.heightMm() + BLEED_MM + 4,
        pen.cut(
            Face.WORDS,
            6,
            "Grey lies under flanges. Cut along the full line; dashed: the clear cover. Print at 100 %.",
            panel.widthMm() - 4));
  }
}
