package kumite.power;

import java.util.List;
import kumite.build.Common;
import kumite.build.ContactKind;
import kumite.build.ControlKind;
import kumite.parts.BoardKind;
import kumite.parts.Terminal;
import kumite.working.Source;
import kumite.working.Working;

/**
 * The volts at a terminal while its contact is idle and while it is held.
 *
 * @param idleVolts at rest; for a wiper or ladder at its first end
 * @param heldVolts held; for a wiper or ladder at its last end
 * @param pull the resistor inside that sets the idle level, {@code pull-up}, {@code pull-down} or
 *     {@code none}
 * @param idle how the board reads the idle level
 * @param held how it reads the held level
 * @param working how the held level came about
 */
public record InputLevels(
    double idleVolts, double heldVolts, String pull, Reading idle, Reading held, Working working) {

  /** Resistance of a sound closed contact, common practice, no source. */
  public static final double CONTACT_OHM = 0.1;

  /** How a board reads a level. */
  public enum Reading {
    LOW("low"),
    /** Between the two thresholds, where a board may read either. */
    UNDEFINED("undefined"),
    HIGH("high"),
    /** Measured, not judged high or low. */
    MEASURED("measured");

    private final String words;

    Reading(String words) {
      this.words = words;
    }

    /** {@return the reading in words for people} */
    public String words() {
      return words;
    }
  }

  /** {@return how the board reads these volts} */
  public static Reading read(BoardKind board, double volts) {
    return volts <= board.lowVolts()
        ? Reading.LOW
        : volts >= board.highVolts() ? Reading.HIGH : Reading.UNDEFINED;
  }

  /** {@return whether a press changes what the board reads, so that it can be told at all} */
  public boolean readable() {
    return idle == Reading.MEASURED
        || idle != held && idle != Reading.UNDEFINED && held != Reading.UNDEFINED;
  }

  /**
   * The levels of one contact.
   *
   * @param board the board
   * @param terminal the terminal its strand lands on
   * @param contact how it is read
   * @param common the rail its shared side is tied to
   * @param wireOhm resistance of strand and common together, 0 or more
   */
  public static InputLevels of(
      BoardKind board, Terminal terminal, ContactKind contact, Common common, double wireOhm) {
    double supply = board.logicVolts();
    if (contact.type().analog()) {
      return new InputLevels(
          0,
          supply,
          "none",
          Reading.MEASURED,
          Reading.MEASURED,
          new Working(
              "volts at the wiper",
              "V = Vs x travel",
              List.of(Working.value("Vs", supply, 2, "V", "the board's own supply, its reference")),
              "0.00 to " + Working.number(supply, 2) + " V",
              Source.derived("unloaded divider")));
    }
    boolean up = terminal.can(Terminal.Ability.PULL_UP);
    boolean down = terminal.can(Terminal.Ability.PULL_DOWN);
    boolean pullsUp = common == Common.GROUND ? up : up && !down;
    double series = CONTACT_OHM + wireOhm;
    double pull = board.pullLeastOhm(); // the strongest pull leaves the most volts on the contact
    double fraction = series / (pull + series);
    double rail = common == Common.GROUND ? 0 : supply;
    double idle;
    double held;
    if (pullsUp) {
      idle = supply;
      held = rail + (supply - rail) * fraction;
    } else if (down) {
      idle = 0;
      held = rail * (1 - fraction);
    } else {
      idle = supply / 2; // nothing holds it: it floats, and any level may be read
      held = rail;
    }
    String pullName = pullsUp ? "pull-up" : down ? "pull-down" : "none";
    Reading idleReading = pullName.equals("none") ? Reading.UNDEFINED : read(board, idle);
    Working working =
        new Working(
            "volts while held",
            "V = Vc + (Vp - Vc) x Rs / (Rs + Rp)",
            List.of(
                Working.value("Vc", rail, 2, "V", "the common, " + common.words()),
                Working.value(
                    "Vp", pullsUp ? supply : 0, 2, "V", "what the " + pullName + " pulls to"),
                Working.value("Rs", series, 2, "ohm", "contact and wire"),
                Working.value("Rp", pull, 0, "ohm", "the strongest pull inside")),
            Working.number(held, 4) + " V",
            Source.derived("voltage divider; contact resistance is common practice"));
    return new InputLevels(idle, held, pullName, idleReading, read(board, held), working);
  }

  /**
   * The volts of a wiper or ladder at a setting.
   *
   * @param board the board whose supply feeds it
   * @param kind the control
   * @param travel 0 to 1 for a wiper; for a ladder 0 its first step and 1 its last
   */
  public static double voltsAt(BoardKind board, ControlKind kind, double travel) {
    double clipped = Math.max(0, Math.min(1, travel));
    if (kind.steps() > 1) {
      clipped = Math.rint(clipped * (kind.steps() - 1)) / (kind.steps() - 1);
    }
    return board.logicVolts() * clipped;
  }

  /** {@return the converter's code: floor(V / Vref x 2^n), clipped to its range} */
  public static int code(double volts, double referenceVolts, int bits) {
    long code = (long) Math.floor(volts / referenceVolts * (1L << bits));
    return (int) Math.max(0, Math.min((1L << bits) - 1, code));
  }
}
