package kumite.circuit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import kumite.component.Component;
import kumite.loom.Look;
import kumite.loom.Looks;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.wiring.Wiring;

/**
 * Everything a board reads, solved from the wiring as it is.
 *
 * <pre>{@code
 * Inputs inputs = Inputs.of(wiring, Looks.of(board, loom), new Solves());
 * inputs.levels().get(ContactId.parse("horn")).idleVolts();
 * inputs.see(inputs::rest); // what each look takes in while nobody presses
 * }</pre>
 */
public final class Inputs {
  /** The input resistance of a usual meter: common practice, no source. */
  private static final double METER_OHM = 10e6;

  private final Network network;
  private final Map<ContactId, InputLevels> levels = new LinkedHashMap<>();
  private final List<LampCurrent> lamps = new ArrayList<>();
  private final Shorts shorts;
  private final Draws draws;

  private Inputs(Network network) {
    this.network = network;
    this.shorts = Shorts.of(network);
    this.draws = Draws.of(network);
  }

  /** Solves all contacts idle and held, and all lamps. */
  public static Inputs of(Wiring wiring, Looks looks, Solves solves) {
    return of(new Network(wiring, looks, solves));
  }

  /**
   * The same with supplies that hold their volts whatever is joined to them: what a short hides
   * until it is out.
   */
  public static Inputs behindShorts(Wiring wiring, Looks looks, Solves solves) {
    return of(new Network(wiring, looks, solves, true));
  }

  private static Inputs of(Network network) {
    Inputs inputs = new Inputs(network);
    Wiring wiring = network.wiring();
    Looks looks = network.looks();
    Scan rest = new Scan(inputs.network, network::rest);
    looks
        .byContact()
        .forEach((contact, look) -> inputs.levels.put(contact, inputs.levels(contact, look, rest)));
    for (Component part : wiring.ownParts()) {
      if (part instanceof Component.Light light) {
        inputs.lamps.add(LampCurrent.of(inputs.network, light));
      }
    }
    return inputs;
  }

  /** {@return the levels of each contact that the board looks at} */
  public Map<ContactId, InputLevels> levels() {
    return java.util.Collections.unmodifiableMap(levels);
  }

  /** {@return the current of each lamp, in the order of the controls} */
  public List<LampCurrent> lamps() {
    return java.util.Collections.unmodifiableList(lamps);
  }

  /** {@return why nothing works at all, where a supply is shorted} */
  public Optional<String> dead() {
    return network.dead();
  }

  /** {@return why nothing feeds the board, where that is so} */
  public Optional<String> unfed() {
    return network.dead().filter(why -> network.unfed().filter(why::equals).isPresent());
  }

  /** {@return what contacts short, at rest and when they are moved} */
  public Shorts shorts() {
    return shorts;
  }

  /** {@return what the board's terminals and its logic supply have to give} */
  public Draws draws() {
    return draws;
  }

  /** {@return whether a short holds the board down while hands stand so} */
  public boolean dies(ToDoubleFunction<ContactId> hands) {
    return network.dead().isPresent() || network.mayShort() && network.closings().shorted(hands);
  }

  /** {@return the wiring that was solved} */
  public Wiring wiring() {
    return network.wiring();
  }

  /** {@return the looks of the board} */
  public Looks looks() {
    return network.looks();
  }

  /**
   * {@return what each look takes in while hands stand so}
   *
   * @param hands how far each contact is moved, 0 to 1
   */
  public Map<Look, Seen> see(ToDoubleFunction<ContactId> hands) {
    Scan scan = Scan.asking(network, hands);
    Map<Look, Seen> seen = new LinkedHashMap<>();
    network.looks().all().forEach(look -> seen.put(look, scan.see(look)));
    return seen;
  }

  /**
   * {@return what the look meant for a contact takes in while hands stand so}
   *
   * @throws java.util.NoSuchElementException if the board does not look at it
   */
  public Seen see(ContactId contact, ToDoubleFunction<ContactId> hands) {
    return new Scan(network, hands).see(network.looks().of(contact).orElseThrow());
  }

  /** {@return where a contact stands while no hand is on it, 0 to 1} */
  public double rest(ContactId contact) {
    return network.rest(contact);
  }

  Network network() {
    return network;
  }

  /** {@return the wiring as nets and ways, for whoever solves it elsewhere} */
  public Ways ways() {
    return Ways.of(network);
  }

  // ---- one contact

  private InputLevels levels(ContactId contact, Look look, Scan rest) {
    Scan held = new Scan(network, c -> c.equals(contact) ? 1 : network.rest(c));
    double logic = network.board().logicVolts();
    boolean chip = Scan.inside(look).isPresent();
    double supply =
        look.how() instanceof Look.Bit bit
            ? network.supplyAt(bit.input())
            : look.how() instanceof Look.Frame frame ? network.fedVolts(frame.talk()) : logic;
    InputLevels.Thresholds thresholds =
        chip
            ? new InputLevels.Thresholds(
                supply, Network.CHIP_LOW * supply, Network.CHIP_HIGH * supply)
            : new InputLevels.Thresholds(
                logic, network.board().lowVolts(), network.board().highVolts());
    Stand idle = stand(look, rest);
    Stand down = stand(look, held);
    Optional<String> trouble =
        network
            .dead()
            .or(
                () ->
                    held.dead()
                        ? Optional.of("Held, it shorts a supply: the board goes down")
                        : Optional.empty())
            .or(() -> idle.trouble())
            .or(() -> down.trouble());
    Optional<InputLevels.Floating> floating = idle.floating(false).or(() -> down.floating(true));
    Seen seenIdle = rest.see(look);
    Seen seenHeld = held.see(look);
    boolean byProgram = chip || look.how() instanceof Look.Step;
    boolean told =
        !byProgram
            || (look.travels()
                ? seenIdle.code() != seenHeld.code()
                : seenIdle.pressed() != seenHeld.pressed());
    return new InputLevels(
        look,
        network.pull(look.read().name()),
        thresholds,
        idle.span(),
        down.span(),
        reading(look, thresholds, idle, seenIdle),
        held.dead() && !look.measured()
            ? InputLevels.Reading.UNDEFINED
            : reading(look, thresholds, down, seenHeld),
        floating,
        trouble,
        sketch(
            look,
            look.travels() && !(look.how() instanceof Look.Channel) ? middle(contact, look) : idle,
            down,
            told));
  }

  /** A pot or ladder in the middle of its travel, where both its halves count. */
  private Stand middle(ContactId contact, Look look) {
    return stand(look, new Scan(network, c -> c.equals(contact) ? 0.5 : network.rest(c)));
  }

  private InputLevels.Reading reading(
      Look look, InputLevels.Thresholds thresholds, Stand stand, Seen seen) {
    if (look.measured()) {
      return InputLevels.Reading.MEASURED;
    }
    boolean lost = stand.floats() || stand.trouble().isPresent() || network.dead().isPresent();
    boolean chipLost =
        Scan.inside(look).isPresent() && seen.reading() == InputLevels.Reading.UNDEFINED;
    return lost || chipLost ? InputLevels.Reading.UNDEFINED : thresholds.read(stand.span());
  }

  /** The place of one look, with one set of hands. */
  private final class Stand {
    private final Look look;
    private final int net;
    private final Conditions now;
    private final Optional<Island> island;
    private final boolean floats;
    private final Span span;
    private Optional<String> trouble = Optional.empty();

    Stand(Look look, int net, Conditions now) {
      this.look = look;
      this.net = net;
      this.now = now;
      this.island =
          network.rail(net)
              ? Optional.empty()
              : Optional.of(at(Corner.USUAL, OptionalDouble.empty(), Edge.GROUND));
      this.floats = island.isPresent() && island.get().floats();
      this.span = floats ? floatingSpan() : solvedSpan();
    }

    boolean floats() {
      return floats;
    }

    Span span() {
      return span;
    }

    Optional<String> trouble() {
      return trouble;
    }

    Optional<InputLevels.Floating> floating(boolean held) {
      return floats
          ? Optional.of(
              new InputLevels.Floating(
                  held, span.least(), span.most(), loaded(METER_OHM, Edge.GROUND)))
          : Optional.empty();
    }

    private Island at(Corner corner, OptionalDouble loadOhm, int rail) {
      return Island.at(network, net, now, corner, loadOhm, rail);
    }

    private double loaded(double ohm, int rail) {
      return volts(at(Corner.USUAL, OptionalDouble.of(ohm), rail));
    }

    private double leaked(int rail) {
      return loaded(network.leakOhm(look.read().name()), rail);
    }

    private Span floatingSpan() {
      double down = leaked(Edge.GROUND);
      double up = leaked(Edge.LOGIC);
      return new Span(Math.min(down, up), down, Math.max(down, up));
    }

    private Span solvedSpan() {
      if (island.isEmpty()) {
        double volts = network.railVolts(net, Corner.USUAL);
        return Span.at(volts);
      }
      double usual = volts(island.get());
      Spread spread =
          network
              .solves()
              .recall(
                  new Alike(
                      island.get().circuit(),
                      network.pull(look.read().name()),
                      network.board().pullLeastOhm(),
                      network.board().pullMostOhm(),
                      network.board().logicVolts()),
                  key -> spread(island.get().lit()));
      spread.trouble().ifPresent(words -> trouble = Optional.of(words));
      return new Span(spread.least(), usual, spread.most()).reaching(usual);
    }

    private Spread spread(boolean lit) {
      double least = Double.POSITIVE_INFINITY;
      double most = Double.NEGATIVE_INFINITY;
      Looks.Pull pull = network.pull(look.read().name());
      int against = pull == Looks.Pull.DOWN ? Edge.LOGIC : Edge.GROUND;
      for (Corner corner : Corner.all(lit)) {
        OptionalDouble leak =
            corner.leak()
                ? OptionalDouble.of(network.leakOhm(look.read().name()))
                : OptionalDouble.empty();
        Island island = at(corner, leak, against);
        if (island.solve() instanceof OperatingPoint.Unsolved fault) {
          return new Spread(0, 0, Optional.of(fault.words()));
        }
        double volts = volts(island);
        least = Math.min(least, volts);
        most = Math.max(most, volts);
      }
      return new Spread(least, most, Optional.empty());
    }

    private double volts(Island solved) {
      return solved.solve() instanceof OperatingPoint.Solved point
          ? point.at(solved.nodeOf(net).orElseThrow())
          : Double.NaN;
    }
  }

  /** Islands with equal keys have equal spreads. */
  private record Alike(
      Circuit usual, Looks.Pull pull, double leastOhm, double mostOhm, double logicVolts) {}

  private record Spread(double least, double most, Optional<String> trouble) {}

  private Stand stand(Look look, Scan scan) {
    return new Stand(look, scan.place(look), scan.during(look));
  }

  // ---- its picture

  private Sketch sketch(Look look, Stand idle, Stand held, boolean told) {
    Set<Edge> closed = new LinkedHashSet<>();
    idle.island.ifPresent(island -> closed.addAll(island.edges()));
    Set<Edge> all = new LinkedHashSet<>();
    held.island.ifPresent(island -> all.addAll(island.edges()));
    all.addAll(closed);
    List<Sketch.Branch> branches = new ArrayList<>();
    Set<Integer> nets = new LinkedHashSet<>(List.of(idle.net));
    for (Edge edge : all) {
      branches.add(Branches.of(network, edge, idle.now, closed.contains(edge)));
      nets.add(edge.a());
      nets.add(edge.b());
    }
    Map<Integer, Double> atRest = volts(idle);
    Map<Integer, Double> down = volts(held);
    Map<String, Sketch.Level> shown = new LinkedHashMap<>();
    for (int net : nets) {
      shown.put(
          network.name(net),
          new Sketch.Level(
              network.name(net),
              network.rail(net),
              known(net, atRest, down),
              known(net, down, atRest)));
    }
    return new Sketch(
        network.name(idle.net), how(look), told, branches, List.copyOf(shown.values()));
  }

  private double known(int net, Map<Integer, Double> first, Map<Integer, Double> second) {
    return network.rail(net)
        ? network.railVolts(net, Corner.USUAL)
        : first.getOrDefault(net, second.getOrDefault(net, Double.NaN));
  }

  private static Map<Integer, Double> volts(Stand stand) {
    Map<Integer, Double> volts = new HashMap<>();
    if (stand.floats()) {
      volts.put(stand.net, stand.span().usual());
    } else if (stand.island.isPresent()
        && stand.island.get().solve() instanceof OperatingPoint.Solved solved) {
      stand.island.get().nodes().forEach((net, node) -> volts.put(net, solved.at(node)));
    }
    return volts;
  }

  private static String how(Look look) {
    if (look.how() instanceof Look.Row row) {
      return look.read().name() + " while " + row.row().name() + " is driven low";
    }
    if (look.how() instanceof Look.Bit bit) {
      return "bit " + (bit.bit() + 1) + " shifted into " + look.read().name();
    }
    if (look.how() instanceof Look.Channel channel) {
      return look.read().name() + " while channel " + channel.code() + " is picked";
    }
    if (look.how() instanceof Look.Frame frame) {
      return frame.says() + " as the frame on " + look.read().name() + " says it";
    }
    if (look.how() instanceof Look.Step step) {
      return "nearest step, this is " + step.step();
    }
    return look.read().name();
  }

  /** {@return whether a place is part of the wiring} */
  boolean has(Joint joint) {
    return network.has(joint);
  }
}
