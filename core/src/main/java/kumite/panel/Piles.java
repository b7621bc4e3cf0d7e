package kumite.panel;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.build.Build;
import kumite.build.Edit;
import kumite.finding.Fix;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import org.jgrapht.alg.util.UnionFind;

/**
 * Parts that lie on one another, as after a paste: each runs into so many others that its gaps one
 * by one say nothing.
 *
 * @param all the piles, their parts in order
 * @param which the pile that a part lies in, by its place in the list
 */
record Piles(List<List<ControlId>> all, Map<ControlId, Integer> which) {
  /** Runs into more than this are a pile and no layout. */
  private static final int MANY = 12;

  /** A pile of more parts than this is laid out by hand. */
  private static final int MOST_LAID_OUT = 30;

  static Piles of(Gaps gaps) {
    Map<ControlId, Set<ControlId>> runsInto = new HashMap<>();
    for (Gap gap : gaps.list()) {
      if (gap.stops() && gap.controls().size() == 2) {
        ControlId one = gap.controls().get(0);
        ControlId other = gap.controls().get(1);
        runsInto.computeIfAbsent(one, id -> new HashSet<>()).add(other);
        runsInto.computeIfAbsent(other, id -> new HashSet<>()).add(one);
      }
    }
    runsInto.values().removeIf(others -> others.size() <= MANY);
    UnionFind<ControlId> joined = new UnionFind<>(runsInto.keySet());
    runsInto.forEach(
        (one, others) ->
            others.stream().filter(runsInto::containsKey).forEach(o -> joined.union(one, o)));
    Map<ControlId, List<ControlId>> piles = new LinkedHashMap<>();
    runsInto.keySet().stream()
        .sorted()
        .forEach(id -> piles.computeIfAbsent(joined.find(id), p -> new ArrayList<>()).add(id));
    // One large part over many small ones is no pile; its pairs are told one by one.
    List<List<ControlId>> all = piles.values().stream().filter(p -> p.size() > 1).toList();
    Map<ControlId, Integer> which = new HashMap<>();
    for (int i = 0; i < all.size(); i++) {
      for (ControlId id : all.get(i)) {
        which.put(id, i);
      }
    }
    return new Piles(all, which);
  }

  /** {@return whether a gap lies between two parts of one pile} */
  boolean holds(Gap gap) {
    if (gap.controls().size() != 2) {
      return false;
    }
    Integer pile = which.get(gap.controls().get(0));
    return pile != null && pile.equals(which.get(gap.controls().get(1)));
  }

  /** {@return a fix that leaves the first where it is and brings each other to a free place} */
  static Optional<Fix> laidOut(Build build, Catalogue catalogue, List<ControlId> pile) {
    if (pile.size() > MOST_LAID_OUT) {
      return Optional.empty();
    }
    return Optional.of(
        Fix.of(
            "Bring " + (pile.size() - 1) + " of them to free places",
            before -> {
              Build after = before;
              for (ControlId id : pile.subList(1, pile.size())) {
                Edit stay = new Edit("Bring " + Arrange.name(build, List.of(id)), b -> b);
                after = Arrange.bringToFreePlace(catalogue, id, stay).apply(after);
              }
              return after;
            }));
  }
}
