package kumite.files;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import kumite.build.brief.Host;
import kumite.build.brief.HostFunction;
import kumite.build.brief.Pair;
import kumite.build.map.AxisName;
import kumite.build.map.Choice;
import kumite.build.map.Chord;
import kumite.build.map.FourWay;
import kumite.build.map.Layer;
import kumite.build.map.Mapping;
import kumite.build.map.Opposed;
import kumite.build.map.OppositesRule;
import kumite.build.map.Profile;
import kumite.build.map.Ramp;
import kumite.build.map.Target;
import kumite.json.Key;
import kumite.map.TargetText;
import kumite.name.ContactId;
import kumite.name.ControlId;

/**
 * The part of the saved file that holds hosts and meanings. What a profile does not use is not
 * written.
 */
final class ProfileJson {
  private ProfileJson() {}

  // ---- reading

  static Profile read(Key key, Set<ContactId> contacts) {
    List<HostFunction> functions = new ArrayList<>();
    for (Key item : key.objects("functions")) {
      functions.add(
          item.whole(
              () ->
                  new HostFunction(
                      item.text("name"), item.word("wants", HostFunction.Wants.class))));
    }
    List<Pair> together = new ArrayList<>();
    for (Key item : key.objects("together")) {
      together.add(item.whole(() -> new Pair(item.text("one"), item.text("other"))));
    }
    Mapping base = mapping(key.object("map"), contacts);
    List<Layer> layers = new ArrayList<>();
    for (Key item : key.has("layers") ? key.objects("layers") : List.<Key>of()) {
      Set<ContactId> by = contacts(item, "by", contacts);
      Mapping mapping = mapping(item.object("map"), contacts);
      layers.add(
          item.whole(
              () ->
                  new Layer(
                      item.text("name"), item.word("reach", Layer.Reach.class), by, mapping)));
    }
    List<Chord> chords = new ArrayList<>();
    for (Key item : key.has("chords") ? key.objects("chords") : List.<Key>of()) {
      chords.add(chord(item, contacts));
    }
    return key.whole(
        () ->
            new Profile(
                key.text("name"),
                key.word("host", Host.class),
                functions,
                together,
                choice(key, contacts),
                key.has("keys") ? key.word("keys", Profile.Keys.class) : Profile.Keys.ALL,
                base,
                layers,
                chords,
                opposites(key, contacts),
                fourWays(key, contacts),
                ramps(key)));
  }

  private static Chord chord(Key key, Set<ContactId> contacts) {
    Set<ContactId> members = contacts(key, "contacts", contacts);
    return key.whole(
        () ->
            new Chord(
                key.text("layer", Layer.BASE),
                members,
                key.has("window_ms") ? key.integer("window_ms") : Chord.USUAL_WINDOW_MS,
                !key.has("waits") || key.truth("waits"),
                entry(key)));
  }

  private static Mapping.Entry entry(Key key) {
    Target target = key.make("to", () -> TargetText.parse(key.text("to")));
    return new Mapping.Entry(target, key.text("function", ""));
  }

  private static Mapping mapping(Key key, Set<ContactId> contacts) {
    Map<ContactId, Mapping.Entry> entries = new TreeMap<>();
    for (String text : key.members().keySet()) {
      ContactId id = BuildJson.contact(key, text, contacts);
      Key entry = key.member(text);
      entries.put(id, entry(entry));
      entry.done();
    }
    return new Mapping(entries);
  }

  private static Set<ContactId> contacts(Key key, String name, Set<ContactId> contacts) {
    Set<ContactId> named = new TreeSet<>();
    for (String text : key.texts(name)) {
      if (!named.add(BuildJson.contact(key, text, contacts))) {
        throw key.misfit(name, "it names " + text + " twice", "name each contact once");
      }
    }
    return named;
  }

  private static Choice choice(Key key, Set<ContactId> contacts) {
    if (key.has("held_at_power_up")) {
      Set<ContactId> held = contacts(key, "held_at_power_up", contacts);
      return key.make("held_at_power_up", () -> new Choice.Held(held));
    }
    if (key.has("switch_closed")) {
      return new Choice.Switched(contact(key, "switch_closed", contacts), true);
    }
    if (key.has("switch_open")) {
      return new Choice.Switched(contact(key, "switch_open", contacts), false);
    }
    return Choice.NONE;
  }

  private static ContactId contact(Key key, String name, Set<ContactId> contacts) {
    return BuildJson.contact(key, key.text(name), contacts);
  }

  private static Map<Opposed, OppositesRule> opposites(Key key, Set<ContactId> contacts) {
    Map<Opposed, OppositesRule> rules = new HashMap<>();
    Optional<Key> map = key.maybe("opposites");
    for (String text : map.map(m -> m.members().keySet()).orElse(Set.of())) {
      Opposed pair = map.get().make(text, () -> Opposed.parse(text));
      if (pair instanceof Opposed.Lever lever) {
        control(map.get(), text, lever.control(), contacts);
      }
      rules.put(pair, map.get().word(text, OppositesRule.class));
    }
    return rules;
  }

  private static Map<ControlId, FourWay> fourWays(Key key, Set<ContactId> contacts) {
    Map<ControlId, FourWay> ways = new TreeMap<>();
    Optional<Key> map = key.maybe("four_way");
    for (String text : map.map(m -> m.members().keySet()).orElse(Set.of())) {
      ControlId id = map.get().make(text, () -> new ControlId(text));
      control(map.get(), text, id, contacts);
      ways.put(id, map.get().word(text, FourWay.class));
    }
    return ways;
  }

  private static void control(Key key, String text, ControlId id, Set<ContactId> contacts) {
    if (contacts.stream().noneMatch(contact -> contact.control().equals(id))) {
      throw key.misfit(text, "the build has no control \"" + id + "\"", "take the entry out");
    }
  }

  private static Map<AxisName, Ramp> ramps(Key key) {
    Map<AxisName, Ramp> ramps = new TreeMap<>();
    Optional<Key> map = key.maybe("ramps");
    for (String text : map.map(m -> m.members().keySet()).orElse(Set.of())) {
      AxisName axis =
          map.get()
              .make(
                  text,
                  () ->
                      TargetText.parse("axis " + text) instanceof Target.Axis whole
                          ? whole.axis()
                          : noAxis(text));
      Key item = map.get().member(text);
      ramps.put(
          axis, item.whole(() -> new Ramp(item.integer("rise_ms"), item.integer("return_ms"))));
    }
    return ramps;
  }

  private static AxisName noAxis(String text) {
    throw new IllegalArgumentException("\"" + text + "\" is no axis; write X, Y, Z, Rx, Ry, Rz");
  }

  // ---- writing

  static ObjectNode write(Profile profile, ObjectNode node) {
    node.put("name", profile.name());
    node.put("host", BuildJson.word(profile.host()));
    if (profile.choice() instanceof Choice.Held held) {
      texts(node.putArray("held_at_power_up"), held.contacts());
    } else if (profile.choice() instanceof Choice.Switched by) {
      node.put(by.closed() ? "switch_closed" : "switch_open", by.contact().toString());
    }
    if (profile.keys() != Profile.Keys.ALL) {
      node.put("keys", BuildJson.word(profile.keys()));
    }
    ArrayNode functions = node.putArray("functions");
    profile
        .functions()
        .forEach(
            f ->
                functions
                    .addObject()
                    .put("name", f.name())
                    .put("wants", BuildJson.word(f.wants())));
    ArrayNode together = node.putArray("together");
    profile
        .together()
        .forEach(pair -> together.addObject().put("one", pair.one()).put("other", pair.other()));
    mapping(node.putObject("map"), profile.base());
    if (!profile.layers().isEmpty()) {
      ArrayNode layers = node.putArray("layers");
      for (Layer layer : profile.layers()) {
        ObjectNode item = layers.addObject().put("name", layer.name());
        item.put("reach", BuildJson.word(layer.reach()));
        texts(item.putArray("by"), layer.by());
        mapping(item.putObject("map"), layer.mapping());
      }
    }
    if (!profile.chords().isEmpty()) {
      ArrayNode chords = node.putArray("chords");
      profile.chords().forEach(chord -> chord(chords.addObject(), chord));
    }
    if (!profile.opposites().isEmpty()) {
      ObjectNode rules = node.putObject("opposites");
      profile.opposites().forEach((pair, rule) -> rules.put(pair.text(), BuildJson.word(rule)));
    }
    if (!profile.fourWays().isEmpty()) {
      ObjectNode ways = node.putObject("four_way");
      profile.fourWays().forEach((lever, way) -> ways.put(lever.text(), BuildJson.word(way)));
    }
    if (!profile.ramps().isEmpty()) {
      ObjectNode ramps = node.putObject("ramps");
      profile
          .ramps()
          .forEach(
              (axis, ramp) ->
                  ramps
                      .putObject(axis.words())
                      .put("rise_ms", ramp.riseMs())
                      .put("return_ms", ramp.returnMs()));
    }
    return node;
  }

  private static void chord(ObjectNode node, Chord chord) {
    if (!chord.layer().equals(Layer.BASE)) {
      node.put("layer", chord.layer());
    }
    texts(node.putArray("contacts"), chord.contacts());
    node.put("window_ms", chord.windowMs());
    node.put("waits", chord.waits());
    entry(node, chord.entry());
  }

  private static void texts(ArrayNode list, Set<ContactId> contacts) {
    contacts.forEach(contact -> list.add(contact.toString()));
  }

  private static void mapping(ObjectNode node, Mapping mapping) {
    mapping.entries().forEach((contact, entry) -> entry(node.putObject(contact.toString()), entry));
  }

  private static void entry(ObjectNode node, Mapping.Entry entry) {
    node.put("to", TargetText.of(entry.target()));
    node.put("function", entry.function());
  }
}
