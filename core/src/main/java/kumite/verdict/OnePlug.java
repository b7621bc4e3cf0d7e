package kumite.verdict;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import kumite.circuit.Budget;
import kumite.circuit.PowerCode;
import kumite.circuit.Wired;
import kumite.device.PowerChecks;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.kind.BoardKind;
import kumite.loom.Supplied;
import kumite.name.SeatId;
import kumite.wiring.Feeding;

/** Boards whose supplies are joined: what they take together has to come through one plug. */
final class OnePlug {
  private final List<Desk> desks;

  OnePlug(List<Desk> desks) {
    this.desks = desks;
  }

  /** {@return the seats that live on one supply with another one, itself among them} */
  private Set<SeatId> group(Desk desk) {
    Set<SeatId> group = new TreeSet<>(Set.of(desk.build().seat().id()));
    boolean more = true;
    while (more) {
      more = false;
      for (Desk other : desks) {
        boolean in = group.contains(other.build().seat().id());
        if (in && other.circuit().isPresent()) {
          more |= group.addAll(Feeding.together(other.circuit().get().asBuilt()));
        }
      }
    }
    return group;
  }

  private Budget budget(Set<SeatId> group) {
    List<Budget> budgets = new ArrayList<>();
    for (Desk desk : desks) {
      if (group.contains(desk.build().seat().id())) {
        desk.circuit().ifPresent(c -> budgets.add(c.budget()));
      }
    }
    return Budget.together(budgets);
  }

  /** {@return what is wired at a seat, with the budget of all that live on its supply} */
  Optional<Wired> shared(Desk desk) {
    Set<SeatId> group = desk.beside().isEmpty() ? Set.of() : group(desk);
    return group.size() < 2
        ? desk.circuit()
        : desk.circuit()
            .map(c -> new Wired(c.planned(), c.asBuilt(), c.inputs(), budget(group), c.presses()));
  }

  /** {@return the findings of all seats, with one of each supply that several of them share} */
  List<Finding> findings() {
    List<Finding> findings = new ArrayList<>();
    Set<Set<SeatId>> told = new java.util.LinkedHashSet<>();
    for (Desk desk : desks) {
      Set<SeatId> group = desk.beside().isEmpty() ? Set.of() : group(desk);
      if (group.size() < 2) {
        findings.addAll(desk.findings());
        continue;
      }
      desk.findings().stream()
          .filter(f -> f.code() != PowerCode.OVER_BUDGET)
          .filter(f -> f.code() != PowerCode.IN_BUDGET)
          .filter(f -> f.code() != PowerCode.FIVE_VOLT_PINS)
          .forEach(findings::add);
      Budget budget = budget(group);
      if (desk.circuit().isPresent() && Supplied.feeder(desk.build()).isEmpty()) {
        BoardKind board = desk.circuit().get().asBuilt().board();
        PowerChecks.fivePins(board, desk.circuit().get().budget(), budget)
            .filter(f -> f.severity() != Severity.FINE || !desk.endangered())
            .map(f -> f.told("Seat " + desk.build().seat().id() + ": ", desk.build().aspect()))
            .ifPresent(findings::add);
      }
      if (told.add(group) && budget.limitMilliamps() > 0) {
        boolean endangered =
            desks.stream().anyMatch(d -> d.endangered() && group.contains(d.build().seat().id()));
        Finding together = PowerChecks.together(budget, group.stream().map(SeatId::text).toList());
        if (together.severity() == Severity.STOP || !endangered) {
          findings.add(together);
        }
      }
    }
    return findings;
  }
}
