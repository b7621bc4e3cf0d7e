package kumite.circuit;

import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.build.bringup.Held;
import kumite.build.bringup.Power;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.loom.Look;
import kumite.loom.Looks;
import kumite.name.Joint;
import kumite.wiring.Change;
import kumite.wiring.Place;
import kumite.wiring.Wiring;
import org.jspecify.annotations.Nullable;

/**
 * What a board takes in while contacts are held, in a wiring and in thousands of small changes of
 * it. A terminal that copper ties to a rail or to pulls alone is read off at once; whatever else
 * hangs there is solved as {@link Scan} does it. Not thread-safe.
 */
public final class Arrivals {
  /** Of one contact. */
  public enum State {
    PRESSED,
    LET_GO,
    /** Its level is in between, or nothing holds it: it may read either way. */
    UNSURE
  }

  /**
   * What a look takes in.
   *
   * @param share of the travel, where volts or ohms are taken; else 1 for pressed and 0
   */
  public record Seen(State state, double share) {
    static final Seen UNSURE = new Seen(State.UNSURE, 0);

    static Seen of(boolean pressed) {
      return new Seen(pressed ? State.PRESSED : State.LET_GO, pressed ? 1 : 0);
    }
  }

  /** Solved networks of changes that are kept; a change is asked about often, then no more. */
  private static final int MOST_KEPT = 256;

  private final Wiring wiring;
  private final BoardKind board;
  private final Looks looks;
  private final Solves solves;
  private final Copper copper;
  private final Map<Joint, Place> rails = new HashMap<>();
  private final Map<String, Terminal> inputs = new HashMap<>();
  private final Map<String, Boolean> driven;
  private final Map<Change, Network> networks = kept();
  private final Map<Change, Meter> meters = kept();

  private @Nullable Scan lastScan;
  private Change lastChange = Change.NONE;
  private Held lastHeld = Held.NONE;
  private final Map<Copper.Altered, Boolean> mayDie = new IdentityHashMap<>();

  /** What is asked of a wiring and of changes of it. */
  public Arrivals(Wiring wiring, Looks looks, Solves solves, Copper copper) {
    this.wiring = wiring;
    this.board = wiring.board();
    this.looks = looks;
    this.solves = solves;
    this.copper = copper;
    this.driven = Scan.rest(looks);
    wiring
        .nets()
        .places()
        .values()
        .forEach(
            place -> {
              if (place.gives() || place.zero()) {
                rails.put(place.joint(), place);
              }
            });
    board.terminals(Terminal.Role.INPUT).forEach(t -> inputs.put(t.name(), t));
  }

  private static <V> Map<Change, V> kept() {
    return new java.util.LinkedHashMap<>(16, 0.75f, true) {
      private static final long serialVersionUID = 1;

      @Override
      protected boolean removeEldestEntry(Map.Entry<Change, V> eldest) {
        return size() > MOST_KEPT;
      }
    };
  }

  /** {@return the looks of the board} */
  public Looks looks() {
    return looks;
  }

  /** {@return whether a short holds the board down while contacts are held so} */
  public boolean dead(Copper.Altered altered, Held held) {
    Boolean may = mayDie.get(altered);
    if (may == null) {
      may = network(altered).dead().isPresent() || network(altered).mayShort();
      mayDie.put(altered, may);
    }
    return may && scan(altered, held).dead();
  }

  /**
   * {@return what a look takes in}
   *
   * @param risky whether the change could short a supply, so that the board may be down
   */
  public Seen see(Look look, Copper.Altered altered, Held held, boolean risky) {
    if (risky && dead(altered, held)) {
      return new Seen(State.LET_GO, 0);
    }
    Optional<Seen> quick =
        look.how() instanceof Look.Level level
            ? level(Joint.board(look.read().name()), level.pressedLow(), altered, held)
            : Optional.empty();
    return quick.orElseGet(() -> solved(look, altered, held));
  }

  private Optional<Seen> level(
      Joint terminal, boolean pressedLow, Copper.Altered altered, Held held) {
    Set<Double> volts = new HashSet<>();
    Set<Looks.Pull> pulls = new HashSet<>();
    for (Joint place : copper.joined(terminal, altered, held)) {
      Place rail = rails.get(place);
      if (rail != null) {
        volts.add(rail.gives() ? rail.volts() : 0.0);
        continue;
      }
      if (place.part().equals(Joint.BOARD)) {
        Terminal input = inputs.get(place.tab());
        if (input == null || driven.containsKey(place.tab())) {
          return Optional.empty();
        }
        pulls.add(looks.pulls().getOrDefault(place.tab(), Looks.Pull.NONE));
      } else if (Character.isUpperCase(place.part().charAt(0))) {
        return Optional.empty();
      }
      if (copper.loaded(place, altered)) {
        return Optional.empty();
      }
    }
    if (volts.size() > 1) {
      return Optional.empty();
    }
    double at;
    if (volts.size() == 1) {
      at = volts.iterator().next();
    } else {
      pulls.remove(Looks.Pull.NONE);
      if (!pulls.equals(Set.of(Looks.Pull.UP)) && !pulls.equals(Set.of(Looks.Pull.DOWN))) {
        return pulls.isEmpty() ? Optional.of(Seen.UNSURE) : Optional.empty();
      }
      at = pulls.contains(Looks.Pull.UP) ? board.logicVolts() : 0;
    }
    return Optional.of(
        at <= board.lowVolts()
            ? Seen.of(pressedLow)
            : at >= board.highVolts() ? Seen.of(!pressedLow) : Seen.UNSURE);
  }

  private Network network(Copper.Altered altered) {
    return networks.computeIfAbsent(
        altered.change(), change -> new Network(wiring.changed(change), looks, solves));
  }

  /** The last one is kept: all looks are asked with the same hands, one after the other. */
  private Scan scan(Copper.Altered altered, Held held) {
    Scan there = lastScan;
    if (there == null || !altered.change().equals(lastChange) || !held.equals(lastHeld)) {
      Network network = network(altered);
      there = new Scan(network, contact -> held.at(contact, network.rest(contact)));
      lastScan = there;
      lastChange = altered.change();
      lastHeld = held;
    }
    return there;
  }

  private Seen solved(Look look, Copper.Altered altered, Held held) {
    kumite.circuit.Seen seen = scan(altered, held).see(look);
    if (look.travels()) {
      return seen.reading() == InputLevels.Reading.UNDEFINED
          ? Seen.UNSURE
          : new Seen(State.PRESSED, seen.code() / (double) Math.max(1, board.axisMaximum()));
    }
    return seen.reading() == InputLevels.Reading.UNDEFINED ? Seen.UNSURE : Seen.of(seen.pressed());
  }

  /** {@return a meter on a changed wiring} */
  public Meter meter(Copper.Altered altered) {
    return meters.computeIfAbsent(
        altered.change(), change -> Meter.of(wiring.changed(change), looks, solves));
  }

  /** {@return whether a meter beeps between two places of a changed wiring} */
  public boolean beeps(Joint red, Joint black, Copper.Altered altered, Power power, Held held) {
    return switch (copper.beeps(red, black, altered, power, held)) {
      case YES -> true;
      case NO -> false;
      case SOLVE -> {
        Meter meter = meter(altered);
        yield meter.has(red) && meter.has(black) && meter.shows(red, black, power, held).beeps();
      }
    };
  }
}
