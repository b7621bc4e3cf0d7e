package kumite.power;

import java.util.List;
import kumite.working.Source;
import kumite.working.Working;

/**
 * The size and resistance of a round copper wire.
 *
 * @param awg its gauge, 0 to 40
 * @param diameterMm of the solid conductor, or of a strand of the same copper
 * @param areaMm2 of the copper
 * @param ohmPerMetre at 20 C
 */
public record Wire(int awg, double diameterMm, double areaMm2, double ohmPerMetre) {
  /** Resistivity of annealed copper at 20 C in ohm mm2/m, IEC 60028. */
  public static final double COPPER_OHM_MM2_PER_M = 1.0 / 58.0;

  private static final Source GAUGE =
      Source.standard("diameter ASTM B258; resistivity of annealed copper IEC 60028");

  /**
   * A wire of a gauge.
   *
   * @throws IllegalArgumentException if the gauge is not 0 to 40
   */
  public static Wire ofAwg(int awg) {
    if (awg < 0 || awg > 40) {
      throw new IllegalArgumentException("a gauge must be 0 to 40 AWG, but was " + awg);
    }
    double diameter = 0.127 * Math.pow(92, (36 - awg) / 39.0);
    double area = Math.PI / 4 * diameter * diameter;
    return new Wire(awg, diameter, area, COPPER_OHM_MM2_PER_M / area);
  }

  /** {@return the resistance of a length, one way, in ohm} */
  public double ohm(double lengthMm) {
    return ohmPerMetre * lengthMm / 1000;
  }

  /** {@return how the resistance of a length came about} */
  public Working working(double lengthMm) {
    return new Working(
        "resistance of the wire",
        "d = 0.127 mm x 92^((36-n)/39); R = rho L / (pi/4 d^2)",
        List.of(
            Working.value("n", awg, 0, "AWG", "gauge"),
            Working.value("d", diameterMm, 3, "mm", "conductor"),
            Working.value("A", areaMm2, 4, "mm2", "copper"),
            Working.value("rho", COPPER_OHM_MM2_PER_M, 5, "ohm mm2/m", "annealed copper at 20 C"),
            Working.value("L", lengthMm, 0, "mm", "length, one way"),
            Working.value("R/L", ohmPerMetre, 4, "ohm/m", "")),
        Working.number(ohm(lengthMm), 4) + " ohm",
        GAUGE);
  }
}
