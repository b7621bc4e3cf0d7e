package kumite.loom;

import java.util.Arrays;

/**
 * The cheapest way to give each row a column of its own (linear assignment problem).
 *
 * <p>Shortest augmenting paths with row and column potentials, O(rows² × columns); after Kuhn, "The
 * Hungarian method for the assignment problem", Naval Research Logistics Quarterly 2 (1955), in the
 * form of Jonker and Volgenant, Computing 38 (1987). The result is optimal. Of equally cheap
 * results the same one is always given.
 *
 * <p>Any column prices may be begun with: the rows' are then set so that no pair is too cheap,
 * which is all that the search asks for. Prices of a problem that differs in one row leave one
 * search.
 */
final class Assignment {
  /** Beyond so many bids for each row the search is quicker. */
  private static final int BIDS_A_ROW = 20;

  private final int[] columnOf;
  private final double[] prices;

  private Assignment(int[] columnOf, double[] prices) {
    this.columnOf = columnOf;
    this.prices = prices;
  }

  /** {@return the column of each row} */
  int[] columns() {
    return columnOf;
  }

  /** {@return the price of each column at the end, for a problem like it} */
  double[] prices() {
    return prices;
  }

  /** {@return the column of each row, without anything to begin with} */
  static int[] solve(double[][] cost) {
    return of(cost, new double[cost.length == 0 ? 0 : cost[0].length]).columns();
  }

  /**
   * Solves it.
   *
   * @param cost cost[row][column], finite; at least as many columns as rows
   * @param prices a price for each column to begin with, 0 for none known
   */
  static Assignment of(double[][] cost, double[] prices) {
    int rows = cost.length;
    int columns = rows == 0 ? 0 : cost[0].length;
    if (columns < rows) {
      throw new IllegalArgumentException(
          "an assignment needs a column for each row, but had " + rows + " rows and " + columns);
    }
    double[] begin = Arrays.stream(prices).allMatch(p -> p == 0) ? cheapest(cost, columns) : prices;
    Assignment square = square(padded(cost, columns), begin);
    return new Assignment(Arrays.copyOf(square.columnOf, rows), square.prices);
  }

  /** {@return what each column costs at least: a good price where none is known} */
  private static double[] cheapest(double[][] cost, int columns) {
    double[] least = new double[columns];
    Arrays.fill(least, cost.length == 0 ? 0 : Double.POSITIVE_INFINITY);
    for (double[] row : cost) {
      for (int j = 0; j < columns; j++) {
        least[j] = Math.min(least[j], row[j]);
      }
    }
    return least;
  }

  /** Rows that take any column for nothing make it square, so that every price is one in use. */
  private static double[][] padded(double[][] cost, int columns) {
    double[][] padded = Arrays.copyOf(cost, columns);
    for (int row = cost.length; row < columns; row++) {
      padded[row] = new double[columns];
    }
    return padded;
  }

  private static Assignment square(double[][] cost, double[] prices) {
    int size = cost.length;
    double[] rowPotential = new double[size + 1];
    double[] columnPotential = new double[size + 1];
    System.arraycopy(prices, 0, columnPotential, 1, size);
    int[] rowOf = new int[size + 1]; // 1-based; 0 is "free"
    int[] chosen = new int[size + 1];
    bid(cost, columnPotential, rowOf, chosen);
    for (int row = 1; row <= size; row++) {
      double[] costs = cost[row - 1];
      if (chosen[row] != 0) {
        rowPotential[row] = costs[chosen[row] - 1] - columnPotential[chosen[row]];
      } else {
        double least = Double.POSITIVE_INFINITY;
        for (int j = 1; j <= size; j++) {
          least = Math.min(least, costs[j - 1] - columnPotential[j]);
        }
        rowPotential[row] = least;
      }
    }
    Search search = new Search(cost, rowPotential, columnPotential, rowOf);
    for (int row = 1; row <= size; row++) {
      if (chosen[row] == 0) {
        search.place(row);
      }
    }
    int[] columnOf = new int[size];
    for (int j = 1; j <= size; j++) {
      columnOf[rowOf[j] - 1] = j - 1;
    }
    return new Assignment(columnOf, Arrays.copyOfRange(columnPotential, 1, size + 1));
  }

  /**
   * Rows bid for their cheapest column, as far up as their second cheapest, and put out who had it
   * (augmenting row reduction, Jonker and Volgenant). Most rows are placed so; the search does the
   * rest.
   */
  private static void bid(double[][] cost, double[] price, int[] rowOf, int[] chosen) {
    int size = cost.length;
    java.util.ArrayDeque<Integer> free = new java.util.ArrayDeque<>();
    for (int row = 1; row <= size; row++) {
      free.add(row);
    }
    for (int bids = 0; bids < BIDS_A_ROW * size && !free.isEmpty(); bids++) {
      int row = free.poll();
      double[] costs = cost[row - 1];
      int first = 0;
      int second = 0;
      double least = Double.POSITIVE_INFINITY;
      double next = Double.POSITIVE_INFINITY;
      for (int j = 1; j <= size; j++) {
        double reduced = costs[j - 1] - price[j];
        if (reduced < least) {
          next = least;
          second = first;
          least = reduced;
          first = j;
        } else if (reduced < next) {
          next = reduced;
          second = j;
        }
      }
      if (second != 0 && least < next) {
        price[first] -= next - least;
      } else if (second != 0 && rowOf[first] != 0) {
        first = second;
      }
      int before = rowOf[first];
      rowOf[first] = row;
      chosen[row] = first;
      if (before != 0) {
        chosen[before] = 0;
        free.add(before);
      }
    }
  }

  /** Finds the shortest augmenting path from a row that has no column yet. */
  private static final class Search {
    private final double[][] cost;
    private final double[] rowPotential;
    private final double[] columnPotential;
    private final int[] rowOf;
    private final int[] previous;
    private final double[] shortest;
    private final boolean[] done;

    Search(double[][] cost, double[] rowPotential, double[] columnPotential, int[] rowOf) {
      this.cost = cost;
      this.rowPotential = rowPotential;
      this.columnPotential = columnPotential;
      this.rowOf = rowOf;
      this.previous = new int[rowOf.length];
      this.shortest = new double[rowOf.length];
      this.done = new boolean[rowOf.length];
    }

    void place(int row) {
      rowOf[0] = row;
      int column = 0;
      Arrays.fill(shortest, Double.POSITIVE_INFINITY);
      Arrays.fill(done, false);
      do {
        column = step(column);
      } while (rowOf[column] != 0);
      while (column != 0) {
        int before = previous[column];
        rowOf[column] = rowOf[before];
        column = before;
      }
    }

    /** Takes in one more column and says which one is nearest then. */
    private int step(int column) {
      done[column] = true;
      int current = rowOf[column];
      double[] costs = cost[current - 1];
      double delta = Double.POSITIVE_INFINITY;
      int next = 0;
      for (int j = 1; j < done.length; j++) {
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
      for (int j = 0; j < done.length; j++) {
        if (done[j]) {
          rowPotential[rowOf[j]] += delta;
          columnPotential[j] -= delta;
        } else {
          shortest[j] -= delta;
        }
      }
      return next;
    }
  }
}
