package kumite.kind;

import java.util.List;
import kumite.measure.Check;

/**
 * A program that somebody else wrote and that is loaded as it is: it fixes what each terminal
 * means.
 *
 * @param name for people
 * @param what it makes of the board, one line
 * @param combinations what is done by holding meanings together
 * @param settings what can be changed in its settings table
 */
public record ReadyProgram(
    String name, String what, List<Combination> combinations, List<Setting> settings) {

  /** More than this is taken for a damaged file. */
  private static final int MOST = 64;

  /**
   * Something that is done by holding together.
   *
   * @param hold the meanings, in the words of the map
   * @param ms how long, in ms; 0 for as the board is plugged in
   * @param does what happens, in words
   */
  public record Combination(List<String> hold, int ms, String does) {
    public Combination {
      hold = List.copyOf(hold);
      Check.between(1, 8, hold.size(), "number of meanings held together");
      Check.between(0, 60_000, ms, "for_ms");
      Check.writable(does, "does");
    }

    /** {@return it in words} */
    public String words() {
      return "hold "
          + String.join(" + ", hold)
          + (ms == 0 ? " while plugging in" : " for " + ms / 1000.0 + " s")
          + ": "
          + does;
    }
  }

  /**
   * A row of its settings table.
   *
   * @param name what it sets
   * @param usual its value as it is loaded
   * @param others what else it can be
   */
  public record Setting(String name, String usual, List<String> others) {
    public Setting {
      Check.writable(name, "name of a setting");
      Check.writable(usual, "usual");
      others = List.copyOf(others);
    }

    /** {@return it in words} */
    public String words() {
      return name
          + ": "
          + usual
          + (others.isEmpty() ? "" : " (or " + String.join(", ", others) + ")");
    }
  }

  public ReadyProgram {
    Check.writable(name, "name of a program");
    Check.writable(what, "what");
    combinations = List.copyOf(combinations);
    settings = List.copyOf(settings);
    Check.between(0, MOST, combinations.size(), "number of combinations");
    Check.between(0, MOST, settings.size(), "number of settings");
  }
}
