package kumite.wiring;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import kumite.name.Joint;
import kumite.name.Jumper;

/**
 * The wires that can be taken out to mend something: those put in by hand before links and cores of
 * leads.
 *
 * @param added put in by hand
 * @param joins links, and cores of leads
 */
record Removable(Set<Jumper> added, Set<Jumper> joins) {

  static Removable of(Set<Jumper> added, Wiring wiring) {
    Set<Jumper> joins = new TreeSet<>();
    if (wiring.neighbours().isEmpty()) {
      return new Removable(added, joins);
    }
    for (Wiring.Wire wire : wiring.wires().values()) {
      if (wire.origin() == Wiring.Origin.LEAD || wire.link()) {
        joins.add(wire.ends());
      }
    }
    return new Removable(added, joins);
  }

  boolean isEmpty() {
    return added.isEmpty() && joins.isEmpty();
  }

  boolean contains(Jumper wire) {
    return added.contains(wire) || joins.contains(wire);
  }

  /** {@return the first of them on the shortest way between two places, if there is one} */
  List<Jumper> between(Nets nets, Joint a, Joint b) {
    List<Jumper> way = nets.way(a, b);
    Optional<Jumper> byHand = way.stream().filter(added::contains).findFirst();
    return byHand.or(() -> way.stream().filter(joins::contains).findFirst()).stream().toList();
  }
}
