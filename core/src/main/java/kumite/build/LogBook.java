package kumite.build;

import java.util.List;

/**
 * The dated notes of a build.
 *
 * @param notes the notes, oldest first
 */
public record LogBook(List<LogNote> notes) implements Decided<LogBook> {
  /** The log as a part of a build. */
  public static final Part<LogBook> PART = new Part<>("log", new LogBook(List.of()));

  public LogBook {
    notes = List.copyOf(notes);
  }
}
