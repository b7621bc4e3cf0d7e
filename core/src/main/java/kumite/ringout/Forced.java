package kumite.ringout;

import java.util.BitSet;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jgrapht.Graph;
import org.jgrapht.alg.connectivity.KosarajuStrongConnectivityInspector;
import org.jgrapht.alg.matching.HopcroftKarpMaximumCardinalityBipartiteMatching;
import org.jgrapht.graph.DefaultEdge;
import org.jgrapht.graph.SimpleDirectedGraph;
import org.jgrapht.graph.SimpleGraph;

/**
 * Strikes out pairs that no way of giving every core a partner of its own contains.
 *
 * <p>A pair outside of one matching is in another one if both lie on an alternating circle, that is
 * in one strongly connected part, or on an alternating path to a free place (Regin, "A filtering
 * algorithm for constraints of difference in CSPs", AAAI 1994, from memory).
 */
final class Forced {
  private Forced() {}

  /** {@return whether anything was struck out} */
  static boolean in(List<BitSet> candidates, int far) {
    int near = candidates.size();
    Graph<Integer, DefaultEdge> pairs = new SimpleGraph<>(DefaultEdge.class);
    Set<Integer> cores = new HashSet<>();
    Set<Integer> ends = new HashSet<>();
    for (int i = 0; i < near; i++) {
      pairs.addVertex(i);
      cores.add(i);
    }
    for (int j = 0; j < far; j++) {
      pairs.addVertex(near + j);
      ends.add(near + j);
    }
    for (int i = 0; i < near; i++) {
      int core = i;
      candidates.get(i).stream().forEach(j -> pairs.addEdge(core, near + j));
    }
    Set<DefaultEdge> matching =
        new HopcroftKarpMaximumCardinalityBipartiteMatching<>(pairs, cores, ends)
            .getMatching()
            .getEdges();
    if (matching.size() < near) {
      return false; // not every core can be whole: the answers will say so
    }
    // Matched pairs point from the end to the core, others the other way; free ends are one knot.
    Graph<Integer, DefaultEdge> ways = new SimpleDirectedGraph<>(DefaultEdge.class);
    int nowhere = near + far;
    pairs.vertexSet().forEach(ways::addVertex);
    ways.addVertex(nowhere);
    Set<Integer> matched = new HashSet<>();
    for (DefaultEdge edge : pairs.edgeSet()) {
      int core = Math.min(pairs.getEdgeSource(edge), pairs.getEdgeTarget(edge));
      int end = Math.max(pairs.getEdgeSource(edge), pairs.getEdgeTarget(edge));
      if (matching.contains(edge)) {
        ways.addEdge(end, core);
        matched.add(end);
      } else {
        ways.addEdge(core, end);
      }
    }
    for (int end : ends) {
      ways.addEdge(matched.contains(end) ? nowhere : end, matched.contains(end) ? end : nowhere);
    }
    java.util.Map<Integer, Integer> part = new java.util.HashMap<>();
    int number = 0;
    for (Set<Integer> set :
        new KosarajuStrongConnectivityInspector<>(ways).stronglyConnectedSets()) {
      for (int vertex : set) {
        part.put(vertex, number);
      }
      number++;
    }
    boolean struck = false;
    for (DefaultEdge edge : pairs.edgeSet()) {
      int core = Math.min(pairs.getEdgeSource(edge), pairs.getEdgeTarget(edge));
      int end = Math.max(pairs.getEdgeSource(edge), pairs.getEdgeTarget(edge));
      if (!matching.contains(edge) && !part.get(core).equals(part.get(end))) {
        candidates.get(core).clear(end - near);
        struck = true;
      }
    }
    return struck;
  }
}
