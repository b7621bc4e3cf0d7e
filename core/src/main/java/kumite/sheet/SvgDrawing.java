package kumite.sheet;

import java.io.StringWriter;
import java.util.List;
import java.util.Locale;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import kumite.measure.Point;
import kumite.panel.Rounding;
import kumite.verdict.Bench;

/**
 * The panel as SVG 1.1, one user unit a millimetre, a group a layer, circles and arcs kept exact.
 *
 * <p>Written element by element and not through a drawing surface: those turn every circle into
 * curves, and a laser then cuts polygons.
 */
public final class SvgDrawing {
  private SvgDrawing() {}

  /**
   * {@return the panel as an SVG document}
   *
   * @param kerfMm how wide the beam cuts; see {@link CutDrawing#of}
   */
  public static String of(Bench bench, double kerfMm) {
    return of(CutDrawing.of(bench, kerfMm), kerfMm / 2);
  }

  /** {@return a drawing with a rim of so much round the panel} */
  static String of(CutDrawing drawing, double rimMm) {
    StringWriter text = new StringWriter();
    try {
      XMLStreamWriter out = XMLOutputFactory.newInstance().createXMLStreamWriter(text);
      out.writeStartDocument("UTF-8", "1.0");
      out.writeCharacters("\n");
      out.writeStartElement("svg");
      out.writeDefaultNamespace("http://www.w3.org/2000/svg");
      out.writeAttribute("width", number(drawing.widthMm() + 2 * rimMm) + "mm");
      out.writeAttribute("height", number(drawing.heightMm() + 2 * rimMm) + "mm");
      out.writeAttribute(
          "viewBox",
          number(-rimMm)
              + " "
              + number(-rimMm)
              + " "
              + number(drawing.widthMm() + 2 * rimMm)
              + " "
              + number(drawing.heightMm() + 2 * rimMm));
      for (CutDrawing.Layer layer : drawing.layers()) {
        layer(out, drawing, layer);
      }
      out.writeEndElement();
      out.writeEndDocument();
      out.close();
    } catch (XMLStreamException e) {
      throw new IllegalStateException("writing XML to memory does not fail", e);
    }
    return text + "\n";
  }

  private static String colour(CutDrawing.Layer layer) {
    return switch (layer) {
      case CUT -> "#d4552a";
      case ENGRAVE, ART -> "#23406b";
      case DRILL -> "#2c6b4d";
      case REFERENCE -> "#5d656d";
      case BLEED -> "#9a6200";
      case HIDDEN -> "#b0b4b8";
      case COVER -> "#b0261f";
    };
  }

  private static void layer(XMLStreamWriter out, CutDrawing drawing, CutDrawing.Layer layer)
      throws XMLStreamException {
    out.writeCharacters("\n");
    out.writeStartElement("g");
    out.writeAttribute("id", layer.name().toLowerCase(Locale.ROOT));
    boolean engrave = layer == CutDrawing.Layer.ENGRAVE || layer == CutDrawing.Layer.ART;
    boolean filled = engrave || layer == CutDrawing.Layer.HIDDEN;
    out.writeAttribute("fill", filled ? colour(layer) : "none");
    if (layer == CutDrawing.Layer.HIDDEN) {
      out.writeAttribute("fill-opacity", "0.4");
    }
    out.writeAttribute("stroke", engrave ? "none" : colour(layer));
    out.writeAttribute("stroke-width", "0.1");
    if (layer == CutDrawing.Layer.REFERENCE) {
      out.writeAttribute("stroke-dasharray", "2 1");
    }
    for (CutDrawing.Path path : drawing.paths()) {
      if (path.layer() == layer) {
        out.writeCharacters("\n  ");
        out.writeEmptyElement("path");
        out.writeAttribute("d", data(path, drawing.heightMm()));
      }
    }
    for (CutDrawing.Circle circle : drawing.circles()) {
      if (circle.layer() == layer) {
        out.writeCharacters("\n  ");
        out.writeEmptyElement("circle");
        out.writeAttribute("cx", number(circle.centre().xMm()));
        out.writeAttribute("cy", number(drawing.heightMm() - circle.centre().yMm()));
        out.writeAttribute("r", number(circle.diameterMm() / 2));
      }
    }
    for (CutDrawing.Text label : drawing.texts()) {
      if (label.layer() == layer) {
        out.writeCharacters("\n  ");
        out.writeStartElement("text");
        out.writeAttribute("x", number(label.at().xMm()));
        out.writeAttribute("y", number(drawing.heightMm() - label.at().yMm()));
        out.writeAttribute("font-family", "Atkinson Hyperlegible Next, sans-serif");
        out.writeAttribute("font-size", number(label.heightMm()));
        out.writeAttribute("text-anchor", "middle");
        if (!engrave) {
          out.writeAttribute("fill", colour(layer));
          out.writeAttribute("stroke", "none");
        }
        out.writeCharacters(label.text());
        out.writeEndElement();
      }
    }
    out.writeCharacters("\n");
    out.writeEndElement();
  }

  /** SVG counts y downward, so what turns counter-clockwise on the panel turns the other way. */
  private static String data(CutDrawing.Path path, double heightMm) {
    List<Rounding.Piece> pieces = path.pieces();
    StringBuilder data = new StringBuilder("M").append(place(pieces.get(0).from(), heightMm));
    for (Rounding.Piece piece : pieces) {
      if (piece instanceof Rounding.Arc arc) {
        data.append(" A")
            .append(number(arc.radiusMm()))
            .append(' ')
            .append(number(arc.radiusMm()))
            .append(" 0 ")
            .append(Math.abs(arc.sweepDegrees()) > 180 ? 1 : 0)
            .append(arc.sweepDegrees() > 0 ? " 0 " : " 1 ")
            .append(place(arc.to(), heightMm));
      } else {
        data.append(" L").append(place(piece.to(), heightMm));
      }
    }
    return data.append(path.closed() ? " Z" : "").toString();
  }

  private static String place(Point at, double heightMm) {
    return number(at.xMm()) + " " + number(heightMm - at.yMm());
  }

  private static String number(double mm) {
    String text = String.format(Locale.ROOT, "%.4f", mm);
    return text.replaceAll("0+$", "").replaceAll("\\.$", "").replaceAll("^-0$", "0");
  }
}
