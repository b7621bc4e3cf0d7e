package kumite.bringup;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import kumite.build.Build;
import kumite.build.bringup.Answer;
import kumite.build.bringup.Ask;
import kumite.build.bringup.Held;
import kumite.circuit.Arrivals;
import kumite.circuit.Inputs;
import kumite.circuit.Shown;
import kumite.circuit.Solves;
import kumite.name.ContactId;
import kumite.wiring.Change;
import kumite.wiring.Wiring;

/**
 * A build that is wired with a fault in it, in place of the one on the bench: it answers every
 * question as that would, solved whole from its own wires. Not thread-safe.
 */
public final class StandIn {
  /** A usual meter is off by so much: common practice, no source. */
  private static final double VOLTS_WITHIN = 0.005;

  /** Above, nobody reads the ohms off: the meter is on its beeper. */
  private static final double MOST_OHM = 1e6;

  private final Fault fault;
  private final Places places;
  private final Case whole;
  private final SplittableRandom random;

  private StandIn(Places places, Fault fault, SplittableRandom random) {
    this.places = places;
    this.fault = fault;
    this.random = random;
    this.whole = Case.sound(places, 1);
  }

  /**
   * {@return a build with a fault}
   *
   * @param seats the sound build's
   * @param seed of the meter's last digits
   */
  public static StandIn of(
      Build build, Places sound, List<SeatWires> seats, Fault fault, long seed) {
    List<SeatWires> wrong = new ArrayList<>();
    for (int i = 0; i < seats.size(); i++) {
      SeatWires seat = seats.get(i);
      View view = sound.views().get(i);
      Change local = view.here(fault.change());
      Wiring wiring = seat.inputs().wiring().changed(local);
      wrong.add(
          new SeatWires(
              seat.build(),
              seat.loom(),
              seat.board(),
              local.equals(Change.NONE)
                  ? seat.inputs()
                  : Inputs.of(wiring, seat.inputs().looks(), new Solves()),
              seat.shown(),
              seat.solves()));
    }
    return new StandIn(
        Places.of(build, sound.catalogue(), wrong), fault, new SplittableRandom(seed));
  }

  /** {@return every single fault that a build can have} */
  public static List<Fault> faults(Places places) {
    return Faults.near(places.views());
  }

  /** {@return what is wrong with it} */
  public Fault fault() {
    return fault;
  }

  /** {@return what it answers} */
  public Answer answer(Ask ask) {
    if (ask instanceof Ask.Probe probe) {
      return probe(probe);
    }
    Case with = fault.effects().isEmpty() ? whole : whole.with(effectsAlone());
    if (ask instanceof Ask.Devices) {
      return new Answer.Count(with.devices());
    }
    if (ask instanceof Ask.Press) {
      return new Answer.Shows(shows(with, ask.held()));
    }
    return new Answer.Works(ask.held().none() || shows(with, ask.held()).equals(ask.held()));
  }

  private Fault effectsAlone() {
    return new Fault(
        fault.id(),
        fault.kind(),
        fault.what(),
        fault.where(),
        fault.repair(),
        1,
        Change.NONE,
        fault.effects(),
        fault.seat());
  }

  private Held shows(Case with, Held held) {
    Map<ContactId, Double> shown = new LinkedHashMap<>();
    Map<ContactId, Arrivals.Seen> rest = with.arrivals(Held.NONE);
    with.arrivals(held)
        .forEach(
            (contact, seen) -> {
              if (seen.state() == Arrivals.State.UNSURE) {
                if (random.nextBoolean() && !places.travels(contact)) {
                  shown.put(contact, 1.0);
                }
              } else if (!places.travels(contact)) {
                if (seen.state() == Arrivals.State.PRESSED) {
                  shown.put(contact, 1.0);
                }
              } else if (held.contacts().contains(contact)
                  || Math.abs(seen.share() - rest.get(contact).share()) > 0.05) {
                shown.put(contact, Math.max(0, Math.min(1, seen.share())));
              }
            });
    return new Held(shown);
  }

  private Answer probe(Ask.Probe probe) {
    Shown shown = shown(probe);
    if (!probe.power().live()) {
      boolean ohms = !shown.beeps() && shown.ohm().orElse(MOST_OHM) < MOST_OHM;
      return ohms ? new Answer.Ohms(shown.ohm().getAsDouble()) : new Answer.Beep(shown.beeps());
    }
    if (shown.trouble().isPresent()) {
      return new Answer.Volts(0);
    }
    double volts = shown.volts().orElse(0);
    double off = 1 + VOLTS_WITHIN * (2 * random.nextDouble() - 1);
    return new Answer.Volts(
        Math.max(
            -Answer.MOST_VOLTS,
            Math.min(Answer.MOST_VOLTS, Math.round(volts * off * 1000) / 1000.0)));
  }

  /** {@return what its meter shows between two places, solved} */
  public Shown shown(Ask.Probe probe) {
    // A part that is missing takes its bare tabs along: nothing hangs there.
    return !places.has(probe.red()) || !places.has(probe.black())
        ? Apart.shown(probe.power(), probe.red(), probe.black())
        : places.shows(probe.red(), probe.black(), probe.power(), probe.held());
  }
}
