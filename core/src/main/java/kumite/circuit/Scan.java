package kumite.circuit;

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
import kumite.kind.Terminal;
import kumite.loom.Look;
import kumite.loom.Looks;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.power.Converter;
import kumite.signal.Level;
import kumite.signal.SignalLine;

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
  private final Frames frames;

  /** Of hands that are slow to ask: once for each contact, which its parts name by one object. */
  static Scan asking(Network network, ToDoubleFunction<ContactId> hands) {
    Map<ContactId, Double> asked = new IdentityHashMap<>();
    for (ContactId contact : network.contacts()) {
      asked.put(contact, hands.applyAsDouble(contact));
    }
    return new Scan(
        network,
        contact -> {
          Double travel = asked.get(contact);
          return travel != null ? travel : hands.applyAsDouble(contact);
        });
  }

  Scan(Network network, ToDoubleFunction<ContactId> hands) {
    this.network = network;
    this.hands = hands;
    this.frames = new Frames(network);
    rest.putAll(rest(network.looks()));
    dead =
        network.dead().isPresent() || network.mayShort() && network.closings().shorted(this.hands);
  }

  /** How a program drives terminals between looks, by name: true high. */
  static Map<String, Boolean> rest(Looks looks) {
    Map<String, Boolean> rest = new LinkedHashMap<>();
    // A terminal that feeds a lamp on its contact does so all the time.
    looks.feeds().forEach(feed -> rest.put(feed, true));
    // Between looks registers are neither loading nor clocked, and select lines are low; a pad's
    // clock rests high.
    for (Look look : looks.all()) {
      if (look.how() instanceof Look.Bit bit) {
        rest.put(bit.load().name(), !bit.ofPad());
        rest.put(bit.clock().name(), bit.ofPad());
      } else if (look.how() instanceof Look.Channel channel) {
        channel.selects().forEach(select -> rest.put(select.name(), false));
      } else if (look.how() instanceof Look.Frame frame) {
        for (SignalLine line : frame.talk().kind().lines()) {
          Terminal terminal = frame.talk().lines().get(line.name());
          if (terminal != null && line.from() == SignalLine.From.CONSOLE) {
            rest.put(terminal.name(), line.idle() == Level.HIGH);
          }
        }
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

  /** {@return the place of a contact that something else tells the board of} */
  static Optional<Joint> inside(Look look) {
    return look.how() instanceof Look.Bit bit
        ? Optional.of(bit.input())
        : look.how() instanceof Look.Frame frame ? Optional.of(frame.input()) : Optional.empty();
  }

  /** {@return the net where a look's volts stand: its terminal, or the input of a chip} */
  int place(Look look) {
    return network.net(
        inside(look).filter(network::has).orElseGet(() -> Joint.board(look.read().name())));
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
    if (look.how() instanceof Look.Frame frame) {
      return frames.see(frame, hands, at);
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
        List.of(look.load().name(), look.clock().name(), data.name(), look.bits(), look.ofPad()),
        key -> new Registers(this, network).shift(look, data, new Conditions(hands, rest)));
  }
}
