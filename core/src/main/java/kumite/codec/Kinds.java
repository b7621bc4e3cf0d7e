package kumite.codec;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import kumite.json.Key;
import kumite.json.Value;

/**
 * Things of several kinds, told apart by a word at one key of their object. Where two kinds share a
 * word, the keys that are there tell which it is.
 *
 * @param <T> what they all are
 */
public final class Kinds<T> {
  private final String tag;
  private final List<Kind<T, ?>> kinds = new ArrayList<>();

  private record Kind<T, S extends T>(
      String word, Class<S> type, ObjectCodec<S> codec, List<String> needed) {
    ObjectNode write(String tag, T value) {
      ObjectNode node = JsonNodeFactory.instance.objectNode().put(tag, word);
      codec.write(type.cast(value), node);
      return node;
    }

    boolean fits(Value at) {
      return needed.stream().allMatch(at.node()::hasNonNull);
    }

    ObjectNode schema(String tag, Schemas schemas) {
      ObjectNode inner = codec.schema(schemas);
      ObjectNode properties = JsonNodeFactory.instance.objectNode();
      properties.putObject(tag).put("const", word);
      properties.setAll((ObjectNode) inner.get("properties"));
      ArrayNode required = JsonNodeFactory.instance.arrayNode().add(tag);
      needed.forEach(required::add);
      inner.set("required", required);
      inner.set("properties", properties);
      return inner;
    }
  }

  /**
   * No kinds yet.
   *
   * @param tag the key of the word
   */
  public Kinds(String tag) {
    this.tag = tag;
  }

  /** {@return this, with a kind more} */
  public <S extends T> Kinds<T> or(String word, Class<S> type, ObjectCodec<S> codec) {
    List<String> needed = new ArrayList<>();
    codec.schema(new Schemas()).path("required").forEach(name -> needed.add(name.textValue()));
    kinds.add(new Kind<>(word, type, codec, needed));
    return this;
  }

  /** {@return the codec} */
  public Codec<T> make() {
    List<Kind<T, ?>> all = List.copyOf(kinds);
    List<String> words = all.stream().map(Kind::word).distinct().toList();
    Codec<String> word = Plain.words(words, text -> text);
    return new Codec<>() {
      @Override
      public T read(Value at) {
        Key key = at.object();
        String said = word.read(key.value(tag));
        List<Kind<T, ?>> called = all.stream().filter(kind -> kind.word().equals(said)).toList();
        T value =
            called.stream()
                .filter(kind -> kind.fits(at))
                .findFirst()
                .orElse(called.get(0))
                .codec()
                .read(key);
        key.done();
        return value;
      }

      @Override
      public JsonNode write(T value) {
        return all.stream()
            .filter(kind -> kind.type().isInstance(value))
            .findFirst()
            .orElseThrow(() -> new IllegalStateException("no kind is declared for " + value))
            .write(tag, value);
      }

      @Override
      public ObjectNode schema(Schemas schemas) {
        ObjectNode schema = Schemas.any();
        ArrayNode oneOf = schema.putArray("oneOf");
        all.forEach(kind -> oneOf.add(kind.schema(tag, schemas)));
        return schema;
      }
    };
  }
}
