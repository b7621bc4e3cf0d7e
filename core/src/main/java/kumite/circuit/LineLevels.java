package kumite.circuit;

import java.util.Map;
import kumite.component.Component;
import kumite.name.Joint;

/**
 * The levels of single lines as they are solved: what select lines pick, and how a load, clock or
 * data line is read.
 */
final class LineLevels {
  private final Network network;

  LineLevels(Network network) {
    this.network = network;
  }

  /**
   * {@return the channel that a multiplexer's select lines pick; of a pad's, 1 where what it picks
   * is high and 0 where that is low; -1 where they do not say}
   *
   * <p>All of them are worked out together, in the order of the wiring; the channels of one that
   * has not had its turn are open.
   */
  int code(Component.Multiplexer chip, Conditions now) {
    Map<Component.Multiplexer, Integer> picked = now.picked();
    if (picked.isEmpty()) {
      network.multiplexers().forEach(one -> picked.put(one, -1));
      network.multiplexers().forEach(one -> picked.put(one, solvedCode(one, now)));
    }
    return picked.get(chip);
  }

  private int solvedCode(Component.Multiplexer chip, Conditions now) {
    if (!network.powered(chip.supply(), chip.ground())) {
      return -1;
    }
    int code = 0;
    for (int bit = 0; bit < chip.selects().size(); bit++) {
      Logic level = chipLevel(network.net(chip.selects().get(bit)), now, chip.supply());
      if (level == Logic.UNDEFINED) {
        return -1;
      }
      code |= level == Logic.HIGH ? 1 << bit : 0;
    }
    if (chip.ofPad()) {
      Logic sent = chipLevel(network.net(chip.channels().get(code)), now, chip.supply());
      return sent == Logic.UNDEFINED ? -1 : sent == Logic.HIGH ? 1 : 0;
    }
    return code;
  }

  /** {@return what a chip makes of the level of a net, by shares of its own supply} */
  private Logic chipLevel(int net, Conditions now, Joint supply) {
    double volts = network.chipVolts(supply);
    return level(net, now, Network.CHIP_LOW * volts, Network.CHIP_HIGH * volts);
  }

  /**
   * {@return how the level of a net is read as it is solved, with all parts at their usual value;
   * undefined where nothing holds it}
   */
  Logic level(int net, Conditions now, double lowVolts, double highVolts) {
    if (network.rail(net)) {
      return Logic.of(network.railVolts(net, Corner.USUAL), lowVolts, highVolts);
    }
    double plain = plainVolts(net, now);
    if (!Double.isNaN(plain)) {
      return Logic.of(plain, lowVolts, highVolts);
    }
    Island island =
        Island.at(network, net, now, Corner.USUAL, java.util.OptionalDouble.empty(), Edge.GROUND);
    return !island.floats() && island.solve() instanceof OperatingPoint.Solved solved
        ? Logic.of(solved.at(island.nodeOf(net).orElseThrow()), lowVolts, highVolts)
        : Logic.UNDEFINED;
  }

  /**
   * The volts where all that carries current on a net are resistances to rails, which needs no
   * solving; else not a number.
   */
  private double plainVolts(int net, Conditions now) {
    double amps = 0;
    double siemens = 0;
    for (Edge edge : network.edges(net)) {
      double ohm = network.ohm(edge, now, Corner.USUAL);
      if (ohm < 0) {
        continue;
      }
      int other = edge.other(net);
      if (ohm == 0 || !network.rail(other)) {
        return Double.NaN;
      }
      amps += network.railVolts(other, Corner.USUAL) / ohm;
      siemens += 1 / ohm;
    }
    return siemens > 0 ? amps / siemens : Double.NaN;
  }
}
