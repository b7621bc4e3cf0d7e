package kumite.circuit;

import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import kumite.component.Component;
import kumite.kind.Terminal;
import kumite.loom.Look;
import kumite.loom.Looks;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.power.Converter;

/**
 * The board's looks at all its terminals while hands stand in one way: it drives what a look
 * drives, and reads what the wires then give. Equal questions are answered once. Not thread-safe;
 * one for each set of hands.
 */
final class Scan {
  private final Network network;
  private final ToDoubleFunction<ContactId> hands;
  private final Map<String, Boolean> rest = new LinkedHashMap<>();
  private final boolean dead;
  private final Map<Map<String, Boolean>, Map<Integer, Double>> volts = new HashMap<>();
  private final Map<Map<String, Boolean>, Set<Integer>> floating = new HashMap<>();
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
    rest.putAll(rest(network.looks()));
    dead =
        network.dead().isPresent() || network.mayShort() && network.closings().shorted(this.hands);
  }

  /** How a program drives terminals between looks, by name: true high. */
  static Map<String, Boolean> rest(Looks looks) {
    Map<String, Boolean> rest = new LinkedHashMap<>();
    // A terminal that feeds a lamp on its contact does so all the time.
    looks.feeds().forEach(feed -> rest.put(feed, true));
    // Between looks registers are neither loading nor clocked, and select lines are low.
    for (Look look : looks.all()) {
      if (look.how() instanceof Look.Bit bit) {
        rest.put(bit.load().name(), true);
        rest.put(bit.clock().name(), false);
      } else if (look.how() instanceof Look.Channel channel) {
        channel.selects().forEach(select -> rest.put(select.name(), false));
      }
    }
    return rest;
  }

  /** How a program drives a terminal between looks; empty where it does not. */
  static Optional<Boolean> rest(Looks looks, String terminal) {
    return Optional.ofNullable(rest(looks).get(terminal));
  }

  /** {@return whether a short holds the board down while hands stand so} */
  boolean dead() {
    return dead;
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
    if (dead) {
      return new Seen(0, InputLevels.Reading.UNDEFINED, false, 0);
    }
    Conditions now = during(look);
    double at = volts(place(look), now, look.read());
    if (look.how() instanceof Look.Bit bit) {
      Logic logic = bits(bit, look.read())[bit.bit()];
      return new Seen(at, reading(logic), logic == Logic.LOW, 0);
    }
    if (look.how() instanceof Look.Ohms) {
      return new Seen(at, InputLevels.Reading.MEASURED, false, timed(at));
    }
    if (look.measured()) {
      int code = code(at);
      boolean pressed =
          look.how() instanceof Look.Step step && step.at(code, network.board().adcBits());
      return new Seen(at, InputLevels.Reading.MEASURED, pressed, code);
    }
    // What nothing holds may read either way, whatever a leak makes of it.
    Logic logic =
        floats(place(look), now)
            ? Logic.UNDEFINED
            : Logic.of(at, network.board().lowVolts(), network.board().highVolts());
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

  /** {@return whether nothing holds a net; known once its volts were asked for} */
  boolean floats(int net, Conditions now) {
    return floating.getOrDefault(now.drives(), Set.of()).contains(net);
  }

  private double solve(int net, Conditions now, Terminal reader, Map<Integer, Double> known) {
    Island island = Island.at(network, net, now, Corner.USUAL, OptionalDouble.empty(), Edge.GROUND);
    boolean floats = island.floats();
    if (floats) {
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
    if (floats) {
      // With the leak of its own reader; what else hangs there has another.
      known.put(net, solved.at(island.nodeOf(net).orElseThrow()));
      floating.computeIfAbsent(now.drives(), d -> new HashSet<>()).add(net);
    } else {
      island.nodes().forEach((other, node) -> known.put(other, solved.at(node)));
    }
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
    List<Component.Register> chips = network.registers();
    Logic[][] states = new Logic[chips.size()][];
    for (int chip = 0; chip < states.length; chip++) {
      states[chip] = new Logic[chips.get(chip).inputs().size()];
      Arrays.fill(states[chip], Logic.UNDEFINED);
    }
    Conditions at = new Conditions(hands, rest);
    Lines idle = new Lines(at, chips);
    Lines loading = new Lines(at.driving(look.load().name(), false), chips);
    Lines clocked = new Lines(at.driving(look.clock().name(), true), chips);
    step(states, loading, loading);
    step(states, loading, idle);
    Data out = new Data(at, data, chips);
    Logic[] bits = new Logic[look.bits()];
    for (int i = 0; i < bits.length; i++) {
      bits[i] = out.read(states);
      step(states, idle, clocked);
      step(states, clocked, idle);
    }
    return bits;
  }

  /** How the lines of all chips stand in one state of the terminals; worked out once. */
  private final class Lines {
    private final Logic[] load;
    private final Logic[] clock;
    private final Logic[][] inputs;
    private final int[][] senders;

    private final Conditions now;
    private final List<Component.Register> chips;

    Lines(Conditions now, List<Component.Register> chips) {
      this.now = now;
      this.chips = chips;
      int count = chips.size();
      load = new Logic[count];
      clock = new Logic[count];
      inputs = new Logic[count][];
      senders = new int[count][];
      for (int i = 0; i < count; i++) {
        Component.Register chip = chips.get(i);
        boolean powered = network.powered(chip.supply(), chip.ground());
        load[i] = powered ? line(chip, chip.load()) : Logic.UNDEFINED;
        clock[i] = powered ? line(chip, chip.clock()) : Logic.UNDEFINED;
        inputs[i] = load[i] == Logic.LOW ? inputs(chip, now) : new Logic[0];
        senders[i] = sending(network.net(chip.next()), chips);
      }
    }

    private Logic line(Component.Register chip, Joint end) {
      return network.chipLevel(network.net(end), now, chip.supply());
    }

    private Logic[] inputs(Component.Register chip, Conditions now) {
      return chip.inputs().stream()
          .map(input -> chipInput(chip, network.net(input), now))
          .toArray(Logic[]::new);
    }

    /** What comes in at a chip's serial input, while the chips before it send what they hold. */
    Logic serial(int chip, Logic[][] states) {
      Joint supply = chips.get(chip).supply();
      double volts = network.chipVolts(supply);
      return sent(
          network.net(chips.get(chip).next()),
          senders[chip],
          states,
          now,
          chips,
          Network.CHIP_LOW * volts,
          Network.CHIP_HIGH * volts);
    }
  }

  /**
   * From one state of the lines to the next: load low takes the inputs in, a rising clock shifts.
   */
  private static void step(Logic[][] states, Lines before, Lines after) {
    Logic[] coming = new Logic[states.length];
    for (int chip = 0; chip < states.length; chip++) {
      boolean rises =
          after.load[chip] == Logic.HIGH
              && before.clock[chip] == Logic.LOW
              && after.clock[chip] == Logic.HIGH;
      coming[chip] = rises ? after.serial(chip, states) : Logic.UNDEFINED;
    }
    for (int chip = 0; chip < states.length; chip++) {
      Logic[] state = states[chip];
      if (after.load[chip] == Logic.UNDEFINED || after.clock[chip] == Logic.UNDEFINED) {
        Arrays.fill(state, Logic.UNDEFINED);
      } else if (after.load[chip] == Logic.LOW) {
        System.arraycopy(after.inputs[chip], 0, state, 0, state.length);
      } else if (before.clock[chip] == Logic.LOW && after.clock[chip] == Logic.HIGH) {
        System.arraycopy(state, 1, state, 0, state.length - 1);
        state[state.length - 1] = coming[chip];
      }
    }
  }

  private Logic chipInput(Component.Register chip, int net, Conditions now) {
    double supply = network.chipVolts(chip.supply());
    Terminal any = network.looks().all().get(0).read();
    return Logic.of(volts(net, now, any), Network.CHIP_LOW * supply, Network.CHIP_HIGH * supply);
  }

  /** {@return the chips with a supply that send to a net; none where a rail holds it} */
  private int[] sending(int net, List<Component.Register> chips) {
    return network.rail(net)
        ? new int[0]
        : network.registersOn(net).stream()
            .filter(chip -> network.powered(chip.supply(), chip.ground()))
            .mapToInt(chips::indexOf)
            .toArray();
  }

  /** {@return how a net is read while chips send what comes out of them next} */
  private Logic sent(
      int net,
      int[] senders,
      Logic[][] states,
      Conditions now,
      List<Component.Register> chips,
      double lowVolts,
      double highVolts) {
    Conditions sending = now;
    for (int sender : senders) {
      if (states[sender][0] == Logic.UNDEFINED) {
        return Logic.UNDEFINED;
      }
      sending = sending.sending(chips.get(sender), states[sender][0] == Logic.HIGH);
    }
    return network.level(net, sending, lowVolts, highVolts);
  }

  /** What the data terminal reads: what the chips that send to it make of its net. */
  private final class Data {
    private final Conditions now;
    private final Terminal data;
    private final List<Component.Register> chips;
    private final int net;
    private final int[] senders;

    Data(Conditions now, Terminal data, List<Component.Register> chips) {
      this.now = now;
      this.data = data;
      this.chips = chips;
      net = network.net(Joint.board(data.name()));
      senders = sending(net, chips);
    }

    Logic read(Logic[][] states) {
      double low = network.board().lowVolts();
      double high = network.board().highVolts();
      return senders.length > 0
          ? sent(net, senders, states, now, chips, low, high)
          : otherwise(low, high);
    }

    private Logic otherwise(double low, double high) {
      double at = volts(net, now, data);
      return floats(net, now) ? Logic.UNDEFINED : Logic.of(at, low, high);
    }
  }
}
