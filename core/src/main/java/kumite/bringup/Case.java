package kumite.bringup;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kumite.build.bringup.Answer;
import kumite.build.bringup.Ask;
import kumite.build.bringup.Held;
import kumite.circuit.Arrivals;
import kumite.circuit.Meter;
import kumite.circuit.Shown;
import kumite.kind.BoardKind;
import kumite.name.ContactId;

/** A build with one fault in it, or none: what each question gives there. Not thread-safe. */
final class Case {
  /** What travels is read off so exactly: common practice, no source. */
  private static final double TRAVEL_WITHIN = 0.12;

  /** Of a contact that may read either way, in what is shown of many: our choice. */
  private static final double UNSURE = 0.8;

  /** In place of an outcome that nobody can say. */
  static final String UNKNOWN = "?";

  private static final double UNSURE_LEAST = 1e-3;

  /** Volts further apart than this are told apart at a glance. */
  private static final double VOLTS_APART = 0.25;

  private final Places places;
  private final Fault fault;
  private final List<Outlook> outlooks = new ArrayList<>();
  private final Case sound;
  private final Map<Held, Map<ContactId, Arrivals.Seen>> arrived = new HashMap<>();

  private Case(Places places, Fault fault, Optional<Case> sound) {
    this.places = places;
    this.fault = fault;
    places.views().forEach(view -> outlooks.add(new Outlook(view, fault)));
    this.sound = sound.orElse(this);
  }

  /** {@return the build as it is meant} */
  static Case sound(Places places, double weight) {
    return new Case(places, Fault.none(weight), Optional.empty());
  }

  /** {@return the build with a fault} */
  Case with(Fault other) {
    return new Case(places, other, Optional.of(sound));
  }

  Fault fault() {
    return fault;
  }

  private Optional<Outlook> outlook(Ask.Probe probe) {
    for (int i = 0; i < outlooks.size(); i++) {
      View view = places.views().get(i);
      if (view.has(probe.red()) && view.has(probe.black())) {
        return Optional.of(outlooks.get(i));
      }
    }
    return Optional.empty();
  }

  /** {@return whether a question gives here what it gives in the sound build} */
  boolean same(Ask ask) {
    if (this == sound) {
      return true;
    }
    if (ask instanceof Ask.Probe probe) {
      return outlook(probe).map(o -> o.same(ask)).orElse(true);
    }
    return outlooks.stream().allMatch(o -> o.same(ask) && !o.absent());
  }

  /** {@return whether it may short a supply, so that nobody should power it} */
  boolean mayBurn() {
    return outlooks.stream().anyMatch(o -> o.down(Held.NONE));
  }

  // ---- what it gives

  /** {@return what a meter shows} */
  Shown shown(Ask.Probe ask) {
    return outlook(ask)
        .map(o -> o.same(ask) && this != sound ? sound.shown(ask) : o.shown(ask))
        .orElseGet(() -> Apart.shown(ask.power(), ask.red(), ask.black()));
  }

  private boolean beeps(Ask.Probe ask) {
    return outlook(ask)
        .map(o -> o.same(ask) && this != sound ? sound.beeps(ask) : o.beeps(ask))
        .orElse(false);
  }

  private OptionalDouble usual(Ask.Probe ask) {
    return outlook(ask)
        .map(o -> o.same(ask) && this != sound ? sound.usual(ask) : o.usual(ask))
        .orElse(OptionalDouble.of(0));
  }

  private boolean unknown(Ask.Probe ask) {
    return places.unproven(ask) || outlook(ask).map(o -> o.unknown(ask)).orElse(false);
  }

  /** {@return what the host is shown of each contact; of seats whose presses do not arrive none} */
  Map<ContactId, Arrivals.Seen> arrivals(Held held) {
    if (this != sound && outlooks.stream().allMatch(o -> o.same(new Ask.Press(held)))) {
      return sound.arrivals(held);
    }
    Map<ContactId, Arrivals.Seen> known = arrived.get(held);
    if (known == null) {
      known = arriving(held);
      arrived.put(held, known);
    }
    return known;
  }

  private Map<ContactId, Arrivals.Seen> arriving(Held held) {
    Map<ContactId, Arrivals.Seen> all = new LinkedHashMap<>();
    for (int i = 0; i < outlooks.size(); i++) {
      View view = places.views().get(i);
      Outlook outlook = outlooks.get(i);
      if (!outlook.silent() && !outlook.down(held)) {
        outlook
            .arrivals(held, sound.outlooks.get(i))
            .forEach(
                (contact, seen) -> {
                  if (view.wires().shown().containsKey(contact)) {
                    all.put(contact, seen);
                  }
                });
      }
    }
    return all;
  }

  /** {@return how many devices the host shows} */
  int devices() {
    int devices = 0;
    for (int i = 0; i < outlooks.size(); i++) {
      BoardKind.Link link = places.views().get(i).wires().board().brain().link();
      boolean device = link == BoardKind.Link.USB || link == BoardKind.Link.RADIO;
      Outlook outlook = outlooks.get(i);
      devices += device && !outlook.absent() && !outlook.down(Held.NONE) ? 1 : 0;
    }
    return devices;
  }

  // ---- as one word, to tell cases apart

  /** {@return what a question gives, as a word that is the same where nobody could tell} */
  String outcome(Ask ask) {
    if (this != sound && same(ask)) {
      return sound.outcome(ask);
    }
    if (ask instanceof Ask.Probe probe) {
      if (places.unproven(probe)) {
        return UNKNOWN;
      }
      if (!probe.power().live()) {
        return beeps(probe) ? "beep" : places.ohmic(probe) ? ohms(probe) : "silent";
      }
      if (unknown(probe)) {
        return UNKNOWN;
      }
      OptionalDouble volts = usual(probe);
      return volts.isEmpty() ? "down" : Math.round(volts.getAsDouble() / VOLTS_APART) + "q";
    }
    if (ask instanceof Ask.Devices) {
      return Integer.toString(devices());
    }
    StringBuilder word = new StringBuilder();
    arrivals(ask.held())
        .forEach(
            (contact, seen) -> {
              boolean travels = places.travels(contact);
              if (seen.state() == Arrivals.State.UNSURE) {
                word.append(contact).append("? ");
              } else if (travels) {
                word.append(contact).append(Math.round(seen.share() * 5)).append(' ');
              } else if (seen.state() == Arrivals.State.PRESSED) {
                word.append(contact).append(' ');
              }
            });
    return word.toString();
  }

  /** Ohms that a meter's display tells apart: by a fifth. */
  private String ohms(Ask.Probe probe) {
    OptionalDouble ohm = shown(probe).ohm();
    return ohm.isEmpty() ? "silent" : "e" + Math.round(5 * Math.log(ohm.getAsDouble()));
  }

  // ---- what an answer says of it

  /** How well an answer agrees: 1 where it is just what is shown, 0 where it is not. */
  double agrees(Ask ask, Answer answer) {
    if (this != sound && same(ask)) {
      return sound.agrees(ask, answer);
    }
    if (ask instanceof Ask.Probe probe) {
      return probe(probe, answer);
    }
    if (answer instanceof Answer.Count count) {
      return count.devices() == devices() ? 1 : 0;
    }
    if (answer instanceof Answer.Shows shows) {
      return shows(ask.held(), shows.shown());
    }
    if (answer instanceof Answer.Works works && !ask.held().none()) {
      double fine = shows(ask.held(), ask.held());
      return works.works() ? fine : 1 - fine;
    }
    return 1;
  }

  private double shows(Held held, Held observed) {
    double agrees = 1;
    Map<ContactId, Arrivals.Seen> arrivals = arrivals(held);
    for (Map.Entry<ContactId, Arrivals.Seen> entry : arrivals.entrySet()) {
      ContactId contact = entry.getKey();
      Arrivals.Seen seen = entry.getValue();
      boolean there = observed.travel().containsKey(contact);
      if (seen.state() == Arrivals.State.UNSURE) {
        // Levels that waver do so together, so that each says less than a toss of a coin.
        agrees = Math.max(UNSURE_LEAST, agrees * UNSURE);
      } else if (places.travels(contact)) {
        // Nobody looks hard at a travel that no hand is on.
        if (!there && held.travel().containsKey(contact)
            || there && Math.abs(seen.share() - observed.travel().get(contact)) > TRAVEL_WITHIN) {
          return 0;
        }
      } else if ((seen.state() == Arrivals.State.PRESSED) != there) {
        return 0;
      }
    }
    return arrivals.keySet().containsAll(observed.contacts()) ? agrees : 0;
  }

  private double probe(Ask.Probe ask, Answer answer) {
    if (unknown(ask)) {
      return 0.5;
    }
    if (answer instanceof Answer.Beep beep) {
      return beep.beeps() == beeps(ask) ? 1 : 0;
    }
    Shown shown = shown(ask);
    if (shown.trouble().isPresent()) {
      // A supply that is shorted gives way to something near nothing.
      return answer instanceof Answer.Volts volts && Math.abs(volts.volts()) < 1 ? 0.5 : 0.1;
    }
    if (answer instanceof Answer.Ohms ohms) {
      return shown.ohm().isEmpty()
          ? ohms.ohm() >= Meter.MOST_OHM / 2 ? 1 : 0
          : within(ohms.ohm(), shown.low(), shown.high(), Math.max(1, ohms.ohm() * 0.05));
    }
    double volts = ((Answer.Volts) answer).volts();
    if (!ask.power().live()) {
      return shown.drop().isEmpty()
          ? volts > 2.5 ? 1 : 0
          : within(volts, shown.drop().getAsDouble() - 0.1, shown.drop().getAsDouble() + 0.1, 0.05);
    }
    return within(volts, shown.low(), shown.high(), 0.05 + Math.abs(volts) * 0.02);
  }

  /** 1 inside of the span, less the further outside. */
  private static double within(double value, double low, double high, double sigma) {
    double off = value < low ? low - value : value > high ? value - high : 0;
    return Math.exp(-0.5 * (off / sigma) * (off / sigma));
  }

  /** {@return the width of what a question may show here, against one that is told apart} */
  double width(Ask ask, Answer answer) {
    if (!(ask instanceof Ask.Probe probe) || !(answer instanceof Answer.Volts)) {
      return 1;
    }
    Shown shown = shown(probe);
    boolean known = probe.power().live() && shown.trouble().isEmpty();
    return known ? Math.max(1, (shown.high() - shown.low()) / VOLTS_APART) : 1;
  }
}
