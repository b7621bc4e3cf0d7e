package kumite.panel;

import java.util.List;
import java.util.Optional;
import kumite.measure.Point;
import kumite.name.ControlId;
import kumite.working.Working;

/**
 * One measured gap.
 *
 * @param kind what it lies between
 * @param controls the controls it lies between: two, one against something else, or none where the
 *     board meets a wall
 * @param against what the other side is where it is no control, such as {@code the left wall};
 *     empty between two controls
 * @param gapMm how much there is; negative for an overlap
 * @param neededMm how much is needed
 * @param from its end at the first control, or at the board
 * @param to its other end
 * @param working how it was measured
 */
public record Gap(
    Kind kind,
    List<ControlId> controls,
    String against,
    double gapMm,
    double neededMm,
    Point from,
    Point to,
    Working working) {

  /** What a gap lies between. */
  public enum Kind {
    SWING_SWING(Height.ABOVE, "swing to swing"),
    FLANGE_FLANGE(Height.FACE, "flange to flange"),
    HOLE_HOLE(Height.PANEL, "hole to hole"),
    HOLE_EDGE(Height.PANEL, "hole to panel edge"),
    BODY_BODY(Height.BELOW, "body to body"),
    WRENCH_BODY(Height.BELOW, "wrench to body"),
    BODY_WALL(Height.BELOW, "body to wall"),
    BODY_BLOCK(Height.BELOW, "body to block"),
    BODY_BOARD(Height.BELOW, "body to board"),
    BODY_PLUG(Height.BELOW, "body to the board's plug"),
    BOARD_WALL(Height.BELOW, "board to wall"),
    PLUG_WALL(Height.BELOW, "plug to wall"),
    BOARD_BLOCK(Height.BELOW, "board or plug to block"),
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

  public Gap {
    controls = List.copyOf(controls);
  }

  /** {@return the control it belongs to; empty where the board meets a wall} */
  public Optional<ControlId> control() {
    return controls.isEmpty() ? Optional.empty() : Optional.of(controls.get(0));
  }

  /** {@return the other control, where there is one} */
  public Optional<ControlId> other() {
    return controls.size() < 2 ? Optional.empty() : Optional.of(controls.get(1));
  }

  /** {@return whether a control takes part} */
  public boolean touches(ControlId id) {
    return controls.contains(id);
  }

  /** {@return how much is missing, 0 where there is enough} */
  public double missingMm() {
    // A hundredth of a millimetre is less than any drill holds and more than rounding adds.
    double missing = neededMm - gapMm;
    return missing > 0.01 ? missing : 0;
  }
}
