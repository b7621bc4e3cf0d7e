package kumite.hid;

import java.io.ByteArrayOutputStream;

/**
 * Writes the short items of a report descriptor (HID 1.11, section 6.2.2.2).
 *
 * <p>An item is a prefix byte (tag, type, size) and up to four bytes of data, least significant
 * first. Data is written in the fewest of 1, 2 or 4 bytes that hold it.
 */
final class DescriptorWriter {
  // Main items, section 6.2.2.4
  static final int INPUT = 0x80;
  static final int OUTPUT = 0x90;
  static final int COLLECTION = 0xA0;
  static final int END_COLLECTION = 0xC0;
  // Global items, section 6.2.2.7
  static final int USAGE_PAGE = 0x04;
  static final int LOGICAL_MINIMUM = 0x14;
  static final int LOGICAL_MAXIMUM = 0x24;
  static final int PHYSICAL_MINIMUM = 0x34;
  static final int PHYSICAL_MAXIMUM = 0x44;
  static final int UNIT = 0x64;
  static final int REPORT_SIZE = 0x74;
  static final int REPORT_ID = 0x84;
  static final int REPORT_COUNT = 0x94;
  // Local items, section 6.2.2.8
  static final int USAGE = 0x08;
  static final int USAGE_MINIMUM = 0x18;
  static final int USAGE_MAXIMUM = 0x28;

  static final int CONSTANT = 0x01;
  static final int VARIABLE = 0x02;
  static final int NULL_STATE = 0x40;
  static final int RELATIVE = 0x04;
  static final int PHYSICAL = 0x00;
  static final int APPLICATION = 0x01;

  private final ByteArrayOutputStream bytes = new ByteArrayOutputStream();

  /** Writes an item whose data is never negative. */
  DescriptorWriter item(int prefix, int value) {
    int size = value <= 0xFF ? 1 : value <= 0xFFFF ? 2 : 4;
    return data(prefix, value, size);
  }

  /** Writes an item whose data is signed: 200 takes two bytes, or it would read back as -56. */
  DescriptorWriter signed(int prefix, int value) {
    int size = value == (byte) value ? 1 : value == (short) value ? 2 : 4;
    return data(prefix, value, size);
  }

  DescriptorWriter end() {
    bytes.write(END_COLLECTION);
    return this;
  }

  private DescriptorWriter data(int prefix, int value, int size) {
    bytes.write(prefix | (size == 4 ? 3 : size));
    for (int i = 0; i < size; i++) {
      bytes.write(value >> (8 * i));
    }
    return this;
  }

  byte[] toBytes() {
    return bytes.toByteArray();
  }
}
