package kumite.signal;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;

/**
 * Bytes in both directions at once under a select line, least bit first: both sides set their line
 * as the clock falls and take the other's as it rises. The pad acknowledges each byte. After the
 * question come the buttons, low for held, then a byte for each axis.
 *
 * @param question the bytes that the console asks with; zeros follow
 * @param identity what the pad says meanwhile; as many
 */
public record Packet(List<Integer> question, List<Integer> identity) implements Mechanism {
  /** The line on which the console asks. */
  public static final String COMMAND = "command";

  /** Without an acknowledge for so many times of the longest one nobody is there. */
  private static final int PATIENCE = 3;

  public Packet {
    question = Bytes.checked(question, "question");
    identity = Bytes.checked(identity, "identity");
    if (question.isEmpty() || question.size() != identity.size()) {
      throw new IllegalArgumentException(
          "question and identity are bytes that go at the same time, so both need as many, one or"
              + " more; they have "
              + question.size()
              + " and "
              + identity.size());
    }
  }

  @Override
  public Set<Timed> times() {
    return EnumSet.of(
        Timed.FRAME,
        Timed.TO_BYTE,
        Timed.CLOCK_LOW,
        Timed.CLOCK_HIGH,
        Timed.ANSWER,
        Timed.TO_ACKNOWLEDGE,
        Timed.ACKNOWLEDGE,
        Timed.BETWEEN);
  }

  @Override
  public void check(PortKind kind) {
    kind.only(Set.of("select", "clock", "command", "data", "acknowledge"));
    kind.from("select", SignalLine.From.CONSOLE);
    kind.from("clock", SignalLine.From.CONSOLE);
    kind.from("command", SignalLine.From.CONSOLE);
    kind.from("data", SignalLine.From.PAD_LOW, SignalLine.From.PAD);
    kind.from("acknowledge", SignalLine.From.PAD_LOW);
    if (kind.time(Timed.ANSWER).mostNs() >= kind.time(Timed.CLOCK_LOW).leastNs()) {
      throw new IllegalArgumentException(
          "the pad sets its line later than the clock rises: answer must be shorter than clock_low");
    }
    if (kind.time(Timed.FRAME).leastNs() <= size(kind) * byteNs(kind)) {
      throw new IllegalArgumentException("a frame is shorter than all bytes of one reading");
    }
  }

  private static long byteNs(PortKind kind) {
    return 8 * (kind.time(Timed.CLOCK_LOW).mostNs() + kind.time(Timed.CLOCK_HIGH).mostNs())
        + kind.time(Timed.TO_ACKNOWLEDGE).mostNs()
        + kind.time(Timed.ACKNOWLEDGE).mostNs()
        + kind.time(Timed.BETWEEN).mostNs();
  }

  @Override
  public long readingNs(PortKind kind) {
    // It is acknowledged from its last rise on; after the last byte nothing is waited for.
    long each =
        8 * kind.time(Timed.CLOCK_LOW).usualNs()
            + 7 * kind.time(Timed.CLOCK_HIGH).usualNs()
            + kind.time(Timed.TO_ACKNOWLEDGE).usualNs()
            + kind.time(Timed.ACKNOWLEDGE).usualNs()
            + kind.time(Timed.BETWEEN).usualNs();
    return kind.time(Timed.TO_BYTE).usualNs()
        + size(kind) * each
        - kind.time(Timed.BETWEEN).usualNs();
  }

  /** Each bit as the clock is about to rise, each byte after the acknowledge of the last. */
  @Override
  public List<Taken> taken(PortKind kind) {
    List<Taken> taken = new ArrayList<>();
    long low = kind.time(Timed.CLOCK_LOW).usualNs();
    long bit = low + kind.time(Timed.CLOCK_HIGH).usualNs();
    long each =
        7 * bit
            + low
            + kind.time(Timed.TO_ACKNOWLEDGE).usualNs()
            + kind.time(Timed.ACKNOWLEDGE).usualNs()
            + kind.time(Timed.BETWEEN).usualNs();
    for (int i = 0; i < 8 * size(kind); i++) {
      long after = kind.time(Timed.TO_BYTE).usualNs() + i / 8 * each + i % 8 * bit + low;
      taken.add(Bytes.taken(kind, i, question.size(), after, Level.LOW));
    }
    return taken;
  }

  private int size(PortKind kind) {
    return question.size() + Bytes.count(kind.order()) + kind.axes().size();
  }

  /** {@return all bytes of the pad's side} */
  public List<Integer> answer(PortKind kind, Held held) {
    List<Integer> all = new ArrayList<>(identity);
    Bytes.buttons(kind.order(), held).forEach(b -> all.add(~b & 0xFF));
    kind.axes().forEach(axis -> all.add(Bytes.axis(held.at(axis))));
    return all;
  }

  /** Byte after byte, each after the time in which the slowest pad has acknowledged the last. */
  @Override
  public Optional<Asking> asking(PortKind kind) {
    Asking.Draft draft = new Asking.Draft();
    long between =
        kind.time(Timed.TO_ACKNOWLEDGE).mostNs()
            + kind.time(Timed.ACKNOWLEDGE).mostNs()
            + kind.time(Timed.BETWEEN).usualNs();
    int buttons = question.size();
    int axes = buttons + Bytes.count(kind.order());
    draft.drive("select", false, kind.time(Timed.TO_BYTE));
    boolean command = true;
    for (int number = 0; number < size(kind); number++) {
      int sent = number < question.size() ? question.get(number) : 0;
      for (int bit = 0; bit < 8; bit++) {
        boolean high = (sent >> bit & 1) == 1;
        if (high != command) {
          draft.drive("command", high, 0);
          command = high;
        }
        draft.drive("clock", false, kind.time(Timed.CLOCK_LOW));
        int taken = draft.take("data");
        draft.drive("clock", true, bit == 7 ? between : kind.time(Timed.CLOCK_HIGH).usualNs());
        if (number > 0 && number < buttons) {
          draft.known(taken, (identity.get(number) >> bit & 1) == 1);
        } else if (number >= buttons && number < axes) {
          int at = (number - buttons) * 8 + bit;
          draft.button(at < kind.order().size() ? kind.order().get(at) : "", taken);
        } else if (number >= axes && bit == 0) {
          draft.axis(kind.axes().get(number - axes), taken);
        }
      }
    }
    draft.drive("command", true, 0);
    draft.drive("select", true, 0);
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
    private List<Integer> says = List.of();
    private int bit;
    private int heard;
    private boolean asked;

    Pad(PortKind kind, Supplier<Held> hands, Side side) {
      this.kind = kind;
      this.hands = hands;
      this.side = side;
    }

    void begin() {
      side.hear(kind.line("select"), this::selected);
      side.hear(kind.line("clock"), this::clocked);
      quiet();
    }

    private void quiet() {
      asked = false;
      side.letGo(kind.line("data"));
      side.letGo(kind.line("acknowledge"));
    }

    private void selected(Level level) {
      if (level == Level.LOW) {
        says = answer(kind, hands.get());
        asked = true;
        bit = 0;
        heard = 0;
      } else {
        quiet();
      }
    }

    private void clocked(Level level) {
      if (!asked || bit / 8 >= says.size()) {
        return;
      }
      if (level == Level.LOW) {
        boolean high = (says.get(bit / 8) >> bit % 8 & 1) == 1;
        side.after(Timed.ANSWER, () -> show(high));
      } else if (level == Level.HIGH) {
        Level command = side.read(kind.line("command"));
        heard |= (command == Level.LOW ? 0 : 1) << bit % 8;
        bit++;
        if (bit % 8 == 0) {
          told();
        }
      } else {
        quiet();
      }
    }

    private void show(boolean high) {
      SignalLine data = kind.line("data");
      if (asked && data.from() == SignalLine.From.PAD) {
        side.drive(data, high);
      } else if (asked) {
        side.pullLow(data, !high);
      }
    }

    private void told() {
      int number = bit / 8 - 1;
      if (number < question.size() && heard != question.get(number)) {
        quiet(); // that was for somebody else
        return;
      }
      heard = 0;
      SignalLine acknowledge = kind.line("acknowledge");
      side.after(
          Timed.TO_ACKNOWLEDGE,
          () -> {
            if (asked) {
              side.pullLow(acknowledge, true);
              side.after(Timed.ACKNOWLEDGE, () -> side.letGo(acknowledge));
            }
          });
    }
  }

  // ---- the console

  @Override
  public Console console(PortKind kind, Side side, Consumer<Reading> told) {
    side.drive(kind.line("select"), true);
    side.drive(kind.line("clock"), true);
    side.drive(kind.line("command"), true);
    Asker asker = new Asker(kind, side, told);
    side.hear(kind.line("acknowledge"), asker::acknowledged);
    return asker::frame;
  }

  private final class Asker {
    private final PortKind kind;
    private final Side side;
    private final Consumer<Reading> told;
    private List<Level[]> got = new ArrayList<>();
    private boolean waits;
    private long turn;

    Asker(PortKind kind, Side side, Consumer<Reading> told) {
      this.kind = kind;
      this.side = side;
      this.told = told;
    }

    void frame() {
      got = new ArrayList<>();
      side.drive(kind.line("select"), false);
      side.after(Timed.TO_BYTE, this::begin);
    }

    private void begin() {
      got.add(new Level[8]);
      bit(0);
    }

    private void bit(int number) {
      SignalLine clock = kind.line("clock");
      if (number == 8) {
        patience();
        return;
      }
      int sent = got.size() <= question.size() ? question.get(got.size() - 1) : 0;
      side.drive(kind.line("command"), (sent >> number & 1) == 1);
      side.drive(clock, false);
      side.after(
          Timed.CLOCK_LOW,
          () -> {
            got.get(got.size() - 1)[number] = side.read(kind.line("data"));
            side.drive(clock, true);
            side.after(Timed.CLOCK_HIGH, () -> bit(number + 1));
          });
    }

    private void patience() {
      waits = true;
      long mine = ++turn;
      long longest =
          kind.time(Timed.TO_ACKNOWLEDGE).mostNs() + kind.time(Timed.ACKNOWLEDGE).mostNs();
      side.afterNs(
          PATIENCE * longest,
          () -> {
            if (waits && turn == mine) {
              end(false);
            }
          });
    }

    private void acknowledged(Level level) {
      if (!waits || level != Level.HIGH) {
        return;
      }
      waits = false;
      if (got.size() == size(kind)) {
        end(true);
      } else {
        side.after(Timed.BETWEEN, this::begin);
      }
    }

    private void end(boolean whole) {
      waits = false;
      side.drive(kind.line("select"), true);
      side.drive(kind.line("command"), true);
      told.accept(made(whole));
    }

    private Reading made(boolean whole) {
      List<Level[]> bytes = got;
      boolean known = whole;
      for (int i = 1; known && i < identity.size(); i++) {
        known = Bytes.value(bytes.get(i)).filter(identity.get(i)::equals).isPresent();
      }
      Map<String, Answer> buttons = new LinkedHashMap<>();
      for (int i = 0; i < kind.order().size(); i++) {
        if (!kind.order().get(i).isEmpty()) {
          buttons.put(
              kind.order().get(i),
              known ? Answer.low(bytes.get(question.size() + i / 8)[i % 8]) : Answer.UNCLEAR);
        }
      }
      Map<String, Double> axes = new LinkedHashMap<>();
      for (int i = 0; known && i < kind.axes().size(); i++) {
        String axis = kind.axes().get(i);
        Bytes.value(bytes.get(question.size() + Bytes.count(kind.order()) + i))
            .ifPresent(value -> axes.put(axis, value / Bytes.MOST));
      }
      Answer presence = !whole ? Answer.NO : known ? Answer.YES : Answer.UNCLEAR;
      return new Reading(side.now(), buttons, axes, presence);
    }
  }
}
