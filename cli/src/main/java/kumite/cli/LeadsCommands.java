package kumite.cli;

import java.util.List;
import picocli.CommandLine;

/** Commands for leads and cables. */
public final class LeadsCommands implements CommandRoom {
  @Override
  public List<Class<?>> commands() {
    return List.of(LeadCommand.class, RingOutCommand.class);
  }

  @Override
  public void complete(CommandLine line) {
    // A turn of -90 degrees is no option.
    line.getSubcommands()
        .get("lead")
        .getSubcommands()
        .get("turn")
        .setUnmatchedOptionsArePositionalParams(true);
  }
}
