package kumite.desktop.loom;

import javafx.scene.AccessibleRole;
import javafx.scene.Group;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.StrokeLineJoin;
import kumite.desktop.field.StrandLine;
import kumite.desktop.plan.Scale;
import kumite.kind.WireColour;
import kumite.loom.Strand;
import kumite.loom.WireWork;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.name.Jumper;
import kumite.wiring.Lay;

/** One wire as it lies, in its own colours with an edge. */
final class LaidWire extends Group {
  /** Insulation of a wire of the usual size: common practice, no source. */
  private static final double WIRE_MM = 1.1;

  private static final double LEAST_PX = 1.4;
  private static final double EDGE_PX = 1;
  private static final double MOST_PX = 9;

  /** How much can be seen of what is not lit. */
  private static final double BACK = 0.42;

  private final Jumper ends;
  private final Polyline edge;

  LaidWire(Lay.Laid wire, Scale scale, LengthUnit unit) {
    ends = wire.ends();
    double width = Math.max(LEAST_PX, Math.min(MOST_PX, WIRE_MM * scale.pxPerMm()));
    edge = line(wire, scale, width + EDGE_PX, "lay-edge");
    Polyline base = line(wire, scale, width, "lay-wire");
    WireColour colour = wire.strand().map(Strand::colour).orElse(WireColour.of(WireColour.Hue.WH));
    base.setStroke(StrandLine.paint(colour.base()));
    // A thin wire is hit as well as a thick one.
    Polyline hit = line(wire, scale, Math.max(width + 2, 7), "lay-hit");
    getChildren().addAll(hit, edge, base);
    colour
        .stripe()
        .ifPresent(
            hue -> {
              Polyline stripe = line(wire, scale, width / 2, "lay-stripe");
              stripe.setStroke(StrandLine.paint(hue));
              getChildren().add(stripe);
            });
    if (wire.state() != Lay.State.PLANNED) {
      boolean out = wire.state() == Lay.State.LEFT_OUT;
      base.setVisible(!out);
      getStyleClass().add(out ? "lay-left-out" : "lay-added");
    }
    setAccessibleRole(AccessibleRole.BUTTON);
    setAccessibleText(words(wire, unit));
  }

  private static Polyline line(Lay.Laid wire, Scale scale, double width, String style) {
    Polyline line = new Polyline();
    wire.way().forEach(p -> line.getPoints().addAll(scale.x(p.xMm()), scale.y(p.yMm())));
    line.setStrokeWidth(width);
    line.setStrokeLineJoin(StrokeLineJoin.ROUND);
    line.setFill(null);
    line.getStyleClass().add(style);
    return line;
  }

  Jumper ends() {
    return ends;
  }

  /**
   * Lights it or not.
   *
   * @param back whether it steps back, since another one is pointed at
   */
  void lit(boolean on, boolean back) {
    setOpacity(back && !on ? BACK : 1);
    edge.getStyleClass().setAll(on ? "lay-edge-lit" : "lay-edge");
  }

  /** {@return a wire in one line: number, colour, length, both ends} */
  static String words(Lay.Laid wire, LengthUnit unit) {
    String state =
        switch (wire.state()) {
          case PLANNED -> "";
          case LEFT_OUT -> ", left out by hand";
          case ADDED -> "put in by hand: ";
        };
    return wire.strand()
        .map(
            strand ->
                strand.id()
                    + ", "
                    + strand.colour().words()
                    + " "
                    + strand.colour().code()
                    + ", "
                    + Length.text(strand.lengthMm(), unit)
                    + " of "
                    + strand.gaugeAwg()
                    + " AWG, from "
                    + end(strand.from(), unit)
                    + " to "
                    + end(strand.to(), unit)
                    + state)
        .orElseGet(() -> state + wire.ends().a() + " to " + wire.ends().b());
  }

  private static String end(Strand.End end, LengthUnit unit) {
    return end.words() + " (" + WireWork.Step.joint(end, unit) + ")";
  }
}
