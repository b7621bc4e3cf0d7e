package kumite.loom;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.loom.Laying;
import kumite.build.loom.Topology;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.kind.ControlKind;
import kumite.kind.Terminal;
import kumite.kind.WireColour;
import kumite.kind.WireColour.Hue;
import kumite.loom.Lengths.Cut;
import kumite.measure.Point;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.working.Working;

/** Cuts the strands of one loom: which there are, their ends and lengths. */
final class StrandCutter {
  /** Above this many controls on one common, the usual shape is a ring. */
  private static final int RING_ABOVE = 6;

  private final Build build;
  private final BoardKind board;
  private final Lengths lengths;
  private final List<Strand> strands = new ArrayList<>();
  private final List<CommonRun> runs = new ArrayList<>();
  private final Map<Character, Integer> numbers = new HashMap<>();
  private int ways;

  StrandCutter(Build build, BoardKind board) {
    this.build = build;
    this.board = board;
    this.lengths = new Lengths(build, board);
  }

  List<Strand> strands() {
    return strands;
  }

  List<CommonRun> runs() {
    return runs;
  }

  void signal(ContactSite site, Terminal terminal, WireColour colour) {
    add(
        'W',
        Optional.of(site.id()),
        signalEnd(site),
        boardEnd(terminal),
        colour,
        toBoard(site, terminal));
  }

  /** Wires a group: rows and columns from contact to contact, or each contact to its carrier. */
  void shared(Sharing sharing, PinPlan plan, Map<ContactId, WireColour> colours) {
    if (!sharing.lines().stream().allMatch(line -> plan.of(line.id()).isPresent())) {
      return; // half a group reads nothing; the finding about terminals says what is missing
    }
    switch (sharing.group().topology()) {
      case MATRIX, BARE_MATRIX -> matrix(sharing, plan, colours);
      case LADDER -> ladder(sharing, plan, colours);
      case TOUCH -> {
        for (Sharing.Seat seat : sharing.seats()) {
          signal(
              seat.site(),
              plan.of(seat.read().id()).orElseThrow().terminal(),
              colours.get(seat.read().id()));
        }
      }
      case REGISTERS, MULTIPLEXER -> carrier(sharing, plan, colours);
    }
  }

  private void matrix(Sharing sharing, PinPlan plan, Map<ContactId, WireColour> colours) {
    boolean diodes = sharing.group().topology() == Topology.MATRIX;
    for (Line line : sharing.lines()) {
      boolean reads = line.needs() == Line.Need.READ;
      Terminal terminal = plan.of(line.id()).orElseThrow().terminal();
      Strand.End previous = boardEnd(terminal);
      ContactSite last = null;
      for (ContactSite site : chained(line.contacts(), PinPlan.place(build, terminal))) {
        Strand.End end = reads ? signalEnd(site) : commonEnd(site);
        if (reads && diodes) {
          end = new Strand.End(end.place(), end.part(), end.tab(), "diode, band away");
        }
        add(
            reads ? 'W' : 'R',
            reads ? Optional.of(site.id()) : Optional.empty(),
            end,
            previous,
            colours.get(line.id()),
            last == null ? toBoard(site, terminal) : lengths.link(last.place(), site.place()));
        previous = end;
        last = site;
      }
    }
  }

  private void ladder(Sharing sharing, PinPlan plan, Map<ContactId, WireColour> colours) {
    Line tap = sharing.lines().get(0);
    Terminal terminal = plan.of(tap.id()).orElseThrow().terminal();
    Strand.End previous = boardEnd(terminal);
    ContactSite last = null;
    for (Sharing.Seat seat : sharing.seats()) {
      ContactSite site = seat.site();
      Strand.End end = signalEnd(site);
      add(
          'W',
          Optional.of(site.id()),
          new Strand.End(end.place(), end.part(), end.tab(), "resistor " + seat.step()),
          previous,
          colours.get(tap.id()),
          last == null ? toBoard(site, terminal) : lengths.link(last.place(), site.place()));
      previous = end;
      last = site;
    }
  }

  private void carrier(Sharing sharing, PinPlan plan, Map<ContactId, WireColour> colours) {
    Point at = sharing.carrier().orElseThrow();
    Set<WireColour> taken = new HashSet<>();
    for (Sharing.Seat seat : sharing.seats()) {
      WireColour colour =
          Colours.assign(
                  Map.of("carrier", List.of(seat.site().id())),
                  build.loom().colours(),
                  build.loom().laying().stock())
              .get(seat.site().id());
      if (!build.loom().colours().containsKey(seat.site().id())) {
        colour = Colours.fresh(taken, build.loom().laying().stock());
      }
      taken.add(colour);
      add(
          'W',
          Optional.of(seat.site().id()),
          signalEnd(seat.site()),
          carrierEnd(sharing, "IN" + seat.input()),
          colour,
          lengths.link(seat.site().place(), at));
    }
    List<String> tabs = Sharing.carrierTabs(sharing.group().topology(), sharing.seats().size());
    for (int i = 0; i < sharing.lines().size(); i++) {
      Line line = sharing.lines().get(i);
      Terminal terminal = plan.of(line.id()).orElseThrow().terminal();
      add(
          'B',
          Optional.empty(),
          carrierEnd(sharing, tabs.get(i)),
          boardEnd(terminal),
          colours.get(line.id()),
          lengths.toBoard(at, 10, PinPlan.place(build, terminal)));
    }
    List<Terminal> supplies = logicSupplies();
    if (!supplies.isEmpty()) {
      power(sharing, "VCC", nearest(supplies, at), Hue.RD, 'V');
    }
    List<Terminal> grounds = board.terminals(Terminal.Role.GROUND);
    if (!grounds.isEmpty()) {
      power(sharing, "GND", nearest(grounds, at), Hue.BK, 'G');
    }
  }

  private void power(Sharing sharing, String tab, Terminal terminal, Hue hue, char letter) {
    add(
        letter,
        Optional.empty(),
        carrierEnd(sharing, tab),
        boardEnd(terminal),
        WireColour.of(hue),
        lengths.toBoard(sharing.carrier().orElseThrow(), 10, PinPlan.place(build, terminal)));
  }

  /** {@return contacts in the order of the shortest chain from the board} */
  private List<ContactSite> chained(List<ContactSite> sites, Point start) {
    List<Point> places = new ArrayList<>();
    places.add(start);
    sites.forEach(site -> places.add(site.place()));
    int[] order = Route.shortest(distances(places), false);
    List<ContactSite> chain = new ArrayList<>();
    for (int i = 1; i < order.length; i++) {
      chain.add(sites.get(order[i] - 1));
    }
    return chain;
  }

  /** Where a common lands on one control. */
  private record Landing(Control control, ControlKind kind, List<Strand.End> ends) {}

  /** The landings of one common, control by control. */
  private static final class Landings {
    final Map<Control, Landing> byControl = new LinkedHashMap<>();

    void add(ContactSite site, Strand.End end) {
      byControl
          .computeIfAbsent(site.control(), c -> new Landing(c, site.kind(), new ArrayList<>()))
          .ends()
          .add(end);
    }
  }

  /** Lays each shared side: ground and rail for switches, supply and ground for pots. */
  void commons(List<ContactSite> sites, List<Sharing> sharings, PinPlan plan) {
    Map<ContactId, Sharing> shared = new HashMap<>();
    for (Sharing sharing : sharings) {
      sharing.seats().forEach(seat -> shared.put(seat.site().id(), sharing));
    }
    Landings ground = new Landings();
    Landings rail = new Landings();
    Landings supply = new Landings();
    for (ContactSite site : sites) {
      Sharing sharing = shared.get(site.id());
      boolean placed =
          sharing == null
              ? plan.of(site.id()).isPresent()
              : sharing.lines().stream().allMatch(line -> plan.of(line.id()).isPresent());
      boolean crossed = sharing != null && isMatrix(sharing.group().topology());
      if (!placed || crossed) {
        continue;
      }
      if (site.contact().type().analog()) {
        ground.add(site, end(site, site.tabOf("end 1")));
        supply.add(site, end(site, site.tabOf("end 2")));
      } else if (sharing != null || site.common() == Common.GROUND) {
        ground.add(site, commonEnd(site));
      } else {
        rail.add(site, commonEnd(site));
      }
    }
    for (ContactSite site : onePerControl(sites)) {
      boolean shares = site.control().hookup().lampShares();
      if (site.kind().lit() && lampSupply(site).isPresent()) {
        if (!shares || site.common() == Common.RAIL) {
          ground.add(site, end(site, "lamp-"));
        }
      }
    }
    lay("ground", 'G', WireColour.of(Hue.BK), ground, terminals(Common.GROUND));
    lay("rail", 'C', WireColour.of(Hue.RD), rail, terminals(Common.RAIL));
    lay("supply", 'V', WireColour.of(Hue.RD), supply, logicSupplies());
  }

  private static boolean isMatrix(Topology topology) {
    return topology == Topology.MATRIX || topology == Topology.BARE_MATRIX;
  }

  private static List<ContactSite> onePerControl(List<ContactSite> sites) {
    Map<Control, ContactSite> first = new LinkedHashMap<>();
    sites.forEach(site -> first.putIfAbsent(site.control(), site));
    return List.copyOf(first.values());
  }

  /** Feeds each lamp through its own resistor; one that shares its contact hangs on its tab. */
  void lamps(List<ContactSite> sites) {
    for (ContactSite site : onePerControl(sites)) {
      Optional<Terminal> supply = lampSupply(site);
      if (!site.kind().lit() || supply.isEmpty()) {
        continue;
      }
      boolean shares = site.control().hookup().lampShares();
      if (shares) {
        add(
            'L',
            Optional.empty(),
            end(site, site.common() == Common.RAIL ? "lamp+" : "lamp-"),
            signalEnd(site),
            WireColour.of(Hue.WH),
            lengths.jumper());
      }
      if (!shares || site.common() == Common.GROUND) {
        add(
            'L',
            Optional.empty(),
            end(site, "lamp+"),
            boardEnd(supply.get()),
            WireColour.of(Hue.RD),
            toBoard(site, supply.get()));
      }
    }
  }

  private Optional<Terminal> lampSupply(ContactSite site) {
    return lampSupply(board, site.control());
  }

  /** {@return the supply terminal that feeds a control's lamp, if the board has one} */
  static Optional<Terminal> lampSupply(BoardKind board, Control control) {
    List<Terminal> supplies = board.terminals(Terminal.Role.SUPPLY);
    Optional<Terminal> chosen = control.hookup().lampFrom().flatMap(board::terminal);
    if (chosen.isPresent()) {
      return chosen;
    }
    Optional<Terminal> logic =
        supplies.stream().filter(t -> t.volts() == board.logicVolts()).findFirst();
    // On the contact itself, more than the logic supply would reach the terminal.
    return control.hookup().lampShares() && logic.isPresent()
        ? logic
        : supplies.stream().max(Comparator.comparingDouble(Terminal::volts));
  }

  private List<Terminal> logicSupplies() {
    return board.terminals(Terminal.Role.SUPPLY).stream()
        .filter(t -> t.volts() == board.logicVolts())
        .toList();
  }

  private List<Terminal> terminals(Common common) {
    List<Terminal> shared = board.terminals(Terminal.Role.COMMON);
    if (!shared.isEmpty() && common == board.common()) {
      return shared;
    }
    return common == Common.GROUND ? board.terminals(Terminal.Role.GROUND) : logicSupplies();
  }

  private void lay(
      String name, char letter, WireColour colour, Landings landings, List<Terminal> terminals) {
    if (landings.byControl.isEmpty() || terminals.isEmpty()) {
      return;
    }
    List<Landing> parts = List.copyOf(landings.byControl.values());
    Laying.CommonShape shape = build.loom().laying().shape();
    if (shape == Laying.CommonShape.AUTO) {
      shape = parts.size() > RING_ABOVE ? Laying.CommonShape.RING : Laying.CommonShape.CHAIN;
    }
    if (shape == Laying.CommonShape.RING && parts.size() == 1) {
      shape = Laying.CommonShape.CHAIN;
    }
    Terminal start =
        nearest(terminals, parts.stream().map(p -> p.control().placement().centre()).toList());
    int before = strands.size();
    List<CommonRun.Stop> stops =
        shape == Laying.CommonShape.STAR || shape == Laying.CommonShape.PAIRS
            ? star(letter, colour, parts, terminals, shape == Laying.CommonShape.PAIRS)
            : chain(letter, colour, parts, terminals, start, shape == Laying.CommonShape.RING);
    int length = strands.subList(before, strands.size()).stream().mapToInt(Strand::lengthMm).sum();
    runs.add(new CommonRun(name, start.name(), shape, stops, length));
  }

  private List<CommonRun.Stop> chain(
      char letter,
      WireColour colour,
      List<Landing> parts,
      List<Terminal> terminals,
      Terminal start,
      boolean ring) {
    Point startAt = PinPlan.place(build, start);
    List<Point> places = new ArrayList<>();
    places.add(startAt);
    parts.forEach(part -> places.add(part.control().placement().centre()));
    int[] order = Route.shortest(distances(places), ring);
    Strand.End previous = boardEnd(start);
    List<CommonRun.Stop> stops = new ArrayList<>();
    Landing last = null;
    for (int i = 1; i < order.length; i++) {
      Landing part = parts.get(order[i] - 1);
      Cut cut =
          last == null
              ? toBoard(part, start)
              : lengths.link(
                  last.control().placement().centre(), part.control().placement().centre());
      add(letter, Optional.empty(), part.ends().get(0), previous, colour, cut);
      jumpers(letter, colour, part);
      stops.add(stop(part.control()));
      previous = part.ends().get(part.ends().size() - 1);
      last = part;
    }
    if (ring) {
      Terminal back =
          terminals.stream()
              .filter(t -> t != start)
              .min(Comparator.comparingDouble(t -> PinPlan.place(build, t).distanceMm(startAt)))
              .orElse(start);
      add(letter, Optional.empty(), previous, boardEnd(back), colour, toBoard(last, back));
    }
    return stops;
  }

  private List<CommonRun.Stop> star(
      char letter, WireColour colour, List<Landing> parts, List<Terminal> terminals, boolean each) {
    List<CommonRun.Stop> stops = new ArrayList<>();
    for (Landing part : parts) {
      Terminal to = nearest(terminals, part.control().placement().centre());
      int own = each ? part.ends().size() : 1;
      for (int i = 0; i < own; i++) {
        add(letter, Optional.empty(), part.ends().get(i), boardEnd(to), colour, toBoard(part, to));
      }
      if (!each) {
        jumpers(letter, colour, part);
      }
      stops.add(stop(part.control()));
    }
    return stops;
  }

  private void jumpers(char letter, WireColour colour, Landing part) {
    for (int j = 1; j < part.ends().size(); j++) {
      add(
          letter,
          Optional.empty(),
          part.ends().get(j),
          part.ends().get(j - 1),
          colour,
          lengths.jumper());
    }
  }

  private static CommonRun.Stop stop(Control control) {
    return new CommonRun.Stop(control.id(), control.label(), control.placement().centre());
  }

  private Terminal nearest(List<Terminal> terminals, Point place) {
    return nearest(terminals, List.of(place));
  }

  private Terminal nearest(List<Terminal> terminals, Collection<Point> places) {
    return terminals.stream()
        .min(
            Comparator.comparingDouble(
                t -> {
                  Point at = PinPlan.place(build, t);
                  return places.stream().mapToDouble(p -> p.distanceMm(at)).min().orElse(0);
                }))
        .orElseThrow();
  }

  private double[][] distances(List<Point> places) {
    double[][] distance = new double[places.size()][places.size()];
    for (int i = 0; i < places.size(); i++) {
      for (int j = 0; j < i; j++) {
        distance[i][j] = lengths.along(places.get(i), places.get(j));
        distance[j][i] = distance[i][j];
      }
    }
    return distance;
  }

  private Cut toBoard(ContactSite site, Terminal terminal) {
    return lengths.toBoard(site.control(), site.kind(), PinPlan.place(build, terminal));
  }

  private Cut toBoard(Landing part, Terminal terminal) {
    return lengths.toBoard(part.control(), part.kind(), PinPlan.place(build, terminal));
  }

  private void add(
      char letter,
      Optional<ContactId> contact,
      Strand.End from,
      Strand.End to,
      WireColour colour,
      Cut cut) {
    int number = numbers.merge(letter, 1, Integer::sum);
    boolean crosses =
        build.loom().laying().connector()
            && Loom.boardStaysBehind(build)
            && to.place().part().equals(Joint.BOARD);
    strands.add(
        new Strand(
            letter + (number < 10 ? "0" : "") + number,
            contact,
            from,
            to,
            colour,
            build.loom().laying().gaugeAwg(),
            cut.lengthMm(),
            crosses ? Optional.of(++ways) : Optional.empty(),
            cut.working()));
  }

  private Strand.End boardEnd(Terminal terminal) {
    return new Strand.End(
        Joint.board(terminal.name()),
        "board",
        terminal.name(),
        board.brain().solder() ? "solder" : "crimp housing");
  }

  private static Strand.End carrierEnd(Sharing sharing, String tab) {
    String name = sharing.group().name().text();
    return new Strand.End(new Joint(name, tab), name, tab, "solder");
  }

  private static Strand.End signalEnd(ContactSite site) {
    return end(site, site.signalTab());
  }

  private static Strand.End commonEnd(ContactSite site) {
    return end(site, site.commonTab());
  }

  private static Strand.End end(ContactSite site, String tab) {
    double tabMm = site.kind().tabMm();
    return new Strand.End(
        new Joint(site.control().id().text(), tab),
        site.control().label(),
        tab.replace('.', ' '),
        tabMm > 0 ? "push-on " + Working.number(tabMm, 1) : "solder");
  }
}
