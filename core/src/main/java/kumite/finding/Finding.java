package kumite.finding;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;
import kumite.build.Aspect;
import kumite.name.ControlId;
import kumite.working.Working;

/**
 * One checked statement about a build.
 *
 * @param code what it says, in short
 * @param severity what it asks, one of those that its code may ask
 * @param about what it is about; empty for the build as a whole
 * @param title what is so, in a few words
 * @param detail the reason and the numbers, in a sentence or two
 * @param working how its number came about, where it has one
 * @param drawn the place on a drawing it speaks of, where it does, so that it can be drawn
 * @param ofMany what is said of many such findings after their number, such as {@code controls are
 *     out of reach}; empty where each is told by itself
 * @param whose the seat or profile it is told of; empty where that is plain
 * @param remedy what may mend it; does not count when findings are compared
 */
public record Finding(
    Code code,
    Severity severity,
    List<Subject> about,
    String title,
    String detail,
    Optional<Working> working,
    Optional<Drawn> drawn,
    Optional<String> ofMany,
    String whose,
    Remedy remedy) {

  public Finding {
    Objects.requireNonNull(code, "code");
    if (!code.severities().contains(severity)) {
      throw new IllegalArgumentException(code.text() + " never says " + severity.word());
    }
    about = List.copyOf(about);
    Objects.requireNonNull(title, "title");
    Objects.requireNonNull(detail, "detail");
    Objects.requireNonNull(working, "working");
    Objects.requireNonNull(drawn, "drawn");
    Objects.requireNonNull(ofMany, "ofMany");
    Objects.requireNonNull(remedy, "remedy");
  }

  /**
   * {@return a finding of a code that always asks the same}
   *
   * @throws IllegalArgumentException if the code may ask several things
   */
  public static Finding of(Code code, List<Subject> about, String title, String detail) {
    if (code.severities().size() > 1) {
      throw new IllegalArgumentException(code.text() + " may say several things: say which");
    }
    return of(code, code.severities().iterator().next(), about, title, detail);
  }

  /** {@return a finding without working, place or repair} */
  public static Finding of(
      Code code, Severity severity, List<Subject> about, String title, String detail) {
    return new Finding(
        code,
        severity,
        about,
        title,
        detail,
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        "",
        Remedy.NONE);
  }

  public Finding showing(Working newWorking) {
    return copy(Optional.of(newWorking), drawn, ofMany, remedy);
  }

  /** The same with the place on a drawing it speaks of. */
  public Finding at(Drawn place) {
    return copy(working, Optional.of(place), ofMany, remedy);
  }

  /** The same, joined with others of its kind where there are many. */
  public Finding ofMany(String words) {
    return copy(working, drawn, Optional.of(words), remedy);
  }

  private Finding copy(
      Optional<Working> newWorking,
      Optional<Drawn> newDrawn,
      Optional<String> newOfMany,
      Remedy newRemedy) {
    return new Finding(
        code, severity, about, title, detail, newWorking, newDrawn, newOfMany, whose, newRemedy);
  }

  /** The same with one more repair to try, after those it has. */
  public Finding mendedBy(Supplier<Optional<Fix>> proposal) {
    return copy(working, drawn, ofMany, remedy.or(proposal));
  }

  public Finding mendedBy(Optional<Fix> proposal) {
    return proposal.map(this::mendedBy).orElse(this);
  }

  public Finding mendedBy(Fix proposal) {
    Optional<Fix> known = Optional.of(proposal);
    return mendedBy(() -> known);
  }

  /**
   * The same told of one seat or profile: its title says of which, and its repair is made there,
   * whatever is looked at.
   */
  public Finding told(String newWhose, Aspect aspect) {
    return new Finding(
        code,
        severity,
        about,
        newWhose + title,
        detail,
        working,
        drawn,
        ofMany,
        newWhose + whose,
        remedy.at(aspect));
  }

  /** The same told of one part of the build, its repairs made into repairs of the whole. */
  public Finding ofPart(String newWhose, java.util.function.UnaryOperator<Fix> whole) {
    return new Finding(
        code,
        severity,
        about,
        newWhose + title,
        detail,
        working,
        drawn,
        ofMany,
        newWhose + whose,
        remedy.by(whole));
  }

  /** The same told of one layer: another finding of its code and contact on another one differs. */
  public Finding on(String layer) {
    return new Finding(code, severity, about, title, detail, working, drawn, ofMany, layer, remedy);
  }

  public Finding unmended() {
    return copy(working, drawn, ofMany, Remedy.NONE);
  }

  public Finding judgedBy(Remedy.Judge judge) {
    return remedy == Remedy.NONE ? this : copy(working, drawn, ofMany, remedy.judgedBy(judge));
  }

  /**
   * {@return a repair that takes this finding away and brings no stop, if one is known}
   *
   * <p>Worked out and tried when it is asked for first; that costs about a re-check for each
   * proposal.
   */
  public Optional<Fix> fix() {
    return fix(() -> true);
  }

  /**
   * {@return the same, broken off between two proposals once it is no longer wanted}
   *
   * <p>What was broken off is not known, and is worked out when it is asked for again.
   */
  public Optional<Fix> fix(BooleanSupplier wanted) {
    return remedy.fix(this, wanted);
  }

  /** {@return whether the fix has been worked out, so that asking for it costs nothing} */
  public boolean fixKnown() {
    return remedy.known();
  }

  /**
   * {@return whether another finding says the same, of all this one is about or of a part of it}
   */
  public boolean same(Finding other) {
    return code.equals(other.code)
        && whose.equals(other.whose)
        && (about.containsAll(other.about) || other.about.containsAll(about));
  }

  /** {@return where it is dealt with} */
  public Station station() {
    return code.station();
  }

  /** {@return what it is about, as files and the command line call it} */
  public List<String> named() {
    return about.stream().map(Subject::text).toList();
  }

  /** {@return whether it is about the lead, cable or ring-out of that name} */
  public boolean isAboutLead(String name) {
    return about.contains(new Subject.OfLead(name)) || about.contains(new Subject.OfRingOut(name));
  }

  /** {@return whether it is about the control or one of its contacts} */
  public boolean isAbout(ControlId control) {
    return about.stream().anyMatch(subject -> subject.concerns(control));
  }
}
