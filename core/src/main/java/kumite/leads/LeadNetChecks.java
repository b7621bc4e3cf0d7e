package kumite.leads;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.lead.AtPin;
import kumite.lead.Core;
import kumite.lead.LeadPart.Place;
import kumite.lead.Nature;
import kumite.lead.Where;

/** What must not be joined in a lead, group of joined pins by group. */
final class LeadNetChecks {
  /** Many things made for 5 V work at 3.3 V: common practice, no source. */
  private static final double OFTEN_ENOUGH = 0.6;

  private final LeadSubject subject;
  private final List<Place> net;
  private final List<Finding> findings = new ArrayList<>();

  private LeadNetChecks(LeadSubject subject, Set<Place> net) {
    this.subject = subject;
    this.net = List.copyOf(net);
  }

  static List<Finding> of(LeadSubject subject) {
    List<Finding> findings = new ArrayList<>();
    for (Set<Place> net : subject.nets().all()) {
      LeadNetChecks checks = new LeadNetChecks(subject, net);
      checks.check();
      findings.addAll(checks.findings);
    }
    return findings;
  }

  private AtPin at(Place place) {
    return subject.ends().at(place.end(), place.pin());
  }

  private Optional<Place> first(Set<Nature> natures) {
    return net.stream().filter(place -> natures.contains(at(place).nature())).findFirst();
  }

  private void check() {
    Optional<Place> supply = first(Set.of(Nature.GIVES_SUPPLY));
    Optional<Place> ground = first(Set.of(Nature.GROUND));
    Optional<Place> signal = net.stream().filter(place -> at(place).nature().signal()).findFirst();
    Optional<Place> takes = first(Set.of(Nature.TAKES_SUPPLY));
    boolean shorted = supply.isPresent() && ground.isPresent();
    if (subject.atBoard()) {
      twoToOne();
      some(supply, takes);
      volts();
      return;
    }
    if (shorted) {
      stop(
          LeadCode.SUPPLY_ON_GROUND,
          supply.get(),
          ground.get(),
          "supply meets ground",
          "Plugged in it is a short circuit: it can burn the host's port or the cable");
    } else if (supply.isPresent() && signal.isPresent()) {
      stop(
          LeadCode.SUPPLY_ON_SIGNAL,
          signal.get(),
          supply.get(),
          "supply meets a signal",
          "What closes or drives that pin would fight the supply, and can burn");
    } else if (ground.isPresent() && signal.isPresent()) {
      stop(
          LeadCode.SIGNAL_ON_GROUND,
          signal.get(),
          ground.get(),
          "a signal meets ground",
          "It would always read as pressed, and an output there is shorted");
    } else if (ground.isPresent() && takes.isPresent()) {
      stop(
          LeadCode.SUPPLY_ON_GROUND,
          takes.get(),
          ground.get(),
          "the pad's supply meets ground",
          "The pad gets no supply, and with ground turned round it can be ended");
    } else if (takes.isPresent() && signal.isPresent() && supply.isEmpty()) {
      stop(
          LeadCode.SUPPLY_ON_SIGNAL,
          signal.get(),
          takes.get(),
          "the pad's supply meets a signal",
          "The pad would live on a signal's volts, or not at all");
    }
    outputs();
    twoToOne();
    volts();
    some(supply, takes);
  }

  private void some(Optional<Place> supply, Optional<Place> takes) {
    if (supply.isPresent() && takes.isPresent() && at(supply.get()).some() && needs(takes.get())) {
      findings.add(
          subject.found(
              LeadCode.HOST_GIVES_NONE,
              Severity.LOOK,
              List.of(supply.get()),
              "only some hosts give supply there",
              "Measure "
                  + subject.words(supply.get())
                  + " against ground at your host before you plug the pad in"));
    }
  }

  private boolean needs(Place place) {
    return !at(place).some();
  }

  private void stop(Code code, Place one, Place other, String title, String why) {
    findings.add(
        subject.parted(
            subject.found(
                code,
                Severity.STOP,
                List.of(one, other),
                title,
                subject.words(one) + " and " + subject.words(other) + " are joined. " + why),
            one));
  }

  private void outputs() {
    List<Place> drives = net.stream().filter(place -> at(place).nature() == Nature.DRIVES).toList();
    if (drives.size() > 1) {
      stop(
          LeadCode.OUTPUTS_MEET,
          drives.get(0),
          drives.get(1),
          "two outputs meet",
          "When one is high and the other low they fight, and either can burn");
    }
    List<Place> gives =
        net.stream().filter(place -> at(place).nature() == Nature.GIVES_SUPPLY).toList();
    boolean both = gives.stream().map(Place::end).distinct().count() > 1;
    if (both) {
      Place one = gives.get(0);
      Place other = gives.stream().filter(p -> p.end() != one.end()).findFirst().orElseThrow();
      stop(
          LeadCode.OUTPUTS_MEET,
          one,
          other,
          "two supplies meet",
          "The stronger one feeds the other backwards; leave the supply core out");
    }
  }

  /** Pins of one end that do different things, joined. */
  private void twoToOne() {
    for (Place place : net) {
      for (Place other : net) {
        boolean later = place.end() == other.end() && net.indexOf(place) < net.indexOf(other);
        if (later && differ(at(place), at(other))) {
          boolean contacts =
              at(place).nature() == Nature.CONTACT && at(other).nature() == Nature.CONTACT;
          if (onPurpose()) {
            findings.add(
                subject.found(
                    LeadCode.PINS_MEET,
                    Severity.FINE,
                    List.of(place, other),
                    "two pins become one, as is meant",
                    subject.words(place) + " and " + subject.words(other) + " are one line"));
            continue;
          }
          Finding finding =
              subject.found(
                  LeadCode.PINS_MEET,
                  contacts ? Severity.LOOK : Severity.STOP,
                  List.of(place, other),
                  "two pins become one",
                  subject.words(place)
                      + " and "
                      + subject.words(other)
                      + " are joined by this lead, so what they do cannot be told apart"
                      + (contacts ? "; either press gives both" : ""));
          findings.add(subject.parted(finding, other));
        }
      }
    }
  }

  private void unsuited(Place giver, Place taker, Severity severity, String remedy) {
    findings.add(
        subject.found(
            LeadCode.VOLTS_DO_NOT_SUIT,
            severity,
            List.of(giver, taker),
            "volts do not suit",
            String.format(
                Locale.ROOT,
                "%s brings %.1f V to %s, which is made for %.1f V. %s",
                subject.words(giver),
                at(giver).volts(),
                subject.words(taker),
                at(taker).bearsVolts(),
                remedy)));
  }

  /** Whether a core of this net is said to be shared. */
  private boolean onPurpose() {
    return subject.lead().cores().stream()
        .filter(Core::shared)
        .anyMatch(core -> net.contains(new Place(Where.FROM, core.from())));
  }

  private static boolean differ(AtPin one, AtPin other) {
    if (one.nature() == Nature.UNKNOWN || other.nature() == Nature.UNKNOWN) {
      return true;
    }
    boolean idle = one.nature() == Nature.NOTHING || other.nature() == Nature.NOTHING;
    return !idle && !(one.nature() == other.nature() && one.function().equals(other.function()));
  }

  private void volts() {
    for (Place giver : net) {
      for (Place taker : net) {
        AtPin gives = at(giver);
        AtPin bears = at(taker);
        boolean across = giver.end() != taker.end();
        boolean known = gives.volts() > 0 && bears.bearsVolts() > 0;
        boolean supply = gives.nature() == Nature.GIVES_SUPPLY;
        boolean apt = supply ? bears.nature() == Nature.TAKES_SUPPLY : bears.nature().signal();
        if (!across || !known || !apt) {
          continue;
        }
        boolean over = gives.volts() > bears.bearsVolts() + 0.25;
        boolean under = supply && gives.volts() < bears.bearsVolts() * 0.9;
        // What a board's terminals are brought is told with the nets of its wiring.
        if (over && !subject.atBoard()) {
          unsuited(
              giver,
              taker,
              Severity.STOP,
              "Put a level shifter or a divider between, or another supply");
        } else if (under) {
          boolean little = gives.volts() < bears.bearsVolts() * OFTEN_ENOUGH;
          unsuited(
              giver,
              taker,
              little ? Severity.STOP : Severity.LOOK,
              little
                  ? "Another supply"
                  : "Many work with that, and then send no more than that; try it before you close"
                      + " anything");
        }
      }
    }
  }
}
