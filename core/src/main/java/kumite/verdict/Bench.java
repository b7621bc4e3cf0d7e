package kumite.verdict;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.BiPredicate;
import java.util.function.Function;
import java.util.function.Supplier;
import kumite.build.Build;
import kumite.build.map.Layer;
import kumite.build.map.Profile;
import kumite.build.map.Timing;
import kumite.circuit.Budget;
import kumite.circuit.Inputs;
import kumite.circuit.Presses;
import kumite.circuit.Solves;
import kumite.device.Holds;
import kumite.device.Hop;
import kumite.device.Hops;
import kumite.device.Senses;
import kumite.device.SignalPath;
import kumite.device.SimulatedDevice;
import kumite.device.Trace;
import kumite.hid.ReportLayout;
import kumite.kind.BoardKind;
import kumite.kind.ControlKind;
import kumite.loom.Look;
import kumite.loom.Looks;
import kumite.loom.Loom;
import kumite.map.Coverage;
import kumite.name.ContactId;
import kumite.panel.DrillPlan;
import kumite.panel.Gaps;
import kumite.panel.Nudge;
import kumite.panel.Reach;
import kumite.parts.Catalogue;
import kumite.timing.Delay;
import kumite.timing.DelayStudy;
import kumite.wiring.Lay;
import kumite.wiring.Wiring;

/**
 * A build with everything that follows from it.
 *
 * <pre>{@code
 * Bench bench = Bench.of(build, Catalogue.standard());
 * bench.count(Severity.STOP);
 * Bench after = bench.next(edited); // the same as Bench.of, sooner
 * }</pre>
 *
 * <p>A pure function of build and catalogue; costs a few milliseconds for a panel of ordinary size.
 *
 * @param build the build
 * @param catalogue the kinds it uses
 * @param gaps the gaps of its panel
 * @param reach what the hand has to do
 * @param drill the holes of its panel
 * @param loom its strands
 * @param circuit its wiring as it is and what a board reads through it; empty without a board
 * @param layout its reports
 * @param paths its signal paths, in the order of its controls
 * @param coverage what the host asks for against what it gets
 * @param findings all findings, stops first
 * @param solves circuits solved before; shared with the benches made from this one
 */
public record Bench(
    Build build,
    Catalogue catalogue,
    Gaps gaps,
    Reach reach,
    DrillPlan drill,
    Loom loom,
    Optional<Wired> circuit,
    ReportLayout layout,
    List<SignalPath> paths,
    Coverage coverage,
    List<Finding> findings,
    Solves solves) {

  /**
   * What follows from the wires.
   *
   * @param planned the wiring as planned
   * @param asBuilt the wiring as it is
   * @param inputs what the board reads
   * @param budget what is taken from the supply
   */
  public record Wired(
      Wiring planned, Wiring asBuilt, Inputs inputs, Budget budget, Presses presses) {}

  public Bench {
    paths = List.copyOf(paths);
    findings = List.copyOf(findings);
  }

  /** Works everything out. */
  public static Bench of(Build build, Catalogue shipped) {
    return work(build, shipped.with(build), new Solves(), Optional.empty());
  }

  /** {@return the bench of another build, usually one edit away; what did not change is kept} */
  public Bench next(Build other) {
    Catalogue kinds =
        build.own().equals(other.own()) && build.ownBoards().equals(other.ownBoards())
            ? catalogue
            : catalogue.with(other);
    return work(other, kinds, solves, Optional.of(this));
  }

  private static Bench work(
      Build build, Catalogue catalogue, Solves solves, Optional<Bench> before) {
    Kept kept = new Kept(build, catalogue, before);
    Gaps gaps = kept.ifPanel(Bench::gaps, () -> Gaps.of(build, catalogue));
    Reach reach = kept.ifPanel(Bench::reach, () -> Reach.of(build, catalogue));
    DrillPlan drill = kept.ifPanel(Bench::drill, () -> DrillPlan.of(build, catalogue));
    Loom loom = kept.ifLoom(Bench::loom, () -> Loom.of(build, catalogue, before.map(Bench::loom)));
    Optional<BoardKind> board = catalogue.boardOf(build);
    Optional<Wired> circuit = board.map(b -> wired(build, b, loom, solves, before));
    Profile profile = Senses.known(build.profile(), board);
    ReportLayout layout = Senses.layout(loom, board, profile);
    Timing timing = timing(build, board);
    List<SignalPath> paths =
        SignalPath.all(
            loom,
            layout,
            circuit.map(Wired::inputs),
            (contact, look) -> delay(profile, timing, board, contact, look));
    Coverage coverage = Coverage.of(build);
    List<Finding> findings = new ArrayList<>();
    findings.addAll(BriefChecks.of(build));
    findings.addAll(
        kept.ifPanel(
            bench -> bench.from(Station.PANEL),
            () -> {
              Nudge.Search search = new Nudge.Search(build, catalogue);
              List<Finding> found = new ArrayList<>(PanelChecks.of(build, catalogue, gaps, search));
              found.addAll(HandChecks.of(build, catalogue, reach, search));
              return found;
            }));
    findings.addAll(LoomChecks.of(build, catalogue, loom));
    circuit.ifPresent(
        wired -> {
          List<Finding> wires = new ArrayList<>(NetChecks.of(build, loom, wired));
          wires.addAll(power(build, loom, layout, paths, wired, timing, solves));
          findings.addAll(PressChecks.completed(build, loom, wired.presses(), wires));
        });
    findings.addAll(MapChecks.of(build, catalogue, loom, coverage, layout));
    findings.addAll(LayerChecks.of(build, loom, board, coverage, layout));
    findings.addAll(ProfileChecks.of(build, loom, board));
    List<Finding> joined = new ArrayList<>(Alike.joined(findings));
    joined.sort(Comparator.comparing(Finding::severity).thenComparing(Finding::station));
    Trial trial = new Trial();
    Bench bench =
        new Bench(
            build,
            catalogue,
            gaps,
            reach,
            drill,
            loom,
            circuit,
            layout,
            paths,
            coverage,
            joined.stream()
                // In a pile that was not measured whole no trial would prove anything.
                .map(f -> gaps.unmeasured() > 0 ? f.unmended() : f.judgedBy(trial))
                .toList(),
            solves);
    trial.bench = bench;
    return bench;
  }

  /**
   * Before a short is out nothing can be solved; volts are then judged as planned, so that what
   * else is wrong is known, and nothing is called fine.
   */
  private static List<Finding> power(
      Build build,
      Loom loom,
      ReportLayout layout,
      List<SignalPath> paths,
      Wired wired,
      Timing timing,
      Solves solves) {
    if (wired.inputs().dead().isEmpty()) {
      return PowerChecks.of(build, loom, paths, wired);
    }
    Inputs planned = Inputs.of(wired.planned(), wired.inputs().looks(), solves);
    Wired as =
        new Wired(
            wired.planned(),
            wired.planned(),
            planned,
            Budget.of(build, wired.planned().board(), loom, planned),
            Presses.AS_PLANNED);
    List<SignalPath> ways =
        SignalPath.all(loom, layout, Optional.of(planned), (contact, look) -> Delay.of(timing));
    return PowerChecks.of(build, loom, ways, as).stream()
        .filter(finding -> finding.severity() != Severity.FINE)
        .toList();
  }

  private List<Finding> from(Station station) {
    return findings.stream().filter(finding -> finding.station() == station).toList();
  }

  private static Wired wired(
      Build build, BoardKind board, Loom loom, Solves solves, Optional<Bench> before) {
    Wiring fresh = Wiring.planned(board, loom);
    Wiring planned =
        before.flatMap(Bench::circuit).map(Wired::planned).filter(fresh::equals).orElse(fresh);
    Wiring byHand = planned.changedByHand(build);
    Wiring asBuilt =
        before.flatMap(Bench::circuit).map(Wired::asBuilt).filter(byHand::equals).orElse(byHand);
    Looks looks = Looks.of(board, loom);
    Inputs inputs =
        before
            .flatMap(Bench::circuit)
            .map(Wired::inputs)
            .filter(in -> in.looks().equals(looks) && in.wiring().equals(asBuilt))
            .orElseGet(() -> Inputs.of(asBuilt, looks, solves));
    Presses presses =
        before
            .flatMap(Bench::circuit)
            .filter(b -> b.inputs() == inputs && b.planned().equals(planned))
            .map(Wired::presses)
            .orElseGet(() -> Presses.of(planned, inputs, solves));
    return new Wired(planned, asBuilt, inputs, Budget.of(build, board, loom, inputs), presses);
  }

  /** What of the bench before still holds. */
  private record Kept(Build build, Catalogue catalogue, Optional<Bench> before) {
    private <T> T keptIf(
        BiPredicate<Build, Build> same, Function<Bench, T> keep, Supplier<T> work) {
      return before
          .filter(b -> b.catalogue() == catalogue && same.test(b.build(), build))
          .map(keep)
          .orElseGet(work);
    }

    <T> T ifPanel(Function<Bench, T> keep, Supplier<T> work) {
      return keptIf(Kept::samePanel, keep, work);
    }

    <T> T ifLoom(Function<Bench, T> keep, Supplier<T> work) {
      return keptIf(
          (one, other) ->
              one.panel().equals(other.panel())
                  && one.board().equals(other.board())
                  && one.controls().equals(other.controls())
                  && one.loom().equals(other.loom())
                  && one.mapping().equals(other.mapping()),
          keep,
          work);
    }

    private static boolean samePanel(Build one, Build other) {
      return one.panel().equals(other.panel())
          && one.board().equals(other.board())
          && one.brief().equals(other.brief())
          && one.controls().equals(other.controls())
          && one.mapping().equals(other.mapping());
    }
  }

  /** Tries a fix on the build: its finding must go, and no stop may come. */
  private static final class Trial implements Remedy.Judge {
    private Bench bench;

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
              .allMatch(bench::stopped);
    }
  }

  /** {@return whether this bench has a stop of which another one speaks no more than it} */
  private boolean stopped(Finding stop) {
    return findings.stream()
        .filter(f -> f.severity() == Severity.STOP && f.code().equals(stop.code()))
        .anyMatch(f -> f.about().containsAll(stop.about()));
  }

  /** How long a contact takes alone: a chord it belongs to makes it wait, a register is late. */
  private static Delay delay(
      Profile profile,
      Timing timing,
      Optional<BoardKind> board,
      ContactId contact,
      Optional<Look> look) {
    long windowUs =
        profile.chords().stream()
            .filter(c -> c.waits() && c.layer().equals(Layer.BASE))
            .filter(c -> c.contacts().contains(contact))
            .mapToLong(c -> 1000L * c.windowMs())
            .max()
            .orElse(0);
    Timing settles =
        look.filter(Look::measured).filter(l -> !(l.how() instanceof Look.Step)).isPresent()
            ? new Timing(timing.scanUs(), timing.debounce(), 0, timing.pollUs())
            : timing;
    return Delay.of(
        settles,
        look.filter(l -> l.how() instanceof Look.Bit).isPresent(),
        windowUs,
        board.filter(b -> b.brain().link() == BoardKind.Link.RADIO).isPresent());
  }

  /**
   * {@return many presses of a contact as the board takes them, with their bounce}
   *
   * @param presses how many are played
   */
  public DelayStudy study(SignalPath path, int presses, long seed) {
    double window =
        path.delay().parts().stream()
            .filter(part -> part.kind() == Delay.Kind.CHORD)
            .mapToDouble(Delay.Part::mostUs)
            .sum();
    boolean late =
        path.delay().parts().stream().anyMatch(part -> part.kind() == Delay.Kind.REGISTER);
    ControlKind.Bounce bounce = path.site().kind().bounce();
    boolean settles =
        path.delay().parts().stream().anyMatch(part -> part.kind() == Delay.Kind.DEBOUNCE);
    boolean analog = path.site().contact().type().analog();
    Timing timing = timing(build, board());
    return DelayStudy.of(
        settles || timing.debounce() == Timing.Debounce.EAGER
            ? timing
            : new Timing(timing.scanUs(), timing.debounce(), 0, timing.pollUs()),
        window,
        late ? 1 : 0,
        analog ? 0 : bounce.leastUs(),
        analog ? 0 : bounce.mostUs(),
        presses,
        seed);
  }

  /** {@return how the board looks and reports: no faster than it can} */
  public Timing timing() {
    return timing(build, board());
  }

  /** A board looks and reports no faster than it can. */
  private static Timing timing(Build build, Optional<BoardKind> board) {
    return board
        .map(b -> build.timing().noFasterThan(b.brain().rawMillis()))
        .orElse(build.timing());
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

  /** {@return what is taken from the supply; empty without a board} */
  public Optional<Budget> budget() {
    return circuit.map(Wired::budget);
  }

  /** {@return the wiring as it is; empty without a board} */
  public Optional<Wiring> wiring() {
    return circuit.map(Wired::asBuilt);
  }

  /**
   * {@return a contact's way from finger to host in words}
   *
   * @param holds what is held now
   * @param trace of the last press, for its times
   */
  public List<Hop> hops(SignalPath path, Holds holds, Optional<Trace> trace) {
    return new Hops(loom, wiring(), circuit.map(Wired::inputs), board(), timing(), holds)
        .of(path, trace);
  }

  /** {@return where the wires lie, worked out when asked for; empty without a board} */
  public Optional<Lay> lay() {
    return wiring().map(wiring -> Lay.of(build, catalogue, loom, wiring));
  }

  /** {@return a simulated device that runs this build} */
  public SimulatedDevice device() {
    return new SimulatedDevice(
        timing(build, board()),
        layout,
        loom,
        Senses.known(build.profile(), board()),
        build.tuning(),
        circuit.map(Wired::inputs));
  }
}
