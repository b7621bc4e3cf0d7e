package kumite.panel;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.Build;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.name.ControlId;
import kumite.parts.Catalogue;

/**
 * A small move that gives a control, or the board, its room.
 *
 * @param control the control to move; empty moves the board
 * @param dxMm to the right
 * @param dyMm to the back
 */
public record Nudge(Optional<ControlId> control, double dxMm, double dyMm) {
  private static final double STEP_MM = 0.5;
  private static final double FURTHEST_MM = 60;

  private static final int[][] DIRECTIONS = {
    {1, 0}, {-1, 0}, {0, 1}, {0, -1}, {1, 1}, {1, -1}, {-1, 1}, {-1, -1}
  };

  /** Looks for moves on one build; the outlines of its parts are laid out once. */
  public static final class Search {
    private final Build build;
    private final Catalogue catalogue;
    private PartRoom laidOut;

    /** A search on a build. */
    public Search(Build build, Catalogue catalogue) {
      this.build = build;
      this.catalogue = catalogue;
    }

    private PartRoom room() {
      if (laidOut == null) {
        laidOut = PartRoom.of(build, catalogue);
      }
      return laidOut;
    }

    /**
     * Looks for the shortest move, in steps of half a millimetre, straight before diagonal.
     *
     * @param gap a gap that is too narrow
     * @return the move, or empty where none within 60 mm helps
     */
    public Optional<Nudge> forGap(Gap gap) {
      return Nudge.forGap(build, room(), gap);
    }

    /**
     * Looks for the nearest place towards a resting point where a control is within reach and has
     * its room.
     *
     * @param to the resting point
     * @param reachMm how far from it
     */
    public Optional<Nudge> towards(ControlId id, Point to, double reachMm) {
      return Nudge.towards(build, room(), id, to, reachMm);
    }
  }

  private static Optional<Nudge> forGap(Build build, PartRoom room, Gap gap) {
    double first = Math.max(STEP_MM, Math.ceil(gap.missingMm() / 2 / STEP_MM) * STEP_MM);
    for (double step = first; step <= FURTHEST_MM; step += step < 15 ? STEP_MM : 2) {
      for (int[] direction : DIRECTIONS) {
        double dx = direction[0] * step;
        double dy = direction[1] * step;
        // The second of a pair goes first: it was as a rule the later one to be placed.
        for (int i = gap.controls().size() - 1; i >= 0; i--) {
          if (room.clear(gap.controls().get(i), dx, dy)) {
            return Optional.of(new Nudge(Optional.of(gap.controls().get(i)), dx, dy));
          }
        }
        if (gap.controls().isEmpty()) {
          Placement at = build.board().orElseThrow().placement();
          if (room.boardClear(at.movedTo(at.xMm() + dx, at.yMm() + dy))) {
            return Optional.of(new Nudge(Optional.empty(), dx, dy));
          }
        }
      }
    }
    return Optional.empty();
  }

  private static Optional<Nudge> towards(
      Build build, PartRoom room, ControlId id, Point to, double reachMm) {
    Point from = build.control(id).orElseThrow().placement().centre();
    double away = from.distanceMm(to);
    double least = Math.ceil((away - reachMm) * 2) / 2;
    double toward = Math.atan2(to.yMm() - from.yMm(), to.xMm() - from.xMm());
    for (double step = least; step <= away; step += 2) {
      for (int turn = 0; turn <= 12; turn++) {
        double angle = toward + (turn % 2 == 0 ? 1 : -1) * Math.ceil(turn / 2.0) * Math.PI / 18;
        double dx = Math.rint(step * Math.cos(angle) * 2) / 2;
        double dy = Math.rint(step * Math.sin(angle) * 2) / 2;
        if (from.plus(dx, dy).distanceMm(to) <= reachMm && room.clear(id, dx, dy)) {
          return Optional.of(new Nudge(Optional.of(id), dx, dy));
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
