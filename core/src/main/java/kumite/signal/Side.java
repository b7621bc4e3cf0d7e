package kumite.signal;

import java.util.HashMap;
import java.util.Map;
import java.util.function.Consumer;

/** One side of a play: its pins on the bus, and its tempo. */
final class Side {
  private final Bus bus;
  private final int number;
  private final Tempo tempo;
  private final Map<String, Pin> pins = new HashMap<>();

  Side(Bus bus, int number, Tempo tempo) {
    this.bus = bus;
    this.number = number;
    this.tempo = tempo;
  }

  private Pin pin(SignalLine line) {
    return pins.computeIfAbsent(line.name(), name -> new Pin(number, name));
  }

  long now() {
    return bus.now();
  }

  void drive(SignalLine line, Level level) {
    bus.drive(pin(line), level);
  }

  void drive(SignalLine line, boolean high) {
    drive(line, Level.of(high));
  }

  void letGo(SignalLine line) {
    drive(line, Level.FREE);
  }

  /** Pulls low, or lets go. */
  void pullLow(SignalLine line, boolean low) {
    drive(line, low ? Level.LOW : Level.FREE);
  }

  void pull(SignalLine line, double ohm, boolean up) {
    bus.pull(pin(line), ohm, up);
  }

  void pot(SignalLine line, double ohm) {
    bus.pot(pin(line), ohm);
  }

  double pots(SignalLine line) {
    return bus.pots(pin(line));
  }

  /** {@return how it reads a line now; never floating} */
  Level read(SignalLine line) {
    return bus.level(pin(line)).read();
  }

  /** Calls back with what an input makes of each change. */
  void hear(SignalLine line, Consumer<Level> ear) {
    bus.hear(pin(line), level -> ear.accept(level.read()));
  }

  long lasts(Timed timed) {
    return tempo.of(timed);
  }

  void after(Timed timed, Runnable what) {
    bus.after(tempo.of(timed), what);
  }

  void afterNs(long ns, Runnable what) {
    bus.after(ns, what);
  }
}
