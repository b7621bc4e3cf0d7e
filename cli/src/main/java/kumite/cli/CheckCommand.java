package kumite.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.Locale;
import java.util.concurrent.Callable;
import kumite.files.BuildFileException;
import kumite.verdict.Bench;
import kumite.verdict.Finding;
import kumite.verdict.Severity;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

@Command(
    name = "check",
    description =
        "Judge a build: every finding, stops first. Exit 1 if there is something to stop.",
    mixinStandardHelpOptions = true)
final class CheckCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;
  @Mixin private Input input;

  @Option(names = "--json", description = "Print JSON.")
  private boolean json;

  @Override
  public Integer call() throws BuildFileException {
    Bench bench = input.bench();
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      out.println(Json.print(tree(bench)));
    } else {
      for (Finding finding : bench.findings()) {
        out.printf(
            Locale.ROOT,
            "%-4s  %s  %s. %s%s%n",
            finding.severity().word(),
            finding.code(),
            finding.title(),
            finding.detail(),
            finding.fix().map(fix -> ". Remedy: " + fix.label()).orElse(""));
      }
      out.printf(
          Locale.ROOT,
          "%d to stop, %d to look at, %d fine%n",
          bench.count(Severity.STOP),
          bench.count(Severity.LOOK),
          bench.count(Severity.FINE));
    }
    return bench.count(Severity.STOP) > 0 ? 1 : 0;
  }

  private static ObjectNode tree(Bench bench) {
    ObjectNode root = Json.object();
    root.put("build", bench.build().brief().title());
    ObjectNode verdict = root.putObject("verdict");
    for (Severity severity : Severity.values()) {
      verdict.put(severity.word(), bench.count(severity));
    }
    ArrayNode findings = root.putArray("findings");
    for (Finding finding : bench.findings()) {
      ObjectNode node = findings.addObject();
      node.put("code", finding.code());
      node.put("severity", finding.severity().word());
      ArrayNode about = node.putArray("about");
      finding.about().forEach(about::add);
      node.put("title", finding.title());
      node.put("detail", finding.detail());
      finding.fix().ifPresentOrElse(fix -> node.put("fix", fix.label()), () -> node.putNull("fix"));
      finding.working().ifPresent(working -> node.set("working", Json.working(working)));
    }
    return root;
  }
}
