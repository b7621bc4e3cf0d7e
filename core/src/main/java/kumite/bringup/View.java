package kumite.bringup;

import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kumite.circuit.Arrivals;
import kumite.circuit.Copper;
import kumite.circuit.Meter;
import kumite.loom.Look;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.wiring.Change;
import kumite.wiring.Wiring;

/**
 * One seat's wiring as questions see it. A place has one name in all questions, that of the first
 * seat which it is part of; each seat's wiring has names of its own. Not thread-safe.
 */
final class View {
  private final SeatWires wires;
  private final Wiring wiring;
  private final Map<Joint, Joint> local;
  private final Map<Joint, Joint> global = new HashMap<>();
  private final Copper copper;
  private final Arrivals arrivals;
  private final Meter meter;
  private final Map<ContactId, Look> looks = new LinkedHashMap<>();
  private final Map<Look, Set<Joint>> read = new IdentityHashMap<>();
  private final Copper.Altered sound;

  /**
   * @param local what a place is called in this seat's wiring, by its name in questions
   */
  View(SeatWires wires, Map<Joint, Joint> local) {
    this.wires = wires;
    this.wiring = wires.inputs().wiring();
    this.local = local;
    local.forEach((name, here) -> global.put(here, name));
    this.copper = new Copper(wiring);
    this.arrivals = new Arrivals(wiring, wires.inputs().looks(), wires.solves(), copper);
    this.meter = Meter.of(wires.inputs());
    this.sound = copper.altered(Change.NONE);
    looks.putAll(wires.inputs().looks().byContact());
  }

  SeatWires wires() {
    return wires;
  }

  Wiring wiring() {
    return wiring;
  }

  Copper copper() {
    return copper;
  }

  Arrivals arrivals() {
    return arrivals;
  }

  Meter meter() {
    return meter;
  }

  Copper.Altered sound() {
    return sound;
  }

  /** {@return whether any hands could short a supply of the wiring as it is} */
  boolean mayShort() {
    return !wires.inputs().shorts().all().isEmpty();
  }

  /** {@return the looks by their contacts} */
  Map<ContactId, Look> looks() {
    return looks;
  }

  boolean has(Joint name) {
    return local.containsKey(name);
  }

  boolean has(ContactId contact) {
    return looks.containsKey(contact);
  }

  /** {@return what a place is called in the wiring; itself where it is not part of it} */
  Joint local(Joint name) {
    return local.getOrDefault(name, name);
  }

  /** {@return what a place of the wiring is called in questions} */
  Joint global(Joint here) {
    return global.getOrDefault(here, here);
  }

  /** {@return what of a change is in this seat's wiring, with the names there} */
  Change here(Change change) {
    return change.equals(Change.NONE) ? change : change.within(this::has).renamed(this::local);
  }

  Set<Joint> names() {
    return local.keySet();
  }

  /** {@return the places that a look reads or drives, and where its contact stands in a chip} */
  Set<Joint> places(Look look) {
    return read.computeIfAbsent(look, View::placesOf);
  }

  private static Set<Joint> placesOf(Look look) {
    Set<Joint> places = new LinkedHashSet<>();
    places.add(Joint.board(look.read().name()));
    look.how().driven().forEach(terminal -> places.add(Joint.board(terminal.name())));
    if (look.how() instanceof Look.Bit bit) {
      places.add(bit.input());
    } else if (look.how() instanceof Look.Frame frame) {
      places.add(frame.input());
    }
    return places;
  }

  /** {@return all looks that are meant for contacts} */
  List<Look> all() {
    return List.copyOf(looks.values());
  }
}
