package kumite.sheet;

import java.util.Locale;
import kumite.measure.Point;
import kumite.panel.Rounding;
import kumite.verdict.Bench;

/**
 * The panel as DXF of release 12 in millimetres: layers CUT, ENGRAVE, DRILL and REFERENCE; lines,
 * arcs, circles and texts only, which every reader knows.
 */
public final class DxfDrawing {
  /** The colour number of a layer; a reader shows them, a machine need not. */
  private static int colour(CutDrawing.Layer layer) {
    return switch (layer) {
      case CUT, COVER -> 1;
      case ENGRAVE, ART -> 5;
      case DRILL -> 3;
      case REFERENCE, BLEED, HIDDEN -> 8;
    };
  }

  private final StringBuilder out = new StringBuilder();

  private DxfDrawing() {}

  /**
   * {@return the panel as a DXF document}
   *
   * @param kerfMm how wide the beam or cutter cuts; see {@link CutDrawing#of}
   */
  public static String of(Bench bench, double kerfMm) {
    return of(CutDrawing.of(bench, kerfMm));
  }

  /** {@return a drawing as a DXF document} */
  static String of(CutDrawing drawing) {
    DxfDrawing dxf = new DxfDrawing();
    dxf.write(drawing);
    return dxf.out.toString();
  }

  private void write(CutDrawing drawing) {
    pair(999, "Kumite, millimetres");
    pair(0, "SECTION");
    pair(2, "HEADER");
    pair(9, "$ACADVER");
    pair(1, "AC1009");
    pair(9, "$INSUNITS");
    pair(70, "4"); // millimetres; later releases read it, this one passes over it
    pair(9, "$MEASUREMENT");
    pair(70, "1"); // metric
    pair(9, "$EXTMIN");
    at(10, new Point(0, 0));
    pair(9, "$EXTMAX");
    at(10, new Point(drawing.widthMm(), drawing.heightMm()));
    pair(0, "ENDSEC");
    pair(0, "SECTION");
    pair(2, "TABLES");
    pair(0, "TABLE");
    pair(2, "LTYPE");
    pair(70, "1");
    pair(0, "LTYPE");
    pair(2, "CONTINUOUS");
    pair(70, "0");
    pair(3, "Solid line");
    pair(72, "65");
    pair(73, "0");
    pair(40, "0.0");
    pair(0, "ENDTAB");
    pair(0, "TABLE");
    pair(2, "LAYER");
    pair(70, String.valueOf(drawing.layers().size()));
    for (CutDrawing.Layer layer : drawing.layers()) {
      pair(0, "LAYER");
      pair(2, layer.name());
      pair(70, "0");
      pair(62, String.valueOf(colour(layer)));
      pair(6, "CONTINUOUS");
    }
    pair(0, "ENDTAB");
    pair(0, "ENDSEC");
    pair(0, "SECTION");
    pair(2, "ENTITIES");
    drawing.paths().forEach(path -> path.pieces().forEach(piece -> piece(path.layer(), piece)));
    for (CutDrawing.Circle circle : drawing.circles()) {
      entity("CIRCLE", circle.layer());
      at(10, circle.centre());
      pair(40, number(circle.diameterMm() / 2));
    }
    for (CutDrawing.Text text : drawing.texts()) {
      entity("TEXT", text.layer());
      at(10, text.at());
      pair(40, number(text.heightMm()));
      pair(1, plain(text.text()));
      pair(72, "1"); // centred on the second point
      at(11, text.at());
    }
    pair(0, "ENDSEC");
    pair(0, "EOF");
  }

  private void piece(CutDrawing.Layer layer, Rounding.Piece piece) {
    if (piece instanceof Rounding.Arc arc) {
      // An arc of this format always runs counter-clockwise.
      double start =
          arc.sweepDegrees() > 0 ? arc.startDegrees() : arc.startDegrees() + arc.sweepDegrees();
      entity("ARC", layer);
      at(10, arc.centre());
      pair(40, number(arc.radiusMm()));
      pair(50, number(turn(start)));
      pair(51, number(turn(start + Math.abs(arc.sweepDegrees()))));
    } else {
      entity("LINE", layer);
      at(10, piece.from());
      at(11, piece.to());
    }
  }

  private static double turn(double degrees) {
    double within = degrees % 360;
    return within < 0 ? within + 360 : within;
  }

  private void entity(String name, CutDrawing.Layer layer) {
    pair(0, name);
    pair(8, layer.name());
  }

  private void at(int code, Point point) {
    pair(code, number(point.xMm()));
    pair(code + 10, number(point.yMm()));
    pair(code + 20, "0.0");
  }

  private void pair(int code, String value) {
    out.append(String.format(Locale.ROOT, "%3d", code)).append("\r\n").append(value).append("\r\n");
  }

  private static String number(double value) {
    return String.format(Locale.ROOT, "%.6f", value);
  }

  /** Release 12 knows no signs beyond ASCII but by their number. */
  private static String plain(String text) {
    StringBuilder plain = new StringBuilder();
    text.codePoints()
        .forEach(
            sign -> {
              if (sign >= 32 && sign < 127) {
                plain.appendCodePoint(sign);
              } else {
                plain.append(String.format(Locale.ROOT, "\\U+%04X", sign));
              }
            });
    return plain.toString();
  }
}
