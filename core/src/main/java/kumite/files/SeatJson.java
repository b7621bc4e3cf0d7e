package kumite.files;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import kumite.build.BoardChoice;
import kumite.build.Seat;
import kumite.build.loom.LoomSettings;
import kumite.build.map.Profile;
import kumite.build.map.Timing;
import kumite.codec.Codec;
import kumite.codec.Field;
import kumite.codec.Fields;
import kumite.codec.Plain;
import kumite.json.Value;
import kumite.kind.BoardKind;
import kumite.name.SeatId;
import kumite.parts.Catalogue;
import kumite.room.Around;

/** The part of the saved file that holds one board with its wiring, hosts and timing. */
final class SeatJson {
  /** The codec of a seat. */
  static final Codec<Seat> CODEC = seat();

  private SeatJson() {}

  private static Codec<Seat> seat() {
    Fields<Seat> f = new Fields<>();
    Field<Seat, SeatId> id = f.need("id", Names.SEAT, Seat::id);
    Field<Seat, Optional<BoardChoice>> board =
        f.maybe("board", board().named("board"), Seat::board).says("left out until one is chosen");
    Field<Seat, LoomSettings> loom = f.need("loom", LoomJson.CODEC, Seat::loom);
    Field<Seat, List<Profile>> profiles =
        f.need("profiles", Plain.list(ProfileJson.CODEC, 1, Seat.MOST_PROFILES), Seat::profiles)
            .says("the first is in force when no other is");
    Field<Seat, Timing> timing = f.need("timing", timing().named("timing"), Seat::timing);
    return f.make(
        in -> new Seat(in.get(id), in.get(board), in.get(loom), in.get(profiles), in.get(timing)));
  }

  private static Codec<BoardChoice> board() {
    Fields<BoardChoice> f = new Fields<>();
    Field<BoardChoice, String> kind =
        f.need("kind", Plain.TEXT.asAt(SeatJson::known, id -> id), BoardChoice::kind);
    Placed<BoardChoice> placed = Placed.among(f, BoardChoice::placement);
    Field<BoardChoice, BoardChoice.Seat> seat =
        f.need("seat", Plain.word(BoardChoice.Seat.class), BoardChoice::seat);
    Field<BoardChoice, Boolean> stripped =
        f.usually("connectors_off", Plain.TRUTH, BoardChoice::stripped, false)
            .says("taken off, so that wires are soldered to it");
    return f.make(
        in -> new BoardChoice(in.get(kind), placed.of(in), in.get(seat), in.get(stripped)));
  }

  private static String known(String kind, Value at) {
    Catalogue catalogue = at.scope().get(Around.CATALOGUE);
    if (catalogue.board(kind).isEmpty()) {
      throw at.misfit(
          "the catalogue has no board \"" + kind + "\"",
          "use one of "
              + String.join(
                  ", ",
                  Stream.concat(catalogue.boards().stream(), catalogue.readyBoards().stream())
                      .map(BoardKind::id)
                      .toList()));
    }
    return kind;
  }

  private static Codec<Timing> timing() {
    Fields<Timing> f = new Fields<>();
    Field<Timing, Integer> scan = f.need("scan_us", Plain.whole(Timing.SCAN), Timing::scanUs);
    Field<Timing, Timing.Debounce> debounce =
        f.need("debounce", Plain.word(Timing.Debounce.class), Timing::debounce);
    Field<Timing, Integer> wait = f.need("wait_us", Plain.whole(Timing.WAIT), Timing::waitUs);
    Field<Timing, Integer> poll = f.need("poll_us", Plain.whole(Timing.POLL), Timing::pollUs);
    return f.make(in -> new Timing(in.get(scan), in.get(debounce), in.get(wait), in.get(poll)));
  }
}
