package kumite.bringup;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import kumite.build.bringup.Answer;
import kumite.build.bringup.Ask;
import kumite.build.bringup.Entry;
import kumite.build.bringup.Repair;
import kumite.build.bringup.Round;
import kumite.kind.Terminal;
import kumite.name.Joint;

/**
 * The readings that count, and what is to be said of those that do not.
 *
 * @param readings those that count
 * @param notes one sentence for each that does not, or that is doubted
 */
public record Evidence(List<Reading> readings, List<String> notes) {
  /** How often a reading is simply wrong, by a hand that slips: common practice, no source. */
  static final double SLIP = 0.01;

  /** The same of a question that was answered in two ways. */
  static final double DOUBTED_SLIP = 0.3;

  /**
   * A reading.
   *
   * @param slip how likely it is wrong
   */
  public record Reading(Ask ask, Answer answer, double slip) {}

  public Evidence {
    readings = List.copyOf(readings);
    notes = List.copyOf(notes);
  }

  /** {@return what a round gives} */
  public static Evidence of(Places places, Round round) {
    List<Entry> entries = new ArrayList<>();
    for (int i = 0; i < round.entries().size(); i++) {
      Entry entry = round.entries().get(i);
      boolean stale = false;
      for (Repair repair : round.repairs()) {
        stale |= i < repair.after() && touches(places, entry.ask(), repair.places());
      }
      if (!stale) {
        entries.add(entry);
      }
    }
    return of(places, entries);
  }

  /** {@return what entries give} */
  public static Evidence of(Places places, List<Entry> all) {
    List<Entry> entries = all.stream().map(entry -> named(places, entry)).toList();
    List<Reading> readings = new ArrayList<>();
    Set<String> notes = new java.util.LinkedHashSet<>();
    Map<Ask, Answer> first = new HashMap<>();
    Set<Ask> doubted = new java.util.HashSet<>();
    for (Entry entry : entries) {
      if (entry.answer().isEmpty()) {
        continue;
      }
      String trouble = trouble(places, entry.ask(), entry.answer().get());
      if (!trouble.isEmpty()) {
        notes.add(trouble);
        continue;
      }
      Answer answer = entry.answer().get();
      Answer before = first.putIfAbsent(entry.ask(), answer);
      if (before != null && differ(before, answer)) {
        doubted.add(entry.ask());
        notes.add(
            words(entry.ask())
                + " was read as "
                + before
                + " and as "
                + answer
                + ": neither is trusted much; read it again");
      }
      readings.add(new Reading(entry.ask(), answer, SLIP));
    }
    return new Evidence(
        readings.stream()
            .map(
                r -> doubted.contains(r.ask()) ? new Reading(r.ask(), r.answer(), DOUBTED_SLIP) : r)
            .toList(),
        List.copyOf(notes));
  }

  private static Entry named(Places places, Entry entry) {
    if (!(entry.ask() instanceof Ask.Probe probe)) {
      return entry;
    }
    Joint red = places.named(probe.red());
    Joint black = places.named(probe.black());
    return red.equals(black)
        ? entry
        : new Entry(
            new Ask.Probe(red, black, probe.power(), probe.held()), entry.answer(), entry.note());
  }

  /** {@return a question in a few words} */
  public static String words(Ask ask) {
    if (ask instanceof Ask.Probe probe) {
      return probe.red()
          + " to "
          + probe.black()
          + (probe.power() == kumite.build.bringup.Power.UNPOWERED
              ? ""
              : ", " + probe.power().word())
          + (probe.held().none() ? "" : " with " + probe.held());
    }
    if (ask instanceof Ask.Press press) {
      return press.held().none() ? "The host with hands off" : "The host with " + press.held();
    }
    return ask instanceof Ask.Devices ? "The number of devices" : ask.from();
  }

  private static boolean differ(Answer one, Answer other) {
    if (one instanceof Answer.Volts a && other instanceof Answer.Volts b) {
      return Math.abs(a.volts() - b.volts()) > 0.2 + 0.05 * Math.abs(a.volts());
    }
    if (one instanceof Answer.Ohms a && other instanceof Answer.Ohms b) {
      return Math.abs(a.ohm() - b.ohm()) > 2 + 0.1 * a.ohm();
    }
    return one.getClass() == other.getClass() && !one.equals(other);
  }

  /** {@return why a reading cannot count; empty where it can} */
  private static String trouble(Places places, Ask ask, Answer answer) {
    try {
      if (ask instanceof Ask.Probe probe) {
        places.requireKnown(probe.red(), probe.black(), probe.held());
      } else {
        places.requireKnown(ask.held());
      }
      if (answer instanceof Answer.Shows shows) {
        places.requireKnown(shows.shown());
      }
    } catch (IllegalArgumentException e) {
      return words(ask) + ": " + e.getMessage() + "; it is kept, but does not count";
    }
    double most = mostVolts(places) * 1.25 + 0.5;
    if (answer instanceof Answer.Volts volts && Math.abs(volts.volts()) > most) {
      return words(ask)
          + " cannot be "
          + volts
          + ": nothing in this build gives more than "
          + kumite.working.Working.number(mostVolts(places), 1)
          + " V; it is kept, but does not count";
    }
    return "";
  }

  private static double mostVolts(Places places) {
    double most = 3.3;
    for (View view : places.views()) {
      most = Math.max(most, view.wires().board().logicVolts());
      for (Terminal terminal : view.wires().board().terminals()) {
        most = Math.max(most, terminal.volts());
      }
      for (var place : view.wiring().nets().places().values()) {
        most = Math.max(most, place.volts());
      }
    }
    return most;
  }

  /** Whether mending at some places may have changed what a question gives. */
  public static boolean touches(Places places, Ask ask, Set<Joint> mended) {
    if (!(ask instanceof Ask.Probe probe)) {
      return true;
    }
    Set<Joint> about = new TreeSet<>(mended);
    for (View view : places.views()) {
      for (Joint place : mended) {
        if (view.has(place)) {
          view.wiring().nets().of(view.local(place)).stream()
              .flatMap(net -> net.places().stream())
              .forEach(p -> about.add(view.global(p.joint())));
        }
      }
    }
    return about.contains(probe.red()) || about.contains(probe.black());
  }
}
