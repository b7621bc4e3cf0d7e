package kumite.loom;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.build.Build;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.measure.Point;
import org.jspecify.annotations.Nullable;

/**
 * What it costs to serve each line at each terminal.
 *
 * <p>The cost of a pair is the straight distance from control to terminal, so that strands come out
 * short; of straight lines of least total length no two of interchangeable ends cross, since
 * uncrossing two lines shortens them (triangle inequality). Added to it are {@value
 * #ANALOG_SPARED_MM} mm for a switch on a terminal that measures volts and {@value #LED_MM} mm for
 * one that shares the lamp on the board, so that those are taken last; {@value #UNPULLED_MM} mm for
 * a contact on a terminal without a pull inside, {@value #UNCOUNTED_MM} mm for pulses on one that
 * does not count them. Among plans of equal length the one in order is taken: contacts in the order
 * of the panel on terminals in the order of the board, which keeps those of one control together.
 */
final class PinCosts {
  static final double ANALOG_SPARED_MM = 60;
  static final double LED_MM = 300;
  static final double UNCOUNTED_MM = 200;
  static final double UNPULLED_MM = 250;

  /** A mapped contact goes to the socket of its meaning wherever that can be. */
  static final double UNMEANT_MM = 5000;

  private static final double CANNOT = 1e6;

  /**
   * Breaks ties: of two sequences the sum of products is largest when both are in the same order
   * (rearrangement inequality). So small that all of it stays below a tenth of a millimetre.
   */
  private static final double ORDER_MM = 1e-6;

  /** What is still equal is decided by lot, always the same one: so one plan is best, never two. */
  private static final double LOT_MM = 1e-8;

  /** What a line asks of a terminal, wherever it comes from: most lines of a build ask the same. */
  private record Asking(Line.Need needs, boolean shared, boolean pulses, Optional<String> meaning) {
    static Asking of(Line line, BoardKind board) {
      Optional<String> meaning = board.bringsProgram() ? line.fixed() : Optional.empty();
      boolean shared = line.group().isPresent() && !line.plainly();
      return new Asking(line.needs(), shared, line.pulses(), meaning);
    }
  }

  private PinCosts() {}

  /** {@return cost[line][terminal]; columns for "nowhere" fill up to one for each line} */
  static double[][] of(Build build, BoardKind board, List<Line> lines, List<Terminal> terminals) {
    List<Point> places = terminals.stream().map(t -> PinPlan.place(build, t)).toList();
    double[][] cost = new double[lines.size()][Math.max(terminals.size(), lines.size())];
    int[] order = order(lines);
    long[] names = new long[terminals.size()];
    for (int j = 0; j < names.length; j++) {
      names[j] = terminals.get(j).name().hashCode();
    }
    Map<Asking, double[][]> extras = new HashMap<>();
    for (int i = 0; i < lines.size(); i++) {
      Line line = lines.get(i);
      double[][] extra =
          extras.computeIfAbsent(Asking.of(line, board), asking -> extras(line, board, terminals));
      double[] row = cost[i];
      Arrays.fill(row, CANNOT);
      Point from = line.place();
      for (int j = 0; j < names.length; j++) {
        double mm = CANNOT;
        if (extra[j] != null) {
          mm = places.get(j).distanceMm(from);
          for (double each : extra[j]) {
            mm += each;
          }
        }
        row[j] = mm - ORDER_MM * order[i] * j + LOT_MM * lot(order[i], names[j]);
      }
    }
    return cost;
  }

  /**
   * {@return a number from 0 to 1 that is the same for the same pair, and else as good as drawn}
   */
  private static double lot(int order, long name) {
    long mixed = (order * 0x9E3779B97F4A7C15L) ^ (name * 0xC2B2AE3D27D4EB4FL);
    mixed = (mixed ^ (mixed >>> 29)) * 0xBF58476D1CE4E5B9L;
    return (mixed >>> 11) * 0x1.0p-53;
  }

  /** {@return the place of each line in the order of the panel: left to right, back to front} */
  private static int[] order(List<Line> lines) {
    List<Integer> byPlace = new ArrayList<>();
    for (int i = 0; i < lines.size(); i++) {
      byPlace.add(i);
    }
    byPlace.sort(
        Comparator.comparingDouble((Integer i) -> lines.get(i).place().xMm())
            .thenComparingDouble(i -> -lines.get(i).place().yMm())
            .thenComparingInt(i -> i));
    int[] order = new int[lines.size()];
    for (int rank = 0; rank < order.length; rank++) {
      order[byPlace.get(rank)] = rank;
    }
    return order;
  }

  /** What comes to the distance at each terminal; null at those that cannot serve it. */
  private static double[] @Nullable [] extras(
      Line line, BoardKind board, List<Terminal> terminals) {
    double[][] extras = new double[terminals.size()][];
    for (int j = 0; j < extras.length; j++) {
      Terminal terminal = terminals.get(j);
      if (line.fits(board, terminal) && !line.keptFrom(terminal)) {
        extras[j] = extra(line, board, terminal);
      }
    }
    return extras;
  }

  private static double[] extra(Line line, BoardKind board, Terminal terminal) {
    boolean measures =
        terminal.can(Terminal.Ability.ANALOG)
            && terminal.keep().filter(keep -> keep == Terminal.Keep.RADIO).isEmpty();
    double[] all = {
      line.meant(board, terminal) ? 0 : UNMEANT_MM,
      line.needs() != Line.Need.MEASURE && measures ? ANALOG_SPARED_MM : 0,
      line.pulses() && !terminal.can(Terminal.Ability.INTERRUPT) ? UNCOUNTED_MM : 0,
      (line.needs() == Line.Need.READ
                  || line.needs() == Line.Need.SHARE
                  || line.needs() == Line.Need.EDGE && line.group().isPresent())
              && !PinPlan.pulls(terminal)
          ? UNPULLED_MM
          : 0,
      terminal.keep().filter(keep -> keep == Terminal.Keep.LED).isPresent() ? LED_MM : 0
    };
    return Arrays.stream(all).filter(mm -> mm > 0).toArray();
  }
}
