package kumite.codec;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.Optional;
import java.util.function.Function;
import kumite.json.Key;

/**
 * A key of a record's object.
 *
 * @param <R> the record
 * @param <V> what stands at the key, as the record's maker gets it
 */
public final class Field<R, V> {
  private final String name;
  private final boolean needed;
  private final Reading<V> reading;
  private final Function<R, Optional<JsonNode>> writing;
  private final Function<Schemas, ObjectNode> schema;
  private String words = "";

  /** Reads what stands at a key, or gives what counts where it is not there. */
  interface Reading<V> {
    V read(Key key, String name);
  }

  Field(
      String name,
      boolean needed,
      Reading<V> reading,
      Function<R, Optional<JsonNode>> writing,
      Function<Schemas, ObjectNode> schema) {
    this.name = name;
    this.needed = needed;
    this.reading = reading;
    this.writing = writing;
    this.schema = schema;
  }

  /** Says what stands there, for the schema and the table of keys; {@return this} */
  public Field<R, V> says(String newWords) {
    words = newWords;
    return this;
  }

  /** {@return the key} */
  String name() {
    return name;
  }

  /** {@return whether the object must have it} */
  boolean needed() {
    return needed;
  }

  V read(Key key) {
    return reading.read(key, name);
  }

  void write(R record, ObjectNode into) {
    writing.apply(record).ifPresent(value -> into.set(name, value));
  }

  ObjectNode schema(Schemas schemas) {
    ObjectNode made = schema.apply(schemas);
    return words.isEmpty() ? made : made.put("description", words);
  }
}
