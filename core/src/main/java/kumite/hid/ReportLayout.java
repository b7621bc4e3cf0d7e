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
import kumite.build.map.AxisName;
import kumite.build.map.Target;

/**
 * The report descriptor of a mapping, and where in its reports each meaning sits.
 *
 * <p>Gamepad report: buttons from 1 to the highest used, one bit each; the hat in four bits; axes
 * of sixteen bits. Keyboard report: eight modifier bits, then one bit per key, so that any number
 * of keys can be held at once. Where a build uses both, the gamepad is report 1 and the keyboard
 * report 2; a single report carries no id.
 *
 * <p>The descriptor is the one truth: the fields are read back from its bytes.
 */
public final class ReportLayout {
  /** What the hat reports while no direction is held; outside its range 0 to 7. */
  public static final int HAT_NULL = 8;

  private final byte[] descriptor;
  private final List<InputField> fields;
  private final Map<Usage, InputField> byUsage = new HashMap<>();
  private final Map<Integer, Integer> lengths = new TreeMap<>();

  private ReportLayout(byte[] descriptor) {
    this.descriptor = descriptor;
    this.fields = DescriptorReader.inputFields(descriptor);
    for (InputField field : fields) {
      byUsage.put(field.usage(), field);
      lengths.merge(field.reportId(), (field.bitOffset() + field.bits() + 7) / 8, Math::max);
    }
  }

  /**
   * The layout for a set of meanings.
   *
   * @param targets all meanings the controller can give; order and repeats do not matter
   * @param steps how many buttons a {@link Target.Steps} takes, by its first button
   * @param axisMaximum the largest axis value, 1 to 65535
   */
  public static ReportLayout of(
      Collection<? extends Target> targets, Map<Integer, Integer> steps, int axisMaximum) {
    int buttons = 0;
    boolean hat = false;
    int lastKey = 0;
    Set<AxisName> axes = EnumSet.noneOf(AxisName.class);
    for (Target target : targets) {
      if (target instanceof Target.Button button) {
        buttons = Math.max(buttons, button.number());
      } else if (target instanceof Target.Steps run) {
        buttons = Math.max(buttons, run.first() + steps.getOrDefault(run.first(), 1) - 1);
      } else if (target instanceof Target.Axis axis) {
        axes.add(axis.axis());
      } else if (target instanceof Target.AxisEnd end) {
        axes.add(end.axis());
      } else if (target instanceof Target.Hat) {
        hat = true;
      } else if (target instanceof Target.Key key) {
        lastKey = Math.max(lastKey, key.usage() < 0xE0 ? key.usage() : 0x05);
      }
    }
    boolean gamepad = buttons > 0 || hat || !axes.isEmpty();
    boolean both = gamepad && lastKey > 0;
    DescriptorWriter out = new DescriptorWriter();
    if (gamepad || lastKey == 0) {
      writeGamepad(out, both ? 1 : 0, buttons, hat, axes, axisMaximum);
    }
    if (lastKey > 0) {
      writeKeyboard(out, both ? 2 : 0, lastKey);
    }
    return new ReportLayout(out.toBytes());
  }

  private static void writeGamepad(
      DescriptorWriter out, int id, int buttons, boolean hat, Set<AxisName> axes, int axisMaximum) {
    begin(out, Usage.GAMEPAD, id);
    if (buttons > 0) {
      out.item(DescriptorWriter.USAGE_PAGE, Usage.BUTTON)
          .item(DescriptorWriter.USAGE_MINIMUM, 1)
          .item(DescriptorWriter.USAGE_MAXIMUM, buttons)
          .signed(DescriptorWriter.LOGICAL_MINIMUM, 0)
          .signed(DescriptorWriter.LOGICAL_MAXIMUM, 1)
          .item(DescriptorWriter.REPORT_SIZE, 1)
          .item(DescriptorWriter.REPORT_COUNT, buttons)
          .item(DescriptorWriter.INPUT, DescriptorWriter.VARIABLE);
      pad(out, (8 - buttons % 8) % 8);
    }
    if (hat) {
      out.item(DescriptorWriter.USAGE_PAGE, Usage.GENERIC_DESKTOP)
          .item(DescriptorWriter.USAGE, Usage.HAT.id())
          .signed(DescriptorWriter.LOGICAL_MINIMUM, 0)
          .signed(DescriptorWriter.LOGICAL_MAXIMUM, 7)
          .signed(DescriptorWriter.PHYSICAL_MINIMUM, 0)
          .signed(DescriptorWriter.PHYSICAL_MAXIMUM, 315)
          .item(DescriptorWriter.UNIT, 0x14) // degrees: English rotation, exponent of degrees 1
          .item(DescriptorWriter.REPORT_SIZE, 4)
          .item(DescriptorWriter.REPORT_COUNT, 1)
          .item(DescriptorWriter.INPUT, DescriptorWriter.VARIABLE | DescriptorWriter.NULL_STATE)
          // Physical range and unit stay in force until changed; the axes have none.
          .signed(DescriptorWriter.PHYSICAL_MINIMUM, 0)
          .signed(DescriptorWriter.PHYSICAL_MAXIMUM, 0)
          .item(DescriptorWriter.UNIT, 0);
      pad(out, 4);
    }
    if (!axes.isEmpty()) {
      out.item(DescriptorWriter.USAGE_PAGE, Usage.GENERIC_DESKTOP);
      axes.forEach(axis -> out.item(DescriptorWriter.USAGE, usageOf(axis).id()));
      out.signed(DescriptorWriter.LOGICAL_MINIMUM, 0)
          .signed(DescriptorWriter.LOGICAL_MAXIMUM, axisMaximum)
          .item(DescriptorWriter.REPORT_SIZE, 16)
          .item(DescriptorWriter.REPORT_COUNT, axes.size())
          .item(DescriptorWriter.INPUT, DescriptorWriter.VARIABLE);
    }
    out.end();
  }

  private static void writeKeyboard(DescriptorWriter out, int id, int lastKey) {
    int keys = (lastKey - 0x04) / 8 * 8 + 8; // whole bytes
    begin(out, Usage.KEYBOARD_DEVICE, id);
    out.item(DescriptorWriter.USAGE_PAGE, Usage.KEYBOARD)
        .item(DescriptorWriter.USAGE_MINIMUM, 0xE0)
        .item(DescriptorWriter.USAGE_MAXIMUM, 0xE7)
        .signed(DescriptorWriter.LOGICAL_MINIMUM, 0)
        .signed(DescriptorWriter.LOGICAL_MAXIMUM, 1)
        .item(DescriptorWriter.REPORT_SIZE, 1)
        .item(DescriptorWriter.REPORT_COUNT, 8)
        .item(DescriptorWriter.INPUT, DescriptorWriter.VARIABLE)
        .item(DescriptorWriter.USAGE_MINIMUM, 0x04)
        .item(DescriptorWriter.USAGE_MAXIMUM, 0x04 + keys - 1)
        .item(DescriptorWriter.REPORT_COUNT, keys)
        .item(DescriptorWriter.INPUT, DescriptorWriter.VARIABLE)
        .end();
  }

  private static void begin(DescriptorWriter out, Usage device, int id) {
    out.item(DescriptorWriter.USAGE_PAGE, device.page())
        .item(DescriptorWriter.USAGE, device.id())
        .item(DescriptorWriter.COLLECTION, DescriptorWriter.APPLICATION);
    if (id > 0) {
      out.item(DescriptorWriter.REPORT_ID, id);
    }
  }

  private static void pad(DescriptorWriter out, int bits) {
    if (bits > 0) {
      out.item(DescriptorWriter.REPORT_SIZE, bits)
          .item(DescriptorWriter.REPORT_COUNT, 1)
          .item(DescriptorWriter.INPUT, DescriptorWriter.CONSTANT);
    }
  }

  /** {@return the usage of an axis: X 0x30 upward to Dial 0x37 (HID Usage Tables, page 0x01)} */
  public static Usage usageOf(AxisName axis) {
    return new Usage(Usage.GENERIC_DESKTOP, 0x30 + axis.ordinal());
  }

  /** {@return the usage that a meaning reports; for a run of steps that of its first button} */
  public static Usage usageOf(Target target) {
    if (target instanceof Target.Button button) {
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
    }
    throw new AssertionError(target);
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
    return Optional.ofNullable(byUsage.get(usageOf(target)));
  }

  /** {@return the field of a usage, if the descriptor has it} */
  public Optional<InputField> fieldOf(Usage usage) {
    return Optional.ofNullable(byUsage.get(usage));
  }

  /** {@return the report ids, ascending; a single 0 where the descriptor uses none} */
  public List<Integer> reportIds() {
    return lengths.isEmpty() ? List.of(0) : new ArrayList<>(lengths.keySet());
  }

  /** {@return the length of a transfer of that report in bytes, with its id} */
  public int lengthBytes(int reportId) {
    return lengths.getOrDefault(reportId, 0);
  }

  /** {@return a transfer of that report with nothing held: hat null, all else 0} */
  public byte[] blank(int reportId) {
    byte[] transfer = new byte[lengthBytes(reportId)];
    if (reportId > 0 && transfer.length > 0) {
      transfer[0] = (byte) reportId;
    }
    InputField hat = byUsage.get(Usage.HAT);
    if (hat != null && hat.reportId() == reportId) {
      hat.write(transfer, HAT_NULL);
    }
    return transfer;
  }
}
