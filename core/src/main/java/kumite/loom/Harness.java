package kumite.loom;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import kumite.build.Build;
import kumite.kind.BoardKind;
import kumite.measure.Point;

/**
 * Where the wires run, seen from the face: bundles of strands along the panel's edges and round the
 * blocks of the case, and the points where they branch.
 *
 * <p>Wires to the board run front to back first and then along it to the middle of the board's
 * edge, where they fan out; so they share their way wherever they can without being longer.
 *
 * @param bundles stretches along which the same strands run side by side
 * @param branches points where strands part, to be tied there
 */
public record Harness(List<Bundle> bundles, List<Point> branches) {

  /**
   * One straight stretch.
   *
   * @param from one end
   * @param to the other end
   * @param strands the labels of the strands in it
   */
  public record Bundle(Point from, Point to, Set<String> strands) {
    public Bundle {
      strands = Collections.unmodifiableSet(new TreeSet<>(strands));
    }
  }

  public Harness {
    bundles = List.copyOf(bundles);
    branches = List.copyOf(branches);
  }

  /** Lays out a loom on its panel. */
  public static Harness of(Build build, BoardKind board, Loom loom) {
    Routes routes = Routes.of(build, board, loom);
    Map<String, List<Point>> ways = new LinkedHashMap<>();
    for (Strand strand : loom.strands()) {
      List<Point> way = routes.way(strand.from().place(), strand.to().place());
      if (way.size() > 1) {
        ways.put(strand.id(), way);
      }
    }
    return gathered(ways);
  }

  private static Harness gathered(Map<String, List<Point>> routes) {
    TreeSet<Double> xs = new TreeSet<>();
    TreeSet<Double> ys = new TreeSet<>();
    routes
        .values()
        .forEach(
            way ->
                way.forEach(
                    at -> {
                      xs.add(at.xMm());
                      ys.add(at.yMm());
                    }));
    Map<List<Point>, Set<String>> pieces = new LinkedHashMap<>();
    routes.forEach(
        (id, way) -> {
          for (int i = 1; i < way.size(); i++) {
            pieces(way.get(i - 1), way.get(i), xs, ys)
                .forEach(piece -> pieces.computeIfAbsent(piece, p -> new TreeSet<>()).add(id));
          }
        });
    Map<Point, List<List<Point>>> meeting = new LinkedHashMap<>();
    pieces
        .keySet()
        .forEach(
            piece ->
                piece.forEach(
                    end -> meeting.computeIfAbsent(end, p -> new ArrayList<>()).add(piece)));
    List<Point> branches = new ArrayList<>();
    meeting.forEach(
        (at, ends) -> {
          if (ends.size() > 2) {
            branches.add(at);
          }
        });
    return new Harness(merged(pieces), branches);
  }

  /** A stretch along x or y, cut where any other wire turns or ends; each piece low end first. */
  private static List<List<Point>> pieces(
      Point a, Point b, TreeSet<Double> xs, TreeSet<Double> ys) {
    boolean alongX = a.yMm() == b.yMm();
    double low = alongX ? Math.min(a.xMm(), b.xMm()) : Math.min(a.yMm(), b.yMm());
    double high = alongX ? Math.max(a.xMm(), b.xMm()) : Math.max(a.yMm(), b.yMm());
    List<List<Point>> pieces = new ArrayList<>();
    Double before = null;
    for (double at : (alongX ? xs : ys).subSet(low, true, high, true)) {
      if (before != null) {
        pieces.add(
            alongX
                ? List.of(new Point(before, a.yMm()), new Point(at, a.yMm()))
                : List.of(new Point(a.xMm(), before), new Point(a.xMm(), at)));
      }
      before = at;
    }
    return pieces;
  }

  /** Pieces in line that hold the same strands become one bundle. */
  private static List<Bundle> merged(Map<List<Point>, Set<String>> pieces) {
    List<Bundle> bundles = new ArrayList<>();
    List<List<Point>> left = new ArrayList<>(pieces.keySet());
    left.sort(
        java.util.Comparator.comparing((List<Point> p) -> p.get(0).yMm() != p.get(1).yMm())
            .thenComparing(p -> p.get(0).yMm() == p.get(1).yMm() ? p.get(0).yMm() : p.get(0).xMm())
            .thenComparing(
                p -> p.get(0).yMm() == p.get(1).yMm() ? p.get(0).xMm() : p.get(0).yMm()));
    Bundle open = null;
    for (List<Point> piece : left) {
      Set<String> strands = pieces.get(piece);
      boolean goesOn =
          open != null
              && open.to().equals(piece.get(0))
              && open.strands().equals(strands)
              && (open.from().yMm() == open.to().yMm())
                  == (piece.get(0).yMm() == piece.get(1).yMm());
      if (goesOn) {
        open = new Bundle(open.from(), piece.get(1), strands);
        bundles.set(bundles.size() - 1, open);
      } else {
        open = new Bundle(piece.get(0), piece.get(1), strands);
        bundles.add(open);
      }
    }
    return bundles;
  }

  /** {@return the most strands that run side by side anywhere} */
  public int thickest() {
    return bundles.stream().mapToInt(bundle -> bundle.strands().size()).max().orElse(0);
  }
}
