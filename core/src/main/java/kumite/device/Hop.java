package kumite.device;

import java.util.Locale;

/**
 * One stage of a contact's way from finger to host, in the words of the path strip.
 *
 * @param stage which
 * @param value what is there
 * @param measure how much, or when; may be empty
 * @param live whether a press is there now
 * @param broken whether the way ends here
 * @param tip one sentence more
 */
public record Hop(
    Stage stage, String value, String measure, boolean live, boolean broken, String tip) {

  /** The stages in their order. */
  public enum Stage {
    FINGER,
    CONTACT,
    STRAND,
    TERMINAL,
    LEVEL,
    SETTLED,
    MAP,
    REPORT,
    HOST;

    /** {@return its word for people} */
    public String word() {
      return name().toLowerCase(Locale.ROOT);
    }
  }
}
