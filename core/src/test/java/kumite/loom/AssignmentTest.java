package kumite.loom;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.jgrapht.alg.matching.KuhnMunkresMinimalWeightBipartitePerfectMatching;
import org.jgrapht.graph.DefaultWeightedEdge;
import org.jgrapht.graph.SimpleWeightedGraph;
import org.testng.annotations.Test;

public class AssignmentTest {

  @Test
  public void isAsCheapAsTryingEverything() {
    SplittableRandom random = new SplittableRandom(7);
    for (int round = 0; round < 200; round++) {
      int rows = 1 + random.nextInt(6);
      int columns = rows + random.nextInt(3);
      double[][] cost = random(rows, columns, random);
      int[] columnOf = Assignment.solve(cost);
      assertThat(columnOf).doesNotHaveDuplicates();
      assertThat(total(cost, columnOf))
          .as("round %d", round)
          .isCloseTo(cheapest(cost, 0, new boolean[columns]), within(1e-9));
    }
  }

  /** Reference: JGraphT's Kuhn-Munkres, a general-purpose library. */
  @Test
  public void isAsCheapAsTheReferenceLibraryOnLargerOnes() {
    SplittableRandom random = new SplittableRandom(11);
    for (int size : new int[] {20, 60}) {
      double[][] cost = random(size, size, random);
      assertThat(total(cost, Assignment.solve(cost))).isCloseTo(reference(cost), within(1e-6));
    }
  }

  private static double[][] random(int rows, int columns, SplittableRandom random) {
    double[][] cost = new double[rows][columns];
    for (double[] row : cost) {
      for (int j = 0; j < columns; j++) {
        row[j] = random.nextInt(10) == 0 ? 1e6 : random.nextDouble(500);
      }
    }
    return cost;
  }

  private static double total(double[][] cost, int[] columnOf) {
    return IntStream.range(0, cost.length).mapToDouble(i -> cost[i][columnOf[i]]).sum();
  }

  private static double cheapest(double[][] cost, int row, boolean[] taken) {
    if (row == cost.length) {
      return 0;
    }
    double best = Double.POSITIVE_INFINITY;
    for (int j = 0; j < taken.length; j++) {
      if (!taken[j]) {
        taken[j] = true;
        best = Math.min(best, cost[row][j] + cheapest(cost, row + 1, taken));
        taken[j] = false;
      }
    }
    return best;
  }

  private static double reference(double[][] cost) {
    SimpleWeightedGraph<String, DefaultWeightedEdge> graph =
        new SimpleWeightedGraph<>(DefaultWeightedEdge.class);
    List<String> rows = new ArrayList<>();
    List<String> columns = new ArrayList<>();
    for (int i = 0; i < cost.length; i++) {
      rows.add("r" + i);
      columns.add("c" + i);
      graph.addVertex("r" + i);
      graph.addVertex("c" + i);
    }
    for (int i = 0; i < cost.length; i++) {
      for (int j = 0; j < cost.length; j++) {
        graph.setEdgeWeight(graph.addEdge(rows.get(i), columns.get(j)), cost[i][j]);
      }
    }
    Set<String> left = new LinkedHashSet<>(rows);
    Set<String> right = new LinkedHashSet<>(columns);
    return new KuhnMunkresMinimalWeightBipartitePerfectMatching<>(graph, left, right)
        .getMatching()
        .getWeight();
  }
}
