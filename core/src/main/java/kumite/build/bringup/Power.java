package kumite.build.bringup;

import java.util.Arrays;
import java.util.Locale;
import java.util.stream.Collectors;

/** What feeds a build while a meter is on it. */
public enum Power {
  /** Nothing is powered; the board is in its place. */
  UNPOWERED("nothing powered"),
  /** Nothing is powered, and the board is taken off. */
  ABSENT("nothing powered, the board taken off"),
  /** The lamps' feed alone, with the board taken off. */
  SUPPLY("the lamps' feed alone, the board taken off"),
  /** The board runs its program. */
  POWERED("powered, the program running");

  private final String words;

  Power(String words) {
    this.words = words;
  }

  /** {@return whether volts are read, and not whether it beeps} */
  public boolean live() {
    return this == SUPPLY || this == POWERED;
  }

  /** {@return how it stands in files and on the command line} */
  public String word() {
    return name().toLowerCase(Locale.ROOT);
  }

  /** {@return in words for people} */
  public String words() {
    return words;
  }

  /**
   * Reads the word of a state; an empty text is nothing powered.
   *
   * @throws IllegalArgumentException if there is no such state
   */
  public static Power parse(String text) {
    String word = text.strip().toLowerCase(Locale.ROOT);
    if (word.isEmpty()) {
      return UNPOWERED;
    }
    return Arrays.stream(values())
        .filter(power -> power.word().equals(word))
        .findFirst()
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "there is no state \""
                        + text.strip()
                        + "\"; use "
                        + Arrays.stream(values())
                            .map(Power::word)
                            .collect(Collectors.joining(", "))));
  }
}
