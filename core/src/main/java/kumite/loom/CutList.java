package kumite.loom;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import kumite.kind.WireColour;
import kumite.name.Joint;

/**
 * The strands in the order they are cut: by gauge and colour, longest first, with what shares their
 * ends.
 *
 * @param cuts one for each strand; a wire to another board is cut with the seat it comes from
 * @param spools what to buy of each colour and gauge
 */
public record CutList(List<Cut> cuts, List<Spool> spools) {
  /** Share of each colour and gauge bought beyond what is cut: common practice, no source. */
  public static final double SPARE = 0.1;

  /**
   * One strand to cut.
   *
   * @param strand which
   * @param fromWith the strands that share its first end, joined by {@code and}, where any does
   * @param toWith the strands that share its other end
   */
  public record Cut(Strand strand, Optional<String> fromWith, Optional<String> toWith) {}

  /**
   * Wire of one colour and gauge.
   *
   * @param metres to buy, spare included
   */
  public record Spool(int gaugeAwg, WireColour colour, double metres) {}

  public CutList {
    cuts = List.copyOf(cuts);
    spools = List.copyOf(spools);
  }

  /** {@return the cut list of a loom} */
  public static CutList of(Loom loom) {
    Map<Joint, List<String>> at = new HashMap<>();
    Map<Integer, Map<WireColour, Integer>> lengths = new TreeMap<>();
    for (Strand strand : loom.strands()) {
      at.computeIfAbsent(strand.from().place(), j -> new ArrayList<>()).add(strand.id());
      at.computeIfAbsent(strand.to().place(), j -> new ArrayList<>()).add(strand.id());
      if (strand.cutHere()) {
        lengths
            .computeIfAbsent(strand.gaugeAwg(), g -> new TreeMap<>())
            .merge(strand.colour(), strand.lengthMm(), Integer::sum);
      }
    }
    List<Cut> cuts =
        loom.strands().stream()
            .filter(Strand::cutHere)
            .sorted(
                Comparator.comparingInt(Strand::gaugeAwg)
                    .thenComparing(Strand::colour)
                    .thenComparing(Comparator.comparingInt(Strand::lengthMm).reversed())
                    .thenComparing(Strand::id))
            .map(
                strand ->
                    new Cut(
                        strand,
                        partner(at, strand, strand.from().place()),
                        partner(at, strand, strand.to().place())))
            .toList();
    List<Spool> spools = new ArrayList<>();
    lengths.forEach(
        (gauge, colours) ->
            colours.forEach(
                (colour, mm) -> spools.add(new Spool(gauge, colour, mm / 1000.0 * (1 + SPARE)))));
    return new CutList(cuts, spools);
  }

  private static Optional<String> partner(Map<Joint, List<String>> at, Strand strand, Joint place) {
    String others =
        at.get(place).stream()
            .filter(id -> !id.equals(strand.id()))
            .collect(Collectors.joining(" and "));
    return Optional.of(others).filter(names -> !names.isEmpty());
  }

  /** {@return what to buy of a strand's colour and gauge, in metres} */
  public double metres(Strand strand) {
    return spools.stream()
        .filter(s -> s.gaugeAwg() == strand.gaugeAwg() && s.colour().equals(strand.colour()))
        .mapToDouble(Spool::metres)
        .findFirst()
        .orElse(0);
  }
}
