package kumite.plan;

import java.util.List;
import java.util.Locale;
import kumite.build.Build;
import kumite.build.lead.BoardCable;
import kumite.lead.Lead;
import kumite.measure.Length;
import kumite.measure.LengthUnit;

/** Leads that are made, and cables that go through a wall. Minutes: common practice. */
final class LeadSteps {
  private final Worksheet sheet;
  private final Build build;

  LeadSteps(Worksheet sheet, Build build) {
    this.sheet = sheet;
    this.build = build;
  }

  void write() {
    boolean reused =
        build.hands().stream().anyMatch(c -> sheet.book().already().contains(c.id().text()));
    if (reused) {
      sheet
          .step("apart", Act.TAKE_APART, "Photograph what is reused, then take it apart")
          .details(
              "labels on every wire, screws kept by place; some have security heads",
              "measure what you do not know before you cut it",
              "15 W and a fine tip on a pad's circuit board: more lifts its tracks")
          .add(15);
    }
    for (Lead lead : build.leads().leads()) {
      lead(lead);
    }
    for (BoardCable cable : build.leads().cables()) {
      sheet
          .step(
              "pass-" + word(cable.name()),
              Act.PASS_CABLE,
              "Pass " + cable.name() + " through its hole, trim and collar")
          .details(PanelSteps.count(cable.cable().cores(), "core"))
          .at("seat " + cable.seat())
          .add(5);
    }
  }

  private void lead(Lead lead) {
    String at = "lead " + lead.name();
    String id = word(lead.name());
    Step.State state =
        sheet.book().already().contains(lead.name())
            ? Step.State.ALREADY
            : sheet.book().unused().contains(lead.name()) ? Step.State.UNUSED : Step.State.OPEN;
    if (lead.cable().bought()) {
      return;
    }
    sheet
        .step(
            "pass-" + id,
            Act.PASS_CABLE,
            "Slide what goes over the cable of " + lead.name() + " on")
        .details(lead.slips().stream().map(slip -> slip.kind().words()).toList())
        .details("hood, collar and boot of both ends, the right way round")
        .at(at)
        .state(state)
        .add(4);
    sheet
        .step("joints-" + id, Act.LEAD_JOINTS, "Make the joints of " + lead.name())
        .details(
            PanelSteps.count(lead.cores().size(), "core")
                + ", "
                + Length.text(lead.cable().lengthMm(), LengthUnit.MM)
                + ", "
                + lead.cable().gaugeAwg()
                + " AWG; kumite lead chart")
        .at(at)
        .state(state)
        .add(4.0 * lead.cores().size());
    sheet
        .step("beep-" + id, Act.LEAD_BEEP, "Beep " + lead.name() + " pin by pin, neighbours too")
        .at(at)
        .state(state)
        .add(1.0 * lead.cores().size());
    sheet
        .step("boot-" + id, Act.LEAD_BOOT, "Close hood and boot of " + lead.name())
        .at(at)
        .state(state)
        .add(4);
  }

  static String word(String name) {
    return name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-|-$", "");
  }

  static List<String> names(Build build) {
    return build.leads().leads().stream().map(Lead::name).toList();
  }
}
