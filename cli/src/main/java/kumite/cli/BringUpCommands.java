package kumite.cli;

import java.util.List;

/** Commands for a meter in hand: what it should show, and what is wrong. */
public final class BringUpCommands implements CommandRoom {
  @Override
  public List<Class<?>> commands() {
    return List.of(ReadingCommand.class, RoundsCommand.class, DiagnoseCommand.class);
  }
}
