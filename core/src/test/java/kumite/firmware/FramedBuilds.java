package kumite.firmware;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.Stream;
import kumite.Builds;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.build.map.AxisName;
import kumite.build.map.Mapping;
import kumite.build.map.Target;
import kumite.build.port.Port;
import kumite.hid.DrawnPad;
import kumite.hid.UsbPads;
import kumite.loom.Loom;
import kumite.loom.Strand;
import kumite.measure.Placement;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.signal.KeyFrame;
import kumite.signal.Limits;
import kumite.signal.Packet;
import kumite.signal.PortFile;
import kumite.signal.PortKind;
import kumite.signal.SerialBytes;
import kumite.signal.SerialLatch;
import kumite.signal.Timed;

/** Builds whose pads talk in frames: of several kinds, some of them nobody else's. */
final class FramedBuilds {
  private static final List<String> BOARDS =
      List.of(
          "native-5v-54",
          "native-3v3-48",
          "native-5v-18",
          "native-3v3-26",
          "header-40",
          "radio-3v3-21");

  private FramedBuilds() {}

  /** {@return the kinds that are asked in frames, and own ones beside them} */
  static List<PortKind> kinds() {
    List<PortKind> kinds = new ArrayList<>();
    for (PortKind kind : PortFile.standard()) {
      if (kind.mechanism().asking(kind).isPresent()
          || kind.mechanism() instanceof KeyFrame
          || kind.mechanism() instanceof SerialBytes) {
        kinds.add(kind);
      }
    }
    PortKind latch = PortFile.find(PortFile.standard(), "serial-latch-16").orElseThrow();
    for (SerialLatch.Shift shift : SerialLatch.Shift.values()) {
      kinds.add(
          with(
              latch,
              "late-" + shift.ordinal(),
              new SerialLatch(shift, SerialLatch.Take.BEFORE_FALL),
              latch.axes(),
              latch.times()));
    }
    PortKind packet = PortFile.find(PortFile.standard(), "packet").orElseThrow();
    kinds.add(
        with(
            packet,
            "plain-packet",
            new Packet(List.of(1, 66, 0), List.of(255, 65, 90)),
            List.of(),
            packet.times()));
    PortKind six = PortFile.find(PortFile.standard(), "select-line-6").orElseThrow();
    Map<Timed, Limits> long300 = new LinkedHashMap<>(six.times());
    long300.put(Timed.FORGET, Limits.micros(290_000, 300_000, 310_000));
    long300.put(Timed.FRAME, Limits.micros(400_000, 400_000, 400_000));
    kinds.add(with(six, "patient-six", six.mechanism(), six.axes(), long300));
    // Its lines stand longer than one step of the program can say.
    Map<Timed, Limits> slow = new LinkedHashMap<>(packet.times());
    slow.put(Timed.TO_BYTE, Limits.micros(700, 700, 800));
    kinds.add(
        with(packet, "slow-packet", new Packet(List.of(9), List.of(7)), List.of("Turn"), slow));
    return kinds;
  }

  private static PortKind with(
      PortKind kind,
      String id,
      kumite.signal.Mechanism mechanism,
      List<String> axes,
      Map<Timed, Limits> times) {
    return PortKind.checked(
        new PortKind(
            id,
            kind.what(),
            kind.pinout(),
            kind.volts(),
            kind.worksFromVolts(),
            kind.lineVolts(),
            kind.lines(),
            times,
            kind.order(),
            axes,
            mechanism,
            kind.source()));
  }

  /** {@return a build of one to four pads drawn by chance, all of whose buttons mean something} */
  static Build draw(SplittableRandom random) {
    return draw(random, kinds(), BOARDS.get(random.nextInt(BOARDS.size())));
  }

  /** {@return the same with a board that hosts a USB pad of its own, and maybe others beside it} */
  static Build hosted(SplittableRandom random) {
    boolean small = random.nextInt(3) == 0;
    DrawnPad pad = DrawnPad.of(random, small);
    UsbPads.Wish wish = new UsbPads.Wish("usb-drawn", "Drawn", !small, Optional.empty());
    PortKind kind = UsbPads.of(pad.descriptor(), wish).kind();
    PortKind beside = kinds().get(random.nextInt(kinds().size() - 1));
    return draw(
        random, random.nextBoolean() ? List.of(kind) : List.of(kind, beside), "host-3v3-20");
  }

  private static Build draw(SplittableRandom random, List<PortKind> kinds, String board) {
    Build build =
        Builds.wired(
            random.nextBoolean() ? Builds.buttons() : Builds.buttons(60, 60, 120, 60), board);
    build = build.withPorts(build.ports().withKinds(own(kinds)));
    Mapping mapping = build.mapping();
    int button = 1;
    int axis = 0;
    PortKind first = kinds.get(random.nextInt(kinds.size()));
    for (int i = random.nextInt(4); i >= 0; i--) {
      PortKind kind = random.nextInt(3) > 0 ? first : kinds.get(random.nextInt(kinds.size()));
      ControlId id = build.freshId("Pad " + (i + 1));
      Port port =
          Port.of(id, "Pad " + (i + 1), kind.id(), Placement.at(20 + 40 * i, random.nextInt(200)));
      build = build.withPorts(build.ports().with(port));
      for (PortKind.Bit bit :
          Stream.concat(kind.contacts().stream(), kind.axisContacts().stream()).toList()) {
        boolean turns = kind.axes().contains(bit.button());
        if (turns && axis < AxisName.values().length && random.nextBoolean()) {
          Target to = new Target.Axis(AxisName.values()[axis++]);
          mapping = mapping.with(new ContactId(id, bit.contact()), new Mapping.Entry(to, ""));
        } else if (button <= 64) {
          Target to = new Target.Button(button++);
          mapping = mapping.with(new ContactId(id, bit.contact()), new Mapping.Entry(to, ""));
        }
      }
    }
    build = build.withMapping(mapping);
    if (random.nextInt(3) == 0) {
      build = RandomBuilds.layered(build, random);
    }
    boolean keys =
        build.ports().ports().stream().anyMatch(port -> port.kind().equals("keyboard-frame"));
    return random.nextInt(3) > 0
        ? build
        : keys ? without(build, random) : RandomBuilds.spoiled(build, random);
  }

  /** What a keyboard's wires carry where they are joined to others, the bed does not play. */
  private static Build without(Build build, SplittableRandom random) {
    List<Strand> strands = Loom.of(build, Catalogue.standard().with(build)).strands();
    Strand out = strands.get(random.nextInt(strands.size()));
    return build.withLoom(build.loom().withLeftOut(out.wire()));
  }

  /**
   * {@return a build of two pads of a kind, or of one that sends bytes, with a button of each and
   * an axis where it has one}
   */
  static Build of(String id) {
    PortKind kind = PortFile.find(PortFile.standard(), id).orElseThrow();
    Build build =
        Builds.wired(Builds.buttons(60, 60), kind.volts() > 4 ? BOARDS.get(0) : BOARDS.get(1));
    Mapping mapping = build.mapping();
    int pads = kind.mechanism() instanceof SerialBytes ? 1 : 2;
    for (int i = 1; i <= pads; i++) {
      ControlId port = new ControlId("pad-" + i);
      build =
          build.withPorts(
              build.ports().with(Port.of(port, "Pad " + i, id, Placement.at(40 * i, 100))));
      Target to = new Target.Button(i);
      String contact = kind.contacts().get(i).contact();
      mapping = mapping.with(new ContactId(port, contact), new Mapping.Entry(to, ""));
      if (!kind.axes().isEmpty()) {
        Target axis = new Target.Axis(AxisName.values()[i]);
        String turns = kind.axisContacts().get(i).contact();
        mapping = mapping.with(new ContactId(port, turns), new Mapping.Entry(axis, ""));
      }
    }
    return build.withMapping(mapping);
  }

  private static List<PortKind> own(List<PortKind> kinds) {
    return kinds.stream()
        .filter(kind -> PortFile.find(PortFile.standard(), kind.id()).isEmpty())
        .toList();
  }
}
