package kumite.files;

import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import kumite.build.map.AxisTuning;
import kumite.build.map.PressAt;
import kumite.build.map.Pulses;
import kumite.build.map.Repeat;
import kumite.build.map.Tuning;
import kumite.json.Key;
import kumite.name.ContactId;
import kumite.room.PartCodec;

/** The part of the saved file that holds how single contacts are read. */
public final class TuningJson {
  /** The codec of how contacts are read. */
  public static final PartCodec<Tuning> CODEC =
      new PartCodec<>(
          Tuning.PART,
          false,
          (top, key, around) -> read(top.object(key), around.contacts()),
          tuning -> {
            ObjectNode node = JsonNodeFactory.instance.objectNode();
            write(tuning, node);
            return node;
          });

  private TuningJson() {}

  static Tuning read(Key key, Set<ContactId> contacts) {
    Map<ContactId, AxisTuning> axes = entries(key, "axes", contacts, TuningJson::axis);
    Map<ContactId, PressAt> presses =
        entries(key, "presses", contacts, k -> new PressAt(k.integer("on"), k.integer("off")));
    Map<ContactId, Repeat> repeats =
        entries(key, "repeats", contacts, k -> new Repeat(k.integer("on_ms"), k.integer("off_ms")));
    Map<ContactId, Pulses> pulses =
        entries(
            key,
            "pulses",
            contacts,
            k ->
                new Pulses(
                    k.integer("per_turn"),
                    k.integer("per_step"),
                    k.has("turned") && k.truth("turned")));
    return key.whole(() -> new Tuning(axes, presses, repeats, pulses));
  }

  private static <T> Map<ContactId, T> entries(
      Key key, String name, Set<ContactId> contacts, Function<Key, T> read) {
    Map<ContactId, T> entries = new TreeMap<>();
    Optional<Key> map = key.maybe(name);
    for (String text : map.map(m -> m.members().keySet()).orElse(Set.of())) {
      ContactId contact = BuildJson.contact(map.get(), text, contacts);
      Key item = map.get().member(text);
      entries.put(contact, item.whole(() -> read.apply(item)));
    }
    return entries;
  }

  private static AxisTuning axis(Key key) {
    return new AxisTuning(
        key.integer("least"),
        key.has("centre") ? OptionalInt.of(key.integer("centre")) : OptionalInt.empty(),
        key.integer("most"),
        key.has("dead") ? key.integer("dead") : 0,
        key.has("saturation") ? key.integer("saturation") : 1000,
        key.has("curve") ? key.integer("curve") : 0,
        key.has("inverted") && key.truth("inverted"),
        key.has("smoothing") ? key.integer("smoothing") : 0,
        key.has("calibrated") && key.truth("calibrated"));
  }

  static void write(Tuning tuning, ObjectNode node) {
    tuning.axes().forEach((contact, axis) -> axis(at(node, "axes", contact), axis));
    tuning
        .presses()
        .forEach(
            (contact, press) ->
                at(node, "presses", contact).put("on", press.on()).put("off", press.off()));
    tuning
        .repeats()
        .forEach(
            (contact, repeat) ->
                at(node, "repeats", contact)
                    .put("on_ms", repeat.onMs())
                    .put("off_ms", repeat.offMs()));
    tuning
        .pulses()
        .forEach(
            (contact, pulses) -> {
              ObjectNode item =
                  at(node, "pulses", contact)
                      .put("per_turn", pulses.perTurn())
                      .put("per_step", pulses.perStep());
              if (pulses.turned()) {
                item.put("turned", true);
              }
            });
  }

  private static ObjectNode at(ObjectNode node, String name, ContactId contact) {
    return node.withObjectProperty(name).putObject(contact.toString());
  }

  private static void axis(ObjectNode node, AxisTuning axis) {
    node.put("least", axis.least());
    axis.centre().ifPresent(centre -> node.put("centre", centre));
    node.put("most", axis.most());
    AxisTuning plain = AxisTuning.STRAIGHT;
    if (axis.dead() != plain.dead()) {
      node.put("dead", axis.dead());
    }
    if (axis.saturation() != plain.saturation()) {
      node.put("saturation", axis.saturation());
    }
    if (axis.curve() != plain.curve()) {
      node.put("curve", axis.curve());
    }
    if (axis.inverted()) {
      node.put("inverted", true);
    }
    if (axis.smoothing() != plain.smoothing()) {
      node.put("smoothing", axis.smoothing());
    }
    if (axis.calibrated()) {
      node.put("calibrated", true);
    }
  }
}
