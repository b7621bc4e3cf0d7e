package kumite.verdict;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Supplier;
import kumite.build.Aspect;
import kumite.panel.Gap;
import kumite.working.Working;

/**
 * One checked statement about a build.
 *
 * @param code its code, listed in docs/findings.md
 * @param severity what it asks
 * @param station where it is dealt with
 * @param about ids of the controls or contacts it is about; empty for the build as a whole
 * @param title what is so, in a few words
 * @param detail the reason and the numbers, in a sentence or two
 * @param working how its number came about, where it has one
 * @param gap the gap it speaks of, where it does, so that it can be drawn
 * @param ofMany what is said of many such findings after their number, such as {@code controls are
 *     out of reach}; empty where each is told by itself
 * @param whose the seat or profile it is told of; empty where that is plain
 * @param remedy what may mend it; does not count when findings are compared
 */
public record Finding(
    String code,
    Severity severity,
    Station station,
    List<String> about,
    String title,
    String detail,
    Optional<Working> working,
    Optional<Gap> gap,
    Optional<String> ofMany,
    String whose,
    Remedy remedy) {

  public Finding {
    Objects.requireNonNull(code, "code");
    Objects.requireNonNull(severity, "severity");
    Objects.requireNonNull(station, "station");
    about = List.copyOf(about);
    Objects.requireNonNull(title, "title");
    Objects.requireNonNull(detail, "detail");
    Objects.requireNonNull(working, "working");
    Objects.requireNonNull(gap, "gap");
    Objects.requireNonNull(ofMany, "ofMany");
    Objects.requireNonNull(remedy, "remedy");
  }

  static Finding of(
      String code,
      Severity severity,
      Station station,
      List<String> about,
      String title,
      String detail) {
    return new Finding(
        code,
        severity,
        station,
        about,
        title,
        detail,
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        "",
        Remedy.NONE);
  }

  Finding showing(Working newWorking) {
    return copy(Optional.of(newWorking), gap, ofMany, remedy);
  }

  Finding drawn(Gap newGap) {
    return copy(working, Optional.of(newGap), ofMany, remedy);
  }

  /** The same, joined with others of its kind where there are many. */
  Finding ofMany(String words) {
    return copy(working, gap, Optional.of(words), remedy);
  }

  private Finding copy(
      Optional<Working> newWorking,
      Optional<Gap> newGap,
      Optional<String> newOfMany,
      Remedy newRemedy) {
    return new Finding(
        code,
        severity,
        station,
        about,
        title,
        detail,
        newWorking,
        newGap,
        newOfMany,
        whose,
        newRemedy);
  }

  /** The same with one more repair to try, after those it has. */
  Finding mendedBy(Supplier<Optional<Fix>> proposal) {
    return copy(working, gap, ofMany, remedy.or(proposal));
  }

  Finding mendedBy(Optional<Fix> proposal) {
    return proposal.map(this::mendedBy).orElse(this);
  }

  Finding mendedBy(Fix proposal) {
    Optional<Fix> known = Optional.of(proposal);
    return mendedBy(() -> known);
  }

  /**
   * The same told of one seat or profile: its title says of which, and its repair is made there,
   * whatever is looked at.
   */
  Finding told(String newWhose, Aspect aspect) {
    return new Finding(
        code,
        severity,
        station,
        about,
        newWhose + title,
        detail,
        working,
        gap,
        ofMany,
        newWhose + whose,
        remedy.at(aspect));
  }

  /** The same told of one layer: another finding of its code and contact on another one differs. */
  Finding on(String layer) {
    return new Finding(
        code, severity, station, about, title, detail, working, gap, ofMany, layer, remedy);
  }

  Finding unmended() {
    return copy(working, gap, ofMany, Remedy.NONE);
  }

  Finding judgedBy(Remedy.Judge judge) {
    return remedy == Remedy.NONE ? this : copy(working, gap, ofMany, remedy.judgedBy(judge));
  }

  /**
   * {@return a repair that takes this finding away and brings no stop, if one is known}
   *
   * <p>Worked out and tried when it is asked for first; that costs about a re-check for each
   * proposal.
   */
  public Optional<Fix> fix() {
    return remedy.fix(this);
  }

  /** {@return whether the fix has been worked out, so that asking for it costs nothing} */
  public boolean fixKnown() {
    return remedy.known();
  }

  /**
   * {@return whether another finding says the same, of all this one is about or of a part of it}
   */
  boolean same(Finding other) {
    return code.equals(other.code)
        && whose.equals(other.whose)
        && (about.containsAll(other.about) || other.about.containsAll(about));
  }

  /** {@return whether it is about the lead, cable or ring-out of that name} */
  public boolean isAboutLead(String name) {
    return about.contains(LeadSubject.about(name)) || about.contains("ring-out " + name);
  }

  /** {@return whether it is about the control or one of its contacts} */
  public boolean isAbout(String controlId) {
    return about.stream().anyMatch(id -> id.equals(controlId) || id.startsWith(controlId + "."));
  }
}
