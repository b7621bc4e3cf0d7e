package kumite.bringup;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.wiring.Change;
import kumite.wiring.Wiring;

/** Faults as they are gathered, each change of the wiring once, and what they are all made from. */
class FaultList {
  final View view;
  final Wiring wiring;
  final Map<String, Fault> made;
  final Set<Change> changes;
  final Map<Joint, List<Jumper>> at;
  final List<Wiring.Wire> own;

  FaultList(View view) {
    this.view = view;
    this.wiring = view.wiring();
    this.made = new LinkedHashMap<>();
    this.changes = new HashSet<>();
    this.at = new HashMap<>();
    this.own = new ArrayList<>();
    for (Wiring.Wire wire : wiring.wires().values()) {
      if (wire.origin() != Wiring.Origin.ELSEWHERE) {
        own.add(wire);
        for (Joint end : List.of(wire.ends().a(), wire.ends().b())) {
          at.computeIfAbsent(end, e -> new ArrayList<>()).add(wire.ends());
        }
      }
    }
  }

  /** The same list, for whoever adds to it. */
  FaultList(FaultList shared) {
    this.view = shared.view;
    this.wiring = shared.wiring;
    this.made = shared.made;
    this.changes = shared.changes;
    this.at = shared.at;
    this.own = shared.own;
  }

  void add(
      FaultKind kind,
      String id,
      double share,
      String what,
      Collection<Joint> where,
      String repair,
      Change change) {
    if (changes.add(change)) {
      Change named = change.renamed(view::global);
      List<Joint> places = where.stream().map(view::global).toList();
      made.putIfAbsent(
          id,
          new Fault(
              id,
              kind,
              what,
              places,
              repair,
              kind.weight() * share,
              named,
              List.of(),
              Optional.of(view.wires().seat())));
    }
  }

  String words(Joint place) {
    return view.global(place).toString();
  }

  String label(Wiring.Wire wire) {
    return wire.strand()
        .map(id -> wire.origin() == Wiring.Origin.LEAD ? "lead " + id : id)
        .map(id -> id + " (" + between(wire.ends()) + ")")
        .orElse(between(wire.ends()));
  }

  String between(Jumper wire) {
    return words(wire.a()) + " to " + words(wire.b());
  }

  /** A wire between two boards is called alike from both seats. */
  String plain(Jumper wire) {
    Jumper named = new Jumper(view.global(wire.a()), view.global(wire.b()));
    return named.a() + "~" + named.b();
  }

  void effect(
      FaultKind kind,
      String id,
      String what,
      List<Joint> where,
      String repair,
      Fault.Effect effect) {
    made.putIfAbsent(
        id,
        new Fault(
            id,
            kind,
            what,
            where.stream().map(view::global).toList(),
            repair,
            kind.weight(),
            Change.NONE,
            List.of(effect),
            Optional.of(view.wires().seat())));
  }

  boolean joined(Joint a, Joint b) {
    return wiring.nets().joined(a, b);
  }

  static Joint farEnd(Jumper wire, Joint near) {
    return wire.a().equals(near) ? wire.b() : wire.a();
  }

  static Change all(List<Jumper> wires, Joint from, Joint to) {
    Set<Jumper> in = new LinkedHashSet<>();
    for (Jumper wire : wires) {
      Joint far = farEnd(wire, from);
      if (!far.equals(to)) {
        in.add(new Jumper(far, to));
      }
    }
    return new Change(new LinkedHashSet<>(wires), in, Map.of());
  }
}
