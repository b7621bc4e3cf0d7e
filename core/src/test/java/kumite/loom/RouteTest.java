package kumite.loom;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import org.jgrapht.alg.tour.HeldKarpTSP;
import org.jgrapht.graph.DefaultWeightedEdge;
import org.jgrapht.graph.SimpleWeightedGraph;
import org.testng.annotations.Test;

public class RouteTest {

  @Test
  public void isShortestUpToNinePlaces() {
    SplittableRandom random = new SplittableRandom(3);
    for (int round = 0; round < 60; round++) {
      int n = 2 + random.nextInt(7);
      boolean ring = random.nextBoolean();
      double[][] distance = distances(n, random);
      int[] order = Route.shortest(distance, ring);
      assertThat(order[0]).isZero();
      assertThat(order).doesNotHaveDuplicates().hasSize(n);
      boolean[] used = new boolean[n];
      used[0] = true;
      assertThat(Route.length(distance, order, ring))
          .as("round %d, %d places, ring %s", round, n, ring)
          .isCloseTo(exhaustive(distance, 0, used, 1, ring), within(1e-9));
    }
  }

  /** Reference: JGraphT's exact Held-Karp tour. The bettered tour may be a few per cent longer. */
  @Test
  public void isNearTheExactTourBeyondNine() {
    SplittableRandom random = new SplittableRandom(5);
    for (int round = 0; round < 8; round++) {
      double[][] distance = distances(13, random);
      int[] order = Route.shortest(distance, true);
      assertThat(order).doesNotHaveDuplicates().hasSize(13);
      assertThat(Route.length(distance, order, true))
          .isBetween(tour(distance) - 1e-6, tour(distance) * 1.08);
    }
  }

  private static double[][] distances(int n, SplittableRandom random) {
    double[][] at = new double[n][2];
    for (double[] p : at) {
      p[0] = random.nextDouble(400);
      p[1] = random.nextDouble(220);
    }
    double[][] distance = new double[n][n];
    for (int i = 0; i < n; i++) {
      for (int j = 0; j < n; j++) {
        distance[i][j] = Math.abs(at[i][0] - at[j][0]) + Math.abs(at[i][1] - at[j][1]);
      }
    }
    return distance;
  }

  private static double exhaustive(
      double[][] distance, int at, boolean[] used, int count, boolean ring) {
    if (count == distance.length) {
      return ring ? distance[at][0] : 0;
    }
    double best = Double.POSITIVE_INFINITY;
    for (int j = 1; j < distance.length; j++) {
      if (!used[j]) {
        used[j] = true;
        best = Math.min(best, distance[at][j] + exhaustive(distance, j, used, count + 1, ring));
        used[j] = false;
      }
    }
    return best;
  }

  private static double tour(double[][] distance) {
    SimpleWeightedGraph<Integer, DefaultWeightedEdge> graph =
        new SimpleWeightedGraph<>(DefaultWeightedEdge.class);
    for (int i = 0; i < distance.length; i++) {
      graph.addVertex(i);
      for (int j = 0; j < i; j++) {
        graph.setEdgeWeight(graph.addEdge(i, j), distance[i][j]);
      }
    }
    return new HeldKarpTSP<Integer, DefaultWeightedEdge>().getTour(graph).getWeight();
  }
}
