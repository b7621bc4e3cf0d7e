package kumite.hid;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import kumite.measure.Check;
import kumite.signal.Level;
import kumite.signal.Limits;
import kumite.signal.PortFile;
import kumite.signal.PortKind;
import kumite.signal.SignalLine;
import kumite.signal.Timed;
import kumite.signal.UsbPad;
import kumite.signal.UsbReport;
import kumite.working.Source;

/**
 * USB pads by what they tell their host: buttons, axes and a hat of a report descriptor as a kind
 * of port (HID 1.11, section 6.2.2; usages of the HID usage tables, from memory).
 *
 * <pre>{@code
 * UsbPads.Told told = UsbPads.of(descriptor, UsbPads.Wish.called("Table stick"));
 * told.kind().buttons(); // [1, 2, 3, Up, Right, Down, Left]
 * }</pre>
 */
public final class UsbPads {
  private static final int JOYSTICK = 0x04;
  private static final int GAMEPAD = 0x05;
  private static final int AXES_DEVICE = 0x08;
  private static final int SIMULATION = 0x02;
  private static final int MOST_AXIS_BITS = 16;
  private static final List<String> HAT = List.of("Up", "Right", "Down", "Left");
  private static final Map<Integer, String> DIRECTIONS =
      Map.of(0x90, "Up", 0x91, "Down", 0x92, "Right", 0x93, "Left");
  private static final Map<Integer, String> AXES =
      Map.of(
          0x30, "X", 0x31, "Y", 0x32, "Z", 0x33, "Rx", 0x34, "Ry", 0x35, "Rz", 0x36, "Slider", 0x37,
          "Dial", 0x38, "Wheel");
  private static final Map<Integer, String> SIMULATED =
      Map.of(
          0xBA, "Rudder", 0xBB, "Throttle", 0xC4, "Accelerator", 0xC5, "Brake", 0xC8, "Steering");

  /** At low speed a host asks each 10 ms at most (USB 2.0, 9.6.6: 10 to 255 ms). */
  private static final int LOW_SPEED_MS = 10;

  private final List<String> left = new ArrayList<>();
  private final Map<String, UsbReport.Place> buttons = new LinkedHashMap<>();
  private final Map<String, UsbReport.Place> axes = new LinkedHashMap<>();
  private Optional<UsbReport.Hat> hat = Optional.empty();

  private UsbPads() {}

  /**
   * What the builder knows of a pad beside its descriptor.
   *
   * @param id of the kind of port that is made
   * @param name for people
   * @param full whether it is a full-speed device; else a low-speed one
   * @param report which of its reports; empty for the first that is a pad's
   */
  public record Wish(String id, String name, boolean full, Optional<Integer> report) {
    /** {@return a full-speed pad of that name, whose first report counts} */
    public static Wish called(String name) {
      return new Wish(id(name), name, true, Optional.empty());
    }

    /** {@return a name as the id of a kind of port} */
    public static String id(String name) {
      String plain =
          name.toLowerCase(java.util.Locale.ROOT)
              .replaceAll("[^a-z0-9]+", "-")
              .replaceAll("^-|-$", "");
      List<String> words = List.of(plain.split("-"));
      String short5 = String.join("-", words.subList(0, Math.min(5, words.size())));
      return short5.isEmpty() ? "own-usb-pad" : "usb-" + short5;
    }
  }

  /**
   * A pad.
   *
   * @param kind it as a kind of port
   * @param left what its reports say beside that, which is not taken; in words
   * @param others the ids of further reports that are those of a pad
   */
  public record Told(PortKind kind, List<String> left, List<Integer> others) {
    public Told {
      left = List.copyOf(left);
      others = List.copyOf(others);
    }
  }

  /**
   * Reads a descriptor.
   *
   * @throws IllegalArgumentException if it is broken, tells of no pad, or of one that says its
   *     buttons in a way that is not read; the message says which
   */
  public static Told of(byte[] descriptor, Wish wish) {
    Check.writable(wish.name(), "name");
    DescriptorTree tree = DescriptorTree.of(descriptor);
    List<InputField> fields = DescriptorReader.inputFields(descriptor);
    Set<Integer> pads = new LinkedHashSet<>();
    fields.stream().filter(UsbPads::ofPad).forEach(field -> pads.add(field.reportId()));
    if (pads.isEmpty()) {
      Set<String> devices =
          fields.stream()
              .map(f -> UsageNames.usage(f.application().page(), f.application().id()))
              .collect(Collectors.toCollection(LinkedHashSet::new));
      throw new IllegalArgumentException(
          "the descriptor tells of no pad or stick"
              + (devices.isEmpty() ? "" : ", but of: " + String.join(", ", devices)));
    }
    int id = wish.report().orElse(pads.iterator().next());
    if (!pads.contains(id)) {
      throw new IllegalArgumentException("report " + id + " is none of a pad; use " + words(pads));
    }
    UsbPads made = new UsbPads();
    fields.stream().filter(f -> f.reportId() == id && ofPad(f)).forEach(made::take);
    int bytes =
        tree.reports().stream()
            .filter(r -> r.type() == DescriptorTree.Type.INPUT && r.id() == id)
            .findFirst()
            .orElseThrow()
            .bytes();
    List<Integer> others = pads.stream().filter(other -> other != id).toList();
    return new Told(made.kind(wish, id, bytes), made.left, others);
  }

  private static String words(Set<Integer> ids) {
    return ids.stream().map(String::valueOf).collect(Collectors.joining(", "));
  }

  private static boolean ofPad(InputField field) {
    Usage app = field.application();
    return app.page() == Usage.GENERIC_DESKTOP
        && Set.of(JOYSTICK, GAMEPAD, AXES_DEVICE).contains(app.id());
  }

  private void take(InputField field) {
    int page = field.usage().page();
    int id = field.usage().id();
    if (field.array()) {
      leave(field, "it says numbers, not a bit each");
    } else if (field.relative()) {
      leave(field, "it says how far something went, not where it is");
    } else if (page == Usage.BUTTON && id > 0) {
      place(field, Integer.toString(id), buttons);
    } else if (field.usage().equals(Usage.HAT)) {
      hat(field);
    } else if (page == Usage.GENERIC_DESKTOP && DIRECTIONS.containsKey(id)) {
      place(field, DIRECTIONS.get(id), buttons);
    } else if (page == Usage.GENERIC_DESKTOP && AXES.containsKey(id)) {
      place(field, AXES.get(id), axes);
    } else if (page == SIMULATION && SIMULATED.containsKey(id)) {
      place(field, SIMULATED.get(id), axes);
    } else {
      leave(field, "it is neither button nor axis");
    }
  }

  private void leave(InputField field, String why) {
    left.add(
        "bit "
            + bit(field)
            + ", "
            + UsageNames.usage(field.usage().page(), field.usage().id())
            + ": "
            + why);
  }

  /** Counted from the first bit after the report's id. */
  private static int bit(InputField field) {
    return field.bitOffset() - (field.reportId() > 0 ? 8 : 0);
  }

  private static UsbReport.Place at(InputField field) {
    return new UsbReport.Place(
        bit(field), field.bits(), field.logicalMinimum(), field.logicalMaximum());
  }

  private void place(InputField field, String name, Map<String, UsbReport.Place> named) {
    if (field.bits() > MOST_AXIS_BITS) {
      leave(field, "it has " + field.bits() + " bits, more than " + MOST_AXIS_BITS);
      return;
    }
    try {
      named.put(fresh(name), at(field));
    } catch (IllegalArgumentException e) {
      leave(field, e.getMessage());
    }
  }

  /** Two of one usage: the second one gets a number. */
  private String fresh(String name) {
    Set<String> taken = new HashSet<>(buttons.keySet());
    taken.addAll(axes.keySet());
    hat.ifPresent(one -> taken.addAll(one.says()));
    String next = name;
    for (int n = 2; taken.contains(next); n++) {
      next = name + " " + n;
    }
    return next;
  }

  private void hat(InputField field) {
    if (hat.isPresent()) {
      leave(field, "it is a second hat, and one is taken");
      return;
    }
    try {
      List<String> says = HAT.stream().map(this::fresh).toList();
      hat = Optional.of(new UsbReport.Hat(at(field), says));
    } catch (IllegalArgumentException e) {
      leave(field, e.getMessage());
    }
  }

  private PortKind kind(Wish wish, int id, int bytes) {
    if (buttons.isEmpty() && hat.isEmpty()) {
      throw new IllegalArgumentException("report " + id + " says no button that is read" + why());
    }
    UsbReport report = new UsbReport(id, bytes, buttons, axes, hat);
    PortKind plain = PortFile.find(PortFile.standard(), "usb-pad").orElseThrow();
    Map<Timed, Limits> times = new LinkedHashMap<>(plain.times());
    if (!wish.full()) {
      times.put(Timed.FRAME, Limits.micros(9990, 1000.0 * LOW_SPEED_MS, 10_010));
      times.put(Timed.TO_ANSWER, Limits.micros(2, 4, 8));
    }
    return PortKind.checked(
        new PortKind(
            wish.id(),
            wish.name() + ": a USB pad, by its report descriptor",
            plain.pinout(),
            plain.volts(),
            plain.worksFromVolts(),
            plain.lineVolts(),
            plain.lines().stream().map(line -> resting(line, wish.full())).toList(),
            times,
            report.says(),
            List.copyOf(axes.keySet()),
            new UsbPad(wish.full(), Optional.of(report)),
            Source.derived("the device's own report descriptor")));
  }

  /** At low speed it is the other line that the device lifts. */
  private static SignalLine resting(SignalLine line, boolean full) {
    Level idle = Level.of((line.idle() == Level.HIGH) == full);
    return new SignalLine(line.name(), line.pin(), line.from(), idle, line.pull());
  }

  private String why() {
    return left.isEmpty()
        ? ""
        : ": " + String.join("; ", left.subList(0, Math.min(3, left.size())));
  }
}
