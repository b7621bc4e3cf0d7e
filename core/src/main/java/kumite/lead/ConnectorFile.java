package kumite.lead;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import kumite.json.Key;
import kumite.measure.Check;
import kumite.measure.Point;
import kumite.working.Source;

/** Connectors and pinouts as JSON: those shipped, and a builder's own. */
public final class ConnectorFile {
  private static final int CORNERS_OF_A_ROUND_ONE = 48;

  private ConnectorFile() {}

  private enum Shape {
    /** A D: its upper side is the wider. */
    D,
    ROUND,
    BOX
  }

  /**
   * {@return the connector at a place}
   *
   * @throws kumite.json.Misfit if it is none; the message names the key
   */
  public static ConnectorKind read(Key key) {
    List<ConnectorKind.Pin> pins = new ArrayList<>();
    for (Key pin : key.objects("pins")) {
      pins.add(
          pin.whole(
              () ->
                  new ConnectorKind.Pin(
                      pin.text("name"), point(pin.number("x_mm"), pin.number("y_mm")))));
    }
    List<Point> outline = key.has("outline") ? corners(key, "outline") : face(key.object("face"));
    List<Point> mark = key.has("key") ? corners(key, "key") : List.of();
    List<Point> socket = key.has("socket_key") ? corners(key, "socket_key") : List.of();
    return key.whole(
        () ->
            new ConnectorKind(
                key.text("id"),
                key.text("name"),
                key.text("mechanism"),
                pins,
                outline,
                mark,
                socket,
                key.text("numbering"),
                wired(key),
                key.number("amps_each"),
                key.word("pad_gender", Gender.class),
                source(key.object("source"))));
  }

  private static List<Point> face(Key key) {
    Shape shape = key.word("shape", Shape.class);
    List<Point> corners =
        key.make(
            () -> {
              if (shape == Shape.ROUND) {
                return round(Check.above(0, key.number("diameter_mm"), "diameter in mm") / 2);
              }
              double wide = Check.above(0, key.number("width_mm"), "width in mm") / 2;
              double high = Check.above(0, key.number("height_mm"), "height in mm") / 2;
              // The sides of a D lean inward by 10 degrees (IEC 60807, from memory).
              double lean = shape == Shape.D ? 2 * high * Math.tan(Math.toRadians(10)) : 0;
              return List.of(
                  new Point(-wide, high),
                  new Point(wide, high),
                  new Point(wide - lean, -high),
                  new Point(lean - wide, -high));
            });
    key.done();
    return corners;
  }

  private static List<Point> round(double radius) {
    List<Point> corners = new ArrayList<>();
    for (int i = 0; i < CORNERS_OF_A_ROUND_ONE; i++) {
      double angle = 2 * Math.PI * i / CORNERS_OF_A_ROUND_ONE;
      corners.add(new Point(radius * Math.cos(angle), radius * Math.sin(angle)));
    }
    return corners;
  }

  private static List<Point> corners(Key key, String name) {
    List<Point> corners = new ArrayList<>();
    for (double[] pair : key.pairs(name)) {
      corners.add(key.make(name, () -> point(pair[0], pair[1])));
    }
    if (!corners.isEmpty() && corners.size() < 3) {
      throw key.misfit(name, "has fewer than three corners", "name them in turn");
    }
    return corners;
  }

  private static Point point(double x, double y) {
    return new Point(
        Check.between(-150, 150, x, "place in mm"), Check.between(-150, 150, y, "place in mm"));
  }

  private static List<Wired> wired(Key key) {
    List<Wired> wired = new ArrayList<>();
    for (Key item : key.objects("wired")) {
      int[] awg = item.integers("awg", 2, 2);
      wired.add(
          item.whole(
              () ->
                  new Wired(
                      item.word("how", Wired.How.class),
                      item.number("strip_mm"),
                      awg[0],
                      awg[1],
                      item.text("tool"))));
    }
    return wired;
  }

  private static Source source(Key key) {
    return key.whole(() -> new Source(key.word("kind", Source.Kind.class), key.text("text")));
  }

  static ConnectorRow row(Key key) {
    return key.whole(
        () ->
            new ConnectorRow(
                key.text("id"),
                key.text("name"),
                key.text("mechanism"),
                key.integer("rows"),
                key.integer("fewest"),
                key.integer("most"),
                key.number("pitch_mm"),
                key.text("numbering"),
                wired(key),
                key.number("amps_each"),
                source(key.object("source"))));
  }

  /**
   * {@return the pinout at a place}
   *
   * @throws kumite.json.Misfit if it is none; the message names the key
   */
  public static Pinout pinout(Key key) {
    List<Pinout.Pin> pins = new ArrayList<>();
    for (Key pin : key.objects("pins")) {
      pins.add(
          pin.whole(
              () ->
                  new Pinout.Pin(
                      pin.text("pin"),
                      Function.named(pin.text("function")),
                      pin.word("flow", Flow.class),
                      pin.has("some") && pin.truth("some"))));
    }
    Set<String> identity = key.has("identity") ? new TreeSet<>(key.texts("identity")) : Set.of();
    return key.whole(
        () ->
            new Pinout(
                key.text("id"),
                key.text("name"),
                key.text("connector"),
                key.number("volts"),
                key.number("pad_takes_a", 0),
                pins,
                identity,
                source(key.object("source"))));
  }

  /** {@return a connector as JSON} */
  public static ObjectNode write(ConnectorKind kind) {
    ObjectNode node = JsonNodeFactory.instance.objectNode();
    node.put("id", kind.id()).put("name", kind.name()).put("mechanism", kind.mechanism());
    ArrayNode pins = node.putArray("pins");
    for (ConnectorKind.Pin pin : kind.pins()) {
      pins.addObject()
          .put("name", pin.name())
          .put("x_mm", pin.at().xMm())
          .put("y_mm", pin.at().yMm());
    }
    corners(node.putArray("outline"), kind.outline());
    if (!kind.key().isEmpty()) {
      corners(node.putArray("key"), kind.key());
    }
    if (!kind.socketKey().isEmpty()) {
      corners(node.putArray("socket_key"), kind.socketKey());
    }
    node.put("numbering", kind.numbering());
    ArrayNode wired = node.putArray("wired");
    for (Wired way : kind.wired()) {
      ObjectNode item = wired.addObject();
      item.put("how", word(way.how())).put("strip_mm", way.stripMm());
      item.putArray("awg").add(way.thickestAwg()).add(way.thinnestAwg());
      item.put("tool", way.tool());
    }
    node.put("amps_each", kind.ampsEach()).put("pad_gender", word(kind.padGender()));
    source(node.putObject("source"), kind.source());
    return node;
  }

  private static void corners(ArrayNode array, List<Point> corners) {
    corners.forEach(corner -> array.addArray().add(corner.xMm()).add(corner.yMm()));
  }

  private static void source(ObjectNode node, Source source) {
    node.put("kind", word(source.kind())).put("text", source.text());
  }

  /** {@return a pinout as JSON} */
  public static ObjectNode write(Pinout pinout) {
    ObjectNode node = JsonNodeFactory.instance.objectNode();
    node.put("id", pinout.id()).put("name", pinout.name()).put("connector", pinout.connector());
    node.put("volts", pinout.volts());
    if (pinout.padTakesA() > 0) {
      node.put("pad_takes_a", pinout.padTakesA());
    }
    ArrayNode pins = node.putArray("pins");
    for (Pinout.Pin pin : pinout.pins()) {
      ObjectNode item = pins.addObject();
      item.put("pin", pin.pin()).put("function", pin.function().words());
      item.put("flow", word(pin.flow()));
      if (pin.some()) {
        item.put("some", true);
      }
    }
    if (!pinout.identity().isEmpty()) {
      ArrayNode identity = node.putArray("identity");
      new TreeSet<>(pinout.identity()).forEach(identity::add);
    }
    source(node.putObject("source"), pinout.source());
    return node;
  }

  private static String word(Enum<?> constant) {
    return constant.name().toLowerCase(Locale.ROOT);
  }
}
