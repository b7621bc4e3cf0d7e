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
import java.util.function.Supplier;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.brief.Brief;
import kumite.build.loom.Group;
import kumite.build.loom.Laying;
import kumite.build.loom.LoomSettings;
import kumite.build.loom.Topology;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.kind.Terminal;
import kumite.kind.WireColour;
import kumite.loom.Clash;
import kumite.loom.CommonRun;
import kumite.loom.ContactSite;
import kumite.loom.Line;
import kumite.loom.Loom;
import kumite.loom.PinPlan;
import kumite.loom.Sharing;
import kumite.loom.Strand;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.panel.Arrange;
import kumite.parts.Catalogue;

/** Checks of the wiring. */
final class LoomChecks {
  private static final int RING_ABOVE = 6;

  private final Build build;
  private final Catalogue catalogue;
  private final Loom loom;
  private final List<Finding> findings = new ArrayList<>();
  private final Map<ContactId, Line> lines = new HashMap<>();

  private LoomChecks(Build build, Catalogue catalogue, Loom loom) {
    this.build = build;
    this.catalogue = catalogue;
    this.loom = loom;
    loom.lines().forEach(line -> lines.put(line.id(), line));
  }

  static List<Finding> of(Build build, Catalogue catalogue, Loom loom) {
    LoomChecks checks = new LoomChecks(build, catalogue, loom);
    if (!loom.sites().isEmpty()) {
      Optional<BoardKind> board = catalogue.boardOf(build);
      if (board.isEmpty()) {
        checks.noBoard();
      } else {
        checks.locks(board.get());
        checks.unplaced(board.get());
        checks.commons(board.get());
        checks.restingTabs();
        checks.groups();
        checks.pulses();
        checks.colours();
        checks.breaks();
        checks.unproven(board.get());
      }
    }
    return checks.findings;
  }

  private void noBoard() {
    Supplier<Optional<Fix>> fit =
        () ->
            catalogue.boards().stream()
                .min(Comparator.comparingInt(kind -> leftOver(build, kind)))
                .map(kind -> Fix.of("Use " + kind.name(), b -> Arrange.withBoard(b, kind)));
    findings.add(
        Finding.of(
                "LM-01",
                Severity.LOOK,
                Station.LOOM,
                loom.sites().stream().map(site -> site.id().toString()).toList(),
                "No board chosen yet",
                loom.sites().size()
                    + " contacts wait for terminals; nothing can be wired or pressed before")
            .mendedBy(fit));
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
                    site.label() + " and " + lines.get(holder.get(name)).label() + " both want it",
                    release);
              } else if (!site.fits(board, terminal.get())) {
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

  private void lock(
      String code, Severity severity, Line site, String title, String detail, Fix fix) {
    findings.add(
        Finding.of(code, severity, Station.LOOM, List.of(site.id().toString()), title, detail)
            .mendedBy(fix));
  }

  private void unplaced(BoardKind board) {
    List<Line> unplaced = loom.plan().unplaced();
    if (unplaced.isEmpty()) {
      findings.add(
          Finding.of(
              "LM-20",
              Severity.FINE,
              Station.LOOM,
              List.of(),
              "Every contact has its terminal",
              loom.sites().size()
                  + " contacts on "
                  + loom.lines().size()
                  + " wires, "
                  + loom.plan().free().size()
                  + " inputs left, of these "
                  + loom.plan().free().stream().filter(PinPlan::keptBack).count()
                  + " kept back"));
      return;
    }
    String detail =
        loom.plan()
            .clash()
            .map(Clash::words)
            .orElse(String.join(", ", unplaced.stream().limit(4).map(Line::label).toList()));
    findings.add(
        Finding.of(
                "LM-02",
                Severity.STOP,
                Station.LOOM,
                unplaced.stream().map(line -> line.id().toString()).toList(),
                unplaced.size()
                    + (unplaced.size() == 1 ? " wire has" : " wires have")
                    + " no terminal",
                detail)
            .mendedBy(() -> moreTerminals(board)));
  }

  /** The same board with its plain contacts in a matrix if that is enough, else another board. */
  private Optional<Fix> moreTerminals(BoardKind board) {
    List<ContactId> plain =
        loom.sites().stream()
            .filter(ContactSite::switched)
            .filter(site -> build.loom().groupOf(site.id()).isEmpty())
            .filter(site -> !build.loom().locks().containsKey(site.id()))
            .filter(site -> !(site.kind().lit() && site.control().hookup().lampShares()))
            .map(ContactSite::id)
            .toList();
    ControlId name = freshGroup(build);
    if (!board.fixedMap() && plain.size() > 3) {
      for (Topology topology : List.of(Topology.MATRIX, Topology.REGISTERS)) {
        LoomSettings shared = build.loom().withGroup(name, topology, plain);
        if (Loom.of(build.withLoom(shared), catalogue).plan().unplaced().isEmpty()) {
          return Optional.of(
              Fix.of(
                  "Share terminals: " + topology.words(),
                  b -> b.withLoom(b.loom().withGroup(name, topology, plain))));
        }
      }
    }
    return catalogue.boards().stream()
        .filter(kind -> !kind.id().equals(board.id()))
        .filter(kind -> kind.brain().link() == BoardKind.Link.USB)
        .sorted(Comparator.comparingInt(kind -> kind.brain().costClass()))
        .filter(kind -> takesAll(build, kind))
        .findFirst()
        .map(kind -> Fix.of("Use " + kind.name(), b -> Arrange.withBoard(b, kind)));
  }

  /** {@return a group name that neither a control nor a group has yet} */
  static ControlId freshGroup(Build build) {
    ControlId name = new ControlId("keys");
    for (int n = 2; taken(build, name); n++) {
      name = new ControlId("keys-" + n);
    }
    return name;
  }

  private static boolean taken(Build build, ControlId name) {
    return build.control(name).isPresent()
        || build.loom().groups().stream().anyMatch(group -> group.name().equals(name));
  }

  private void restingTabs() {
    Set<Control> done = new HashSet<>();
    for (ContactSite site : loom.sites()) {
      if (site.switched() && site.control().hookup().restsClosed() && done.add(site.control())) {
        findings.add(
            Finding.of(
                    "LM-12",
                    Severity.STOP,
                    Station.LOOM,
                    List.of(site.control().id().text()),
                    site.control().label() + " is wired at NC",
                    "The tab that is closed at rest: it is pressed until you press it")
                .mendedBy(
                    Fix.of(
                        "Wire " + site.control().label() + " at NO",
                        b ->
                            b.withControl(
                                site.control().id(),
                                c -> c.withHookup(h -> h.withRestsClosed(false))))));
      }
    }
  }

  private void groups() {
    for (Sharing sharing : loom.sharings()) {
      Group group = sharing.group();
      if (sharing.ghosts()) {
        findings.add(
            Finding.of(
                    "LM-13",
                    Severity.STOP,
                    Station.LOOM,
                    group.contacts().stream().map(ContactId::toString).toList(),
                    group.name() + ": three held make a fourth",
                    "Without diodes, three corners of a rectangle of the matrix read as all four")
                .mendedBy(regroup(group, Topology.MATRIX, "Put a diode at each contact"))
                .mendedBy(
                    Fix.of(
                        "Wire " + group.name() + " one by one",
                        b -> b.withLoom(b.loom().ungrouped(group.contacts())))));
      }
      if (group.topology() == Topology.LADDER) {
        Set<ContactId> members = new HashSet<>(group.contacts());
        Optional<Brief.Pair> together = heldTogether(members);
        if (together.isPresent()) {
          findings.add(
              Finding.of(
                      "LM-14",
                      Severity.STOP,
                      Station.LOOM,
                      group.contacts().stream().map(ContactId::toString).toList(),
                      group.name() + ": a ladder tells one contact at a time",
                      together.get().one()
                          + " and "
                          + together.get().other()
                          + " are wanted at the same moment; of two held, only the one nearer to"
                          + " the terminal is seen")
                  .mendedBy(
                      Fix.of(
                          "Wire " + group.name() + " one by one",
                          b -> b.withLoom(b.loom().ungrouped(group.contacts())))));
        }
      }
      List<ContactSite> wipers =
          sharing.seats().stream()
              .map(Sharing.Seat::site)
              .filter(site -> misfit(site, group.topology()))
              .toList();
      if (!wipers.isEmpty()) {
        List<ContactId> ids = wipers.stream().map(ContactSite::id).toList();
        findings.add(
            Finding.of(
                    "LM-15",
                    Severity.STOP,
                    Station.LOOM,
                    ids.stream().map(ContactId::toString).toList(),
                    wipers.get(0).label() + " cannot be read through " + group.topology().words(),
                    wipers.get(0).contact().type().analog()
                        ? "What is measured needs a terminal that measures volts, or a multiplexer"
                        : wipers.get(0).touched()
                            ? "A finger is not a contact: a pad needs a terminal that senses touch"
                            : "An output that is fed drives its wire; it shares with no other")
                .mendedBy(
                    Fix.of(
                        "Take " + wipers.get(0).label() + " out of " + group.name(),
                        b -> b.withLoom(b.loom().ungrouped(ids)))));
      }
    }
  }

  /** What a way of sharing cannot read: volts, skin and driven outputs want wires of their own. */
  private static boolean misfit(ContactSite site, Topology topology) {
    return switch (topology) {
      case MULTIPLEXER -> site.touched();
      case TOUCH -> site.contact().type().analog() || site.fed();
      case MATRIX, BARE_MATRIX, REGISTERS, LADDER -> !site.switched();
    };
  }

  private static Fix regroup(Group group, Topology topology, String label) {
    return Fix.of(
        label, b -> b.withLoom(b.loom().withGroup(group.name(), topology, group.contacts())));
  }

  private Optional<Brief.Pair> heldTogether(Set<ContactId> members) {
    Set<String> functions = new HashSet<>();
    for (ContactSite site : loom.sites()) {
      if (members.contains(site.id())) {
        site.entry().ifPresent(entry -> functions.add(entry.function()));
      }
    }
    return build.brief().together().stream()
        .filter(pair -> functions.contains(pair.one()) && functions.contains(pair.other()))
        .findFirst();
  }

  private void pulses() {
    List<Line> uncounted =
        loom.lines().stream()
            .filter(Line::pulses)
            .filter(
                line ->
                    loom.plan()
                        .of(line.id())
                        .filter(pin -> !pin.terminal().can(Terminal.Ability.INTERRUPT))
                        .isPresent())
            .toList();
    if (!uncounted.isEmpty()) {
      findings.add(
          Finding.of(
              "LM-16",
              Severity.LOOK,
              Station.LOOM,
              uncounted.stream().map(line -> line.id().toString()).toList(),
              "Pulses on terminals that do not count",
              String.join(", ", uncounted.stream().map(Line::label).toList())
                  + ": a fast turn can slip between two looks; a terminal that counts pulses does"
                  + " not miss any"));
    }
  }

  private void commons(BoardKind board) {
    Common wanted = wantedCommon(board);
    List<ContactSite> odd =
        loom.sites().stream()
            .filter(ContactSite::switched)
            .filter(site -> build.loom().groupOf(site.id()).isEmpty())
            .filter(site -> site.common() != wanted)
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
                        + wanted.words(),
                    "Mixed commons read upside down, and joining the two shorts the supply to ground")
                .mendedBy(
                    Fix.of(
                        "Wire " + site.control().label() + " to " + wanted.words(),
                        b ->
                            b.withControl(
                                site.control().id(),
                                c ->
                                    c.withCommon(
                                        wanted == board.common()
                                            ? Optional.empty()
                                            : Optional.of(wanted))))));
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

  /** The side most contacts share, unless the board feeds a common of its own. */
  private Common wantedCommon(BoardKind board) {
    if (board.fixedMap() || !board.terminals(Terminal.Role.COMMON).isEmpty()) {
      return board.common();
    }
    List<ContactSite> plain = loom.sites().stream().filter(ContactSite::switched).toList();
    long others = plain.stream().filter(site -> site.common() != board.common()).count();
    return others * 2 > plain.size()
        ? board.common() == Common.GROUND ? Common.RAIL : Common.GROUND
        : board.common();
  }

  private void colours() {
    boolean clash = false;
    Map<ContactId, Strand> strands = loom.byContact();
    for (List<ContactId> bundle : loom.bundles().values()) {
      Map<WireColour, List<ContactId>> byColour = new LinkedHashMap<>();
      for (ContactId contact : bundle) {
        byColour.computeIfAbsent(loom.colours().get(contact), c -> new ArrayList<>()).add(contact);
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

  private String wireName(ContactId wire, Map<ContactId, Strand> strands) {
    return strands.containsKey(wire) ? strands.get(wire).id() : lines.get(wire).label();
  }

  private Finding colourClash(
      WireColour colour, List<ContactId> contacts, Map<ContactId, Strand> strands) {
    List<String> ids = contacts.stream().map(c -> wireName(c, strands)).toList();
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
                        "Recolour " + wireName(contact, strands),
                        b -> b.withLoom(b.loom().withoutColour(contact)))));
  }

  /** Two wires a contact, until a meter has shown that all share one side. */
  private void unproven(BoardKind board) {
    if (board.terminals(Terminal.Role.RETURN).isEmpty()) {
      return;
    }
    String proven = board.id().replace("unknown", "proven");
    Finding finding =
        Finding.of(
            "LM-17",
            Severity.LOOK,
            Station.LOOM,
            loom.sites().stream().map(site -> site.id().toString()).toList(),
            "Whether its contacts share a side is not proven",
            "Each contact gets two wires. Hold a meter between the second sides: if all of them"
                + " beep to each other, one chain will do");
    findings.add(
        catalogue
            .board(proven)
            .filter(kind -> !kind.id().equals(board.id()))
            .map(
                kind ->
                    finding.mendedBy(
                        Fix.of("It is proven: one chain", b -> Arrange.withBoard(b, kind))))
            .orElse(finding));
  }

  private void breaks() {
    for (CommonRun run : loom.runs()) {
      if (run.shape() == Laying.CommonShape.CHAIN && run.silencedByOneBreak() > RING_ABOVE) {
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
                        b ->
                            b.withLoom(
                                b.loom()
                                    .withLaying(
                                        b.loom().laying().withShape(Laying.CommonShape.RING))))));
      }
    }
  }
}
