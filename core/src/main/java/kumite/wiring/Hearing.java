package kumite.wiring;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.name.Joint;
import kumite.name.SeatId;

/**
 * Who tells the host what a board reads: the board itself, or others that it sends to, by the wires
 * as they are.
 *
 * @param itself whether the board is a device of its own, or the host
 * @param by the seats that pass it on, in order; the last of them is a device; empty where nobody
 *     hears it or nobody need
 */
public record Hearing(boolean itself, List<SeatId> by) {
  public Hearing {
    by = List.copyOf(by);
  }

  /** {@return whether what it reads comes to the host at all} */
  public boolean reaches() {
    return itself || !by.isEmpty();
  }

  private static boolean speaks(BoardKind board) {
    return board.brain().link() != BoardKind.Link.SERIAL;
  }

  /** {@return who hears the board of a wiring} */
  public static Hearing of(Wiring wiring) {
    if (speaks(wiring.board())) {
      return new Hearing(true, List.of());
    }
    Map<SeatId, Neighbour.OfSeat> others = new HashMap<>();
    for (Neighbour neighbour : wiring.neighbours()) {
      if (neighbour instanceof Neighbour.OfSeat seat) {
        others.put(seat.seat(), seat);
      }
    }
    Map<SeatId, List<SeatId>> ways = new HashMap<>();
    Deque<Optional<SeatId>> queue = new ArrayDeque<>();
    queue.add(Optional.empty());
    while (!queue.isEmpty()) {
      Optional<SeatId> at = queue.remove();
      List<SeatId> way = at.map(ways::get).orElse(List.of());
      BoardKind board = at.map(s -> others.get(s).board()).orElse(wiring.board());
      for (Neighbour.OfSeat other : others.values()) {
        boolean known = ways.containsKey(other.seat());
        if (!known && hears(wiring, at, board, other)) {
          List<SeatId> next = new ArrayList<>(way);
          next.add(other.seat());
          if (speaks(other.board())) {
            return new Hearing(false, next);
          }
          ways.put(other.seat(), next);
          queue.add(Optional.of(other.seat()));
        }
      }
    }
    return new Hearing(false, List.of());
  }

  /** {@return whether the board of a wiring and that of another seat have one ground} */
  public static boolean grounded(Wiring wiring, SeatId other) {
    return wiring.neighbours().stream()
        .filter(Neighbour.OfSeat.class::isInstance)
        .map(Neighbour.OfSeat.class::cast)
        .filter(seat -> seat.seat().equals(other))
        .anyMatch(seat -> grounded(wiring, Optional.empty(), wiring.board(), seat));
  }

  /** A sender reaches a receiver, and both boards have one ground. */
  private static boolean hears(
      Wiring wiring, Optional<SeatId> from, BoardKind board, Neighbour.OfSeat to) {
    boolean line = false;
    for (Terminal sends : board.terminals()) {
      for (Terminal takes : to.board().terminals()) {
        line |=
            sends.can(Terminal.Ability.SEND)
                && takes.can(Terminal.Ability.RECEIVE)
                && wiring.nets().joined(place(from, sends), place(Optional.of(to.seat()), takes));
      }
    }
    return line && grounded(wiring, from, board, to);
  }

  private static boolean grounded(
      Wiring wiring, Optional<SeatId> from, BoardKind board, Neighbour.OfSeat to) {
    for (Terminal one : board.terminals(Terminal.Role.GROUND)) {
      for (Terminal other : to.board().terminals(Terminal.Role.GROUND)) {
        if (wiring.nets().joined(place(from, one), place(Optional.of(to.seat()), other))) {
          return true;
        }
      }
    }
    return false;
  }

  private static Joint place(Optional<SeatId> seat, Terminal terminal) {
    return seat.map(s -> new Joint(Joint.boardOf(s), terminal.name()))
        .orElseGet(() -> Joint.board(terminal.name()));
  }
}
