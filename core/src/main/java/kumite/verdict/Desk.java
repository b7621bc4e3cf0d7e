package kumite.verdict;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.bringup.SeatWires;
import kumite.build.Aspect;
import kumite.build.Build;
import kumite.build.map.Profile;
import kumite.build.map.Timing;
import kumite.circuit.Budget;
import kumite.circuit.Inputs;
import kumite.circuit.PressChecks;
import kumite.circuit.Presses;
import kumite.circuit.ShortChecks;
import kumite.circuit.Solves;
import kumite.circuit.Wired;
import kumite.device.Delays;
import kumite.device.PowerChecks;
import kumite.device.Senses;
import kumite.device.SignalPath;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.finding.Station;
import kumite.hid.ReportLayout;
import kumite.hid.SerialFrame;
import kumite.kind.BoardKind;
import kumite.leads.AtSeat;
import kumite.loom.Looks;
import kumite.loom.Loom;
import kumite.loom.LoomChecks;
import kumite.map.Coverage;
import kumite.map.TargetText;
import kumite.meaning.FirmwareChecks;
import kumite.meaning.LayerChecks;
import kumite.meaning.MapChecks;
import kumite.meaning.ProfileChecks;
import kumite.meaning.ReadyChecks;
import kumite.meaning.RuleChecks;
import kumite.meaning.TableChecks;
import kumite.name.ContactId;
import kumite.name.SeatId;
import kumite.parts.Catalogue;
import kumite.ports.PortChecks;
import kumite.timing.SerialLine;
import kumite.wiring.Hearing;
import kumite.wiring.Neighbour;
import kumite.wiring.NetChecks;
import kumite.wiring.NetCode;
import kumite.wiring.NetFaults;
import kumite.wiring.Wiring;

/**
 * What follows from one seat: its loom, its wiring, what its board reads, and what is wrong there.
 *
 * @param build the build with this seat and its first profile looked at
 * @param loom its strands
 * @param circuit its wiring as it is and what its board reads through it; empty without a board
 * @param findings of its loom, its power, and the maps of all its profiles
 * @param endangered whether something is shorted or driven against, so that nothing about its board
 *     is fine
 * @param beside what is joined to its board by links and leads
 */
record Desk(
    Build build,
    Loom loom,
    Optional<Wired> circuit,
    List<Finding> findings,
    boolean endangered,
    List<Neighbour> beside) {
  Desk {
    beside = List.copyOf(beside);
    findings = List.copyOf(findings);
  }

  /**
   * Works out a seat.
   *
   * @param build with this seat looked at
   * @param loom its strands
   * @param before what was worked out of the same seat, usually one edit ago
   */
  static Desk of(
      Build build,
      Catalogue catalogue,
      Loom loom,
      Solves solves,
      Optional<Desk> before,
      List<Neighbour> beside) {
    Optional<BoardKind> board = catalogue.boardOf(build);
    Optional<Wired> circuit = board.map(b -> wired(build, b, loom, solves, before, beside));
    List<Finding> findings = new ArrayList<>(LoomChecks.of(build, catalogue, loom));
    circuit.ifPresent(
        wired -> {
          List<Finding> wires =
              new ArrayList<>(
                  NetChecks.of(
                      build, loom, wired.planned(), wired.asBuilt(), wired.inputs().looks()));
          wires.addAll(ShortChecks.of(build, loom, wired));
          wires.addAll(power(build, catalogue, loom, wired, solves));
          findings.addAll(PressChecks.completed(build, loom, wired.presses(), wires));
        });
    for (Profile profile : build.seat().profiles()) {
      Aspect aspect = new Aspect(build.seat().id(), profile.name());
      Build faced = build.facing(aspect);
      boolean first = faced.seat().inForce() == 0;
      List<Finding> table = TableChecks.of(faced, board, loom, first);
      if (board.flatMap(BoardKind::settable).isPresent()) {
        faced = faced.withProfile(p -> Senses.known(p, board));
      }
      Loom meant = first ? loom : loom.meaning(faced);
      ReportLayout layout = layout(faced, board, meant);
      Coverage coverage = Coverage.of(faced, catalogue);
      List<Finding> found =
          new ArrayList<>(MapChecks.of(faced, catalogue, meant, coverage, layout));
      found.addAll(LayerChecks.of(faced, catalogue, meant, board, coverage, layout));
      found.addAll(RuleChecks.of(faced, catalogue, meant, board, first));
      found.addAll(table);
      String name = first ? "" : profile.name() + ": ";
      found.forEach(finding -> findings.add(first ? finding : finding.told(name, aspect)));
    }
    findings.addAll(PortChecks.of(build, catalogue, loom, circuit));
    findings.addAll(ProfileChecks.of(build, catalogue, loom, board));
    findings.addAll(ReadyChecks.of(board, loom));
    circuit.ifPresent(
        wired -> findings.addAll(FirmwareChecks.of(build, board, loom, wired.inputs(), solves)));
    if (unheard(circuit, loom)) {
      // What nobody hears is covered by nothing.
      findings.removeIf(f -> f.severity() == Severity.FINE && f.station() == Station.MAP);
    }
    boolean endangered = circuit.filter(c -> endangered(c, findings)).isPresent();
    if (endangered) {
      findings.removeIf(finding -> finding.severity() == Severity.FINE);
    }
    boolean several = build.seats().size() > 1;
    Aspect aspect = build.aspect();
    String name = "Seat " + build.seat().id() + ": ";
    return new Desk(
        build,
        loom,
        circuit,
        several ? findings.stream().map(f -> f.told(name, aspect)).toList() : findings,
        endangered,
        beside);
  }

  /** As planned, and where links or leads short that as well, without what stands beside it. */
  private static Wired asPlanned(Loom loom, Wired wired, Solves solves) {
    Looks looks = wired.inputs().looks();
    Wiring plan = wired.planned();
    Inputs planned = Inputs.of(plan, looks, solves);
    if (planned.dead().isPresent()) {
      plan = Wiring.planned(plan.board(), loom);
      planned = Inputs.of(plan, looks, solves);
    }
    return new Wired(plan, plan, planned, wired.budget(), Presses.AS_PLANNED);
  }

  /** Stops of wires that short a supply, drive against each other, or bring too many volts. */
  private static final Set<Code> DANGERS =
      Set.of(
          NetCode.SUPPLY_ON_GROUND,
          NetCode.SUPPLIES_MEET,
          NetCode.TOO_MANY_VOLTS,
          NetCode.DRIVERS_MEET);

  /** Whether something is shorted or driven against: nothing is fine then. */
  private static boolean endangered(Wired wired, List<Finding> findings) {
    return wired.inputs().dead().isPresent()
        || !wired.inputs().shorts().all().isEmpty()
        || !wired.inputs().shorts().whole()
        || findings.stream().anyMatch(f -> DANGERS.contains(f.code()))
        // Another seat may tell it.
        || !wired.asBuilt().neighbours().isEmpty() && NetFaults.endangers(wired.asBuilt());
  }

  /**
   * {@return the stops that hide behind others until those are mended: what is solved once supplies
   * hold their volts, and faults at places that another fault speaks of}
   */
  List<Finding> hidden(Catalogue catalogue, Solves solves) {
    if (circuit.isEmpty()) {
      return List.of();
    }
    Wired wired = circuit.get();
    Optional<BoardKind> board = catalogue.boardOf(build);
    Inputs behind = Inputs.behindShorts(wired.asBuilt(), wired.inputs().looks(), solves);
    Wired as =
        new Wired(
            wired.planned(),
            wired.asBuilt(),
            behind,
            Budget.of(build, wired.asBuilt().board(), loom, behind),
            Presses.of(wired.planned(), behind, solves));
    ReportLayout layout = layout(build, board, loom);
    List<SignalPath> ways = paths(build, board, loom, layout, Optional.of(as));
    List<Finding> hidden =
        new ArrayList<>(
            NetChecks.unmasked(
                build, loom, wired.planned(), wired.asBuilt(), wired.inputs().looks()));
    hidden.addAll(PowerChecks.of(build, loom, ways, as));
    // What hangs on the shorted supply itself is known as it is planned.
    Wired plan = asPlanned(loom, wired, solves);
    hidden.addAll(
        PowerChecks.of(build, loom, paths(build, board, loom, layout, Optional.of(plan)), plan));
    // What shows otherwise is told unless a stop tells it: here without any.
    hidden.addAll(PressChecks.completed(build, loom, as.presses(), List.of()));
    boolean several = build.seats().size() > 1;
    String name = "Seat " + build.seat().id() + ": ";
    return hidden.stream()
        .filter(finding -> finding.severity() == Severity.STOP)
        .map(finding -> several ? finding.told(name, build.aspect()) : finding)
        .toList();
  }

  /** {@return what leads and cables find here} */
  AtSeat atSeat() {
    return new AtSeat(build, loom, circuit.map(Wired::asBuilt), endangered);
  }

  /** {@return the reports of the profile looked at} */
  static ReportLayout layout(Build faced, Optional<BoardKind> board, Loom loom) {
    return Senses.layout(loom, board, Senses.known(faced.profile(), board));
  }

  private static Wired wired(
      Build build,
      BoardKind board,
      Loom loom,
      Solves solves,
      Optional<Desk> before,
      List<Neighbour> beside) {
    Optional<Wired> was = before.flatMap(Desk::circuit);
    Wiring fresh = Wiring.planned(board, loom).beside(beside);
    Wiring planned = was.map(Wired::planned).filter(fresh::equals).orElse(fresh);
    Wiring byHand = planned.changedByHand(build);
    Wiring asBuilt = was.map(Wired::asBuilt).filter(byHand::equals).orElse(byHand);
    Looks looks = Looks.of(board, loom);
    Inputs inputs =
        was.map(Wired::inputs)
            .filter(in -> in.looks().equals(looks) && in.wiring().equals(asBuilt))
            .orElseGet(() -> Inputs.of(asBuilt, looks, solves));
    Presses presses =
        was.filter(b -> b.inputs() == inputs && b.planned().equals(planned))
            .map(Wired::presses)
            .orElseGet(() -> Presses.of(planned, inputs, solves));
    return new Wired(planned, asBuilt, inputs, Budget.of(build, board, loom, inputs), presses);
  }

  /**
   * Before a short is out nothing can be solved; volts are then judged as planned, so that what
   * else is wrong is known, and nothing is called fine.
   */
  private static List<Finding> power(
      Build build, Catalogue catalogue, Loom loom, Wired wired, Solves solves) {
    Optional<BoardKind> board = catalogue.boardOf(build);
    ReportLayout layout = layout(build, board, loom);
    if (wired.inputs().dead().isEmpty()) {
      return PowerChecks.of(
          build, loom, paths(build, board, loom, layout, Optional.of(wired)), wired);
    }
    Wired as = asPlanned(loom, wired, solves);
    List<SignalPath> ways = paths(build, board, loom, layout, Optional.of(as));
    return PowerChecks.of(build, loom, ways, as).stream()
        .filter(finding -> finding.severity() != Severity.FINE)
        .toList();
  }

  /** {@return its wires for a meter; empty without a board} */
  Optional<SeatWires> metered(Catalogue catalogue) {
    Optional<BoardKind> board = catalogue.boardOf(build);
    if (board.isEmpty() || circuit.isEmpty()) {
      return Optional.empty();
    }
    Map<ContactId, String> shown = new LinkedHashMap<>();
    for (SignalPath path : paths(build, board, loom, layout(build, board, loom), circuit)) {
      boolean there = path.heard() && (path.field().isPresent() || path.ofHost());
      path.target()
          .filter(target -> there)
          .ifPresent(target -> shown.put(path.id(), TargetText.of(target)));
    }
    return Optional.of(
        new SeatWires(build, loom, board.get(), circuit.get().inputs(), shown, new Solves()));
  }

  /** {@return whether what its board reads comes to nobody: to no host, and to no console} */
  boolean unheard() {
    return unheard(circuit, loom);
  }

  private static boolean unheard(Optional<Wired> circuit, Loom loom) {
    return circuit
        .map(Wired::asBuilt)
        .filter(wires -> !Hearing.of(wires).reaches() && loom.answered(wires.board()).isEmpty())
        .isPresent();
  }

  /** {@return the signal paths of the profile looked at} */
  static List<SignalPath> paths(
      Build faced,
      Optional<BoardKind> board,
      Loom loom,
      ReportLayout layout,
      Optional<Wired> wired) {
    Profile profile = Senses.known(faced.profile(), board);
    Timing timing = Senses.timing(faced, board);
    List<SerialLine> lines = wired.map(w -> lines(faced, w.asBuilt(), layout)).orElse(List.of());
    return SignalPath.all(
        loom,
        layout,
        wired.map(Wired::inputs),
        wired.map(Wired::presses).orElse(Presses.AS_PLANNED),
        wired.map(w -> Hearing.of(w.asBuilt()).reaches()).orElse(true),
        board.filter(BoardKind::ofHost).isPresent(),
        (contact, look) -> Delays.of(profile, timing, board, lines, contact, look));
  }

  /** The lines to the boards that pass this one on: each message is a report in its frame. */
  private static List<SerialLine> lines(Build faced, Wiring wiring, ReportLayout layout) {
    List<SerialLine> lines = new ArrayList<>();
    int bytes = SerialFrame.bytes(layout);
    for (SeatId seat : Hearing.of(wiring).by()) {
      for (Neighbour neighbour : wiring.neighbours()) {
        if (neighbour instanceof Neighbour.OfSeat other && other.seat().equals(seat)) {
          Timing timing =
              faced.seats().stream()
                  .filter(s -> s.id().equals(seat))
                  .findFirst()
                  .orElseThrow()
                  .timing()
                  .noFasterThan(other.board().brain().rawMillis());
          lines.add(new SerialLine(bytes, timing));
        }
      }
    }
    return lines;
  }
}
