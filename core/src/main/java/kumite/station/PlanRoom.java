package kumite.station;

import java.util.List;
import kumite.build.Build;
import kumite.build.plan.PlanBook;
import kumite.files.PlanJson;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Station;
import kumite.plan.Plan;
import kumite.plan.PlanChecks;
import kumite.plan.PlanCode;
import kumite.room.Derivation;
import kumite.room.PartCodec;
import kumite.sheet.Exports;
import kumite.verdict.Bench;
import kumite.verdict.Export;
import kumite.verdict.Room;
import kumite.verdict.Works;

/** In which order, with what, at what cost. */
public final class PlanRoom implements Room {
  private static final Derivation<List<Finding>> FINDINGS =
      Derivation.<List<Finding>>of(
              "findings of the plan",
              Works.SEEN,
              given ->
                  begun(given.build())
                      ? PlanChecks.of(given.build(), given.get(Works.PLAN))
                      : List.of())
          .from(Works.PLAN);

  @Override
  public Station station() {
    return Station.PLAN;
  }

  @Override
  public List<PartCodec<?>> parts() {
    return List.of(PlanJson.CODEC);
  }

  @Override
  public List<? extends Code> codes() {
    return List.of(PlanCode.values());
  }

  @Override
  public List<Derivation<List<Finding>>> checks() {
    return List.of(FINDINGS);
  }

  @Override
  public List<Export> exports() {
    return List.of(Exports.PLAN, Exports.BILL, Exports.BILL_SHEET);
  }

  /** Before anything is decided or ticked off no edit waits for the plan. */
  private static boolean begun(Build build) {
    return !build.get(PlanBook.PART).equals(PlanBook.EMPTY)
        || build.seats().stream().anyMatch(seat -> !seat.loom().done().isEmpty());
  }

  @Override
  public State state(Bench bench) {
    if (!begun(bench.build())) {
      return new State(bench.build().hands().isEmpty() ? "nothing yet" : "not begun", false);
    }
    Plan plan = bench.get(Works.PLAN);
    long over = plan.steps().size() - plan.open().size();
    return new State(
        over + " of " + plan.steps().size() + " done", over == plan.steps().size() && over > 0);
  }

  @Override
  public String nothingToSay(Bench bench) {
    return bench.get(Works.PLAN).steps().isEmpty()
        ? "Nothing to plan yet. Add a control to the panel first."
        : "Nothing to judge here: tick off what is done.";
  }
}
