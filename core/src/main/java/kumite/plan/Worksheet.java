package kumite.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import kumite.build.plan.PlanBook;
import kumite.loom.Strand;
import kumite.name.ControlId;

/** Steps gathered one after another, before they are put in order. */
final class Worksheet {
  private final PlanBook book;
  private final List<Step> steps = new ArrayList<>();

  Worksheet(PlanBook book) {
    this.book = book;
  }

  List<Step> steps() {
    return steps;
  }

  PlanBook book() {
    return book;
  }

  /** {@return those of some things that are neither there already nor unused} */
  <T> List<T> needed(Collection<T> all, java.util.function.Function<T, ControlId> id) {
    return all.stream().filter(one -> fresh(id.apply(one).text())).toList();
  }

  boolean fresh(String id) {
    return !book.already().contains(id) && !book.unused().contains(id);
  }

  boolean unused(ControlId id) {
    return book.unused().contains(id.text());
  }

  Draft step(String id, Act act, String what) {
    return new Draft(id, act, what);
  }

  /** A step in the making. */
  final class Draft {
    private final String id;
    private final Act act;
    private final String what;
    private final List<String> details = new ArrayList<>();
    private final List<String> parts = new ArrayList<>();
    private final Set<Implement> with = EnumSet.noneOf(Implement.class);
    private final Set<String> at = new TreeSet<>();
    private Step.State state = Step.State.OPEN;
    private Optional<Step.Wires> wires = Optional.empty();

    private Draft(String id, Act act, String what) {
      this.id = id;
      this.act = act;
      this.what = what;
      with.addAll(act.with());
    }

    Draft details(Collection<String> lines) {
      details.addAll(lines);
      return this;
    }

    Draft details(String... lines) {
      return details(Arrays.asList(lines));
    }

    Draft parts(Collection<String> lines) {
      parts.addAll(lines);
      return this;
    }

    Draft with(Implement one) {
      with.add(one);
      return this;
    }

    Draft at(Collection<String> things) {
      at.addAll(things);
      return this;
    }

    Draft at(String... things) {
      return at(Arrays.asList(things));
    }

    /** Wires of a seat: a step whose wires are all ticked as on is done. */
    Draft wires(SeatWork seat, Collection<Strand> strands) {
      wires =
          Optional.of(
              new Step.Wires(
                  seat.seat(), strands.stream().map(Strand::wire).collect(Collectors.toSet())));
      boolean on = seat.build().loom().done().containsAll(wires.get().wires());
      return on ? state(Step.State.DONE) : this;
    }

    Draft state(Step.State newState) {
      state = newState;
      return this;
    }

    void add(double minutes) {
      Step step =
          new Step(
              id,
              act,
              what,
              details,
              parts,
              with,
              at,
              List.of(),
              "",
              act.waitMinutes(),
              minutes,
              act.noReturn(),
              wires,
              state);
      steps.add(step.standing(standing(step)));
    }
  }

  private Step.State standing(Step step) {
    if (step.state() != Step.State.OPEN) {
      return step.state();
    }
    if (book.already().contains(step.id())) {
      return Step.State.ALREADY;
    }
    if (book.unused().contains(step.id())) {
      return Step.State.UNUSED;
    }
    return step.mark().equals(book.done().get(step.id())) ? Step.State.DONE : Step.State.OPEN;
  }
}
