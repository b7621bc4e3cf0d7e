package kumite.circuit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.build.bringup.Held;
import kumite.build.bringup.Power;
import kumite.component.Component;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.wiring.Change;
import kumite.wiring.Wiring;

/**
 * What copper and closed contacts join, in a wiring and in thousands of small changes of it. What
 * it is sure of equals what {@link Meter} finds; where a small resistance may decide, it says so
 * and the meter is asked. Not thread-safe.
 */
public final class Copper {
  /** What a meter on continuity does. */
  public enum Beep {
    YES,
    NO,
    /** Resistors of few ohm lie between: their sum has to be solved. */
    SOLVE
  }

  /** Resistors above carry too little for a beep, however many of a build lie side by side. */
  private static final double WEAK_OHM = 20 * Meter.BEEP_OHM;

  /** A way between two places. */
  private record Way(int a, int b, Kind kind, int part, int index) {}

  private enum Kind {
    WIRE,
    INSIDE,
    OPEN,
    RESTING,
    TAP,
    TRACK_LOW,
    TRACK_HIGH,
    RESISTOR,
    OTHER
  }

  private final Wiring wiring;
  private final List<Joint> names = new ArrayList<>();
  private final Map<Joint, Integer> places = new HashMap<>();
  private final List<Component> parts = new ArrayList<>();
  private final Map<Component, List<Integer>> numbers = new HashMap<>();
  private final Map<Jumper, Integer> wires = new HashMap<>();
  private final List<Way> ways = new ArrayList<>();
  private final List<List<Integer>> at = new ArrayList<>();
  private final Map<ContactId, Double> rests = new HashMap<>();
  private final Map<Joint, List<ContactId>> movers = new HashMap<>();
  private final BitSet rails = new BitSet();
  private static final int[] NO_WAYS = {};
  private final int[][] compact;

  /** Makes the graph of a wiring. */
  public Copper(Wiring wiring) {
    this.wiring = wiring;
    wiring
        .nets()
        .places()
        .values()
        .forEach(
            place -> {
              int number = place(place.joint());
              rails.set(number, place.gives() || place.zero());
            });
    for (Component part : wiring.parts()) {
      numbers.computeIfAbsent(part, p -> new ArrayList<>()).add(parts.size());
      part.moved()
          .ifPresent(
              contact -> {
                rests.put(contact, part.rest());
                part.ends()
                    .forEach(
                        end -> movers.computeIfAbsent(end, e -> new ArrayList<>()).add(contact));
              });
      edges(part, parts.size()).forEach(this::add);
      parts.add(part);
    }
    wiring
        .wires()
        .keySet()
        .forEach(
            wire -> {
              wires.put(wire, ways.size());
              add(new Way(place(wire.a()), place(wire.b()), Kind.WIRE, -1, 0));
            });
    wiring
        .joinedInside()
        .forEach(wire -> add(new Way(place(wire.a()), place(wire.b()), Kind.INSIDE, -1, 0)));
    compact = new int[at.size()][];
    for (int i = 0; i < compact.length; i++) {
      compact[i] = at.get(i).stream().mapToInt(Integer::intValue).toArray();
    }
  }

  private int place(Joint joint) {
    return places.computeIfAbsent(
        joint,
        j -> {
          names.add(j);
          at.add(new ArrayList<>());
          return names.size() - 1;
        });
  }

  private void add(Way way) {
    int number = ways.size();
    ways.add(way);
    at.get(way.a()).add(number);
    at.get(way.b()).add(number);
  }

  private List<Way> edges(Component part, int number) {
    List<Way> made = new ArrayList<>();
    if (part instanceof Component.Pole pole) {
      made.add(way(pole.open(), pole.common(), Kind.OPEN, number, 0));
      made.add(way(pole.closed(), pole.common(), Kind.RESTING, number, 0));
    } else if (part instanceof Component.Selector selector) {
      for (int i = 0; i < selector.taps().size(); i++) {
        made.add(way(selector.wiper(), selector.taps().get(i), Kind.TAP, number, i));
      }
    } else if (part instanceof Component.Pot pot) {
      made.add(way(pot.low(), pot.wiper(), Kind.TRACK_LOW, number, 0));
      made.add(way(pot.high(), pot.wiper(), Kind.TRACK_HIGH, number, 0));
    } else if (part instanceof Component.Resistor resistor) {
      made.add(way(resistor.a(), resistor.b(), Kind.RESISTOR, number, 0));
    } else if (!(part instanceof Component.Capacitor)) {
      List<Joint> ends = part.ends();
      for (int i = 1; i < ends.size(); i++) {
        made.add(way(ends.get(0), ends.get(i), Kind.OTHER, number, 0));
      }
    }
    return made;
  }

  private Way way(Joint a, Joint b, Kind kind, int part, int index) {
    return new Way(place(a), place(b), kind, part, index);
  }

  /** A change, made ready to be asked about. */
  public final class Altered {
    private final Change change;
    private final BitSet goneWays = new BitSet();
    private final BitSet goneParts = new BitSet();
    private final List<Way> more = new ArrayList<>();
    private final List<Component> newParts = new ArrayList<>();
    private final Map<Integer, List<Way>> moreAt = new HashMap<>();

    private Altered(Change change) {
      this.change = change;
      for (Jumper wire : change.out()) {
        Integer number = wires.get(wire);
        if (number != null) {
          goneWays.set(number);
        }
      }
      for (Jumper wire : change.in()) {
        more.add(new Way(place(wire.a()), place(wire.b()), Kind.WIRE, -1, 0));
      }
      change
          .parts()
          .forEach(
              (part, by) -> {
                numbers.getOrDefault(part, List.of()).forEach(goneParts::set);
                by.ifPresent(
                    other -> {
                      newParts.add(other);
                      more.addAll(edges(other, parts.size() + newParts.size() - 1));
                    });
              });
      for (Way way : more) {
        moreAt.computeIfAbsent(way.a(), p -> new ArrayList<>()).add(way);
        moreAt.computeIfAbsent(way.b(), p -> new ArrayList<>()).add(way);
      }
    }

    /** {@return the change} */
    public Change change() {
      return change;
    }

    private Component part(Way way) {
      return way.part() < parts.size()
          ? parts.get(way.part())
          : newParts.get(way.part() - parts.size());
    }

    private boolean gone(int number, Way way) {
      return goneWays.get(number) || way.part() >= 0 && goneParts.get(way.part());
    }

    private List<Way> added(int place) {
      return moreAt.getOrDefault(place, List.of());
    }

    /** {@return the ways at a place that are there} */
    private List<Way> ways(int place) {
      List<Way> there = new ArrayList<>();
      if (place < at.size()) {
        for (int number : at.get(place)) {
          Way way = Copper.this.ways.get(number);
          if (!gone(number, way)) {
            there.add(way);
          }
        }
      }
      there.addAll(moreAt.getOrDefault(place, List.of()));
      return there;
    }
  }

  /** {@return a change made ready} */
  public Altered altered(Change change) {
    return new Altered(change);
  }

  /** {@return the wiring before any change} */
  public Wiring wiring() {
    return wiring;
  }

  private enum How {
    /** Copper and contacts as they stand. */
    COPPER,
    /** Small resistances too. */
    WEAK,
    /** Whatever could ever let current through, but not on beyond a supply or a ground. */
    ANY
  }

  /** {@return how far a contact is moved} */
  private double travel(ContactId contact, Held held) {
    return held.at(contact, rests.getOrDefault(contact, 0.0));
  }

  private boolean open(Way way, Altered altered, Held held, boolean inside, How how) {
    if (way.kind() == Kind.WIRE) {
      return false;
    }
    if (way.kind() == Kind.INSIDE) {
      return !inside;
    }
    if (how == How.ANY) {
      return false;
    }
    Component part = altered.part(way);
    return switch (way.kind()) {
      case OPEN -> travel(((Component.Pole) part).contact(), held) < 0.5;
      case RESTING -> travel(((Component.Pole) part).contact(), held) >= 0.5;
      case TAP -> {
        Component.Selector selector = (Component.Selector) part;
        double travel = travel(selector.contact(), held);
        yield Math.rint(travel * (selector.taps().size() - 1)) != way.index();
      }
      case TRACK_LOW, TRACK_HIGH -> {
        Component.Pot pot = (Component.Pot) part;
        double share = travel(pot.contact(), held);
        yield how != How.WEAK
            || pot.ohm() * (way.kind() == Kind.TRACK_LOW ? share : 1 - share) > WEAK_OHM;
      }
      case RESISTOR -> how != How.WEAK || ((Component.Resistor) part).ohm() > WEAK_OHM;
      default -> true;
    };
  }

  /** The places that are reached from one, itself first. */
  private int[] reach(int start, Altered altered, Held held, boolean inside, How how) {
    int[] order = new int[16];
    BitSet seen = new BitSet(names.size());
    int count = 0;
    order[count++] = start;
    seen.set(start);
    for (int i = 0; i < count; i++) {
      int here = order[i];
      if (how == How.ANY && i > 0 && rails.get(here)) {
        continue;
      }
      int[] fixed = here < compact.length ? compact[here] : NO_WAYS;
      List<Way> added = altered.more.isEmpty() ? List.of() : altered.added(here);
      for (int k = 0; k < fixed.length + added.size(); k++) {
        Way way = k < fixed.length ? ways.get(fixed[k]) : added.get(k - fixed.length);
        int other = way.a() == here ? way.b() : way.a();
        if (seen.get(other)
            || k < fixed.length && altered.gone(fixed[k], way)
            || open(way, altered, held, inside, how)) {
          continue;
        }
        seen.set(other);
        if (count == order.length) {
          order = Arrays.copyOf(order, count * 2);
        }
        order[count++] = other;
      }
    }
    return Arrays.copyOf(order, count);
  }

  private static boolean holds(int[] some, int one) {
    for (int other : some) {
      if (other == one) {
        return true;
      }
    }
    return false;
  }

  /** {@return whether a meter on continuity beeps between two places} */
  public Beep beeps(Joint red, Joint black, Altered altered, Power power, Held held) {
    Integer from = places.get(red);
    Integer to = places.get(black);
    if (from == null || to == null) {
      return Beep.NO;
    }
    boolean inside = power != Power.ABSENT;
    if (holds(reach(from, altered, held, inside, How.COPPER), to)) {
      return Beep.YES;
    }
    return holds(reach(from, altered, held, inside, How.WEAK), to) ? Beep.SOLVE : Beep.NO;
  }

  /** {@return the places that copper and contacts join to one, itself first; powered} */
  List<Joint> joined(Joint place, Altered altered, Held held) {
    Integer from = places.get(place);
    return from == null
        ? List.of(place)
        : Arrays.stream(reach(from, altered, held, true, How.COPPER)).mapToObj(names::get).toList();
  }

  /** Whether a part other than a contact hangs on a place. */
  boolean loaded(Joint place, Altered altered) {
    Integer number = places.get(place);
    if (number == null) {
      return false;
    }
    for (Way way : altered.ways(number)) {
      boolean plain =
          switch (way.kind()) {
            case WIRE, INSIDE, OPEN, RESTING, TAP -> true;
            default -> false;
          };
      if (!plain) {
        return true;
      }
    }
    return false;
  }

  /**
   * {@return the places that a change can have to do with: all that could ever carry current to
   * where it is, not on beyond supplies and grounds}
   */
  public Set<Joint> about(Altered altered) {
    Set<Joint> all = new HashSet<>();
    for (Joint place : altered.change().places()) {
      Integer number = places.get(place);
      if (number != null && !all.contains(place)) {
        for (int reached : reach(number, altered, Held.NONE, true, How.ANY)) {
          all.add(names.get(reached));
        }
      }
    }
    return all;
  }

  /** {@return the contacts whose parts have an end at one of the places} */
  public Set<ContactId> contactsAt(Set<Joint> some, Altered altered) {
    Set<ContactId> found = new HashSet<>();
    for (Joint place : some) {
      found.addAll(movers.getOrDefault(place, List.of()));
    }
    for (Optional<Component> by : altered.change().parts().values()) {
      by.flatMap(Component::moved).ifPresent(found::add);
    }
    return found;
  }
}
