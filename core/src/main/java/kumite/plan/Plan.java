package kumite.plan;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import kumite.build.Build;
import kumite.build.plan.OwnStep;
import kumite.build.plan.PlanBook;
import kumite.panel.DrillPlan;
import kumite.parts.Catalogue;
import org.jgrapht.graph.DefaultEdge;
import org.jgrapht.graph.DirectedAcyclicGraph;
import org.jgrapht.traverse.TopologicalOrderIterator;

/**
 * The steps of a build in an order that can be worked.
 *
 * <pre>{@code
 * Plan plan = Plan.of(build, catalogue, drill, seats, Rule.standard());
 * plan.steps().get(0).what(); // "Print the drill template at 100 %, tape it on"
 * plan.longest().minutes();
 * }</pre>
 *
 * @param steps all steps, each after those that it follows
 * @param troubles what of the builder's own steps and marks could not be followed
 */
public record Plan(List<Step> steps, List<Trouble> troubles) {
  /**
   * Something of the builder's own that could not be followed.
   *
   * @param kind what is wrong
   * @param id the step or the mark that is left out
   * @param words what is wrong, and what to do
   */
  public record Trouble(Kind kind, String id, String words) {
    /** What can be wrong. */
    public enum Kind {
      CYCLE,
      NO_SUCH_STEP,
      ID_TAKEN,
      NO_SUCH_THING
    }
  }

  public Plan {
    steps = List.copyOf(steps);
    troubles = List.copyOf(troubles);
  }

  /**
   * Plans a build.
   *
   * @param drill the holes of its panel
   * @param seats what is wired at each of its seats
   * @param rules what must come before what
   */
  public static Plan of(
      Build build,
      Catalogue catalogue,
      DrillPlan drill,
      List<SeatWork> seats,
      Collection<Rule> rules) {
    PlanBook book = build.get(PlanBook.PART);
    Worksheet sheet = new Worksheet(book);
    new PanelSteps(sheet, build, catalogue).write(drill);
    for (SeatWork seat : seats) {
      seat.board().ifPresent(board -> new BoardSteps(sheet, seat, board).write());
    }
    new LeadSteps(sheet, build).write();
    for (SeatWork seat : seats) {
      if (seat.board().isPresent()) {
        new HarnessSteps(sheet, seat).write();
      }
    }
    new CaseSteps(sheet, build, seats).write();
    List<Trouble> troubles = new ArrayList<>();
    Set<String> taken = sheet.steps().stream().map(Step::id).collect(Collectors.toSet());
    List<OwnStep> own = new ArrayList<>();
    for (OwnStep step : book.own()) {
      if (taken.contains(step.id())) {
        troubles.add(
            new Trouble(
                Trouble.Kind.ID_TAKEN,
                step.id(),
                "Your step \""
                    + step.id()
                    + "\" is called as one that follows from the build, and is left out; call it"
                    + " otherwise"));
      } else {
        own.add(step);
        own(sheet, step);
      }
    }
    Plan plan = new Plan(ordered(sheet.steps(), own, rules, troubles), List.of());
    plan.strangers(build, book, troubles);
    return new Plan(plan.steps, troubles);
  }

  private static void own(Worksheet sheet, OwnStep own) {
    Step.State state =
        sheet.book().already().contains(own.id())
            ? Step.State.ALREADY
            : sheet.book().unused().contains(own.id()) ? Step.State.UNUSED : Step.State.OPEN;
    Step step =
        new Step(
            own.id(),
            Act.OWN,
            own.what(),
            List.of(),
            List.of(),
            Set.of(),
            Set.of(),
            List.of(),
            own.why().isEmpty() ? "where you put it" : own.why(),
            own.waitMinutes(),
            own.minutes(),
            own.noReturn(),
            Optional.empty(),
            state);
    boolean done = step.mark().equals(sheet.book().done().get(own.id()));
    sheet.steps().add(done && !step.over() ? step.standing(Step.State.DONE) : step);
  }

  // ---- in order

  private static List<Step> ordered(
      List<Step> all, List<OwnStep> own, Collection<Rule> rules, List<Trouble> troubles) {
    Map<String, Integer> place = new LinkedHashMap<>();
    Map<Act, List<Integer>> byAct = new HashMap<>();
    DirectedAcyclicGraph<Integer, DefaultEdge> graph =
        new DirectedAcyclicGraph<>(DefaultEdge.class);
    for (int i = 0; i < all.size(); i++) {
      place.put(all.get(i).id(), i);
      byAct.computeIfAbsent(all.get(i).act(), a -> new ArrayList<>()).add(i);
      graph.addVertex(i);
    }
    Map<Integer, Map<Integer, Rule>> by = new HashMap<>();
    for (Rule rule : rules) {
      for (int first : byAct.getOrDefault(rule.before(), List.of())) {
        for (int later : byAct.getOrDefault(rule.after(), List.of())) {
          if (rule.puts(all.get(first), all.get(later))) {
            graph.addEdge(first, later);
            by.computeIfAbsent(first, f -> new HashMap<>()).putIfAbsent(later, rule);
          }
        }
      }
    }
    for (OwnStep step : own) {
      int at = place.get(step.id());
      step.after().forEach(id -> edge(graph, place, step.id(), id, at, true, troubles));
      step.before().forEach(id -> edge(graph, place, step.id(), id, at, false, troubles));
    }
    List<Integer> order = new ArrayList<>();
    new TopologicalOrderIterator<>(graph, Comparator.<Integer>naturalOrder())
        .forEachRemaining(order::add);
    Shortest shortest = Shortest.of(graph, order);
    List<Step> steps = new ArrayList<>();
    for (int i : order) {
      List<Integer> before = shortest.before(i);
      steps.add(
          all.get(i)
              .placed(
                  before.stream().map(b -> all.get(b).id()).toList(),
                  all.get(i).why().isEmpty()
                      ? why(i, before, shortest.later(i), by)
                      : all.get(i).why()));
    }
    return steps;
  }

  private static void edge(
      DirectedAcyclicGraph<Integer, DefaultEdge> graph,
      Map<String, Integer> place,
      String own,
      String other,
      int at,
      boolean after,
      List<Trouble> troubles) {
    Integer there = place.get(other);
    if (there == null) {
      troubles.add(
          new Trouble(
              Trouble.Kind.NO_SUCH_STEP,
              own,
              "Step \""
                  + own
                  + "\" names step \""
                  + other
                  + "\", which there is not; take that out or name another one"));
      return;
    }
    try {
      graph.addEdge(after ? there : at, after ? at : there);
    } catch (IllegalArgumentException e) {
      troubles.add(
          new Trouble(
              Trouble.Kind.CYCLE,
              own,
              "Step \""
                  + own
                  + "\" cannot come "
                  + (after ? "after" : "before")
                  + " \""
                  + other
                  + "\": that one comes "
                  + (after ? "after" : "before")
                  + " it; that wish is left out"));
    }
  }

  /** What it guards against is told where it comes first; else why it has to wait. */
  private static String why(
      int i, List<Integer> before, List<Integer> later, Map<Integer, Map<Integer, Rule>> by) {
    Optional<Rule> guards =
        later.stream()
            .map(l -> by.getOrDefault(i, Map.of()).get(l))
            .filter(r -> r != null)
            .findFirst();
    return guards
        .or(
            () ->
                before.stream()
                    .map(b -> by.getOrDefault(b, Map.of()).get(i))
                    .filter(r -> r != null)
                    .findFirst())
        .map(Rule::why)
        .orElse("nothing else waits for it");
  }

  /** Marks of things that there are no more, as far as they are no slips of an older build. */
  private void strangers(Build build, PlanBook book, List<Trouble> troubles) {
    Set<String> known = steps.stream().map(Step::id).collect(Collectors.toSet());
    build.hands().forEach(c -> known.add(c.id().text()));
    known.addAll(LeadSteps.names(build));
    for (Set<String> some : List.of(book.already(), book.unused())) {
      for (String id : some) {
        if (!known.contains(id)) {
          troubles.add(
              new Trouble(
                  Trouble.Kind.NO_SUCH_THING,
                  id,
                  "\""
                      + id
                      + "\" is marked as there already or not used, but there is no such control,"
                      + " lead or step any more"));
        }
      }
    }
  }

  // ---- what is asked of it

  /** {@return the step of that id, if there is one} */
  public Optional<Step> step(String id) {
    return steps.stream().filter(step -> step.id().equals(id)).findFirst();
  }

  /** {@return the steps that are to be done, in their order} */
  public List<Step> open() {
    return steps.stream().filter(step -> !step.over()).toList();
  }

  /** {@return how long all that is open takes, waits left out, in minutes} */
  public double minutesLeft() {
    return open().stream().mapToDouble(Step::minutes).sum();
  }

  /** {@return how long one waits on the longest way, in minutes} */
  public int waitingLeft() {
    return longest().steps().stream().mapToInt(Step::waitMinutes).sum();
  }

  /** {@return the longest way through what is open} */
  public LongestWay longest() {
    return LongestWay.of(open());
  }
}
