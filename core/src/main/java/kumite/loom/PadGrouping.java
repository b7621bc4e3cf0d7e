package kumite.loom;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import kumite.build.loom.Group;
import kumite.build.loom.Topology;
import kumite.component.Component;
import kumite.kind.Terminal;
import kumite.lead.Plugs;
import kumite.map.TargetText;
import kumite.measure.Point;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.signal.Phased;
import kumite.signal.PortKind;
import kumite.signal.SerialBytes;
import kumite.signal.SignalLine;
import kumite.signal.Timed;
import kumite.signal.UsbPad;

/**
 * Pads of one kind at ports of one board: the lines that the board drives go from socket to socket,
 * those that it reads come from each socket.
 */
final class PadGrouping implements Grouping {
  private static final String DATA = "data";

  /**
   * {@return the groups of the pads among some contacts: by kind, as they share their lines; those
   * that tell reports share none and are one each; where each contact is on a line of its own, one
   * for each, since each is of use by itself}
   */
  static List<Group> groups(List<ContactSite> sites) {
    Map<Object, List<ContactSite>> together = new LinkedHashMap<>();
    for (ContactSite site : sites) {
      site.pad()
          .map(pad -> pad.plain() ? site.id() : pad.tells() ? pad.port().id() : pad.kind())
          .ifPresent(key -> together.computeIfAbsent(key, k -> new ArrayList<>()).add(site));
    }
    return together.values().stream()
        .map(
            members ->
                new Group(
                    pad(members.get(0)).bus(),
                    Topology.PAD,
                    members.stream().map(ContactSite::id).toList()))
        .toList();
  }

  private static Pad pad(ContactSite site) {
    return site.pad().orElseThrow();
  }

  /** {@return the pads of some contacts, each with its own contacts} */
  private static Map<Pad, List<ContactSite>> pads(List<ContactSite> members) {
    Map<Pad, List<ContactSite>> pads = new LinkedHashMap<>();
    members.forEach(site -> pads.computeIfAbsent(pad(site), p -> new ArrayList<>()).add(site));
    return pads;
  }

  /** The board's shared sides are none of the contacts' business: they are inside of the pad. */
  @Override
  public boolean crossed() {
    return true;
  }

  @Override
  public Sharing share(Group group, List<ContactSite> members) {
    PortKind kind = pad(members.get(0)).kind();
    Map<String, Line> driven = new LinkedHashMap<>();
    for (SignalLine line : kind.lines()) {
      if (line.from() == SignalLine.From.CONSOLE) {
        driven.put(line.name(), line(group, id(pad(members.get(0)), line), "", line, members));
      }
    }
    List<Line> lines = new ArrayList<>(driven.values());
    List<Sharing.Seat> seats = new ArrayList<>();
    List<Component> parts = new ArrayList<>();
    pads(members)
        .forEach(
            (pad, own) -> {
              Map<String, Line> read = new LinkedHashMap<>();
              for (SignalLine line : kind.lines()) {
                if (line.from() != SignalLine.From.CONSOLE && !on(pad, line, own).isEmpty()) {
                  read.put(
                      line.name(),
                      line(
                          group,
                          id(pad, line),
                          pad.port().label() + " ",
                          line,
                          on(pad, line, own)));
                }
              }
              lines.addAll(read.values());
              for (int i = 0; i < own.size(); i++) {
                seats.add(seat(pad, own.get(i), driven, read));
              }
              parts.addAll(PadInside.of(pad, contacts(pad, own)));
            });
    return new Sharing(group, lines, seats, parts, Optional.empty(), micros(kind), false);
  }

  /** {@return how long one reading of all pads takes, which are read together, in us} */
  private static double micros(PortKind kind) {
    boolean turned = kind.mechanism() instanceof Phased phased && phased.phases().size() == 2;
    if (kind.mechanism() instanceof UsbPad || kind.mechanism() instanceof SerialBytes) {
      return 0; // the board's own host or serial port does that, beside the program
    }
    return turned
        ? 2 * STEP_MICROS
        : kind.mechanism()
                .asking(kind)
                .map(asking -> asking.takesNs(Talk.SETTLE_NS))
                .orElseGet(() -> kind.mechanism().readingNs(kind))
            / 1000.0;
  }

  /** Names of contacts have letters and digits only. */
  private static String named(SignalLine line) {
    return line.name().replace("_", "");
  }

  /** {@return the id of a wire: its own at each port where the board reads it, else shared} */
  static ContactId id(Pad pad, SignalLine line) {
    if (line.from() == SignalLine.From.CONSOLE) {
      return new ContactId(pad.bus(), named(line));
    }
    return bits(pad)
        .filter(bit -> pad.ownLine(bit.button()).filter(line.name()::equals).isPresent())
        .map(bit -> new ContactId(pad.port().id(), bit.contact()))
        .findFirst()
        .orElseGet(() -> new ContactId(pad.port().id(), named(line)));
  }

  /** {@return its buttons, then its axes} */
  private static Stream<PortKind.Bit> bits(Pad pad) {
    return Stream.concat(pad.kind().contacts().stream(), pad.kind().axisContacts().stream());
  }

  /** {@return the contacts that a line says something of} */
  private static List<ContactSite> on(Pad pad, SignalLine line, List<ContactSite> own) {
    return !pad.plain()
        ? own
        : own.stream().filter(site -> site.id().equals(id(pad, line))).toList();
  }

  private static Line line(
      Group group, ContactId id, String before, SignalLine line, List<ContactSite> members) {
    boolean drives = line.from() == SignalLine.From.CONSOLE;
    Optional<String> wish =
        members.size() == 1
            ? members.get(0).wish().map(entry -> TargetText.of(entry.target()))
            : Optional.empty();
    String words = line.name().replace('_', ' ');
    return new Line(
        id,
        before.isEmpty() ? words + " of all such ports" : before + words,
        switch (line.from()) {
          case CONSOLE -> Line.Need.DRIVE;
          case PAD, PAD_LOW -> pad(members.get(0)).serial() ? Line.Need.RECEIVE : Line.Need.READ;
          case POT -> Line.Need.MEASURE;
          case BOTH, BOTH_LOW -> shared(pad(members.get(0)), line);
        },
        place(pad(members.get(0)).kind(), line, Grouping.middle(members)),
        Optional.of(group),
        members,
        false,
        drives ? Optional.empty() : wish);
  }

  private static Line.Need shared(Pad pad, SignalLine line) {
    if (pad.hosted()) {
      return line.name().equals("data_plus") ? Line.Need.HOST_PLUS : Line.Need.HOST_MINUS;
    }
    return pad.clocked() && line.name().equals("clock") ? Line.Need.EDGE : Line.Need.SHARE;
  }

  /** Where a line comes from: the place of its pin, so that no two of a plug tie. */
  private static Point place(PortKind kind, SignalLine line, Point centre) {
    return Plugs.standard()
        .pinout(kind.pinout())
        .flatMap(pinout -> Plugs.standard().connector(pinout.connector()))
        .flatMap(
            plug -> plug.pins().stream().filter(pin -> pin.name().equals(line.pin())).findFirst())
        .map(pin -> new Point(centre.xMm() + pin.at().xMm(), centre.yMm() + pin.at().yMm()))
        .orElse(centre);
  }

  private static Sharing.Seat seat(
      Pad pad, ContactSite site, Map<String, Line> driven, Map<String, Line> read) {
    String button = button(pad, site);
    if (pad.framed()) {
      return framed(pad, site, driven, read);
    }
    Optional<String> own = pad.ownLine(button);
    if (own.isPresent()) {
      String words = "line " + own.get().replace('_', ' ');
      return new Sharing.Seat(site, Optional.empty(), read.get(own.get()), words, 1);
    }
    if (pad.kind().mechanism() instanceof Phased phased) {
      Says says = says(phased, button);
      return new Sharing.Seat(
          site,
          phased.select().map(driven::get),
          read.get(says.line()),
          phased.select().map(s -> s + (says.phase() == 0 ? " high" : " low") + ", ").orElse("")
              + "line "
              + says.line().replace('_', ' '),
          says.phase() + 1);
    }
    int bit = pad.kind().order().indexOf(button);
    return new Sharing.Seat(
        site,
        Optional.of(driven.get("latch")),
        read.get("data"),
        "bit " + (bit + 1) + " of " + pad.kind().order().size(),
        bit + 1);
  }

  /** {@return the joint of each of its contacts, by the name of its button or axis} */
  private static Map<String, Joint> contacts(Pad pad, List<ContactSite> own) {
    Map<String, Joint> contacts = new LinkedHashMap<>();
    own.forEach(site -> contacts.put(button(pad, site), site.signal()));
    return contacts;
  }

  /** It comes on the line that brings all of them, or on the one that says it in some phase. */
  private static Sharing.Seat framed(
      Pad pad, ContactSite site, Map<String, Line> driven, Map<String, Line> read) {
    String button = button(pad, site);
    boolean axis = site.contact().type().analog();
    int bit = pad.kind().order().indexOf(button);
    String line =
        pad.kind().mechanism() instanceof Phased phased
            ? says(phased, button).line()
            : pad.hosted() ? "data_plus" : DATA;
    return new Sharing.Seat(
        site,
        driven.values().stream().findFirst(),
        read.get(line),
        axis ? "axis " + button : "button " + (bit + 1) + " of " + pad.kind().order().size(),
        1 + (axis ? pad.kind().order().size() + pad.kind().axes().indexOf(button) : bit));
  }

  private static String button(Pad pad, ContactSite site) {
    return bits(pad)
        .filter(bit -> bit.contact().equals(site.contact().name()))
        .findFirst()
        .orElseThrow()
        .button();
  }

  private record Says(String line, int phase) {}

  private static Says says(Phased phased, String button) {
    for (int phase = 0; phase < phased.phases().size(); phase++) {
      for (Map.Entry<String, Phased.Says> entry : phased.phases().get(phase).entrySet()) {
        if (entry.getValue().equals(new Phased.Says.Button(button))) {
          return new Says(entry.getKey(), phase);
        }
      }
    }
    throw new IllegalArgumentException("no line says \"" + button + "\"");
  }

  /** {@return the line that a contact is on by itself; empty where something is between them} */
  static Optional<Joint> lineOf(Pad pad, String contact) {
    return bits(pad)
        .filter(bit -> bit.contact().equals(contact))
        .findFirst()
        .flatMap(bit -> pad.ownLine(bit.button()))
        .map(pad::pin);
  }

  // ---- the wires to it

  @Override
  public void wire(Sharing sharing, Cutter cutter) {
    PortKind kind = pad(sharing.seats().get(0).site()).kind();
    int next = 0;
    for (SignalLine line : kind.lines()) {
      if (line.from() == SignalLine.From.CONSOLE) {
        Line shared = sharing.lines().get(next++);
        Strand.End previous = cutter.terminal(shared);
        ContactSite last = null;
        for (ContactSite first : firsts(cutter.chained(shared))) {
          Strand.End in = cutter.socket(pad(first), line.name());
          cutter.chain(shared, first, cutter.number(pad(first), line), last, in, previous);
          previous = in;
          last = first;
        }
      }
    }
    for (Line line : sharing.lines().subList(next, sharing.lines().size())) {
      ContactSite first = line.contacts().get(0);
      SignalLine signal =
          kind.lines().stream()
              .filter(l -> id(pad(first), l).equals(line.id()))
              .findFirst()
              .orElseThrow();
      cutter.chain(
          line,
          first,
          cutter.number(pad(first), signal),
          null,
          cutter.socket(pad(first), signal.name()),
          cutter.terminal(line));
    }
    pads(sharing.seats().stream().map(Sharing.Seat::site).toList())
        .forEach((pad, own) -> cutter.feedPort(pad, own.get(0)));
  }

  /** {@return one contact for each pad, in the order that they are met} */
  private static List<ContactSite> firsts(List<ContactSite> chained) {
    return List.copyOf(pads(chained).values().stream().map(own -> own.get(0)).toList());
  }

  @Override
  public Look.How how(Sharing sharing, Sharing.Seat seat, PinPlan plan) {
    Pad pad = pad(seat.site());
    if (pad.framed()) {
      return new Look.Frame(
          talk(pad, plan),
          button(pad, seat.site()),
          seat.site().contact().type().analog(),
          seat.site().signal());
    }
    if (pad.plain()) {
      boolean axis = seat.site().contact().type().analog();
      return axis ? new Look.Volts() : new Look.Level(true);
    }
    if (pad.kind().mechanism() instanceof Phased phased) {
      Terminal select = plan.of(seat.drive().orElseThrow().id()).orElseThrow().terminal();
      return new Look.Channel(List.of(select), seat.place() == 1 ? 1 : 0, false);
    }
    PortKind kind = pad.kind();
    return new Look.Bit(
        terminal(sharing, "latch", plan),
        terminal(sharing, "clock", plan),
        kind.order().size(),
        seat.place() - 1,
        seat.site().signal(),
        Optional.of(
            new Look.Pace(
                kind.time(Timed.LATCH).leastNs(),
                kind.time(Timed.TO_CLOCK).leastNs(),
                kind.time(Timed.CLOCK_LOW).leastNs(),
                kind.time(Timed.CLOCK_HIGH).leastNs())));
  }

  /** {@return between which terminals and pins a pad talks, as far as they are planned} */
  static Talk talk(Pad pad, PinPlan plan) {
    Map<String, Terminal> lines = new LinkedHashMap<>();
    for (SignalLine line : pad.kind().lines()) {
      plan.of(id(pad, line)).ifPresent(pin -> lines.put(line.name(), pin.terminal()));
    }
    return new Talk(pad, lines);
  }

  private static Terminal terminal(Sharing sharing, String line, PinPlan plan) {
    return plan.of(sharing.group().line(line)).orElseThrow().terminal();
  }
}
