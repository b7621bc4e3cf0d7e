package kumite.cli;

import java.util.List;
import picocli.CommandLine;

/** Commands for bench calculations. */
public final class PowerCommands implements CommandRoom {
  @Override
  public List<Class<?>> commands() {
    return List.of(SumCommand.class, SupplyCommand.class);
  }

  @Override
  public void complete(CommandLine line) {
    SumCommand.addTo(line.getSubcommands().get("sum"));
  }
}
