package kumite.plan;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The way through a plan that takes longest, waits counted: what decides when all is done, however
 * many hands help. Of steps that follow each other the finish of one is the earliest start of the
 * next (critical path method; Kelley and Walker 1959, from memory).
 *
 * @param steps in their order
 * @param minutes from the first step's start to the last one's end
 * @param starts when each step of the plan can start at the earliest, in minutes, by its id
 */
public record LongestWay(List<Step> steps, double minutes, Map<String, Double> starts) {
  public LongestWay {
    steps = List.copyOf(steps);
    starts = Collections.unmodifiableMap(starts);
  }

  /**
   * {@return the longest way through some steps}
   *
   * @param ordered each after those that it follows; steps that are not among them are over
   */
  public static LongestWay of(List<Step> ordered) {
    Map<String, Step> byId = new HashMap<>();
    Map<String, Double> starts = new HashMap<>();
    Map<String, String> from = new HashMap<>();
    String last = "";
    double end = 0;
    for (Step step : ordered) {
      byId.put(step.id(), step);
      double start = 0;
      for (String before : step.after()) {
        Step one = byId.get(before);
        if (one == null) {
          continue; // it is over
        }
        double ready = starts.get(before) + one.minutes() + one.waitMinutes();
        if (ready > start || !from.containsKey(step.id())) {
          start = Math.max(start, ready);
          from.put(step.id(), before);
        }
      }
      starts.put(step.id(), start);
      double over = start + step.minutes() + step.waitMinutes();
      if (over > end) {
        end = over;
        last = step.id();
      }
    }
    List<Step> way = new ArrayList<>();
    for (String id = last; byId.containsKey(id); id = from.getOrDefault(id, "")) {
      way.add(byId.get(id));
    }
    Collections.reverse(way);
    return new LongestWay(way, end, starts);
  }
}
