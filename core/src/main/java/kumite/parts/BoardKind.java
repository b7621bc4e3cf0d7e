package kumite.parts;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import kumite.build.Common;
import kumite.build.Point;
import kumite.working.Source;

/**
 * A kind of board.
 *
 * @param id its id in builds, such as {@code native-3v3-26}
 * @param name short, for lists
 * @param trait what tells it from its neighbours, one line
 * @param widthMm left edge to right edge
 * @param heightMm front to back; the plug is at the back
 * @param logicVolts its logic supply
 * @param fiveVoltTolerant whether its terminals bear 5 V
 * @param common which rail its contacts share
 * @param lowVolts an input at or below this reads low
 * @param highVolts an input at or above this reads high
 * @param levels where the two thresholds come from
 * @param pullLeastOhm the strongest pull resistor inside
 * @param pullMostOhm the weakest
 * @param adcBits resolution where it measures volts; 0 where it cannot
 * @param fixedMap whether its maker fixed what each socket means
 * @param terminals all its terminals
 * @param seating how it sits, and the room its plug needs
 */
public record BoardKind(
    String id,
    String name,
    String trait,
    double widthMm,
    double heightMm,
    double logicVolts,
    boolean fiveVoltTolerant,
    Common common,
    double lowVolts,
    double highVolts,
    Source levels,
    double pullLeastOhm,
    double pullMostOhm,
    int adcBits,
    boolean fixedMap,
    List<Terminal> terminals,
    Seating seating) {

  /**
   * How a board sits.
   *
   * @param heightMm from what it is screwed to up to its tallest part, standoffs included
   * @param standoffs its mounting holes, offsets from its centre; empty where it has none
   * @param standoffHoleMm the clearance hole for their screws
   * @param plugWidthMm width of the plug's grip; 0 where nothing is plugged in
   * @param plugReachMm from the board's back edge to where the cable has bent away
   */
  public record Seating(
      double heightMm,
      List<Point> standoffs,
      double standoffHoleMm,
      double plugWidthMm,
      double plugReachMm) {
    /** A board on 16 mm of height without standoffs or plug. */
    public static final Seating BARE = new Seating(16, List.of(), 0, 0, 0);

    public Seating {
      standoffs = List.copyOf(standoffs);
      if (!(heightMm > 0 && heightMm <= 200 && plugWidthMm >= 0 && plugReachMm >= 0)) {
        throw new IllegalArgumentException(
            "a board sits above 0 and up to 200 mm high, its plug takes 0 or more");
      }
    }
  }

  public BoardKind {
    Objects.requireNonNull(common, "common");
    Objects.requireNonNull(levels, "levels");
    Objects.requireNonNull(seating, "seating");
    terminals = List.copyOf(terminals);
  }

  /** {@return the terminal of that name, if there is one} */
  public Optional<Terminal> terminal(String terminalName) {
    return terminals.stream().filter(t -> t.name().equals(terminalName)).findFirst();
  }

  /** {@return all terminals of a role, in the order of the board's edge} */
  public List<Terminal> terminals(Terminal.Role role) {
    return terminals.stream().filter(t -> t.role() == role).toList();
  }

  /** {@return the largest code of its converter; 255 for a board without one} */
  public int axisMaximum() {
    return adcBits == 0 ? 255 : (1 << adcBits) - 1;
  }
}
