package kumite.loom;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import kumite.build.Build;
import kumite.build.loom.WireSort;
import kumite.kind.BoardKind;
import kumite.kind.ControlKind;
import kumite.kind.Landing;
import kumite.kind.Terminal;
import kumite.kind.WireColour;
import kumite.kind.WireColour.Hue;
import kumite.loom.Lengths.Cut;
import kumite.measure.Point;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.name.TabRole;
import kumite.signal.SignalLine;
import org.jspecify.annotations.Nullable;

/** Cuts the strands of one loom: which there are, their ends, numbers and lengths. */
final class Cutter {
  /** What runs to ground is black, whatever it serves. */
  private static final WireColour BLACK = WireColour.of(Hue.BK);

  /** A carrier hangs this deep below the panel: common practice, no source. */
  private static final double CARRIER_DEPTH_MM = 10;

  private final Build build;
  private final BoardKind board;
  private final PinPlan plan;
  private final Map<ContactId, WireColour> colours;
  private final Lengths lengths;
  private final List<Strand> strands = new ArrayList<>();
  private final Set<String> taken = new HashSet<>();
  private final Set<Pad> fed = new HashSet<>();
  private final Set<WireColour> used = new HashSet<>();
  private final Runs runs;
  private final Map<String, Point> spots = new TreeMap<>();
  private int ways;
  private int carrierStrands;

  Cutter(Build build, BoardKind board, PinPlan plan, Map<ContactId, WireColour> colours) {
    this.build = build;
    this.board = board;
    this.plan = plan;
    this.colours = colours;
    this.lengths = new Lengths(build, board);
    this.runs = new Runs(build, board, lengths, this);
  }

  List<Strand> strands() {
    return strands;
  }

  Runs runs() {
    return runs;
  }

  /** {@return where parts sit that are no controls: carriers, splices, strips, the common pad} */
  Map<String, Point> spots() {
    return spots;
  }

  void spot(String part, Point at) {
    spots.put(part, at);
  }

  // ---- ends

  Strand.End tab(ContactSite site, Joint at) {
    return new Strand.End(
        at, site.control().label(), at.tab().replace('.', ' '), landing(site.kind()), site.at(at));
  }

  /** Foil takes no solder, and a bolt has a nut. */
  private static Landing landing(ControlKind kind) {
    if (!kind.feelsTouch()) {
      return Landing.tab(kind.tabMm());
    }
    boolean glued = kind.mount().how() == ControlKind.Mount.How.GLUE;
    return Landing.of(glued ? Landing.How.CLIP : Landing.How.SCREW);
  }

  /** The free lead of a part whose other lead is soldered to a tab. */
  Strand.End lead(ContactSite site, Joint at, String words) {
    return new Strand.End(
        at,
        site.control().label(),
        words.replace('.', ' '),
        Landing.of(Landing.How.LEAD),
        site.at(site.signal()));
  }

  Strand.End signalIn(ContactSite site) {
    return tab(site, site.signal());
  }

  /** Where the signal goes on from: the lamp's tab where the lamp hangs on the contact. */
  Strand.End signalOut(ContactSite site) {
    return Lamps.sharedTab(board, site).map(at -> tab(site, at)).orElseGet(() -> signalIn(site));
  }

  Strand.End terminal(Line line) {
    return terminal(plan.of(line.id()).orElseThrow().terminal());
  }

  Strand.End terminal(Terminal terminal) {
    boolean soldered = build.board().filter(choice -> choice.soldered(board)).isPresent();
    Landing.How how = soldered ? Landing.How.HOLE : Landing.How.HEADER_PIN;
    return new Strand.End(
        Joint.board(terminal.name()),
        "board",
        terminal.name(),
        Landing.of(how),
        PinPlan.place(build, terminal));
  }

  private static Strand.End carrier(Sharing sharing, String tab) {
    String name = sharing.group().name().text();
    // Supply and ground run along the carrier, so that there is a hole for each wire.
    boolean along = tab.equals(TabRole.SUPPLY.text()) || tab.equals(TabRole.GROUND.text());
    return new Strand.End(
        new Joint(name, tab),
        name,
        tab,
        Landing.of(along ? Landing.How.JUNCTION : Landing.How.HOLE),
        sharing.carrier().orElseThrow());
  }

  // ---- signals

  /** A contact to a terminal of its own. */
  void direct(ContactSite site, Line line) {
    Terminal terminal = plan.of(line.id()).orElseThrow().terminal();
    strand(
        Serves.SIGNAL,
        site.number(),
        false,
        Optional.of(site.id()),
        signalIn(site),
        terminal(terminal),
        colours.get(line.id()),
        toBoard(site, signalIn(site), terminal));
  }

  /**
   * Wires a contact's shared side back to the second place beside its own, on a board whose common
   * is not proven.
   *
   * @return whether the board has such a place
   */
  boolean paired(ContactSite site) {
    Optional<Terminal> back =
        plan.of(site.id())
            .flatMap(pin -> board.terminal(pin.terminal().name() + "-"))
            .filter(t -> t.role() == Terminal.Role.RETURN);
    back.ifPresent(
        terminal ->
            strand(
                Serves.GROUND,
                site.number(),
                false,
                Optional.empty(),
                tab(site, site.joint(TabRole.COMMON)),
                terminal(terminal),
                WireColour.of(Hue.BK),
                toBoard(site, tab(site, site.joint(TabRole.COMMON)), terminal)));
    return back.isPresent();
  }

  /** {@return the contacts of a line in the order of the shortest chain from its terminal} */
  List<ContactSite> chained(Line line) {
    List<Point> places = new ArrayList<>();
    places.add(PinPlan.place(build, plan.of(line.id()).orElseThrow().terminal()));
    line.contacts().forEach(site -> places.add(site.place()));
    int[] order = Route.shortest(lengths.distances(places), false);
    List<ContactSite> chain = new ArrayList<>();
    for (int i = 1; i < order.length; i++) {
      chain.add(line.contacts().get(order[i] - 1));
    }
    return chain;
  }

  /** One stretch of a wire that goes from contact to contact; the first comes from the board. */
  void chain(
      Line line,
      ContactSite site,
      @Nullable ContactSite last,
      Strand.End in,
      Strand.End previous,
      Serves serves) {
    if (in.place().equals(previous.place())) {
      return; // one pin of a connector is both
    }
    Terminal terminal = plan.of(line.id()).orElseThrow().terminal();
    strand(
        serves,
        site.number(),
        false,
        serves == Serves.SIGNAL ? Optional.of(site.id()) : Optional.empty(),
        in,
        previous,
        colours.get(line.id()),
        last == null ? toBoard(site, in, terminal) : lengths.link(previous.at(), in.at()));
  }

  /** The splice above a ladder: the terminal's strand, the pull-up and the first button meet. */
  Strand.End ladderTop(Sharing sharing, Line tap) {
    String name = sharing.group().name().text();
    Terminal terminal = plan.of(tap.id()).orElseThrow().terminal();
    spot(name, PinPlan.place(build, terminal));
    Strand.End splice =
        new Strand.End(
            new Joint(name, "TAP"),
            name,
            "splice",
            Landing.of(Landing.How.JUNCTION),
            PinPlan.place(build, terminal));
    strand(
        Serves.CARRIER,
        ++carrierStrands,
        false,
        Optional.empty(),
        splice,
        terminal(terminal),
        colours.get(tap.id()),
        lengths.jumper());
    Strand.End pull =
        new Strand.End(
            new Joint(name, TabRole.PULL_UP.text()),
            name,
            "pull-up",
            Landing.of(Landing.How.LEAD),
            PinPlan.place(build, terminal));
    runs.land(
        new Rail.Supply(board.logicVolts()),
        new Runs.Land(
            name + " pull-up",
            Optional.empty(),
            PinPlan.place(build, terminal),
            0,
            List.of(new Runs.Tap(pull, ++carrierStrands, Serves.CARRIER))));
    return splice;
  }

  void toCarrier(Sharing sharing, Sharing.Seat seat, String tab, Set<WireColour> used) {
    ContactId id = seat.site().id();
    WireColour colour =
        Optional.ofNullable(build.loom().colours().get(id))
            .orElseGet(() -> Colours.fresh(used, build.loom().laying().stock()));
    used.add(colour);
    strand(
        Serves.SIGNAL,
        seat.site().number(),
        false,
        Optional.of(id),
        signalIn(seat.site()),
        carrier(sharing, tab),
        colour,
        lengths.link(signalIn(seat.site()).at(), sharing.carrier().orElseThrow()));
  }

  void fromCarrier(Sharing sharing, String tab, Line line) {
    Terminal terminal = plan.of(line.id()).orElseThrow().terminal();
    strand(
        Serves.CARRIER,
        ++carrierStrands,
        false,
        Optional.empty(),
        carrier(sharing, tab),
        terminal(terminal),
        colours.get(line.id()),
        lengths.toBoard(
            sharing.carrier().orElseThrow(), CARRIER_DEPTH_MM, PinPlan.place(build, terminal)));
  }

  void feedCarrier(Sharing sharing) {
    spot(sharing.group().name().text(), sharing.carrier().orElseThrow());
    land(sharing, new Rail.Supply(board.logicVolts()), "VCC");
    land(sharing, new Rail.Ground(), "GND");
  }

  /** A pin of a port's socket. */
  Strand.End socket(Plugged plugged, String line) {
    return new Strand.End(
        plugged.pin(line),
        plugged.port().label(),
        plugged.words(line),
        Plugged.landing(),
        plugged.port().placement().centre());
  }

  /** One stretch of a line of a port; the first comes from the board. */
  void chain(
      Line line,
      ContactSite site,
      int number,
      @Nullable ContactSite last,
      Strand.End in,
      Strand.End previous) {
    Terminal terminal = plan.of(line.id()).orElseThrow().terminal();
    strand(
        Serves.PORT,
        number,
        false,
        Optional.empty(),
        in,
        previous,
        colours.get(line.id()),
        last == null ? toBoard(site, in, terminal) : lengths.link(previous.at(), in.at()));
  }

  /** Supply and ground of a port's socket. */
  void feedPort(Pad pad, ContactSite first) {
    if (!fed.add(pad)) {
      return; // by another of its contacts
    }
    if (pad.fed()) {
      land(first, pad, new Rail.Supply(pad.feedVolts(board)), Plugged.SUPPLY, Serves.SUPPLY);
    }
    land(first, pad, new Rail.Ground(), Plugged.GROUND, Serves.GROUND);
  }

  private void land(ContactSite site, Pad pad, Rail rail, String pin, Serves serves) {
    int number = pad.strand(build, pin);
    runs.land(rail, Runs.Land.of(site, List.of(new Runs.Tap(socket(pad, pin), number, serves))));
  }

  /** {@return the number of a strand of a port} */
  int number(Plugged plugged, SignalLine line) {
    return plugged.strand(build, line.name());
  }

  /** All wires of a console's plug: its lines to their terminals, its supply and its ground. */
  void console(Console console) {
    Point at = console.port().placement().centre();
    spot(console.port().id().text(), at);
    for (SignalLine line : console.kind().lines()) {
      Optional<Terminal> terminal = console.terminal(line, board, plan);
      if (terminal.isPresent()) {
        WireColour colour =
            Optional.ofNullable(colours.get(console.id(line)))
                .orElseGet(() -> Colours.fresh(used, build.loom().laying().stock()));
        used.add(colour);
        strand(
            Serves.PORT,
            number(console, line),
            false,
            Optional.empty(),
            socket(console, line.name()),
            terminal(terminal.get()),
            colour,
            lengths.toBoard(at, CARRIER_DEPTH_MM, PinPlan.place(build, terminal.get())));
      }
    }
    if (console.fed()) {
      land(console, new Rail.Supply(console.kind().volts()), Plugged.SUPPLY, Serves.SUPPLY);
    }
    land(console, new Rail.Ground(), Plugged.GROUND, Serves.GROUND);
  }

  private void land(Console console, Rail rail, String pin, Serves serves) {
    runs.land(
        rail,
        new Runs.Land(
            console.port().label(),
            Optional.empty(),
            console.port().placement().centre(),
            CARRIER_DEPTH_MM,
            List.of(new Runs.Tap(socket(console, pin), console.strand(build, pin), serves))));
  }

  private void land(Sharing sharing, Rail rail, String tab) {
    String name = sharing.group().name().text();
    runs.land(
        rail,
        new Runs.Land(
            name,
            Optional.empty(),
            sharing.carrier().orElseThrow(),
            CARRIER_DEPTH_MM,
            List.of(new Runs.Tap(carrier(sharing, tab), ++carrierStrands, Serves.CARRIER))));
  }

  /** A wire between a supply part and what feeds it. */
  void feed(int number, boolean ground, Strand.End own, Strand.End to, Rail rail) {
    strand(
        Serves.FEED,
        number,
        ground,
        Optional.empty(),
        own,
        to,
        rail.colour(),
        lengths.link(own.at(), to.at()));
  }

  /** Lets the wire that feeds the board at a terminal end elsewhere, beside it. */
  void feedEndsAt(Joint terminal, Strand.End end) {
    for (int i = 0; i < strands.size(); i++) {
      Strand strand = strands.get(i);
      if (strand.serves() == Serves.FEED && strand.to().place().equals(terminal)) {
        strands.set(i, strand.endingAt(end));
        return;
      }
    }
  }

  /** The wire that tells a strip its colours. */
  void data(Supplied strip, Strand.End din, Terminal terminal) {
    strand(
        Serves.DATA,
        strip.number(),
        false,
        Optional.empty(),
        din,
        terminal(terminal),
        SupplyWires.dataColour(),
        lengths.toBoard(din.at(), CARRIER_DEPTH_MM, PinPlan.place(build, terminal)));
  }

  /** A short piece between two tabs of one control. */
  void jumper(ContactSite site, Serves serves, Strand.End from, Strand.End to, WireColour colour) {
    Cut cut = lengths.jumper(from.at(), to.at());
    strand(serves, site.number(), true, Optional.empty(), from, to, colour, cut);
  }

  private Cut toBoard(ContactSite site, Strand.End end, Terminal terminal) {
    return lengths.toBoard(
        end.at(),
        site.kind().depthBelowMm(build.panel().stackMm()),
        PinPlan.place(build, terminal));
  }

  // ---- strands

  void strand(
      Serves serves,
      int number,
      boolean second,
      Optional<ContactId> contact,
      Strand.End from,
      Strand.End to,
      WireColour colour,
      Cut cut) {
    boolean base =
        to.place().part().equals(Joint.BOARD) || to.place().part().startsWith(Runs.STRIP);
    boolean crosses =
        build.loom().laying().connector()
            && Loom.boardStaysBehind(build)
            && base
            && !from.place().part().startsWith(Runs.STRIP);
    WireSort.Use use = colour.equals(BLACK) ? WireSort.Use.GROUND : serves.use();
    strands.add(
        new Strand(
            serves,
            fresh(serves, number, second),
            contact,
            from,
            to,
            coded(use, colour),
            build.loom().laying().gaugeAwg(use),
            cut.lengthMm(),
            crosses ? Optional.of(++ways) : Optional.empty(),
            cut.working(),
            use));
  }

  /** Grounds and supplies in the builder's own colours, where that code is said. */
  private WireColour coded(WireSort.Use use, WireColour colour) {
    return use == WireSort.Use.SIGNAL
        ? colour
        : build.loom().laying().sort(use).colour().map(WireColour::of).orElse(colour);
  }

  /** A second strand from one contact for one purpose gets a small letter behind its number. */
  private String fresh(Serves serves, int number, boolean second) {
    String plain = serves.id(number);
    String id = second ? plain + 'b' : plain;
    for (char suffix = second ? 'c' : 'd'; !taken.add(id); suffix++) {
      id = plain + suffix;
    }
    return id;
  }

  static WireColour lampColour() {
    return WireColour.of(Hue.WH);
  }
}
