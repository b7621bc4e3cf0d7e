package kumite.codec;

import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;

/** The schemas (JSON Schema 2020-12) that have a name in a document, gathered while it is made. */
public final class Schemas {
  private final Map<String, ObjectNode> named = new TreeMap<>();

  /** {@return an empty schema, which every value fits} */
  static ObjectNode any() {
    return JsonNodeFactory.instance.objectNode();
  }

  /** {@return a schema of one type} */
  static ObjectNode type(String type) {
    return any().put("type", type);
  }

  /** {@return a reference to a schema by its name; it is made once} */
  ObjectNode named(String name, Function<Schemas, ObjectNode> schema) {
    if (!named.containsKey(name)) {
      named.put(name, any()); // one that speaks of itself finds its name taken
      named.put(name, schema.apply(this));
    }
    return any().put("$ref", "#/$defs/" + name);
  }

  /** {@return all that were named, by their names} */
  public ObjectNode all() {
    ObjectNode all = any();
    named.forEach(all::set);
    return all;
  }
}
