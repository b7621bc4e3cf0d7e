package kumite.verdict;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import kumite.build.Build;
import kumite.build.Control;
import kumite.circuit.InputCircuit;
import kumite.circuit.InputLevels;
import kumite.device.SignalPath;
import kumite.kind.BoardKind;
import kumite.kind.Lamp;
import kumite.kind.Terminal;
import kumite.loom.Loom;
import kumite.name.ControlId;
import kumite.power.Budget;
import kumite.power.ESeries;
import kumite.power.Ladder;
import kumite.power.LampResistor;
import kumite.working.Source;
import kumite.working.Working;

/** Checks of volts and amps: does each input read cleanly, is everything fed rightly? */
final class PowerChecks {
  /** A lamp fed this much over its current is overfed: common practice, no source. */
  private static final double OVERFED = 1.1;

  /** A terminal bears this much above its supply: common practice, no source. */
  private static final double OVER_SUPPLY_V = 0.3;

  /** A converter's input wants a source no stiffer than this: common practice, no source. */
  private static final double SOURCE_OHM = 10_000;

  /** Of the supply; a lamp dims visibly beyond: common practice, no source. */
  private static final double DROP = 0.05;

  private final Build build;
  private final BoardKind board;
  private final Loom loom;
  private final List<SignalPath> paths;
  private final List<Finding> findings = new ArrayList<>();

  private PowerChecks(Build build, BoardKind board, Loom loom, List<SignalPath> paths) {
    this.build = build;
    this.board = board;
    this.loom = loom;
    this.paths = paths;
  }

  static List<Finding> of(
      Build build, BoardKind board, Loom loom, List<SignalPath> paths, Budget budget) {
    PowerChecks checks = new PowerChecks(build, board, loom, paths);
    checks.overvolts();
    checks.levels();
    checks.lamps();
    checks.measured();
    if (!paths.isEmpty()) {
      checks.budget(budget);
    }
    return checks.findings;
  }

  private void overvolts() {
    if (board.fiveVoltTolerant()) {
      return;
    }
    for (SignalPath path : paths) {
      boolean lit =
          path.levels()
              .filter(l -> l.circuit().shape() == InputCircuit.Shape.LAMP_ON_CONTACT)
              .isPresent();
      if (!lit) {
        continue;
      }
      InputLevels levels = path.levels().orElseThrow();
      double limit = board.logicVolts() * 1.05 + OVER_SUPPLY_V;
      if (levels.mostVolts() > limit) {
        Optional<Terminal> logic =
            board.terminals(Terminal.Role.SUPPLY).stream()
                .filter(t -> t.volts() == board.logicVolts())
                .findFirst();
        findings.add(
            Finding.of(
                    "PW-07",
                    Severity.STOP,
                    Station.POWER,
                    List.of(path.id().toString()),
                    Working.number(levels.mostVolts(), 1)
                        + " V come through the lamp to "
                        + path.pin().orElseThrow().terminal().name(),
                    path.site().label()
                        + "'s lamp is fed from "
                        + Working.number(levels.circuit().lamp().orElseThrow().volts(), 1)
                        + " V; the terminal bears "
                        + Working.number(limit, 1)
                        + " V")
                .showing(levels.working())
                .mendedBy(
                    logic.map(
                        terminal ->
                            Fix.of(
                                "Feed the lamp from " + terminal.name(),
                                b ->
                                    b.withControl(
                                        path.id().control(),
                                        c ->
                                            c.withHookup(
                                                h ->
                                                    h.withLampFrom(
                                                        Optional.of(terminal.name()))))))));
      }
    }
  }

  private void levels() {
    boolean all = true;
    Set<ControlId> told = new HashSet<>();
    for (SignalPath path : paths) {
      Optional<InputLevels> levels = path.levels();
      if (levels.isEmpty() || levels.get().readable()) {
        continue;
      }
      all = false;
      if (told.add(path.id().control())) {
        findings.add(unreadable(path, levels.get()));
      }
    }
    Optional<InputLevels> sample =
        paths.stream()
            .flatMap(p -> p.levels().stream())
            .filter(levels -> !levels.circuit().measured())
            .findFirst();
    if (all && sample.isPresent()) {
      InputLevels levels = sample.get();
      findings.add(
          Finding.of(
                  "PW-21",
                  Severity.FINE,
                  Station.POWER,
                  List.of(),
                  "Levels read cleanly",
                  "Idle "
                      + Working.number(levels.idleVolts(), 2)
                      + " V, held "
                      + Working.number(levels.heldVolts(), 2)
                      + " V; low up to "
                      + Working.number(levels.circuit().reads().lowVolts(), 1)
                      + " V, high from "
                      + Working.number(levels.circuit().reads().highVolts(), 1)
                      + " V")
              .showing(levels.working()));
    }
  }

  private Finding unreadable(SignalPath path, InputLevels levels) {
    String label = path.site().label();
    String detail =
        levels.trouble().isPresent()
            ? "Nothing holds the terminal while it is idle: it has no pull inside, and floats"
            : "Idle "
                + reading(levels.idle(), levels.idleRange())
                + ", held "
                + reading(levels.held(), levels.heldRange())
                + ", with "
                + (levels.pull().equals("none") ? "no pull" : "its " + levels.pull());
    return Finding.of(
            "PW-06",
            Severity.STOP,
            Station.POWER,
            List.of(path.id().toString()),
            label + " cannot be told from released",
            detail)
        .showing(levels.working())
        .mendedBy(readableFix(path, levels));
  }

  private static String reading(InputLevels.Reading reading, kumite.circuit.Span span) {
    return "reads "
        + reading.words()
        + " ("
        + Working.number(span.least(), 2)
        + " to "
        + Working.number(span.most(), 2)
        + " V)";
  }

  /** Of the changes a builder could make, the first that makes it readable. */
  private Optional<Fix> readableFix(SignalPath path, InputLevels levels) {
    ControlId id = path.id().control();
    String label = path.site().control().label();
    InputCircuit circuit = levels.circuit();
    if (circuit.shape() == InputCircuit.Shape.LAMP_ON_CONTACT) {
      return Optional.of(
          Fix.of(
              "Give " + label + "'s lamp tabs of its own",
              b -> b.withControl(id, c -> c.withHookup(h -> h.withLampShares(false)))));
    }
    if (path.sharing().isPresent()) {
      var group = path.sharing().get().group();
      return Optional.of(
          Fix.of(
              "Wire " + group.name() + " one by one",
              b -> b.withLoom(b.loom().ungrouped(group.contacts()))));
    }
    if (path.site().common() != board.common()) {
      return Optional.of(
          Fix.of(
              "Wire " + label + " to " + board.common().words(),
              b -> b.withControl(id, c -> c.withCommon(Optional.empty()))));
    }
    if (build.loom().locks().containsKey(path.id())) {
      return Optional.of(
          Fix.of("Let " + label + " go", b -> b.withLoom(b.loom().withoutLock(path.id()))));
    }
    return Optional.empty();
  }

  // ---- lamps

  private void lamps() {
    Set<ControlId> done = new HashSet<>();
    for (SignalPath path : paths) {
      Control control = path.site().control();
      Optional<Lamp> lamp = path.site().kind().lamp();
      if (lamp.isPresent() && done.add(control.id())) {
        Optional<Terminal> feed = Loom.lampSupply(board, control);
        findings.add(feed.isPresent() ? lit(control, lamp.get(), feed.get()) : unlit(control));
      }
    }
  }

  private static Finding unlit(Control control) {
    return Finding.of(
        "PW-04",
        Severity.LOOK,
        Station.POWER,
        List.of(control.id().text()),
        control.label() + "'s lamp has no supply",
        "This board has no terminal that gives volts to a lamp; the lamp stays dark");
  }

  private Finding lit(Control control, Lamp lamp, Terminal terminal) {
    double volts = Loom.lampVolts(board, control);
    LampResistor wanted =
        LampResistor.of(volts, lamp.forwardVolts(), lamp.milliamps(), ESeries.E24);
    List<String> about = List.of(control.id().text());
    String feed = terminal.name() + ", " + Working.number(volts, 1) + " V";
    if (!wanted.lights()) {
      return Finding.of(
              "PW-02",
              Severity.STOP,
              Station.POWER,
              about,
              control.label() + "'s lamp will not light",
              "It needs "
                  + Working.number(lamp.forwardVolts(), 1)
                  + " V; "
                  + feed
                  + " gives no more")
          .showing(wanted.working());
    }
    Fix fix =
        Fix.of(
            "Fit " + LampResistor.ohms(wanted.chosenOhm()) + " to " + control.label(),
            b ->
                b.withControl(
                    control.id(), c -> c.withLampOhm(OptionalDouble.of(wanted.chosenOhm()))));
    if (control.hookup().lampOhm().isEmpty()) {
      return Finding.of(
              "PW-01",
              Severity.LOOK,
              Station.POWER,
              about,
              control.label() + "'s lamp has no resistor",
              "On "
                  + feed
                  + " nothing but the lamp itself limits the current; it dies early and may"
                  + " take the board's supply with it")
          .showing(wanted.working())
          .mendedBy(fix);
    }
    double ohm = control.hookup().lampOhm().getAsDouble();
    double milliamps = (volts - lamp.forwardVolts()) / ohm * 1000;
    if (milliamps > lamp.milliamps() * OVERFED) {
      return Finding.of(
              "PW-03",
              Severity.LOOK,
              Station.POWER,
              about,
              control.label() + "'s lamp is overfed",
              LampResistor.ohms(ohm)
                  + " passes "
                  + Working.number(milliamps, 1)
                  + " mA; the lamp is made for "
                  + Working.number(lamp.milliamps(), 0)
                  + " mA")
          .showing(wanted.working())
          .mendedBy(fix);
    }
    return Finding.of(
            "PW-20",
            Severity.FINE,
            Station.POWER,
            about,
            control.label() + "'s lamp is fed rightly",
            LampResistor.ohms(ohm)
                + " from "
                + feed
                + " passes "
                + Working.number(milliamps, 1)
                + " mA")
        .showing(wanted.working());
  }

  // ---- what is measured

  private void measured() {
    Set<String> ladders = new HashSet<>();
    for (SignalPath path : paths) {
      Optional<InputCircuit> circuit = path.levels().map(InputLevels::circuit);
      if (circuit.isEmpty() || board.adcBits() == 0) {
        continue;
      }
      switch (circuit.get().shape()) {
        case TAP_LADDER -> ladder(path.id().toString(), path.site().label(), circuit.get());
        case BUTTON_LADDER -> {
          String group = path.sharing().orElseThrow().group().name().text();
          if (ladders.add(group)) {
            ladder(group, group, circuit.get());
          }
        }
        case WIPER -> wiper(path, circuit.get());
        default -> {}
      }
    }
  }

  private void ladder(String about, String label, InputCircuit circuit) {
    Ladder ladder = circuit.ladder(board.adcBits());
    boolean apart = ladder.leastGapCodes() >= Ladder.CODES_APART;
    findings.add(
        Finding.of(
                apart ? "PW-22" : "PW-08",
                apart ? Severity.FINE : Severity.LOOK,
                Station.POWER,
                List.of(about),
                label
                    + (apart
                        ? ": every step is told apart"
                        : ": steps "
                            + ladder.closest()
                            + " and "
                            + (ladder.closest() + 1)
                            + " sit close"),
                ladder.leastGapCodes()
                    + " codes apart at worst, "
                    + Ladder.CODES_APART
                    + " wanted; "
                    + ladder.steps().size()
                    + " steps on "
                    + (1 << board.adcBits())
                    + " codes")
            .showing(ladder.working()));
  }

  private void wiper(SignalPath path, InputCircuit circuit) {
    double source = circuit.track().ohm() / 4;
    if (source > SOURCE_OHM) {
      findings.add(
          Finding.of(
                  "PW-09",
                  Severity.LOOK,
                  Station.POWER,
                  List.of(path.id().toString()),
                  path.site().label() + " is weak for the converter",
                  "In its middle it looks like "
                      + LampResistor.ohms(source)
                      + "; a converter wants "
                      + LampResistor.ohms(SOURCE_OHM)
                      + " or less, or a capacitor of 100 nF at its input")
              .showing(
                  new Working(
                      "source of the wiper",
                      "Rs <= R / 4",
                      List.of(
                          Working.words(
                              "R", LampResistor.ohms(circuit.track().ohm()), "end to end")),
                      LampResistor.ohms(source),
                      Source.derived("two halves in parallel"))));
    }
  }

  // ---- the supply

  private void budget(Budget budget) {
    String sums =
        "Usually "
            + Working.number(budget.usualMilliamps(), 0)
            + " mA, at worst "
            + Working.number(budget.worstMilliamps(), 0)
            + " mA";
    boolean over = budget.limitMilliamps() > 0 && budget.worstMilliamps() > budget.limitMilliamps();
    if (over) {
      findings.add(
          Finding.of(
                  "PW-10",
                  Severity.STOP,
                  Station.POWER,
                  List.of(),
                  "More current than the port gives",
                  sums
                      + "; a USB 2.0 port gives "
                      + Working.number(budget.limitMilliamps(), 0)
                      + " mA: feed lamps from a supply of their own, grounds joined")
              .showing(budget.working()));
    } else if (budget.limitMilliamps() > 0) {
      findings.add(
          Finding.of(
                  "PW-23",
                  Severity.FINE,
                  Station.POWER,
                  List.of(),
                  "The port gives enough",
                  sums + " of " + Working.number(budget.limitMilliamps(), 0) + " mA")
              .showing(budget.working()));
    }
    boolean drivesLamps =
        paths.stream()
            .map(path -> path.site().control().hookup().lampFrom())
            .flatMap(Optional::stream)
            .anyMatch(
                name ->
                    board.terminal(name).filter(t -> t.role() == Terminal.Role.INPUT).isPresent());
    if (drivesLamps) {
      findings.add(transistor());
    }
    if (budget.dropVolts() > DROP * board.logicVolts()) {
      findings.add(
          Finding.of(
              "PW-12",
              Severity.LOOK,
              Station.POWER,
              List.of(),
              "Lamps lose " + Working.number(budget.dropVolts(), 2) + " V along the wires",
              "With all lit, the farthest gets that much less; a thicker gauge or a second feed helps"));
    }
  }

  private Finding transistor() {
    List<String> about =
        paths.stream()
            .map(path -> path.site().control())
            .distinct()
            .filter(
                c ->
                    c.hookup()
                        .lampFrom()
                        .flatMap(board::terminal)
                        .filter(t -> t.role() == Terminal.Role.INPUT)
                        .isPresent())
            .map(c -> c.id().text())
            .toList();
    return Finding.of(
            "PW-11",
            Severity.STOP,
            Station.POWER,
            about,
            "A lamp hangs on a terminal that cannot feed it",
            "A terminal gives "
                + Working.number(board.current().pinMilliamps(), 0)
                + " mA; switch the lamp with a transistor and its base resistor, or feed it from a"
                + " supply terminal")
        .mendedBy(
            Fix.of(
                "Feed from a supply terminal",
                b -> {
                  Build next = b;
                  for (String id : about) {
                    next =
                        next.withControl(
                            new ControlId(id),
                            c -> c.withHookup(h -> h.withLampFrom(Optional.empty())));
                  }
                  return next;
                }));
  }
}
