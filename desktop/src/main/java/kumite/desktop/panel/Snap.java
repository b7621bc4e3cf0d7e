package kumite.desktop.panel;

import java.util.Collection;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import kumite.build.Build;
import kumite.build.Control;
import kumite.measure.Point;
import kumite.name.ControlId;

/**
 * Where a dragged control comes to rest, and what it snapped to.
 *
 * @param at the place
 * @param alongX a control whose x it took, or the centre line
 * @param alongY a control whose y it took, or the centre line
 */
record Snap(Point at, Optional<String> alongX, Optional<String> alongY) {
  /** Dragged parts come to rest on whole millimetres. */
  private static final double GRID_MM = 1;

  private record Hit(double mm, String what) {}

  /**
   * Snaps a place to other controls' centres, the panel's centre lines, or whole millimetres.
   *
   * @param nearMm how near it must be to snap to a line
   */
  static Snap of(Build build, Set<ControlId> moving, Point wished, double nearMm) {
    Optional<Hit> x =
        nearest(build, moving, wished.xMm(), p -> p.xMm(), build.panel().widthMm() / 2, nearMm);
    Optional<Hit> y =
        nearest(build, moving, wished.yMm(), p -> p.yMm(), build.panel().heightMm() / 2, nearMm);
    return new Snap(
        new Point(
            x.map(Hit::mm).orElse(Math.rint(wished.xMm() / GRID_MM) * GRID_MM),
            y.map(Hit::mm).orElse(Math.rint(wished.yMm() / GRID_MM) * GRID_MM)),
        x.map(Hit::what),
        y.map(Hit::what));
  }

  private static Optional<Hit> nearest(
      Build build,
      Collection<ControlId> moving,
      double wished,
      ToDoubleFunction<Point> along,
      double centre,
      double nearMm) {
    Hit best = new Hit(centre, "centre line");
    for (Control control : build.onPanel()) {
      if (!moving.contains(control.id())) {
        double at = along.applyAsDouble(control.placement().centre());
        if (Math.abs(at - wished) < Math.abs(best.mm() - wished)) {
          best = new Hit(at, control.label());
        }
      }
    }
    return Math.abs(best.mm() - wished) <= nearMm ? Optional.of(best) : Optional.empty();
  }

  /** {@return the line it snapped to left to right, if any} */
  OptionalDouble lineX() {
    return alongX.isPresent() ? OptionalDouble.of(at.xMm()) : OptionalDouble.empty();
  }

  /** {@return the line it snapped to front to back, if any} */
  OptionalDouble lineY() {
    return alongY.isPresent() ? OptionalDouble.of(at.yMm()) : OptionalDouble.empty();
  }
}
