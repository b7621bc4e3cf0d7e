package kumite.bringup;

import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import kumite.build.bringup.Ask;
import kumite.build.bringup.Held;
import kumite.build.bringup.Power;
import kumite.circuit.Arrivals;
import kumite.circuit.Copper;
import kumite.circuit.Meter;
import kumite.circuit.Shown;
import kumite.loom.Look;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.wiring.Change;
import org.jspecify.annotations.Nullable;

/**
 * What a seat shows with one fault in it. Only what the fault can reach is worked out anew; all
 * else is as in the sound wiring. Not thread-safe.
 */
final class Outlook {
  private final View view;
  private final Fault fault;
  private final Copper.Altered altered;
  private final Set<Joint> about;
  private final boolean everywhere;
  private final boolean risky;
  private final Map<ContactId, Look> touched = new LinkedHashMap<>();
  private final Set<Joint> dead = new HashSet<>();
  private final boolean silent;
  private final Map<Held, Map<ContactId, Arrivals.Seen>> arrived = new HashMap<>();
  private final Map<Ask.Probe, Shown> shown = new HashMap<>();
  private @Nullable Meter meter;

  Outlook(View view, Fault fault) {
    this.view = view;
    this.fault = fault;
    Change local = view.here(fault.change());
    boolean here = !local.equals(Change.NONE);
    this.altered = here ? view.copper().altered(local) : view.sound();
    this.about = here ? view.copper().about(altered) : Set.of();
    this.everywhere = here && manyRails();
    this.risky = everywhere || view.wires().inputs().dead().isPresent() || view.mayShort();
    boolean gone = false;
    for (Fault.Effect effect : fault.effects()) {
      boolean mine = fault.seat().filter(view.wires().seat()::equals).isPresent();
      if (effect instanceof Fault.Effect.Dead terminal && mine) {
        dead.add(view.local(terminal.terminal()));
      } else if (mine) {
        gone = true;
      }
    }
    this.silent = gone;
    touch();
  }

  /** Whether the change reaches nets of different volts, so that it may be felt anywhere. */
  private boolean manyRails() {
    Set<Double> volts = new HashSet<>();
    var places = view.wiring().nets().places();
    for (Joint place : about) {
      var there = places.get(place);
      if (there != null && (there.gives() || there.zero())) {
        volts.add(there.gives() ? there.volts() : 0.0);
      }
    }
    return volts.size() > 1;
  }

  private void touch() {
    Set<ContactId> contacts = about.isEmpty() ? Set.of() : view.copper().contactsAt(about, altered);
    view.looks()
        .forEach(
            (contact, look) -> {
              Set<Joint> places = view.places(look);
              boolean near =
                  everywhere
                      || contacts.contains(contact)
                      || places.stream().anyMatch(about::contains)
                      || places.stream().anyMatch(dead::contains);
              if (near) {
                touched.put(contact, look);
              }
            });
  }

  Fault fault() {
    return fault;
  }

  /** {@return whether it says of a question what the sound wiring says} */
  boolean same(Ask ask) {
    if (ask instanceof Ask.Probe probe) {
      boolean reached =
          everywhere
              || about.contains(view.local(probe.red()))
              || about.contains(view.local(probe.black()));
      return !reached && (dead.isEmpty() || !probe.power().live());
    }
    return touched.isEmpty() && !silent;
  }

  // ---- meters

  boolean beeps(Ask.Probe ask) {
    return view.arrivals()
        .beeps(view.local(ask.red()), view.local(ask.black()), altered, ask.power(), ask.held());
  }

  /** {@return what a meter shows} */
  Shown shown(Ask.Probe ask) {
    return shown.computeIfAbsent(ask, this::solve);
  }

  private Shown solve(Ask.Probe ask) {
    if (!there(ask)) {
      return Apart.shown(ask.power(), ask.red(), ask.black());
    }
    return meter().shows(view.local(ask.red()), view.local(ask.black()), ask.power(), ask.held());
  }

  /** A part that is taken out takes its bare tabs along: nothing hangs there. */
  private boolean there(Ask.Probe ask) {
    return meter().has(view.local(ask.red())) && meter().has(view.local(ask.black()));
  }

  private Meter meter() {
    Meter there = meter;
    if (there == null) {
      there = altered == view.sound() ? view.meter() : view.arrivals().meter(altered);
      meter = there;
    }
    return there;
  }

  /** {@return the volts with all parts at their usual value, where any can be said} */
  OptionalDouble usual(Ask.Probe ask) {
    if (!there(ask)) {
      return OptionalDouble.of(0);
    }
    return meter().usual(view.local(ask.red()), view.local(ask.black()), ask.power(), ask.held());
  }

  /** {@return whether a reading at a place tells nothing: its terminal is dead} */
  boolean unknown(Ask.Probe ask) {
    return ask.power() == Power.POWERED
        && (dead.contains(view.local(ask.red())) || dead.contains(view.local(ask.black())));
  }

  // ---- the host

  /** {@return whether the board is down, so that the host sees no device} */
  boolean down(Held held) {
    return risky && view.arrivals().dead(altered, held);
  }

  /** {@return what the board takes in of each contact while contacts are held} */
  Map<ContactId, Arrivals.Seen> arrivals(Held held, Outlook sound) {
    return arrived.computeIfAbsent(held, h -> arriving(h, sound));
  }

  private Map<ContactId, Arrivals.Seen> arriving(Held held, Outlook sound) {
    Map<ContactId, Arrivals.Seen> seen = new LinkedHashMap<>();
    if (this != sound) {
      seen.putAll(sound.arrivals(held, sound));
    }
    Map<ContactId, Look> some = this == sound ? view.looks() : touched;
    some.forEach(
        (contact, look) ->
            seen.put(
                contact,
                view.places(look).stream().anyMatch(dead::contains)
                    ? new Arrivals.Seen(Arrivals.State.LET_GO, 0)
                    : view.arrivals().see(look, altered, held, risky)));
    return seen;
  }

  /** {@return whether its functions never come to the host} */
  boolean silent() {
    return silent;
  }

  /** {@return whether the host sees no such device} */
  boolean absent() {
    return fault.effects().stream().anyMatch(Fault.Effect.WrongProgram.class::isInstance)
        && fault.seat().filter(view.wires().seat()::equals).isPresent();
  }
}
