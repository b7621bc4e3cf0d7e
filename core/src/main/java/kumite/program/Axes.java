package kumite.program;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.build.map.AxisName;
import kumite.build.map.Ramp;
import kumite.build.map.Target;
import kumite.hid.InputField;
import kumite.hid.ReportLayout;

/**
 * What the axes of all gamepads and of the mouse stand at. Not thread-safe.
 *
 * <p>An axis goes where a switch at one of its ends asks for; else where an analog contact or
 * pulses put it; else it stays, or rests in the middle if switches drive it.
 */
final class Axes {
  /** Motion of the mouse while a switch is held, in dots a second: common practice, no source. */
  static final int DOTS_PER_SECOND = 500;

  /** Steps of the wheel while a switch is held, a second: common practice, no source. */
  static final int WHEEL_PER_SECOND = 10;

  /** One dot of motion, in the millionths that are kept. */
  static final long DOT = 1_000_000;

  /** One axis of a gamepad. */
  private static final class Axis {
    final InputField field;
    final Optional<Ramp> ramp;
    final int low;
    final int high;
    int value;
    int travel;
    boolean driven;

    Axis(InputField field, Optional<Ramp> ramp, int low, int high) {
      this.field = field;
      this.ramp = ramp;
      this.low = low;
      this.high = high;
      this.value = low >= 0 || high >= 0 ? middle() : 0;
    }

    Axis copy() {
      Axis copy = new Axis(field, ramp, low, high);
      copy.value = value;
      copy.travel = travel;
      copy.driven = driven;
      return copy;
    }

    int most() {
      return field.logicalMaximum();
    }

    int middle() {
      return (most() + 1) / 2;
    }
  }

  private final List<Axis> axes = new ArrayList<>();
  private final int[] axisOf; // by meaning, of those that put an axis somewhere
  private final InputField[] mouse = new InputField[Target.MouseAxis.values().length];
  private final long[] dots = new long[Target.MouseAxis.values().length];
  private boolean changed;

  Axes(List<Target> targets, ReportLayout layout, Map<AxisName, Ramp> ramps) {
    axisOf = new int[targets.size()];
    java.util.Arrays.fill(axisOf, -1);
    for (int t = 0; t < targets.size(); t++) {
      Target target = targets.get(t);
      Target plain = target.plain();
      Optional<InputField> field = layout.fieldOf(target);
      if (plain instanceof Target.Motion motion) {
        field.ifPresent(f -> mouse[motion.axis().ordinal()] = f);
      } else if (plain instanceof Target.MotionEnd end) {
        field.ifPresent(f -> mouse[end.axis().ordinal()] = f);
      } else if (field.isPresent()
          && (plain instanceof Target.Axis || plain instanceof Target.AxisEnd)) {
        AxisName name =
            plain instanceof Target.Axis whole ? whole.axis() : ((Target.AxisEnd) plain).axis();
        axisOf[t] = axis(field.get(), target.pad(), name, targets, ramps);
      }
    }
  }

  private Axes(Axes other) {
    other.axes.forEach(axis -> axes.add(axis.copy()));
    axisOf = other.axisOf;
    System.arraycopy(other.mouse, 0, mouse, 0, mouse.length);
    System.arraycopy(other.dots, 0, dots, 0, dots.length);
    changed = other.changed;
  }

  private int axis(
      InputField field, int pad, AxisName name, List<Target> targets, Map<AxisName, Ramp> ramps) {
    for (int i = 0; i < axes.size(); i++) {
      if (axes.get(i).field.equals(field)) {
        return i;
      }
    }
    Target low = new Target.AxisEnd(name, false);
    Target high = new Target.AxisEnd(name, true);
    axes.add(
        new Axis(
            field,
            Optional.ofNullable(ramps.get(name)),
            targets.indexOf(pad == 1 ? low : new Target.OnPad(pad, low)),
            targets.indexOf(pad == 1 ? high : new Target.OnPad(pad, high))));
    return axes.size() - 1;
  }

  /** An analog contact puts an axis somewhere. */
  void put(int target, AxisShape shape, int code) {
    if (axisOf[target] >= 0) {
      Axis axis = axes.get(axisOf[target]);
      axis.driven = true;
      set(axis, shape.value(code, axis.most()));
    }
  }

  /** A switch that means a whole axis puts it to one end or the other. */
  void put(int target, boolean on) {
    if (axisOf[target] >= 0) {
      Axis axis = axes.get(axisOf[target]);
      axis.driven = true;
      set(axis, on ? axis.most() : 0);
    }
  }

  /** Pulses move an axis, and stop at its ends; a turn goes from end to end. */
  void step(int target, int steps, int perTurn, int perStep) {
    if (axisOf[target] >= 0) {
      Axis axis = axes.get(axisOf[target]);
      axis.driven = true;
      long way = (long) steps * (axis.most() + 1) * perStep / perTurn;
      set(axis, (int) Math.max(0, Math.min(axis.most(), axis.value + way)));
    }
  }

  /** Pulses or a travel move the mouse. */
  void move(Target.MouseAxis axis, long millionths) {
    dots[axis.ordinal()] += millionths;
  }

  /** Begins a look: nothing has put an axis anywhere yet. */
  void begin() {
    axes.forEach(axis -> axis.driven = false);
  }

  /**
   * Ends a look.
   *
   * @param on by meaning, whether it is given
   * @param us since the look before
   */
  void end(boolean[] on, long us) {
    for (Axis axis : axes) {
      boolean low = axis.low >= 0 && on[axis.low];
      boolean high = axis.high >= 0 && on[axis.high];
      int wanted = low == high ? 0 : low ? -AxisShape.FULL : AxisShape.FULL;
      int before = axis.travel;
      axis.travel =
          axis.ramp.isPresent() ? Slide.next(before, wanted, us, axis.ramp.get()) : wanted;
      boolean byEnds = axis.low >= 0 || axis.high >= 0;
      if (byEnds && (axis.travel != 0 || low || high || !axis.driven)) {
        int middle = axis.middle();
        long span = axis.travel >= 0 ? axis.most() - middle : middle;
        set(axis, middle + (int) (axis.travel * span / AxisShape.FULL));
      }
    }
  }

  private void set(Axis axis, int value) {
    changed |= axis.value != value;
    axis.value = value;
  }

  /** {@return whether an axis is on its way to an end or back} */
  boolean sliding(boolean[] on) {
    for (Axis axis : axes) {
      if (axis.ramp.isPresent()) {
        boolean low = axis.low >= 0 && on[axis.low];
        boolean high = axis.high >= 0 && on[axis.high];
        int wanted = low == high ? 0 : low ? -AxisShape.FULL : AxisShape.FULL;
        if (axis.travel != wanted) {
          return true;
        }
      }
    }
    return false;
  }

  /** {@return whether an axis moved or the mouse has something to tell since it was told} */
  boolean news() {
    boolean any = changed;
    for (long d : dots) {
      any |= Math.abs(d) >= DOT;
    }
    return any;
  }

  /** Writes the axes of one report; a tap of an end puts its axis there for this report. */
  void write(int reportId, byte[] transfer, Taps taps) {
    for (Axis axis : axes) {
      if (axis.field.reportId() == reportId) {
        boolean low = axis.low >= 0 && taps.on(axis.low);
        boolean high = axis.high >= 0 && taps.on(axis.high);
        axis.field.write(
            transfer, low && high ? axis.middle() : low ? 0 : high ? axis.most() : axis.value);
      }
    }
    for (int i = 0; i < dots.length; i++) {
      if (mouse[i] != null && mouse[i].reportId() == reportId) {
        mouse[i].write(transfer, told(i));
      }
    }
  }

  private int told(int mouseAxis) {
    long whole = dots[mouseAxis] / DOT;
    return (int) Math.max(-ReportLayout.MOST_DOTS, Math.min(ReportLayout.MOST_DOTS, whole));
  }

  /** {@return whether a report tells of motion} */
  boolean moves(int reportId) {
    for (int i = 0; i < dots.length; i++) {
      if (mouse[i] != null && mouse[i].reportId() == reportId && told(i) != 0) {
        return true;
      }
    }
    return false;
  }

  /** Motion that was sent is over. */
  void sent(int reportId) {
    for (int i = 0; i < dots.length; i++) {
      if (mouse[i] != null && mouse[i].reportId() == reportId) {
        dots[i] -= told(i) * DOT;
      }
    }
  }

  /** All axes have been told. */
  void told() {
    changed = false;
  }

  Axes copy() {
    return new Axes(this);
  }
}
