package kumite.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.Locale;
import java.util.concurrent.Callable;
import kumite.build.Build;
import kumite.files.BuildFile;
import kumite.files.BuildFileException;
import kumite.files.TextFile;
import kumite.kind.ControlKind;
import kumite.parts.Catalogue;
import kumite.parts.PartFile;
import kumite.verdict.Rooms;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
    name = "parts",
    description = "The catalogue of controls, and own parts from files.",
    mixinStandardHelpOptions = true,
    synopsisSubcommandLabel = "COMMAND",
    subcommands = {
      PartsCommand.ListParts.class,
      PartsCommand.ShowPart.class,
      PartsCommand.ImportParts.class
    })
final class PartsCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;

  @Override
  public Integer call() {
    spec.commandLine().usage(spec.commandLine().getOut());
    return CommandLine.ExitCode.OK;
  }

  @Command(
      name = "list",
      description = "List all kinds of controls.",
      mixinStandardHelpOptions = true)
  static final class ListParts implements Callable<Integer> {
    @Spec private CommandSpec spec;

    @Option(names = "--json", description = "Print JSON.")
    private boolean json;

    @Override
    public Integer call() {
      PrintWriter out = spec.commandLine().getOut();
      if (json) {
        ArrayNode all = JsonNodeFactory.instance.arrayNode();
        Catalogue.standard().controls().forEach(kind -> all.add(PartFile.write(kind)));
        out.println(Json.print(all));
        return 0;
      }
      for (ControlKind kind : Catalogue.standard().controls()) {
        out.printf(
            Locale.ROOT,
            "%-22s %-18s %s%n",
            kind.id(),
            kind.family().word().toLowerCase(Locale.ROOT),
            kind.trait());
      }
      return 0;
    }
  }

  @Command(
      name = "show",
      description = "Show one kind of control with all its measures.",
      mixinStandardHelpOptions = true)
  static final class ShowPart implements Callable<Integer> {
    @Spec private CommandSpec spec;

    @Parameters(paramLabel = "ID", description = "Its id, such as button-30.")
    private String id;

    @Option(names = "--json", description = "Print JSON only.")
    private boolean json;

    @Override
    public Integer call() {
      ControlKind kind =
          Catalogue.standard()
              .control(id)
              .orElseThrow(
                  () ->
                      new IllegalArgumentException(
                          "there is no part \"" + id + "\"; `kumite parts list` has them all"));
      PrintWriter out = spec.commandLine().getOut();
      if (!json) {
        out.println(kind.name() + ": " + kind.trait());
      }
      out.println(Json.print(PartFile.write(kind)));
      return 0;
    }
  }

  @Command(
      name = "import",
      description =
          "Read own parts from a CSV or JSON file; say row and column of each problem. With --into,"
              + " add them to a build.",
      mixinStandardHelpOptions = true)
  static final class ImportParts implements Callable<Integer> {
    private final Rooms rooms;

    ImportParts(Rooms rooms) {
      this.rooms = rooms;
    }

    @Spec private CommandSpec spec;

    @Parameters(paramLabel = "FILE", description = "The parts, NAME.csv or NAME.json.")
    private Path file;

    @Option(
        names = "--into",
        paramLabel = "BUILD",
        description = "A build that takes them over; it is saved with them.")
    private Path into;

    @Option(names = "--json", description = "Print JSON.")
    private boolean json;

    @Override
    public Integer call() throws BuildFileException {
      PartFile.Imported imported =
          PartFile.read(TextFile.read(file), file.getFileName().toString());
      PrintWriter out = spec.commandLine().getOut();
      if (json) {
        ObjectNode node = Json.object();
        ArrayNode parts = node.putArray("parts");
        imported.kinds().forEach(kind -> parts.add(PartFile.write(kind)));
        ArrayNode notes = node.putArray("notes");
        imported.notes().forEach(notes::add);
        ArrayNode problems = node.putArray("problems");
        for (PartFile.Problem problem : imported.problems()) {
          problems
              .addObject()
              .put("row", problem.row())
              .put("column", problem.column())
              .put("what", problem.what());
        }
        out.println(Json.print(node));
      } else {
        imported.notes().forEach(n -> spec.commandLine().getErr().println(file + ": " + n));
        imported
            .problems()
            .forEach(p -> spec.commandLine().getErr().println(file + ", " + p.words()));
        imported.kinds().forEach(kind -> out.println(kind.id() + ": " + kind.name()));
      }
      if (!imported.problems().isEmpty()) {
        return CommandLine.ExitCode.USAGE;
      }
      if (into != null) {
        Build build = BuildFile.read(into, Catalogue.standard(), rooms);
        for (ControlKind kind : imported.kinds()) {
          build = build.withOwn(kind);
        }
        BuildFile.write(build, into, rooms);
      }
      return 0;
    }
  }
}
