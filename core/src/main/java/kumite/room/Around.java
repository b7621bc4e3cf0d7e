package kumite.room;

import java.util.Set;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.name.SeatId;

/**
 * What stands in the same file beside a part, so that names in it can be checked.
 *
 * @param controls the controls
 * @param contacts their contacts
 * @param seats the seats
 */
public record Around(Set<ControlId> controls, Set<ContactId> contacts, Set<SeatId> seats) {
  public Around {
    controls = Set.copyOf(controls);
    contacts = Set.copyOf(contacts);
    seats = Set.copyOf(seats);
  }
}
