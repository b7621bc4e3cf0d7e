package kumite.panel;

import java.util.List;
import kumite.build.brief.Hand;
import kumite.kind.ControlKind;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.working.Source;
import kumite.working.Working;

/**
 * Spacings in which buttons lie well under the fingers of a hand. A suggestion, never a finding:
 * hands differ, so try it with paper discs before you drill.
 *
 * <p>Common practice, no source: 36 to 40 mm between the centres of 30 mm buttons under an average
 * hand. The fingers of a broader hand lie further apart in proportion. No spacing is suggested in
 * which flanges would come too near.
 *
 * @param leastMm between centres
 * @param mostMm between centres
 * @param working how it came about
 */
public record Comfort(double leastMm, double mostMm, Working working) {
  private static final double LEAST_MM = 36;
  private static final double MOST_MM = 40;

  /** {@return the spacings for one kind of control under a hand} */
  public static Comfort of(Hand hand, ControlKind kind) {
    double breadth = Hand.AVERAGE.breadthMm();
    double share = hand.breadthMm() / breadth;
    double flange = Math.max(kind.face().widthMm(), kind.face().heightMm()) + Gaps.FLANGE_MM;
    double least = half(Math.max(LEAST_MM * share, flange));
    double most = half(Math.max(MOST_MM * share, flange));
    return new Comfort(
        least,
        most,
        new Working(
            "comfortable spacing",
            "36 to 40 mm x b / b0, and no less than f",
            List.of(
                Working.value(
                    "b",
                    hand.breadthMm(),
                    0,
                    "mm",
                    hand.measured()
                        ? "breadth of the hand, measured"
                        : "breadth of the hand, an average: measure the player"),
                Working.value("b0", breadth, 0, "mm", "the average hand"),
                Working.value("f", flange, 1, "mm", "flange of " + kind.name() + " and 2 mm")),
            Working.number(least, 1) + " to " + Working.number(most, 1) + " mm",
            Source.common("36 to 40 mm between 30 mm buttons; a suggestion, try it with paper")));
  }

  /** {@return the middle of the band, the one to begin with} */
  public double middleMm() {
    return half((leastMm + mostMm) / 2);
  }

  /** {@return the band in words, as a suggestion} */
  public String words(LengthUnit unit) {
    return leastMm == mostMm
        ? "Suggested: " + Length.text(leastMm, unit) + " between centres"
        : "Suggested: "
            + Length.number(leastMm, unit)
            + " to "
            + Length.text(mostMm, unit)
            + " between centres";
  }

  private static double half(double mm) {
    return Math.rint(mm * 2) / 2;
  }
}
