package kumite.finding;

import java.util.Arrays;
import java.util.Collections;
import java.util.EnumSet;
import java.util.Set;

/**
 * What a finding says, in short: one constant for each, in the room that says it.
 *
 * <p>A code is never given away again: what is retired stays listed in docs/findings.md.
 */
public interface Code {
  /** {@return what the constant was declared with} */
  Said said();

  /** {@return how it is written, two letters and two digits such as {@code PN-04}} */
  default String text() {
    return said().text();
  }

  /** {@return what a finding of this code may ask; one for most} */
  default Set<Severity> severities() {
    return said().severities();
  }

  /** {@return where it is dealt with} */
  default Station station() {
    return said().station();
  }

  /**
   * What a code is declared with.
   *
   * @param station where it is dealt with
   * @param text how it is written
   * @param severities what it may ask, in the order of {@link Severity}
   */
  record Said(Station station, String text, Set<Severity> severities) {
    public Said {
      severities = Collections.unmodifiableSet(EnumSet.copyOf(severities));
    }

    /** A code that may ask these, at least one. */
    public Said(Station station, String text, Severity... severities) {
      this(station, text, EnumSet.copyOf(Arrays.asList(severities)));
    }
  }
}
