package kumite.firmware;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import kumite.hid.Usage;

/** What general-purpose systems call keys: a name and a code for each usage. */
final class SystemKeys {
  /**
   * A key as such a system calls it.
   *
   * @param name as its programs write it, such as {@code KEY_A}
   * @param code its number
   */
  record SystemKey(String name, int code) {}

  private static final Map<Usage, SystemKey> BY_USAGE = read();

  private SystemKeys() {}

  private static Map<Usage, SystemKey> read() {
    Map<Usage, SystemKey> keys = new HashMap<>();
    Firmware.template("header/codes.txt")
        .lines()
        .filter(line -> !line.startsWith("#"))
        .map(line -> line.split(" "))
        .forEach(
            words ->
                keys.put(
                    new Usage(Integer.decode(words[0]), Integer.decode(words[1])),
                    new SystemKey(words[2], Integer.parseInt(words[3]))));
    return Map.copyOf(keys);
  }

  /** {@return the key of a usage, if such systems have one for it} */
  static Optional<SystemKey> of(Usage usage) {
    return Optional.ofNullable(BY_USAGE.get(usage));
  }
}
