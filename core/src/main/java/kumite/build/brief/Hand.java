package kumite.build.brief;

import java.util.List;
import java.util.Objects;
import kumite.build.panel.Panel;
import kumite.measure.Check;
import kumite.measure.Length;
import kumite.measure.Point;
import kumite.measure.Range;

/**
 * The hand, or whatever else, that plays. Measure the one that will use it; averages mislead.
 *
 * @param uses what the player plays with
 * @param reachMm from the resting palm to a fingertip's press; 20 to 1000
 * @param breadthMm across the knuckles of the four fingers; 20 to 200
 * @param spanMm thumb tip to little fingertip, spread; 20 to 400
 * @param forceN the most it presses without tiring; 0.1 to 200 N
 * @param wanderMm how far presses scatter about the point aimed at, one standard deviation; 0 to
 *     50, 0 where steadiness is no question
 * @param measured whether these were measured on the player
 * @param rests where it rests, on the panel or before it; empty where nobody has said
 */
public record Hand(
    Uses uses,
    double reachMm,
    double breadthMm,
    double spanMm,
    double forceN,
    double wanderMm,
    boolean measured,
    List<Rest> rests) {
  /** From the resting palm to a fingertip. */
  public static final Range REACH = Range.of(20, 1000, "mm");

  /** Across the knuckles. */
  public static final Range BREADTH = Range.of(20, 200, "mm");

  /** Thumb to little finger, spread. */
  public static final Range SPAN = Range.of(20, 400, "mm");

  /** The most it presses. */
  public static final Range FORCE = Range.of(0.1, 200, "N");

  /** How far presses scatter. */
  public static final Range WANDER = Range.of(0, 50, "mm");

  /** A player leans on no more places than this. */
  public static final int MOST_RESTS = 4;

  /** What the player plays with. */
  public enum Uses {
    BOTH("both hands", 2),
    LEFT("the left hand", 1),
    RIGHT("the right hand", 1),
    CHIN("the chin", 1),
    FOOT("a foot", 1);

    private final String words;
    private final int rests;

    Uses(String words, int rests) {
      this.words = words;
      this.rests = rests;
    }

    /** {@return in words for people} */
    public String words() {
      return words;
    }

    /** {@return how many resting points there are at most} */
    public int rests() {
      return rests;
    }
  }

  /**
   * Where a palm, chin or heel rests.
   *
   * @param name such as {@code left hand}
   * @param at its place in panel coordinates; a negative y lies before the panel
   */
  public record Rest(String name, Point at) {
    public Rest {
      Check.writable(name, "name");
      Check.between(-Length.LARGEST_MM, Length.LARGEST_MM, at.xMm(), "x_mm");
      Check.between(-Length.LARGEST_MM, Length.LARGEST_MM, at.yMm(), "y_mm");
    }
  }

  /**
   * Nobody's hand in particular. Breadth 84 mm lies between the means of women and men, 79 and 90
   * mm (ANSUR 1988, hand breadth; from memory). The others are common practice, no source.
   */
  public static final Hand AVERAGE = new Hand(Uses.BOTH, 105, 84, 190, 10, 0, false, List.of());

  public Hand {
    Objects.requireNonNull(uses, "uses");
    REACH.check(reachMm, "reach_mm");
    BREADTH.check(breadthMm, "breadth_mm");
    SPAN.check(spanMm, "span_mm");
    FORCE.check(forceN, "force_n");
    WANDER.check(wanderMm, "wander_mm");
    rests = List.copyOf(rests);
    Check.between(0, MOST_RESTS, rests.size(), "number of rests");
  }

  /** {@return the same player with other measures} */
  public Hand withMeasures(
      double newReachMm,
      double newBreadthMm,
      double newSpanMm,
      double newForceN,
      double newWanderMm) {
    return new Hand(
        uses, newReachMm, newBreadthMm, newSpanMm, newForceN, newWanderMm, measured, rests);
  }

  /** {@return the same player with another reach} */
  public Hand withReach(double mm) {
    return withMeasures(mm, breadthMm, spanMm, forceN, wanderMm);
  }

  /** {@return the same player with another breadth of hand} */
  public Hand withBreadth(double mm) {
    return withMeasures(reachMm, mm, spanMm, forceN, wanderMm);
  }

  /** {@return the same player with another span} */
  public Hand withSpan(double mm) {
    return withMeasures(reachMm, breadthMm, mm, forceN, wanderMm);
  }

  /** {@return the same player with another force} */
  public Hand withForce(double newton) {
    return withMeasures(reachMm, breadthMm, spanMm, newton, wanderMm);
  }

  /** {@return the same player, steadier or less so} */
  public Hand withWander(double mm) {
    return withMeasures(reachMm, breadthMm, spanMm, forceN, mm);
  }

  /** {@return the same player who plays with something else; rests that are too many go} */
  public Hand withUses(Uses newUses) {
    List<Rest> kept = rests.subList(0, Math.min(rests.size(), newUses.rests()));
    return new Hand(newUses, reachMm, breadthMm, spanMm, forceN, wanderMm, measured, kept);
  }

  /** {@return the same player, measured or not} */
  public Hand withMeasured(boolean isMeasured) {
    return new Hand(uses, reachMm, breadthMm, spanMm, forceN, wanderMm, isMeasured, rests);
  }

  /** {@return the same player resting elsewhere} */
  public Hand withRests(List<Rest> newRests) {
    return new Hand(uses, reachMm, breadthMm, spanMm, forceN, wanderMm, measured, newRests);
  }

  /** {@return resting points at the front edge of a panel, as a start to be moved} */
  public List<Rest> usualRests(Panel panel) {
    return switch (uses) {
      case BOTH ->
          List.of(
              new Rest("left hand", new Point(Math.rint(panel.widthMm() / 4), 0)),
              new Rest("right hand", new Point(Math.rint(panel.widthMm() * 3 / 4), 0)));
      case LEFT -> List.of(new Rest("left hand", new Point(Math.rint(panel.widthMm() / 2), 0)));
      case RIGHT -> List.of(new Rest("right hand", new Point(Math.rint(panel.widthMm() / 2), 0)));
      case CHIN -> List.of(new Rest("chin", new Point(Math.rint(panel.widthMm() / 2), 0)));
      case FOOT -> List.of(new Rest("heel", new Point(Math.rint(panel.widthMm() / 2), 0)));
    };
  }
}
