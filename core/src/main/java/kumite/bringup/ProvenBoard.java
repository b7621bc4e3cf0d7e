package kumite.bringup;

import java.util.ArrayList;
import java.util.List;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Seat;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.name.SeatId;

/** A board whose second sides were proven to be one common: the same board with that as ground. */
final class ProvenBoard {
  private ProvenBoard() {}

  /** {@return the board with its second sides joined} */
  static BoardKind of(BoardKind board) {
    List<Terminal> terminals = new ArrayList<>();
    for (Terminal t : board.terminals()) {
      terminals.add(
          t.role() == Terminal.Role.RETURN
              ? new Terminal(
                  t.name(),
                  Terminal.Role.GROUND,
                  t.at(),
                  t.side(),
                  t.abilities(),
                  t.keep(),
                  t.fixed(),
                  t.volts())
              : t);
    }
    return board.remade(board.id() + "-shared", board.name() + ", common proven", terminals);
  }

  /** {@return a build whose seat has the proven board, which belongs to the build} */
  static Build taken(Build build, SeatId seat, BoardKind proven) {
    List<Seat> seats = new ArrayList<>();
    for (Seat other : build.seats()) {
      seats.add(
          other.id().equals(seat)
              ? other.withBoard(
                  other
                      .board()
                      .map(
                          choice ->
                              new BoardChoice(
                                  proven.id(),
                                  choice.placement(),
                                  choice.seat(),
                                  choice.stripped())))
              : other);
    }
    return build.withOwnBoard(proven).withSeats(seats);
  }
}
