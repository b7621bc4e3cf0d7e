package kumite.files;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import kumite.build.BoardChoice;
import kumite.build.Seat;
import kumite.build.loom.LoomSettings;
import kumite.build.map.Profile;
import kumite.build.map.Timing;
import kumite.json.Key;
import kumite.kind.BoardKind;
import kumite.name.ContactId;
import kumite.name.SeatId;
import kumite.parts.Catalogue;

/** The part of the saved file that holds one board with its wiring, hosts and timing. */
final class SeatJson {
  private SeatJson() {}

  static Seat read(Key key, Catalogue catalogue, Set<ContactId> contacts) {
    SeatId id = key.make("id", () -> new SeatId(key.text("id")));
    Optional<BoardChoice> board = key.maybe("board").map(item -> board(item, catalogue));
    LoomSettings loom = LoomJson.read(key.object("loom"), contacts);
    List<Profile> profiles = new ArrayList<>();
    for (Key item : key.objects("profiles")) {
      profiles.add(ProfileJson.read(item, contacts));
    }
    Timing timing = timing(key.object("timing"));
    return key.whole(() -> new Seat(id, board, loom, profiles, timing));
  }

  private static BoardChoice board(Key key, Catalogue catalogue) {
    String kind = key.text("kind");
    if (catalogue.board(kind).isEmpty()) {
      throw key.misfit(
          "kind",
          "the catalogue has no board \"" + kind + "\"",
          "use one of "
              + String.join(", ", catalogue.boards().stream().map(BoardKind::id).toList()));
    }
    return key.whole(
        () ->
            new BoardChoice(
                kind,
                BuildJson.placement(key),
                key.word("seat", BoardChoice.Seat.class),
                key.has("connectors_off") && key.truth("connectors_off")));
  }

  private static Timing timing(Key key) {
    return key.whole(
        () ->
            new Timing(
                key.integer("scan_us"),
                key.word("debounce", Timing.Debounce.class),
                key.integer("wait_us"),
                key.integer("poll_us")));
  }

  static void write(Seat seat, ObjectNode node) {
    node.put("id", seat.id().text());
    seat.board()
        .ifPresent(
            board -> {
              ObjectNode item = node.putObject("board");
              item.put("kind", board.kind());
              BuildJson.place(item, board.placement());
              item.put("seat", BuildJson.word(board.seat()));
              if (board.stripped()) {
                item.put("connectors_off", true);
              }
            });
    node.set("loom", LoomJson.write(seat.loom()));
    ArrayNode profiles = node.putArray("profiles");
    seat.profiles().forEach(profile -> ProfileJson.write(profile, profiles.addObject()));
    ObjectNode timing = node.putObject("timing");
    timing.put("scan_us", seat.timing().scanUs());
    timing.put("debounce", BuildJson.word(seat.timing().debounce()));
    timing.put("wait_us", seat.timing().waitUs());
    timing.put("poll_us", seat.timing().pollUs());
  }
}
