package kumite.codec;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.BooleanNode;
import com.fasterxml.jackson.databind.node.DoubleNode;
import com.fasterxml.jackson.databind.node.IntNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.LongNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.databind.node.TextNode;
import java.util.Arrays;
import java.util.Collection;
import java.util.Collections;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import kumite.json.Key;
import kumite.json.Value;
import kumite.measure.Range;

/** Codecs of numbers, texts and words, and of lists and maps of whatever else. */
public final class Plain {
  /** Any text. */
  public static final Codec<String> TEXT =
      of(Value::text, TextNode::valueOf, () -> Schemas.type("string"));

  /** A text that is not empty. */
  public static final Codec<String> LINE =
      TEXT.withSchema(schemas -> Schemas.type("string").put("minLength", 1));

  /** True or false. */
  public static final Codec<Boolean> TRUTH =
      of(Value::truth, BooleanNode::valueOf, () -> Schemas.type("boolean"));

  private Plain() {}

  private static <T> Codec<T> of(
      Function<Value, T> read,
      Function<T, JsonNode> write,
      java.util.function.Supplier<ObjectNode> schema) {
    return new Codec<>() {
      @Override
      public T read(Value at) {
        return read.apply(at);
      }

      @Override
      public JsonNode write(T value) {
        return write.apply(value);
      }

      @Override
      public ObjectNode schema(Schemas schemas) {
        return schema.get();
      }
    };
  }

  /**
   * {@return the codec of a number}
   *
   * @param range what the record that takes it holds it to
   */
  public static Codec<Double> number(Range range) {
    return of(Value::number, Plain::number, () -> ranged("number", range));
  }

  /**
   * {@return the codec of a number that is written with a point even where it is whole}
   *
   * @param range what the record that takes it holds it to
   */
  public static Codec<Double> pointed(Range range) {
    return of(Value::number, DoubleNode::valueOf, () -> ranged("number", range));
  }

  /**
   * {@return the codec of a whole number}
   *
   * @param range what the record that takes it holds it to
   */
  public static Codec<Integer> whole(Range range) {
    return of(Value::integer, IntNode::valueOf, () -> ranged("integer", range));
  }

  private static ObjectNode ranged(String type, Range range) {
    ObjectNode schema = Schemas.type(type);
    schema.set(range.open() ? "exclusiveMinimum" : "minimum", number(range.least()));
    if (range.bounded()) {
      schema.set("maximum", number(range.most()));
    }
    return schema;
  }

  /** Whole numbers without a point, and all others exactly as they read back. */
  static JsonNode number(double value) {
    return value == Math.rint(value) && Math.abs(value) < 1e15
        ? LongNode.valueOf((long) value)
        : DoubleNode.valueOf(value);
  }

  /**
   * {@return the codec of a text of a form}
   *
   * @param pattern for the schema (ECMA 262); whatever the text is made into judges it
   */
  public static Codec<String> form(String pattern) {
    return TEXT.withSchema(schemas -> Schemas.type("string").put("pattern", pattern));
  }

  /** {@return the codec of constants by their names in lower case} */
  public static <E extends Enum<E>> Codec<E> word(Class<E> type) {
    return of(
        at -> at.word(type),
        constant -> TextNode.valueOf(text(constant)),
        () -> oneOf(Arrays.stream(type.getEnumConstants()).map(Plain::text).toList()));
  }

  private static String text(Enum<?> constant) {
    return constant.name().toLowerCase(Locale.ROOT);
  }

  private static ObjectNode oneOf(List<String> words) {
    ObjectNode schema = Schemas.any();
    words.forEach(schema.putArray("enum")::add);
    return schema;
  }

  /** {@return the codec of some values by a word for each} */
  public static <T> Codec<T> words(List<T> values, Function<T, String> word) {
    List<String> words = values.stream().map(word).toList();
    return TEXT.<T>asAt(
            (text, at) -> {
              int place = words.indexOf(text);
              if (place < 0) {
                throw at.misfit(
                    "\"" + text + "\" is unknown here", "use one of " + String.join(", ", words));
              }
              return values.get(place);
            },
            word)
        .withSchema(schemas -> oneOf(words));
  }

  /** {@return the codec of a list of any length} */
  public static <T> Codec<List<T>> list(Codec<T> item) {
    return list(item, 0, Integer.MAX_VALUE);
  }

  /**
   * {@return the codec of a list}
   *
   * @param least how many it holds at least, for the schema; whatever takes the list judges it
   * @param most and at most
   */
  public static <T> Codec<List<T>> list(Codec<T> item, int least, int most) {
    return new Codec<>() {
      @Override
      public List<T> read(Value at) {
        return at.items().stream().map(item::read).toList();
      }

      @Override
      public JsonNode write(List<T> values) {
        ArrayNode array = JsonNodeFactory.instance.arrayNode();
        values.forEach(value -> array.add(item.write(value)));
        return array;
      }

      @Override
      public ObjectNode schema(Schemas schemas) {
        ObjectNode schema = Schemas.type("array");
        if (least > 0) {
          schema.put("minItems", least);
        }
        if (most < Integer.MAX_VALUE) {
          schema.put("maxItems", most);
        }
        schema.set("items", item.schema(schemas));
        return schema;
      }
    };
  }

  /** {@return the codec of a set, in the order of its list; what is there twice counts once} */
  public static <T> Codec<Set<T>> set(Codec<T> item) {
    return list(item)
        .as(list -> Collections.unmodifiableSet(new LinkedHashSet<>(list)), List::copyOf);
  }

  /** {@return the codec of a set that is written in the order of its things} */
  public static <T extends Comparable<T>> Codec<Set<T>> sorted(Codec<T> item) {
    return list(item).as(TreeSet::new, set -> List.copyOf(new TreeSet<>(set)));
  }

  /**
   * {@return the codec of a set in which nothing stands twice}
   *
   * @param least how many it holds at least, for the schema
   * @param what what its things are called, such as {@code contact}
   */
  public static <T> Codec<Set<T>> once(Codec<T> item, int least, String what) {
    Codec<List<T>> list = list(item, least, Integer.MAX_VALUE);
    return list.<Set<T>>asAt(
            (values, at) -> {
              Set<T> seen = new LinkedHashSet<>();
              for (T value : values) {
                if (!seen.add(value)) {
                  throw at.misfit("it names " + value + " twice", "name each " + what + " once");
                }
              }
              return seen;
            },
            List::copyOf)
        .withSchema(schemas -> list.schema(schemas).put("uniqueItems", true));
  }

  /** {@return the codec of a set of constants, in their order} */
  public static <E extends Enum<E>> Codec<Set<E>> constants(Class<E> type, Codec<E> item) {
    return list(item)
        .as(
            list -> {
              EnumSet<E> set = EnumSet.noneOf(type);
              set.addAll(list);
              return set;
            },
            (Collection<E> set) -> List.copyOf(set));
  }

  /**
   * {@return the codec of an object whose keys are names}
   *
   * @param name how the names are written; a text each
   */
  public static <K, V> Codec<Map<K, V>> map(Codec<K> name, Codec<V> value) {
    return new Codec<>() {
      @Override
      public Map<K, V> read(Value at) {
        Key key = at.object();
        Map<K, V> map = new LinkedHashMap<>();
        for (String text : key.members().keySet()) {
          Value there = key.value(text);
          K read = name.read(there.named(text));
          if (map.put(read, value.read(there)) != null) {
            throw there.misfit("stands for the same as another key", "keep one");
          }
        }
        return map;
      }

      @Override
      public JsonNode write(Map<K, V> map) {
        ObjectNode node = JsonNodeFactory.instance.objectNode();
        map.forEach((key, item) -> node.set(name.write(key).textValue(), value.write(item)));
        return node;
      }

      @Override
      public ObjectNode schema(Schemas schemas) {
        ObjectNode schema = Schemas.type("object");
        schema.set("propertyNames", name.schema(schemas));
        schema.set("additionalProperties", value.schema(schemas));
        return schema;
      }
    };
  }
}
