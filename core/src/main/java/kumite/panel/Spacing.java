package kumite.panel;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.measure.Placement;
import kumite.name.ControlId;

/**
 * A row or column whose parts are moved along it until each has its room beside the next: it stays
 * one line, in its order, and where it was evenly spaced it stays so.
 *
 * @param places where its parts go
 * @param alongX whether it is a row, left to right, or a column
 * @param pitchMm from centre to centre where that is one length; the largest of them where not
 */
public record Spacing(Map<ControlId, Placement> places, boolean alongX, double pitchMm) {
  /** Fewer than this are no row. */
  static final int LEAST = 3;

  private static final double STEP_MM = 0.5;

  /** No two parts need more from centre to centre; beyond it the row is none. */
  private static final double MOST_MM = 150;

  /** Parts of a row that are further apart than this belong to two rows: common practice. */
  private static final double ONE_ROW_MM = 90;

  public Spacing {
    places = Map.copyOf(places);
  }

  /** {@return the line of parts about a gap that is spread, if that mends it} */
  static Optional<Spacing> forGap(PartRoom room, Gap gap) {
    if (gap.controls().size() != 2) {
      return Optional.empty();
    }
    for (boolean alongX : new boolean[] {true, false}) {
      List<ControlId> line = line(room, gap.controls().get(0), alongX);
      int one = line.indexOf(gap.controls().get(0));
      int other = line.indexOf(gap.controls().get(1));
      if (line.size() >= LEAST && other >= 0 && Math.abs(one - other) == 1) {
        Optional<Spacing> spread = spread(room, line, alongX);
        if (spread.isPresent()) {
          return spread;
        }
      }
    }
    return Optional.empty();
  }

  /** {@return the parts beside each other in one line with a part, in order along it} */
  static List<ControlId> line(PartRoom room, ControlId id, boolean alongX) {
    List<ControlId> all = room.line(id, alongX);
    all.sort(Comparator.comparingDouble(other -> along(room.at(other), alongX)));
    int from = all.indexOf(id);
    int to = from;
    while (from > 0 && apart(room, all.get(from - 1), all.get(from), alongX) < ONE_ROW_MM) {
      from--;
    }
    while (to + 1 < all.size() && apart(room, all.get(to), all.get(to + 1), alongX) < ONE_ROW_MM) {
      to++;
    }
    return new ArrayList<>(all.subList(from, to + 1));
  }

  private static double along(Placement at, boolean alongX) {
    return alongX ? at.xMm() : at.yMm();
  }

  private static double apart(PartRoom room, ControlId one, ControlId other, boolean alongX) {
    return along(room.at(other), alongX) - along(room.at(one), alongX);
  }

  private static Optional<Spacing> spread(PartRoom room, List<ControlId> line, boolean alongX) {
    List<Double> pitches = new ArrayList<>();
    double least = Double.POSITIVE_INFINITY;
    double most = 0;
    double widest = 0;
    for (int i = 1; i < line.size(); i++) {
      double now = apart(room, line.get(i - 1), line.get(i), alongX);
      least = Math.min(least, now);
      most = Math.max(most, now);
      double pitch = now;
      while (pitch < MOST_MM && room.narrow(line.get(i - 1), line.get(i), alongX, pitch)) {
        pitch = Math.floor(pitch / STEP_MM + 1) * STEP_MM;
      }
      widest = Math.max(widest, pitch);
      pitches.add(pitch);
    }
    if (most - least < STEP_MM) {
      double even = widest;
      pitches.replaceAll(pitch -> even);
    }
    double length = pitches.stream().mapToDouble(Double::doubleValue).sum();
    double first = along(room.at(line.get(0)), alongX);
    double last = along(room.at(line.get(line.size() - 1)), alongX);
    double middle = Math.rint((first + last - length)) / 2;
    for (double start : new double[] {middle, first, last - length}) {
      Map<ControlId, Placement> places = new LinkedHashMap<>();
      double at = start;
      for (int i = 0; i < line.size(); i++) {
        at += i == 0 ? 0 : pitches.get(i - 1);
        Placement was = room.at(line.get(i));
        places.put(line.get(i), alongX ? was.movedTo(at, was.yMm()) : was.movedTo(was.xMm(), at));
      }
      if (room.clear(places)) {
        return Optional.of(new Spacing(places, alongX, widest));
      }
    }
    return Optional.empty();
  }
}
