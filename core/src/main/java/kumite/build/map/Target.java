package kumite.build.map;

import java.util.Objects;
import kumite.measure.Check;

/** What a contact means to the host: one place in a report. */
public sealed interface Target {

  /**
   * A gamepad button.
   *
   * @param number 1 to 128
   */
  record Button(int number) implements Target {
    public Button {
      Check.between(1, 128, number, "button number");
    }
  }

  /** An axis that follows a wiper or a ladder from end to end. */
  record Axis(AxisName axis) implements Target {
    public Axis {
      Objects.requireNonNull(axis, "axis");
    }
  }

  /**
   * One end of an axis that a switch drives.
   *
   * @param axis the axis
   * @param high whether it is the end of the largest value
   */
  record AxisEnd(AxisName axis, boolean high) implements Target {
    public AxisEnd {
      Objects.requireNonNull(axis, "axis");
    }
  }

  /** One direction of the hat; neighbours held together give the diagonal. */
  record Hat(Direction direction) implements Target {
    public Hat {
      Objects.requireNonNull(direction, "direction");
    }
  }

  /**
   * A keyboard key.
   *
   * @param usage its number on the keyboard page of the HID usage tables; 4 to 231
   */
  record Key(int usage) implements Target {
    public Key {
      Check.between(0x04, 0xE7, usage, "key usage");
    }
  }

  /**
   * One button for each step of a rotary switch.
   *
   * @param first the button of step one; 1 to 128
   */
  record Steps(int first) implements Target {
    public Steps {
      Check.between(1, 128, first, "first button");
    }
  }

  /** The hat's main directions. */
  enum Direction {
    N("up"),
    E("right"),
    S("down"),
    W("left");

    private final String words;

    Direction(String words) {
      this.words = words;
    }

    /** {@return the direction in words, seen from above} */
    public String words() {
      return words;
    }
  }
}
