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
import kumite.name.SeatId;
import kumite.parts.Catalogue;

/**
 * A small move that gives controls, or the board, their room.
 *
 * @param controls what moves together, often a single one; none moves a board
 * @param board whose board moves where no control does
 * @param dxMm to the right
 * @param dyMm to the back
 */
public record Nudge(List<ControlId> controls, Optional<SeatId> board, double dxMm, double dyMm) {
  private static final double STEP_MM = 0.5;
  private static final double FURTHEST_MM = 60;

  /**
   * A straight move keeps a row or column; so much longer than a diagonal one it is still taken.
   */
  private static final double STRAIGHT_WORTH = 3;

  private static final int[][] STRAIGHT = {{1, 0}, {-1, 0}, {0, 1}, {0, -1}};
  private static final int[][] DIAGONAL = {{1, 1}, {1, -1}, {-1, 1}, {-1, -1}};

  public Nudge {
    controls = List.copyOf(controls);
  }

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
     * Looks for the shortest move that clears everything, in steps of half a millimetre: straight,
     * so that rows and columns stay, unless a diagonal one is far shorter. Where no part can move
     * alone, a row or a column moves together.
     *
     * @param gap a gap that is too narrow
     * @return the move, or empty where none within 60 mm helps
     */
    public Optional<Nudge> forGap(Gap gap) {
      return Nudge.forGap(build, room(), gap);
    }

    /** {@return the row or column through a gap that is spread along itself, if that clears it} */
    public Optional<Spacing> respaced(Gap gap) {
      return Spacing.forGap(room(), gap);
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

  private double lengthMm() {
    return Math.hypot(dxMm, dyMm);
  }

  private static Optional<Nudge> forGap(Build build, PartRoom room, Gap gap) {
    double first = Math.max(STEP_MM, Math.ceil(gap.missingMm() / 2 / STEP_MM) * STEP_MM);
    if (gap.controls().isEmpty()) {
      return gap.thing()
          .board()
          .flatMap(seat -> shortest(first, (dx, dy) -> board(build, room, seat, dx, dy)));
    }
    // The second of a pair goes first: it was as a rule the later one to be placed.
    List<List<ControlId>> alone = new ArrayList<>();
    for (int i = gap.controls().size() - 1; i >= 0; i--) {
      alone.add(List.of(gap.controls().get(i)));
    }
    Optional<Nudge> single =
        shortest(first, (dx, dy) -> any(room, kept(room, alone, dx, dy), dx, dy));
    if (single.isPresent()) {
      return single;
    }
    Optional<Nudge> together =
        shortest(first, (dx, dy) -> any(room, lines(room, gap, dx, dy), dx, dy));
    // A row is broken where nothing else mends it.
    return together.isPresent() ? together : shortest(first, (dx, dy) -> any(room, alone, dx, dy));
  }

  /** Of parts that move alone, those that stay in the row or column that they are in. */
  private static List<List<ControlId>> kept(
      PartRoom room, List<List<ControlId>> alone, double dx, double dy) {
    return alone.stream()
        .filter(
            one ->
                (dy == 0 || Spacing.line(room, one.get(0), true).size() < Spacing.LEAST)
                    && (dx == 0 || Spacing.line(room, one.get(0), false).size() < Spacing.LEAST))
        .toList();
  }

  /** Tries a shift. */
  private interface Try {
    Optional<Nudge> by(double dxMm, double dyMm);
  }

  private static Optional<Nudge> shortest(double first, Try tried) {
    Optional<Nudge> straight = first(first, STRAIGHT, FURTHEST_MM, tried);
    double furthest =
        straight.map(s -> s.lengthMm() / STRAIGHT_WORTH).orElse(FURTHEST_MM) / Math.sqrt(2);
    Optional<Nudge> diagonal = first(first, DIAGONAL, furthest, tried);
    return diagonal.isPresent() ? diagonal : straight;
  }

  private static Optional<Nudge> first(
      double first, int[][] directions, double furthest, Try tried) {
    for (double step = first; step <= furthest; step += step < 15 ? STEP_MM : 2) {
      for (int[] direction : directions) {
        Optional<Nudge> found = tried.by(direction[0] * step, direction[1] * step);
        if (found.isPresent()) {
          return found;
        }
      }
    }
    return Optional.empty();
  }

  private static Optional<Nudge> any(
      PartRoom room, List<List<ControlId>> groups, double dx, double dy) {
    for (List<ControlId> group : groups) {
      if (room.clear(room.shifted(group, dx, dy))) {
        return Optional.of(new Nudge(group, Optional.empty(), dx, dy));
      }
    }
    return Optional.empty();
  }

  /**
   * Rows and columns through the parts of a gap: the whole line, and along it the end of it that a
   * shift pushes away from the rest.
   */
  private static List<List<ControlId>> lines(PartRoom room, Gap gap, double dx, double dy) {
    List<List<ControlId>> lines = new ArrayList<>();
    for (ControlId id : gap.controls()) {
      for (boolean alongX : new boolean[] {true, false}) {
        List<ControlId> line = room.line(id, alongX);
        if (line.size() < 2) {
          continue;
        }
        double by = alongX ? dx : dy;
        if (by != 0) {
          Placement at = room.at(id);
          line.removeIf(
              other -> {
                Placement there = room.at(other);
                double ahead = alongX ? there.xMm() - at.xMm() : there.yMm() - at.yMm();
                return ahead * by < 0;
              });
        }
        if (line.size() > 1 && !(gap.controls().size() == 2 && line.containsAll(gap.controls()))) {
          lines.add(line);
        }
      }
    }
    return lines;
  }

  private static Optional<Nudge> board(
      Build build, PartRoom room, SeatId seat, double dx, double dy) {
    return room.boardClear(shifted(build, seat, dx, dy))
        ? Optional.of(new Nudge(List.of(), Optional.of(seat), dx, dy))
        : Optional.empty();
  }

  /** {@return the build with the board of a seat moved} */
  public static Build shifted(Build build, SeatId whose, double dxMm, double dyMm) {
    return build.withSeats(
        build.seats().stream()
            .map(
                seat ->
                    seat.id().equals(whose)
                        ? seat.withBoard(
                            seat.board()
                                .map(
                                    board ->
                                        board.at(
                                            board
                                                .placement()
                                                .movedTo(
                                                    board.placement().xMm() + dxMm,
                                                    board.placement().yMm() + dyMm))))
                        : seat)
            .toList());
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
          return Optional.of(new Nudge(List.of(id), Optional.empty(), dx, dy));
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
