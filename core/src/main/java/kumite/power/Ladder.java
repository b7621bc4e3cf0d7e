package kumite.power;

import java.util.ArrayList;
import java.util.List;
import kumite.working.Quantity;
import kumite.working.Source;
import kumite.working.Working;

/**
 * A chain of resistors that gives each step its own volts, judged by worst case.
 *
 * @param kind taps along a chain, or buttons that short a part of it
 * @param ohms the resistors, from ground up for taps; for buttons the pull-up first
 * @param steps the volts of each step
 * @param leastGapCodes the fewest codes between the bands of two neighbouring steps
 * @param closest the number of the lower of those two steps, 1 upward
 * @param mostWatts lost in one resistor at most: the first button held lays the whole supply on the
 *     pull-up; rungs between taps share it
 * @param working how the closest gap came about
 */
public record Ladder(
    Kind kind,
    List<Double> ohms,
    List<Step> steps,
    int leastGapCodes,
    int closest,
    double mostWatts,
    Working working) {
  /** Steps nearer than this are told apart badly: noise of a usual converter, common practice. */
  public static final int CODES_APART = 16;

  /** The leakage of a usual input, A: common practice, no source. */
  public static final double LEAK_AMPS = 1e-6;

  /** How the chain is used. */
  public enum Kind {
    /** A rotary switch picks one of the taps between ground and supply. */
    TAPS,
    /** Each button ties its point of the chain to ground, under one pull-up. */
    BUTTONS
  }

  /**
   * One step.
   *
   * @param number 1 upward
   * @param volts with all resistors at their value
   * @param leastVolts at worst
   * @param mostVolts at worst
   * @param code the converter's code of {@code volts}
   * @param leastCode at worst
   * @param mostCode at worst
   */
  public record Step(
      int number,
      double volts,
      double leastVolts,
      double mostVolts,
      int code,
      int leastCode,
      int mostCode) {}

  public Ladder {
    ohms = List.copyOf(ohms);
    steps = List.copyOf(steps);
  }

  /**
   * A chain of equal resistors with a tap at each joint, its two ends included.
   *
   * @param rungOhm each resistor
   * @param count steps, 2 to 64
   * @param tolerance of a resistor, such as 0.05
   * @param bits of the converter, 1 to 24
   */
  public static Ladder taps(
      double supplyVolts, double rungOhm, int count, double tolerance, int bits) {
    need(supplyVolts, rungOhm, count, tolerance, bits);
    List<Double> ohms = new ArrayList<>();
    for (int i = 1; i < count; i++) {
      ohms.add(rungOhm);
    }
    List<Step> steps = new ArrayList<>();
    for (int k = 0; k < count; k++) {
      double below = rungOhm * k;
      double above = rungOhm * (count - 1 - k);
      steps.add(step(k + 1, supplyVolts, below, above, tolerance, bits));
    }
    return judged(Kind.TAPS, supplyVolts, ohms, steps, tolerance, bits);
  }

  /**
   * Buttons on one wire: resistors of a preferred series, chosen so that the steps lie evenly.
   *
   * @param pullOhm the pull-up to the supply
   * @param count buttons, 2 to 64
   */
  public static Ladder buttons(
      double supplyVolts, double pullOhm, int count, double tolerance, int bits, ESeries series) {
    need(supplyVolts, pullOhm, count, tolerance, bits);
    List<Double> ohms = ohms(pullOhm, count, series);
    List<Step> steps = new ArrayList<>();
    double below = 0;
    for (int k = 0; k < count; k++) {
      below += k > 0 ? ohms.get(k) : 0;
      steps.add(step(k + 1, supplyVolts, below, pullOhm, tolerance, bits));
    }
    return judged(Kind.BUTTONS, supplyVolts, ohms, steps, tolerance, bits);
  }

  /**
   * {@return the pull-up, then the resistor before each button after the first, so that the steps
   * lie evenly}
   *
   * @param count buttons, 1 or more
   */
  public static List<Double> ohms(double pullOhm, int count, ESeries series) {
    List<Double> ohms = new ArrayList<>();
    ohms.add(pullOhm);
    double below = 0;
    for (int k = 1; k < count; k++) {
      // Even steps: V = Vs k / n, so the chain to ground is Rp k / (n - k).
      double chosen = series.nearest(Math.max(1, pullOhm * k / (count - k) - below));
      ohms.add(chosen);
      below += chosen;
    }
    return List.copyOf(ohms);
  }

  private static Step step(
      int number, double supply, double below, double above, double tolerance, int bits) {
    double volts = supply * below / (below + above);
    double leak = LEAK_AMPS * below * above / (below + above);
    double low = below * (1 - tolerance);
    double high = below * (1 + tolerance);
    double least = low == 0 ? 0 : supply * low / (low + above * (1 + tolerance)) - leak;
    double most =
        (high == 0 ? 0 : supply * high / (high + above * (1 - tolerance)))
            + (below == 0 ? 0 : leak);
    least = Math.max(0, least);
    most = Math.min(supply, most);
    return new Step(
        number,
        volts,
        least,
        most,
        Converter.code(volts, supply, bits),
        Converter.code(least, supply, bits),
        Converter.code(most, supply, bits));
  }

  private static Ladder judged(
      Kind kind, double supply, List<Double> ohms, List<Step> steps, double tolerance, int bits) {
    int least = Integer.MAX_VALUE;
    int closest = 1;
    for (int i = 1; i < steps.size(); i++) {
      int gap = steps.get(i).leastCode() - steps.get(i - 1).mostCode();
      if (gap < least) {
        least = gap;
        closest = i;
      }
    }
    Step low = steps.get(closest - 1);
    Step high = steps.get(closest);
    Working working =
        new Working(
            "the two closest steps",
            "V = Vs Rb / (Rb + Ra); code = floor(V / Vs x 2^n)",
            List.of(
                Working.value("Vs", supply, 2, "V", "supply and reference"),
                Working.words(
                    "R",
                    String.join(", ", ohms.stream().map(Quantity.OHM::words).toList()),
                    kind == Kind.TAPS ? "each rung" : "pull-up first"),
                Working.value("tolerance", tolerance * 100, 1, "%", "of each resistor"),
                Working.value("n", bits, 0, "bit", "converter"),
                Working.value("most", low.mostCode(), 0, "", "code of step " + low.number()),
                Working.value("least", high.leastCode(), 0, "", "code of step " + high.number())),
            least + " codes apart at worst, " + CODES_APART + " wanted",
            Source.derived("voltage divider at worst; 1 uA of leakage is common practice"));
    double volts = kind == Kind.TAPS ? supply / ohms.size() : supply;
    return new Ladder(kind, ohms, steps, least, closest, volts * volts / ohms.get(0), working);
  }

  private static void need(double supply, double ohm, int count, double tolerance, int bits) {
    if (!(supply > 0) || !(ohm > 0) || !(tolerance >= 0 && tolerance < 1)) {
      throw new IllegalArgumentException(
          "a ladder needs supply and ohm above 0 and a tolerance from 0 to below 100 %, but had "
              + supply
              + " V, "
              + ohm
              + " ohm, "
              + tolerance * 100
              + " %");
    }
    if (count < 2 || count > 64 || bits < 1 || bits > 24) {
      throw new IllegalArgumentException(
          "a ladder has 2 to 64 steps and a converter 1 to 24 bits, but had "
              + count
              + " and "
              + bits);
    }
  }
}
