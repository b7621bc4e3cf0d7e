package kumite.parts;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import kumite.json.JsonText;
import kumite.json.Key;
import kumite.json.Misfit;
import kumite.kind.ControlKind;
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
    "latching",
    "tabs"
  };

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
    new PartRow(1, given, problems).add(kinds);
    return new Imported(kinds, problems, List.of());
  }

  /**
   * {@return the cells of a part, named as the columns of the CSV file, to be changed in a form}
   */
  public static Map<String, String> cells(ControlKind kind) {
    return PartRow.cells(kind);
  }

  /**
   * Reads one part from the cells of a form that began as a copy of another: cells that are as they
   * were leave that part as it is, also in what no column can say.
   */
  public static Imported read(Map<String, String> cells, ControlKind copied) {
    Map<String, String> before = cells(copied);
    Map<String, String> changed = new LinkedHashMap<>();
    cells.forEach(
        (column, text) -> {
          if (!text.isBlank() && !text.strip().equals(before.get(column))) {
            changed.put(column, text.strip());
          }
        });
    if (changed.containsKey("screw") != changed.containsKey("screw_at")) {
      for (String both : new String[] {"screw", "screw_at"}) {
        changed.put(both, cells.getOrDefault(both, "").strip());
      }
    }
    List<ControlKind> kinds = new ArrayList<>();
    List<Problem> problems = new ArrayList<>();
    new PartRow(changed, problems, copied).add(kinds);
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

  static String complaint(Misfit e) {
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
        new PartRow(row.line(), cells, problems).add(kinds);
      }
    }
    finish(kinds, problems);
    return new Imported(kinds, problems, table.notes());
  }
}
