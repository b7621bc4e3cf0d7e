package kumite.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.PrintWriter;
import java.util.concurrent.Callable;
import kumite.hid.DescriptorTree;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

@Command(
    name = "hid",
    description = "Read what a device tells its host.",
    mixinStandardHelpOptions = true,
    synopsisSubcommandLabel = "COMMAND",
    subcommands = HidCommand.Read.class)
final class HidCommand implements Runnable {
  @Spec private CommandSpec spec;

  @Override
  public void run() {
    spec.commandLine().usage(spec.commandLine().getOut());
  }

  @Command(
      name = "read",
      description = "Print a report descriptor as a tree in plain words, with its reports.",
      mixinStandardHelpOptions = true)
  static final class Read implements Callable<Integer> {
    @Spec private CommandSpec spec;

    @Mixin private Descriptors descriptor;

    @Option(names = "--json", description = "Print JSON.")
    private boolean json;

    @Override
    public Integer call() throws IOException {
      DescriptorTree tree = DescriptorTree.of(descriptor.bytes());
      PrintWriter out = spec.commandLine().getOut();
      if (json) {
        out.println(Json.print(json(tree)));
        return 0;
      }
      tree.lines().forEach(out::println);
      for (DescriptorTree.Report report : tree.reports()) {
        out.println(
            report.type().word()
                + " report"
                + (report.id() == 0 ? "" : " " + report.id())
                + ": "
                + report.bytes()
                + (report.bytes() == 1 ? " byte" : " bytes")
                + (report.id() == 0 ? "" : " after its id"));
      }
      return 0;
    }

    private static ObjectNode json(DescriptorTree tree) {
      ObjectNode root = Json.object();
      ArrayNode reports = root.putArray("reports");
      for (DescriptorTree.Report report : tree.reports()) {
        ObjectNode node = reports.addObject();
        node.put("id", report.id());
        node.put("type", report.type().word());
        node.put("bytes", report.bytes());
        ArrayNode fields = node.putArray("fields");
        report.fields().forEach(field -> field(fields.addObject(), field));
      }
      ArrayNode items = root.putArray("items");
      for (DescriptorTree.Line line : tree.lines()) {
        items
            .addObject()
            .put("byte", line.at())
            .put("depth", line.depth())
            .put("words", line.words());
      }
      return root;
    }

    private static void field(ObjectNode node, DescriptorTree.Field field) {
      node.put("bit", field.bit());
      node.put("size", field.size());
      node.put("count", field.count());
      node.put("usage_page", field.page());
      if (field.constant()) {
        node.put("constant", true);
      } else if (field.least() == field.most()) {
        node.put("usage", field.least());
      } else {
        node.put("usage_min", field.least());
        node.put("usage_max", field.most());
      }
      node.put("logical_min", field.logicalMinimum());
      node.put("logical_max", field.logicalMaximum());
      if (field.array()) {
        node.put("array", true);
      }
    }
  }
}
