package kumite.device;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/**
 * The self-test stream of a board: what its program reads, as lines of text. {@code
 * docs/self-test.md} describes it; the exported code and the simulated board write the same.
 *
 * @param scanUs the time between two looks, in us
 * @param lines what was read, where it changed
 */
public record SelfTest(int scanUs, List<Line> lines) {
  /** The word a stream begins with. */
  public static final String BEGIN = "self-test";

  private static final int MOST_LINES = 1_000_000;

  /** Edges nearer than this belong to one movement of the contact: common practice, no source. */
  private static final long SAME_PRESS_US = 10_000;

  /**
   * What one look read.
   *
   * @param us the board's time
   * @param raw by look, whether it read pressed
   * @param settled by look, whether the debounce took it so
   * @param codes of the contacts whose code counts, in their order
   */
  public record Line(long us, List<Boolean> raw, List<Boolean> settled, List<Integer> codes) {
    public Line {
      raw = List.copyOf(raw);
      settled = List.copyOf(settled);
      codes = List.copyOf(codes);
    }
  }

  /**
   * What became of one contact.
   *
   * @param presses how often it was taken for pressed
   * @param chatterUs the longest time that its level went on changing, in us
   * @param rests whether it was let go at the end
   */
  public record Seen(int presses, long chatterUs, boolean rests) {
    /** {@return in words for people} */
    public String words(int waitUs) {
      if (presses == 0) {
        return rests ? "never pressed" : "pressed all the time: look for a short";
      }
      String chatter =
          chatterUs == 0
              ? ""
              : String.format(Locale.ROOT, ", went on for %.1f ms", chatterUs / 1000.0)
                  + (chatterUs > waitUs && waitUs > 0 ? ", longer than the wait" : "");
      return presses
          + (presses == 1 ? " press" : " presses")
          + chatter
          + (rests ? "" : ", still pressed");
    }
  }

  public SelfTest {
    lines = List.copyOf(lines);
  }

  /**
   * Reads a stream.
   *
   * @param looks how many contacts the build's board looks at
   * @throws IllegalArgumentException naming the line that cannot be read, and what to do
   */
  public static SelfTest read(String text, int looks) {
    String[] rows = text.strip().split("\\R");
    String[] head = rows[0].strip().split(" ");
    if (head.length != 6 || !head[0].equals(BEGIN) || !head[1].equals("1")) {
      throw new IllegalArgumentException(
          "line 1: a self-test stream begins with \"self-test 1 looks N scan_us N\"; copy it from"
              + " the board's start on");
    }
    if (number(head[3], 1) != looks) {
      throw new IllegalArgumentException(
          "line 1: the stream tells of "
              + head[3]
              + " contacts, but this build's board looks at "
              + looks
              + "; export the firmware again, or open the build it was made from");
    }
    List<Line> lines = new ArrayList<>();
    for (int row = 1; row < Math.min(rows.length, MOST_LINES); row++) {
      if (!rows[row].isBlank()) {
        lines.add(line(rows[row].strip(), row + 1, looks));
      }
    }
    return new SelfTest((int) number(head[5], 1), lines);
  }

  private static Line line(String text, int row, int looks) {
    String[] words = text.split(" ");
    if (words.length < 3 || !levels(words[1], looks) || !levels(words[2], looks)) {
      throw new IllegalArgumentException(
          "line "
              + row
              + ": expected a time and twice "
              + looks
              + " levels of 0 and 1, but was \""
              + (text.length() > 60 ? text.substring(0, 60) + "..." : text)
              + "\"; take the line out if it was cut off");
    }
    List<Integer> codes = new ArrayList<>();
    for (int i = 3; i < words.length; i++) {
      codes.add((int) number(words[i], row));
    }
    return new Line(number(words[0], row), bits(words[1]), bits(words[2]), codes);
  }

  private static boolean levels(String word, int looks) {
    return word.length() == looks && word.matches("[01]*");
  }

  private static List<Boolean> bits(String word) {
    return word.chars().mapToObj(c -> c == '1').toList();
  }

  private static long number(String word, int row) {
    if (!word.matches("\\d{1,10}")) {
      throw new IllegalArgumentException(
          "line " + row + ": \"" + word + "\" is no whole number; take the line out if it was cut");
    }
    return Long.parseLong(word);
  }

  /** {@return the lines as they were written} */
  public String text() {
    StringBuilder out = new StringBuilder();
    int looks = lines.isEmpty() ? 0 : lines.get(0).raw().size();
    out.append("self-test 1 looks ").append(looks).append(" scan_us ").append(scanUs).append('\n');
    for (Line line : lines) {
      out.append(line.us()).append(' ');
      line.raw().forEach(level -> out.append(level ? '1' : '0'));
      out.append(' ');
      line.settled().forEach(level -> out.append(level ? '1' : '0'));
      line.codes().forEach(code -> out.append(' ').append(code));
      out.append('\n');
    }
    return out.toString();
  }

  /** {@return what became of a look} */
  public Seen seen(int look) {
    int presses = 0;
    long chatter = 0;
    long chattered = 0;
    long before = 0;
    boolean edges = false;
    for (int i = 1; i < lines.size(); i++) {
      Line last = lines.get(i - 1);
      Line line = lines.get(i);
      if (!last.raw().get(look).equals(line.raw().get(look))) {
        // The board's clock may run over meanwhile.
        long since = Math.floorMod(line.us() - before, 1L << 32);
        chattered = edges && since <= SAME_PRESS_US ? chattered + since : 0;
        edges = true;
        before = line.us();
        chatter = Math.max(chatter, chattered);
      }
      presses += line.settled().get(look) && !last.settled().get(look) ? 1 : 0;
    }
    boolean raw = !lines.isEmpty() && lines.get(lines.size() - 1).raw().get(look);
    return new Seen(presses, chatter, !raw);
  }

  /** {@return the codes of all lines, one row for each, as calibration takes them} */
  public List<int[]> codes() {
    return lines.stream()
        .map(line -> line.codes().stream().mapToInt(Integer::intValue).toArray())
        .toList();
  }

  /** Notes what a board reads, where it changes. */
  static final class Writer {
    private final int scanUs;
    private final List<Line> lines = new ArrayList<>();

    Writer(int scanUs) {
      this.scanUs = scanUs;
    }

    void look(long us, Boolean[] raw, Boolean[] settled, Integer[] codes) {
      Line line = new Line(us, Arrays.asList(raw), Arrays.asList(settled), Arrays.asList(codes));
      Line last = lines.isEmpty() ? null : lines.get(lines.size() - 1);
      boolean same =
          last != null
              && last.raw().equals(line.raw())
              && last.settled().equals(line.settled())
              && last.codes().equals(line.codes());
      if (!same) {
        lines.add(line);
      }
    }

    SelfTest done() {
      return new SelfTest(scanUs, lines);
    }
  }
}
