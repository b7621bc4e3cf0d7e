package kumite.codec;

import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import kumite.json.Key;
import kumite.json.Value;

/**
 * How a record stands in a file: as an object with keys of its own.
 *
 * @param <R> the record
 */
public interface ObjectCodec<R> extends Codec<R> {
  /**
   * {@return the record of an object in which other keys may stand too}
   *
   * @throws kumite.json.Misfit if it does not fit
   */
  R read(Key key);

  /** Writes the keys of a record into an object. */
  void write(R value, ObjectNode into);

  @Override
  default R read(Value at) {
    Key key = at.object();
    R value = read(key);
    key.done();
    return value;
  }

  @Override
  default ObjectNode write(R value) {
    ObjectNode node = JsonNodeFactory.instance.objectNode();
    write(value, node);
    return node;
  }
}
