package kumite.bill;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;

/**
 * A bill held against the drawer: what is short, what that costs, and at which shop.
 *
 * @param lines one for each item of the bill
 */
public record Shopping(List<Line> lines) {
  private static final double MM_IN_M = 1000;

  /** Rounded up to whole centimetres, pieces or grams. */
  private static final double STEP = 100;

  /**
   * One item.
   *
   * @param item what is needed
   * @param have how much of it is there that is of use
   * @param buy how much is to be bought, spares in it; 0 where enough is there
   * @param price of one, where it is known
   * @param shop where; empty where that is not known
   * @param cutting how wire is cut from pieces that are there, where there are any
   * @param instead ids of alternatives of which enough is there
   */
  public record Line(
      Item item,
      double have,
      double buy,
      OptionalDouble price,
      String shop,
      Optional<Cutting> cutting,
      List<String> instead) {
    public Line {
      instead = List.copyOf(instead);
    }

    /** {@return whether even what is needed is not there} */
    public boolean missing() {
      return have < item.need() - 1e-9;
    }

    /** {@return what it costs, where the price is known} */
    public OptionalDouble sum() {
      return price.isPresent() ? OptionalDouble.of(price.getAsDouble() * buy) : price;
    }
  }

  public Shopping {
    lines = List.copyOf(lines);
  }

  /** {@return a bill held against a drawer} */
  public static Shopping of(Bill bill, Stock stock) {
    List<Line> lines = new ArrayList<>();
    for (Item item : bill.items()) {
      Optional<Stock.Row> row = stock.of(item.id());
      Optional<Cutting> cutting =
          row.filter(r -> !r.pieces().isEmpty() && !item.cuts().isEmpty())
              .map(r -> Cutting.of(item.cuts(), r.pieces()));
      double have =
          row.map(Stock.Row::have).orElse(0.0)
              + cutting.map(c -> item.need() - c.unservedMm() / MM_IN_M).orElse(0.0);
      double all = have + cutting.map(Shopping::restMetres).orElse(0.0);
      boolean enough = have >= item.need() - 1e-9 && all >= item.wanted() - 1e-9;
      double buy = enough ? 0 : Math.max(0, item.wanted() - have);
      List<String> instead =
          have >= item.need() - 1e-9
              ? List.of()
              : item.alternatives().stream()
                  .filter(id -> stock.of(id).filter(r -> r.have() >= item.need()).isPresent())
                  .toList();
      lines.add(
          new Line(
              item,
              have,
              item.unit() == Item.Unit.METRE
                  ? Math.ceil(buy * STEP - 1e-6) / STEP
                  : Math.ceil(buy - 1e-9),
              row.map(Stock.Row::price).orElse(OptionalDouble.empty()),
              row.map(Stock.Row::shop).orElse(""),
              cutting,
              instead));
    }
    return new Shopping(lines);
  }

  /** Rests of pieces are spare wire too. */
  private static double restMetres(Cutting cutting) {
    return cutting.pieces().stream().mapToInt(Cutting.Piece::restMm).sum() / MM_IN_M;
  }

  /** {@return what is to be bought} */
  public List<Line> list() {
    return lines.stream().filter(line -> line.buy() > 0).toList();
  }

  /** {@return the sum of what is to be bought, by shop, of what has a price} */
  public Map<String, Double> sums() {
    Map<String, Double> sums = new TreeMap<>();
    list().stream()
        .filter(line -> line.sum().isPresent())
        .forEach(line -> sums.merge(line.shop(), line.sum().getAsDouble(), Double::sum));
    return sums;
  }

  /** {@return how many things to be bought have no price} */
  public long unpriced() {
    return list().stream().filter(line -> line.price().isEmpty()).count();
  }
}
