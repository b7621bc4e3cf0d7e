package kumite.bringup;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kumite.wiring.Change;

/**
 * The single faults that a seat's wiring can have, each as an edit of it. What they look like is
 * never said here: that is worked out.
 */
final class Faults {
  private Faults() {}

  /** {@return what is likely to be wrong, the same in the same order for the same build} */
  static List<Fault> near(View view) {
    FaultList list = new FaultList(view);
    WireFaults wires = new WireFaults(list);
    wires.open();
    wires.terminals(true);
    wires.swaps(true);
    wires.bridges();
    ContactFaults contacts = new ContactFaults(list);
    contacts.poles();
    contacts.levers();
    PartFaults parts = new PartFaults(list);
    parts.parts();
    contacts.lamps();
    parts.board();
    return List.copyOf(list.made.values());
  }

  /** {@return what is less likely: wires far from where they should be} */
  static List<Fault> far(View view) {
    FaultList list = new FaultList(view);
    WireFaults wires = new WireFaults(list);
    wires.terminals(false);
    wires.swaps(false);
    return List.copyOf(list.made.values());
  }

  /** {@return the faults of all seats; what two seats share, such as a link, stands once} */
  static List<Fault> near(List<View> views) {
    return once(views.stream().flatMap(view -> near(view).stream()).toList());
  }

  /** {@return the less likely faults of all seats, each once} */
  static List<Fault> far(List<View> views) {
    return once(views.stream().flatMap(view -> far(view).stream()).toList());
  }

  private static List<Fault> once(List<Fault> faults) {
    Map<String, Fault> byId = new LinkedHashMap<>();
    Set<Change> changes = new HashSet<>();
    for (Fault fault : faults) {
      boolean again = !fault.change().equals(Change.NONE) && !changes.add(fault.change());
      if (!again) {
        byId.putIfAbsent(fault.id(), fault);
      }
    }
    return List.copyOf(byId.values());
  }
}
