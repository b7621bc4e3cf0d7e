package kumite.files;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import kumite.build.bringup.Answer;
import kumite.build.bringup.Ask;
import kumite.build.bringup.Entry;
import kumite.table.Table;

/**
 * Readings as a table: {@code from,to,state,held,reading}, a row each. A row without a reading was
 * skipped.
 */
public final class ReadingsFile {
  private static final List<String> COLUMNS = List.of("from", "to", "state", "held", "reading");

  private ReadingsFile() {}

  /**
   * Reads a table.
   *
   * @throws IllegalArgumentException if a row is none; the message names its line
   */
  public static List<Entry> read(String text) {
    List<Entry> entries = new ArrayList<>();
    if (text.isBlank()) {
      throw new IllegalArgumentException(
          "row 1: the table is empty; begin with " + String.join(",", COLUMNS));
    }
    Table table = Table.read(text, COLUMNS);
    List<String> columns = List.of();
    for (Table.Row row : table.rows()) {
      if (columns.isEmpty()) {
        columns = row.cells().stream().map(c -> c.strip().toLowerCase(Locale.ROOT)).toList();
        if (!columns.containsAll(List.of("from", "reading"))) {
          throw new IllegalArgumentException(
              "row "
                  + row.line()
                  + ": the first row names the columns; begin with "
                  + String.join(",", COLUMNS));
        }
        continue;
      }
      entry(columns, row).ifPresent(entries::add);
      if (entries.size() > kumite.build.bringup.Round.MOST) {
        throw new IllegalArgumentException(
            "row "
                + row.line()
                + ": more than "
                + kumite.build.bringup.Round.MOST
                + " readings; is it the right file?");
      }
    }
    return entries;
  }

  private static Optional<Entry> entry(List<String> columns, Table.Row row) {
    if (row.cells().stream().allMatch(String::isBlank)) {
      return Optional.empty();
    }
    try {
      Ask ask =
          Ask.parse(
              cell(columns, row, "from"),
              cell(columns, row, "to"),
              cell(columns, row, "state"),
              cell(columns, row, "held"));
      String reading = cell(columns, row, "reading");
      return Optional.of(
          new Entry(
              ask,
              reading.isBlank() ? Optional.empty() : Optional.of(Answer.parse(ask, reading)),
              cell(columns, row, "note")));
    } catch (IllegalArgumentException e) {
      throw new IllegalArgumentException("row " + row.line() + ": " + e.getMessage(), e);
    }
  }

  private static String cell(List<String> columns, Table.Row row, String name) {
    int at = columns.indexOf(name);
    return at >= 0 && at < row.cells().size() ? row.cells().get(at).strip() : "";
  }

  /** {@return entries as such a table} */
  public static String write(List<Entry> entries) {
    StringBuilder out = new StringBuilder(String.join(",", COLUMNS)).append('\n');
    for (Entry entry : entries) {
      out.append(quoted(entry.ask().from())).append(',');
      out.append(quoted(entry.ask().to())).append(',');
      out.append(entry.ask().state()).append(',');
      out.append(quoted(entry.ask().held().toString())).append(',');
      out.append(quoted(entry.answer().map(Answer::toString).orElse(""))).append('\n');
    }
    return out.toString();
  }

  private static String quoted(String text) {
    return text.matches("[^\",\\r\\n]*") ? text : '"' + text.replace("\"", "\"\"") + '"';
  }
}
