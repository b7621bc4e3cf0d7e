package kumite.hid;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * Names of keys and their usages on the keyboard page (HID Usage Tables, section 10, from memory).
 */
public final class KeyNames {
  private static final Map<Integer, String> BY_USAGE = new LinkedHashMap<>();
  private static final Map<String, Integer> BY_NAME = new LinkedHashMap<>();

  static {
    for (int i = 0; i < 26; i++) {
      name(0x04 + i, String.valueOf((char) ('A' + i)));
    }
    for (int i = 0; i < 10; i++) {
      name(0x1E + i, String.valueOf((i + 1) % 10));
    }
    String[] afterDigits = {
      "Enter",
      "Esc",
      "Backspace",
      "Tab",
      "Space",
      "Minus",
      "Equals",
      "LeftBracket",
      "RightBracket",
      "Backslash",
      "Hash",
      "Semicolon",
      "Quote",
      "Grave",
      "Comma",
      "Dot",
      "Slash",
      "CapsLock"
    };
    for (int i = 0; i < afterDigits.length; i++) {
      name(0x28 + i, afterDigits[i]);
    }
    for (int i = 0; i < 12; i++) {
      name(0x3A + i, "F" + (i + 1));
    }
    String[] afterF = {
      "PrintScreen",
      "ScrollLock",
      "Pause",
      "Insert",
      "Home",
      "PageUp",
      "Delete",
      "End",
      "PageDown",
      "Right",
      "Left",
      "Down",
      "Up",
      "NumLock",
      "KP/",
      "KP*",
      "KP-",
      "KP+",
      "KPEnter"
    };
    for (int i = 0; i < afterF.length; i++) {
      name(0x46 + i, afterF[i]);
    }
    for (int i = 0; i < 10; i++) {
      name(0x59 + i, "KP" + (i + 1) % 10);
    }
    String[] modifiers = {
      "LeftCtrl",
      "LeftShift",
      "LeftAlt",
      "LeftGui",
      "RightCtrl",
      "RightShift",
      "RightAlt",
      "RightGui"
    };
    for (int i = 0; i < modifiers.length; i++) {
      name(0xE0 + i, modifiers[i]);
    }
  }

  private KeyNames() {}

  private static void name(int usage, String name) {
    BY_USAGE.put(usage, name);
    BY_NAME.put(name.toLowerCase(Locale.ROOT), usage);
  }

  /** {@return the name of the key, or its usage in hexadecimal where it has none here} */
  public static String of(int usage) {
    return BY_USAGE.getOrDefault(usage, String.format(Locale.ROOT, "0x%02X", usage));
  }

  /** {@return the usage of the key of that name, spaces and case ignored} */
  public static Optional<Integer> usage(String name) {
    return Optional.ofNullable(BY_NAME.get(name.replaceAll("[ _]", "").toLowerCase(Locale.ROOT)));
  }

  /** {@return all named keys, usage to name} */
  public static Map<Integer, String> all() {
    return Collections.unmodifiableMap(BY_USAGE);
  }
}
