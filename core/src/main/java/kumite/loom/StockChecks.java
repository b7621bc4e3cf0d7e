package kumite.loom;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import kumite.build.Build;
import kumite.build.loom.WireSort;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Subject;

/** Whether the wire that is at hand does: ready jumpers reach, and a cable has cores enough. */
final class StockChecks {
  /** In a cable one core is kept spare: common practice. */
  private static final int SPARE = 1;

  private StockChecks() {}

  static List<Finding> of(Build build, Loom loom) {
    List<Finding> findings = new ArrayList<>();
    for (WireSort.Use use : WireSort.Use.values()) {
      WireSort sort = build.loom().laying().sort(use);
      List<Strand> strands =
          loom.strands().stream()
              .filter(Strand::cutHere)
              .filter(strand -> strand.use() == use)
              .toList();
      jumpers(use, sort, strands, findings);
      cores(use, sort, strands, findings);
    }
    return findings;
  }

  private static void jumpers(
      WireSort.Use use, WireSort sort, List<Strand> strands, List<Finding> findings) {
    if (sort.jumpersMm().isEmpty()) {
      return;
    }
    List<Strand> far = strands.stream().filter(s -> sort.jumper(s.lengthMm()).isEmpty()).toList();
    if (!far.isEmpty()) {
      int longest = sort.jumpersMm().stream().mapToInt(Integer::intValue).max().orElse(0);
      findings.add(
          Finding.of(
                  LoomCode.JUMPERS_SHORT,
                  far.stream().flatMap(s -> s.contact().stream()).map(Subject::of).toList(),
                  "Ready jumpers for " + use.word() + " do not reach",
                  "The longest is "
                      + longest
                      + " mm; "
                      + far.stream()
                          .limit(4)
                          .map(s -> s.id() + " wants " + s.lengthMm())
                          .collect(Collectors.joining(", "))
                      + (far.size() > 4 ? " and " + (far.size() - 4) + " more" : "")
                      + " mm: cut those from wire, or move the board nearer")
              .mendedBy(
                  Fix.of(
                      "Cut all wires for " + use.word(),
                      b -> sorted(b, use, sort.withJumpers(Set.of())))));
    }
  }

  private static void cores(
      WireSort.Use use, WireSort sort, List<Strand> strands, List<Finding> findings) {
    long wanted = strands.stream().filter(s -> !s.inOnePart()).count();
    if (sort.cores() > 0 && wanted + SPARE > sort.cores()) {
      long cables = (wanted + sort.cores() - 1 - SPARE) / Math.max(1, sort.cores() - SPARE);
      findings.add(
          Finding.of(
                  LoomCode.CORES_FEW,
                  List.of(),
                  "One cable is too few for " + use.word(),
                  wanted
                      + " wires, and a cable of "
                      + sort.cores()
                      + " cores serves "
                      + (sort.cores() - SPARE)
                      + " with one kept spare: "
                      + Math.max(2, cables)
                      + " cables")
              .mendedBy(
                  Fix.of(
                      "Take single wires for " + use.word(),
                      b -> sorted(b, use, sort.withCores(0)))));
    }
  }

  private static Build sorted(Build build, WireSort.Use use, WireSort sort) {
    return build.withLoom(build.loom().withLaying(build.loom().laying().withSort(use, sort)));
  }
}
