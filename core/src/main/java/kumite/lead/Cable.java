package kumite.lead;

import kumite.measure.Range;

/**
 * The cable that a lead is made of.
 *
 * @param cores how many it has, used or not
 * @param gaugeAwg of each core
 * @param lengthMm of the finished lead from connector to connector, in mm
 * @param jacketMm its outer diameter, in mm; 0 where it is not known
 * @param bought whether it is bought as it is, with its plugs or cut from one that has them
 * @param shielded whether it has a shield around its cores
 */
public record Cable(
    int cores, int gaugeAwg, double lengthMm, double jacketMm, boolean bought, boolean shielded) {
  /** The longest that is taken for a lead and not for a slip of the keyboard. */
  public static final double LONGEST_MM = 30_000;

  /** Cores. */
  public static final Range CORES = Range.of(1, ConnectorKind.MOST_PINS);

  /** Wire gauges. */
  public static final Range GAUGE = Range.of(10, 36, "AWG");

  /** Lengths. */
  public static final Range LENGTH = Range.of(20, LONGEST_MM, "mm");

  /** Outer diameters; 0 where it is not known. */
  public static final Range JACKET = Range.of(0, 40, "mm");

  public Cable {
    CORES.check(cores, "cores of the cable");
    GAUGE.check(gaugeAwg, "gauge in AWG");
    LENGTH.check(lengthMm, "length of the lead in mm");
    JACKET.check(jacketMm, "outer diameter of the cable in mm");
  }

  /** A cable off the reel, without a shield. */
  public Cable(int cores, int gaugeAwg, double lengthMm, double jacketMm) {
    this(cores, gaugeAwg, lengthMm, jacketMm, false, false);
  }

  /** {@return a cable of a metre and a half with a spare core} */
  public static Cable forCores(int used) {
    return new Cable(Math.min(ConnectorKind.MOST_PINS, used + 1), 26, 1500, 0);
  }

  /** {@return the same with other cores} */
  public Cable withCores(int newCores) {
    return new Cable(newCores, gaugeAwg, lengthMm, jacketMm, bought, shielded);
  }

  /** {@return the same of another gauge} */
  public Cable withGauge(int awg) {
    return new Cable(cores, awg, lengthMm, jacketMm, bought, shielded);
  }

  /** {@return the same of another length} */
  public Cable withLength(double mm) {
    return new Cable(cores, gaugeAwg, mm, jacketMm, bought, shielded);
  }

  /** {@return the same, bought as it is or not} */
  public Cable withBought(boolean asItIs) {
    return new Cable(cores, gaugeAwg, lengthMm, jacketMm, asItIs, shielded);
  }

  /** {@return the same with a shield or without} */
  public Cable withShield(boolean shield) {
    return new Cable(cores, gaugeAwg, lengthMm, jacketMm, bought, shield);
  }
}
