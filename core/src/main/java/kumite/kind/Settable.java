package kumite.kind;

import java.util.EnumSet;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import kumite.measure.Check;

/**
 * An encoder whose sockets mean what a table says that its loader takes: one meaning for each
 * socket or two, the second while a contact at any one of them is the shift.
 *
 * @param meanings of a socket, 1 or 2
 * @param shifts how its shift contact may work; none where a socket has one meaning
 * @param gives what sockets can be set to
 */
public record Settable(int meanings, Set<Shift> shifts, Set<Gives> gives) {
  /** How a shift contact works. */
  public enum Shift {
    /** While it is held. */
    HELD,
    /** From one press of it to the next. */
    TOGGLED;

    /** {@return its word in files} */
    public String word() {
      return name().toLowerCase(Locale.ROOT);
    }
  }

  /** What a socket can be set to. */
  public enum Gives {
    KEYS("keys"),
    MEDIA("media keys"),
    BUTTONS("buttons"),
    HAT("the hat"),
    AXIS_ENDS("ends of axes"),
    MOUSE_BUTTONS("buttons of a mouse");

    private final String words;

    Gives(String words) {
      this.words = words;
    }

    /** {@return in words for people} */
    public String words() {
      return words;
    }
  }

  public Settable {
    Check.between(1, 2, meanings, "meanings of a socket");
    shifts = Set.copyOf(shifts);
    gives = Set.copyOf(gives);
    if (gives.isEmpty()) {
      throw new IllegalArgumentException("say what its sockets can be set to under gives");
    }
    if (shifts.isEmpty() == (meanings == 2)) {
      throw new IllegalArgumentException(
          "sockets with two meanings need a shift, held or toggled; with one they have none");
    }
  }

  /** {@return what sockets can be set to, in words} */
  public String words() {
    return EnumSet.copyOf(gives).stream().map(Gives::words).collect(Collectors.joining(", "));
  }
}
