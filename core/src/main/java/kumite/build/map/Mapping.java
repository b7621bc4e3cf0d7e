package kumite.build.map;

import java.util.Collections;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import kumite.name.ContactId;
import kumite.name.ControlId;

/**
 * What each contact means to the host, on one layer.
 *
 * @param entries contact to meaning, in order of their ids
 */
public record Mapping(Map<ContactId, Entry> entries) {

  /** Nothing mapped yet. */
  public static final Mapping EMPTY = new Mapping(Map.of());

  /**
   * The meaning of one contact.
   *
   * @param target its place in the report
   * @param function the host function it serves; empty where none was named
   */
  public record Entry(Target target, String function) {
    public Entry {
      Objects.requireNonNull(target, "target");
      Objects.requireNonNull(function, "function");
    }
  }

  public Mapping {
    entries = Collections.unmodifiableMap(new TreeMap<>(entries));
  }

  /** {@return the meaning of the contact, if it has one} */
  public Optional<Entry> of(ContactId contact) {
    return Optional.ofNullable(entries.get(contact));
  }

  /** {@return the same mapping with one contact's meaning set} */
  public Mapping with(ContactId contact, Entry entry) {
    Map<ContactId, Entry> next = new TreeMap<>(entries);
    next.put(contact, entry);
    return new Mapping(next);
  }

  /** {@return the same mapping with one contact's meaning taken away} */
  public Mapping without(ContactId contact) {
    Map<ContactId, Entry> next = new TreeMap<>(entries);
    next.remove(contact);
    return new Mapping(next);
  }

  /** {@return the same mapping without one control} */
  public Mapping without(ControlId control) {
    Map<ContactId, Entry> next = new TreeMap<>(entries);
    next.keySet().removeIf(contact -> contact.control().equals(control));
    return new Mapping(next);
  }
}
