package kumite.loom;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.build.Build;
import kumite.build.loom.Laying;
import kumite.build.loom.Laying.CommonShape;
import kumite.build.loom.WireSort;
import kumite.kind.BoardKind;
import kumite.kind.Landing;
import kumite.kind.Terminal;
import kumite.loom.Lengths.Cut;
import kumite.measure.Point;
import kumite.name.ControlId;
import kumite.name.Joint;

/**
 * Lays the shared sides: all places that want one are gathered first, then joined as a chain, ring,
 * star or pairs. No end gets more wires than it takes: wires are spread over the board's terminals,
 * and where those are too few, a strip stands for them.
 */
final class Runs {
  /** What the name of each terminal strip begins with. */
  static final String STRIP = "STRIP-";

  /** Above this many stops on one common, the usual shape is a ring: common practice. */
  private static final int RING_ABOVE = 6;

  /** Tabs this near to one line take one straight wire: common practice, no source. */
  private static final double IN_LINE_MM = 3;

  /**
   * One end on a shared side.
   *
   * @param end where
   * @param number of the contact it serves; 0 for carriers
   * @param serves what its strand is for
   * @param second whether it is the second end of that contact that serves that, such as a lamp's
   */
  record Tap(Strand.End end, int number, Serves serves, boolean second) {
    Tap(Strand.End end, int number, Serves serves) {
      this(end, number, serves, false);
    }

    Tap(Strand.End end, ContactSite site, Serves serves) {
      this(end, site.number(), serves, false);
    }
  }

  /**
   * A control, carrier or part that wants a shared side at one or more of its ends.
   *
   * @param label for people
   * @param control its control, where it is one
   * @param at where it sits
   * @param depthMm how deep below the panel
   * @param taps its ends, in the order they are joined to each other
   */
  record Land(String label, Optional<ControlId> control, Point at, double depthMm, List<Tap> taps) {
    static Land of(ContactSite site, List<Tap> taps) {
      return new Land(
          site.control().label(), Optional.of(site.control().id()), site.place(), -1, taps);
    }
  }

  private final Build build;
  private final BoardKind board;
  private final Set<String> landed;
  private final Lengths lengths;
  private final Cutter cutter;
  private final Map<Rail, Map<Object, Land>> lands = new LinkedHashMap<>();
  private final Map<String, Integer> used = new HashMap<>();
  private final List<CommonRun> done = new ArrayList<>();
  private final Map<ControlId, Double> depths = new HashMap<>();

  /**
   * Controls with resistors soldered from tap to tap: their ends have no room for a bus as well.
   */
  private final Set<ControlId> laddered = new HashSet<>();

  Runs(Build build, BoardKind board, Lengths lengths, Cutter cutter) {
    this.build = build;
    this.board = board;
    this.landed = Crossings.landed(build);
    this.lengths = lengths;
    this.cutter = cutter;
  }

  /** Takes note of a wire that goes to a terminal beside the runs. */
  void takes(Terminal terminal) {
    used.merge(terminal.name(), 1, Integer::sum);
  }

  List<CommonRun> done() {
    return done;
  }

  void depth(ContactSite site) {
    depths.put(site.control().id(), site.kind().depthBelowMm(build.panel().stackMm()));
    if (site.kind().steps() > 1) {
      laddered.add(site.control().id());
    }
  }

  /** Takes note of a place; several of one control become one stop. */
  void land(Rail rail, Land land) {
    Object key = land.control().<Object>map(id -> id).orElse(land.label());
    lands
        .computeIfAbsent(rail, r -> new LinkedHashMap<>())
        .merge(
            key,
            land,
            (one, more) -> {
              List<Tap> taps = new ArrayList<>(one.taps());
              // One pin of a connector may be the shared side of several contacts.
              more.taps().stream()
                  .filter(
                      tap ->
                          taps.stream().noneMatch(t -> t.end().place().equals(tap.end().place())))
                  .forEach(taps::add);
              return new Land(one.label(), one.control(), one.at(), one.depthMm(), taps);
            });
  }

  /** Lays all that were noted: ground first, then rail and supplies. */
  void lay() {
    List<Rail> rails = new ArrayList<>(lands.keySet());
    rails.sort(
        Comparator.comparing((Rail rail) -> !(rail instanceof Rail.Ground))
            .thenComparing(rail -> !(rail instanceof Rail.Shared))
            .thenComparing(Rail::words));
    for (Rail rail : rails) {
      List<Terminal> sound =
          rail.terminals(board).stream()
              .filter(t -> !build.loom().dead().contains(t.name()))
              .toList();
      List<Terminal> clear = sound.stream().filter(t -> !landed.contains(t.name())).toList();
      List<Terminal> terminals = clear.isEmpty() ? sound : clear;
      if (!terminals.isEmpty()) {
        lay(rail, lands.get(rail).values().stream().map(this::round).toList(), terminals);
      }
    }
  }

  /**
   * The tabs of one control are joined the short way, the first one first; where they stand around
   * it, round it: a wire across would lie under what moves.
   */
  private Land round(Land land) {
    List<Tap> taps = new ArrayList<>(land.taps());
    if (taps.size() < 3) {
      return land;
    }
    if (surround(land)) {
      double begin = angle(land, taps.get(0));
      taps.sort(
          Comparator.comparingDouble(
              tap -> Math.rint(1e6 * ((angle(land, tap) - begin + 2 * Math.PI) % (2 * Math.PI)))));
    } else {
      int[] order =
          Route.shortest(
              lengths.distances(taps.stream().map(tap -> tap.end().at()).toList()), false);
      taps.clear();
      for (int at : order) {
        taps.add(land.taps().get(at));
      }
    }
    return new Land(land.label(), land.control(), land.at(), land.depthMm(), taps);
  }

  /** Whether from its middle there are tabs on every side: no half turn is without one. */
  private static boolean surround(Land land) {
    List<Double> angles = new ArrayList<>();
    for (Tap tap : land.taps()) {
      if (tap.end().at().distanceMm(land.at()) < IN_LINE_MM) {
        return false;
      }
      angles.add(angle(land, tap));
    }
    angles.sort(Comparator.naturalOrder());
    double widest = angles.get(0) + 2 * Math.PI - angles.get(angles.size() - 1);
    for (int i = 1; i < angles.size(); i++) {
      widest = Math.max(widest, angles.get(i) - angles.get(i - 1));
    }
    return widest < Math.PI - 1e-6;
  }

  private static double angle(Land land, Tap tap) {
    return Math.atan2(
        tap.end().at().yMm() - land.at().yMm(), tap.end().at().xMm() - land.at().xMm());
  }

  private CommonShape shape(List<Land> stops) {
    CommonShape shape = build.loom().laying().shape();
    if (shape == CommonShape.AUTO) {
      shape = stops.size() > RING_ABOVE ? CommonShape.RING : CommonShape.CHAIN;
    }
    return shape == CommonShape.RING && stops.size() == 1 ? CommonShape.CHAIN : shape;
  }

  private void lay(Rail rail, List<Land> stops, List<Terminal> terminals) {
    CommonShape shape = shape(stops);
    int wanted =
        switch (shape) {
          case RING -> 2;
          case STAR -> stops.size();
          case PAIRS -> stops.stream().mapToInt(stop -> stop.taps().size()).sum();
          default -> 1;
        };
    Terminal start =
        terminals.stream()
            .filter(t -> room(t) > 0)
            .min(Comparator.comparingDouble(t -> nearest(t, stops)))
            .orElse(terminals.get(0));
    Base base = new Base(rail, terminals, start, wanted);
    int before = cutter.strands().size();
    List<CommonRun.Stop> laid =
        shape == CommonShape.STAR || shape == CommonShape.PAIRS
            ? star(rail, stops, base, shape == CommonShape.PAIRS)
            : chain(rail, stops, base, shape == CommonShape.RING);
    base.feed();
    int length =
        cutter.strands().subList(before, cutter.strands().size()).stream()
            .mapToInt(Strand::lengthMm)
            .sum();
    done.add(new CommonRun(rail, base.name(), shape, laid, length));
  }

  private double nearest(Terminal terminal, List<Land> stops) {
    Point at = PinPlan.place(build, terminal);
    return stops.stream().mapToDouble(stop -> stop.at().distanceMm(at)).min().orElse(0);
  }

  private int room(Terminal terminal) {
    Laying laying = build.loom().laying();
    int thicker =
        Math.min(laying.gaugeAwg(WireSort.Use.GROUND), laying.gaugeAwg(WireSort.Use.SUPPLY));
    int takes = cutter.terminal(terminal).landing().takes(thicker);
    return takes - used.getOrDefault(terminal.name(), 0);
  }

  /** Where a run comes together: the board's terminals, or a strip that stands for them. */
  private final class Base {
    private final Rail rail;
    private final List<Terminal> terminals;
    private final Terminal start;
    private final boolean strip;

    Base(Rail rail, List<Terminal> terminals, Terminal start, int wanted) {
      this.rail = rail;
      this.terminals = terminals;
      this.start = start;
      this.strip = terminals.stream().mapToInt(Runs.this::room).filter(n -> n > 0).sum() < wanted;
    }

    String name() {
      return strip ? stripEnd().place().part() : start.name();
    }

    Point place(Point near) {
      return PinPlan.place(build, strip ? start : nearest(near));
    }

    /** {@return the end for one more wire, the nearest with room} */
    Strand.End take(Point near) {
      if (strip) {
        return stripEnd();
      }
      Terminal terminal = nearest(near);
      used.merge(terminal.name(), 1, Integer::sum);
      return cutter.terminal(terminal);
    }

    private Terminal nearest(Point near) {
      return terminals.stream()
          .filter(t -> room(t) > 0)
          .min(Comparator.comparingDouble(t -> PinPlan.place(build, t).distanceMm(near)))
          .orElse(start);
    }

    private Strand.End stripEnd() {
      String name = STRIP + stripName();
      return new Strand.End(
          new Joint(name, "1"),
          name,
          "strip",
          Landing.of(Landing.How.JUNCTION),
          PinPlan.place(build, start));
    }

    private String stripName() {
      return terminals
          .get(0)
          .name()
          .replaceAll("[^A-Za-z0-9]+.*", "")
          .toUpperCase(java.util.Locale.ROOT);
    }

    /** One strand from the strip to the board. */
    void feed() {
      if (strip) {
        cutter.spot(stripEnd().place().part(), PinPlan.place(build, start));
        if (room(start) <= 0) {
          // What feeds the board has its only hole: it comes to the strip too.
          cutter.feedEndsAt(Joint.board(start.name()), stripEnd());
        } else {
          used.merge(start.name(), 1, Integer::sum);
        }
        cutter.strand(
            Serves.STRIP,
            done.size() + 1,
            false,
            Optional.empty(),
            stripEnd(),
            cutter.terminal(start),
            rail.colour(),
            lengths.jumper());
      }
    }
  }

  private List<CommonRun.Stop> chain(Rail rail, List<Land> stops, Base base, boolean ring) {
    Point startAt = PinPlan.place(build, base.start);
    List<Point> places = new ArrayList<>();
    places.add(startAt);
    stops.forEach(stop -> places.add(stop.at()));
    int[] order =
        bus() ? alongRows(startAt, stops) : Route.shortest(lengths.distances(places), ring);
    List<CommonRun.Stop> laid = new ArrayList<>();
    Land last = null;
    for (int i = 1; i < order.length; i++) {
      Land stop = stops.get(order[i] - 1);
      Tap near = stop.taps().get(0);
      Strand.End to = last == null ? base.take(startAt) : end(last);
      Cut cut =
          last == null
              ? toBoard(stop, near.end(), startAt)
              : lengths.link(to.at(), near.end().at());
      if (bus() && last != null && alongRow(last, stop)) {
        wire(rail, bare(near), bare(to), lengths.bare(to.at(), near.end().at()));
      } else {
        wire(rail, near, to, cut);
      }
      jumpers(rail, stop);
      laid.add(new CommonRun.Stop(stop.control(), stop.label(), stop.at()));
      last = stop;
    }
    if (ring) {
      Tap first = new Tap(end(last), 0, rail.serves());
      Cut cut = toBoard(last, first.end(), base.place(startAt));
      cutter.strand(
          rail.serves(),
          0,
          false,
          Optional.empty(),
          first.end(),
          base.take(startAt),
          rail.colour(),
          cut);
    }
    return laid;
  }

  /** Row by row from end to end, the nearest end next, so that each row is one bare wire. */
  private int[] alongRows(Point startAt, List<Land> stops) {
    List<List<Integer>> rows = rows(stops);
    int[] order = new int[stops.size() + 1];
    int next = 1;
    Point at = startAt;
    while (!rows.isEmpty()) {
      List<Integer> best = rows.get(0);
      boolean backwards = false;
      double nearest = Double.POSITIVE_INFINITY;
      for (List<Integer> row : rows) {
        double first = stops.get(row.get(0)).at().distanceMm(at);
        double last = stops.get(row.get(row.size() - 1)).at().distanceMm(at);
        if (Math.min(first, last) < nearest - 1e-9) {
          best = row;
          backwards = last < first;
          nearest = Math.min(first, last);
        }
      }
      rows.remove(best);
      for (int i = 0; i < best.size(); i++) {
        int stop = best.get(backwards ? best.size() - 1 - i : i);
        order[next++] = stop + 1;
        at = stops.get(stop).at();
      }
    }
    return order;
  }

  /** {@return the stops by rows that a bare wire can run along; most others are rows of one} */
  private List<List<Integer>> rows(List<Land> stops) {
    List<Integer> open = new ArrayList<>();
    for (int i = 0; i < stops.size(); i++) {
      open.add(i);
    }
    List<List<Integer>> rows = new ArrayList<>();
    while (!open.isEmpty()) {
      Land first = stops.get(open.get(0));
      List<Integer> across = new ArrayList<>();
      List<Integer> along = new ArrayList<>();
      for (int i : open) {
        if (stops.get(i) == first || alongRow(first, stops.get(i))) {
          boolean level = Math.abs(stops.get(i).at().yMm() - first.at().yMm()) <= IN_LINE_MM;
          boolean upright = Math.abs(stops.get(i).at().xMm() - first.at().xMm()) <= IN_LINE_MM;
          if (level) {
            across.add(i);
          }
          if (upright) {
            along.add(i);
          }
        }
      }
      boolean level = across.size() >= along.size();
      List<Integer> row = level ? across : along;
      if (row.isEmpty()) {
        row.add(open.get(0));
      }
      row.sort(
          Comparator.comparingDouble(
              i -> level ? stops.get(i).at().xMm() : stops.get(i).at().yMm()));
      rows.add(row);
      open.removeAll(row);
    }
    return rows;
  }

  private boolean bus() {
    return build.loom().laying().shape() == CommonShape.BUS;
  }

  /** Small soldered switches whose tabs lie in one line. */
  private boolean alongRow(Land one, Land other) {
    if (one.control().filter(laddered::contains).isPresent()
        || other.control().filter(laddered::contains).isPresent()) {
      return false;
    }
    boolean soldered =
        end(one).landing().how() == Landing.How.LUG
            && other.taps().get(0).end().landing().how() == Landing.How.LUG;
    Point from = end(one).at();
    Point to = other.taps().get(0).end().at();
    double dx = Math.abs(from.xMm() - to.xMm());
    double dy = Math.abs(from.yMm() - to.yMm());
    return soldered && Math.min(dx, dy) <= IN_LINE_MM;
  }

  private static Tap bare(Tap tap) {
    return new Tap(bare(tap.end()), tap.number(), tap.serves(), tap.second());
  }

  private static Strand.End bare(Strand.End end) {
    return new Strand.End(
        end.place(), end.part(), end.tab(), Landing.of(Landing.How.BUS), end.at());
  }

  private static Strand.End end(Land stop) {
    return stop.taps().get(stop.taps().size() - 1).end();
  }

  private List<CommonRun.Stop> star(Rail rail, List<Land> stops, Base base, boolean each) {
    List<CommonRun.Stop> laid = new ArrayList<>();
    for (Land stop : stops) {
      int own = each ? stop.taps().size() : 1;
      for (int i = 0; i < own; i++) {
        Cut cut = toBoard(stop, stop.taps().get(i).end(), base.place(stop.at()));
        wire(rail, stop.taps().get(i), base.take(stop.at()), cut);
      }
      if (!each) {
        jumpers(rail, stop);
      }
      laid.add(new CommonRun.Stop(stop.control(), stop.label(), stop.at()));
    }
    return laid;
  }

  private void jumpers(Rail rail, Land stop) {
    for (int j = 1; j < stop.taps().size(); j++) {
      Strand.End from = stop.taps().get(j - 1).end();
      wire(
          rail, stop.taps().get(j), from, lengths.jumper(from.at(), stop.taps().get(j).end().at()));
    }
  }

  private void wire(Rail rail, Tap tap, Strand.End to, Cut cut) {
    Serves serves = tap.serves() == Serves.GROUND ? rail.serves() : tap.serves();
    cutter.strand(
        serves, tap.number(), tap.second(), Optional.empty(), tap.end(), to, rail.colour(), cut);
  }

  private Cut toBoard(Land stop, Strand.End end, Point terminal) {
    double depth =
        stop.depthMm() >= 0
            ? stop.depthMm()
            : stop.control().map(id -> depths.getOrDefault(id, 0.0)).orElse(0.0);
    return lengths.toBoard(end.at(), depth, terminal);
  }
}
