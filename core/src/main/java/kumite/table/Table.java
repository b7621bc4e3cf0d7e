package kumite.table;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * A table as text: comma, semicolon or tab between the cells, cells in quotes where they hold one
 * of these (RFC 4180).
 *
 * <pre>{@code
 * Table table = Table.read("terminal;side\nGND;left\n", List.of("terminal", "side"));
 * table.rows().get(0).line(); // 1
 * }</pre>
 *
 * @param rows all rows that hold anything, a header among them
 * @param notes what was passed over or guessed, for people; mostly empty
 */
public record Table(List<Row> rows, List<String> notes) {

  /**
   * One row.
   *
   * @param line the line of the file it ends in, 1 upward
   * @param cells its cells, blanks around them taken off
   */
  public record Row(int line, List<String> cells) {
    public Row {
      cells = List.copyOf(cells);
    }
  }

  /** What parts the cells of a row. */
  private enum Part {
    COMMA(',', ""),
    SEMICOLON(';', "its cells are parted by semicolons"),
    TAB('\t', "its cells are parted by tabs");

    private final char sign;
    private final String note;

    Part(char sign, String note) {
      this.sign = sign;
      this.note = note;
    }
  }

  public Table {
    rows = List.copyOf(rows);
    notes = List.copyOf(notes);
  }

  /**
   * Reads a table.
   *
   * @param known the names that a header may have; they tell what parts the cells
   * @throws IllegalArgumentException if a quote is never closed or stands where none may; the
   *     message names the row
   */
  public static Table read(String text, Collection<String> known) {
    List<String> notes = new ArrayList<>();
    String bare = text;
    if (text.startsWith("\uFEFF")) {
      bare = text.substring(1);
      notes.add("a byte order mark before it was passed over");
    }
    Part part = part(bare, known);
    if (!part.note.isEmpty()) {
      notes.add(part.note);
    }
    CSVFormat format =
        CSVFormat.RFC4180
            .builder()
            .setDelimiter(part.sign)
            .setIgnoreSurroundingSpaces(true)
            .setIgnoreEmptyLines(true)
            .get();
    List<Row> rows = new ArrayList<>();
    try (CSVParser parser = CSVParser.parse(bare, format)) {
      for (CSVRecord row : parser) {
        List<String> cells = new ArrayList<>();
        row.forEach(cell -> cells.add(cell.strip()));
        if (cells.stream().anyMatch(cell -> !cell.isEmpty())) {
          rows.add(new Row((int) parser.getCurrentLineNumber(), cells));
        }
      }
    } catch (UncheckedIOException e) {
      throw unreadable(rows, e);
    } catch (IOException e) {
      throw new UncheckedIOException("reading from memory does not fail", e);
    }
    return new Table(numbered(rows, bare), notes);
  }

  private static IllegalArgumentException unreadable(List<Row> rows, Exception e) {
    int row = rows.isEmpty() ? 1 : rows.get(rows.size() - 1).line() + 1;
    return new IllegalArgumentException(
        "row "
            + row
            + ": a quote is not closed, or stands inside a cell; write it twice inside a cell in"
            + " quotes",
        e);
  }

  /** The parser counts a last line without an end as none. */
  private static List<Row> numbered(List<Row> rows, String text) {
    if (rows.isEmpty() || text.endsWith("\n") || text.endsWith("\r")) {
      return rows;
    }
    Row last = rows.get(rows.size() - 1);
    int lines = (int) text.lines().count();
    rows.set(rows.size() - 1, new Row(lines, last.cells()));
    return rows;
  }

  /** What parts a header's cells so that most of them are known; else what it holds most of. */
  private static Part part(String text, Collection<String> known) {
    String first = text.lines().filter(line -> !line.isBlank()).findFirst().orElse("");
    Part best = Part.COMMA;
    long most = -1;
    for (Part part : Part.values()) {
      long names = 0;
      long signs = 0;
      for (String cell :
          first.split(java.util.regex.Pattern.quote(String.valueOf(part.sign)), -1)) {
        String name = cell.strip().replaceAll("^\"|\"$", "").toLowerCase(Locale.ROOT);
        names += known.contains(name) ? 1 : 0;
        signs++;
      }
      long score = names * 1000 + signs - 1;
      if (score > most) {
        most = score;
        best = part;
      }
    }
    return best;
  }
}
