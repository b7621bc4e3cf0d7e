package kumite.loom;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import kumite.build.Build;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Subject;
import kumite.kind.Landing;
import kumite.name.ControlId;

/** Whether the wire suits the connectors that are pushed on tabs. */
final class TabChecks {
  private TabChecks() {}

  static Optional<Finding> of(Build build, Loom loom) {
    Map<String, Strand.End> off = new LinkedHashMap<>();
    int gauge = build.loom().laying().gaugeAwg();
    int laidThere = 0;
    for (Strand strand : loom.strands()) {
      for (Strand.End end : List.of(strand.from(), strand.to())) {
        Landing.Fit fit = end.landing().fit(strand.gaugeAwg());
        if (strand.cutHere() && (fit == Landing.Fit.TOO_THIN || fit == Landing.Fit.TOO_THICK)) {
          laidThere = off.isEmpty() ? strand.gaugeAwg() : laidThere;
          off.putIfAbsent(end.place().part(), end);
        }
      }
    }
    if (off.isEmpty()) {
      return Optional.empty();
    }
    Strand.End first = off.values().iterator().next();
    int laid = laidThere;
    boolean thin = first.landing().fit(laid) == Landing.Fit.TOO_THIN;
    Finding finding =
        Finding.of(
            LoomCode.GAUGE_OFF_TAB,
            off.keySet().stream()
                .map(ControlId::new)
                .filter(id -> build.control(id).isPresent())
                .map(Subject::of)
                .toList(),
            laid + " AWG is too " + (thin ? "thin" : "thick") + " for " + first.landing().words(),
            thin
                ? "Even folded double it slips out of the connector of " + first.part()
                : "It does not go into the connector of " + first.part());
    return Optional.of(
        fitting(loom, gauge)
            .filter(awg -> build.loom().laying().sorts().isEmpty())
            .map(
                awg ->
                    finding.mendedBy(
                        Fix.of(
                            "Lay " + awg + " AWG",
                            b ->
                                b.withLoom(b.loom().withLaying(b.loom().laying().withGauge(awg))))))
            .orElse(finding));
  }

  /** {@return the gauge nearest to the one that is laid that suits every tab} */
  private static Optional<Integer> fitting(Loom loom, int gauge) {
    List<Landing> tabs =
        loom.strands().stream()
            .flatMap(s -> List.of(s.from(), s.to()).stream())
            .map(Strand.End::landing)
            .distinct()
            .toList();
    return IntStream.rangeClosed(10, 36)
        .filter(awg -> awg % 2 == 0)
        .filter(
            awg ->
                tabs.stream()
                    .map(tab -> tab.fit(awg))
                    .allMatch(fit -> fit == Landing.Fit.FITS || fit == Landing.Fit.FOLDED))
        .boxed()
        .min(java.util.Comparator.comparingInt(awg -> Math.abs(awg - gauge)));
  }
}
