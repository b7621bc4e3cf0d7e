package kumite.panel;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.ControlId;
import kumite.build.Length;
import kumite.build.LengthUnit;
import kumite.parts.Catalogue;

/**
 * The shortest move of one control that gives a narrow gap its room without taking it elsewhere.
 *
 * @param control the control to move
 * @param dxMm to the right
 * @param dyMm to the back
 */
public record Nudge(ControlId control, double dxMm, double dyMm) {
  private static final double STEP_MM = 0.5;
  private static final double FURTHEST_MM = 60;

  private static final int[][] DIRECTIONS = {
    {1, 0}, {-1, 0}, {0, 1}, {0, -1}, {1, 1}, {1, -1}, {-1, 1}, {-1, -1}
  };

  /**
   * Looks for the shortest move, in steps of half a millimetre, straight before diagonal.
   *
   * @param gap a gap that is too narrow
   * @return the move, or empty where none within 60 mm helps
   */
  public static Optional<Nudge> forGap(Build build, Catalogue catalogue, Gap gap) {
    List<ControlId> movers = new ArrayList<>();
    gap.other().ifPresent(movers::add);
    movers.add(gap.control());
    PartRoom room = PartRoom.of(build, catalogue);
    double first = Math.max(STEP_MM, Math.ceil(gap.missingMm() / 2 / STEP_MM) * STEP_MM);
    for (double step = first; step <= FURTHEST_MM; step += step < 15 ? STEP_MM : 2) {
      for (int[] direction : DIRECTIONS) {
        for (ControlId mover : movers) {
          double dx = direction[0] * step;
          double dy = direction[1] * step;
          if (room.clear(mover, dx, dy)) {
            return Optional.of(new Nudge(mover, dx, dy));
          }
        }
      }
    }
    return Optional.empty();
  }

  /** {@return the move in words, such as {@code 3.5 mm right}} */
  public String words(LengthUnit unit) {
    List<String> parts = new ArrayList<>();
    if (dxMm != 0) {
      parts.add(Length.text(Math.abs(dxMm), unit) + (dxMm > 0 ? " right" : " left"));
    }
    if (dyMm != 0) {
      parts.add(Length.text(Math.abs(dyMm), unit) + (dyMm > 0 ? " back" : " forward"));
    }
    return String.join(", ", parts);
  }
}
