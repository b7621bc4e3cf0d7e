package kumite.wiring;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import kumite.build.Build;
import kumite.component.Component;
import kumite.loom.Loom;
import kumite.loom.Strand;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.name.Jumper;

/** Holds the wiring as it is against the rules of any wiring, and against the plan. */
public final class NetFaults {
  private final Build build;
  private final Loom loom;
  private final Nets nets;
  private final Nets plan;
  private final Wiring planned;
  private final Set<Jumper> added;
  private final Removable removable;
  private final Set<Jumper> leftOut;
  private final Set<String> parts = new HashSet<>();
  private final List<NetFault> faults = new ArrayList<>();
  private final Set<Joint> told = new HashSet<>();

  private NetFaults(Build build, Loom loom, Wiring asBuilt, Wiring planned) {
    this.build = build;
    this.loom = loom;
    this.nets = asBuilt.nets();
    this.plan = planned.nets();
    this.planned = planned;
    this.added = new LinkedHashSet<>(build.loom().added());
    this.added.removeAll(planned.wires().keySet());
    this.removable = Removable.of(added, asBuilt);
    this.leftOut = build.loom().leftOut();
    plan.places().keySet().forEach(joint -> parts.add(joint.part()));
  }

  /**
   * What is wrong with the wires about a board.
   *
   * @param here what this seat tells, the most dangerous first
   * @param elsewhere whether another seat tells of something on its nets
   */
  public record Found(List<NetFault> here, boolean elsewhere) {
    /** {@return whether nothing is wrong, whoever would tell it} */
    public boolean sound() {
      return here.isEmpty() && !elsewhere;
    }
  }

  /** {@return all faults; none where all is sound} */
  public static Found of(Build build, Loom loom, Wiring asBuilt, Wiring planned) {
    return of(build, loom, asBuilt, planned, true);
  }

  /**
   * {@return all faults, those too that another one already tells of the same place}
   *
   * <p>They come out one after the other as a build is mended.
   */
  public static List<NetFault> unmasked(Build build, Loom loom, Wiring asBuilt, Wiring planned) {
    return of(build, loom, asBuilt, planned, false).here();
  }

  private boolean tells(Neighbourhood.Whose whose, NetFault fault) {
    // What this seat's own list leaves out nobody else tells of.
    boolean ownList =
        switch (fault.kind()) {
          case NOT_REACHED, NOT_IN_PLAN -> true;
          default -> false;
        };
    if (ownList) {
      return true;
    }
    boolean alike =
        switch (fault.kind()) {
          case SUPPLY_ON_GROUND, SUPPLIES_JOINED, DRIVERS_JOINED, SERIAL_NOT_CROSSED -> true;
          default -> false;
        };
    Joint one = fault.at().get(0);
    Joint other = fault.at().size() > 1 ? fault.at().get(1) : one;
    return Neighbourhood.tells(whose, nets, one, other, !alike);
  }

  /**
   * {@return whether a short is told at the seat that is looked at}
   *
   * @param contacts that have a part in it when they are moved; the first of them tells its seat
   * @param victim whether something is done to the first place
   */
  public static boolean toldHere(
      Build build, Wiring wiring, Joint one, Joint other, Set<ContactId> contacts, boolean victim) {
    if (wiring.neighbours().isEmpty()) {
      return true;
    }
    Neighbourhood.Whose whose = new Neighbourhood.Whose(build, wiring);
    return contacts.isEmpty()
        ? Neighbourhood.tells(whose, wiring.nets(), one, other, victim)
        : whose.tells(List.of(new Joint(new TreeSet<>(contacts).first().control().text(), "any")));
  }

  /**
   * {@return whether wires alone short a supply, drive against each other, or bring more volts than
   * something bears}
   */
  public static boolean endangers(Wiring wiring) {
    return NetRules.of(wiring, Removable.of(Set.of(), wiring)).stream()
        .anyMatch(fault -> fault.kind().compareTo(NetFault.Kind.DRIVERS_JOINED) <= 0);
  }

  private void next(boolean masks) {
    if (!masks) {
      told.clear();
    }
  }

  private static Found of(Build build, Loom loom, Wiring asBuilt, Wiring planned, boolean masks) {
    NetFaults check = new NetFaults(build, loom, asBuilt, planned);
    check.faults.addAll(NetRules.of(asBuilt, check.removable));
    check.faults.addAll(LandingRules.of(build, asBuilt, check.removable));
    check.wrongRails();
    check.next(masks);
    check.misplaced();
    check.next(masks);
    check.bypassed(masks);
    check.grounds();
    check.next(masks);
    check.open();
    check.byHand();
    check.faults.addAll(Crowding.of(build, loom, check.nets, check.plan, check.removable));
    check.unplanned();
    boolean elsewhere = false;
    if (!asBuilt.neighbours().isEmpty()) {
      Neighbourhood.Whose whose = new Neighbourhood.Whose(build, asBuilt);
      elsewhere = check.faults.removeIf(fault -> !check.tells(whose, fault));
    }
    check.faults.sort(Comparator.comparing(NetFault::kind));
    return new Found(check.faults, elsewhere);
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

  /** Diodes and resistors that a wire by hand leads round. */
  private void bypassed(boolean masks) {
    if (added.isEmpty()) {
      return;
    }
    for (Component part : planned.ownParts()) {
      if (!(part instanceof Component.Diode || part instanceof Component.Resistor)) {
        continue;
      }
      Joint one = part.ends().get(0);
      Joint other = part.ends().get(1);
      if (nets.joined(one, other) && !plan.joined(one, other) && !(masks && tied(one))) {
        // The lead that is the part's own comes first: the part is called by it.
        boolean own = parts.contains(one.part()) && one.tab().matches("(.*\\.)?(R|D|PULL)");
        faults.add(
            new NetFault(
                NetFault.Kind.BYPASSED,
                own ? List.of(one, other) : List.of(other, one),
                between(one, other),
                List.of(),
                List.of()));
      }
    }
  }

  /**
   * {@return whether it is told of a line there that a rail is on it, round all that hangs on it}
   */
  private boolean tied(Joint joint) {
    return faults.stream()
        .anyMatch(
            fault ->
                fault.kind() == NetFault.Kind.INPUT_STUCK && nets.joined(fault.at().get(0), joint));
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

  /** The rest: wires by hand between two nets of the plan, which no fault would take out. */
  private void unplanned() {
    Set<Jumper> known = new HashSet<>();
    faults.stream()
        .filter(fault -> fault.kind() != NetFault.Kind.CROWDED)
        .forEach(fault -> known.addAll(fault.remove()));
    for (Jumper wire : added) {
      boolean planned = plan.of(wire.a()).isPresent() && plan.of(wire.b()).isPresent();
      if (planned && !plan.joined(wire.a(), wire.b()) && !known.contains(wire)) {
        faults.add(
            new NetFault(
                NetFault.Kind.UNPLANNED,
                List.of(wire.a(), wire.b()),
                List.of(wire),
                List.of(),
                List.of()));
      }
    }
  }

  // ---- ways between places

  /** {@return the first wire that can be taken out on the shortest way between two places} */
  private List<Jumper> between(Joint a, Joint b) {
    return removable.between(nets, a, b);
  }

  /** {@return the wires left out on the way that the plan has between two places} */
  private List<Jumper> missing(Joint a, Joint b) {
    return plan.way(a, b).stream().filter(leftOut::contains).toList();
  }
}
