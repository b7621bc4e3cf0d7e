package kumite.cli;

import java.util.List;
import java.util.ServiceLoader;
import picocli.CommandLine;

/**
 * The commands of one station, declared once; the command line and its help are made from these.
 *
 * <p>The rooms of the application are found as services. A command may have a constructor that
 * takes the core's {@link kumite.verdict.Rooms}.
 */
public interface CommandRoom {
  /** {@return its commands, each a class annotated as one} */
  List<Class<?>> commands();

  /** Does what annotations cannot, once the commands are on the line. */
  default void complete(CommandLine line) {}

  /** {@return the rooms that the application has, in the order of the help} */
  static List<CommandRoom> standard() {
    return ServiceLoader.load(CommandRoom.class, CommandRoom.class.getClassLoader()).stream()
        .map(ServiceLoader.Provider::get)
        .toList();
  }
}
