package kumite.build.bringup;

import java.util.Objects;
import java.util.Optional;

/**
 * One question of a round, and what became of it.
 *
 * @param answer empty where it was skipped
 * @param note of the builder; may be empty
 */
public record Entry(Ask ask, Optional<Answer> answer, String note) {
  public Entry {
    Objects.requireNonNull(ask, "ask");
    Objects.requireNonNull(answer, "answer");
    Objects.requireNonNull(note, "note");
  }

  /** {@return an answered question} */
  public static Entry of(Ask ask, Answer answer) {
    return new Entry(ask, Optional.of(answer), "");
  }
}
