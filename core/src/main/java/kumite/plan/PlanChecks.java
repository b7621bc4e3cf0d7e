package kumite.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import kumite.build.Build;
import kumite.build.plan.PlanBook;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Subject;

/** What is to be said of a plan. */
public final class PlanChecks {
  private final Build build;
  private final Plan plan;
  private final List<Finding> findings = new ArrayList<>();

  private PlanChecks(Build build, Plan plan) {
    this.build = build;
    this.plan = plan;
  }

  /** {@return what is to be said of a plan} */
  public static List<Finding> of(Build build, Plan plan) {
    PlanChecks checks = new PlanChecks(build, plan);
    plan.troubles().forEach(checks::trouble);
    checks.opened();
    checks.tested();
    return checks.findings;
  }

  private void trouble(Plan.Trouble trouble) {
    PlanCode code =
        switch (trouble.kind()) {
          case CYCLE -> PlanCode.CYCLE;
          case NO_SUCH_STEP -> PlanCode.NO_SUCH_STEP;
          case ID_TAKEN -> PlanCode.ID_TAKEN;
          case NO_SUCH_THING -> PlanCode.NO_SUCH_THING;
        };
    String title =
        switch (trouble.kind()) {
          case CYCLE -> "Own steps wait for each other: " + trouble.id();
          case NO_SUCH_STEP -> "Own step " + trouble.id() + " names a step that there is not";
          case ID_TAKEN -> "Own step " + trouble.id() + " has the id of another step";
          case NO_SUCH_THING -> trouble.id() + " is marked, but is not there";
        };
    Finding finding = Finding.of(code, List.of(), title, trouble.words());
    findings.add(
        trouble.kind() == Plan.Trouble.Kind.NO_SUCH_THING
            ? finding.mendedBy(
                Fix.of("Take the mark out", b -> marked(b, book -> book.withNeeded(trouble.id()))))
            : finding);
  }

  private static Build marked(Build build, java.util.function.UnaryOperator<PlanBook> change) {
    return build.with(PlanBook.PART, change.apply(build.get(PlanBook.PART)));
  }

  /** Steps that were done, and say something else now. */
  private void opened() {
    Map<String, String> done = build.get(PlanBook.PART).done();
    List<Step> again =
        plan.steps().stream().filter(step -> !step.over() && done.containsKey(step.id())).toList();
    if (!again.isEmpty()) {
      findings.add(
          Finding.of(
              PlanCode.OPENED_AGAIN,
              List.of(),
              again.size() == 1
                  ? "A step that was done is open again"
                  : again.size() + " steps that were done are open again",
              "What they are about was changed: "
                  + String.join("; ", again.stream().limit(5).map(Step::what).toList())));
    }
  }

  /** Whatever cannot be undone has a test somewhere before it. */
  private void tested() {
    Map<String, Boolean> proved = new HashMap<>();
    int ways = 0;
    List<Step> bare = new ArrayList<>();
    for (Step step : plan.steps()) {
      boolean before = step.after().stream().anyMatch(id -> proved.getOrDefault(id, false));
      proved.put(step.id(), before || step.act().test());
      if (step.noReturn()) {
        ways++;
        if (!before) {
          bare.add(step);
        }
      }
    }
    for (Step step : bare) {
      findings.add(
          Finding.of(
              PlanCode.UNTESTED,
              List.of(),
              "No test comes before \"" + step.what() + "\"",
              "It cannot be undone; let it come after a step that shows that all is right"));
    }
    if (ways > 0 && bare.isEmpty()) {
      findings.add(
          Finding.of(
              PlanCode.TESTED,
              List.<Subject>of(),
              "Nothing is closed untested",
              "Each of " + ways + " ways of no return has its test before it"));
    }
  }
}
