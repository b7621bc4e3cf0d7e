package kumite.bill;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;

/**
 * Lengths cut from pieces that are there: as much as can be is cut from them, and of ways that cut
 * as much the one that opens the fewest millimetres of stock, so that long rests stay whole.
 *
 * <p>Small cases are searched through; larger ones take the better of two rules, longest first into
 * the first piece that has room (first-fit decreasing) and into the one that it fills best
 * (best-fit decreasing; both Johnson 1973, from memory).
 *
 * @param pieces what is cut from each piece, in the order of the stock
 * @param unserved lengths that nothing there is long enough for
 */
public record Cutting(List<Piece> pieces, List<Integer> unserved) {
  /** So many lengths are searched through. */
  private static final int SEARCHED = 8;

  private static final int SEARCHED_PIECES = 5;

  /**
   * One piece of stock.
   *
   * @param lengthMm how long it is
   * @param cuts what is cut from it, longest first
   */
  public record Piece(int lengthMm, List<Integer> cuts) {
    public Piece {
      cuts = List.copyOf(cuts);
    }

    /** {@return what is left of it} */
    public int restMm() {
      return lengthMm - cuts.stream().mapToInt(mm -> mm).sum();
    }
  }

  public Cutting {
    pieces = List.copyOf(pieces);
    unserved = List.copyOf(unserved);
  }

  /** {@return how many millimetres have to be bought} */
  public int unservedMm() {
    return unserved.stream().mapToInt(mm -> mm).sum();
  }

  /** {@return how many millimetres of stock are cut into} */
  public int openedMm() {
    return pieces.stream().filter(p -> !p.cuts().isEmpty()).mapToInt(Piece::lengthMm).sum();
  }

  /** {@return the better of two: more is cut, and then less is opened} */
  private static Cutting better(Cutting one, Cutting other) {
    Comparator<Cutting> best =
        Comparator.comparingInt(Cutting::unservedMm).thenComparingInt(Cutting::openedMm);
    return best.compare(other, one) < 0 ? other : one;
  }

  /**
   * Cuts lengths from stock.
   *
   * @param lengths in mm, each above 0
   * @param stock lengths of the pieces, in mm
   */
  public static Cutting of(List<Integer> lengths, List<Integer> stock) {
    List<Integer> sorted = new ArrayList<>(lengths);
    sorted.sort(Collections.reverseOrder());
    Cutting best = better(decreasing(sorted, stock, false), decreasing(sorted, stock, true));
    boolean small = lengths.size() <= SEARCHED && stock.size() <= SEARCHED_PIECES;
    return small ? new Search(sorted, stock, best).run() : best;
  }

  private static Cutting decreasing(List<Integer> sorted, List<Integer> stock, boolean bestFit) {
    int[] room = stock.stream().mapToInt(mm -> mm).toArray();
    int[] in = new int[sorted.size()];
    for (int i = 0; i < in.length; i++) {
      int chosen = -1;
      for (int p = 0; p < room.length; p++) {
        boolean fits = room[p] >= sorted.get(i);
        if (fits && (chosen < 0 || bestFit && room[p] < room[chosen])) {
          chosen = p;
        }
      }
      in[i] = chosen;
      if (chosen >= 0) {
        room[chosen] -= sorted.get(i);
      }
    }
    return made(sorted, stock, in);
  }

  private static Cutting made(List<Integer> sorted, List<Integer> stock, int[] in) {
    List<List<Integer>> cuts = new ArrayList<>();
    stock.forEach(piece -> cuts.add(new ArrayList<>()));
    List<Integer> unserved = new ArrayList<>();
    for (int i = 0; i < in.length; i++) {
      (in[i] < 0 ? unserved : cuts.get(in[i])).add(sorted.get(i));
    }
    List<Piece> pieces = new ArrayList<>();
    for (int p = 0; p < stock.size(); p++) {
      pieces.add(new Piece(stock.get(p), cuts.get(p)));
    }
    return new Cutting(pieces, unserved);
  }

  /** All ways, but for those that cannot be better than the best so far. */
  private static final class Search {
    private final List<Integer> lengths;
    private final List<Integer> stock;
    private final int[] room;
    private final int[] in;
    private Cutting best;

    Search(List<Integer> lengths, List<Integer> stock, Cutting best) {
      this.lengths = lengths;
      this.stock = stock;
      this.best = best;
      room = stock.stream().mapToInt(mm -> mm).toArray();
      in = new int[lengths.size()];
      Arrays.fill(in, -1);
    }

    Cutting run() {
      place(0, 0);
      return best;
    }

    private void place(int i, int unserved) {
      if (unserved > best.unservedMm()) {
        return;
      }
      if (i == in.length) {
        best = better(best, made(lengths, stock, in));
        return;
      }
      for (int p = 0; p < room.length; p++) {
        if (room[p] >= lengths.get(i)) {
          room[p] -= lengths.get(i);
          in[i] = p;
          place(i + 1, unserved);
          room[p] += lengths.get(i);
          in[i] = -1;
        }
      }
      place(i + 1, unserved + lengths.get(i));
    }
  }
}
