package kumite.name;

import java.util.Objects;

/**
 * The name that a seat of a build is known by in files and on the command line, such as {@code
 * left}.
 *
 * @param text of the form of a {@link ControlId}
 */
public record SeatId(String text) implements Comparable<SeatId> {
  /** The seat of a build that has only one. */
  public static final SeatId FIRST = new SeatId("first");

  public SeatId {
    Objects.requireNonNull(text, "text");
    new ControlId(text); // the same form
  }

  @Override
  public int compareTo(SeatId other) {
    return text.compareTo(other.text);
  }

  @Override
  public String toString() {
    return text;
  }
}
