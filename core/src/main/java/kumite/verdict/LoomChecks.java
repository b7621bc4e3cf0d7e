package kumite.verdict;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.build.Build;
import kumite.build.Common;
import kumite.build.ContactId;
import kumite.build.LoomSettings;
import kumite.build.WireColour;
import kumite.device.SignalPath;
import kumite.loom.CommonRun;
import kumite.loom.ContactSite;
import kumite.loom.Loom;
import kumite.loom.PinPlan;
import kumite.loom.Strand;
import kumite.map.TargetText;
import kumite.panel.Arrange;
import kumite.parts.BoardKind;
import kumite.parts.Catalogue;
import kumite.parts.Terminal;
import kumite.power.InputLevels;

/** Checks of the wiring. */
final class LoomChecks {
  private static final int RING_ABOVE = 6;

  private final Build build;
  private final Catalogue catalogue;
  private final Loom loom;
  private final List<SignalPath> paths;
  private final List<Finding> findings = new ArrayList<>();
  private final Map<ContactId, ContactSite> sites = new HashMap<>();

  private LoomChecks(Build build, Catalogue catalogue, Loom loom, List<SignalPath> paths) {
    this.build = build;
    this.catalogue = catalogue;
    this.loom = loom;
    this.paths = paths;
    loom.sites().forEach(site -> sites.put(site.id(), site));
  }

  static List<Finding> of(Build build, Catalogue catalogue, Loom loom, List<SignalPath> paths) {
    LoomChecks checks = new LoomChecks(build, catalogue, loom, paths);
    if (!loom.sites().isEmpty()) {
      Optional<BoardKind> board = catalogue.boardOf(build);
      if (board.isEmpty()) {
        checks.noBoard();
      } else {
        checks.locks(board.get());
        checks.unplaced(board.get());
        checks.commons(board.get());
        checks.levels(board.get());
        checks.colours();
        checks.breaks();
      }
    }
    return checks.findings;
  }

  private void noBoard() {
    Optional<BoardKind> fit =
        catalogue.boards().stream().min(Comparator.comparingInt(kind -> leftOver(build, kind)));
    findings.add(
        Finding.of(
                "LM-01",
                Severity.LOOK,
                Station.LOOM,
                List.of(),
                "No board chosen yet",
                loom.sites().size()
                    + " contacts wait for terminals; nothing can be wired or pressed before")
            .mendedBy(
                fit.map(kind -> Fix.of("Use " + kind.name(), b -> Arrange.withBoard(b, kind)))));
  }

  private boolean takesAll(Build candidate, BoardKind kind) {
    return leftOver(candidate, kind) == 0;
  }

  /** {@return how many contacts a board would leave without a terminal} */
  private int leftOver(Build candidate, BoardKind kind) {
    Build with = Arrange.withBoard(candidate.withLoom(withoutLocks(candidate)), kind);
    return Loom.of(with, catalogue).plan().unplaced().size();
  }

  private static LoomSettings withoutLocks(Build build) {
    LoomSettings settings = build.loom();
    for (ContactId contact : build.loom().locks().keySet()) {
      settings = settings.withoutLock(contact);
    }
    return settings;
  }

  private void locks(BoardKind board) {
    Map<String, ContactId> holder = new HashMap<>();
    build
        .loom()
        .locks()
        .forEach(
            (contact, name) -> {
              ContactSite site = sites.get(contact);
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
                    "LM-08",
                    Severity.STOP,
                    site,
                    site.label() + " is locked to " + name + ", which this board does not have",
                    "The board's terminals are other ones; the plan passed over the lock",
                    release);
              } else if (holder.putIfAbsent(name, contact) != null) {
                lock(
                    "LM-09",
                    Severity.STOP,
                    site,
                    "Two contacts are locked to " + name,
                    site.label() + " and " + sites.get(holder.get(name)).label() + " both want it",
                    release);
              } else if (!PinPlan.fits(site, board, terminal.get())) {
                lock(
                    "LM-03",
                    Severity.STOP,
                    site,
                    name + " cannot read " + site.label(),
                    unfit(site, board, terminal.get()),
                    release);
              } else if (terminal.get().keep().isPresent()) {
                Terminal.Keep keep = terminal.get().keep().get();
                lock(
                    "LM-04",
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

  private static String unfit(ContactSite site, BoardKind board, Terminal terminal) {
    if (terminal.role() != Terminal.Role.INPUT) {
      return terminal.name() + " is no input";
    }
    if (site.contact().type().analog()) {
      return "A wiper or ladder needs a terminal that measures volts; this one only reads high and low";
    }
    return board.fixedMap() && terminal.fixed().isPresent()
        ? "The board fixes this socket to " + terminal.fixed().get()
        : "This terminal does not read high and low";
  }

  private void lock(
      String code, Severity severity, ContactSite site, String title, String detail, Fix fix) {
    findings.add(
        Finding.of(code, severity, Station.LOOM, List.of(site.id().toString()), title, detail)
            .mendedBy(fix));
  }

  private void unplaced(BoardKind board) {
    List<ContactSite> unplaced = loom.plan().unplaced();
    if (unplaced.isEmpty()) {
      findings.add(
          Finding.of(
              "LM-20",
              Severity.FINE,
              Station.LOOM,
              List.of(),
              "Every contact has its terminal",
              loom.sites().size()
                  + " contacts, "
                  + loom.plan().free().size()
                  + " inputs left, of these "
                  + loom.plan().free().stream().filter(PinPlan::keptBack).count()
                  + " kept back"));
      return;
    }
    long analog = unplaced.stream().filter(site -> site.contact().type().analog()).count();
    long fixed =
        unplaced.stream()
            .filter(site -> board.fixedMap() && site.entry().isPresent())
            .filter(
                site ->
                    board.terminals().stream()
                        .noneMatch(
                            t ->
                                t.fixed()
                                    .filter(TargetText.of(site.entry().get().target())::equals)
                                    .isPresent()))
            .count();
    List<String> reasons = new ArrayList<>();
    if (analog > 0) {
      reasons.add(
          analog
              + " of them need terminals that measure volts, of which the board has "
              + board.terminals().stream().filter(t -> t.can(Terminal.Ability.ANALOG)).count());
    }
    if (fixed > 0) {
      reasons.add(fixed + " of them mean something that this board's sockets cannot give");
    }
    if (reasons.isEmpty()) {
      long usable =
          board.terminals(Terminal.Role.INPUT).stream().filter(t -> !PinPlan.keptBack(t)).count();
      reasons.add(loom.sites().size() + " contacts for " + usable + " usable inputs");
    }
    Optional<BoardKind> fit =
        catalogue.boards().stream()
            .filter(kind -> !kind.id().equals(board.id()))
            .filter(kind -> takesAll(build, kind))
            .findFirst();
    String names =
        String.join(", ", unplaced.stream().limit(4).map(ContactSite::label).toList())
            + (unplaced.size() > 4 ? " and " + (unplaced.size() - 4) + " more" : "");
    findings.add(
        Finding.of(
                "LM-02",
                Severity.STOP,
                Station.LOOM,
                unplaced.stream().map(site -> site.id().toString()).toList(),
                unplaced.size()
                    + (unplaced.size() == 1 ? " contact has" : " contacts have")
                    + " no terminal",
                names + ": " + String.join("; ", reasons))
            .mendedBy(
                fit.map(kind -> Fix.of("Use " + kind.name(), b -> Arrange.withBoard(b, kind)))));
  }

  private void commons(BoardKind board) {
    List<ContactSite> odd =
        loom.sites().stream()
            .filter(site -> !site.contact().type().analog())
            .filter(site -> site.common() != board.common())
            .toList();
    Set<String> done = new HashSet<>();
    for (ContactSite site : odd) {
      if (done.add(site.control().id().text())) {
        findings.add(
            Finding.of(
                    "LM-05",
                    Severity.STOP,
                    Station.LOOM,
                    List.of(site.control().id().text()),
                    site.control().label()
                        + " shares the "
                        + site.common().words()
                        + ", the others the "
                        + board.common().words(),
                    "Mixed commons read upside down, and joining the two shorts the supply to ground")
                .mendedBy(
                    Fix.of(
                        "Wire " + site.control().label() + " to " + board.common().words(),
                        b ->
                            b.withControl(
                                site.control().id(), c -> c.withCommon(Optional.empty())))));
      }
    }
    if (odd.isEmpty() && board.common() == Common.RAIL) {
      findings.add(
          Finding.of(
              "LM-11",
              Severity.FINE,
              Station.LOOM,
              List.of(),
              "The shared side is the 5 V rail",
              "This board feeds its contacts from its supply: never tie their shared side to ground or"
                  + " to the ground of another board"));
    }
  }

  private void levels(BoardKind board) {
    boolean all = true;
    for (SignalPath path : paths) {
      Optional<InputLevels> levels = path.levels();
      if (levels.isPresent() && !levels.get().readable()) {
        all = false;
        findings.add(
            Finding.of(
                    "LM-06",
                    Severity.STOP,
                    Station.LOOM,
                    List.of(path.id().toString()),
                    path.site().label() + " cannot be told from released",
                    "Idle reads "
                        + levels.get().idle().words()
                        + ", held reads "
                        + levels.get().held().words()
                        + " with its "
                        + levels.get().pull())
                .showing(levels.get().working())
                .mendedBy(
                    path.site().common() == board.common()
                        ? Optional.empty()
                        : Optional.of(
                            Fix.of(
                                "Wire "
                                    + path.site().control().label()
                                    + " to "
                                    + board.common().words(),
                                b ->
                                    b.withControl(
                                        path.id().control(),
                                        c -> c.withCommon(Optional.empty()))))));
      }
    }
    Optional<InputLevels> sample =
        paths.stream()
            .filter(p -> !p.site().contact().type().analog())
            .flatMap(p -> p.levels().stream())
            .findFirst();
    if (all && sample.isPresent()) {
      findings.add(
          Finding.of(
                  "LM-21",
                  Severity.FINE,
                  Station.LOOM,
                  List.of(),
                  "Levels read cleanly",
                  String.format(
                      java.util.Locale.ROOT,
                      "Idle %.2f V, held %.2f V; low up to %.1f V, high from %.1f V",
                      sample.get().idleVolts(),
                      sample.get().heldVolts(),
                      board.lowVolts(),
                      board.highVolts()))
              .showing(sample.get().working()));
    }
  }

  private void colours() {
    boolean clash = false;
    Map<ContactId, Strand> strands = loom.byContact();
    for (List<ContactId> bundle : loom.bundles().values()) {
      Map<WireColour, List<ContactId>> byColour = new LinkedHashMap<>();
      for (ContactId contact : bundle) {
        byColour
            .computeIfAbsent(strands.get(contact).colour(), c -> new ArrayList<>())
            .add(contact);
      }
      for (Map.Entry<WireColour, List<ContactId>> entry : byColour.entrySet()) {
        if (entry.getValue().size() > 1) {
          clash = true;
          findings.add(colourClash(entry.getKey(), entry.getValue(), strands));
        }
      }
    }
    if (!clash && !loom.bundles().isEmpty()) {
      findings.add(
          Finding.of(
              "LM-22",
              Severity.FINE,
              Station.LOOM,
              List.of(),
              "No colour twice in a bundle",
              loom.bundles().size() + " bundles, one on each used side of the board"));
    }
  }

  private Finding colourClash(
      WireColour colour, List<ContactId> contacts, Map<ContactId, Strand> strands) {
    List<String> ids = contacts.stream().map(c -> strands.get(c).id()).toList();
    // A colour left to the plan is never doubled, so one of them was chosen by hand.
    Optional<ContactId> chosen =
        contacts.stream().filter(c -> build.loom().colours().containsKey(c)).reduce((a, b) -> b);
    return Finding.of(
            "LM-07",
            Severity.LOOK,
            Station.LOOM,
            contacts.stream().map(ContactId::toString).toList(),
            String.join(" and ", ids) + " are both " + colour.words(),
            "They leave the board together; nobody can tell them apart behind the panel")
        .mendedBy(
            chosen.map(
                contact ->
                    Fix.of(
                        "Recolour " + strands.get(contact).id(),
                        b -> b.withLoom(b.loom().withoutColour(contact)))));
  }

  private void breaks() {
    for (CommonRun run : loom.runs()) {
      if (run.silencedByOneBreak() > RING_ABOVE) {
        findings.add(
            Finding.of(
                    "LM-10",
                    Severity.LOOK,
                    Station.LOOM,
                    List.of(),
                    "The " + run.name() + " is one chain over " + run.stops().size(),
                    "A break at the board silences all of them; a ring survives one break")
                .mendedBy(
                    Fix.of(
                        "Close the ring",
                        b -> b.withLoom(b.loom().withShape(LoomSettings.CommonShape.RING)))));
      }
    }
  }
}
