package kumite.lead;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.kind.WireColour;
import kumite.lead.LeadPart.Place;

/** Ways to make a lead. */
public final class Making {
  private Making() {}

  /**
   * {@return the lead that turns a stick}
   *
   * @param pinout of the stick and of its host
   * @throws IllegalArgumentException if that has no four directions of its own pins
   */
  public static Lead turning(Turn turn, Pinout pinout, Plugs plugs) {
    Map<Turn.Direction, String> pins = pinout.directions();
    if (pins.isEmpty()) {
      throw new IllegalArgumentException(
          "\""
              + pinout.name()
              + "\" has no pins for up, down, left and right, so no lead can turn its stick; take a"
              + " pinout with four directions, such as nine-pin-direct");
    }
    Map<String, String> to = new LinkedHashMap<>();
    pinout.pins().stream()
        .filter(pin -> pin.flow() != Flow.FREE)
        .forEach(pin -> to.put(pin.pin(), pin.pin()));
    pins.forEach((pushed, pin) -> to.put(pin, pins.get(turn.of(pushed))));
    return carrying(turn.title(), pinout, pinout, to, plugs);
  }

  /**
   * {@return the lead that carries each function of one pinout to the same of another}
   *
   * @throws IllegalArgumentException if they have none in common
   */
  public static Lead byFunctions(Pinout pad, Pinout host, Plugs plugs) {
    Map<String, String> to = new LinkedHashMap<>();
    Map<Function, Integer> seen = new HashMap<>();
    for (Pinout.Pin pin : pad.pins()) {
      List<Pinout.Pin> there =
          host.pins().stream()
              .filter(p -> p.flow() != Flow.FREE && p.function().equals(pin.function()))
              .toList();
      if (pin.flow() != Flow.FREE && !there.isEmpty()) {
        // The second ground goes to the second ground, where there is one.
        int which = seen.merge(pin.function(), 1, Integer::sum) - 1;
        to.put(pin.pin(), there.get(Math.min(which, there.size() - 1)).pin());
      }
    }
    if (to.isEmpty()) {
      throw new IllegalArgumentException(
          "\"" + pad.name() + "\" and \"" + host.name() + "\" have no function in common");
    }
    return carrying(pad.name() + " to " + host.name(), pad, host, to, plugs);
  }

  private static Lead carrying(
      String name, Pinout pad, Pinout host, Map<String, String> to, Plugs plugs) {
    ConnectorKind one = plugs.needed(pad.connector());
    ConnectorKind other = plugs.needed(host.connector());
    CoreColours colours = new CoreColours();
    List<Core> cores = new ArrayList<>();
    for (String pin : one.names()) {
      if (to.containsKey(pin)) {
        cores.add(new Core(pin, to.get(pin), colours.next(pad.at(pin)), Optional.empty()));
      }
    }
    End from = End.Plug.of(one.id(), one.padGender().other()).into(Beyond.PAD, pad);
    End end = End.Plug.of(other.id(), other.padGender()).into(Beyond.HOST, host);
    return new Lead(
        name, from, end, cores, List.of(), Cable.forCores(cores.size()), hoods(one, other));
  }

  /** {@return the hoods of two connectors that have them: soldered and screwed ones} */
  static List<Slip> hoods(ConnectorKind from, ConnectorKind to) {
    List<Slip> slips = new ArrayList<>();
    if (!from.bare()) {
      slips.add(new Slip(Where.FROM, Slip.Kind.HOOD));
    }
    if (!to.bare()) {
      slips.add(new Slip(Where.TO, Slip.Kind.HOOD));
    }
    return slips;
  }

  /**
   * {@return a plain lead between two connectors: pin to pin in order of their numbers}
   *
   * @param cores its wires; where empty, pin to pin
   */
  public static Lead between(
      String name, End.Plug from, End.Plug to, List<Core> cores, Plugs plugs) {
    ConnectorKind one = plugs.needed(from.connector());
    ConnectorKind other = plugs.needed(to.connector());
    List<Core> all = new ArrayList<>(cores);
    if (cores.isEmpty()) {
      CoreColours colours = new CoreColours();
      for (int i = 0; i < Math.min(one.pins().size(), other.pins().size()); i++) {
        String pin = one.names().get(i);
        all.add(
            new Core(
                pin,
                other.names().get(i),
                colours.next(plugs.pinout(from).flatMap(p -> p.at(pin))),
                Optional.empty()));
      }
    }
    return new Lead(name, from, to, all, List.of(), Cable.forCores(all.size()), hoods(one, other));
  }

  /** {@return colours for cores that have none, none twice; those given are kept} */
  public static List<WireColour> colours(
      List<Optional<WireColour>> given, List<Optional<Pinout.Pin>> pins) {
    CoreColours fresh = new CoreColours();
    given.forEach(colour -> colour.ifPresent(fresh::took));
    List<WireColour> all = new ArrayList<>();
    for (int i = 0; i < given.size(); i++) {
      Optional<Pinout.Pin> pin = pins.get(i);
      all.add(given.get(i).orElseGet(() -> fresh.next(pin)));
    }
    return all;
  }

  /**
   * {@return the lead that undoes another one when it is plugged in after it}
   *
   * @throws IllegalArgumentException if an end is a board, or if it joins pins, which no lead
   *     undoes
   */
  public static Lead inverse(Lead lead) {
    End.Plug from = plug(lead, Where.FROM);
    End.Plug to = plug(lead, Where.TO);
    if (LeadNets.of(lead).oneToOne().isEmpty()) {
      throw new IllegalArgumentException(
          "\""
              + lead.name()
              + "\" joins pins, and what is joined no lead parts again; take the core out that joins"
              + " them");
    }
    Lead turned = lead.turned();
    return turned
        .named(shortened(lead.name() + ", undone"))
        .withEnds(mating(to, from.beyond()), mating(from, to.beyond()));
  }

  private static End.Plug mating(End.Plug plug, Beyond beyond) {
    return new End.Plug(
        plug.connector(), plug.gender().other(), beyond, plug.pinout(), plug.wired());
  }

  private static End.Plug plug(Lead lead, Where where) {
    if (lead.end(where) instanceof End.Plug plug) {
      return plug;
    }
    throw new IllegalArgumentException(
        "\""
            + lead.name()
            + "\" ends at a board, so nothing can be plugged in there; take a lead between two plugs");
  }

  /**
   * {@return the one lead that does what several do, plugged into each other in this order}
   *
   * @param leads one or more
   * @throws IllegalArgumentException if two that meet are not of one shape, or both have pins or
   *     both sockets
   */
  public static Lead joined(List<Lead> leads) {
    Lead all = leads.get(0);
    for (Lead next : leads.subList(1, leads.size())) {
      all = joined(all, next);
    }
    return all;
  }

  private static Lead joined(Lead first, Lead second) {
    End.Plug meets = plug(first, Where.TO);
    End.Plug met = plug(second, Where.FROM);
    if (!meets.connector().equals(met.connector())) {
      throw new IllegalArgumentException(
          "\""
              + first.name()
              + "\" ends in "
              + meets.connector()
              + ", but \""
              + second.name()
              + "\" begins with "
              + met.connector()
              + "; leads join where both are of one shape");
    }
    if (meets.gender() == met.gender() && !meets.connector().startsWith("bare-")) {
      throw new IllegalArgumentException(
          "\""
              + first.name()
              + "\" ends in "
              + meets.gender().words()
              + " and \""
              + second.name()
              + "\" begins with "
              + met.gender().words()
              + " too; what is plugged together is pins in sockets: turn one of them round, or say"
              + " the other half at its end");
    }
    Lead chain = Chain.of(first, second);
    return chain.named(shortened(first.name() + " + " + second.name()));
  }

  private static String shortened(String name) {
    return name.length() <= 80 ? name : name.substring(0, 79) + "…";
  }

  /**
   * {@return the lead that, plugged in after one, makes the two do what another does}
   *
   * @throws IllegalArgumentException if there is none: the first one joins pins that the wanted one
   *     keeps apart, or loses one that it needs
   */
  public static Lead making(Lead first, Lead wanted) {
    End.Plug meets = plug(first, Where.TO);
    End.Plug end = plug(wanted, Where.TO);
    End.Plug start = plug(first, Where.FROM);
    if (!start.connector().equals(plug(wanted, Where.FROM).connector())) {
      throw new IllegalArgumentException(
          "\""
              + first.name()
              + "\" begins with "
              + start.connector()
              + " and \""
              + wanted.name()
              + "\" with "
              + plug(wanted, Where.FROM).connector()
              + "; they must begin with one shape");
    }
    LeadNets have = LeadNets.of(first);
    LeadNets want = LeadNets.of(wanted);
    Map<String, String> to = new LinkedHashMap<>();
    Map<String, String> whose = new LinkedHashMap<>();
    List<Core> cores = new ArrayList<>();
    for (Core core : wanted.cores()) {
      List<String> there = have.carried(core.from());
      if (there.isEmpty()) {
        throw new IllegalArgumentException(
            "\""
                + first.name()
                + "\" carries pin "
                + core.from()
                + " nowhere, but \""
                + wanted.name()
                + "\" needs it at "
                + core.to());
      }
      String pin = there.get(0);
      Set<Place> apart = want.of(new Place(Where.FROM, core.from()));
      String before = whose.putIfAbsent(pin, core.from());
      if (before != null && !apart.contains(new Place(Where.FROM, before))) {
        throw new IllegalArgumentException(
            "\""
                + first.name()
                + "\" joins pins "
                + before
                + " and "
                + core.from()
                + " at "
                + pin
                + ", and no lead after it can part them again");
      }
      if (!core.to().equals(to.put(pin, core.to()))) {
        cores.add(core.between(pin, core.to()));
      }
    }
    return new Lead(
        shortened("From " + first.name() + " to " + wanted.name()),
        mating(meets, start.beyond()),
        end,
        cores,
        List.of(),
        Cable.forCores(Math.max(1, cores.size())),
        wanted.slips());
  }
}
