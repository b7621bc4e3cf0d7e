package kumite.verdict;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
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
 * @param fix a repair, where there is one
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
    Optional<Fix> fix) {

  public Finding {
    Objects.requireNonNull(code, "code");
    Objects.requireNonNull(severity, "severity");
    Objects.requireNonNull(station, "station");
    about = List.copyOf(about);
    Objects.requireNonNull(title, "title");
    Objects.requireNonNull(detail, "detail");
    Objects.requireNonNull(working, "working");
    Objects.requireNonNull(gap, "gap");
    Objects.requireNonNull(fix, "fix");
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
        Optional.empty());
  }

  Finding showing(Working newWorking) {
    return new Finding(
        code, severity, station, about, title, detail, Optional.of(newWorking), gap, fix);
  }

  Finding drawn(Gap newGap) {
    return new Finding(
        code, severity, station, about, title, detail, working, Optional.of(newGap), fix);
  }

  Finding mendedBy(Optional<Fix> newFix) {
    return new Finding(code, severity, station, about, title, detail, working, gap, newFix);
  }

  Finding mendedBy(Fix newFix) {
    return mendedBy(Optional.of(newFix));
  }

  /** {@return whether it is about the control or one of its contacts} */
  public boolean isAbout(String controlId) {
    return about.stream().anyMatch(id -> id.equals(controlId) || id.startsWith(controlId + "."));
  }
}
