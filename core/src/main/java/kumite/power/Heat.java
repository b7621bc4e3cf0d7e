package kumite.power;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What parts and wires bear. A part is used to half of its rating: common practice, no source. */
public final class Heat {
  private static final double[] RATINGS_W = {0.125, 0.25, 0.5, 1, 2, 5};

  /** The resistors that lie in every drawer: common practice, no source. */
  private static final double USUAL_W = 0.25;

  /** A pot bears less than a resistor, and where its wiper stands more still: common practice. */
  private static final double POT_W = 0.1;

  /**
   * A bundled wire stays cool up to here, in A/mm2: common practice, no source. A table of chassis
   * wiring (from memory) lets single wires in air have 16 to 21: 7 A for 22 AWG, 0.86 A for 30.
   */
  private static final double COOL = 6;

  private static final double HOT = 15;

  private Heat() {}

  /** {@return the smallest usual rating, in W, of which so many watts are half at most} */
  static Optional<Double> rating(double watts) {
    return Arrays.stream(RATINGS_W).filter(rating -> rating >= 2 * watts).boxed().findFirst();
  }

  /** {@return what is to be said of so many watts in a resistor; nothing where any bears them} */
  public static Optional<Judgement> ofResistor(double watts) {
    Optional<Double> rating = rating(watts);
    if (rating.isEmpty()) {
      return Optional.of(
          Judgement.stop(
              words(watts)
                  + " are lost in one resistor, and none of usual size is made for twice that: it"
                  + " burns. Take larger values"));
    }
    return rating
        .filter(watt -> watt > USUAL_W)
        .map(
            watt ->
                Judgement.look(
                    words(watts)
                        + " are lost in one resistor: one of "
                        + words(watt)
                        + " bears that, or take larger values"));
  }

  /** {@return what is to be said of so many watts in a pot; nothing where any bears them} */
  public static Optional<Judgement> ofPot(double watts) {
    return watts <= POT_W
        ? Optional.empty()
        : Optional.of(
            watts > 10 * POT_W
                ? Judgement.stop(words(watts) + " are lost in the pot: it burns. Take a larger one")
                : Judgement.look(
                    words(watts)
                        + " are lost in the pot, and small ones bear 0.1 W: a larger one"));
  }

  /** {@return what is to be said of a current in a wire; nothing where it stays cool} */
  public static Optional<Judgement> ofWire(double amps, Wire wire) {
    double dense = amps / wire.areaMm2();
    String says = String.format(Locale.ROOT, "%.1f A for each mm2 of copper", dense);
    return dense <= COOL
        ? Optional.empty()
        : Optional.of(
            dense > HOT
                ? Judgement.stop(
                    says
                        + ": the wire gets hot, and its insulation melts. A thicker"
                        + " gauge, and a fuse at the supply")
                : Judgement.look(
                    says + ": the wire gets warm, more so in a bundle. A thicker gauge"));
  }

  private static String words(double watts) {
    return String.format(Locale.ROOT, watts < 0.995 ? "%.2f W" : "%.1f W", watts);
  }
}
