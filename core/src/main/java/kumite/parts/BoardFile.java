package kumite.parts;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import kumite.json.Key;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.kind.Terminal;
import kumite.measure.Point;
import kumite.table.Table;
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
   * @param notes what was passed over or guessed
   */
  public record Imported(
      java.util.Optional<BoardKind> board, List<PartFile.Problem> problems, List<String> notes) {
    public Imported {
      notes = List.copyOf(notes);
      problems = List.copyOf(problems);
    }
  }

  /** {@return a board as JSON} */
  public static JsonNode write(BoardKind kind) {
    return BoardJson.write(kind);
  }

  /**
   * Reads a board from JSON.
   *
   * @throws kumite.json.Misfit if a key is unknown or missing or does not fit; it names the key
   */
  public static BoardKind read(Key key) {
    return BoardJson.read(key);
  }

  /** Reads a board from the table of its terminals. */
  public static Imported readTable(Traits traits, String csv) {
    List<PartFile.Problem> problems = new ArrayList<>();
    Table table;
    try {
      table = Table.read(csv, COLUMNS);
    } catch (IllegalArgumentException e) {
      problems.add(new PartFile.Problem(0, "", e.getMessage()));
      return new Imported(java.util.Optional.empty(), problems, List.of());
    }
    List<Table.Row> rows = table.rows();
    if (rows.isEmpty()) {
      problems.add(new PartFile.Problem(1, "", "the table is empty; begin with a header line"));
      return new Imported(java.util.Optional.empty(), problems, table.notes());
    }
    List<String> header =
        rows.get(0).cells().stream().map(cell -> cell.toLowerCase(Locale.ROOT)).toList();
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
      return new Imported(java.util.Optional.empty(), problems, table.notes());
    }
    List<Terminal> terminals = new ArrayList<>();
    Set<String> seen = new HashSet<>();
    int[] perSide = sides(rows, header);
    int[] at = new int[2];
    double pitch = BoardJson.PITCH_MM;
    double height = Math.max(20, pitch * (Math.max(perSide[0], perSide[1]) + 2));
    for (int row = 1; row < rows.size(); row++) {
      Cells cells = new Cells(header, rows.get(row).cells());
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
        problems.add(new PartFile.Problem(rows.get(row).line(), e.column, e.getMessage()));
      } catch (IllegalArgumentException e) {
        problems.add(new PartFile.Problem(rows.get(row).line(), "", e.getMessage()));
      }
    }
    if (!problems.isEmpty()) {
      return new Imported(java.util.Optional.empty(), problems, table.notes());
    }
    try {
      return new Imported(
          java.util.Optional.of(kind(traits, terminals, height)), problems, table.notes());
    } catch (IllegalArgumentException e) {
      problems.add(new PartFile.Problem(1, "", e.getMessage()));
      return new Imported(java.util.Optional.empty(), problems, table.notes());
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
        BoardKind.Current.USUAL,
        java.util.Optional.empty());
  }

  private static int[] sides(List<Table.Row> rows, List<String> header) {
    int[] count = new int[2];
    for (int row = 1; row < rows.size(); row++) {
      try {
        count[new Cells(header, rows.get(row).cells()).side(row, rows.size()).ordinal()]++;
      } catch (Misplaced e) {
        count[0]++; // told with its row when the terminals are read
      }
    }
    return count;
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
      boolean host = role.equals("host");
      List<String> abilities =
          !role.equals("input") && !host
              ? List.of()
              : !can.isEmpty()
                  ? List.of(can.split("[\\s;|]+"))
                  : host
                      ? List.of(name.endsWith("-") ? "host_minus" : "host_plus")
                      : List.of("digital", "pull_up", "drive");
      String keep = text("keep").toLowerCase(Locale.ROOT);
      String means = text("means");
      if (role.equals("supply") && volts <= 0) {
        throw new Misplaced("volts", "a supply needs its volts");
      }
      Set<Terminal.Ability> does = EnumSet.noneOf(Terminal.Ability.class);
      abilities.forEach(word -> does.add(constant("can", word, Terminal.Ability.class)));
      return new Terminal(
          name,
          constant("role", role, Terminal.Role.class),
          at,
          side,
          does,
          keep.isEmpty()
              ? java.util.Optional.empty()
              : java.util.Optional.of(constant("keep", keep, Terminal.Keep.class)),
          means.isEmpty() ? java.util.Optional.empty() : java.util.Optional.of(means),
          role.equals("supply") ? volts : 0);
    }

    private static <E extends Enum<E>> E constant(String column, String text, Class<E> type) {
      List<String> allowed = new ArrayList<>();
      for (E value : type.getEnumConstants()) {
        if (PartJson.word(value).equals(text)) {
          return value;
        }
        allowed.add(PartJson.word(value));
      }
      throw new Misplaced(
          column, "\"" + text + "\" is unknown; use one of " + String.join(", ", allowed));
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
