package kumite.build;

import java.util.Locale;
import java.util.Objects;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import kumite.name.SeatId;

/**
 * One wire from a terminal of one board to a terminal of another.
 *
 * @param from the one end
 * @param to the other, on another board
 */
public record Link(End from, End to) {
  private static final Pattern END = Pattern.compile("\\s*([a-z][a-z0-9-]*):(\\S+)\\s*");

  /**
   * An end of such a wire.
   *
   * @param seat whose board
   * @param terminal which terminal
   */
  public record End(SeatId seat, String terminal) {
    public End {
      Objects.requireNonNull(seat, "seat");
      Objects.requireNonNull(terminal, "terminal");
    }

    @Override
    public String toString() {
      return seat + ":" + terminal;
    }
  }

  public Link {
    Objects.requireNonNull(from, "from");
    Objects.requireNonNull(to, "to");
    if (from.seat().equals(to.seat())) {
      throw new IllegalArgumentException(
          "link \"" + from + " - " + to + "\" stays on one board; name two seats");
    }
  }

  /**
   * Reads a link such as {@code left:D1 - right:D0}.
   *
   * @throws IllegalArgumentException if the text is none
   */
  public static Link parse(String text) {
    String[] ends = text.split(" - ", -1);
    if (ends.length != 2) {
      throw unreadable(text);
    }
    return new Link(end(ends[0], text), end(ends[1], text));
  }

  private static End end(String part, String whole) {
    Matcher matcher = END.matcher(part);
    if (!matcher.matches()) {
      throw unreadable(whole);
    }
    return new End(new SeatId(matcher.group(1).toLowerCase(Locale.ROOT)), matcher.group(2));
  }

  private static IllegalArgumentException unreadable(String text) {
    return new IllegalArgumentException(
        "\"" + text + "\" is no link; write it as seat:terminal - seat:terminal");
  }

  @Override
  public String toString() {
    return from + " - " + to;
  }
}
