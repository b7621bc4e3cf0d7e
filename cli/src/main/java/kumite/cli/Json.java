package kumite.cli;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import kumite.working.Working;

/** JSON as the command line prints it. */
final class Json {
  private static final ObjectMapper MAPPER = new ObjectMapper();

  private Json() {}

  static ObjectNode object() {
    return JsonNodeFactory.instance.objectNode();
  }

  static String print(JsonNode node) {
    try {
      return MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(node);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("a tree of plain values can always be written", e);
    }
  }

  static ObjectNode working(Working working) {
    ObjectNode node = object();
    node.put("quantity", working.quantity());
    node.put("formula", working.formula());
    ArrayNode values = node.putArray("values");
    for (Working.Value value : working.values()) {
      values
          .addObject()
          .put("symbol", value.symbol())
          .put("value", value.text())
          .put("meaning", value.meaning());
    }
    node.put("result", working.result());
    node.put("source", working.source().inWords());
    return node;
  }
}
