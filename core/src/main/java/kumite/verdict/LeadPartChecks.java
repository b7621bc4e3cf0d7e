package kumite.verdict;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import kumite.lead.Lead;
import kumite.lead.LeadPart;
import kumite.lead.LeadPart.Place;
import kumite.lead.Nature;
import kumite.lead.Where;

/** Whether the parts of a lead are where they do what they are for. */
final class LeadPartChecks {
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
    return checks.findings;
  }

  private void stop(String code, List<Place> places, String title, String detail) {
    findings.add(subject.found(code, Severity.STOP, places, title, detail));
  }

  private void look(String code, List<Place> places, String title, String detail) {
    findings.add(subject.found(code, Severity.LOOK, places, title, detail));
  }

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
}
