package kumite.json;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.EnumSet;
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
public final class Key {
  private final String path;
  private final JsonNode node;
  private final Set<String> asked = new LinkedHashSet<>();

  /**
   * A place that must be an object.
   *
   * @param path its path; empty for the whole document
   * @throws Misfit if it is none
   */
  public Key(String path, JsonNode node) {
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

  /** {@return whether the key is there and not null} */
  public boolean has(String key) {
    asked.add(key);
    return node.hasNonNull(key);
  }

  /** {@return the object at a key} */
  public Key object(String key) {
    return new Key(below(key), need(key));
  }

  /** {@return the object at a key, if the key is there} */
  public Optional<Key> maybe(String key) {
    return has(key) ? Optional.of(object(key)) : Optional.empty();
  }

  /** {@return the objects of the list at a key} */
  public List<Key> objects(String key) {
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
  public Map<String, JsonNode> members() {
    Map<String, JsonNode> members = new LinkedHashMap<>();
    node.properties()
        .forEach(
            entry -> {
              asked.add(entry.getKey());
              members.put(entry.getKey(), entry.getValue());
            });
    return members;
  }

  /** {@return the object at a key that {@link #members} named} */
  public Key member(String key) {
    return new Key(below(key), need(key));
  }

  /** {@return the number at a key} */
  public double number(String key) {
    JsonNode value = need(key);
    if (!value.isNumber() || Double.isInfinite(value.doubleValue())) {
      throw new Misfit(below(key), "must be a number, but was " + kind(value), "");
    }
    return value.doubleValue();
  }

  /** {@return the whole number at a key} */
  public int integer(String key) {
    JsonNode value = need(key);
    if (!value.isIntegralNumber() || !value.canConvertToInt()) {
      throw new Misfit(below(key), "must be a whole number, but was " + kind(value), "");
    }
    return value.intValue();
  }

  /** {@return the true or false at a key} */
  public boolean truth(String key) {
    JsonNode value = need(key);
    if (!value.isBoolean()) {
      throw new Misfit(below(key), "must be true or false, but was " + kind(value), "");
    }
    return value.booleanValue();
  }

  /** {@return the items of a list, whatever they are} */
  public List<JsonNode> array(String key) {
    JsonNode array = need(key);
    if (!array.isArray()) {
      throw new Misfit(below(key), "must be a list in brackets, but was " + kind(array), "");
    }
    List<JsonNode> items = new ArrayList<>();
    array.forEach(items::add);
    return items;
  }

  /** {@return the text at a key} */
  public String text(String key) {
    JsonNode value = need(key);
    if (!value.isTextual()) {
      throw new Misfit(below(key), "must be a text in quotes, but was " + kind(value), "");
    }
    return value.textValue();
  }

  /** {@return the constant whose lower-case name is at a key} */
  public <E extends Enum<E>> E word(String key, Class<E> type) {
    return constant(below(key), text(key), type);
  }

  private static <E extends Enum<E>> E constant(String place, String text, Class<E> type) {
    List<String> allowed = new ArrayList<>();
    for (E constant : type.getEnumConstants()) {
      String word = constant.name().toLowerCase(Locale.ROOT);
      if (word.equals(text)) {
        return constant;
      }
      allowed.add(word);
    }
    throw new Misfit(
        place, "\"" + text + "\" is unknown here", "use one of " + String.join(", ", allowed));
  }

  /**
   * {@return the numbers of the list at a key}
   *
   * @param least how many at least
   * @param most and at most
   */
  public double[] numbers(String key, int least, int most) {
    return numbers(below(key), need(key), least, most);
  }

  /**
   * {@return the whole numbers of the list at a key}
   *
   * @param least how many at least
   * @param most and at most
   */
  public int[] integers(String key, int least, int most) {
    double[] numbers = numbers(key, least, most);
    int[] whole = new int[numbers.length];
    for (int i = 0; i < whole.length; i++) {
      if (numbers[i] != (int) numbers[i]) {
        throw new Misfit(below(key) + "[" + i + "]", "must be a whole number", "");
      }
      whole[i] = (int) numbers[i];
    }
    return whole;
  }

  /** {@return the pairs of numbers of the list at a key} */
  public List<double[]> pairs(String key) {
    List<double[]> pairs = new ArrayList<>();
    for (JsonNode item : array(key)) {
      pairs.add(numbers(below(key) + "[" + pairs.size() + "]", item, 2, 2));
    }
    return pairs;
  }

  private static double[] numbers(String place, JsonNode list, int least, int most) {
    String wanted =
        least == most ? least + " numbers in brackets" : least + " to " + most + " numbers";
    if (!list.isArray() || list.size() < least || list.size() > most) {
      throw new Misfit(place, "must be " + wanted + ", but was " + kind(list), "");
    }
    double[] numbers = new double[list.size()];
    for (int i = 0; i < numbers.length; i++) {
      JsonNode value = list.get(i);
      if (!value.isNumber() || Double.isInfinite(value.doubleValue())) {
        throw new Misfit(place + "[" + i + "]", "must be a number, but was " + kind(value), "");
      }
      numbers[i] = value.doubleValue();
    }
    return numbers;
  }

  /** {@return the texts of the list at a key} */
  public List<String> texts(String key) {
    List<String> texts = new ArrayList<>();
    for (JsonNode item : array(key)) {
      if (!item.isTextual()) {
        throw new Misfit(
            below(key) + "[" + texts.size() + "]",
            "must be a text in quotes, but was " + kind(item),
            "");
      }
      texts.add(item.textValue());
    }
    return texts;
  }

  /** {@return the number at a key, or another where the key is not there} */
  public double number(String key, double otherwise) {
    return has(key) ? number(key) : otherwise;
  }

  /** {@return the text at a key, or another where the key is not there} */
  public String text(String key, String otherwise) {
    return has(key) ? text(key) : otherwise;
  }

  /** {@return the constants whose lower-case names are in the list at a key} */
  public <E extends Enum<E>> Set<E> words(String key, Class<E> type) {
    Set<E> words = EnumSet.noneOf(type);
    for (String text : texts(key)) {
      words.add(constant(below(key), text, type));
    }
    return words;
  }

  /** {@return the value made, its complaint put down to this place} */
  public <T> T make(Supplier<T> maker) {
    try {
      return maker.get();
    } catch (Misfit e) {
      throw e; // it knows its place better
    } catch (IllegalArgumentException e) {
      throw new Misfit(place(), e.getMessage(), "");
    }
  }

  /**
   * {@return the value made, once nothing here is left unread}
   *
   * @throws Misfit where it cannot be made, or a key here is unknown
   */
  public <T> T whole(Supplier<T> maker) {
    T made = make(maker);
    done();
    return made;
  }

  /** {@return the value made, its complaint put down to a key of this place} */
  public <T> T make(String key, Supplier<T> maker) {
    try {
      return maker.get();
    } catch (Misfit e) {
      throw e; // it knows its place better
    } catch (IllegalArgumentException e) {
      throw new Misfit(below(key), e.getMessage(), "");
    }
  }

  /** {@return a misfit at a key of this place} */
  public Misfit misfit(String key, String what, String remedy) {
    return new Misfit(below(key), what, remedy);
  }

  /** Refuses keys that nobody asked for. */
  public void done() {
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
    return shortened(value.toString());
  }

  static String shortened(String text) {
    return text.length() > 40 ? text.substring(0, 37) + "..." : text;
  }
}
