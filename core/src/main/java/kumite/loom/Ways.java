package kumite.loom;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import kumite.build.panel.Block;
import kumite.build.panel.Panel;
import kumite.measure.Point;
import org.jgrapht.Graph;
import org.jgrapht.GraphPath;
import org.jgrapht.alg.shortestpath.DijkstraShortestPath;
import org.jgrapht.graph.DefaultWeightedEdge;
import org.jgrapht.graph.SimpleWeightedGraph;
import org.jspecify.annotations.Nullable;

/**
 * Shortest ways along the panel's edges, round blocks that stand in the case.
 *
 * <p>A shortest way among rectangles with sides along x and y needs to turn only on lines through
 * the ends and the rectangles' sides, so those lines make the graph that is searched (de Rezende,
 * Lee and Wu, "Rectilinear shortest paths with rectangular barriers", Discrete and Computational
 * Geometry 4 (1989), from memory).
 */
final class Ways {
  /** Wires keep this far from a block: common practice, no source. */
  static final double CLEAR_MM = 3;

  /** A bundle of wires passes where so much is left: common practice, no source. */
  private static final double PASS_MM = 15;

  private final List<Block> blocks;

  Ways(List<Block> blocks) {
    this.blocks = List.copyOf(blocks);
  }

  /** Wires lie along the panel: over what stands on the floor and leaves them room they pass. */
  static Ways of(Panel panel) {
    return new Ways(
        panel.inside().blocks().stream()
            .filter(
                block ->
                    block.stands() != Block.Stands.FLOOR
                        || block.topMm(
                                Math.min(
                                    panel.depthAtMm(block.frontMm()),
                                    panel.depthAtMm(block.frontMm() + block.heightMm())))
                            < PASS_MM)
            .toList());
  }

  /** {@return the length of the shortest way, in mm; straight where an end is shut in} */
  double mm(Point a, Point b) {
    double straight = Math.abs(a.xMm() - b.xMm()) + Math.abs(a.yMm() - b.yMm());
    if (blocks.isEmpty()) {
      return straight;
    }
    List<Point> way = way(a, b);
    double sum = 0;
    for (int i = 1; i < way.size(); i++) {
      sum +=
          Math.abs(way.get(i).xMm() - way.get(i - 1).xMm())
              + Math.abs(way.get(i).yMm() - way.get(i - 1).yMm());
    }
    return sum;
  }

  /** {@return the lengths of the shortest ways between all pairs of places, in mm} */
  double[][] all(List<Point> places) {
    int n = places.size();
    double[] x = places.stream().mapToDouble(Point::xMm).toArray();
    double[] y = places.stream().mapToDouble(Point::yMm).toArray();
    double[][] mm = new double[n][n];
    for (int i = 0; i < n; i++) {
      for (int j = 0; j < i; j++) {
        mm[i][j] =
            blocks.isEmpty()
                ? Math.abs(x[i] - x[j]) + Math.abs(y[i] - y[j])
                : mm(places.get(i), places.get(j));
        mm[j][i] = mm[i][j];
      }
    }
    return mm;
  }

  /**
   * {@return the corners of the shortest way, ends included}
   *
   * <p>Front to back first, where nothing stands in the way, so that wires to one board meet on a
   * common line.
   */
  List<Point> way(Point a, Point b) {
    Point yFirst = new Point(a.xMm(), b.yMm());
    if (free(a, yFirst) && free(yFirst, b)) {
      return List.of(a, yFirst, b);
    }
    Point xFirst = new Point(b.xMm(), a.yMm());
    if (free(a, xFirst) && free(xFirst, b)) {
      return List.of(a, xFirst, b);
    }
    List<Point> round = round(a, b);
    return round.isEmpty() ? List.of(a, yFirst, b) : round;
  }

  private List<Point> round(Point a, Point b) {
    TreeSet<Double> xs = new TreeSet<>(List.of(a.xMm(), b.xMm()));
    TreeSet<Double> ys = new TreeSet<>(List.of(a.yMm(), b.yMm()));
    for (Block block : blocks) {
      xs.add(block.leftMm() - CLEAR_MM);
      xs.add(block.leftMm() + block.widthMm() + CLEAR_MM);
      ys.add(block.frontMm() - CLEAR_MM);
      ys.add(block.frontMm() + block.heightMm() + CLEAR_MM);
    }
    Graph<Point, DefaultWeightedEdge> graph = new SimpleWeightedGraph<>(DefaultWeightedEdge.class);
    @Nullable Point left;
    List<Point> below = new ArrayList<>();
    for (double y : ys) {
      left = null;
      List<Point> row = new ArrayList<>();
      for (double x : xs) {
        Point here = new Point(x, y);
        graph.addVertex(here);
        if (left != null && free(left, here)) {
          graph.setEdgeWeight(graph.addEdge(left, here), here.xMm() - left.xMm());
        }
        if (!below.isEmpty() && free(below.get(row.size()), here)) {
          Point under = below.get(row.size());
          graph.setEdgeWeight(graph.addEdge(under, here), here.yMm() - under.yMm());
        }
        row.add(here);
        left = here;
      }
      below = row;
    }
    GraphPath<Point, DefaultWeightedEdge> path = DijkstraShortestPath.findPathBetween(graph, a, b);
    return path == null ? List.of() : path.getVertexList();
  }

  /** {@return whether a stretch along x or y keeps clear of every block it does not begin in} */
  private boolean free(Point a, Point b) {
    double left = Math.min(a.xMm(), b.xMm());
    double right = Math.max(a.xMm(), b.xMm());
    double front = Math.min(a.yMm(), b.yMm());
    double back = Math.max(a.yMm(), b.yMm());
    for (Block block : blocks) {
      double clear = CLEAR_MM - 1e-9;
      if (right > block.leftMm() - clear
          && left < block.leftMm() + block.widthMm() + clear
          && back > block.frontMm() - clear
          && front < block.frontMm() + block.heightMm() + clear) {
        return false;
      }
    }
    return true;
  }
}
