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
 * Bytes on a serial wire, eight bits, no parity, one stop bit, sent unasked each frame: a byte to
 * begin with, the buttons, 1 for held, a byte for each axis, and the sum of what lies between,
 * modulo 256.
 *
 * @param begin the byte that a frame begins with
 */
public record SerialBytes(int begin) implements Mechanism {
  /** A start bit, eight bits and a stop bit. */
  private static final int BITS = 10;

  /** Frames that may pass in silence before nobody is thought to be there. */
  private static final double PATIENCE = 1;

  public SerialBytes {
    kumite.measure.Check.between(0, 255, begin, "begin");
  }

  @Override
  public Set<Timed> times() {
    return EnumSet.of(Timed.FRAME, Timed.BIT);
  }

  @Override
  public void check(PortKind kind) {
    kind.only(Set.of("data"));
    kind.from("data", SignalLine.From.PAD);
    if (kind.line("data").idle() != Level.HIGH) {
      throw new IllegalArgumentException("a serial line idles high");
    }
    Limits bit = kind.time(Timed.BIT);
    // Sampled in the middle, the last bit is 9.5 bits after the fall: both clocks' errors add up.
    if (bit.leastNs() * 10 < bit.mostNs() * 9.5) {
      throw new IllegalArgumentException(
          "clocks that differ so much do not read each other: bit may vary by 5 % in all");
    }
    if (kind.time(Timed.FRAME).leastNs() <= size(kind) * BITS * bit.mostNs()) {
      throw new IllegalArgumentException("a frame is shorter than its bytes");
    }
  }

  private static int size(PortKind kind) {
    return 2 + Bytes.count(kind.order()) + kind.axes().size();
  }

  /** {@return where its frame says what, between the byte that begins it and the sum} */
  public UsbReport layout(PortKind kind) {
    return UsbReport.plain(kind.order(), kind.axes());
  }

  /** {@return bits in a second, usually} */
  public long baud(PortKind kind) {
    return Math.round(1e9 / kind.time(Timed.BIT).usualNs());
  }

  @Override
  public long readingNs(PortKind kind) {
    return size(kind) * BITS * kind.time(Timed.BIT).usualNs();
  }

  /** Each bit in its middle; the first byte begins the frame, the last is the sum. */
  @Override
  public List<Taken> taken(PortKind kind) {
    List<Taken> taken = new ArrayList<>();
    long bit = kind.time(Timed.BIT).usualNs();
    for (int i = 0; i < 8 * size(kind); i++) {
      long after = (i / 8 * BITS + 1 + i % 8) * bit + bit / 2;
      taken.add(Bytes.taken(kind, i, 1, after, Level.HIGH));
    }
    return taken;
  }

  /** {@return the bytes of one frame} */
  public List<Integer> frame(PortKind kind, Held held) {
    List<Integer> bytes = new ArrayList<>();
    bytes.add(begin);
    bytes.addAll(Bytes.buttons(kind.order(), held));
    kind.axes().forEach(axis -> bytes.add(Bytes.axis(held.at(axis))));
    bytes.add(sum(bytes.subList(1, bytes.size())));
    return bytes;
  }

  private static int sum(List<Integer> bytes) {
    return bytes.stream().mapToInt(b -> b).sum() % 256;
  }

  @Override
  public void pad(PortKind kind, Supplier<Held> hands, Side side) {
    side.drive(kind.line("data"), true);
    side.afterNs(Play.REST_NS, () -> frame(kind, hands, side));
  }

  private void frame(PortKind kind, Supplier<Held> hands, Side side) {
    side.after(Timed.FRAME, () -> frame(kind, hands, side));
    send(side, kind.line("data"), frame(kind, hands.get()));
  }

  private static void send(Side side, SignalLine data, List<Integer> bytes) {
    long at = 0;
    for (int value : bytes) {
      long bit = side.lasts(Timed.BIT);
      int frame = value << 1 | 1 << BITS - 1;
      for (int i = 0; i < BITS; i++) {
        boolean high = (frame >> i & 1) == 1;
        side.afterNs(at + i * bit, () -> side.drive(data, high));
      }
      at += BITS * bit;
    }
  }

  @Override
  public Console console(PortKind kind, Side side, Consumer<Reading> told) {
    Receiver receiver = new Receiver(kind, side, told);
    return receiver::frame;
  }

  /** The first may have begun before anybody listened. */
  @Override
  public int frames(Held held) {
    return 3;
  }

  private final class Receiver {
    private final PortKind kind;
    private final Side side;
    private final SignalLine data;
    private final Consumer<Reading> told;
    private final List<Optional<Integer>> got = new ArrayList<>();
    private boolean busy;
    private boolean heard;
    private long turn;

    Receiver(PortKind kind, Side side, Consumer<Reading> told) {
      this.kind = kind;
      this.side = side;
      this.data = kind.line("data");
      this.told = told;
      side.hear(data, this::changed);
    }

    /** A frame that brings nothing says that nobody is there. */
    void frame() {
      long mine = ++turn;
      heard = false;
      side.afterNs(
          (long) (PATIENCE * kind.time(Timed.FRAME).usualNs()) - 1,
          () -> {
            if (turn == mine && !heard) {
              told.accept(made(List.of(), Answer.NO));
            }
          });
    }

    private void changed(Level level) {
      if (busy || level == Level.HIGH) {
        return;
      }
      busy = true;
      long bit = side.lasts(Timed.BIT);
      side.afterNs(bit / 2, () -> sample(bit, new Level[BITS], 0));
    }

    private void sample(long bit, Level[] levels, int number) {
      levels[number] = side.read(data);
      if (number + 1 < BITS) {
        side.afterNs(bit, () -> sample(bit, levels, number + 1));
        return;
      }
      busy = false;
      boolean framed = levels[0] == Level.LOW && levels[BITS - 1] == Level.HIGH;
      Level[] eight = java.util.Arrays.copyOfRange(levels, 1, BITS - 1);
      got.add(framed ? Bytes.value(eight) : Optional.empty());
      gather();
    }

    private void gather() {
      heard = true;
      if (got.get(got.size() - 1).isEmpty()) {
        got.clear();
        told.accept(made(List.of(), Answer.UNCLEAR));
        return;
      }
      while (!got.isEmpty() && got.get(0).orElseThrow() != begin) {
        got.remove(0);
      }
      if (got.size() == size(kind)) {
        List<Integer> bytes = got.stream().map(Optional::orElseThrow).toList();
        List<Integer> inner = bytes.subList(1, bytes.size() - 1);
        boolean right = sum(inner) == bytes.get(bytes.size() - 1);
        if (right) {
          got.clear();
          told.accept(made(inner, Answer.YES));
        } else {
          got.remove(0); // that byte was no beginning
        }
      }
    }

    private Reading made(List<Integer> inner, Answer presence) {
      Map<String, Answer> buttons = new LinkedHashMap<>();
      for (int i = 0; i < kind.order().size(); i++) {
        if (!kind.order().get(i).isEmpty()) {
          buttons.put(
              kind.order().get(i),
              inner.isEmpty() ? Answer.UNCLEAR : Answer.of(Bytes.bit(inner, i)));
        }
      }
      Map<String, Double> axes = new LinkedHashMap<>();
      for (int i = 0; !inner.isEmpty() && i < kind.axes().size(); i++) {
        axes.put(kind.axes().get(i), inner.get(Bytes.count(kind.order()) + i) / Bytes.MOST);
      }
      return new Reading(side.now(), buttons, axes, presence);
    }
  }
}
