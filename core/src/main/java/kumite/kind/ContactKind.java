package kumite.kind;

import java.util.Objects;
import kumite.measure.Check;
import kumite.name.TabRole;

/**
 * One contact of a kind of control.
 *
 * @param name its name within the kind, such as {@code left}; empty where the kind has only one
 * @param type how it is read
 * @param tab the tab its strand goes to, such as {@code NO} or {@code W}
 * @param place which switch of the control it is, where that could be mistaken; may be empty
 * @param rest where it stands while no hand is on it, 0 to 1 of its travel; above 0 only for what
 *     springs back to the middle, such as a stick
 */
public record ContactKind(String name, Type type, String tab, String place, double rest) {

  /** How a contact is read. */
  public enum Type {
    /** Open or closed; needs a terminal that reads high and low. */
    SWITCH,
    /** A wiper between supply and ground; needs a terminal that measures volts. */
    WIPER,
    /** A tap on a chain of resistors, one tap a step; needs a terminal that measures volts. */
    LADDER;

    /** {@return whether it needs a terminal that measures volts} */
    public boolean analog() {
      return this != SWITCH;
    }
  }

  public ContactKind {
    Objects.requireNonNull(name, "name");
    Objects.requireNonNull(type, "type");
    Objects.requireNonNull(tab, "tab");
    Objects.requireNonNull(place, "place");
    Check.between(0, 1, rest, "rest");
    if (rest > 0 && type != Type.WIPER) {
      throw new IllegalArgumentException("only a wiper rests elsewhere than at 0, not a " + type);
    }
  }

  /** {@return a tab of this contact, with its name before it where it has one} */
  public String named(String ofOne) {
    return name.isEmpty() ? ofOne : name + "." + ofOne;
  }

  /** {@return the tap of a step, 1 upward; the first and the last are the ends of the ladder} */
  public static String tap(int step, int steps) {
    return step == 1
        ? TabRole.FIRST_END.text()
        : step == steps ? TabRole.LAST_END.text() : "tap " + step;
  }
}
