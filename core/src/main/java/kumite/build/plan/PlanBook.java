package kumite.build.plan;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import kumite.build.Decided;
import kumite.build.Part;
import kumite.measure.Check;
import kumite.name.ControlId;

/**
 * What was decided and done of the plan; the steps themselves follow from the build.
 *
 * @param finish of the panel; empty as its material wants it
 * @param done steps that are done, with a mark of what they said then: a step that says something
 *     else now is open again
 * @param already controls, leads or steps that are there already: nothing is to be done
 * @param unused those that are not used: left as they are, left dark, left out
 * @param own steps of the builder's own
 */
public record PlanBook(
    Optional<Finish> finish,
    Map<String, String> done,
    Set<String> already,
    Set<String> unused,
    List<OwnStep> own)
    implements Decided<PlanBook> {
  /** Nothing done, nothing decided. */
  public static final PlanBook EMPTY =
      new PlanBook(Optional.empty(), Map.of(), Set.of(), Set.of(), List.of());

  /** The plan as a part of a build. */
  public static final Part<PlanBook> PART = new Part<>("plan", EMPTY);

  /** More own steps than this is taken for a damaged file. */
  public static final int MOST = 500;

  public PlanBook {
    done = Collections.unmodifiableMap(new TreeMap<>(done));
    already = Collections.unmodifiableSet(new TreeSet<>(already));
    unused = Collections.unmodifiableSet(new TreeSet<>(unused));
    own = List.copyOf(own);
    Check.between(0, MOST, own.size(), "number of own steps");
    Set<String> ids = new HashSet<>();
    for (OwnStep step : own) {
      if (!ids.add(step.id())) {
        throw new IllegalArgumentException("two own steps have the id \"" + step.id() + "\"");
      }
    }
    for (String id : already) {
      if (unused.contains(id)) {
        throw new IllegalArgumentException(
            "\"" + id + "\" cannot be there already and not be used; take it out of one");
      }
    }
  }

  /** {@return the same with another finish} */
  public PlanBook withFinish(Optional<Finish> newFinish) {
    return new PlanBook(newFinish, done, already, unused, own);
  }

  /** {@return the same with a step done as it says now} */
  public PlanBook withDone(String id, String mark) {
    Map<String, String> next = new TreeMap<>(done);
    next.put(id, mark);
    return new PlanBook(finish, next, already, unused, own);
  }

  /** {@return the same with a step open again} */
  public PlanBook withoutDone(String id) {
    Map<String, String> next = new TreeMap<>(done);
    next.remove(id);
    return new PlanBook(finish, next, already, unused, own);
  }

  /** {@return the same with something that is there already} */
  public PlanBook withAlready(String id) {
    return new PlanBook(finish, done, plus(already, id), less(unused, id), own);
  }

  /** {@return the same with something that is not used} */
  public PlanBook withUnused(String id) {
    return new PlanBook(finish, done, less(already, id), plus(unused, id), own);
  }

  /** {@return the same with something that is to be done again} */
  public PlanBook withNeeded(String id) {
    return new PlanBook(finish, done, less(already, id), less(unused, id), own);
  }

  /** {@return the same with a step of the builder's own, in place of one of its id} */
  public PlanBook with(OwnStep step) {
    List<OwnStep> next = new ArrayList<>(own);
    next.removeIf(other -> other.id().equals(step.id()));
    next.add(step);
    return new PlanBook(finish, done, already, unused, next);
  }

  /** {@return the same without an own step} */
  public PlanBook without(String id) {
    return new PlanBook(
        finish, done, already, unused, own.stream().filter(s -> !s.id().equals(id)).toList());
  }

  @Override
  public PlanBook without(ControlId gone) {
    return already.contains(gone.text()) || unused.contains(gone.text())
        ? withNeeded(gone.text())
        : this;
  }

  private static Set<String> plus(Set<String> some, String one) {
    Set<String> next = new TreeSet<>(some);
    next.add(one);
    return next;
  }

  private static Set<String> less(Set<String> some, String one) {
    Set<String> next = new TreeSet<>(some);
    next.remove(one);
    return next;
  }
}
