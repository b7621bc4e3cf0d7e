package kumite.wiring;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import kumite.build.Build;
import kumite.kind.BoardKind;
import kumite.kind.Landing;
import kumite.loom.ContactSite;
import kumite.loom.Loom;
import kumite.loom.Strand;
import kumite.name.Joint;
import kumite.name.Jumper;

/** Holds the wiring as it is against the rules of any wiring, and against the plan. */
public final class NetFaults {
  /** A terminal bears this much above its logic supply: common practice, no source. */
  private static final double OVER_SUPPLY_V = 0.3;

  private final Build build;
  private final BoardKind board;
  private final Loom loom;
  private final Nets nets;
  private final Nets plan;
  private final Wiring planned;
  private final Set<Jumper> added;
  private final Set<Jumper> leftOut;
  private final Set<String> parts = new HashSet<>();
  private final List<NetFault> faults = new ArrayList<>();
  private final Set<Joint> told = new HashSet<>();

  private NetFaults(Build build, Loom loom, Wiring asBuilt, Wiring planned) {
    this.build = build;
    this.board = asBuilt.board();
    this.loom = loom;
    this.nets = asBuilt.nets();
    this.plan = planned.nets();
    this.planned = planned;
    this.added = new LinkedHashSet<>(build.loom().added());
    this.added.removeAll(planned.wires().keySet());
    this.leftOut = build.loom().leftOut();
    plan.places().keySet().forEach(joint -> parts.add(joint.part()));
  }

  /** {@return all faults, the most dangerous first; empty where all is sound} */
  public static List<NetFault> of(Build build, Loom loom, Wiring asBuilt, Wiring planned) {
    NetFaults check = new NetFaults(build, loom, asBuilt, planned);
    for (Net net : check.nets.joined()) {
      check.power(net);
      check.signals(net);
      check.serial(net);
    }
    check.wrongRails();
    check.misplaced();
    check.grounds();
    check.open();
    check.byHand();
    check.crowded();
    check.faults.sort(Comparator.comparing(NetFault::kind));
    return check.faults;
  }

  // ---- rules of any wiring

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

  // ---- against the plan

  /** An end that the plan has on one rail and the wires on another. */
  private void wrongRails() {
    if (added.isEmpty()) {
      return;
    }
    for (Joint joint : plan.places().keySet()) {
      Net wanted = plan.of(joint).orElseThrow();
      Net is = nets.of(joint).orElse(wanted);
      boolean own = joint.part().equals(Joint.BOARD);
      if (own || !wanted.rail() || !is.rail() || sameRail(wanted, is)) {
        continue;
      }
      Joint rail = railOf(is);
      Joint right = railOf(wanted);
      // Where both rails are one net, that short is the fault.
      if (!nets.joined(rail, right) && told.add(joint)) {
        Set<Jumper> restored = new LinkedHashSet<>(missing(joint, right));
        leftOut.stream()
            .filter(w -> w.a().equals(joint) || w.b().equals(joint))
            .forEach(restored::add);
        faults.add(
            new NetFault(
                NetFault.Kind.WRONG_RAIL,
                List.of(joint, rail, right),
                between(joint, rail),
                List.copyOf(restored),
                List.of()));
      }
    }
  }

  private static boolean sameRail(Net one, Net other) {
    return railOf(one).equals(railOf(other))
        || one.grounded() && other.grounded()
        || one.places().stream()
            .anyMatch(p -> p.role() != Place.Role.PASSIVE && other.holds(p.joint()));
  }

  private static Joint railOf(Net net) {
    return net.places().stream()
        .filter(p -> p.gives() || p.zero())
        .findFirst()
        .orElseThrow()
        .joint();
  }

  /** A tab whose wire goes to another terminal than the plan's. */
  private void misplaced() {
    if (added.isEmpty() || leftOut.isEmpty()) {
      return;
    }
    for (Strand strand : loom.strands()) {
      Joint tab = strand.from().place();
      Joint wanted = strand.to().place();
      if (strand.contact().isEmpty() || nets.joined(tab, wanted)) {
        continue;
      }
      Optional<Place> is =
          nets.of(tab).stream()
              .flatMap(net -> net.places().stream())
              .filter(p -> p.role() == Place.Role.INPUT || p.role() == Place.Role.DRIVE)
              .findFirst();
      if (is.isPresent() && wanted.part().equals(Joint.BOARD)) {
        told.add(tab);
        Set<Jumper> remove = new LinkedHashSet<>(between(tab, is.get().joint()));
        Set<Jumper> restore = new LinkedHashSet<>(missing(tab, wanted));
        // The wire that should be at that terminal comes back with it.
        loom.strands().stream()
            .filter(s -> s.to().place().equals(is.get().joint()))
            .map(Strand::wire)
            .filter(leftOut::contains)
            .forEach(restore::add);
        added.stream()
            .filter(w -> w.a().equals(wanted) || w.b().equals(wanted))
            .forEach(remove::add);
        faults.add(
            new NetFault(
                NetFault.Kind.MISPLACED,
                List.of(tab, is.get().joint(), wanted),
                List.copyOf(remove),
                List.copyOf(restore),
                List.of()));
      }
    }
  }

  /** Places that the plan, or their name, has on ground, and which the board's does not reach. */
  private void grounds() {
    Optional<Joint> main =
        plan.all().stream().filter(Net::grounded).findFirst().map(NetFaults::railOf);
    if (main.isEmpty()) {
      return;
    }
    Set<Net> pieces = new HashSet<>();
    Map<String, Joint> devices = new TreeMap<>();
    for (Joint joint : nets.places().keySet()) {
      boolean known = parts.contains(joint.part());
      boolean wants =
          known ? plan.of(joint).filter(Net::grounded).isPresent() : namesGround(joint.tab());
      Net net = nets.of(joint).orElseThrow();
      if (!known && !wants) {
        devices.putIfAbsent(joint.part(), joint);
      }
      if (!wants || net.grounded() || told.contains(joint) || !pieces.add(net)) {
        continue;
      }
      if (known) {
        faults.add(ground(NetFault.Kind.UNJOINED_GROUND, joint, main.get()));
        told.addAll(net.places().stream().map(Place::joint).toList());
      } else {
        faults.add(ground(NetFault.Kind.NO_SHARED_GROUND, joint, main.get()));
        devices.put(joint.part(), joint);
        told.add(joint);
      }
    }
    for (String device : devices.keySet()) {
      boolean named =
          nets.places().keySet().stream()
              .anyMatch(j -> j.part().equals(device) && namesGround(j.tab()));
      boolean reached =
          nets.places().keySet().stream()
              .filter(j -> j.part().equals(device))
              .anyMatch(j -> nets.of(j).filter(Net::grounded).isPresent());
      if (!named && !reached) {
        Joint ground = new Joint(device, "GND");
        faults.add(
            new NetFault(
                NetFault.Kind.NO_SHARED_GROUND,
                List.of(ground, main.get()),
                List.of(),
                List.of(),
                List.of(new Jumper(ground, main.get()))));
      }
    }
  }

  private NetFault ground(NetFault.Kind kind, Joint joint, Joint main) {
    List<Jumper> restore = missing(joint, main);
    return new NetFault(
        kind,
        List.of(joint, main),
        List.of(),
        restore,
        restore.isEmpty() ? List.of(new Jumper(joint, main)) : List.of());
  }

  /** {@return whether a tab's name says ground: GND, 0V, VSS, common ground and the like} */
  static boolean namesGround(String tab) {
    return tab.toUpperCase(Locale.ROOT)
        .replaceAll("[.\\d]+$", "")
        .matches("GND|AGND|DGND|PGND|GROUND|VSS|0V|-|MASS|EARTH");
  }

  /** Wires left out whose two ends nothing else joins. */
  private void open() {
    for (Jumper wire : leftOut) {
      if (!planned.wires().containsKey(wire)) {
        faults.add(
            new NetFault(
                NetFault.Kind.NOT_IN_PLAN,
                List.of(wire.a(), wire.b()),
                List.of(),
                List.of(wire),
                List.of()));
        continue;
      }
      boolean known =
          told.contains(wire.a()) || told.contains(wire.b()) || nets.joined(wire.a(), wire.b());
      if (!known) {
        Joint tab = wire.a().part().equals(Joint.BOARD) ? wire.b() : wire.a();
        Joint far = tab.equals(wire.a()) ? wire.b() : wire.a();
        faults.add(
            new NetFault(
                NetFault.Kind.NOT_REACHED, List.of(tab, far), List.of(), List.of(wire), List.of()));
      }
    }
  }

  /** Wires put in by hand to tabs that a known part does not have, or to parts nobody knows. */
  private void byHand() {
    Set<String> strangers = new TreeSet<>();
    for (Jumper wire : added) {
      for (Joint joint : List.of(wire.a(), wire.b())) {
        if (!parts.contains(joint.part())) {
          if (strangers.add(joint.part())) {
            faults.add(
                new NetFault(
                    NetFault.Kind.UNKNOWN_PART, List.of(joint), List.of(), List.of(), List.of()));
          }
        } else if (!plan.places().containsKey(joint)) {
          faults.add(
              new NetFault(
                  NetFault.Kind.NO_SUCH_PLACE,
                  List.of(joint),
                  List.of(wire),
                  List.of(),
                  List.of()));
        }
      }
    }
  }

  // ---- how many wires an end takes

  private void crowded() {
    if (added.isEmpty()) {
      return; // the plan gives no end more than it takes
    }
    Map<Joint, Landing> landings = landings();
    Map<Joint, List<Jumper>> at = new LinkedHashMap<>();
    for (Jumper wire : nets.wiring().wires().keySet()) {
      at.computeIfAbsent(wire.a(), j -> new ArrayList<>()).add(wire);
      at.computeIfAbsent(wire.b(), j -> new ArrayList<>()).add(wire);
    }
    at.forEach(
        (joint, wires) -> {
          Optional<Landing> landing = Optional.ofNullable(landings.get(joint));
          int takes = landing.map(l -> l.takes(gauge())).orElse(Integer.MAX_VALUE);
          Optional<Jumper> last =
              wires.stream().filter(added::contains).reduce((one, other) -> other);
          if (wires.size() > takes && last.isPresent()) {
            faults.add(
                new NetFault(
                    NetFault.Kind.CROWDED,
                    List.of(joint),
                    List.of(last.get()),
                    List.of(),
                    List.of()));
          }
        });
  }

  private int gauge() {
    return build.loom().laying().gaugeAwg();
  }

  private Map<Joint, Landing> landings() {
    Map<Joint, Landing> landings = new HashMap<>();
    boolean soldered = build.board().filter(choice -> choice.soldered(board)).isPresent();
    Landing.How terminal = soldered ? Landing.How.HOLE : Landing.How.HEADER_PIN;
    board.terminals().forEach(t -> landings.put(Joint.board(t.name()), Landing.of(terminal)));
    for (ContactSite site : loom.sites()) {
      Landing tab = Landing.tab(site.kind().tabMm());
      for (Joint joint : plan.places().keySet()) {
        if (joint.part().equals(site.control().id().text())) {
          landings.put(joint, tab);
        }
      }
    }
    for (Strand strand : loom.strands()) {
      landings.put(strand.from().place(), strand.from().landing());
      landings.put(strand.to().place(), strand.to().landing());
    }
    return landings;
  }

  // ---- ways between places

  private void tell(NetFault.Kind kind, List<Jumper> remove, Joint one, Joint other) {
    faults.add(new NetFault(kind, List.of(one, other), remove, List.of(), List.of()));
  }

  /** {@return the first wire put in by hand on the shortest way between two places} */
  private List<Jumper> between(Joint a, Joint b) {
    return nets.way(a, b).stream().filter(added::contains).limit(1).toList();
  }

  /** {@return the wires left out on the way that the plan has between two places} */
  private List<Jumper> missing(Joint a, Joint b) {
    return plan.way(a, b).stream().filter(leftOut::contains).toList();
  }
}
