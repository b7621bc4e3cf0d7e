package kumite.firmware;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import kumite.build.map.Layer;
import kumite.build.map.Mapping;
import kumite.build.map.Profile;
import kumite.build.map.Target;
import kumite.kind.BoardKind;
import kumite.kind.Settable;
import kumite.kind.Terminal;
import kumite.loom.Loom;
import kumite.map.TargetText;
import kumite.map.Within;
import kumite.name.ContactId;
import kumite.table.Table;

/**
 * What the loader of a settable encoder is given: the meanings of each socket, in the order of the
 * board.
 *
 * <pre>{@code
 * SocketTable table = SocketTable.of(profile, board, bench.loom());
 * table.rows().get(0); // K1: Button 1, with the shift Button 9
 * }</pre>
 *
 * @param rows one a socket, in the order of the board
 */
public record SocketTable(List<Row> rows) {
  /** The columns of the file. */
  public static final List<String> COLUMNS = List.of("socket", "first", "second", "shift");

  /**
   * One socket.
   *
   * @param socket its terminal
   * @param first what it gives; empty where nothing is set
   * @param second what it gives with the shift; empty where that is the same
   * @param shift how it is the shift, if it is
   */
  public record Row(
      String socket,
      Optional<Target> first,
      Optional<Target> second,
      Optional<Settable.Shift> shift) {}

  public SocketTable {
    rows = List.copyOf(rows);
  }

  /**
   * {@return the table of a profile}
   *
   * @throws IllegalArgumentException if the board takes none
   */
  public static SocketTable of(Profile profile, BoardKind board, Loom loom) {
    settable(board);
    Profile known = Within.of(profile, Optional.of(board));
    Map<String, ContactId> at = contacts(loom);
    List<Row> rows = new ArrayList<>();
    for (Terminal terminal : board.terminals(Terminal.Role.INPUT)) {
      Optional<ContactId> contact = Optional.ofNullable(at.get(terminal.name()));
      Optional<Layer> layer = known.layers().stream().findFirst();
      rows.add(
          new Row(
              terminal.name(),
              contact.flatMap(c -> known.base().of(c)).map(Mapping.Entry::target),
              contact
                  .flatMap(c -> layer.flatMap(l -> l.mapping().of(c)))
                  .map(Mapping.Entry::target),
              layer
                  .filter(l -> contact.filter(c -> l.by().contains(c)).isPresent())
                  .map(Within::shift)));
    }
    return new SocketTable(rows);
  }

  private static Settable settable(BoardKind board) {
    return board
        .settable()
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "\"" + board.name() + "\" takes no table: nothing of its sockets can be set"));
  }

  private static Map<String, ContactId> contacts(Loom loom) {
    Map<String, ContactId> at = new HashMap<>();
    loom.plan().choices().forEach((contact, pin) -> at.put(pin.terminal().name(), contact));
    return at;
  }

  /** {@return the rows of its file, in the order of {@link #COLUMNS}} */
  public List<List<String>> cells() {
    return rows.stream()
        .map(
            row ->
                List.of(
                    row.socket(),
                    row.first().map(TargetText::of).orElse(""),
                    row.second().map(TargetText::of).orElse(""),
                    row.shift().map(Settable.Shift::word).orElse("")))
        .toList();
  }

  // ---- back

  /**
   * Reads a table for a board. Sockets that it does not name are left unset.
   *
   * @throws IllegalArgumentException if it cannot be one for that board: names the line and what to
   *     write
   */
  public static SocketTable read(String text, BoardKind board) {
    Settable settable = settable(board);
    Table table = Table.read(text, COLUMNS);
    Map<String, Row> rows = new LinkedHashMap<>();
    board
        .terminals(Terminal.Role.INPUT)
        .forEach(
            t ->
                rows.put(
                    t.name(),
                    new Row(t.name(), Optional.empty(), Optional.empty(), Optional.empty())));
    List<String> head =
        table.rows().isEmpty()
            ? List.of()
            : table.rows().get(0).cells().stream().map(c -> c.toLowerCase(Locale.ROOT)).toList();
    if (!head.contains("socket") || !head.contains("first") || !COLUMNS.containsAll(head)) {
      throw new IllegalArgumentException(
          "line 1: a table of sockets begins with the columns " + String.join(", ", COLUMNS));
    }
    Set<String> seen = new TreeSet<>();
    Set<String> shifts = new TreeSet<>();
    for (Table.Row line : table.rows().subList(1, table.rows().size())) {
      Row row = new Line(line, head, settable).row();
      if (!rows.containsKey(row.socket())) {
        throw wrong(
            line,
            "there is no socket \""
                + row.socket()
                + "\"; the board has "
                + String.join(", ", rows.keySet()));
      }
      if (!seen.add(row.socket())) {
        throw wrong(line, "socket \"" + row.socket() + "\" is there twice; keep one");
      }
      if (row.shift().isPresent() && shifts.add(row.socket()) && shifts.size() > 1) {
        throw wrong(line, "a second shift; a table has one");
      }
      rows.put(row.socket(), row);
    }
    if (shifts.isEmpty() && rows.values().stream().anyMatch(row -> row.second().isPresent())) {
      throw new IllegalArgumentException(
          "there are second meanings, but no socket is the shift; write held or toggled in its"
              + " column shift");
    }
    return new SocketTable(List.copyOf(rows.values()));
  }

  private static IllegalArgumentException wrong(Table.Row line, String what) {
    return new IllegalArgumentException("line " + line.line() + ": " + what);
  }

  /** One line on its way to a row. */
  private record Line(Table.Row line, List<String> head, Settable settable) {
    Row row() {
      if (line.cells().size() > head.size()) {
        throw wrong(line, "has more cells than the header has columns");
      }
      Optional<Settable.Shift> shift = shift();
      Row row = new Row(cell("socket").orElse(""), target("first"), target("second"), shift);
      if (row.second().isPresent() && settable.meanings() < 2) {
        throw wrong(line, "a second meaning; its sockets have one each");
      }
      if (shift.isPresent() && (row.first().isPresent() || row.second().isPresent())) {
        throw wrong(line, "the shift gives nothing itself; leave first and second empty");
      }
      return row;
    }

    private Optional<String> cell(String column) {
      int at = head.indexOf(column);
      return at < 0 || at >= line.cells().size()
          ? Optional.empty()
          : Optional.of(line.cells().get(at)).filter(text -> !text.isEmpty());
    }

    private Optional<Target> target(String column) {
      Optional<Target> target;
      try {
        target = cell(column).map(TargetText::parse);
      } catch (IllegalArgumentException e) {
        throw new IllegalArgumentException(
            "line " + line.line() + ", " + column + ": " + e.getMessage(), e);
      }
      if (target.isPresent() && !Within.gives(settable, target.get())) {
        throw wrong(
            line,
            TargetText.of(target.get()) + " cannot be set; its sockets give " + settable.words());
      }
      return target;
    }

    private Optional<Settable.Shift> shift() {
      Optional<String> word = cell("shift").map(text -> text.toLowerCase(Locale.ROOT));
      if (word.isEmpty()) {
        return Optional.empty();
      }
      for (Settable.Shift shift : settable.shifts()) {
        if (shift.word().equals(word.get())) {
          return Optional.of(shift);
        }
      }
      throw wrong(
          line,
          settable.shifts().isEmpty()
              ? "its sockets have one meaning each; there is no shift"
              : "\""
                  + word.get()
                  + "\" is no shift of this board; write "
                  + String.join(
                      " or ",
                      settable.shifts().stream().map(Settable.Shift::word).sorted().toList()));
    }
  }

  /** {@return what is other in another table, socket by socket, in words} */
  public List<String> otherwise(SocketTable other) {
    List<String> differences = new ArrayList<>();
    for (int i = 0; i < rows.size(); i++) {
      if (!rows.get(i).equals(other.rows.get(i))) {
        differences.add(
            rows.get(i).socket()
                + ": "
                + words(other.cells().get(i))
                + " there, "
                + words(cells().get(i))
                + " here");
      }
    }
    return List.copyOf(differences);
  }

  private static String words(List<String> cells) {
    String shift = cells.get(3).isEmpty() ? "" : "the shift, " + cells.get(3);
    String first = cells.get(1).isEmpty() && shift.isEmpty() ? "nothing" : cells.get(1);
    return cells.get(2).isEmpty() ? first + shift : first + " and " + cells.get(2) + shift;
  }

  /**
   * {@return a profile that means what this table says, as far as contacts are at its sockets;
   * functions of contacts that mean the same as before stay}
   */
  public Profile in(Profile profile, Loom loom) {
    Map<String, ContactId> at = contacts(loom);
    Mapping base = Mapping.EMPTY;
    Mapping second = Mapping.EMPTY;
    Optional<Layer> above = profile.layers().stream().findFirst();
    Optional<ContactId> shift = Optional.empty();
    Layer.Reach reach = Layer.Reach.HOLD;
    for (Row row : rows) {
      ContactId contact = at.get(row.socket());
      if (contact == null) {
        continue;
      }
      if (row.first().isPresent()) {
        base = base.with(contact, entry(row.first().get(), profile.base(), contact));
      }
      if (row.second().isPresent()) {
        Mapping before = above.map(Layer::mapping).orElse(Mapping.EMPTY);
        second = second.with(contact, entry(row.second().get(), before, contact));
      }
      if (row.shift().isPresent()) {
        shift = Optional.of(contact);
        reach = row.shift().get() == Settable.Shift.HELD ? Layer.Reach.HOLD : Layer.Reach.TOGGLE;
      }
    }
    List<Layer> layers =
        shift.isEmpty()
            ? List.of()
            : List.of(
                new Layer(
                    above.map(Layer::name).orElse("Shift"), reach, Set.of(shift.get()), second));
    return profile.withChords(List.of()).withLayers(layers).withBase(base);
  }

  private static Mapping.Entry entry(Target target, Mapping before, ContactId contact) {
    String function =
        before
            .of(contact)
            .filter(entry -> entry.target().equals(target))
            .map(Mapping.Entry::function)
            .orElse("");
    return new Mapping.Entry(target, function);
  }
}
