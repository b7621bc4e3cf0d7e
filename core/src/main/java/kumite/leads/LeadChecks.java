package kumite.leads;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.kind.WireColour;
import kumite.lead.AtPin;
import kumite.lead.Beyond;
import kumite.lead.Core;
import kumite.lead.End;
import kumite.lead.Function;
import kumite.lead.Lead;
import kumite.lead.LeadPart.Place;
import kumite.lead.Nature;
import kumite.lead.Pinout;
import kumite.lead.Plugs;
import kumite.lead.Told;
import kumite.lead.Turn;
import kumite.lead.Where;

/** What is wrong with a lead, and what it does. */
public final class LeadChecks {
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
    checks.findings.addAll(LeadCableChecks.of(subject));
    checks.findings.addAll(LeadPartChecks.of(subject));
    checks.suspects();
    checks.roles();
    checks.carried();
    checks.told();
    return checks.findings;
  }

  /** What is so of the cable alone, for one whose nets the loom's checks judge. */
  static List<Finding> ofCable(LeadSubject subject) {
    LeadChecks checks = new LeadChecks(subject);
    checks.pins();
    checks.findings.addAll(LeadCableChecks.of(subject));
    return checks.findings;
  }

  private void stop(Code code, List<Place> places, String title, String detail) {
    findings.add(subject.found(code, Severity.STOP, places, title, detail));
  }

  private void look(Code code, List<Place> places, String title, String detail) {
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
              LeadCode.NO_SUCH_PIN,
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
        boolean heard =
            across.stream().anyMatch(other -> answers(at.nature(), other.nature()))
                || at.nature() == Nature.TAKES_SUPPLY && fedElsewhere(where)
                || at.nature() == Nature.GROUND && met();
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
              LeadCode.ALL_ARRIVES,
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
      if (fedElsewhere(place.end())) {
        return; // one of several supply pins is enough
      }
      boolean needs = needs(place.end());
      Optional<String> gives =
          subject.ends().pins(other).stream()
              .filter(p -> subject.ends().at(other, p).nature() == Nature.GIVES_SUPPLY)
              .findFirst();
      if (gives.isEmpty() && needs) {
        stop(
            LeadCode.HOST_GIVES_NONE,
            List.of(place),
            "the host gives no supply",
            where
                + " needs supply, and "
                + subject.ends().words(other)
                + " gives none. Feed the pad from elsewhere, or use a pad of contacts alone");
      } else if (needs) {
        Finding finding =
            subject.found(
                LeadCode.NO_SUPPLY,
                Severity.STOP,
                List.of(place),
                "supply does not arrive",
                where + " takes supply, but no core brings it from pin " + gives.get());
        findings.add(bridged(finding, place, gives.get()));
      } else if (gives.isPresent()) {
        look(
            LeadCode.ARRIVES_NOWHERE,
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
        LeadCode.ARRIVES_NOWHERE,
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

  private boolean fedElsewhere(Where where) {
    return subject.ends().pins(where).stream()
        .filter(pin -> subject.ends().at(where, pin).nature() == Nature.TAKES_SUPPLY)
        .anyMatch(
            pin ->
                subject.nets().across(new Place(where, pin)).stream()
                    .anyMatch(
                        p -> subject.ends().at(where.across(), p).nature() == Nature.GIVES_SUPPLY));
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
    if (!met()) {
      Finding finding =
          subject.found(
              LeadCode.NO_GROUND,
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

  private boolean met() {
    List<Place> there = grounds(Where.TO);
    return grounds(Where.FROM).stream()
        .anyMatch(g -> subject.nets().of(g).stream().anyMatch(there::contains));
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
          LeadCode.PAD_UNKNOWN,
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

  // ---- advice

  /** What a core is called is a function of some pinout, or of its end; else it tells nobody. */
  private void roles() {
    for (Core core : lead.cores()) {
      if (core.role().isEmpty() || subject.plugs().knows(core.role().get())) {
        continue;
      }
      Function role = Function.named(core.role().get());
      boolean there =
          java.util.Arrays.stream(Where.values())
              .map(w -> subject.ends().at(w, Lead.pin(core, w)).function())
              .anyMatch(Optional.of(role)::equals);
      if (!there) {
        look(
            LeadCode.ROLE_UNKNOWN,
            List.of(new Place(Where.FROM, core.from())),
            "no kind of plug knows \"" + core.role().get() + "\"",
            "The core from "
                + core.words()
                + " is called so, and nothing is judged by it. Use a function of a pinout, such as"
                + " up, fire 2, clock or ground, or take a pinout of your own that has it");
      }
    }
  }

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
      // Swapped by clones as well, and as easily taken for each other (common practice).
      String suspects =
          pinout.pins().stream()
              .filter(p -> Set.of("data", "clock").contains(p.function().words()))
              .map(p -> p.function().words() + " at pin " + p.pin())
              .collect(java.util.stream.Collectors.joining(" and "));
      if (plug.beyond() != Beyond.PAD || supply.isEmpty() || ground.isEmpty()) {
        continue;
      }
      List<Place> places = List.of(new Place(where, supply.get()), new Place(where, ground.get()));
      look(
          LeadCode.COLOURS_UNTRUSTED,
          places,
          "colours of a cut cable are not to be trusted",
          "If the pad is dead, unplug it and ring out first "
              + subject.words(places.get(0))
              + " and "
              + subject.words(places.get(1))
              + ", which clones swap"
              + (suspects.isEmpty() ? "" : "; then " + suspects)
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
    if (Told.mirrored(lead, subject.plugs())) {
      look(
          LeadCode.MIRRORED,
          List.of(),
          "one end is numbered from the wrong face",
          "Each pin goes to the one that is its mirror image. A plug's back is the mirror image of its"
              + " face, and a socket's face that of the plug's: count again by the faces that the chart"
              + " shows");
    }
    if (told.turn().filter(t -> !t.equals(Turn.PLAIN)).isPresent() || !told.moved().isEmpty()) {
      findings.add(
          subject.found(
              LeadCode.WHAT_IT_DOES,
              told.moved().isEmpty() ? Severity.FINE : Severity.LOOK,
              List.of(),
              told.moved().isEmpty() ? "what it does" : "functions arrive as others",
              told.moved().isEmpty()
                  ? "It " + told.words()
                  : "Through this lead: " + told.words() + "; is that meant?"));
    }
  }
}
