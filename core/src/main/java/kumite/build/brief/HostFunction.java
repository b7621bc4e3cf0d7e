package kumite.build.brief;

import kumite.measure.Check;

/**
 * One thing the host asks for, such as {@code Sound horn}.
 *
 * @param name what the host's settings page calls it
 * @param wants what kind of input it takes
 */
public record HostFunction(String name, Wants wants) {

  /** What kind of input a function takes. */
  public enum Wants {
    /** A press: a button, key or one step. */
    PRESS("press"),
    /** One direction of a hat or one end of an axis; a press will do. */
    DIRECTION("direction"),
    /** A travel from end to end. */
    AXIS("travel");

    private final String words;

    Wants(String words) {
      this.words = words;
    }

    /** {@return the wish in words for people} */
    public String words() {
      return words;
    }
  }

  public HostFunction {
    Check.writable(name, "function name");
  }
}
