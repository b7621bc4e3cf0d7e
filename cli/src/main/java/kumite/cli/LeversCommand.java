package kumite.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import kumite.build.Build;
import kumite.build.Control;
import kumite.files.BuildFileException;
import kumite.kind.ScrewHole;
import kumite.name.ControlId;
import kumite.panel.Levers;
import kumite.verdict.Bench;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
    name = "levers",
    description =
        "Compare a lever of a build with all others: plate holes shared, room below, shaft left,"
            + " force, what a swap costs, and the pattern of holes that serves both.",
    mixinStandardHelpOptions = true)
final class LeversCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;
  @Mixin private Input input;

  @Parameters(
      index = "1",
      arity = "0..1",
      paramLabel = "ID",
      description = "A lever's id; without one every lever of the build is compared.")
  private String id;

  @Option(names = "--json", description = "Print JSON.")
  private boolean json;

  @Override
  public Integer call() throws BuildFileException {
    Bench bench = input.bench();
    List<Levers> all = new ArrayList<>();
    for (ControlId lever : wanted(bench.build())) {
      Levers.of(bench.build(), bench.catalogue(), lever).ifPresent(all::add);
    }
    if (all.isEmpty()) {
      throw new IllegalArgumentException(
          id == null
              ? input.file() + " has no lever to compare"
              : "\"" + id + "\" is no lever; leave the id out to compare every lever there is");
    }
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      ArrayNode levers = JsonNodeFactory.instance.arrayNode();
      all.forEach(comparison -> levers.add(node(comparison)));
      out.println(Json.print(levers));
    } else {
      all.forEach(comparison -> print(bench.build(), comparison, out));
    }
    return 0;
  }

  private List<ControlId> wanted(Build build) {
    if (id == null) {
      return build.controls().stream().map(Control::id).toList();
    }
    ControlId lever = new ControlId(id);
    if (build.control(lever).isEmpty()) {
      throw new IllegalArgumentException(
          "the build has no control \""
              + id
              + "\"; use one of "
              + String.join(", ", build.controls().stream().map(c -> c.id().text()).toList()));
    }
    return List.of(lever);
  }

  private static ObjectNode node(Levers comparison) {
    ObjectNode node = Json.object();
    node.put("lever", comparison.chosen().text());
    ArrayNode rows = node.putArray("kinds");
    for (Levers.Row row : comparison.rows()) {
      ObjectNode item = rows.addObject();
      item.put("kind", row.kind().id());
      item.put("fitted", row.same());
      item.put("holds_in_panel", row.holds());
      item.put("plate_holes_shared", row.shared());
      item.put("plate_holes_to_drill", row.drilled());
      item.put("room_below_mm", rounded(row.roomBelowMm()));
      item.put("shaft_left_mm", rounded(row.shaftMm()));
      item.put("force_n", row.kind().feel().newton());
      item.put("too_stiff", row.tooStiff());
      item.put("gaps_too_narrow", row.narrow());
      ArrayNode cost = item.putArray("swap_costs");
      row.cost().forEach(cost::add);
      ObjectNode pattern = item.putObject("pattern_for_both");
      pattern.put("cutout_mm", row.pattern().cutoutMm());
      pattern.put("least_web_mm", rounded(row.pattern().leastWebMm()));
      pattern.put("serves", row.pattern().serves());
      ArrayNode screws = pattern.putArray("screws");
      for (ScrewHole screw : row.pattern().screws()) {
        screws
            .addObject()
            .put("x_mm", screw.at().xMm())
            .put("y_mm", screw.at().yMm())
            .put("diameter_mm", screw.diameterMm());
      }
    }
    return node;
  }

  /** A lever without screws has no web to speak of. */
  private static double rounded(double mm) {
    return Double.isInfinite(mm) ? 0 : Math.rint(mm * 1000) / 1000;
  }

  private static void print(Build build, Levers comparison, PrintWriter out) {
    out.println(
        build.control(comparison.chosen()).map(Control::label).orElse("")
            + " ("
            + comparison.chosen()
            + ")");
    out.printf(
        Locale.ROOT,
        "  %-18s %6s %6s %7s %7s %6s  %s%n",
        "kind",
        "shared",
        "drill",
        "below",
        "shaft",
        "force",
        "a swap costs");
    for (Levers.Row row : comparison.rows()) {
      out.printf(
          Locale.ROOT,
          "  %-18s %6d %6d %7.1f %7.1f %6.1f  %s%n",
          row.kind().id(),
          row.shared(),
          row.drilled(),
          row.roomBelowMm(),
          row.shaftMm(),
          row.kind().feel().newton(),
          row.same() ? "fitted now" : String.join(", ", row.cost()));
    }
  }
}
