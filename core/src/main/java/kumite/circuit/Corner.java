package kumite.circuit;

import java.util.ArrayList;
import java.util.List;

/**
 * One choice of what tolerances do. All of them are common practice without a source: supplies
 * within 5 %, lamps within 0.2 V, 1 uA of leakage at an input (10 nA where touch is sensed), skin
 * of 0.1 to 1 Mohm.
 *
 * @param pull 0 for the strongest pull and the driest skin, 1 for the weakest and moistest
 * @param supply by how much of it the supplies are off, such as 0.05
 * @param lampVolts by how many volts lamps are off
 * @param leak whether the input leaks against its pull
 * @param stiff whether terminals that drive resist less than usual: {@value Network#STIFF_OHM} ohm
 */
record Corner(double pull, double supply, double lampVolts, boolean leak, boolean stiff) {
  /** All parts at their usual value. */
  static final Corner USUAL = new Corner(0.5, 0, 0, false, false);

  private static final double SUPPLY_WITHIN = 0.05;
  private static final double LAMP_WITHIN_VOLTS = 0.2;

  /** {@return all ends of the tolerances, those of lamps where there are lamps} */
  static List<Corner> all(boolean lit) {
    List<Corner> corners = new ArrayList<>();
    double[] lamps = lit ? new double[] {-LAMP_WITHIN_VOLTS, LAMP_WITHIN_VOLTS} : new double[] {0};
    for (double pull : new double[] {0, 1}) {
      for (double supply : new double[] {-SUPPLY_WITHIN, SUPPLY_WITHIN}) {
        for (double lamp : lamps) {
          for (boolean leak : new boolean[] {false, true}) {
            corners.add(new Corner(pull, supply, lamp, leak, false));
          }
        }
      }
    }
    return corners;
  }
}
