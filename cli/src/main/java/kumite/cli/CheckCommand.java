package kumite.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import kumite.files.BuildFileException;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Severity;
import kumite.verdict.Bench;
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

  /** Each remedy is tried before it is told, and each try is a whole check. */
  private static final int MOST_CONTROLS = 150;

  /** So long remedies are tried where nobody asked for them; those of stops come first. */
  private static final long PATIENCE_NANOS = 15_000_000_000L;

  private final long begun = System.nanoTime();
  private int leftOut;

  @Option(
      names = "--remedies",
      description =
          "Try and print remedies in a build of more than 150 controls too, and those that would"
              + " take longer than 15 s; it may take minutes.")
  private boolean remedies;

  @Option(names = "--json", description = "Print JSON.")
  private boolean json;

  @Override
  public Integer call() throws BuildFileException {
    Bench bench = input.bench();
    int controls = bench.build().controls().size();
    boolean tried = remedies || controls <= MOST_CONTROLS;
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      out.println(Json.print(tree(bench, tried)));
    } else {
      for (Finding finding : bench.findings()) {
        out.printf(
            Locale.ROOT,
            "%-4s  %s  %s. %s%s%n",
            finding.severity().word(),
            finding.code().text(),
            finding.title(),
            finding.detail(),
            remedy(finding, tried).map(label -> ". Remedy: " + label).orElse(""));
      }
      if (!tried) {
        out.printf(
            Locale.ROOT,
            "Remedies were not looked for in a build of %d controls; --remedies does.%n",
            controls);
      }
      if (leftOut > 0) {
        out.printf(
            Locale.ROOT,
            "Remedies of the last %d were not looked for, it took too long; --remedies does.%n",
            leftOut);
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

  private Optional<String> remedy(Finding finding, boolean tried) {
    boolean late = !remedies && System.nanoTime() - begun > PATIENCE_NANOS;
    if (tried && late && finding.severity() != Severity.FINE) {
      leftOut++;
    }
    return tried && !late ? finding.fix().map(Fix::label) : Optional.empty();
  }

  private ObjectNode tree(Bench bench, boolean tried) {
    ObjectNode root = Json.object();
    root.put("build", bench.build().brief().title());
    root.put("remedies_tried", tried);
    ObjectNode verdict = root.putObject("verdict");
    for (Severity severity : Severity.values()) {
      verdict.put(severity.word(), bench.count(severity));
    }
    ArrayNode findings = root.putArray("findings");
    for (Finding finding : bench.findings()) {
      ObjectNode node = findings.addObject();
      node.put("code", finding.code().text());
      node.put("severity", finding.severity().word());
      ArrayNode about = node.putArray("about");
      finding.named().forEach(about::add);
      node.put("title", finding.title());
      node.put("detail", finding.detail());
      remedy(finding, tried)
          .ifPresentOrElse(label -> node.put("fix", label), () -> node.putNull("fix"));
      finding.working().ifPresent(working -> node.set("working", Json.working(working)));
    }
    root.put("remedies_tried", tried && leftOut == 0);
    return root;
  }
}
