package kumite.loom;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;

/**
 * The smallest set of wires that cannot all have terminals, and the terminals they compete for.
 *
 * <p>By Hall's theorem (Philip Hall, "On representatives of subsets", J. London Math. Soc. 10
 * (1935)) a plan exists unless some set of wires has fewer fitting terminals than members. Wires
 * that fit the same terminals are alike, so that only sets of whole kinds need be looked at; with
 * up to {@value #MOST_KINDS} kinds all are, and the smallest clash is found.
 *
 * @param wires one more than there are terminals for them
 * @param terminals all that any of these wires fits
 */
public record Clash(List<Line> wires, List<String> terminals) {
  /** Kinds of wires up to which every combination is looked at: 65 536 of them. */
  static final int MOST_KINDS = 16;

  public Clash {
    wires = List.copyOf(wires);
    terminals = List.copyOf(terminals);
  }

  /** {@return in words: {@code 5 wires want one of 4 terminals: A0, A1, A2, A3}} */
  public String words() {
    String named =
        String.join(", ", wires.stream().limit(5).map(Line::label).toList())
            + (wires.size() > 5 ? " and " + (wires.size() - 5) + " more" : "");
    if (terminals.isEmpty()) {
      return named + ": no terminal of this board " + need();
    }
    return wires.size()
        + " wires want one of "
        + terminals.size()
        + (terminals.size() == 1 ? " terminal that " : " terminals that ")
        + need()
        + " ("
        + String.join(", ", terminals.stream().limit(8).toList())
        + (terminals.size() > 8 ? ", …" : "")
        + "): "
        + named;
  }

  private String need() {
    List<String> needs = wires.stream().map(w -> w.needs().words()).distinct().toList();
    List<String> meanings =
        wires.stream().flatMap(w -> w.fixed().stream()).distinct().limit(2).toList();
    return meanings.size() == 1 && wires.get(0).needs() == Line.Need.READ && terminals.size() < 2
        ? "gives " + meanings.get(0)
        : String.join(" or ", needs);
  }

  /**
   * Looks for the smallest clash.
   *
   * @param lines the wires
   * @param terminals the names of the terminals that may be used
   * @param fits which terminals each wire fits, by position
   */
  static Optional<Clash> smallest(List<Line> lines, List<String> terminals, List<BitSet> fits) {
    Map<BitSet, List<Line>> kinds = new LinkedHashMap<>();
    for (int i = 0; i < lines.size(); i++) {
      kinds.computeIfAbsent(fits.get(i), set -> new ArrayList<>()).add(lines.get(i));
    }
    List<Map.Entry<BitSet, List<Line>>> all = new ArrayList<>(kinds.entrySet());
    // The scarcest first; beyond the limit only these are combined, and the rest looked at alone.
    all.sort(Comparator.comparingInt(kind -> kind.getKey().cardinality()));
    Optional<Clash> best = Optional.empty();
    int combined = Math.min(MOST_KINDS, all.size());
    for (int set = 1; set < 1 << combined; set++) {
      BitSet reach = new BitSet();
      List<Line> members = new ArrayList<>();
      for (int k = 0; k < combined; k++) {
        if ((set >> k & 1) == 1) {
          reach.or(all.get(k).getKey());
          members.addAll(all.get(k).getValue());
        }
      }
      best = better(best, members, reach, terminals);
    }
    for (int k = combined; k < all.size(); k++) {
      best = better(best, all.get(k).getValue(), all.get(k).getKey(), terminals);
    }
    return best;
  }

  private static Optional<Clash> better(
      Optional<Clash> best, List<Line> members, BitSet reach, List<String> terminals) {
    int needed = reach.cardinality() + 1;
    if (members.size() < needed || best.isPresent() && best.get().wires().size() <= needed) {
      return best;
    }
    TreeSet<String> names = new TreeSet<>();
    reach.stream().forEach(at -> names.add(terminals.get(at)));
    return Optional.of(new Clash(members.subList(0, needed), List.copyOf(names)));
  }
}
