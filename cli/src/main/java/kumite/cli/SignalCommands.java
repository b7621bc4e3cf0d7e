package kumite.cli;

import java.util.List;

/** Commands for what plugs in. */
public final class SignalCommands implements CommandRoom {
  @Override
  public List<Class<?>> commands() {
    return List.of(SignalCommand.class);
  }
}
