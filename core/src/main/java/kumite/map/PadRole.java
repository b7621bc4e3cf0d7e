package kumite.map;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import kumite.build.map.AxisName;
import kumite.build.map.Target;

/**
 * The part that a gamepad's button, hat or axis plays for a host, in the order that hosts ask:
 * directions, start, select, faces, shoulders, sticks. Names are those of the common open
 * controller database (SDL, from memory).
 *
 * <p>Which button plays which part follows its number: faces 1 to 4, shoulders 5 and 6, select 7,
 * start 8, sticks pressed 9 and 10 (common practice, no source).
 */
public enum PadRole {
  DPUP("up", 0),
  DPDOWN("down", 0),
  DPLEFT("left", 0),
  DPRIGHT("right", 0),
  START("start", 8),
  BACK("select", 7),
  A("south face", 1),
  B("east face", 2),
  X("west face", 3),
  Y("north face", 4),
  LEFTSHOULDER("left shoulder", 5),
  RIGHTSHOULDER("right shoulder", 6),
  LEFTTRIGGER("left trigger", 0),
  RIGHTTRIGGER("right trigger", 0),
  LEFTX("left stick across", 0),
  LEFTY("left stick up and down", 0),
  RIGHTX("right stick across", 0),
  RIGHTY("right stick up and down", 0),
  LEFTSTICK("left stick pressed", 9),
  RIGHTSTICK("right stick pressed", 10),
  GUIDE("home", 11),
  MISC1("extra button", 12),
  PADDLE1("first paddle", 13),
  PADDLE2("second paddle", 14),
  PADDLE3("third paddle", 15),
  PADDLE4("fourth paddle", 16);

  private final String words;
  private final int button;

  PadRole(String words, int button) {
    this.words = words;
    this.button = button;
  }

  /** {@return in words for people} */
  public String words() {
    return words;
  }

  /** {@return its name in the controller database} */
  public String key() {
    return name().toLowerCase(Locale.ROOT);
  }

  /**
   * {@return the part of a meaning of the first gamepad, if hosts know one}
   *
   * @param twin whether the gamepad has Rx or Ry, so that Z and Rz are triggers and no stick
   */
  public static Optional<PadRole> of(Target target, boolean twin) {
    if (target.pad() != 1) {
      return Optional.empty();
    }
    if (target instanceof Target.Button button) {
      return Arrays.stream(values()).filter(r -> r.button == button.number()).findFirst();
    } else if (target instanceof Target.Hat hat) {
      return Optional.of(
          switch (hat.direction()) {
            case N -> DPUP;
            case E -> DPRIGHT;
            case S -> DPDOWN;
            case W -> DPLEFT;
          });
    } else if (target instanceof Target.Axis axis) {
      return of(axis.axis(), twin);
    }
    return target instanceof Target.AxisEnd end ? of(end.axis(), twin) : Optional.empty();
  }

  private static Optional<PadRole> of(AxisName axis, boolean twin) {
    return Optional.ofNullable(
        switch (axis) {
          case X -> LEFTX;
          case Y -> LEFTY;
          case Z -> twin ? LEFTTRIGGER : RIGHTX;
          case RZ -> twin ? RIGHTTRIGGER : RIGHTY;
          case RX -> RIGHTX;
          case RY -> RIGHTY;
          case SLIDER, DIAL -> null;
        });
  }
}
