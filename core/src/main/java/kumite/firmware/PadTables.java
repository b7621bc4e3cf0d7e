package kumite.firmware;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import kumite.circuit.Talking;
import kumite.loom.Talk;
import kumite.name.ContactId;
import kumite.signal.Asking;
import kumite.signal.KeyFrame;
import kumite.signal.Level;
import kumite.signal.Packet;
import kumite.signal.Phased;
import kumite.signal.Pin;
import kumite.signal.PortKind;
import kumite.signal.SerialLatch;
import kumite.signal.SignalLine;
import kumite.signal.Timed;

/** Pads that talk in frames, and their wires, as tables for the simulated board. */
final class PadTables {
  private static final int SAYS_LOW = -1;
  private static final int SAYS_HIGH = -2;

  private final Map<ContactId, Integer> contacts;
  private final Map<String, Integer> terminals;
  private final List<Talking> talks;
  private final List<Talking> keyboards;
  private final List<String> heard = new ArrayList<>();

  private final List<String> rows = new ArrayList<>();
  private final List<String> lines = new ArrayList<>();
  private final List<String> pads = new ArrayList<>();
  private final List<Integer> nets = new ArrayList<>();
  private final List<Integer> rails = new ArrayList<>();
  private final List<Integer> says = new ArrayList<>();
  private final List<Integer> bytes = new ArrayList<>();
  private final List<Integer> known = new ArrayList<>();
  private final List<Integer> bits = new ArrayList<>();
  private final List<Integer> axes = new ArrayList<>();
  private final List<Integer> codes = new ArrayList<>();

  PadTables(List<Talking> talks, Map<ContactId, Integer> contacts, Map<String, Integer> terminals) {
    this.talks = talks.stream().filter(talk -> talk.asked().pad().asked()).toList();
    this.keyboards = talks.stream().filter(talk -> talk.asked().pad().clocked()).toList();
    this.contacts = contacts;
    this.terminals = terminals;
    this.talks.forEach(this::talk);
    keyboards.forEach(this::keyboard);
  }

  /** {@return how much there is at most, and what there is} */
  String header() {
    String keys =
        keyboards.isEmpty()
            ? ""
            : "\nextern const struct keyboard world_keyboards[];\n"
                + "extern const int world_pad_bits[];\n"
                + "extern const int world_key_codes[];\n";
    if (talks.isEmpty()) {
      return keys;
    }
    return keys
        + "\n"
        + most("MOST_TALK_LINES", talk -> talk.asked().kind().lines().size())
        + most("MOST_TALK_NETS", PadTables::netCount)
        + most("MOST_TALK_PADS", talk -> talk.pads().size())
        + most("MOST_TALK_BITS", talk -> order(talk.asked().kind()).size())
        + """

        extern const struct talk world_talks[];
        extern const struct talk_line world_talk_lines[];
        extern const struct talk_pad world_talk_pads[];
        extern const int world_talk_nets[];
        extern const int world_talk_rails[];
        extern const int world_says[];
        extern const int world_talk_bytes[];
        extern const int world_talk_known[];
        extern const int world_pad_bits[];
        extern const int world_pad_axes[];
        """;
  }

  private String most(String name, Function<Talking, Integer> of) {
    int most = talks.stream().map(of).max(Integer::compare).orElseThrow();
    return "#define " + name + " " + Math.max(1, most) + "\n";
  }

  /** {@return the tables} */
  String source() {
    String keys =
        keyboards.isEmpty()
            ? ""
            : table("struct keyboard world_keyboards", heard) + numbers("world_key_codes", codes);
    if (talks.isEmpty()) {
      return keys.isEmpty() ? "" : keys + numbers("world_pad_bits", bits);
    }
    return keys
        + table("struct talk world_talks", rows)
        + table("struct talk_line world_talk_lines", lines)
        + table("struct talk_pad world_talk_pads", pads)
        + numbers("world_talk_nets", nets)
        + numbers("world_talk_rails", rails)
        + numbers("world_says", says)
        + numbers("world_talk_bytes", bytes)
        + numbers("world_talk_known", known)
        + numbers("world_pad_bits", bits)
        + numbers("world_pad_axes", axes);
  }

  static String table(String name, List<String> rows) {
    return "\nconst " + name + "[] = {\n  " + String.join(",\n  ", rows) + "\n};\n";
  }

  /** C has no empty arrays; nothing reads the last number. */
  private static String numbers(String name, List<Integer> all) {
    String text = all.stream().map(n -> n + ", ").collect(Collectors.joining());
    return "\nconst int " + name + "[] = {" + text + "0};\n";
  }

  private static int netCount(Talking talk) {
    return 1 + talk.nets().values().stream().max(Integer::compare).orElse(0);
  }

  /** {@return the names of the bits that a pad of a kind says, in order; blank where it is none} */
  private static List<String> order(PortKind kind) {
    return kind.mechanism() instanceof Phased ? kind.buttons() : kind.order();
  }

  private void talk(Talking talk) {
    PortKind kind = talk.asked().kind();
    int linesAt = lines.size();
    int padsAt = pads.size();
    int railsAt = rails.size();
    int saysAt = says.size();
    int bytesAt = bytes.size();
    int knownAt = known.size();
    for (SignalLine line : kind.lines()) {
      lines.add(line(talk, line));
    }
    for (int i = 0; i < talk.pads().size(); i++) {
      pads.add(pad(talk, i));
    }
    for (int net = 0; net < netCount(talk); net++) {
      Level rail = talk.rails().get(net);
      rails.add(rail == null ? -1 : rail == Level.HIGH ? 1 : 0);
    }
    Asking asking = kind.mechanism().asking(kind).orElseThrow();
    asking.known().forEach((bit, level) -> known.add(2 * bit + (level == Level.HIGH ? 1 : 0)));
    String name;
    int phases = 0;
    int select = 0;
    long forgetUs = 0;
    int asked = 0;
    boolean falls = false;
    if (kind.mechanism() instanceof Phased phased) {
      name = "TALK_PHASED";
      phases = phased.phases().size();
      select = at(kind, phased.select().orElseThrow());
      forgetUs = (kind.time(Timed.FORGET).mostNs() + 999) / 1000;
      phased
          .phases()
          .forEach(phase -> kind.lines().forEach(line -> says.add(says(kind, phase, line))));
    } else if (kind.mechanism() instanceof Packet packet) {
      name = "TALK_PACKET";
      asked = packet.question().size();
      bytes.addAll(packet.question());
      bytes.addAll(packet.identity());
      for (String line : List.of("select", "clock", "command", "data", "acknowledge")) {
        says.add(at(kind, line));
      }
    } else if (kind.mechanism() instanceof SerialLatch latch) {
      name = "TALK_LATCH";
      falls = latch.shift() == SerialLatch.Shift.FALL;
      for (String line : List.of("latch", "clock", "data")) {
        says.add(at(kind, line));
      }
    } else {
      throw new IllegalStateException("no stand-in of " + kind.id());
    }
    rows.add(
        World.braced(
            name,
            linesAt,
            kind.lines().size(),
            padsAt,
            talk.pads().size(),
            netCount(talk),
            railsAt,
            saysAt,
            phases,
            select,
            forgetUs,
            bytesAt,
            asked,
            falls,
            knownAt,
            asking.known().size()));
  }

  /**
   * A keyboard says its bytes over two wires, of which both ends must be right: what is heard of
   * others is played in the workbench alone.
   */
  private void keyboard(Talking talk) {
    PortKind kind = talk.asked().kind();
    boolean right = talk.fed().contains(1);
    for (String line : List.of("clock", "data")) {
      int net = talk.nets().get(new Pin(Pin.CONSOLE, line));
      long there = talk.nets().values().stream().filter(n -> n == net).count();
      right &= talk.nets().get(new Pin(1, line)) == net && there == 2;
      right &= !talk.rails().containsKey(net) && !talk.unpulled().contains(line);
    }
    int bitsAt = bits.size();
    int codesAt = codes.size();
    for (PortKind.Bit key : kind.contacts()) {
      bits.add(contact(talk.asked(), key));
      List<Integer> code = ((KeyFrame) kind.mechanism()).codes().get(key.button());
      codes.add(code.size() > 1 ? code.get(0) : 0);
      codes.add(code.get(code.size() - 1));
    }
    int data =
        Optional.ofNullable(talk.asked().lines().get("data"))
            .map(at -> terminals.get(at.name()))
            .orElse(-1);
    heard.add(World.braced(right, data, bitsAt, codesAt, kind.contacts().size()));
  }

  private static int at(PortKind kind, String line) {
    return kind.lines().indexOf(kind.line(line));
  }

  private static int says(PortKind kind, Map<String, Phased.Says> phase, SignalLine line) {
    Phased.Says says = phase.get(line.name());
    if (says instanceof Phased.Says.Button button) {
      return kind.buttons().indexOf(button.name());
    }
    return says instanceof Phased.Says.Always always && always.level() == Level.LOW
        ? SAYS_LOW
        : SAYS_HIGH;
  }

  private String line(Talking talk, SignalLine line) {
    return World.braced(
        Optional.ofNullable(talk.asked().lines().get(line.name()))
            .map(at -> terminals.get(at.name()))
            .orElse(-1),
        line.from() == SignalLine.From.CONSOLE,
        line.from() == SignalLine.From.PAD,
        line.idle() == Level.HIGH,
        line.pull().isPresent() && !talk.unpulled().contains(line.name()),
        talk.nets().get(new Pin(Pin.CONSOLE, line.name())));
  }

  private String pad(Talking talk, int number) {
    Talk pad = talk.pads().get(number);
    PortKind kind = pad.kind();
    int netsAt = nets.size();
    int bitsAt = bits.size();
    int axesAt = axes.size();
    kind.lines().forEach(line -> nets.add(talk.nets().get(new Pin(number + 1, line.name()))));
    for (String button : order(kind)) {
      bits.add(
          kind.contacts().stream()
              .filter(bit -> bit.button().equals(button))
              .findFirst()
              .map(bit -> contact(pad, bit))
              .orElse(-1));
    }
    kind.axisContacts().forEach(axis -> axes.add(contact(pad, axis)));
    return World.braced(
        talk.fed().contains(number + 1),
        netsAt,
        bitsAt,
        order(kind).size(),
        axesAt,
        kind.axes().size());
  }

  private int contact(Talk pad, PortKind.Bit bit) {
    return contacts.getOrDefault(new ContactId(pad.pad().port().id(), bit.contact()), -1);
  }
}
