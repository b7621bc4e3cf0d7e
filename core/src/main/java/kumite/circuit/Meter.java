package kumite.circuit;

import java.util.List;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;
import kumite.build.bringup.Held;
import kumite.build.bringup.Power;
import kumite.loom.Looks;
import kumite.name.Joint;
import kumite.wiring.Wiring;
import org.jspecify.annotations.Nullable;

/**
 * What a meter shows between any two places of a wiring, solved from the wires as they are. The
 * meter is a real one; its figures are common practice without a source: {@value #METER_OHM} ohm on
 * volts, a beep below {@value #BEEP_OHM} ohm, {@value #TEST_VOLTS} V and less on ohms, so that
 * junctions stay closed, and {@value #DIODE_VOLTS} V of at most 1 mA on the diode range.
 *
 * <pre>{@code
 * Meter meter = Meter.of(wiring, looks, new Solves());
 * meter.shows(Joint.parse("horn:NO"), Joint.board("GND"), Power.UNPOWERED, Held.NONE).beeps();
 * }</pre>
 */
public final class Meter {
  /** On volts, between its probes. */
  public static final double METER_OHM = 10e6;

  /** It beeps below. */
  public static final double BEEP_OHM = 50;

  /** Above, it shows that nothing carries current. */
  public static final double MOST_OHM = 20e6;

  static final double TEST_VOLTS = 0.3;
  static final double TEST_OHM = 1000;
  static final double DIODE_VOLTS = 3;
  static final double DIODE_OHM = 3000;

  /** Of the meter's own current less than this share is none: our choice. */
  static final double NOTHING = 1e-4;

  /** The most that a diode range shows. */
  static final double DIODE_MOST_VOLTS = 2.6;

  private final Wiring wiring;
  private final Looks looks;
  private final Solves solves;
  private @Nullable Network on;
  private @Nullable Network off;

  private Meter(Wiring wiring, Looks looks, Solves solves) {
    this.wiring = wiring;
    this.looks = looks;
    this.solves = solves;
  }

  /**
   * {@return a meter for a wiring}
   *
   * @param looks how the board's program uses its terminals
   */
  public static Meter of(Wiring wiring, Looks looks, Solves solves) {
    return new Meter(wiring, looks, solves);
  }

  /** {@return a meter for a wiring that was solved} */
  public static Meter of(Inputs inputs) {
    Meter meter = new Meter(inputs.wiring(), inputs.looks(), inputs.network().solves());
    meter.on = inputs.network();
    return meter;
  }

  /** {@return whether a place is part of the wiring} */
  public boolean has(Joint place) {
    return wiring.nets().of(place).isPresent();
  }

  /** {@return the wiring} */
  public Wiring wiring() {
    return wiring;
  }

  private synchronized Network network(Power power) {
    if (power == Power.ABSENT) {
      Network there = off;
      if (there == null) {
        there = new Network(wiring.boardsOff(), looks, solves, true);
        off = there;
      }
      return there;
    }
    Network there = on;
    if (there == null) {
      there = new Network(wiring, looks, solves);
      on = there;
    }
    return there;
  }

  /**
   * {@return what it shows}
   *
   * @param red where the red probe is
   * @param black where the black one is
   * @throws IllegalArgumentException if the wiring has no such place
   */
  public Shown shows(Joint red, Joint black, Power power, Held held) {
    Network network = network(power);
    for (Joint place : List.of(red, black)) {
      if (!network.has(place)) {
        throw new IllegalArgumentException("there is no place " + place + " in the wiring");
      }
    }
    ToDoubleFunction<kumite.name.ContactId> hands =
        contact -> held.at(contact, network.rest(contact));
    Probing probing = new Probing(network, power, hands, network.net(red), network.net(black));
    return power.live() ? probing.volts(red, black) : probing.ohms(red, black);
  }

  /**
   * {@return the volts with all parts at their usual value; empty where nothing can be said}
   *
   * @param power one that is live
   */
  public OptionalDouble usual(Joint red, Joint black, Power power, Held held) {
    Network network = network(power);
    ToDoubleFunction<kumite.name.ContactId> hands =
        contact -> held.at(contact, network.rest(contact));
    return new Probing(network, power, hands, network.net(red), network.net(black)).usual();
  }
}
