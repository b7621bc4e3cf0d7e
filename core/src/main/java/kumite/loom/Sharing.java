package kumite.loom;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.build.loom.Group;
import kumite.build.loom.Topology;
import kumite.measure.Point;
import kumite.name.ContactId;

/**
 * How one group of contacts shares terminals: its wires to the board and the seat of each contact.
 *
 * @param group the group
 * @param lines its wires to the board
 * @param seats where each contact sits in it, in the group's order; contacts the build no longer
 *     has are left out
 * @param parts what it takes besides wire
 * @param carrier where its chips sit, if it has any
 * @param scanMicros how long one look at all of it takes
 * @param ghosts whether three corners of a rectangle read as the fourth
 * @param joints how many joints it takes beyond those of its strands
 */
public record Sharing(
    Group group,
    List<Line> lines,
    List<Seat> seats,
    List<PartCount> parts,
    Optional<Point> carrier,
    double scanMicros,
    boolean ghosts,
    int joints) {

  /** Contacts on one register or multiplexer chip of the usual kind. */
  public static final int ON_A_CHIP = 8;

  /** Time to settle and read one row, bit or channel, in us: common practice, no source. */
  private static final double STEP_MICROS = 5;

  /**
   * A contact's place in its group.
   *
   * @param site the contact
   * @param drive the line that selects it; empty where none does
   * @param read the line that is read
   * @param words where, such as {@code row 2, column 3} or {@code chip 1 input 4}
   * @param input its input on the carrier, 1 upward; 0 where there is none
   * @param step its step on a ladder, 1 upward; 0 where there is none
   */
  public record Seat(
      ContactSite site, Optional<Line> drive, Line read, String words, int input, int step) {}

  /**
   * Parts of a kind.
   *
   * @param count how many
   * @param name what
   */
  public record PartCount(int count, String name) {}

  public Sharing {
    lines = List.copyOf(lines);
    seats = List.copyOf(seats);
    parts = List.copyOf(parts);
  }

  /** Works out one group; contacts that the build does not have are passed over. */
  static Sharing of(Group group, Map<ContactId, ContactSite> sites) {
    List<ContactSite> members =
        group.contacts().stream().filter(sites::containsKey).map(sites::get).toList();
    return switch (group.topology()) {
      case MATRIX, BARE_MATRIX -> matrix(group, members);
      case REGISTERS -> registers(group, members);
      case MULTIPLEXER -> multiplexer(group, members);
      case LADDER -> ladder(group, members);
      case TOUCH -> touch(group, members);
    };
  }

  /** {@return the seat of a contact, if it is in this group} */
  public Optional<Seat> seat(ContactId contact) {
    return seats.stream().filter(seat -> seat.site().id().equals(contact)).findFirst();
  }

  /**
   * {@return rows and columns of the matrix with fewest wires for so many contacts}
   *
   * @param contacts 1 or more
   */
  public static int[] rowsAndColumns(int contacts) {
    int rows = (int) Math.floor(Math.sqrt(contacts));
    // Wires r + c are fewest near the square; of two equals the flatter one suits a panel better.
    return new int[] {rows, (contacts + rows - 1) / rows};
  }

  private static Sharing matrix(Group group, List<ContactSite> members) {
    if (members.isEmpty()) {
      return empty(group);
    }
    int[] size = rowsAndColumns(members.size());
    int columns = size[1];
    // Rows of the matrix follow rows of the panel, so that its wires run along and not across.
    List<ContactSite> back = new ArrayList<>(members);
    back.sort(
        Comparator.comparingDouble((ContactSite s) -> -s.place().yMm())
            .thenComparingDouble(s -> s.place().xMm())
            .thenComparing(ContactSite::id));
    List<List<ContactSite>> rows = new ArrayList<>();
    List<List<ContactSite>> byColumn = new ArrayList<>();
    for (int c = 0; c < columns; c++) {
      byColumn.add(new ArrayList<>());
    }
    for (int from = 0; from < back.size(); from += columns) {
      List<ContactSite> row =
          new ArrayList<>(back.subList(from, Math.min(back.size(), from + columns)));
      row.sort(Comparator.comparingDouble((ContactSite s) -> s.place().xMm()));
      rows.add(row);
      for (int c = 0; c < row.size(); c++) {
        byColumn.get(c).add(row.get(c));
      }
    }
    List<Line> rowLines = new ArrayList<>();
    for (int r = 0; r < rows.size(); r++) {
      rowLines.add(line(group, "row" + (r + 1), "row " + (r + 1), Line.Need.DRIVE, rows.get(r)));
    }
    List<Line> columnLines = new ArrayList<>();
    for (int c = 0; c < columns; c++) {
      columnLines.add(
          line(group, "column" + (c + 1), "column " + (c + 1), Line.Need.READ, byColumn.get(c)));
    }
    Map<ContactId, Seat> seats = new HashMap<>();
    for (int r = 0; r < rows.size(); r++) {
      for (int c = 0; c < rows.get(r).size(); c++) {
        ContactSite site = rows.get(r).get(c);
        seats.put(
            site.id(),
            new Seat(
                site,
                Optional.of(rowLines.get(r)),
                columnLines.get(c),
                "row " + (r + 1) + ", column " + (c + 1),
                0,
                0));
      }
    }
    List<Line> lines = new ArrayList<>(rowLines);
    lines.addAll(columnLines);
    boolean bare = group.topology() == Topology.BARE_MATRIX;
    return new Sharing(
        group,
        lines,
        members.stream().map(site -> seats.get(site.id())).toList(),
        bare ? List.of() : List.of(new PartCount(members.size(), "signal diode")),
        Optional.empty(),
        rows.size() * STEP_MICROS,
        bare && rows.size() > 1 && columns > 1,
        bare ? 0 : members.size());
  }

  private static Sharing registers(Group group, List<ContactSite> members) {
    int chips = chips(members);
    Line load = line(group, "load", "load", Line.Need.DRIVE, members);
    Line clock = line(group, "clock", "clock", Line.Need.DRIVE, members);
    Line data = line(group, "data", "data", Line.Need.READ, members);
    List<Seat> seats = new ArrayList<>();
    for (int i = 0; i < members.size(); i++) {
      seats.add(new Seat(members.get(i), Optional.of(load), data, chipWords(i), i + 1, 0));
    }
    return new Sharing(
        group,
        List.of(load, clock, data),
        seats,
        List.of(
            new PartCount(chips, "parallel-in register, eight inputs"),
            new PartCount(chips * ON_A_CHIP, "pull-up 10 kohm"),
            new PartCount(chips, "capacitor 100 nF")),
        Optional.of(middle(members)),
        // One bit a clock; a chip takes 1 MHz with ease at any of the usual supplies.
        1 + chips * ON_A_CHIP,
        false,
        chips * (16 + 2 * ON_A_CHIP + 2));
  }

  private static Sharing multiplexer(Group group, List<ContactSite> members) {
    int chips = chips(members);
    boolean measures = members.stream().anyMatch(s -> s.contact().type().analog());
    List<Line> lines = new ArrayList<>();
    for (int bit = 1; bit <= 3; bit++) {
      lines.add(line(group, "select" + bit, "select " + bit, Line.Need.DRIVE, members));
    }
    List<Line> reads = new ArrayList<>();
    for (int chip = 0; chip < chips; chip++) {
      List<ContactSite> served =
          members.subList(chip * ON_A_CHIP, Math.min(members.size(), (chip + 1) * ON_A_CHIP));
      Line.Need need = measures ? Line.Need.MEASURE : Line.Need.READ;
      reads.add(line(group, "out" + (chip + 1), "output " + (chip + 1), need, served));
    }
    lines.addAll(reads);
    List<Seat> seats = new ArrayList<>();
    for (int i = 0; i < members.size(); i++) {
      seats.add(
          new Seat(
              members.get(i),
              Optional.of(lines.get(0)),
              reads.get(i / ON_A_CHIP),
              chipWords(i),
              i + 1,
              0));
    }
    return new Sharing(
        group,
        lines,
        seats,
        List.of(
            new PartCount(chips, "analog multiplexer, eight channels"),
            new PartCount(chips, "capacitor 100 nF")),
        Optional.of(middle(members)),
        ON_A_CHIP * STEP_MICROS * 2,
        false,
        chips * (16 + 2));
  }

  private static Sharing ladder(Group group, List<ContactSite> members) {
    Line tap = line(group, "tap", "tap", Line.Need.MEASURE, members);
    List<Seat> seats = new ArrayList<>();
    for (int i = 0; i < members.size(); i++) {
      seats.add(new Seat(members.get(i), Optional.empty(), tap, "step " + (i + 1), 0, i + 1));
    }
    return new Sharing(
        group,
        List.of(tap),
        seats,
        List.of(new PartCount(members.size(), "resistor, 1 %")),
        Optional.empty(),
        20,
        false,
        members.size() + 1);
  }

  private static Sharing touch(Group group, List<ContactSite> members) {
    List<Line> lines = new ArrayList<>();
    List<Seat> seats = new ArrayList<>();
    for (int i = 0; i < members.size(); i++) {
      Line pad =
          line(
              group,
              "pad" + (i + 1),
              members.get(i).label(),
              Line.Need.TOUCH,
              members.subList(i, i + 1));
      lines.add(pad);
      seats.add(new Seat(members.get(i), Optional.empty(), pad, "pad " + (i + 1), 0, 0));
    }
    return new Sharing(
        group,
        lines,
        seats,
        List.of(),
        Optional.empty(),
        members.size() * 200.0, // a touch is timed, not just read: common practice, no source
        false,
        0);
  }

  private static Sharing empty(Group group) {
    return new Sharing(group, List.of(), List.of(), List.of(), Optional.empty(), 0, false, 0);
  }

  private static int chips(List<ContactSite> members) {
    return Math.max(1, (members.size() + ON_A_CHIP - 1) / ON_A_CHIP);
  }

  private static String chipWords(int index) {
    return "chip " + (index / ON_A_CHIP + 1) + " input " + (index % ON_A_CHIP + 1);
  }

  private static Line line(
      Group group, String wire, String words, Line.Need needs, List<ContactSite> contacts) {
    return new Line(
        group.line(wire),
        group.name() + " " + words,
        needs,
        middle(contacts),
        Optional.of(group),
        contacts,
        false,
        Optional.empty());
  }

  private static Point middle(List<ContactSite> sites) {
    return new Point(
        sites.stream().mapToDouble(s -> s.place().xMm()).average().orElse(0),
        sites.stream().mapToDouble(s -> s.place().yMm()).average().orElse(0));
  }

  /** {@return the tabs of the carrier that go to the board, in order} */
  public static List<String> carrierTabs(Topology topology, int contacts) {
    List<String> tabs = new ArrayList<>();
    if (topology == Topology.REGISTERS) {
      tabs.addAll(List.of("LOAD", "CLOCK", "DATA"));
    } else if (topology == Topology.MULTIPLEXER) {
      tabs.addAll(List.of("SELECT1", "SELECT2", "SELECT3"));
      for (int chip = 1; chip <= Math.max(1, (contacts + ON_A_CHIP - 1) / ON_A_CHIP); chip++) {
        tabs.add("OUT" + chip);
      }
    }
    return tabs;
  }
}
