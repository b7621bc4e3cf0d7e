package kumite.sheet;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import kumite.measure.Paper;
import kumite.plan.Hours;
import kumite.plan.Implement;
import kumite.plan.Plan;
import kumite.plan.Step;
import kumite.verdict.Bench;

/** The plan as a list to be ticked at the bench, with the reason for the place of each step. */
public final class PlanPaper {
  private PlanPaper() {}

  /** {@return the list as a PDF document} */
  public static byte[] pdf(Bench bench, Plan plan, Paper paper) {
    String title = bench.build().brief().title();
    return Pen.pdf(
        title + ", plan",
        paper,
        pen -> {
          Flow flow = new Flow(pen, title, "Plan");
          flow.newPage();
          flow.heading("In this order");
          if (plan.steps().isEmpty()) {
            flow.paragraph("Nothing to plan yet: the build has no control and no port.");
            return;
          }
          flow.paragraph(
              plan.steps().size()
                  + " steps, "
                  + Hours.words(plan.minutesLeft())
                  + " of work left, "
                  + Hours.words(plan.waitingLeft())
                  + " of waiting on the longest way. Minutes are rough. Where the work can hurt"
                  + " you, local rules and qualified people come first.");
          runs(flow, plan);
          for (Plan.Trouble trouble : plan.troubles()) {
            flow.paragraph(trouble.words());
          }
        });
  }

  /** A table for each stretch of one sub-assembly, so that the order of the page is the order. */
  private static void runs(Flow flow, Plan plan) throws IOException {
    Map<String, Boolean> cautioned = new LinkedHashMap<>();
    List<Step> run = new ArrayList<>();
    for (Step step : plan.steps()) {
      if (!run.isEmpty() && run.get(0).act().sub() != step.act().sub()) {
        table(flow, run, cautioned);
        run.clear();
      }
      run.add(step);
    }
    table(flow, run, cautioned);
  }

  private static void table(Flow flow, List<Step> run, Map<String, Boolean> cautioned)
      throws IOException {
    if (run.isEmpty()) {
      return;
    }
    flow.room(18);
    flow.heading(run.get(0).act().sub().title() + ": " + with(run));
    for (Step step : run) {
      List<String> lines = new ArrayList<>();
      lines.add("Why here: " + step.why() + ".");
      if (!step.details().isEmpty()) {
        lines.add(String.join("; ", step.details()) + ".");
      }
      if (!step.parts().isEmpty()) {
        lines.add("Take " + String.join(", ", step.parts()) + ".");
      }
      String caution = step.caution().orElse("");
      if (!caution.isEmpty() && cautioned.put(caution, true) == null) {
        lines.add("Caution: " + caution + ".");
      }
      flow.item(
          step.over(),
          step.what(),
          (step.noReturn() ? "no way back · " : "")
              + (step.over() ? step.state().words() + " · " : "")
              + Math.round(step.minutes())
              + " min"
              + (step.waitMinutes() > 0 ? ", then wait " + Hours.words(step.waitMinutes()) : ""),
          lines);
    }
    flow.down(2);
  }

  private static String with(List<Step> run) {
    List<String> all = new ArrayList<>();
    run.stream().map(step -> step.act().where().words()).distinct().forEach(all::add);
    run.stream()
        .flatMap(step -> step.with().stream())
        .distinct()
        .map(Implement::words)
        .forEach(all::add);
    return String.join(", ", all);
  }
}
