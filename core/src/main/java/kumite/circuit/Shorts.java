package kumite.circuit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import kumite.component.Component;
import kumite.loom.Look;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.wiring.Net;
import kumite.wiring.Place;

/**
 * What contacts short: supplies against ground or each other, and driven terminals against either
 * or each other, at rest or with up to three contacts moved; and which inputs get more volts so
 * than they bear.
 *
 * @param all each pair of places once, the most dangerous first
 * @param whole whether nothing was left unlooked at, as it is where very many contacts hang
 *     together
 */
public record Shorts(List<Short> all, boolean whole) {
  /** Nothing is shorted. */
  public static final Shorts NONE = new Shorts(List.of(), true);

  /** A wire and its two joints, where nothing else limits a current: common practice, no source. */
  public static final double WIRE_OHM = 0.05;

  private static final double OVER_SUPPLY_V = 0.3;

  /** What a short does. */
  public enum Kind {
    /** A supply against ground, or against one of other volts: current without bound. */
    SUPPLY,
    /** What drives a wire is held by a rail, or by something else that drives. */
    DRIVEN,
    /** An input gets more volts than it bears. */
    HARMED
  }

  /**
   * One contact that has to be moved for it.
   *
   * @param words how, such as {@code held}
   */
  public record Move(ContactId contact, double travel, String words) {}

  /**
   * Two places that are shorted.
   *
   * @param one the place with more volts, or what is driven
   * @param other the other
   * @param ways each set of contacts that does it; an empty one at rest
   * @param through the contacts that the current of its first way runs through
   * @param amps that flow, as it is solved
   */
  public record Short(
      Kind kind,
      Joint one,
      Joint other,
      List<List<Move>> ways,
      List<ContactId> through,
      double amps) {
    public Short {
      ways = List.copyOf(ways);
      through = List.copyOf(through);
    }

    /** {@return whether nobody need press anything for it} */
    public boolean atRest() {
      return ways.stream().anyMatch(List::isEmpty);
    }

    /** {@return the contacts that have a part in it, each once} */
    public Set<ContactId> contacts() {
      Set<ContactId> contacts = new LinkedHashSet<>();
      ways.forEach(way -> way.forEach(move -> contacts.add(move.contact())));
      return contacts;
    }
  }

  public Shorts {
    all = List.copyOf(all);
  }

  /** {@return the shorts of a kind} */
  public List<Short> of(Kind kind) {
    return all.stream().filter(s -> s.kind() == kind).toList();
  }

  static Shorts of(Network network) {
    return new Finder(network).find();
  }

  private static final class Finder {
    private final Network network;
    private final Closings closings;
    private final Map<Integer, Joint> drivers = new TreeMap<>();
    private final Set<Integer> rows = new HashSet<>();
    private final Map<List<Object>, Short> found = new LinkedHashMap<>();
    private boolean whole = true;

    Finder(Network network) {
      this.network = network;
      this.closings = network.closings();
      for (int net = 0; net < network.size(); net++) {
        int at = net;
        driver(network.netAt(net))
            .filter(j -> !network.rail(at))
            .ifPresent(j -> drivers.put(at, j));
      }
      for (Component part : network.wiring().parts()) {
        if (part instanceof Component.Register chip
            && network.powered(chip.supply(), chip.ground())) {
          sends(chip.out());
        } else if (part instanceof Component.Output output
            && network.powered(output.supply(), output.ground())) {
          sends(output.out());
        }
      }
      Set<String> rowNames = new HashSet<>();
      for (Look look : network.looks().all()) {
        if (look.how() instanceof Look.Row row) {
          rowNames.add(row.row().name());
        }
      }
      drivers.forEach(
          (net, joint) -> {
            boolean row =
                network.netAt(net).places().stream()
                    .filter(Place::drives)
                    .allMatch(p -> p.own() && rowNames.contains(p.joint().tab()));
            if (row && network.senders(net).length == 0) {
              rows.add(net);
            }
          });
    }

    private void sends(Joint out) {
      int net = network.net(out);
      if (!network.rail(net)) {
        drivers.putIfAbsent(net, out);
      }
    }

    private static Optional<Joint> driver(Net net) {
      return net.places().stream()
          .filter(Place::drives)
          .min(java.util.Comparator.comparing(p -> !p.own()))
          .map(Place::joint);
    }

    Shorts find() {
      for (int net = 0; net < network.size(); net++) {
        if (network.rail(net)) {
          fromRail(net);
        }
      }
      // Rows are driven one after the other, so that they never drive against each other.
      drivers.keySet().stream().filter(net -> !rows.contains(net)).forEach(this::fromDriver);
      List<Short> all = new ArrayList<>(found.values());
      all.sort(
          java.util.Comparator.comparing(Short::kind)
              .thenComparing(s -> !s.atRest())
              .thenComparing(s -> s.ways().get(0).size()));
      return new Shorts(all, whole);
    }

    private void fromRail(int start) {
      double volts = network.railVolts(start, Corner.USUAL);
      search(
          start,
          net ->
              drivers.containsKey(net)
                  || network.rail(net) && volts > network.railVolts(net, Corner.USUAL)
                  || harmed(net, volts).isPresent());
    }

    private void fromDriver(int start) {
      search(start, net -> drivers.containsKey(net) && (net > start || rows.contains(net)));
    }

    private void search(int start, java.util.function.IntPredicate counts) {
      Closings.Search search =
          closings.from(
              start,
              new Closings.Ends() {
                @Override
                public boolean ends(int net) {
                  // What is beyond a driver is another's short, unless a rail feeds it.
                  return network.rail(net) || !network.rail(start) && drivers.containsKey(net);
                }

                @Override
                public boolean counts(int net) {
                  return counts.test(net);
                }
              });
      whole &= search.whole();
      search.all().forEach(found -> tell(start, found));
    }

    private void tell(int start, Closings.Found way) {
      int net = way.net();
      boolean rails = network.rail(start) && network.rail(net);
      boolean driven = drivers.containsKey(net) || drivers.containsKey(start);
      if (rails) {
        put(Kind.SUPPLY, rail(start), rail(net), way, start);
      } else if (driven) {
        boolean first = drivers.containsKey(net);
        Joint one = drivers.get(first ? net : start);
        int far = first ? start : net;
        put(Kind.DRIVEN, one, network.rail(far) ? rail(far) : drivers.get(far), way, start);
      }
      if (network.rail(start) && !network.rail(net)) {
        double volts = network.railVolts(start, Corner.USUAL);
        harmed(net, volts)
            .filter(place -> !seenByItself(place, way))
            .ifPresent(place -> put(Kind.HARMED, place.joint(), rail(start), way, start));
      }
    }

    /** What one contact alone brings to the terminal that reads it is told as its own level. */
    private boolean seenByItself(Place place, Closings.Found way) {
      return place.own()
          && way.moved().size() < 2
          && network.looks().all().stream()
              .filter(look -> look.read().name().equals(place.joint().tab()))
              .anyMatch(
                  look ->
                      way.moved().isEmpty()
                          || look.contact().filter(way.moved()::containsKey).isPresent());
    }

    private Optional<Place> harmed(int net, double volts) {
      return network.rail(net) || volts <= OVER_SUPPLY_V
          ? Optional.empty()
          : network.netAt(net).places().stream()
              .filter(p -> p.role() == Place.Role.INPUT)
              .filter(p -> p.bearsVolts() > 0 && volts > p.bearsVolts() + OVER_SUPPLY_V)
              .findFirst();
    }

    private Joint rail(int net) {
      List<Place> places = network.netAt(net).places();
      boolean ground = network.railVolts(net, Corner.USUAL) == 0;
      return places.stream()
          .filter(p -> ground ? p.zero() : p.gives())
          .min(java.util.Comparator.comparing(p -> !p.own()))
          .orElseThrow()
          .joint();
    }

    private void put(Kind kind, Joint one, Joint other, Closings.Found way, int start) {
      List<Move> moves = moves(way);
      double amps = kind == Kind.HARMED ? 0 : amps(start, way);
      found.merge(
          List.of(kind, one, other),
          new Short(
              kind,
              one,
              other,
              List.of(moves),
              closings.through(start, way.net(), way.moved()),
              amps),
          (before, more) -> {
            Set<List<Move>> ways = new LinkedHashSet<>(before.ways());
            ways.addAll(more.ways());
            return new Short(
                kind,
                one,
                other,
                List.copyOf(ways),
                before.through(),
                Math.max(before.amps(), more.amps()));
          });
    }

    private List<Move> moves(Closings.Found way) {
      var hands = closings.hands(way.moved());
      List<Move> moves = new ArrayList<>();
      way.moved()
          .forEach(
              (contact, position) ->
                  moves.add(
                      new Move(contact, hands.applyAsDouble(contact), words(contact, position))));
      return List.copyOf(moves);
    }

    private String words(ContactId contact, int position) {
      return network.wiring().parts().stream()
          .filter(part -> part.moved().filter(contact::equals).isPresent())
          .findFirst()
          .map(
              part ->
                  part instanceof Component.Selector
                      ? "at step " + (position + 1)
                      : part instanceof Component.Pot ? "all the way" : "held")
          .orElse("held");
    }

    /** The circuit of the contacts alone, with rails as sources and drivers behind their ohms. */
    private double amps(int start, Closings.Found way) {
      List<Element> elements = new ArrayList<>();
      Map<Double, String> rails = new TreeMap<>();
      int number = 1;
      for (Edge edge : closings.closed(start, way.moved())) {
        double ohm =
            edge.kind() == Edge.Kind.POT_LOW || edge.kind() == Edge.Kind.POT_HIGH
                ? Network.TRACK_END_OHM
                : Network.CONTACT_OHM;
        elements.add(
            new Element.Switch(
                "s" + number++, node(edge.a(), rails), node(edge.b(), rails), ohm, true));
      }
      for (int net : List.of(start, way.net())) {
        if (drivers.containsKey(net)) {
          // The worst is a driver that drives against what it meets.
          int far = net == start ? way.net() : start;
          boolean worst =
              network.rail(far) ? network.railVolts(far, Corner.USUAL) == 0 : net == start;
          boolean high = worst && !rows.contains(net); // a row is driven low, or let go
          String rail = rail(high ? network.board().logicVolts() : 0, rails);
          elements.add(new Element.Resistor("d" + net, rail, node(net, rails), Network.DRIVER_OHM));
        }
      }
      rails.forEach(
          (volts, name) -> {
            if (volts > 0) {
              elements.add(new Element.Source(name, name, Circuit.GROUND, volts));
            }
          });
      if (!(network.solves().of(new Circuit(elements)) instanceof OperatingPoint.Solved solved)) {
        return 0;
      }
      return rails.keySet().stream()
          .filter(volts -> volts > 0)
          .mapToDouble(volts -> Math.abs(solved.through("V" + rails.get(volts))))
          .max()
          .orElse(0);
    }

    private String node(int net, Map<Double, String> rails) {
      return network.rail(net) ? rail(network.railVolts(net, Corner.USUAL), rails) : "n" + net;
    }

    private static String rail(double volts, Map<Double, String> rails) {
      return volts == 0
          ? Circuit.GROUND
          : rails.computeIfAbsent(volts, v -> "r" + Math.round(v * 1000));
    }
  }
}
