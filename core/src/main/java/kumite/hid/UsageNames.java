package kumite.hid;

import java.util.Locale;
import java.util.Map;

/** Usage pages and usages in words: HID Usage Tables, from memory; others in hexadecimal. */
final class UsageNames {
  private static final Map<Integer, String> PAGES =
      Map.of(
          0x01, "Generic Desktop",
          0x02, "Simulation",
          0x05, "Game",
          0x07, "Keyboard",
          0x08, "Lamps",
          0x09, "Button",
          0x0C, "Consumer",
          0x0D, "Digitizer",
          0x0F, "Physical Input");

  private static final Map<Integer, String> DESKTOP =
      Map.ofEntries(
          Map.entry(0x01, "Pointer"),
          Map.entry(0x02, "Mouse"),
          Map.entry(0x04, "Joystick"),
          Map.entry(0x05, "Gamepad"),
          Map.entry(0x06, "Keyboard"),
          Map.entry(0x07, "Keypad"),
          Map.entry(0x08, "Multi-axis"),
          Map.entry(0x30, "X"),
          Map.entry(0x31, "Y"),
          Map.entry(0x32, "Z"),
          Map.entry(0x33, "Rx"),
          Map.entry(0x34, "Ry"),
          Map.entry(0x35, "Rz"),
          Map.entry(0x36, "Slider"),
          Map.entry(0x37, "Dial"),
          Map.entry(0x38, "Wheel"),
          Map.entry(0x39, "Hat"));

  private UsageNames() {}

  static String page(int page) {
    return PAGES.getOrDefault(page, hex(page));
  }

  static String usage(int page, int id) {
    return switch (page) {
      case Usage.GENERIC_DESKTOP -> DESKTOP.getOrDefault(id, hex(id));
      case Usage.KEYBOARD -> KeyNames.of(id);
      case Usage.BUTTON -> "Button " + id;
      case Usage.CONSUMER -> MediaNames.of(id);
      default -> page(page) + " " + hex(id);
    };
  }

  static String hex(int number) {
    return String.format(Locale.ROOT, "0x%02X", number);
  }
}
