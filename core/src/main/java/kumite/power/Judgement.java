package kumite.power;

import java.util.Objects;

/**
 * What a sum says of its answer, by the limits that the findings of a build go by.
 *
 * @param grade how grave
 * @param why in words
 */
public record Judgement(Grade grade, String why) {
  /** How grave, as findings are. */
  public enum Grade {
    STOP("stop"),
    LOOK("look"),
    FINE("fine");

    private final String word;

    Grade(String word) {
      this.word = word;
    }

    /** {@return its word} */
    public String word() {
      return word;
    }
  }

  /** A converter wants a source of this many ohms at most: common practice, no source. */
  public static final double SOURCE_OHM = 10_000;

  /** The pot that the game port counts to the end: its technical reference, from memory. */
  public static final double PORT_OHM = 100_000;

  /** Pots are off by as much, so beyond this the port's axis ends before the pot: common. */
  public static final double PORT_BEYOND = 1.2;

  /** More of a supply lost along its wires is too much: common practice, no source. */
  public static final double MOST_LOST = 0.05;

  /** A USB 2.0 port gives so much (USB 2.0, 7.2.1, from memory), in mA. */
  public static final double PORT_MA = 500;

  /** Supplies and forward voltages are off by as much: common practice, no source. */
  static final double TOLERANCE = 0.05;

  /** More than this many times the wanted current ends a lamp; a stop of the lamps' findings. */
  static final double ENDS_LAMP = 2;

  /** Further off than this, either way, the brightness is anybody's guess: common practice. */
  static final double OFF = 1.5;

  public Judgement {
    Objects.requireNonNull(grade, "grade");
    Objects.requireNonNull(why, "why");
  }

  static Judgement fine(String why) {
    return new Judgement(Grade.FINE, why);
  }

  static Judgement look(String why) {
    return new Judgement(Grade.LOOK, why);
  }

  static Judgement stop(String why) {
    return new Judgement(Grade.STOP, why);
  }
}
