package kumite.plan;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jgrapht.Graph;
import org.jgrapht.Graphs;

/**
 * What must come right before what: the rules put many steps before many others, and of those only
 * the ones are kept that do not follow from others (the transitive reduction of the graph). The
 * graph library has one for any graph; along an order that is known already it takes a tenth of the
 * time.
 */
final class Shortest {
  private final Map<Integer, List<Integer>> before = new HashMap<>();
  private final Map<Integer, List<Integer>> later = new HashMap<>();

  private Shortest() {}

  /**
   * {@return what is kept of a graph}
   *
   * @param graph without a circle, an edge from what comes before to what comes later; its vertices
   *     are 0 upward
   * @param order all of its vertices, each after those that come before it
   */
  static <E> Shortest of(Graph<Integer, E> graph, List<Integer> order) {
    Shortest shortest = new Shortest();
    int[] place = new int[order.size()];
    for (int i = 0; i < order.size(); i++) {
      place[order.get(i)] = i;
    }
    BitSet[] ahead = new BitSet[order.size()]; // all that comes before a vertex, however far
    for (int vertex : order) {
      List<Integer> all = new ArrayList<>(Graphs.predecessorListOf(graph, vertex));
      all.sort(Comparator.comparing((Integer other) -> place[other]).reversed());
      BitSet far = new BitSet(order.size());
      List<Integer> near = new ArrayList<>();
      for (int other : all) {
        if (!far.get(other)) {
          near.add(other);
          far.or(ahead[other]);
          far.set(other);
          shortest.later.computeIfAbsent(other, o -> new ArrayList<>()).add(vertex);
        }
      }
      ahead[vertex] = far;
      Collections.sort(near);
      shortest.before.put(vertex, near);
    }
    shortest.later.values().forEach(Collections::sort);
    return shortest;
  }

  /** {@return what comes right before, by number} */
  List<Integer> before(int vertex) {
    return before.getOrDefault(vertex, List.of());
  }

  /** {@return what comes right after, by number} */
  List<Integer> later(int vertex) {
    return later.getOrDefault(vertex, List.of());
  }
}
