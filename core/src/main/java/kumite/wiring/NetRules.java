package kumite.wiring;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.lead.Core;
import kumite.lead.Lead;
import kumite.name.Joint;
import kumite.name.Jumper;

/** The rules of any wiring, whatever was planned: no shorts, no bridges, no two drivers. */
final class NetRules {
  /** A terminal bears this much above its logic supply: common practice, no source. */
  private static final double OVER_SUPPLY_V = 0.3;

  private final Nets nets;
  private final Removable removable;
  private final Map<String, BoardKind> boards = new HashMap<>();
  private final Map<Joint, Terminal.Ability> speaks = new HashMap<>();
  private final Set<Joint> onPurpose = new HashSet<>();
  private final Map<String, Double> fed = new HashMap<>();
  private final List<NetFault> faults = new ArrayList<>();

  private NetRules(Wiring wiring, Removable removable) {
    this.nets = wiring.nets();
    knows(Joint.BOARD, wiring.board());
    for (Neighbour neighbour : wiring.neighbours()) {
      if (neighbour instanceof Neighbour.OfSeat seat) {
        knows(Joint.boardOf(seat.seat()), seat.board());
      } else if (neighbour instanceof Neighbour.OfLead lead) {
        lead.lead().cores().stream()
            .filter(Core::shared)
            .forEach(core -> onPurpose.add(lead.pin(Lead.pin(core, lead.where().across()))));
      }
    }
    boolean leads = wiring.neighbours().stream().anyMatch(Neighbour.OfLead.class::isInstance);
    for (Net net : leads ? nets.all() : List.<Net>of()) {
      net.places().stream()
          .filter(Place::gives)
          .mapToDouble(Place::volts)
          .max()
          .ifPresent(
              volts ->
                  net.places(Place.Role.FED)
                      .forEach(p -> fed.merge(p.joint().part(), volts, Math::max)));
    }
    this.removable = removable;
  }

  /** {@return the faults of a wiring, with the wires that make them and can be taken out} */
  static List<NetFault> of(Wiring wiring, Removable removable) {
    NetRules rules = new NetRules(wiring, removable);
    for (Net net : rules.nets.joined()) {
      rules.power(net);
      rules.volts(net);
      rules.inputs(net);
      rules.drivers(net);
      rules.serial(net);
    }
    return rules.faults;
  }

  private void power(Net net) {
    Optional<Place> source = net.source();
    if (source.isEmpty()) {
      return;
    }
    Joint supply = source.get().joint();
    first(net, Place::zero)
        .ifPresent(ground -> tell(NetFault.Kind.SUPPLY_ON_GROUND, supply, ground));
    Set<Double> told = new HashSet<>(Set.of(source.get().volts()));
    for (Place other : net.places()) {
      if (other.gives() && told.add(other.volts())) {
        tell(NetFault.Kind.SUPPLIES_JOINED, supply, other.joint());
      }
    }
  }

  /** Whatever takes less than something else on its net gives. */
  private void volts(Net net) {
    Optional<Place> most =
        net.places().stream()
            .filter(p -> p.gives() || p.drives() || p.role() == Place.Role.SHARES)
            .map(this::asFed)
            .max(
                Comparator.comparingDouble(Place::volts)
                    .thenComparing(p -> p.gives())
                    .thenComparing(Place::own));
    if (most.isEmpty()) {
      return;
    }
    for (Place place : net.places()) {
      boolean over =
          place.bearsVolts() > 0
              && most.get().volts() > place.bearsVolts() + OVER_SUPPLY_V
              && !place.joint().part().equals(most.get().joint().part());
      boolean own =
          place.bearsVolts() > 0
              && most.get().gives()
              && most.get().volts() > place.bearsVolts() + OVER_SUPPLY_V;
      if (over || own) {
        tell(NetFault.Kind.TOO_MANY_VOLTS, place.joint(), most.get().joint());
      } else if (stuck(place, net) && net.source().isPresent()) {
        tell(NetFault.Kind.INPUT_STUCK, place.joint(), net.source().get().joint());
      }
    }
  }

  /** What is fed through a lead sends no more than what it is fed with, where that is known. */
  private Place asFed(Place place) {
    if (place.gives() || !fed.containsKey(place.joint().part())) {
      return place;
    }
    double volts = Math.min(place.volts(), fed.get(place.joint().part()));
    return new Place(place.joint(), place.role(), volts, place.bearsVolts());
  }

  /**
   * Whether a rail on its net leaves it nothing to say. A line has two ends, and is told once: by
   * what drives it, which is the graver, else by the board's terminal where that is on the net too.
   */
  private static boolean stuck(Place place, Net net) {
    return switch (place.role()) {
      case INPUT -> net.places().stream().noneMatch(Place::drives);
      case CLOSES, SHARES -> net.places(Place.Role.INPUT).isEmpty();
      case LISTENS ->
          net.places().stream().noneMatch(p -> p.drives() || p.role() == Place.Role.INPUT);
      case GROUND, RETURN, SUPPLY, COMMON, DRIVE, SENDS, FED, PASSIVE -> false;
    };
  }

  private void inputs(Net net) {
    Optional<Joint> ground = first(net, Place::zero);
    if (ground.isPresent()) {
      if (net.source().isEmpty()) {
        net.places().stream()
            .filter(place -> stuck(place, net))
            .forEach(p -> tell(NetFault.Kind.INPUT_STUCK, p.joint(), ground.get()));
        // Where something gives on it, that is what is shorted, told once.
        net.places(Place.Role.FED)
            .forEach(p -> tell(NetFault.Kind.SUPPLY_ON_GROUND, p.joint(), ground.get()));
      }
      return;
    }
    // Inputs of two boards may be joined: a line between them. Where two drive, that is told.
    boolean driven =
        net.places().stream().filter(Place::drives).count() > 1
            || net.places(Place.Role.SHARES).size() > 1;
    List<Place> inputs = driven ? List.of() : net.places(Place.Role.INPUT);
    boolean bridged = false;
    for (int i = 1; i < inputs.size(); i++) {
      Joint other = inputs.get(i).joint();
      Optional<Joint> own =
          inputs.subList(0, i).stream()
              .map(Place::joint)
              .filter(one -> one.part().equals(other.part()))
              .findFirst();
      own.ifPresent(one -> tell(NetFault.Kind.INPUTS_JOINED, one, other));
      bridged |= own.isPresent();
    }
    // What hangs on inputs that are bridged is bridged by that.
    List<Place> closes = bridged ? List.of() : net.places(Place.Role.CLOSES);
    for (int i = 1; i < closes.size(); i++) {
      Joint one = closes.get(0).joint();
      Joint other = closes.get(i).joint();
      boolean meant = onPurpose.contains(one) || onPurpose.contains(other);
      if (!one.part().equals(other.part()) && !meant) {
        tell(NetFault.Kind.INPUTS_JOINED, one, other);
      }
    }
  }

  private void drivers(Net net) {
    List<Place> drivers = net.places().stream().filter(Place::drives).toList();
    List<Joint> told = new ArrayList<>();
    for (int i = 1; i < drivers.size(); i++) {
      tell(NetFault.Kind.DRIVERS_JOINED, drivers.get(0).joint(), drivers.get(i).joint());
      told.add(drivers.get(0).joint());
      told.add(drivers.get(i).joint());
    }
    for (Place driver : drivers) {
      Joint one = driver.joint();
      Optional<Joint> against =
          net.source()
              .map(Place::joint)
              .or(() -> first(net, Place::zero))
              .or(
                  () ->
                      first(
                          net,
                          p ->
                              p.role() == Place.Role.INPUT && p.joint().part().equals(one.part())));
      if (against.isPresent() && !told.contains(one)) {
        tell(NetFault.Kind.DRIVERS_JOINED, one, against.get());
      }
    }
    List<Place> shares = net.places(Place.Role.SHARES);
    for (int i = 1; i < shares.size(); i++) {
      tell(NetFault.Kind.DRIVERS_JOINED, shares.get(0).joint(), shares.get(i).joint());
    }
  }

  /**
   * TX goes to RX: two devices whose senders, or receivers, are joined are crossed over.
   *
   * <p>One sender may tell several receivers: those that a third device's sender meets are sound.
   * What a terminal of a board is its kind says; of other devices only the names of their tabs are
   * known.
   */
  private void serial(Net net) {
    for (Terminal.Ability speech : List.of(Terminal.Ability.SEND, Terminal.Ability.RECEIVE)) {
      List<Joint> same = speaking(net, speech);
      Set<String> whose = same.stream().map(Joint::part).collect(Collectors.toSet());
      boolean told =
          speech == Terminal.Ability.RECEIVE
              && speaking(net, Terminal.Ability.SEND).stream()
                  .anyMatch(sender -> !whose.contains(sender.part()));
      if (told) {
        continue;
      }
      for (Joint other : same) {
        if (!other.part().equals(same.get(0).part())) {
          faults.add(notCrossed(same.get(0), other));
          break;
        }
      }
    }
  }

  private List<Joint> speaking(Net net, Terminal.Ability speech) {
    return net.places().stream().map(Place::joint).filter(joint -> is(joint, speech)).toList();
  }

  private boolean is(Joint joint, Terminal.Ability speech) {
    if (boards.containsKey(joint.part())) {
      return speaks.get(joint) == speech;
    }
    String tab = joint.tab();
    return tab.length() > 1
        && Character.toUpperCase(tab.charAt(1)) == 'X'
        && !Character.isUpperCase(joint.part().charAt(0))
        && tab.toUpperCase(Locale.ROOT).startsWith(word(speech));
  }

  /** Terminals of a board that either send or receive; those that can do both are neither. */
  private void knows(String part, BoardKind board) {
    boards.put(part, board);
    for (Terminal terminal : board.terminals()) {
      boolean sends = terminal.can(Terminal.Ability.SEND);
      if (sends != terminal.can(Terminal.Ability.RECEIVE)) {
        speaks.put(
            new Joint(part, Tab.of(terminal.name())),
            sends ? Terminal.Ability.SEND : Terminal.Ability.RECEIVE);
      }
    }
  }

  private static Terminal.Ability across(Terminal.Ability speech) {
    return speech == Terminal.Ability.SEND ? Terminal.Ability.RECEIVE : Terminal.Ability.SEND;
  }

  private static String word(Terminal.Ability speech) {
    return speech == Terminal.Ability.SEND ? "TX" : "RX";
  }

  /** Wires by hand are crossed; what belongs to several boards is only taken out. */
  private NetFault notCrossed(Joint one, Joint other) {
    List<Jumper> remove = new ArrayList<>(removable.between(nets, one, other));
    Optional<Joint> mate = mate(one);
    Optional<Joint> far = mate(other);
    List<Jumper> join = new ArrayList<>();
    boolean byHand = Stream.of(one, other).noneMatch(NetRules::elsewhere);
    if (byHand && !remove.isEmpty() && mate.isPresent() && far.isPresent()) {
      remove.addAll(removable.between(nets, mate.get(), far.get()));
      join.add(new Jumper(one, far.get()));
      join.add(new Jumper(mate.get(), other));
    }
    return new NetFault(
        NetFault.Kind.SERIAL_NOT_CROSSED, List.of(one, other), remove, List.of(), join);
  }

  private static boolean elsewhere(Joint joint) {
    return Character.isUpperCase(joint.part().charAt(0));
  }

  /** The other line of the same port. */
  private Optional<Joint> mate(Joint joint) {
    boolean sends = is(joint, Terminal.Ability.SEND);
    BoardKind board = boards.get(joint.part());
    if (board == null) {
      String word = word(sends ? Terminal.Ability.RECEIVE : Terminal.Ability.SEND);
      return Optional.of(new Joint(joint.part(), word + joint.tab().substring(2)));
    }
    List<String> names = board.terminals().stream().map(Terminal::name).toList();
    int at = names.indexOf(joint.tab());
    return board.terminals().stream()
        .map(t -> new Joint(joint.part(), Tab.of(t.name())))
        .filter(j -> is(j, sends ? Terminal.Ability.RECEIVE : Terminal.Ability.SEND))
        .min(Comparator.comparingInt(j -> Math.abs(names.indexOf(j.tab()) - at)));
  }

  /** {@return a place of a net, one of the board looked at before others} */
  private static Optional<Joint> first(Net net, Predicate<Place> is) {
    return net.places().stream()
        .filter(is)
        .min(Comparator.comparing(place -> !place.own()))
        .map(Place::joint);
  }

  private void tell(NetFault.Kind kind, Joint one, Joint other) {
    faults.add(
        new NetFault(
            kind, List.of(one, other), removable.between(nets, one, other), List.of(), List.of()));
  }
}
