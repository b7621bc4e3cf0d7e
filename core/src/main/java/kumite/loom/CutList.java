package kumite.loom;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import kumite.kind.Landing;
import kumite.kind.WireColour;
import kumite.name.Joint;

/**
 * The strands in the order they are cut: by gauge and colour, longest first, with what shares their
 * ends.
 *
 * @param cuts one for each strand; a wire to another board is cut with the seat it comes from
 * @param spools what to buy of each colour and gauge
 * @param buses strands that are one bare wire together, from end to end
 */
public record CutList(List<Cut> cuts, List<Spool> spools, List<Bus> buses) {
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
   * One bare wire through several tabs, which is cut once.
   *
   * @param strands the ids of the stretches between its joints, in their order
   * @param lengthMm of it whole
   * @param joints on it, one more than stretches
   */
  public record Bus(List<String> strands, int lengthMm, int joints) {
    public Bus {
      strands = List.copyOf(strands);
    }
  }

  /**
   * Wire of one colour and gauge.
   *
   * @param metres to buy, spare included
   */
  public record Spool(int gaugeAwg, WireColour colour, double metres) {}

  public CutList {
    cuts = List.copyOf(cuts);
    spools = List.copyOf(spools);
    buses = List.copyOf(buses);
  }

  /** {@return the bare wire that a strand is a stretch of, if it is one} */
  public Optional<Bus> bus(Strand strand) {
    return buses.stream().filter(bus -> bus.strands().contains(strand.id())).findFirst();
  }

  /** Stretches of bare wire that meet at a tab are one wire. */
  private static List<Bus> buses(Loom loom) {
    List<Bus> buses = new ArrayList<>();
    List<Strand> open = new ArrayList<>();
    for (Strand strand : loom.strands()) {
      boolean bare = strand.from().landing().how() == Landing.How.BUS;
      Optional<Strand> last =
          open.isEmpty() ? Optional.empty() : Optional.of(open.get(open.size() - 1));
      boolean goesOn =
          bare && last.filter(l -> l.from().place().equals(strand.to().place())).isPresent();
      if (!goesOn) {
        close(open, buses);
      }
      if (bare) {
        open.add(strand);
      }
    }
    close(open, buses);
    return buses;
  }

  private static void close(List<Strand> open, List<Bus> buses) {
    if (open.size() > 1) {
      buses.add(
          new Bus(
              open.stream().map(Strand::id).toList(),
              open.stream().mapToInt(Strand::lengthMm).sum(),
              open.size() + 1));
    }
    open.clear();
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
    return new CutList(cuts, spools, buses(loom));
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
