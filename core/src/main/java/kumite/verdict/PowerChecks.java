package kumite.verdict;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.Build;
import kumite.circuit.Budget;
import kumite.device.SignalPath;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.loom.Loom;
import kumite.name.ControlId;
import kumite.working.Working;

/** Checks of volts and amps: does each input read cleanly, is everything fed rightly? */
final class PowerChecks {
  /** Of the supply; a lamp dims visibly beyond: common practice, no source. */
  private static final double DROP = 0.05;

  private PowerChecks() {}

  static List<Finding> of(Build build, Loom loom, List<SignalPath> paths, Bench.Wired wired) {
    BoardKind board = wired.asBuilt().board();
    List<Finding> findings = new ArrayList<>(LevelChecks.of(build, board, paths, wired.inputs()));
    findings.addAll(LampChecks.of(build, board, paths, wired.inputs(), findings));
    findings.addAll(FeedChecks.of(board, loom, wired.asBuilt()));
    findings.addAll(MeasureChecks.of(board, paths, wired.inputs()));
    if (!paths.isEmpty()) {
      budget(board, wired, findings);
      drivenLamps(board, paths).ifPresent(findings::add);
    }
    return findings;
  }

  private static void budget(BoardKind board, Bench.Wired wired, List<Finding> findings) {
    Budget budget = wired.budget();
    List<String> lamps =
        wired.inputs().lamps().stream().map(l -> l.light().control().text()).toList();
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
                  lamps,
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
    if (budget.dropVolts() > DROP * board.logicVolts()) {
      findings.add(
          Finding.of(
              "PW-12",
              Severity.LOOK,
              Station.POWER,
              lamps,
              "Lamps lose " + Working.number(budget.dropVolts(), 2) + " V along the wires",
              "With all lit, the farthest gets that much less; a thicker gauge or a second feed"
                  + " helps"));
    }
  }

  /** Lamps that hang on a terminal which is no supply. */
  private static Optional<Finding> drivenLamps(BoardKind board, List<SignalPath> paths) {
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
    if (about.isEmpty()) {
      return Optional.empty();
    }
    return Optional.of(
        Finding.of(
                "PW-11",
                Severity.STOP,
                Station.POWER,
                about,
                "A lamp hangs on a terminal that cannot feed it",
                "A terminal gives "
                    + Working.number(board.current().pinMilliamps(), 0)
                    + " mA; switch the lamp with a transistor and its base resistor, or feed it"
                    + " from a supply terminal")
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
                    })));
  }
}
