package kumite.build;

import java.util.Collections;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import kumite.name.ControlId;
import kumite.name.SeatId;

/**
 * What was decided at each station, by the key of its part. What is as usual is not in it, so that
 * builds that say the same are equal.
 */
public final class Parts {
  /** Nothing was decided yet. */
  public static final Parts USUAL = new Parts(new TreeMap<>());

  private record Held<T extends Decided<T>>(Part<T> part, T value) {
    Held<?> changed(Change change) {
      return new Held<>(part, change.of(value));
    }

    boolean usual() {
      return value.equals(part.usual());
    }
  }

  private interface Change {
    <T extends Decided<T>> T of(T value);
  }

  private final Map<String, Held<?>> held;

  private Parts(Map<String, Held<?>> held) {
    this.held = Collections.unmodifiableMap(held);
  }

  /** {@return what was decided, or what is usual} */
  @SuppressWarnings("unchecked") // a value is held under the key of the part that it was given for
  public <T extends Decided<T>> T get(Part<T> part) {
    Held<?> there = held.get(part.key());
    return there == null ? part.usual() : (T) there.value();
  }

  /** {@return the same with another decision} */
  public <T extends Decided<T>> Parts with(Part<T> part, T value) {
    if (get(part) == value) {
      return this;
    }
    Map<String, Held<?>> next = new TreeMap<>(held);
    Held<T> fresh = new Held<>(part, value);
    if (fresh.usual()) {
      next.remove(part.key());
    } else {
      next.put(part.key(), fresh);
    }
    return new Parts(next);
  }

  /** {@return the same without what is said of a control that is taken out} */
  Parts without(ControlId gone) {
    return changed(
        new Change() {
          @Override
          public <T extends Decided<T>> T of(T value) {
            return value.without(gone);
          }
        });
  }

  /** {@return the same less what names a seat or a control that there is not} */
  Parts within(Set<SeatId> seats, Set<ControlId> controls) {
    return changed(
        new Change() {
          @Override
          public <T extends Decided<T>> T of(T value) {
            return value.within(seats, controls);
          }
        });
  }

  private Parts changed(Change change) {
    Map<String, Held<?>> next = new TreeMap<>();
    boolean same = true;
    for (Map.Entry<String, Held<?>> entry : held.entrySet()) {
      Held<?> fresh = entry.getValue().changed(change);
      same &= fresh.value() == entry.getValue().value();
      if (!fresh.usual()) {
        next.put(entry.getKey(), fresh);
      }
    }
    return same ? this : new Parts(next);
  }

  @Override
  public boolean equals(Object other) {
    return this == other || other instanceof Parts parts && parts.held.equals(held);
  }

  @Override
  public int hashCode() {
    return held.hashCode();
  }

  @Override
  public String toString() {
    return held.toString();
  }
}
