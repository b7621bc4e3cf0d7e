package kumite.circuit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;
import kumite.component.Component;
import kumite.kind.Terminal;
import kumite.loom.Look;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.power.Converter;

/**
 * The board's looks at all its terminals while hands stand in one way: it drives what a look
 * drives, and reads what the wires then give. Equal questions are answered once. Not thread-safe;
 * one for each set of hands.
 */
final class Scan {
  /** Inputs of the usual chips tell low below and high above these shares of their supply. */
  static final double CHIP_LOW = 0.3;

  static final double CHIP_HIGH = 0.7;

  private final Network network;
  private final ToDoubleFunction<ContactId> hands;
  private final Map<String, Boolean> rest = new LinkedHashMap<>();
  private final Map<Map<String, Boolean>, Map<Integer, Double>> volts = new HashMap<>();
  private final Map<List<Object>, Logic[]> shifted = new HashMap<>();

  Scan(Network network, ToDoubleFunction<ContactId> hands) {
    this.network = network;
    // Hands are asked once for each contact; the parts name theirs by the same object every time.
    Map<ContactId, Double> asked = new IdentityHashMap<>();
    for (ContactId contact : network.contacts()) {
      asked.put(contact, hands.applyAsDouble(contact));
    }
    this.hands =
        contact -> {
          Double travel = asked.get(contact);
          return travel != null ? travel : hands.applyAsDouble(contact);
        };
    // Between looks registers are neither loading nor clocked, and select lines are low.
    for (Look look : network.looks().all()) {
      if (look.how() instanceof Look.Bit bit) {
        rest.put(bit.load().name(), true);
        rest.put(bit.clock().name(), false);
      } else if (look.how() instanceof Look.Channel channel) {
        channel.selects().forEach(select -> rest.put(select.name(), false));
      }
    }
  }

  /** {@return how terminals stand during a look} */
  Conditions during(Look look) {
    Conditions now = new Conditions(hands, rest);
    if (look.how() instanceof Look.Row row) {
      return now.driving(row.row().name(), false);
    }
    if (look.how() instanceof Look.Channel channel) {
      for (int bit = 0; bit < channel.selects().size(); bit++) {
        now = now.driving(channel.selects().get(bit).name(), (channel.code() >> bit & 1) == 1);
      }
    }
    return now;
  }

  /** {@return the net where a look's volts stand: its terminal, or the input of a chip} */
  int place(Look look) {
    boolean chip = look.how() instanceof Look.Bit bit && network.has(bit.input());
    return network.net(chip ? ((Look.Bit) look.how()).input() : Joint.board(look.read().name()));
  }

  /** What a look takes in. */
  Seen see(Look look) {
    if (network.dead().isPresent()) {
      return new Seen(0, InputLevels.Reading.UNDEFINED, false, 0);
    }
    double at = volts(place(look), during(look), look.read());
    if (look.how() instanceof Look.Bit bit) {
      Logic logic = bits(bit, look.read())[bit.bit()];
      return new Seen(at, reading(logic), logic == Logic.LOW, 0);
    }
    if (look.how() instanceof Look.Ohms) {
      return new Seen(at, InputLevels.Reading.MEASURED, false, timed(at));
    }
    if (look.measured()) {
      int code = code(at);
      boolean pressed = look.how() instanceof Look.Step step && step(at, step) == step.step();
      return new Seen(at, InputLevels.Reading.MEASURED, pressed, code);
    }
    Logic logic = Logic.of(at, network.board().lowVolts(), network.board().highVolts());
    boolean low = !(look.how() instanceof Look.Level level) || level.pressedLow();
    return new Seen(at, reading(logic), logic == Logic.of(!low), 0);
  }

  /** The ohms to the supply, as a share of the axis: V = Vs Rc / (R + Rc). */
  private int timed(double volts) {
    int most = network.board().axisMaximum();
    double ohm = Network.CHARGE_OHM * (network.board().logicVolts() / Math.max(1e-9, volts) - 1);
    return (int) Math.max(0, Math.min(most, Math.round(ohm / Look.Ohms.FULL_OHM * most)));
  }

  int code(double volts) {
    int bits = network.board().adcBits();
    return bits == 0 ? 0 : Converter.code(volts, network.board().logicVolts(), bits);
  }

  /** {@return the step whose volts are nearest, 1 upward; 0 for none held} */
  int step(double volts, Look.Step ladder) {
    double supply = network.board().logicVolts();
    double pull = ladder.ohms().get(0);
    double below = 0;
    int nearest = 0;
    double off = Math.abs(supply - volts);
    for (int k = 1; k <= ladder.ohms().size(); k++) {
      below += k > 1 ? ladder.ohms().get(k - 1) : 0;
      double here = Math.abs(supply * below / (below + pull) - volts);
      if (here < off) {
        off = here;
        nearest = k;
      }
    }
    return nearest;
  }

  static InputLevels.Reading reading(Logic logic) {
    return switch (logic) {
      case LOW -> InputLevels.Reading.LOW;
      case HIGH -> InputLevels.Reading.HIGH;
      case UNDEFINED -> InputLevels.Reading.UNDEFINED;
    };
  }

  // ---- volts

  /**
   * {@return the volts of a net with all parts at their usual value}; one that floats has what a
   * usual leak leaves it.
   */
  double volts(int net, Conditions now, Terminal reader) {
    if (network.rail(net)) {
      return network.railVolts(net, Corner.USUAL);
    }
    Map<Integer, Double> known = volts.computeIfAbsent(now.drives(), d -> new HashMap<>());
    Double value = known.get(net);
    return value != null ? value : solve(net, now, reader, known);
  }

  private double solve(int net, Conditions now, Terminal reader, Map<Integer, Double> known) {
    Island island = Island.at(network, net, now, Corner.USUAL, OptionalDouble.empty(), Edge.GROUND);
    if (island.floats()) {
      island =
          Island.at(
              network,
              net,
              now,
              Corner.USUAL,
              OptionalDouble.of(network.leakOhm(reader.name())),
              Edge.GROUND);
    }
    if (!(island.solve() instanceof OperatingPoint.Solved solved)) {
      return Double.NaN;
    }
    island.nodes().forEach((other, node) -> known.put(other, solved.at(node)));
    return solved.at(island.nodeOf(net).orElseThrow());
  }

  // ---- registers

  /** Loads the registers and shifts all their bits past the data terminal. */
  private Logic[] bits(Look.Bit look, Terminal data) {
    return shifted.computeIfAbsent(
        List.of(look.load().name(), look.clock().name(), data.name(), look.bits()),
        key -> shift(look, data));
  }

  private Logic[] shift(Look.Bit look, Terminal data) {
    Map<Component.Register, Logic[]> chips = new LinkedHashMap<>();
    for (Component part : network.wiring().parts()) {
      if (part instanceof Component.Register register) {
        Logic[] open = new Logic[register.inputs().size()];
        Arrays.fill(open, Logic.UNDEFINED);
        chips.put(register, open);
      }
    }
    Conditions idle = new Conditions(hands, rest);
    Conditions loading = idle.driving(look.load().name(), false);
    step(chips, loading, loading);
    step(chips, loading, idle);
    Conditions clocked = idle.driving(look.clock().name(), true);
    Logic[] bits = new Logic[look.bits()];
    for (int i = 0; i < bits.length; i++) {
      bits[i] = data(network.net(Joint.board(data.name())), chips, idle, data);
      step(chips, idle, clocked);
      step(chips, clocked, idle);
    }
    return bits;
  }

  /**
   * From one state of the lines to the next: load low takes the inputs in, a rising clock shifts.
   */
  private void step(Map<Component.Register, Logic[]> chips, Conditions before, Conditions after) {
    Map<Component.Register, Logic> coming = new HashMap<>();
    chips.forEach((chip, state) -> coming.put(chip, serial(chip, chips, after)));
    chips.forEach(
        (chip, state) -> {
          Logic load = network.logic(network.net(chip.load()), after);
          Logic was = network.logic(network.net(chip.clock()), before);
          Logic is = network.logic(network.net(chip.clock()), after);
          boolean lost =
              !network.powered(chip.supply(), chip.ground())
                  || load == Logic.UNDEFINED
                  || is == Logic.UNDEFINED;
          if (lost) {
            Arrays.fill(state, Logic.UNDEFINED);
          } else if (load == Logic.LOW) {
            for (int i = 0; i < state.length; i++) {
              state[i] = chipInput(network.net(chip.inputs().get(i)), after);
            }
          } else if (was == Logic.LOW && is == Logic.HIGH) {
            System.arraycopy(state, 1, state, 0, state.length - 1);
            state[state.length - 1] = coming.get(chip);
          }
        });
  }

  private Logic serial(
      Component.Register chip, Map<Component.Register, Logic[]> chips, Conditions now) {
    int net = network.net(chip.next());
    List<Component.Register> before = network.registersOn(net);
    return before.size() == 1 && chips.containsKey(before.get(0))
        ? chips.get(before.get(0))[0]
        : network.logic(net, now);
  }

  private Logic chipInput(int net, Conditions now) {
    double logic = network.board().logicVolts();
    Terminal any = network.looks().all().get(0).read();
    return Logic.of(volts(net, now, any), CHIP_LOW * logic, CHIP_HIGH * logic);
  }

  private Logic data(
      int net, Map<Component.Register, Logic[]> chips, Conditions now, Terminal data) {
    List<Logic> driven = new ArrayList<>();
    for (Component.Register chip : network.registersOn(net)) {
      if (network.powered(chip.supply(), chip.ground())) {
        driven.add(chips.get(chip)[0]);
      }
    }
    if (network.rail(net) || driven.isEmpty()) {
      double volts = volts(net, now, data);
      return Logic.of(volts, network.board().lowVolts(), network.board().highVolts());
    }
    return driven.stream().distinct().count() == 1 ? driven.get(0) : Logic.UNDEFINED;
  }
}
