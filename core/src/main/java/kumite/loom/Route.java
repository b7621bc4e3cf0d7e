package kumite.loom;

import java.util.Arrays;

/**
 * The shortest way through a set of places, each once: the order in which a common is laid.
 *
 * <p>Up to {@value #EXACT} places the order is exact (dynamic programming over subsets: Held and
 * Karp, "A dynamic programming approach to sequencing problems", J. SIAM 10 (1962)). Beyond, it
 * starts from the nearest neighbour and is bettered by turning stretches round and moving single
 * places (2-opt and or-opt, Croes 1958 and Or 1976, from memory) until neither helps.
 */
final class Route {
  /** Largest count solved exactly; one more place doubles the work. */
  static final int EXACT = 9;

  /** Passes over a long route; the first few gain nearly all there is to gain. */
  private static final int MOST_PASSES = 6;

  /** From here on a route is long. */
  private static final int LONG = 100;

  private static final int LONG_PASSES = 2;

  private Route() {}

  /**
   * Finds the order.
   *
   * @param distance symmetric distances; place 0 is the start
   * @param returns whether the way comes back to place 0 at the end
   * @return all places in order, beginning with 0
   */
  static int[] shortest(double[][] distance, boolean returns) {
    int n = distance.length;
    if (n <= 2) {
      int[] order = new int[n];
      Arrays.setAll(order, i -> i);
      return order;
    }
    return n - 1 <= EXACT ? exact(distance, returns) : good(distance, returns);
  }

  /** {@return the length of an order} */
  static double length(double[][] distance, int[] order, boolean returns) {
    double sum = 0;
    for (int i = 1; i < order.length; i++) {
      sum += distance[order[i - 1]][order[i]];
    }
    return returns && order.length > 1 ? sum + distance[order[order.length - 1]][0] : sum;
  }

  private static int[] exact(double[][] distance, boolean returns) {
    int n = distance.length - 1;
    int all = (1 << n) - 1;
    double[][] best = new double[all + 1][n];
    int[][] from = new int[all + 1][n];
    for (double[] row : best) {
      Arrays.fill(row, Double.POSITIVE_INFINITY);
    }
    for (int i = 0; i < n; i++) {
      best[1 << i][i] = distance[0][i + 1];
    }
    for (int set = 1; set <= all; set++) {
      for (int last = 0; last < n; last++) {
        if ((set >> last & 1) == 0 || best[set][last] == Double.POSITIVE_INFINITY) {
          continue;
        }
        for (int next = 0; next < n; next++) {
          if ((set >> next & 1) == 0) {
            double length = best[set][last] + distance[last + 1][next + 1];
            int larger = set | 1 << next;
            if (length < best[larger][next]) {
              best[larger][next] = length;
              from[larger][next] = last;
            }
          }
        }
      }
    }
    int last = 0;
    double least = Double.POSITIVE_INFINITY;
    for (int i = 0; i < n; i++) {
      double length = best[all][i] + (returns ? distance[i + 1][0] : 0);
      if (length < least) {
        least = length;
        last = i;
      }
    }
    int[] order = new int[n + 1];
    int set = all;
    for (int at = n; at > 0; at--) {
      order[at] = last + 1;
      int before = from[set][last];
      set &= ~(1 << last);
      last = before;
    }
    return order;
  }

  private static int[] good(double[][] distance, boolean returns) {
    int n = distance.length;
    int[] order = new int[n];
    boolean[] used = new boolean[n];
    used[0] = true;
    for (int i = 1; i < n; i++) {
      int nearest = -1;
      for (int j = 1; j < n; j++) {
        if (!used[j]
            && (nearest < 0 || distance[order[i - 1]][j] < distance[order[i - 1]][nearest])) {
          nearest = j;
        }
      }
      order[i] = nearest;
      used[nearest] = true;
    }
    boolean better = true;
    for (int pass = 0; better && pass < (n > LONG ? LONG_PASSES : MOST_PASSES); pass++) {
      better = turnStretches(distance, order, returns) | moveStretches(distance, order, returns);
    }
    return order;
  }

  private static double edge(double[][] distance, int[] order, int from, int to, boolean returns) {
    if (to < order.length) {
      return distance[order[from]][order[to]];
    }
    return returns ? distance[order[from]][0] : 0;
  }

  private static boolean turnStretches(double[][] distance, int[] order, boolean returns) {
    boolean any = false;
    int n = order.length;
    for (int i = 1; i < n - 1; i++) {
      // Rows held at hand: these two loops are most of what a long route costs.
      double[] fromBefore = distance[order[i - 1]];
      double[] fromHere = distance[order[i]];
      for (int j = i + 1; j < n; j++) {
        int there = order[j];
        int next = j + 1 < n ? order[j + 1] : 0;
        boolean open = j + 1 == n && !returns;
        double before = fromBefore[order[i]] + (open ? 0 : distance[there][next]);
        double after = fromBefore[there] + (open ? 0 : fromHere[next]);
        if (after < before - 1e-9) {
          for (int a = i, b = j; a < b; a++, b--) {
            int swap = order[a];
            order[a] = order[b];
            order[b] = swap;
          }
          fromHere = distance[order[i]];
          any = true;
        }
      }
    }
    return any;
  }

  /** Moves stretches of one to three places elsewhere, either way round, where that is shorter. */
  private static boolean moveStretches(double[][] distance, int[] order, boolean returns) {
    boolean any = false;
    for (int length = 1; length <= 3; length++) {
      for (int from = 1; from + length <= order.length; from++) {
        any |= moveStretch(distance, order, from, length, returns);
      }
    }
    return any;
  }

  private static boolean moveStretch(
      double[][] distance, int[] order, int from, int length, boolean returns) {
    int to = from + length - 1;
    int first = order[from];
    int last = order[to];
    double saved =
        distance[order[from - 1]][first]
            + edge(distance, order, to, to + 1, returns)
            - gap(distance, order, from - 1, to + 1, returns);
    int bestAfter = -1;
    boolean bestTurned = false;
    double best = 1e-9;
    if (saved <= best) {
      return false;
    }
    double[] toFirst = distance[first];
    double[] toLast = distance[last];
    for (int after = 0; after < order.length; after++) {
      if (after >= from - 1 && after <= to) {
        continue; // within itself, or where it is
      }
      int one = order[after];
      boolean end = after + 1 == order.length;
      int other = end ? 0 : order[after + 1];
      boolean openEnd = end && !returns;
      double open = openEnd ? 0 : distance[one][other];
      double straight = toFirst[one] + (openEnd ? 0 : toLast[other]);
      double turned = toLast[one] + (openEnd ? 0 : toFirst[other]);
      double gain = saved - (Math.min(straight, turned) - open);
      if (gain > best) {
        best = gain;
        bestAfter = after;
        bestTurned = turned < straight;
      }
    }
    if (bestAfter < 0) {
      return false;
    }
    int[] stretch = Arrays.copyOfRange(order, from, to + 1);
    if (bestTurned) {
      for (int a = 0, b = stretch.length - 1; a < b; a++, b--) {
        int swap = stretch[a];
        stretch[a] = stretch[b];
        stretch[b] = swap;
      }
    }
    if (bestAfter > to) {
      System.arraycopy(order, to + 1, order, from, bestAfter - to);
      System.arraycopy(stretch, 0, order, bestAfter - length + 1, length);
    } else {
      System.arraycopy(order, bestAfter + 1, order, bestAfter + 1 + length, from - bestAfter - 1);
      System.arraycopy(stretch, 0, order, bestAfter + 1, length);
    }
    return true;
  }

  /** {@return the way from one position to a later one, skipping what is between} */
  private static double gap(double[][] distance, int[] order, int from, int to, boolean returns) {
    return onward(distance, order, order[from], to, returns);
  }

  /** {@return the way from a place to the place at a position; past the end, the way back} */
  private static double onward(
      double[][] distance, int[] order, int place, int to, boolean returns) {
    return to < order.length ? distance[place][order[to]] : returns ? distance[place][0] : 0;
  }
}
