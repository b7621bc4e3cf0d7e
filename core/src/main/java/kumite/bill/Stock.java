package kumite.bill;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import kumite.table.Table;

/**
 * The drawer: what is there, and what things cost where. Kept across builds, as a table {@code
 * item,have,pieces,price,shop}; only {@code item} is a must. {@code pieces} are lengths of wire in
 * mm, such as {@code 5000 300x20}.
 *
 * @param rows by the id of the item
 */
public record Stock(Map<String, Row> rows) {
  /** Nothing there. */
  public static final Stock EMPTY = new Stock(Map.of());

  /** The columns of the table. */
  public static final List<String> COLUMNS = List.of("item", "have", "pieces", "price", "shop");

  /** More of a thing than this is taken for a slip. */
  private static final double MOST = 1e6;

  private static final int LONGEST_MM = 1_000_000;
  private static final int MOST_PIECES = 1000;

  /**
   * What is known of one item.
   *
   * @param item its id
   * @param have how much is there
   * @param pieces lengths of wire that are there, in mm
   * @param price of one, or of a metre or gram
   * @param shop where; empty where that is not known
   */
  public record Row(
      String item, double have, List<Integer> pieces, OptionalDouble price, String shop) {
    public Row {
      pieces = List.copyOf(pieces);
    }
  }

  public Stock {
    rows = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(rows));
  }

  /** {@return what is known of an item} */
  public Optional<Row> of(String item) {
    return Optional.ofNullable(rows.get(item));
  }

  /**
   * Reads a drawer.
   *
   * @throws IllegalArgumentException if a row cannot be read; the message names it and its column
   */
  public static Stock read(String text) {
    Table table = Table.read(text, COLUMNS);
    if (table.rows().isEmpty()) {
      throw new IllegalArgumentException(
          "row 1: there is nothing in it; begin with a head such as item,have,price");
    }
    Map<String, Integer> at = head(table.rows().get(0));
    Map<String, Row> rows = new LinkedHashMap<>();
    for (Table.Row row : table.rows().subList(1, table.rows().size())) {
      Row read = row(row, at);
      if (rows.put(read.item(), read) != null) {
        throw bad(row.line(), "item", "\"" + read.item() + "\" is there twice; make one row of it");
      }
    }
    return new Stock(rows);
  }

  private static Map<String, Integer> head(Table.Row row) {
    Map<String, Integer> at = new HashMap<>();
    Set<String> unknown = new HashSet<>();
    for (int i = 0; i < row.cells().size(); i++) {
      String name = row.cells().get(i).toLowerCase(Locale.ROOT);
      if (!COLUMNS.contains(name)) {
        unknown.add(row.cells().get(i));
      } else if (at.put(name, i) != null) {
        throw bad(row.line(), name, "the column is there twice; take one out");
      }
    }
    if (!at.containsKey("item")) {
      throw new IllegalArgumentException(
          "row "
              + row.line()
              + ": there is no column \"item\"; the first row names the columns, of "
              + String.join(", ", COLUMNS));
    }
    if (!unknown.isEmpty()) {
      throw new IllegalArgumentException(
          "row "
              + row.line()
              + ": columns "
              + String.join(", ", unknown.stream().sorted().toList())
              + " are unknown; use "
              + String.join(", ", COLUMNS));
    }
    return at;
  }

  private static Row row(Table.Row row, Map<String, Integer> at) {
    if (row.cells().size() > at.size()) {
      throw new IllegalArgumentException(
          "row "
              + row.line()
              + ": it has "
              + row.cells().size()
              + " cells under "
              + at.size()
              + " columns; a price with a comma wants quotes, or semicolons between the cells");
    }
    String item = cell(row, at, "item");
    if (item.isEmpty()) {
      throw bad(row.line(), "item", "it is empty; write an id as kumite bill prints it");
    }
    String have = cell(row, at, "have");
    String price = cell(row, at, "price");
    return new Row(
        item,
        have.isEmpty() ? 0 : number(row.line(), "have", have),
        pieces(row.line(), cell(row, at, "pieces")),
        price.isEmpty()
            ? OptionalDouble.empty()
            : OptionalDouble.of(number(row.line(), "price", price)),
        cell(row, at, "shop"));
  }

  private static String cell(Table.Row row, Map<String, Integer> at, String name) {
    Integer place = at.get(name);
    return place == null || place >= row.cells().size() ? "" : row.cells().get(place);
  }

  /** A point or one comma before the decimals; nothing between the thousands. */
  private static double number(int line, String column, String text) {
    String plain = text.replace(',', '.');
    if (!plain.matches("-?\\d+(\\.\\d+)?")) {
      throw bad(
          line, column, "\"" + text + "\" is no number; write 12.50 or 12,50, without a currency");
    }
    double value = Double.parseDouble(plain);
    if (value < 0 || value > MOST) {
      throw bad(line, column, "\"" + text + "\" must be 0 to 1000000");
    }
    return value;
  }

  private static List<Integer> pieces(int line, String text) {
    List<Integer> pieces = new ArrayList<>();
    for (String part : text.split("[\\s;|]+")) {
      if (part.isEmpty()) {
        continue;
      }
      if (!part.matches("\\d{1,7}(x\\d{1,4})?")) {
        throw bad(
            line,
            "pieces",
            "\"" + part + "\" is no length; write millimetres, such as 5000 or 300x20");
      }
      int x = part.indexOf('x');
      int mm = Integer.parseInt(x < 0 ? part : part.substring(0, x));
      int count = x < 0 ? 1 : Integer.parseInt(part.substring(x + 1));
      if (mm < 1 || mm > LONGEST_MM || pieces.size() + count > MOST_PIECES) {
        throw bad(
            line,
            "pieces",
            "\"" + part + "\": lengths are 1 to 1000000 mm, and at most 1000 of them");
      }
      for (int i = 0; i < count; i++) {
        pieces.add(mm);
      }
    }
    return pieces;
  }

  private static IllegalArgumentException bad(int line, String column, String words) {
    return new IllegalArgumentException("row " + line + ", " + column + ": " + words);
  }

  /** {@return the drawer as a table that it reads back} */
  public String text() {
    StringBuilder out = new StringBuilder(String.join(",", COLUMNS)).append('\n');
    for (Row row : rows.values()) {
      List<String> cells =
          List.of(
              row.item(),
              plain(row.have()),
              String.join(" ", row.pieces().stream().map(Object::toString).toList()),
              row.price().isPresent() ? plain(row.price().getAsDouble()) : "",
              row.shop());
      out.append(String.join(",", cells.stream().map(Stock::quoted).toList())).append('\n');
    }
    return out.toString();
  }

  private static String plain(double value) {
    return value == Math.rint(value) ? Long.toString((long) value) : Double.toString(value);
  }

  private static String quoted(String cell) {
    return cell.matches("[^,;\"\\t\\n\\r]*") ? cell : '"' + cell.replace("\"", "\"\"") + '"';
  }
}
