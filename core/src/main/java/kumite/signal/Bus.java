package kumite.signal;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.ToIntFunction;

/**
 * Lines between sides, and the events on them in virtual time. What is joined to what is told from
 * outside, so that the same sides talk over a straight lead or over wires as they are.
 *
 * <p>A net that is driven both ways is unclear, one that nothing holds floats; pull-ups and
 * pull-downs share it by their ohms, and what lies between 0.3 and 0.7 of the supply is unclear.
 * Not thread-safe.
 */
final class Bus {
  private static final int RAIL = -1;
  private static final double LOW_SHARE = 0.3;
  private static final double HIGH_SHARE = 0.7;

  /** More events than this at one moment are two sides that answer each other for ever. */
  private static final int MOST_AT_ONCE = 100_000;

  private final ToIntFunction<Pin> joins;
  private final Map<Integer, Net> nets = new HashMap<>();
  private final Map<Pin, Net> byPin = new HashMap<>();
  private final PriorityQueue<Event> events = new PriorityQueue<>();
  private long now;
  private long order;
  private int atOnce;

  private record Event(long at, long order, Runnable what) implements Comparable<Event> {
    @Override
    public int compareTo(Event other) {
      return at != other.at ? Long.compare(at, other.at) : Long.compare(order, other.order);
    }
  }

  private static final class Net {
    private final Map<Pin, Level> driven = new LinkedHashMap<>();
    private final List<Pull> pulls = new ArrayList<>();
    private final List<Consumer<Level>> ears = new ArrayList<>();
    private final Map<Pin, Double> pots = new HashMap<>();
    private Level level = Level.FREE;
    private Level pulled = Level.FREE; // as its resistors hold it while nobody drives
  }

  private record Pull(double ohm, boolean up) {}

  /**
   * @param joins the number of the net that a pin is on; pins of one number are joined
   */
  Bus(ToIntFunction<Pin> joins) {
    this.joins = joins;
  }

  /** Holds a net at a level for good: a supply or ground is on it. */
  void hold(int number, Level level) {
    Net net = nets.computeIfAbsent(number, n -> new Net());
    net.driven.put(new Pin(RAIL, ""), level);
    settle(net);
  }

  private Net net(Pin pin) {
    Net known = byPin.get(pin);
    if (known == null) {
      known = nets.computeIfAbsent(joins.applyAsInt(pin), number -> new Net());
      byPin.put(pin, known);
    }
    return known;
  }

  long now() {
    return now;
  }

  /** Drives a pin from now on; {@link Level#FREE} lets it go. */
  void drive(Pin pin, Level level) {
    Net net = net(pin);
    if (level == Level.FREE) {
      net.driven.remove(pin);
    } else {
      net.driven.put(pin, level);
    }
    settle(net);
  }

  /** Fits a resistor from a pin to supply or ground. */
  void pull(Pin pin, double ohm, boolean up) {
    Net net = net(pin);
    net.pulls.add(new Pull(ohm, up));
    net.pulled = pulled(net.pulls);
    settle(net);
  }

  /** Turns the potentiometer from a pin to the supply; only who times it notices. */
  void pot(Pin pin, double ohm) {
    net(pin).pots.put(pin, 1 / Math.max(1e-3, ohm));
  }

  /** {@return the ohms of potentiometers from a pin to the supply; infinite where there is none} */
  double pots(Pin pin) {
    return 1 / net(pin).pots.values().stream().mapToDouble(s -> s).sum();
  }

  Level level(Pin pin) {
    return net(pin).level;
  }

  /** Calls back whenever the level of a pin changes. */
  void hear(Pin pin, Consumer<Level> ear) {
    net(pin).ears.add(ear);
  }

  /** Does something later; at once, after what happens now, for 0. */
  void after(long ns, Runnable what) {
    events.add(new Event(now + ns, order++, what));
  }

  /**
   * Lets time pass until then.
   *
   * @throws IllegalStateException if the sides never come to rest
   */
  void run(long untilNs) {
    run(untilNs, () -> false);
  }

  /** Lets time pass until then, or until something is done, whichever is sooner. */
  void run(long untilNs, BooleanSupplier done) {
    while (!events.isEmpty() && events.peek().at() <= untilNs && !done.getAsBoolean()) {
      Event event = events.poll();
      atOnce = event.at() == now ? atOnce + 1 : 0;
      if (atOnce > MOST_AT_ONCE) {
        throw new IllegalStateException("the two sides answer each other without end");
      }
      now = event.at();
      event.what().run();
    }
    now = done.getAsBoolean() ? now : Math.max(now, untilNs);
  }

  private void settle(Net net) {
    Level level = level(net);
    if (level != net.level) {
      net.level = level;
      for (int i = 0; i < net.ears.size(); i++) { // none is added while they are told
        Consumer<Level> ear = net.ears.get(i);
        after(0, () -> ear.accept(level));
      }
    }
  }

  private static Level level(Net net) {
    return net.driven.isEmpty() ? net.pulled : driven(net);
  }

  private static Level driven(Net net) {
    Level all = Level.FREE;
    for (Level one : net.driven.values()) {
      if (all != Level.FREE && all != one) {
        return Level.UNCLEAR;
      }
      all = one;
    }
    return all;
  }

  private static Level pulled(List<Pull> pulls) {
    double up = 0;
    double all = 0;
    for (Pull pull : pulls) {
      up += pull.up() ? 1 / pull.ohm() : 0;
      all += 1 / pull.ohm();
    }
    if (all == 0) {
      return Level.FREE;
    }
    double share = up / all;
    return share >= HIGH_SHARE ? Level.HIGH : share <= LOW_SHARE ? Level.LOW : Level.UNCLEAR;
  }
}
