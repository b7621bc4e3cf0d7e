package kumite.circuit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.component.Component;
import kumite.name.ContactId;
import kumite.name.Joint;

/**
 * A wiring as a list of nets and of ways for current between them, for whoever solves it elsewhere:
 * the same that is solved here, with all parts at their usual value, in the order it is met.
 *
 * @param volts by net, what stands on it whatever else happens; NaN for a net that is no rail
 * @param all the ways, each once
 * @param ofNet by net, the numbers of the ways that touch it, in the order they are followed
 * @param registers the chips, in the order of the wiring
 * @param multiplexers those that have their supply and ground, in the order of the wiring
 * @param terminals by the name of a board's input, its net
 * @param leakOhm by the name of a board's input, what leaks there
 * @param talks the pads that are asked in frames
 * @param dead why nothing works at all, where a supply is shorted
 * @param mayShort whether any hands could short a supply
 */
public record Ways(
    List<Double> volts,
    List<Way> all,
    List<List<Integer>> ofNet,
    List<Chip> registers,
    List<Mux> multiplexers,
    Map<String, Integer> terminals,
    Map<String, Double> leakOhm,
    List<Talking> talks,
    Optional<String> dead,
    boolean mayShort) {

  /** What lets current through. */
  public enum Kind {
    PULL,
    DRIVE_HIGH,
    DRIVE_LOW,
    RESISTOR,
    OPEN_CONTACT,
    RESTING_CONTACT,
    TAP,
    POT_LOW,
    POT_HIGH,
    DIODE,
    SKIN,
    OUTPUT_HIGH,
    OUTPUT_LOW,
    CHANNEL,
    OUT_HIGH,
    OUT_LOW;

    /** {@return whether it is moved by a chip, so that its number says which} */
    public boolean ofChip() {
      return this == CHANNEL || this == OUT_HIGH || this == OUT_LOW;
    }
  }

  /** In place of a net: the board's ground. */
  public static final int GROUND = Edge.GROUND;

  /** In place of a net: the board's logic supply. */
  public static final int LOGIC = Edge.LOGIC;

  /**
   * One way.
   *
   * @param a the first net, or {@link #GROUND} or {@link #LOGIC}
   * @param b the other
   * @param contact the contact that moves it, if one does
   * @param terminal the terminal that pulls or drives; empty for others
   * @param index its tap, channel; 1 for an output in proportion
   * @param of how many taps there are; for a channel the number of its multiplexer, for an output
   *     that of its register
   * @param ohm of a resistor, pull or track; of a diode what is in series
   * @param saturationAmps of a diode, else 0
   * @param scaleVolts of a diode, N times VT, else 0
   */
  public record Way(
      Kind kind,
      int a,
      int b,
      Optional<ContactId> contact,
      String terminal,
      int index,
      int of,
      double ohm,
      double saturationAmps,
      double scaleVolts) {}

  /**
   * A register.
   *
   * @param inputs their nets, the one that comes out first first
   * @param volts of its supply; 0 where it lacks that or its ground
   * @param ofPad whether its load is high, as that of a pad's register is
   */
  public record Chip(
      List<Integer> inputs, int load, int clock, int next, int out, double volts, boolean ofPad) {}

  /**
   * A multiplexer.
   *
   * @param selects the nets of its select lines, lowest bit first
   * @param volts of its supply
   * @param channels of a pad's, the nets of what it picks and sends on; empty for others
   */
  public record Mux(List<Integer> selects, double volts, List<Integer> channels) {}

  static Ways of(Network network) {
    List<Double> volts = new ArrayList<>();
    List<Way> all = new ArrayList<>();
    List<List<Integer>> ofNet = new ArrayList<>();
    Map<Edge, Integer> numbers = new LinkedHashMap<>();
    Map<Component, Integer> chips = new HashMap<>();
    List<Mux> multiplexers = new ArrayList<>();
    for (Component.Multiplexer chip : network.multiplexers()) {
      if (network.powered(chip.supply(), chip.ground())) {
        chips.put(chip, multiplexers.size());
        multiplexers.add(
            new Mux(
                chip.selects().stream().map(network::net).toList(),
                network.chipVolts(chip.supply()),
                chip.ofPad() ? chip.channels().stream().map(network::net).toList() : List.of()));
      }
    }
    network.registers().forEach(chip -> chips.put(chip, network.registers().indexOf(chip)));
    for (int net = 0; net < network.size(); net++) {
      volts.add(network.rail(net) ? network.railVolts(net, Corner.USUAL) : Double.NaN);
      List<Integer> here = new ArrayList<>();
      for (Edge edge : network.edges(net)) {
        if (!conducts(network, edge)) {
          continue;
        }
        if (!numbers.containsKey(edge)) {
          numbers.put(edge, all.size());
          all.add(way(network, edge, chips));
        }
        here.add(numbers.get(edge));
      }
      ofNet.add(List.copyOf(here));
    }
    network
        .logicsBeside()
        .forEach(
            logic -> {
              volts.add(logic);
              ofNet.add(List.of());
            });
    Map<String, Integer> terminals = new LinkedHashMap<>();
    Map<String, Double> leaks = new LinkedHashMap<>();
    network
        .board()
        .terminals()
        .forEach(
            t -> {
              if (network.has(Joint.board(t.name()))) {
                terminals.put(t.name(), network.net(Joint.board(t.name())));
                leaks.put(t.name(), network.leakOhm(t.name()));
              }
            });
    List<Chip> registers =
        network.chips().stream()
            .map(
                c ->
                    new Chip(
                        java.util.Arrays.stream(c.inputs()).boxed().toList(),
                        c.load(),
                        c.clock(),
                        c.next(),
                        c.out(),
                        c.volts(),
                        c.part().ofPad()))
            .toList();
    return new Ways(
        volts,
        all,
        ofNet,
        registers,
        multiplexers,
        terminals,
        leaks,
        Talking.of(network),
        network.dead(),
        network.mayShort());
  }

  /** Chips and outputs without supply let nothing through, whatever hands do. */
  private static boolean conducts(Network network, Edge edge) {
    if (edge.part() instanceof Component.Multiplexer chip) {
      return network.powered(chip.supply(), chip.ground());
    }
    if (edge.part() instanceof Component.Register chip) {
      return network.powered(chip.supply(), chip.ground());
    }
    return !(edge.part() instanceof Component.Output output)
        || network.powered(output.supply(), output.ground());
  }

  /** The logic supply of another board is a net of its own behind all others. */
  private static int end(Network network, int net) {
    return net < LOGIC ? network.size() + LOGIC - net - 1 : net;
  }

  private static Way way(Network network, Edge edge, Map<Component, Integer> chips) {
    Component part = edge.part();
    int index = edge.index();
    int of = 0;
    double ohm = 0;
    Element.Model model = null;
    switch (edge.kind()) {
      case PULL -> ohm = network.pullOhm(edge, Corner.USUAL);
      case RESISTOR -> ohm = ((Component.Resistor) part).ohm();
      case TAP -> of = ((Component.Selector) part).taps().size();
      case POT_LOW, POT_HIGH -> ohm = ((Component.Pot) part).ohm();
      case DIODE -> model = Element.Model.SIGNAL_DIODE;
      case LAMP -> model = Island.model(((Component.Light) part).lamp(), Corner.USUAL);
      case OUTPUT_HIGH, OUTPUT_LOW -> index = ((Component.Output) part).proportional() ? 1 : 0;
      case CHANNEL, OUT_HIGH, OUT_LOW -> of = chips.get(part);
      default -> {}
    }
    return new Way(
        Kind.valueOf(edge.kind() == Edge.Kind.LAMP ? "DIODE" : edge.kind().name()),
        end(network, edge.a()),
        end(network, edge.b()),
        part == null ? Optional.empty() : part.moved(),
        edge.terminal(),
        index,
        of,
        model == null ? ohm : model.seriesOhm(),
        model == null ? 0 : model.saturationAmps(),
        model == null ? 0 : model.emission() * Element.Model.THERMAL_VOLTS);
  }
}
