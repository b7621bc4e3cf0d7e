package kumite.hid;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;

/**
 * Any report descriptor as an indented tree in plain words, and its reports with their fields (HID
 * 1.11, section 6.2.2).
 *
 * <pre>{@code
 * DescriptorTree tree = DescriptorTree.of(bytes);
 * tree.lines().forEach(System.out::println);
 * }</pre>
 *
 * @param lines one an item
 * @param reports by id, inputs before outputs before features
 */
public record DescriptorTree(List<Line> lines, List<Report> reports) {

  /** A descriptor's length is told in two bytes (section 6.2.1), so it has no more than this. */
  public static final int MOST_BYTES = 65_535;

  /** Which way a report goes. */
  public enum Type {
    INPUT,
    OUTPUT,
    FEATURE;

    /** {@return its word} */
    public String word() {
      return name().toLowerCase(Locale.ROOT);
    }
  }

  /**
   * One item in words.
   *
   * @param at the byte it begins at
   * @param depth how many collections it stands in, 0 upward
   */
  public record Line(int at, int depth, String words) {
    @Override
    public String toString() {
      return String.format(Locale.ROOT, "%5d  %s%s", at, "  ".repeat(depth), words);
    }
  }

  /**
   * One report.
   *
   * @param id 0 where the descriptor has none
   * @param bytes of its fields; the id, where there is one, goes before them
   */
  public record Report(int id, Type type, int bytes, List<Field> fields) {
    public Report {
      fields = List.copyOf(fields);
    }
  }

  /**
   * Fields of one size and meaning, side by side.
   *
   * @param bit where the first begins, from the first bit after the id
   * @param size bits of each, 1 to 32; padding may be wider
   * @param count how many, 1 or more
   * @param page the usage page
   * @param least the first usage; the same as the last where there is one only
   * @param most the last usage
   * @param constant whether it is padding, so that its usages mean nothing
   * @param array whether each holds the number of a usage that is on
   */
  public record Field(
      int bit,
      int size,
      int count,
      int page,
      int least,
      int most,
      int logicalMinimum,
      int logicalMaximum,
      boolean constant,
      boolean array) {

    /** {@return what it is in words, such as {@code 10 x 1 bit: Button 1 to Button 10}} */
    public String words() {
      String of = count + " x " + size + (size == 1 ? " bit" : " bits");
      if (constant) {
        return of + ", padding";
      }
      String first = UsageNames.usage(page, least);
      return of
          + ": "
          + first
          + (most == least ? "" : " to " + UsageNames.usage(page, most))
          + ", "
          + logicalMinimum
          + " to "
          + logicalMaximum
          + (array ? ", the number of what is on" : "");
    }
  }

  public DescriptorTree {
    lines = List.copyOf(lines);
    reports = List.copyOf(reports);
  }

  /**
   * Reads a descriptor.
   *
   * @throws IllegalArgumentException if it is cut short, its collections do not match, or a report
   *     is larger than any can be; the message gives the byte
   */
  public static DescriptorTree of(byte[] descriptor) {
    if (descriptor.length > MOST_BYTES) {
      throw new IllegalArgumentException(
          "descriptor byte "
              + MOST_BYTES
              + ": a descriptor ends here at the latest, but it has "
              + descriptor.length
              + " bytes");
    }
    return new Reading().of(descriptor);
  }

  /** Usages named since the last main item: one, or a run. */
  private record Span(int page, int least, int most) {}

  /** What holds until it is told otherwise (section 6.2.2.7). */
  private static final class Globals implements Cloneable {
    private int page;
    private int low;
    private int high;
    private int size;
    private int count;
    private int id;

    @Override
    protected Globals clone() {
      try {
        return (Globals) super.clone();
      } catch (CloneNotSupportedException e) {
        throw new AssertionError(e);
      }
    }
  }

  /** A reading under way. */
  private static final class Reading {
    private static final int MOST_BITS = 8 * MOST_BYTES;
    private static final int MOST_FIELDS = 65_536;

    private final List<Line> lines = new ArrayList<>();
    private final Map<List<Integer>, List<Field>> fields = new TreeMap<>(Reading::compare);
    private final Map<List<Integer>, Integer> bits = new TreeMap<>(Reading::compare);
    private final Deque<Globals> pushed = new ArrayDeque<>();
    private final List<Span> spans = new ArrayList<>();
    private Globals now = new Globals();
    private int minimum = -1;
    private int depth;
    private int entries;

    private static int compare(List<Integer> a, List<Integer> b) {
      int byType = a.get(1).compareTo(b.get(1));
      return byType != 0 ? byType : a.get(0).compareTo(b.get(0));
    }

    DescriptorTree of(byte[] descriptor) {
      for (DescriptorItem item : DescriptorItem.all(descriptor)) {
        read(item);
      }
      DescriptorItem.require(
          depth == 0, descriptor.length, depth + " collection(s) are not closed");
      List<Report> reports = new ArrayList<>();
      bits.forEach(
          (key, count) ->
              reports.add(
                  new Report(
                      key.get(0),
                      Type.values()[key.get(1)],
                      (count + 7) / 8,
                      fields.getOrDefault(key, List.of()))));
      return new DescriptorTree(lines, reports);
    }

    private void read(DescriptorItem item) {
      int value = item.value();
      switch (item.tag()) {
        case DescriptorItem.LONG -> say(item, "Long item of " + item.bytes() + " bytes, left out");
        case DescriptorWriter.USAGE_PAGE -> {
          now.page = value;
          say(item, "Usage page " + UsageNames.page(value));
        }
        case DescriptorWriter.LOGICAL_MINIMUM -> {
          now.low = item.signed();
          say(item, "Least value " + now.low);
        }
        case DescriptorWriter.LOGICAL_MAXIMUM -> {
          // A maximum below the minimum is a common slip of unsigned writing; hosts read it so.
          now.high = now.low >= 0 && item.signed() < 0 ? value : item.signed();
          say(item, "Most value " + now.high);
        }
        case DescriptorWriter.REPORT_SIZE -> {
          now.size = value;
          say(item, "Bits of a field: " + Integer.toUnsignedString(value));
        }
        case DescriptorWriter.REPORT_COUNT -> {
          now.count = value;
          say(item, "Fields: " + Integer.toUnsignedString(value));
        }
        case DescriptorWriter.REPORT_ID -> {
          DescriptorItem.require(
              value >= 1 && value <= 255, item.at(), "report id " + value + " is not 1 to 255");
          now.id = value;
          say(item, "Report " + value);
        }
        case 0xA4 -> {
          pushed.push(now.clone());
          say(item, "Remember this state");
        }
        case 0xB4 -> {
          DescriptorItem.require(!pushed.isEmpty(), item.at(), "a pop without a push");
          now = pushed.pop();
          say(item, "Back to the state remembered");
        }
        case DescriptorWriter.USAGE -> {
          Span span = span(item, id(item));
          spans.add(span);
          say(item, "Usage " + UsageNames.usage(span.page(), span.least()));
        }
        case DescriptorWriter.USAGE_MINIMUM -> {
          minimum = id(item);
          say(item, "Usages from " + UsageNames.usage(page(item), minimum));
        }
        case DescriptorWriter.USAGE_MAXIMUM -> {
          int least = minimum >= 0 ? minimum : id(item);
          DescriptorItem.require(id(item) >= least, item.at(), "usages end before they begin");
          spans.add(new Span(page(item), least, id(item)));
          minimum = -1;
          say(item, "Usages to " + UsageNames.usage(page(item), id(item)));
        }
        case DescriptorWriter.COLLECTION -> {
          say(item, "Collection, " + collection(value));
          depth++;
          ended();
        }
        case DescriptorWriter.END_COLLECTION -> {
          depth--;
          DescriptorItem.require(depth >= 0, item.at(), "a collection ends that was not begun");
          say(item, "End of collection");
          ended();
        }
        case DescriptorWriter.INPUT -> main(item, Type.INPUT);
        case 0x90 -> main(item, Type.OUTPUT);
        case 0xB0 -> main(item, Type.FEATURE);
        default -> say(item, other(item.tag()) + " " + item.signed());
      }
    }

    private void say(DescriptorItem item, String words) {
      lines.add(new Line(item.at(), depth, words));
    }

    private void ended() {
      spans.clear();
      minimum = -1;
    }

    /** Four bytes of usage bring their page along (section 6.2.2.8). */
    private int page(DescriptorItem item) {
      return item.bytes() == 4 ? item.value() >>> 16 : now.page;
    }

    private static int id(DescriptorItem item) {
      return item.value() & 0xFFFF;
    }

    private Span span(DescriptorItem item, int id) {
      return new Span(page(item), id, id);
    }

    private void main(DescriptorItem item, Type type) {
      boolean constant = (item.value() & DescriptorWriter.CONSTANT) != 0;
      boolean array = (item.value() & DescriptorWriter.VARIABLE) == 0;
      List<Integer> key = List.of(now.id, type.ordinal());
      int start = bits.getOrDefault(key, 0);
      DescriptorItem.require(
          now.size >= 1 && now.size <= 32 || constant && now.size >= 0 && now.size <= MOST_BITS,
          item.at(),
          "fields of " + Integer.toUnsignedString(now.size) + " bits");
      long end = start + (long) now.size * Integer.toUnsignedLong(now.count);
      DescriptorItem.require(
          now.count >= 0 && end <= MOST_BITS,
          item.at(),
          "a report of more than "
              + MOST_BYTES
              + " bytes, "
              + Integer.toUnsignedString(now.count)
              + " fields of "
              + now.size
              + " bits");
      List<Field> made =
          now.count == 0 || now.size == 0
              ? List.of()
              : constant || array
                  ? List.of(whole(start, constant, array && !constant))
                  : each(start);
      entries += made.size();
      DescriptorItem.require(
          entries <= MOST_FIELDS, item.at(), "more than " + MOST_FIELDS + " fields");
      fields.computeIfAbsent(key, k -> new ArrayList<>()).addAll(made);
      bits.put(key, (int) end);
      say(
          item,
          type.word().substring(0, 1).toUpperCase(Locale.ROOT)
              + type.word().substring(1)
              + (now.id == 0 ? "" : " of report " + now.id)
              + ", from bit "
              + start
              + ": "
              + (made.isEmpty()
                  ? "nothing"
                  : String.join("; ", made.stream().limit(12).map(Field::words).toList()))
              + (made.size() > 12 ? "; and so on" : ""));
      ended();
    }

    private Field whole(int start, boolean constant, boolean array) {
      int page = spans.isEmpty() ? now.page : spans.get(0).page();
      int least = spans.stream().mapToInt(Span::least).min().orElse(0);
      int most = spans.stream().mapToInt(Span::most).max().orElse(0);
      return new Field(
          start, now.size, now.count, page, least, most, now.low, now.high, constant, array);
    }

    /** Each field takes the next usage; those beyond take the last one (section 6.2.2.8). */
    private List<Field> each(int start) {
      List<Field> made = new ArrayList<>();
      List<Span> all = spans.isEmpty() ? List.of(new Span(now.page, 0, 0)) : spans;
      int taken = 0;
      for (int i = 0; i < all.size() && taken < now.count; i++) {
        Span span = all.get(i);
        boolean last = i == all.size() - 1;
        int left = now.count - taken;
        int count = last ? left : Math.min(left, span.most() - span.least() + 1);
        int most = Math.min(span.most(), span.least() + count - 1);
        made.add(
            new Field(
                start + taken * now.size,
                now.size,
                count,
                span.page(),
                span.least(),
                most,
                now.low,
                now.high,
                false,
                false));
        taken += count;
      }
      return made;
    }

    private static String collection(int kind) {
      return switch (kind) {
        case 0 -> "physical";
        case 1 -> "application";
        case 2 -> "logical";
        case 3 -> "report";
        default -> UsageNames.hex(kind);
      };
    }

    private static String other(int tag) {
      return switch (tag) {
        case 0x34 -> "Least in units";
        case 0x44 -> "Most in units";
        case 0x54 -> "Exponent of the unit";
        case 0x64 -> "Unit";
        case 0x38 -> "Designator";
        case 0x48 -> "Designators from";
        case 0x58 -> "Designators to";
        case 0x78 -> "String";
        case 0x88 -> "Strings from";
        case 0x98 -> "Strings to";
        case 0xA8 -> "Alternatives";
        default -> "Unknown item " + UsageNames.hex(tag) + ",";
      };
    }
  }
}
