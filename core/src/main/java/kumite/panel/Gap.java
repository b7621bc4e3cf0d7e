package kumite.panel;

import java.util.Optional;
import kumite.build.ControlId;
import kumite.build.Point;
import kumite.working.Working;

/**
 * One measured gap.
 *
 * @param kind what it lies between
 * @param control the control it belongs to
 * @param other the other control; empty where it is a wall, an edge or the board
 * @param gapMm how much there is; negative for an overlap
 * @param neededMm how much is needed
 * @param from its end at the control
 * @param to its other end
 * @param working how it was measured
 */
public record Gap(
    Kind kind,
    ControlId control,
    Optional<ControlId> other,
    double gapMm,
    double neededMm,
    Point from,
    Point to,
    Working working) {

  /** What a gap lies between. */
  public enum Kind {
    HOLE_HOLE(Height.PANEL, "hole to hole"),
    HOLE_EDGE(Height.PANEL, "hole to panel edge"),
    FLANGE_FLANGE(Height.FACE, "flange to flange"),
    BODY_BODY(Height.BELOW, "body to body"),
    BODY_WALL(Height.BELOW, "body to wall"),
    BODY_BOARD(Height.BELOW, "body to board"),
    DEPTH(Height.BELOW, "body to case floor");

    private final Height height;
    private final String words;

    Kind(Height height, String words) {
      this.height = height;
      this.words = words;
    }

    /** {@return the level at which it is measured} */
    public Height height() {
      return height;
    }

    /** {@return the kind in words for people} */
    public String words() {
      return words;
    }
  }

  /** {@return how much is missing, 0 where there is enough} */
  public double missingMm() {
    // A hundredth of a millimetre is less than any drill holds and more than rounding adds.
    double missing = neededMm - gapMm;
    return missing > 0.01 ? missing : 0;
  }
}
