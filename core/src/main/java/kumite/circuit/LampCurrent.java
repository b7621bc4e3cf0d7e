package kumite.circuit;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;
import kumite.component.Component;
import kumite.loom.Look;
import kumite.name.ContactId;

/**
 * The current through one lamp, solved.
 *
 * @param light the lamp
 * @param restMilliamps while nobody presses
 * @param heldMilliamps while its own control is held; on a matrix the mean over all rows' turns
 * @param worstMilliamps the larger of both with the supply high and the lamp low
 */
public record LampCurrent(
    Component.Light light, double restMilliamps, double heldMilliamps, double worstMilliamps) {
  /** The supply high, lamps at the low end of their volts, terminals that drive at their best. */
  static final Corner BRIGHT = new Corner(0.5, 0.05, -0.2, false, true);

  static LampCurrent of(Network network, Component.Light light) {
    ToDoubleFunction<ContactId> held =
        contact -> contact.control().equals(light.control()) ? 1 : network.rest(contact);
    Optional<Look> look =
        network.looks().all().stream()
            .filter(l -> l.contact().filter(c -> c.control().equals(light.control())).isPresent())
            .findFirst();
    double worst = 0;
    double[] usual = new double[2];
    for (int i = 0; i < 2; i++) {
      ToDoubleFunction<ContactId> hands = i == 0 ? network::rest : held;
      Conditions now =
          look.map(l -> new Scan(network, hands).during(l)).orElse(Conditions.of(hands));
      now = driven(network, light, now, i == 1);
      double share = i == 0 ? 1 : look.map(l -> share(network, l)).orElse(1.0);
      usual[i] = share * milliamps(network, light, now, Corner.USUAL);
      worst = Math.max(worst, milliamps(network, light, now, BRIGHT));
    }
    return new LampCurrent(light, usual[0], usual[1], worst);
  }

  /** A terminal that drives it follows its contacts. */
  private static Conditions driven(
      Network network, Component.Light light, Conditions before, boolean held) {
    Conditions now = before;
    for (var lamp : network.looks().lamps().entrySet()) {
      if (lamp.getValue().stream().anyMatch(c -> c.control().equals(light.control()))) {
        now = now.driving(lamp.getKey(), held);
      }
    }
    return now;
  }

  /** A lamp on a contact of a matrix is lit only while its row has its turn. */
  private static double share(Network network, Look look) {
    if (!(look.how() instanceof Look.Row)) {
      return 1;
    }
    long rows =
        network.looks().all().stream()
            .map(Look::how)
            .filter(Look.Row.class::isInstance)
            .distinct()
            .count();
    return 1.0 / rows;
  }

  /** {@return the current when it is lit at its brightest, with usual values} */
  public double litMilliamps() {
    return Math.max(restMilliamps, heldMilliamps);
  }

  private static double milliamps(
      Network network, Component.Light light, Conditions now, Corner corner) {
    int anode = network.net(light.anode());
    int cathode = network.net(light.cathode());
    if (network.dead().isPresent() || anode == cathode) {
      return 0;
    }
    if (network.rail(anode) && network.rail(cathode)) {
      return bare(
          network,
          light,
          network.railVolts(anode, corner) - network.railVolts(cathode, corner),
          corner);
    }
    Island island =
        Island.at(
            network,
            network.rail(anode) ? cathode : anode,
            now,
            corner,
            OptionalDouble.empty(),
            Edge.GROUND);
    return Math.max(0, island.amps(light).orElse(0) * 1000);
  }

  /** Straight across a supply. */
  static double bare(Network network, Component.Light light, double volts, Corner corner) {
    if (volts <= 0) {
      return 0;
    }
    Element.Model model = Island.model(light.lamp(), corner);
    Circuit circuit =
        new Circuit(
            List.of(
                new Element.Source("1", "s", Circuit.GROUND, volts),
                new Element.Diode("1", "s", Circuit.GROUND, model)));
    return network.solves().of(circuit) instanceof OperatingPoint.Solved solved
        ? solved.through("D1") * 1000
        : 0;
  }
}
