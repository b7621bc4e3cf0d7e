package kumite.codec;

import java.util.IdentityHashMap;
import java.util.Map;
import kumite.json.Key;
import kumite.json.Misfit;
import kumite.json.Topic;

/**
 * An object that is being read: each key is read once, when it is asked for first.
 *
 * @param <R> the record that it becomes
 */
public final class In<R> {
  private final Key key;
  private final Map<Field<R, ?>, Object> read = new IdentityHashMap<>();

  In(Key key) {
    this.key = key;
  }

  /**
   * {@return what stands at a key}
   *
   * @throws Misfit if it does not fit
   */
  @SuppressWarnings("unchecked") // put in under the same field
  public <V> V get(Field<R, V> field) {
    if (!read.containsKey(field)) {
      read.put(field, field.read(key));
    }
    return (V) read.get(field);
  }

  /** {@return whether the key stands there} */
  public boolean has(Field<R, ?> field) {
    return key.has(field.name());
  }

  /** {@return what is known around the object, and by its own keys} */
  public <T> T known(Topic<T> topic) {
    return key.here().scope().get(topic);
  }

  /** {@return a misfit at a key} */
  public Misfit misfit(Field<R, ?> field, String what, String remedy) {
    return key.misfit(field.name(), what, remedy);
  }
}
