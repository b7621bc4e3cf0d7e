package kumite.parts;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonMappingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.MappingIterator;
import com.fasterxml.jackson.dataformat.csv.CsvMapper;
import com.fasterxml.jackson.dataformat.csv.CsvParser;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.kind.Terminal;
import kumite.measure.Point;
import kumite.working.Source;

/**
 * Boards of a builder's own: as JSON, or from a table of their terminals.
 *
 * <p>The table has a header line and one terminal a line, from the plug to the front: {@code
 * terminal, side, role, can, keep, volts, means}. Only the first is needed: GND is a ground, 3V3,
 * 5V and VCC are supplies, all else an input that reads high and low with a pull-up. Abilities are
 * parted by blanks. The whole of it is in docs/parts-file.md.
 */
public final class BoardFile {
  private static final Set<String> COLUMNS =
      Set.of("terminal", "side", "role", "can", "keep", "volts", "means");

  /** Longer than any board's edge. */
  private static final int MOST_TERMINALS = 400;

  private BoardFile() {}

  /**
   * What a table cannot say of a board.
   *
   * @param id its id
   * @param name short, for lists
   * @param logicVolts its logic supply
   * @param common which rail its contacts share
   * @param adcBits resolution where it measures volts; 0 where it cannot
   * @param brain what it can be to a host
   */
  public record Traits(
      String id,
      String name,
      double logicVolts,
      Common common,
      int adcBits,
      BoardKind.Brain brain) {}

  /**
   * A board read, or what is wrong with its table.
   *
   * @param board the board; empty where there are problems
   * @param problems what is wrong, each with its row and column
   */
  public record Imported(java.util.Optional<BoardKind> board, List<PartFile.Problem> problems) {
    public Imported {
      problems = List.copyOf(problems);
    }
  }

  /** {@return a board as JSON} */
  public static JsonNode write(BoardKind kind) {
    return CatalogueReader.JSON.valueToTree(BoardData.of(kind));
  }

  /**
   * Reads a board from JSON.
   *
   * @throws IllegalArgumentException if a key is unknown or missing or does not fit
   */
  public static BoardKind read(JsonNode node) {
    try {
      BoardData data = CatalogueReader.JSON.treeToValue(node, BoardData.class);
      boolean listed = data.terminals() != null;
      boolean edges = data.left() != null && data.right() != null && data.groups() != null;
      if (data.id() == null
          || data.name() == null
          || data.sizeMm() == null
          || data.sizeMm().length != 2
          || data.pullOhm() == null
          || data.pullOhm().length != 2
          || data.common() == null
          || data.levelsFrom() == null
          || !listed && !edges) {
        throw new IllegalArgumentException(
            "a board needs id, name, size_mm, common, levels_from, pull_ohm and terminals");
      }
      return data.toKind();
    } catch (JsonMappingException e) {
      throw new IllegalArgumentException(
          CatalogueReader.where(e) + " does not fit; see docs/parts-file.md", e);
    } catch (JsonProcessingException e) {
      throw new IllegalArgumentException(e.getOriginalMessage(), e);
    }
  }

  /** Reads a board from the table of its terminals. */
  public static Imported readTable(Traits traits, String csv) {
    List<PartFile.Problem> problems = new ArrayList<>();
    List<List<String>> rows = rows(csv, problems);
    if (rows.isEmpty()) {
      problems.add(new PartFile.Problem(1, "", "the table is empty; begin with a header line"));
      return new Imported(java.util.Optional.empty(), problems);
    }
    List<String> header =
        rows.get(0).stream().map(cell -> cell.strip().toLowerCase(Locale.ROOT)).toList();
    for (String column : header) {
      if (!COLUMNS.contains(column)) {
        problems.add(
            new PartFile.Problem(
                1, column, "unknown column; use terminal, side, role, can, keep, volts, means"));
      }
    }
    if (!header.contains("terminal")) {
      problems.add(new PartFile.Problem(1, "terminal", "the column is missing"));
    }
    if (rows.size() - 1 > MOST_TERMINALS) {
      problems.add(new PartFile.Problem(MOST_TERMINALS, "", "more terminals than any board has"));
    }
    if (!problems.isEmpty()) {
      return new Imported(java.util.Optional.empty(), problems);
    }
    List<Terminal> terminals = new ArrayList<>();
    Set<String> seen = new HashSet<>();
    int[] perSide = sides(rows, header);
    int[] at = new int[2];
    double pitch = BoardData.PITCH_MM;
    double height = Math.max(20, pitch * (Math.max(perSide[0], perSide[1]) + 2));
    for (int row = 1; row < rows.size(); row++) {
      Cells cells = new Cells(header, rows.get(row));
      try {
        String name = cells.text("terminal");
        if (name.isEmpty()) {
          throw new Misplaced("terminal", "is missing");
        }
        if (!seen.add(name)) {
          throw new Misplaced("terminal", name + " is named twice; write " + name + ".2");
        }
        Terminal.Side side = cells.side(row, rows.size());
        int place = at[side.ordinal()]++;
        double y = ((perSide[side.ordinal()] - 1) / 2.0 - place) * pitch;
        double x = (side == Terminal.Side.LEFT ? -1 : 1) * 17.78 / 2;
        terminals.add(cells.terminal(name, new Point(x, y), side));
      } catch (Misplaced e) {
        problems.add(new PartFile.Problem(row + 1, e.column, e.getMessage()));
      } catch (IllegalArgumentException e) {
        problems.add(new PartFile.Problem(row + 1, "", e.getMessage()));
      }
    }
    if (!problems.isEmpty()) {
      return new Imported(java.util.Optional.empty(), problems);
    }
    try {
      return new Imported(java.util.Optional.of(kind(traits, terminals, height)), problems);
    } catch (IllegalArgumentException e) {
      problems.add(new PartFile.Problem(1, "", e.getMessage()));
      return new Imported(java.util.Optional.empty(), problems);
    }
  }

  private static BoardKind kind(Traits traits, List<Terminal> terminals, double heightMm) {
    boolean low = traits.logicVolts() < 4;
    return new BoardKind(
        traits.id(),
        traits.name(),
        "own board, from the table of its terminals",
        21,
        heightMm,
        traits.logicVolts(),
        !low,
        traits.common(),
        low ? 0.8 : 0.3 * traits.logicVolts(),
        low ? 2.0 : 0.7 * traits.logicVolts(),
        Source.memory(
            low
                ? "JEDEC JESD8C, 3.3 V LVTTL and LVCMOS inputs"
                : "0.3 and 0.7 of the supply, as JEDEC JESD7A gives for CMOS inputs"),
        20_000,
        50_000,
        traits.adcBits(),
        false,
        terminals,
        BoardKind.Seating.BARE,
        traits.brain(),
        BoardKind.Current.USUAL);
  }

  private static int[] sides(List<List<String>> rows, List<String> header) {
    int[] count = new int[2];
    for (int row = 1; row < rows.size(); row++) {
      try {
        count[new Cells(header, rows.get(row)).side(row, rows.size()).ordinal()]++;
      } catch (Misplaced e) {
        count[0]++; // told with its row when the terminals are read
      }
    }
    return count;
  }

  private static List<List<String>> rows(String csv, List<PartFile.Problem> problems) {
    String text = csv.startsWith("\uFEFF") ? csv.substring(1) : csv;
    // A table copied from a page or a sheet comes parted by tabs.
    boolean tabs = text.lines().findFirst().orElse("").contains("\t");
    CsvMapper mapper =
        CsvMapper.csvBuilder()
            .enable(CsvParser.Feature.WRAP_AS_ARRAY)
            .enable(CsvParser.Feature.SKIP_EMPTY_LINES)
            .build();
    List<List<String>> rows = new ArrayList<>();
    try (MappingIterator<String[]> lines =
        mapper
            .readerFor(String[].class)
            .with(
                com.fasterxml.jackson.dataformat.csv.CsvSchema.emptySchema()
                    .withColumnSeparator(tabs ? '\t' : ','))
            .readValues(text)) {
      while (lines.hasNext()) {
        rows.add(Arrays.asList(lines.next()));
      }
    } catch (IOException | RuntimeException e) {
      problems.add(
          new PartFile.Problem(rows.size() + 1, "", "cannot be read as a table; check its quotes"));
    }
    return rows;
  }

  /** One cell is wrong. */
  private static final class Misplaced extends RuntimeException {
    private static final long serialVersionUID = 1L;
    final String column;

    Misplaced(String column, String what) {
      super(what);
      this.column = column;
    }
  }

  /** One line of the table by its column names. */
  private record Cells(List<String> header, List<String> cells) {
    String text(String column) {
      int at = header.indexOf(column);
      return at < 0 || at >= cells.size() ? "" : cells.get(at).strip();
    }

    Terminal.Side side(int row, int rows) {
      return switch (text("side").toLowerCase(Locale.ROOT)) {
        case "left", "l" -> Terminal.Side.LEFT;
        case "right", "r" -> Terminal.Side.RIGHT;
        case "" -> row <= rows / 2 ? Terminal.Side.LEFT : Terminal.Side.RIGHT;
        default ->
            throw new Misplaced("side", "\"" + text("side") + "\" is neither left nor right");
      };
    }

    Terminal terminal(String name, Point at, Terminal.Side side) {
      String bare = name.toUpperCase(Locale.ROOT).replaceAll("\\.\\d+$", "");
      String role = text("role").toLowerCase(Locale.ROOT);
      double volts = volts(bare);
      if (role.isEmpty()) {
        role =
            bare.matches("GND|VSS|0V|-")
                ? "ground"
                : volts > 0 ? "supply" : bare.matches("RST|RESET|EN|NC|RUN") ? "other" : "input";
      }
      String can = text("can").toLowerCase(Locale.ROOT);
      List<String> abilities =
          !role.equals("input")
              ? List.of()
              : can.isEmpty()
                  ? List.of("digital", "pull_up", "drive")
                  : List.of(can.split("[\\s;|]+"));
      String keep = text("keep").toLowerCase(Locale.ROOT);
      String means = text("means");
      if (role.equals("supply") && volts <= 0) {
        throw new Misplaced("volts", "a supply needs its volts");
      }
      return BoardData.terminal(
          name,
          role,
          at,
          side,
          abilities,
          keep.isEmpty() ? null : keep,
          means.isEmpty() ? null : means,
          role.equals("supply") ? volts : 0);
    }

    private double volts(String bare) {
      String typed = text("volts");
      if (!typed.isEmpty()) {
        try {
          return kumite.working.Quantity.VOLT.parse(typed);
        } catch (IllegalArgumentException e) {
          throw new Misplaced("volts", e.getMessage());
        }
      }
      return switch (bare) {
        case "3V3", "3.3V" -> 3.3;
        case "5V", "VBUS", "VCC", "USB" -> 5;
        default -> 0;
      };
    }
  }
}
