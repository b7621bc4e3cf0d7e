package kumite.lead;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * Finds, among leads at hand, those that plugged into each other do what is wanted: fewest first.
 */
public final class Drawer {
  private record Way(String connector, Gender gender, Map<String, String> carries) {}

  /** A lead that is one to one, and what it carries. */
  private record Held(Lead lead, Way way, End.Plug to) {}

  private final List<Held> held = new ArrayList<>();

  /** Leads at hand; those that end at a board, or share pins, are left out. */
  public Drawer(List<Lead> leads) {
    for (Lead lead : leads) {
      Optional<Map<String, String>> map = LeadNets.of(lead).oneToOne();
      if (map.isPresent()
          && lead.from() instanceof End.Plug from
          && lead.to() instanceof End.Plug to) {
        held.add(new Held(lead, new Way(from.connector(), from.gender(), map.get()), to));
      }
    }
  }

  /**
   * {@return the fewest leads, three at most, that plugged into each other do what a wanted one
   * does, in order; empty if none do}
   *
   * <p>Each lead is used once. The ends must be of the wanted shapes and genders, and leads that
   * meet must fit into each other.
   */
  public Optional<List<Lead>> doing(Lead wanted) {
    Optional<Map<String, String>> map = LeadNets.of(wanted).oneToOne();
    if (map.isEmpty()
        || !(wanted.from() instanceof End.Plug from)
        || !(wanted.to() instanceof End.Plug to)) {
      return Optional.empty();
    }
    Way goal = new Way(from.connector(), from.gender(), map.get());
    Map<Way, List<Integer>> lasts = new HashMap<>();
    for (int i = 0; i < held.size(); i++) {
      End.Plug end = held.get(i).to();
      if (end.connector().equals(to.connector()) && end.gender() == to.gender()) {
        lasts.computeIfAbsent(held.get(i).way(), w -> new ArrayList<>()).add(i);
      }
    }
    for (int depth = 1; depth <= 3; depth++) {
      Optional<List<Integer>> found = search(goal, depth, new ArrayList<>(), lasts);
      if (found.isPresent()) {
        return found.map(all -> all.stream().map(i -> held.get(i).lead()).toList());
      }
    }
    return Optional.empty();
  }

  /** The last lead is looked up, not tried. */
  private Optional<List<Integer>> search(
      Way goal, int depth, List<Integer> used, Map<Way, List<Integer>> lasts) {
    if (depth == 1) {
      return lasts.getOrDefault(goal, List.of()).stream()
          .filter(i -> !used.contains(i))
          .findFirst()
          .map(
              i ->
                  java.util.stream.Stream.concat(used.stream(), java.util.stream.Stream.of(i))
                      .toList());
    }
    return IntStream.range(0, held.size())
        .filter(i -> !used.contains(i))
        .mapToObj(
            i -> {
              Optional<Way> left = after(goal, held.get(i));
              if (left.isEmpty()) {
                return Optional.<List<Integer>>empty();
              }
              List<Integer> next = new ArrayList<>(used);
              next.add(i);
              return search(left.get(), depth - 1, next, lasts);
            })
        .flatMap(Optional::stream)
        .findFirst();
  }

  /** What is still to be done after a lead; empty where it cannot come first. */
  private static Optional<Way> after(Way goal, Held first) {
    Way way = first.way();
    boolean fits =
        way.connector().equals(goal.connector())
            && way.gender() == goal.gender()
            && way.carries().keySet().containsAll(goal.carries().keySet())
            && way.carries().size() == goal.carries().size();
    if (!fits) {
      return Optional.empty();
    }
    Map<String, String> left = new java.util.TreeMap<>();
    goal.carries().forEach((from, to) -> left.put(way.carries().get(from), to));
    return Optional.of(new Way(first.to().connector(), first.to().gender().other(), left));
  }
}
