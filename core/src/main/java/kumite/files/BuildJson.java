package kumite.files;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.Link;
import kumite.build.Parts;
import kumite.build.Seat;
import kumite.build.loom.Hookup;
import kumite.json.Key;
import kumite.json.Misfit;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.kind.ControlKind;
import kumite.measure.Placement;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.name.SeatId;
import kumite.parts.Catalogue;
import kumite.room.Around;
import kumite.room.PartCodec;
import kumite.verdict.Rooms;

/**
 * The border between the saved file and the model: what all rooms share here, each room's part by
 * its codec.
 */
final class BuildJson {
  private static final String FORMAT = "kumite-build";
  private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

  private static final List<String> ORDER =
      List.of(
          "format",
          "version",
          "revision",
          "brief",
          "panel",
          "controls",
          "seats",
          "links",
          "tuning",
          "scripts",
          "leads",
          "log",
          "own_parts",
          "own_boards");

  private BuildJson() {}

  // ---- reading

  static Build read(JsonNode document, Catalogue shipped, Rooms rooms) {
    Key top = new Key("", Migration.toNewest(document));
    String format = top.has("format") ? top.text("format") : "";
    if (!format.equals(FORMAT)) {
      throw top.misfit(
          "format",
          format.isEmpty() ? "is missing" : "is \"" + format + "\"",
          "a build file says \"" + FORMAT + "\" here; is it the right file?");
    }
    int version = top.integer("version");
    if (version > BuildFile.VERSION) {
      throw top.misfit(
          "version",
          "is " + version + ", newer than this Kumite reads (" + BuildFile.VERSION + ")",
          "open it with a newer Kumite");
    }
    if (version < 1) {
      throw top.misfit("version", "is " + version + "; versions begin at 1", "");
    }
    String revision = top.text("revision");
    List<ControlKind> own = new ArrayList<>();
    for (JsonNode part : top.array("own_parts")) {
      own.add(kumite.parts.PartFile.read(new Key("own_parts[" + own.size() + "]", part)));
    }
    List<BoardKind> ownBoards = new ArrayList<>();
    Catalogue catalogue = shipped.withOwn(own);
    for (JsonNode item : top.array("own_boards")) {
      BoardKind kind =
          kumite.parts.BoardFile.read(new Key("own_boards[" + ownBoards.size() + "]", item));
      ownBoards.add(kind);
      catalogue = catalogue.with(kind);
    }
    Catalogue known = catalogue;
    List<Control> controls = new ArrayList<>();
    for (Key key : top.objects("controls")) {
      controls.add(control(key, known));
    }
    requireUniqueIds(controls);
    Map<ContactId, ControlKind> contacts = contacts(controls, known);
    List<Seat> seats = new ArrayList<>();
    for (Key key : top.objects("seats")) {
      seats.add(SeatJson.read(key, known, contacts.keySet()));
    }
    List<Link> links = new ArrayList<>();
    for (String text : top.has("links") ? top.texts("links") : List.<String>of()) {
      links.add(top.make("links", () -> Link.parse(text)));
    }
    Build spine =
        top.make(() -> new Build(revision, Parts.USUAL, controls, seats, links, own, ownBoards, 0));
    Around around = around(spine, contacts.keySet());
    Build build = spine;
    for (PartCodec<?> codec : rooms.parts()) {
      build = codec.read(top, around, build);
    }
    top.done();
    return build;
  }

  private static Around around(Build spine, Set<ContactId> contacts) {
    return new Around(
        spine.controls().stream().map(Control::id).collect(Collectors.toSet()),
        contacts,
        spine.seats().stream().map(Seat::id).collect(Collectors.toSet()));
  }

  private static void requireUniqueIds(List<Control> controls) {
    Set<ControlId> seen = new HashSet<>();
    for (int i = 0; i < controls.size(); i++) {
      if (!seen.add(controls.get(i).id())) {
        throw new Misfit(
            "controls[" + i + "].id",
            "\"" + controls.get(i).id() + "\" is used by another control",
            "give each control an id of its own");
      }
    }
  }

  private static Map<ContactId, ControlKind> contacts(List<Control> controls, Catalogue catalogue) {
    Map<ContactId, ControlKind> contacts = new HashMap<>();
    for (Control control : controls) {
      ControlKind kind = catalogue.kindOf(control);
      kind.contacts().forEach(c -> contacts.put(new ContactId(control.id(), c.name()), kind));
    }
    return contacts;
  }

  private static Control control(Key key, Catalogue catalogue) {
    ControlId id = key.make("id", () -> new ControlId(key.text("id")));
    String kind = key.text("kind");
    if (catalogue.control(kind).isEmpty()) {
      throw key.misfit(
          "kind",
          "the catalogue has no control \"" + kind + "\"",
          "use one of "
              + String.join(", ", catalogue.controls().stream().map(ControlKind::id).toList()));
    }
    Control control =
        key.make(
            () ->
                new Control(
                    id,
                    key.text("label"),
                    kind,
                    placement(key),
                    hookup(key),
                    key.has("seat")
                        ? Optional.of(new SeatId(key.text("seat")))
                        : Optional.empty()));
    key.done();
    return control;
  }

  private static Hookup hookup(Key key) {
    return new Hookup(
        key.has("common") ? Optional.of(key.word("common", Common.class)) : Optional.empty(),
        key.has("rests_closed") && key.truth("rests_closed"),
        key.has("lamp_ohm") ? OptionalDouble.of(key.number("lamp_ohm")) : OptionalDouble.empty(),
        key.has("lamp_shares") && key.truth("lamp_shares"),
        key.has("lamp_from") ? Optional.of(key.text("lamp_from")) : Optional.empty());
  }

  static Placement placement(Key key) {
    return new Placement(
        key.number("x_mm"),
        key.number("y_mm"),
        key.has("turn_degrees") ? key.number("turn_degrees") : 0);
  }

  static ContactId contact(Key key, String text, Set<ContactId> contacts) {
    ContactId id = key.make(text, () -> ContactId.parse(text));
    if (!contacts.contains(id)) {
      throw key.misfit(
          text,
          "the build has no such contact",
          "name a control, or control.contact for a lever; take the entry out if the control is gone");
    }
    return id;
  }

  // ---- writing

  static ObjectNode write(Build build, Rooms rooms) {
    ObjectNode root = NODES.objectNode();
    root.put("format", FORMAT);
    root.put("version", BuildFile.VERSION);
    root.put("revision", build.revision());
    ArrayNode controls = root.putArray("controls");
    build.controls().forEach(control -> controls.add(control(control)));
    ArrayNode seats = root.putArray("seats");
    build.seats().forEach(seat -> SeatJson.write(seat, seats.addObject()));
    if (!build.links().isEmpty()) {
      ArrayNode links = root.putArray("links");
      build.links().forEach(link -> links.add(link.toString()));
    }
    ArrayNode own = root.putArray("own_parts");
    build.own().forEach(kind -> own.add(kumite.parts.PartFile.write(kind)));
    ArrayNode ownBoards = root.putArray("own_boards");
    build.ownBoards().forEach(kind -> ownBoards.add(kumite.parts.BoardFile.write(kind)));
    rooms.parts().forEach(codec -> codec.write(build, root));
    return ordered(root);
  }

  /** The keys of the first versions in the order that they always had, then those of new rooms. */
  private static ObjectNode ordered(ObjectNode root) {
    ObjectNode ordered = NODES.objectNode();
    for (String key : ORDER) {
      if (root.has(key)) {
        ordered.set(key, root.get(key));
      }
    }
    return ordered.setAll(root);
  }

  private static ObjectNode control(Control control) {
    ObjectNode node = NODES.objectNode();
    node.put("id", control.id().text());
    node.put("label", control.label());
    node.put("kind", control.kind());
    control.seat().ifPresent(seat -> node.put("seat", seat.text()));
    place(node, control.placement());
    Hookup hookup = control.hookup();
    hookup.common().ifPresent(common -> node.put("common", word(common)));
    if (hookup.restsClosed()) {
      node.put("rests_closed", true);
    }
    hookup.lampOhm().ifPresent(ohm -> number(node, "lamp_ohm", ohm));
    if (hookup.lampShares()) {
      node.put("lamp_shares", true);
    }
    hookup.lampFrom().ifPresent(terminal -> node.put("lamp_from", terminal));
    return node;
  }

  static void place(ObjectNode node, Placement placement) {
    number(node, "x_mm", placement.xMm());
    number(node, "y_mm", placement.yMm());
    if (placement.turnDegrees() != 0) {
      number(node, "turn_degrees", placement.turnDegrees());
    }
  }

  /** Writes whole numbers without a point, and all others exactly as they read back. */
  static void number(ObjectNode node, String key, double value) {
    if (value == Math.rint(value)) {
      node.put(key, (long) value);
    } else {
      node.put(key, value);
    }
  }

  static String word(Enum<?> constant) {
    return constant.name().toLowerCase(Locale.ROOT);
  }
}
