package kumite.verdict;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import kumite.kind.WireColour;
import kumite.lead.AtPin;
import kumite.lead.Beyond;
import kumite.lead.ConnectorKind;
import kumite.lead.Core;
import kumite.lead.End;
import kumite.lead.Lead;
import kumite.lead.LeadPart;
import kumite.lead.LeadPart.Place;
import kumite.lead.Nature;
import kumite.lead.Pinout;
import kumite.lead.Plugs;
import kumite.lead.Told;
import kumite.lead.Turn;
import kumite.lead.Where;
import kumite.lead.Wired;
import kumite.power.Wire;

/** What is wrong with a lead, and what it does. */
public final class LeadChecks {
  /** More than this share of the supply lost in a lead is too much: common practice, no source. */
  private static final double MOST_LOST = 0.05;

  private final LeadSubject subject;
  private final Lead lead;
  private final List<Finding> findings = new ArrayList<>();

  private LeadChecks(LeadSubject subject) {
    this.subject = subject;
    this.lead = subject.lead();
  }

  /** {@return the findings of a lead in a file of its own, stops first} */
  public static List<Finding> alone(Lead lead, Plugs plugs) {
    return of(LeadSubject.alone(lead, plugs)).stream()
        .sorted(java.util.Comparator.comparing(Finding::severity))
        .toList();
  }

  static List<Finding> of(LeadSubject subject) {
    LeadChecks checks = new LeadChecks(subject);
    checks.pins();
    checks.findings.addAll(LeadNetChecks.of(subject));
    checks.identity();
    checks.mates();
    checks.cable();
    checks.colours();
    checks.parts();
    checks.suspects();
    checks.carried();
    checks.told();
    return checks.findings;
  }

  /** What is so of the cable alone, for one whose nets the loom's checks judge. */
  static List<Finding> ofCable(LeadSubject subject) {
    LeadChecks checks = new LeadChecks(subject);
    checks.pins();
    checks.cable();
    checks.colours();
    return checks.findings;
  }

  private void stop(String code, List<Place> places, String title, String detail) {
    findings.add(subject.found(code, Severity.STOP, places, title, detail));
  }

  private void look(String code, List<Place> places, String title, String detail) {
    findings.add(subject.found(code, Severity.LOOK, places, title, detail));
  }

  private void pins() {
    for (Where where : Where.values()) {
      List<String> pins = subject.ends().pins(where);
      Set<String> lacking = new HashSet<>();
      for (Core core : lead.cores()) {
        String pin = Lead.pin(core, where);
        if (!pins.isEmpty() && !pins.contains(pin) && lacking.add(pin)) {
          stop(
              "LD-21",
              List.of(new Place(where, pin)),
              subject.ends().words(where) + " has no " + pin,
              "A core lands there; it has "
                  + pins.size()
                  + " places, "
                  + pins.get(0)
                  + " to "
                  + pins.get(pins.size() - 1)
                  + ". Put the core on another one, or take a larger connector");
        }
      }
    }
  }

  // ---- what arrives

  private void carried() {
    Set<Where> known =
        java.util.Arrays.stream(Where.values())
            .filter(w -> lead.end(w).beyond() != Beyond.OPEN && hasPinout(w))
            .collect(Collectors.toSet());
    if (known.size() < 2) {
      return;
    }
    int arrive = 0;
    int all = 0;
    for (Where where : Where.values()) {
      boolean host = lead.end(where).beyond() == Beyond.HOST;
      for (String pin : subject.ends().pins(where)) {
        AtPin at = subject.ends().at(where, pin);
        Place place = new Place(where, pin);
        List<AtPin> across =
            subject.nets().across(place).stream()
                .map(p -> subject.ends().at(where.across(), p))
                .toList();
        if (host || at.nature() == Nature.NOTHING || at.nature() == Nature.UNKNOWN) {
          continue;
        }
        all++;
        boolean heard = across.stream().anyMatch(other -> answers(at.nature(), other.nature()));
        arrive += heard ? 1 : 0;
        if (!heard) {
          lost(place, at, across);
        }
      }
    }
    grounds();
    boolean quiet = findings.stream().noneMatch(f -> f.severity() == Severity.STOP);
    if (all > 0 && arrive == all && quiet) {
      findings.add(
          subject.found(
              "LD-01",
              Severity.FINE,
              List.of(),
              "every function arrives",
              arrive + " of " + all + " pins of the pad's end are carried to one that answers"));
    }
  }

  private boolean hasPinout(Where where) {
    return lead.end(where) instanceof End.OfBoard
        || lead.end(where) instanceof End.Plug plug && subject.plugs().pinout(plug).isPresent();
  }

  private static boolean answers(Nature pad, Nature host) {
    return switch (pad) {
      case CONTACT, POT, DRIVES -> host == Nature.LISTENS || host == Nature.SHARES;
      case LISTENS -> host == Nature.DRIVES || host == Nature.SHARES;
      case SHARES -> host == Nature.SHARES || host == Nature.LISTENS || host == Nature.DRIVES;
      case TAKES_SUPPLY -> host == Nature.GIVES_SUPPLY;
      case GIVES_SUPPLY -> host == Nature.TAKES_SUPPLY;
      case GROUND -> host == Nature.GROUND;
      case NOTHING, UNKNOWN -> true;
    };
  }

  private void lost(Place place, AtPin at, List<AtPin> across) {
    String where = subject.words(place);
    Where other = place.end().across();
    if (at.nature() == Nature.TAKES_SUPPLY) {
      boolean needs = needs(place.end());
      Optional<String> gives =
          subject.ends().pins(other).stream()
              .filter(p -> subject.ends().at(other, p).nature() == Nature.GIVES_SUPPLY)
              .findFirst();
      if (gives.isEmpty() && needs) {
        stop(
            "LD-08",
            List.of(place),
            "the host gives no supply",
            where
                + " needs supply, and "
                + subject.ends().words(other)
                + " gives none. Feed the pad from elsewhere, or use a pad of contacts alone");
      } else if (needs) {
        Finding finding =
            subject.found(
                "LD-04",
                Severity.STOP,
                List.of(place),
                "supply does not arrive",
                where + " takes supply, but no core brings it from pin " + gives.get());
        findings.add(bridged(finding, place, gives.get()));
      } else if (gives.isPresent()) {
        look(
            "LD-19",
            List.of(place),
            "supply does not arrive",
            where + " gets nothing; that matters only where the pad has a part that needs it");
      }
      return;
    }
    if (at.nature() == Nature.GROUND) {
      return; // told for both ends at once
    }
    look(
        "LD-19",
        List.of(place),
        at.words() + " arrives nowhere",
        where
            + (across.isEmpty()
                ? " is not carried to the other end"
                : " arrives where nothing answers it ("
                    + across.stream().map(AtPin::words).distinct().collect(Collectors.joining(", "))
                    + ")")
            + (at.some() ? "; only some hosts use it" : "")
            + ". Add a core if the host asks for it");
  }

  private boolean needs(Where where) {
    return lead.end(where) instanceof End.Plug plug
        && subject.plugs().pinout(plug).filter(p -> p.padTakesA() > 0).isPresent();
  }

  private Finding bridged(Finding finding, Place place, String pin) {
    String from = place.end() == Where.FROM ? place.pin() : pin;
    String to = place.end() == Where.FROM ? pin : place.pin();
    return subject.mended(
        finding,
        "Add a core from " + from + " to " + to,
        l -> {
          List<Core> cores = new ArrayList<>(l.cores());
          Set<WireColour> taken = new HashSet<>();
          cores.forEach(core -> taken.add(core.colour()));
          WireColour colour =
              java.util.stream.Stream.of(WireColour.Hue.values())
                  .map(WireColour::of)
                  .filter(c -> !taken.contains(c))
                  .findFirst()
                  .orElse(WireColour.of(WireColour.Hue.GY));
          cores.add(new Core(from, to, colour, Optional.empty()));
          return l.withCores(cores)
              .withCable(l.cable().withCores(Math.max(l.cable().cores(), cores.size())));
        });
  }

  private void grounds() {
    List<Place> here = grounds(Where.FROM);
    List<Place> there = grounds(Where.TO);
    if (here.isEmpty() || there.isEmpty()) {
      return;
    }
    boolean met =
        here.stream().anyMatch(g -> subject.nets().of(g).stream().anyMatch(there::contains));
    if (!met) {
      Finding finding =
          subject.found(
              "LD-03",
              Severity.STOP,
              List.of(here.get(0), there.get(0)),
              "ground does not arrive",
              subject.words(here.get(0))
                  + " and "
                  + subject.words(there.get(0))
                  + " are not joined, and without ground nothing works");
      findings.add(bridged(finding, here.get(0), there.get(0).pin()));
    }
  }

  private List<Place> grounds(Where where) {
    return subject.ends().pins(where).stream()
        .filter(pin -> subject.ends().at(where, pin).nature() == Nature.GROUND)
        .map(pin -> new Place(where, pin))
        .toList();
  }

  /** A host that knows a pad by pins that are forced low must find them where it looks. */
  private void identity() {
    if (!(lead.from() instanceof End.Plug from) || !(lead.to() instanceof End.Plug to)) {
      return;
    }
    Optional<Pinout> one = subject.plugs().pinout(from);
    Optional<Pinout> other = subject.plugs().pinout(to);
    if (one.isEmpty() || other.isEmpty() || !one.get().id().equals(other.get().id())) {
      return;
    }
    Set<String> wanted = one.get().identity();
    Set<String> there = new HashSet<>();
    wanted.forEach(pin -> there.addAll(subject.nets().carried(pin)));
    if (!wanted.isEmpty() && !there.equals(wanted)) {
      stop(
          "LD-20",
          wanted.stream().sorted().map(pin -> new Place(Where.FROM, pin)).toList(),
          "the host will not know the pad",
          "It knows the pad by pins "
              + sorted(wanted)
              + ", which are low together while select is low; through this lead they arrive at "
              + (there.isEmpty() ? "no pin" : "pin " + sorted(there))
              + ". A half turn or a mirror of left and right keeps them; a quarter turn needs a"
              + " board between");
    }
  }

  private static String sorted(Set<String> pins) {
    return pins.stream().sorted().collect(Collectors.joining(" and "));
  }

  // ---- plugs and cable

  private void mates() {
    for (Where where : Where.values()) {
      if (!(lead.end(where) instanceof End.Plug plug) || plug.beyond() == Beyond.OPEN) {
        continue;
      }
      Optional<ConnectorKind> kind = subject.plugs().connector(plug.connector());
      if (kind.isEmpty() || kind.get().bare()) {
        continue;
      }
      var theirs =
          plug.beyond() == Beyond.PAD ? kind.get().padGender() : kind.get().padGender().other();
      if (plug.gender() == theirs) {
        Finding finding =
            subject.found(
                "LD-12",
                Severity.STOP,
                List.of(),
                plug.gender().words() + " meet " + theirs.words() + " at the " + where.words(),
                "The "
                    + plug.beyond().words()
                    + " usually has "
                    + theirs.words()
                    + " there, so this end needs "
                    + theirs.other().words()
                    + "; look at the real plug first. Changing it does not change the numbers, but"
                    + " it mirrors the face");
        End flipped =
            new End.Plug(
                plug.connector(), theirs.other(), plug.beyond(), plug.pinout(), plug.wired());
        findings.add(
            subject.mended(
                finding,
                "Take " + theirs.other().words() + " at the " + where.words(),
                l -> l.withEnd(where, flipped)));
      }
    }
  }

  private void cable() {
    int used = lead.cores().size();
    int cores = lead.cable().cores();
    if (used > cores) {
      findings.add(
          subject.cableMended(
              subject.found(
                  "LD-13",
                  Severity.STOP,
                  List.of(),
                  "the cable has too few cores",
                  used + " are needed and it has " + cores + "; take a cable of " + (used + 1)),
              "Plan for " + (used + 1) + " cores",
              cable -> cable.withCores(used + 1)));
    } else if (used == cores && used > 1) {
      findings.add(
          subject.cableMended(
              subject.found(
                  "LD-09",
                  Severity.LOOK,
                  List.of(),
                  "the cable has " + cores + " cores and no spare",
                  "A slip with the knife costs the cable; a spare core saves it"),
              "Plan for " + (used + 1) + " cores",
              cable -> cable.withCores(used + 1)));
    }
    gauges();
    current();
  }

  private void gauges() {
    int awg = lead.cable().gaugeAwg();
    for (Where where : Where.values()) {
      if (!(lead.end(where) instanceof End.Plug plug)) {
        continue;
      }
      Optional<ConnectorKind> kind = subject.plugs().connector(plug.connector());
      if (kind.isEmpty()) {
        continue;
      }
      Wired wired = kind.get().wired(plug.wired());
      if (plug.wired().isPresent() && wired.how() != plug.wired().get()) {
        stop(
            "LD-15",
            List.of(),
            "no " + plug.wired().get().words() + " at the " + where.words(),
            kind.get().name()
                + " is wired by "
                + kind.get().wired().stream()
                    .map(w -> w.how().words())
                    .collect(Collectors.joining(" or ")));
      } else if (!wired.takes(awg)) {
        int fits = Math.max(wired.thickestAwg(), Math.min(wired.thinnestAwg(), awg));
        findings.add(
            subject.cableMended(
                subject.found(
                    "LD-15",
                    Severity.STOP,
                    List.of(),
                    "the " + where.words() + " does not take " + awg + " AWG",
                    kind.get().name()
                        + ", "
                        + wired.how().words()
                        + ", takes "
                        + wired.thickestAwg()
                        + " to "
                        + wired.thinnestAwg()
                        + " AWG"),
                "Take " + fits + " AWG",
                cable -> cable.withGauge(fits)));
      }
    }
  }

  /** What the pad takes flows through the supply and back through ground. */
  private void current() {
    for (Where where : Where.values()) {
      if (!(lead.end(where) instanceof End.Plug plug) || plug.beyond() != Beyond.PAD) {
        continue;
      }
      Optional<Pinout> pinout = subject.plugs().pinout(plug).filter(p -> p.padTakesA() > 0);
      if (pinout.isEmpty()) {
        continue;
      }
      double amps = pinout.get().padTakesA();
      double length = lead.cable().lengthMm();
      int awg = lead.cable().gaugeAwg();
      double lost = 2 * Wire.ofAwg(awg).ohm(length) * amps;
      if (lost <= MOST_LOST * pinout.get().volts()) {
        continue;
      }
      int enough = awg;
      while (enough > 16
          && 2 * Wire.ofAwg(enough).ohm(length) * amps > MOST_LOST * pinout.get().volts()) {
        enough--;
      }
      int gauge = enough;
      findings.add(
          subject.cableMended(
              subject
                  .found(
                      "LD-14",
                      Severity.STOP,
                      List.of(),
                      "the cores are too thin",
                      String.format(
                          java.util.Locale.ROOT,
                          "%.0f mA through supply and ground of %d AWG lose %.2f V of %.1f V on the way;"
                              + " 5 %% is the most. Take %d AWG or a shorter lead",
                          amps * 1000,
                          awg,
                          lost,
                          pinout.get().volts(),
                          gauge))
                  .showing(Wire.ofAwg(awg).working(length)),
              "Take " + gauge + " AWG",
              cable -> cable.withGauge(gauge)));
    }
  }

  private void colours() {
    Map<WireColour, List<Core>> alike = new HashMap<>();
    for (Core core : lead.cores()) {
      alike.computeIfAbsent(core.colour(), c -> new ArrayList<>()).add(core);
    }
    alike.entrySet().stream()
        .filter(entry -> entry.getValue().size() > 1)
        .sorted(Map.Entry.comparingByKey())
        .forEach(
            entry ->
                findings.add(
                    subject.mended(
                        subject.found(
                            "LD-16",
                            Severity.LOOK,
                            entry.getValue().stream()
                                .map(core -> new Place(Where.FROM, core.from()))
                                .toList(),
                            "two cores are " + entry.getKey().words(),
                            "Cores "
                                + entry.getValue().stream()
                                    .map(Core::words)
                                    .collect(Collectors.joining(" and "))
                                + " look alike: ring them out before each joint, or give them other"
                                + " colours"),
                        "Give each core a colour of its own",
                        LeadChecks::recoloured)));
  }

  private static Lead recoloured(Lead lead) {
    List<Optional<WireColour>> kept = new ArrayList<>();
    Set<WireColour> seen = new HashSet<>();
    for (Core core : lead.cores()) {
      kept.add(seen.add(core.colour()) ? Optional.of(core.colour()) : Optional.empty());
    }
    List<WireColour> colours =
        kumite.lead.Making.colours(
            kept, kept.stream().map(c -> Optional.<Pinout.Pin>empty()).toList());
    List<Core> cores = new ArrayList<>();
    for (int i = 0; i < colours.size(); i++) {
      Core core = lead.cores().get(i);
      cores.add(new Core(core.from(), core.to(), colours.get(i), core.role()));
    }
    return lead.withCores(cores);
  }

  // ---- parts

  private void parts() {
    for (LeadPart part : lead.parts()) {
      List<Place> places = List.copyOf(part.places());
      if (part instanceof LeadPart.Series series) {
        series(series);
      } else if (part.hanging().isPresent()) {
        hanging(part, part.hanging().get().at());
      } else if (part instanceof LeadPart.Bridge && places.stream().noneMatch(this::wired)) {
        look(
            "LD-18",
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
          "LD-18",
          List.of(new Place(Where.FROM, series.from())),
          "a resistor stands in a supply or ground core",
          series.words()
              + " takes volts from everything behind it. Put it into the core of a signal");
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
          "LD-18",
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
          "LD-18",
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

  // ---- advice

  /** Clones swap colours: which pair to suspect, and in which order. */
  private void suspects() {
    for (Where where : Where.values()) {
      if (!(lead.end(where) instanceof End.Plug plug) || !needs(where)) {
        continue;
      }
      Pinout pinout = subject.plugs().pinout(plug).orElseThrow();
      Optional<String> supply = pin(pinout, Nature.TAKES_SUPPLY);
      Optional<String> ground = pin(pinout, Nature.GROUND);
      List<String> heard =
          pinout.pins().stream()
              .filter(p -> p.flow().at(Beyond.PAD) == Nature.LISTENS)
              .map(Pinout.Pin::pin)
              .toList();
      if (plug.beyond() != Beyond.PAD || supply.isEmpty() || ground.isEmpty()) {
        continue;
      }
      List<Place> places = List.of(new Place(where, supply.get()), new Place(where, ground.get()));
      look(
          "LD-17",
          places,
          "colours of a cut cable are not to be trusted",
          "If the pad is dead, unplug it and ring out first "
              + subject.words(places.get(0))
              + " and "
              + subject.words(places.get(1))
              + ", which clones swap"
              + (heard.size() > 1 ? "; then pins " + heard.get(0) + " and " + heard.get(1) : "")
              + ". Do not swap supply and ground by trial: that can end the pad");
    }
  }

  private static Optional<String> pin(Pinout pinout, Nature nature) {
    return pinout.pins().stream()
        .filter(p -> p.flow().at(Beyond.PAD) == nature)
        .map(Pinout.Pin::pin)
        .findFirst();
  }

  private void told() {
    Told told = Told.of(lead, subject.plugs());
    if (told.turn().filter(t -> !t.equals(Turn.PLAIN)).isPresent() || !told.moved().isEmpty()) {
      findings.add(
          subject.found(
              "LD-02",
              told.moved().isEmpty() ? Severity.FINE : Severity.LOOK,
              List.of(),
              told.moved().isEmpty() ? "what it does" : "functions arrive as others",
              "It " + told.words() + (told.moved().isEmpty() ? "" : "; is that meant?")));
    }
  }
}
