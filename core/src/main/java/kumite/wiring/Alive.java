package kumite.wiring;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kumite.component.Component;
import kumite.name.Joint;
import org.jgrapht.alg.util.UnionFind;

/**
 * Which places give volts at all: a converter gives only while it is fed, and a board that lives on
 * what comes in at a terminal gives nothing and drives nothing while nothing comes in.
 */
final class Alive {
  private final Map<Joint, Place> places = new LinkedHashMap<>();
  private final UnionFind<Joint> sets;
  private final Map<Joint, Joint> gates = new HashMap<>();
  private final Map<String, Joint> inlets = new HashMap<>();

  /** All pins of inlets: a board may have several of the same volts. */
  private final Set<Joint> fed = new HashSet<>();

  private Alive(List<Place> all, Wiring wiring) {
    all.forEach(place -> places.putIfAbsent(place.joint(), place));
    Set<Joint> joints = new HashSet<>(places.keySet());
    wiring.parts().forEach(part -> joints.addAll(part.ends()));
    wiring
        .wires()
        .keySet()
        .forEach(
            wire -> {
              joints.add(wire.a());
              joints.add(wire.b());
            });
    sets = new UnionFind<>(joints);
    wiring.inside().forEach(wire -> sets.union(wire.a(), wire.b()));
    wiring.wires().keySet().forEach(wire -> sets.union(wire.a(), wire.b()));
    for (Component part : wiring.parts()) {
      if (part instanceof Component.Regulator regulator) {
        gates.put(regulator.out(), regulator.in());
      } else if (part instanceof Component.Fed inlet) {
        inlets.putIfAbsent(inlet.terminal().part(), inlet.terminal());
        fed.add(inlet.terminal());
      }
    }
  }

  /** {@return the same places, of those that are not fed what is left of them} */
  static List<Place> of(List<Place> all, Wiring wiring) {
    boolean plain =
        wiring.parts().stream()
            .noneMatch(p -> p instanceof Component.Regulator || p instanceof Component.Fed);
    return plain ? all : new Alive(all, wiring).places(all);
  }

  private List<Place> places(List<Place> all) {
    Set<Joint> live = new HashSet<>();
    boolean more = true;
    while (more) {
      more = false;
      for (Place place : places.values()) {
        if (place.gives() && !fed.contains(place.joint()) && open(place.joint(), live)) {
          more |= live.add(sets.find(place.joint()));
        }
      }
    }
    List<Place> now = new ArrayList<>();
    for (Place place : all) {
      if (fed.contains(place.joint())) {
        now.add(new Place(place.joint(), Place.Role.FED, 0, place.volts() * SupplyPins.OVER));
      } else if (place.role() != Place.Role.GROUND && !open(place.joint(), live)) {
        now.add(Place.passive(place.joint()));
      } else {
        now.add(place);
      }
    }
    return now;
  }

  /** Whether what a place depends on is fed; most depend on nothing. */
  private boolean open(Joint joint, Set<Joint> live) {
    Joint gate = gates.getOrDefault(joint, inlets.getOrDefault(joint.part(), joint));
    return gate.equals(joint) && !gates.containsKey(joint) || live.contains(sets.find(gate));
  }
}
