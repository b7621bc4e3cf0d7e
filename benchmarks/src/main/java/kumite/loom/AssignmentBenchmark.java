package kumite.loom;

import java.util.LinkedHashSet;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import org.jgrapht.alg.matching.KuhnMunkresMinimalWeightBipartitePerfectMatching;
import org.jgrapht.graph.DefaultWeightedEdge;
import org.jgrapht.graph.SimpleWeightedGraph;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * The pin plan's assignment beside the library's, graph already built. Same package: it is
 * internal.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 3, time = 1)
public class AssignmentBenchmark {
  /** Rows and columns. */
  @Param({"24", "64"})
  public int size;

  private double[][] cost;
  private SimpleWeightedGraph<String, DefaultWeightedEdge> graph;
  private Set<String> rows;
  private Set<String> columns;

  /** Makes costs as a pin plan has them: distances. */
  @Setup
  public void makeCosts() {
    SplittableRandom random = new SplittableRandom(1);
    cost = new double[size][size];
    graph = new SimpleWeightedGraph<>(DefaultWeightedEdge.class);
    rows = new LinkedHashSet<>();
    columns = new LinkedHashSet<>();
    for (int i = 0; i < size; i++) {
      rows.add("r" + i);
      columns.add("c" + i);
      graph.addVertex("r" + i);
      graph.addVertex("c" + i);
    }
    for (int i = 0; i < size; i++) {
      double x = random.nextDouble(600);
      double y = random.nextDouble(300);
      for (int j = 0; j < size; j++) {
        cost[i][j] = Math.hypot(x - 300, y - j * 2.54);
        graph.setEdgeWeight(graph.addEdge("r" + i, "c" + j), cost[i][j]);
      }
    }
  }

  /** {@return ours} */
  @Benchmark
  public int[] ours() {
    return Assignment.solve(cost);
  }

  /** {@return the library's} */
  @Benchmark
  public double library() {
    return new KuhnMunkresMinimalWeightBipartitePerfectMatching<>(graph, rows, columns)
        .getMatching()
        .getWeight();
  }
}
