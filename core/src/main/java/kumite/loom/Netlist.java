package kumite.loom;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Predicate;
import kumite.build.Build;
import kumite.build.loom.Topology;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.kind.ContactKind;
import kumite.kind.Terminal;
import kumite.name.Joint;
import kumite.name.Jumper;
import org.jgrapht.Graph;
import org.jgrapht.GraphPath;
import org.jgrapht.alg.shortestpath.BFSShortestPath;
import org.jgrapht.alg.util.UnionFind;
import org.jgrapht.graph.DefaultEdge;
import org.jgrapht.graph.SimpleGraph;

/**
 * What is joined to what: the strands of the plan, less what was left out, with what was added by
 * hand, gathered into nets by connectivity.
 */
public final class Netlist {
  /** What stands at a place of a net. */
  public enum Role {
    GROUND,
    SUPPLY,
    /** The shared side that a board feeds. */
    COMMON,
    INPUT,
    DRIVE,
    /** A tab, which gives nothing by itself. */
    PASSIVE
  }

  /**
   * One place on a net.
   *
   * @param joint its name
   * @param role what stands there
   * @param volts of a supply; 0 for others
   * @param wantsGround whether its name says that it belongs to ground
   */
  public record Pin(Joint joint, Role role, double volts, boolean wantsGround)
      implements Comparable<Pin> {
    @Override
    public int compareTo(Pin other) {
      return joint.compareTo(other.joint);
    }
  }

  /**
   * Places that are joined.
   *
   * @param name after the strongest of them: ground, a supply, a terminal, else the first place
   * @param pins in order of their names
   * @param strands the wires of the plan that join them, by their labels
   */
  public record Net(String name, List<Pin> pins, List<String> strands) {
    public Net {
      pins = List.copyOf(pins);
      strands = List.copyOf(strands);
    }

    boolean has(Role role) {
      return pins.stream().anyMatch(pin -> pin.role() == role);
    }

    /** {@return the places with that role} */
    public List<Pin> pins(Role role) {
      return pins.stream().filter(pin -> pin.role() == role).toList();
    }

    boolean holds(Joint joint) {
      return pins.stream().anyMatch(pin -> pin.joint().equals(joint));
    }
  }

  private final List<Net> nets;
  private final Map<Joint, Net> byJoint = new HashMap<>();
  private final Map<Joint, Pin> pins;
  private final Set<Jumper> planned;
  private final Set<Jumper> laid;
  private final Set<Jumper> added;
  private final Set<Jumper> leftOut;
  private final Set<Jumper> inside;

  private Netlist(
      Map<Joint, Pin> pins,
      List<Net> nets,
      Set<Jumper> planned,
      Set<Jumper> laid,
      Set<Jumper> added,
      Set<Jumper> leftOut,
      Set<Jumper> inside) {
    this.pins = pins;
    this.nets = List.copyOf(nets);
    this.planned = planned;
    this.laid = laid;
    this.added = added;
    this.leftOut = leftOut;
    this.inside = inside;
    nets.forEach(net -> net.pins().forEach(pin -> byJoint.put(pin.joint(), net)));
  }

  /** {@return the nets as wired: with the wires added by hand, without those left out} */
  public static Netlist of(Build build, BoardKind board, Loom loom) {
    return of(build, board, loom, build.loom().added(), build.loom().leftOut());
  }

  /** {@return the nets as planned, whatever was done by hand} */
  public static Netlist planned(Build build, BoardKind board, Loom loom) {
    return of(build, board, loom, Set.of(), Set.of());
  }

  private static Netlist of(
      Build build, BoardKind board, Loom loom, Set<Jumper> added, Set<Jumper> leftOut) {
    Map<Joint, Pin> pins = new TreeMap<>();
    Set<Jumper> inside = new LinkedHashSet<>();
    boardPins(board, loom, pins, inside);
    sitePins(loom, pins);
    Map<Jumper, String> planned = new LinkedHashMap<>();
    for (Strand strand : loom.strands()) {
      for (Joint joint : List.of(strand.from().place(), strand.to().place())) {
        pins.computeIfAbsent(joint, Netlist::byName);
      }
      planned.put(new Jumper(strand.from().place(), strand.to().place()), strand.id());
    }
    for (Jumper wire : added) {
      for (Joint joint : List.of(wire.a(), wire.b())) {
        pins.computeIfAbsent(joint, Netlist::byName);
      }
    }
    Set<Jumper> laid = new LinkedHashSet<>(planned.keySet());
    laid.removeAll(leftOut);
    laid.addAll(added);
    UnionFind<Joint> sets = new UnionFind<>(pins.keySet());
    laid.forEach(wire -> sets.union(wire.a(), wire.b()));
    inside.forEach(wire -> sets.union(wire.a(), wire.b()));
    Map<Joint, List<Pin>> gathered = new LinkedHashMap<>();
    pins.values()
        .forEach(
            pin ->
                gathered
                    .computeIfAbsent(sets.find(pin.joint()), root -> new ArrayList<>())
                    .add(pin));
    Map<Joint, List<String>> strands = new HashMap<>();
    planned.forEach(
        (wire, id) -> {
          if (laid.contains(wire)) {
            strands.computeIfAbsent(sets.find(wire.a()), root -> new ArrayList<>()).add(id);
          }
        });
    List<Net> nets = new ArrayList<>();
    gathered.forEach(
        (root, members) -> {
          if (members.size() > 1) {
            nets.add(new Net(name(members), members, strands.getOrDefault(root, List.of())));
          }
        });
    nets.sort(Comparator.comparing((Net net) -> rank(net)).thenComparing(Net::name));
    return new Netlist(pins, nets, planned.keySet(), laid, added, leftOut, inside);
  }

  private static void boardPins(
      BoardKind board, Loom loom, Map<Joint, Pin> pins, Set<Jumper> inside) {
    Set<String> driven = new HashSet<>();
    loom.lines().stream()
        .filter(line -> line.needs() == Line.Need.DRIVE)
        .forEach(line -> loom.plan().of(line.id()).ifPresent(p -> driven.add(p.terminal().name())));
    Map<String, Joint> firsts = new HashMap<>();
    for (Terminal terminal : board.terminals()) {
      Joint joint = Joint.board(terminal.name());
      Role role =
          switch (terminal.role()) {
            case GROUND -> Role.GROUND;
            case SUPPLY -> Role.SUPPLY;
            case COMMON -> Role.COMMON;
            case INPUT -> driven.contains(terminal.name()) ? Role.DRIVE : Role.INPUT;
            case OTHER -> Role.PASSIVE;
          };
      pins.put(joint, new Pin(joint, role, terminal.volts(), role == Role.GROUND));
      if (role == Role.GROUND || role == Role.SUPPLY || role == Role.COMMON) {
        // The board joins its grounds, and its supplies of the same volts, inside.
        Joint first = firsts.putIfAbsent(role + " " + terminal.volts(), joint);
        if (first != null) {
          inside.add(new Jumper(first, joint));
        }
      }
    }
  }

  private static void sitePins(Loom loom, Map<Joint, Pin> pins) {
    Map<String, Topology> topologies = new HashMap<>();
    loom.sharings()
        .forEach(
            sharing ->
                sharing
                    .seats()
                    .forEach(
                        seat ->
                            topologies.put(
                                seat.site().id().toString(), sharing.group().topology())));
    for (ContactSite site : loom.sites()) {
      String part = site.control().id().text();
      boolean switched = site.contact().type() == ContactKind.Type.SWITCH;
      put(pins, new Joint(part, site.signalTab()), false);
      if (switched) {
        Topology topology = topologies.get(site.id().toString());
        boolean crossed = topology == Topology.MATRIX || topology == Topology.BARE_MATRIX;
        boolean grounded = !crossed && (topology != null || site.common() == Common.GROUND);
        put(pins, new Joint(part, site.commonTab()), grounded && loom.pinOf(site.id()).isPresent());
        String name = site.contact().name().isEmpty() ? "" : site.contact().name() + ".";
        put(pins, new Joint(part, name + "NC"), false);
        put(pins, new Joint(part, name + "NO"), false);
      }
    }
    for (Strand strand : loom.strands()) {
      Joint joint = strand.from().place();
      boolean ground =
          joint.tab().endsWith("end 1")
              || joint.tab().equals("lamp-") && !sharedLamp(loom, joint.part())
              || joint.tab().equals("GND") && !joint.part().equals(Joint.BOARD);
      if (ground) {
        pins.put(joint, new Pin(joint, Role.PASSIVE, 0, true));
      }
    }
  }

  private static boolean sharedLamp(Loom loom, String part) {
    return loom.sites().stream()
        .anyMatch(
            site ->
                site.control().id().text().equals(part)
                    && site.control().hookup().lampShares()
                    && site.common() == Common.GROUND);
  }

  private static void put(Map<Joint, Pin> pins, Joint joint, boolean wantsGround) {
    pins.merge(
        joint,
        new Pin(joint, Role.PASSIVE, 0, wantsGround),
        (old, is) -> old.wantsGround() ? old : is);
  }

  /** {@return a place known by nothing but its name, such as a tab of another device} */
  private static Pin byName(Joint joint) {
    boolean known = joint.part().equals(Joint.BOARD);
    return new Pin(joint, Role.PASSIVE, 0, !known && namesGround(joint.tab()));
  }

  /** {@return whether a tab's name says ground: GND, 0V, VSS, common ground and the like} */
  static boolean namesGround(String tab) {
    return tab.toUpperCase(java.util.Locale.ROOT)
        .replaceAll("[.\\d]+$", "")
        .matches("GND|AGND|DGND|GROUND|VSS|0V|-|MASS");
  }

  private static int rank(Net net) {
    return net.has(Role.GROUND)
        ? 0
        : net.has(Role.SUPPLY) || net.has(Role.COMMON) ? 1 : net.has(Role.INPUT) ? 2 : 3;
  }

  private static String name(List<Pin> members) {
    for (Role role : List.of(Role.GROUND, Role.SUPPLY, Role.COMMON, Role.INPUT, Role.DRIVE)) {
      Optional<Pin> strongest = members.stream().filter(p -> p.role() == role).findFirst();
      if (strongest.isPresent()) {
        return role == Role.GROUND ? "ground" : strongest.get().joint().tab();
      }
    }
    return members.get(0).joint().toString();
  }

  /** {@return the nets of two places or more: ground first, supplies, inputs, the rest} */
  public List<Net> nets() {
    return nets;
  }

  /** {@return the net of a place, if it is joined to anything} */
  public Optional<Net> netOf(Joint joint) {
    return Optional.ofNullable(byJoint.get(joint));
  }

  /** {@return all places by name, joined or not} */
  public Map<Joint, Pin> pins() {
    return Collections.unmodifiableMap(pins);
  }

  /** {@return the wires of the plan by their ends} */
  public Set<Jumper> plannedWires() {
    return Collections.unmodifiableSet(planned);
  }

  boolean joined(Joint a, Joint b) {
    Net net = byJoint.get(a);
    return a.equals(b) || net != null && net == byJoint.get(b);
  }

  // ---- faults

  /** What can be wrong with nets. */
  public enum Kind {
    SUPPLY_ON_GROUND,
    UNJOINED_GROUND,
    SUPPLIES_JOINED,
    INPUTS_JOINED,
    INPUT_STUCK,
    NOT_REACHED,
    TOO_MANY_VOLTS,
    DRIVERS_JOINED,
    SERIAL_NOT_CROSSED,
    NO_SHARED_GROUND,
    NO_SUCH_PLACE
  }

  /**
   * One fault.
   *
   * @param kind what is wrong
   * @param at the places it is about, most telling first
   * @param remove a wire whose removal mends it, if it was put in by hand
   * @param restore a wire whose return mends it, if it was left out
   */
  public record Fault(
      Kind kind, List<Joint> at, Optional<Jumper> remove, Optional<Jumper> restore) {
    public Fault {
      at = List.copyOf(at);
    }
  }

  /** {@return all faults, the most dangerous first} */
  public List<Fault> faults(BoardKind board) {
    List<Fault> faults = new ArrayList<>();
    for (Net net : nets) {
      powerFaults(board, net, faults);
      signalFaults(net, faults);
    }
    grounds(faults);
    open(faults);
    strangers(faults);
    faults.sort(Comparator.comparing(Fault::kind));
    return faults;
  }

  private void powerFaults(BoardKind board, Net net, List<Fault> faults) {
    List<Pin> supplies = new ArrayList<>(net.pins(Role.SUPPLY));
    supplies.addAll(net.pins(Role.COMMON));
    if (supplies.isEmpty()) {
      return;
    }
    if (net.has(Role.GROUND)) {
      Joint supply = supplies.get(0).joint();
      Joint ground = net.pins(Role.GROUND).get(0).joint();
      faults.add(fault(Kind.SUPPLY_ON_GROUND, List.of(supply, ground), between(supply, ground)));
    }
    Pin first = supplies.get(0);
    for (Pin other : supplies) {
      if (other.volts() != first.volts()) {
        faults.add(
            fault(
                Kind.SUPPLIES_JOINED,
                List.of(first.joint(), other.joint()),
                between(first.joint(), other.joint())));
        break;
      }
    }
    for (Pin input : net.pins(Role.INPUT)) {
      boolean over = !board.fiveVoltTolerant() && first.volts() > board.logicVolts() + 0.3;
      faults.add(
          fault(
              over ? Kind.TOO_MANY_VOLTS : Kind.INPUT_STUCK,
              List.of(input.joint(), first.joint()),
              between(input.joint(), first.joint())));
    }
  }

  private void signalFaults(Net net, List<Fault> faults) {
    List<Pin> inputs = net.pins(Role.INPUT);
    boolean ground = net.has(Role.GROUND);
    if (ground) {
      for (Pin input : inputs) {
        Joint to = net.pins(Role.GROUND).get(0).joint();
        faults.add(fault(Kind.INPUT_STUCK, List.of(input.joint(), to), between(input.joint(), to)));
      }
    } else if (inputs.size() > 1) {
      Joint one = inputs.get(0).joint();
      Joint other = inputs.get(1).joint();
      faults.add(fault(Kind.INPUTS_JOINED, List.of(one, other), between(one, other)));
    }
    List<Pin> drivers = net.pins(Role.DRIVE);
    if (drivers.size() > 1 || drivers.size() == 1 && (ground || net.has(Role.SUPPLY))) {
      Joint one = drivers.get(0).joint();
      Joint other =
          drivers.size() > 1
              ? drivers.get(1).joint()
              : net.pins(ground ? Role.GROUND : Role.SUPPLY).get(0).joint();
      faults.add(fault(Kind.DRIVERS_JOINED, List.of(one, other), between(one, other)));
    }
    for (String word : List.of("TX", "RX")) {
      List<Joint> same =
          net.pins().stream()
              .map(Pin::joint)
              .filter(joint -> joint.tab().toUpperCase(java.util.Locale.ROOT).startsWith(word))
              .toList();
      if (same.stream().map(Joint::part).distinct().count() > 1) {
        Joint one = same.get(0);
        Joint other =
            same.stream().filter(j -> !j.part().equals(one.part())).findFirst().orElseThrow();
        faults.add(fault(Kind.SERIAL_NOT_CROSSED, List.of(one, other), between(one, other)));
      }
    }
  }

  /** Nets whose names say ground, but which the board's ground does not reach. */
  private void grounds(List<Fault> faults) {
    Optional<Pin> main = pins.values().stream().filter(p -> p.role() == Role.GROUND).findFirst();
    if (main.isEmpty()) {
      return;
    }
    Set<Net> told = new HashSet<>();
    Set<String> devices = new TreeSet<>();
    for (Pin pin : pins.values()) {
      if (!pin.wantsGround() || joined(pin.joint(), main.get().joint())) {
        continue;
      }
      Net net = byJoint.get(pin.joint());
      if (net != null && !told.add(net)) {
        continue;
      }
      if (known(pin.joint())) {
        faults.add(
            new Fault(
                Kind.UNJOINED_GROUND,
                List.of(pin.joint(), main.get().joint()),
                Optional.empty(),
                restoring(pin.joint(), main.get().joint())));
      } else {
        devices.add(pin.joint().part());
      }
    }
    for (Joint joint : pins.keySet()) {
      if (!known(joint)) {
        devices.add(joint.part());
      }
    }
    for (String device : devices) {
      boolean shares =
          pins.values().stream()
              .filter(p -> p.joint().part().equals(device) && namesGround(p.joint().tab()))
              .anyMatch(p -> joined(p.joint(), main.get().joint()));
      if (!shares) {
        faults.add(
            new Fault(
                Kind.NO_SHARED_GROUND,
                List.of(new Joint(device, "GND"), main.get().joint()),
                Optional.empty(),
                Optional.empty()));
      }
    }
  }

  private boolean known(Joint joint) {
    return joint.part().equals(Joint.BOARD)
        || planned.stream()
            .anyMatch(
                wire ->
                    wire.a().part().equals(joint.part()) || wire.b().part().equals(joint.part()))
        || pins.values().stream()
            .anyMatch(
                p ->
                    p.joint().part().equals(joint.part())
                        && !added.stream()
                            .anyMatch(w -> w.a().equals(p.joint()) || w.b().equals(p.joint())));
  }

  /** Wires left out whose two ends nothing else joins. */
  private void open(List<Fault> faults) {
    for (Jumper wire : leftOut) {
      if (!planned.contains(wire) || joined(wire.a(), wire.b())) {
        continue;
      }
      boolean ground = pins.get(wire.a()).wantsGround() || pins.get(wire.b()).wantsGround();
      boolean told =
          ground
              && faults.stream()
                  .anyMatch(
                      f ->
                          f.kind() == Kind.UNJOINED_GROUND
                              && f.restore().filter(wire::equals).isPresent());
      if (!told) {
        Joint tab = wire.a().part().equals(Joint.BOARD) ? wire.b() : wire.a();
        Joint far = tab.equals(wire.a()) ? wire.b() : wire.a();
        faults.add(
            new Fault(Kind.NOT_REACHED, List.of(tab, far), Optional.empty(), Optional.of(wire)));
      }
    }
  }

  /** Wires added by hand to places of known parts that do not exist. */
  private void strangers(List<Fault> faults) {
    for (Jumper wire : added) {
      for (Joint joint : List.of(wire.a(), wire.b())) {
        boolean onlyByHand =
            planned.stream().noneMatch(w -> w.a().equals(joint) || w.b().equals(joint));
        boolean partKnown = known(joint);
        boolean listed = pins.get(joint).role() != Role.PASSIVE || listedTab(joint);
        if (onlyByHand && partKnown && !listed) {
          faults.add(
              new Fault(Kind.NO_SUCH_PLACE, List.of(joint), Optional.of(wire), Optional.empty()));
        }
      }
    }
  }

  private static boolean listedTab(Joint joint) {
    String last = joint.tab().substring(joint.tab().lastIndexOf('.') + 1);
    return Set.of("NO", "NC", "COM", "W", "end 1", "end 2", "lamp+", "lamp-").contains(last)
        || joint.tab().matches("IN\\d+|OUT\\d+|LOAD|CLOCK|DATA|SELECT\\d|VCC|GND");
  }

  private static Fault fault(Kind kind, List<Joint> at, Optional<Jumper> remove) {
    return new Fault(kind, at, remove, Optional.empty());
  }

  /** {@return a wire put in by hand on the shortest way between two places, if there is one} */
  private Optional<Jumper> between(Joint a, Joint b) {
    return path(laid, a, b).stream().filter(added::contains).findFirst();
  }

  /** {@return a wire left out on the way there would be, if there is one} */
  private Optional<Jumper> restoring(Joint a, Joint b) {
    Set<Jumper> whole = new LinkedHashSet<>(planned);
    whole.addAll(added);
    return path(whole, a, b).stream().filter(leftOut::contains).findFirst();
  }

  private List<Jumper> path(Collection<Jumper> wires, Joint a, Joint b) {
    Graph<Joint, DefaultEdge> graph = new SimpleGraph<>(DefaultEdge.class);
    Predicate<Jumper> join =
        wire -> {
          graph.addVertex(wire.a());
          graph.addVertex(wire.b());
          graph.addEdge(wire.a(), wire.b());
          return true;
        };
    wires.forEach(join::test);
    inside.forEach(join::test);
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
