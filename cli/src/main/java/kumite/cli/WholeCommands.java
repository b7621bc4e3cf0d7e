package kumite.cli;

import java.util.List;

/** Commands for the whole build. */
public final class WholeCommands implements CommandRoom {
  @Override
  public List<Class<?>> commands() {
    return List.of(
        CheckCommand.class, PathsCommand.class, ExportCommand.class, SchemaCommand.class);
  }
}
