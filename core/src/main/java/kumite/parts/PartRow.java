package kumite.parts;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import kumite.json.Key;
import kumite.json.Misfit;
import kumite.kind.ControlKind;
import kumite.kind.ScrewHole;
import kumite.kind.TabSpot;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.measure.Shape;

/** One row, or one form, on its way to a part. Every bad cell is reported, not only the first. */
final class PartRow {
  private static final Pattern SHAPE =
      Pattern.compile(
          "(?<a>[^x×]+?)\\s*(?:(?:x|×)\\s*(?<b>[^x×]+?))?\\s*(?<word>round|slot)?"
              + "(?:\\s+corner\\s+(?<corner>.+))?",
          Pattern.CASE_INSENSITIVE);

  private static final Pattern TAB =
      Pattern.compile(
          "(?<name>[^=;]+?)(?:=(?<for>[^;]+?))?\\s+(?<x>-?[\\d.]+\\s*(?:mm|in)?)"
              + "\\s+(?<y>-?[\\d.]+\\s*(?:mm|in)?)(?:\\s+(?<looks>[a-zA-Z]+))?");

  /** Where tabs are follows from these, where it is not said. */
  private static final List<String> MOVES_TABS =
      List.of("family", "body", "cutout", "contacts", "tab", "lamp", "steps");

  private final int number;
  private final Map<String, String> cells;
  private final List<PartFile.Problem> problems;
  private final ObjectNode node;
  private final boolean fresh;

  PartRow(int number, Map<String, String> cells, List<PartFile.Problem> problems) {
    this.number = number;
    this.cells = cells;
    this.problems = problems;
    this.node = JsonNodeFactory.instance.objectNode();
    this.fresh = true;
  }

  /** A row that changes a part there is: cells that are not given leave it as it was. */
  PartRow(Map<String, String> cells, List<PartFile.Problem> problems, ControlKind base) {
    this.number = 1;
    this.cells = cells;
    this.problems = problems;
    this.node = PartJson.write(base);
    this.fresh = false;
  }

  void add(List<ControlKind> kinds) {
    int before = problems.size();
    for (String needed : new String[] {"id", "name", "family", "cutout", "body_depth"}) {
      if (fresh && !cells.containsKey(needed)) {
        problems.add(new PartFile.Problem(number, needed, "is missing"));
      }
    }
    for (String text : new String[] {"id", "name", "trait", "family"}) {
      at(text, value -> node.put(text, value));
    }
    for (String shape : new String[] {"cutout", "face", "body"}) {
      at(shape, value -> node.set(shape + "_mm", shape(value)));
    }
    at("body_depth", value -> node.put("body_depth_mm", mm(value)));
    double thinnest = fresh ? 0.5 : node.at("/panel_mm/0").asDouble();
    double thickest = fresh ? 60 : node.at("/panel_mm/1").asDouble();
    double low = length("panel_min", thinnest);
    double high = length("panel_max", thickest);
    node.putArray("panel_mm").add(low).add(high);
    ObjectNode mount =
        node.get("mount") instanceof ObjectNode there
            ? there
            : node.putObject("mount").put("how", "snap").put("wrench_mm", 0);
    at("mount", value -> mount.put("how", value.toLowerCase(Locale.ROOT)).remove("from"));
    at("from", value -> mount.put("from", value.toLowerCase(Locale.ROOT)));
    at("wrench", value -> mount.put("wrench_mm", mm(value)));
    at("screw", this::screws);
    if (cells.containsKey("stands") || cells.containsKey("swing") || cells.containsKey("fingers")) {
      ObjectNode above =
          node.get("above") instanceof ObjectNode there
              ? there
              : node.putObject("above").put("height_mm", 0).put("fingers_mm", 0);
      at("swing", value -> above.set("swing_mm", shape(value)));
      at("stands", value -> above.put("height_mm", mm(value)));
      at("fingers", value -> above.put("fingers_mm", mm(value)));
    }
    at("force_n", value -> node.put("force_n", number(value)));
    at("throw", value -> node.put("throw_mm", mm(value)));
    if (fresh || cells.containsKey("contacts")) {
      node.putArray("contacts");
      contacts(cells.getOrDefault("contacts", "switch"));
    }
    at("tab", value -> node.put("tab_mm", mm(value)));
    at("bounce_us", this::bounce);
    at("lamp", this::lamp);
    at("steps", value -> node.put("steps", (int) number(value)));
    at("ohm", value -> node.put("ohm", number(value)));
    at("cap", value -> node.set("cap_mm", shape(value)));
    at("latching", value -> node.put("latching", value.matches("(?i)yes|true|1")));
    if (MOVES_TABS.stream().anyMatch(cells::containsKey)) {
      node.remove("tabs");
    }
    at("tabs", this::tabs);
    if (problems.size() == before) {
      try {
        kinds.add(PartJson.read(new Key("", node)));
      } catch (Misfit e) {
        String place = e.place().equals("top level") ? "" : e.place();
        problems.add(new PartFile.Problem(number, place, PartFile.complaint(e)));
      }
    }
  }

  private interface Taken {
    void take(String value);
  }

  private void at(String column, Taken taken) {
    String value = cells.get(column);
    if (value != null) {
      try {
        taken.take(value);
      } catch (IllegalArgumentException e) {
        problems.add(new PartFile.Problem(number, column, e.getMessage()));
      }
    }
  }

  private double length(String column, double otherwise) {
    double[] found = {otherwise};
    at(column, value -> found[0] = mm(value));
    return found[0];
  }

  /** Screws are "M4 4.5" with their places "-20 -42; 20 -42" in another column. */
  private void screws(String value) {
    String[] words = value.split("\\s+", 2);
    if (words.length != 2 || !cells.containsKey("screw_at")) {
      throw new IllegalArgumentException(
          "write the screw and its clearance hole, such as M4 4.5, and the places in screw_at");
    }
    ObjectNode screws =
        node.putObject("screws").put("screw", words[0]).put("hole_mm", mm(words[1]));
    var at = screws.putArray("at");
    at(
        "screw_at",
        places -> {
          for (String place : places.split(";")) {
            String[] xy = place.strip().split("\\s+");
            if (xy.length != 2) {
              throw new IllegalArgumentException(
                  "\"" + place.strip() + "\" is no place; write x and y, such as -20 42");
            }
            at.addArray().add(mm(xy[0])).add(mm(xy[1]));
          }
        });
  }

  /** Contacts are "switch", or "up:switch:NO; down:switch:NO". */
  private void contacts(String value) {
    var list = node.withArray("contacts");
    for (String item : value.split(";")) {
      String[] words = item.strip().split(":");
      boolean named = words.length > 1;
      String type = (named ? words[1] : words[0]).strip().toLowerCase(Locale.ROOT);
      if (!List.of("switch", "wiper", "ladder").contains(type)) {
        problems.add(
            new PartFile.Problem(
                number, "contacts", "\"" + type + "\" is unknown; use switch, wiper or ladder"));
        return;
      }
      var contact =
          list.addObject()
              .put("name", named ? words[0].strip() : "")
              .put("type", type)
              .put("tab", words.length > 2 ? words[2].strip() : type.equals("switch") ? "NO" : "W");
      if (words.length > 3) {
        if (!words[3].strip().matches("[01](\\.\\d{1,4})?|0?\\.\\d{1,4}")) {
          problems.add(
              new PartFile.Problem(
                  number,
                  "contacts",
                  "\"" + words[3].strip() + "\" is no rest; write 0 to 1, such as 0.5"));
          return;
        }
        contact.put("rest", Double.parseDouble(words[3].strip()));
      }
    }
  }

  /** Tabs are "NO 0 -12 front; COM=up.COM+down.COM 3 4". */
  private void tabs(String value) {
    ArrayNode tabs = JsonNodeFactory.instance.arrayNode();
    for (String item : value.split(";")) {
      Matcher tab = TAB.matcher(item.strip());
      if (!tab.matches()) {
        throw new IllegalArgumentException(
            "\""
                + item.strip()
                + "\" is no tab; write its name, x and y and where it looks, such as NO 0 -12 front");
      }
      ObjectNode spot = tabs.addObject().put("tab", tab.group("name").strip());
      if (tab.group("for") != null) {
        ArrayNode stands = spot.putArray("stands_for");
        for (String name : tab.group("for").split("\\+")) {
          stands.add(name.strip());
        }
      }
      spot.put("x_mm", mm(tab.group("x"))).put("y_mm", mm(tab.group("y")));
      if (tab.group("looks") != null) {
        spot.put("direction", tab.group("looks").toLowerCase(Locale.ROOT));
      }
    }
    node.set("tabs", tabs);
  }

  private void bounce(String value) {
    Matcher range = Pattern.compile("(\\d{1,7})\\s*(?:-|to)\\s*(\\d{1,7})").matcher(value);
    if (!range.matches()) {
      throw new IllegalArgumentException(
          "\"" + value + "\" is no range; write such as 1000 to 5000");
    }
    node.putArray("bounce_us")
        .add(Integer.parseInt(range.group(1)))
        .add(Integer.parseInt(range.group(2)));
  }

  private void lamp(String value) {
    Matcher lamp =
        Pattern.compile("([\\d.]+)\\s*V\\s+([\\d.]+)\\s*mA\\s*(.*)", Pattern.CASE_INSENSITIVE)
            .matcher(value);
    if (!lamp.matches()) {
      throw new IllegalArgumentException(
          "\"" + value + "\" is no lamp; write such as 2.0 V 15 mA red");
    }
    node.putObject("lamp")
        .put("forward_v", number(lamp.group(1)))
        .put("current_ma", number(lamp.group(2)))
        .put("colour", lamp.group(3));
  }

  /** {@return a shape written such as "30 round", "3 x 66 slot" or "14 x 14 corner 0.5"} */
  private static ObjectNode shape(String text) {
    Matcher match = SHAPE.matcher(text.strip());
    if (!match.matches()) {
      throw new IllegalArgumentException(
          "\"" + text + "\" is no shape; write such as 30 round, 14 x 14 or 3 x 66 slot");
    }
    ObjectNode node = JsonNodeFactory.instance.objectNode();
    double a = mm(match.group("a"));
    if (match.group("b") == null) {
      return node.put("round", a);
    }
    double b = mm(match.group("b"));
    node.putArray("rect").add(a).add(b);
    if ("slot".equalsIgnoreCase(match.group("word"))) {
      node.put("corner", Math.min(a, b) / 2);
    } else if (match.group("corner") != null) {
      node.put("corner", mm(match.group("corner")));
    }
    return node;
  }

  private static double mm(String text) {
    return Length.parse(text, LengthUnit.MM).mm();
  }

  private static double number(String text) {
    try {
      double value = Double.parseDouble(text.strip().replace(',', '.'));
      if (Double.isNaN(value) || Double.isInfinite(value)) {
        throw new NumberFormatException(text);
      }
      return value;
    } catch (NumberFormatException e) {
      throw new IllegalArgumentException("\"" + text + "\" is no number", e);
    }
  }

  // ---- the other way

  /** {@return the cells of a part, by column; what no column says is left out} */
  static Map<String, String> cells(ControlKind kind) {
    Map<String, String> cells = new LinkedHashMap<>();
    cells.put("id", kind.id());
    cells.put("name", kind.name());
    cells.put("trait", kind.trait());
    cells.put("family", PartJson.word(kind.family()));
    cells.put("cutout", words(kind.cutout()));
    cells.put("face", words(kind.face()));
    cells.put("body", words(kind.body()));
    cells.put("body_depth", plain(kind.bodyDepthMm()));
    cells.put("panel_min", plain(kind.thinnestMm()));
    cells.put("panel_max", plain(kind.thickestMm()));
    cells.put("mount", PartJson.word(kind.mount().how()));
    cells.put("from", PartJson.word(kind.mount().from()));
    cells.put("wrench", plain(kind.mount().wrenchMm()));
    if (!kind.screws().isEmpty()) {
      ScrewHole first = kind.screws().get(0);
      cells.put("screw", first.screw() + " " + plain(first.diameterMm()));
      cells.put(
          "screw_at",
          kind.screws().stream()
              .map(s -> plain(s.at().xMm()) + " " + plain(s.at().yMm()))
              .collect(Collectors.joining("; ")));
    }
    cells.put("swing", words(kind.above().swing()));
    cells.put("stands", plain(kind.above().heightMm()));
    cells.put("fingers", plain(kind.above().fingersMm()));
    cells.put("force_n", plain(kind.feel().newton()));
    cells.put("throw", plain(kind.feel().throwMm()));
    kind.cap().ifPresent(cap -> cells.put("cap", words(cap)));
    cells.put(
        "contacts",
        kind.contacts().stream()
            .map(
                c ->
                    c.name().isEmpty()
                        ? PartJson.word(c.type())
                        : c.name() + ":" + PartJson.word(c.type()) + ":" + c.tab())
            .collect(Collectors.joining("; ")));
    cells.put("tab", plain(kind.tabMm()));
    cells.put("bounce_us", kind.bounce().leastUs() + " to " + kind.bounce().mostUs());
    kind.lamp()
        .ifPresent(
            lamp ->
                cells.put(
                    "lamp",
                    plain(lamp.forwardVolts())
                        + " V "
                        + plain(lamp.milliamps())
                        + " mA "
                        + lamp.colour()));
    cells.put("steps", String.valueOf(kind.steps()));
    cells.put("ohm", plain(kind.ohm()));
    cells.put("latching", kind.latching() ? "yes" : "no");
    cells.put(
        "tabs", kind.tabs().spots().stream().map(PartRow::words).collect(Collectors.joining("; ")));
    return cells;
  }

  private static String words(TabSpot spot) {
    return spot.tab()
        + (spot.stands().isEmpty() ? "" : "=" + String.join("+", spot.stands()))
        + " "
        + plain(spot.at().xMm())
        + " "
        + plain(spot.at().yMm())
        + " "
        + spot.looks().word();
  }

  private static String words(Shape shape) {
    if (shape instanceof Shape.Round round) {
      return plain(round.diameterMm()) + " round";
    }
    Shape.Rect rect = (Shape.Rect) shape;
    String size = plain(rect.widthMm()) + " x " + plain(rect.heightMm());
    if (rect.cornerMm() == 0) {
      return size;
    }
    boolean slot = rect.cornerMm() == Math.min(rect.widthMm(), rect.heightMm()) / 2;
    return slot ? size + " slot" : size + " corner " + plain(rect.cornerMm());
  }

  private static String plain(double value) {
    return value == Math.rint(value) ? String.valueOf((long) value) : String.valueOf(value);
  }
}
