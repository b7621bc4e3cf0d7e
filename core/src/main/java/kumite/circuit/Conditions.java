package kumite.circuit;

import java.util.Map;
import java.util.TreeMap;
import java.util.function.ToDoubleFunction;
import kumite.name.ContactId;

/**
 * How hands and terminals stand at one moment.
 *
 * @param hands how far each contact is moved, 0 to 1
 * @param drives terminals that are driven, by name: true high, false low
 */
record Conditions(ToDoubleFunction<ContactId> hands, Map<String, Boolean> drives) {
  /** Nothing held, nothing driven. */
  static Conditions of(ToDoubleFunction<ContactId> hands) {
    return new Conditions(hands, Map.of());
  }

  Conditions driving(String terminal, boolean high) {
    Map<String, Boolean> next = new TreeMap<>(drives);
    next.put(terminal, high);
    return new Conditions(hands, next);
  }

  boolean held(ContactId contact) {
    return hands.applyAsDouble(contact) >= 0.5;
  }
}
