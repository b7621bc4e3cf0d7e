package kumite.loom;

import java.util.List;
import java.util.Optional;
import kumite.build.loom.Group;
import kumite.build.loom.Topology;
import kumite.measure.Point;

/**
 * One way for contacts to share terminals, all of it in one place: which wires it wants and which
 * parts it adds, how those are wired, and how the board reads it.
 */
interface Grouping {
  /** Time to settle and read one row, bit or channel, in us: common practice, no source. */
  double STEP_MICROS = 5;

  /** The way of a topology. */
  static Grouping of(Topology topology) {
    return switch (topology) {
      case MATRIX -> new MatrixGrouping(true);
      case BARE_MATRIX -> new MatrixGrouping(false);
      case REGISTERS -> new RegisterGrouping();
      case LADDER -> new LadderGrouping();
      case MULTIPLEXER -> new MultiplexerGrouping();
      case TOUCH -> new TouchGrouping();
      case PAD -> new PadGrouping();
    };
  }

  /** Works out wires, seats and parts; {@code members} has one contact or more. */
  Sharing share(Group group, List<ContactSite> members);

  /** Cuts its strands; called only when all its wires have terminals. */
  void wire(Sharing sharing, Cutter cutter);

  /** {@return how the board reads one of its contacts} */
  Look.How how(Sharing sharing, Sharing.Seat seat, PinPlan plan);

  /** Whether the shared sides of its switches are its own rows, not a rail. */
  default boolean crossed() {
    return false;
  }

  /** {@return one of a group's wires} */
  static Line line(
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

  /** {@return the middle of some contacts, where a carrier sits} */
  static Point middle(List<ContactSite> sites) {
    return new Point(
        sites.stream().mapToDouble(s -> s.place().xMm()).average().orElse(0),
        sites.stream().mapToDouble(s -> s.place().yMm()).average().orElse(0));
  }
}
