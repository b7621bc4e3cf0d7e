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
import kumite.kind.Terminal;
import kumite.loom.Line;
import kumite.loom.Loom;
import kumite.loom.Strand;
import kumite.name.Joint;
import kumite.name.Jumper;

/**
 * All parts of a build and the wires between their ends. A value: each change makes a new one.
 *
 * <p>Wires are taken as joining their ends without resistance; what a thin one loses is worked out
 * apart.
 */
public final class Wiring {
  /**
   * A wire.
   *
   * @param ends its two ends
   * @param strand its number in the plan; empty for one put in by hand
   */
  public record Wire(Jumper ends, Optional<String> strand) {}

  private final BoardKind board;
  private final Set<String> driven;
  private final List<Component> parts;
  private final Map<Jumper, Wire> wires;
  private Nets nets;

  private Wiring(
      BoardKind board, Set<String> driven, List<Component> parts, Map<Jumper, Wire> wires) {
    this.board = board;
    this.driven = driven;
    this.parts = parts;
    this.wires = wires;
  }

  /** {@return the wiring as planned, whatever was done by hand} */
  public static Wiring planned(BoardKind board, Loom loom) {
    Map<Jumper, Wire> wires = new LinkedHashMap<>();
    for (Strand strand : loom.strands()) {
      wires.putIfAbsent(strand.wire(), new Wire(strand.wire(), Optional.of(strand.id())));
    }
    Set<String> driven = new LinkedHashSet<>();
    loom.lines().stream()
        .filter(line -> line.needs() == Line.Need.DRIVE)
        .forEach(line -> loom.plan().of(line.id()).ifPresent(p -> driven.add(p.terminal().name())));
    return new Wiring(board, driven, loom.parts(), wires);
  }

  /** {@return the wiring as it is: as planned, less what was left out, with what was added} */
  public static Wiring asBuilt(Build build, BoardKind board, Loom loom) {
    return planned(board, loom).changedByHand(build);
  }

  /** {@return this plan less the wires that a build leaves out, with those it adds} */
  public Wiring changedByHand(Build build) {
    if (build.loom().leftOut().isEmpty() && build.loom().added().isEmpty()) {
      return this;
    }
    Map<Jumper, Wire> next = new LinkedHashMap<>(wires);
    next.keySet().removeAll(build.loom().leftOut());
    build.loom().added().forEach(wire -> next.putIfAbsent(wire, new Wire(wire, Optional.empty())));
    return new Wiring(board, driven, parts, next);
  }

  /** {@return the same with one more wire} */
  public Wiring with(Jumper wire) {
    Map<Jumper, Wire> next = new LinkedHashMap<>(wires);
    next.putIfAbsent(wire, new Wire(wire, Optional.empty()));
    return new Wiring(board, driven, parts, next);
  }

  /** {@return the same with one wire less} */
  public Wiring without(Jumper wire) {
    Map<Jumper, Wire> next = new LinkedHashMap<>(wires);
    next.remove(wire);
    return new Wiring(board, driven, parts, next);
  }

  /** {@return the same with one part less} */
  public Wiring without(Component part) {
    return new Wiring(board, driven, parts.stream().filter(p -> !p.equals(part)).toList(), wires);
  }

  /** {@return the same with another part in place of one, such as a diode the wrong way round} */
  public Wiring replacing(Component part, Component by) {
    return new Wiring(
        board, driven, parts.stream().map(p -> p.equals(part) ? by : p).toList(), wires);
  }

  /** {@return the board} */
  public BoardKind board() {
    return board;
  }

  /** {@return all parts but the board} */
  public List<Component> parts() {
    return parts;
  }

  /** {@return all wires by their ends, those of the plan first} */
  public Map<Jumper, Wire> wires() {
    return java.util.Collections.unmodifiableMap(wires);
  }

  /** {@return whether a wire is there} */
  public boolean has(Jumper wire) {
    return wires.containsKey(wire);
  }

  /** {@return the wires that the plan does not have} */
  public List<Jumper> byHand() {
    return wires.values().stream().filter(wire -> wire.strand().isEmpty()).map(Wire::ends).toList();
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

  /** What the board joins inside: its grounds, and its supplies of the same volts. */
  List<Jumper> inside() {
    Map<List<Object>, Joint> firsts = new HashMap<>();
    List<Jumper> inside = new ArrayList<>();
    for (Terminal terminal : board.terminals()) {
      boolean joined =
          switch (terminal.role()) {
            case GROUND, SUPPLY, COMMON -> true;
            case INPUT, OTHER, RETURN -> false;
          };
      if (joined) {
        Joint joint = Joint.board(terminal.name());
        Joint first = firsts.putIfAbsent(List.of(terminal.role(), terminal.volts()), joint);
        if (first != null) {
          inside.add(new Jumper(first, joint));
        }
      }
    }
    return inside;
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Wiring wiring
        && board.equals(wiring.board)
        && driven.equals(wiring.driven)
        && parts.equals(wiring.parts)
        && wires.equals(wiring.wires);
  }

  @Override
  public int hashCode() {
    return Objects.hash(parts, wires);
  }
}
