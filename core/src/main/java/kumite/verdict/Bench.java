package kumite.verdict;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiPredicate;
import java.util.function.Function;
import java.util.function.Supplier;
import kumite.brief.BriefChecks;
import kumite.build.Aspect;
import kumite.build.Build;
import kumite.build.Seat;
import kumite.build.lead.BoardCable;
import kumite.build.map.Mapping;
import kumite.build.map.Profile;
import kumite.build.map.Target;
import kumite.build.map.Timing;
import kumite.circuit.Budget;
import kumite.circuit.Solves;
import kumite.circuit.Wired;
import kumite.device.Delays;
import kumite.device.Holds;
import kumite.device.Hop;
import kumite.device.Hops;
import kumite.device.Senses;
import kumite.device.SignalPath;
import kumite.device.SimulatedDevice;
import kumite.device.Trace;
import kumite.finding.Alike;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.finding.Station;
import kumite.firmware.Blueprint;
import kumite.firmware.Firmware;
import kumite.hid.ReportLayout;
import kumite.kind.BoardKind;
import kumite.lead.Lead;
import kumite.leads.AtSeat;
import kumite.leads.LeadBookChecks;
import kumite.loom.Look;
import kumite.loom.Looks;
import kumite.loom.Loom;
import kumite.map.Coverage;
import kumite.name.ContactId;
import kumite.name.SeatId;
import kumite.panel.DrillPlan;
import kumite.panel.Gaps;
import kumite.panel.HandChecks;
import kumite.panel.Nudge;
import kumite.panel.PanelChecks;
import kumite.panel.Reach;
import kumite.panel.SheetChecks;
import kumite.parts.Catalogue;
import kumite.timing.DelayStudy;
import kumite.wiring.Hearing;
import kumite.wiring.Lay;
import kumite.wiring.Neighbour;
import kumite.wiring.Neighbourhood;
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
 * @param desks what follows from each of its seats
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
    List<Desk> desks,
    Solves solves) {

  public Bench {
    paths = List.copyOf(paths);
    findings = List.copyOf(findings);
    desks = List.copyOf(desks);
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
    Build home = build.home();
    Kept kept = new Kept(home, catalogue, before);
    Gaps gaps = kept.ifPanel(Bench::gaps, () -> Gaps.of(home, catalogue));
    Reach reach = kept.ifPanel(Bench::reach, () -> Reach.of(home, catalogue));
    DrillPlan drill = kept.ifPanel(Bench::drill, () -> DrillPlan.of(home, catalogue));
    List<Desk> desks = desks(home, catalogue, solves, before);
    Desk desk = desks.get(build.at());
    OnePlug plug = new OnePlug(desks);
    Optional<BoardKind> board = catalogue.boardOf(build);
    Loom loom = build.seat().inForce() == 0 ? desk.loom() : desk.loom().meaning(build);
    ReportLayout layout = Desk.layout(build, board, loom);
    List<SignalPath> paths = Desk.paths(build, board, loom, layout, desk.circuit());
    List<Finding> findings = new ArrayList<>();
    findings.addAll(BriefChecks.of(home));
    findings.addAll(
        kept.ifPanel(
            bench -> bench.from(Station.PANEL),
            () -> {
              Nudge.Search search = new Nudge.Search(home, catalogue);
              List<Finding> found = new ArrayList<>(PanelChecks.of(home, catalogue, gaps, search));
              found.addAll(HandChecks.of(home, catalogue, reach, search));
              found.addAll(SheetChecks.of(home, catalogue));
              return found;
            }));
    findings.addAll(plug.findings());
    findings.addAll(SeatChecks.between(home, catalogue, desks));
    findings.addAll(
        kept.ifLeads(
            bench -> bench.from(Station.LEADS),
            () -> LeadBookChecks.of(home, catalogue, atSeats(desks))));
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
            plug.shared(desk),
            layout,
            paths,
            Coverage.of(build, catalogue),
            joined.stream()
                // In a pile that was not measured whole no trial would prove anything.
                .map(f -> gaps.unmeasured() > 0 ? f.unmended() : f.judgedBy(trial))
                .toList(),
            desks,
            solves);
    trial.on(bench);
    return bench;
  }

  private static List<Desk> desks(
      Build home, Catalogue catalogue, Solves solves, Optional<Bench> before) {
    Map<SeatId, Loom> looms = new LinkedHashMap<>();
    Map<SeatId, Neighbourhood.Alone> alone = new LinkedHashMap<>();
    boolean joined = !home.links().isEmpty() || !home.leads().leads().isEmpty();
    for (Seat seat : home.seats()) {
      Build faced = home.facing(Aspect.of(seat));
      Optional<Desk> was = was(before, seat);
      Kept kept = new Kept(faced, catalogue, before);
      Loom loom =
          was.filter(d -> kept.sameLoom(d.build()))
              .map(Desk::loom)
              .orElseGet(() -> Loom.of(faced, catalogue, was.map(Desk::loom)));
      looms.put(seat.id(), loom);
      if (joined) {
        catalogue
            .boardOf(faced)
            .ifPresent(
                board ->
                    alone.put(
                        seat.id(),
                        new Neighbourhood.Alone(
                            board, Looks.of(board, loom), Wiring.asBuilt(faced, board, loom))));
      }
    }
    List<Desk> desks = new ArrayList<>();
    for (Seat seat : home.seats()) {
      Build faced = home.facing(Aspect.of(seat));
      List<Neighbour> beside =
          joined ? Neighbourhood.of(home, alone, seat.id()) : List.<Neighbour>of();
      Optional<Desk> was = was(before, seat);
      Catalogue then = before.map(Bench::catalogue).orElse(catalogue);
      desks.add(
          was.filter(d -> d.holds(faced, catalogue, then, beside))
              .orElseGet(
                  () -> Desk.of(faced, catalogue, looms.get(seat.id()), solves, was, beside)));
    }
    return desks;
  }

  private static Optional<Desk> was(Optional<Bench> before, Seat seat) {
    return before.flatMap(
        bench ->
            bench.desks.stream().filter(d -> d.build().seat().id().equals(seat.id())).findFirst());
  }

  private List<Finding> from(Station station) {
    return findings.stream().filter(finding -> finding.station() == station).toList();
  }

  /** What of the bench before still holds. */
  private record Kept(Build build, Catalogue catalogue, Optional<Bench> before) {
    private <T> T keptIf(
        BiPredicate<Build, Build> same, Function<Bench, T> keep, Supplier<T> work) {
      return before
          .filter(b -> b.catalogue() == catalogue && same.test(b.build().home(), build))
          .map(keep)
          .orElseGet(work);
    }

    <T> T ifPanel(Function<Bench, T> keep, Supplier<T> work) {
      return keptIf(Kept::samePanel, keep, work);
    }

    <T> T ifLeads(Function<Bench, T> keep, Supplier<T> work) {
      return keptIf(
          (one, other) -> one.leads().equals(other.leads()) && one.leads().standsAlone(),
          keep,
          work);
    }

    boolean sameLoom(Build other) {
      return before.filter(b -> b.catalogue() == catalogue).isPresent()
          && other.panel().equals(build.panel())
          && other.controls().equals(build.controls())
          && other.seat().board().equals(build.seat().board())
          && other.seat().loom().equals(build.seat().loom())
          && other.mapping().equals(build.mapping())
          && other.tuning().centres().equals(build.tuning().centres())
          && Loom.landed(other).equals(Loom.landed(build))
          && other.links().equals(build.links())
          && (build.links().isEmpty() || sameBoards(other));
    }

    /** Links are laid from board to board, as the first seat that they name lays its wires. */
    private boolean sameBoards(Build other) {
      return other.seats().stream()
          .map(seat -> List.of(seat.id(), seat.board(), seat.loom().laying()))
          .toList()
          .equals(
              build.seats().stream()
                  .map(seat -> List.of(seat.id(), seat.board(), seat.loom().laying()))
                  .toList());
    }

    private static boolean samePanel(Build one, Build other) {
      return one.panel().equals(other.panel())
          && one.brief().equals(other.brief())
          && one.controls().equals(other.controls())
          && one.seats().stream()
              .map(seat -> List.of(seat.board(), seat.profiles()))
              .toList()
              .equals(
                  other.seats().stream()
                      .map(seat -> List.of(seat.board(), seat.profiles()))
                      .toList());
    }
  }

  /**
   * {@return many presses of a contact as the board takes them, with their bounce}
   *
   * @param presses how many are played
   */
  public DelayStudy study(SignalPath path, int presses, long seed) {
    return Delays.study(path, timing(), presses, seed);
  }

  /** {@return how the board looks and reports: no faster than it can} */
  public Timing timing() {
    return Senses.timing(build, board());
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
    return new Hops(
            loom,
            wiring(),
            circuit.map(Wired::inputs),
            board(),
            timing(),
            holds,
            Senses.known(build.profile(), board()),
            layout)
        .of(path, trace);
  }

  /** {@return where the wires lie, worked out when asked for; empty without a board} */
  public Optional<Lay> lay() {
    return wiring().map(wiring -> Lay.of(build, catalogue, loom, wiring));
  }

  /**
   * {@return the code for the board that is looked at}
   *
   * @throws IllegalArgumentException if no program for it can be written; the message says why
   */
  public Firmware firmware() {
    BoardKind board =
        board()
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "no firmware: choose a board at the Loom station first"));
    return Firmware.of(Blueprint.of(build, board, loom, circuit.orElseThrow().inputs()));
  }

  /** {@return a cable of the build as a lead; empty before its seat has a board} */
  public Optional<Lead> lead(BoardCable cable) {
    return LeadBookChecks.lead(cable, atSeats(desks), build.leads().plugs());
  }

  private static List<AtSeat> atSeats(List<Desk> desks) {
    return desks.stream().map(Desk::atSeat).toList();
  }

  /** {@return all leads of the build, its cables among them} */
  public List<Lead> leads() {
    List<Lead> all = new ArrayList<>(build.leads().leads());
    build.leads().cables().forEach(cable -> lead(cable).ifPresent(all::add));
    return all;
  }

  /** {@return how the board looks at its terminals, in order; empty without a board} */
  public List<Look> looks() {
    return circuit.map(wired -> wired.inputs().looks().all()).orElse(List.of());
  }

  /**
   * {@return the profiles as the board does them}
   *
   * <p>One that fixes its meanings does no chord, no layer and no second profile, and a contact
   * gives what its socket gives.
   */
  public List<Profile> done() {
    if (board().filter(BoardKind::fixedMap).isEmpty()) {
      return build.seat().profiles();
    }
    Profile first = Senses.known(build.seat().profiles().get(0), board());
    Mapping base = Mapping.EMPTY;
    for (SignalPath path : paths) {
      Optional<Target> given = path.pin().flatMap(pin -> path.target());
      if (given.isPresent()) {
        base = base.with(path.id(), new Mapping.Entry(given.get(), path.function()));
      }
    }
    return List.of(first.withBase(base));
  }

  /** {@return why no program is written for a seat's board that needs one; empty for others} */
  public Optional<String> programless(SeatId seat) {
    return build.seats().stream()
        .filter(s -> s.id().equals(seat))
        .findFirst()
        .flatMap(s -> catalogue.boardOf(build.home().facing(Aspect.of(s))))
        .filter(board -> board.brain().needsCode())
        .flatMap(Blueprint::why);
  }

  /** {@return what keeps the build from working, as the code's reader is to be warned} */
  public List<String> stops() {
    return findings.stream()
        .filter(finding -> finding.severity() == Severity.STOP)
        .map(finding -> finding.code().text() + " " + finding.title())
        .toList();
  }

  /** {@return a simulated device that runs this build} */
  public SimulatedDevice device() {
    return new SimulatedDevice(
        timing(),
        layout,
        loom,
        Senses.known(build.profile(), board()),
        build.tuning(),
        circuit.map(Wired::inputs),
        !ofHost() && hearing().map(Hearing::reaches).orElse(true));
  }

  /** {@return whether the host reads the contacts itself, so that there is no report} */
  public boolean ofHost() {
    return board().filter(BoardKind::ofHost).isPresent();
  }

  /** {@return whether something at the board looked at is shorted or driven against} */
  public boolean endangered() {
    return desks.get(build.at()).endangered();
  }

  /** {@return who tells the host what the board reads; empty without a board} */
  public Optional<Hearing> hearing() {
    return wiring().map(Hearing::of);
  }
}
