package kumite.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import kumite.bringup.Diagnosis;
import kumite.bringup.Evidence;
import kumite.bringup.FaultKind;
import kumite.bringup.Places;
import kumite.build.bringup.Entry;
import kumite.files.BuildFileException;
import kumite.files.ReadingsFile;
import kumite.files.TextFile;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

@Command(
    name = "diagnose",
    description = {
      "What is wrong with a build, by what was read of it, and where the probes go next.",
      "Exit 0 where nothing is likely wrong, 1 where something is."
    },
    mixinStandardHelpOptions = true)
final class DiagnoseCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;
  @Mixin private Input input;

  @Option(
      names = "--readings",
      paramLabel = "FILE",
      required = true,
      description = "A table with the head from,to,state,held,reading.")
  private Path readings;

  @Option(names = "--json", description = "Print JSON.")
  private boolean json;

  @Override
  public Integer call() throws BuildFileException {
    Places places = Meters.places(input);
    List<Entry> entries;
    try {
      entries = ReadingsFile.read(TextFile.read(readings));
    } catch (IllegalArgumentException e) {
      throw new IllegalArgumentException(readings + ": " + e.getMessage(), e);
    }
    Diagnosis diagnosis = Diagnosis.of(places, Evidence.of(places, entries));
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      out.println(Json.print(node(diagnosis)));
    } else {
      print(diagnosis, out);
    }
    return diagnosis.sound() ? 0 : 1;
  }

  private static ObjectNode node(Diagnosis diagnosis) {
    ObjectNode node = Json.object();
    ArrayNode faults = node.putArray("faults");
    for (Diagnosis.Suspect suspect : diagnosis.suspects()) {
      ObjectNode one = faults.addObject();
      one.put("id", suspect.fault().id());
      one.put("what", suspect.fault().what());
      one.put("where", suspect.fault().places());
      one.put("probability", Math.round(suspect.probability() * 1e6) / 1e6);
      one.put("repair", suspect.fault().repair());
      one.put("kind", suspect.fault().kind().name().toLowerCase(java.util.Locale.ROOT));
      one.put("explains", suspect.explains());
    }
    if (diagnosis.next().isPresent()) {
      Diagnosis.Next next = diagnosis.next().get();
      ObjectNode one = node.putObject("next");
      one.put("from", next.question().ask().from());
      one.put("to", next.question().ask().to());
      one.put("state", next.question().ask().state());
      one.put("held", next.question().ask().held().toString());
      one.put("bits", Math.round(next.bits() * 1000) / 1000.0);
      one.put("what", next.question().what());
      one.put("expected", next.question().expected());
    } else {
      node.putNull("next");
    }
    ArrayNode equal = node.putArray("equal");
    for (List<String> ids : diagnosis.equal()) {
      ArrayNode set = equal.addArray();
      ids.forEach(set::add);
    }
    ArrayNode odd = node.putArray("unexplained");
    diagnosis.unexplained().forEach(r -> odd.add(Evidence.words(r.ask()) + ": " + r.answer()));
    ArrayNode notes = node.putArray("notes");
    diagnosis.notes().forEach(notes::add);
    return node;
  }

  private static void print(Diagnosis diagnosis, PrintWriter out) {
    for (Diagnosis.Suspect suspect : diagnosis.suspects().stream().limit(8).toList()) {
      out.printf("%5.1f %%  %s%n", suspect.probability() * 100, suspect.fault().what());
      if (suspect.fault().kind() != FaultKind.NONE) {
        out.println("         " + suspect.fault().repair());
      }
    }
    diagnosis.equal().forEach(ids -> out.println("nothing tells apart: " + String.join("; ", ids)));
    diagnosis
        .unexplained()
        .forEach(r -> out.println("not explained: " + Evidence.words(r.ask()) + ": " + r.answer()));
    diagnosis.notes().forEach(out::println);
    out.println(
        diagnosis
            .next()
            .map(
                next ->
                    "next: "
                        + next.question().what()
                        + " (sound: "
                        + next.question().expected()
                        + ")")
            .orElse("nothing more to ask that would tell"));
  }
}
