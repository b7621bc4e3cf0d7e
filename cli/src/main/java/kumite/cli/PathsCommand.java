package kumite.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.Locale;
import java.util.concurrent.Callable;
import kumite.build.map.Target;
import kumite.circuit.InputLevels;
import kumite.device.SignalPath;
import kumite.files.BuildFileException;
import kumite.hid.ReportLayout;
import kumite.hid.Usage;
import kumite.map.TargetText;
import kumite.verdict.Bench;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

@Command(
    name = "paths",
    description = "List the signal paths of a build, one row a contact, from finger to function.",
    mixinStandardHelpOptions = true)
final class PathsCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;
  @Mixin private Input input;

  @Option(names = "--json", description = "Print JSON.")
  private boolean json;

  @Override
  public Integer call() throws BuildFileException {
    Bench bench = input.bench();
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      ArrayNode rows = com.fasterxml.jackson.databind.node.JsonNodeFactory.instance.arrayNode();
      bench.paths().forEach(path -> rows.add(tree(path, bench)));
      out.println(Json.print(rows));
      return 0;
    }
    out.printf(
        Locale.ROOT,
        "%-20s %-8s %-6s %8s  %-9s %-10s %-14s %s%n",
        "contact",
        "strand",
        "colour",
        "length",
        "terminal",
        "host sees",
        "report",
        "function");
    for (SignalPath path : bench.paths()) {
      out.printf(
          Locale.ROOT,
          "%-20s %-8s %-6s %8s  %-9s %-10s %-14s %s%n",
          path.id(),
          path.strand().map(s -> s.id()).orElse("-"),
          path.strand().map(s -> s.colour().code()).orElse("-"),
          path.strand().map(s -> s.lengthMm() + " mm").orElse("-"),
          path.pin().map(p -> p.terminal().name()).orElse("-"),
          path.target().map(TargetText::of).orElse("-"),
          path.field().map(f -> "byte " + f.byteIndex() + " bit " + f.bitIndex()).orElse("-"),
          path.arrivesAs().isEmpty() && path.heard() && path.arrives()
              ? path.function()
              : (path.function() + " (" + path.missing() + ")").strip());
    }
    bench
        .programless(bench.build().seat().id())
        .ifPresent(why -> out.println("This board has no program: " + why));
    return 0;
  }

  /** {@return one path; what is not decided yet is null} */
  private static ObjectNode tree(SignalPath path, Bench bench) {
    ObjectNode node = Json.object();
    node.put("id", path.id().toString());
    node.put("control", path.site().control().id().text());
    node.put("contact", path.site().contact().name());
    node.put("label", path.site().label());
    node.put("strand", path.strand().map(s -> s.id()).orElse(null));
    node.put("colour", path.strand().map(s -> s.colour().code()).orElse(null));
    node.put("length_mm", path.strand().map(s -> s.lengthMm()).orElse(null));
    node.put("terminal", path.pin().map(p -> p.terminal().name()).orElse(null));
    node.put("common", path.site().common().words());
    node.put("idle_v", path.levels().flatMap(InputLevels::sureIdleVolts).orElse(null));
    node.put("held_v", path.levels().flatMap(InputLevels::sureHeldVolts).orElse(null));
    node.put("level_idle", path.levels().map(l -> l.idle().words()).orElse(null));
    node.put("level_held", path.levels().map(l -> l.held().words()).orElse(null));
    node.put("floating", path.levels().filter(l -> l.floating().isPresent()).isPresent());
    node.put("topology", path.topology());
    node.put("pulls", path.levels().map(l -> l.pull().words()).orElse(null));
    if (path.target().isPresent()) {
      Target target = path.target().get();
      Usage usage = ReportLayout.usageOf(target);
      ObjectNode host = node.putObject("host");
      host.put("kind", TargetText.kind(target));
      host.put("usage_page", usage.page());
      host.put("usage", usage.id());
      host.put("words", TargetText.of(target));
    } else {
      node.putNull("host");
    }
    if (path.field().isPresent()) {
      ObjectNode report = node.putObject("report");
      report.put("id", path.field().get().reportId());
      report.put("byte", path.field().get().byteIndex());
      report.put("bit", path.field().get().bitIndex());
      report.put("bits", path.field().get().bits());
    } else {
      node.putNull("report");
    }
    node.put("reaches_host", path.arrives());
    ArrayNode as = node.putArray("arrives_as");
    path.arrivesAs().forEach(other -> as.add(other.toString()));
    node.put("heard", path.heard());
    node.put("no_program", bench.programless(bench.build().seat().id()).orElse(null));
    node.put("function", path.function());
    node.put("mean_delay_ms", path.delay().meanUs() / 1000);
    return node;
  }
}
