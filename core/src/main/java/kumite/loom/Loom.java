package kumite.loom;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.panel.Opening;
import kumite.component.Component;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.kind.Landing;
import kumite.kind.Terminal;
import kumite.kind.WireColour;
import kumite.measure.Point;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.name.Joint;
import kumite.name.TabRole;
import kumite.parts.Catalogue;
import kumite.signal.SignalLine;

/**
 * All strands of a build, worked out.
 *
 * <pre>{@code
 * Loom loom = Loom.of(build, Catalogue.standard());
 * loom.strandOf(ContactId.parse("horn")); // W07 BU 315 mm to D9
 * }</pre>
 *
 * @param sites all contacts
 * @param consoles what it answers as a pad
 * @param lines the wires that want terminals: contacts of their own, and those of groups
 * @param sharings the groups worked out
 * @param plan the terminals of the wires
 * @param parts all electrical parts: of controls, lamps, and what groups add
 * @param strands all strands: signals first, then commons, supplies and lamps, and last the wires
 *     to boards of other seats
 * @param spots where parts sit that are no controls: carriers, splices, strips, the common pad
 * @param runs the shared sides, in the order they are laid
 * @param bundles the wires that leave the board together, by the board's side
 * @param colours the colour of each wire that has a terminal
 * @param supplies what feeds the seat, and what it feeds beside contacts
 */
public record Loom(
    List<ContactSite> sites,
    List<Console> consoles,
    List<Line> lines,
    List<Sharing> sharings,
    PinPlan plan,
    List<Component> parts,
    List<Strand> strands,
    Map<String, Point> spots,
    List<CommonRun> runs,
    Map<String, List<ContactId>> bundles,
    Map<ContactId, WireColour> colours,
    List<Supplied> supplies) {

  /** Resistors between the taps of a stepped switch: common practice. */
  private static final double RUNG_TOLERANCE = 0.05;

  public Loom {
    sites = List.copyOf(sites);
    consoles = List.copyOf(consoles);
    lines = List.copyOf(lines);
    sharings = List.copyOf(sharings);
    parts = List.copyOf(parts);
    strands = List.copyOf(strands);
    spots = Collections.unmodifiableMap(spots);
    runs = List.copyOf(runs);
    bundles = Collections.unmodifiableMap(bundles);
    colours = Collections.unmodifiableMap(colours);
    supplies = List.copyOf(supplies);
  }

  /** Works out the loom of a build. A build without a board has no strands. */
  public static Loom of(Build build, Catalogue catalogue) {
    return of(build, catalogue, Optional.empty());
  }

  /**
   * Works out the same loom, sooner when it is given one of a build that differs little.
   *
   * @param before such a loom
   */
  public static Loom of(Build build, Catalogue catalogue, Optional<Loom> before) {
    List<ContactSite> sites = ContactSite.all(build, catalogue);
    Map<ContactId, ContactSite> byId = new LinkedHashMap<>();
    sites.forEach(site -> byId.put(site.id(), site));
    Map<ContactId, ContactSite> groupable = new LinkedHashMap<>(byId);
    sites.stream().filter(site -> site.pad().isPresent()).forEach(s -> groupable.remove(s.id()));
    List<Sharing> sharings =
        Stream.concat(
                build.loom().groups().stream().map(group -> Sharing.of(group, groupable)),
                PadGrouping.groups(sites).stream().map(group -> Sharing.of(group, byId)))
            .filter(sharing -> !sharing.seats().isEmpty())
            .toList();
    List<Console> consoles = Console.all(build, catalogue);
    Optional<BoardKind> board = catalogue.boardOf(build);
    List<Line> lines = new ArrayList<>(lines(sites, sharings));
    consoles.stream()
        .filter(console -> board.filter(console::byProgram).isPresent())
        .forEach(console -> lines.addAll(console.lines()));
    List<Supplied> supplies = Supplied.all(build);
    if (board.filter(b -> !b.bringsProgram()).isPresent()) {
      supplies.stream().filter(Supplied::told).forEach(strip -> lines.add(strip.line()));
    }
    PinPlan plan = PinPlan.of(build, catalogue, lines, before.map(Loom::plan));
    List<Component> parts = parts(sites, sharings);
    supplies.forEach(supplied -> parts.addAll(supplied.parts()));
    board
        .filter(b -> Supplied.feeder(build).isPresent())
        .ifPresent(b -> Supplied.fed(b).forEach(t -> parts.add(new Component.Fed(t))));
    if (board.isEmpty()) {
      return new Loom(
          sites, consoles, lines, sharings, plan, parts, List.of(), Map.of(), List.of(), Map.of(),
          Map.of(), supplies);
    }
    Map<String, List<ContactId>> bundles = bundles(lines, plan);
    Map<ContactId, WireColour> colours =
        Colours.assign(bundles, build.loom().colours(), build.loom().laying());
    Cutter cutter = new Cutter(build, board.get(), plan, colours);
    for (Line line : lines) {
      if (!line.contacts().isEmpty() && line.group().isEmpty() && plan.of(line.id()).isPresent()) {
        cutter.direct(line.contacts().get(0), line);
      }
    }
    for (Sharing sharing : sharings) {
      if (sharing.placed(plan)) {
        Grouping.of(sharing.group().topology()).wire(sharing, cutter);
      }
    }
    consoles.stream()
        .filter(c -> c.byCircuit(board.get()) || c.byProgram(board.get()))
        .forEach(cutter::console);
    SupplyWires.of(build, board.get(), supplies, plan, cutter);
    commons(board.get(), sites, sharings, plan, cutter);
    cutter.runs().lay();
    List<Strand> strands = cutter.strands();
    Map<String, Point> spots = cutter.spots();
    List<Strand> crossings = Crossings.strands(build, catalogue, board.get());
    FeedCrossings feeds = FeedCrossings.of(build, catalogue, board.get());
    if (!crossings.isEmpty() || !feeds.strands().isEmpty()) {
      strands = new ArrayList<>(strands);
      strands.addAll(crossings);
      strands.addAll(feeds.strands());
      spots = new LinkedHashMap<>(spots);
      spots.putAll(Crossings.spots(build, catalogue));
      spots.putAll(feeds.spots());
    }
    return new Loom(
        sites,
        consoles,
        lines,
        sharings,
        plan,
        parts,
        strands,
        spots,
        cutter.runs().done(),
        bundles,
        colours,
        supplies);
  }

  /** {@return the same loom with its contacts meaning what the profile looked at says} */
  public Loom meaning(Build build) {
    return new Loom(
        sites.stream().map(site -> site.meaning(build.mapping().of(site.id()))).toList(),
        consoles,
        lines,
        sharings,
        plan,
        parts,
        strands,
        spots,
        runs,
        bundles,
        colours,
        supplies);
  }

  private static List<Component> parts(List<ContactSite> sites, List<Sharing> sharings) {
    List<Component> parts = new ArrayList<>();
    for (ContactSite site : sites) {
      parts.add(site.part());
      if (site.part() instanceof Component.Selector selector) {
        for (int i = 1; i < selector.taps().size(); i++) {
          parts.add(
              new Component.Resistor(
                  Component.Job.RUNG,
                  selector.taps().get(i - 1),
                  selector.taps().get(i),
                  site.kind().ohm(),
                  RUNG_TOLERANCE));
        }
      }
      parts.addAll(Lamps.parts(site));
    }
    sharings.forEach(sharing -> parts.addAll(sharing.components()));
    return parts;
  }

  /** Gathers what wants a shared side: switches, the ends of pots, fed parts, lamps, a person. */
  private static void commons(
      BoardKind board,
      List<ContactSite> sites,
      List<Sharing> sharings,
      PinPlan plan,
      Cutter cutter) {
    Map<ContactId, Sharing> shared = new HashMap<>();
    for (Sharing sharing : sharings) {
      sharing.seats().forEach(seat -> shared.put(seat.site().id(), sharing));
    }
    Set<ControlId> fed = new HashSet<>();
    List<ContactSite> pads = new ArrayList<>();
    for (ContactSite site : sites) {
      cutter.runs().depth(site);
      Optional<Sharing> sharing = Optional.ofNullable(shared.get(site.id()));
      boolean placed =
          sharing.map(s -> s.placed(plan)).orElseGet(() -> plan.of(site.id()).isPresent());
      boolean crossed = sharing.map(s -> Grouping.of(s.group().topology()).crossed()).orElse(false);
      if (placed && site.touched()) {
        pads.add(site);
      } else if (placed && site.fed()) {
        if (fed.add(site.control().id())) {
          land(cutter, feedRail(board, site), site, site.own(TabRole.SUPPLY), Serves.SUPPLY);
          land(cutter, new Rail.Ground(), site, site.own(TabRole.GROUND), Serves.GROUND);
        }
      } else if (placed && site.pad().isEmpty() && site.contact().type().analog()) {
        boolean timed =
            plan.of(site.id()).filter(pin -> pin.terminal().can(Terminal.Ability.OHMS)).isPresent();
        if (!timed) { // only the way to the supply counts there: two wires do
          land(cutter, new Rail.Ground(), site, site.joint(TabRole.FIRST_END), Serves.GROUND);
        }
        land(
            cutter,
            new Rail.Supply(board.logicVolts()),
            site,
            site.joint(TabRole.LAST_END),
            Serves.SUPPLY);
      } else if (placed && sharing.isEmpty() && cutter.paired(site)) {
        continue; // its second wire goes back to a place of its own
      } else if (placed && !crossed) {
        Common side = sharing.isPresent() ? Common.GROUND : site.common();
        Rail rail = Rail.of(side, board);
        land(cutter, rail, site, site.joint(TabRole.COMMON), rail.serves());
      }
      Lamps.wire(board, site, cutter);
    }
    if (!pads.isEmpty()) {
      cutter.spot(Joint.PERSON, Grouping.middle(pads));
      cutter.runs().land(new Rail.Ground(), person(pads));
    }
  }

  private static void land(Cutter cutter, Rail rail, ContactSite site, Joint at, Serves serves) {
    cutter
        .runs()
        .land(rail, Runs.Land.of(site, List.of(new Runs.Tap(cutter.tab(site, at), site, serves))));
  }

  /** The supply of a fed part: the logic supply where it suits, else the lowest that does. */
  private static Rail feedRail(BoardKind board, ContactSite site) {
    var feed = site.kind().feed().orElseThrow();
    return new Rail.Supply(
        board.terminals(Terminal.Role.SUPPLY).stream()
            .map(Terminal::volts)
            .filter(volts -> volts >= feed.leastVolts() && volts <= feed.mostVolts())
            .min(
                java.util.Comparator.comparing((Double volts) -> volts != board.logicVolts())
                    .thenComparing(volts -> volts))
            .orElse(board.logicVolts()));
  }

  /** One pad for all: what the other hand holds while a finger touches. */
  private static Runs.Land person(List<ContactSite> pads) {
    Strand.End hold =
        new Strand.End(
            ContactSite.PERSON,
            "Common pad",
            "hold",
            Landing.of(Landing.How.CLIP),
            Grouping.middle(pads));
    return new Runs.Land(
        "Common pad",
        Optional.empty(),
        Grouping.middle(pads),
        0,
        List.of(new Runs.Tap(hold, pads.get(0).number(), Serves.GROUND)));
  }

  /** {@return a wire for each contact of its own, in their order, then those of the groups} */
  private static List<Line> lines(List<ContactSite> sites, List<Sharing> sharings) {
    Set<ContactId> grouped = new HashSet<>();
    sharings.forEach(sharing -> sharing.seats().forEach(seat -> grouped.add(seat.site().id())));
    List<Line> lines = new ArrayList<>();
    for (ContactSite site : sites) {
      if (!grouped.contains(site.id())) {
        lines.add(site.line());
      }
    }
    sharings.forEach(sharing -> lines.addAll(sharing.lines()));
    return lines;
  }

  private static Map<String, List<ContactId>> bundles(List<Line> lines, PinPlan plan) {
    Map<String, List<ContactId>> bundles = new TreeMap<>();
    for (Line line : lines) {
      plan.of(line.id())
          .ifPresent(
              pin ->
                  bundles
                      .computeIfAbsent(
                          pin.terminal().side().name().toLowerCase(java.util.Locale.ROOT),
                          side -> new ArrayList<>())
                      .add(line.id()));
    }
    Map<String, List<ContactId>> fixed = new LinkedHashMap<>();
    bundles.forEach((side, contacts) -> fixed.put(side, List.copyOf(contacts)));
    return fixed;
  }

  /** {@return the terminal that reads a contact, if every wire it needs has one} */
  public Optional<PinChoice> pinOf(ContactId contact) {
    Optional<Sharing> sharing = sharingOf(contact);
    if (sharing.isEmpty()) {
      return plan.of(contact);
    }
    return sharing.get().placed(plan)
        ? sharing.get().seat(contact).flatMap(seat -> plan.of(seat.read().id()))
        : Optional.empty();
  }

  /** {@return the terminals of the board on which links and the cores of leads land} */
  public static Set<String> landed(Build build) {
    return Crossings.landed(build);
  }

  /** {@return why a contact is read at its terminal, most telling first; empty if it has none} */
  public List<String> whyPin(ContactId contact) {
    Optional<Sharing> sharing = sharingOf(contact);
    if (sharing.isEmpty() || pinOf(contact).isEmpty()) {
      return plan.why(contact);
    }
    Sharing.Seat seat = sharing.get().seat(contact).orElseThrow();
    List<String> reasons = new ArrayList<>();
    reasons.add(sharing.get().group().topology().words() + ", " + seat.words());
    reasons.addAll(plan.why(seat.read().id()));
    return reasons;
  }

  /** {@return the group a contact shares terminals in, if it does} */
  public Optional<Sharing> sharingOf(ContactId contact) {
    return sharings.stream().filter(sharing -> sharing.seat(contact).isPresent()).findFirst();
  }

  /** {@return the signal strand of a contact, if it is wired} */
  public Optional<Strand> strandOf(ContactId contact) {
    return Optional.ofNullable(byContact().get(contact));
  }

  /** {@return the signal strands by contact} */
  public Map<ContactId, Strand> byContact() {
    Map<ContactId, Strand> map = new HashMap<>();
    strands.forEach(strand -> strand.contact().ifPresent(contact -> map.put(contact, strand)));
    ofPads(map);
    return map;
  }

  /** All buttons that a pad says on one line come by the strand of that line. */
  private void ofPads(Map<ContactId, Strand> map) {
    for (Sharing sharing : sharings) {
      for (Sharing.Seat seat : sharing.seats()) {
        Optional<Pad> pad = seat.site().pad();
        Optional<PinChoice> pin = pad.flatMap(p -> plan.of(seat.read().id()));
        if (pin.isPresent()) {
          Joint terminal = Joint.board(pin.get().terminal().name());
          String part = pad.get().port().id().text();
          strands.stream()
              .filter(s -> s.serves() == Serves.PORT && s.to().place().equals(terminal))
              .filter(s -> s.from().place().part().equals(part))
              .findFirst()
              .ifPresent(strand -> map.put(seat.site().id(), strand));
        }
      }
    }
  }

  /** {@return the terminal of a line of a pad's port, if it got one} */
  public Optional<PinChoice> pinOf(Pad pad, SignalLine line) {
    return sharings.stream()
        .filter(
            sharing ->
                sharing.seats().stream().anyMatch(s -> s.site().pad().equals(Optional.of(pad))))
        .findFirst()
        .flatMap(sharing -> plan.of(PadGrouping.id(pad, line)));
  }

  /**
   * {@return between which terminals and pins a board talks to a pad, and to all others of its kind
   * after it}
   */
  public List<Talk> talks(Pad pad) {
    return Stream.concat(
            Stream.of(pad),
            pads().stream().filter(o -> o.kind().equals(pad.kind()) && !o.equals(pad)))
        .map(one -> PadGrouping.talk(one, plan))
        .toList();
  }

  /** {@return the consoles that a program on the board answers: each line has its terminal} */
  public List<Console> answered(BoardKind board) {
    return consoles.stream()
        .filter(console -> console.byProgram(board))
        .filter(
            console ->
                console.kind().lines().stream()
                    .allMatch(line -> pinOf(console, line, board).isPresent()))
        .toList();
  }

  /** {@return the terminal for a line of a console's port, if there is one} */
  public Optional<Terminal> pinOf(Console console, SignalLine line, BoardKind board) {
    return console.terminal(line, board, plan);
  }

  /** {@return the pads at its ports that are read, in the order of the ports} */
  public List<Pad> pads() {
    return sites.stream().flatMap(site -> site.pad().stream()).distinct().toList();
  }

  /** {@return the contact of that id, if the build has it} */
  public Optional<ContactSite> site(ContactId contact) {
    return sites.stream().filter(site -> site.id().equals(contact)).findFirst();
  }

  /** {@return the length of all strands together, in metres} */
  public double totalMetres() {
    return strands.stream().filter(Strand::cutHere).mapToInt(Strand::lengthMm).sum() / 1000.0;
  }

  /** {@return whether the board stays in the case when the panel comes off} */
  public static boolean boardStaysBehind(Build build) {
    return build.board().map(board -> board.seat() == BoardChoice.Seat.FLOOR).orElse(true);
  }

  /**
   * {@return whether the service loop of the settings is used: a board left in a case lifted off}
   */
  public static boolean loopIsChosen(Build build) {
    return boardStaysBehind(build) && build.panel().inside().opening() == Opening.LIFTS_OFF;
  }

  /**
   * {@return how many wires part between lid and base: ways of the connector, spares not counted}
   */
  public int ways() {
    return strands.stream().mapToInt(strand -> strand.way().orElse(0)).max().orElse(0);
  }

  /** {@return spare ways that their connector is given: one for ten, common practice} */
  public int spareWays() {
    return Math.max(1, (int) Math.ceil(ways() / 10.0));
  }

  /** {@return parts that are bought beside controls and board, counted by kind} */
  public List<Sharing.PartCount> partCounts() {
    return Sharing.counted(parts);
  }

  /** {@return the strips that the program of a board tells their colours, in order} */
  public List<Supplied> strips(BoardKind board) {
    return board.tellsStrips()
        ? supplies.stream()
            .filter(s -> s.told() && s.part().count() > 0 && plan.of(s.data()).isPresent())
            .toList()
        : List.of();
  }
}
