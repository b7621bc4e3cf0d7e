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
import kumite.build.bringup.Held;
import kumite.build.bringup.Power;
import kumite.component.Component;
import kumite.kind.Terminal;
import kumite.loom.Looks;
import kumite.name.Joint;
import kumite.wiring.Net;
import kumite.wiring.Place;
import kumite.wiring.Wiring;
import org.jspecify.annotations.Nullable;

/**
 * What a meter shows between any two places of a wiring, solved from the wires as they are. The
 * meter is a real one; its figures are common practice without a source: {@value #METER_OHM} ohm on
 * volts, a beep below {@value #BEEP_OHM} ohm, {@value #TEST_VOLTS} V and less on ohms, so that
 * junctions stay closed, and {@value #DIODE_VOLTS} V of at most 1 mA on the diode range.
 *
 * <pre>{@code
 * Meter meter = Meter.of(wiring, looks, new Solves());
 * meter.shows(Joint.parse("horn:NO"), Joint.board("GND"), Power.UNPOWERED, Held.NONE).beeps();
 * }</pre>
 */
public final class Meter {
  /** On volts, between its probes. */
  public static final double METER_OHM = 10e6;

  /** It beeps below. */
  public static final double BEEP_OHM = 50;

  /** Above, it shows that nothing carries current. */
  public static final double MOST_OHM = 20e6;

  static final double TEST_VOLTS = 0.3;
  static final double TEST_OHM = 1000;
  static final double DIODE_VOLTS = 3;
  static final double DIODE_OHM = 3000;

  /** Of the meter's own current less than this share is none: our choice. */
  private static final double NOTHING = 1e-4;

  /** The most that a diode range shows. */
  static final double DIODE_MOST_VOLTS = 2.6;

  private final Wiring wiring;
  private final Looks looks;
  private final Solves solves;
  private @Nullable Network on;
  private @Nullable Network off;

  private Meter(Wiring wiring, Looks looks, Solves solves) {
    this.wiring = wiring;
    this.looks = looks;
    this.solves = solves;
  }

  /**
   * {@return a meter for a wiring}
   *
   * @param looks how the board's program uses its terminals
   */
  public static Meter of(Wiring wiring, Looks looks, Solves solves) {
    return new Meter(wiring, looks, solves);
  }

  /** {@return a meter for a wiring that was solved} */
  public static Meter of(Inputs inputs) {
    Meter meter = new Meter(inputs.wiring(), inputs.looks(), inputs.network().solves());
    meter.on = inputs.network();
    return meter;
  }

  /** {@return whether a place is part of the wiring} */
  public boolean has(Joint place) {
    return wiring.nets().of(place).isPresent();
  }

  /** {@return the wiring} */
  public Wiring wiring() {
    return wiring;
  }

  private synchronized Network network(Power power) {
    if (power == Power.ABSENT) {
      Network there = off;
      if (there == null) {
        there = new Network(wiring.boardsOff(), looks, solves, true);
        off = there;
      }
      return there;
    }
    Network there = on;
    if (there == null) {
      there = new Network(wiring, looks, solves);
      on = there;
    }
    return there;
  }

  /**
   * {@return what it shows}
   *
   * @param red where the red probe is
   * @param black where the black one is
   * @throws IllegalArgumentException if the wiring has no such place
   */
  public Shown shows(Joint red, Joint black, Power power, Held held) {
    Network network = network(power);
    for (Joint place : List.of(red, black)) {
      if (!network.has(place)) {
        throw new IllegalArgumentException("there is no place " + place + " in the wiring");
      }
    }
    ToDoubleFunction<kumite.name.ContactId> hands =
        contact -> held.at(contact, network.rest(contact));
    Setting setting = new Setting(network, power, hands, network.net(red), network.net(black));
    return power.live() ? setting.volts(red, black) : setting.ohms(red, black);
  }

  /**
   * {@return the volts with all parts at their usual value; empty where nothing can be said}
   *
   * @param power one that is live
   */
  public OptionalDouble usual(Joint red, Joint black, Power power, Held held) {
    Network network = network(power);
    ToDoubleFunction<kumite.name.ContactId> hands =
        contact -> held.at(contact, network.rest(contact));
    return new Setting(network, power, hands, network.net(red), network.net(black)).usual();
  }

  /** One reading: the network in one state, and the nets of both probes. */
  private static final class Setting {
    private final Network network;
    private final Power power;
    private final Conditions now;
    private final ToDoubleFunction<kumite.name.ContactId> hands;
    private final int red;
    private final int black;
    private final boolean[] fed;
    private final List<Edge> ways = new ArrayList<>();
    private final Map<Edge, String> names = new HashMap<>();

    Setting(
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
      return between(solved) * METER_OHM;
    }

    // ---- volts

    private Optional<String> trouble() {
      if (power != Power.POWERED) {
        return Optional.empty();
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
          : solve(0, METER_OHM, Corner.USUAL, null, 1, 0)
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
      Optional<OperatingPoint.Solved> usual = solve(0, METER_OHM, Corner.USUAL, null, 1, 0);
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
          double value = solve(0, METER_OHM, corner, null, 1, leak).map(this::voltsOf).orElse(at);
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
                  solve(0, METER_OHM, Corner.USUAL, edge, 1 + share, 0)
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
      if (usual > MOST_OHM) {
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
          words(solve(TEST_VOLTS, TEST_OHM, Corner.USUAL, null, 1, 0)),
          one,
          other);
    }

    private double ohm(@Nullable Edge stretched, double share) {
      Optional<OperatingPoint.Solved> solved =
          solve(TEST_VOLTS, TEST_OHM, Corner.USUAL, stretched, share, 0);
      if (solved.isEmpty()) {
        return Double.POSITIVE_INFINITY;
      }
      double amps = between(solved.get());
      return amps <= 0 ? Double.POSITIVE_INFINITY : Math.max(0, TEST_VOLTS / amps - TEST_OHM);
    }

    private OptionalDouble drop() {
      return solve(DIODE_VOLTS, DIODE_OHM, Corner.USUAL, null, 1, 0)
          .map(solved -> DIODE_VOLTS - between(solved) * DIODE_OHM)
          .filter(volts -> volts < DIODE_MOST_VOLTS)
          .map(OptionalDouble::of)
          .orElse(OptionalDouble.empty());
    }

    /** What carries current, of all that hangs there. */
    private List<String> words(Optional<OperatingPoint.Solved> solved) {
      List<String> words = new ArrayList<>();
      double least = solved.map(s -> Math.abs(between(s)) * NOTHING).orElse(0.0);
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

  /** {@return the net that a place is on} */
  public Net net(Joint place) {
    return wiring.nets().of(place).orElseThrow();
  }
}
