package kumite.firmware;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * Numbers that have a name in the program, in the order in which {@code device_tables.h} has them.
 */
final class Codes {
  static final List<String> LOOKS =
      List.of(
          "LOOK_LOW",
          "LOOK_HIGH",
          "LOOK_TOUCH",
          "LOOK_ROW",
          "LOOK_BIT",
          "LOOK_CHANNEL",
          "LOOK_CHANNEL_CODE",
          "LOOK_STEP",
          "LOOK_CODE",
          "LOOK_SAID",
          "LOOK_SAID_CODE",
          "LOOK_KEY",
          "LOOK_REPORTED",
          "LOOK_REPORTED_CODE");
  static final List<String> TARGETS =
      List.of(
          "TARGET_NOWHERE",
          "TARGET_BIT",
          "TARGET_HAT",
          "TARGET_KEY",
          "TARGET_STEPS",
          "TARGET_AXIS",
          "TARGET_AXIS_END",
          "TARGET_MOTION",
          "TARGET_MOTION_END");
  static final List<String> USES =
      List.of(
          "USE_OF_UP",
          "USE_OF_DOWN",
          "USE_OF_OPEN",
          "USE_OF_TOUCH",
          "USE_OF_CODE",
          "USE_OF_ROW",
          "USE_OF_OUTPUT",
          "USE_OF_LAMP",
          "USE_OF_STRIP",
          "USE_OF_PORT");
  static final List<String> CHOICES =
      List.of("CHOICE_NONE", "CHOICE_HELD", "CHOICE_CLOSED", "CHOICE_OPEN", "CHOICE_RUNNING");
  static final List<String> CONSOLES =
      List.of("CONSOLE_PHASED", "CONSOLE_SHIFT", "CONSOLE_PACKET", "CONSOLE_BYTES");

  private static final Map<String, Integer> VALUES = new TreeMap<>();

  static {
    for (List<String> names : List.of(LOOKS, TARGETS, USES, CHOICES, CONSOLES)) {
      for (int i = 0; i < names.size(); i++) {
        VALUES.put(names.get(i), i);
      }
    }
  }

  private Codes() {}

  /** {@return the number of a name} */
  static int of(String name) {
    return VALUES.get(name);
  }
}
