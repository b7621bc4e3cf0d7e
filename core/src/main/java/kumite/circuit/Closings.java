package kumite.circuit;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.ToDoubleFunction;
import kumite.component.Component;
import kumite.name.ContactId;

/**
 * The contacts of a network as ways without resistance: which nets they can join, and with how many
 * of them moved.
 *
 * <p>A contact stands in one of its positions: a switch at rest or held, a stepped switch on one
 * tap, a wiper at one end or the other. Position 0 is rest. Between nets that are joined by
 * contacts alone current is without bound.
 */
final class Closings {
  /** So many contacts are moved at once, no more: hands have few fingers to spare. */
  static final int MOST_MOVED = 3;

  /** Past so many ways of getting there the search says that it is not done. */
  private static final int MOST_STATES = 200_000;

  /**
   * One contact that joins two nets while it stands in a position.
   *
   * @param edge the way
   * @param position 0 for rest
   * @param travel how far that is, 0 to 1
   */
  record Closing(Edge edge, ContactId contact, int position, double travel) {}

  private final Network network;
  private final Map<Integer, List<Closing>> byNet = new HashMap<>();
  private final boolean meets;

  Closings(Network network) {
    this.network = network;
    Set<Edge> seen = new HashSet<>();
    for (int net = 0; net < network.size(); net++) {
      for (Edge edge : network.edges(net)) {
        if (edge.a() >= 0 && edge.b() >= 0 && seen.add(edge)) {
          closing(edge).ifPresent(this::add);
        }
      }
    }
    meets = railsMeet();
  }

  private void add(Closing closing) {
    byNet.computeIfAbsent(closing.edge().a(), n -> new ArrayList<>()).add(closing);
    byNet.computeIfAbsent(closing.edge().b(), n -> new ArrayList<>()).add(closing);
  }

  private static Optional<Closing> closing(Edge edge) {
    return switch (edge.kind()) {
      case OPEN_CONTACT ->
          Optional.of(new Closing(edge, ((Component.Pole) edge.part()).contact(), 1, 1));
      case RESTING_CONTACT ->
          Optional.of(new Closing(edge, ((Component.Pole) edge.part()).contact(), 0, 0));
      case TAP -> {
        Component.Selector selector = (Component.Selector) edge.part();
        double travel = edge.index() / (double) Math.max(1, selector.taps().size() - 1);
        yield Optional.of(new Closing(edge, selector.contact(), edge.index(), travel));
      }
      case POT_LOW -> {
        Component.Pot pot = (Component.Pot) edge.part();
        // What springs back to the middle has to be moved to either end.
        yield Optional.of(new Closing(edge, pot.contact(), pot.rest() > 0 ? 2 : 0, 0));
      }
      case POT_HIGH ->
          Optional.of(new Closing(edge, ((Component.Pot) edge.part()).contact(), 1, 1));
      default -> Optional.empty();
    };
  }

  List<Closing> at(int net) {
    return byNet.getOrDefault(net, List.of());
  }

  /** Whether two rails of different volts could meet at all. */
  private boolean railsMeet() {
    for (int start = 0; start < network.size(); start++) {
      int from = start;
      if (network.rail(start) && reaches(start, net -> differ(from, net))) {
        return true;
      }
    }
    return false;
  }

  private record Reached(Closing by, int net) {}

  /**
   * {@return whether contacts could lead from a net to one that is asked for}
   *
   * <p>Quick, and never wrongly no: every contact may stand anywhere, but not in two positions one
   * after the other.
   */
  boolean reaches(int start, java.util.function.IntPredicate wanted) {
    if (at(start).isEmpty()) {
      return false;
    }
    Set<Reached> seen = new HashSet<>();
    Deque<Reached> queue = new ArrayDeque<>();
    for (Closing closing : at(start)) {
      queue.add(new Reached(closing, closing.edge().other(start)));
    }
    while (!queue.isEmpty()) {
      Reached reached = queue.remove();
      Closing by = reached.by();
      int net = reached.net();
      if (net == start || !seen.add(reached)) {
        continue;
      }
      if (wanted.test(net)) {
        return true;
      }
      if (network.rail(net)) {
        continue; // what is beyond a rail is that rail's
      }
      for (Closing next : at(net)) {
        boolean same = next.edge().part() == by.edge().part();
        if (next != by && (!same || next.position() == by.position())) {
          queue.add(new Reached(next, next.edge().other(net)));
        }
      }
    }
    return false;
  }

  private boolean differ(int one, int other) {
    return network.rail(one)
        && network.rail(other)
        && network.railVolts(one, Corner.USUAL) != network.railVolts(other, Corner.USUAL);
  }

  /** {@return whether any hands could short a supply} */
  boolean railsMayMeet() {
    return meets;
  }

  /** {@return whether contacts join rails of different volts while hands stand so} */
  boolean shorted(ToDoubleFunction<ContactId> hands) {
    if (!meets) {
      return false;
    }
    Conditions now = Conditions.of(hands);
    for (int start = 0; start < network.size(); start++) {
      if (network.rail(start)) {
        Set<Integer> seen = new HashSet<>(Set.of(start));
        Deque<Integer> queue = new ArrayDeque<>(seen);
        while (!queue.isEmpty()) {
          int net = queue.remove();
          for (Closing closing : at(net)) {
            double ohm = network.ohm(closing.edge(), now, Corner.USUAL);
            int other = closing.edge().other(net);
            if (ohm < 0 || ohm > Network.TRACK_END_OHM) {
              continue;
            }
            if (differ(start, other)) {
              return true;
            }
            if (seen.add(other)) {
              queue.add(other);
            }
          }
        }
      }
    }
    return false;
  }

  // ---- which contacts it takes

  /** What the search is asked: from where, and where it ends. */
  interface Ends {
    /** {@return whether the way ends at a net, so that it is not followed beyond} */
    boolean ends(int net);

    /** {@return whether it is worth telling that the net was reached} */
    boolean counts(int net);
  }

  /**
   * One way found.
   *
   * @param net where it leads
   * @param moved the contacts that it takes, with their positions; empty at rest
   */
  record Found(int net, Map<ContactId, Integer> moved) {}

  /**
   * What was found.
   *
   * @param all the ways, each with no contact too many, fewest first
   * @param whole whether nothing was left unlooked at
   */
  record Search(List<Found> all, boolean whole) {}

  private record State(int net, Map<ContactId, Integer> moved) {}

  /** {@return the nets that can be joined to some net, with at most three contacts moved} */
  Search from(int start, Ends ends) {
    List<Found> all = new ArrayList<>();
    if (!reaches(start, ends::counts)) {
      return new Search(all, true);
    }
    State first = new State(start, Map.of());
    Set<State> seen = new HashSet<>(Set.of(first));
    List<Deque<State>> byCount = new ArrayList<>();
    for (int i = 0; i <= MOST_MOVED; i++) {
      byCount.add(new ArrayDeque<>());
    }
    byCount.get(0).add(first);
    for (int count = 0; count <= MOST_MOVED; count++) {
      Deque<State> queue = byCount.get(count);
      while (!queue.isEmpty()) {
        State state = queue.remove();
        for (Closing closing : at(state.net())) {
          Optional<Map<ContactId, Integer>> moved = moved(state.moved(), closing);
          int other = closing.edge().other(state.net());
          if (moved.isEmpty() || moved.get().size() > MOST_MOVED || other == start) {
            continue;
          }
          State next = new State(other, moved.get());
          if (seen.size() > MOST_STATES) {
            return new Search(all, false);
          }
          if (!seen.add(next)) {
            continue;
          }
          if (ends.counts(other) && isNew(all, next) && joined(start, next)) {
            all.add(new Found(other, next.moved()));
          }
          if (!ends.ends(other)) {
            byCount.get(next.moved().size()).add(next);
          }
        }
      }
    }
    return new Search(all, true);
  }

  private static Optional<Map<ContactId, Integer>> moved(
      Map<ContactId, Integer> moved, Closing closing) {
    Integer stands = moved.get(closing.contact());
    if (stands != null) {
      return stands == closing.position() ? Optional.of(moved) : Optional.empty();
    }
    if (closing.position() == 0) {
      return Optional.of(moved);
    }
    Map<ContactId, Integer> next = new TreeMap<>(moved);
    next.put(closing.contact(), closing.position());
    return Optional.of(next);
  }

  /** Nothing that was found leads there with a part of these contacts. */
  private static boolean isNew(List<Found> all, State state) {
    return all.stream()
        .filter(found -> found.net() == state.net())
        .noneMatch(found -> state.moved().entrySet().containsAll(found.moved().entrySet()));
  }

  /** Whether the two are joined once all of the contacts stand so: none may open the way again. */
  private boolean joined(int start, State state) {
    Set<Integer> seen = new HashSet<>(Set.of(start));
    Deque<Integer> queue = new ArrayDeque<>(seen);
    while (!queue.isEmpty()) {
      int net = queue.remove();
      if (net == state.net()) {
        return true;
      }
      for (Closing closing : at(net)) {
        if (state.moved().getOrDefault(closing.contact(), 0) == closing.position()
            && seen.add(closing.edge().other(net))) {
          queue.add(closing.edge().other(net));
        }
      }
    }
    return false;
  }

  /** {@return the contacts on the shortest way between two nets while contacts stand so} */
  List<ContactId> through(int start, int end, Map<ContactId, Integer> moved) {
    Map<Integer, Closing> by = new HashMap<>();
    Deque<Integer> queue = new ArrayDeque<>(List.of(start));
    while (!queue.isEmpty() && !by.containsKey(end)) {
      int net = queue.remove();
      for (Closing closing : at(net)) {
        int other = closing.edge().other(net);
        boolean stands = moved.getOrDefault(closing.contact(), 0) == closing.position();
        if (stands && other != start && by.putIfAbsent(other, closing) == null) {
          queue.add(other);
        }
      }
    }
    List<ContactId> through = new ArrayList<>();
    for (int net = end; net != start && by.containsKey(net); ) {
      Closing closing = by.get(net);
      if (!through.contains(closing.contact())) {
        through.add(0, closing.contact());
      }
      net = closing.edge().other(net);
    }
    return through;
  }

  /** {@return the ways that are closed while contacts stand so, and lead on from a net} */
  List<Edge> closed(int start, Map<ContactId, Integer> moved) {
    List<Edge> edges = new ArrayList<>();
    Set<Edge> taken = new HashSet<>();
    Set<Integer> seen = new HashSet<>(Set.of(start));
    Deque<Integer> queue = new ArrayDeque<>(seen);
    while (!queue.isEmpty()) {
      int net = queue.remove();
      for (Closing closing : at(net)) {
        if (moved.getOrDefault(closing.contact(), 0) == closing.position()) {
          if (taken.add(closing.edge())) {
            edges.add(closing.edge());
          }
          if (seen.add(closing.edge().other(net))) {
            queue.add(closing.edge().other(net));
          }
        }
      }
    }
    return edges;
  }

  /** {@return hands that hold the contacts so and nothing else} */
  ToDoubleFunction<ContactId> hands(Map<ContactId, Integer> moved) {
    Map<ContactId, Double> travel = new HashMap<>();
    byNet.values().stream()
        .flatMap(List::stream)
        .filter(c -> moved.getOrDefault(c.contact(), 0) == c.position() && c.position() > 0)
        .forEach(c -> travel.put(c.contact(), c.travel()));
    return contact -> travel.containsKey(contact) ? travel.get(contact) : network.rest(contact);
  }
}
