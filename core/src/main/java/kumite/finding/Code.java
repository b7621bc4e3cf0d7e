package kumite.finding;

import java.util.Set;

/**
 * What a finding says, in short: one constant for each, in the room that says it.
 *
 * <p>A code is never given away again: what is retired stays listed in docs/findings.md.
 */
public interface Code {
  /** {@return how it is written, two letters and two digits such as {@code PN-04}} */
  String text();

  /** {@return what a finding of this code may ask; one for most} */
  Set<Severity> severities();

  /** {@return where it is dealt with} */
  Station station();
}
