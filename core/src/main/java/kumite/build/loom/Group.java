package kumite.build.loom;

import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import kumite.name.ContactId;
import kumite.name.ControlId;

/**
 * Contacts that share terminals.
 *
 * @param name its name, unlike any control's id; its wires are named after it, such as {@code
 *     keys.row1}
 * @param topology how they share
 * @param contacts which, in the order they are wired; none twice, at least one
 */
public record Group(ControlId name, Topology topology, List<ContactId> contacts) {
  public Group {
    Objects.requireNonNull(name, "name");
    Objects.requireNonNull(topology, "topology");
    contacts = List.copyOf(contacts);
    if (contacts.isEmpty()) {
      throw new IllegalArgumentException("group \"" + name + "\" has no contacts");
    }
    if (new HashSet<>(contacts).size() != contacts.size()) {
      throw new IllegalArgumentException("group \"" + name + "\" has a contact twice");
    }
  }

  /** {@return the id of one of its wires} */
  public ContactId line(String wire) {
    return new ContactId(name, wire);
  }

  /** {@return the same contacts shared otherwise} */
  public Group with(Topology newTopology) {
    return new Group(name, newTopology, contacts);
  }
}
