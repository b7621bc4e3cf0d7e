package kumite.circuit;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Function;

/**
 * Circuits that were solved before, so that equal ones are solved once, across edits too. Owned by
 * whoever works out builds; bounded: what was not asked for longest is forgotten. Safe to share
 * between threads.
 */
public final class Solves {
  private static final int MOST = 20_000;

  private final Map<Object, Object> known =
      new LinkedHashMap<>(256, 0.75f, true) {
        private static final long serialVersionUID = 1;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Object, Object> eldest) {
          return size() > MOST;
        }
      };

  /** {@return the operating point of a circuit} */
  OperatingPoint of(Circuit circuit) {
    return recall(circuit, Circuit::operatingPoint);
  }

  /** {@return what follows from a key, worked out when it is asked for first} */
  public <K, V> V recall(K key, Function<K, V> work) {
    synchronized (known) {
      @SuppressWarnings("unchecked")
      V value = (V) known.get(key);
      if (value != null) {
        return value;
      }
    }
    V value = work.apply(key);
    synchronized (known) {
      known.put(key, value);
    }
    return value;
  }
}
