package kumite.circuit;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kumite.build.bringup.Power;
import kumite.working.Quantity;
import kumite.working.Working;

/**
 * What a meter should show between two places.
 *
 * @param power what feeds the build meanwhile
 * @param volts of a live build, the red probe's against the black one's; empty for one that is not
 * @param ohm of a build that is not live; empty where nothing carries current, above {@link
 *     Meter#MOST_OHM}
 * @param drop volts on the diode range, of a build that is not live; empty where it shows none
 * @param low the least that a sound build shows, in volts or ohm
 * @param high the most; infinite where nothing carries current
 * @param trouble why nothing can be said, such as a shorted supply; usually empty
 * @param by what carries the current, part by part
 * @param working how it came about
 */
public record Shown(
    Power power,
    OptionalDouble volts,
    OptionalDouble ohm,
    OptionalDouble drop,
    double low,
    double high,
    Optional<String> trouble,
    List<String> by,
    Working working) {

  public Shown {
    by = List.copyOf(by);
  }

  /** {@return whether a meter on continuity beeps} */
  public boolean beeps() {
    return ohm.isPresent() && ohm.getAsDouble() < Meter.BEEP_OHM;
  }

  /** {@return the reading in words for people} */
  public String words() {
    if (trouble.isPresent()) {
      return trouble.get();
    }
    if (power.live()) {
      return volts(volts.orElse(0));
    }
    return ohm.isEmpty()
        ? "silent"
        : beeps() ? "beep" : "silent, " + Quantity.OHM.words(rounded(ohm.getAsDouble()));
  }

  /** {@return the span of a sound build's readings in words} */
  public String span() {
    if (power.live()) {
      return volts(low) + " to " + volts(high);
    }
    return Double.isInfinite(high)
        ? "nothing, or more than " + Quantity.OHM.words(Meter.MOST_OHM)
        : Quantity.OHM.words(rounded(low)) + " to " + Quantity.OHM.words(rounded(high));
  }

  private static double rounded(double ohm) {
    // Three figures are what a meter's display is read for.
    return ohm < 10
        ? Math.round(ohm * 10) / 10.0
        : new java.math.BigDecimal(ohm).round(new java.math.MathContext(3)).doubleValue();
  }

  private static String volts(double volts) {
    return Working.number(volts, Math.abs(volts) < 0.1 ? 3 : 2) + " V";
  }
}
