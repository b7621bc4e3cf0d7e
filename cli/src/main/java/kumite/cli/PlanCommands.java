package kumite.cli;

import java.util.List;

/** Commands for the order of work, and what it takes. */
public final class PlanCommands implements CommandRoom {
  @Override
  public List<Class<?>> commands() {
    return List.of(PlanCommand.class, BillCommand.class);
  }
}
