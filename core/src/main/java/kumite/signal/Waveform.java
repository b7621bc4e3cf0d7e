package kumite.signal;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Lines over time.
 *
 * @param lines their names, in order
 * @param changes each change of a line, in order of time; the first of each line at 0
 * @param endNs when it ends
 */
public record Waveform(List<String> lines, List<Change> changes, long endNs) {
  /**
   * A line takes a level.
   *
   * @param atNs when
   * @param line which
   * @param level what it takes
   */
  public record Change(long atNs, String line, Level level) {}

  public Waveform {
    lines = List.copyOf(lines);
    changes = List.copyOf(changes);
  }

  /** {@return the changes of one line} */
  public List<Change> of(String line) {
    return changes.stream().filter(change -> change.line().equals(line)).toList();
  }

  /** {@return the level of a line at a time; as it stands after changes at that very time} */
  public Level at(String line, long ns) {
    Level level = Level.FREE;
    for (Change change : changes) {
      if (change.atNs() > ns) {
        break;
      }
      if (change.line().equals(line)) {
        level = change.level();
      }
    }
    return level;
  }

  /** Gathers changes as they come; what is gone within a moment is left out. */
  static final class Recorder {
    private final List<String> lines;
    private final List<Change> changes = new ArrayList<>();
    private final Map<String, Level> stood = new HashMap<>();
    private final Map<String, Level> coming = new LinkedHashMap<>();
    private long at;

    Recorder(List<String> lines) {
      this.lines = lines;
    }

    void note(long atNs, String line, Level level) {
      if (atNs != at) {
        flush();
        at = atNs;
      }
      coming.put(line, level);
    }

    private void flush() {
      if (at == 0) {
        lines.forEach(line -> coming.putIfAbsent(line, Level.FREE));
      }
      for (String line : lines) {
        Level next = coming.get(line);
        if (next != null && next != stood.put(line, next)) {
          changes.add(new Change(at, line, next));
        }
      }
      coming.clear();
    }

    Waveform done(long endNs) {
      flush();
      return new Waveform(lines, changes, endNs);
    }
  }
}
