package kumite.signal;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;

/**
 * A register in the pad: the latch takes all buttons in, each clock brings the next out, low for
 * held. The first is there once latched, before any clock. What follows the last bit is low, while
 * an empty socket is pulled high: so the level after the last clock tells whether a pad is there.
 *
 * @param shift the edge of the clock that brings the next bit
 * @param take when the console takes a bit
 */
public record SerialLatch(Shift shift, Take take) implements Mechanism {
  /** The edge that shifts. */
  public enum Shift {
    RISE,
    FALL
  }

  /** When a bit is taken. */
  public enum Take {
    /** While the clock is high, before it falls; serves pads of both kinds. */
    BEFORE_FALL,
    /** While the clock is low, before it rises. */
    BEFORE_RISE
  }

  public SerialLatch {
    if (shift == Shift.FALL && take == Take.BEFORE_RISE) {
      throw new IllegalArgumentException(
          "a pad that shifts on the fall, taken before the rise, loses its first button; take it"
              + " before_fall");
    }
  }

  @Override
  public Set<Timed> times() {
    return EnumSet.of(
        Timed.FRAME, Timed.LATCH, Timed.TO_CLOCK, Timed.CLOCK_LOW, Timed.CLOCK_HIGH, Timed.ANSWER);
  }

  @Override
  public void check(PortKind kind) {
    kind.only(Set.of("latch", "clock", "data"));
    kind.from("latch", SignalLine.From.CONSOLE);
    kind.from("clock", SignalLine.From.CONSOLE);
    kind.from("data", SignalLine.From.PAD);
    if (kind.order().isEmpty()) {
      throw new IllegalArgumentException("there are no bits to clock out; name them in order");
    }
    if (!kind.axes().isEmpty()) {
      throw new IllegalArgumentException("this mechanism says no axes");
    }
    long answer = kind.time(Timed.ANSWER).mostNs();
    boolean late =
        answer >= kind.time(Timed.CLOCK_LOW).leastNs()
            || answer >= kind.time(Timed.CLOCK_HIGH).leastNs()
            || answer >= kind.time(Timed.LATCH).leastNs();
    if (late) {
      throw new IllegalArgumentException(
          "the pad answers later than the clock turns: answer must be shorter than latch,"
              + " clock_low and clock_high");
    }
    long frame = kind.time(Timed.FRAME).leastNs();
    if (frame <= lasts(kind)) {
      throw new IllegalArgumentException("a frame is shorter than one reading of all bits");
    }
  }

  /** {@return how long one reading takes at most, in ns} */
  private long lasts(PortKind kind) {
    long clock = kind.time(Timed.CLOCK_LOW).mostNs() + kind.time(Timed.CLOCK_HIGH).mostNs();
    return kind.time(Timed.LATCH).mostNs()
        + kind.time(Timed.TO_CLOCK).mostNs()
        + kind.order().size() * clock;
  }

  @Override
  public long readingNs(PortKind kind) {
    long clock = kind.time(Timed.CLOCK_LOW).usualNs() + kind.time(Timed.CLOCK_HIGH).usualNs();
    return kind.time(Timed.LATCH).usualNs()
        + kind.time(Timed.TO_CLOCK).usualNs()
        + kind.order().size() * clock;
  }

  /** One that wants its bits taken late; others are shifted out as registers are. */
  @Override
  public Optional<Asking> asking(PortKind kind) {
    if (take == Take.BEFORE_RISE) {
      return Optional.empty();
    }
    Asking.Draft draft = new Asking.Draft();
    draft.drive("latch", true, kind.time(Timed.LATCH));
    draft.drive("latch", false, kind.time(Timed.TO_CLOCK));
    for (String button : kind.order()) {
      draft.button(button, draft.take("data"));
      draft.drive("clock", false, kind.time(Timed.CLOCK_LOW));
      draft.drive("clock", true, kind.time(Timed.CLOCK_HIGH));
    }
    return Optional.of(draft.done(0));
  }

  // ---- the pad

  @Override
  public void pad(PortKind kind, Supplier<Held> hands, Side side) {
    new Pad(kind, hands, side).begin();
  }

  private final class Pad {
    private final PortKind kind;
    private final Supplier<Held> hands;
    private final Side side;
    private final SignalLine data;
    private final Level[] state;
    private Level latch = Level.LOW;
    private Level clock = Level.HIGH;

    Pad(PortKind kind, Supplier<Held> hands, Side side) {
      this.kind = kind;
      this.hands = hands;
      this.side = side;
      this.data = kind.line("data");
      this.state = new Level[kind.order().size()];
    }

    void begin() {
      Arrays.fill(state, Level.LOW);
      latch = side.read(kind.line("latch"));
      clock = side.read(kind.line("clock"));
      side.hear(kind.line("latch"), this::latched);
      side.hear(kind.line("clock"), this::clocked);
      if (latch == Level.HIGH) {
        take();
      }
      unsure();
      show();
    }

    private void latched(Level level) {
      if (!level.clear()) {
        Arrays.fill(state, Level.UNCLEAR);
      } else if (level == Level.HIGH || latch == Level.HIGH) {
        take(); // as long as it is high, so what counts is what is held when it falls
      }
      latch = level;
      unsure();
      side.after(Timed.ANSWER, this::show);
    }

    /** What a clock that is nothing clear does, nobody knows. */
    private void unsure() {
      if (!latch.clear() || !clock.clear()) {
        Arrays.fill(state, Level.UNCLEAR);
      }
    }

    private void take() {
      Held held = hands.get();
      for (int i = 0; i < state.length; i++) {
        state[i] = Level.of(!held.holds(kind.order().get(i)));
      }
    }

    private void clocked(Level level) {
      Level edge = shift == Shift.RISE ? Level.HIGH : Level.LOW;
      if (!level.clear() || !clock.clear()) {
        Arrays.fill(state, Level.UNCLEAR);
      } else if (level == edge && latch == Level.LOW) {
        System.arraycopy(state, 1, state, 0, state.length - 1);
        state[state.length - 1] = Level.LOW;
      }
      clock = level;
      side.after(Timed.ANSWER, this::show);
    }

    private void show() {
      side.drive(data, state[0]);
    }
  }

  // ---- the console

  @Override
  public Console console(PortKind kind, Side side, Consumer<Reading> told) {
    SignalLine latch = kind.line("latch");
    SignalLine clock = kind.line("clock");
    SignalLine data = kind.line("data");
    side.drive(latch, false);
    side.drive(clock, true);
    return () -> {
      side.drive(latch, true);
      side.after(
          Timed.LATCH,
          () -> {
            side.drive(latch, false);
            side.after(
                Timed.TO_CLOCK,
                () -> bit(kind, side, clock, data, told, new Level[kind.order().size()], 0));
          });
    };
  }

  private void bit(
      PortKind kind,
      Side side,
      SignalLine clock,
      SignalLine data,
      Consumer<Reading> told,
      Level[] taken,
      int number) {
    if (number == taken.length) {
      told.accept(made(kind, side.now(), taken, side.read(data)));
      return;
    }
    if (take == Take.BEFORE_FALL) {
      taken[number] = side.read(data);
    }
    side.drive(clock, false);
    side.after(
        Timed.CLOCK_LOW,
        () -> {
          if (take == Take.BEFORE_RISE) {
            taken[number] = side.read(data);
          }
          side.drive(clock, true);
          side.after(Timed.CLOCK_HIGH, () -> bit(kind, side, clock, data, told, taken, number + 1));
        });
  }

  @Override
  public List<Taken> taken(PortKind kind) {
    List<Taken> taken = new ArrayList<>();
    long low = kind.time(Timed.CLOCK_LOW).usualNs();
    long at = kind.time(Timed.LATCH).usualNs() + kind.time(Timed.TO_CLOCK).usualNs();
    for (int bit = 0; bit < kind.order().size(); bit++) {
      String name = kind.order().get(bit);
      taken.add(
          new Taken(
              take == Take.BEFORE_RISE ? at + low : at,
              "data",
              "bit " + (bit + 1) + " of " + kind.order().size(),
              name.isEmpty() ? Optional.empty() : Optional.of(name),
              Level.LOW));
      at += low + kind.time(Timed.CLOCK_HIGH).usualNs();
    }
    return taken;
  }

  private static Reading made(PortKind kind, long now, Level[] taken, Level after) {
    Map<String, Answer> buttons = new LinkedHashMap<>();
    for (int i = 0; i < taken.length; i++) {
      if (!kind.order().get(i).isEmpty()) {
        buttons.put(kind.order().get(i), Answer.low(taken[i]));
      }
    }
    return new Reading(now, buttons, Map.of(), Answer.low(after));
  }
}
