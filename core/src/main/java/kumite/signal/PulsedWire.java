package kumite.signal;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;

/**
 * One line that both sides pull low and nobody drives high: each bit is a fall, short for one and
 * long for zero, taken some time after the fall; most bit first. The console asks with a byte and a
 * stop bit, the pad answers with its buttons, 1 for held, a signed byte for each axis, and a stop
 * bit.
 *
 * @param question the byte that the console asks with
 */
public record PulsedWire(int question) implements Mechanism {
  private static final double SIGNED = 127;

  public PulsedWire {
    kumite.measure.Check.between(0, 255, question, "question");
  }

  @Override
  public Set<Timed> times() {
    return EnumSet.of(
        Timed.FRAME, Timed.BIT, Timed.SHORT_LOW, Timed.LONG_LOW, Timed.TO_SAMPLE, Timed.TO_ANSWER);
  }

  @Override
  public void check(PortKind kind) {
    kind.only(Set.of("data"));
    kind.from("data", SignalLine.From.BOTH_LOW);
    if (kind.time(Timed.SHORT_LOW).mostNs() >= kind.time(Timed.TO_SAMPLE).leastNs()
        || kind.time(Timed.LONG_LOW).leastNs() <= kind.time(Timed.TO_SAMPLE).mostNs()) {
      throw new IllegalArgumentException(
          "one and zero cannot be told apart: to_sample must lie between short_low and long_low");
    }
    if (kind.time(Timed.LONG_LOW).mostNs() >= kind.time(Timed.BIT).leastNs()) {
      throw new IllegalArgumentException("a zero is longer than a bit: bit must exceed long_low");
    }
    long all = 8 + bits(kind) + 2;
    if (kind.time(Timed.FRAME).leastNs()
        <= all * kind.time(Timed.BIT).mostNs() + kind.time(Timed.TO_ANSWER).mostNs()) {
      throw new IllegalArgumentException("a frame is shorter than question and answer");
    }
  }

  @Override
  public long readingNs(PortKind kind) {
    return (8 + bits(kind) + 2) * kind.time(Timed.BIT).usualNs()
        + kind.time(Timed.TO_ANSWER).usualNs();
  }

  private static int bits(PortKind kind) {
    return kind.order().size() + 8 * kind.axes().size();
  }

  private static List<Boolean> bits(int value) {
    List<Boolean> bits = new ArrayList<>();
    for (int i = 7; i >= 0; i--) {
      bits.add((value >> i & 1) == 1);
    }
    return bits;
  }

  /** {@return the bits of the pad's answer} */
  public List<Boolean> answer(PortKind kind, Held held) {
    List<Boolean> bits = new ArrayList<>();
    kind.order().forEach(name -> bits.add(held.holds(name)));
    kind.axes()
        .forEach(axis -> bits.addAll(bits((int) Math.round((held.at(axis) * 2 - 1) * SIGNED))));
    return bits;
  }

  /** Sends bits and a stop bit, then does something. */
  private static void send(Side side, SignalLine data, List<Boolean> bits, Runnable then) {
    if (bits.isEmpty()) {
      side.pullLow(data, true);
      side.after(
          Timed.SHORT_LOW,
          () -> {
            side.letGo(data);
            then.run();
          });
      return;
    }
    long bit = side.lasts(Timed.BIT);
    side.pullLow(data, true);
    side.after(bits.get(0) ? Timed.SHORT_LOW : Timed.LONG_LOW, () -> side.letGo(data));
    side.afterNs(bit, () -> send(side, data, bits.subList(1, bits.size()), then));
  }

  /** Takes bits after each fall. */
  private static final class Ear {
    private final Side side;
    private final SignalLine data;
    private final List<Level> taken = new ArrayList<>();
    private final Consumer<List<Level>> got;
    private boolean listens;

    Ear(Side side, SignalLine data, Consumer<List<Level>> got) {
      this.side = side;
      this.data = data;
      this.got = got;
      side.hear(data, this::heard);
    }

    void listen(boolean on) {
      listens = on;
      taken.clear();
    }

    private void heard(Level level) {
      if (listens && level != Level.HIGH) {
        side.after(
            Timed.TO_SAMPLE,
            () -> {
              taken.add(side.read(data));
              got.accept(taken);
            });
      }
    }
  }

  @Override
  public void pad(PortKind kind, Supplier<Held> hands, Side side) {
    SignalLine data = kind.line("data");
    side.letGo(data);
    Ear[] ear = new Ear[1];
    ear[0] =
        new Ear(
            side,
            data,
            taken -> {
              if (taken.size() == 9) { // eight bits and the stop bit
                boolean meant =
                    java.util.stream.IntStream.range(0, 8)
                        .allMatch(i -> taken.get(i) == Level.of((question >> 7 - i & 1) == 1));
                ear[0].listen(false);
                side.after(
                    Timed.TO_ANSWER,
                    () -> {
                      if (meant) {
                        send(side, data, answer(kind, hands.get()), () -> ear[0].listen(true));
                      } else {
                        ear[0].listen(true);
                      }
                    });
              }
            });
    ear[0].listen(true);
  }

  @Override
  public Console console(PortKind kind, Side side, Consumer<Reading> told) {
    SignalLine data = kind.line("data");
    side.letGo(data);
    int all = bits(kind) + 1;
    Ear[] ear = new Ear[1];
    ear[0] =
        new Ear(
            side,
            data,
            taken -> {
              if (taken.size() == all) {
                Reading reading = made(kind, side.now(), List.copyOf(taken));
                ear[0].listen(false);
                told.accept(reading);
              }
            });
    long[] turn = new long[1];
    return () -> {
      ear[0].listen(false);
      send(side, data, bits(question), () -> ear[0].listen(true));
      long mine = ++turn[0];
      long patience =
          (10 + all) * kind.time(Timed.BIT).mostNs() + 2 * kind.time(Timed.TO_ANSWER).mostNs();
      side.afterNs(
          patience,
          () -> {
            if (ear[0].listens && turn[0] == mine) {
              ear[0].listen(false);
              told.accept(nobody(kind, side.now()));
            }
          });
    };
  }

  private static Reading nobody(PortKind kind, long now) {
    Map<String, Answer> buttons = new LinkedHashMap<>();
    kind.buttons().forEach(name -> buttons.put(name, Answer.UNCLEAR));
    return new Reading(now, buttons, Map.of(), Answer.NO);
  }

  private static Reading made(PortKind kind, long now, List<Level> taken) {
    Map<String, Answer> buttons = new LinkedHashMap<>();
    for (int i = 0; i < kind.order().size(); i++) {
      Level level = taken.get(i);
      if (!kind.order().get(i).isEmpty()) {
        buttons.put(
            kind.order().get(i), level.clear() ? Answer.of(level == Level.HIGH) : Answer.UNCLEAR);
      }
    }
    Map<String, Double> axes = new LinkedHashMap<>();
    for (int i = 0; i < kind.axes().size(); i++) {
      int from = kind.order().size() + 8 * i;
      Level[] least = new Level[8];
      for (int b = 0; b < 8; b++) {
        least[b] = taken.get(from + 7 - b);
      }
      String axis = kind.axes().get(i);
      Bytes.value(least)
          .ifPresent(value -> axes.put(axis, Math.max(0, ((byte) (int) value / SIGNED + 1) / 2)));
    }
    boolean clear = taken.stream().allMatch(Level::clear);
    return new Reading(now, buttons, axes, clear ? Answer.YES : Answer.UNCLEAR);
  }
}
