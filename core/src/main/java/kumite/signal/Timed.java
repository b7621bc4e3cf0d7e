package kumite.signal;

import java.util.Arrays;
import java.util.Locale;
import java.util.stream.Collectors;

/** What has a time of its own in some mechanism. */
public enum Timed {
  FRAME("from one reading to the next"),
  SETTLE("from a change of the select line until the lines are read"),
  ANSWER("from an edge at the pad until its answer stands"),
  FORGET("without a change of the select line until the pad counts from the first again"),
  LATCH("the latch is high"),
  TO_CLOCK("from the end of the latch to the first clock"),
  CLOCK_LOW("the clock is low"),
  CLOCK_HIGH("the clock is high"),
  TO_BYTE("from the select to the first byte"),
  BETWEEN("from the acknowledge to the next byte"),
  TO_ACKNOWLEDGE("from the last bit of a byte to its acknowledge"),
  ACKNOWLEDGE("the acknowledge is low"),
  BIT("one bit"),
  SHORT_LOW("the line is low for a one"),
  LONG_LOW("the line is low for a zero"),
  TO_SAMPLE("from the fall of a bit until it is taken"),
  TO_ANSWER("from the end of the question to the answer"),
  ONE_SHOT("the one-shot at no ohm"),
  SET_UP("data stands before the clock falls");

  private final String words;

  Timed(String words) {
    this.words = words;
  }

  /** {@return what lasts so long} */
  public String words() {
    return words;
  }

  /** {@return its word in files, such as {@code clock_low}} */
  public String word() {
    return name().toLowerCase(Locale.ROOT);
  }

  /**
   * {@return the one of that word}
   *
   * @throws IllegalArgumentException if there is none
   */
  public static Timed named(String word) {
    return Arrays.stream(values())
        .filter(timed -> timed.word().equals(word))
        .findFirst()
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "there is no time \""
                        + word
                        + "\"; use one of "
                        + Arrays.stream(values())
                            .map(Timed::word)
                            .collect(Collectors.joining(", "))));
  }
}
