package kumite.bill;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import kumite.component.Component;
import kumite.name.Joint;
import kumite.plan.SeatWork;

/**
 * What small parts can sit on: hung from tab to tab, on perforated board, or on a board that is
 * made for them. Sizes of parts are common practice on a grid of 2.54 mm: ten holes for what lies
 * flat, forty-five for a chip of sixteen legs with its edges.
 */
public final class Carriers {
  private static final double HOLE_MM2 = 2.54 * 2.54;
  private static final int FLAT_HOLES = 10;
  private static final int CHIP_HOLES = 45;

  /** Wires need room on perforated board, tracks need less: common practice, no source. */
  private static final double PERF_SPREAD = 1.5;

  /** What parts sit on. */
  public enum How {
    HANGING("point to point", "", "nothing to buy; tube over each joint, and nothing to hold it"),
    PERF("perforated board", "perf-board", "made in an evening; links are wires of your own"),
    MADE("board made for it", "made-board", "fewest joints; a week or two until it comes");

    private final String words;
    private final String item;
    private final String why;

    How(String words, String item, String why) {
      this.words = words;
      this.item = item;
      this.why = why;
    }

    /** {@return in words for people} */
    public String words() {
      return words;
    }

    /** {@return its id in a drawer, by which a price may be known; empty for none} */
    public String item() {
      return item;
    }

    /** {@return what speaks for it and against it} */
    public String why() {
      return why;
    }
  }

  /**
   * One way.
   *
   * @param areaMm2 that it takes; 0 where parts hang on tabs
   * @param joints that are soldered
   * @param price of the bare board, where a drawer knows it
   */
  public record Way(How how, double areaMm2, int joints, OptionalDouble price) {}

  private Carriers() {}

  /** {@return the ways that small parts can sit; none where there are no such parts} */
  public static List<Way> of(List<SeatWork> seats, Stock stock) {
    int ends = 0;
    int links = 0;
    int holes = 0;
    boolean chips = false;
    for (SeatWork seat : seats) {
      Set<Joint> places = new HashSet<>();
      for (Component part : seat.loom().parts()) {
        if (!part.fitted() || !part.moved().isEmpty()) {
          continue;
        }
        boolean chip = part instanceof Component.Register || part instanceof Component.Multiplexer;
        chips |= chip;
        holes += chip ? CHIP_HOLES : FLAT_HOLES;
        for (Joint end : part.ends()) {
          ends++;
          links += places.add(end) ? 0 : 1;
        }
      }
    }
    List<Way> ways = new ArrayList<>();
    if (ends == 0) {
      return ways;
    }
    if (!chips) {
      ways.add(new Way(How.HANGING, 0, ends, OptionalDouble.empty()));
    }
    ways.add(
        new Way(
            How.PERF, holes * HOLE_MM2 * PERF_SPREAD, ends + 2 * links, price(stock, How.PERF)));
    ways.add(new Way(How.MADE, holes * HOLE_MM2, ends, price(stock, How.MADE)));
    return ways;
  }

  private static OptionalDouble price(Stock stock, How how) {
    return stock.of(how.item()).map(Stock.Row::price).orElse(OptionalDouble.empty());
  }
}
