package kumite.loom;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.build.Build;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Severity;
import kumite.finding.Subject;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.name.ContactId;

/** Checks of contacts and wires that the builder holds at a terminal. */
final class LockChecks {
  private final Build build;
  private final Loom loom;
  private final List<Finding> findings = new ArrayList<>();
  private final Map<ContactId, Line> lines = new HashMap<>();

  private LockChecks(Build build, Loom loom) {
    this.build = build;
    this.loom = loom;
    loom.lines().forEach(line -> lines.put(line.id(), line));
  }

  static List<Finding> of(Build build, Loom loom, BoardKind board) {
    LockChecks checks = new LockChecks(build, loom);
    checks.locks(board);
    return checks.findings;
  }

  private void locks(BoardKind board) {
    Map<String, ContactId> holder = new HashMap<>();
    build
        .loom()
        .locks()
        .forEach(
            (contact, name) -> {
              Line site = lines.get(contact);
              if (site == null) {
                return; // a lock of a contact that is gone does nothing
              }
              Fix release =
                  Fix.of(
                      "Let " + site.label() + " go",
                      b -> b.withLoom(b.loom().withoutLock(contact)));
              Optional<Terminal> terminal = board.terminal(name);
              if (terminal.isEmpty()) {
                lock(
                    LoomCode.LOCK_ON_NOTHING,
                    Severity.STOP,
                    site,
                    site.label() + " is locked to " + name + ", which this board does not have",
                    "The board's terminals are other ones; the plan passed over the lock",
                    release);
              } else if (build.loom().dead().contains(name)) {
                lock(
                    LoomCode.LOCK_ON_DEAD,
                    Severity.STOP,
                    site,
                    site.label() + " is locked to " + name + ", which is dead",
                    "You noted that this terminal turned out bad; another one serves as well",
                    release);
              } else if (holder.putIfAbsent(name, contact) != null) {
                lock(
                    LoomCode.LOCKED_TWICE,
                    Severity.STOP,
                    site,
                    "Two contacts are locked to " + name,
                    site.label() + " and " + lines.get(holder.get(name)).label() + " both want it",
                    release);
              } else if (!site.fits(board, terminal.get())) {
                lock(
                    LoomCode.LOCK_CANNOT_READ,
                    Severity.STOP,
                    site,
                    name + " cannot read " + site.label(),
                    unfit(site, board, terminal.get()),
                    release);
              } else if (HostSockets.wants(site) && parted(board, site, terminal.get())) {
                lock(
                    LoomCode.LOCK_CANNOT_READ,
                    Severity.STOP,
                    site,
                    name + " is of another socket than the pad's other line",
                    "Both data lines of a USB pad go into one socket of the board",
                    release);
              } else if (terminal.get().keep().isPresent() && !site.bytesAt(terminal.get())) {
                Terminal.Keep keep = terminal.get().keep().get();
                lock(
                    LoomCode.LOCK_ON_KEPT,
                    keep == Terminal.Keep.BOOT ? Severity.STOP : Severity.LOOK,
                    site,
                    name + " " + keep.words(),
                    site.label()
                        + (keep == Terminal.Keep.BOOT
                            ? " pulls on it at power-up; another terminal is free of that"
                            : " is locked there; keep it free unless you have no other"),
                    release);
              }
            });
  }

  private boolean parted(BoardKind board, Line line, Terminal terminal) {
    return loom.lines().stream()
        .filter(other -> HostSockets.wants(other) && !other.id().equals(line.id()))
        .filter(other -> other.id().control().equals(line.id().control()))
        .flatMap(other -> loom.plan().of(other.id()).stream())
        .anyMatch(
            pin ->
                board.hostSockets().stream()
                    .noneMatch(s -> s.has(terminal) && s.has(pin.terminal())));
  }

  private static String unfit(Line site, BoardKind board, Terminal terminal) {
    if (terminal.role() != Terminal.Role.INPUT) {
      return terminal.name() + " is no input";
    }
    if (site.needs() == Line.Need.MEASURE) {
      return "A wiper or ladder needs a terminal that measures volts; this one only reads high and low";
    }
    if (site.needs() == Line.Need.DRIVE) {
      return "This wire is driven by the board, and the terminal can only read";
    }
    return board.fixedMap() && terminal.fixed().isPresent()
        ? "The board fixes this socket to " + terminal.fixed().get()
        : "This terminal does not read high and low";
  }

  private void lock(Code code, Severity severity, Line site, String title, String detail, Fix fix) {
    findings.add(
        Finding.of(code, severity, List.of(Subject.of(site.id())), title, detail).mendedBy(fix));
  }
}
