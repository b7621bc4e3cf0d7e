package kumite.name;

import java.util.Objects;

/**
 * A wire between two places that a person put in or left out by hand; its ends are in order of
 * their names.
 *
 * @param a the first end
 * @param b the other end, after the first
 */
public record Jumper(Joint a, Joint b) implements Comparable<Jumper> {
  public Jumper {
    Objects.requireNonNull(a, "a");
    Objects.requireNonNull(b, "b");
    if (a.equals(b)) {
      throw new IllegalArgumentException("a wire has two ends, but both were " + a);
    }
    if (a.compareTo(b) > 0) {
      Joint first = b;
      b = a;
      a = first;
    }
  }

  /**
   * Reads {@code horn:NO - board:D9}.
   *
   * @throws IllegalArgumentException if it is not that
   */
  public static Jumper parse(String text) {
    String[] ends = text.split("\\s+(?:-|–|to)\\s+", 2);
    if (ends.length != 2) {
      throw new IllegalArgumentException(
          "\"" + text.strip() + "\" is no wire; write two places, such as horn:NO - board:D9");
    }
    return new Jumper(Joint.parse(ends[0]), Joint.parse(ends[1]));
  }

  @Override
  public int compareTo(Jumper other) {
    int first = a.compareTo(other.a);
    return first != 0 ? first : b.compareTo(other.b);
  }

  @Override
  public String toString() {
    return a + " - " + b;
  }
}
