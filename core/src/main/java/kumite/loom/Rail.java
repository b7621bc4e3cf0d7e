package kumite.loom;

import java.util.List;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.kind.Terminal;
import kumite.kind.WireColour;
import kumite.working.Working;

/** A side that many parts share: where it comes from on the board, and how its wires look. */
public sealed interface Rail {
  /** {@return the board's terminals that give it, in the order of the board; may be empty} */
  List<Terminal> terminals(BoardKind board);

  /** {@return in words for people} */
  String words();

  /** {@return what its strands are for} */
  Serves serves();

  /** {@return the colour of its wires: black ground, red supply} */
  default WireColour colour() {
    return WireColour.of(WireColour.Hue.RD);
  }

  /** The board's ground. */
  record Ground() implements Rail {
    @Override
    public List<Terminal> terminals(BoardKind board) {
      List<Terminal> common = board.terminals(Terminal.Role.COMMON);
      return board.common() == Common.GROUND && !common.isEmpty()
          ? common
          : board.terminals(Terminal.Role.GROUND);
    }

    @Override
    public String words() {
      return "ground";
    }

    @Override
    public Serves serves() {
      return Serves.GROUND;
    }

    @Override
    public WireColour colour() {
      return WireColour.of(WireColour.Hue.BK);
    }
  }

  /** The shared side of contacts on a board that feeds them from a common of its own. */
  record Shared() implements Rail {
    @Override
    public List<Terminal> terminals(BoardKind board) {
      return board.common() == Common.RAIL ? board.terminals(Terminal.Role.COMMON) : List.of();
    }

    @Override
    public String words() {
      return "rail";
    }

    @Override
    public Serves serves() {
      return Serves.COMMON;
    }
  }

  /**
   * A supply.
   *
   * @param volts what it gives
   */
  record Supply(double volts) implements Rail {
    @Override
    public List<Terminal> terminals(BoardKind board) {
      return board.terminals(Terminal.Role.SUPPLY).stream()
          .filter(t -> t.volts() == volts)
          .toList();
    }

    @Override
    public String words() {
      return "supply " + Working.number(volts, 1) + " V";
    }

    @Override
    public Serves serves() {
      return Serves.SUPPLY;
    }
  }

  /**
   * One terminal that feeds a lamp by being driven.
   *
   * @param terminal its name
   */
  record Driven(String terminal) implements Rail {
    @Override
    public List<Terminal> terminals(BoardKind board) {
      return board.terminal(terminal).map(List::of).orElse(List.of());
    }

    @Override
    public String words() {
      return "terminal " + terminal;
    }

    @Override
    public Serves serves() {
      return Serves.LAMP;
    }
  }

  /** {@return the side that a contact's shared tab lands on} */
  static Rail of(Common common, BoardKind board) {
    if (common == Common.GROUND) {
      return new Ground();
    }
    return board.common() == Common.RAIL && !board.terminals(Terminal.Role.COMMON).isEmpty()
        ? new Shared()
        : new Supply(board.logicVolts());
  }
}
