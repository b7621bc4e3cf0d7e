package kumite.leads;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.lead.AtPin;
import kumite.lead.Lead;
import kumite.lead.LeadPart;
import kumite.lead.LeadPart.Place;
import kumite.lead.Nature;
import kumite.lead.Where;

/** Whether the parts of a lead are where they do what they are for. */
final class LeadPartChecks {
  /** What a usual small resistor bears, in watts: common practice, no source. */
  private static final double QUARTER_WATT = 0.25;

  private final LeadSubject subject;
  private final Lead lead;
  private final List<Finding> findings = new ArrayList<>();

  private LeadPartChecks(LeadSubject subject) {
    this.subject = subject;
    this.lead = subject.lead();
  }

  static List<Finding> of(LeadSubject subject) {
    LeadPartChecks checks = new LeadPartChecks(subject);
    checks.parts();
    checks.shield();
    return checks.findings;
  }

  private void stop(Code code, List<Place> places, String title, String detail) {
    findings.add(subject.found(code, Severity.STOP, places, title, detail));
  }

  private void look(Code code, List<Place> places, String title, String detail) {
    findings.add(subject.found(code, Severity.LOOK, places, title, detail));
  }

  private void parts() {
    for (LeadPart part : lead.parts()) {
      List<Place> places = List.copyOf(part.places());
      if (part instanceof LeadPart.Series series) {
        series(series);
      } else if (part instanceof LeadPart.Diode diode) {
        diode(diode);
      } else if (part instanceof LeadPart.Across across) {
        across(across);
      } else if (part instanceof LeadPart.Drain drain) {
        drain(drain);
      } else if (part.hanging().isPresent()) {
        hanging(part, part.hanging().get().at());
      } else if (part instanceof LeadPart.Bridge && places.stream().noneMatch(this::wired)) {
        look(
            LeadCode.PART_IN_VAIN,
            places,
            "a bridge joins pins that no core comes to",
            part.words() + " does nothing for the other end; is it at the right one?");
      }
    }
  }

  private boolean wired(Place place) {
    return lead.cores().stream().anyMatch(c -> Lead.pin(c, place.end()).equals(place.pin()));
  }

  private void series(LeadPart.Series series) {
    Nature from = subject.ends().at(Where.FROM, series.from()).nature();
    Nature to = subject.ends().at(Where.TO, series.to()).nature();
    Set<Nature> rails = Set.of(Nature.GIVES_SUPPLY, Nature.TAKES_SUPPLY, Nature.GROUND);
    if (rails.contains(from) || rails.contains(to)) {
      stop(
          LeadCode.PART_IN_VAIN,
          List.of(new Place(Where.FROM, series.from())),
          "a resistor stands in a supply or ground core",
          series.words()
              + " takes volts from everything behind it. Put it into the core of a signal");
    }
  }

  /** Which way current must flow in a core, as far as that is known: to the end that is given. */
  private Optional<Where> flows(LeadPart.InCore part) {
    for (Where where : Where.values()) {
      String near = where == Where.FROM ? part.from() : part.to();
      String far = where == Where.FROM ? part.to() : part.from();
      Nature here = subject.ends().at(where, near).nature();
      Nature there = subject.ends().at(where.across(), far).nature();
      boolean sinks =
          switch (here) {
            case TAKES_SUPPLY -> there == Nature.GIVES_SUPPLY;
            // A contact closes the other side's pull-up to ground.
            case CONTACT -> there == Nature.LISTENS || there == Nature.SHARES;
            // What a pad takes comes back through its ground.
            case GROUND ->
                there == Nature.GROUND && lead.end(where).beyond() == kumite.lead.Beyond.HOST;
            default -> false;
          };
      if (sinks) {
        return Optional.of(where);
      }
    }
    return Optional.empty();
  }

  private void diode(LeadPart.Diode diode) {
    List<Place> places = List.of(new Place(Where.FROM, diode.from()));
    Optional<Where> flows = flows(diode);
    Nature from = subject.ends().at(Where.FROM, diode.from()).nature();
    Nature to = subject.ends().at(Where.TO, diode.to()).nature();
    Set<Nature> rails = Set.of(Nature.GIVES_SUPPLY, Nature.TAKES_SUPPLY, Nature.GROUND);
    boolean rail = rails.contains(from) || rails.contains(to);
    if (flows.isPresent() && diode.band() != flows.get()) {
      findings.add(
          subject.mended(
              subject.found(
                  LeadCode.DIODE_WRONG,
                  Severity.STOP,
                  places,
                  "a diode is the wrong way round",
                  diode.words()
                      + ": current has to flow towards the "
                      + flows.get().words()
                      + " there, and the band has to look where it flows to"),
              "Turn the diode round",
              l ->
                  l.withParts(
                      l.parts().stream()
                          .map(
                              p ->
                                  p.equals(diode)
                                      ? new LeadPart.Diode(
                                          diode.from(), diode.to(), diode.band().across())
                                      : p)
                          .toList())));
    } else if (rail) {
      look(
          LeadCode.DIODE_WRONG,
          places,
          "a diode stands in a supply or ground core",
          diode.words()
              + " takes about 0.7 V from everything behind it (0.3 V for a low-drop one). Is it"
              + " meant to keep one supply from feeding another?");
    } else if (from == Nature.DRIVES || to == Nature.DRIVES) {
      look(
          LeadCode.DIODE_WRONG,
          places,
          "a diode stands in a line that is driven both ways",
          diode.words()
              + " lets one level through and not the other; what listens needs a resistor that"
              + " makes the other level");
    }
  }

  /** What lies between supply and ground must bear it. */
  private void across(LeadPart.Across part) {
    AtPin one = subject.ends().at(part.at().end(), part.at().pin());
    AtPin other = subject.ends().at(part.other().end(), part.other().pin());
    boolean supplied =
        rail(one, other) && (one.nature() == Nature.GROUND || other.nature() == Nature.GROUND);
    double volts = Math.max(one.bearsVolts(), Math.max(other.bearsVolts(), most(one, other)));
    if (supplied && part instanceof LeadPart.ResistorAcross resistor && volts > 0) {
      double watts = volts * volts / resistor.ohm();
      if (watts > QUARTER_WATT) {
        stop(
            LeadCode.PART_IN_VAIN,
            List.of(part.at()),
            "a resistor stands across the supply",
            String.format(
                java.util.Locale.ROOT,
                "%s takes %.0f mA at %.1f V and %.2f W, and burns; a usual one bears 0.25 W",
                part.words(),
                1000 * volts / resistor.ohm(),
                volts,
                watts));
      }
    } else if (List.of(one, other).stream().allMatch(at -> at.nature() == Nature.NOTHING)) {
      look(
          LeadCode.PART_IN_VAIN,
          List.of(part.at()),
          "a part between two unused pins",
          part.words());
    }
  }

  private static boolean rail(AtPin one, AtPin other) {
    Set<Nature> supply = Set.of(Nature.GIVES_SUPPLY, Nature.TAKES_SUPPLY);
    return supply.contains(one.nature()) || supply.contains(other.nature());
  }

  private static double most(AtPin one, AtPin other) {
    return Math.max(one.volts(), other.volts());
  }

  private void drain(LeadPart.Drain drain) {
    Nature nature = subject.ends().at(drain.at().end(), drain.at().pin()).nature();
    boolean apt = Set.of(Nature.GROUND, Nature.NOTHING, Nature.UNKNOWN).contains(nature);
    if (!apt) {
      stop(
          LeadCode.SHIELD_WRONG,
          List.of(drain.at()),
          "the shield is on " + nature.words(),
          drain.words()
              + " makes the shield an aerial, and a short where it touches ground. It goes to"
              + " ground");
    }
  }

  /** A shield is joined to ground at one end: common practice, no source. */
  private void shield() {
    if (!lead.cable().shielded()) {
      return;
    }
    long ends = lead.drains().stream().map(Place::end).distinct().count();
    if (ends == 0) {
      look(
          LeadCode.SHIELD_WRONG,
          List.of(),
          "the shield goes nowhere",
          "Join its drain wire to ground at one end, the host's, and cut it back and cover it at the"
              + " other; or take a cable without");
    } else if (ends == 2) {
      look(
          LeadCode.SHIELD_WRONG,
          lead.drains(),
          "the shield is joined at both ends",
          "What the pad takes comes back through it too, and two hosts that are joined so can send"
              + " current around. Cut it back and cover it at the pad's end");
    }
  }

  private void hanging(LeadPart part, Place at) {
    boolean toGround = !(part instanceof LeadPart.PullUp);
    Set<Nature> wanted =
        toGround ? Set.of(Nature.GROUND) : Set.of(Nature.GIVES_SUPPLY, Nature.TAKES_SUPPLY);
    List<String> pins = subject.ends().pins(at.end());
    boolean known =
        pins.stream().anyMatch(p -> subject.ends().at(at.end(), p).nature() != Nature.UNKNOWN);
    boolean rail =
        pins.stream()
            .filter(p -> wanted.contains(subject.ends().at(at.end(), p).nature()))
            .anyMatch(p -> live(new Place(at.end(), p)));
    if (known && !rail) {
      stop(
          LeadCode.PART_IN_VAIN,
          List.of(at),
          "a part hangs on nothing",
          part.words()
              + ", but that end has no "
              + (toGround ? "ground" : "supply")
              + " to go to. Put it at the other end");
      return;
    }
    boolean filtered =
        lead.parts().stream()
            .anyMatch(
                p ->
                    p instanceof LeadPart.Series s
                        && (at.end() == Where.FROM ? s.from() : s.to()).equals(at.pin()));
    boolean speaks = subject.ends().at(at.end(), at.pin()).nature().speaks();
    if (filtered && speaks && toGround) {
      look(
          LeadCode.PART_IN_VAIN,
          List.of(at),
          "a part is on the wrong side of its resistor",
          part.words()
              + " stands before the resistor, where the pad drives it hard; a filter wants it after"
              + " the resistor, at the end that listens");
    }
  }

  /** A rail is there if that end has it of itself, or a core brings it. */
  private boolean live(Place rail) {
    Nature nature = subject.ends().at(rail.end(), rail.pin()).nature();
    return nature == Nature.GIVES_SUPPLY
        || nature == Nature.GROUND
        || !subject.nets().across(rail).isEmpty();
  }
}
