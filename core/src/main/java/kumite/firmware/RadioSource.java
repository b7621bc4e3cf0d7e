package kumite.firmware;

import java.util.Optional;
import kumite.build.map.Profile;
import kumite.hid.ReportLayout;

/** What the program of a radio board says of itself over the air. */
final class RadioSource {
  /** A value of the table of services has at most so many bytes (the published rules, memory). */
  static final int MOST_VALUE = 512;

  /** What goes in one packet before host and board agree on more (the published rules, memory). */
  static final int SMALL_PACKET = 20;

  /** Asleep after so long without a press: common practice, no source. */
  static final int SLEEP_MINUTES = 10;

  private RadioSource() {}

  /** {@return why the reports do not go into the table of services; empty where they do} */
  static Optional<String> why(Blueprint blueprint) {
    return blueprint.profiles().stream()
        .filter(profile -> blueprint.layout(profile).descriptor().length > MOST_VALUE)
        .findFirst()
        .map(
            profile ->
                "the report map of profile "
                    + profile.name()
                    + " has "
                    + blueprint.layout(profile).descriptor().length
                    + " bytes, and a value of the radio's table holds "
                    + MOST_VALUE
                    + ": take fewer gamepads, or a board with USB");
  }

  /** {@return how many bytes its longest report has on the air, without its id} */
  static int longest(Blueprint blueprint) {
    int longest = 0;
    for (Profile profile : blueprint.profiles()) {
      ReportLayout layout = blueprint.layout(profile);
      for (int id : layout.reportIds()) {
        longest = Math.max(longest, layout.lengthBytes(id) - (id > 0 ? 1 : 0));
      }
    }
    return longest;
  }

  /** {@return the header that the service is compiled with} */
  static String config(Blueprint blueprint) {
    int descriptor =
        blueprint.profiles().stream()
            .mapToInt(profile -> blueprint.layout(profile).descriptor().length)
            .max()
            .orElse(1);
    return "/* "
        + Names.plain(blueprint.title())
        + ": how it shows itself to hosts. */\n#ifndef RADIO_CONFIG_H\n#define RADIO_CONFIG_H\n\n"
        + "#define RADIO_NAME \""
        + name(blueprint)
        + "\"\n"
        + "#define RADIO_APPEARANCE "
        + appearance(blueprint)
        + "\n#define DESCRIPTOR_BYTES "
        + descriptor
        + "\n/* Asleep after "
        + SLEEP_MINUTES
        + " minutes without a report. */\n#define SLEEP_US "
        + SLEEP_MINUTES * 60
        + "000000U\n\n#endif\n";
  }

  /** {@return its name in the lists of hosts: what fits into one packet of it} */
  static String name(Blueprint blueprint) {
    String plain = Names.plain(blueprint.title()).replaceAll("[\"\\\\]", "").strip();
    return plain.isEmpty() ? "Controller" : plain.substring(0, Math.min(26, plain.length()));
  }

  /** Keyboard 961, mouse 962, gamepad 964: the published list of appearances, from memory. */
  private static int appearance(Blueprint blueprint) {
    ReportLayout layout = blueprint.layout(blueprint.profiles().get(0));
    return switch (layout.part(layout.reportIds().get(0))) {
      case GAMEPAD -> 964;
      case KEYBOARD, MEDIA -> 961;
      case MOUSE -> 962;
    };
  }
}
