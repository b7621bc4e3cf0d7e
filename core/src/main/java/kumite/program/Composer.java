package kumite.program;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import kumite.build.map.Target;
import kumite.hid.InputField;
import kumite.hid.ReportLayout;
import kumite.hid.Usage;

/** Step 12: reports of what is on. */
final class Composer {
  /** More keys than are told: the usage that says so (HID 1.11, appendix C, from memory). */
  private static final int ROLL_OVER = 1;

  private final ReportLayout layout;
  private final List<Target> targets;
  private final List<Optional<InputField>> fields;

  Composer(ReportLayout layout, List<Target> targets) {
    this.layout = layout;
    this.targets = targets;
    this.fields = targets.stream().map(layout::fieldOf).toList();
  }

  /** {@return whether a meaning has a place in a report} */
  boolean tells(int target) {
    return target >= 0 && fields.get(target).isPresent();
  }

  /**
   * {@return one report}
   *
   * @param on by meaning, whether it is given
   * @param axes what the axes stand at
   * @param stepped by meaning of a stepped switch, the step it stands at from 0
   */
  byte[] compose(int reportId, boolean[] on, Axes axes, Taps taps, int[] stepped) {
    byte[] transfer = layout.blank(reportId);
    Set<Target.Direction> hat = EnumSet.noneOf(Target.Direction.class);
    Set<Integer> keys = new java.util.TreeSet<>();
    Optional<InputField> hatField = Optional.empty();
    for (int t = 0; t < on.length; t++) {
      InputField field = fields.get(t).orElse(null);
      if (field == null || field.reportId() != reportId) {
        continue;
      }
      Target plain = targets.get(t).plain();
      if (plain instanceof Target.Hat direction) {
        hatField = Optional.of(field);
        if (on[t]) {
          hat.add(direction.direction());
        }
      } else if (plain instanceof Target.Steps steps) {
        Usage usage = new Usage(Usage.BUTTON, steps.first() + Math.max(0, stepped[t]));
        if (stepped[t] >= 0) {
          layout.fieldOf(targets.get(t), usage).ifPresent(f -> f.write(transfer, 1));
        }
      } else if (on[t] && field.array()) {
        keys.add(((Target.Key) plain).usage());
      } else if (on[t] && field.bits() == 1) {
        field.write(transfer, 1);
      }
    }
    hatField.ifPresent(field -> field.write(transfer, hatValue(hat)));
    keys(transfer, layout.arrays(reportId), keys);
    axes.write(reportId, transfer, taps);
    return transfer;
  }

  private static void keys(byte[] transfer, List<InputField> places, Set<Integer> keys) {
    boolean tooMany = keys.size() > places.size();
    int at = 0;
    for (InputField place : tooMany ? places : List.<InputField>of()) {
      place.write(transfer, ROLL_OVER);
    }
    for (int key : tooMany ? Set.<Integer>of() : keys) {
      places.get(at++).write(transfer, key);
    }
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
}
