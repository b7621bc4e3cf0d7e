package kumite.loom;

import kumite.kind.Terminal;
import kumite.name.ContactId;

/**
 * The terminal of one contact; {@link PinPlan#why} tells the reasons.
 *
 * @param contact the contact
 * @param terminal its terminal
 * @param locked whether the builder held it there
 * @param straightMm straight distance from control to terminal, seen from above
 */
public record PinChoice(ContactId contact, Terminal terminal, boolean locked, double straightMm) {}
