package kumite.files;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.Link;
import kumite.build.LogNote;
import kumite.build.Seat;
import kumite.build.brief.Brief;
import kumite.build.brief.Hand;
import kumite.build.lead.LeadBook;
import kumite.build.loom.Hookup;
import kumite.build.map.Script;
import kumite.build.map.Tuning;
import kumite.build.panel.Block;
import kumite.build.panel.CaseInside;
import kumite.build.panel.Datum;
import kumite.build.panel.Material;
import kumite.build.panel.Opening;
import kumite.build.panel.Panel;
import kumite.json.Key;
import kumite.json.Misfit;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.kind.ControlKind;
import kumite.measure.LengthUnit;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.name.SeatId;
import kumite.parts.Catalogue;

/** The border between the saved file and the model: one method each way for each part. */
final class BuildJson {
  private static final String FORMAT = "kumite-build";
  private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

  private BuildJson() {}

  // ---- reading

  static Build read(JsonNode document, Catalogue shipped) {
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
    Brief brief = brief(top.object("brief"));
    Panel panel = panel(top.object("panel"));
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
    Tuning tuning =
        top.maybe("tuning").map(key -> TuningJson.read(key, contacts.keySet())).orElse(Tuning.NONE);
    List<Script> scripts = new ArrayList<>();
    for (Key key : top.has("scripts") ? top.objects("scripts") : List.<Key>of()) {
      scripts.add(script(key, contacts.keySet()));
    }
    List<LogNote> log = new ArrayList<>();
    for (Key key : top.objects("log")) {
      log.add(note(key));
    }
    Set<SeatId> seatIds = new HashSet<>();
    seats.forEach(seat -> seatIds.add(seat.id()));
    Set<ControlId> controlIds = new HashSet<>();
    controls.forEach(control -> controlIds.add(control.id()));
    LeadBook leads =
        top.maybe("leads")
            .map(key -> LeadJson.book(key, seatIds, controlIds))
            .orElse(LeadBook.EMPTY);
    top.done();
    return top.make(
        () ->
            new Build(
                revision, brief, panel, controls, seats, links, tuning, scripts, log, own,
                ownBoards, leads, 0));
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

  private static Brief brief(Key key) {
    String units = key.text("units");
    if (!units.equals("mm") && !units.equals("in")) {
      throw key.misfit("units", "\"" + units + "\" is unknown here", "use mm or in");
    }
    Hand hand = hand(key.object("hand"));
    return key.whole(
        () ->
            new Brief(
                key.text("title"),
                key.number("supply_v"),
                hand,
                units.equals("in") ? LengthUnit.INCH : LengthUnit.MM));
  }

  private static Hand hand(Key key) {
    List<Hand.Rest> rests = new ArrayList<>();
    for (Key item : key.objects("rests")) {
      rests.add(
          item.make(
              () ->
                  new Hand.Rest(
                      item.text("name"), new Point(item.number("x_mm"), item.number("y_mm")))));
      item.done();
    }
    Hand hand =
        key.make(
            () ->
                new Hand(
                    key.word("uses", Hand.Uses.class),
                    key.number("reach_mm"),
                    key.number("breadth_mm"),
                    key.number("span_mm"),
                    key.number("force_n"),
                    key.number("wander_mm"),
                    key.truth("measured"),
                    rests));
    key.done();
    return hand;
  }

  private static Panel panel(Key key) {
    Key in = key.object("inside");
    List<Block> blocks = new ArrayList<>();
    for (Key item : in.objects("blocks")) {
      blocks.add(
          item.make(
              () ->
                  new Block(
                      item.text("name"),
                      item.number("left_mm"),
                      item.number("front_mm"),
                      item.number("width_mm"),
                      item.number("height_mm"),
                      item.has("stands")
                          ? item.word("stands", Block.Stands.class)
                          : Block.Stands.WHOLE,
                      item.number("tall_mm", 0))));
      item.done();
    }
    CaseInside inside =
        in.make(
            () ->
                new CaseInside(
                    in.number("wall_mm"),
                    in.number("depth_mm"),
                    in.number("front_depth_mm"),
                    blocks,
                    in.word("opening", Opening.class)));
    in.done();
    List<Point> outline = new ArrayList<>();
    if (key.has("outline")) {
      for (Key corner : key.objects("outline")) {
        outline.add(new Point(corner.number("x_mm"), corner.number("y_mm")));
        corner.done();
      }
    }
    Panel panel =
        key.make(
            () ->
                new Panel(
                    key.number("width_mm"),
                    key.number("height_mm"),
                    key.number("corner_mm"),
                    key.number("thickness_mm"),
                    key.word("material", Material.class),
                    inside,
                    key.word("datum", Datum.class),
                    outline,
                    key.number("cover_mm", 0)));
    key.done();
    return panel;
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

  private static Script script(Key key, Set<ContactId> contacts) {
    Script script = key.whole(() -> Script.parse(key.text("name"), key.text("moves")));
    for (Script.Move move : script.moves()) {
      contact(key, move.contact().toString(), contacts);
    }
    return script;
  }

  private static LogNote note(Key key) {
    String text = key.text("date");
    LocalDate date;
    try {
      date = LocalDate.parse(text);
    } catch (DateTimeParseException e) {
      throw key.misfit("date", "\"" + text + "\" is no date", "write it as 2026-11-23");
    }
    LogNote note = key.make(() -> new LogNote(date, key.text("text")));
    key.done();
    return note;
  }

  // ---- writing

  static ObjectNode write(Build build) {
    ObjectNode root = NODES.objectNode();
    root.put("format", FORMAT);
    root.put("version", BuildFile.VERSION);
    root.put("revision", build.revision());
    root.set("brief", brief(build.brief()));
    root.set("panel", panel(build.panel()));
    ArrayNode controls = root.putArray("controls");
    build.controls().forEach(control -> controls.add(control(control)));
    ArrayNode seats = root.putArray("seats");
    build.seats().forEach(seat -> SeatJson.write(seat, seats.addObject()));
    if (!build.links().isEmpty()) {
      ArrayNode links = root.putArray("links");
      build.links().forEach(link -> links.add(link.toString()));
    }
    if (!build.tuning().equals(Tuning.NONE)) {
      TuningJson.write(build.tuning(), root.putObject("tuning"));
    }
    if (!build.scripts().isEmpty()) {
      ArrayNode scripts = root.putArray("scripts");
      build
          .scripts()
          .forEach(s -> scripts.addObject().put("name", s.name()).put("moves", s.text()));
    }
    if (!build.leads().equals(LeadBook.EMPTY)) {
      LeadJson.write(build.leads(), root.putObject("leads"));
    }
    ArrayNode log = root.putArray("log");
    for (LogNote note : build.log()) {
      log.addObject().put("date", note.date().toString()).put("text", note.text());
    }
    ArrayNode own = root.putArray("own_parts");
    build.own().forEach(kind -> own.add(kumite.parts.PartFile.write(kind)));
    ArrayNode ownBoards = root.putArray("own_boards");
    build.ownBoards().forEach(kind -> ownBoards.add(kumite.parts.BoardFile.write(kind)));
    return root;
  }

  private static ObjectNode brief(Brief brief) {
    ObjectNode node = NODES.objectNode();
    node.put("title", brief.title());
    number(node, "supply_v", brief.supplyVolts());
    hand(node.putObject("hand"), brief.hand());
    node.put("units", brief.units().symbol());
    return node;
  }

  static void hand(ObjectNode node, Hand hand) {
    node.put("uses", word(hand.uses()));
    number(node, "reach_mm", hand.reachMm());
    number(node, "breadth_mm", hand.breadthMm());
    number(node, "span_mm", hand.spanMm());
    number(node, "force_n", hand.forceN());
    number(node, "wander_mm", hand.wanderMm());
    node.put("measured", hand.measured());
    ArrayNode rests = node.putArray("rests");
    for (Hand.Rest rest : hand.rests()) {
      ObjectNode item = rests.addObject().put("name", rest.name());
      number(item, "x_mm", rest.at().xMm());
      number(item, "y_mm", rest.at().yMm());
    }
  }

  private static ObjectNode panel(Panel panel) {
    ObjectNode node = NODES.objectNode();
    number(node, "width_mm", panel.widthMm());
    number(node, "height_mm", panel.heightMm());
    number(node, "corner_mm", panel.cornerMm());
    number(node, "thickness_mm", panel.thicknessMm());
    if (panel.coverMm() > 0) {
      number(node, "cover_mm", panel.coverMm());
    }
    node.put("material", word(panel.material()));
    node.put("datum", word(panel.datum()));
    ObjectNode inside = node.putObject("inside");
    number(inside, "wall_mm", panel.inside().wallMm());
    number(inside, "depth_mm", panel.inside().depthMm());
    number(inside, "front_depth_mm", panel.inside().frontDepthMm());
    ArrayNode blocks = inside.putArray("blocks");
    for (Block block : panel.inside().blocks()) {
      ObjectNode item = blocks.addObject().put("name", block.name());
      number(item, "left_mm", block.leftMm());
      number(item, "front_mm", block.frontMm());
      number(item, "width_mm", block.widthMm());
      number(item, "height_mm", block.heightMm());
      if (block.stands() != Block.Stands.WHOLE) {
        item.put("stands", word(block.stands()));
        number(item, "tall_mm", block.tallMm());
      }
    }
    inside.put("opening", word(panel.inside().opening()));
    if (!panel.rectangular()) {
      ArrayNode outline = node.putArray("outline");
      for (Point corner : panel.outline()) {
        ObjectNode item = outline.addObject();
        number(item, "x_mm", corner.xMm());
        number(item, "y_mm", corner.yMm());
      }
    }
    return node;
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
