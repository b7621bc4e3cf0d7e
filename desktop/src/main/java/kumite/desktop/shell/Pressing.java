package kumite.desktop.shell;

import java.util.List;
import java.util.Optional;
import java.util.function.LongSupplier;
import java.util.function.Supplier;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import kumite.build.map.Layer;
import kumite.build.map.Script;
import kumite.device.Holds;
import kumite.device.Session;
import kumite.device.Trace;
import kumite.verdict.Bench;

/** The simulated device as it runs: what is held on it, and what that did. */
final class Pressing {
  private final Supplier<Bench> bench;
  private final ReadOnlyObjectWrapper<Holds> holds = new ReadOnlyObjectWrapper<>(Holds.NONE);
  private final ReadOnlyObjectWrapper<Optional<Trace>> trace =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private LongSupplier nanos = System::nanoTime;
  private Optional<Session> session = Optional.empty();
  private long lastMoveNanos;

  /**
   * A device that nothing is held on.
   *
   * @param bench whose device it is
   */
  Pressing(Supplier<Bench> bench) {
    this.bench = bench;
  }

  /** Takes the time between two presses from elsewhere. */
  void clock(LongSupplier newNanos) {
    nanos = newNanos;
  }

  /** {@return what is held} */
  ReadOnlyObjectProperty<Holds> holds() {
    return holds.getReadOnlyProperty();
  }

  /** {@return what the last press or release did} */
  ReadOnlyObjectProperty<Optional<Trace>> trace() {
    return trace.getReadOnlyProperty();
  }

  /** The device as it runs: switched on when it is first touched after an edit. */
  private Session session() {
    if (session.isEmpty()) {
      session = Optional.of(bench.get().device().begin(Holds.NONE, 1));
      lastMoveNanos = nanos.getAsLong();
    }
    return session.get();
  }

  /** {@return the layer in force: the base, or its name} */
  String layer() {
    int number = session.map(Session::layer).orElse(0);
    List<Layer> layers = bench.get().build().profile().layers();
    return number == 0 || number > layers.size() ? Layer.BASE : layers.get(number - 1).name();
  }

  /** Holds these, after the time that has passed since the last move. */
  void move(Holds after) {
    if (holds.get().equals(after)) {
      return;
    }
    Session running = session();
    long now = nanos.getAsLong();
    running.pass((now - lastMoveNanos) / 1000);
    lastMoveNanos = now;
    trace.set(Optional.of(running.move(after)));
    holds.set(after);
  }

  /** Plays a script on a device that is switched on for it; what is held is let go. */
  Trace play(Script script) {
    release();
    Trace played = bench.get().device().play(script, 1);
    trace.set(Optional.of(played));
    return played;
  }

  /** Takes the hand off; the device stays as it is until the next bench. */
  void letGo() {
    holds.set(Holds.NONE);
  }

  /** Lets everything go, and switches the device off. */
  void release() {
    holds.set(Holds.NONE);
    trace.set(Optional.empty());
    session = Optional.empty();
  }

  /** What is held goes on being held on a new device, so that an edit's effect is seen at once. */
  void goOn() {
    holds.get().travel().keySet().stream()
        .filter(contact -> bench.get().path(contact).isEmpty())
        .toList()
        .forEach(contact -> holds.set(holds.get().without(contact)));
    session = Optional.empty();
    trace.set(
        holds.get().travel().isEmpty()
            ? Optional.empty()
            : Optional.of(session().move(holds.get())));
  }
}
