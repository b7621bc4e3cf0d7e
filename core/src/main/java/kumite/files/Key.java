package kumite.files;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;

/**
 * One place in a JSON document that knows its own path, asks for what it needs and refuses what it
 * does not know.
 */
final class Key {
  /** A value at a place is not what it must be. */
  static final class Misfit extends RuntimeException {
    private static final long serialVersionUID = 1L;
    final String place;
    final String what;
    final String remedy;

    Misfit(String place, String what, String remedy) {
      super(what);
      this.place = place;
      this.what = what;
      this.remedy = remedy;
    }
  }

  private final String path;
  private final JsonNode node;
  private final Set<String> asked = new LinkedHashSet<>();

  Key(String path, JsonNode node) {
    this.path = path;
    this.node = node;
    if (!node.isObject()) {
      throw new Misfit(place(), "must be an object in braces, but was " + kind(node), "");
    }
  }

  private String place() {
    return path.isEmpty() ? "top level" : path;
  }

  private String below(String key) {
    return path.isEmpty() ? key : path + "." + key;
  }

  private JsonNode need(String key) {
    asked.add(key);
    JsonNode value = node.get(key);
    if (value == null || value.isNull()) {
      throw new Misfit(below(key), "is missing", "add it");
    }
    return value;
  }

  boolean has(String key) {
    asked.add(key);
    return node.hasNonNull(key);
  }

  Key object(String key) {
    return new Key(below(key), need(key));
  }

  Optional<Key> maybe(String key) {
    return has(key) ? Optional.of(object(key)) : Optional.empty();
  }

  List<Key> objects(String key) {
    JsonNode array = need(key);
    if (!array.isArray()) {
      throw new Misfit(below(key), "must be a list in brackets, but was " + kind(array), "");
    }
    List<Key> items = new ArrayList<>();
    for (int i = 0; i < array.size(); i++) {
      items.add(new Key(below(key) + "[" + i + "]", array.get(i)));
    }
    return items;
  }

  /** {@return all members, whatever their names; none of them is unknown} */
  Map<String, JsonNode> members() {
    Map<String, JsonNode> members = new LinkedHashMap<>();
    node.properties()
        .forEach(
            entry -> {
              asked.add(entry.getKey());
              members.put(entry.getKey(), entry.getValue());
            });
    return members;
  }

  Key member(String key) {
    return new Key(below(key), need(key));
  }

  double number(String key) {
    JsonNode value = need(key);
    if (!value.isNumber() || Double.isInfinite(value.doubleValue())) {
      throw new Misfit(below(key), "must be a number, but was " + kind(value), "");
    }
    return value.doubleValue();
  }

  int integer(String key) {
    JsonNode value = need(key);
    if (!value.isIntegralNumber() || !value.canConvertToInt()) {
      throw new Misfit(below(key), "must be a whole number, but was " + kind(value), "");
    }
    return value.intValue();
  }

  boolean truth(String key) {
    JsonNode value = need(key);
    if (!value.isBoolean()) {
      throw new Misfit(below(key), "must be true or false, but was " + kind(value), "");
    }
    return value.booleanValue();
  }

  /** {@return the items of a list, whatever they are} */
  List<JsonNode> array(String key) {
    JsonNode array = need(key);
    if (!array.isArray()) {
      throw new Misfit(below(key), "must be a list in brackets, but was " + kind(array), "");
    }
    List<JsonNode> items = new ArrayList<>();
    array.forEach(items::add);
    return items;
  }

  String text(String key) {
    JsonNode value = need(key);
    if (!value.isTextual()) {
      throw new Misfit(below(key), "must be a text in quotes, but was " + kind(value), "");
    }
    return value.textValue();
  }

  <E extends Enum<E>> E word(String key, Class<E> type) {
    String text = text(key);
    for (E constant : type.getEnumConstants()) {
      if (constant.name().toLowerCase(Locale.ROOT).equals(text)) {
        return constant;
      }
    }
    List<String> allowed = new ArrayList<>();
    for (E constant : type.getEnumConstants()) {
      allowed.add(constant.name().toLowerCase(Locale.ROOT));
    }
    throw new Misfit(
        below(key), "\"" + text + "\" is unknown here", "use one of " + String.join(", ", allowed));
  }

  /** {@return the value made, its complaint put down to this place} */
  <T> T make(Supplier<T> maker) {
    try {
      return maker.get();
    } catch (IllegalArgumentException e) {
      throw new Misfit(place(), e.getMessage(), "");
    }
  }

  /** {@return the value made, its complaint put down to a key of this place} */
  <T> T make(String key, Supplier<T> maker) {
    try {
      return maker.get();
    } catch (IllegalArgumentException e) {
      throw new Misfit(below(key), e.getMessage(), "");
    }
  }

  Misfit misfit(String key, String what, String remedy) {
    return new Misfit(below(key), what, remedy);
  }

  /** Refuses keys that nobody asked for. */
  void done() {
    node.fieldNames()
        .forEachRemaining(
            name -> {
              if (!asked.contains(name)) {
                throw new Misfit(
                    below(name),
                    "unknown key",
                    "take it out, or use one of " + String.join(", ", asked));
              }
            });
  }

  private static String kind(JsonNode value) {
    String text = value.toString();
    return text.length() > 40 ? text.substring(0, 37) + "..." : text;
  }
}
