package kumite.leads;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import kumite.build.Build;
import kumite.build.Seat;
import kumite.build.lead.BoardCable;
import kumite.build.lead.LeadBook;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.finding.Subject;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.kind.Terminal;
import kumite.lead.AtPin;
import kumite.lead.Cable;
import kumite.lead.Core;
import kumite.lead.End;
import kumite.lead.Ends;
import kumite.lead.Function;
import kumite.lead.Lead;
import kumite.lead.LeadNets;
import kumite.lead.LeadPart.Place;
import kumite.lead.Nature;
import kumite.lead.Plugs;
import kumite.lead.Where;
import kumite.loom.Strand;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.name.SeatId;
import kumite.parts.Catalogue;
import kumite.wiring.CableLead;
import kumite.wiring.Wiring;

/** All leads, cables and ring-outs of a build. */
public final class LeadBookChecks {
  private final Build build;
  private final Catalogue catalogue;
  private final List<AtSeat> seats;
  private final Plugs plugs;

  private LeadBookChecks(Build build, Catalogue catalogue, List<AtSeat> seats) {
    this.build = build;
    this.catalogue = catalogue;
    this.seats = seats;
    this.plugs = build.leads().plugs();
  }

  /** {@return what is to be said of all leads, cables and ring-outs} */
  public static List<Finding> of(Build build, Catalogue catalogue, List<AtSeat> seats) {
    if (build.leads().equals(LeadBook.EMPTY)) {
      return List.of();
    }
    LeadBookChecks checks = new LeadBookChecks(build, catalogue, seats);
    List<Finding> findings = new ArrayList<>();
    build.leads().leads().forEach(lead -> findings.addAll(checks.lead(lead)));
    build.leads().cables().forEach(cable -> findings.addAll(checks.cable(cable)));
    build.leads().ringOuts().forEach(ring -> findings.addAll(RingOutChecks.of(ring)));
    return findings;
  }

  // ---- leads

  private List<Finding> lead(Lead lead) {
    String name = lead.name();
    LeadSubject.Edits edits =
        change ->
            b ->
                b.withLeads(
                    b.leads()
                        .lead(name)
                        .map(l -> b.leads().with(name, change.apply(l)))
                        .orElse(b.leads()));
    LeadSubject.CableEdits cable = change -> edits.of(l -> l.withCable(change.apply(l.cable())));
    LeadSubject subject =
        new LeadSubject(
            lead, LeadNets.of(lead), ends(lead), plugs, Optional.of(edits), Optional.of(cable));
    List<Finding> findings = new ArrayList<>(LeadChecks.of(subject));
    findings.addAll(boards(subject));
    if (endangered(lead)) {
      findings.removeIf(finding -> finding.severity() == Severity.FINE);
    }
    return findings;
  }

  /** Whether a board that it ends at may not be called fine. */
  private boolean endangered(Lead lead) {
    for (Where where : Where.values()) {
      if (lead.end(where) instanceof End.OfBoard there
          && at(there.seat()).filter(AtSeat::endangered).isPresent()) {
        return true;
      }
    }
    return false;
  }

  private Ends ends(Lead lead) {
    Ends plain = Ends.of(lead, plugs);
    return new Ends() {
      @Override
      public AtPin at(Where where, String pin) {
        return board(lead.end(where))
            .flatMap(
                board ->
                    board.terminals().stream()
                        .filter(t -> t.name().equals(pin))
                        .findFirst()
                        .map(t -> terminal(board, t)))
            .orElseGet(() -> plain.at(where, pin));
      }

      @Override
      public List<String> pins(Where where) {
        return board(lead.end(where))
            .map(b -> b.terminals().stream().map(Terminal::name).toList())
            .orElseGet(() -> plain.pins(where));
      }

      @Override
      public String words(Where where) {
        return board(lead.end(where)).map(BoardKind::name).orElseGet(() -> plain.words(where));
      }
    };
  }

  private Optional<BoardKind> board(End end) {
    return end instanceof End.OfBoard there
        ? seat(there.seat()).flatMap(Seat::board).flatMap(c -> catalogue.board(c.kind()))
        : Optional.empty();
  }

  private Optional<Seat> seat(SeatId id) {
    return build.seats().stream().filter(seat -> seat.id().equals(id)).findFirst();
  }

  private static AtPin terminal(BoardKind board, Terminal terminal) {
    double bears = board.fiveVoltTolerant() ? Math.max(5, board.logicVolts()) : board.logicVolts();
    return switch (terminal.role()) {
      case GROUND -> new AtPin(Nature.GROUND, Optional.of(Function.Known.GROUND), 0, 0, false);
      case SUPPLY ->
          new AtPin(
              Nature.GIVES_SUPPLY, Optional.of(Function.Known.SUPPLY), terminal.volts(), 0, false);
      case COMMON ->
          board.common() == Common.RAIL
              ? new AtPin(
                  Nature.GIVES_SUPPLY,
                  Optional.of(Function.Known.SUPPLY),
                  board.logicVolts(),
                  0,
                  false)
              : new AtPin(Nature.GROUND, Optional.of(Function.Known.GROUND), 0, 0, false);
      case INPUT, RETURN -> {
        boolean drives =
            terminal.can(Terminal.Ability.DRIVE) || terminal.can(Terminal.Ability.SEND);
        yield new AtPin(
            drives ? Nature.SHARES : Nature.LISTENS,
            Optional.of(new Function.Own(terminal.name())),
            drives ? board.logicVolts() : 0,
            bears,
            false);
      }
      case HOST ->
          new AtPin(
              Nature.SHARES,
              Optional.of(
                  terminal.can(Terminal.Ability.HOST_PLUS)
                      ? Function.Known.DATA_PLUS
                      : Function.Known.DATA_MINUS),
              board.logicVolts(),
              bears,
              false);
      case LINE, OTHER -> AtPin.UNKNOWN;
    };
  }

  /** A lead's end at a board lands beside the wires that are there already. */
  private List<Finding> boards(LeadSubject subject) {
    List<Finding> findings = new ArrayList<>();
    Lead lead = subject.lead();
    for (Where where : Where.values()) {
      if (!(lead.end(where) instanceof End.OfBoard there)) {
        continue;
      }
      if (board(there).isEmpty()) {
        findings.add(
            subject.found(
                LeadCode.BOARD_NOT_CHOSEN,
                Severity.STOP,
                List.of(),
                "the lead ends at a board that is not there",
                "Seat " + there.seat() + " has no board; choose one at the Loom station"));
        continue;
      }
      Optional<Wiring> wiring = wiring(there.seat());
      // Between two boards each feeds the other: once is enough.
      if (where == Where.FROM || !(lead.from() instanceof End.OfBoard)) {
        fed(subject, where, there.fed()).ifPresent(findings::add);
      }
      for (Core core : lead.cores()) {
        String pin = Lead.pin(core, where);
        boolean signal = subject.ends().at(where, pin).nature().signal();
        boolean taken =
            signal
                && wiring.isPresent()
                && wiring.get().laid().stream().anyMatch(wire -> at(wire, pin));
        boolean rail = board(there).orElseThrow().common() == Common.RAIL;
        if (signal
            && rail
            && subject.nets().across(new Place(where, pin)).stream()
                .anyMatch(p -> subject.ends().at(where.across(), p).nature() == Nature.CONTACT)) {
          findings.add(
              subject.found(
                  LeadCode.CONTACT_TO_RAIL,
                  Severity.STOP,
                  List.of(new Place(where, pin)),
                  "the board reads contacts to its rail",
                  "The pad's contact on "
                      + pin
                      + " closes to ground, and this board reads those that close to its supply rail:"
                      + " it would never read as pressed. Take a board whose shared side is ground"));
        }
        if (taken) {
          findings.add(
              subject.found(
                  LeadCode.TERMINAL_TAKEN,
                  Severity.STOP,
                  List.of(new Place(where, pin)),
                  "terminal " + pin + " is taken",
                  "A wire of the loom lands there already, and the core from "
                      + core.words()
                      + " would join it. Put it on a free terminal, or lay the loom's wires through"
                      + " a cable instead"));
        }
      }
    }
    return findings;
  }

  /** A console may feed the board that plays its pad; then nothing else should. */
  private static Optional<Finding> fed(LeadSubject subject, Where where, boolean meant) {
    for (Core core : subject.lead().cores()) {
      Place near = new Place(where, Lead.pin(core, where));
      boolean gives = subject.ends().at(where, near.pin()).nature() == Nature.GIVES_SUPPLY;
      Optional<String> giver =
          subject.nets().across(near).stream()
              .filter(p -> subject.ends().at(where.across(), p).nature() == Nature.GIVES_SUPPLY)
              .findFirst();
      if (gives && giver.isPresent() && meant) {
        return Optional.of(
            subject.found(
                LeadCode.FEEDS_BOARD,
                Severity.FINE,
                List.of(near, new Place(where.across(), giver.get())),
                "the board is fed through it, as is meant",
                subject.words(new Place(where.across(), giver.get()))
                    + " brings supply to "
                    + near.pin()
                    + "; the board's own plug stays out"));
      }
      if (gives && giver.isPresent()) {
        return Optional.of(
            subject.found(
                LeadCode.FEEDS_BOARD,
                Severity.LOOK,
                List.of(near, new Place(where.across(), giver.get())),
                "what it plugs into feeds the board",
                subject.words(new Place(where.across(), giver.get()))
                    + " brings supply to "
                    + near.pin()
                    + ": leave the board's own plug out while this lead is in, or one feeds the"
                    + " other backwards"));
      }
    }
    return meant
        ? Optional.of(
            subject.found(
                LeadCode.BOARD_UNFED,
                Severity.STOP,
                List.of(),
                "nothing feeds the board",
                "It is said to be fed by what this lead plugs into, but no core brings supply to a"
                    + " supply terminal of the board. Add that core, or say that the board has its"
                    + " own plug"))
        : Optional.empty();
  }

  private static boolean at(Jumper wire, String terminal) {
    Joint joint = new Joint(Joint.BOARD, terminal);
    return wire.a().equals(joint) || wire.b().equals(joint);
  }

  private Optional<Wiring> wiring(SeatId id) {
    return at(id).flatMap(AtSeat::wiring);
  }

  private Optional<AtSeat> at(SeatId id) {
    return seats.stream().filter(s -> s.build().seat().id().equals(id)).findFirst();
  }

  // ---- cables

  private List<Finding> cable(BoardCable cable) {
    Optional<Lead> lead = lead(cable, seats, plugs);
    String name = cable.name();
    if (lead.isEmpty() || lead.get().cores().isEmpty()) {
      return List.of(
          Finding.of(
              LeadCode.CABLE_WITHOUT_WIRES,
              List.of(new Subject.OfLead(name)),
              name + ": no wire runs through this cable",
              "Seat "
                  + cable.seat()
                  + " has no board yet, or the controls that are named have no wire to it"));
    }
    LeadSubject.CableEdits edits =
        change ->
            b ->
                b.withLeads(
                    b.leads()
                        .withCables(
                            b.leads().cables().stream()
                                .map(c -> c.name().equals(name) ? changed(c, change) : c)
                                .toList()));
    LeadSubject subject =
        new LeadSubject(
            lead.get(),
            LeadNets.of(lead.get()),
            ends(lead.get()),
            plugs,
            Optional.empty(),
            Optional.of(edits));
    List<Finding> findings = new ArrayList<>(LeadChecks.ofCable(subject));
    findings.addAll(asTheLoomSays(subject, cable));
    return findings;
  }

  /** A wire is one thing: its gauge and length in the loom and in the cable have to agree. */
  private List<Finding> asTheLoomSays(LeadSubject subject, BoardCable cable) {
    List<Finding> findings = new ArrayList<>();
    AtSeat seat = at(cable.seat()).orElseThrow();
    Set<Jumper> through = CableLead.pins(cable, wiring(cable.seat()).orElseThrow(), plugs).keySet();
    List<Strand> strands =
        seat.loom().strands().stream().filter(s -> through.contains(s.wire())).toList();
    int gauge = seat.build().loom().laying().gaugeAwg();
    if (!strands.isEmpty() && gauge != cable.cable().gaugeAwg()) {
      findings.add(
          subject.cableMended(
              subject.found(
                  LeadCode.CABLE_GAUGE,
                  Severity.STOP,
                  List.of(),
                  "the cable is of another gauge than its wires",
                  "Its cores are "
                      + cable.cable().gaugeAwg()
                      + " AWG, and the loom's wires that they are, "
                      + gauge
                      + " AWG; the cut list speaks of one of them. Set one as the other"),
              "Take " + gauge + " AWG",
              c -> c.withGauge(gauge)));
    }
    strands.stream()
        .min(java.util.Comparator.comparingInt(Strand::lengthMm))
        .filter(shortest -> shortest.lengthMm() < cable.cable().lengthMm())
        .ifPresent(
            shortest ->
                findings.add(
                    subject.cableMended(
                        subject.found(
                            LeadCode.WIRE_SHORTER,
                            Severity.STOP,
                            List.of(),
                            "a wire is shorter than the cable that it runs through",
                            shortest.id()
                                + " is cut to "
                                + shortest.lengthMm()
                                + " mm from end to end, and the cable alone is "
                                + Math.round(cable.cable().lengthMm())
                                + " mm. Take a shorter cable, or more slack and service loop in the"
                                + " loom"),
                        "Take " + shortest.lengthMm() + " mm",
                        c -> c.withLength(shortest.lengthMm()))));
    return findings;
  }

  private static BoardCable changed(BoardCable cable, UnaryOperator<Cable> change) {
    return cable.withCable(change.apply(cable.cable()));
  }

  /** {@return a cable as a lead; empty before its seat has a board} */
  public static Optional<Lead> lead(BoardCable cable, List<AtSeat> seats, Plugs plugs) {
    return seats.stream()
        .filter(seat -> seat.build().seat().id().equals(cable.seat()))
        .findFirst()
        .flatMap(seat -> seat.wiring().map(w -> CableLead.of(cable, seat.loom(), w, plugs)));
  }
}
