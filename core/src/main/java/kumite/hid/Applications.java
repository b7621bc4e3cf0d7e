package kumite.hid;

import java.util.Set;
import kumite.build.map.AxisName;

/**
 * The application collections that a device is made of (HID 1.11, section 6.2.2.6). Six keys and
 * the mouse follow the sample descriptors of its appendix E.6 and E.10.
 */
final class Applications {
  private Applications() {}

  /** Buttons of one bit, the hat in four, whole bytes; axes of one or two bytes. */
  static void gamepad(
      DescriptorWriter out, int id, int buttons, boolean hat, Set<AxisName> axes, int axisMaximum) {
    begin(out, Usage.GAMEPAD, id);
    if (buttons > 0) {
      out.item(DescriptorWriter.USAGE_PAGE, Usage.BUTTON)
          .item(DescriptorWriter.USAGE_MINIMUM, 1)
          .item(DescriptorWriter.USAGE_MAXIMUM, buttons)
          .signed(DescriptorWriter.LOGICAL_MINIMUM, 0)
          .signed(DescriptorWriter.LOGICAL_MAXIMUM, 1)
          .item(DescriptorWriter.REPORT_SIZE, 1)
          .item(DescriptorWriter.REPORT_COUNT, buttons)
          .item(DescriptorWriter.INPUT, DescriptorWriter.VARIABLE);
    }
    if (hat) {
      out.item(DescriptorWriter.USAGE_PAGE, Usage.GENERIC_DESKTOP)
          .item(DescriptorWriter.USAGE, Usage.HAT.id())
          .signed(DescriptorWriter.LOGICAL_MINIMUM, 0)
          .signed(DescriptorWriter.LOGICAL_MAXIMUM, 7)
          .signed(DescriptorWriter.PHYSICAL_MINIMUM, 0)
          .signed(DescriptorWriter.PHYSICAL_MAXIMUM, 315)
          .item(DescriptorWriter.UNIT, 0x14) // degrees: English rotation, exponent of degrees 1
          .item(DescriptorWriter.REPORT_SIZE, 4)
          .item(DescriptorWriter.REPORT_COUNT, 1)
          .item(DescriptorWriter.INPUT, DescriptorWriter.VARIABLE | DescriptorWriter.NULL_STATE)
          // Physical range and unit stay in force until changed; the axes have none.
          .signed(DescriptorWriter.PHYSICAL_MINIMUM, 0)
          .signed(DescriptorWriter.PHYSICAL_MAXIMUM, 0)
          .item(DescriptorWriter.UNIT, 0);
    }
    pad(out, Math.floorMod(-(buttons + (hat ? 4 : 0)), 8));
    if (!axes.isEmpty()) {
      out.item(DescriptorWriter.USAGE_PAGE, Usage.GENERIC_DESKTOP);
      axes.forEach(axis -> out.item(DescriptorWriter.USAGE, ReportLayout.usageOf(axis).id()));
      out.signed(DescriptorWriter.LOGICAL_MINIMUM, 0)
          .signed(DescriptorWriter.LOGICAL_MAXIMUM, axisMaximum)
          .item(DescriptorWriter.REPORT_SIZE, axisMaximum > 255 ? 16 : 8)
          .item(DescriptorWriter.REPORT_COUNT, axes.size())
          .item(DescriptorWriter.INPUT, DescriptorWriter.VARIABLE);
    }
    out.end();
  }

  /** Eight modifier bits, then one bit a key, so that any number of keys can be held at once. */
  static void allKeys(DescriptorWriter out, int id, int lastKey) {
    int keys = (lastKey - 0x04) / 8 * 8 + 8; // whole bytes
    begin(out, Usage.KEYBOARD_DEVICE, id);
    modifiers(out);
    out.item(DescriptorWriter.USAGE_MINIMUM, 0x04)
        .item(DescriptorWriter.USAGE_MAXIMUM, 0x04 + keys - 1)
        .item(DescriptorWriter.REPORT_COUNT, keys)
        .item(DescriptorWriter.INPUT, DescriptorWriter.VARIABLE)
        .end();
  }

  /** Modifiers, a reserved byte, lamps from the host, six keys: as hosts know before they ask. */
  static void sixKeys(DescriptorWriter out, int id, int lastKey) {
    begin(out, Usage.KEYBOARD_DEVICE, id);
    modifiers(out);
    out.item(DescriptorWriter.REPORT_COUNT, 1)
        .item(DescriptorWriter.REPORT_SIZE, 8)
        .item(DescriptorWriter.INPUT, DescriptorWriter.CONSTANT)
        .item(DescriptorWriter.REPORT_COUNT, 5)
        .item(DescriptorWriter.REPORT_SIZE, 1)
        .item(DescriptorWriter.USAGE_PAGE, Usage.LAMPS)
        .item(DescriptorWriter.USAGE_MINIMUM, 1)
        .item(DescriptorWriter.USAGE_MAXIMUM, 5)
        .item(DescriptorWriter.OUTPUT, DescriptorWriter.VARIABLE)
        .item(DescriptorWriter.REPORT_COUNT, 1)
        .item(DescriptorWriter.REPORT_SIZE, 3)
        .item(DescriptorWriter.OUTPUT, DescriptorWriter.CONSTANT)
        .item(DescriptorWriter.REPORT_COUNT, 6)
        .item(DescriptorWriter.REPORT_SIZE, 8)
        .signed(DescriptorWriter.LOGICAL_MINIMUM, 0)
        .signed(DescriptorWriter.LOGICAL_MAXIMUM, lastKey)
        .item(DescriptorWriter.USAGE_PAGE, Usage.KEYBOARD)
        .item(DescriptorWriter.USAGE_MINIMUM, 0)
        .item(DescriptorWriter.USAGE_MAXIMUM, lastKey)
        .item(DescriptorWriter.INPUT, 0)
        .end();
  }

  private static void modifiers(DescriptorWriter out) {
    out.item(DescriptorWriter.USAGE_PAGE, Usage.KEYBOARD)
        .item(DescriptorWriter.USAGE_MINIMUM, 0xE0)
        .item(DescriptorWriter.USAGE_MAXIMUM, 0xE7)
        .signed(DescriptorWriter.LOGICAL_MINIMUM, 0)
        .signed(DescriptorWriter.LOGICAL_MAXIMUM, 1)
        .item(DescriptorWriter.REPORT_SIZE, 1)
        .item(DescriptorWriter.REPORT_COUNT, 8)
        .item(DescriptorWriter.INPUT, DescriptorWriter.VARIABLE);
  }

  /** Buttons, then motion in X, Y and, where it is used, of the wheel: a signed byte each. */
  static void mouse(DescriptorWriter out, int id, int buttons, boolean wheel) {
    begin(out, Usage.MOUSE, id);
    out.item(DescriptorWriter.USAGE, Usage.POINTER.id())
        .item(DescriptorWriter.COLLECTION, DescriptorWriter.PHYSICAL)
        .item(DescriptorWriter.USAGE_PAGE, Usage.BUTTON)
        .item(DescriptorWriter.USAGE_MINIMUM, 1)
        .item(DescriptorWriter.USAGE_MAXIMUM, buttons)
        .signed(DescriptorWriter.LOGICAL_MINIMUM, 0)
        .signed(DescriptorWriter.LOGICAL_MAXIMUM, 1)
        .item(DescriptorWriter.REPORT_COUNT, buttons)
        .item(DescriptorWriter.REPORT_SIZE, 1)
        .item(DescriptorWriter.INPUT, DescriptorWriter.VARIABLE);
    if (buttons < 8) {
      out.item(DescriptorWriter.REPORT_COUNT, 1)
          .item(DescriptorWriter.REPORT_SIZE, 8 - buttons)
          .item(DescriptorWriter.INPUT, DescriptorWriter.CONSTANT);
    }
    out.item(DescriptorWriter.USAGE_PAGE, Usage.GENERIC_DESKTOP)
        .item(DescriptorWriter.USAGE, 0x30)
        .item(DescriptorWriter.USAGE, 0x31);
    if (wheel) {
      out.item(DescriptorWriter.USAGE, 0x38);
    }
    out.signed(DescriptorWriter.LOGICAL_MINIMUM, -ReportLayout.MOST_DOTS)
        .signed(DescriptorWriter.LOGICAL_MAXIMUM, ReportLayout.MOST_DOTS)
        .item(DescriptorWriter.REPORT_SIZE, 8)
        .item(DescriptorWriter.REPORT_COUNT, wheel ? 3 : 2)
        .item(DescriptorWriter.INPUT, DescriptorWriter.VARIABLE | DescriptorWriter.RELATIVE)
        .end()
        .end();
  }

  /** One bit for each media key that is used. */
  static void media(DescriptorWriter out, int id, Set<Integer> usages) {
    begin(out, Usage.CONSUMER_CONTROL, id);
    usages.forEach(usage -> out.item(DescriptorWriter.USAGE, usage));
    out.signed(DescriptorWriter.LOGICAL_MINIMUM, 0)
        .signed(DescriptorWriter.LOGICAL_MAXIMUM, 1)
        .item(DescriptorWriter.REPORT_SIZE, 1)
        .item(DescriptorWriter.REPORT_COUNT, usages.size())
        .item(DescriptorWriter.INPUT, DescriptorWriter.VARIABLE);
    pad(out, Math.floorMod(-usages.size(), 8));
    out.end();
  }

  private static void begin(DescriptorWriter out, Usage device, int id) {
    out.item(DescriptorWriter.USAGE_PAGE, device.page())
        .item(DescriptorWriter.USAGE, device.id())
        .item(DescriptorWriter.COLLECTION, DescriptorWriter.APPLICATION);
    if (id > 0) {
      out.item(DescriptorWriter.REPORT_ID, id);
    }
  }

  private static void pad(DescriptorWriter out, int bits) {
    if (bits > 0) {
      out.item(DescriptorWriter.REPORT_SIZE, bits)
          .item(DescriptorWriter.REPORT_COUNT, 1)
          .item(DescriptorWriter.INPUT, DescriptorWriter.CONSTANT);
    }
  }
}
