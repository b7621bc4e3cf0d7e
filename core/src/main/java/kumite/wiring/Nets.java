package kumite.wiring;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import kumite.component.Component;
import kumite.name.Joint;
import kumite.name.Jumper;
import org.jgrapht.Graph;
import org.jgrapht.GraphPath;
import org.jgrapht.alg.shortestpath.BFSShortestPath;
import org.jgrapht.alg.util.UnionFind;
import org.jgrapht.graph.DefaultEdge;
import org.jgrapht.graph.SimpleGraph;

/** What is joined to what in a wiring, by connectivity. */
public final class Nets {
  private final Wiring wiring;
  private final Map<Joint, Place> places = new TreeMap<>();
  private final List<Net> all = new ArrayList<>();
  private final Map<Joint, Net> byJoint = new HashMap<>();

  Nets(Wiring wiring) {
    this.wiring = wiring;
    wiring.places().forEach(place -> places.putIfAbsent(place.joint(), place));
    for (Component part : wiring.parts()) {
      part.ends().forEach(this::passive);
    }
    for (Jumper wire : wiring.wires().keySet()) {
      passive(wire.a());
      passive(wire.b());
    }
    gather();
  }

  private void passive(Joint joint) {
    places.computeIfAbsent(joint, Place::passive);
  }

  private void gather() {
    UnionFind<Joint> sets = new UnionFind<>(places.keySet());
    wiring.inside().forEach(wire -> sets.union(wire.a(), wire.b()));
    wiring.wires().keySet().forEach(wire -> sets.union(wire.a(), wire.b()));
    Map<Joint, List<Place>> gathered = new LinkedHashMap<>();
    for (Place place : places.values()) {
      gathered.computeIfAbsent(sets.find(place.joint()), r -> new ArrayList<>()).add(place);
    }
    Map<Joint, List<String>> strands = new HashMap<>();
    for (Wiring.Wire wire : wiring.wires().values()) {
      wire.strand()
          .ifPresent(
              id ->
                  strands
                      .computeIfAbsent(sets.find(wire.ends().a()), r -> new ArrayList<>())
                      .add(id));
    }
    List<Net> nets = new ArrayList<>();
    gathered.forEach(
        (root, members) ->
            nets.add(new Net(0, name(members), members, strands.getOrDefault(root, List.of()))));
    nets.sort(Comparator.comparingInt(Nets::rank).thenComparing(Net::name));
    for (Net net : nets) {
      Net numbered = net.numbered(all.size());
      all.add(numbered);
      numbered.places().forEach(place -> byJoint.put(place.joint(), numbered));
    }
  }

  private static int rank(Net net) {
    return net.has(Place.Role.GROUND)
        ? 0
        : net.rail() ? 1 : net.has(Place.Role.INPUT) || net.has(Place.Role.DRIVE) ? 2 : 3;
  }

  /** After the strongest place of the board looked at, else after the strongest of all. */
  private static String name(List<Place> members) {
    Place first =
        members.stream()
            .min(
                Comparator.comparing((Place p) -> !p.own() || p.role() == Place.Role.PASSIVE)
                    .thenComparing(Place::role))
            .orElseThrow();
    return first.own() && first.role() != Place.Role.PASSIVE
        ? first.role() == Place.Role.GROUND ? Net.GROUND : first.joint().tab()
        : first.joint().toString();
  }

  Wiring wiring() {
    return wiring;
  }

  /** {@return all nets, lone places too: ground first, supplies, terminals, the rest} */
  public List<Net> all() {
    return Collections.unmodifiableList(all);
  }

  /** {@return the nets of two places or more, in the same order} */
  public List<Net> joined() {
    return all.stream().filter(net -> net.places().size() > 1).toList();
  }

  /** {@return the net of a place, if the wiring has the place} */
  public Optional<Net> of(Joint joint) {
    return Optional.ofNullable(byJoint.get(joint));
  }

  /** {@return whether two places are joined} */
  public boolean joined(Joint a, Joint b) {
    Net net = byJoint.get(a);
    return a.equals(b) || net != null && net == byJoint.get(b);
  }

  /** {@return all places by name, joined or not} */
  public Map<Joint, Place> places() {
    return Collections.unmodifiableMap(places);
  }

  /**
   * {@return the wires on the shortest way between two places, in order; empty if there is none}
   */
  List<Jumper> way(Joint a, Joint b) {
    return joined(a, b) ? way(wiring.wires().keySet(), wiring.inside(), a, b) : List.of();
  }

  static List<Jumper> way(Collection<Jumper> wires, Collection<Jumper> inside, Joint a, Joint b) {
    Graph<Joint, DefaultEdge> graph = new SimpleGraph<>(DefaultEdge.class);
    for (Collection<Jumper> some : List.of(wires, inside)) {
      for (Jumper wire : some) {
        graph.addVertex(wire.a());
        graph.addVertex(wire.b());
        graph.addEdge(wire.a(), wire.b());
      }
    }
    if (!graph.containsVertex(a) || !graph.containsVertex(b)) {
      return List.of();
    }
    GraphPath<Joint, DefaultEdge> path = BFSShortestPath.findPathBetween(graph, a, b);
    if (path == null) {
      return List.of();
    }
    List<Jumper> way = new ArrayList<>();
    List<Joint> stops = path.getVertexList();
    for (int i = 1; i < stops.size(); i++) {
      way.add(new Jumper(stops.get(i - 1), stops.get(i)));
    }
    return way;
  }
}
