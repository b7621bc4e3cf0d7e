package kumite.device;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import kumite.build.Build;
import kumite.build.Control;
import kumite.circuit.Budget;
import kumite.circuit.Draws;
import kumite.circuit.FeedChecks;
import kumite.circuit.Inputs;
import kumite.circuit.PowerCode;
import kumite.circuit.Wired;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Severity;
import kumite.finding.Subject;
import kumite.kind.BoardKind;
import kumite.loom.CommonRun;
import kumite.loom.Loom;
import kumite.loom.Supplied;
import kumite.name.ControlId;
import kumite.power.Heat;
import kumite.power.Judgement;
import kumite.power.Wire;
import kumite.working.Source;
import kumite.working.Working;

/** Checks of volts and amps: does each input read cleanly, is everything fed rightly? */
public final class PowerChecks {
  /** Of the supply; a lamp dims visibly beyond: common practice, no source. */
  private static final double DROP = 0.05;

  /** What a lamp takes until it burns out counts with that lamp alone. */
  private static final Set<Code> BURNS =
      Set.of(PowerCode.LAMP_WITHOUT_RESISTOR, PowerCode.LAMP_OVERFED);

  private PowerChecks() {}

  /** {@return what is to be said of volts and amps} */
  public static List<Finding> of(Build build, Loom loom, List<SignalPath> paths, Wired wired) {
    BoardKind board = wired.asBuilt().board();
    List<Finding> findings = new ArrayList<>(LevelChecks.of(build, board, paths, wired.inputs()));
    findings.addAll(LampChecks.of(build, board, paths, wired.inputs(), findings));
    findings.addAll(FeedChecks.of(board, loom, wired.asBuilt()));
    findings.addAll(MeasureChecks.of(board, paths, wired.inputs()));
    if (!paths.isEmpty()) {
      budget(build, board, wired, findings);
      drivenLamps(board, paths, wired.inputs()).ifPresent(findings::add);
      sums(board, loom, wired, findings);
      hotWires(build, loom, wired.inputs()).ifPresent(findings::add);
    }
    return findings;
  }

  /**
   * The wire that carries most for lamps: that of one lamp, or the first stretch of a common that
   * runs from tab to tab and carries them all; a ring shares between both of its ends.
   */
  private static Optional<Finding> hotWires(Build build, Loom loom, Inputs inputs) {
    Map<ControlId, Double> lit = new HashMap<>();
    inputs
        .lamps()
        .forEach(
            lamp -> lit.merge(lamp.light().control(), lamp.litMilliamps() / 1000, Double::sum));
    double most = lit.values().stream().mapToDouble(amps -> amps).max().orElse(0);
    for (CommonRun run : loom.runs()) {
      double all =
          run.stops().stream()
              .flatMap(stop -> stop.control().stream())
              .distinct()
              .mapToDouble(control -> lit.getOrDefault(control, 0.0))
              .sum();
      boolean alone = run.oneByOne();
      most = Math.max(most, alone ? 0 : run.ring() ? all / 2 : all);
    }
    double amps = most;
    int gauge = build.loom().laying().gaugeAwg();
    return Heat.ofWire(amps, Wire.ofAwg(gauge))
        .map(
            said ->
                Finding.of(
                    PowerCode.PART_HOT,
                    said.grade() == Judgement.Grade.STOP ? Severity.STOP : Severity.LOOK,
                    lit.keySet().stream().sorted().map(Subject::of).toList(),
                    "Wires of " + gauge + " AWG are thin for the lamps",
                    Budget.words(amps * 1000)
                        + " run through one of them with all lit: "
                        + said.why()));
  }

  /** The code of a port that is asked for too much, and of one that is not. */
  /** {@return the finding of a port that feeds several boards} */
  public static Finding together(Budget budget, List<String> seats) {
    String who = "Seats " + String.join(" and ", seats) + " live on one supply. ";
    boolean over = budget.worstMilliamps() > budget.limitMilliamps();
    String sums =
        "Together usually "
            + Budget.words(budget.usualMilliamps())
            + ", at worst "
            + Budget.words(budget.worstMilliamps())
            + " of "
            + Budget.words(budget.limitMilliamps())
            + "";
    return Finding.of(
            over ? PowerCode.OVER_BUDGET : PowerCode.IN_BUDGET,
            over ? Severity.STOP : Severity.FINE,
            List.of(Subject.BOARD),
            over ? "More current than one port gives" : "One port gives enough for all",
            who + sums + (over ? ": feed one of them from a plug of its own" : ""))
        .showing(budget.working());
  }

  /**
   * {@return what is said of the 5 V terminals of a board that has its own limit there; empty of
   * any other}
   *
   * @param own what this board takes, and what hangs on it
   * @param all the same with the boards that live on it
   */
  public static Optional<Finding> fivePins(BoardKind board, Budget own, Budget all) {
    double gives = board.current().fiveMilliamps();
    if (gives <= 0) {
      return Optional.empty();
    }
    Budget.Taker[] takers = {Budget.Taker.BOARD, Budget.Taker.PART};
    double usual = all.usual(takers) - own.usual(Budget.Taker.BOARD);
    double worst = all.worst(takers) - own.worst(Budget.Taker.BOARD);
    Severity severity =
        usual > gives ? Severity.STOP : worst > gives ? Severity.LOOK : Severity.FINE;
    return Optional.of(
        Finding.of(
                PowerCode.FIVE_VOLT_PINS,
                severity,
                List.of(Subject.BOARD),
                severity == Severity.FINE
                    ? "The 5 V terminals give enough"
                    : "The 5 V terminals are asked for more than they give",
                "Usually "
                    + Budget.words(usual)
                    + ", at worst "
                    + Budget.words(worst)
                    + " hang on them, the logic supply among it; "
                    + Budget.words(gives)
                    + " is what they give"
                    + (severity == Severity.FINE
                        ? ""
                        : ": feed lamps and strips from a supply of their own, grounds joined"))
            .showing(all.working()));
  }

  private static void budget(Build build, BoardKind board, Wired wired, List<Finding> findings) {
    Budget budget = wired.budget();
    List<Subject> lamps =
        new ArrayList<>(
            wired.inputs().lamps().stream().map(l -> Subject.of(l.light().control())).toList());
    wired
        .inputs()
        .shorts()
        .all()
        .forEach(
            one -> {
              one.contacts().forEach(contact -> lamps.add(Subject.of(contact)));
              lamps.add(Subject.of(one.one()));
            });
    if (lamps.isEmpty()) {
      lamps.add(Subject.BOARD);
    }
    String sums =
        "Usually "
            + Budget.words(budget.usualMilliamps())
            + ", at worst "
            + Budget.words(budget.worstMilliamps())
            + "";
    boolean over = budget.limitMilliamps() > 0 && budget.worstMilliamps() > budget.limitMilliamps();
    if (over) {
      findings.add(
          Finding.of(
                  PowerCode.OVER_BUDGET,
                  lamps,
                  "More current than the port gives",
                  sums
                      + "; a USB 2.0 port gives "
                      + Budget.words(budget.limitMilliamps())
                      + ": feed lamps from a supply of their own, grounds joined")
              .showing(budget.working()));
    } else if (budget.limitMilliamps() > 0) {
      findings.add(
          Finding.of(
                  PowerCode.IN_BUDGET,
                  List.of(),
                  "The port gives enough",
                  sums + " of " + Budget.words(budget.limitMilliamps()) + "")
              .showing(budget.working()));
    }
    if (Supplied.feeder(build).isEmpty()) {
      fivePins(board, budget, budget).ifPresent(findings::add);
    }
    if (budget.dropVolts() > DROP * board.logicVolts()) {
      findings.add(
          Finding.of(
              PowerCode.LOST_IN_WIRES,
              lamps,
              "Lamps lose " + Working.number(budget.dropVolts(), 2) + " V along the wires",
              "With all lit, the farthest gets that much less; a thicker gauge or a second feed"
                  + " helps"));
    }
  }

  /** Lamps that hang on a terminal which gives less than they take. */
  private static Optional<Finding> drivenLamps(
      BoardKind board, List<SignalPath> paths, Inputs inputs) {
    double each = board.current().pinMilliamps();
    Set<String> over = new TreeSet<>();
    inputs
        .draws()
        .terminals()
        .forEach(
            (terminal, milliamps) -> {
              if (milliamps > each) {
                over.add(terminal);
              }
            });
    List<ControlId> hanging =
        paths.stream()
            .map(path -> path.site().control())
            .distinct()
            .filter(c -> c.hookup().lampFrom().filter(over::contains).isPresent())
            .map(Control::id)
            .toList();
    if (hanging.isEmpty()) {
      return Optional.empty();
    }
    String takes =
        over.stream()
            .map(t -> t + " gives " + Working.number(inputs.draws().terminals().get(t), 1) + " mA")
            .collect(Collectors.joining(", "));
    return Optional.of(
        Finding.of(
                PowerCode.LAMPS_PER_TERMINAL,
                Subject.ofControls(hanging),
                "A lamp hangs on a terminal that cannot feed it",
                takes
                    + " at worst, and a terminal of this board bears "
                    + Working.number(each, 0)
                    + " mA; fit a larger resistor, switch the lamp with a transistor and its base"
                    + " resistor, or feed it from a supply terminal")
            .mendedBy(
                Fix.of(
                    "Feed from a supply terminal",
                    b -> {
                      Build next = b;
                      for (ControlId id : hanging) {
                        next =
                            next.withControl(
                                id, c -> c.withHookup(h -> h.withLampFrom(Optional.empty())));
                      }
                      return next;
                    })));
  }

  /** All terminals together, and what hangs on the logic supply, against what the board gives. */
  private static void sums(BoardKind board, Loom loom, Wired wired, List<Finding> findings) {
    Draws draws = wired.inputs().draws();
    List<Subject> lamps =
        wired.inputs().lamps().stream().map(l -> Subject.of(l.light().control())).toList();
    double all = board.current().allMilliamps();
    if (all > 0 && draws.allMilliamps() > all) {
      findings.add(
          Finding.of(
                  PowerCode.LAMPS_ALL_TERMINALS,
                  lamps,
                  "All terminals together give more than the board bears",
                  Working.number(draws.allMilliamps(), 0)
                      + " mA with all lamps lit, and "
                      + Working.number(all, 0)
                      + " mA is the most: feed some lamps from a supply terminal, or through"
                      + " transistors")
              .showing(working("terminals", draws.terminals())));
    }
    double fed = FeedChecks.onLogic(board, loom, wired.asBuilt());
    // What a lamp takes that is told to burn out is told with that lamp.
    double told =
        wired.inputs().lamps().stream()
            .filter(
                lamp ->
                    findings.stream()
                        .anyMatch(
                            f ->
                                f.severity() == Severity.STOP
                                    && BURNS.contains(f.code())
                                    && f.isAbout(lamp.light().control())))
            .mapToDouble(l -> l.worstMilliamps() - l.light().lamp().milliamps())
            .sum();
    double logic = draws.logicMilliamps() + fed;
    double gives = board.current().supplyMilliamps();
    if (gives > 0 && logic - told > gives) {
      findings.add(
          Finding.of(
                  PowerCode.LOGIC_SUPPLY,
                  lamps.isEmpty() ? List.of(Subject.BOARD) : lamps,
                  "More hangs on the logic supply than it gives",
                  Working.number(logic, 0)
                      + " mA at worst, and this board gives "
                      + Working.number(gives, 0)
                      + " mA at "
                      + Working.number(board.logicVolts(), 1)
                      + " V: feed lamps from another supply terminal, or fit larger resistors")
              .showing(
                  working(
                      "logic supply",
                      Map.of(
                          "lamps and tracks",
                          draws.logicMilliamps() - draws.pullMilliamps(),
                          "pull-ups",
                          draws.pullMilliamps(),
                          "fed parts",
                          fed))));
    }
  }

  private static Working working(String what, Map<String, Double> takers) {
    List<Working.Value> values = new ArrayList<>();
    new java.util.TreeMap<>(takers)
        .forEach((name, milliamps) -> values.add(Working.value("I", milliamps, 1, "mA", name)));
    double sum = takers.values().stream().mapToDouble(Double::doubleValue).sum();
    return new Working(
        "current of the " + what,
        "sum of all takers, solved, supply 5 % high",
        values,
        Working.number(sum, 1) + " mA",
        Source.common("what a board gives is generic; look into its own sheet"));
  }
}
