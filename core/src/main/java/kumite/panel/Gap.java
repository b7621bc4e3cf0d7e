package kumite.panel;

import java.util.List;
import java.util.Optional;
import kumite.finding.Drawn;
import kumite.measure.Point;
import kumite.name.ControlId;
import kumite.name.SeatId;
import kumite.working.Shown;
import kumite.working.Working;

/**
 * The room between two things, or between one and what surrounds it.
 *
 * @param kind what it lies between
 * @param controls the controls that take part, one or two; none where a board meets a wall
 * @param thing what takes part in place of a control
 * @param against what else: a wall, a block, the board; empty between two controls
 * @param gapMm what is there, negative by how far they must part
 * @param neededMm what should be there
 * @param from where it is narrowest, on the first
 * @param to and on the other
 * @param shown how it came about
 */
public record Gap(
    Kind kind,
    List<ControlId> controls,
    Thing thing,
    String against,
    double gapMm,
    double neededMm,
    Point from,
    Point to,
    Shown shown)
    implements Drawn {

  /**
   * What is no control: a board or a block.
   *
   * @param words its name; empty for none
   * @param board whose board it is
   */
  public record Thing(String words, Optional<SeatId> board) {
    /** No thing: controls take part. */
    public static final Thing NONE = new Thing("", Optional.empty());
  }

  /** What makes a gap one that cannot be built. */
  enum Stops {
    /** The two meet or cross. */
    MEETING,
    /** Less than half of what the material needs is left. */
    HALF,
    /** It is a matter of the order of work, or of a hole elsewhere. */
    NEVER
  }

  /** What a gap lies between. */
  public enum Kind {
    SWING_SWING(Height.ABOVE, Stops.MEETING, "swing to swing"),
    CAP_CAP(Height.ABOVE, Stops.MEETING, "cap to cap"),
    FLANGE_FLANGE(Height.FACE, Stops.MEETING, "flange to flange"),
    HEAD_FLANGE(Height.FACE, Stops.MEETING, "screw head to flange"),
    BOARD_SCREW(Height.FACE, Stops.MEETING, "screw of the board to flange"),
    FLANGE_EDGE(Height.FACE, Stops.MEETING, "flange to panel edge"),
    HOLE_HOLE(Height.PANEL, Stops.HALF, "hole to hole"),
    HOLE_EDGE(Height.PANEL, Stops.HALF, "hole to panel edge"),
    BODY_BODY(Height.BELOW, Stops.MEETING, "body to body"),
    WRENCH_BODY(Height.BELOW, Stops.NEVER, "wrench to body"),
    WRENCH_WALL(Height.BELOW, Stops.NEVER, "wrench to wall"),
    WRENCH_BLOCK(Height.BELOW, Stops.NEVER, "wrench to block"),
    WRENCH_BOARD(Height.BELOW, Stops.NEVER, "wrench to board"),
    BODY_WALL(Height.BELOW, Stops.MEETING, "body to wall"),
    BODY_BLOCK(Height.BELOW, Stops.MEETING, "body to block"),
    BODY_BOARD(Height.BELOW, Stops.MEETING, "body to board"),
    BODY_PLUG(Height.BELOW, Stops.MEETING, "body to the board's plug"),
    BOARD_WALL(Height.BELOW, Stops.MEETING, "board to wall"),
    PLUG_WALL(Height.BELOW, Stops.NEVER, "plug to wall"),
    BOARD_BLOCK(Height.BELOW, Stops.MEETING, "board or plug to block"),
    BOARD_BOARD(Height.BELOW, Stops.MEETING, "board or plug to another board"),
    LID_WALL(Height.BELOW, Stops.MEETING, "what hangs to wall as the lid swings"),
    LID_BLOCK(Height.BELOW, Stops.MEETING, "what hangs to block as the lid swings"),
    LID_BOARD(Height.BELOW, Stops.MEETING, "what hangs to board as the lid swings"),
    DEPTH(Height.BELOW, Stops.MEETING, "body to case floor"),
    BOARD_DEPTH(Height.BELOW, Stops.MEETING, "board in the case's depth");

    private final Height height;
    private final Stops stops;
    private final String words;

    Kind(Height height, Stops stops, String words) {
      this.height = height;
      this.stops = stops;
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

    /** {@return whether it is measured downward, from the panel to the floor} */
    public boolean downward() {
      return this == DEPTH || this == BOARD_DEPTH;
    }
  }

  public Gap {
    controls = List.copyOf(controls);
  }

  /** {@return the control it belongs to; empty where a board meets a wall} */
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

  /** {@return how it came about} */
  public Working working() {
    return shown.working();
  }

  /** {@return how much is missing, 0 where there is enough} */
  public double missingMm() {
    // A hundredth of a millimetre is less than any drill holds and more than rounding adds.
    double missing = neededMm - gapMm;
    return missing > 0.01 ? missing : 0;
  }

  /** {@return whether the two meet or cross} */
  public boolean meets() {
    // Two edges laid on each other by arithmetic may come out a rounding apart.
    return gapMm <= 1e-9;
  }

  /** {@return whether it cannot be built so; what is merely narrow can, with care} */
  public boolean stops() {
    return missingMm() > 0
        && switch (kind.stops) {
          case MEETING -> meets();
          case HALF -> gapMm < neededMm / 2;
          case NEVER -> false;
        };
  }
}
