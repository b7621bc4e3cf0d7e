package kumite.kind;

import java.util.List;
import java.util.Objects;
import kumite.measure.Check;
import kumite.measure.Length;
import kumite.measure.Point;

/**
 * A tab of a control, or a pin of its connector, where it is on the body.
 *
 * @param tab as wires and paper call it, such as {@code NO}, {@code left.COM} or, of a connector
 *     that has one pin for several, {@code COM}
 * @param stands the tabs of single contacts that this one pin is, such as {@code up.COM} and {@code
 *     down.COM}; empty where it is a tab of its own
 * @param at from the middle of the cut-out, in mm to a hundredth, seen from the face, unturned
 * @param looks which way
 */
public record TabSpot(String tab, List<String> stands, Point at, Looks looks) {
  public TabSpot {
    Check.filled(tab, "tab");
    stands = List.copyOf(stands);
    Check.between(-Length.LARGEST_MM, Length.LARGEST_MM, at.xMm(), "x_mm of tab " + tab);
    Check.between(-Length.LARGEST_MM, Length.LARGEST_MM, at.yMm(), "y_mm of tab " + tab);
    Objects.requireNonNull(looks, "looks");
    at = new Point(hundredths(at.xMm()), hundredths(at.yMm()));
  }

  /** Finer than any caliper shows, and the same when read back from a file. */
  private static double hundredths(double mm) {
    return Math.rint(mm * 100) / 100 + 0.0;
  }

  /** A tab of its own. */
  public TabSpot(String tab, Point at, Looks looks) {
    this(tab, List.of(), at, looks);
  }
}
