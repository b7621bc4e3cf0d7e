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

  /** Begun with what a problem of one other row came to, it ends where it ends from nothing. */
  @Test
  public void itIsTheSameFromWhateverItBegins() {
    SplittableRandom random = new SplittableRandom(23);
    for (int round = 0; round < 120; round++) {
      int rows = 3 + random.nextInt(40);
      int terminals = 1 + random.nextInt(20);
      // As pins are planned: most columns of a crowded board are "nowhere", each as dear.
      double[][] cost = random(rows, Math.max(rows, terminals), random);
      for (double[] row : cost) {
        for (int j = terminals; j < row.length; j++) {
          row[j] = 1e6 + 1e-8 * random.nextDouble();
        }
      }
      Assignment was = Assignment.of(cost, new double[cost[0].length]);
      double[][] next = java.util.Arrays.copyOf(cost, rows);
      int changed = random.nextInt(rows);
      next[changed] = cost[changed].clone();
      for (int j = 0; j < terminals; j++) {
        next[changed][j] = random.nextDouble(500);
      }
      int[] hints = was.columns().clone();
      for (int i = 0; i < rows; i++) {
        hints[i] = hints[i] < terminals ? hints[i] : -1;
      }
      double[] fresh = next.length == 0 ? new double[0] : new double[next[0].length];
      int[] afresh = Assignment.of(next, fresh).columns();
      int[] warm = Assignment.of(next, was.prices(), hints).columns();
      assertThat(total(next, warm)).isCloseTo(total(next, afresh), within(1e-6));
      for (int i = 0; i < rows; i++) {
        assertThat(Math.min(warm[i], terminals)).isEqualTo(Math.min(afresh[i], terminals));
      }
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
