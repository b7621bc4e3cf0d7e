package kumite.verdict;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.map.Target;
import kumite.device.SignalPath;
import kumite.device.SimulatedDevice;
import kumite.hid.ReportLayout;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.loom.ContactSite;
import kumite.loom.Loom;
import kumite.loom.Netlist;
import kumite.map.Coverage;
import kumite.map.TargetText;
import kumite.name.ContactId;
import kumite.panel.DrillPlan;
import kumite.panel.Gaps;
import kumite.panel.Nudge;
import kumite.panel.Reach;
import kumite.parts.Catalogue;
import kumite.power.Budget;

/**
 * A build with everything that follows from it.
 *
 * <pre>{@code
 * Bench bench = Bench.of(build, Catalogue.standard());
 * bench.count(Severity.STOP);
 * }</pre>
 *
 * <p>A pure function of its two arguments; costs a few milliseconds for a panel of ordinary size.
 *
 * @param build the build
 * @param catalogue the kinds it uses
 * @param gaps the gaps of its panel
 * @param reach what the hand has to do
 * @param drill the holes of its panel
 * @param loom its strands
 * @param netlist what is joined to what, wires by hand included; empty without a board
 * @param budget what it takes from its supply; empty without a board
 * @param layout its reports
 * @param paths its signal paths, in the order of its controls
 * @param coverage what the host asks for against what it gets
 * @param findings all findings, stops first
 */
public record Bench(
    Build build,
    Catalogue catalogue,
    Gaps gaps,
    Reach reach,
    DrillPlan drill,
    Loom loom,
    Optional<Netlist> netlist,
    Optional<Budget> budget,
    ReportLayout layout,
    List<SignalPath> paths,
    Coverage coverage,
    List<Finding> findings) {

  public Bench {
    paths = List.copyOf(paths);
    findings = List.copyOf(findings);
  }

  /** Works everything out. */
  public static Bench of(Build build, Catalogue shipped) {
    Catalogue catalogue = shipped.with(build);
    Gaps gaps = Gaps.of(build, catalogue);
    Reach reach = Reach.of(build, catalogue);
    Loom loom = Loom.of(build, catalogue);
    Optional<BoardKind> board = catalogue.boardOf(build);
    ReportLayout layout = layout(build, loom, board);
    List<SignalPath> paths = SignalPath.all(build, catalogue, loom, layout);
    Coverage coverage = Coverage.of(build);
    Nudge.Search search = new Nudge.Search(build, catalogue);
    List<Finding> findings = new ArrayList<>();
    findings.addAll(BriefChecks.of(build));
    findings.addAll(PanelChecks.of(build, catalogue, gaps, search));
    findings.addAll(HandChecks.of(build, catalogue, reach, search));
    findings.addAll(LoomChecks.of(build, catalogue, loom));
    Optional<Netlist> netlist = board.map(b -> Netlist.of(build, b, loom));
    Optional<Budget> budget = board.map(b -> Budget.of(build, b, loom));
    if (board.isPresent()) {
      findings.addAll(NetChecks.of(build, board.get(), netlist.get()));
      findings.addAll(PowerChecks.of(build, board.get(), loom, paths, budget.get()));
    }
    findings.addAll(MapChecks.of(build, catalogue, loom, coverage, layout));
    findings.sort(Comparator.comparing(Finding::severity).thenComparing(Finding::station));
    return new Bench(
        build,
        catalogue,
        gaps,
        reach,
        DrillPlan.of(build, catalogue),
        loom,
        netlist,
        budget,
        layout,
        paths,
        coverage,
        findings);
  }

  private static ReportLayout layout(Build build, Loom loom, Optional<BoardKind> board) {
    List<Target> targets = new ArrayList<>();
    Map<Integer, Integer> steps = new HashMap<>();
    for (ContactSite site : loom.sites()) {
      site.entry()
          .ifPresent(
              entry -> {
                targets.add(entry.target());
                if (entry.target() instanceof Target.Steps run) {
                  steps.merge(run.first(), Math.max(1, site.kind().steps()), Math::max);
                }
              });
    }
    // A board with a fixed map reports all its sockets, used or not.
    board
        .filter(BoardKind::fixedMap)
        .ifPresent(
            b ->
                b.terminals(Terminal.Role.INPUT).stream()
                    .flatMap(t -> t.fixed().stream())
                    .forEach(text -> targets.add(TargetText.parse(text))));
    return ReportLayout.of(targets, steps, board.map(BoardKind::axisMaximum).orElse(255));
  }

  /** {@return how many findings have that severity} */
  public int count(Severity severity) {
    return (int) findings.stream().filter(finding -> finding.severity() == severity).count();
  }

  /** {@return how many findings of a station have that severity} */
  public int count(Station station, Severity severity) {
    return (int)
        findings.stream()
            .filter(finding -> finding.station() == station && finding.severity() == severity)
            .count();
  }

  /** {@return the path of a contact, if the build has it} */
  public Optional<SignalPath> path(ContactId id) {
    return paths.stream().filter(path -> path.id().equals(id)).findFirst();
  }

  /** {@return the kind of its board, if one is chosen} */
  public Optional<BoardKind> board() {
    return catalogue.boardOf(build);
  }

  /** {@return a simulated device that runs this build} */
  public SimulatedDevice device() {
    return new SimulatedDevice(build.timing(), board(), layout, paths);
  }
}
