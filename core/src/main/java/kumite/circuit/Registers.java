package kumite.circuit;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import kumite.kind.Terminal;
import kumite.loom.Look;
import kumite.name.Joint;

/**
 * The registers of a wiring, loaded and shifted as one look does it while hands stand in one way.
 * Their lines are solved; what is the same for every bit is worked out once.
 */
final class Registers {
  private final Scan scan;
  private final Network network;
  private final List<Network.Chip> chips;

  Registers(Scan scan, Network network) {
    this.scan = scan;
    this.network = network;
    this.chips = network.chips();
  }

  /**
   * {@return what the data terminal reads, bit by bit}
   *
   * @param rest how terminals stand between looks
   */
  Logic[] shift(Look.Bit look, Terminal data, Conditions rest) {
    int net = network.net(Joint.board(data.name()));
    boolean[] heard = heard(net);
    Logic[][] states = new Logic[chips.size()][];
    for (int chip = 0; chip < states.length; chip++) {
      states[chip] = new Logic[chips.get(chip).inputs().length];
      Arrays.fill(states[chip], Logic.UNDEFINED);
    }
    Conditions turned = rest.driving(look.clock().name(), !look.ofPad());
    Lines idle = new Lines(rest, heard);
    Lines loading = new Lines(rest.driving(look.load().name(), look.ofPad()), heard);
    Lines clocked = new Lines(turned, heard);
    step(states, loading, loading);
    step(states, loading, idle);
    // A register is read before its clock turns, a pad while its clock is low, before it rises.
    Conditions reading = look.ofPad() ? turned : rest;
    Sent out = new Sent(net, reading, network.board().lowVolts(), network.board().highVolts());
    Logic[] bits = new Logic[look.bits()];
    for (int i = 0; i < bits.length; i++) {
      if (look.ofPad()) {
        step(states, idle, clocked);
      }
      bits[i] = out.silent() ? otherwise(net, reading, data) : out.read(states);
      if (!look.ofPad()) {
        step(states, idle, clocked);
      }
      step(states, clocked, idle);
    }
    return bits;
  }

  /** Which chips have a say at a net: those that send to it, and those that send to these. */
  private boolean[] heard(int net) {
    boolean[] heard = new boolean[chips.size()];
    java.util.ArrayDeque<Integer> nets = new java.util.ArrayDeque<>(java.util.List.of(net));
    while (!nets.isEmpty()) {
      for (int sender : network.senders(nets.poll())) {
        if (!heard[sender]) {
          heard[sender] = true;
          nets.add(chips.get(sender).next());
        }
      }
    }
    return heard;
  }

  /** What a terminal reads that no chip sends to. */
  private Logic otherwise(int net, Conditions now, Terminal data) {
    double at = scan.volts(net, now, data);
    return scan.floats(net, now)
        ? Logic.UNDEFINED
        : Logic.of(at, network.board().lowVolts(), network.board().highVolts());
  }

  /**
   * From one state of the lines to the next: loading takes the inputs in, a rising clock shifts.
   */
  private static void step(Logic[][] states, Lines before, Lines after) {
    Logic[] coming = new Logic[states.length];
    for (int chip = 0; chip < states.length; chip++) {
      boolean rises =
          after.load[chip] == Logic.HIGH
              && before.clock[chip] == Logic.LOW
              && after.clock[chip] == Logic.HIGH;
      coming[chip] = rises ? after.serial[chip].read(states) : Logic.UNDEFINED;
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

  /** How the lines of all chips stand in one state of the terminals; worked out once. */
  private final class Lines {
    private final Logic[] load;
    private final Logic[] clock;
    private final Logic[][] inputs;
    private final Sent[] serial;

    Lines(Conditions now, boolean[] heard) {
      int count = chips.size();
      load = new Logic[count];
      clock = new Logic[count];
      inputs = new Logic[count][];
      serial = new Sent[count];
      for (int i = 0; i < count; i++) {
        Network.Chip chip = chips.get(i);
        double low = Network.CHIP_LOW * chip.volts();
        double high = Network.CHIP_HIGH * chip.volts();
        boolean powered = chip.volts() > 0 && heard[i];
        Logic asked =
            powered ? network.lines().level(chip.load(), now, low, high) : Logic.UNDEFINED;
        // The load of a pad's register is high; here low is loading for all of them.
        load[i] = chip.part().ofPad() ? asked.turned() : asked;
        clock[i] = powered ? network.lines().level(chip.clock(), now, low, high) : Logic.UNDEFINED;
        inputs[i] = load[i] == Logic.LOW ? inputs(chip, now, low, high) : new Logic[0];
        serial[i] = new Sent(chip.next(), now, low, high);
      }
    }

    private Logic[] inputs(Network.Chip chip, Conditions now, double low, double high) {
      Logic[] levels = new Logic[chip.inputs().length];
      for (int i = 0; i < levels.length; i++) {
        levels[i] = network.lines().level(chip.inputs()[i], now, low, high);
      }
      return levels;
    }
  }

  /** How a net is read while chips send to it what comes out of them next. */
  private final class Sent {
    private final int net;
    private final Conditions now;
    private final double lowVolts;
    private final double highVolts;
    private final int[] senders;
    private final Map<Integer, Logic> known = new HashMap<>();

    Sent(int net, Conditions now, double lowVolts, double highVolts) {
      this.net = net;
      this.now = now;
      this.lowVolts = lowVolts;
      this.highVolts = highVolts;
      this.senders = network.senders(net);
    }

    boolean silent() {
      return senders.length == 0;
    }

    Logic read(Logic[][] states) {
      int all = 0;
      for (int i = 0; i < senders.length; i++) {
        Logic sends = states[senders[i]][0];
        if (sends == Logic.UNDEFINED) {
          return Logic.UNDEFINED;
        }
        all = all * 2 + (sends == Logic.HIGH ? 1 : 0);
      }
      return known.computeIfAbsent(all, key -> solved(states));
    }

    private Logic solved(Logic[][] states) {
      Conditions sending = now;
      for (int sender : senders) {
        sending = sending.sending(chips.get(sender).part(), states[sender][0] == Logic.HIGH);
      }
      return network.lines().level(net, sending, lowVolts, highVolts);
    }
  }
}
