package kumite.hid;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * Reads a report descriptor into the fields of its input reports (HID 1.11, section 6.2.2).
 *
 * <p>Long items are skipped, as section 6.2.2.3 allows; output and feature items are read over.
 * Usages beyond those named repeat the last one, as section 6.2.2.8 says.
 */
public final class DescriptorReader {
  private static final int MOST_FIELDS = 4096;

  private final byte[] bytes;
  private final List<InputField> fields = new ArrayList<>();
  private final Map<Integer, Integer> nextBit = new HashMap<>();
  private final Deque<Globals> pushed = new ArrayDeque<>();
  private Globals globals = new Globals(0, 0, 0, 0, 0, 0);
  private final List<Usage> usages = new ArrayList<>();
  private int usageMinimum = -1;
  private int usageMaximum = -1;
  private int rangePage;
  private int depth;

  private record Globals(
      int page, int logicalMinimum, int logicalMaximum, int size, int count, int reportId) {}

  private DescriptorReader(byte[] bytes) {
    this.bytes = bytes;
  }

  /**
   * Reads a whole descriptor.
   *
   * @return its input fields in order; padding is left out
   * @throws IllegalArgumentException if it is cut short or its collections do not close; the
   *     message gives the byte
   */
  public static List<InputField> inputFields(byte[] descriptor) {
    return new DescriptorReader(descriptor.clone()).read();
  }

  private List<InputField> read() {
    int at = 0;
    while (at < bytes.length) {
      int prefix = bytes[at] & 0xFF;
      if (prefix == 0xFE) { // long item: size, tag, data
        require(at + 2 < bytes.length, at, "a long item is cut short");
        at += 3 + (bytes[at + 1] & 0xFF);
        require(at <= bytes.length, at, "a long item is cut short");
        continue;
      }
      int size = (prefix & 3) == 3 ? 4 : prefix & 3;
      require(at + size < bytes.length, at, "an item is cut short");
      int value = 0;
      for (int i = 0; i < size; i++) {
        value |= (bytes[at + 1 + i] & 0xFF) << (8 * i);
      }
      int signed = size == 1 ? (byte) value : size == 2 ? (short) value : value;
      item(prefix & 0xFC, value, signed, size, at);
      at += 1 + size;
    }
    require(depth == 0, bytes.length, depth + " collection(s) are not closed");
    return List.copyOf(fields);
  }

  private void item(int tag, int value, int signed, int size, int at) {
    switch (tag) {
      case DescriptorWriter.USAGE_PAGE -> globals = with(value, globals.size, globals.count);
      case DescriptorWriter.REPORT_SIZE -> globals = with(globals.page, value, globals.count);
      case DescriptorWriter.REPORT_COUNT -> globals = with(globals.page, globals.size, value);
      case DescriptorWriter.LOGICAL_MINIMUM -> globals = range(signed, globals.logicalMaximum);
      case DescriptorWriter.LOGICAL_MAXIMUM ->
          // A maximum below the minimum is a common slip of unsigned writing; hosts read it so.
          globals =
              range(
                  globals.logicalMinimum,
                  globals.logicalMinimum >= 0 && signed < 0 ? value : signed);
      case DescriptorWriter.REPORT_ID -> {
        require(value >= 1 && value <= 255, at, "report id " + value + " is not 1 to 255");
        globals =
            new Globals(
                globals.page,
                globals.logicalMinimum,
                globals.logicalMaximum,
                globals.size,
                globals.count,
                value);
      }
      case 0xA4 -> pushed.push(globals);
      case 0xB4 -> {
        require(!pushed.isEmpty(), at, "a pop without a push");
        globals = pushed.pop();
      }
      case DescriptorWriter.USAGE -> usages.add(usage(value, size));
      case DescriptorWriter.USAGE_MINIMUM -> {
        Usage first = usage(value, size);
        usageMinimum = first.id();
        rangePage = first.page();
      }
      case DescriptorWriter.USAGE_MAXIMUM -> usageMaximum = usage(value, size).id();
      case DescriptorWriter.COLLECTION -> {
        depth++;
        clearLocals();
      }
      case DescriptorWriter.END_COLLECTION -> {
        depth--;
        require(depth >= 0, at, "a collection ends that was not begun");
        clearLocals();
      }
      case DescriptorWriter.INPUT -> {
        input(value, at);
        clearLocals();
      }
      case 0x90, 0xB0 -> clearLocals(); // output, feature
      default -> {
        // units, physical ranges, designators and strings do not move bits
      }
    }
  }

  private void input(int flags, int at) {
    int start = nextBit.getOrDefault(globals.reportId, globals.reportId == 0 ? 0 : 8);
    require(
        globals.size >= 1 && globals.size <= 32 || (flags & DescriptorWriter.CONSTANT) != 0,
        at,
        "a field of " + globals.size + " bits");
    require(
        globals.count >= 0 && (long) globals.count * Math.max(1, globals.size) <= 65_536,
        at,
        "an input item of " + globals.count + " fields");
    boolean constant = (flags & DescriptorWriter.CONSTANT) != 0;
    boolean variable = (flags & DescriptorWriter.VARIABLE) != 0;
    for (int i = 0; i < globals.count && !constant; i++) {
      require(fields.size() < MOST_FIELDS, at, "more than " + MOST_FIELDS + " fields");
      Usage usage = variable ? usageAt(i) : usageAt(0);
      int last = variable ? usage.id() : usageMaximum >= 0 ? usageMaximum : usage.id();
      fields.add(
          new InputField(
              globals.reportId,
              start + i * globals.size,
              globals.size,
              usage,
              last,
              !variable,
              globals.logicalMinimum,
              globals.logicalMaximum,
              (flags & DescriptorWriter.NULL_STATE) != 0));
    }
    nextBit.put(globals.reportId, start + globals.size * globals.count);
  }

  private Usage usageAt(int i) {
    if (usageMinimum >= 0) {
      return new Usage(rangePage, Math.min(usageMinimum + i, Math.max(usageMinimum, usageMaximum)));
    }
    if (usages.isEmpty()) {
      return new Usage(globals.page, 0);
    }
    return usages.get(Math.min(i, usages.size() - 1));
  }

  private Usage usage(int value, int size) {
    return size == 4
        ? new Usage(value >>> 16, value & 0xFFFF)
        : new Usage(globals.page, value & 0xFFFF);
  }

  private Globals with(int page, int size, int count) {
    return new Globals(
        page, globals.logicalMinimum, globals.logicalMaximum, size, count, globals.reportId);
  }

  private Globals range(int minimum, int maximum) {
    return new Globals(
        globals.page, minimum, maximum, globals.size, globals.count, globals.reportId);
  }

  private void clearLocals() {
    usages.clear();
    usageMinimum = -1;
    usageMaximum = -1;
  }

  private static void require(boolean holds, int at, String what) {
    if (!holds) {
      throw new IllegalArgumentException(
          String.format(Locale.ROOT, "descriptor byte %d: %s", at, what));
    }
  }
}
