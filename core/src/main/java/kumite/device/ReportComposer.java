package kumite.device;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import kumite.build.map.AxisName;
import kumite.build.map.Target;
import kumite.circuit.InputLevels;
import kumite.hid.InputField;
import kumite.hid.ReportLayout;
import kumite.hid.Usage;
import kumite.kind.BoardKind;
import kumite.power.Converter;

/** Packs the settled state of all contacts into reports. */
final class ReportComposer {
  /** A wiper mapped to a press counts as pressed from the middle of its travel. */
  private static final double PRESSED_FROM = 0.5;

  private final ReportLayout layout;
  private final List<SignalPath> paths;
  private final BoardKind board;

  ReportComposer(ReportLayout layout, List<SignalPath> paths, BoardKind board) {
    this.layout = layout;
    this.paths = paths.stream().filter(SignalPath::whole).toList();
    this.board = board;
  }

  /** {@return the transfer of one report id in the given state} */
  byte[] compose(int reportId, ToDoubleFunction<SignalPath> travel) {
    byte[] transfer = layout.blank(reportId);
    Set<Target.Direction> hat = EnumSet.noneOf(Target.Direction.class);
    Map<AxisName, int[]> ends = new EnumMap<>(AxisName.class);
    for (SignalPath path : paths) {
      InputField field = path.field().orElseThrow();
      if (field.reportId() != reportId) {
        continue;
      }
      double at = felt(path, travel.applyAsDouble(path));
      boolean pressed = at >= PRESSED_FROM;
      Target target = path.site().entry().orElseThrow().target();
      if (target instanceof Target.Steps steps) {
        step(transfer, path, steps, at);
      } else if (target instanceof Target.Axis) {
        field.write(transfer, axisValue(path, field, at));
      } else if (target instanceof Target.AxisEnd end) {
        int[] both = ends.computeIfAbsent(end.axis(), axis -> new int[2]);
        both[end.high() ? 1 : 0] |= pressed ? 1 : 0;
      } else if (target instanceof Target.Hat direction) {
        if (pressed) {
          hat.add(direction.direction());
        }
      } else if (pressed) {
        field.write(transfer, 1);
      }
    }
    ends.forEach(
        (axis, both) -> {
          InputField field = layout.fieldOf(ReportLayout.usageOf(axis)).orElseThrow();
          int centre = (field.logicalMaximum() + 1) / 2;
          int value = both[0] == both[1] ? centre : both[1] == 1 ? field.logicalMaximum() : 0;
          field.write(transfer, value);
        });
    layout
        .fieldOf(Usage.HAT)
        .filter(field -> field.reportId() == reportId)
        .ifPresent(field -> field.write(transfer, hatValue(hat)));
    return transfer;
  }

  /** A contact wired at its resting tab is closed until it is pressed. */
  private static double felt(SignalPath path, double at) {
    return !path.site().contact().type().analog() && path.site().control().hookup().restsClosed()
        ? 1 - at
        : at;
  }

  private void step(byte[] transfer, SignalPath path, Target.Steps steps, double at) {
    int count = path.site().kind().steps();
    if (count < 2) {
      return; // a finding says so
    }
    int step = (int) Math.rint(at * (count - 1));
    Optional<InputField> field = layout.fieldOf(new Usage(Usage.BUTTON, steps.first() + step));
    field.ifPresent(f -> f.write(transfer, 1));
  }

  private int axisValue(SignalPath path, InputField field, double at) {
    if (!path.site().contact().type().analog()) {
      return at >= PRESSED_FROM ? field.logicalMaximum() : 0;
    }
    double volts = InputLevels.voltsAt(board, path.site().kind(), at);
    return Converter.code(volts, board.logicVolts(), board.adcBits());
  }

  /** {@return 0 to 7 clockwise from north; opposites cancel; null where nothing is left} */
  static int hatValue(Set<Target.Direction> held) {
    int north =
        (held.contains(Target.Direction.N) ? 1 : 0) - (held.contains(Target.Direction.S) ? 1 : 0);
    int east =
        (held.contains(Target.Direction.E) ? 1 : 0) - (held.contains(Target.Direction.W) ? 1 : 0);
    int[][] byNorthEast = {
      {5, 4, 3}, // south: west, none, east
      {6, ReportLayout.HAT_NULL, 2},
      {7, 0, 1}
    };
    return byNorthEast[north + 1][east + 1];
  }

  /** {@return a report of the transfer} */
  static Trace.Report report(long us, int id, byte[] transfer) {
    List<Integer> bytes = new ArrayList<>(transfer.length);
    for (byte b : transfer) {
      bytes.add(b & 0xFF);
    }
    return new Trace.Report(us, id, bytes);
  }

  /** {@return whether two transfers are the same} */
  static boolean same(byte[] a, byte[] b) {
    return Arrays.equals(a, b);
  }
}
