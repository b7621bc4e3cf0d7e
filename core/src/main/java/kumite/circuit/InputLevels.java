package kumite.circuit;

import java.util.Optional;
import kumite.kind.BoardKind;
import kumite.kind.ControlKind;
import kumite.working.Working;

/**
 * The volts at a terminal while its contact is idle and while it is held, solved.
 *
 * @param circuit the circuit they were solved for
 * @param idleRange at rest; for a wiper or ladder at its first end
 * @param heldRange held; for a wiper or ladder at its last end
 * @param idle how the board reads the idle level over its whole range
 * @param held how it reads the held level
 * @param trouble why there is no answer, where there is none
 * @param working how the held level came about
 */
public record InputLevels(
    InputCircuit circuit,
    Span idleRange,
    Span heldRange,
    Reading idle,
    Reading held,
    Optional<OperatingPoint.Unsolved> trouble,
    Working working) {

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

  /** {@return volts at rest with all parts at their usual value} */
  public double idleVolts() {
    return idleRange.usual();
  }

  /** {@return volts held with all parts at their usual value} */
  public double heldVolts() {
    return heldRange.usual();
  }

  /** {@return the resistor that sets the idle level: {@code pull-up}, {@code none} ...} */
  public String pull() {
    return circuit.pull();
  }

  /** {@return whether a press changes what the board reads, so that it can be told at all} */
  public boolean readable() {
    return trouble.isEmpty()
        && (idle == Reading.MEASURED
            || idle != held && idle != Reading.UNDEFINED && held != Reading.UNDEFINED);
  }

  /** {@return the most volts that ever stand at the terminal} */
  public double mostVolts() {
    return Math.max(idleRange.most(), heldRange.most());
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
}
