package kumite.loom;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.port.Port;
import kumite.build.port.PortBook;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.signal.KeyFrame;
import kumite.signal.OneShot;
import kumite.signal.Phased;
import kumite.signal.PortKind;
import kumite.signal.SerialBytes;
import kumite.signal.SerialLatch;
import kumite.signal.UsbPad;

/**
 * A pad at a port of the seat that is looked at.
 *
 * @param port the port
 * @param kind its kind
 */
public record Pad(Port port, PortKind kind) implements Plugged {
  static Optional<Pad> of(Build build, Catalogue catalogue, Control control) {
    return catalogue
        .portOf(control)
        .flatMap(kind -> build.ports().port(control.id()).map(port -> new Pad(port, kind)));
  }

  /** {@return the pads of the seat looked at, in the order of its ports} */
  public static List<Pad> all(Build build, Catalogue catalogue) {
    return build.seated().stream()
        .flatMap(control -> of(build, catalogue, control).stream())
        .toList();
  }

  /** {@return whether what it says is heard as frames: no wire says it by its level alone} */
  public boolean framed() {
    return !levels();
  }

  /** {@return whether it is a USB device, which wants a host at the board} */
  public boolean hosted() {
    return kind.mechanism() instanceof UsbPad;
  }

  /** {@return whether it sends bytes by itself, so that a serial port takes them in} */
  public boolean serial() {
    return kind.mechanism() instanceof SerialBytes;
  }

  /** {@return whether the program is told whole reports of it} */
  public boolean tells() {
    return hosted() || serial();
  }

  /** {@return whether the programs that Kumite writes for a board read such a pad} */
  public boolean written(BoardKind board) {
    return levels()
        || kind.mechanism().asking(kind).isPresent()
        || clocked() && board.brain().answerMicros() > 0
        || tells() && brings(board);
  }

  /** {@return whether it clocks bytes out by itself, so that its edges must be caught} */
  public boolean clocked() {
    return kind.mechanism() instanceof KeyFrame;
  }

  /**
   * {@return whether a board asks it in frames: it says nothing by itself, and no host brings it}
   */
  public boolean asked() {
    return framed() && !clocked() && !tells();
  }

  /** Whether a board has what brings its reports; the system of a computer's header is none. */
  private boolean brings(BoardKind board) {
    boolean there =
        hosted()
            ? board.hosts()
            : board.terminals(Terminal.Role.INPUT).stream()
                .anyMatch(t -> t.can(Terminal.Ability.RECEIVE));
    return there && board.brain().link() != BoardKind.Link.HEADER;
  }

  /** Its lines are looked at as those of contacts, registers and multiplexers are. */
  private boolean levels() {
    return kind.mechanism() instanceof SerialLatch latch
            && latch.take() == SerialLatch.Take.BEFORE_RISE
        || kind.mechanism() instanceof Phased phased && phased.phases().size() <= 2
        || kind.mechanism() instanceof OneShot;
  }

  /** {@return the line of a button or axis that is on one by itself} */
  Optional<String> ownLine(String button) {
    return Optional.ofNullable(kind.mechanism().ownLines(kind).get(button));
  }

  /** {@return whether each button and axis is on a line of its own} */
  boolean plain() {
    return !kind.mechanism().ownLines(kind).isEmpty();
  }

  /**
   * {@return what it is fed with: as the builder chose, else the board's logic supply where it
   * works from that, else the supply that is its own}
   */
  public double feedVolts(BoardKind board) {
    return port.feedVolts()
        .orElseGet(
            () -> {
              boolean enough = board.logicVolts() >= kind.worksFromVolts();
              boolean there =
                  board.terminals(Terminal.Role.SUPPLY).stream()
                      .anyMatch(t -> t.volts() == board.logicVolts());
              return enough && there && board.logicVolts() <= kind.volts()
                  ? board.logicVolts()
                  : kind.volts();
            });
  }

  /** {@return the name of the group that pads of this kind share their lines in, if they do} */
  ControlId bus() {
    return new ControlId(tells() ? "port-" + port.id().text() : "ports-" + kind.id());
  }

  /** {@return the ids of the wires of all ports, as locks and colours name them} */
  public static Set<ContactId> lines(PortBook ports) {
    Set<ContactId> lines = new HashSet<>();
    for (Port port : ports.ports()) {
      if (!port.reads()) {
        ports
            .kindOf(port)
            .map(kind -> new Console(port, kind, 1))
            .ifPresent(
                console -> console.kind().lines().forEach(line -> lines.add(console.id(line))));
        continue;
      }
      ports
          .kindOf(port)
          .map(kind -> new Pad(port, kind))
          .ifPresent(
              pad -> pad.kind().lines().forEach(line -> lines.add(PadGrouping.id(pad, line))));
    }
    return lines;
  }
}
