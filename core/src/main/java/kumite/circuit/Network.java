package kumite.circuit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import kumite.component.Component;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.loom.Look;
import kumite.loom.Looks;
import kumite.loom.Plugged;
import kumite.loom.Talk;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.wiring.Neighbour;
import kumite.wiring.Net;
import kumite.wiring.Wiring;
import kumite.working.Working;

/**
 * A wiring as nets and the ways for current between them. Grounds and supplies cut it into islands
 * that cannot influence each other; of an island only what carries current at the moment is solved,
 * the rest has the volts of what it hangs on.
 *
 * <p>Values that are common practice without a source: {@value #CONTACT_OHM} ohm for a sound closed
 * contact, {@value #DRIVER_OHM} ohm for a driving terminal ({@value #STIFF_OHM} where the most is
 * asked that it can give), {@value #CHANNEL_OHM} ohm through a multiplexer, 1 uA of leakage at an
 * input (10 nA where touch is sensed), {@value #SKIN_LEAST_OHM} to {@value #SKIN_MOST_OHM} ohm of
 * dry skin, {@value #OUTPUT_OHM} ohm behind the output of a fed part.
 *
 * <p>Longer than most files: what there is and what others may ask of it share the same tables.
 */
final class Network {
  static final double CONTACT_OHM = 0.1;
  static final double DRIVER_OHM = 50;
  static final double STIFF_OHM = 25;
  static final double CHANNEL_OHM = 100;
  static final double SKIN_LEAST_OHM = 1e5;
  static final double SKIN_MOST_OHM = 1e6;
  static final double OUTPUT_OHM = 1000;

  /** Behind the output of a logic chip: common practice, no source. */
  static final double CHIP_OHM = 50;

  /** Inputs of the usual chips tell low below and high above these shares of their supply. */
  static final double CHIP_LOW = 0.3;

  static final double CHIP_HIGH = 0.7;
  private static final double TOUCH_LEAST_OHM = 10e6;
  private static final double TOUCH_MOST_OHM = 22e6;
  private static final double LEAK_AMPS = 1e-6;
  private static final double TOUCH_LEAK_AMPS = 1e-8;

  /**
   * In front of the capacitor of a timed input: 24.2 us at no ohm, 0.011 us for each more (IBM Game
   * Control Adapter reference, from memory) make 2200 ohm.
   */
  static final double CHARGE_OHM = 24.2 / 0.011;

  /** The end of a track is never quite reached. */
  static final double TRACK_END_OHM = 1;

  private final Wiring wiring;
  private final BoardKind board;
  private final Looks looks;
  private final Solves solves;
  private final List<Net> nets;
  private final double[] sources;
  private final List<List<Edge>> edges = new ArrayList<>();
  private final List<Component.Register> allRegisters = new ArrayList<>();
  private final List<Component.Multiplexer> multiplexers = new ArrayList<>();
  private final List<Chip> chips = new ArrayList<>();
  private final List<ContactId> contacts = new ArrayList<>();
  private final Map<ContactId, Double> rests = new HashMap<>();
  private final Optional<String> dead;
  private final List<Double> logicsBeside = new ArrayList<>();
  private final Closings closings;
  private final Map<Talk, Frames.Line> talking = new java.util.concurrent.ConcurrentHashMap<>();
  private final LineLevels lines = new LineLevels(this);
  private final boolean ideal;

  Network(Wiring wiring, Looks looks, Solves solves) {
    this(wiring, looks, solves, false);
  }

  /**
   * @param ideal whether supplies hold their volts whatever is joined to them, so that what a short
   *     hides can be seen; of joined sources the first counts
   */
  Network(Wiring wiring, Looks looks, Solves solves, boolean ideal) {
    this.wiring = wiring;
    this.board = wiring.board();
    this.looks = looks;
    this.solves = solves;
    this.nets = wiring.nets().all();
    this.sources = new double[nets.size()];
    Optional<String> shorted = Optional.empty();
    for (Net net : nets) {
      edges.add(new ArrayList<>());
      List<Double> volts =
          net.places().stream()
              .filter(p -> p.gives() || p.zero())
              .map(p -> p.volts())
              .distinct()
              .toList();
      // Where a supply is on ground, ground is what is left of it.
      sources[net.number()] = volts.isEmpty() ? Double.NaN : volts.contains(0.0) ? 0 : volts.get(0);
      if (volts.size() > 1 && shorted.isEmpty()) {
        shorted =
            Optional.of(
                "Sources of different volts are joined on the net "
                    + net.name()
                    + ": nothing works before that short is out");
      }
    }
    shorted = shorted.or(this::unfed);
    wiring.parts().forEach(this::edgesOf);
    for (Terminal terminal : wiring.off() ? List.<Terminal>of() : board.terminals()) {
      inside(terminal);
    }
    for (Neighbour neighbour : wiring.neighbours()) {
      if (neighbour instanceof Neighbour.OfSeat seat && !wiring.off()) {
        inside(seat);
      }
    }
    // Alike inputs meet their ways in the same order, so that their circuits are equal.
    edges.forEach(list -> list.sort(java.util.Comparator.comparing(Edge::kind)));
    closings = new Closings(this);
    if (!ideal && shorted.isEmpty() && closings.shorted(this::rest)) {
      shorted =
          Optional.of(
              "Contacts that are closed at rest short a supply: nothing works before that is out");
    }
    dead = ideal ? Optional.empty() : shorted;
    this.ideal = ideal;
  }

  /** A board that lives on what comes in at a terminal, where nothing does. */
  Optional<String> unfed() {
    return wiring.ownParts().stream()
        .filter(Component.Fed.class::isInstance)
        .map(part -> ((Component.Fed) part).terminal())
        .filter(inlet -> Double.isNaN(sources[net(inlet)]) || sources[net(inlet)] == 0)
        .findFirst()
        .map(
            inlet ->
                "Nothing comes in at "
                    + inlet.tab()
                    + ", which the board lives on: a switch is open, or a wire of its supply is"
                    + " missing");
  }

  // ---- what there is

  /** {@return the contacts of all its parts, as the parts name them} */
  List<ContactId> contacts() {
    return contacts;
  }

  /** {@return where a contact stands while no hand is on it, 0 to 1} */
  double rest(ContactId contact) {
    return rests.getOrDefault(contact, 0.0);
  }

  private void edgesOf(Component part) {
    part.moved().ifPresent(contacts::add);
    part.moved().filter(c -> part.rest() > 0).ifPresent(c -> rests.put(c, part.rest()));
    if (part instanceof Component.Pole pole) {
      add(Edge.Kind.OPEN_CONTACT, pole.open(), pole.common(), part, 0);
      add(Edge.Kind.RESTING_CONTACT, pole.closed(), pole.common(), part, 0);
    } else if (part instanceof Component.Selector selector) {
      for (int i = 0; i < selector.taps().size(); i++) {
        add(Edge.Kind.TAP, selector.wiper(), selector.taps().get(i), part, i);
      }
    } else if (part instanceof Component.Pot pot) {
      add(Edge.Kind.POT_LOW, pot.wiper(), pot.low(), part, 0);
      add(Edge.Kind.POT_HIGH, pot.high(), pot.wiper(), part, 0);
    } else if (part instanceof Component.Resistor resistor) {
      add(Edge.Kind.RESISTOR, resistor.a(), resistor.b(), part, 0);
    } else if (part instanceof Component.Diode diode) {
      add(Edge.Kind.DIODE, diode.anode(), diode.cathode(), part, 0);
    } else if (part instanceof Component.Light light) {
      add(Edge.Kind.LAMP, light.anode(), light.cathode(), part, 0);
    } else if (part instanceof Component.Skin skin) {
      add(Edge.Kind.SKIN, skin.pad(), skin.person(), part, 0);
    } else if (part instanceof Component.Output output) {
      add(Edge.Kind.OUTPUT_HIGH, output.supply(), output.out(), part, 0);
      add(Edge.Kind.OUTPUT_LOW, output.out(), output.ground(), part, 0);
    } else if (part instanceof Component.Multiplexer multiplexer) {
      multiplexers.add(multiplexer);
      if (multiplexer.ofPad()) { // it sends what it picks, low or high, as any logic chip does
        add(Edge.Kind.CHANNEL, multiplexer.out(), multiplexer.ground(), part, 0);
        add(Edge.Kind.CHANNEL, multiplexer.out(), multiplexer.supply(), part, 1);
        return;
      }
      for (int i = 0; i < multiplexer.channels().size(); i++) {
        add(Edge.Kind.CHANNEL, multiplexer.out(), multiplexer.channels().get(i), part, i);
      }
    } else if (part instanceof Component.Register register) {
      allRegisters.add(register);
      chips.add(chip(register));
      if (powered(register.supply(), register.ground())) {
        add(Edge.Kind.OUT_HIGH, register.supply(), register.out(), part, 0);
        add(Edge.Kind.OUT_LOW, register.out(), register.ground(), part, 0);
      }
    }
  }

  /** {@return whether bits of a pad that tells reports go over a net all the time} */
  boolean carriesPackets(int net) {
    return looks.all().stream()
        .filter(Look::reported)
        .map(look -> ((Look.Frame) look.how()).talk())
        .distinct()
        .flatMap(talk -> talk.kind().lines().stream().map(line -> talk.pad().pin(line.name())))
        .anyMatch(pin -> has(pin) && net(pin) == net);
  }

  private void inside(Terminal terminal) {
    if (terminal.role() != Terminal.Role.INPUT) {
      return;
    }
    int net = net(Joint.board(terminal.name()));
    switch (pull(terminal.name())) {
      case UP, TOUCH -> add(new Edge(Edge.Kind.PULL, Edge.LOGIC, net, null, 0, terminal.name()));
      case DOWN, CHARGE ->
          add(new Edge(Edge.Kind.PULL, net, Edge.GROUND, null, 0, terminal.name()));
      case NONE -> {}
    }
    if (terminal.can(Terminal.Ability.DRIVE)) {
      add(new Edge(Edge.Kind.DRIVE_HIGH, Edge.LOGIC, net, null, 0, terminal.name()));
      add(new Edge(Edge.Kind.DRIVE_LOW, net, Edge.GROUND, null, 0, terminal.name()));
    }
  }

  /** How the program of another board holds its terminals while nothing happens there. */
  private void inside(Neighbour.OfSeat seat) {
    logicsBeside.add(seat.board().logicVolts());
    int logic = Edge.LOGIC - logicsBeside.size();
    for (Terminal terminal : seat.board().terminals(Terminal.Role.INPUT)) {
      Joint place = seat.called(Joint.board(terminal.name()));
      boolean sends =
          terminal.can(Terminal.Ability.SEND)
              && wiring.wires().keySet().stream()
                  .anyMatch(wire -> wire.a().equals(place) || wire.b().equals(place));
      Optional<Boolean> driven =
          sends ? Optional.of(true) : Scan.rest(seat.looks(), terminal.name());
      Looks.Pull pull = seat.looks().pulls().getOrDefault(terminal.name(), Looks.Pull.NONE);
      if (driven.isPresent()) {
        beside(Component.Job.DRIVER, place, driven.get() ? logic : Edge.GROUND, DRIVER_OHM);
      } else if (pull == Looks.Pull.UP || pull == Looks.Pull.DOWN) {
        double ohm = (seat.board().pullLeastOhm() + seat.board().pullMostOhm()) / 2;
        beside(Component.Job.PULL_UP, place, pull == Looks.Pull.UP ? logic : Edge.GROUND, ohm);
      }
    }
  }

  private void beside(Component.Job job, Joint place, int rail, double ohm) {
    Component part = new Component.Resistor(job, place, place, ohm, 0);
    add(new Edge(Edge.Kind.RESISTOR, rail, net(place), part, 0, ""));
  }

  private void add(Edge.Kind kind, Joint a, Joint b, Component part, int index) {
    int one = net(a);
    int other = net(b);
    if (one != other) {
      add(new Edge(kind, one, other, part, index, ""));
    }
  }

  private void add(Edge edge) {
    if (edge.a() >= 0) {
      edges.get(edge.a()).add(edge);
    }
    if (edge.b() >= 0) {
      edges.get(edge.b()).add(edge);
    }
  }

  // ---- what others ask

  Wiring wiring() {
    return wiring;
  }

  BoardKind board() {
    return board;
  }

  Looks looks() {
    return looks;
  }

  Solves solves() {
    return solves;
  }

  /** {@return why nothing works at all, where a supply is shorted} */
  Optional<String> dead() {
    return dead;
  }

  /** {@return the levels of single lines} */
  LineLevels lines() {
    return lines;
  }

  /** {@return the contacts as ways without resistance} */
  Closings closings() {
    return closings;
  }

  /** {@return whether any hands could short a supply} */
  boolean mayShort() {
    return !ideal && closings.railsMayMeet();
  }

  /** {@return the volts of the logic supplies of other boards, in the order of their rails} */
  List<Double> logicsBeside() {
    return logicsBeside;
  }

  /** {@return the multiplexers, in the order of the wiring} */
  List<Component.Multiplexer> multiplexers() {
    return multiplexers;
  }

  /** {@return a net by its number} */
  Net netAt(int net) {
    return nets.get(net);
  }

  /** {@return the volts that a chip is fed with; 0 where nothing feeds it} */
  double chipVolts(Joint supply) {
    int net = net(supply);
    return rail(net) ? railVolts(net, Corner.USUAL) : 0;
  }

  /** {@return the volts that feed the register with that input; the board's own where none does} */
  double supplyAt(Joint input) {
    return allRegisters.stream()
        .filter(chip -> chip.inputs().contains(input))
        .mapToDouble(chip -> chipVolts(chip.supply()))
        .filter(volts -> volts > 0)
        .findFirst()
        .orElse(board.logicVolts());
  }

  /** {@return who talks to a pad, worked out when it is asked for first} */
  Frames.Line talking(Talk talk, BiFunction<Network, Talk, Frames.Line> work) {
    return talking.computeIfAbsent(talk, t -> work.apply(this, t));
  }

  /** {@return the volts that feed a pad; the board's own where none does} */
  double fedVolts(Talk talk) {
    double volts = chipVolts(talk.pad().pin(Plugged.SUPPLY));
    return volts > 0 ? volts : board.logicVolts();
  }

  int net(Joint joint) {
    return wiring.nets().of(joint).orElseThrow().number();
  }

  boolean has(Joint joint) {
    return wiring.nets().of(joint).isPresent();
  }

  /** {@return the name of a net; of a rail, what stands on it, whichever way it gets there} */
  String name(int net) {
    if (!rail(net)) {
      return nets.get(net).name();
    }
    double volts = railVolts(net, Corner.USUAL);
    return volts == 0 ? Net.GROUND : Working.number(volts, 1) + " V";
  }

  Looks.Pull pull(String terminal) {
    return looks.pulls().getOrDefault(terminal, Looks.Pull.NONE);
  }

  List<Edge> edges(int net) {
    return edges.get(net);
  }

  int size() {
    return nets.size();
  }

  /** {@return all registers, in the order of the wiring} */
  List<Component.Register> registers() {
    return allRegisters;
  }

  /**
   * A register with the nets of its ends.
   *
   * @param inputs the one that comes out first first
   * @param volts of its supply; 0 where it lacks that or its ground
   */
  record Chip(
      Component.Register part,
      int[] inputs,
      int load,
      int clock,
      int next,
      int out,
      double volts) {}

  private Chip chip(Component.Register register) {
    return new Chip(
        register,
        register.inputs().stream().mapToInt(this::net).toArray(),
        net(register.load()),
        net(register.clock()),
        net(register.next()),
        net(register.out()),
        powered(register.supply(), register.ground()) ? chipVolts(register.supply()) : 0);
  }

  /** {@return all registers with their nets, in the order of the wiring} */
  List<Chip> chips() {
    return chips;
  }

  /** {@return the numbers of the registers that send to a net; none where a rail holds it} */
  int[] senders(int net) {
    return rail(net)
        ? new int[0]
        : java.util.stream.IntStream.range(0, chips.size())
            .filter(i -> chips.get(i).out() == net && chips.get(i).volts() > 0)
            .toArray();
  }

  /** {@return whether volts stand on a net whatever else happens} */
  boolean rail(int net) {
    return net < 0 || !Double.isNaN(sources[net]);
  }

  /** {@return the volts of a rail} */
  double railVolts(int net, Corner corner) {
    double volts =
        net >= 0
            ? sources[net]
            : net == Edge.GROUND
                ? 0
                : net == Edge.LOGIC ? board.logicVolts() : logicsBeside.get(Edge.LOGIC - net - 1);
    return volts * (1 + corner.supply());
  }

  boolean powered(Joint supply, Joint ground) {
    int plus = net(supply);
    int minus = net(ground);
    return rail(plus) && sources[plus] > 0 && rail(minus) && sources[minus] == 0;
  }

  // ---- what is closed, and how much it resists

  private static boolean drives(Edge edge, Conditions now, boolean high) {
    Boolean driven = now.drives().get(edge.terminal());
    return driven != null && driven == high;
  }

  private static double driverOhm(Corner corner) {
    return corner.stiff() ? STIFF_OHM : DRIVER_OHM;
  }

  /** {@return the ohm of a way at the moment; 0 for diodes, negative where it is open} */
  double ohm(Edge edge, Conditions now, Corner corner) {
    return switch (edge.kind()) {
      case PULL -> now.drives().containsKey(edge.terminal()) ? -1 : pullOhm(edge, corner);
      case DRIVE_HIGH -> drives(edge, now, true) ? driverOhm(corner) : -1;
      case DRIVE_LOW -> drives(edge, now, false) ? driverOhm(corner) : -1;
      case RESISTOR -> ((Component.Resistor) edge.part()).ohm();
      case OPEN_CONTACT -> now.held(((Component.Pole) edge.part()).contact()) ? CONTACT_OHM : -1;
      case RESTING_CONTACT -> now.held(((Component.Pole) edge.part()).contact()) ? -1 : CONTACT_OHM;
      case TAP -> {
        Component.Selector selector = (Component.Selector) edge.part();
        double travel = now.hands().applyAsDouble(selector.contact());
        yield Math.rint(travel * (selector.taps().size() - 1)) == edge.index() ? CONTACT_OHM : -1;
      }
      case POT_LOW, POT_HIGH -> {
        Component.Pot pot = (Component.Pot) edge.part();
        yield track(edge, pot.ohm(), now.hands().applyAsDouble(pot.contact()));
      }
      case DIODE, LAMP -> 0;
      case SKIN ->
          now.held(((Component.Skin) edge.part()).contact())
              ? SKIN_MOST_OHM + corner.pull() * (SKIN_LEAST_OHM - SKIN_MOST_OHM)
              : -1;
      case OUTPUT_HIGH, OUTPUT_LOW -> output(edge, now);
      case CHANNEL -> {
        Component.Multiplexer chip = (Component.Multiplexer) edge.part();
        yield powered(chip.supply(), chip.ground())
            ? channelOhm(chip, lines.code(chip, now), edge.index())
            : -1;
      }
      case OUT_HIGH, OUT_LOW -> {
        Component.Register chip = (Component.Register) edge.part();
        Boolean out = now.out(chip);
        boolean high = edge.kind() == Edge.Kind.OUT_HIGH;
        yield out != null && out == high ? CHIP_OHM : -1;
      }
      case LEAK -> -1;
    };
  }

  /** What a pad's multiplexer does not know it sends half-way, which no input takes for a level. */
  private static double channelOhm(Component.Multiplexer chip, int code, int index) {
    if (chip.ofPad()) {
      return code == index || code < 0 ? CHIP_OHM : -1;
    }
    return code == index ? CHANNEL_OHM : -1;
  }

  private static double track(Edge edge, double ohm, double travel) {
    boolean low = edge.kind() == Edge.Kind.POT_LOW || edge.kind() == Edge.Kind.OUTPUT_LOW;
    return Math.max(TRACK_END_OHM, ohm * (low ? travel : 1 - travel));
  }

  private double output(Edge edge, Conditions now) {
    Component.Output output = (Component.Output) edge.part();
    if (!powered(output.supply(), output.ground())) {
      return -1;
    }
    double travel = now.hands().applyAsDouble(output.contact());
    if (output.proportional()) {
      return track(edge, OUTPUT_OHM, travel);
    }
    boolean high = travel < 0.5;
    return high == (edge.kind() == Edge.Kind.OUTPUT_HIGH) ? OUTPUT_OHM : -1;
  }

  double pullOhm(Edge edge, Corner corner) {
    if (pull(edge.terminal()) == Looks.Pull.CHARGE) {
      return CHARGE_OHM;
    }
    boolean touch = pull(edge.terminal()) == Looks.Pull.TOUCH;
    double least = touch ? Math.max(TOUCH_LEAST_OHM, board.pullLeastOhm()) : board.pullLeastOhm();
    double most = touch ? Math.max(TOUCH_MOST_OHM, board.pullMostOhm()) : board.pullMostOhm();
    return least + corner.pull() * (most - least);
  }

  double leakOhm(String terminal) {
    boolean touch = pull(terminal) == Looks.Pull.TOUCH;
    return board.logicVolts() / (touch ? TOUCH_LEAK_AMPS : LEAK_AMPS);
  }
}
