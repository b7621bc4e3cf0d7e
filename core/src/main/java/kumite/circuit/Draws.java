package kumite.circuit;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeSet;
import java.util.function.ToDoubleFunction;
import kumite.component.Component;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.wiring.Place;

/**
 * What a board's terminals and its logic supply have to give, solved on the wiring as it is: lamps
 * at their brightest, every contact held or none, whichever takes more.
 *
 * @param terminals by the name of a terminal that drives lamps, what it gives, in mA
 * @param logicMilliamps what the logic supply terminals give to lamps, tracks and pull-ups
 * @param pullMilliamps of that, what pull-ups on carriers take
 */
public record Draws(Map<String, Double> terminals, double logicMilliamps, double pullMilliamps) {
  /** Nothing is taken. */
  public static final Draws NONE = new Draws(Map.of(), 0, 0);

  public Draws {
    terminals = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(terminals));
  }

  /** {@return what all terminals together give, in mA} */
  public double allMilliamps() {
    return terminals.values().stream().mapToDouble(Double::doubleValue).sum();
  }

  static Draws of(Network network) {
    if (network.dead().isPresent()) {
      return NONE;
    }
    Map<String, Double> terminals = new LinkedHashMap<>();
    TreeSet<String> names = new TreeSet<>(network.looks().lamps().keySet());
    names.addAll(network.looks().feeds());
    List<Edge> fromLogic = fromLogic(network);
    if (names.isEmpty() && fromLogic.isEmpty()) {
      return NONE;
    }
    List<Conditions> states = states(network, names);
    for (String name : names) {
      double most = 0;
      for (Conditions now : states) {
        most = Math.max(most, driven(network, name, now));
      }
      terminals.put(name, most);
    }
    double pulls = 0;
    double lit = 0;
    for (Edge edge : fromLogic) {
      double volts = network.board().logicVolts();
      if (edge.kind() == Edge.Kind.RESISTOR) {
        Component.Resistor resistor = (Component.Resistor) edge.part();
        switch (resistor.job()) {
          case PULL_UP, DRIVER, LEAD -> pulls += volts / resistor.ohm() * 1000;
          case RUNG, LAMP -> lit += most(network, edge, states);
        }
      } else if (edge.kind() == Edge.Kind.LAMP) {
        lit += most(network, edge, states);
      } else if (edge.kind() == Edge.Kind.POT_HIGH) {
        lit += volts / ((Component.Pot) edge.part()).ohm() * 1000; // end to end
      }
    }
    return new Draws(terminals, pulls + lit, pulls);
  }

  /** Nobody presses, or everybody does; lamps that terminals drive are lit. */
  private static List<Conditions> states(Network network, TreeSet<String> drivers) {
    List<Conditions> states = new ArrayList<>();
    List<ToDoubleFunction<ContactId>> all = List.of(network::rest, contact -> 1);
    for (ToDoubleFunction<ContactId> hands : all) {
      Conditions now = Conditions.of(hands);
      for (String driver : drivers) {
        now = now.driving(driver, true);
      }
      states.add(now);
    }
    return states;
  }

  private static double driven(Network network, String terminal, Conditions now) {
    int net = network.net(Joint.board(terminal));
    if (network.rail(net)) {
      return 0; // told as a short
    }
    Island island =
        Island.at(network, net, now, LampCurrent.BRIGHT, OptionalDouble.empty(), Edge.GROUND);
    return island.edges().stream()
        .filter(e -> e.kind() == Edge.Kind.DRIVE_HIGH && e.terminal().equals(terminal))
        .findFirst()
        .map(e -> Math.abs(island.amps(e).orElse(0)) * 1000)
        .orElse(0.0);
  }

  /** The ways that lead away from the board's own logic supply terminals. */
  private static List<Edge> fromLogic(Network network) {
    List<Edge> edges = new ArrayList<>();
    for (int net = 0; net < network.size(); net++) {
      boolean logic =
          network.rail(net)
              && network.netAt(net).places().stream()
                  .anyMatch(
                      p ->
                          p.own()
                              && p.role() == Place.Role.SUPPLY
                              && p.volts() == network.board().logicVolts());
      if (logic) {
        edges.addAll(network.edges(net));
      }
    }
    return edges;
  }

  private static double most(Network network, Edge edge, List<Conditions> states) {
    double most = 0;
    int far = network.rail(edge.a()) ? edge.b() : edge.a();
    if (network.rail(far)) {
      double volts =
          Math.abs(
              network.railVolts(edge.a(), LampCurrent.BRIGHT)
                  - network.railVolts(edge.b(), LampCurrent.BRIGHT));
      return edge.part() instanceof Component.Light light
          ? LampCurrent.bare(network, light, volts, LampCurrent.BRIGHT)
          : volts / Math.max(1, network.ohm(edge, states.get(0), LampCurrent.BRIGHT)) * 1000;
    }
    for (Conditions now : states) {
      Island island =
          Island.at(network, far, now, LampCurrent.BRIGHT, OptionalDouble.empty(), Edge.GROUND);
      most = Math.max(most, Math.abs(island.amps(edge).orElse(0)) * 1000);
    }
    return most;
  }
}
