package kumite.build.map;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import kumite.measure.Check;
import kumite.name.ContactId;

/**
 * A short play of hands, to be run on the simulated device.
 *
 * @param name what it is called
 * @param moves what the hands do, in the order of their times
 */
public record Script(String name, List<Move> moves) {
  /** More moves than this no script needs. */
  public static final int MOST_MOVES = 1000;

  /** A script ends by then, in us: ten minutes. */
  public static final long LONGEST_US = 600_000_000;

  private static final Pattern MOVE =
      Pattern.compile("([^@+=\\s]+)(?:=([^@+\\s]+))?@([^+\\s]+)(?:\\+([^+\\s]+))?");
  private static final Pattern TIME = Pattern.compile("(-?\\d+(?:\\.\\d+)?)(us|ms|s)?");

  /**
   * One move.
   *
   * @param contact which contact
   * @param travel how far it is moved, 0 to 1
   * @param fromUs when, from the start, in us
   * @param forUs how long it stays so, in us; 0 stays to the end
   */
  public record Move(ContactId contact, double travel, long fromUs, long forUs) {
    public Move {
      Check.between(0, 1, travel, "travel");
      if (fromUs < 0 || forUs < 0 || fromUs + forUs > LONGEST_US) {
        throw new IllegalArgumentException(
            "times of "
                + contact
                + " must lie between 0 and ten minutes, but were "
                + millis(fromUs)
                + " and "
                + millis(forUs));
      }
    }

    @Override
    public String toString() {
      return contact
          + (travel == 1 ? "" : "=" + String.format(Locale.ROOT, "%s", travel))
          + "@"
          + millis(fromUs)
          + (forUs == 0 ? "" : "+" + millis(forUs));
    }
  }

  public Script {
    Check.writable(name, "script name");
    moves = moves.stream().sorted(java.util.Comparator.comparingLong(Move::fromUs)).toList();
    if (moves.size() > MOST_MOVES) {
      throw new IllegalArgumentException(
          "a script holds at most " + MOST_MOVES + " moves, but had " + moves.size());
    }
  }

  /**
   * Reads moves such as {@code horn@0+80ms lever.left@10ms port=0.4@20ms}: a contact, where it is
   * moved to if not to its end, when, and for how long.
   *
   * @throws IllegalArgumentException naming the move that cannot be read
   */
  public static Script parse(String name, String text) {
    List<Move> moves = new ArrayList<>();
    for (String word : text.strip().split("[\\s,;]+")) {
      if (word.isEmpty()) {
        continue;
      }
      Matcher matcher = MOVE.matcher(word);
      if (!matcher.matches()) {
        throw new IllegalArgumentException(
            "\"" + word + "\" is no move; write contact@time, such as horn@0+80ms");
      }
      try {
        moves.add(
            new Move(
                ContactId.parse(matcher.group(1)),
                matcher.group(2) == null ? 1 : travel(matcher.group(2)),
                time(matcher.group(3)),
                matcher.group(4) == null ? 0 : time(matcher.group(4))));
      } catch (IllegalArgumentException e) {
        throw new IllegalArgumentException("\"" + word + "\": " + e.getMessage());
      }
    }
    return new Script(name, moves);
  }

  private static double travel(String text) {
    try {
      return text.endsWith("%")
          ? Double.parseDouble(text.substring(0, text.length() - 1)) / 100
          : Double.parseDouble(text);
    } catch (NumberFormatException e) {
      throw new IllegalArgumentException(
          "after = comes how far it is moved, such as 0.4 or 40%, but was \"" + text + "\"");
    }
  }

  private static long time(String text) {
    Matcher matcher = TIME.matcher(text);
    if (!matcher.matches()) {
      throw new IllegalArgumentException(
          "\"" + text + "\" is no time; write ms, such as 80ms, or us or s");
    }
    double number = Double.parseDouble(matcher.group(1));
    if (number < 0) {
      throw new IllegalArgumentException("time " + text + " is before the start; times begin at 0");
    }
    String unit = matcher.group(2) == null ? "ms" : matcher.group(2);
    double us = number * (unit.equals("s") ? 1e6 : unit.equals("ms") ? 1e3 : 1);
    return us > LONGEST_US ? LONGEST_US + 1 : Math.round(us);
  }

  private static String millis(long us) {
    return us % 1000 == 0 ? us / 1000 + "ms" : us + "us";
  }

  /** {@return the moves as they are typed} */
  public String text() {
    return String.join(" ", moves.stream().map(Move::toString).toList());
  }
}
