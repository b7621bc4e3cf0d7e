package kumite.wiring;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import kumite.name.Joint;
import kumite.name.Jumper;

/** The rules of any wiring, whatever was planned: no shorts, no bridges, no two drivers. */
final class NetRules {
  /** A terminal bears this much above its logic supply: common practice, no source. */
  private static final double OVER_SUPPLY_V = 0.3;

  private final Nets nets;
  private final Removable removable;
  private final List<NetFault> faults = new ArrayList<>();

  private NetRules(Wiring wiring, Removable removable) {
    this.nets = wiring.nets();
    this.removable = removable;
  }

  /** {@return the faults of a wiring, with the wires that make them and can be taken out} */
  static List<NetFault> of(Wiring wiring, Removable removable) {
    NetRules rules = new NetRules(wiring, removable);
    for (Net net : rules.nets.joined()) {
      rules.power(net);
      rules.volts(net);
      rules.inputs(net);
      rules.drivers(net);
      rules.serial(net);
    }
    return rules.faults;
  }

  private void power(Net net) {
    Optional<Place> source = net.source();
    if (source.isEmpty()) {
      return;
    }
    Joint supply = source.get().joint();
    first(net, Place::zero)
        .ifPresent(ground -> tell(NetFault.Kind.SUPPLY_ON_GROUND, supply, ground));
    Set<Double> told = new HashSet<>(Set.of(source.get().volts()));
    for (Place other : net.places()) {
      if (other.gives() && told.add(other.volts())) {
        tell(NetFault.Kind.SUPPLIES_JOINED, supply, other.joint());
      }
    }
  }

  /** Whatever takes less than something else on its net gives. */
  private void volts(Net net) {
    Optional<Place> most =
        net.places().stream()
            .filter(p -> p.gives() || p.drives() || p.role() == Place.Role.SHARES)
            .max(
                Comparator.comparingDouble(Place::volts)
                    .thenComparing(p -> p.gives())
                    .thenComparing(Place::own));
    if (most.isEmpty()) {
      return;
    }
    for (Place place : net.places()) {
      boolean over =
          place.bearsVolts() > 0
              && most.get().volts() > place.bearsVolts() + OVER_SUPPLY_V
              && !place.joint().part().equals(most.get().joint().part());
      boolean own =
          place.bearsVolts() > 0
              && most.get().gives()
              && most.get().volts() > place.bearsVolts() + OVER_SUPPLY_V;
      if (over || own) {
        tell(NetFault.Kind.TOO_MANY_VOLTS, place.joint(), most.get().joint());
      } else if (stuck(place) && net.source().isPresent()) {
        tell(NetFault.Kind.INPUT_STUCK, place.joint(), net.source().get().joint());
      }
    }
  }

  /** Whether a rail on its net leaves it nothing to say. */
  private static boolean stuck(Place place) {
    return switch (place.role()) {
      case INPUT, CLOSES, LISTENS, SHARES -> true;
      case GROUND, RETURN, SUPPLY, COMMON, DRIVE, SENDS, FED, PASSIVE -> false;
    };
  }

  private void inputs(Net net) {
    Optional<Joint> ground = first(net, Place::zero);
    if (ground.isPresent()) {
      if (net.source().isEmpty()) {
        net.places().stream()
            .filter(NetRules::stuck)
            .forEach(p -> tell(NetFault.Kind.INPUT_STUCK, p.joint(), ground.get()));
      }
      net.places(Place.Role.FED)
          .forEach(p -> tell(NetFault.Kind.SUPPLY_ON_GROUND, p.joint(), ground.get()));
      return;
    }
    // Inputs of two boards may be joined: a line between them.
    List<Place> inputs = net.places(Place.Role.INPUT);
    for (int i = 1; i < inputs.size(); i++) {
      Joint other = inputs.get(i).joint();
      inputs.subList(0, i).stream()
          .map(Place::joint)
          .filter(one -> one.part().equals(other.part()))
          .findFirst()
          .ifPresent(one -> tell(NetFault.Kind.INPUTS_JOINED, one, other));
    }
    List<Place> closes = net.places(Place.Role.CLOSES);
    for (int i = 1; i < closes.size(); i++) {
      Joint one = closes.get(0).joint();
      Joint other = closes.get(i).joint();
      if (!one.part().equals(other.part())) {
        tell(NetFault.Kind.INPUTS_JOINED, one, other);
      }
    }
  }

  private void drivers(Net net) {
    List<Place> drivers = net.places().stream().filter(Place::drives).toList();
    List<Joint> told = new ArrayList<>();
    for (int i = 1; i < drivers.size(); i++) {
      tell(NetFault.Kind.DRIVERS_JOINED, drivers.get(0).joint(), drivers.get(i).joint());
      told.add(drivers.get(0).joint());
      told.add(drivers.get(i).joint());
    }
    for (Place driver : drivers) {
      Joint one = driver.joint();
      Optional<Joint> against =
          net.source()
              .map(Place::joint)
              .or(() -> first(net, Place::zero))
              .or(
                  () ->
                      first(
                          net,
                          p ->
                              p.role() == Place.Role.INPUT && p.joint().part().equals(one.part())));
      if (against.isPresent() && !told.contains(one)) {
        tell(NetFault.Kind.DRIVERS_JOINED, one, against.get());
      }
    }
    List<Place> shares = net.places(Place.Role.SHARES);
    for (int i = 1; i < shares.size(); i++) {
      tell(NetFault.Kind.DRIVERS_JOINED, shares.get(0).joint(), shares.get(i).joint());
    }
  }

  /** TX goes to RX: two devices whose senders, or receivers, are joined are crossed over. */
  private void serial(Net net) {
    for (String word : List.of("TX", "RX")) {
      List<Joint> same =
          net.places().stream()
              .map(Place::joint)
              .filter(joint -> !Character.isUpperCase(joint.part().charAt(0)))
              .filter(joint -> joint.tab().toUpperCase(Locale.ROOT).startsWith(word))
              .toList();
      Optional<Joint> other =
          same.stream().filter(j -> !j.part().equals(same.get(0).part())).findFirst();
      if (other.isPresent()) {
        Joint one = same.get(0);
        List<Jumper> remove = new ArrayList<>(removable.between(nets, one, other.get()));
        Joint mate = new Joint(one.part(), mate(one.tab()));
        Joint far = new Joint(other.get().part(), mate(other.get().tab()));
        remove.addAll(removable.between(nets, mate, far));
        List<Jumper> join =
            remove.isEmpty()
                ? List.of()
                : List.of(new Jumper(one, far), new Jumper(mate, other.get()));
        faults.add(
            new NetFault(
                NetFault.Kind.SERIAL_NOT_CROSSED,
                List.of(one, other.get()),
                remove,
                List.of(),
                join));
      }
    }
  }

  private static String mate(String tab) {
    return (tab.toUpperCase(Locale.ROOT).startsWith("TX") ? "RX" : "TX") + tab.substring(2);
  }

  /** {@return a place of a net, one of the board looked at before others} */
  private static Optional<Joint> first(Net net, Predicate<Place> is) {
    return net.places().stream()
        .filter(is)
        .min(Comparator.comparing(place -> !place.own()))
        .map(Place::joint);
  }

  private void tell(NetFault.Kind kind, Joint one, Joint other) {
    faults.add(
        new NetFault(
            kind, List.of(one, other), removable.between(nets, one, other), List.of(), List.of()));
  }
}
