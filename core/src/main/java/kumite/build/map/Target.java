package kumite.build.map;

import java.util.Objects;
import kumite.measure.Check;

/** What a contact means to the host: one place in a report. */
public sealed interface Target {
  /** {@return which gamepad of the device reports it, 1 for the first; others ignore it} */
  default int pad() {
    return 1;
  }

  /** {@return the meaning itself, whichever gamepad reports it} */
  default Target plain() {
    return this;
  }

  /** {@return whether it follows where a control stands, as an axis or the mouse does} */
  default boolean follows() {
    return false;
  }

  /** {@return whether it comes of a travel, so that no press gives it: what follows, and steps} */
  default boolean travels() {
    return follows();
  }

  /**
   * A place in the report of another gamepad of the same device.
   *
   * @param pad 2 to 8
   * @param plain a button, axis, end of an axis, hat or steps
   */
  record OnPad(int pad, Target plain) implements Target {
    public OnPad {
      Check.between(2, 8, pad, "pad");
      if (plain instanceof OnPad
          || plain instanceof Key
          || plain instanceof Media
          || plain instanceof MouseButton
          || plain instanceof Motion
          || plain instanceof MotionEnd) {
        throw new IllegalArgumentException(
            "only what a gamepad reports can be on pad " + pad + ": a button, axis, hat or steps");
      }
    }

    @Override
    public boolean follows() {
      return plain.follows();
    }

    @Override
    public boolean travels() {
      return plain.travels();
    }
  }

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

    @Override
    public boolean follows() {
      return true;
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
   * A media key.
   *
   * @param usage its number on the consumer page of the HID usage tables; 1 to 1023
   */
  record Media(int usage) implements Target {
    public Media {
      Check.between(1, 1023, usage, "media usage");
    }
  }

  /**
   * A button of the mouse.
   *
   * @param number 1 left, 2 right, 3 middle; to 8
   */
  record MouseButton(int number) implements Target {
    public MouseButton {
      Check.between(1, 8, number, "mouse button");
    }
  }

  /** Motion of the mouse that follows pulses, or how far an analog contact is from its rest. */
  record Motion(MouseAxis axis) implements Target {
    public Motion {
      Objects.requireNonNull(axis, "axis");
    }

    @Override
    public boolean follows() {
      return true;
    }
  }

  /**
   * Motion of the mouse while a switch is held.
   *
   * @param high right, down, or the wheel away from the hand
   */
  record MotionEnd(MouseAxis axis, boolean high) implements Target {
    public MotionEnd {
      Objects.requireNonNull(axis, "axis");
    }
  }

  /** What a mouse moves. */
  enum MouseAxis {
    X("Mouse X"),
    Y("Mouse Y"),
    WHEEL("Wheel");

    private final String words;

    MouseAxis(String words) {
      this.words = words;
    }

    /** {@return in the words of the map} */
    public String words() {
      return words;
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

    @Override
    public boolean travels() {
      return true;
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
