package kumite.wiring;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import kumite.build.Build;
import kumite.component.Component;
import kumite.kind.BoardKind;
import kumite.kind.Circuit;
import kumite.kind.Terminal;
import kumite.loom.Lamps;
import kumite.loom.Line;
import kumite.loom.Loom;
import kumite.loom.Strand;
import kumite.name.Joint;
import kumite.name.Jumper;
import org.jspecify.annotations.Nullable;

/**
 * All parts of a build and the wires between their ends. A value: each change makes a new one.
 *
 * <p>Wires are taken as joining their ends without resistance; what a thin one loses is worked out
 * apart.
 */
public final class Wiring {
  /** How a wire came to be there. */
  public enum Origin {
    /** Planned; a link to another board too. */
    PLAN,
    /** Put in by hand. */
    HAND,
    /** A core of a lead that ends at a board. */
    LEAD,
    /** A wire of another seat. */
    ELSEWHERE
  }

  /**
   * A wire.
   *
   * @param ends its two ends
   * @param strand its number in the plan, or the name of its lead; empty for one put in by hand
   * @param origin how it came to be there
   */
  public record Wire(Jumper ends, Optional<String> strand, Origin origin) {
    /** {@return whether it is a link from the board to that of another seat} */
    public boolean link() {
      return origin == Origin.PLAN && (links(ends.a(), ends.b()) || links(ends.b(), ends.a()));
    }

    private static boolean links(Joint own, Joint other) {
      return own.part().equals(Joint.BOARD) && other.part().startsWith(Joint.BOARD_OF);
    }
  }

  private final BoardKind board;
  private final Set<String> driven;
  private final List<Component> own;
  private final List<Place> pins;
  private final List<Neighbour> neighbours;
  private final List<Component> parts;
  private final Map<Jumper, Wire> wires;
  private final boolean off;
  private @Nullable Nets nets;

  private Wiring(
      BoardKind board,
      Set<String> driven,
      List<Component> own,
      List<Place> pins,
      List<Neighbour> neighbours,
      Map<Jumper, Wire> wires,
      boolean off) {
    this.off = off;
    this.pins = pins;
    this.board = board;
    this.driven = driven;
    this.own = own;
    this.neighbours = neighbours;
    this.parts = new ArrayList<>(own);
    neighbours.forEach(neighbour -> parts.addAll(neighbour.parts()));
    this.wires = wires;
  }

  /** {@return the wiring as planned, whatever was done by hand} */
  public static Wiring planned(BoardKind board, Loom loom) {
    Map<Jumper, Wire> wires = new LinkedHashMap<>();
    for (Strand strand : loom.strands()) {
      wires.putIfAbsent(
          strand.wire(), new Wire(strand.wire(), Optional.of(strand.id()), Origin.PLAN));
    }
    Set<String> driven = new LinkedHashSet<>(Lamps.drivers(board, loom));
    loom.lines().stream()
        .filter(line -> line.needs() == Line.Need.DRIVE)
        .forEach(line -> loom.plan().of(line.id()).ifPresent(p -> driven.add(p.terminal().name())));
    List<Place> pins = new ArrayList<>(PadPins.of(board, loom));
    pins.addAll(SupplyPins.of(loom));
    loom.supplies().stream()
        .flatMap(supplied -> loom.plan().of(supplied.data()).stream())
        .forEach(pin -> driven.add(pin.terminal().name()));
    return new Wiring(board, driven, loom.parts(), pins, List.of(), wires, false);
  }

  /** {@return the wiring as it is: as planned, less what was left out, with what was added} */
  public static Wiring asBuilt(Build build, BoardKind board, Loom loom) {
    return planned(board, loom).changedByHand(build);
  }

  /** {@return the same joined to what stands beside it; links are wires of both sides} */
  public Wiring beside(List<Neighbour> others) {
    if (others.isEmpty()) {
      return this;
    }
    Map<Jumper, Wire> next = new LinkedHashMap<>(wires);
    others.forEach(
        other -> {
          next.keySet().removeAll(other.leftOut());
          other.wires().forEach(wire -> next.putIfAbsent(wire.ends(), wire));
        });
    return new Wiring(board, driven, own, pins, List.copyOf(others), next, off);
  }

  /** {@return this plan less the wires that a build leaves out, with those it adds} */
  public Wiring changedByHand(Build build) {
    if (build.loom().leftOut().isEmpty() && build.loom().added().isEmpty()) {
      return this;
    }
    Map<Jumper, Wire> next = new LinkedHashMap<>(wires);
    next.keySet().removeAll(build.loom().leftOut());
    build
        .loom()
        .added()
        .forEach(wire -> next.putIfAbsent(wire, new Wire(wire, Optional.empty(), Origin.HAND)));
    return new Wiring(board, driven, own, pins, neighbours, next, off);
  }

  /** {@return the same with one more wire} */
  public Wiring with(Jumper wire) {
    Map<Jumper, Wire> next = new LinkedHashMap<>(wires);
    next.putIfAbsent(wire, new Wire(wire, Optional.empty(), Origin.HAND));
    return new Wiring(board, driven, own, pins, neighbours, next, off);
  }

  /** {@return the same with one wire less} */
  public Wiring without(Jumper wire) {
    Map<Jumper, Wire> next = new LinkedHashMap<>(wires);
    next.remove(wire);
    return new Wiring(board, driven, own, pins, neighbours, next, off);
  }

  /** {@return the same with a small change} */
  public Wiring changed(Change change) {
    if (change.equals(Change.NONE)) {
      return this;
    }
    Map<Jumper, Wire> next = new LinkedHashMap<>(wires);
    next.keySet().removeAll(change.out());
    change
        .in()
        .forEach(wire -> next.putIfAbsent(wire, new Wire(wire, Optional.empty(), Origin.HAND)));
    List<Component> parts =
        change.parts().isEmpty()
            ? own
            : own.stream()
                .flatMap(p -> change.parts().getOrDefault(p, Optional.of(p)).stream())
                .toList();
    Wiring made = new Wiring(board, driven, parts, pins, neighbours, next, off);
    for (int i = made.parts.size() - 1; i >= parts.size(); i--) {
      Optional<Component> by =
          change.parts().getOrDefault(made.parts.get(i), Optional.of(made.parts.get(i)));
      if (by.isPresent()) {
        made.parts.set(i, by.get());
      } else {
        made.parts.remove(i);
      }
    }
    return made;
  }

  /** {@return the same with one part less} */
  public Wiring without(Component part) {
    return new Wiring(
        board,
        driven,
        own.stream().filter(p -> !p.equals(part)).toList(),
        pins,
        neighbours,
        wires,
        off);
  }

  /** {@return the same with another part in place of one, such as a diode the wrong way round} */
  public Wiring replacing(Component part, Component by) {
    return new Wiring(
        board,
        driven,
        own.stream().map(p -> p.equals(part) ? by : p).toList(),
        pins,
        neighbours,
        wires,
        off);
  }

  /** {@return the same with all boards taken off: their terminals are bare ends of wires} */
  public Wiring boardsOff() {
    return off ? this : new Wiring(board, Set.of(), own, pins, neighbours, wires, true);
  }

  /** {@return whether the boards are taken off} */
  public boolean off() {
    return off;
  }

  /** {@return the board} */
  public BoardKind board() {
    return board;
  }

  /** {@return all parts but boards, those of neighbours too} */
  public List<Component> parts() {
    return java.util.Collections.unmodifiableList(parts);
  }

  /** {@return the parts of the seat that is looked at} */
  public List<Component> ownParts() {
    return own;
  }

  /** {@return the pins of sockets of the seat that is looked at, which are more than tabs} */
  List<Place> pins() {
    return pins;
  }

  /** {@return what stands beside it} */
  public List<Neighbour> neighbours() {
    return neighbours;
  }

  /** {@return all wires by their ends, those of the plan first} */
  public Map<Jumper, Wire> wires() {
    return java.util.Collections.unmodifiableMap(wires);
  }

  /** {@return the wires of the seat that is looked at: planned, links, and by hand} */
  public List<Jumper> laid() {
    return wires.values().stream()
        .filter(wire -> wire.origin() == Origin.PLAN || wire.origin() == Origin.HAND)
        .map(Wire::ends)
        .toList();
  }

  /** {@return whether a wire is there} */
  public boolean has(Jumper wire) {
    return wires.containsKey(wire);
  }

  /** {@return the wires that the plan does not have} */
  public List<Jumper> byHand() {
    return wires.values().stream()
        .filter(wire -> wire.origin() == Origin.HAND)
        .map(Wire::ends)
        .toList();
  }

  /** {@return whether the plan drives a terminal of the board} */
  public boolean drives(Terminal terminal) {
    return driven.contains(terminal.name());
  }

  /** {@return what is joined to what; worked out once} */
  public Nets nets() {
    if (nets == null) {
      nets = new Nets(this);
    }
    return nets;
  }

  /** {@return what boards join inside: their grounds, supplies of the same volts, plain copper} */
  public List<Jumper> joinedInside() {
    return inside();
  }

  /** What boards join inside: their grounds, their supplies of the same volts, plain copper. */
  List<Jumper> inside() {
    if (off) {
      return bridges();
    }
    List<Jumper> inside = new ArrayList<>(inside(board));
    neighbours.forEach(neighbour -> inside.addAll(neighbour.inside()));
    inside.addAll(bridges());
    return inside;
  }

  private List<Jumper> bridges() {
    return parts.stream()
        .filter(Component.Bridge.class::isInstance)
        .map(Component.Bridge.class::cast)
        .map(bridge -> new Jumper(bridge.a(), bridge.b()))
        .toList();
  }

  static List<Jumper> inside(BoardKind board) {
    Map<List<Object>, Joint> firsts = new HashMap<>();
    List<Jumper> inside = new ArrayList<>();
    for (Terminal terminal : board.terminals()) {
      boolean joined =
          switch (terminal.role()) {
            case GROUND, SUPPLY, COMMON -> true;
            case INPUT, LINE, HOST, OTHER, RETURN -> false;
          };
      if (joined) {
        Joint joint = Joint.board(terminal.name());
        Joint first = firsts.putIfAbsent(List.of(terminal.role(), terminal.volts()), joint);
        if (first != null) {
          inside.add(new Jumper(first, joint));
        }
      }
    }
    board.circuit().stream()
        .flatMap(circuit -> circuit.ways().stream())
        .filter(Circuit.Straight.class::isInstance)
        .map(Circuit.Straight.class::cast)
        .forEach(way -> inside.add(new Jumper(Joint.board(way.in()), Joint.board(way.out()))));
    return inside;
  }

  /** A terminal as a place of the board that it is on. */
  static Place place(BoardKind board, Terminal terminal, boolean driven) {
    Place.Role role =
        switch (terminal.role()) {
          case GROUND -> Place.Role.GROUND;
          case RETURN -> Place.Role.RETURN;
          case SUPPLY -> Place.Role.SUPPLY;
          case COMMON -> Place.Role.COMMON;
          case HOST -> Place.Role.INPUT;
          case INPUT -> driven ? Place.Role.DRIVE : Place.Role.INPUT;
          case LINE ->
              terminal.can(Terminal.Ability.DRIVE)
                  ? Place.Role.DRIVE
                  : terminal.can(Terminal.Ability.DIGITAL) ? Place.Role.INPUT : Place.Role.PASSIVE;
          case OTHER -> Place.Role.PASSIVE;
        };
    boolean reads = role == Place.Role.INPUT || role == Place.Role.DRIVE;
    double bears = board.fiveVoltTolerant() ? Math.max(5, board.logicVolts()) : board.logicVolts();
    return new Place(
        Joint.board(terminal.name()),
        role,
        role == Place.Role.DRIVE ? board.logicVolts() : terminal.volts(),
        reads ? bears : 0);
  }

  /** {@return the places of boards and neighbours, which are more than tabs} */
  List<Place> places() {
    List<Place> places = new ArrayList<>();
    board.terminals().forEach(terminal -> places.add(place(board, terminal, drives(terminal))));
    places.addAll(pins);
    neighbours.forEach(neighbour -> places.addAll(neighbour.places()));
    return off
        ? places.stream().map(place -> Place.passive(place.joint())).toList()
        : Alive.of(places, this);
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Wiring wiring
        && board.equals(wiring.board)
        && driven.equals(wiring.driven)
        && parts.equals(wiring.parts)
        && pins.equals(wiring.pins)
        && neighbours.equals(wiring.neighbours)
        && wires.equals(wiring.wires)
        && off == wiring.off;
  }

  @Override
  public int hashCode() {
    return Objects.hash(parts, wires);
  }
}
