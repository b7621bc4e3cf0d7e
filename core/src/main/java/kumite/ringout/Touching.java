package kumite.ringout;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import kumite.lead.LeadPart.Place;

/**
 * Shows that cores do not touch, once their partners are known, or finds those that do.
 *
 * <p>In groups: places are numbered, and for each binary digit those with a 0 are held against
 * those with a 1; any two differ in some digit, so ceil(log2 n) silent answers part them all.
 */
final class Touching {
  private static final Comparator<Facts.Unexplained> FEWEST =
      Comparator.comparingInt(u -> u.pairs().size());

  private Touching() {}

  static Optional<NextProbe> next(Known known) {
    Facts facts = known.facts();
    int near = known.ringOut().near().size();
    // A beep between cores is followed up at once; one at the far end may explain itself meanwhile.
    Optional<Facts.Unexplained> beeped =
        facts.unexplained().stream()
            .filter(u -> u.pairs().stream().allMatch(p -> p[0] < near && p[1] < near))
            .min(FEWEST);
    if (beeped.isPresent()) {
      return which(known, beeped.get().pairs());
    }
    List<Integer> cores = groups(known);
    Optional<NextProbe> between =
        known.ringOut().way() == RingOut.Way.GROUPED ? digits(known, cores) : pair(known, cores);
    if (between.isPresent()) {
      return between;
    }
    return facts.unexplained().isEmpty()
        ? spare(known, cores)
        : which(known, facts.unexplained().stream().min(FEWEST).orElseThrow().pairs());
  }

  /** One place of the near end for each group of places that are joined. */
  private static List<Integer> groups(Known known) {
    List<Integer> first = new ArrayList<>();
    for (int i = 0; i < known.ringOut().near().size(); i++) {
      int place = i;
      if (first.stream().noneMatch(other -> known.facts().same(other, place))) {
        first.add(i);
      }
    }
    return first;
  }

  /** Halves one side of a beep that several pairs may be the reason of. */
  static Optional<NextProbe> which(Known known, List<int[]> pairs) {
    Facts facts = known.facts();
    Set<Integer> ones = new LinkedHashSet<>();
    Set<Integer> others = new LinkedHashSet<>();
    pairs.forEach(pair -> ones.add(pair[0]));
    pairs.forEach(pair -> others.add(pair[1]));
    boolean firstSide = ones.size() > 1;
    Set<Integer> split = firstSide ? ones : others;
    List<Integer> half = new ArrayList<>(split).subList(0, (split.size() + 1) / 2);
    if (known.ringOut().way() == RingOut.Way.ONE_BY_ONE) {
      return Optional.of(
          probe(facts, List.of(pairs.get(0)[0]), List.of(pairs.get(0)[1]), NextProbe.Why.WHICH));
    }
    Set<Integer> across = new LinkedHashSet<>();
    pairs.stream()
        .filter(pair -> half.contains(firstSide ? pair[0] : pair[1]))
        .forEach(pair -> across.add(firstSide ? pair[1] : pair[0]));
    return Optional.of(probe(facts, half, new ArrayList<>(across), NextProbe.Why.WHICH));
  }

  private static Optional<NextProbe> digits(Known known, List<Integer> cores) {
    Facts facts = known.facts();
    for (int digit = 0; 1 << digit < cores.size(); digit++) {
      List<Integer> zeros = new ArrayList<>();
      List<Integer> ones = new ArrayList<>();
      boolean asks = false;
      for (int i = 0; i < cores.size(); i++) {
        ((i >> digit & 1) == 0 ? zeros : ones).add(cores.get(i));
      }
      for (int a : zeros) {
        asks |= ones.stream().anyMatch(b -> !facts.apart(a, b));
      }
      if (asks) {
        return Optional.of(probe(facts, zeros, ones, NextProbe.Why.TOUCHING));
      }
    }
    return Optional.empty();
  }

  private static Optional<NextProbe> pair(Known known, List<Integer> cores) {
    for (int a : cores) {
      for (int b : cores) {
        if (a < b && !known.facts().apart(a, b)) {
          return Optional.of(probe(known.facts(), List.of(a), List.of(b), NextProbe.Why.TOUCHING));
        }
      }
    }
    return Optional.empty();
  }

  /** Places of the far end that no core was found for may be joined to others there. */
  private static Optional<NextProbe> spare(Known known, List<Integer> cores) {
    Facts facts = known.facts();
    int near = known.ringOut().near().size();
    boolean grouped = known.ringOut().way() == RingOut.Way.GROUPED;
    for (int j = near; j < near + known.ringOut().far().size(); j++) {
      int place = j;
      if (cores.stream().noneMatch(core -> facts.same(core, place))) {
        List<Integer> open = cores.stream().filter(core -> !facts.apart(core, place)).toList();
        if (!open.isEmpty()) {
          return Optional.of(
              probe(
                  facts, List.of(place), grouped ? open : open.subList(0, 1), NextProbe.Why.SPARE));
        }
      }
    }
    return Optional.empty();
  }

  private static NextProbe probe(
      Facts facts, List<Integer> one, List<Integer> other, NextProbe.Why why) {
    Set<Place> first = new LinkedHashSet<>();
    one.forEach(i -> first.add(facts.place(i)));
    Set<Place> second = new LinkedHashSet<>();
    other.forEach(i -> second.add(facts.place(i)));
    return new NextProbe(first, second, why);
  }

  /** {@return probes that are left if nothing touches} */
  static int left(Known known) {
    List<Integer> cores = groups(known);
    if (known.ringOut().way() == RingOut.Way.GROUPED) {
      int digits = 0;
      for (int digit = 0; 1 << digit < cores.size(); digit++) {
        boolean asks = false;
        for (int i = 0; i < cores.size(); i++) {
          for (int k = i + 1; k < cores.size(); k++) {
            asks |=
                (i >> digit & 1) != (k >> digit & 1)
                    && !known.facts().apart(cores.get(i), cores.get(k));
          }
        }
        digits += asks ? 1 : 0;
      }
      return digits;
    }
    int pairs = 0;
    for (int a : cores) {
      for (int b : cores) {
        pairs += a < b && !known.facts().apart(a, b) ? 1 : 0;
      }
    }
    return pairs;
  }
}
