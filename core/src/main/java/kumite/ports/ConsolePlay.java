package kumite.ports;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import kumite.component.Component;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.loom.Console;
import kumite.loom.Loom;
import kumite.loom.Plugged;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.signal.Held;
import kumite.signal.Level;
import kumite.signal.Pin;
import kumite.signal.Play;
import kumite.signal.Reading;
import kumite.signal.SignalLine;
import kumite.signal.Tempo;
import kumite.wiring.Net;
import kumite.wiring.Nets;
import kumite.wiring.Wiring;
import org.jgrapht.alg.util.UnionFind;

/**
 * A console and the build that is its pad, over the wires as they are. Chips follow the levels at
 * their terminals, which contacts close to what they are wired to; a program answers what it knows.
 */
public final class ConsolePlay {
  private static final int FIRST_LOOSE = 1_000_000;

  private final Loom loom;
  private final Wiring wiring;
  private final Nets nets;
  private final Console console;
  private final UnionFind<Integer> joined;
  private final Map<Pin, Integer> loose = new HashMap<>();

  private ConsolePlay(Loom loom, Wiring wiring, Console console, Predicate<ContactId> held) {
    this.loom = loom;
    this.wiring = wiring;
    this.nets = wiring.nets();
    this.console = console;
    this.joined = new UnionFind<>(nets.all().stream().map(Net::number).collect(Collectors.toSet()));
    for (Component part : wiring.parts()) {
      if (part instanceof Component.Pole pole) {
        close(pole.common(), held.test(pole.contact()) ? pole.open() : pole.closed());
      }
    }
  }

  private void close(Joint one, Joint other) {
    Optional<Net> a = nets.of(one);
    Optional<Net> b = nets.of(other);
    if (a.isPresent() && b.isPresent()) {
      joined.union(a.get().number(), b.get().number());
    }
  }

  /**
   * {@return what a console reads; empty where neither chips nor a program answer it}
   *
   * @param held which contacts are held
   * @param known what a program answers; chips need none
   */
  public static Optional<Play> of(
      Loom loom,
      Wiring wiring,
      Console console,
      Predicate<ContactId> held,
      Held known,
      int frames,
      Tempo tempo) {
    BoardKind board = wiring.board();
    ConsolePlay play = new ConsolePlay(loom, wiring, console, held);
    if (console.byCircuit(board)) {
      return Optional.of(
          Play.over(
              console.kind(),
              board.circuit().orElseThrow(),
              pulled(board),
              frames,
              tempo,
              play.over()));
    }
    return console.byProgram(board)
        ? Optional.of(
            Play.over(
                console.kind(), pad -> pad == 1 ? known : Held.NOTHING, frames, tempo, play.over()))
        : Optional.empty();
  }

  /**
   * {@return the first that a console reads, as {@link #of} says, without what comes after it}
   *
   * @param held which contacts are held
   * @param known what a program answers; chips need none
   */
  static Optional<Reading> first(
      Loom loom, Wiring wiring, Console console, Predicate<ContactId> held, Held known) {
    BoardKind board = wiring.board();
    ConsolePlay play = new ConsolePlay(loom, wiring, console, held);
    if (console.byCircuit(board)) {
      return Optional.of(
          Play.first(console.kind(), board.circuit().orElseThrow(), pulled(board), play.over()));
    }
    return console.byProgram(board)
        ? Optional.of(Play.first(console.kind(), known, play.over()))
        : Optional.empty();
  }

  private static Set<String> pulled(BoardKind board) {
    return board.terminals(Terminal.Role.INPUT).stream()
        .filter(t -> t.can(Terminal.Ability.PULL_UP))
        .map(Terminal::name)
        .collect(Collectors.toSet());
  }

  private Play.Over over() {
    Map<Integer, Level> rails = new HashMap<>();
    for (Net net : nets.all()) {
      if (zero(net)) {
        hold(rails, net, Level.LOW);
      } else if (fed(net)) {
        hold(rails, net, Level.HIGH);
      }
    }
    return new Play.Over(this::net, fed() ? List.of(1) : List.of(), Set.of(), rails);
  }

  private void hold(Map<Integer, Level> rails, Net net, Level level) {
    rails.merge(
        joined.find(net.number()), level, (one, other) -> one == other ? one : Level.UNCLEAR);
  }

  /** A board whose ground is not the console's has no level that the console knows. */
  private boolean zero(Net net) {
    return nets.of(console.pin(Plugged.GROUND)).filter(net::equals).isPresent();
  }

  private boolean fed(Net net) {
    boolean own = net.source().isPresent() && !console.byCircuit(wiring.board()) && grounded();
    return own
        || console.fed() && nets.of(console.pin(Plugged.SUPPLY)).filter(net::equals).isPresent();
  }

  private boolean grounded() {
    return wiring.board().terminals(Terminal.Role.GROUND).stream()
        .anyMatch(t -> nets.joined(console.pin(Plugged.GROUND), Joint.board(t.name())));
  }

  /** {@return whether the pad's side has what it needs to say anything} */
  private boolean fed() {
    boolean supplied =
        !console.fed()
            || wiring.board().terminals(Terminal.Role.SUPPLY).stream()
                .anyMatch(t -> nets.joined(console.pin(Plugged.SUPPLY), Joint.board(t.name())));
    return grounded() && (supplied || !console.byCircuit(wiring.board()));
  }

  private int net(Pin pin) {
    return place(pin)
        .flatMap(nets::of)
        .map(net -> joined.find(net.number()))
        .orElseGet(() -> loose.computeIfAbsent(pin, p -> FIRST_LOOSE + loose.size()));
  }

  private Optional<Joint> place(Pin pin) {
    if (pin.side() == Pin.CONSOLE) {
      return Optional.of(console.pin(pin.line()));
    }
    if (console.byCircuit(wiring.board())) {
      return Optional.of(Joint.board(pin.line()));
    }
    SignalLine line = console.kind().line(pin.line());
    return loom.pinOf(console, line, wiring.board()).map(terminal -> Joint.board(terminal.name()));
  }
}
