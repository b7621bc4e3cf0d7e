package kumite.cli;

import java.util.List;

/** Commands for the case. */
public final class CaseCommands implements CommandRoom {
  @Override
  public List<Class<?>> commands() {
    return List.of(CaseCommand.class);
  }
}
