package kumite.hid;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
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
  private Usage application = new Usage(0, 0);

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
    for (DescriptorItem item : DescriptorItem.all(bytes)) {
      if (item.tag() != DescriptorItem.LONG) {
        item(item.tag(), item.value(), item.signed(), item.bytes(), item.at());
      }
    }
    DescriptorItem.require(depth == 0, bytes.length, depth + " collection(s) are not closed");
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
        DescriptorItem.require(
            value >= 1 && value <= 255, at, "report id " + value + " is not 1 to 255");
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
        DescriptorItem.require(!pushed.isEmpty(), at, "a pop without a push");
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
        if (depth == 0 && !usages.isEmpty()) {
          application = usages.get(0);
        }
        depth++;
        clearLocals();
      }
      case DescriptorWriter.END_COLLECTION -> {
        depth--;
        DescriptorItem.require(depth >= 0, at, "a collection ends that was not begun");
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
    DescriptorItem.require(
        globals.size >= 1 && globals.size <= 32 || (flags & DescriptorWriter.CONSTANT) != 0,
        at,
        "a field of " + globals.size + " bits");
    DescriptorItem.require(
        globals.count >= 0 && (long) globals.count * Math.max(1, globals.size) <= 65_536,
        at,
        "an input item of " + globals.count + " fields");
    boolean constant = (flags & DescriptorWriter.CONSTANT) != 0;
    boolean variable = (flags & DescriptorWriter.VARIABLE) != 0;
    for (int i = 0; i < globals.count && !constant; i++) {
      DescriptorItem.require(
          fields.size() < MOST_FIELDS, at, "more than " + MOST_FIELDS + " fields");
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
              (flags & DescriptorWriter.NULL_STATE) != 0,
              (flags & DescriptorWriter.RELATIVE) != 0,
              application));
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
}
