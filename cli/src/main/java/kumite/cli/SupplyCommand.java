package kumite.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.Locale;
import java.util.concurrent.Callable;
import kumite.build.supply.SupplyPart;
import kumite.files.BuildFileException;
import kumite.supply.SupplyTree;
import kumite.verdict.Bench;
import kumite.verdict.Supplies;
import kumite.working.Working;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** What feeds a build, as a tree. */
@Command(
    name = "supply",
    description =
        "What feeds a build, as a tree: each source and each branch with what it takes usually and at"
            + " worst, and what it is rated for.",
    mixinStandardHelpOptions = true)
final class SupplyCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;
  @Mixin private Input input;

  @Option(names = "--json", description = "Print JSON.")
  private boolean json;

  @Override
  public Integer call() throws BuildFileException {
    Bench bench = input.bench();
    SupplyTree tree = bench.get(Supplies.TREE);
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      ObjectNode root = Json.object();
      ArrayNode rows = root.putArray("branches");
      tree.branches().forEach(branch -> rows.add(row(branch)));
      out.println(Json.print(root));
      return 0;
    }
    if (tree.branches().isEmpty()) {
      out.println("every board lives on its plug");
    }
    for (SupplyTree.Branch branch : tree.branches()) {
      out.println(
          String.format(
              Locale.ROOT,
              "%-34s %6s V  usually %7s mA  at worst %7s mA%s%s%s",
              "  ".repeat(branch.depth()) + branch.label(),
              Working.number(branch.volts(), 2),
              Working.number(branch.usualMilliamps(), 1),
              Working.number(branch.worstMilliamps(), 1),
              branch.ratedMilliamps() > 0
                  ? "  rated " + Working.number(branch.ratedMilliamps(), 0) + " mA"
                  : "",
              branch.hours() > 0 ? "  " + Working.number(branch.hours(), 1) + " h" : "",
              branch.alive() ? "" : "  not fed"));
    }
    return 0;
  }

  private static ObjectNode row(SupplyTree.Branch branch) {
    ObjectNode row = Json.object();
    row.put("id", branch.part().map(p -> p.id().text()).orElse("board"));
    branch.seat().ifPresent(seat -> row.put("seat", seat.text()));
    row.put("label", branch.label()).put("depth", branch.depth());
    branch.part().flatMap(SupplyPart::from).ifPresent(from -> row.put("from", from.text()));
    branch.kind().ifPresent(kind -> row.put("kind", kind.id()));
    row.put("volts", branch.volts());
    row.put("usual_ma", branch.usualMilliamps()).put("worst_ma", branch.worstMilliamps());
    row.put("rated_ma", branch.ratedMilliamps()).put("fed", branch.alive());
    if (branch.hours() > 0) {
      row.put("hours", branch.hours());
    }
    return row;
  }
}
