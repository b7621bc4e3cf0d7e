package kumite.loom;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.build.loom.Group;
import kumite.component.Component;
import kumite.measure.Point;
import kumite.name.ContactId;

/**
 * How one group of contacts shares terminals: its wires to the board, the seat of each contact, and
 * the parts it adds. Worked out by the group's {@link Grouping}.
 *
 * @param group the group
 * @param lines its wires to the board
 * @param seats where each contact sits in it, in the group's order; contacts the build no longer
 *     has are left out
 * @param components what it takes besides wire, as parts with ends
 * @param carrier where its chips sit, if it has any
 * @param scanMicros how long one look at all of it takes
 * @param ghosts whether three corners of a rectangle read as the fourth
 */
public record Sharing(
    Group group,
    List<Line> lines,
    List<Seat> seats,
    List<Component> components,
    Optional<Point> carrier,
    double scanMicros,
    boolean ghosts) {

  /**
   * A contact's place in its group.
   *
   * @param site the contact
   * @param drive the line that selects it; empty where none does
   * @param read the line that is read
   * @param words where, such as {@code row 2, column 3} or {@code chip 1 input 4}
   * @param place its input on the carrier, its step on a ladder or its pad, 1 upward; 0 in a matrix
   */
  public record Seat(ContactSite site, Optional<Line> drive, Line read, String words, int place) {}

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
    components = List.copyOf(components);
  }

  /** Works out one group; contacts that the build does not have are passed over. */
  static Sharing of(Group group, Map<ContactId, ContactSite> sites) {
    List<ContactSite> members =
        group.contacts().stream().filter(sites::containsKey).map(sites::get).toList();
    return members.isEmpty()
        ? new Sharing(group, List.of(), List.of(), List.of(), Optional.empty(), 0, false)
        : Grouping.of(group.topology()).share(group, members);
  }

  /** {@return the seat of a contact, if it is in this group} */
  public Optional<Seat> seat(ContactId contact) {
    return seats.stream().filter(seat -> seat.site().id().equals(contact)).findFirst();
  }

  /** {@return whether each of its wires has a terminal; half a group reads nothing} */
  public boolean placed(PinPlan plan) {
    return lines.stream().allMatch(line -> plan.of(line.id()).isPresent());
  }

  /** {@return what it takes besides wire, counted by kind} */
  public List<PartCount> parts() {
    return counted(components);
  }

  /** {@return how many joints its parts take: the ends of all of them} */
  public int joints() {
    return components.stream().mapToInt(part -> part.ends().size()).sum();
  }

  /** {@return parts that are bought beside controls and board, counted by kind, in their order} */
  static List<PartCount> counted(List<Component> components) {
    Map<String, Integer> counts = new LinkedHashMap<>();
    for (Component component : components) {
      if (component.fitted()) {
        counts.merge(component.words(), 1, Integer::sum);
      }
    }
    List<PartCount> parts = new ArrayList<>();
    counts.forEach((name, count) -> parts.add(new PartCount(count, name)));
    return parts;
  }
}
