package kumite.device;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import kumite.build.Build;
import kumite.circuit.InputLevels;
import kumite.circuit.Inputs;
import kumite.circuit.PowerCode;
import kumite.circuit.Sketch;
import kumite.circuit.Span;
import kumite.component.Component;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Severity;
import kumite.finding.Subject;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.loom.Lamps;
import kumite.loom.Look;
import kumite.loom.Looks;
import kumite.name.ControlId;
import kumite.wiring.Net;
import kumite.wiring.Place;
import kumite.wiring.Wiring;
import kumite.working.Working;

/** Checks of levels: does a press change what the board reads, and do its terminals bear it? */
final class LevelChecks {
  /** A terminal bears this much above its supply: common practice, no source. */
  private static final double OVER_SUPPLY_V = 0.3;

  /** Volts that move less than this have not moved: our choice, about three codes of ten bits. */
  private static final double MOVED_V = 0.01;

  private final Build build;
  private final BoardKind board;
  private final List<SignalPath> paths;
  private final Inputs inputs;
  private final List<Finding> findings = new ArrayList<>();

  private LevelChecks(Build build, BoardKind board, List<SignalPath> paths, Inputs inputs) {
    this.inputs = inputs;
    this.build = build;
    this.board = board;
    this.paths = paths;
  }

  static List<Finding> of(Build build, BoardKind board, List<SignalPath> paths, Inputs inputs) {
    LevelChecks checks = new LevelChecks(build, board, paths, inputs);
    if (inputs.dead().isEmpty()) { // else the short is told, and all else follows from it
      checks.overvolts();
      checks.chips();
      checks.unread();
      checks.sound();
    }
    return checks.findings;
  }

  private void overvolts() {
    if (board.fiveVoltTolerant()) {
      return;
    }
    double limit = board.logicVolts() + OVER_SUPPLY_V;
    for (SignalPath path : paths) {
      Optional<InputLevels> levels =
          path.levels()
              .filter(l -> path.site().pad().isEmpty()) // a pad's are told at its port
              .filter(l -> l.mostVolts() > limit);
      if (levels.isEmpty()) {
        continue;
      }
      boolean lamp = has(levels.get(), Sketch.Kind.LAMP);
      Optional<Terminal> logic =
          board.terminals(Terminal.Role.SUPPLY).stream()
              .filter(t -> t.volts() == board.logicVolts())
              .findFirst();
      Finding finding =
          Finding.of(
                  PowerCode.TOO_HIGH,
                  List.of(Subject.of(path.id())),
                  Working.number(levels.get().mostVolts(), 1)
                      + " V come "
                      + (lamp ? "through the lamp to " : "to ")
                      + levels.get().sketch().place(),
                  path.site().label()
                      + (lamp
                          ? "'s lamp is fed from "
                              + Working.number(Lamps.volts(board, path.site().control()), 1)
                              + " V"
                          : " brings more than the board's own supply")
                      + "; the terminal bears "
                      + Working.number(limit, 1)
                      + " V")
              .showing(levels.get().working());
      findings.add(
          lamp && logic.isPresent() ? finding.mendedBy(feedFrom(path, logic.get())) : finding);
    }
  }

  /** A register sends at its own supply, which a terminal may not bear. */
  private void chips() {
    Wiring wiring = inputs.wiring();
    double limit = board.logicVolts() + OVER_SUPPLY_V;
    for (Component part : wiring.ownParts()) {
      if (!board.fiveVoltTolerant()
          && part instanceof Component.Register chip
          && !chip.ofPad()) { // a pad's is told at its port
        double volts =
            wiring.nets().of(chip.supply()).flatMap(Net::source).map(Place::volts).orElse(0.0);
        boolean grounded = wiring.nets().of(chip.ground()).filter(Net::grounded).isPresent();
        Optional<Place> terminal =
            wiring.nets().of(chip.out()).stream()
                .flatMap(net -> net.places(Place.Role.INPUT).stream())
                .filter(Place::own)
                .findFirst();
        if (volts > limit && grounded && terminal.isPresent()) {
          findings.add(
              Finding.of(
                  PowerCode.TOO_HIGH,
                  List.of(new Subject.Thing(chip.out().part()), Subject.of(terminal.get().joint())),
                  Working.number(volts, 1)
                      + " V come from "
                      + chip.out().part()
                      + " to "
                      + terminal.get().joint().tab(),
                  "The chip is fed with "
                      + Working.number(volts, 1)
                      + " V and sends as high; the terminal bears "
                      + Working.number(limit, 1)
                      + " V. Feed it from the board's logic supply"));
        }
      }
    }
  }

  private static Fix feedFrom(SignalPath path, Terminal terminal) {
    return Fix.of(
        "Feed the lamp from " + terminal.name(),
        b ->
            b.withControl(
                path.id().control(),
                c -> c.withHookup(h -> h.withLampFrom(Optional.of(terminal.name())))));
  }

  private static boolean has(InputLevels levels, Sketch.Kind kind) {
    return levels.sketch().branches().stream().anyMatch(branch -> branch.kind() == kind);
  }

  /** One finding a control, about each of its contacts that is not read. */
  private void unread() {
    Map<ControlId, List<SignalPath>> unread = new LinkedHashMap<>();
    for (SignalPath path : paths) {
      // What shorts a supply when it is held is told as that.
      boolean shorts = inputs.dies(c -> c.equals(path.id()) ? 1 : inputs.rest(c));
      if (path.levels().filter(l -> !l.readable()).isPresent() && !shorts) {
        unread.computeIfAbsent(path.id().control(), c -> new ArrayList<>()).add(path);
      }
    }
    unread.values().forEach(some -> findings.add(unreadable(some)));
  }

  /** Said only when each input that has a terminal was solved and none has a stop. */
  private void sound() {
    List<InputLevels> all = paths.stream().flatMap(p -> p.levels().stream()).toList();
    Optional<InputLevels> sample = all.stream().filter(l -> !l.measured()).findFirst();
    if (findings.isEmpty() && sample.isPresent()) {
      InputLevels levels = sample.get();
      findings.add(
          Finding.of(
                  PowerCode.LEVELS_FINE,
                  Severity.FINE,
                  List.of(),
                  "Levels read cleanly",
                  all.size()
                      + (all.size() == 1 ? " input" : " inputs")
                      + " solved; such as idle "
                      + Working.number(levels.idleVolts(), 2)
                      + " V, held "
                      + Working.number(levels.heldVolts(), 2)
                      + " V; low up to "
                      + Working.number(levels.thresholds().lowVolts(), 1)
                      + " V, high from "
                      + Working.number(levels.thresholds().highVolts(), 1)
                      + " V")
              .showing(levels.working()));
    }
  }

  private Finding unreadable(List<SignalPath> some) {
    SignalPath path = some.get(0);
    InputLevels levels = path.levels().orElseThrow();
    String others =
        some.stream().skip(1).map(p -> p.site().label()).collect(Collectors.joining(" and "));
    Finding finding =
        Finding.of(
                PowerCode.UNREAD,
                Severity.STOP,
                some.stream().map(p -> Subject.of(p.id())).toList(),
                path.site().label() + unreadable(path, levels),
                detail(path, levels)
                    + (others.isEmpty() ? "" : ". Not read as itself either: " + others))
            .showing(levels.working());
    return mended(finding, path, levels);
  }

  private String unreadable(SignalPath path, InputLevels levels) {
    if (!path.arrivesAs().isEmpty()) {
      return " arrives as "
          + paths.stream()
              .filter(other -> path.arrivesAs().contains(other.id()))
              .map(other -> other.site().label())
              .collect(Collectors.joining(" and "));
    }
    return otherStep(levels) ? " is not read as its own step" : " cannot be told from released";
  }

  /** A step of a ladder whose volts do move, but to where another step's are. */
  private static boolean otherStep(InputLevels levels) {
    return levels.look().how() instanceof Look.Step
        && levels.floating().isEmpty()
        && levels.trouble().isEmpty()
        && Math.abs(levels.idleVolts() - levels.heldVolts()) > MOVED_V;
  }

  private String detail(SignalPath path, InputLevels levels) {
    if (levels.trouble().isPresent()) {
      return levels.trouble().get();
    }
    boolean within =
        path.site().pad().isPresent()
            && (levels.look().how() instanceof Look.Bit || levels.look().heard());
    if (levels.floating().isPresent() && within) {
      return path.site().control().label() + " has no supply: it says nothing";
    }
    if (levels.floating().isPresent()) {
      InputLevels.Floating floating = levels.floating().get();
      return "Nothing holds "
          + levels.sketch().place()
          + (floating.held() ? " while it is held" : " while it is idle")
          + ": it floats, anywhere from "
          + volts(floating.downVolts())
          + " to "
          + volts(floating.upVolts())
          + " with a leak of 1 uA; a meter of 10 Mohm shows "
          + volts(floating.meterVolts());
    }
    if (path.site().touched() && levels.pull() != Looks.Pull.TOUCH) {
      return "Skin is 0.1 to 1 Mohm, far above this terminal's pull: a finger changes nothing; it"
          + " needs a terminal that senses touch";
    }
    if (levels.look().how() instanceof Look.Bit bit && bit.ofPad() && !levels.sketch().told()) {
      return "What is pressed at the pad does not get to the board: look at latch, clock, data,"
          + " supply and ground of "
          + path.site().control().label();
    }
    if (levels.look().how() instanceof Look.Frame frame && !levels.sketch().told()) {
      return "What the pad says does not get to the board: look at "
          + frame.talk().kind().lines().stream()
              .map(line -> line.name().replace('_', ' '))
              .collect(Collectors.joining(", "))
          + ", supply and ground of "
          + path.site().control().label();
    }
    if (levels.look().how() instanceof Look.Bit && !levels.sketch().told()) {
      return "What stands at its input does not get to the board: look at load, clock, data and the"
          + " carrier's supply";
    }
    return "Idle "
        + reading(levels.idle(), levels.idleRange())
        + ", held "
        + reading(levels.held(), levels.heldRange())
        + ", with "
        + (levels.pull() == Looks.Pull.NONE ? "no pull inside" : "its " + levels.pull().words());
  }

  private static String reading(InputLevels.Reading reading, Span span) {
    return (reading == InputLevels.Reading.MEASURED
            ? "measures "
            : "reads " + reading.words() + " ")
        + "("
        + Working.number(span.least(), 2)
        + " to "
        + volts(span.most())
        + ")";
  }

  private static String volts(double volts) {
    return Working.number(volts, 2) + " V";
  }

  /** The changes a builder could make, the smallest first; the first that helps is offered. */
  private Finding mended(Finding finding, SignalPath path, InputLevels levels) {
    ControlId id = path.id().control();
    String label = path.site().control().label();
    Finding next = finding;
    if (has(levels, Sketch.Kind.LAMP)) {
      next =
          next.mendedBy(
              Fix.of(
                  "Give " + label + "'s lamp tabs of its own",
                  b -> b.withControl(id, c -> c.withHookup(h -> h.withLampShares(false)))));
    }
    if (build.loom().locks().containsKey(path.id())) {
      next =
          next.mendedBy(
              Fix.of("Let " + label + " go", b -> b.withLoom(b.loom().withoutLock(path.id()))));
    }
    if (path.site().control().hookup().common().isPresent()) {
      next =
          next.mendedBy(
              Fix.of(
                  "Wire " + label + " to " + board.common().words(),
                  b -> b.withControl(id, c -> c.withCommon(Optional.empty()))));
    }
    if (path.sharing().isPresent() && path.site().pad().isEmpty()) {
      var group = path.sharing().get().group();
      next =
          next.mendedBy(
              Fix.of(
                  "Wire " + group.name() + " one by one",
                  b -> b.withLoom(b.loom().ungrouped(group.contacts()))));
    }
    return next;
  }
}
