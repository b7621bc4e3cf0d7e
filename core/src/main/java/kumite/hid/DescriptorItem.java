package kumite.hid;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * One item of a report descriptor (HID 1.11, section 6.2.2).
 *
 * @param at the byte it begins at
 * @param tag its tag and type, the two bits of its size cleared; {@link #LONG} for a long item
 * @param bytes how many bytes of data it has
 * @param value its data, unsigned
 * @param signed its data with its sign
 */
record DescriptorItem(int at, int tag, int bytes, int value, int signed) {
  /** Stands for an item of the long form, whose data mean nothing here (section 6.2.2.3). */
  static final int LONG = 0xFE;

  /**
   * {@return the items of a descriptor, in order}
   *
   * @throws IllegalArgumentException if it is cut short; the message gives the byte
   */
  static List<DescriptorItem> all(byte[] descriptor) {
    List<DescriptorItem> items = new ArrayList<>();
    int at = 0;
    while (at < descriptor.length) {
      int prefix = descriptor[at] & 0xFF;
      if (prefix == LONG) { // size, tag, data
        require(at + 2 < descriptor.length, at, "a long item is cut short");
        int data = descriptor[at + 1] & 0xFF;
        require(at + 3 + data <= descriptor.length, at, "a long item is cut short");
        items.add(new DescriptorItem(at, LONG, data, 0, 0));
        at += 3 + data;
        continue;
      }
      int size = (prefix & 3) == 3 ? 4 : prefix & 3;
      require(at + size < descriptor.length, at, "an item is cut short");
      int value = 0;
      for (int i = 0; i < size; i++) {
        value |= (descriptor[at + 1 + i] & 0xFF) << (8 * i);
      }
      int signed = size == 1 ? (byte) value : size == 2 ? (short) value : value;
      items.add(new DescriptorItem(at, prefix & 0xFC, size, value, signed));
      at += 1 + size;
    }
    return items;
  }

  static void require(boolean holds, int at, String what) {
    if (!holds) {
      throw new IllegalArgumentException(
          String.format(Locale.ROOT, "descriptor byte %d: %s", at, what));
    }
  }
}
