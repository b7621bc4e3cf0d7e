package kumite.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import kumite.device.Delays;
import kumite.device.SignalPath;
import kumite.files.BuildFileException;
import kumite.timing.Delay;
import kumite.timing.DelayStudy;
import kumite.verdict.Bench;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
    name = "delay",
    description = {
      "How long it takes from a press to the report that tells of it.",
      "The closed form leaves bounce out; simulated presses have it. A frame is 16.67 ms."
    },
    mixinStandardHelpOptions = true)
final class DelayCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;
  @Mixin private Input input;

  @Parameters(
      index = "1",
      arity = "0..1",
      paramLabel = "CONTACT",
      description = "One path's id, such as horn; all of them without it.")
  private String contact = "";

  @Option(
      names = "--presses",
      paramLabel = "N",
      defaultValue = "20000",
      description = "Presses that are played for each, 1 to 5000000 (default: 20000).")
  private int presses;

  @Option(
      names = "--seed",
      paramLabel = "N",
      defaultValue = "1",
      description = "Chooses bounces and phases (default: 1).")
  private long seed;

  @Option(names = "--json", description = "Print JSON.")
  private boolean json;

  @Override
  public Integer call() throws BuildFileException {
    kumite.measure.Check.between(1, 5_000_000, presses, "--presses");
    Bench bench = input.bench();
    List<SignalPath> paths =
        contact.isEmpty() ? bench.paths() : List.of(PressCommand.path(bench, contact));
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      ObjectNode root = Json.object();
      ArrayNode rows = root.putArray("paths");
      paths.forEach(path -> rows.add(tree(bench, path)));
      Delays.beside(bench.board()).ifPresent(words -> root.put("beside", words));
      out.println(Json.print(root));
      return 0;
    }
    out.printf(
        Locale.ROOT,
        "%-20s %8s %8s %8s %8s %8s %7s  %s%n",
        "contact",
        "mean",
        "median",
        "95 %",
        "99 %",
        "worst",
        "frames",
        "with bounce: mean, 99 %, worst");
    for (SignalPath path : paths) {
      Delay delay = path.delay();
      DelayStudy study = bench.study(path, presses, seed);
      out.printf(
          Locale.ROOT,
          "%-20s %5.2f ms %5.2f ms %5.2f ms %5.2f ms %5.2f ms %7.2f  %.2f, %.2f, %.2f ms%n",
          path.id(),
          ms(delay.meanUs()),
          ms(delay.quantileUs(0.5)),
          ms(delay.quantileUs(0.95)),
          ms(delay.quantileUs(0.99)),
          ms(delay.worstUs()),
          delay.frames(),
          ms(study.meanUs()),
          ms(study.p99Us()),
          ms(study.worstUs()));
    }
    Delays.beside(bench.board()).ifPresent(words -> out.println("Beside that: " + words + "."));
    if (paths.size() == 1) {
      out.println(paths.get(0).delay().working().inWords());
    }
    return 0;
  }

  private static double ms(double us) {
    return us / 1000;
  }

  private ObjectNode tree(Bench bench, SignalPath path) {
    Delay delay = path.delay();
    ObjectNode node = Json.object();
    node.put("id", path.id().toString());
    node.put("mean_ms", ms(delay.meanUs()));
    node.put("median_ms", ms(delay.quantileUs(0.5)));
    node.put("p95_ms", ms(delay.quantileUs(0.95)));
    node.put("p99_ms", ms(delay.quantileUs(0.99)));
    node.put("worst_ms", ms(delay.worstUs()));
    node.put("frames", delay.frames());
    node.put("reaches_host", path.arrives());
    ArrayNode parts = node.putArray("parts");
    for (Delay.Part part : delay.parts()) {
      parts
          .addObject()
          .put("kind", part.kind().words())
          .put("least_ms", ms(part.leastUs()))
          .put("most_ms", ms(part.mostUs()));
    }
    DelayStudy study = bench.study(path, presses, seed);
    node.putObject("simulated")
        .put("presses", presses)
        .put("mean_ms", ms(study.meanUs()))
        .put("median_ms", ms(study.medianUs()))
        .put("p95_ms", ms(study.p95Us()))
        .put("p99_ms", ms(study.p99Us()))
        .put("worst_ms", ms(study.worstUs()));
    return node;
  }
}
