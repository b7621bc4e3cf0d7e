package kumite.wiring;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import kumite.measure.Point;

/**
 * Wires drawn side by side: each stretch of a bundle is parted into lanes, so that no wire of it
 * lies on another, and so that those which turn off first lie outermost.
 *
 * <p>Lanes are given as in the routing of channels: stretches on one line that overlap take
 * different lanes (Hashimoto and Stevens, "Wire routing by optimizing channel assignment within
 * large apertures", 1971, from memory).
 */
final class Lanes {
  /** A wire that turns into a line comes out this far past its corner, or less. */
  private static final double APART_MM = 3;

  private Lanes() {}

  /** One straight stretch of a wire. */
  private static final class Stretch {
    final boolean alongX;
    final double at;
    final double from;
    final double to;
    double turns;
    double offset;

    Stretch(Point a, Point b) {
      alongX = a.yMm() == b.yMm();
      at = alongX ? a.yMm() : a.xMm();
      from = alongX ? a.xMm() : a.yMm();
      to = alongX ? b.xMm() : b.yMm();
    }

    double low() {
      return Math.min(from, to);
    }

    double high() {
      return Math.max(from, to);
    }

    double length() {
      return high() - low();
    }

    boolean overlaps(Stretch other) {
      return low() < other.high() + APART_MM && other.low() < high() + APART_MM;
    }

    /** Which way a neighbour leaves this one's line, as its sign. */
    double side(Stretch neighbour, boolean atItsEnd) {
      return Math.signum(atItsEnd ? neighbour.to - at : neighbour.from - at);
    }
  }

  /**
   * Parts ways into lanes.
   *
   * @param ways by wire, corners with each stretch along x or y
   * @param pitchMm from lane to lane, above 0
   * @param mostMm how wide all lanes of one line may be together; they crowd beyond
   * @return the same ways, each in its lanes, from its first point to its last
   */
  static <K> Map<K, List<Point>> apart(Map<K, List<Point>> ways, double pitchMm, double mostMm) {
    Map<K, List<Stretch>> all = new LinkedHashMap<>();
    Map<List<Object>, List<Stretch>> lines = new LinkedHashMap<>();
    ways.forEach(
        (wire, way) -> {
          List<Stretch> stretches = stretches(way);
          all.put(wire, stretches);
          for (Stretch s : stretches) {
            lines.computeIfAbsent(List.of(s.alongX, s.at), line -> new ArrayList<>()).add(s);
          }
        });
    lines.values().forEach(line -> runs(line).forEach(run -> lanes(run, pitchMm, mostMm)));
    Map<K, List<Point>> apart = new LinkedHashMap<>();
    all.forEach((wire, stretches) -> apart.put(wire, joined(ways.get(wire), stretches)));
    return apart;
  }

  private static List<Stretch> stretches(List<Point> way) {
    List<Point> corners = new ArrayList<>();
    for (Point at : way) {
      int size = corners.size();
      if (size > 0 && corners.get(size - 1).equals(at)) {
        continue;
      }
      boolean goesOn =
          size > 1
              && (level(corners.get(size - 2), corners.get(size - 1), at, true)
                  || level(corners.get(size - 2), corners.get(size - 1), at, false));
      if (goesOn) {
        corners.remove(size - 1);
      }
      corners.add(at);
    }
    List<Stretch> stretches = new ArrayList<>();
    for (int i = 1; i < corners.size(); i++) {
      stretches.add(new Stretch(corners.get(i - 1), corners.get(i)));
    }
    for (int i = 0; i < stretches.size(); i++) {
      Stretch s = stretches.get(i);
      s.turns =
          (i > 0 ? s.side(stretches.get(i - 1), false) : 0)
              + (i + 1 < stretches.size() ? s.side(stretches.get(i + 1), true) : 0);
    }
    return stretches;
  }

  private static boolean level(Point a, Point b, Point c, boolean alongX) {
    return alongX
        ? a.yMm() == b.yMm() && b.yMm() == c.yMm()
        : a.xMm() == b.xMm() && b.xMm() == c.xMm();
  }

  /** {@return the stretches of one line, parted where none goes on} */
  private static List<List<Stretch>> runs(List<Stretch> line) {
    List<Stretch> sorted = new ArrayList<>(line);
    sorted.sort(Comparator.comparingDouble(Stretch::low));
    List<List<Stretch>> runs = new ArrayList<>();
    double end = Double.NEGATIVE_INFINITY;
    for (Stretch s : sorted) {
      if (s.low() >= end + APART_MM) {
        runs.add(new ArrayList<>());
      }
      runs.get(runs.size() - 1).add(s);
      end = Math.max(end, s.high());
    }
    return runs;
  }

  /** What turns off to the upper side lies above, the shortest outermost; below likewise. */
  private static void lanes(List<Stretch> run, double pitchMm, double mostMm) {
    List<Stretch> upper = new ArrayList<>();
    List<Stretch> lower = new ArrayList<>();
    run.forEach(s -> (s.turns >= 0 ? upper : lower).add(s));
    Comparator<Stretch> order =
        Comparator.comparingDouble((Stretch s) -> -Math.abs(s.turns))
            .thenComparingDouble(Stretch::length)
            .thenComparingDouble(Stretch::low);
    upper.sort(order);
    lower.sort(order);
    List<List<Stretch>> above = packed(upper);
    List<List<Stretch>> below = packed(lower);
    int count = above.size() + below.size();
    double pitch = Math.min(pitchMm, mostMm / count);
    for (int lane = 0; lane < count; lane++) {
      boolean top = lane < above.size();
      double offset = ((count - 1) / 2.0 - lane) * pitch;
      for (Stretch s : top ? above.get(lane) : below.get(count - 1 - lane)) {
        s.offset = offset;
      }
    }
  }

  private static List<List<Stretch>> packed(List<Stretch> stretches) {
    List<List<Stretch>> lanes = new ArrayList<>();
    for (Stretch s : stretches) {
      lanes.stream()
          .filter(lane -> lane.stream().noneMatch(s::overlaps))
          .findFirst()
          .orElseGet(
              () -> {
                lanes.add(new ArrayList<>());
                return lanes.get(lanes.size() - 1);
              })
          .add(s);
    }
    return lanes;
  }

  private static List<Point> joined(List<Point> way, List<Stretch> stretches) {
    List<Point> points = new ArrayList<>();
    points.add(way.get(0));
    for (int i = 0; i < stretches.size(); i++) {
      Stretch s = stretches.get(i);
      if (i == 0) {
        points.add(at(s, s.from));
      }
      if (i + 1 < stretches.size()) {
        Stretch next = stretches.get(i + 1);
        points.add(
            s.alongX
                ? new Point(next.at + next.offset, s.at + s.offset)
                : new Point(s.at + s.offset, next.at + next.offset));
      } else {
        points.add(at(s, s.to));
      }
    }
    points.add(way.get(way.size() - 1));
    return List.copyOf(points);
  }

  private static Point at(Stretch s, double along) {
    return s.alongX ? new Point(along, s.at + s.offset) : new Point(s.at + s.offset, along);
  }
}
