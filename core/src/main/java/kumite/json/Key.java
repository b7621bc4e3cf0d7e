package kumite.json;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;

/**
 * An object in a JSON document that knows its own path, asks for what it needs and refuses what it
 * does not know.
 */
public final class Key {
  private Value here;
  private final Set<String> asked = new LinkedHashSet<>();

  /**
   * A place that must be an object.
   *
   * @throws Misfit if it is none
   */
  public Key(Value here) {
    this.here = here;
    if (!here.node().isObject()) {
      throw here.misfit("must be an object in braces, but was " + here.found(), "");
    }
  }

  /**
   * A place that must be an object, with nothing known around it.
   *
   * @param path its path; empty for the whole document
   * @throws Misfit if it is none
   */
  public Key(String path, JsonNode node) {
    this(new Value(path, node, Scope.NONE));
  }

  private String below(String key) {
    return here.path().isEmpty() ? key : here.path() + "." + key;
  }

  /** {@return the place itself} */
  public Value here() {
    return here;
  }

  /** Makes more known to all that is asked of here from now on. */
  public void know(Scope scope) {
    here = here.within(scope);
  }

  /**
   * {@return the value at a key}
   *
   * @throws Misfit if it is not there
   */
  public Value value(String key) {
    asked.add(key);
    JsonNode value = here.node().get(key);
    if (value == null || value.isNull()) {
      throw new Misfit(below(key), "is missing", "add it");
    }
    return new Value(below(key), value, here.scope());
  }

  /** {@return whether the key is there and not null} */
  public boolean has(String key) {
    asked.add(key);
    return here.node().hasNonNull(key);
  }

  /** {@return the object at a key} */
  public Key object(String key) {
    return value(key).object();
  }

  /** {@return the object at a key, if the key is there} */
  public Optional<Key> maybe(String key) {
    return has(key) ? Optional.of(object(key)) : Optional.empty();
  }

  /** {@return the objects of the list at a key} */
  public List<Key> objects(String key) {
    return value(key).items().stream().map(Value::object).toList();
  }

  /** {@return all members, whatever their names; none of them is unknown} */
  public Map<String, JsonNode> members() {
    Map<String, JsonNode> members = new LinkedHashMap<>();
    here.node()
        .properties()
        .forEach(
            entry -> {
              asked.add(entry.getKey());
              members.put(entry.getKey(), entry.getValue());
            });
    return members;
  }

  /** {@return the number at a key} */
  public double number(String key) {
    return value(key).number();
  }

  /** {@return the whole number at a key} */
  public int integer(String key) {
    return value(key).integer();
  }

  /** {@return the true or false at a key} */
  public boolean truth(String key) {
    return value(key).truth();
  }

  /** {@return the items of a list, whatever they are} */
  public List<JsonNode> array(String key) {
    return value(key).items().stream().map(Value::node).toList();
  }

  /** {@return the text at a key} */
  public String text(String key) {
    return value(key).text();
  }

  /** {@return the constant whose lower-case name is at a key} */
  public <E extends Enum<E>> E word(String key, Class<E> type) {
    return value(key).word(type);
  }

  /**
   * {@return the numbers of the list at a key}
   *
   * @param least how many at least
   * @param most and at most
   */
  public double[] numbers(String key, int least, int most) {
    return numbers(value(key), least, most);
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
    for (Value item : value(key).items()) {
      pairs.add(numbers(item, 2, 2));
    }
    return pairs;
  }

  private static double[] numbers(Value list, int least, int most) {
    String wanted =
        least == most ? least + " numbers in brackets" : least + " to " + most + " numbers";
    if (!list.node().isArray() || list.node().size() < least || list.node().size() > most) {
      throw list.misfit("must be " + wanted + ", but was " + list.found(), "");
    }
    return list.items().stream().mapToDouble(Value::number).toArray();
  }

  /** {@return the texts of the list at a key} */
  public List<String> texts(String key) {
    return value(key).items().stream().map(Value::text).toList();
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
    value(key).items().forEach(item -> words.add(item.word(type)));
    return words;
  }

  /** {@return the value made, its complaint put down to this place} */
  public <T> T make(Supplier<T> maker) {
    return here.make(maker);
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
    here.node()
        .fieldNames()
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
}
