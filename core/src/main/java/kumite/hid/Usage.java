package kumite.hid;

import java.util.Locale;

/**
 * A usage: what a value in a report means.
 *
 * @param page the usage page, 0 to 0xFFFF
 * @param id the usage on that page, 0 to 0xFFFF
 */
public record Usage(int page, int id) {
  /** Generic Desktop page of the HID Usage Tables. */
  public static final int GENERIC_DESKTOP = 0x01;

  /** Keyboard/Keypad page of the HID Usage Tables. */
  public static final int KEYBOARD = 0x07;

  /** Button page of the HID Usage Tables. */
  public static final int BUTTON = 0x09;

  /** Lamps page of the HID Usage Tables. */
  public static final int LAMPS = 0x08;

  /** Consumer page of the HID Usage Tables. */
  public static final int CONSUMER = 0x0C;

  public static final Usage POINTER = new Usage(GENERIC_DESKTOP, 0x01);
  public static final Usage MOUSE = new Usage(GENERIC_DESKTOP, 0x02);
  public static final Usage CONSUMER_CONTROL = new Usage(CONSUMER, 0x01);
  public static final Usage GAMEPAD = new Usage(GENERIC_DESKTOP, 0x05);
  public static final Usage KEYBOARD_DEVICE = new Usage(GENERIC_DESKTOP, 0x06);
  public static final Usage HAT = new Usage(GENERIC_DESKTOP, 0x39);

  public Usage {
    if (page < 0 || page > 0xFFFF || id < 0 || id > 0xFFFF) {
      throw new IllegalArgumentException(
          "usage page and id must be between 0 and 0xFFFF, but were " + page + " and " + id);
    }
  }

  /** {@return the usage as hexadecimal page and id} */
  @Override
  public String toString() {
    return String.format(Locale.ROOT, "%02X:%02X", page, id);
  }
}
