package kumite.parts;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import kumite.json.Key;
import kumite.kind.ContactKind;
import kumite.kind.ControlKind;
import kumite.kind.Lamp;
import kumite.kind.Looks;
import kumite.kind.ScrewHole;
import kumite.kind.TabSpot;
import kumite.kind.Tabs;
import kumite.measure.Point;
import kumite.measure.Shape;

/** The border between a kind of control and its JSON: one method each way for each part of it. */
final class PartJson {
  private PartJson() {}

  // ---- reading

  static ControlKind read(Key key) {
    Shape cutout = shape(key.object("cutout_mm"));
    Shape face = key.maybe("face_mm").map(PartJson::shape).orElse(cutout);
    double[] panel = key.numbers("panel_mm", 2, 2);
    List<ContactKind> contacts = new ArrayList<>();
    for (Key contact : key.objects("contacts")) {
      contacts.add(contact(contact));
    }
    return key.whole(
        () ->
            new ControlKind(
                key.text("id"),
                key.text("name"),
                key.text("trait", ""),
                key.word("family", ControlKind.Family.class),
                cutout,
                face,
                key.maybe("body_mm").map(PartJson::shape).orElse(cutout),
                key.number("body_depth_mm"),
                panel[0],
                panel[1],
                key.maybe("mount")
                    .map(PartJson::mount)
                    .orElse(new ControlKind.Mount(ControlKind.Mount.How.SNAP, 0)),
                key.maybe("screws").map(PartJson::screws).orElse(List.of()),
                key.maybe("above")
                    .map(above -> above(above, face))
                    .orElse(new ControlKind.Above(face, 0, 0)),
                new ControlKind.Feel(key.number("force_n", 0), key.number("throw_mm", 0)),
                key.maybe("gate").map(PartJson::gate),
                contacts,
                key.number("tab_mm", 0),
                bounce(key),
                key.maybe("lamp").map(PartJson::lamp),
                key.has("steps") ? key.integer("steps") : 0,
                key.number("ohm", 0),
                key.has("latching") && key.truth("latching"),
                key.maybe("feed").map(PartJson::feed),
                key.maybe("cap_mm").map(PartJson::shape),
                tabs(key)));
  }

  private static Tabs tabs(Key key) {
    if (!key.has("tabs")) {
      return Tabs.NONE;
    }
    List<TabSpot> spots = new ArrayList<>();
    for (Key tab : key.objects("tabs")) {
      spots.add(
          tab.whole(
              () ->
                  new TabSpot(
                      tab.text("tab"),
                      tab.has("stands_for") ? tab.texts("stands_for") : List.of(),
                      new Point(tab.number("x_mm"), tab.number("y_mm")),
                      tab.has("direction") ? tab.word("direction", Looks.class) : Looks.DOWN)));
    }
    return key.make("tabs", () -> Tabs.of(spots));
  }

  private static Shape shape(Key key) {
    Shape shape;
    if (key.has("round")) {
      shape = key.make(() -> new Shape.Round(key.number("round")));
    } else if (key.has("rect")) {
      double[] sides = key.numbers("rect", 2, 2);
      shape = key.make(() -> new Shape.Rect(sides[0], sides[1], key.number("corner", 0)));
    } else {
      throw key.misfit(
          "round", "is missing", "add it, a diameter, or \"rect\": [width, front to back]");
    }
    key.done();
    return shape;
  }

  private static ControlKind.Mount mount(Key key) {
    ControlKind.Mount.How how = key.word("how", ControlKind.Mount.How.class);
    return key.whole(
        () ->
            new ControlKind.Mount(
                how,
                key.has("from") ? key.word("from", ControlKind.Mount.From.class) : how.usual(),
                key.number("wrench_mm", 0)));
  }

  private static List<ScrewHole> screws(Key key) {
    List<ScrewHole> holes = new ArrayList<>();
    for (double[] at : key.pairs("at")) {
      holes.add(
          key.make(
              () ->
                  new ScrewHole(
                      new Point(at[0], at[1]), key.number("hole_mm"), key.text("screw"))));
    }
    key.text("screw");
    key.number("hole_mm");
    key.done();
    return holes;
  }

  private static ControlKind.Above above(Key key, Shape face) {
    Shape swing = key.maybe("swing_mm").map(PartJson::shape).orElse(face);
    return key.whole(
        () ->
            new ControlKind.Above(swing, key.number("height_mm", 0), key.number("fingers_mm", 0)));
  }

  private static ControlKind.Gate gate(Key key) {
    List<Integer> ways = new ArrayList<>();
    for (double way : key.numbers("ways", 1, 3)) {
      ways.add((int) way);
    }
    ControlKind.Gate gate =
        key.make(() -> new ControlKind.Gate(ways, key.number("shaft_mm"), key.text("plug", "")));
    key.done();
    return gate;
  }

  private static ContactKind contact(Key key) {
    return key.whole(
        () ->
            new ContactKind(
                key.text("name", ""),
                key.word("type", ContactKind.Type.class),
                key.text("tab", ""),
                key.text("place", ""),
                key.number("rest", 0)));
  }

  private static ControlKind.Bounce bounce(Key key) {
    if (!key.has("bounce_us")) {
      return new ControlKind.Bounce(0, 0);
    }
    double[] range = key.numbers("bounce_us", 2, 2);
    return key.make("bounce_us", () -> new ControlKind.Bounce((int) range[0], (int) range[1]));
  }

  private static Lamp lamp(Key key) {
    return key.whole(
        () ->
            new Lamp(
                key.number("forward_v"),
                key.number("current_ma"),
                key.text("colour", ""),
                key.number("rated_v", 0)));
  }

  private static ControlKind.Feed feed(Key key) {
    return key.whole(
        () ->
            new ControlKind.Feed(
                key.number("least_v"), key.number("most_v"), key.number("current_ma")));
  }

  // ---- writing

  static ObjectNode write(ControlKind kind) {
    ObjectNode node = JsonNodeFactory.instance.objectNode();
    node.put("id", kind.id()).put("name", kind.name()).put("trait", kind.trait());
    node.put("family", word(kind.family()));
    node.set("cutout_mm", shape(kind.cutout()));
    node.set("face_mm", shape(kind.face()));
    node.set("body_mm", shape(kind.body()));
    node.put("body_depth_mm", kind.bodyDepthMm());
    node.putArray("panel_mm").add(kind.thinnestMm()).add(kind.thickestMm());
    ControlKind.Mount mount = kind.mount();
    ObjectNode held = node.putObject("mount").put("how", word(mount.how()));
    if (mount.from() != mount.how().usual()) {
      held.put("from", word(mount.from()));
    }
    held.put("wrench_mm", mount.wrenchMm());
    screws(kind, node);
    ObjectNode above = node.putObject("above");
    above.set("swing_mm", shape(kind.above().swing()));
    above.put("height_mm", kind.above().heightMm()).put("fingers_mm", kind.above().fingersMm());
    node.put("force_n", kind.feel().newton()).put("throw_mm", kind.feel().throwMm());
    kind.gate()
        .ifPresent(
            gate -> {
              ObjectNode item = node.putObject("gate");
              ArrayNode ways = item.putArray("ways");
              gate.ways().forEach(ways::add);
              item.put("shaft_mm", gate.shaftMm()).put("plug", gate.plug());
            });
    contacts(kind, node);
    node.put("tab_mm", kind.tabMm());
    node.putArray("bounce_us").add(kind.bounce().leastUs()).add(kind.bounce().mostUs());
    kind.lamp()
        .ifPresent(
            lamp -> {
              ObjectNode item = node.putObject("lamp");
              item.put("forward_v", lamp.forwardVolts()).put("current_ma", lamp.milliamps());
              item.put("colour", lamp.colour());
              if (lamp.resistorInside()) {
                item.put("rated_v", lamp.ratedVolts());
              }
            });
    node.put("steps", kind.steps()).put("ohm", kind.ohm()).put("latching", kind.latching());
    kind.feed()
        .ifPresent(
            feed ->
                node.putObject("feed")
                    .put("least_v", feed.leastVolts())
                    .put("most_v", feed.mostVolts())
                    .put("current_ma", feed.milliamps()));
    kind.cap().ifPresent(cap -> node.set("cap_mm", shape(cap)));
    tabs(kind, node);
    return node;
  }

  private static void tabs(ControlKind kind, ObjectNode node) {
    ArrayNode tabs = node.putArray("tabs");
    for (TabSpot spot : kind.tabs().spots()) {
      ObjectNode item = tabs.addObject().put("tab", spot.tab());
      if (!spot.stands().isEmpty()) {
        ArrayNode stands = item.putArray("stands_for");
        spot.stands().forEach(stands::add);
      }
      item.put("x_mm", spot.at().xMm()).put("y_mm", spot.at().yMm());
      item.put("direction", spot.looks().word());
    }
  }

  private static void screws(ControlKind kind, ObjectNode node) {
    if (!kind.screws().isEmpty()) {
      ScrewHole first = kind.screws().get(0);
      ObjectNode item = node.putObject("screws");
      item.put("screw", first.screw()).put("hole_mm", first.diameterMm());
      ArrayNode at = item.putArray("at");
      kind.screws().forEach(s -> at.addArray().add(s.at().xMm()).add(s.at().yMm()));
    }
  }

  private static void contacts(ControlKind kind, ObjectNode node) {
    ArrayNode contacts = node.putArray("contacts");
    for (ContactKind contact : kind.contacts()) {
      ObjectNode item = contacts.addObject();
      filled(item, "name", contact.name());
      item.put("type", word(contact.type()));
      filled(item, "tab", contact.tab());
      filled(item, "place", contact.place());
      if (contact.rest() > 0) {
        item.put("rest", contact.rest());
      }
    }
  }

  private static void filled(ObjectNode node, String key, String text) {
    if (!text.isEmpty()) {
      node.put(key, text);
    }
  }

  private static ObjectNode shape(Shape shape) {
    ObjectNode node = JsonNodeFactory.instance.objectNode();
    if (shape instanceof Shape.Round round) {
      return node.put("round", round.diameterMm());
    }
    Shape.Rect rect = (Shape.Rect) shape;
    node.putArray("rect").add(rect.widthMm()).add(rect.heightMm());
    return rect.cornerMm() == 0 ? node : node.put("corner", rect.cornerMm());
  }

  /** {@return the word of a constant in files} */
  static String word(Enum<?> constant) {
    return constant.name().toLowerCase(Locale.ROOT);
  }
}
