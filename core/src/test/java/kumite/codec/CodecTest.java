package kumite.codec;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.JsonNode;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeMap;
import kumite.json.JsonText;
import kumite.json.Misfit;
import kumite.json.Scope;
import kumite.json.Topic;
import kumite.json.Value;
import kumite.measure.Range;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * A codec reads back what it writes, and its schema takes what it reads; the judge of schemas is a
 * validator of JSON Schema 2020-12.
 */
public class CodecTest {
  private static final Range TURNS = Range.of(1, 30);
  private static final Topic<Set<String>> SHELVES = new Topic<>("shelves");

  /** What lies on shelves: coils of so many turns, and boxes, of wood or with a lock. */
  sealed interface Thing {}

  record Coil(int turns, double ohm, Optional<String> shelf) implements Thing {
    Coil {
      TURNS.check(turns, "turns");
    }
  }

  record Box(String wood) implements Thing {}

  record Locked(String key, boolean open) implements Thing {}

  record Store(Map<String, Thing> things, Set<String> shelves) {}

  private static ObjectCodec<Coil> coil() {
    Fields<Coil> f = new Fields<>();
    Field<Coil, Integer> turns = f.need("turns", Plain.whole(TURNS), Coil::turns);
    Field<Coil, Double> ohm = f.usually("ohm", Plain.number(Range.above(0, "ohm")), Coil::ohm, 1.0);
    Field<Coil, Optional<String>> shelf =
        f.maybe("shelf", Plain.TEXT.asAt(CodecTest::there, name -> name), Coil::shelf);
    return f.make(in -> new Coil(in.get(turns), in.get(ohm), in.get(shelf)));
  }

  private static String there(String shelf, Value at) {
    if (!at.scope().get(SHELVES).contains(shelf)) {
      throw at.misfit("there is no shelf \"" + shelf + "\"", "put one up");
    }
    return shelf;
  }

  private static Codec<Thing> thing() {
    Fields<Box> box = new Fields<>();
    Field<Box, String> wood = box.need("wood", Plain.LINE, Box::wood);
    Fields<Locked> locked = new Fields<>();
    Field<Locked, String> key = locked.need("key", Plain.LINE, Locked::key);
    Field<Locked, Boolean> open = locked.free("open", Plain.TRUTH, Locked::open, false);
    return new Kinds<Thing>("is")
        .or("coil", Coil.class, coil())
        .or("box", Box.class, box.make(in -> new Box(in.get(wood))))
        .or("box", Locked.class, locked.make(in -> new Locked(in.get(key), in.get(open))))
        .make()
        .named("thing");
  }

  /** Things are named before the shelves that they lie on: the order of keys is free. */
  private static Codec<Store> store() {
    Fields<Store> f = new Fields<>();
    Field<Store, Map<String, Thing>> things =
        f.need("things", Plain.map(Plain.form("^[a-z]+$"), thing()), Store::things);
    Field<Store, Set<String>> shelves =
        f.need("shelves", Plain.once(Plain.TEXT, 0, "shelf"), Store::shelves);
    f.known(SHELVES, in -> in.get(shelves));
    return f.make(in -> new Store(in.get(things), in.get(shelves)));
  }

  private static final Codec<Store> STORE = store();

  private static JsonSchema schema() {
    Schemas schemas = new Schemas();
    JsonNode schema = STORE.schema(schemas).set("$defs", schemas.all());
    return JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012).getSchema(schema);
  }

  private static Store random(SplittableRandom random) {
    Set<String> shelves = Set.of("top", "low");
    Map<String, Thing> things = new TreeMap<>();
    for (int i = random.nextInt(6); i > 0; i--) {
      things.put(
          String.valueOf((char) ('a' + i)),
          switch (random.nextInt(3)) {
            case 0 ->
                new Coil(
                    random.nextInt(1, 31),
                    random.nextInt(1, 5) / 2.0,
                    random.nextBoolean() ? Optional.of("top") : Optional.empty());
            case 1 -> new Box("oak");
            default -> new Locked("brass", random.nextBoolean());
          });
    }
    return new Store(things, shelves);
  }

  @Test
  public void whatIsWrittenIsReadBackAndFitsTheSchema() {
    SplittableRandom random = new SplittableRandom(24);
    JsonSchema schema = schema();
    for (int i = 0; i < 200; i++) {
      Store store = random(random);
      JsonNode written = STORE.write(store);
      assertThat(read(written.toString())).isEqualTo(store);
      assertThat(schema.validate(written)).as(written.toString()).isEmpty();
    }
  }

  private static Store read(String text) {
    return STORE.read(new Value("", JsonText.read(text), Scope.NONE));
  }

  @DataProvider
  Object[][] spoilt() {
    String on = "\"shelves\": [\"top\"]}";
    return new Object[][] {
      // the text, what is said of it, and whether a schema can say no
      {
        "{\"things\": {\"a\": {\"is\": \"coil\", \"turns\": 31}}, " + on,
        "things.a: turns must be between 1 and 30",
        true
      },
      {
        "{\"things\": {\"a\": {\"is\": \"coil\", \"turns\": 1.5}}, " + on,
        "things.a.turns: must be a whole",
        true
      },
      {"{\"things\": {\"a\": {\"is\": \"coil\"}}, " + on, "things.a.turns: is missing", true},
      {
        "{\"things\": {\"a\": {\"is\": \"coil\", \"turns\": 2, \"shelf\": \"attic\"}}, " + on,
        "things.a.shelf: there is no shelf \"attic\"",
        false
      },
      {
        "{\"things\": {\"a\": {\"is\": \"sock\"}}, " + on,
        "things.a.is: \"sock\" is unknown here; use one of coil, box",
        true
      },
      {
        "{\"things\": {\"a\": {\"is\": \"box\", \"wood\": \"oak\", \"key\": \"k\"}}, " + on,
        "things.a.key: unknown key",
        true
      },
      {"{\"things\": {\"a\": {\"is\": \"box\"}}, " + on, "things.a.wood: is missing", true},
      {"{\"things\": [], " + on, "things: must be an object", true},
      {"{\"things\": {}, \"shelves\": [\"top\", \"top\"]}", "shelves: it names top twice", true},
      {"{\"things\": {}, \"shelves\": [\"top\", 3]}", "shelves[1]: must be a text", true},
      {"{\"things\": {}}", "shelves: is missing", true},
    };
  }

  @Test(dataProvider = "spoilt")
  public void whatDoesNotFitIsNamedByItsPlace(String text, String said, boolean schemaToo) {
    assertThatThrownBy(() -> read(text)).isInstanceOf(Misfit.class).hasMessageContaining(said);
    assertThat(schema().validate(JsonText.read(text)).isEmpty()).isNotEqualTo(schemaToo);
  }

  /** A reader that forgot to say what is around is our own slip, and no misfit of the file. */
  @Test
  public void whatNobodySaidIsAskedInVain() {
    Value coil = new Value("", JsonText.read("{\"turns\": 2, \"shelf\": \"top\"}"), Scope.NONE);
    assertThatThrownBy(() -> coil().read(coil))
        .isInstanceOf(IllegalStateException.class)
        .hasMessageContaining("shelves");
    assertThat(coil().read(coil.within(Scope.NONE.with(SHELVES, Set.of("top")))).shelf())
        .contains("top");
  }

  @Test
  public void aRangeSaysWhatItTakes() {
    Range open = Range.above(0, 20, "mm");
    for (double mm : List.of(0.001, 7.0, 20.0)) {
      assertThat(open.has(mm)).isTrue();
      assertThat(open.check(mm, "x")).isEqualTo(mm);
    }
    for (double mm : List.of(-1.0, 0.0, 20.001, Double.NaN, Double.POSITIVE_INFINITY)) {
      assertThat(open.has(mm)).as("%s", mm).isFalse();
      assertThatThrownBy(() -> open.check(mm, "x")).isInstanceOf(IllegalArgumentException.class);
    }
    assertThat(open.words()).isEqualTo("above 0 to 20 mm");
    assertThat(open.in("cm", 0.1).words()).isEqualTo("above 0 to 2 cm");
    assertThatThrownBy(() -> Range.of(3, 2)).isInstanceOf(IllegalArgumentException.class);
  }
}
