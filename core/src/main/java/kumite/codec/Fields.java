package kumite.codec;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import kumite.json.Key;
import kumite.json.Scope;
import kumite.json.Topic;

/**
 * The keys of a record's object, in the order in which they are written.
 *
 * <pre>{@code
 * Fields<Rest> f = new Fields<>();
 * Field<Rest, String> name = f.need("name", Plain.LINE, Rest::name);
 * Field<Rest, Double> x = f.need("x_mm", Plain.number(PLACE), Rest::xMm);
 * Codec<Rest> codec = f.make(in -> new Rest(in.get(name), in.get(x)));
 * }</pre>
 *
 * @param <R> the record
 */
public final class Fields<R> {
  private final List<Field<R, ?>> fields = new ArrayList<>();
  private final List<Known<R, ?>> known = new ArrayList<>();

  private record Known<R, T>(Topic<T> topic, Function<In<R>, ? extends T> from) {
    Scope into(Scope scope, In<R> in) {
      return scope.withLater(topic, () -> from.apply(in));
    }
  }

  private <V> Field<R, V> add(Field<R, V> field) {
    fields.add(field);
    return field;
  }

  /** A key that must be there. */
  public <V> Field<R, V> need(String name, Codec<V> codec, Function<R, V> of) {
    return add(
        new Field<>(
            name,
            true,
            (key, at) -> codec.read(key.value(at)),
            record -> Optional.of(codec.write(of.apply(record))),
            codec::schema));
  }

  /** A key that is left out where the value is the usual one. */
  public <V> Field<R, V> usually(String name, Codec<V> codec, Function<R, V> of, V usual) {
    return add(
        new Field<>(
            name,
            false,
            (key, at) -> key.has(at) ? codec.read(key.value(at)) : usual,
            record -> Optional.of(of.apply(record)).filter(v -> !v.equals(usual)).map(codec::write),
            codec::schema));
  }

  /** A key that may be missing, and is written all the same. */
  public <V> Field<R, V> free(String name, Codec<V> codec, Function<R, V> of, V usual) {
    return add(
        new Field<>(
            name,
            false,
            (key, at) -> key.has(at) ? codec.read(key.value(at)) : usual,
            record -> Optional.of(codec.write(of.apply(record))),
            codec::schema));
  }

  /** A key that may be missing; it is written where there is something to write. */
  public <V> Field<R, Optional<V>> maybe(String name, Codec<V> codec, Function<R, Optional<V>> of) {
    return add(
        new Field<>(
            name,
            false,
            (key, at) -> key.has(at) ? Optional.of(codec.read(key.value(at))) : Optional.empty(),
            record -> of.apply(record).map(codec::write),
            codec::schema));
  }

  /** A list that is left out where it is empty. */
  public <V> Field<R, List<V>> some(String name, Codec<List<V>> codec, Function<R, List<V>> of) {
    return usually(name, codec, of, List.of());
  }

  /**
   * Something that these keys make known to one another, whatever their order.
   *
   * @param from works it out from the keys that it needs
   */
  public <T> void known(Topic<T> topic, Function<In<R>, ? extends T> from) {
    known.add(new Known<>(topic, from));
  }

  /**
   * {@return the codec}
   *
   * @param maker makes the record; what it throws as an {@link IllegalArgumentException} is put
   *     down to the place of the object
   */
  public ObjectCodec<R> make(Function<In<R>, ? extends R> maker) {
    List<Field<R, ?>> keys = List.copyOf(fields);
    List<Known<R, ?>> topics = List.copyOf(known);
    return new ObjectCodec<>() {
      @Override
      public R read(Key key) {
        In<R> in = new In<>(key);
        Scope scope = key.here().scope();
        for (Known<R, ?> topic : topics) {
          scope = topic.into(scope, in);
        }
        key.know(scope);
        keys.forEach(in::get);
        return key.make(() -> maker.apply(in));
      }

      @Override
      public void write(R value, ObjectNode into) {
        keys.forEach(field -> field.write(value, into));
      }

      @Override
      public ObjectNode schema(Schemas schemas) {
        ObjectNode schema = Schemas.type("object").put("additionalProperties", false);
        ArrayNode needed = schema.putArray("required");
        keys.stream().filter(Field::needed).forEach(field -> needed.add(field.name()));
        if (needed.isEmpty()) {
          schema.remove("required");
        }
        ObjectNode properties = schema.putObject("properties");
        keys.forEach(field -> properties.set(field.name(), field.schema(schemas)));
        return schema;
      }
    };
  }
}
