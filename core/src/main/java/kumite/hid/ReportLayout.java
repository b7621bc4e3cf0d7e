package kumite.hid;

import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import kumite.build.map.AxisName;
import kumite.build.map.Profile;
import kumite.build.map.Target;

/**
 * The report descriptor of a mapping, and where in its reports each meaning sits.
 *
 * <p>One device can be several things to the host: up to eight gamepads, a keyboard, a mouse and
 * media keys, each with an application collection and a report of its own. Report ids are counted
 * in that order; a single report carries none.
 *
 * <p>The descriptor is the one truth: the fields are read back from its bytes.
 */
public final class ReportLayout {
  /** What the hat reports while no direction is held; outside its range 0 to 7. */
  public static final int HAT_NULL = 8;

  /** The farthest a mouse moves in one report, in dots. */
  public static final int MOST_DOTS = 127;

  /** What a thing to the host is. */
  public enum Part {
    GAMEPAD,
    KEYBOARD,
    MOUSE,
    MEDIA
  }

  /** One report: of which part, and of which gamepad. */
  private record Report(Part part, int pad) {
    static Report of(Target target) {
      Target plain = target.plain();
      if (plain instanceof Target.Key) {
        return new Report(Part.KEYBOARD, 1);
      } else if (plain instanceof Target.Media) {
        return new Report(Part.MEDIA, 1);
      } else if (plain instanceof Target.MouseButton
          || plain instanceof Target.Motion
          || plain instanceof Target.MotionEnd) {
        return new Report(Part.MOUSE, 1);
      }
      return new Report(Part.GAMEPAD, target.pad());
    }
  }

  private record Slot(int reportId, Usage usage) {}

  private final byte[] descriptor;
  private final List<InputField> fields;
  private final Map<Report, Integer> ids;
  private final Map<Slot, InputField> bySlot = new HashMap<>();
  private final Map<Integer, List<InputField>> arrays = new HashMap<>();
  private final Map<Integer, Integer> lengths = new TreeMap<>();

  private ReportLayout(byte[] descriptor, Map<Report, Integer> ids) {
    this.descriptor = descriptor;
    this.ids = Map.copyOf(ids);
    this.fields = DescriptorReader.inputFields(descriptor);
    for (InputField field : fields) {
      if (field.array()) {
        arrays.computeIfAbsent(field.reportId(), id -> new ArrayList<>()).add(field);
      } else {
        bySlot.put(new Slot(field.reportId(), field.usage()), field);
      }
      lengths.merge(field.reportId(), (field.bitOffset() + field.bits() + 7) / 8, Math::max);
    }
  }

  /** The layout for a set of meanings; any number of keys is told at once. */
  public static ReportLayout of(
      Collection<? extends Target> targets, Map<Target, Integer> steps, int axisMaximum) {
    return of(targets, steps, axisMaximum, Profile.Keys.ALL);
  }

  /**
   * The layout for a set of meanings.
   *
   * @param targets all meanings the controller can give; order and repeats do not matter
   * @param steps how many buttons a {@link Target.Steps} takes
   * @param axisMaximum the largest axis value, 1 to 65535
   * @param keys how many keys at once are told
   */
  public static ReportLayout of(
      Collection<? extends Target> targets,
      Map<Target, Integer> steps,
      int axisMaximum,
      Profile.Keys keys) {
    Map<Report, List<Target>> reports =
        new TreeMap<>(java.util.Comparator.comparing(Report::part).thenComparingInt(Report::pad));
    for (Target target : targets) {
      reports.computeIfAbsent(Report.of(target), r -> new ArrayList<>()).add(target);
    }
    if (reports.isEmpty()) {
      reports.put(new Report(Part.GAMEPAD, 1), List.of());
    }
    Map<Report, Integer> ids = new HashMap<>();
    DescriptorWriter out = new DescriptorWriter();
    int next = reports.size() > 1 ? 1 : 0;
    for (Map.Entry<Report, List<Target>> report : reports.entrySet()) {
      ids.put(report.getKey(), next);
      write(out, report.getKey().part(), next, report.getValue(), steps, axisMaximum, keys);
      next++;
    }
    return new ReportLayout(out.toBytes(), ids);
  }

  private static void write(
      DescriptorWriter out,
      Part part,
      int id,
      List<Target> targets,
      Map<Target, Integer> steps,
      int axisMaximum,
      Profile.Keys keys) {
    switch (part) {
      case GAMEPAD -> gamepad(out, id, targets, steps, axisMaximum);
      case KEYBOARD -> {
        int last = 0;
        for (Target target : targets) {
          int usage = ((Target.Key) target).usage();
          last = Math.max(last, usage < 0xE0 ? usage : 0x05);
        }
        if (keys == Profile.Keys.SIX) {
          Applications.sixKeys(out, id, Math.max(last, 0x65));
        } else {
          Applications.allKeys(out, id, last);
        }
      }
      case MOUSE -> {
        int buttons = 3;
        boolean wheel = false;
        for (Target target : targets) {
          if (target instanceof Target.MouseButton button) {
            buttons = Math.max(buttons, button.number());
          } else {
            wheel |= mouseAxis(target).orElseThrow() == Target.MouseAxis.WHEEL;
          }
        }
        Applications.mouse(out, id, buttons, wheel);
      }
      case MEDIA -> {
        Set<Integer> usages = new TreeSet<>();
        targets.forEach(target -> usages.add(((Target.Media) target).usage()));
        Applications.media(out, id, usages);
      }
    }
  }

  private static Optional<Target.MouseAxis> mouseAxis(Target target) {
    return target instanceof Target.Motion motion
        ? Optional.of(motion.axis())
        : target instanceof Target.MotionEnd end ? Optional.of(end.axis()) : Optional.empty();
  }

  private static void gamepad(
      DescriptorWriter out,
      int id,
      List<Target> targets,
      Map<Target, Integer> steps,
      int axisMaximum) {
    int buttons = 0;
    boolean hat = false;
    Set<AxisName> axes = EnumSet.noneOf(AxisName.class);
    for (Target target : targets) {
      Target plain = target.plain();
      if (plain instanceof Target.Button button) {
        buttons = Math.max(buttons, button.number());
      } else if (plain instanceof Target.Steps run) {
        int last = run.first() + steps.getOrDefault(target, 1) - 1;
        buttons = Math.max(buttons, Math.min(128, last));
      } else if (plain instanceof Target.Axis axis) {
        axes.add(axis.axis());
      } else if (plain instanceof Target.AxisEnd end) {
        axes.add(end.axis());
      } else if (plain instanceof Target.Hat) {
        hat = true;
      }
    }
    Applications.gamepad(out, id, buttons, hat, axes, axisMaximum);
  }

  /** {@return the usage of an axis: X 0x30 upward to Dial 0x37 (HID Usage Tables, page 0x01)} */
  public static Usage usageOf(AxisName axis) {
    return new Usage(Usage.GENERIC_DESKTOP, 0x30 + axis.ordinal());
  }

  /** {@return the usage of what a mouse moves: X 0x30, Y 0x31, Wheel 0x38, on the same page} */
  public static Usage usageOf(Target.MouseAxis axis) {
    return switch (axis) {
      case X -> new Usage(Usage.GENERIC_DESKTOP, 0x30);
      case Y -> new Usage(Usage.GENERIC_DESKTOP, 0x31);
      case WHEEL -> new Usage(Usage.GENERIC_DESKTOP, 0x38);
    };
  }

  /** {@return the usage that a meaning reports; for a run of steps that of its first button} */
  public static Usage usageOf(Target any) {
    Target target = any.plain();
    if (target instanceof Target.Button button) {
      return new Usage(Usage.BUTTON, button.number());
    } else if (target instanceof Target.MouseButton button) {
      return new Usage(Usage.BUTTON, button.number());
    } else if (target instanceof Target.Steps steps) {
      return new Usage(Usage.BUTTON, steps.first());
    } else if (target instanceof Target.Axis axis) {
      return usageOf(axis.axis());
    } else if (target instanceof Target.AxisEnd end) {
      return usageOf(end.axis());
    } else if (target instanceof Target.Hat) {
      return Usage.HAT;
    } else if (target instanceof Target.Key key) {
      return new Usage(Usage.KEYBOARD, key.usage());
    } else if (target instanceof Target.Media media) {
      return new Usage(Usage.CONSUMER, media.usage());
    }
    return usageOf(mouseAxis(target).orElseThrow());
  }

  /** {@return the descriptor's bytes} */
  public byte[] descriptor() {
    return descriptor.clone();
  }

  /** {@return all fields in the order of the descriptor} */
  public List<InputField> fields() {
    return fields;
  }

  /** {@return the field that a meaning is reported in, if the descriptor has it} */
  public Optional<InputField> fieldOf(Target target) {
    return fieldOf(target, usageOf(target));
  }

  /** {@return the field of another usage in the report of a meaning, if the descriptor has it} */
  public Optional<InputField> fieldOf(Target target, Usage usage) {
    Optional<Integer> id = Optional.ofNullable(ids.get(Report.of(target)));
    return id.flatMap(
        i ->
            Optional.ofNullable(bySlot.get(new Slot(i, usage)))
                .or(
                    () ->
                        arrays.getOrDefault(i, List.of()).stream()
                            .filter(field -> usage.page() == field.usage().page())
                            .findFirst()));
  }

  /** {@return the fields of a report that tell which keys are on, where it tells them so} */
  public List<InputField> arrays(int reportId) {
    return arrays.getOrDefault(reportId, List.of());
  }

  /** {@return the report ids, ascending; a single 0 where the descriptor uses none} */
  public List<Integer> reportIds() {
    return lengths.isEmpty() ? List.of(0) : new ArrayList<>(lengths.keySet());
  }

  /** {@return the length of a transfer of that report in bytes, with its id} */
  public int lengthBytes(int reportId) {
    return lengths.getOrDefault(reportId, 0);
  }

  /** {@return what a report is to the host} */
  public Part part(int reportId) {
    return ids.entrySet().stream()
        .filter(entry -> entry.getValue() == reportId)
        .map(entry -> entry.getKey().part())
        .findFirst()
        .orElse(Part.GAMEPAD);
  }

  /** {@return what a report is in words, such as {@code gamepad 2}} */
  public String words(int reportId) {
    long pads = ids.keySet().stream().filter(r -> r.part() == Part.GAMEPAD).count();
    return ids.entrySet().stream()
        .filter(entry -> entry.getValue() == reportId)
        .map(Map.Entry::getKey)
        .findFirst()
        .map(
            report ->
                switch (report.part()) {
                  case GAMEPAD ->
                      pads > 1 || report.pad() > 1 ? "gamepad " + report.pad() : "gamepad";
                  case KEYBOARD -> "keyboard";
                  case MOUSE -> "mouse";
                  case MEDIA -> "media keys";
                })
        .orElse("gamepad");
  }

  /** {@return a transfer of that report with nothing held: hat null, all else 0} */
  public byte[] blank(int reportId) {
    byte[] transfer = new byte[lengthBytes(reportId)];
    if (reportId > 0 && transfer.length > 0) {
      transfer[0] = (byte) reportId;
    }
    InputField hat = bySlot.get(new Slot(reportId, Usage.HAT));
    if (hat != null) {
      hat.write(transfer, HAT_NULL);
    }
    return transfer;
  }
}
