package kumite.verdict;

import java.util.List;
import kumite.build.Build;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Remedy;
import kumite.finding.Severity;
import org.jspecify.annotations.Nullable;

/**
 * Tries a fix on the build: its finding must go, and no stop may come that was not there, be it
 * hidden behind another one.
 */
final class Trial implements Remedy.Judge {
  private final Bench bench;

  /** Worked out when a fix first brings out what was hidden; null until then. */
  private @Nullable List<Finding> hidden;

  /** A trial on the bench whose findings are to be mended. */
  Trial(Bench bench) {
    this.bench = bench;
  }

  @Override
  public boolean lets(Finding finding, Fix fix) {
    Build mended = fix.edit().apply(bench.build());
    if (mended.equals(bench.build())) {
      return false;
    }
    Bench after = bench.next(mended);
    return after.findings().stream()
            .filter(f -> f.severity() != Severity.FINE)
            .noneMatch(finding::same)
        && after.findings().stream()
            .filter(f -> f.severity() == Severity.STOP)
            .allMatch(stop -> stopped(bench.findings(), stop) || stopped(hidden(), stop));
  }

  private List<Finding> hidden() {
    if (hidden == null) {
      hidden =
          bench.desks().stream()
              .flatMap(desk -> desk.hidden(bench.catalogue(), bench.solves()).stream())
              .toList();
    }
    return hidden;
  }

  /** {@return whether one of the stops speaks of no less than another one} */
  static boolean stopped(List<Finding> stops, Finding stop) {
    return stops.stream()
        .filter(f -> f.severity() == Severity.STOP && f.code().equals(stop.code()))
        .anyMatch(f -> f.about().containsAll(stop.about()));
  }
}
