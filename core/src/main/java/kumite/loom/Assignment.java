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

  /** What sums of prices may be off by; far below the least difference that decides. */
  private static final double ROUNDING = 1e-11;

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
    int[] none = new int[cost.length];
    Arrays.fill(none, -1);
    return of(cost, prices, none);
  }

  /**
   * Solves it, from what a problem like it came to.
   *
   * @param prices its prices
   * @param hints the column that each row had there, below 0 for none
   */
  static Assignment of(double[][] cost, double[] prices, int[] hints) {
    int rows = cost.length;
    int columns = rows == 0 ? 0 : cost[0].length;
    if (columns < rows) {
      throw new IllegalArgumentException(
          "an assignment needs a column for each row, but had " + rows + " rows and " + columns);
    }
    boolean fresh = Arrays.stream(prices).allMatch(p -> p == 0);
    double[] begin = fresh ? cheapest(cost, columns) : prices;
    Assignment square = square(padded(cost, columns), begin, fresh, hints);
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

  private static Assignment square(double[][] cost, double[] prices, boolean fresh, int[] hints) {
    int size = cost.length;
    double[] columnPotential = new double[size + 1];
    System.arraycopy(prices, 0, columnPotential, 1, size);
    int[] rowOf = new int[size + 1]; // 1-based; 0 is "free"
    int[] chosen = new int[size + 1];
    for (double step = COARSEST; fresh && size > LARGE && step > FINEST; step /= FINER) {
      auction(cost, columnPotential, step);
    }
    if (fresh) {
      bid(cost, columnPotential, rowOf, chosen);
    } else {
      keep(cost, columnPotential, hints, rowOf, chosen);
    }
    Search search = new Search(cost, columnPotential, rowOf);
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

  /** Rows that are as well off as anywhere where they were stay there. */
  private static void keep(
      double[][] cost, double[] price, int[] hints, int[] rowOf, int[] chosen) {
    for (int row = 1; row <= hints.length; row++) {
      int column = hints[row - 1] + 1;
      if (column > 0 && rowOf[column] == 0) {
        double[] costs = cost[row - 1];
        double least = costs[column - 1] - price[column] - ROUNDING;
        boolean best = true;
        for (int j = 1; j < price.length && best; j++) {
          best = costs[j - 1] - price[j] >= least;
        }
        if (best) {
          rowOf[column] = row;
          chosen[row] = column;
        }
      }
    }
    fill(cost, price, rowOf, chosen);
  }

  /** Of the other rows, each whose best column is free takes it: most have none but "nowhere". */
  private static void fill(double[][] cost, double[] price, int[] rowOf, int[] chosen) {
    for (int row = 1; row < chosen.length; row++) {
      double[] costs = cost[row - 1];
      double least = Double.POSITIVE_INFINITY;
      double leastFree = Double.POSITIVE_INFINITY;
      int free = 0;
      for (int j = 1; j < price.length && chosen[row] == 0; j++) {
        double reduced = costs[j - 1] - price[j];
        least = Math.min(least, reduced);
        if (rowOf[j] == 0 && reduced < leastFree) {
          leastFree = reduced;
          free = j;
        }
      }
      if (free != 0 && leastFree <= least + ROUNDING) {
        rowOf[free] = row;
        chosen[row] = free;
      }
    }
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

  /** How much finer each auction is than the one before, and the finest. */
  private static final double FINER = 6;

  private static final double FINEST = 0.02;

  /** The coarsest; below so many rows the exact bids are as quick. Tried, no source. */
  private static final double COARSEST = 20;

  private static final int LARGE = 100;

  /**
   * Rows bid at least a step, so that none waits for the last thousandth of a price; with ever
   * finer steps the prices come near to the best (Bertsekas, "The auction algorithm", Annals of
   * Operations Research 14 (1988), from memory). Only prices are kept: what follows is exact.
   */
  private static void auction(double[][] cost, double[] price, double step) {
    int size = cost.length;
    int[] rowOf = new int[size + 1];
    int[] queue = new int[size];
    int open = size;
    for (int k = 0; k < size; k++) {
      queue[k] = size - k;
    }
    while (open > 0) {
      int row = queue[--open];
      double[] costs = cost[row - 1];
      int first = 0;
      double least = Double.POSITIVE_INFINITY;
      double next = Double.POSITIVE_INFINITY;
      for (int j = 1; j <= size; j++) {
        double reduced = costs[j - 1] - price[j];
        if (reduced < next) {
          if (reduced < least) {
            next = least;
            least = reduced;
            first = j;
          } else {
            next = reduced;
          }
        }
      }
      price[first] -= (size > 1 ? next - least : 0) + step;
      if (rowOf[first] != 0) {
        queue[open++] = rowOf[first];
      }
      rowOf[first] = row;
    }
  }

  /**
   * Finds the shortest augmenting path from a row that has no column yet. What is not reached yet
   * is kept together, and prices change once a path is found.
   */
  private static final class Search {
    private final double[][] cost;
    private final double[] price;
    private final int[] rowOf;
    private final int[] previous;
    private final double[] shortest;
    private final int[] columns; // those not reached yet, then those reached
    private int open;

    Search(double[][] cost, double[] price, int[] rowOf) {
      this.cost = cost;
      this.price = price;
      this.rowOf = rowOf;
      this.previous = new int[rowOf.length];
      this.shortest = new double[rowOf.length];
      this.columns = new int[rowOf.length - 1];
    }

    void place(int row) {
      open = columns.length;
      for (int k = 0; k < open; k++) {
        columns[k] = k + 1;
      }
      Arrays.fill(shortest, Double.POSITIVE_INFINITY);
      int at = reach(row, 0, 0);
      int column = columns[at];
      while (rowOf[column] != 0) {
        double far = shortest[column];
        columns[at] = columns[--open];
        columns[open] = column;
        int next = rowOf[column];
        at = reach(next, column, cost[next - 1][column - 1] - price[column] - far);
        column = columns[at];
      }
      double far = shortest[column];
      for (int k = open; k < columns.length; k++) {
        price[columns[k]] += shortest[columns[k]] - far;
      }
      while (column != 0) {
        int before = previous[column];
        rowOf[column] = before == 0 ? row : rowOf[before];
        column = before;
      }
    }

    /** Goes on from a row, and says which of the columns not reached yet is nearest then. */
    private int reach(int row, int from, double less) {
      double[] costs = cost[row - 1];
      double least = Double.POSITIVE_INFINITY;
      int nearest = 0;
      for (int k = 0; k < open; k++) {
        int j = columns[k];
        double way = costs[j - 1] - price[j] - less;
        if (way < shortest[j]) {
          shortest[j] = way;
          previous[j] = from;
        }
        if (shortest[j] < least) {
          least = shortest[j];
          nearest = k;
        }
      }
      return nearest;
    }
  }
}
