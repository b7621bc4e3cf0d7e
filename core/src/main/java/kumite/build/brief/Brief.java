package kumite.build.brief;

import java.util.Objects;
import kumite.build.Decided;
import kumite.build.Part;
import kumite.measure.Check;
import kumite.measure.LengthUnit;
import kumite.measure.Range;

/**
 * What the controller must be, for whose hands. What its hosts ask for is in the profiles.
 *
 * @param title the build's name for people; not empty
 * @param supplyVolts what the host's port gives; 1 to 12 V
 * @param hand who plays
 * @param units the unit that lengths are shown in
 */
public record Brief(String title, double supplyVolts, Hand hand, LengthUnit units)
    implements Decided<Brief> {
  /** What the board gives. */
  public static final Range SUPPLY = Range.of(1, 12, "V");

  /** The brief as a part of a build. */
  public static final Part<Brief> PART =
      new Part<>("brief", new Brief("New build", 5.0, Hand.AVERAGE, LengthUnit.MM));

  public Brief {
    Check.writable(title, "title");
    SUPPLY.check(supplyVolts, "supply_v");
    Objects.requireNonNull(hand, "hand");
    Objects.requireNonNull(units, "units");
  }

  /** {@return the same brief under another title} */
  public Brief withTitle(String newTitle) {
    return new Brief(newTitle, supplyVolts, hand, units);
  }

  /** {@return the same brief on another supply} */
  public Brief withSupplyVolts(double newSupplyVolts) {
    return new Brief(title, newSupplyVolts, hand, units);
  }

  /** {@return the same brief for another player} */
  public Brief withHand(Hand newHand) {
    return new Brief(title, supplyVolts, newHand, units);
  }

  /** {@return the same brief shown in another unit} */
  public Brief withUnits(LengthUnit newUnits) {
    return new Brief(title, supplyVolts, hand, newUnits);
  }
}
