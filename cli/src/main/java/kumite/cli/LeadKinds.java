package kumite.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.Locale;
import java.util.concurrent.Callable;
import kumite.files.BuildFileException;
import kumite.lead.Pinout;
import kumite.lead.Plugs;
import kumite.verdict.Rooms;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

@Command(
    name = "kinds",
    description = "The connectors and pinouts that are known.",
    mixinStandardHelpOptions = true)
final class LeadKinds implements Callable<Integer> {
  private final Rooms rooms;

  LeadKinds(Rooms rooms) {
    this.rooms = rooms;
  }

  @Spec private CommandSpec spec;

  @Option(
      names = "--own",
      paramLabel = "FILE",
      description = "A file with connectors and pinouts of your own, to read and list as well.")
  private Path own;

  @Override
  public Integer call() throws BuildFileException {
    PrintWriter out = spec.commandLine().getOut();
    Plugs plugs = LeadSource.with(own, rooms).plugs();
    plugs
        .connectors()
        .forEach(
            kind ->
                out.printf(
                    Locale.ROOT, "%-12s %s: %s%n", kind.id(), kind.name(), kind.numbering()));
    plugs.rows().forEach(row -> out.println(row.words() + ": " + row.mechanism()));
    for (Pinout pinout : plugs.pinouts()) {
      out.printf(
          Locale.ROOT,
          "%s (%s): %s%n",
          pinout.id(),
          pinout.connector(),
          String.join(
              ", ",
              pinout.pins().stream().map(p -> p.pin() + " " + p.function().words()).toList()));
    }
    return 0;
  }
}
