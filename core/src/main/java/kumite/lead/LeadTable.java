package kumite.lead;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import kumite.kind.WireColour;
import kumite.table.Table;

/**
 * Cores typed, pasted or read from a table: a header {@code from,to,role,colour}, then a row a core
 * ({@code yes} under {@code shared} where it joins pins on purpose); or short, {@code 1>3 2>4 3>2
 * 4>1}.
 *
 * <p>A pin is named by what is printed at it, or by its function where the end's pinout is known.
 */
public final class LeadTable {
  private static final List<String> NAMES =
      List.of("from", "to", "role", "colour", "core", "shared");

  private final ConnectorKind from;
  private final ConnectorKind to;
  private final Optional<Pinout> fromPins;
  private final Optional<Pinout> toPins;

  /** A table of cores between two connectors. */
  public LeadTable(
      ConnectorKind from, Optional<Pinout> fromPins, ConnectorKind to, Optional<Pinout> toPins) {
    this.from = from;
    this.to = to;
    this.fromPins = fromPins;
    this.toPins = toPins;
  }

  /** {@return whether a text is the short form} */
  public static boolean isShort(String text) {
    return text.strip()
        .matches("[^>\\s,;]+\\s*>\\s*[^>\\s,;]+([\\s,;]+[^>\\s,;]+\\s*>\\s*[^>\\s,;]+)*");
  }

  /**
   * Reads the short form.
   *
   * @throws IllegalArgumentException if a pin is not there, or is named twice on one side
   */
  public List<Core> readShort(String text) {
    List<Row> rows = new ArrayList<>();
    for (String pair : text.strip().replaceAll("\\s*>\\s*", ">").split("[\\s,;]+")) {
      String[] ends = pair.split(">");
      int row = rows.size() + 1;
      rows.add(
          new Row(
              row,
              pin(ends[0], from, fromPins, "pair " + row, "from"),
              pin(ends[1], to, toPins, "pair " + row, "to"),
              Optional.empty(),
              Optional.empty(),
              false));
    }
    once(rows, true);
    once(rows, false);
    return cores(rows);
  }

  private void once(List<Row> rows, boolean left) {
    Map<String, Integer> seen = new HashMap<>();
    for (Row row : rows) {
      String pin = left ? row.from() : row.to();
      Integer before = seen.put(pin, row.line());
      if (before != null) {
        throw new IllegalArgumentException(
            "pairs "
                + before
                + " and "
                + row.line()
                + " both "
                + (left ? "begin" : "end")
                + " at pin "
                + pin
                + ", so this is no permutation; give each pin one partner, or write a table with a"
                + " row a core if they are meant to be joined");
      }
    }
  }

  private record Row(
      int line,
      String from,
      String to,
      Optional<WireColour> colour,
      Optional<String> role,
      boolean shared) {}

  /**
   * Reads a table.
   *
   * @throws IllegalArgumentException if a name, pin or colour is unknown, a core is used twice, or
   *     there are more cores than pins; the message names the row
   */
  public List<Core> read(String text) {
    Table table = Table.read(text, NAMES);
    if (table.rows().isEmpty()) {
      throw new IllegalArgumentException(
          "the table is empty; begin with a row " + String.join(",", NAMES.subList(0, 4)));
    }
    if (table.rows().size() == 1) {
      throw new IllegalArgumentException(
          "the table has a head and no core; write a row for each core, such as 1,1,up,BN");
    }
    Map<String, Integer> columns = header(table.rows().get(0));
    List<Row> rows = new ArrayList<>();
    Map<String, Integer> pairs = new HashMap<>();
    Map<String, Integer> numbers = new HashMap<>();
    int most = Math.max(from.pins().size(), to.pins().size());
    for (Table.Row row : table.rows().subList(1, table.rows().size())) {
      String at = "row " + row.line();
      Row read =
          new Row(
              row.line(),
              pin(cell(row, columns, "from"), from, fromPins, at, "from"),
              pin(cell(row, columns, "to"), to, toPins, at, "to"),
              Optional.of(cell(row, columns, "colour"))
                  .filter(c -> !c.isEmpty())
                  .map(c -> colour(c, at)),
              Optional.of(cell(row, columns, "role")).filter(c -> !c.isEmpty()),
              yes(cell(row, columns, "shared"), at));
      twice(pairs, read.from() + " to " + read.to(), row.line(), "the core from ");
      String number = cell(row, columns, "core");
      if (!number.isEmpty()) {
        twice(numbers, number, row.line(), "core ");
      }
      rows.add(read);
      if (rows.size() > most) {
        throw new IllegalArgumentException(
            at
                + ": more cores than pins: "
                + rows.size()
                + " rows, but the larger connector has "
                + most
                + "; take rows out, or name another connector");
      }
    }
    return cores(rows);
  }

  private static void twice(Map<String, Integer> seen, String key, int line, String what) {
    Integer before = seen.put(key, line);
    if (before != null) {
      throw new IllegalArgumentException(
          "row " + line + ": " + what + key + " is used in row " + before + " too; take one out");
    }
  }

  private static Map<String, Integer> header(Table.Row row) {
    Map<String, Integer> columns = new LinkedHashMap<>();
    for (int i = 0; i < row.cells().size(); i++) {
      String name = row.cells().get(i).toLowerCase(Locale.ROOT);
      if (!name.isEmpty() && !NAMES.contains(name)) {
        throw new IllegalArgumentException(
            "row "
                + row.line()
                + ": no column is called \""
                + row.cells().get(i)
                + "\"; use "
                + String.join(", ", NAMES));
      }
      if (columns.putIfAbsent(name, i) != null && !name.isEmpty()) {
        throw new IllegalArgumentException(
            "row " + row.line() + ": two columns are called \"" + name + "\"; take one out");
      }
    }
    for (String needed : List.of("from", "to")) {
      if (!columns.containsKey(needed)) {
        throw new IllegalArgumentException(
            "row "
                + row.line()
                + ": the column \""
                + needed
                + "\" is missing; the first row names the columns, "
                + String.join(", ", NAMES.subList(0, 4)));
      }
    }
    return columns;
  }

  private static boolean yes(String text, String at) {
    return switch (text.toLowerCase(Locale.ROOT)) {
      case "yes" -> true;
      case "no", "" -> false;
      default ->
          throw new IllegalArgumentException(
              at + ": under \"shared\" stands \"" + text + "\"; write yes or no");
    };
  }

  private static String cell(Table.Row row, Map<String, Integer> columns, String name) {
    Integer at = columns.get(name);
    return at == null || at >= row.cells().size() ? "" : row.cells().get(at);
  }

  private static String pin(
      String text, ConnectorKind kind, Optional<Pinout> pinout, String at, String side) {
    if (text.isEmpty()) {
      throw new IllegalArgumentException(at + ": the pin under \"" + side + "\" is missing");
    }
    if (kind.has(text)) {
      return text;
    }
    Optional<String> byFunction =
        pinout.flatMap(p -> p.of(Function.named(text))).map(Pinout.Pin::pin);
    return byFunction.orElseThrow(
        () ->
            new IllegalArgumentException(
                at
                    + ": "
                    + kind.name()
                    + " has no pin \""
                    + text
                    + "\""
                    + pinout.map(p -> " and " + p.name() + " no such function").orElse("")
                    + "; its pins are "
                    + kind.names().get(0)
                    + " to "
                    + kind.names().get(kind.pins().size() - 1)));
  }

  private static WireColour colour(String text, String at) {
    Optional<WireColour> byWord =
        Stream.of(WireColour.Hue.values())
            .filter(hue -> hue.words().equals(text.toLowerCase(Locale.ROOT)))
            .findFirst()
            .map(WireColour::of);
    try {
      return byWord.orElseGet(() -> WireColour.parse(text));
    } catch (IllegalArgumentException e) {
      throw new IllegalArgumentException(at + ": " + e.getMessage(), e);
    }
  }

  private List<Core> cores(List<Row> rows) {
    List<Row> sorted =
        rows.stream()
            .sorted(
                java.util.Comparator.comparingInt((Row r) -> from.order(r.from()))
                    .thenComparingInt(r -> to.order(r.to())))
            .toList();
    List<WireColour> colours =
        Making.colours(
            sorted.stream().map(Row::colour).toList(),
            sorted.stream().map(row -> fromPins.flatMap(p -> p.at(row.from()))).toList());
    List<Core> cores = new ArrayList<>();
    for (int i = 0; i < sorted.size(); i++) {
      Row row = sorted.get(i);
      cores.add(new Core(row.from(), row.to(), colours.get(i), row.role(), row.shared()));
    }
    return cores;
  }
}
