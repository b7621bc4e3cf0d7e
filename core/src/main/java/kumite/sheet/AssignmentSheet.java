package kumite.sheet;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import kumite.build.map.Layer;
import kumite.build.map.Profile;
import kumite.map.ChoiceText;
import kumite.map.Coverage;
import kumite.map.PadChart;
import kumite.map.PadRole;
import kumite.map.TargetText;
import kumite.measure.Paper;
import kumite.verdict.Bench;

/**
 * The order in which a host asks for its functions, with the control to press for each: directions,
 * start, select, faces, shoulders, sticks. What is absent is told to be skipped.
 */
public final class AssignmentSheet {
  private final Bench bench;
  private final Flow flow;

  private AssignmentSheet(Bench bench, Pen pen) {
    this.bench = bench;
    this.flow = new Flow(pen, bench.build().brief().title(), "Order of assignment");
  }

  /** {@return the sheet of all profiles of the seat looked at, as a PDF document} */
  public static byte[] pdf(Bench bench, Paper paper) {
    return Pen.pdf(
        bench.build().brief().title() + ", order of assignment",
        paper,
        pen -> new AssignmentSheet(bench, pen).draw());
  }

  private void draw() throws IOException {
    for (Profile profile : bench.done()) {
      flow.newPage();
      flow.heading("Order of assignment: " + bench.build().brief().title() + ", " + profile.name());
      flow.fact("Host", profile.host().words());
      if (!profile.choice().contacts().isEmpty()) {
        flow.fact("Chosen by", ChoiceText.of(profile.choice()));
      }
      flow.paragraph(
          "Plug it in, open the host's settings page and press what it asks for, in this order."
              + " Where it asks for what is absent here, hold any button until it goes on.");
      PadChart chart = PadChart.of(profile);
      if (!chart.rows().isEmpty()) {
        parts(chart);
      }
      functions(profile);
    }
  }

  private void parts(PadChart chart) throws IOException {
    List<String[]> rows = new ArrayList<>();
    int number = 1;
    for (PadRole role : PadRole.values()) {
      PadChart.Row row = chart.rows().get(role);
      if (row != null) {
        rows.add(
            new String[] {
              "",
              String.valueOf(number++),
              role.words(),
              givers(row.givers()),
              TargetText.of(row.target())
            });
      }
    }
    flow.table(
        "Parts of a gamepad",
        List.of(
            Flow.Column.tick("", 8),
            Flow.Column.of("", 8),
            Flow.Column.of("it asks for", 44),
            Flow.Column.of("press", 80),
            Flow.Column.mono("which is", 40)),
        rows,
        "");
    String absent =
        java.util.Arrays.stream(PadRole.values())
            .filter(role -> role.ordinal() <= PadRole.RIGHTSTICK.ordinal())
            .filter(role -> !chart.rows().containsKey(role))
            .map(PadRole::words)
            .collect(Collectors.joining(", "));
    if (!absent.isEmpty()) {
      flow.paragraph("Not here, skip: " + absent + ".");
    }
  }

  private void functions(Profile profile) throws IOException {
    List<String[]> rows = new ArrayList<>();
    Map<String, List<Coverage.Giver>> by =
        Coverage.givers(profile).stream()
            .collect(Collectors.groupingBy(giver -> giver.entry().function()));
    int number = 1;
    for (var function : profile.functions()) {
      List<Coverage.Giver> givers = by.getOrDefault(function.name(), List.of());
      rows.add(
          new String[] {
            "",
            String.valueOf(number++),
            function.name(),
            givers.isEmpty() ? "nothing gives it: skip" : givers(givers),
            givers.stream()
                .map(giver -> TargetText.of(giver.entry().target()))
                .distinct()
                .collect(Collectors.joining(", "))
          });
    }
    if (!rows.isEmpty()) {
      flow.table(
          "Functions of the host",
          List.of(
              Flow.Column.tick("", 8),
              Flow.Column.of("", 8),
              Flow.Column.of("function", 44),
              Flow.Column.of("press", 80),
              Flow.Column.mono("which is", 40)),
          rows,
          "");
    }
  }

  private String givers(List<Coverage.Giver> givers) {
    return givers.stream()
        .map(
            giver ->
                giver.contacts().stream()
                        .map(c -> bench.path(c).map(p -> p.site().label()).orElse(c.toString()))
                        .collect(Collectors.joining(" with "))
                    + (giver.layer().equals(Layer.BASE) ? "" : " on " + giver.layer()))
        .distinct()
        .collect(Collectors.joining(", or "));
  }
}
