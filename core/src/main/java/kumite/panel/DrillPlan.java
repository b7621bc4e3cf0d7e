package kumite.panel;

import java.util.ArrayList;
import java.util.List;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.ControlId;
import kumite.build.Length;
import kumite.build.Point;
import kumite.parts.Catalogue;
import kumite.parts.ControlKind;
import kumite.parts.ScrewHole;
import kumite.parts.Shape;

/**
 * The holes of a panel in the order they are drilled: front to back, left to right within a row.
 *
 * @param holes all holes
 */
public record DrillPlan(List<Hole> holes) {

  /**
   * One hole.
   *
   * @param control the control it is for
   * @param label the control's label
   * @param purpose {@code cut-out} or the screw it clears
   * @param xMm from the build's datum
   * @param yMm from the build's datum
   * @param stored the same place in stored coordinates
   * @param shape its shape
   * @param turnDegrees of a shape that is not round, counter-clockwise
   */
  public record Hole(
      ControlId control,
      String label,
      String purpose,
      double xMm,
      double yMm,
      Point stored,
      Shape shape,
      double turnDegrees) {

    /** {@return the size in words: {@code 30.0 round} or {@code 3.0 x 66.0 slot}} */
    public String sizeWords() {
      if (shape instanceof Shape.Round round) {
        return number(round.diameterMm()) + " round";
      }
      Shape.Rect rect = (Shape.Rect) shape;
      boolean slot = rect.cornerMm() * 2 >= Math.min(rect.widthMm(), rect.heightMm()) - 1e-9;
      return number(rect.widthMm()) + " x " + number(rect.heightMm()) + (slot ? " slot" : "");
    }

    /** {@return the nearest 1/64 in of a round hole with its error, or an empty text} */
    public String nearestInch() {
      if (shape instanceof Shape.Round round) {
        double error = Length.errorOf64th(round.diameterMm());
        return Length.nearest64th(round.diameterMm())
            + String.format(java.util.Locale.ROOT, " (%+.2f mm)", -error);
      }
      return "";
    }

    private static String number(double mm) {
      return String.format(java.util.Locale.ROOT, "%.1f", mm);
    }
  }

  public DrillPlan {
    holes = List.copyOf(holes);
  }

  /** Lists the holes of a build, with coordinates from its datum. */
  public static DrillPlan of(Build build, Catalogue catalogue) {
    List<Control> controls = new ArrayList<>(build.controls());
    controls.sort(
        (a, b) -> {
          int byRow = Double.compare(a.placement().yMm(), b.placement().yMm());
          return byRow != 0 ? byRow : Double.compare(a.placement().xMm(), b.placement().xMm());
        });
    List<Hole> holes = new ArrayList<>();
    for (Control control : controls) {
      ControlKind kind = catalogue.kindOf(control);
      holes.add(hole(build, control, "cut-out", control.placement().centre(), kind.cutout()));
      for (ScrewHole screw : kind.screws()) {
        holes.add(
            hole(
                build,
                control,
                screw.screw() + " screw",
                control.placement().place(screw.at()),
                new Shape.Round(screw.diameterMm())));
      }
    }
    return new DrillPlan(holes);
  }

  private static Hole hole(
      Build build, Control control, String purpose, Point stored, Shape shape) {
    Point shown = build.panel().datum().fromStored(stored, build.panel());
    return new Hole(
        control.id(),
        control.label(),
        purpose,
        shown.xMm(),
        shown.yMm(),
        stored,
        shape,
        control.placement().turnDegrees());
  }
}
