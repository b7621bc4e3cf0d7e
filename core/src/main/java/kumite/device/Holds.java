package kumite.device;

import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;
import kumite.name.ContactId;

/**
 * What hands do to the controls at one moment.
 *
 * @param travel how far each held contact is moved, 0 to 1; contacts not named are at rest at 0
 */
public record Holds(Map<ContactId, Double> travel) {
  /** No hand on anything. */
  public static final Holds NONE = new Holds(Map.of());

  public Holds {
    travel.forEach(
        (contact, value) -> {
          if (!(value >= 0 && value <= 1)) {
            throw new IllegalArgumentException(
                "travel of " + contact + " must be between 0 and 1 (inclusive), but was " + value);
          }
        });
    travel = Collections.unmodifiableMap(new TreeMap<>(travel));
  }

  /** {@return how far a contact is moved} */
  public double of(ContactId contact) {
    return travel.getOrDefault(contact, 0.0);
  }

  /** {@return the same holds with one contact moved; 0 lets it go} */
  public Holds with(ContactId contact, double value) {
    Map<ContactId, Double> next = new TreeMap<>(travel);
    if (value == 0) {
      next.remove(contact);
    } else {
      next.put(contact, value);
    }
    return new Holds(next);
  }
}
