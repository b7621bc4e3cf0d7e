package kumite.signal;

import java.util.Arrays;
import java.util.Set;
import java.util.TreeSet;
import kumite.kind.Circuit;

/**
 * The pad's side where chips answer by themselves: each of their pins is a pin of the bus, named by
 * its terminal. Copper from contact to line is no chip: it is joined where nets are.
 */
final class Gates {
  private final Bus bus;
  private final int number;
  private final long answerNs;

  private Gates(Bus bus, int number, long answerNs) {
    this.bus = bus;
    this.number = number;
    this.answerNs = answerNs;
  }

  /**
   * Sets the chips up.
   *
   * @param number of the side that they are
   * @param answerNs how long they take
   */
  static void begin(Circuit circuit, Bus bus, int number, long answerNs) {
    Gates gates = new Gates(bus, number, answerNs);
    for (Circuit.Way way : circuit.ways()) {
      if (way instanceof Circuit.Pick pick) {
        gates.pick(pick);
      } else if (way instanceof Circuit.Shift shift) {
        gates.new Chain(shift).begin();
      }
    }
  }

  private Pin pin(String terminal) {
    return new Pin(number, terminal);
  }

  private Level read(String terminal) {
    return bus.level(pin(terminal)).read();
  }

  private void later(Runnable what) {
    bus.after(answerNs, what);
  }

  private void pick(Circuit.Pick pick) {
    Runnable show = () -> bus.drive(pin(pick.out()), picked(pick));
    Set<String> heard = new TreeSet<>(Set.of(pick.select()));
    heard.add(pick.low());
    heard.add(pick.high());
    heard.forEach(name -> bus.hear(pin(name), level -> later(show)));
    show.run();
  }

  private Level picked(Circuit.Pick pick) {
    return switch (read(pick.select())) {
      case HIGH -> read(pick.high());
      case LOW -> read(pick.low());
      case UNCLEAR, FREE ->
          read(pick.low()) == read(pick.high()) ? read(pick.low()) : Level.UNCLEAR;
    };
  }

  /** Registers in a chain. */
  private final class Chain {
    private final Circuit.Shift shift;
    private final Level[] state;
    private Level latch = Level.UNCLEAR;
    private Level clock = Level.UNCLEAR;

    Chain(Circuit.Shift shift) {
      this.shift = shift;
      this.state = new Level[shift.inputs().size()];
      Arrays.fill(state, Level.UNCLEAR); // what a register holds at power-up nobody knows
    }

    void begin() {
      latch = read(shift.latch());
      clock = read(shift.clock());
      bus.hear(pin(shift.latch()), level -> latched(level.read()));
      bus.hear(pin(shift.clock()), level -> clocked(level.read()));
      shift.inputs().stream().distinct().forEach(name -> bus.hear(pin(name), level -> moved()));
      moved();
      bus.drive(pin(shift.data()), state[0]);
    }

    private void latched(Level level) {
      if (!level.clear()) {
        Arrays.fill(state, Level.UNCLEAR);
      } else if (level == Level.HIGH || latch == Level.HIGH) {
        take();
      }
      latch = level;
      if (level == Level.LOW && !clock.clear()) {
        Arrays.fill(state, Level.UNCLEAR); // what a floating clock shifts nobody knows
      }
      show();
    }

    private void moved() {
      if (latch == Level.HIGH) {
        take();
        show();
      }
    }

    private void take() {
      for (int i = 0; i < state.length; i++) {
        state[i] = read(shift.inputs().get(i));
      }
    }

    private void clocked(Level level) {
      if (!level.clear() || !clock.clear() || !latch.clear()) {
        Arrays.fill(state, Level.UNCLEAR);
      } else if (level == Level.HIGH && clock == Level.LOW && latch == Level.LOW) {
        System.arraycopy(state, 1, state, 0, state.length - 1);
        state[state.length - 1] = Level.LOW;
      }
      clock = level;
      show();
    }

    private void show() {
      later(() -> bus.drive(pin(shift.data()), state[0]));
    }
  }
}
