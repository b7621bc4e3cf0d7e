package kumite.cli;

import java.util.concurrent.Callable;
import kumite.files.BuildFile;
import kumite.verdict.Rooms;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Spec;

@Command(
    name = "schema",
    description = "The schema of build files, for editors and scripts (JSON Schema 2020-12).",
    mixinStandardHelpOptions = true)
final class SchemaCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;
  private final Rooms rooms;

  SchemaCommand(Rooms rooms) {
    this.rooms = rooms;
  }

  @Override
  public Integer call() {
    spec.commandLine().getOut().print(BuildFile.schema(rooms));
    return CommandLine.ExitCode.OK;
  }
}
