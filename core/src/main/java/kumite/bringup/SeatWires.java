package kumite.bringup;

import java.util.Map;
import kumite.build.Build;
import kumite.circuit.Inputs;
import kumite.circuit.Solves;
import kumite.kind.BoardKind;
import kumite.loom.Loom;
import kumite.name.ContactId;
import kumite.name.SeatId;

/**
 * One seat with a board, ready for a meter.
 *
 * @param build looked at from that seat
 * @param loom its loom
 * @param board its board
 * @param inputs its wiring as it is, solved
 * @param shown the contacts whose presses reach a host, with what they are there in words
 * @param solves circuits that were solved before
 */
public record SeatWires(
    Build build,
    Loom loom,
    BoardKind board,
    Inputs inputs,
    Map<ContactId, String> shown,
    Solves solves) {
  /** {@return the seat} */
  public SeatId seat() {
    return build.seat().id();
  }
}
