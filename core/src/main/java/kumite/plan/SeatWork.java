package kumite.plan;

import java.util.Optional;
import kumite.build.Build;
import kumite.kind.BoardKind;
import kumite.loom.Loom;
import kumite.name.SeatId;

/**
 * What is wired at one seat.
 *
 * @param build looked at from that seat
 * @param loom its loom
 * @param board its board, if one is chosen
 */
public record SeatWork(Build build, Loom loom, Optional<BoardKind> board) {
  SeatId seat() {
    return build.seat().id();
  }

  /** {@return its name as rules tell boards apart} */
  String at() {
    return "seat " + seat();
  }

  /** {@return behind an id that each seat has: empty where there is only one} */
  String suffix() {
    return build.seats().size() > 1 ? "-" + seat() : "";
  }

  /** {@return in words which seat is meant; empty where there is only one} */
  String words() {
    return build.seats().size() > 1 ? " (" + seat() + ")" : "";
  }
}
