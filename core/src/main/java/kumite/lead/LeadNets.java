package kumite.lead;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import kumite.lead.LeadPart.Place;
import org.jgrapht.alg.util.UnionFind;

/**
 * What a lead joins to what: its pins in groups, by cores, bridges and the shield. The one truth
 * from which its chart, its composition with others, its turn and its checks follow.
 *
 * <p>A resistor or diode in a core joins as far as a continuity meter and a contact are concerned.
 */
public final class LeadNets {
  private final Map<Place, Set<Place>> nets;

  private LeadNets(Map<Place, Set<Place>> nets) {
    this.nets = nets;
  }

  /** {@return what a lead joins} */
  public static LeadNets of(Lead lead) {
    List<Place> places = new ArrayList<>();
    List<List<Place>> joins = new ArrayList<>();
    for (Core core : lead.cores()) {
      joins.add(List.of(new Place(Where.FROM, core.from()), new Place(Where.TO, core.to())));
    }
    for (LeadPart part : lead.parts()) {
      part.places().forEach(places::add);
      if (part instanceof LeadPart.Bridge) {
        joins.add(List.copyOf(part.places()));
      }
    }
    List<Place> drains = lead.drains();
    for (int i = 1; i < drains.size(); i++) {
      joins.add(List.of(drains.get(0), drains.get(i)));
    }
    joins.forEach(places::addAll);
    UnionFind<Place> groups = new UnionFind<>(new HashSet<>(places));
    joins.forEach(join -> groups.union(join.get(0), join.get(1)));
    Map<Place, Set<Place>> byRoot = new LinkedHashMap<>();
    Map<Place, Set<Place>> nets = new LinkedHashMap<>();
    for (Place place : places) {
      Set<Place> net = byRoot.computeIfAbsent(groups.find(place), r -> new LinkedHashSet<>());
      net.add(place);
      nets.put(place, net);
    }
    return new LeadNets(nets);
  }

  /** {@return the groups of pins that are joined, each once} */
  public Collection<Set<Place>> all() {
    Set<Set<Place>> seen = java.util.Collections.newSetFromMap(new java.util.IdentityHashMap<>());
    List<Set<Place>> all = new ArrayList<>();
    nets.values().stream().filter(seen::add).forEach(all::add);
    return all;
  }

  /** {@return the pins that a pin is joined to, itself among them} */
  public Set<Place> of(Place place) {
    return nets.getOrDefault(place, Set.of(place));
  }

  /** {@return the pins of the other end that a pin of the first end reaches} */
  public List<String> carried(String from) {
    return across(new Place(Where.FROM, from));
  }

  /** {@return the pins of the other end that a pin reaches} */
  public List<String> across(Place place) {
    return of(place).stream()
        .filter(p -> p.end() != place.end())
        .map(Place::pin)
        .distinct()
        .toList();
  }

  /** {@return other pins of the same end that a pin is joined to} */
  public List<String> beside(Place place) {
    return of(place).stream()
        .filter(p -> p.end() == place.end() && !p.equals(place))
        .map(Place::pin)
        .toList();
  }

  /** {@return the pin that each pin of the first end goes to; empty unless it is one to one} */
  public Optional<Map<String, String>> oneToOne() {
    Map<String, String> map = new TreeMap<>();
    for (Set<Place> net : all()) {
      List<Place> froms = net.stream().filter(p -> p.end() == Where.FROM).toList();
      List<Place> tos = net.stream().filter(p -> p.end() == Where.TO).toList();
      if (froms.size() > 1 || tos.size() > 1) {
        return Optional.empty();
      }
      if (froms.size() == 1 && tos.size() == 1) {
        map.put(froms.get(0).pin(), tos.get(0).pin());
      }
    }
    return Optional.of(map);
  }
}
