package kumite.verdict;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import kumite.build.Build;
import kumite.build.Link;
import kumite.build.Seat;
import kumite.build.map.Target;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Severity;
import kumite.finding.Subject;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.loom.LoomCode;
import kumite.map.Coverage;
import kumite.map.MapCode;
import kumite.map.TargetText;
import kumite.name.SeatId;
import kumite.parts.Catalogue;
import kumite.wiring.Hearing;

/** Checks of what several boards of one build have to do with each other. */
final class SeatChecks {
  /** Above what it is made for, by more than tolerance: a 3.3 V pin at 5 V. */
  private static final double TOLERANCE = 1.1;

  private final Build build;
  private final Catalogue catalogue;
  private final List<Finding> findings = new ArrayList<>();

  private SeatChecks(Build build, Catalogue catalogue) {
    this.build = build;
    this.catalogue = catalogue;
  }

  /** {@return what is wrong between seats: keys of the same name, links} */
  static List<Finding> between(Build build, Catalogue catalogue, List<Desk> desks) {
    SeatChecks checks = new SeatChecks(build, catalogue);
    if (build.seats().size() > 1) {
      checks.sameKeys();
      checks.links(desks);
      checks.taken(desks);
    }
    checks.alone(desks);
    return checks.findings;
  }

  private Optional<BoardKind> kind(Seat seat) {
    return seat.board().flatMap(choice -> catalogue.board(choice.kind()));
  }

  /** Two boards on one host type the same key: the host cannot tell who. */
  private void sameKeys() {
    Map<Target, Set<SeatId>> typed = new LinkedHashMap<>();
    for (Seat seat : build.seats()) {
      for (Coverage.Giver giver : Coverage.givers(seat.profiles().get(0))) {
        Target target = giver.entry().target();
        if (target instanceof Target.Key || target instanceof Target.Media) {
          typed.computeIfAbsent(target, t -> new TreeSet<>()).add(seat.id());
        }
      }
    }
    Set<SeatId> who = new TreeSet<>();
    List<String> keys = new ArrayList<>();
    typed.forEach(
        (target, seats) -> {
          if (seats.size() > 1) {
            who.addAll(seats);
            keys.add(TargetText.of(target));
          }
        });
    if (!keys.isEmpty()) {
      findings.add(
          Finding.of(
              MapCode.SEATS_TYPE_ALIKE,
              List.of(),
              "Two people type the same keys",
              String.join(", ", keys)
                  + " of seats "
                  + String.join(" and ", who.stream().map(SeatId::text).toList())
                  + ": one host takes all keyboards for one. Give one seat others, or gamepad"
                  + " buttons"));
    }
  }

  private Optional<Terminal> terminal(Link.End end) {
    return build.seats().stream()
        .filter(seat -> seat.id().equals(end.seat()))
        .findFirst()
        .flatMap(this::kind)
        .flatMap(
            board ->
                board.terminals().stream()
                    .filter(t -> t.name().equals(end.terminal()))
                    .findFirst());
  }

  private BoardKind board(Link.End end) {
    return build.seats().stream()
        .filter(seat -> seat.id().equals(end.seat()))
        .findFirst()
        .flatMap(this::kind)
        .orElseThrow();
  }

  private void links(List<Desk> desks) {
    Set<Set<SeatId>> joined = new java.util.LinkedHashSet<>();
    for (Link link : build.links()) {
      Optional<Terminal> from = terminal(link.from());
      Optional<Terminal> to = terminal(link.to());
      if (from.isEmpty() || to.isEmpty()) {
        Link.End missing = from.isEmpty() ? link.from() : link.to();
        stop(
            LoomCode.LINK_TO_NOTHING,
            "Link " + link + " ends nowhere",
            "No board has terminal " + missing,
            link);
        continue;
      }
      Set<SeatId> pair = new TreeSet<>(Set.of(link.from().seat(), link.to().seat()));
      joined.add(pair);
      link(link, from.get(), to.get());
    }
    for (Set<SeatId> pair : joined) {
      if (!grounded(desks, pair)) {
        findings.add(
            Finding.of(
                LoomCode.NO_SHARED_GROUND,
                List.of(Subject.BOARD),
                "Seats " + words(pair) + " share no ground",
                "A level is told against ground: join a ground terminal of each"));
      }
    }
  }

  /** By whatever way: a link, a lead, the board of a third seat. */
  private static boolean grounded(List<Desk> desks, Set<SeatId> pair) {
    return desks.stream()
        .filter(desk -> pair.contains(desk.build().seat().id()))
        .flatMap(desk -> desk.circuit().stream())
        .anyMatch(wired -> pair.stream().anyMatch(seat -> Hearing.grounded(wired.asBuilt(), seat)));
  }

  private void link(Link link, Terminal from, Terminal to) {
    boolean supplies = from.role() == Terminal.Role.SUPPLY && to.role() == Terminal.Role.SUPPLY;
    if (supplies && Math.abs(from.volts() - to.volts()) <= 0.2) {
      findings.add(
          Finding.of(
              LoomCode.SUPPLIES_LINKED,
              List.of(Subject.BOARD),
              "Link " + link + " joins two supplies",
              "Let one board power both, with its plug alone in a host; with both plugged in, one"
                  + " feeds back into the other"));
    }
    volts(link, from, to, link.from(), link.to());
    volts(link, to, from, link.to(), link.from());
  }

  /** What one board sends to the other; what its supply brings is told with all nets. */
  private void volts(Link link, Terminal out, Terminal in, Link.End outEnd, Link.End inEnd) {
    boolean drives =
        out.role() == Terminal.Role.INPUT
            && (out.can(Terminal.Ability.SEND)
                || out.can(Terminal.Ability.DRIVE) && !out.can(Terminal.Ability.RECEIVE));
    BoardKind from = board(outEnd);
    BoardKind to = board(inEnd);
    boolean over = from.logicVolts() > to.logicVolts() * TOLERANCE && !to.fiveVoltTolerant();
    if (drives && in.role() == Terminal.Role.INPUT && over) {
      stop(
          LoomCode.LINK_TOO_HIGH,
          "Link " + link + " is too high for " + inEnd,
          from.logicVolts()
              + " V from "
              + outEnd
              + " into a board of "
              + to.logicVolts()
              + " V that does not bear it: divide it, or choose another board",
          link);
    }
  }

  /** A terminal that a link lands on cannot serve a contact as well. */
  private void taken(List<Desk> desks) {
    for (Link link : build.links()) {
      for (Link.End end : List.of(link.from(), link.to())) {
        desks.stream()
            .filter(desk -> desk.build().seat().id().equals(end.seat()))
            .flatMap(desk -> desk.loom().plan().choices().entrySet().stream())
            .filter(choice -> choice.getValue().terminal().name().equals(end.terminal()))
            .forEach(
                choice ->
                    stop(
                        LoomCode.LINK_ON_TAKEN,
                        "Terminal " + end + " is taken twice",
                        "Link "
                            + link
                            + " lands where the plan has "
                            + choice.getKey()
                            + ": lock that elsewhere, or lay the link to a free terminal",
                        link));
      }
    }
  }

  /** A board that is no device of its own needs one that speaks for it. */
  private void alone(List<Desk> desks) {
    for (Desk desk : desks) {
      Passing.why(desks, desk)
          .ifPresent(
              why ->
                  findings.add(
                      Finding.of(
                          LoomCode.NOT_PASSED_ON,
                          List.of(Subject.BOARD),
                          "No program passes on what the board of seat "
                              + desk.build().seat().id()
                              + " tells",
                          "It is wired to one that could: " + why)));
      if (desk.unheard()) {
        SeatId seat = desk.build().seat().id();
        boolean several = build.seats().size() > 1;
        findings.add(
            Finding.of(
                LoomCode.UNHEARD,
                List.of(Subject.BOARD),
                several ? "Nobody hears the board of seat " + seat : "Nobody hears this board",
                "It is no device of its own, so that nothing it reads comes to a host: join its TX"
                    + " to the RX of a board that is one, and their grounds"));
      }
    }
  }

  private void stop(Code code, String title, String detail, Link link) {
    findings.add(
        Finding.of(code, Severity.STOP, List.of(Subject.BOARD), title, detail)
            .mendedBy(
                Fix.of(
                    "Take the link out",
                    b -> b.withLinks(b.links().stream().filter(l -> !l.equals(link)).toList()))));
  }

  private static String words(Set<SeatId> seats) {
    return String.join(" and ", seats.stream().map(SeatId::text).toList());
  }
}
