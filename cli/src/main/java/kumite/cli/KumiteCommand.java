package kumite.cli;

import java.io.PrintWriter;
import java.util.Arrays;
import java.util.List;
import kumite.files.BuildFileException;
import kumite.verdict.Rooms;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Spec;

/** The command line's door: all subcommands, and how faults of input are told. */
@Command(
    name = "kumite",
    description = "A workbench for people who build their own controllers.",
    mixinStandardHelpOptions = true,
    version = "Kumite 0.1.0",
    synopsisSubcommandLabel = "COMMAND",
    footer = {
      "",
      "Without a command, or with a build file, the workbench opens. `kumite demo` opens it with",
      "demo data, `kumite test` runs all tests of a source checkout.",
      "Exit codes: 0 nothing to stop, 1 something to stop, 2 bad input or usage, 3 a fault of",
      "Kumite itself."
    })
public final class KumiteCommand implements Runnable {
  /** The exit code of a fault that is ours. */
  static final int OWN_FAULT = 3;

  @Spec private CommandSpec spec;

  @Override
  public void run() {
    spec.commandLine().usage(spec.commandLine().getOut());
  }

  /** Runs the command line and ends the process with its exit code. */
  public static void main(String[] args) {
    System.exit(commandLine().execute(args));
  }

  /** {@return the command line, for {@code main} and tests} */
  static CommandLine commandLine() {
    return commandLine(Rooms.standard(), CommandRoom.standard());
  }

  /** What nobody's input should lead to: said in a line, with the place for whoever mends it. */
  private static String ownFault(Exception e) {
    String at =
        Arrays.stream(e.getStackTrace())
            .filter(frame -> frame.getClassName().startsWith("kumite."))
            .findFirst()
            .map(frame -> " in " + frame.getFileName() + ", line " + frame.getLineNumber())
            .orElse("");
    String words = String.valueOf(e.getMessage()).replaceAll("\\s+", " ").strip();
    return "this is a fault of Kumite and not of your file: "
        + e.getClass().getSimpleName()
        + at
        + ": "
        + words
        + "; nothing was written. Please report it with that file";
  }

  /** {@return the command line of these rooms} */
  static CommandLine commandLine(Rooms rooms, List<CommandRoom> commands) {
    CommandLine.IFactory factory = new RoomFactory(rooms);
    CommandLine line = new CommandLine(new KumiteCommand(), factory);
    for (CommandRoom room : commands) {
      room.commands().forEach(command -> line.addSubcommand(new CommandLine(command, factory)));
      room.complete(line);
    }
    line.setParameterExceptionHandler(
        (e, args) -> {
          CommandLine at = e.getCommandLine();
          String said = e.getMessage().replaceAll("\\s*[\\r\\n]+\\s*", " ").strip();
          at.getErr()
              .println(
                  "kumite: "
                      + said
                      + (said.endsWith(".") ? " Try `" : "; try `")
                      + at.getCommandSpec().qualifiedName()
                      + " --help`");
          return CommandLine.ExitCode.USAGE;
        });
    line.setExecutionExceptionHandler(
        (e, commandLine, parsed) -> {
          PrintWriter err = commandLine.getErr();
          if (e instanceof BuildFileException || e instanceof IllegalArgumentException) {
            err.println("kumite: " + e.getMessage());
          } else if (e instanceof java.io.IOException
              || e instanceof java.io.UncheckedIOException) {
            err.println("kumite: cannot read or write: " + e.getMessage());
          } else {
            err.println("kumite: " + ownFault(e));
            return OWN_FAULT;
          }
          return CommandLine.ExitCode.USAGE;
        });
    return line;
  }
}
