package kumite.signal;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.IntFunction;
import java.util.function.ToIntFunction;
import kumite.kind.Circuit;
import kumite.measure.Check;

/**
 * Both sides of a kind of port, talking for a while.
 *
 * <pre>{@code
 * PortKind kind = PortFile.standard().needed("serial-latch-16");
 * Play play = Play.straight(kind, Held.of(kind, List.of("A")), 1, Tempo.usual(kind));
 * play.readings().get(0).held(); // [A]
 * }</pre>
 *
 * @param waveform the lines as the console's side sees them
 * @param readings what the console made of each frame, in order
 */
public record Play(Waveform waveform, List<Reading> readings) {
  /** Lines rest so long, in ns, before the first frame, so that its first edge is one. */
  public static final long REST_NS = 100_000;

  /** The pull-ups of contacts: common practice, no source. */
  private static final double PULL_OHM = 10_000;

  /** More frames than this in one play are taken for a slip. */
  public static final int MOST_FRAMES = 10_000;

  public Play {
    readings = List.copyOf(readings);
  }

  /**
   * How the sides are joined.
   *
   * @param joins the number of the net that a pin is on
   * @param pads the numbers of the pads that are plugged in and fed
   * @param unpulled lines of the console's side whose pull-up is missing
   * @param rails nets that are held at a level whatever the sides do, by number
   */
  public record Over(
      ToIntFunction<Pin> joins,
      List<Integer> pads,
      Set<String> unpulled,
      Map<Integer, Level> rails) {
    public Over {
      pads = List.copyOf(pads);
      unpulled = Set.copyOf(unpulled);
      rails = Map.copyOf(rails);
    }

    /** Where no net is held. */
    public Over(ToIntFunction<Pin> joins, List<Integer> pads, Set<String> unpulled) {
      this(joins, pads, unpulled, Map.of());
    }

    /** One pad, each of its lines at its own place, all pulled as they should be. */
    public static Over straight() {
      Map<String, Integer> nets = new HashMap<>();
      return new Over(
          pin -> nets.computeIfAbsent(pin.line(), line -> nets.size()), List.of(1), Set.of());
    }

    /** {@return the same without the pad} */
    public Over empty() {
      return new Over(joins, List.of(), unpulled, rails);
    }

    /** {@return the same without the pull-ups of some lines} */
    public Over without(Set<String> pulls) {
      return new Over(joins, pads, pulls, rails);
    }
  }

  /** Lets a pad and a console talk over a straight lead while hands stand still. */
  public static Play straight(PortKind kind, Held held, int frames, Tempo tempo) {
    return over(kind, pad -> pad == 1 ? held : Held.NOTHING, frames, tempo, Over.straight());
  }

  /**
   * Lets pads and a console talk.
   *
   * @param hands what is held at a pad, by its number; asked whenever it looks
   * @param frames how often the console asks
   * @param over how they are joined
   * @throws IllegalArgumentException if there are no frames, or too many
   */
  public static Play over(
      PortKind kind, IntFunction<Held> hands, int frames, Tempo tempo, Over over) {
    return talk(
        kind, frames, tempo, over, false, false, bus -> pads(kind, hands, tempo, over, bus));
  }

  /**
   * {@return what a board makes of pads while hands stand still, as soon as a reading tells all of
   * it; empty if none does}
   *
   * <p>It asks as the programs do that are written for it, or else as a console does.
   *
   * @param hands what is held at each pad, the first first
   */
  public static Optional<Reading> heard(PortKind kind, List<Held> hands, Over over) {
    Tempo tempo = Tempo.usual(kind);
    int frames = hands.stream().mapToInt(kind.mechanism()::frames).max().orElse(1);
    List<Reading> readings =
        talk(
                kind,
                frames,
                tempo,
                over,
                frames == 1,
                true,
                bus -> pads(kind, pad -> hands.get(pad - 1), tempo, over, bus))
            .readings();
    return readings.isEmpty() ? Optional.empty() : Optional.of(readings.get(readings.size() - 1));
  }

  /**
   * Lets pads and a board talk, which asks as the programs do that are written for it, or else as a
   * console does.
   *
   * @param hands what is held at a pad, by its number; asked whenever it looks
   * @throws IllegalArgumentException if there are no frames, or too many
   */
  public static Play asked(
      PortKind kind, IntFunction<Held> hands, int frames, Tempo tempo, Over over) {
    return talk(kind, frames, tempo, over, false, true, bus -> pads(kind, hands, tempo, over, bus));
  }

  private static void pads(
      PortKind kind, IntFunction<Held> hands, Tempo tempo, Over over, Bus bus) {
    for (int pad : over.pads()) {
      kind.mechanism().pad(kind, () -> hands.apply(pad), new Side(bus, pad, tempo));
    }
  }

  /**
   * Lets logic chips and a console talk.
   *
   * @param circuit the chips; their pins are those of the first pad, named by their terminals
   * @param pulled terminals with a pull-up to the supply
   * @param over how they are joined; without the first pad the chips have no supply
   * @throws IllegalArgumentException if there are no frames, or too many
   */
  public static Play over(
      PortKind kind, Circuit circuit, Set<String> pulled, int frames, Tempo tempo, Over over) {
    return talk(
        kind,
        frames,
        tempo,
        over,
        false,
        false,
        bus -> chips(kind, circuit, pulled, tempo, over, bus));
  }

  private static void chips(
      PortKind kind, Circuit circuit, Set<String> pulled, Tempo tempo, Over over, Bus bus) {
    long answer = kind.times().containsKey(Timed.ANSWER) ? tempo.of(Timed.ANSWER) : 0;
    if (over.pads().contains(1)) {
      pulled.forEach(name -> bus.pull(new Pin(1, name), PULL_OHM, true));
      Gates.begin(circuit, bus, 1, answer);
    }
  }

  /** {@return the first that a console makes of a pad; nothing is played beyond it} */
  public static Reading first(PortKind kind, Held held, Over over) {
    Tempo tempo = Tempo.usual(kind);
    return talk(
            kind,
            1,
            tempo,
            over,
            true,
            false,
            bus -> pads(kind, pad -> pad == 1 ? held : Held.NOTHING, tempo, over, bus))
        .readings()
        .get(0);
  }

  /** {@return the first that a console makes of logic chips; nothing is played beyond it} */
  public static Reading first(PortKind kind, Circuit circuit, Set<String> pulled, Over over) {
    Tempo tempo = Tempo.usual(kind);
    return talk(
            kind,
            1,
            tempo,
            over,
            true,
            false,
            bus -> chips(kind, circuit, pulled, tempo, over, bus))
        .readings()
        .get(0);
  }

  /**
   * @param once whether it is over with the first reading
   * @param board whether a board asks, else a console
   * @param far sets up the pad's side
   */
  private static Play talk(
      PortKind kind,
      int frames,
      Tempo tempo,
      Over over,
      boolean once,
      boolean board,
      Consumer<Bus> far) {
    Check.between(1, MOST_FRAMES, frames, "number of frames");
    Bus bus = new Bus(over.joins());
    over.rails().forEach(bus::hold);
    Waveform.Recorder recorder =
        new Waveform.Recorder(kind.lines().stream().map(SignalLine::name).toList());
    for (SignalLine line : kind.lines()) {
      Pin pin = new Pin(Pin.CONSOLE, line.name());
      bus.hear(pin, level -> recorder.note(bus.now(), line.name(), level));
      recorder.note(0, line.name(), bus.level(pin)); // what a rail holds never changes
      if (!over.unpulled().contains(line.name())) {
        line.pull().ifPresent(ohm -> bus.pull(pin, ohm, true));
      }
    }
    List<Reading> readings = new ArrayList<>();
    Side side = new Side(bus, Pin.CONSOLE, tempo);
    Optional<Asking> asking = kind.mechanism().asking(kind).filter(a -> board);
    Mechanism.Console console =
        asking.isPresent()
            ? asking.get().board(kind, side, readings::add)
            : kind.mechanism().console(kind, side, readings::add);
    far.accept(bus);
    long end = REST_NS;
    for (int i = 0; i < frames; i++) {
      bus.after(end - bus.now(), console::frame);
      end += tempo.of(Timed.FRAME);
      bus.run(end - 1, () -> once && !readings.isEmpty());
    }
    return new Play(recorder.done(end), readings);
  }
}
