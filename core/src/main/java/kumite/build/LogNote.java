package kumite.build;

import java.time.LocalDate;
import java.util.Objects;
import kumite.measure.Check;

/**
 * One dated note.
 *
 * @param date the day it was written
 * @param text what was done or measured; not empty
 */
public record LogNote(LocalDate date, String text) {
  public LogNote {
    Objects.requireNonNull(date, "date");
    Check.filled(text, "note");
  }
}
