package kumite.device;

import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.ToDoubleFunction;
import kumite.name.ContactId;

/**
 * What hands do to the controls at one moment.
 *
 * @param travel how far each held contact is moved, 0 to 1; contacts not named are at rest
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

  /** {@return whether a hand is on a contact} */
  public boolean on(ContactId contact) {
    return travel.containsKey(contact);
  }

  /** {@return how far each contact is moved, where it rests while no hand is on it} */
  public ToDoubleFunction<ContactId> over(ToDoubleFunction<ContactId> rest) {
    return contact ->
        travel.containsKey(contact) ? travel.get(contact) : rest.applyAsDouble(contact);
  }

  /** {@return the same holds with one contact moved} */
  public Holds with(ContactId contact, double value) {
    Map<ContactId, Double> next = new TreeMap<>(travel);
    next.put(contact, value);
    return new Holds(next);
  }

  /** {@return the same holds with one contact let go} */
  public Holds without(ContactId contact) {
    Map<ContactId, Double> next = new TreeMap<>(travel);
    next.remove(contact);
    return new Holds(next);
  }
}
