package kumite.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import kumite.files.BuildFileException;
import kumite.files.TextFile;
import kumite.kind.BoardKind;
import kumite.name.Joint;
import kumite.verdict.Bench;
import kumite.wiring.Net;
import kumite.wiring.Nets;
import kumite.wiring.Probe;
import kumite.wiring.Wiring;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

@Command(
    name = "nets",
    description = "List what is joined to what, or hold pairs probed with a meter against it.",
    mixinStandardHelpOptions = true)
final class NetsCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;
  @Mixin private Input input;

  @Option(
      names = "--probed",
      paramLabel = "PAIRS",
      description = "A table of probed pairs: from,to and, where silence was noted, beeps.")
  private Path probed;

  @Option(names = "--json", description = "Print JSON.")
  private boolean json;

  @Override
  public Integer call() throws BuildFileException {
    Bench bench = input.bench();
    BoardKind board =
        bench
            .board()
            .orElseThrow(
                () -> new IllegalArgumentException("the build has no board yet; choose one first"));
    if (probed == null) {
      return list(bench.wiring().orElseThrow());
    }
    Probe probe;
    try {
      probe = Probe.parse(TextFile.read(probed));
    } catch (IllegalArgumentException e) {
      throw new IllegalArgumentException(probed + ": " + e.getMessage(), e);
    }
    // The plan is what the meter is held against, not what was noted as done by hand.
    Nets plan = Wiring.planned(board, bench.loom()).nets();
    List<Probe.Found> found = probe.against(plan, bench.loom());
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      ObjectNode node = Json.object();
      node.put("pairs", probe.readings().size());
      ArrayNode differences = node.putArray("differences");
      for (Probe.Found difference : found) {
        ObjectNode item = differences.addObject();
        item.put("kind", difference.kind().name().toLowerCase(java.util.Locale.ROOT));
        ArrayNode at = item.putArray("at");
        difference.at().stream().map(Joint::toString).forEach(at::add);
        item.put("words", difference.words());
      }
      out.println(Json.print(node));
    } else {
      found.forEach(difference -> out.println(difference.words()));
      out.println(
          found.isEmpty()
              ? probe.readings().size() + " pairs probed: as planned"
              : found.size() + (found.size() == 1 ? " difference" : " differences"));
    }
    return found.isEmpty() ? 0 : 1;
  }

  private int list(Wiring wiring) {
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      out.println(kumite.files.Tables.netlistJson(wiring));
      return 0;
    }
    for (Net net : wiring.nets().joined()) {
      out.println(
          net.name()
              + ": "
              + String.join(
                  ", ", net.places().stream().map(place -> place.joint().toString()).toList()));
    }
    return 0;
  }
}
