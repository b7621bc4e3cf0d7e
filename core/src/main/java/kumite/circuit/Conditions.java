package kumite.circuit;

import java.util.IdentityHashMap;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.ToDoubleFunction;
import kumite.component.Component;
import kumite.name.ContactId;
import org.jspecify.annotations.Nullable;

/**
 * How hands, terminals and the outputs of registers stand at one moment. Not thread-safe: what the
 * select lines of multiplexers pick is kept once it is known.
 */
final class Conditions {
  private final ToDoubleFunction<ContactId> hands;
  private final Map<String, Boolean> drives;
  private final Map<Component.Register, Boolean> outs;
  private final Map<Component.Multiplexer, Integer> picked = new IdentityHashMap<>();

  /**
   * @param hands how far each contact is moved, 0 to 1
   * @param drives terminals that are driven, by name: true high, false low
   */
  Conditions(ToDoubleFunction<ContactId> hands, Map<String, Boolean> drives) {
    this(hands, drives, Map.of());
  }

  private Conditions(
      ToDoubleFunction<ContactId> hands,
      Map<String, Boolean> drives,
      Map<Component.Register, Boolean> outs) {
    this.hands = hands;
    this.drives = drives;
    this.outs = outs;
  }

  /** Nothing held, nothing driven. */
  static Conditions of(ToDoubleFunction<ContactId> hands) {
    return new Conditions(hands, Map.of());
  }

  Conditions driving(String terminal, boolean high) {
    Map<String, Boolean> next = new TreeMap<>(drives);
    next.put(terminal, high);
    return new Conditions(hands, next, outs);
  }

  /** {@return the same with a register's output driven} */
  Conditions sending(Component.Register register, boolean high) {
    Map<Component.Register, Boolean> next = new IdentityHashMap<>(outs);
    next.put(register, high);
    return new Conditions(hands, drives, next);
  }

  ToDoubleFunction<ContactId> hands() {
    return hands;
  }

  Map<String, Boolean> drives() {
    return drives;
  }

  /** {@return whether any register drives its output now} */
  boolean sends() {
    return !outs.isEmpty();
  }

  /**
   * {@return how a register drives its output; null, within this package only, where it does not}
   */
  @Nullable Boolean out(Component.Register register) {
    return outs.isEmpty() ? null : outs.get(register);
  }

  /** What multiplexers pick, once it is known; only the network asks. */
  Map<Component.Multiplexer, Integer> picked() {
    return picked;
  }

  boolean held(ContactId contact) {
    return hands.applyAsDouble(contact) >= 0.5;
  }
}
