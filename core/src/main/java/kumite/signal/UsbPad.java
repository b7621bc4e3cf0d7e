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
 * A pad that is a USB device: asked for a report each frame, it answers with its buttons and axes,
 * and is told that they came. Two lines that turn against each other; 1.5 kohm at the device and 15
 * kohm at the host say at rest that it is there (USB 2.0, 7.1.5).
 *
 * @param full whether at full speed, 12 Mbit/s; else at low speed, 1.5 Mbit/s
 * @param report where its report says what; empty for a bit a button, 1 for held, then a byte an
 *     axis
 */
public record UsbPad(boolean full, Optional<UsbReport> report) implements Mechanism {
  private static final double FULL_BIT_NS = 1000 / 12.0;
  private static final double LOW_BIT_NS = 1000 / 1.5;
  private static final double DEVICE_OHM = 1500;
  private static final double HOST_OHM = 15_000;

  /** What it was given when it was plugged in, and where its reports come from. */
  private static final int ADDRESS = 1;

  private static final int ENDPOINT = 1;

  /** Bits after which a host gives an answer up (USB 2.0, 7.1.19, from memory: 16 to 18). */
  private static final int PATIENCE = 18;

  private static final int MOST_LOW_BYTES = 8;
  private static final int MOST_FULL_BYTES = 64;

  @Override
  public Set<Timed> times() {
    return EnumSet.of(Timed.FRAME, Timed.TO_ANSWER);
  }

  private double bitNs() {
    return full ? FULL_BIT_NS : LOW_BIT_NS;
  }

  @Override
  public void check(PortKind kind) {
    kind.only(Set.of("data_plus", "data_minus"));
    kind.from("data_plus", SignalLine.From.BOTH);
    kind.from("data_minus", SignalLine.From.BOTH);
    report.ifPresent(r -> r.check(kind.buttons(), kind.axes()));
    int size = Bytes.count(kind.order()) + kind.axes().size();
    if (report.isPresent()) {
      size = report.get().size();
    }
    int most = full ? MOST_FULL_BYTES : MOST_LOW_BYTES;
    if (size == 0 || size > most) {
      throw new IllegalArgumentException(
          "a report is of 1 to " + most + " bytes at this speed, but this one is of " + size);
    }
    if (kind.time(Timed.TO_ANSWER).mostNs() > PATIENCE * bitNs()) {
      throw new IllegalArgumentException(
          "the host gives up after " + PATIENCE + " bits: to_answer must be shorter");
    }
    long reading = (long) ((40 + 16 + (size + 6) * 10 + 30 + 2 * PATIENCE) * bitNs());
    if (kind.time(Timed.FRAME).leastNs() <= reading) {
      throw new IllegalArgumentException("a frame is shorter than question and report");
    }
  }

  /** {@return where the reports of a port of its kind say what} */
  public UsbReport layout(PortKind kind) {
    return report.orElseGet(() -> UsbReport.plain(kind.order(), kind.axes()));
  }

  /** {@return the report, its id first where it has one} */
  public List<Integer> report(PortKind kind, Held held) {
    return layout(kind).of(held);
  }

  /** Question and answer, their ends and the turn between them; without stuffed bits. */
  @Override
  public long readingNs(PortKind kind) {
    int bits =
        UsbPackets.symbols(UsbPackets.in(ADDRESS, ENDPOINT)).size()
            + UsbPackets.symbols(UsbPackets.data(false, report(kind, Held.NOTHING))).size();
    return Math.round(bits * bitNs()) + kind.time(Timed.TO_ANSWER).usualNs();
  }

  /** Sends and hears packets for one side. */
  private final class Port {
    private final Side side;
    private final SignalLine plus;
    private final SignalLine minus;
    private final Consumer<List<Integer>> came;
    private final List<UsbPackets.Symbol> heard = new ArrayList<>();
    private UsbPackets.Symbol stands = UsbPackets.Symbol.J;
    private long since;
    private boolean sends;
    private boolean asked;

    Port(PortKind kind, Side side, Consumer<List<Integer>> came) {
      this.side = side;
      this.plus = kind.line("data_plus");
      this.minus = kind.line("data_minus");
      this.came = came;
      side.hear(plus, level -> changed());
      side.hear(minus, level -> changed());
    }

    void send(List<Integer> packet, Runnable then) {
      List<UsbPackets.Symbol> symbols = UsbPackets.symbols(packet);
      sends = true;
      for (int i = 0; i < symbols.size(); i++) {
        UsbPackets.Symbol symbol = symbols.get(i);
        side.afterNs(Math.round(i * bitNs()), () -> drive(symbol));
      }
      side.afterNs(
          Math.round(symbols.size() * bitNs()),
          () -> {
            side.letGo(plus);
            side.letGo(minus);
            side.afterNs(0, () -> sends = false);
            then.run();
          });
    }

    private void drive(UsbPackets.Symbol symbol) {
      boolean rest = symbol == UsbPackets.Symbol.J;
      boolean none = symbol == UsbPackets.Symbol.NONE;
      side.drive(plus, !none && rest == full);
      side.drive(minus, !none && rest != full);
    }

    /** Both lines may turn at one moment: what counts is how they stand after it. */
    private void changed() {
      if (!asked) {
        asked = true;
        side.afterNs(
            0,
            () -> {
              asked = false;
              look();
            });
      }
    }

    private void look() {
      Level p = side.read(plus);
      Level m = side.read(minus);
      UsbPackets.Symbol now =
          p == Level.LOW && m == Level.LOW
              ? UsbPackets.Symbol.NONE
              : (p == Level.HIGH) == full ? UsbPackets.Symbol.J : UsbPackets.Symbol.K;
      boolean clear = p.clear() && m.clear() && !(p == Level.HIGH && m == Level.HIGH);
      if (!clear) {
        heard.clear();
        since = side.now();
        stands = UsbPackets.Symbol.J;
        return;
      }
      if (now == stands) {
        return;
      }
      long bits = Math.round((side.now() - since) / bitNs());
      boolean within = stands == UsbPackets.Symbol.K || !heard.isEmpty();
      for (int i = 0; within && stands != UsbPackets.Symbol.NONE && i < Math.min(bits, 8); i++) {
        heard.add(stands);
      }
      since = side.now();
      UsbPackets.Symbol before = stands;
      stands = now;
      if (before == UsbPackets.Symbol.NONE) { // the end of a packet is over: who answers may
        List<Integer> packet = UsbPackets.packet(heard);
        heard.clear();
        if (!sends && !packet.isEmpty()) {
          came.accept(packet);
        }
      }
    }
  }

  @Override
  public void pad(PortKind kind, Supplier<Held> hands, Side side) {
    side.pull(kind.line(full ? "data_plus" : "data_minus"), DEVICE_OHM, true);
    boolean[] odd = new boolean[1];
    Port[] port = new Port[1];
    port[0] =
        new Port(
            kind,
            side,
            packet -> {
              if (packet.equals(UsbPackets.in(ADDRESS, ENDPOINT))) {
                List<Integer> data = UsbPackets.data(odd[0], report(kind, hands.get()));
                side.after(Timed.TO_ANSWER, () -> port[0].send(data, () -> {}));
              } else if (packet.equals(List.of(UsbPackets.ACK))) {
                odd[0] = !odd[0];
              }
            });
  }

  @Override
  public Console console(PortKind kind, Side side, Consumer<Reading> told) {
    side.pull(kind.line("data_plus"), HOST_OHM, false);
    side.pull(kind.line("data_minus"), HOST_OHM, false);
    boolean[] waits = new boolean[1];
    Port[] port = new Port[1];
    port[0] =
        new Port(
            kind,
            side,
            packet -> {
              if (waits[0]) {
                waits[0] = false;
                Reading reading = made(kind, side.now(), packet);
                told.accept(reading);
                if (reading.presence() == Answer.YES) {
                  side.after(
                      Timed.TO_ANSWER, () -> port[0].send(List.of(UsbPackets.ACK), () -> {}));
                }
              }
            });
    long whole = Math.round((PATIENCE + 40 + (layout(kind).size() + 4) * 10) * bitNs());
    long[] turn = new long[1];
    return () ->
        port[0].send(
            UsbPackets.in(ADDRESS, ENDPOINT),
            () -> {
              waits[0] = true;
              long mine = ++turn[0];
              side.afterNs(
                  whole,
                  () -> {
                    if (waits[0] && turn[0] == mine) {
                      waits[0] = false;
                      told.accept(made(kind, side.now(), List.of()));
                    }
                  });
            });
  }

  private Reading made(PortKind kind, long now, List<Integer> packet) {
    UsbReport layout = layout(kind);
    int size = layout.size();
    List<Integer> said = packet.size() == size + 3 ? packet.subList(1, size + 1) : List.of();
    boolean data =
        !said.isEmpty()
            && layout.is(said)
            && (packet.equals(UsbPackets.data(false, said))
                || packet.equals(UsbPackets.data(true, said)));
    Set<String> held = data ? layout.held(said) : Set.of();
    Map<String, Answer> buttons = new LinkedHashMap<>();
    for (String button : kind.buttons()) {
      buttons.put(button, data ? Answer.of(held.contains(button)) : Answer.UNCLEAR);
    }
    Map<String, Double> axes = data ? layout.axes(said) : Map.of();
    Answer presence = packet.isEmpty() ? Answer.NO : data ? Answer.YES : Answer.UNCLEAR;
    return new Reading(now, buttons, axes, presence);
  }
}
