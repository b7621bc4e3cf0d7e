package kumite.power;

import java.util.List;
import java.util.Locale;
import kumite.working.Quantity;
import kumite.working.Source;
import kumite.working.Working;

/**
 * The series resistor of a light-emitting diode.
 *
 * @param lights whether the supply exceeds the lamp's forward voltage at all
 * @param exactOhm by the formula; 0 where it does not light
 * @param chosenOhm the next preferred value up; 0 where it does not light
 * @param milliamps the current that flows with the chosen value
 * @param watts lost in the chosen resistor
 * @param ratingWatts the smallest usual rating that is at most half used; 0 where there is none
 * @param supplyVolts what it was worked out for
 * @param forwardVolts of the lamp
 * @param wantedMilliamps asked for
 * @param working how it came about
 */
public record LampResistor(
    boolean lights,
    double exactOhm,
    double chosenOhm,
    double milliamps,
    double watts,
    double ratingWatts,
    double supplyVolts,
    double forwardVolts,
    double wantedMilliamps,
    Working working) {

  private static final Source SOURCE =
      Source.standard("Ohm's law; preferred values IEC 60063; half the rating is common practice");

  /** {@return the current with the supply low and the lamp high, at worst; in mA} */
  public double leastMilliamps() {
    return atWorst(-1);
  }

  /** {@return the current with the supply high and the lamp low, at worst; in mA} */
  public double mostMilliamps() {
    return atWorst(1);
  }

  private double atWorst(int sign) {
    if (!lights) {
      return 0;
    }
    double supply = supplyVolts * (1 + sign * Judgement.TOLERANCE);
    double forward = forwardVolts * (1 - sign * Judgement.TOLERANCE);
    return Math.max(0, supply - forward) / chosenOhm * 1000;
  }

  /** {@return whether it can be relied on, with the tolerances of supply and lamp} */
  public Judgement judgement() {
    if (!lights) {
      return Judgement.stop("it will not light: feed it with more volts than its forward voltage");
    }
    if (ratingWatts == 0) {
      return Judgement.stop(
          String.format(
              Locale.ROOT,
              "%.1f W are lost in the resistor, and none of usual size is made for twice that: it"
                  + " burns. Feed the lamp with fewer volts, or by a source of constant current",
              watts));
    }
    double most = mostMilliamps() / wantedMilliamps;
    double least = leastMilliamps() / wantedMilliamps;
    String left =
        String.format(
            Locale.ROOT,
            "%.2f V are left for the resistor; with supply and lamp 5 %% off it is %.1f to %.1f mA",
            supplyVolts - forwardVolts,
            leastMilliamps(),
            mostMilliamps());
    if (most > Judgement.ENDS_LAMP) {
      return Judgement.stop(left + ": every tolerance decides. Feed it with more volts");
    }
    return most > Judgement.OFF || least < 1 / Judgement.OFF
        ? Judgement.look(left + ": it may be too dim or too bright. Feed it with more volts")
        : Judgement.fine(left);
  }

  /**
   * Works out the resistor.
   *
   * @param supplyVolts above 0
   * @param forwardVolts of the lamp, above 0
   * @param wantedMilliamps above 0
   * @param series the preferred values to choose from
   * @throws IllegalArgumentException if a value is not above 0
   */
  public static LampResistor of(
      double supplyVolts, double forwardVolts, double wantedMilliamps, ESeries series) {
    positive(supplyVolts, "the supply");
    positive(forwardVolts, "the forward voltage");
    positive(wantedMilliamps, "the current");
    List<Working.Value> given =
        List.of(
            Working.value("Vs", supplyVolts, 2, "V", "supply"),
            Working.value("Vf", forwardVolts, 2, "V", "forward voltage of the lamp"),
            Working.value("I", wantedMilliamps, 1, "mA", "wanted current"));
    double spare = supplyVolts - forwardVolts;
    if (spare <= 0) {
      return new LampResistor(
          false,
          0,
          0,
          0,
          0,
          0,
          supplyVolts,
          forwardVolts,
          wantedMilliamps,
          new Working(
              "lamp resistor",
              "R = (Vs - Vf) / I",
              given,
              "it will not light: the supply is not above the lamp's forward voltage",
              SOURCE));
    }
    double exact = spare / wantedMilliamps * 1000;
    double chosen = series.atLeast(exact);
    double milliamps = spare / chosen * 1000;
    double watts = spare * spare / chosen;
    double rating = Heat.rating(watts).orElse(0.0);
    List<Working.Value> values = new java.util.ArrayList<>(given);
    values.add(Working.value("R", exact, 1, "ohm", "exact"));
    values.add(Working.value("R " + series, chosen, 0, "ohm", "next preferred value up"));
    values.add(Working.value("I", milliamps, 1, "mA", "with that value"));
    values.add(Working.value("P", watts * 1000, 1, "mW", "I^2 R, at most half the rating"));
    return new LampResistor(
        true,
        exact,
        chosen,
        milliamps,
        watts,
        rating,
        supplyVolts,
        forwardVolts,
        wantedMilliamps,
        new Working(
            "lamp resistor",
            "R = (Vs - Vf) / I",
            values,
            rating > 0
                ? String.format(Locale.ROOT, "%s, %s W", ohms(chosen), plain(rating))
                : String.format(
                    Locale.ROOT, "%s, but %s W are lost in it", ohms(chosen), plain(watts)),
            SOURCE));
  }

  /** {@return a resistance as builders write it: {@code 220 ohm}, {@code 4.7 kohm}} */
  public static String ohms(double ohm) {
    return Quantity.OHM.words(ohm);
  }

  private static String plain(double value) {
    return new java.math.BigDecimal(value)
        .round(new java.math.MathContext(4))
        .stripTrailingZeros()
        .toPlainString();
  }

  private static void positive(double value, String what) {
    if (!(value > 0) || Double.isInfinite(value)) {
      throw new IllegalArgumentException(what + " must be above 0, but was " + value);
    }
  }
}
