package kumite.loom;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.port.ConsoleChart;
import kumite.build.port.Port;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.measure.Point;
import kumite.name.ContactId;
import kumite.parts.Catalogue;
import kumite.signal.Packet;
import kumite.signal.Phased;
import kumite.signal.PortKind;
import kumite.signal.SerialBytes;
import kumite.signal.SerialLatch;
import kumite.signal.SignalLine;

/**
 * A console at a port of the seat that is looked at, which the build answers as its pad.
 *
 * @param port the port
 * @param kind its kind
 * @param number its place among the consoles of its seat, 1 upward: the gamepad that answers it
 */
public record Console(Port port, PortKind kind, int number) implements Plugged {
  /** Between two lines of one plug, so that no two tie in the plan. */
  private static final double BESIDE_MM = 0.5;

  /** {@return the consoles of the seat looked at, in the order of its ports} */
  public static List<Console> all(Build build, Catalogue catalogue) {
    List<Console> consoles = new ArrayList<>();
    for (Port port : build.ports().ports()) {
      if (!port.reads() && build.seatOf(port.control()).equals(build.seat().id())) {
        catalogue
            .port(port.kind())
            .ifPresent(kind -> consoles.add(new Console(port, kind, consoles.size() + 1)));
      }
    }
    return List.copyOf(consoles);
  }

  /** {@return what it makes of the gamepad that answers it} */
  public ConsoleChart chart() {
    return new ConsoleChart(kind, number);
  }

  /** {@return whether a board's chips answer it by themselves} */
  public boolean byCircuit(BoardKind board) {
    return board.circuit().filter(c -> c.answers().equals(kind.id())).isPresent() && number == 1;
  }

  /** {@return whether the program that Kumite writes for a board answers it} */
  public boolean byProgram(BoardKind board) {
    boolean written =
        kind.mechanism() instanceof SerialLatch
            || kind.mechanism() instanceof Phased
            || kind.mechanism() instanceof Packet;
    boolean says =
        bytes()
            && board.terminals(Terminal.Role.INPUT).stream()
                .anyMatch(terminal -> terminal.can(Terminal.Ability.SEND));
    return board.brain().needsCode() && (says || written && board.brain().answerMicros() > 0);
  }

  /** {@return whether bytes are sent to it by a serial port of the board, unasked} */
  public boolean bytes() {
    return kind.mechanism() instanceof SerialBytes;
  }

  /** {@return the wires that want terminals of a board that is programmed} */
  List<Line> lines() {
    List<Line> lines = new ArrayList<>();
    for (SignalLine line : kind.lines()) {
      Point at = port.placement().centre();
      lines.add(
          new Line(
              id(line),
              port.label() + " " + line.name().replace('_', ' '),
              need(line),
              new Point(at.xMm() + BESIDE_MM * lines.size(), at.yMm()),
              Optional.empty(),
              List.of(),
              false,
              Optional.empty()));
    }
    return lines;
  }

  /** Edges ask; what is only looked at as they come needs none of its own. */
  private Line.Need need(SignalLine line) {
    if (line.from().byPad()) {
      return bytes() ? Line.Need.SEND : Line.Need.DRIVE;
    }
    return line.name().equals(Packet.COMMAND) ? Line.Need.READ : Line.Need.EDGE;
  }

  /** {@return the id of the wire of one of its lines, as locks and colours name it} */
  public ContactId id(SignalLine line) {
    return new ContactId(port.id(), line.name().replace("_", ""));
  }

  /** {@return the terminal for one of its lines: its circuit's, or the one that was planned} */
  Optional<Terminal> terminal(SignalLine line, BoardKind board, PinPlan plan) {
    return byCircuit(board) ? board.line(line.name()) : plan.of(id(line)).map(PinChoice::terminal);
  }
}
