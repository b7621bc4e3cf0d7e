package kumite.desktop.field;

import javafx.scene.control.Label;
import javafx.scene.layout.StackPane;
import javafx.scene.paint.Color;
import javafx.scene.shape.Line;
import javafx.scene.shape.StrokeLineCap;
import kumite.kind.WireColour;
import kumite.kind.WireColour.Hue;

/** A wire drawn as a strand in its own colour with an ink edge and its letter code. */
public final class StrandLine extends StackPane {
  private final Line edge = line("strand-edge", 6);
  private final Line base = line("strand-base", 4);
  private final Line stripe = line("strand-stripe", 1.6);
  private final Label label = new Label();

  /** An empty strand. */
  public StrandLine() {
    getStyleClass().add("strand-line");
    label.getStyleClass().addAll("mono", "strand-label");
    stripe.getStrokeDashArray().setAll(7.0, 7.0);
    getChildren().addAll(edge, base, stripe, label);
    setMinWidth(70);
    setMaxWidth(Double.MAX_VALUE);
  }

  private static Line line(String style, double width) {
    Line line = new Line();
    line.getStyleClass().add(style);
    line.setStrokeWidth(width);
    line.setStrokeLineCap(StrokeLineCap.BUTT);
    line.setManaged(false);
    return line;
  }

  /** Shows a wire. */
  public void show(WireColour colour, String text) {
    base.setStroke(paint(colour.base()));
    stripe.setVisible(colour.stripe().isPresent());
    colour.stripe().ifPresent(hue -> stripe.setStroke(paint(hue)));
    label.setText(text);
    setAccessibleText(text + ", " + colour.words());
  }

  /** {@return the colour of insulation of that hue; it belongs to the wire, not to the theme} */
  public static Color paint(Hue hue) {
    return Color.rgb(hue.rgb() >> 16, hue.rgb() >> 8 & 0xff, hue.rgb() & 0xff);
  }

  @Override
  protected void layoutChildren() {
    super.layoutChildren();
    double y = snapPositionY(getHeight() / 2);
    for (Line line : new Line[] {edge, base, stripe}) {
      line.setStartX(0);
      line.setEndX(getWidth());
      line.setStartY(y);
      line.setEndY(y);
    }
  }

  @Override
  protected double computeMinHeight(double width) {
    return 22;
  }
}
