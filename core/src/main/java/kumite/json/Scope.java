package kumite.json;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;

/** What is known around a place of a document. Immutable; each topic is worked out when asked. */
public final class Scope {
  /** Nothing is known. */
  public static final Scope NONE = new Scope(Map.of());

  private final Map<Topic<?>, Supplier<?>> known;

  private Scope(Map<Topic<?>, Supplier<?>> known) {
    this.known = known;
  }

  /** {@return the same with one topic more, or another answer to it} */
  public <T> Scope with(Topic<T> topic, T value) {
    return withLater(topic, () -> value);
  }

  /** {@return the same with a topic that is worked out once, when it is asked for first} */
  public <T> Scope withLater(Topic<T> topic, Supplier<? extends T> value) {
    Map<Topic<?>, Supplier<?>> next = new HashMap<>(known);
    next.put(topic, new Once<>(value));
    return new Scope(next);
  }

  /** Asked by one thread: whoever reads the document. */
  private static final class Once<T> implements Supplier<T> {
    private final Supplier<? extends T> from;
    private Optional<T> value = Optional.empty();

    Once(Supplier<? extends T> from) {
      this.from = from;
    }

    @Override
    public T get() {
      if (value.isEmpty()) {
        value = Optional.of(from.get());
      }
      return value.get();
    }
  }

  /**
   * {@return what is known of a topic}
   *
   * @throws IllegalStateException if nobody said; whoever starts to read has to
   */
  @SuppressWarnings("unchecked") // put in under the same topic
  public <T> T get(Topic<T> topic) {
    Supplier<?> value = known.get(topic);
    if (value == null) {
      throw new IllegalStateException("nothing is known here of the " + topic);
    }
    return (T) value.get();
  }
}
