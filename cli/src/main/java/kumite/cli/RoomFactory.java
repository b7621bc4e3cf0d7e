package kumite.cli;

import java.lang.reflect.Constructor;
import java.util.Arrays;
import java.util.Optional;
import kumite.verdict.Rooms;
import picocli.CommandLine;

/**
 * Makes commands and what they share: with the rooms where they ask for them.
 *
 * @param rooms the rooms that there are
 */
record RoomFactory(Rooms rooms) implements CommandLine.IFactory {
  @Override
  public <K> K create(Class<K> type) throws Exception {
    Optional<Constructor<?>> asking =
        Arrays.stream(type.getDeclaredConstructors())
            .filter(c -> Arrays.equals(c.getParameterTypes(), new Class<?>[] {Rooms.class}))
            .findFirst();
    return asking.isPresent()
        ? type.cast(asking.get().newInstance(rooms))
        : CommandLine.defaultFactory().create(type);
  }
}
