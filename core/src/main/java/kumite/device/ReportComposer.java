package kumite.device;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import kumite.build.map.AxisName;
import kumite.build.map.Target;
import kumite.circuit.Seen;
import kumite.hid.InputField;
import kumite.hid.ReportLayout;
import kumite.hid.Usage;
import kumite.loom.Look;
import kumite.name.ContactId;

/** Packs what the board has taken in by all its looks into reports. */
final class ReportComposer {
  private final ReportLayout layout;
  private final List<Meaning> meanings;
  private final int axisMaximum;

  ReportComposer(ReportLayout layout, List<Meaning> meanings, int axisMaximum) {
    this.layout = layout;
    this.meanings = meanings.stream().filter(m -> m.field().isPresent()).toList();
    this.axisMaximum = axisMaximum;
  }

  /** {@return whether a contact's look has a place in a report} */
  boolean reports(ContactId contact) {
    return meanings.stream().anyMatch(m -> m.look().contact().filter(contact::equals).isPresent());
  }

  /** {@return the transfer of one report id with looks settled so} */
  byte[] compose(int reportId, Function<Look, Seen> settled) {
    byte[] transfer = layout.blank(reportId);
    Set<Target.Direction> hat = EnumSet.noneOf(Target.Direction.class);
    Map<AxisName, int[]> ends = new EnumMap<>(AxisName.class);
    for (Meaning meaning : meanings) {
      InputField field = meaning.field().orElseThrow();
      if (field.reportId() != reportId) {
        continue;
      }
      Seen seen = settled.apply(meaning.look());
      boolean pressed = pressed(meaning, seen);
      Target target = meaning.target().orElseThrow();
      if (target instanceof Target.Steps steps) {
        step(transfer, meaning, steps, seen);
      } else if (target instanceof Target.Axis) {
        field.write(transfer, value(meaning, field, seen));
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

  /** {@return whether volts are taken as they are: a wiper or a stepped switch, not a button} */
  private static boolean travels(Meaning meaning) {
    return meaning.look().measured() && !(meaning.look().how() instanceof Look.Step);
  }

  /** A wiper mapped to a press counts as pressed from the middle of its travel. */
  private boolean pressed(Meaning meaning, Seen seen) {
    return travels(meaning) ? seen.code() * 2 > axisMaximum : seen.pressed();
  }

  private void step(byte[] transfer, Meaning meaning, Target.Steps steps, Seen seen) {
    if (meaning.steps() < 2) {
      return; // a finding says so
    }
    int step = (int) Math.rint(seen.code() / (double) axisMaximum * (meaning.steps() - 1));
    Optional<InputField> field = layout.fieldOf(new Usage(Usage.BUTTON, steps.first() + step));
    field.ifPresent(f -> f.write(transfer, 1));
  }

  private int value(Meaning meaning, InputField field, Seen seen) {
    return travels(meaning) ? seen.code() : seen.pressed() ? field.logicalMaximum() : 0;
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
}
