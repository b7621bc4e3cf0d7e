package kumite.ports;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.map.Timing;
import kumite.build.port.Port;
import kumite.circuit.Wired;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Severity;
import kumite.finding.Subject;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.loom.Console;
import kumite.loom.ContactSite;
import kumite.loom.Looks;
import kumite.loom.Loom;
import kumite.loom.LoomChecks;
import kumite.loom.Pad;
import kumite.loom.PadInside;
import kumite.loom.PinChoice;
import kumite.loom.Sharing;
import kumite.name.ContactId;
import kumite.parts.Catalogue;
import kumite.signal.PortKind;
import kumite.signal.SignalLine;
import kumite.working.Source;
import kumite.working.Working;

/**
 * Checks of the ports of the seat looked at; what their wires do is told where wires are judged.
 */
public final class PortChecks {
  private static final double US_IN_MS = 1000;

  private final Build build;
  private final Catalogue catalogue;
  private final Loom loom;
  private final List<Finding> findings = new ArrayList<>();

  private PortChecks(Build build, Catalogue catalogue, Loom loom) {
    this.build = build;
    this.catalogue = catalogue;
    this.loom = loom;
  }

  /** {@return what is to be said of the ports of the seat looked at} */
  public static List<Finding> of(
      Build build, Catalogue catalogue, Loom loom, Optional<Wired> wired) {
    PortChecks checks = new PortChecks(build, catalogue, loom);
    Optional<BoardKind> board = catalogue.boardOf(build);
    if (board.isPresent()) {
      loom.pads().forEach(pad -> checks.supply(pad, board.get()));
      Looks looks = Looks.of(board.get(), loom);
      loom.pads().forEach(pad -> checks.pulls(pad, looks));
      checks.programs(board.get());
      checks.time();
      checks.locks();
      wired.ifPresent(
          w -> checks.findings.addAll(ConsoleChecks.of(build, catalogue, loom, board.get(), w)));
    } else if (!loom.pads().isEmpty()) {
      checks.findings.add(
          Finding.of(
                  PortCode.NO_BOARD,
                  loom.pads().stream().map(pad -> Subject.of(pad.port().id())).toList(),
                  loom.pads().get(0).port().label() + " has no board to be read by",
                  "Choose a board; a port's lines go to its terminals")
              .mendedBy(LoomChecks.board(build, catalogue, loom)));
    }
    if (board.isEmpty() && !loom.consoles().isEmpty()) {
      Console first = loom.consoles().get(0);
      Finding finding =
          Finding.of(
              PortCode.NO_BOARD,
              loom.consoles().stream().map(c -> Subject.of(c.port().id())).toList(),
              "Nothing answers " + first.port().label() + " yet",
              "Choose a board that is programmed"
                  + (ConsoleChecks.circuit(catalogue, first).isPresent()
                      ? ", or the logic chips that answer by themselves"
                      : ""));
      checks.findings.add(
          finding.mendedBy(() -> ConsoleChecks.answer(build, catalogue, loom, first)));
    }
    return checks.findings;
  }

  /** What is wired and judged, but not in the program that would be written for the board. */
  private void programs(BoardKind board) {
    Map<PortKind, List<Pad>> unread = new LinkedHashMap<>();
    for (Pad pad : loom.pads()) {
      // A board that is no host is told by the lines that have no terminal.
      boolean hosted = !pad.hosted() || board.hosts();
      if (hosted && !pad.written(board) && board.brain().needsCode()) {
        unread.computeIfAbsent(pad.kind(), k -> new ArrayList<>()).add(pad);
      }
    }
    unread.forEach(
        (kind, pads) ->
            findings.add(
                Finding.of(
                    PortCode.NO_PROGRAM,
                    pads.stream().map(pad -> Subject.of(pad.port().id())).toList(),
                    "No program that Kumite writes reads "
                        + String.join(", ", pads.stream().map(p -> p.port().label()).toList()),
                    kind.title()
                        + ": wires, levels and what the board would hear are worked out; load a"
                        + " ready-made program that reads such a pad, or write one")));
  }

  // ---- supply

  private void supply(Pad pad, BoardKind board) {
    if (!pad.fed()) {
      return;
    }
    double volts = pad.feedVolts(board);
    PortKind kind = pad.kind();
    List<Subject> about = List.of(Subject.of(pad.port().id()));
    boolean there =
        board.terminals(Terminal.Role.SUPPLY).stream().anyMatch(t -> t.volts() == volts);
    if (!there) {
      findings.add(
          mended(
              Finding.of(
                  PortCode.NO_SUCH_SUPPLY,
                  about,
                  board.name() + " gives no " + volts(volts) + " for " + pad.port().label(),
                  "Without a supply the pad says nothing"),
              pad,
              board));
    }
    if (volts > kind.volts()) {
      findings.add(
          mended(
              Finding.of(
                  PortCode.FED_TOO_MUCH,
                  about,
                  pad.port().label() + " is fed " + volts(volts),
                  "Such a pad takes " + volts(kind.volts()) + "; more may kill it"),
              pad,
              board));
    } else if (volts < kind.worksFromVolts()) {
      findings.add(
          mended(
              Finding.of(
                  PortCode.FED_TOO_LITTLE,
                  about,
                  pad.port().label() + " is fed " + volts(volts) + ", less than it works from",
                  "Such a pad works from " + volts(kind.worksFromVolts()) + "; try one first"),
              pad,
              board));
    }
    double lines = kind.lineVolts(volts);
    if (there && !board.fiveVoltTolerant() && lines > board.logicVolts()) {
      sends(pad, board, lines, about);
    }
  }

  private void sends(Pad pad, BoardKind board, double volts, List<Subject> about) {
    boolean less = board.logicVolts() >= pad.kind().worksFromVolts();
    findings.add(
        mended(
            Finding.of(
                PortCode.SENDS_TOO_MUCH,
                Severity.STOP,
                about,
                pad.port().label()
                    + " sends "
                    + volts(volts)
                    + " to a board of "
                    + volts(board.logicVolts()),
                less
                    ? "Feed it "
                        + volts(board.logicVolts())
                        + ": it works from "
                        + volts(pad.kind().worksFromVolts())
                    : "Divide each line that it sends on, or put a level shifter between; or take"
                        + " a board whose terminals bear it"),
            pad,
            board));
  }

  /** The ways to feed it that its kind and its board allow, the board's own first. */
  private static Finding mended(Finding finding, Pad pad, BoardKind board) {
    Finding next = finding;
    Port port = pad.port();
    if (port.feedVolts().isPresent()) {
      next =
          next.mendedBy(
              Fix.of(
                  "Feed " + port.label() + " as the board wants it",
                  b -> b.withPorts(b.ports().with(port.withFeed(Optional.empty())))));
    }
    for (double volts : List.of(board.logicVolts(), pad.kind().volts())) {
      boolean allowed = volts >= pad.kind().worksFromVolts() && volts <= pad.kind().volts();
      if (allowed) {
        next =
            next.mendedBy(
                Fix.of(
                    "Feed " + port.label() + " " + volts(volts),
                    b -> b.withPorts(b.ports().with(port.withFeed(Optional.of(volts))))));
      }
    }
    return next;
  }

  private static String volts(double volts) {
    return Working.number(volts, 1) + " V";
  }

  // ---- pulls

  /** What a pad does not hold by itself, and any line of an empty socket, wants a pull-up. */
  private void pulls(Pad pad, Looks looks) {
    List<String> open = new ArrayList<>();
    for (SignalLine line : pad.kind().lines()) {
      if (line.pull().isEmpty() || PadInside.pulledAtSocket(pad, line)) {
        continue;
      }
      Optional<PinChoice> pin = loom.pinOf(pad, line);
      Looks.Pull pull =
          pin.map(p -> looks.pulls().getOrDefault(p.terminal().name(), Looks.Pull.NONE))
              .orElse(Looks.Pull.UP);
      if (pull != Looks.Pull.UP) {
        open.add(line.name().replace('_', ' '));
      }
    }
    if (!open.isEmpty()) {
      findings.add(
          Finding.of(
              PortCode.NOT_PULLED,
              List.of(Subject.of(pad.port().id())),
              "No pull-up at " + pad.port().label() + "'s " + String.join(", ", open),
              "Without a pad the line floats and reads anything; fit about "
                  + kumite.working.Quantity.OHM.words(10_000)
                  + " to the board's supply, or take a terminal that has a pull-up inside"));
    }
  }

  // ---- locks

  /** A button that comes on a line with others has no terminal of its own to be locked to. */
  private void locks() {
    for (Map.Entry<ContactId, String> lock : build.loom().locks().entrySet()) {
      Optional<ContactSite> site = loom.site(lock.getKey()).filter(s -> s.pad().isPresent());
      boolean line = loom.lines().stream().anyMatch(l -> l.id().equals(lock.getKey()));
      if (site.isPresent() && !line) {
        String read =
            loom.sharingOf(lock.getKey())
                .flatMap(sharing -> sharing.seat(lock.getKey()))
                .map(seat -> seat.read().id().toString())
                .orElse("its line");
        findings.add(
            Finding.of(
                    PortCode.LOCK_IN_VAIN,
                    List.of(Subject.of(lock.getKey())),
                    "The lock of "
                        + site.get().label()
                        + " to "
                        + lock.getValue()
                        + " does nothing",
                    "It comes on a line with others; lock " + read + " instead")
                .mendedBy(
                    Fix.of(
                        "Let " + site.get().label() + " go",
                        b -> b.withLoom(b.loom().withoutLock(lock.getKey())))));
      }
    }
  }

  // ---- time

  /** All ports of a kind are read together, those of several kinds one after the other. */
  private void time() {
    Map<Sharing, List<Pad>> buses = new LinkedHashMap<>();
    for (Sharing sharing : loom.sharings()) {
      List<Pad> pads =
          sharing.seats().stream().flatMap(s -> s.site().pad().stream()).distinct().toList();
      if (!pads.isEmpty() && sharing.scanMicros() > 0 && sharing.placed(loom.plan())) {
        buses.put(sharing, pads);
      }
    }
    double micros = buses.keySet().stream().mapToDouble(Sharing::scanMicros).sum();
    if (buses.isEmpty() || micros == 0) {
      return;
    }
    int scan = build.timing().scanUs();
    List<Subject> about =
        buses.values().stream()
            .flatMap(List::stream)
            .map(pad -> Subject.of(pad.port().id()))
            .distinct()
            .toList();
    List<Working.Value> values = new ArrayList<>();
    buses.forEach(
        (sharing, pads) ->
            values.add(
                Working.value(
                    "t" + (values.size() + 1),
                    sharing.scanMicros(),
                    1,
                    "us",
                    "reading of "
                        + String.join(", ", pads.stream().map(p -> p.port().label()).toList()))));
    values.add(Working.value("look", scan, 0, "us", "from one look of the board to the next"));
    Working working =
        new Working(
            "time of all readings",
            "sum of t <= look",
            values,
            Working.number(micros, 1) + " us of " + scan + " us",
            Source.derived(
                "times of the mechanism, in steps of the board, as docs/semantics.md says"));
    if (micros > scan) {
      int wanted = (int) (Math.ceil(micros / US_IN_MS) * US_IN_MS);
      Finding slow =
          Finding.of(
                  PortCode.TOO_SLOW,
                  about,
                  "Reading takes " + Working.number(micros, 0) + " us, a look " + scan + " us",
                  "The board cannot look so often while it reads its ports")
              .showing(working);
      findings.add(
          Timing.SCAN.has(wanted)
              ? slow.mendedBy(
                  Fix.of(
                      "Look every " + Working.number(wanted / US_IN_MS, 0) + " ms",
                      b -> b.withTiming(b.timing().withScanUs(wanted))))
              : slow);
      return;
    }
    findings.add(
        Finding.of(
                PortCode.IN_TIME,
                about,
                about.size() == 1 ? "The port is read in time" : "The ports are read in time",
                Working.number(micros, 0) + " us a reading, a look every " + scan + " us")
            .showing(working));
  }
}
