package kumite.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What can be done in the hours there are, at these places, with these tools.
 *
 * @param steps in the order they are worked
 * @param minutes they take together
 * @param waits steps that could follow but for a wait that does not end in time
 */
public record Today(List<Step> steps, double minutes, List<Step> waits) {
  public Today {
    steps = List.copyOf(steps);
    waits = List.copyOf(waits);
  }

  /**
   * Chooses from a plan: whatever holds up most comes first.
   *
   * @param minutes there are
   * @param places where one can work; empty for everywhere
   * @param tools there are; empty for all
   */
  public static Today of(Plan plan, double minutes, Set<Where> places, Set<Implement> tools) {
    Map<String, Double> tails = tails(plan.open());
    Map<String, Double> ready = new HashMap<>(); // when what was chosen lets others go on
    Set<String> open = new HashSet<>();
    plan.open().forEach(step -> open.add(step.id()));
    List<Step> chosen = new ArrayList<>();
    Set<Step> waits = new java.util.LinkedHashSet<>();
    double now = 0;
    boolean more = true;
    while (more) {
      double at = now;
      List<Step> can = new ArrayList<>();
      for (Step step : plan.open()) {
        boolean here =
            (places.isEmpty() || places.contains(step.act().where()))
                && (tools.isEmpty() || tools.containsAll(step.with()));
        boolean first =
            step.after().stream().allMatch(id -> !open.contains(id) || ready.containsKey(id));
        if (!here || !first || chosen.contains(step)) {
          continue;
        }
        boolean waiting = step.after().stream().anyMatch(id -> ready.getOrDefault(id, 0.0) > at);
        if (waiting) {
          waits.add(step);
        } else if (at + step.minutes() <= minutes) {
          can.add(step);
        }
      }
      Step best =
          can.stream().max(Comparator.comparingDouble(step -> tails.get(step.id()))).orElse(null);
      more = best != null;
      if (more) {
        now += best.minutes();
        chosen.add(best);
        waits.remove(best);
        ready.put(best.id(), now + best.waitMinutes());
      }
    }
    return new Today(chosen, now, List.copyOf(waits));
  }

  /** How long it takes from the beginning of each step to the end of all that follows it. */
  private static Map<String, Double> tails(List<Step> open) {
    Map<String, Double> after = new HashMap<>();
    Map<String, Double> tails = new HashMap<>();
    for (int i = open.size() - 1; i >= 0; i--) {
      Step step = open.get(i);
      double tail = step.minutes() + step.waitMinutes() + after.getOrDefault(step.id(), 0.0);
      tails.put(step.id(), tail);
      step.after().forEach(id -> after.merge(id, tail, Math::max));
    }
    return tails;
  }
}
