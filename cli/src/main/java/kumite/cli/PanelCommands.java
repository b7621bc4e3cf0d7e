package kumite.cli;

import java.util.List;

/** Commands for the panel. */
public final class PanelCommands implements CommandRoom {
  @Override
  public List<Class<?>> commands() {
    return List.of(GapsCommand.class, LeversCommand.class, PartsCommand.class);
  }
}
