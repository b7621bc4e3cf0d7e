package kumite.loom;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Stream;
import kumite.build.Build;
import kumite.build.loom.LoomSettings;
import kumite.build.loom.Topology;
import kumite.build.map.Timing;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Subject;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.panel.Arrange;
import kumite.parts.Catalogue;
import kumite.working.Working;

/** Checks whether every wire that wants a terminal has one. */
public final class PlaceChecks {
  private static final double US_IN_MS = 1000;

  private final Build build;
  private final Catalogue catalogue;
  private final Loom loom;
  private final List<Finding> findings = new ArrayList<>();

  private PlaceChecks(Build build, Catalogue catalogue, Loom loom) {
    this.build = build;
    this.catalogue = catalogue;
    this.loom = loom;
  }

  static List<Finding> of(Build build, Catalogue catalogue, Loom loom, Optional<BoardKind> board) {
    PlaceChecks checks = new PlaceChecks(build, catalogue, loom);
    if (board.isEmpty()) {
      checks.noBoard();
    } else {
      checks.unplaced(board.get());
    }
    return checks.findings;
  }

  /** {@return the step that takes the first board that leaves the fewest contacts over} */
  static Supplier<Optional<Fix>> board(Build build, Catalogue catalogue, Loom loom) {
    PlaceChecks checks = new PlaceChecks(build, catalogue, loom);
    return () ->
        catalogue.boards().stream()
            .min(
                Comparator.<BoardKind>comparingInt(kind -> checks.leftOver(build, kind))
                    .thenComparing(checks::harmed)
                    .thenComparing(checks::unread))
            .map(checks::use);
  }

  /** {@return how many pads send a board more than its terminals bear} */
  private long harmed(BoardKind kind) {
    return loom.pads().stream()
        .filter(pad -> pad.fed() && !kind.fiveVoltTolerant())
        .filter(pad -> pad.kind().lineVolts(pad.feedVolts(kind)) > kind.logicVolts())
        .count();
  }

  /** {@return how many pads no program reads that is written for a board} */
  private long unread(BoardKind kind) {
    return loom.pads().stream().filter(pad -> !pad.written(kind)).count();
  }

  /** The board, and looks as seldom as its pads want. */
  private Fix use(BoardKind kind) {
    double micros =
        Loom.of(Arrange.withBoard(build, kind), catalogue).sharings().stream()
            .filter(sharing -> sharing.group().topology() == Topology.PAD)
            .mapToDouble(Sharing::scanMicros)
            .sum();
    int wanted = (int) (Math.ceil(micros / US_IN_MS) * US_IN_MS);
    if (wanted <= build.timing().scanUs() || !Timing.SCAN.has(wanted)) {
      return Fix.of("Use " + kind.name(), b -> Arrange.withBoard(b, kind));
    }
    return Fix.of(
        "Use " + kind.name() + ", and look every " + Working.number(wanted / US_IN_MS, 0) + " ms",
        b -> Arrange.withBoard(b, kind).withTiming(b.timing().withScanUs(wanted)));
  }

  private void noBoard() {
    findings.add(
        Finding.of(
                LoomCode.NO_BOARD,
                loom.sites().stream().map(site -> Subject.of(site.id())).toList(),
                "No board chosen yet",
                (loom.sites().size() == 1
                        ? "One contact waits for a terminal"
                        : loom.sites().size() + " contacts wait for terminals")
                    + "; nothing can be wired or pressed before")
            .mendedBy(board(build, catalogue, loom)));
  }

  private boolean takesAll(Build candidate, BoardKind kind) {
    return roomFor(kind, loom.lines()) && leftOver(candidate, kind) == 0;
  }

  /** Whether there are as many terminals as wires, and as many that measure as have to. */
  private static boolean roomFor(BoardKind kind, List<Line> lines) {
    List<Terminal> inputs = new ArrayList<>(kind.terminals(Terminal.Role.INPUT));
    inputs.addAll(kind.terminals(Terminal.Role.HOST));
    long measured = lines.stream().filter(line -> line.needs() == Line.Need.MEASURE).count();
    return lines.size() <= inputs.size()
        && measured <= inputs.stream().filter(t -> t.can(Terminal.Ability.ANALOG)).count();
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

  private void unplaced(BoardKind board) {
    List<Line> unplaced = loom.plan().unplaced();
    if (unplaced.isEmpty()) {
      findings.add(
          Finding.of(
              LoomCode.TERMINALS_FINE,
              List.of(),
              "Every contact has its terminal",
              loom.sites().size()
                  + " contacts on "
                  + loom.lines().size()
                  + (loom.lines().size() == 1 ? " wire, " : " wires, ")
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
                LoomCode.WITHOUT_TERMINAL,
                unplaced.stream().flatMap(PlaceChecks::waiting).distinct().toList(),
                unplaced.size()
                    + (unplaced.size() == 1 ? " wire has" : " wires have")
                    + " no terminal",
                detail)
            .mendedBy(() -> moreTerminals(board)));
  }

  /** Whom a wire without a terminal keeps waiting, then the wire: a group is wired whole or not. */
  private static Stream<Subject> waiting(Line line) {
    Stream<ContactId> contacts =
        line.group().map(group -> group.contacts().stream()).orElseGet(Stream::of);
    return Stream.concat(contacts, Stream.of(line.id())).map(Subject::of);
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
    Set<ContactId> shares = Set.copyOf(plain);
    List<Line> alone = loom.lines().stream().filter(line -> !shares.contains(line.id())).toList();
    if (!board.bringsProgram() && plain.size() > 3 && roomFor(board, alone)) {
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
  public static ControlId freshGroup(Build build) {
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
}
