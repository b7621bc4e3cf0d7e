package kumite.files;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.Link;
import kumite.build.Parts;
import kumite.build.Seat;
import kumite.build.port.PortBook;
import kumite.codec.Codec;
import kumite.codec.Plain;
import kumite.codec.Schemas;
import kumite.json.Key;
import kumite.json.Misfit;
import kumite.json.Scope;
import kumite.kind.BoardKind;
import kumite.kind.ControlKind;
import kumite.loom.Pad;
import kumite.name.ContactId;
import kumite.name.ControlId;
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
          "ports",
          "seats",
          "links",
          "tuning",
          "scripts",
          "leads",
          "log",
          "own_parts",
          "own_boards");

  private static final Set<String> NEEDED =
      Set.of("format", "version", "revision", "controls", "seats", "own_parts", "own_boards");

  private static final Codec<List<Control>> CONTROLS =
      Plain.list(ControlJson.CODEC, 0, Build.MOST_CONTROLS);
  private static final Codec<List<Seat>> SEATS = Plain.list(SeatJson.CODEC, 1, Build.MOST_SEATS);
  private static final Codec<List<Link>> LINKS = Plain.list(Names.LINK);

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
    Scope known = Scope.NONE.with(Around.CATALOGUE, catalogue);
    top.know(known);
    List<Control> controls = CONTROLS.read(top.value("controls"));
    requireUniqueIds(controls);
    PortBook ports = top.has("ports") ? PortJson.CODEC.read(top.value("ports")) : PortBook.EMPTY;
    List<Control> hands = new ArrayList<>(controls);
    hands.addAll(ports.controls());
    catalogue = catalogue.with(ports); // circuits that answer own kinds are boards too
    known =
        known
            .with(Around.CATALOGUE, catalogue)
            .with(Around.CONTACTS, contacts(hands, catalogue))
            .with(Names.LINES, Pad.lines(ports));
    top.know(known);
    List<Seat> seats = SEATS.read(top.value("seats"));
    List<Link> links = top.has("links") ? LINKS.read(top.value("links")) : List.of();
    Build spine =
        top.make(
            () ->
                new Build(
                    revision,
                    Parts.USUAL.with(PortBook.PART, ports),
                    controls,
                    seats,
                    links,
                    own,
                    ownBoards,
                    0));
    top.know(
        known
            .with(Around.CONTROLS, hands.stream().map(Control::id).collect(Collectors.toSet()))
            .with(Around.SEATS, seats.stream().map(Seat::id).collect(Collectors.toSet())));
    Build build = spine;
    for (PartCodec<?> codec : rooms.parts()) {
      build = codec.read(top, build);
    }
    top.done();
    return TabNames.asNow(build, catalogue);
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

  private static Set<ContactId> contacts(List<Control> controls, Catalogue catalogue) {
    Set<ContactId> contacts = new HashSet<>();
    for (Control control : controls) {
      catalogue
          .kindOf(control)
          .contacts()
          .forEach(contact -> contacts.add(new ContactId(control.id(), contact.name())));
    }
    return contacts;
  }

  // ---- writing

  static ObjectNode write(Build build, Rooms rooms) {
    ObjectNode root = NODES.objectNode();
    root.put("format", FORMAT);
    root.put("version", BuildFile.VERSION);
    root.put("revision", build.revision());
    root.set("controls", CONTROLS.write(build.controls()));
    if (!build.ports().equals(PortBook.EMPTY)) {
      root.set("ports", PortJson.CODEC.write(build.ports()));
    }
    root.set("seats", SEATS.write(build.seats()));
    if (!build.links().isEmpty()) {
      root.set("links", LINKS.write(build.links()));
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

  // ---- the schema

  /** {@return the schema of the file, as it is now (JSON Schema 2020-12)} */
  static ObjectNode schema(Rooms rooms) {
    Schemas schemas = new Schemas();
    ObjectNode properties = NODES.objectNode();
    Set<String> needed = new LinkedHashSet<>(NEEDED);
    properties.putObject("format").put("const", FORMAT);
    properties.putObject("version").put("const", BuildFile.VERSION);
    properties.putObject("revision").put("type", "string").put("pattern", "^[A-Z]$");
    properties.set("controls", CONTROLS.schema(schemas));
    properties.set("ports", PortJson.CODEC.schema(schemas));
    properties.set("seats", SEATS.schema(schemas));
    properties.set("links", LINKS.schema(schemas));
    properties.set(
        "own_parts",
        loosely(
            "Parts", "id", "name", "family", "cutout_mm", "body_depth_mm", "panel_mm", "contacts"));
    properties.set("own_boards", loosely("Boards", "id", "name", "size_mm", "terminals"));
    for (PartCodec<?> part : rooms.parts()) {
      properties.set(part.part().key(), part.codec().schema(schemas));
      if (part.always()) {
        needed.add(part.part().key());
      }
    }
    ObjectNode schema =
        NODES
            .objectNode()
            .put("$schema", "https://json-schema.org/draft/2020-12/schema")
            .put("title", "Kumite build, version " + BuildFile.VERSION)
            .put("type", "object")
            .put("additionalProperties", false);
    ObjectNode ordered = ordered(properties);
    ArrayNode required = schema.putArray("required");
    ordered.properties().stream()
        .map(Map.Entry::getKey)
        .filter(needed::contains)
        .forEach(required::add);
    schema.set("properties", ordered);
    schema.set("$defs", schemas.all());
    return schema;
  }

  /** Parts and boards have a document of their own, which says the rest. */
  private static ObjectNode loosely(String what, String... needed) {
    ObjectNode schema =
        NODES
            .objectNode()
            .put("description", what + " as docs/parts-file.md describes them.")
            .put("type", "array");
    ArrayNode required = schema.putObject("items").put("type", "object").putArray("required");
    List.of(needed).forEach(required::add);
    return schema;
  }
}
