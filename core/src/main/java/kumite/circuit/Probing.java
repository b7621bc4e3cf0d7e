package kumite.circuit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import kumite.build.bringup.Power;
import kumite.component.Component;
import kumite.kind.Terminal;
import kumite.name.Joint;
import kumite.wiring.Place;
import org.jspecify.annotations.Nullable;

/** One reading: the network in one state, and the nets of both probes. */
final class Probing {
  private final Network network;
  private final Power power;
  private final Conditions now;
  private final ToDoubleFunction<kumite.name.ContactId> hands;
  private final int red;
  private final int black;
  private final boolean[] fed;
  private final List<Edge> ways = new ArrayList<>();
  private final Map<Edge, String> names = new HashMap<>();

  Probing(
      Network network,
      Power power,
      ToDoubleFunction<kumite.name.ContactId> hands,
      int red,
      int black) {
    this.network = network;
    this.power = power;
    this.hands = hands;
    this.red = red;
    this.black = black;
    Conditions free = Conditions.of(hands);
    if (power == Power.POWERED) {
      for (var driven : Scan.rest(network.looks()).entrySet()) {
        free = free.driving(driven.getKey(), driven.getValue());
      }
    }
    this.now = free;
    this.fed = feeds();
    follow();
  }

  /** Nets that stand at volts of their own in this state. */
  private boolean[] feeds() {
    boolean[] rails = new boolean[network.size()];
    for (int net = 0; net < rails.length; net++) {
      rails[net] =
          switch (power) {
            case POWERED -> network.rail(net);
            case SUPPLY -> network.rail(net) && (ground(net) || lit(net));
            case UNPOWERED, ABSENT -> false;
          };
    }
    return rails;
  }

  private boolean ground(int net) {
    return network.railVolts(net, Corner.USUAL) == 0;
  }

  /** Whether a lamp hangs on a supply, behind its resistor or straight. */
  private boolean lit(int net) {
    Set<Integer> seen = new HashSet<>(List.of(net));
    List<Integer> order = new ArrayList<>(seen);
    for (int i = 0; i < order.size(); i++) {
      for (Edge edge : network.edges(order.get(i))) {
        if (edge.kind() == Edge.Kind.LAMP) {
          return true;
        }
        int other = edge.other(order.get(i));
        boolean series = edge.kind() == Edge.Kind.RESISTOR && other >= 0 && !network.rail(other);
        if (series && seen.add(other)) {
          order.add(other);
        }
      }
    }
    return false;
  }

  private boolean rail(int net) {
    return net < 0 || fed[net];
  }

  private double ohm(Edge edge, Corner corner) {
    if (power == Power.POWERED) {
      return network.ohm(edge, now, corner);
    }
    return switch (edge.kind()) {
      case PULL, DRIVE_HIGH, DRIVE_LOW, OUT_HIGH, OUT_LOW, CHANNEL, LEAK -> -1;
      case OUTPUT_HIGH, OUTPUT_LOW -> {
        Component.Output output = (Component.Output) edge.part();
        boolean live = rail(network.net(output.supply())) && rail(network.net(output.ground()));
        yield live ? network.ohm(edge, now, corner) : -1;
      }
      default -> edge.a() < 0 || edge.b() < 0 ? -1 : network.ohm(edge, now, corner);
    };
  }

  /** What carries current between the probes and whatever feeds them. */
  private void follow() {
    List<Integer> order = new ArrayList<>();
    Set<Integer> seen = new HashSet<>();
    for (int start : new int[] {red, black}) {
      if (!rail(start) && seen.add(start)) {
        order.add(start);
      }
    }
    Set<Edge> taken = new HashSet<>();
    for (int i = 0; i < order.size(); i++) {
      for (Edge edge : network.edges(order.get(i))) {
        int other = edge.other(order.get(i));
        if (ohm(edge, Corner.USUAL) < 0 || !taken.add(edge)) {
          continue;
        }
        ways.add(edge);
        if (!rail(other) && seen.add(other)) {
          order.add(other);
        }
      }
    }
    boolean again = true;
    while (again) {
      Map<Integer, Integer> degree = new HashMap<>();
      ways.forEach(
          edge -> {
            degree.merge(edge.a(), 1, Integer::sum);
            degree.merge(edge.b(), 1, Integer::sum);
          });
      again = ways.removeIf(edge -> loose(edge.a(), degree) || loose(edge.b(), degree));
    }
  }

  private boolean loose(int net, Map<Integer, Integer> degree) {
    return net != red && net != black && !rail(net) && degree.get(net) == 1;
  }

  // ---- the circuit

  /**
   * The circuit with a meter in it.
   *
   * @param test volts of the meter's own source, behind so many ohm; 0 where it has none
   * @param stretched the way whose ohms are taken by a share more; null, within this class only,
   *     for none
   */
  private Optional<OperatingPoint.Solved> solve(
      double test, double ohm, Corner corner, @Nullable Edge stretched, double share, int leak) {
    Map<Integer, String> nodes = new HashMap<>();
    Map<String, Double> sources = new java.util.TreeMap<>();
    List<Element> elements = new ArrayList<>();
    int number = 0;
    boolean anchored = rail(red) || rail(black);
    for (Edge edge : ways) {
      anchored |= rail(edge.a()) || rail(edge.b());
    }
    if (!anchored) {
      nodes.put(black, Circuit.GROUND);
    }
    for (Edge edge : ways) {
      double value = ohm(edge, corner);
      if (value < 0) {
        continue;
      }
      String a = node(edge.a(), nodes, sources, corner);
      String b = node(edge.b(), nodes, sources, corner);
      if (!a.equals(b)) {
        Element part =
            element(edge, ++number, a, b, edge == stretched ? value * share : value, corner);
        elements.add(part);
        names.put(edge, (part instanceof Element.Diode ? "D" : "R") + number);
      }
    }
    String one = node(red, nodes, sources, corner);
    String other = node(black, nodes, sources, corner);
    if (one.equals(other)) { // two rails of the same volts: nothing flows through the meter
      return Optional.of(new OperatingPoint.Solved(Map.of(), Map.of("RMETER", 0.0), 0));
    }
    if (test == 0) {
      elements.add(new Element.Resistor("METER", one, other, ohm));
    } else {
      elements.add(new Element.Resistor("METER", "probe", one, ohm));
      elements.add(new Element.Source("TEST", "probe", other, test));
    }
    leak(leak, one, other, corner, nodes, sources, elements);
    sources.forEach(
        (node, volts) -> elements.add(new Element.Source(node, node, Circuit.GROUND, volts)));
    return network.solves().of(new Circuit(elements)) instanceof OperatingPoint.Solved solved
        ? Optional.of(solved)
        : Optional.empty();
  }

  /** Inputs of a powered board leak a little, either way. */
  private void leak(
      int way,
      String one,
      String other,
      Corner corner,
      Map<Integer, String> nodes,
      Map<String, Double> sources,
      List<Element> elements) {
    if (way == 0) {
      return;
    }
    String rail = node(way > 0 ? Edge.LOGIC : Edge.GROUND, nodes, sources, corner);
    int number = 0;
    for (int net : new int[] {red, black}) {
      String node = net == red ? one : other;
      Optional<String> input = input(net);
      if (input.isPresent() && !node.equals(rail)) {
        elements.add(
            new Element.Resistor("LEAK" + ++number, node, rail, network.leakOhm(input.get())));
      }
      if (red == black) {
        return;
      }
    }
  }

  private Optional<String> input(int net) {
    if (rail(net)) {
      return Optional.empty();
    }
    return network.netAt(net).places().stream()
        .filter(Place::own)
        .map(place -> place.joint().tab())
        .filter(
            name ->
                network
                    .board()
                    .terminal(name)
                    .filter(t -> t.role() == Terminal.Role.INPUT)
                    .isPresent())
        .findFirst();
  }

  private String node(
      int net, Map<Integer, String> nodes, Map<String, Double> sources, Corner corner) {
    if (!rail(net)) {
      String known = nodes.get(net);
      if (known == null) {
        known = "n" + nodes.size();
        nodes.put(net, known);
      }
      return known;
    }
    double volts = network.railVolts(net, corner);
    if (volts == 0) {
      return Circuit.GROUND;
    }
    String node = "rail" + Math.round(network.railVolts(net, Corner.USUAL) * 1000);
    sources.put(node, volts);
    return node;
  }

  private static Element element(
      Edge edge, int number, String a, String b, double ohm, Corner corner) {
    String name = Integer.toString(number);
    return switch (edge.kind()) {
      case DIODE -> new Element.Diode(name, a, b, Element.Model.SIGNAL_DIODE);
      case LAMP ->
          new Element.Diode(
              name, a, b, Island.model(((Component.Light) edge.part()).lamp(), corner));
      default -> new Element.Resistor(name, a, b, ohm);
    };
  }

  private static double between(OperatingPoint.Solved solved) {
    return solved.through("RMETER");
  }

  private double voltsOf(OperatingPoint.Solved solved) {
    return between(solved) * Meter.METER_OHM;
  }

  // ---- volts

  private Optional<String> trouble() {
    if (power != Power.POWERED) {
      return Optional.empty();
    }
    if (red != black && (network.carriesPackets(red) || network.carriesPackets(black))) {
      return Optional.of("bits go over it all the time: no meter shows steady volts");
    }
    return network.dead().isPresent()
        ? network.dead()
        : network.mayShort() && network.closings().shorted(hands)
            ? Optional.of("Held so, contacts short a supply: the board goes down")
            : Optional.empty();
  }

  OptionalDouble usual() {
    if (trouble().isPresent()) {
      return OptionalDouble.empty();
    }
    return red == black
        ? OptionalDouble.of(0)
        : solve(0, Meter.METER_OHM, Corner.USUAL, null, 1, 0)
            .map(solved -> OptionalDouble.of(voltsOf(solved)))
            .orElse(OptionalDouble.empty());
  }

  Shown volts(Joint one, Joint other) {
    Optional<String> trouble = trouble();
    if (trouble.isPresent()) {
      return Reckoned.nothing(power, trouble.get(), one, other);
    }
    if (red == black) {
      return Reckoned.volts(power, 0, 0, 0, List.of("one net: " + network.name(red)), one, other);
    }
    Optional<OperatingPoint.Solved> usual = solve(0, Meter.METER_OHM, Corner.USUAL, null, 1, 0);
    if (usual.isEmpty()) {
      return Reckoned.nothing(power, "no volts come to rest between these places", one, other);
    }
    double at = voltsOf(usual.get());
    double low = at;
    double high = at;
    boolean lit = ways.stream().anyMatch(edge -> edge.kind() == Edge.Kind.LAMP);
    int[] leaks = power == Power.POWERED ? new int[] {0, 1, -1} : new int[] {0};
    for (Corner corner : Corner.all(lit)) {
      if (corner.leak()) {
        continue;
      }
      for (int leak : leaks) {
        double value =
            solve(0, Meter.METER_OHM, corner, null, 1, leak).map(this::voltsOf).orElse(at);
        low = Math.min(low, value);
        high = Math.max(high, value);
      }
    }
    double off = 0;
    for (Edge edge : ways) {
      double share = tolerance(edge);
      if (share > 0) {
        off +=
            Math.abs(
                solve(0, Meter.METER_OHM, Corner.USUAL, edge, 1 + share, 0)
                        .map(this::voltsOf)
                        .orElse(at)
                    - at);
      }
    }
    return Reckoned.volts(power, at, low - off, high + off, words(usual), one, other);
  }

  private static double tolerance(Edge edge) {
    return switch (edge.kind()) {
      case RESISTOR -> Math.max(0.01, ((Component.Resistor) edge.part()).tolerance());
      case POT_LOW, POT_HIGH -> Reckoned.TRACK_WITHIN;
      default -> 0;
    };
  }

  // ---- ohms

  Shown ohms(Joint one, Joint other) {
    if (red == black) {
      return Reckoned.ohms(
          power,
          0,
          0,
          0,
          OptionalDouble.of(0),
          List.of("one net: " + network.name(red)),
          one,
          other);
    }
    double usual = ohm(null, 1);
    OptionalDouble drop = drop();
    if (usual > Meter.MOST_OHM) {
      return Reckoned.open(power, drop, List.of(), one, other);
    }
    double off = 0;
    int contacts = 0;
    for (Edge edge : ways) {
      double share = tolerance(edge);
      off += share > 0 ? Math.abs(ohm(edge, 1 + share) - usual) : 0;
      contacts +=
          switch (edge.kind()) {
            case OPEN_CONTACT, RESTING_CONTACT, TAP -> 1;
            default -> 0;
          };
    }
    return Reckoned.ohms(
        power,
        usual,
        off,
        contacts,
        drop,
        words(solve(Meter.TEST_VOLTS, Meter.TEST_OHM, Corner.USUAL, null, 1, 0)),
        one,
        other);
  }

  private double ohm(@Nullable Edge stretched, double share) {
    Optional<OperatingPoint.Solved> solved =
        solve(Meter.TEST_VOLTS, Meter.TEST_OHM, Corner.USUAL, stretched, share, 0);
    if (solved.isEmpty()) {
      return Double.POSITIVE_INFINITY;
    }
    double amps = between(solved.get());
    return amps <= 0
        ? Double.POSITIVE_INFINITY
        : Math.max(0, Meter.TEST_VOLTS / amps - Meter.TEST_OHM);
  }

  private OptionalDouble drop() {
    return solve(Meter.DIODE_VOLTS, Meter.DIODE_OHM, Corner.USUAL, null, 1, 0)
        .map(solved -> Meter.DIODE_VOLTS - between(solved) * Meter.DIODE_OHM)
        .filter(volts -> volts < Meter.DIODE_MOST_VOLTS)
        .map(OptionalDouble::of)
        .orElse(OptionalDouble.empty());
  }

  /** What carries current, of all that hangs there. */
  private List<String> words(Optional<OperatingPoint.Solved> solved) {
    List<String> words = new ArrayList<>();
    double least = solved.map(s -> Math.abs(between(s)) * Meter.NOTHING).orElse(0.0);
    for (Edge edge : ways) {
      String name = names.get(edge);
      boolean idle =
          solved.isPresent()
              && name != null
              && Math.abs(solved.get().amps().getOrDefault(name, 0.0)) <= least;
      if (idle) {
        continue;
      }
      Sketch.Branch branch = Branches.of(network, edge, now, true);
      words.add(
          (branch.name() + " " + branch.words()).strip()
              + ", "
              + branch.from()
              + " to "
              + branch.to());
    }
    return words;
  }
}
