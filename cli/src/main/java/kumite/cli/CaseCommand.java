package kumite.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import kumite.box.BoxChecks;
import kumite.box.BoxPlan;
import kumite.box.Nest;
import kumite.box.Piece;
import kumite.box.ScrewLine;
import kumite.files.BuildFile;
import kumite.files.BuildFileException;
import kumite.finding.Finding;
import kumite.finding.Station;
import kumite.verdict.Bench;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** The case as pieces, sheets and screws. */
@Command(
    name = "case",
    description =
        "The case of a build: its pieces, how they lie on their sheets, its screws, and what is said"
            + " of it. Where nobody spoke of a case, a plain one is worked out.",
    mixinStandardHelpOptions = true)
final class CaseCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;
  @Mixin private Input input;

  @Option(
      names = "--begin",
      paramLabel = "NEW",
      description =
          "Write the build with the plain case as decided into a new file, to go on from.")
  private Optional<Path> begin = Optional.empty();

  @Option(names = "--json", description = "Print JSON.")
  private boolean json;

  @Override
  public Integer call() throws BuildFileException {
    Bench bench = input.whole();
    BoxPlan plan = bench.get(BoxChecks.PLAN);
    List<Finding> findings =
        bench.findings().stream().filter(f -> f.station().equals(Station.CASE)).toList();
    if (begin.isPresent()) {
      if (Files.exists(begin.get())) {
        throw new IllegalArgumentException(begin.get() + " is there already; name a new file");
      }
      BuildFile.write(plan.build(), begin.get(), input.rooms());
    }
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      out.println(Json.print(node(plan, findings)));
      return 0;
    }
    out.printf(
        "%s%s, %d pieces%n",
        plan.box().making().words(),
        plan.spoken() ? "" : " (plain: nobody decided anything yet)",
        plan.pieces().size());
    for (Piece piece : plan.pieces()) {
      out.printf(
          Locale.ROOT,
          "  %-10s %8.1f x %8.1f x %5.1f mm  %s%n",
          piece.id(),
          piece.widthMm(),
          piece.heightMm(),
          piece.thicknessMm(),
          piece.material().words());
    }
    for (Nest.Laid laid : plan.nest().sheets()) {
      out.printf(
          Locale.ROOT,
          "  sheet %.0f x %.0f x %.1f mm: %d pieces, %.0f %% used%n",
          laid.sheet().widthMm(),
          laid.sheet().heightMm(),
          laid.thicknessMm(),
          laid.spots().size(),
          100 * laid.used());
    }
    for (ScrewLine line : plan.screws()) {
      out.printf("  %s: %s%n", line.words(), line.joint());
    }
    for (Finding finding : findings) {
      out.printf(
          "%-4s %s  %s. %s%n",
          finding.severity().word(), finding.code().text(), finding.title(), finding.detail());
    }
    return 0;
  }

  private static ObjectNode node(BoxPlan plan, List<Finding> findings) {
    ObjectNode root = Json.object();
    root.put("decided", plan.spoken());
    root.put("making", plan.box().making().words());
    root.put("tilt_deg", rounded(plan.shape().tiltDegrees()));
    ArrayNode pieces = root.putArray("pieces");
    for (Piece piece : plan.pieces()) {
      ObjectNode row = pieces.addObject();
      row.put("id", piece.id());
      row.put("face", piece.face().map(f -> f.words()).orElse(word(piece)));
      row.put("width_mm", rounded(piece.widthMm()));
      row.put("height_mm", rounded(piece.heightMm()));
      row.put("thickness_mm", rounded(piece.thicknessMm()));
      row.put("material", piece.material().words());
      row.put("area_mm2", rounded(piece.area().getArea()));
      row.put("holes", piece.holes().size());
      ArrayNode bevels = row.putArray("bevels");
      for (Piece.Bevel bevel : piece.bevels()) {
        bevels
            .addObject()
            .put("edge", bevel.edge())
            .put("deg", rounded(bevel.degrees()))
            .put("longer", bevel.longer());
      }
    }
    ArrayNode screws = root.putArray("screws");
    for (ScrewLine line : plan.screws()) {
      ObjectNode row = screws.addObject();
      row.put("count", line.count()).put("screw", line.screw());
      line.lengthMm()
          .ifPresentOrElse(mm -> row.put("length_mm", mm), () -> row.putNull("length_mm"));
      row.put("head", line.head().words()).put("joint", line.joint());
      row.put("least_mm", rounded(line.leastMm())).put("most_mm", rounded(line.mostMm()));
      row.put("pilot_mm", rounded(line.pilotMm())).put("sink_mm", rounded(line.sinkMm()));
      row.put("with", line.with());
      row.set("working", Json.working(line.working()));
    }
    ArrayNode sheets = root.putArray("sheets");
    for (Nest.Laid laid : plan.nest().sheets()) {
      ObjectNode row = sheets.addObject();
      row.put("width_mm", laid.sheet().widthMm()).put("height_mm", laid.sheet().heightMm());
      row.put("thickness_mm", laid.thicknessMm()).put("material", laid.material().words());
      row.put("used", rounded(laid.used()));
      ArrayNode laidPieces = row.putArray("pieces");
      for (Nest.Spot spot : laid.spots()) {
        laidPieces
            .addObject()
            .put("id", spot.piece().id())
            .put("left_mm", rounded(spot.leftMm()))
            .put("top_mm", rounded(spot.topMm()))
            .put("turned", spot.turned())
            .put("strip", spot.strip() + 1);
      }
    }
    ArrayNode said = root.putArray("findings");
    for (Finding finding : findings) {
      ObjectNode row = said.addObject();
      row.put("code", finding.code().text()).put("severity", finding.severity().word());
      ArrayNode about = row.putArray("about");
      finding.named().forEach(about::add);
      row.put("title", finding.title()).put("detail", finding.detail());
    }
    return root;
  }

  private static String word(Piece piece) {
    return switch (piece.part()) {
      case PANEL -> "panel";
      case WALL -> "wall";
      case BLOCK -> "inside";
      case TRAY -> "walls and floor";
    };
  }

  private static double rounded(double mm) {
    return Math.round(mm * 1000) / 1000.0;
  }
}
