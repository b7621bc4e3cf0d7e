package kumite.parts;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import kumite.json.JsonText;
import kumite.json.Key;
import kumite.json.Misfit;
import kumite.kind.ControlKind;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.table.Table;

/**
 * Own parts as JSON or CSV; both are described in docs/parts-file.md.
 *
 * <pre>{@code
 * PartFile.Imported imported = PartFile.read(text, "my-parts.csv");
 * if (imported.problems().isEmpty()) { ... imported.kinds() ... }
 * }</pre>
 */
public final class PartFile {
  /** More parts than this is no list of a builder's parts. */
  public static final int MOST_PARTS = 2000;

  private static final String[] COLUMNS = {
    "id",
    "name",
    "trait",
    "family",
    "cutout",
    "face",
    "body",
    "body_depth",
    "panel_min",
    "panel_max",
    "mount",
    "from",
    "wrench",
    "screw",
    "screw_at",
    "swing",
    "stands",
    "fingers",
    "force_n",
    "throw",
    "cap",
    "contacts",
    "tab",
    "bounce_us",
    "lamp",
    "steps",
    "ohm",
    "latching"
  };

  private static final Pattern SHAPE =
      Pattern.compile(
          "(?<a>[^x×]+?)\\s*(?:(?:x|×)\\s*(?<b>[^x×]+?))?\\s*(?<word>round|slot)?"
              + "(?:\\s+corner\\s+(?<corner>.+))?",
          Pattern.CASE_INSENSITIVE);

  private PartFile() {}

  /**
   * What an import found. With any problem, nothing is to be taken over.
   *
   * @param kinds the parts that could be read
   * @param problems what is wrong, each with its row and column
   * @param notes what was passed over or guessed
   */
  public record Imported(List<ControlKind> kinds, List<Problem> problems, List<String> notes) {
    public Imported {
      notes = List.copyOf(notes);
      kinds = List.copyOf(kinds);
      problems = List.copyOf(problems);
    }
  }

  /**
   * One thing wrong in a file.
   *
   * @param row the line of the file, 1 upward, its header line counted; in JSON the number of the
   *     part; 0 where the column tells the place
   * @param column the column or key, or line and column of a text
   * @param what what is wrong and what to write instead
   */
  public record Problem(int row, String column, String what) {
    /** {@return in words for people} */
    public String words() {
      String where = row == 0 ? "" : "row " + row;
      String place = column.isEmpty() || where.isEmpty() ? where + column : where + ", " + column;
      return place.isEmpty() ? what : place + ": " + what;
    }
  }

  /**
   * Reads parts.
   *
   * @param name the file's name; JSON where it ends in {@code .json}, CSV otherwise
   */
  public static Imported read(String text, String name) {
    return name.toLowerCase(Locale.ROOT).endsWith(".json") ? json(text) : csv(text);
  }

  /**
   * Reads one part from the cells of a form, named as the columns of the CSV file.
   *
   * @param cells texts by column; blank ones count as not given
   */
  public static Imported read(Map<String, String> cells) {
    Map<String, String> given = new LinkedHashMap<>();
    cells.forEach(
        (column, text) -> {
          if (!text.isBlank()) {
            given.put(column, text.strip());
          }
        });
    List<ControlKind> kinds = new ArrayList<>();
    List<Problem> problems = new ArrayList<>();
    new Row(1, given, problems).add(kinds);
    return new Imported(kinds, problems, List.of());
  }

  /** {@return one part as JSON} */
  public static JsonNode write(ControlKind kind) {
    return PartJson.write(kind);
  }

  /**
   * Reads one part from JSON.
   *
   * @throws kumite.json.Misfit if a key is unknown or missing or a value does not fit; it names the
   *     key
   */
  public static ControlKind read(Key key) {
    return PartJson.read(key);
  }

  private static Imported json(String text) {
    List<ControlKind> kinds = new ArrayList<>();
    List<Problem> problems = new ArrayList<>();
    List<String> notes =
        text.startsWith("\uFEFF")
            ? List.of("a byte order mark before it was passed over")
            : List.of();
    JsonNode root;
    try {
      root = JsonText.read(text);
    } catch (Misfit e) {
      problems.add(new Problem(0, e.place(), complaint(e)));
      return new Imported(kinds, problems, notes);
    }
    Iterable<JsonNode> items = root.isArray() ? root : List.of(root);
    int row = 0;
    for (JsonNode item : items) {
      row++;
      try {
        kinds.add(read(new Key("", item)));
      } catch (Misfit e) {
        problems.add(new Problem(row, e.place(), complaint(e)));
      }
    }
    finish(kinds, problems);
    return new Imported(kinds, problems, notes);
  }

  private static String complaint(Misfit e) {
    return e.what() + (e.remedy().isEmpty() ? "" : "; " + e.remedy());
  }

  private static void finish(List<ControlKind> kinds, List<Problem> problems) {
    if (kinds.isEmpty() && problems.isEmpty()) {
      problems.add(new Problem(1, "", "holds no part"));
    }
    Set<String> seen = new HashSet<>();
    for (int i = 0; i < kinds.size(); i++) {
      if (!seen.add(kinds.get(i).id())) {
        problems.add(
            new Problem(i + 1, "id", "\"" + kinds.get(i).id() + "\" is there twice; rename one"));
      }
    }
    if (kinds.size() > MOST_PARTS) {
      problems.add(
          new Problem(MOST_PARTS, "", "more than " + MOST_PARTS + " parts; split the file"));
    }
  }

  private static Imported csv(String text) {
    List<ControlKind> kinds = new ArrayList<>();
    List<Problem> problems = new ArrayList<>();
    Table table;
    try {
      table = Table.read(text, List.of(COLUMNS));
    } catch (IllegalArgumentException e) {
      problems.add(new Problem(0, "", e.getMessage()));
      return new Imported(kinds, problems, List.of());
    }
    if (table.rows().isEmpty()) {
      finish(kinds, problems);
      return new Imported(kinds, problems, table.notes());
    }
    List<String> head = new ArrayList<>();
    for (String cell : table.rows().get(0).cells()) {
      String column = cell.toLowerCase(Locale.ROOT);
      if (!List.of(COLUMNS).contains(column)) {
        problems.add(new Problem(1, column, "unknown column; use " + String.join(", ", COLUMNS)));
      } else if (head.contains(column)) {
        problems.add(new Problem(1, column, "the column is there twice; keep one"));
      }
      head.add(column);
    }
    for (int r = 1; r < table.rows().size() && kinds.size() <= MOST_PARTS; r++) {
      Table.Row row = table.rows().get(r);
      Map<String, String> cells = new LinkedHashMap<>();
      for (int c = 0; c < Math.min(head.size(), row.cells().size()); c++) {
        if (!row.cells().get(c).isEmpty()) {
          cells.put(head.get(c), row.cells().get(c));
        }
      }
      if (row.cells().size() > head.size()) {
        problems.add(
            new Problem(row.line(), "", "has more cells than the header line has columns"));
      } else {
        new Row(row.line(), cells, problems).add(kinds);
      }
    }
    finish(kinds, problems);
    return new Imported(kinds, problems, table.notes());
  }

  /** One row on its way to a part. Every bad cell is reported, not only the first. */
  private static final class Row {
    private final int number;
    private final Map<String, String> cells;
    private final List<Problem> problems;
    private final ObjectNode node = JsonNodeFactory.instance.objectNode();

    Row(int number, Map<String, String> cells, List<Problem> problems) {
      this.number = number;
      this.cells = cells;
      this.problems = problems;
    }

    void add(List<ControlKind> kinds) {
      int before = problems.size();
      for (String needed : new String[] {"id", "name", "family", "cutout", "body_depth"}) {
        if (!cells.containsKey(needed)) {
          problems.add(new Problem(number, needed, "is missing"));
        }
      }
      for (String text : new String[] {"id", "name", "trait", "family"}) {
        at(text, value -> node.put(text, value));
      }
      for (String shape : new String[] {"cutout", "face", "body"}) {
        at(shape, value -> node.set(shape + "_mm", shape(value)));
      }
      at("body_depth", value -> node.put("body_depth_mm", mm(value)));
      node.putArray("panel_mm").add(length("panel_min", 0.5)).add(length("panel_max", 60));
      ObjectNode mount = node.putObject("mount").put("how", "snap").put("wrench_mm", 0);
      at("mount", value -> mount.put("how", value.toLowerCase(Locale.ROOT)));
      at("from", value -> mount.put("from", value.toLowerCase(Locale.ROOT)));
      at("wrench", value -> mount.put("wrench_mm", mm(value)));
      at("screw", this::screws);
      if (cells.containsKey("stands") || cells.containsKey("swing")) {
        ObjectNode above = node.putObject("above");
        at("swing", value -> above.set("swing_mm", shape(value)));
        above.put("height_mm", length("stands", 0)).put("fingers_mm", length("fingers", 0));
      }
      at("force_n", value -> node.put("force_n", number(value)));
      at("throw", value -> node.put("throw_mm", mm(value)));
      node.putArray("contacts");
      contacts(cells.getOrDefault("contacts", "switch"));
      at("tab", value -> node.put("tab_mm", mm(value)));
      at("bounce_us", this::bounce);
      at("lamp", this::lamp);
      at("steps", value -> node.put("steps", (int) number(value)));
      at("ohm", value -> node.put("ohm", number(value)));
      at("cap", value -> node.set("cap_mm", shape(value)));
      at("latching", value -> node.put("latching", value.matches("(?i)yes|true|1")));
      if (problems.size() == before) {
        try {
          kinds.add(read(new Key("", node)));
        } catch (Misfit e) {
          String place = e.place().equals("top level") ? "" : e.place();
          problems.add(new Problem(number, place, complaint(e)));
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
          problems.add(new Problem(number, column, e.getMessage()));
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
              new Problem(
                  number, "contacts", "\"" + type + "\" is unknown; use switch, wiper or ladder"));
          return;
        }
        list.addObject()
            .put("name", named ? words[0].strip() : "")
            .put("type", type)
            .put("tab", words.length > 2 ? words[2].strip() : type.equals("switch") ? "NO" : "W");
      }
    }

    private void bounce(String value) {
      Matcher range = Pattern.compile("(\\d+)\\s*(?:-|to)\\s*(\\d+)").matcher(value);
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
}
