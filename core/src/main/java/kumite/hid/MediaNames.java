package kumite.hid;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Names of media keys and their usages on the consumer page (HID Usage Tables, from memory). */
public final class MediaNames {
  private static final Map<Integer, String> BY_USAGE = new LinkedHashMap<>();

  static {
    BY_USAGE.put(0xCD, "Play");
    BY_USAGE.put(0xB7, "Stop");
    BY_USAGE.put(0xB5, "Next");
    BY_USAGE.put(0xB6, "Previous");
    BY_USAGE.put(0xB3, "FastForward");
    BY_USAGE.put(0xB4, "Rewind");
    BY_USAGE.put(0xB2, "Record");
    BY_USAGE.put(0xB8, "Eject");
    BY_USAGE.put(0xE2, "Mute");
    BY_USAGE.put(0xE9, "VolumeUp");
    BY_USAGE.put(0xEA, "VolumeDown");
    BY_USAGE.put(0x6F, "BrighterScreen");
    BY_USAGE.put(0x70, "DarkerScreen");
    BY_USAGE.put(0x40, "Menu");
  }

  private MediaNames() {}

  /** {@return the name of the key, or its usage in hexadecimal where it has none here} */
  public static String of(int usage) {
    return BY_USAGE.getOrDefault(usage, String.format(Locale.ROOT, "0x%02X", usage));
  }

  /** {@return the usage of the key of that name, spaces and case ignored} */
  public static Optional<Integer> usage(String name) {
    String plain = name.replaceAll("[ _]", "");
    return BY_USAGE.entrySet().stream()
        .filter(entry -> entry.getValue().equalsIgnoreCase(plain))
        .map(Map.Entry::getKey)
        .findFirst();
  }

  /** {@return all named keys, usage to name} */
  public static Map<Integer, String> all() {
    return Collections.unmodifiableMap(BY_USAGE);
  }
}
