package kumite.verdict;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.circuit.Wired;
import kumite.firmware.Blueprint;
import kumite.firmware.Heard;
import kumite.kind.BoardKind;
import kumite.name.SeatId;
import kumite.wiring.Hearing;

/** Boards that are no devices of their own, and whose program passes on what they tell. */
final class Passing {
  private Passing() {}

  /** {@return the boards whose reports the program of a seat's board passes on} */
  static List<Heard> heard(List<Desk> desks, SeatId by) {
    List<Heard> heard = new ArrayList<>();
    for (Desk desk : desks) {
      boolean here = hearing(desk).filter(h -> h.by().equals(List.of(by))).isPresent();
      if (here && why(desks, desk).isEmpty()) {
        blueprint(desk).map(Heard::of).ifPresent(heard::add);
      }
    }
    return heard;
  }

  /**
   * {@return why no program that Kumite writes passes on what a seat's board tells, though the
   * wires would; empty where one does, and where nobody need}
   */
  static Optional<String> why(List<Desk> desks, Desk tells) {
    List<SeatId> by = hearing(tells).map(Hearing::by).orElse(List.of());
    if (by.isEmpty()) {
      return Optional.empty();
    }
    if (by.size() > 1) {
      return Optional.of(
          "what goes over the board of seat "
              + by.get(0)
              + " first is passed on by none: join it to the one that is a device");
    }
    Optional<Wired> hears =
        desks.stream()
            .filter(desk -> desk.build().seat().id().equals(by.get(0)))
            .flatMap(desk -> desk.circuit().stream())
            .findFirst();
    Optional<BoardKind> hearer = hears.map(wired -> wired.asBuilt().board());
    Optional<String> unwritten = hearer.flatMap(Blueprint::why);
    if (unwritten.isPresent()) {
      return unwritten;
    }
    if (hearer.filter(board -> board.brain().link() == BoardKind.Link.USB).isEmpty()) {
      return Optional.of(
          "only programs of boards with USB of their own pass reports on, and that of seat "
              + by.get(0)
              + " is none");
    }
    if (hears.filter(wired -> wired.inputs().looks().all().isEmpty()).isPresent()) {
      return Optional.of(
          "the board of seat "
              + by.get(0)
              + " reads no contact of its own, and no program is written for it: give it one");
    }
    return blueprint(tells).flatMap(Heard::why);
  }

  private static Optional<Hearing> hearing(Desk desk) {
    return desk.circuit().map(Wired::asBuilt).map(Hearing::of).filter(h -> !h.itself());
  }

  private static Optional<Blueprint> blueprint(Desk desk) {
    return desk.circuit()
        .filter(wired -> !wired.inputs().looks().all().isEmpty())
        .filter(wired -> Blueprint.why(wired.asBuilt().board(), desk.loom().pads()).isEmpty())
        .map(
            wired ->
                Blueprint.of(desk.build(), wired.asBuilt().board(), desk.loom(), wired.inputs()));
  }
}
