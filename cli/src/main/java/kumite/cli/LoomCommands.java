package kumite.cli;

import java.util.List;

/** Commands for the wires. */
public final class LoomCommands implements CommandRoom {
  @Override
  public List<Class<?>> commands() {
    return List.of(NetsCommand.class, BoardsCommand.class);
  }
}
