package kumite.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.jgrapht.Graphs;
import org.jgrapht.alg.TransitiveReduction;
import org.jgrapht.graph.DefaultEdge;
import org.jgrapht.graph.DirectedAcyclicGraph;
import org.jgrapht.traverse.TopologicalOrderIterator;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What is kept of an order is what the graph library keeps of it. */
public class ShortestTest {
  @DataProvider
  Object[][] seeds() {
    Object[][] seeds = new Object[60][];
    Arrays.setAll(seeds, i -> new Object[] {i});
    return seeds;
  }

  private static DirectedAcyclicGraph<Integer, DefaultEdge> drawn(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    DirectedAcyclicGraph<Integer, DefaultEdge> graph =
        new DirectedAcyclicGraph<>(DefaultEdge.class);
    int size = random.nextInt(1, 40);
    List<Integer> hidden = new ArrayList<>(IntStream.range(0, size).boxed().toList());
    hidden.sort(Comparator.comparing(i -> random.split().nextInt()));
    IntStream.range(0, size).forEach(graph::addVertex);
    double dense = random.nextDouble();
    for (int i = 0; i < size; i++) {
      for (int j = i + 1; j < size; j++) {
        if (random.nextDouble() < dense) {
          graph.addEdge(hidden.get(i), hidden.get(j));
        }
      }
    }
    return graph;
  }

  @Test(dataProvider = "seeds")
  public void whatIsKeptIsWhatTheLibraryKeeps(int seed) {
    DirectedAcyclicGraph<Integer, DefaultEdge> graph = drawn(seed);
    List<Integer> order = new ArrayList<>();
    new TopologicalOrderIterator<>(graph, Comparator.<Integer>naturalOrder())
        .forEachRemaining(order::add);
    Shortest shortest = Shortest.of(graph, order);
    TransitiveReduction.INSTANCE.reduce(graph);
    for (int vertex : order) {
      assertThat(shortest.before(vertex))
          .containsExactlyElementsOf(
              Graphs.predecessorListOf(graph, vertex).stream().sorted().toList());
      assertThat(shortest.later(vertex))
          .containsExactlyElementsOf(
              Graphs.successorListOf(graph, vertex).stream().sorted().toList());
    }
    List<Integer> after = new ArrayList<>();
    new TopologicalOrderIterator<>(graph, Comparator.<Integer>naturalOrder())
        .forEachRemaining(after::add);
    assertThat(after).as("the order of work is the same").isEqualTo(order);
  }
}
