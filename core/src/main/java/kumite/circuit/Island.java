package kumite.circuit;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import kumite.component.Component;
import kumite.kind.Lamp;
import kumite.name.ContactId;

/**
 * What hangs together with one net at one moment, cut off at grounds and supplies, as a circuit
 * whose nodes are numbered from that net on; so islands that are wired alike are equal circuits.
 */
final class Island {
  private static final String[] NODES = new String[64];
  private static final String[] NAMES = new String[256];

  static {
    for (int i = 0; i < NODES.length; i++) {
      NODES[i] = "n" + i;
    }
    for (int i = 0; i < NAMES.length; i++) {
      NAMES[i] = Integer.toString(i + 1);
    }
  }

  private final Network network;
  private final int start;
  private final Map<Integer, String> nodes;
  private final List<Edge> edges;
  private final Circuit circuit;

  private Island(
      Network network, int start, Map<Integer, String> nodes, List<Edge> edges, Circuit circuit) {
    this.network = network;
    this.start = start;
    this.nodes = nodes;
    this.edges = edges;
    this.circuit = circuit;
  }

  /**
   * Follows what carries current from a net on.
   *
   * @param start a net that is no rail
   * @param loadOhm to a rail, beside what is wired: a leak or a meter; empty for none
   * @param loadRail the rail it goes to
   */
  static Island at(
      Network network,
      int start,
      Conditions now,
      Corner corner,
      OptionalDouble loadOhm,
      int loadRail) {
    List<Edge> found = new ArrayList<>();
    List<Double> ohms = new ArrayList<>();
    List<Integer> order = new ArrayList<>(List.of(start));
    Set<Integer> seen = new HashSet<>(order);
    Set<Edge> taken = new HashSet<>();
    for (int i = 0; i < order.size(); i++) {
      int net = order.get(i);
      for (Edge edge : network.edges(net)) {
        double ohm = network.ohm(edge, now, corner);
        if (ohm < 0 || !taken.add(edge)) {
          continue;
        }
        found.add(edge);
        ohms.add(ohm);
        int other = edge.other(net);
        if (!network.rail(other) && seen.add(other)) {
          order.add(other);
        }
      }
    }
    prune(network, found, ohms, start);
    return build(network, start, order, found, ohms, corner, loadOhm, loadRail);
  }

  /**
   * {@return the contacts of which one, moved alone, can change what stands at a net; empty where a
   * chip has a say}
   *
   * @param start a net that is no rail
   */
  static Optional<Set<ContactId>> movers(Network network, int start, Conditions now) {
    List<Integer> order = new ArrayList<>(List.of(start));
    Set<Integer> seen = new HashSet<>(order);
    Set<ContactId> movers = new HashSet<>();
    for (int i = 0; i < order.size(); i++) {
      for (Edge edge : network.edges(order.get(i))) {
        if (edge.kind() == Edge.Kind.CHANNEL) {
          return Optional.empty();
        }
        if (edge.part() != null) {
          edge.part().moved().ifPresent(movers::add);
        }
        int other = edge.other(order.get(i));
        boolean open = network.ohm(edge, now, Corner.USUAL) < 0;
        if (!open && !network.rail(other) && seen.add(other)) {
          order.add(other);
        }
      }
    }
    return Optional.of(movers);
  }

  /** Takes off what hangs on one end only: no current flows there. */
  private static void prune(Network network, List<Edge> found, List<Double> ohms, int start) {
    Map<Integer, Integer> degree = new HashMap<>();
    for (Edge edge : found) {
      degree.merge(edge.a(), 1, Integer::sum);
      degree.merge(edge.b(), 1, Integer::sum);
    }
    boolean again = true;
    while (again) {
      again = false;
      for (int i = found.size() - 1; i >= 0; i--) {
        Edge edge = found.get(i);
        boolean loose =
            loose(network, edge.a(), degree, start) || loose(network, edge.b(), degree, start);
        if (loose) {
          found.remove(i);
          ohms.remove(i);
          degree.merge(edge.a(), -1, Integer::sum);
          degree.merge(edge.b(), -1, Integer::sum);
          again = true;
        }
      }
    }
  }

  private static boolean loose(Network network, int net, Map<Integer, Integer> degree, int start) {
    return net != start && !network.rail(net) && degree.get(net) == 1;
  }

  private static Island build(
      Network network,
      int start,
      List<Integer> order,
      List<Edge> found,
      List<Double> ohms,
      Corner corner,
      OptionalDouble loadOhm,
      int loadRail) {
    Map<Integer, String> nodes = new LinkedHashMap<>();
    Set<Integer> used = new HashSet<>(List.of(start));
    found.forEach(edge -> used.addAll(List.of(edge.a(), edge.b())));
    for (int net : order) {
      if (used.contains(net)) {
        nodes.put(net, node(nodes.size()));
      }
    }
    TreeMap<Double, String> rails = new TreeMap<>();
    List<Element> elements = new ArrayList<>();
    for (int i = 0; i < found.size(); i++) {
      Edge edge = found.get(i);
      String a = end(network, edge.a(), nodes, rails, corner);
      String b = end(network, edge.b(), nodes, rails, corner);
      elements.add(element(edge, name(i), a, b, ohms.get(i), corner));
    }
    if (loadOhm.isPresent()) {
      elements.add(
          new Element.Resistor(
              "LOAD",
              nodes.get(start),
              end(network, loadRail, nodes, rails, corner),
              loadOhm.getAsDouble()));
    }
    rails.forEach(
        (volts, node) -> {
          if (!node.equals(Circuit.GROUND)) {
            elements.add(new Element.Source(node, node, Circuit.GROUND, volts));
          }
        });
    return new Island(network, start, nodes, found, new Circuit(elements));
  }

  private static String end(
      Network network,
      int net,
      Map<Integer, String> nodes,
      TreeMap<Double, String> rails,
      Corner corner) {
    if (!network.rail(net)) {
      return nodes.get(net);
    }
    double volts = network.railVolts(net, corner);
    return rails.computeIfAbsent(
        volts, v -> v == 0 ? Circuit.GROUND : "rail" + Math.round(v * 1000));
  }

  private static Element element(
      Edge edge, String name, String a, String b, double ohm, Corner corner) {
    return switch (edge.kind()) {
      case DIODE -> new Element.Diode(name, a, b, Element.Model.SIGNAL_DIODE);
      case LAMP ->
          new Element.Diode(name, a, b, model(((Component.Light) edge.part()).lamp(), corner));
      case OPEN_CONTACT, RESTING_CONTACT, TAP -> new Element.Switch(name, a, b, ohm, true);
      default -> new Element.Resistor(name, a, b, ohm);
    };
  }

  static Element.Model model(Lamp lamp, Corner corner) {
    return Element.Model.lamp(
        Math.max(0.3, lamp.forwardVolts() + corner.lampVolts()),
        lamp.milliamps() / 1000,
        lamp.insideOhm());
  }

  private static String node(int i) {
    return i < NODES.length ? NODES[i] : "n" + i;
  }

  private static String name(int i) {
    return i < NAMES.length ? NAMES[i] : Integer.toString(i + 1);
  }

  Circuit circuit() {
    return circuit;
  }

  /** {@return the ways that carry current, in the order they were met} */
  List<Edge> edges() {
    return Collections.unmodifiableList(edges);
  }

  boolean lit() {
    return edges.stream().anyMatch(edge -> edge.kind() == Edge.Kind.LAMP);
  }

  /**
   * {@return whether nothing but leakage decides the volts of the net it starts from: no way to a
   * rail that lets current through both ways}
   */
  boolean floats() {
    Set<Integer> reached = new HashSet<>(List.of(start));
    boolean more = true;
    while (more) {
      more = false;
      for (Edge edge : edges) {
        boolean oneWay = edge.kind() == Edge.Kind.DIODE || edge.kind() == Edge.Kind.LAMP;
        boolean touches = reached.contains(edge.a()) || reached.contains(edge.b());
        if (oneWay || !touches) {
          continue;
        }
        if (network.rail(edge.a()) || network.rail(edge.b())) {
          return false;
        }
        more |= reached.add(edge.a()) | reached.add(edge.b());
      }
    }
    return true;
  }

  OperatingPoint solve() {
    return network.solves().of(circuit);
  }

  /** {@return the node of a net in its circuit, if it is part of it} */
  Optional<String> nodeOf(int net) {
    return Optional.ofNullable(nodes.get(net));
  }

  Map<Integer, String> nodes() {
    return Collections.unmodifiableMap(nodes);
  }

  /** {@return the amps through a part of it, from its first end to its second} */
  OptionalDouble amps(Component part) {
    return edges.stream()
        .filter(edge -> edge.part() != null && edge.part().equals(part))
        .findFirst()
        .map(this::amps)
        .orElse(OptionalDouble.empty());
  }

  /** {@return the amps through a way of it, from its first end to its second} */
  OptionalDouble amps(Edge way) {
    int i = edges.indexOf(way);
    return i >= 0 && solve() instanceof OperatingPoint.Solved solved
        ? OptionalDouble.of(solved.through(letter(circuit.elements().get(i)) + name(i)))
        : OptionalDouble.empty();
  }

  private static String letter(Element element) {
    return element instanceof Element.Diode ? "D" : element instanceof Element.Switch ? "S" : "R";
  }
}
