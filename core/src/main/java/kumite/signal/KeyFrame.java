package kumite.signal;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;

/**
 * Bytes that a keyboard clocks out by itself: a start bit 0, eight bits least first, odd parity and
 * a stop bit 1, each valid while the clock is low. A console that holds the clock low stops it. A
 * key that goes down says its code, one that stays repeats the last, one that goes up says it after
 * 0xF0.
 *
 * @param codes the bytes of each key as it goes down; 0xE0 first for those that are extended
 */
public record KeyFrame(Map<String, List<Integer>> codes) implements Mechanism {
  static final int RELEASED = 0xF0;
  static final int EXTENDED = 0xE0;
  private static final int BITS = 11;

  /** A clock that rests for so many times of a bit begins a byte anew. */
  private static final int REST = 3;

  public KeyFrame {
    Map<String, List<Integer>> checked = new LinkedHashMap<>();
    codes.forEach((key, bytes) -> checked.put(key, Bytes.checked(bytes, "key " + key)));
    codes = java.util.Collections.unmodifiableMap(checked);
    Map<List<Integer>, String> seen = new HashMap<>();
    codes.forEach(
        (key, bytes) -> {
          boolean extended = bytes.size() == 2 && bytes.get(0) == EXTENDED;
          boolean plain = bytes.size() == 1;
          int last = bytes.isEmpty() ? EXTENDED : bytes.get(bytes.size() - 1);
          if (!(plain || extended) || last == EXTENDED || last == RELEASED) {
            throw new IllegalArgumentException(
                "key \"" + key + "\" needs one byte, or 0xE0 and one; 0xE0 and 0xF0 are no codes");
          }
          String before = seen.put(bytes, key);
          if (before != null) {
            throw new IllegalArgumentException(
                "keys \"" + before + "\" and \"" + key + "\" have the same code");
          }
        });
  }

  @Override
  public Set<Timed> times() {
    return EnumSet.of(Timed.FRAME, Timed.CLOCK_LOW, Timed.CLOCK_HIGH, Timed.SET_UP);
  }

  @Override
  public void check(PortKind kind) {
    kind.only(Set.of("clock", "data"));
    kind.from("clock", SignalLine.From.BOTH_LOW);
    kind.from("data", SignalLine.From.BOTH_LOW);
    if (!Set.copyOf(kind.order()).equals(codes.keySet())) {
      throw new IllegalArgumentException("each key needs a code, and each code a key");
    }
    if (!kind.axes().isEmpty()) {
      throw new IllegalArgumentException("this mechanism says no axes");
    }
    if (kind.time(Timed.SET_UP).mostNs() >= kind.time(Timed.CLOCK_HIGH).leastNs()) {
      throw new IllegalArgumentException(
          "data cannot stand so long before the clock falls: set_up must be shorter than"
              + " clock_high");
    }
    long bit = kind.time(Timed.CLOCK_LOW).mostNs() + kind.time(Timed.CLOCK_HIGH).mostNs();
    if (kind.time(Timed.FRAME).leastNs() <= BITS * bit) {
      throw new IllegalArgumentException("a frame is shorter than the eleven bits of a byte");
    }
  }

  /** {@return after how long a rest of the clock a byte begins anew, in ns} */
  public static long restNs(PortKind kind) {
    return REST * (kind.time(Timed.CLOCK_LOW).mostNs() + kind.time(Timed.CLOCK_HIGH).mostNs());
  }

  /** {@return how long the eleven bits of a byte usually take, in ns} */
  public static long byteNs(PortKind kind) {
    return BITS * (kind.time(Timed.CLOCK_LOW).usualNs() + kind.time(Timed.CLOCK_HIGH).usualNs());
  }

  /** {@return the eleven bits of a byte as they go over the line} */
  public static List<Boolean> frame(int value) {
    List<Boolean> bits = new ArrayList<>();
    bits.add(false);
    for (int i = 0; i < 8; i++) {
      bits.add((value >> i & 1) == 1);
    }
    bits.add(Integer.bitCount(value) % 2 == 0);
    bits.add(true);
    return bits;
  }

  // ---- the keyboard

  @Override
  public void pad(PortKind kind, Supplier<Held> hands, Side side) {
    Keyboard keyboard = new Keyboard(kind, hands, side);
    side.afterNs(Play.REST_NS, keyboard::next);
  }

  private final class Keyboard {
    private final SignalLine clock;
    private final SignalLine data;
    private final Supplier<Held> hands;
    private final Side side;
    private final Set<String> down = new LinkedHashSet<>();
    private final List<Integer> queue = new ArrayList<>();
    private Optional<String> last = Optional.empty();

    Keyboard(PortKind kind, Supplier<Held> hands, Side side) {
      this.clock = kind.line("clock");
      this.data = kind.line("data");
      this.hands = hands;
      this.side = side;
    }

    void next() {
      fill();
      side.after(Timed.FRAME, this::next);
      if (!queue.isEmpty()) {
        send(frame(queue.get(0)), 0);
      }
    }

    private void fill() {
      if (!queue.isEmpty()) {
        return;
      }
      Set<String> held = hands.get().buttons();
      for (String key : List.copyOf(down)) {
        if (!held.contains(key)) {
          down.remove(key);
          last = last.filter(k -> !k.equals(key));
          List<Integer> code = codes.get(key);
          queue.addAll(code.subList(0, code.size() - 1));
          queue.add(RELEASED);
          queue.add(code.get(code.size() - 1));
        }
      }
      for (String key : held) {
        if (down.add(key)) {
          queue.addAll(codes.get(key));
          last = Optional.of(key);
        }
      }
      if (queue.isEmpty()) {
        last.ifPresent(key -> queue.addAll(codes.get(key)));
      }
    }

    private void send(List<Boolean> bits, int number) {
      if (side.read(clock) == Level.LOW) {
        side.letGo(data);
        return; // held back: the byte goes with the next frame
      }
      if (number == bits.size()) {
        side.letGo(data);
        queue.remove(0);
        return;
      }
      side.pullLow(data, !bits.get(number));
      long setUp = side.lasts(Timed.SET_UP);
      side.afterNs(
          setUp,
          () -> {
            if (side.read(clock) == Level.LOW) {
              side.letGo(data);
              return;
            }
            side.pullLow(clock, true);
            side.after(
                Timed.CLOCK_LOW,
                () -> {
                  side.letGo(clock);
                  long rest = side.lasts(Timed.CLOCK_HIGH) - setUp;
                  side.afterNs(rest, () -> send(bits, number + 1));
                });
          });
    }
  }

  /** A byte a frame, at most three for a key; then the last one again. */
  @Override
  public int frames(Held held) {
    return 2 + 3 * held.buttons().size();
  }

  /** While nobody presses a keyboard says nothing. */
  @Override
  public Answer unheard() {
    return Answer.NO;
  }

  // ---- the console

  @Override
  public Console console(PortKind kind, Side side, Consumer<Reading> told) {
    new Listener(kind, side, told);
    return () -> {};
  }

  private final class Listener {
    private final PortKind kind;
    private final Side side;
    private final Consumer<Reading> told;
    private final List<Level> taken = new ArrayList<>();
    private final Set<String> down = new LinkedHashSet<>();
    private long since;
    private boolean released;
    private boolean extended;

    Listener(PortKind kind, Side side, Consumer<Reading> told) {
      this.kind = kind;
      this.side = side;
      this.told = told;
      side.hear(kind.line("clock"), this::clocked);
    }

    private void clocked(Level level) {
      if (level == Level.HIGH) {
        return;
      }
      if (side.now() - since > restNs(kind)) {
        taken.clear();
      }
      since = side.now();
      taken.add(level == Level.LOW ? side.read(kind.line("data")) : Level.UNCLEAR);
      if (taken.size() == BITS) {
        Answer presence = byteCame();
        taken.clear();
        Map<String, Answer> buttons = new LinkedHashMap<>();
        kind.buttons().forEach(key -> buttons.put(key, Answer.of(down.contains(key))));
        told.accept(new Reading(side.now(), buttons, Map.of(), presence));
      }
    }

    private Answer byteCame() {
      Optional<Integer> value = Bytes.value(taken.subList(1, 9).toArray(new Level[0]));
      boolean right =
          value
              .map(KeyFrame::frame)
              .filter(frame -> taken.equals(frame.stream().map(Level::of).toList()))
              .isPresent();
      if (!right) {
        released = false;
        extended = false;
        return Answer.UNCLEAR;
      }
      int code = value.orElseThrow();
      if (code == EXTENDED) {
        extended = true;
      } else if (code == RELEASED) {
        released = true;
      } else {
        List<Integer> whole = extended ? List.of(EXTENDED, code) : List.of(code);
        codes.forEach(
            (key, bytes) -> {
              if (bytes.equals(whole) && released) {
                down.remove(key);
              } else if (bytes.equals(whole)) {
                down.add(key);
              }
            });
        released = false;
        extended = false;
      }
      return Answer.YES;
    }
  }
}
