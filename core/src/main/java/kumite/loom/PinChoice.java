package kumite.loom;

import java.util.List;
import kumite.build.ContactId;
import kumite.parts.Terminal;

/**
 * The terminal of one contact, and why.
 *
 * @param contact the contact
 * @param terminal its terminal
 * @param locked whether the builder held it there
 * @param straightMm straight distance from control to terminal, seen from above
 * @param reasons why this terminal, most telling first
 */
public record PinChoice(
    ContactId contact, Terminal terminal, boolean locked, double straightMm, List<String> reasons) {
  public PinChoice {
    reasons = List.copyOf(reasons);
  }
}
