package kumite.lead;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import kumite.kind.WireColour;
import kumite.lead.LeadPart.Place;
import org.jgrapht.alg.util.UnionFind;

/** Two leads plugged into each other, told as one: the same pins joined, and the same parts. */
final class Chain {
  /** A pin of the first one's beginning, of where they meet, or of the second one's end. */
  private record Knot(int at, String pin) {}

  private final Lead first;
  private final Lead second;
  private final Map<Knot, Set<Knot>> nets = new LinkedHashMap<>();

  private Chain(Lead first, Lead second) {
    this.first = first;
    this.second = second;
    List<List<Knot>> joins = new ArrayList<>();
    joins(first, 0, joins);
    joins(second, 1, joins);
    Set<Knot> knots = new LinkedHashSet<>();
    joins.forEach(knots::addAll);
    UnionFind<Knot> groups = new UnionFind<>(new HashSet<>(knots));
    joins.forEach(join -> groups.union(join.get(0), join.get(1)));
    Map<Knot, Set<Knot>> byRoot = new HashMap<>();
    for (Knot knot : knots) {
      Set<Knot> net = byRoot.computeIfAbsent(groups.find(knot), r -> new LinkedHashSet<>());
      net.add(knot);
      nets.put(knot, net);
    }
  }

  private static void joins(Lead lead, int at, List<List<Knot>> joins) {
    for (Core core : lead.cores()) {
      joins.add(List.of(new Knot(at, core.from()), new Knot(at + 1, core.to())));
    }
    for (LeadPart part : lead.parts()) {
      if (part instanceof LeadPart.Bridge bridge) {
        int end = bridge.at().end() == Where.FROM ? at : at + 1;
        joins.add(List.of(new Knot(end, bridge.at().pin()), new Knot(end, bridge.other())));
      }
    }
    List<Place> drains = lead.drains();
    for (int i = 1; i < drains.size(); i++) {
      joins.add(List.of(knot(drains.get(0), at), knot(drains.get(i), at)));
    }
  }

  private static Knot knot(Place place, int at) {
    return new Knot(place.end() == Where.FROM ? at : at + 1, place.pin());
  }

  static Lead of(Lead first, Lead second) {
    return new Chain(first, second).lead();
  }

  private Lead lead() {
    List<Core> cores = new ArrayList<>();
    List<LeadPart> parts = new ArrayList<>();
    Set<Set<Knot>> done = java.util.Collections.newSetFromMap(new java.util.IdentityHashMap<>());
    for (Set<Knot> net : nets.values()) {
      if (done.add(net)) {
        net(pins(net, 0), pins(net, 2), cores, parts);
      }
    }
    parts(first, 0, parts);
    parts(second, 1, parts);
    List<Slip> slips = new ArrayList<>();
    first.slips().stream().filter(s -> s.end() == Where.FROM).forEach(slips::add);
    second.slips().stream().filter(s -> s.end() == Where.TO).forEach(slips::add);
    double length =
        Math.min(Cable.LONGEST_MM, first.cable().lengthMm() + second.cable().lengthMm());
    Cable cable =
        new Cable(
            Math.max(1, Math.min(first.cable().cores(), second.cable().cores())),
            Math.max(first.cable().gaugeAwg(), second.cable().gaugeAwg()),
            length,
            first.cable().jacketMm(),
            false,
            false);
    return new Lead(first.name(), first.from(), second.to(), cores, parts, cable, slips);
  }

  private static List<String> pins(Set<Knot> net, int at) {
    return net.stream().filter(knot -> knot.at() == at).map(Knot::pin).toList();
  }

  /** A tree of cores where both ends have pins, else bridges. */
  private void net(List<String> froms, List<String> tos, List<Core> cores, List<LeadPart> parts) {
    if (froms.isEmpty() || tos.isEmpty()) {
      Where end = froms.isEmpty() ? Where.TO : Where.FROM;
      List<String> pins = froms.isEmpty() ? tos : froms;
      for (int i = 1; i < pins.size(); i++) {
        parts.add(new LeadPart.Bridge(new Place(end, pins.get(0)), pins.get(i)));
      }
      return;
    }
    for (String to : tos) {
      core(froms.get(0), to, cores, parts);
    }
    for (String from : froms.subList(1, froms.size())) {
      core(from, tos.get(0), cores, parts);
    }
  }

  private void core(String from, String to, List<Core> cores, List<LeadPart> parts) {
    Optional<Core> head =
        first.cores().stream().filter(core -> core.from().equals(from)).findFirst();
    WireColour colour = head.map(Core::colour).orElse(WireColour.of(WireColour.Hue.GY));
    Optional<Core> tail =
        second.cores().stream()
            .filter(c -> c.to().equals(to))
            .filter(c -> head.filter(h -> h.to().equals(c.from())).isPresent())
            .findFirst();
    boolean shared =
        head.filter(Core::shared).isPresent()
            || second.cores().stream().anyMatch(c -> c.shared() && c.to().equals(to));
    cores.add(new Core(from, to, colour, head.flatMap(Core::role), shared));
    double ohm =
        head.map(core -> ohm(first, core)).orElse(0.0)
            + tail.map(core -> ohm(second, core)).orElse(0.0);
    if (ohm > 0) {
      parts.add(new LeadPart.Series(from, to, ohm));
    }
    head.ifPresent(core -> diodes(first, core, from, to, parts));
    tail.ifPresent(core -> diodes(second, core, from, to, parts));
  }

  /** Diodes stay in the core that goes on; two that look at each other let nothing through. */
  private static void diodes(Lead lead, Core core, String from, String to, List<LeadPart> parts) {
    for (LeadPart.InCore part : lead.within(core)) {
      if (part instanceof LeadPart.Diode diode) {
        LeadPart moved = new LeadPart.Diode(from, to, diode.band());
        if (!parts.contains(moved)) {
          parts.add(moved);
        }
      }
    }
  }

  private static double ohm(Lead lead, Core core) {
    OptionalDouble ohm =
        lead.within(core).stream()
            .filter(LeadPart.Series.class::isInstance)
            .map(LeadPart.Series.class::cast)
            .mapToDouble(LeadPart.Series::ohm)
            .reduce(Double::sum);
    return ohm.orElse(0);
  }

  /**
   * Parts that hang on a pin keep to it, or where it is no more to see, to a pin it is joined to.
   */
  private void parts(Lead lead, int at, List<LeadPart> parts) {
    for (LeadPart part : lead.parts()) {
      part.hanging()
          .ifPresent(h -> seen(h.at(), at).ifPresent(place -> parts.add(h.moved().apply(place))));
      if (part instanceof LeadPart.Across across) {
        Optional<Place> one = seen(across.at(), at);
        Optional<Place> other = seen(across.other(), at);
        // With a leg that comes out nowhere, or both on one net, it does nothing.
        if (one.isPresent() && other.isPresent() && !one.equals(other)) {
          parts.add(across.between(one.get(), other.get()));
        }
      }
    }
  }

  private Optional<Place> seen(Place place, int at) {
    Knot knot = new Knot(place.end() == Where.FROM ? at : at + 1, place.pin());
    Set<Knot> net = nets.getOrDefault(knot, Set.of(knot));
    int near = at == 0 ? 0 : 2;
    Optional<Knot> shown =
        net.stream()
            .filter(k -> k.at() != 1)
            .min(
                java.util.Comparator.comparing((Knot k) -> !k.equals(knot))
                    .thenComparing(k -> k.at() != near));
    return shown.map(k -> new Place(k.at() == 0 ? Where.FROM : Where.TO, k.pin()));
  }
}
