package kumite.plan;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import kumite.build.Build;
import kumite.build.Seat;
import kumite.build.loom.LoomSettings;
import kumite.build.plan.PlanBook;
import kumite.name.Jumper;
import kumite.name.SeatId;

/**
 * Steps ticked off. A wire is on where all steps that join it are done, and the other way round:
 * the ticks of a plan and of wire by wire are the same ticks.
 */
public final class Ticks {
  private static final Set<Act> JOINING = Set.of(Act.JOIN, Act.LAMPS, Act.LAND, Act.WIRE_BASE);

  private Ticks() {}

  /** {@return the build with a step done} */
  public static Build done(Build build, Plan plan, Step step) {
    Build next =
        build.with(PlanBook.PART, build.get(PlanBook.PART).withDone(step.id(), step.mark()));
    if (step.wires().isEmpty() || !JOINING.contains(step.act())) {
      return next;
    }
    Step.Wires wires = step.wires().get();
    Set<Jumper> on = new HashSet<>(wires.wires());
    for (Step other : joining(plan, wires.seat())) {
      if (!other.id().equals(step.id()) && !other.over()) {
        on.removeAll(other.wires().orElseThrow().wires());
      }
    }
    return loom(next, wires.seat(), on, true);
  }

  /** {@return the build with a step to be done again} */
  public static Build open(Build build, Plan plan, Step step) {
    Build next = build.with(PlanBook.PART, build.get(PlanBook.PART).withoutDone(step.id()));
    if (step.wires().isEmpty() || !JOINING.contains(step.act())) {
      return next;
    }
    Step.Wires wires = step.wires().get();
    // Those at the other ends of its wires are done all the same.
    for (Step other : joining(plan, wires.seat())) {
      boolean shares =
          other.wires().orElseThrow().wires().stream().anyMatch(wires.wires()::contains);
      if (shares && other.state() == Step.State.DONE && !other.id().equals(step.id())) {
        next = next.with(PlanBook.PART, next.get(PlanBook.PART).withDone(other.id(), other.mark()));
      }
    }
    return loom(next, wires.seat(), wires.wires(), false);
  }

  private static List<Step> joining(Plan plan, SeatId seat) {
    return plan.steps().stream()
        .filter(step -> JOINING.contains(step.act()))
        .filter(step -> step.wires().filter(wires -> wires.seat().equals(seat)).isPresent())
        .toList();
  }

  private static Build loom(Build build, SeatId seat, Set<Jumper> wires, boolean on) {
    List<Seat> seats =
        build.seats().stream()
            .map(
                one -> {
                  if (!one.id().equals(seat)) {
                    return one;
                  }
                  LoomSettings loom = one.loom();
                  for (Jumper wire : wires) {
                    loom = loom.withDone(wire, on);
                  }
                  return one.withLoom(loom);
                })
            .toList();
    return build.withSeats(seats);
  }
}
