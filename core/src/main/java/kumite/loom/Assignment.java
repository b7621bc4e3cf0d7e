package kumite.loom;

import java.util.Arrays;

/**
 * The cheapest way to give each row a column of its own (linear assignment problem).
 *
 * <p>Shortest augmenting paths with row and column potentials, O(rows² × columns); after Kuhn, "The
 * Hungarian method for the assignment problem", Naval Research Logistics Quarterly 2 (1955), in the
 * form of Jonker and Volgenant, Computing 38 (1987). The result is optimal. Of equally cheap
 * results the same one is always given.
 */
final class Assignment {
  private Assignment() {}

  /**
   * Solves it.
   *
   * @param cost cost[row][column], finite; at least as many columns as rows
   * @return the column of each row
   */
  static int[] solve(double[][] cost) {
    int rows = cost.length;
    int columns = rows == 0 ? 0 : cost[0].length;
    if (columns < rows) {
      throw new IllegalArgumentException(
          "an assignment needs a column for each row, but had " + rows + " rows and " + columns);
    }
    double[] rowPotential = new double[rows + 1];
    double[] columnPotential = new double[columns + 1];
    int[] rowOf = new int[columns + 1]; // 1-based; 0 is "free"
    int[] previous = new int[columns + 1];
    double[] shortest = new double[columns + 1];
    boolean[] done = new boolean[columns + 1];
    boolean[] matched = new boolean[rows + 1];
    for (int row = 1; row <= rows; row++) {
      // A row whose cheapest column is free takes it: the potentials stay right, a search is saved.
      int cheapest = 1;
      for (int j = 2; j <= columns; j++) {
        if (cost[row - 1][j - 1] < cost[row - 1][cheapest - 1]) {
          cheapest = j;
        }
      }
      rowPotential[row] = cost[row - 1][cheapest - 1];
      if (rowOf[cheapest] == 0) {
        rowOf[cheapest] = row;
        matched[row] = true;
      }
    }
    for (int row = 1; row <= rows; row++) {
      if (matched[row]) {
        continue;
      }
      rowOf[0] = row;
      int column = 0;
      Arrays.fill(shortest, Double.POSITIVE_INFINITY);
      Arrays.fill(done, false);
      do {
        done[column] = true;
        int current = rowOf[column];
        double[] costs = cost[current - 1];
        double delta = Double.POSITIVE_INFINITY;
        int next = 0;
        for (int j = 1; j <= columns; j++) {
          if (!done[j]) {
            double reduced = costs[j - 1] - rowPotential[current] - columnPotential[j];
            if (reduced < shortest[j]) {
              shortest[j] = reduced;
              previous[j] = column;
            }
            if (shortest[j] < delta) {
              delta = shortest[j];
              next = j;
            }
          }
        }
        for (int j = 0; j <= columns; j++) {
          if (done[j]) {
            rowPotential[rowOf[j]] += delta;
            columnPotential[j] -= delta;
          } else {
            shortest[j] -= delta;
          }
        }
        column = next;
      } while (rowOf[column] != 0);
      while (column != 0) {
        int before = previous[column];
        rowOf[column] = rowOf[before];
        column = before;
      }
    }
    int[] columnOf = new int[rows];
    for (int j = 1; j <= columns; j++) {
      if (rowOf[j] > 0) {
        columnOf[rowOf[j] - 1] = j - 1;
      }
    }
    return columnOf;
  }
}
