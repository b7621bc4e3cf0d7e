package kumite.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import kumite.box.FaceChecks;
import kumite.files.BuildFileException;
import kumite.panel.Gap;
import kumite.verdict.Bench;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

@Command(
    name = "gaps",
    description =
        "List the gaps of a panel that are narrow enough to matter, and the depth of every control,"
            + " worst first.",
    mixinStandardHelpOptions = true)
final class GapsCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;
  @Mixin private Input input;

  @Option(names = "--json", description = "Print JSON.")
  private boolean json;

  @Override
  public Integer call() throws BuildFileException {
    Bench bench = input.bench();
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      ArrayNode rows = JsonNodeFactory.instance.arrayNode();
      for (Row row : rows(bench)) {
        Gap gap = row.gap();
        ObjectNode node = rows.addObject();
        node.put("face", row.face());
        node.put("height", gap.kind().height().name().toLowerCase(Locale.ROOT));
        node.put("kind", gap.kind().words());
        ArrayNode between = node.putArray("between");
        between(gap).forEach(between::add);
        node.put("gap_mm", rounded(gap.gapMm()));
        node.put("needed_mm", rounded(gap.neededMm()));
        node.put("missing_mm", rounded(gap.missingMm()));
        node.put("stops", gap.stops());
        node.set("working", Json.working(gap.working()));
      }
      out.println(Json.print(rows));
      return 0;
    }
    out.printf(
        Locale.ROOT, "%-8s %-24s %8s %8s  %s%n", "height", "kind", "gap", "needed", "between");
    for (Row row : rows(bench)) {
      Gap gap = row.gap();
      out.printf(
          Locale.ROOT,
          "%-8s %-24s %8.1f %8.1f  %s%s%s%n",
          gap.kind().height().name().toLowerCase(Locale.ROOT),
          gap.kind().words(),
          gap.gapMm(),
          gap.neededMm(),
          String.join(" and ", between(gap)),
          row.face().equals(PANEL) ? "" : ", in the " + row.face(),
          gap.stops() ? "  stop" : gap.missingMm() > 0 ? "  too narrow" : "");
    }
    return 0;
  }

  /** A gap, and the face of the case that it is in. */
  private record Row(String face, Gap gap) {}

  private static final String PANEL = "panel";

  /** Those of the panel, then those of each face with a control in it. */
  private static List<Row> rows(Bench bench) {
    List<Row> rows = new ArrayList<>();
    bench.gaps().list().forEach(gap -> rows.add(new Row(PANEL, gap)));
    bench
        .get(FaceChecks.GAPS)
        .forEach(
            (face, gaps) ->
                gaps.list()
                    .forEach(gap -> rows.add(new Row(face.name().toLowerCase(Locale.ROOT), gap))));
    return rows;
  }

  private static List<String> between(Gap gap) {
    List<String> between = new ArrayList<>();
    if (gap.controls().isEmpty()) {
      between.add("the board");
    }
    gap.controls().forEach(id -> between.add(id.text()));
    if (!gap.against().isEmpty()) {
      between.add(gap.against());
    }
    return between;
  }

  private static double rounded(double mm) {
    return Math.rint(mm * 1000) / 1000;
  }
}
