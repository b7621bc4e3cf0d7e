package kumite.files;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.StreamSupport;

/** The table of keys in docs/file-format.md, made of the schema. */
final class KeyTable {
  private KeyTable() {}

  /** {@return the table: a row for each key of the document, then one for each named form} */
  static String of(JsonNode schema) {
    StringBuilder table = new StringBuilder("| key | holds |\n|---|---|\n");
    Set<String> needed = words(schema.path("required"));
    schema
        .get("properties")
        .properties()
        .forEach(
            entry ->
                table.append(
                    row("`" + entry.getKey() + "`" + mark(needed, entry), entry.getValue())));
    schema.get("$defs").properties().forEach(e -> table.append(row(e.getKey(), e.getValue())));
    return table.toString();
  }

  private static String row(String name, JsonNode schema) {
    String said = schema.has("description") ? "; " + schema.get("description").asText() : "";
    String holds = holds(schema);
    return "| " + name + " | " + (holds + said).replaceAll("^; ", "").replace("|", "\\|") + " |\n";
  }

  private static String mark(Set<String> needed, java.util.Map.Entry<String, ?> key) {
    return needed.contains(key.getKey()) ? "" : "?";
  }

  private static Set<String> words(JsonNode list) {
    Set<String> words = new HashSet<>();
    list.forEach(word -> words.add(word.asText()));
    return words;
  }

  /** What a value is, in one line. */
  private static String holds(JsonNode schema) {
    if (schema.has("$ref")) {
      return schema.get("$ref").asText().replace("#/$defs/", "");
    }
    if (schema.has("const")) {
      return "`" + schema.get("const").asText() + "`";
    }
    if (schema.has("enum")) {
      return StreamSupport.stream(schema.get("enum").spliterator(), false)
          .map(word -> "`" + word.asText() + "`")
          .collect(Collectors.joining(", "));
    }
    if (schema.has("oneOf")) {
      return StreamSupport.stream(schema.get("oneOf").spliterator(), false)
          .map(KeyTable::holds)
          .collect(Collectors.joining(" or "));
    }
    return switch (schema.path("type").asText()) {
      case "number", "integer" -> range(schema);
      case "boolean" -> "true or false";
      case "string" -> schema.has("pattern") ? "`" + schema.get("pattern").asText() + "`" : "text";
      case "array" -> "[" + items(schema.get("items")) + "]" + count(schema);
      case "object" -> object(schema);
      default -> "";
    };
  }

  private static String items(JsonNode items) {
    return items.has("properties") || items.has("$ref") || items.has("enum") || items.has("oneOf")
        ? holds(items)
        : items.path("type").asText().equals("object") ? "..." : holds(items);
  }

  private static String count(JsonNode array) {
    if (!array.has("maxItems")) {
      return array.has("minItems") ? ", at least " + array.get("minItems").asInt() : "";
    }
    int most = array.get("maxItems").asInt();
    int least = array.path("minItems").asInt();
    return least == most ? ", " + most : ", " + (least > 0 ? least + " to " : "at most ") + most;
  }

  private static String range(JsonNode schema) {
    String whole = schema.get("type").asText().equals("integer") ? "whole, " : "";
    String least =
        schema.has("minimum")
            ? schema.get("minimum").asText()
            : "above " + schema.path("exclusiveMinimum").asText();
    return whole + least + (schema.has("maximum") ? " to " + schema.get("maximum").asText() : "");
  }

  private static String object(JsonNode schema) {
    if (schema.has("additionalProperties") && schema.get("additionalProperties").isObject()) {
      return "{"
          + holds(schema.get("propertyNames"))
          + ": "
          + holds(schema.get("additionalProperties"))
          + "}";
    }
    Set<String> needed = words(schema.path("required"));
    List<String> keys = new ArrayList<>();
    schema
        .path("properties")
        .properties()
        .forEach(
            entry -> {
              JsonNode value = entry.getValue();
              String said =
                  value.has("description") ? "; " + value.get("description").asText() : "";
              keys.add(
                  "`"
                      + entry.getKey()
                      + "`"
                      + mark(needed, entry)
                      + " ("
                      + holds(value)
                      + said
                      + ")");
            });
    return "{" + String.join(", ", keys) + "}";
  }
}
