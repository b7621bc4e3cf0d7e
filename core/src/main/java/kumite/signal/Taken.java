package kumite.signal;

import java.util.Optional;

/**
 * One thing that the console's side takes from a line in each frame.
 *
 * @param afterNs when, counted from the beginning of the frame, with usual times
 * @param line from which line
 * @param where in words, such as {@code bit 4 of 16} or {@code select high}
 * @param button the button that it says; empty where the level is always the same
 * @param held how the line stands while that is held
 */
public record Taken(long afterNs, String line, String where, Optional<String> button, Level held) {}
