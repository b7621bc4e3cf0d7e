package kumite.circuit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleFunction;
import kumite.loom.Look;
import kumite.loom.Looks;
import kumite.working.Source;
import kumite.working.Working;

/**
 * The volts that a board reads of one contact while that is idle and while it alone is held, solved
 * from the wiring as it is.
 *
 * @param look how the board reads it
 * @param pull the resistor that is meant to hold it while it is open
 * @param thresholds what counts as low and high there
 * @param idleRange at rest; for a wiper or ladder at its first end
 * @param heldRange held; for a wiper or ladder at its last end
 * @param idle how the board reads the idle level over its whole range
 * @param held how it reads the held level
 * @param floating what nothing holds at rest, or held; empty where something holds it
 * @param trouble why there is no answer, where there is none
 * @param sketch what hangs on the place that is read
 */
public record InputLevels(
    Look look,
    Looks.Pull pull,
    Thresholds thresholds,
    Span idleRange,
    Span heldRange,
    Reading idle,
    Reading held,
    Optional<Floating> floating,
    Optional<String> trouble,
    Sketch sketch) {

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

  /**
   * What counts as low and as high.
   *
   * @param supplyVolts the supply of what reads
   * @param lowVolts at or below this it reads low
   * @param highVolts at or above this it reads high
   */
  public record Thresholds(double supplyVolts, double lowVolts, double highVolts) {
    /** {@return how a whole span is read} */
    Reading read(Span span) {
      Reading least = read(span.least());
      return least == read(span.most()) ? least : Reading.UNDEFINED;
    }

    /**
     * {@return whether a span's volts say what is read; a short or a lost line makes them
     * worthless}
     */
    public boolean sure(Span span, Reading reading) {
      return reading != Reading.UNDEFINED || span.most() > lowVolts && span.least() < highVolts;
    }

    private Reading read(double volts) {
      return Scan.reading(Logic.of(volts, lowVolts, highVolts));
    }
  }

  /**
   * A place that nothing holds.
   *
   * @param held whether it floats while held; else while at rest
   * @param downVolts with the usual leak to ground
   * @param upVolts with the usual leak to the supply
   * @param meterVolts with a meter of 10 Mohm on it
   */
  public record Floating(boolean held, double downVolts, double upVolts, double meterVolts) {}

  /** The share of the supply that a measured input has to move to be told at all. */
  private static final double LEAST_TRAVEL = 0.05;

  /** {@return volts at rest with all parts at their usual value} */
  public double idleVolts() {
    return idleRange.usual();
  }

  /** {@return volts held with all parts at their usual value} */
  public double heldVolts() {
    return heldRange.usual();
  }

  /** {@return volts at rest, unless a short or a lost line makes them worthless} */
  public Optional<Double> sureIdleVolts() {
    return thresholds.sure(idleRange, idle) ? Optional.of(idleVolts()) : Optional.empty();
  }

  /** {@return volts held, unless a short or a lost line makes them worthless} */
  public Optional<Double> sureHeldVolts() {
    return thresholds.sure(heldRange, held) ? Optional.of(heldVolts()) : Optional.empty();
  }

  /** {@return whether volts are taken as they are} */
  public boolean measured() {
    return idle == Reading.MEASURED;
  }

  /** {@return whether a press changes what the board reads, so that it can be told at all} */
  public boolean readable() {
    if (trouble.isPresent() || floating.isPresent() || !sketch.told()) {
      return false;
    }
    if (measured()) {
      return Math.abs(heldVolts() - idleVolts()) >= LEAST_TRAVEL * thresholds.supplyVolts();
    }
    return idle != held && idle != Reading.UNDEFINED && held != Reading.UNDEFINED;
  }

  /** {@return whether it reads as pressed while nobody presses} */
  public boolean upsideDown() {
    boolean low = !(look.how() instanceof Look.Level level) || level.pressedLow();
    return readable() && !measured() && (idle == Reading.LOW) == low;
  }

  /** {@return the most volts that ever stand there} */
  public double mostVolts() {
    return Math.max(idleRange.most(), heldRange.most());
  }

  /** {@return how the levels came about} */
  public Working working() {
    DoubleFunction<String> volts = value -> Working.number(value, 3) + " V";
    List<Working.Value> values = new ArrayList<>();
    values.add(Working.words("read at", sketch.place(), sketch.how()));
    values.add(Working.value("Vs", thresholds.supplyVolts(), 2, "V", "logic supply, within 5 %"));
    values.add(Working.words("pull", pull.words(), "inside the board"));
    sketch.branches().forEach(b -> values.add(Working.words(b.name(), b.words(), b.between())));
    values.add(
        Working.words(
            "idle",
            volts.apply(idleRange.least()) + " to " + volts.apply(idleRange.most()),
            measured() ? "measured" : "reads low up to " + volts.apply(thresholds.lowVolts())));
    values.add(
        Working.words(
            "held",
            volts.apply(heldRange.least()) + " to " + volts.apply(heldRange.most()),
            measured() ? "measured" : "reads high from " + volts.apply(thresholds.highVolts())));
    floating.ifPresent(
        f ->
            values.add(
                Working.words(
                    "floating",
                    volts.apply(f.downVolts()) + " to " + volts.apply(f.upVolts()),
                    "with a leak of 1 uA; a meter of 10 Mohm shows "
                        + volts.apply(f.meterVolts()))));
    return new Working(
        "volts where it is read",
        "G v = i, solved node by node, idle and held, over all tolerances",
        values,
        "idle " + volts.apply(idleRange.usual()) + ", held " + volts.apply(heldRange.usual()),
        Source.derived("modified nodal analysis; tolerances and leakage are common practice"));
  }
}
