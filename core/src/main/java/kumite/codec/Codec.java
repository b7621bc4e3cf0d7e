package kumite.codec;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.function.BiFunction;
import java.util.function.Function;
import kumite.json.Value;

/**
 * How one kind of value stands in a file.
 *
 * @param <T> the value
 */
public interface Codec<T> {
  /**
   * {@return the value at a place}
   *
   * @throws kumite.json.Misfit if it does not fit; says where, what was found and what is wanted
   */
  T read(Value at);

  /** {@return what stands in the file for a value; {@link #read} gives the value back} */
  JsonNode write(T value);

  /**
   * {@return what a schema says of it (JSON Schema 2020-12)}
   *
   * @param schemas takes those that have a name
   */
  ObjectNode schema(Schemas schemas);

  /**
   * {@return the codec of what is made of such values}
   *
   * @param to makes it; what it throws as an {@link IllegalArgumentException} is put down to the
   *     place
   * @param from takes it apart again
   */
  default <U> Codec<U> as(
      Function<? super T, ? extends U> to, Function<? super U, ? extends T> from) {
    return asAt((value, at) -> to.apply(value), from);
  }

  /**
   * {@return the codec of what is made of such values where they stand}
   *
   * @param to makes it of the value and its place, which knows what is around it
   * @param from takes it apart again
   */
  default <U> Codec<U> asAt(
      BiFunction<? super T, Value, ? extends U> to, Function<? super U, ? extends T> from) {
    Codec<T> inner = this;
    return new Codec<>() {
      @Override
      public U read(Value at) {
        T value = inner.read(at);
        return at.make(() -> to.apply(value, at));
      }

      @Override
      public JsonNode write(U value) {
        return inner.write(from.apply(value));
      }

      @Override
      public ObjectNode schema(Schemas schemas) {
        return inner.schema(schemas);
      }
    };
  }

  /** {@return the same, its schema written once under a name and referred to} */
  default Codec<T> named(String name) {
    return withSchema(schemas -> schemas.named(name, this::schema));
  }

  /** {@return the same with another schema, where it says more than the parts do} */
  default Codec<T> withSchema(Function<Schemas, ObjectNode> schema) {
    Codec<T> inner = this;
    return new Codec<>() {
      @Override
      public T read(Value at) {
        return inner.read(at);
      }

      @Override
      public JsonNode write(T value) {
        return inner.write(value);
      }

      @Override
      public ObjectNode schema(Schemas schemas) {
        return schema.apply(schemas);
      }
    };
  }
}
