package kumite.loom;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Common;
import kumite.build.ContactId;
import kumite.build.Control;
import kumite.build.ControlKind;
import kumite.build.LoomSettings;
import kumite.build.Opening;
import kumite.build.Panel;
import kumite.build.Point;
import kumite.build.WireColour;
import kumite.build.WireColour.Hue;
import kumite.panel.Gaps;
import kumite.parts.BoardKind;
import kumite.parts.Terminal;
import kumite.working.Source;
import kumite.working.Working;

/** Cuts the strands of one loom: routes, lengths and ends. */
final class StrandCutter {
  /** Above this many controls on one common, the usual shape is a ring. */
  private static final int RING_ABOVE = 6;

  private static final Source LENGTHS =
      Source.common("wires run along the panel's edges, not across; allowances are yours");

  private final Build build;
  private final BoardKind board;
  private final List<Strand> strands = new ArrayList<>();
  private final List<CommonRun> runs = new ArrayList<>();
  private final Map<Character, Integer> numbers = new HashMap<>();

  StrandCutter(Build build, BoardKind board) {
    this.build = build;
    this.board = board;
  }

  List<Strand> strands() {
    return strands;
  }

  List<CommonRun> runs() {
    return runs;
  }

  void signal(ContactSite site, Terminal terminal, WireColour colour) {
    Cut cut = toBoard(site.control(), site.kind(), PinPlan.place(build, terminal));
    String tab =
        site.contact().name().isEmpty()
            ? site.contact().tab()
            : site.contact().name() + " " + site.contact().tab();
    add(
        'W',
        Optional.of(site.id()),
        end(site.control(), site.kind(), tab),
        boardEnd(terminal),
        colour,
        cut);
  }

  /** Lays each shared side: ground and rail for switches, supply and ground for pots. */
  void commons(List<ContactSite> sites, PinPlan plan) {
    Map<Control, ControlKind> ground = new LinkedHashMap<>();
    Map<Control, ControlKind> rail = new LinkedHashMap<>();
    Map<Control, ControlKind> supply = new LinkedHashMap<>();
    Map<Control, List<String>> groundTabs = new HashMap<>();
    Map<Control, List<String>> railTabs = new HashMap<>();
    Map<Control, List<String>> supplyTabs = new HashMap<>();
    for (ContactSite site : sites) {
      if (plan.of(site.id()).isEmpty()) {
        continue;
      }
      if (site.contact().type().analog()) {
        ground.put(site.control(), site.kind());
        tabs(groundTabs, site).add("end 1");
        supply.put(site.control(), site.kind());
        tabs(supplyTabs, site).add("end 2");
      } else if (site.common() == Common.GROUND) {
        ground.put(site.control(), site.kind());
        tabs(groundTabs, site).add((site.contact().name() + " COM").strip());
      } else {
        rail.put(site.control(), site.kind());
        tabs(railTabs, site).add((site.contact().name() + " COM").strip());
      }
    }
    for (ContactSite site : sites) {
      if (site.kind().lit() && lampSupply().isPresent()) {
        ground.put(site.control(), site.kind());
        tabs(groundTabs, site).add("lamp -");
      }
    }
    lay("ground", 'G', WireColour.of(Hue.BK), ground, groundTabs, terminals(Common.GROUND));
    lay("rail", 'C', WireColour.of(Hue.RD), rail, railTabs, terminals(Common.RAIL));
    lay("supply", 'V', WireColour.of(Hue.RD), supply, supplyTabs, logicSupplies());
  }

  /** Feeds each lamp from the board's highest supply through its own resistor. */
  void lamps(List<ContactSite> sites) {
    Optional<Terminal> supply = lampSupply();
    if (supply.isEmpty()) {
      return;
    }
    for (ContactSite site : sites) {
      if (site.kind().lit()) {
        add(
            'L',
            Optional.empty(),
            end(site.control(), site.kind(), "lamp +"),
            boardEnd(supply.get()),
            WireColour.of(Hue.RD),
            toBoard(site.control(), site.kind(), PinPlan.place(build, supply.get())));
      }
    }
  }

  private Optional<Terminal> lampSupply() {
    return board.terminals(Terminal.Role.SUPPLY).stream()
        .max(Comparator.comparingDouble(Terminal::volts));
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
      String name,
      char letter,
      WireColour colour,
      Map<Control, ControlKind> controls,
      Map<Control, List<String>> tabs,
      List<Terminal> terminals) {
    if (controls.isEmpty() || terminals.isEmpty()) {
      return;
    }
    List<Control> parts = List.copyOf(controls.keySet());
    Terminal start = nearest(terminals, parts);
    Point startAt = PinPlan.place(build, start);
    boolean ring =
        switch (build.loom().shape()) {
          case RING -> parts.size() > 1;
          case CHAIN -> false;
          case AUTO -> parts.size() > RING_ABOVE;
        };
    int[] order = Route.shortest(distances(startAt, parts), ring);
    int before = strands.size();
    Strand.End previous = boardEnd(start);
    List<CommonRun.Stop> stops = new ArrayList<>();
    Control last = null;
    for (int i = 1; i < order.length; i++) {
      Control control = parts.get(order[i] - 1);
      ControlKind kind = controls.get(control);
      List<String> here = tabs.get(control);
      Cut cut =
          last == null
              ? toBoard(control, kind, startAt)
              : link(last.placement().centre(), control.placement().centre());
      add(letter, Optional.empty(), end(control, kind, here.get(0)), previous, colour, cut);
      for (int j = 1; j < here.size(); j++) {
        add(
            letter,
            Optional.empty(),
            end(control, kind, here.get(j)),
            end(control, kind, here.get(j - 1)),
            colour,
            jumper());
      }
      stops.add(new CommonRun.Stop(control.id(), control.label(), control.placement().centre()));
      previous = end(control, kind, here.get(here.size() - 1));
      last = control;
    }
    if (ring) {
      Terminal back =
          terminals.stream()
              .filter(t -> t != start)
              .min(Comparator.comparingDouble(t -> PinPlan.place(build, t).distanceMm(startAt)))
              .orElse(start);
      ControlKind kind = controls.get(last);
      add(
          letter,
          Optional.empty(),
          previous,
          boardEnd(back),
          colour,
          toBoard(last, kind, PinPlan.place(build, back)));
    }
    int length = strands.subList(before, strands.size()).stream().mapToInt(Strand::lengthMm).sum();
    runs.add(new CommonRun(name, start.name(), ring, stops, length));
  }

  private static List<String> tabs(Map<Control, List<String>> all, ContactSite site) {
    return all.computeIfAbsent(site.control(), control -> new ArrayList<>());
  }

  private Terminal nearest(List<Terminal> terminals, Collection<Control> parts) {
    return terminals.stream()
        .min(
            Comparator.comparingDouble(
                t -> {
                  Point at = PinPlan.place(build, t);
                  return parts.stream()
                      .mapToDouble(c -> c.placement().centre().distanceMm(at))
                      .min()
                      .orElse(0);
                }))
        .orElseThrow();
  }

  private static double[][] distances(Point start, List<Control> parts) {
    List<Point> places = new ArrayList<>();
    places.add(start);
    parts.forEach(control -> places.add(control.placement().centre()));
    double[][] distance = new double[places.size()][places.size()];
    for (int i = 0; i < places.size(); i++) {
      for (int j = 0; j < i; j++) {
        distance[i][j] = along(places.get(i), places.get(j));
        distance[j][i] = distance[i][j];
      }
    }
    return distance;
  }

  /** {@return the distance along the panel's edges} */
  private static double along(Point a, Point b) {
    return Math.abs(a.xMm() - b.xMm()) + Math.abs(a.yMm() - b.yMm());
  }

  /** A length to cut, with how it came about. */
  private record Cut(int lengthMm, Working working) {
    static Cut of(String formula, List<Working.Value> values, double exactMm) {
      int rounded = (int) (Math.ceil(exactMm / 5 - 1e-9) * 5);
      return new Cut(
          rounded,
          new Working("cut length", formula, values, rounded + " mm, rounded up to 5", LENGTHS));
    }
  }

  private Cut toBoard(Control control, ControlKind kind, Point terminal) {
    LoomSettings loom = build.loom();
    Point at = control.placement().centre();
    double dx = Math.abs(at.xMm() - terminal.xMm());
    double dy = Math.abs(at.yMm() - terminal.yMm());
    boolean onFloor = onFloor();
    double drop =
        onFloor
            ? Math.max(
                0,
                build.panel().depthAtMm(at.yMm())
                    - Gaps.depthBelowMm(kind, build.panel())
                    - board.seating().heightMm())
            : 0;
    Working.Value loop = loop(at, terminal, dx + dy + drop + 2 * loom.slackMm());
    return Cut.of(
        "L = dx + dy + drop + 2 slack + loop",
        List.of(
            Working.value("dx", dx, 1, "mm", "left to right"),
            Working.value("dy", dy, 1, "mm", "front to back"),
            Working.value("drop", drop, 1, "mm", "from the tabs down to the board"),
            Working.value("slack", loom.slackMm(), 1, "mm", "at each end"),
            loop),
        dx + dy + drop + 2 * loom.slackMm() + loopMm(at, terminal, dx + dy + drop));
  }

  private boolean onFloor() {
    return build.board().map(b -> b.seat() == BoardChoice.Seat.FLOOR).orElse(true);
  }

  private Working.Value loop(Point at, Point terminal, double routed) {
    String why =
        !onFloor()
            ? "none: board and controls stay together"
            : build.panel().inside().opening() == Opening.LIFTS_OFF
                ? "so that the panel lifts off"
                : "so that the lid opens square, " + build.panel().inside().opening().words();
    return Working.value(
        "loop", loopMm(at, terminal, routed - 2 * build.loom().slackMm()), 1, "mm", why);
  }

  /**
   * The service loop. A board on the panel needs none. A panel that lifts off takes the loop from
   * the settings. A hinged one needs what the strand lacks when the lid stands square: from the
   * board, as far from the hinge as it lies, to the control, as high above the hinge.
   */
  private double loopMm(Point at, Point terminal, double routed) {
    if (!onFloor()) {
      return 0;
    }
    Panel panel = build.panel();
    Opening opening = panel.inside().opening();
    if (opening == Opening.LIFTS_OFF) {
      return build.loom().serviceLoopMm();
    }
    double lid = opening.fromHingeMm(at, panel);
    double base = opening.fromHingeMm(terminal, panel);
    boolean acrossX = opening == Opening.HINGED_BACK || opening == Opening.HINGED_FRONT;
    double aside = Math.abs(acrossX ? at.xMm() - terminal.xMm() : at.yMm() - terminal.yMm());
    double rise = lid + panel.depthAtMm(terminal.yMm());
    double open = Math.sqrt(base * base + rise * rise + aside * aside);
    return Math.max(0, open - routed - 2 * build.loom().slackMm());
  }

  private Cut link(Point from, Point to) {
    double dx = Math.abs(from.xMm() - to.xMm());
    double dy = Math.abs(from.yMm() - to.yMm());
    return Cut.of(
        "L = dx + dy + 2 slack",
        List.of(
            Working.value("dx", dx, 1, "mm", "left to right"),
            Working.value("dy", dy, 1, "mm", "front to back"),
            Working.value("slack", build.loom().slackMm(), 1, "mm", "at each end")),
        dx + dy + 2 * build.loom().slackMm());
  }

  private Cut jumper() {
    return Cut.of(
        "L = 20 + slack",
        List.of(Working.value("slack", build.loom().slackMm(), 1, "mm", "both ends together")),
        20 + build.loom().slackMm());
  }

  private void add(
      char letter,
      Optional<ContactId> contact,
      Strand.End from,
      Strand.End to,
      WireColour colour,
      Cut cut) {
    int number = numbers.merge(letter, 1, Integer::sum);
    strands.add(
        new Strand(
            letter + (number < 10 ? "0" : "") + number,
            contact,
            from,
            to,
            colour,
            build.loom().gaugeAwg(),
            cut.lengthMm(),
            cut.working()));
  }

  private Strand.End boardEnd(Terminal terminal) {
    return new Strand.End("board", terminal.name(), board.fixedMap() ? "socket plug" : "solder");
  }

  private static Strand.End end(Control control, ControlKind kind, String tab) {
    String joint = kind.tabMm() > 0 ? "push-on " + Working.number(kind.tabMm(), 1) : "solder";
    return new Strand.End(control.label(), tab, joint);
  }
}
