package kumite.leads;

import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import kumite.build.Build;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Severity;
import kumite.finding.Subject;
import kumite.lead.Cable;
import kumite.lead.Core;
import kumite.lead.Ends;
import kumite.lead.Lead;
import kumite.lead.LeadNets;
import kumite.lead.LeadPart.Place;
import kumite.lead.Plugs;
import kumite.lead.Where;

/**
 * A lead that is judged.
 *
 * @param lead it
 * @param nets what it joins
 * @param ends what is at its pins
 * @param plugs the connectors it may use
 * @param edit how a change of it is made in its build; empty for a lead in a file of its own
 * @param cableEdit how a change of its cable is made there
 */
record LeadSubject(
    Lead lead,
    LeadNets nets,
    Ends ends,
    Plugs plugs,
    Optional<Edits> edit,
    Optional<CableEdits> cableEdit) {

  /** Makes a change of the lead a change of its build. */
  interface Edits {
    UnaryOperator<Build> of(UnaryOperator<Lead> change);
  }

  /** Makes a change of its cable a change of its build. */
  interface CableEdits {
    UnaryOperator<Build> of(UnaryOperator<Cable> change);
  }

  static LeadSubject alone(Lead lead, Plugs plugs) {
    return new LeadSubject(
        lead, LeadNets.of(lead), Ends.of(lead, plugs), plugs, Optional.empty(), Optional.empty());
  }

  /**
   * {@return whether it ends at a board, so that its cores are wires of that board's wiring and
   * judged with them}
   */
  boolean atBoard() {
    return lead.from() instanceof kumite.lead.End.OfBoard
        || lead.to() instanceof kumite.lead.End.OfBoard;
  }

  Finding found(Code code, Severity severity, List<Place> places, String title, String detail) {
    List<Subject> about = new java.util.ArrayList<>();
    about.add(new Subject.OfLead(lead.name()));
    places.forEach(place -> about.add(new Subject.Pin(lead.name(), place.words())));
    return Finding.of(code, severity, about, lead.name() + ": " + title, detail);
  }

  Finding mended(Finding finding, String label, UnaryOperator<Lead> change) {
    return edit.map(e -> finding.mendedBy(Fix.of(label, e.of(change)))).orElse(finding);
  }

  Finding cableMended(Finding finding, String label, UnaryOperator<Cable> change) {
    return cableEdit.map(e -> finding.mendedBy(Fix.of(label, e.of(change)))).orElse(finding);
  }

  /** {@return the fix that takes out the cores at a pin} */
  Finding parted(Finding finding, Place place) {
    List<Core> there =
        lead.cores().stream().filter(c -> Lead.pin(c, place.end()).equals(place.pin())).toList();
    return there.size() == 1
        ? mended(
            finding,
            "Take out the core from " + there.get(0).words(),
            l -> l.withCores(l.cores().stream().filter(c -> !c.equals(there.get(0))).toList()))
        : finding;
  }

  /** {@return a pin in words, such as {@code pin 3 (left, brown) of the first end}} */
  String words(Place place) {
    String function = ends.at(place.end(), place.pin()).words();
    Optional<Core> core =
        lead.cores().stream().filter(c -> Lead.pin(c, place.end()).equals(place.pin())).findFirst();
    return "pin "
        + place.pin()
        + " ("
        + function
        + core.map(c -> ", " + c.colour().words()).orElse("")
        + ") of the "
        + (place.end() == Where.FROM ? "first" : "other")
        + " end";
  }
}
