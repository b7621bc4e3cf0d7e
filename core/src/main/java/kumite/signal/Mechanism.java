package kumite.signal;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;

/**
 * One way for a pad and a console to talk: what it needs to know, and a stand-in for each side.
 * Each is one small class.
 */
public sealed interface Mechanism
    permits Phased, SerialLatch, Packet, PulsedWire, OneShot, KeyFrame, SerialBytes, UsbPad {

  /** {@return the times that a kind of port of this mechanism must say} */
  Set<Timed> times();

  /**
   * Holds a kind of port against what this mechanism needs.
   *
   * @throws IllegalArgumentException if something is missing or contradicts; the message names it
   */
  void check(PortKind kind);

  /** Sets up the pad's side: from now on it answers, or sends by itself. */
  void pad(PortKind kind, Supplier<Held> hands, Side side);

  /**
   * {@return the console's side}
   *
   * @param told takes each reading
   */
  Console console(PortKind kind, Side side, Consumer<Reading> told);

  /** {@return what the console takes of each frame, in order; empty where bytes go both ways} */
  default List<Taken> taken(PortKind kind) {
    return List.of();
  }

  /**
   * {@return the line of each button and axis, by its name, where each is on a line of its own;
   * empty where lines say several}
   */
  default Map<String, String> ownLines(PortKind kind) {
    return Map.of();
  }

  /**
   * {@return what a board's program does to read such a pad; empty where none that we write can}
   */
  default Optional<Asking> asking(PortKind kind) {
    return Optional.empty();
  }

  /** {@return how long one reading usually takes, in ns; 0 where the pad sends by itself} */
  default long readingNs(PortKind kind) {
    return 0;
  }

  /** {@return after how many frames a reading tells all that is held} */
  default int frames(Held held) {
    return 1;
  }

  /** {@return what it means for a button that nothing was heard at all} */
  default Answer unheard() {
    return Answer.UNCLEAR;
  }

  /** The side that asks. */
  interface Console {
    /** Begins a frame; where the pad sends by itself there is nothing to begin. */
    void frame();
  }
}
