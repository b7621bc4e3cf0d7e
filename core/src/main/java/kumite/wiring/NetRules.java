package kumite.wiring;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import kumite.kind.BoardKind;
import kumite.name.Joint;
import kumite.name.Jumper;

/** The rules of any wiring, whatever was planned: no shorts, no bridges, no two drivers. */
final class NetRules {
  /** A terminal bears this much above its logic supply: common practice, no source. */
  private static final double OVER_SUPPLY_V = 0.3;

  private final BoardKind board;
  private final Nets nets;
  private final Set<Jumper> added;
  private final List<NetFault> faults = new ArrayList<>();

  private NetRules(Wiring wiring, Set<Jumper> added) {
    this.board = wiring.board();
    this.nets = wiring.nets();
    this.added = added;
  }

  /** {@return the faults of a wiring, with the wires put in by hand that make them} */
  static List<NetFault> of(Wiring wiring, Set<Jumper> added) {
    NetRules rules = new NetRules(wiring, added);
    for (Net net : rules.nets.joined()) {
      rules.power(net);
      rules.signals(net);
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
    if (net.grounded()) {
      Joint ground = net.places().stream().filter(Place::zero).findFirst().orElseThrow().joint();
      tell(NetFault.Kind.SUPPLY_ON_GROUND, between(supply, ground), supply, ground);
    }
    for (Place other : net.places()) {
      if (other.gives() && other.volts() != source.get().volts()) {
        Joint joint = other.joint();
        tell(NetFault.Kind.SUPPLIES_JOINED, between(supply, joint), supply, joint);
        break;
      }
    }
    double volts = net.places().stream().mapToDouble(Place::volts).max().orElse(0);
    boolean over = !board.fiveVoltTolerant() && volts > board.logicVolts() + OVER_SUPPLY_V;
    for (Place input : net.places(Place.Role.INPUT)) {
      // A lamp may be fed by hand from a terminal; only what the plan reads is stuck.
      tell(
          over ? NetFault.Kind.TOO_MANY_VOLTS : NetFault.Kind.INPUT_STUCK,
          between(input.joint(), supply),
          input.joint(),
          supply);
    }
  }

  private void signals(Net net) {
    List<Place> inputs = net.places(Place.Role.INPUT);
    List<Place> drivers = net.places(Place.Role.DRIVE);
    if (net.grounded()) {
      Joint ground =
          net.places().stream()
              .filter(
                  p ->
                      p.role() != Place.Role.INPUT
                          && p.role() != Place.Role.DRIVE
                          && p.role() != Place.Role.PASSIVE)
              .findFirst()
              .orElseThrow()
              .joint();
      for (Place input : inputs) {
        tell(NetFault.Kind.INPUT_STUCK, between(input.joint(), ground), input.joint(), ground);
      }
    } else if (inputs.size() > 1) {
      Joint one = inputs.get(0).joint();
      Joint other = inputs.get(1).joint();
      tell(NetFault.Kind.INPUTS_JOINED, between(one, other), one, other);
    }
    if (drivers.size() > 1 || drivers.size() == 1 && (net.rail() || !inputs.isEmpty())) {
      Joint one = drivers.get(0).joint();
      Joint other =
          drivers.size() > 1
              ? drivers.get(1).joint()
              : net.places().stream()
                  .map(Place::joint)
                  .filter(j -> !j.equals(one))
                  .min(Comparator.comparing(j -> nets.places().get(j).role()))
                  .orElseThrow();
      tell(NetFault.Kind.DRIVERS_JOINED, between(one, other), one, other);
    }
  }

  /** TX goes to RX: two devices whose senders, or receivers, are joined are crossed over. */
  private void serial(Net net) {
    for (String word : List.of("TX", "RX")) {
      List<Joint> same =
          net.places().stream()
              .map(Place::joint)
              .filter(joint -> joint.tab().toUpperCase(Locale.ROOT).startsWith(word))
              .toList();
      Optional<Joint> other =
          same.stream().filter(j -> !j.part().equals(same.get(0).part())).findFirst();
      if (other.isPresent()) {
        Joint one = same.get(0);
        List<Jumper> remove = new ArrayList<>(between(one, other.get()));
        Joint mate = new Joint(one.part(), mate(one.tab()));
        Joint far = new Joint(other.get().part(), mate(other.get().tab()));
        remove.addAll(between(mate, far));
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

  private void tell(NetFault.Kind kind, List<Jumper> remove, Joint one, Joint other) {
    faults.add(new NetFault(kind, List.of(one, other), remove, List.of(), List.of()));
  }

  /** {@return the first wire put in by hand on the shortest way between two places} */
  private List<Jumper> between(Joint a, Joint b) {
    return nets.way(a, b).stream().filter(added::contains).limit(1).toList();
  }
}
