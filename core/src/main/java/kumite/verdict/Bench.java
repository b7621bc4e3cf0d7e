package kumite.verdict;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import kumite.bringup.Places;
import kumite.build.Aspect;
import kumite.build.Build;
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
import kumite.leads.LeadBookChecks;
import kumite.loom.Console;
import kumite.loom.Look;
import kumite.loom.Loom;
import kumite.loom.Pad;
import kumite.loom.Spots;
import kumite.map.Coverage;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.name.SeatId;
import kumite.panel.DrillPlan;
import kumite.panel.Gaps;
import kumite.panel.PanelDerivations;
import kumite.panel.Reach;
import kumite.parts.Catalogue;
import kumite.ports.ConsolePlay;
import kumite.ports.Frame;
import kumite.room.Derivation;
import kumite.room.Derived;
import kumite.signal.Play;
import kumite.signal.Tempo;
import kumite.timing.DelayStudy;
import kumite.wiring.Hearing;
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
 * <p>A pure function of build, catalogue and rooms; costs a few milliseconds for a panel of
 * ordinary size. What follows from the whole build is declared by the rooms and kept as they say
 * ({@link Derivation}); what is looked at, a seat and a profile, is worked out here.
 */
public final class Bench {
  private final Build build;
  private final Rooms rooms;
  private final Catalogue shipped;
  private final Catalogue catalogue;
  private final Derived derived;
  private final Loom loom;
  private final Optional<Wired> circuit;
  private final ReportLayout layout;
  private final List<SignalPath> paths;
  private final Coverage coverage;
  private final List<Finding> findings;

  private Bench(Build build, Rooms rooms, Catalogue shipped, Catalogue catalogue, Derived derived) {
    this.build = build;
    this.rooms = rooms;
    this.shipped = shipped;
    this.catalogue = catalogue;
    this.derived = derived;
    Desk desk = desk();
    Optional<BoardKind> board = catalogue.boardOf(build);
    loom = build.seat().inForce() == 0 ? desk.loom() : desk.loom().meaning(build);
    circuit = new OnePlug(desks()).shared(desk);
    layout = Desk.layout(build, board, loom);
    paths = Desk.paths(build, board, loom, layout, desk.circuit());
    coverage = Coverage.of(build, catalogue);
    findings = judged();
    rooms.all().forEach(room -> room.shown().forEach(this::get));
  }

  /** Works everything out, with the rooms that the application has. */
  public static Bench of(Build build, Catalogue shipped) {
    return of(build, shipped, Rooms.standard());
  }

  /** Works everything out. */
  public static Bench of(Build build, Catalogue shipped, Rooms rooms) {
    Catalogue kinds = shipped.with(build);
    return new Bench(build, rooms, shipped, kinds, Derived.of(build.home(), kinds));
  }

  /** {@return the bench of another build, usually one edit away; what did not change is kept} */
  public Bench next(Build other) {
    Catalogue kinds = Catalogue.knowsAlike(build, other) ? catalogue : shipped.with(other);
    return new Bench(other, rooms, shipped, kinds, derived.next(other.home(), kinds));
  }

  /** All that the rooms say, stops first, each with a fix that was tried on this bench. */
  private List<Finding> judged() {
    List<Finding> said = new ArrayList<>();
    rooms.checks().forEach(check -> said.addAll(get(check)));
    List<Finding> joined = new ArrayList<>(Alike.joined(said));
    joined.sort(
        Comparator.comparing(Finding::severity).thenComparing(f -> rooms.order(f.station())));
    // In a pile that was not measured whole no trial would prove anything.
    boolean whole = gaps().unmeasured() == 0;
    Trial trial = new Trial(this);
    List<Finding> found = new ArrayList<>();
    joined.forEach(f -> found.add(whole ? f.judgedBy(trial) : f.unmended()));
    behindSwitches(found);
    return List.copyOf(found);
  }

  /** A switch that is open now will be closed: what stops then is told before it is. */
  private void behindSwitches(List<Finding> found) {
    Build closed = Supplies.closed(build);
    if (closed.equals(build)) {
      return;
    }
    int first = (int) found.stream().filter(f -> f.severity() == Severity.STOP).count();
    int at = first;
    for (Finding stop : next(closed).findings()) {
      if (stop.severity() == Severity.STOP && !Trial.stopped(found, stop)) {
        found.add(at++, stop.told("Once switched on: ", build.aspect()));
      }
    }
    if (at > first) {
      found.removeIf(
          f ->
              f.severity() == Severity.FINE
                  && (f.station() == Station.POWER || f.station() == Station.LOOM));
    }
  }

  /** {@return what a derivation of a room gives for the whole build, whatever is looked at} */
  public <T> T get(Derivation<T> derivation) {
    return derived.get(derivation);
  }

  /** {@return the build} */
  public Build build() {
    return build;
  }

  /** {@return the rooms that judge it} */
  public Rooms rooms() {
    return rooms;
  }

  /** {@return the kinds it uses} */
  public Catalogue catalogue() {
    return catalogue;
  }

  /** {@return the gaps of its panel} */
  public Gaps gaps() {
    return get(PanelDerivations.GAPS);
  }

  /** {@return what the hand has to do} */
  public Reach reach() {
    return get(PanelDerivations.REACH);
  }

  /** {@return the holes of its panel} */
  public DrillPlan drill() {
    return get(PanelDerivations.DRILL);
  }

  /** {@return what follows from each of its seats} */
  List<Desk> desks() {
    return get(Desks.ALL);
  }

  private Desk desk() {
    return desks().get(build.at());
  }

  /** {@return circuits solved before; shared with the benches made from this one} */
  Solves solves() {
    return get(Desks.SOLVES);
  }

  /** {@return the strands of the seat looked at} */
  public Loom loom() {
    return loom;
  }

  /** {@return its wiring as it is and what a board reads through it; empty without a board} */
  public Optional<Wired> circuit() {
    return circuit;
  }

  /** {@return the reports of the profile looked at} */
  public ReportLayout layout() {
    return layout;
  }

  /** {@return the signal paths of the seat looked at, in the order of its controls} */
  public List<SignalPath> paths() {
    return paths;
  }

  /** {@return what the host asks for against what it gets} */
  public Coverage coverage() {
    return coverage;
  }

  /** {@return all findings, stops first} */
  public List<Finding> findings() {
    return findings;
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
            .filter(finding -> finding.station().equals(station) && finding.severity() == severity)
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
    return wiring().map(wiring -> Lay.of(build.flat(), catalogue, loom, wiring));
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
    Blueprint blueprint = Blueprint.of(build, board, loom, circuit.orElseThrow().inputs());
    return Firmware.of(blueprint.passing(Passing.heard(desks(), build.seat().id())));
  }

  /** {@return a cable of the build as a lead; empty before its seat has a board} */
  public Optional<Lead> lead(BoardCable cable) {
    return LeadBookChecks.lead(
        cable, desks().stream().map(Desk::atSeat).toList(), build.leads().plugs());
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
        .map(s -> build.home().facing(Aspect.of(s)))
        .flatMap(
            facing ->
                catalogue
                    .boardOf(facing)
                    .filter(board -> board.brain().needsCode())
                    .flatMap(board -> Blueprint.why(board, Pad.all(facing, catalogue))));
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
            Senses.known(build.tuning(), board()),
            circuit.map(Wired::inputs),
            !ofHost() && hearing().map(Hearing::reaches).orElse(true))
        .among(
            build.seat().profiles().stream()
                .map(profile -> Senses.known(profile, board()))
                .toList());
  }

  /** {@return what the consoles of this seat take while controls have long been held so} */
  public List<Frame> frames(Holds holds) {
    List<Frame> frames = new ArrayList<>();
    for (Console console : loom.consoles()) {
      play(console, holds).ifPresent(play -> frames.add(Frame.of(console, play)));
    }
    return List.copyOf(frames);
  }

  /** {@return the contacts that give a console one of its buttons, in the order of the build} */
  public List<ContactId> givers(Console console, String button) {
    Target wanted = console.chart().target(button);
    return paths.stream()
        .filter(path -> path.target().filter(wanted::equals).isPresent())
        .map(SignalPath::id)
        .toList();
  }

  /**
   * {@return one frame of a console while controls have long been held so; empty without answer}
   */
  public Optional<Play> play(Console console, Holds holds) {
    return wiring()
        .flatMap(
            wires ->
                ConsolePlay.of(
                    loom,
                    wires,
                    console,
                    holds::on,
                    console.chart().held(device().begin(holds, 1).told()),
                    1,
                    Tempo.usual(console.kind())));
  }

  /** {@return whether the host reads the contacts itself, so that there is no report} */
  public boolean ofHost() {
    return board().filter(BoardKind::ofHost).isPresent();
  }

  /** {@return whether something at the board looked at is shorted or driven against} */
  public boolean endangered() {
    return desk().endangered();
  }

  /** {@return where a tab of a control is for who sits before the turned-over panel, in words} */
  public String fromBelow(Joint tab) {
    return build().labelled().stream()
        .filter(control -> control.id().text().equals(tab.part()))
        .findFirst()
        .map(control -> Spots.fromBelow(control, catalogue.kindOf(control), tab))
        .orElse("");
  }

  /** {@return all places that a meter can touch, made when they are asked for} */
  public Places places() {
    return Places.of(build.home(), catalogue, get(Desks.METERED));
  }

  /** {@return who tells the host what the board reads; empty without a board} */
  public Optional<Hearing> hearing() {
    return wiring().map(Hearing::of);
  }
}
