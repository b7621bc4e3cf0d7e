package kumite.sheet;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import kumite.build.map.Profile;
import kumite.files.Tables;
import kumite.hid.ReportLayout;
import kumite.map.Coverage;
import kumite.map.PadChart;
import kumite.map.TargetText;
import kumite.name.ContactId;
import kumite.verdict.Bench;

/** What hosts ask for and what gives it, as tables for hosts and people. */
final class Charts {
  private static final ObjectMapper MAPPER = new ObjectMapper();

  private Charts() {}

  private record Line(
      String profile,
      int order,
      String function,
      String wants,
      String by,
      String layer,
      String is) {}

  /** One row for each giver of each function, of all profiles of the seat; none given: one row. */
  private static List<Line> lines(Profile profile) {
    Map<String, List<Coverage.Giver>> by =
        Coverage.givers(profile).stream()
            .collect(Collectors.groupingBy(giver -> giver.entry().function()));
    List<Line> lines = new ArrayList<>();
    int order = 1;
    for (var function : profile.functions()) {
      List<Coverage.Giver> givers = by.getOrDefault(function.name(), List.of());
      if (givers.isEmpty()) {
        lines.add(
            new Line(profile.name(), order, function.name(), function.wants().words(), "", "", ""));
      }
      for (Coverage.Giver giver : givers) {
        lines.add(
            new Line(
                profile.name(),
                order,
                function.name(),
                function.wants().words(),
                giver.contacts().stream()
                    .sorted()
                    .map(ContactId::toString)
                    .collect(Collectors.joining(" + ")),
                giver.layer(),
                TargetText.of(giver.entry().target())));
      }
      order++;
    }
    return lines;
  }

  static String csv(Bench bench) {
    List<List<String>> rows = new ArrayList<>();
    for (Profile profile : bench.done()) {
      for (Line l : lines(profile)) {
        rows.add(
            List.of(
                l.profile(),
                l.function(),
                l.wants(),
                String.valueOf(l.order()),
                l.by(),
                l.layer(),
                l.is()));
      }
    }
    return Tables.csv(
        List.of("profile", "function", "wants", "order", "contacts", "layer", "meaning"), rows);
  }

  static String json(Bench bench) {
    ObjectNode root = MAPPER.createObjectNode();
    ArrayNode profiles = root.putArray("profiles");
    for (Profile profile : bench.done()) {
      ObjectNode node = profiles.addObject();
      node.put("name", profile.name()).put("host", profile.host().words());
      ArrayNode functions = node.putArray("functions");
      for (Line l : lines(profile)) {
        functions
            .addObject()
            .put("function", l.function())
            .put("wants", l.wants())
            .put("order", l.order())
            .put("contacts", l.by())
            .put("layer", l.layer())
            .put("meaning", l.is());
      }
    }
    try {
      return MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(root) + "\n";
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("a tree of plain values can always be written", e);
    }
  }

  /** A mapping line for each profile that has a gamepad. */
  static String lines(Bench bench) {
    StringBuilder text =
        new StringBuilder(
            "# One line for each profile. Digits 9 to 12 are the vendor, 17 to 20 the product that"
                + " your program names, low byte first.\n");
    for (Profile profile : bench.done()) {
      PadChart chart = PadChart.of(profile);
      if (!chart.rows().isEmpty()) {
        Bench faced =
            bench.next(
                bench
                    .build()
                    .facing(new kumite.build.Aspect(bench.build().seat().id(), profile.name())));
        ReportLayout layout = faced.layout();
        text.append(
                chart.line(
                    bench.build().brief().title()
                        + (bench.done().size() > 1 ? " " + profile.name() : ""),
                    layout))
            .append('\n');
      }
    }
    return text.toString();
  }
}
