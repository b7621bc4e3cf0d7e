package kumite.build.loom;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Predicate;
import kumite.kind.WireColour;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.name.Jumper;

/**
 * What the builder decided about the wiring; the rest is worked out.
 *
 * @param laying how wires are laid and cut
 * @param locks contacts, and wires of groups, held at a named terminal
 * @param colours strands whose colour was chosen by hand
 * @param groups contacts that share terminals; a contact is in one group at most
 * @param dead terminals that turned out bad and are not to be used
 * @param added wires put in by hand beside the plan
 * @param leftOut wires of the plan that are not there
 * @param done wires that are on at both ends, ticked at the bench; none of them is left out
 */
public record LoomSettings(
    Laying laying,
    Map<ContactId, String> locks,
    Map<ContactId, WireColour> colours,
    List<Group> groups,
    Set<String> dead,
    Set<Jumper> added,
    Set<Jumper> leftOut,
    Set<Jumper> done) {

  /** Nothing decided: all is left to the plan. */
  public static final LoomSettings USUAL =
      new LoomSettings(
          Laying.USUAL, Map.of(), Map.of(), List.of(), Set.of(), Set.of(), Set.of(), Set.of());

  public LoomSettings {
    Objects.requireNonNull(laying, "laying");
    locks = Collections.unmodifiableMap(new TreeMap<>(locks));
    colours = Collections.unmodifiableMap(new TreeMap<>(colours));
    groups = List.copyOf(groups);
    dead = Collections.unmodifiableSet(new TreeSet<>(dead));
    added = Collections.unmodifiableSet(new TreeSet<>(added));
    leftOut = Collections.unmodifiableSet(new TreeSet<>(leftOut));
    done = Collections.unmodifiableSet(new TreeSet<>(done));
    for (Jumper wire : done) {
      if (leftOut.contains(wire)) {
        throw new IllegalArgumentException(
            "wire \"" + wire + "\" cannot be both done and left out; take it out of one");
      }
    }
    Set<ControlId> names = new HashSet<>();
    Set<ContactId> grouped = new HashSet<>();
    for (Group group : groups) {
      if (!names.add(group.name())) {
        throw new IllegalArgumentException("two groups are named \"" + group.name() + "\"");
      }
      for (ContactId contact : group.contacts()) {
        if (!grouped.add(contact)) {
          throw new IllegalArgumentException("contact \"" + contact + "\" is in two groups");
        }
      }
    }
  }

  /** {@return these settings with wires laid otherwise} */
  public LoomSettings withLaying(Laying newLaying) {
    return new LoomSettings(newLaying, locks, colours, groups, dead, added, leftOut, done);
  }

  /** {@return these settings with one contact held at a terminal} */
  public LoomSettings withLock(ContactId contact, String terminal) {
    return withLocks(put(locks, contact, terminal));
  }

  /** {@return these settings with one contact let go} */
  public LoomSettings withoutLock(ContactId contact) {
    return withLocks(kept(locks, id -> !id.equals(contact)));
  }

  /** {@return these settings with other locks} */
  public LoomSettings withLocks(Map<ContactId, String> newLocks) {
    return new LoomSettings(laying, newLocks, colours, groups, dead, added, leftOut, done);
  }

  /** {@return these settings with one strand's colour chosen} */
  public LoomSettings withColour(ContactId contact, WireColour colour) {
    return withColours(put(colours, contact, colour));
  }

  /** {@return these settings with one strand's colour left to the plan} */
  public LoomSettings withoutColour(ContactId contact) {
    return withColours(kept(colours, id -> !id.equals(contact)));
  }

  private LoomSettings withColours(Map<ContactId, WireColour> newColours) {
    return new LoomSettings(laying, locks, newColours, groups, dead, added, leftOut, done);
  }

  /** {@return these settings with other groups} */
  public LoomSettings withGroups(List<Group> newGroups) {
    return new LoomSettings(laying, locks, colours, newGroups, dead, added, leftOut, done);
  }

  /**
   * {@return these settings with the contacts as one group of that topology, out of all others}
   *
   * @param name the group's name, replacing a group of that name
   */
  public LoomSettings withGroup(ControlId name, Topology topology, Collection<ContactId> contacts) {
    List<Group> next = new ArrayList<>(ungrouped(contacts).groups());
    next.removeIf(group -> group.name().equals(name));
    next.add(new Group(name, topology, List.copyOf(contacts)));
    return withGroups(next);
  }

  /** {@return these settings with the contacts wired one by one; groups left empty go} */
  public LoomSettings ungrouped(Collection<ContactId> contacts) {
    List<Group> next = new ArrayList<>();
    for (Group group : groups) {
      List<ContactId> left =
          group.contacts().stream().filter(contact -> !contacts.contains(contact)).toList();
      if (!left.isEmpty()) {
        next.add(new Group(group.name(), group.topology(), left));
      }
    }
    return withGroups(next);
  }

  /** {@return the group a contact is in, if it is in one} */
  public Optional<Group> groupOf(ContactId contact) {
    return groups.stream().filter(group -> group.contacts().contains(contact)).findFirst();
  }

  /** {@return these settings with other terminals known to be dead} */
  public LoomSettings withDead(Set<String> newDead) {
    return new LoomSettings(laying, locks, colours, groups, newDead, added, leftOut, done);
  }

  /** {@return these settings with a wire put in by hand} */
  public LoomSettings withAdded(Jumper wire) {
    return new LoomSettings(laying, locks, colours, groups, dead, plus(added, wire), leftOut, done);
  }

  /** {@return these settings without a wire that was put in by hand} */
  public LoomSettings withoutAdded(Jumper wire) {
    return new LoomSettings(
        laying, locks, colours, groups, dead, minus(added, wire), leftOut, done);
  }

  /** {@return these settings with a wire of the plan left out; it is not done then} */
  public LoomSettings withLeftOut(Jumper wire) {
    return new LoomSettings(
        laying, locks, colours, groups, dead, added, plus(leftOut, wire), minus(done, wire));
  }

  /** {@return these settings with a wire of the plan put back} */
  public LoomSettings withoutLeftOut(Jumper wire) {
    return new LoomSettings(
        laying, locks, colours, groups, dead, added, minus(leftOut, wire), done);
  }

  /**
   * {@return these settings with a wire ticked as done, or not; one that is done is not left out}
   */
  public LoomSettings withDone(Jumper wire, boolean isDone) {
    return new LoomSettings(
        laying,
        locks,
        colours,
        groups,
        dead,
        added,
        isDone ? minus(leftOut, wire) : leftOut,
        isDone ? plus(done, wire) : minus(done, wire));
  }

  /** {@return these settings with no wire added or left out by hand} */
  public LoomSettings asPlanned() {
    return new LoomSettings(laying, locks, colours, groups, dead, Set.of(), Set.of(), done);
  }

  /** {@return these settings without the entries of one control} */
  public LoomSettings without(ControlId control) {
    Predicate<ContactId> stays = contact -> !contact.control().equals(control);
    List<ContactId> gone =
        groups.stream().flatMap(g -> g.contacts().stream()).filter(stays.negate()).toList();
    Predicate<Jumper> touches =
        wire -> wire.a().part().equals(control.text()) || wire.b().part().equals(control.text());
    return new LoomSettings(
        laying,
        kept(locks, stays),
        kept(colours, stays),
        ungrouped(gone).groups(),
        dead,
        new TreeSet<>(added.stream().filter(touches.negate()).toList()),
        new TreeSet<>(leftOut.stream().filter(touches.negate()).toList()),
        new TreeSet<>(done.stream().filter(touches.negate()).toList()));
  }

  private static <V> Map<ContactId, V> put(Map<ContactId, V> map, ContactId key, V value) {
    Map<ContactId, V> next = new TreeMap<>(map);
    next.put(key, value);
    return next;
  }

  private static <V> Map<ContactId, V> kept(Map<ContactId, V> map, Predicate<ContactId> stays) {
    Map<ContactId, V> next = new TreeMap<>(map);
    next.keySet().removeIf(stays.negate());
    return next;
  }

  private static Set<Jumper> plus(Set<Jumper> set, Jumper wire) {
    Set<Jumper> next = new TreeSet<>(set);
    next.add(wire);
    return next;
  }

  private static Set<Jumper> minus(Set<Jumper> set, Jumper wire) {
    Set<Jumper> next = new TreeSet<>(set);
    next.remove(wire);
    return next;
  }
}
