package kumite.map;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.loom.Group;
import kumite.build.loom.Topology;
import kumite.build.map.Layer;
import kumite.build.map.Profile;
import kumite.kind.ContactKind;
import kumite.kind.ControlKind;
import kumite.name.ContactId;
import kumite.parts.Catalogue;

/** What hands can hold together, and which meanings of a profile they can therefore give. */
public final class Doable {
  private final Profile profile;
  private final Map<ContactId, ContactKind> contacts = new HashMap<>();
  private final Map<ContactId, ControlKind> kinds = new HashMap<>();
  private final Map<ContactId, String> ladders = new HashMap<>();
  private final Set<Layer> unreached;

  private Doable(Build build, Catalogue catalogue) {
    this.profile = build.profile();
    for (Control control : build.seated()) {
      ControlKind kind = catalogue.kindOf(control);
      for (ContactKind contact : kind.contacts()) {
        ContactId id = new ContactId(control.id(), contact.name());
        contacts.put(id, contact);
        kinds.put(id, kind);
      }
    }
    for (Group group : build.loom().groups()) {
      if (group.topology() == Topology.LADDER) {
        group.contacts().forEach(contact -> ladders.put(contact, group.name().text()));
      }
    }
    unreached = LayerWays.of(profile, contacts.keySet()).unreached();
  }

  /** What can be done with the first profile of the seat that a build stands at. */
  public static Doable of(Build build, Catalogue catalogue) {
    return new Doable(build, catalogue);
  }

  /** {@return why no hands, or no board, can have two contacts pressed; empty where they can} */
  public Optional<String> apart(ContactId one, ContactId other) {
    String ladder = ladders.get(one);
    if (ladder != null && ladder.equals(ladders.get(other))) {
      return Optional.of(
          one + " and " + other + " share the ladder " + ladder + ", which shows one at a time");
    }
    boolean lever =
        one.control().equals(other.control())
            && Optional.ofNullable(kinds.get(one))
                .filter(ControlKind::pushesDirections)
                .isPresent();
    return lever && opposite(one.contact(), other.contact())
        ? Optional.of("a lever is not pushed " + one.contact() + " and " + other.contact())
        : Optional.empty();
  }

  private static boolean opposite(String one, String other) {
    return Set.of(one, other).equals(Set.of("left", "right"))
        || Set.of(one, other).equals(Set.of("up", "down"));
  }

  /** {@return why contacts cannot be held together; empty where they can} */
  public Optional<String> together(Set<ContactId> held) {
    List<ContactId> all = new ArrayList<>(held);
    for (int i = 0; i < all.size(); i++) {
      for (int j = i + 1; j < all.size(); j++) {
        Optional<String> why = apart(all.get(i), all.get(j));
        if (why.isPresent()) {
          return why;
        }
      }
    }
    return Optional.empty();
  }

  /** {@return whether a meaning stands on a layer that cannot be reached} */
  public boolean unreached(Coverage.Giver giver) {
    return profile.layer(giver.layer()).filter(unreached::contains).isPresent();
  }

  /** {@return why a meaning can never be given; empty where it can} */
  public Optional<String> why(Coverage.Giver giver) {
    Optional<Layer> layer = profile.layer(giver.layer());
    if (layer.filter(unreached::contains).isPresent()) {
      return Optional.of("layer " + giver.layer() + " cannot be reached");
    }
    Optional<String> reach = layer.flatMap(this::held);
    if (reach.isPresent()) {
      return reach;
    }
    boolean chord = giver.contacts().size() > 1;
    for (ContactId member : giver.contacts()) {
      boolean key =
          layer.filter(l -> l.reach() == Layer.Reach.HOLD && l.by().contains(member)).isPresent();
      if (!chord && key) {
        return Optional.of(
            member + " is held to reach layer " + giver.layer() + ", so it is no press on it");
      }
      ContactKind kind = contacts.get(member);
      if (chord && kind != null && kind.type().analog()) {
        return Optional.of(member + " travels; a chord is made of contacts that are pressed");
      }
    }
    Set<ContactId> all = new HashSet<>(giver.contacts());
    layer.filter(l -> l.reach() == Layer.Reach.HOLD).ifPresent(l -> all.addAll(l.by()));
    return together(new java.util.TreeSet<>(all));
  }

  /** Why the keys of a layer cannot be held together. */
  private Optional<String> held(Layer layer) {
    return together(layer.by());
  }

  /**
   * {@return how many of some contacts can be held at once: of a ladder one, of a lever one of each
   * two opposite directions}
   */
  public int most(Set<ContactId> some) {
    Set<String> places = new HashSet<>();
    for (ContactId contact : some) {
      boolean lever =
          Optional.ofNullable(kinds.get(contact)).filter(ControlKind::pushesDirections).isPresent();
      String name = contact.contact();
      boolean upright = name.equals("up") || name.equals("down");
      places.add(
          ladders.containsKey(contact)
              ? "ladder " + ladders.get(contact)
              : lever && (upright || name.equals("left") || name.equals("right"))
                  ? contact.control() + (upright ? " upright" : " across")
                  : contact.toString());
    }
    return places.size();
  }
}
