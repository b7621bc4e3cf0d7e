package kumite.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import kumite.device.BounceReading;
import kumite.device.SelfTest;
import kumite.files.BuildFileException;
import kumite.files.TextFile;
import kumite.loom.Look;
import kumite.verdict.Bench;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
    name = "self-test",
    description = {
      "Read back what a board's program told of itself, contact by contact.",
      "The stream is text from the board's serial port; docs/self-test.md says its form."
    },
    mixinStandardHelpOptions = true)
final class SelfTestCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;
  @Mixin private Input input;

  @Parameters(index = "1", paramLabel = "STREAM", description = "The text, in a file.")
  private Path stream;

  @Option(names = "--json", description = "Print JSON.")
  private boolean json;

  @Override
  public Integer call() throws BuildFileException {
    Bench bench = input.bench();
    List<Look> looks = bench.circuit().map(wired -> wired.inputs().looks().all()).orElse(List.of());
    if (looks.isEmpty()) {
      throw new IllegalArgumentException(
          "the build's board looks at no contact yet: choose a board and wire a control first");
    }
    SelfTest test;
    try {
      test = SelfTest.read(TextFile.read(stream), looks.size());
    } catch (IllegalArgumentException e) {
      throw new IllegalArgumentException(stream + ", " + e.getMessage());
    }
    PrintWriter out = spec.commandLine().getOut();
    ObjectNode root = Json.object().put("looks", test.lines().size());
    ArrayNode contacts = root.putArray("contacts");
    for (int i = 0; i < looks.size(); i++) {
      SelfTest.Seen seen = test.seen(i);
      String name = looks.get(i).contact().map(Object::toString).orElse(looks.get(i).read().name());
      String words = seen.words(bench.timing().waitUs());
      contacts
          .addObject()
          .put("contact", name)
          .put("presses", seen.presses())
          .put("chatter_ms", seen.chatterUs() / 1000.0)
          .put("pressed_at_end", !seen.rests())
          .put("words", words);
      if (!json) {
        out.println(name + ": " + words);
      }
    }
    BounceReading bounce = BounceReading.of(test, bench.timing());
    String longest =
        bounce
            .longest()
            .map(looks::get)
            .map(look -> look.contact().map(Object::toString).orElse(look.read().name()))
            .orElse("");
    bounce(root.putObject("bounce"), bounce, longest);
    if (json) {
      out.println(Json.print(root));
    } else {
      bounce.words(bench.timing(), longest).forEach(out::println);
    }
    return 0;
  }

  private static void bounce(ObjectNode node, BounceReading bounce, String longest) {
    node.put("movements", bounce.movements());
    node.put("longest_ms", bounce.longestUs() / 1000.0);
    node.put("contact", longest);
    ArrayNode rows = node.putArray("histogram");
    bounce
        .histogram()
        .forEach((most, count) -> rows.addObject().put("to_ms", most).put("count", count));
    node.put("wait_ms", bounce.waitUs() / 1000.0);
    told(node.putObject("deferred"), bounce, bounce.deferred());
    told(node.putObject("eager"), bounce, bounce.eager());
  }

  private static void told(ObjectNode node, BounceReading bounce, BounceReading.Told told) {
    node.put("doubled", told.doubled());
    node.put("chance_percent", bounce.chancePercent(told));
    node.put("mean_ms", told.meanUs() / 1000.0);
  }
}
