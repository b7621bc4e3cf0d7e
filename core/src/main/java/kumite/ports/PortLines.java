package kumite.ports;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import kumite.kind.BoardKind;
import kumite.kind.Circuit;
import kumite.kind.Terminal;
import kumite.kind.WireColour;
import kumite.lead.Pinout;
import kumite.lead.Plugs;
import kumite.loom.Console;
import kumite.loom.Looks;
import kumite.loom.Loom;
import kumite.loom.Pad;
import kumite.loom.PadInside;
import kumite.loom.PinChoice;
import kumite.loom.Plugged;
import kumite.loom.Strand;
import kumite.name.Joint;
import kumite.signal.SignalLine;
import kumite.wiring.Net;
import kumite.wiring.Place;
import kumite.wiring.Wiring;
import kumite.working.Quantity;
import kumite.working.Working;

/** The lines of a port, each from its pin to the board, over the wires as they are. */
public final class PortLines {
  private PortLines() {}

  /**
   * One line.
   *
   * @param pin the number of the pin; empty where the plug has none for it
   * @param name what it carries
   * @param place the pin of the socket
   * @param colour of the strand at the pin, where one is planned
   * @param strand that strand's number
   * @param terminal the board's terminals that it is joined to, as it is
   * @param level what stands there, in words
   * @param shares the labels of other ports that it is joined to; of signals only
   * @param planned the terminal that the plan wants; empty for supply and ground
   */
  public record Line(
      String pin,
      String name,
      Joint place,
      Optional<WireColour> colour,
      Optional<String> strand,
      List<String> terminal,
      String level,
      List<String> shares,
      Optional<String> planned) {
    public Line {
      terminal = List.copyOf(terminal);
      shares = List.copyOf(shares);
    }

    /** {@return whether it ends where the plan wants it} */
    public boolean asPlanned() {
      return planned.map(wanted -> terminal.equals(List.of(wanted))).orElse(!terminal.isEmpty());
    }
  }

  /** {@return the lines of a port, in the order of its pins} */
  public static List<Line> of(
      Loom loom, Looks looks, Wiring wiring, BoardKind board, Plugged plugged) {
    List<Line> lines = new ArrayList<>();
    Optional<Pinout> pinout = Plugs.standard().pinout(plugged.kind().pinout());
    for (Pinout.Pin pin : pinout.map(Pinout::pins).orElse(List.of())) {
      Optional<SignalLine> signal =
          plugged.kind().lines().stream().filter(l -> l.pin().equals(pin.pin())).findFirst();
      String words = pin.function().words();
      if (signal.isPresent()) {
        lines.add(
            plugged instanceof Pad pad
                ? line(loom, looks, wiring, pad, signal.get())
                : line(loom, wiring, board, (Console) plugged, signal.get()));
      } else if (words.equals(Plugged.GROUND) || words.equals(Plugged.SUPPLY) && plugged.fed()) {
        lines.add(supply(loom, wiring, board, plugged, pin.pin(), words));
      }
    }
    return lines;
  }

  private static Line line(
      Loom loom, Wiring wiring, BoardKind board, Console console, SignalLine line) {
    Optional<String> planned = loom.pinOf(console, line, board).map(Terminal::name);
    String level =
        planned.isEmpty()
            ? "no terminal"
            : line.from().byPad()
                ? line.pull().map(ohm -> "out, the console pulls it up").orElse("out")
                : "in, idle " + line.idle().word();
    return made(
        loom, wiring, console, line.pin(), line.name(), console.pin(line.name()), level, planned);
  }

  private static Line line(Loom loom, Looks looks, Wiring wiring, Pad pad, SignalLine line) {
    Joint place = pad.pin(line.name());
    Optional<String> planned = loom.pinOf(pad, line).map(pin -> pin.terminal().name());
    String level =
        planned.isEmpty()
            ? "no terminal"
            : line.from() == SignalLine.From.CONSOLE
                ? "out, idle " + line.idle().word()
                : "in, " + pull(loom, looks, pad, line);
    return made(loom, wiring, pad, line.pin(), line.name(), place, level, planned);
  }

  private static String pull(Loom loom, Looks looks, Pad pad, SignalLine line) {
    if (pad.hosted()) {
      return Working.number(pad.kind().lineVolts(), 1) + " V, of a pair";
    }
    if (PadInside.pulledAtSocket(pad, line)) {
      return Quantity.OHM.words(line.pull().orElseThrow()) + " at the socket";
    }
    Looks.Pull pull =
        loom.pinOf(pad, line)
            .map(PinChoice::terminal)
            .map(Terminal::name)
            .map(name -> looks.pulls().getOrDefault(name, Looks.Pull.NONE))
            .orElse(Looks.Pull.NONE);
    return pull == Looks.Pull.NONE ? "no pull inside" : pull.words() + " inside";
  }

  private static Line supply(
      Loom loom, Wiring wiring, BoardKind board, Plugged plugged, String pin, String words) {
    Joint place = plugged.pin(words);
    Optional<Net> net = wiring.nets().of(place);
    String level =
        net.filter(Net::grounded).isPresent()
            ? Working.number(0, 2) + " V"
            : net.flatMap(Net::source)
                .map(source -> Working.number(source.volts(), 2) + " V")
                .orElse(
                    words.equals(Plugged.SUPPLY)
                        ? "nothing; wants " + Working.number(volts(plugged, board), 1) + " V"
                        : "not joined");
    return made(loom, wiring, plugged, pin, words, place, level, Optional.empty());
  }

  private static double volts(Plugged plugged, BoardKind board) {
    return plugged instanceof Pad pad ? pad.feedVolts(board) : plugged.kind().volts();
  }

  /** Whether a terminal is there only since the board's own copper joins it to a line's. */
  private static boolean behind(BoardKind board, Net net, String tab) {
    return board.circuit().stream()
        .flatMap(circuit -> circuit.ways().stream())
        .anyMatch(
            way ->
                way instanceof Circuit.Straight straight
                    && straight.in().equals(tab)
                    && net.places().stream()
                        .anyMatch(p -> p.joint().equals(Joint.board(straight.out()))));
  }

  private static Line made(
      Loom loom,
      Wiring wiring,
      Plugged plugged,
      String pin,
      String name,
      Joint place,
      String level,
      Optional<String> planned) {
    Optional<Strand> strand =
        loom.strands().stream()
            .filter(s -> s.from().place().equals(place) || s.to().place().equals(place))
            .findFirst();
    List<String> terminals = new ArrayList<>();
    List<String> shares = new ArrayList<>();
    wiring
        .nets()
        .of(place)
        .ifPresent(
            net -> {
              // A board joins its supplies and its grounds inside: one of them says it.
              net.places().stream()
                  .filter(Place::own)
                  .map(p -> p.joint().tab())
                  .filter(tab -> planned.isEmpty() || !behind(wiring.board(), net, tab))
                  .limit(planned.isEmpty() ? 1 : Integer.MAX_VALUE)
                  .forEach(terminals::add);
              if (planned.isEmpty()) {
                return;
              }
              Stream.<Plugged>concat(loom.pads().stream(), loom.consoles().stream())
                  .filter(other -> !other.equals(plugged))
                  .filter(
                      other ->
                          net.places().stream()
                              .anyMatch(p -> p.joint().part().equals(other.port().id().text())))
                  .map(other -> other.port().label())
                  .forEach(shares::add);
            });
    return new Line(
        pin,
        name.replace('_', ' '),
        place,
        strand.map(Strand::colour),
        strand.map(Strand::id),
        terminals,
        level,
        shares,
        planned);
  }
}
