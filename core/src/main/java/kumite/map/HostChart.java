package kumite.map;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import kumite.build.brief.HostFunction;
import kumite.table.Table;

/**
 * What a host asks for, as a table that can be brought from anywhere: function, wants, order.
 *
 * <pre>{@code
 * function;wants;order
 * Steer left;direction;1
 * Throttle;travel;2
 * }</pre>
 */
public final class HostChart {
  private static final List<String> COLUMNS = List.of("function", "wants", "order");

  private record Ordered(double order, int row, HostFunction function) {}

  private HostChart() {}

  /**
   * Reads a chart. Without a header the columns are function, wants, order; wants may be missing
   * and is then a press; without an order the rows count as they stand.
   *
   * @throws IllegalArgumentException naming the row that cannot be read, or that names a function
   *     twice
   */
  public static List<HostFunction> read(String text) {
    Table table = Table.read(text, COLUMNS);
    Map<String, Integer> at = new HashMap<>(Map.of("function", 0, "wants", 1, "order", 2));
    List<Table.Row> rows = new ArrayList<>(table.rows());
    if (!rows.isEmpty()) {
      List<String> head =
          rows.get(0).cells().stream().map(c -> c.toLowerCase(Locale.ROOT)).toList();
      if (head.contains("function")) {
        COLUMNS.forEach(column -> at.put(column, head.indexOf(column)));
        rows.remove(0);
      }
    }
    List<Ordered> read = new ArrayList<>();
    Set<String> names = new HashSet<>();
    for (Table.Row row : rows) {
      try {
        String name = cell(row, at.get("function"));
        if (!names.add(name)) {
          throw new IllegalArgumentException("\"" + name + "\" is there twice");
        }
        String order = cell(row, at.get("order"));
        read.add(
            new Ordered(
                order.isEmpty() ? row.line() : Double.parseDouble(order.replace(',', '.')),
                row.line(),
                new HostFunction(name, wants(cell(row, at.get("wants"))))));
      } catch (NumberFormatException e) {
        throw new IllegalArgumentException(
            "row "
                + row.line()
                + ": the order \""
                + cell(row, at.get("order"))
                + "\" is no number");
      } catch (IllegalArgumentException e) {
        throw new IllegalArgumentException("row " + row.line() + ": " + e.getMessage());
      }
    }
    read.sort(Comparator.comparingDouble(Ordered::order).thenComparingInt(Ordered::row));
    return read.stream().map(Ordered::function).toList();
  }

  private static String cell(Table.Row row, int at) {
    return at < 0 || at >= row.cells().size() ? "" : row.cells().get(at);
  }

  private static HostFunction.Wants wants(String text) {
    if (text.isEmpty()) {
      return HostFunction.Wants.PRESS;
    }
    for (HostFunction.Wants wants : HostFunction.Wants.values()) {
      if (wants.words().equalsIgnoreCase(text) || wants.name().equalsIgnoreCase(text)) {
        return wants;
      }
    }
    throw new IllegalArgumentException(
        "\""
            + text
            + "\" is no kind of input; use "
            + String.join(
                ", ",
                Arrays.stream(HostFunction.Wants.values())
                    .map(HostFunction.Wants::words)
                    .toList()));
  }

  /** {@return the chart as a table that {@link #read} reads back} */
  public static String text(List<HostFunction> functions) {
    StringBuilder text = new StringBuilder("function,wants,order\n");
    int order = 1;
    for (HostFunction function : functions) {
      text.append(quoted(function.name()))
          .append(',')
          .append(function.wants().words())
          .append(',')
          .append(order++)
          .append('\n');
    }
    return text.toString();
  }

  private static String quoted(String name) {
    return name.matches("[^\",;\\t]*") && name.equals(name.strip())
        ? name
        : '"' + name.replace("\"", "\"\"") + '"';
  }
}
