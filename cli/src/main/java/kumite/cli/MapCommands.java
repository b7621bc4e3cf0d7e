package kumite.cli;

import java.util.List;

/** Commands for what contacts mean and what happens when they are pressed. */
public final class MapCommands implements CommandRoom {
  @Override
  public List<Class<?>> commands() {
    return List.of(PressCommand.class, SelfTestCommand.class, DelayCommand.class, HidCommand.class);
  }
}
