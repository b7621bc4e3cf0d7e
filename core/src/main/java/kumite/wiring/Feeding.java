package kumite.wiring;

import java.util.Set;
import java.util.TreeSet;
import kumite.kind.Terminal;
import kumite.name.Joint;
import kumite.name.SeatId;

/** Which boards live on one supply, by the wires as they are. */
public final class Feeding {
  private Feeding() {}

  /** {@return the other seats of whose board a supply is joined to one of the board looked at} */
  public static Set<SeatId> together(Wiring wiring) {
    Set<SeatId> together = new TreeSet<>();
    for (Neighbour neighbour : wiring.neighbours()) {
      if (neighbour instanceof Neighbour.OfSeat other && shares(wiring, other)) {
        together.add(other.seat());
      }
    }
    return together;
  }

  private static boolean shares(Wiring wiring, Neighbour.OfSeat other) {
    for (Terminal mine : wiring.board().terminals(Terminal.Role.SUPPLY)) {
      for (Terminal theirs : other.board().terminals(Terminal.Role.SUPPLY)) {
        boolean joined =
            wiring
                .nets()
                .joined(
                    Joint.board(mine.name()),
                    new Joint(Joint.boardOf(other.seat()), theirs.name()));
        if (joined && mine.volts() == theirs.volts()) {
          return true;
        }
      }
    }
    return false;
  }
}
