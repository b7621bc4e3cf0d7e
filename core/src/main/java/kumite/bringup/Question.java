package kumite.bringup;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import kumite.build.bringup.Answer;
import kumite.build.bringup.Ask;

/**
 * One question of a round, with what a sound build answers.
 *
 * @param id the same whenever the question is the same
 * @param kind which round it belongs to
 * @param ask what is asked
 * @param what in words, one sentence
 * @param expected what is expected, in words
 * @param answer what a sound build gives, where that is one answer
 * @param why it is asked
 * @param caution to be heeded first; usually empty
 */
public record Question(
    String id,
    Kind kind,
    Ask ask,
    String what,
    String expected,
    Optional<Answer> answer,
    String why,
    Optional<String> caution) {

  /** The rounds, in the order they are made. */
  public enum Kind {
    TRIAL("Trial on a breadboard", "before anything is soldered"),
    CONTINUITY("Continuity", "nothing powered"),
    VOLTS("Volts", "powered, no host needed"),
    HOST("Host", "what the host shows"),
    PLAY("Play", "hands on");

    private final String title;
    private final String when;

    Kind(String title, String when) {
      this.title = title;
      this.when = when;
    }

    /** {@return for people} */
    public String title() {
      return title;
    }

    /** {@return when it is made} */
    public String when() {
      return when;
    }

    /** {@return on the command line and in files} */
    public String word() {
      return name().toLowerCase(Locale.ROOT);
    }

    /**
     * Reads a word; {@code all} is every round.
     *
     * @throws IllegalArgumentException if there is none; the message lists them
     */
    public static List<Kind> parse(String text) {
      String word = text.strip().toLowerCase(Locale.ROOT);
      if (word.equals("all")) {
        return List.of(values());
      }
      List<Kind> found = Arrays.stream(values()).filter(k -> k.word().equals(word)).toList();
      if (found.isEmpty()) {
        throw new IllegalArgumentException(
            "there is no round \""
                + text.strip()
                + "\"; use "
                + Arrays.stream(values()).map(Kind::word).collect(Collectors.joining(", "))
                + " or all");
      }
      return found;
    }
  }
}
