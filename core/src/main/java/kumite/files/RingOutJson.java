package kumite.files;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import kumite.json.Key;
import kumite.lead.ConnectorKind;
import kumite.lead.End;
import kumite.lead.Gender;
import kumite.lead.LeadPart.Place;
import kumite.lead.Plugs;
import kumite.lead.Where;
import kumite.measure.Check;
import kumite.ringout.Reading;
import kumite.ringout.RingOut;

/** Ring-outs as JSON. */
final class RingOutJson {
  private RingOutJson() {}

  static RingOut read(Key key, Plugs plugs) {
    int cores =
        key.has("cores")
            ? key.make(
                "cores",
                () ->
                    Check.between(1, RingOut.MOST_PLACES, key.integer("cores"), "number of cores"))
            : 0;
    End.Plug from = plug(key, "from", cores, plugs);
    End.Plug to = plug(key, "to", cores, plugs);
    List<String> near = names(key, "near", from, plugs);
    List<String> far = names(key, "far", to, plugs);
    Map<String, String> likely = new LinkedHashMap<>();
    key.maybe("likely")
        .ifPresent(
            pairs -> pairs.members().keySet().forEach(name -> likely.put(name, pairs.text(name))));
    List<Reading> readings = new ArrayList<>();
    for (Key item : key.has("readings") ? key.objects("readings") : List.<Key>of()) {
      readings.add(reading(item));
    }
    return key.whole(
        () ->
            new RingOut(
                key.text("name", "Ring-out"),
                from,
                to,
                near,
                far,
                key.has("way") ? key.word("way", RingOut.Way.class) : RingOut.Way.GROUPED,
                key.has("looks_for")
                    ? key.word("looks_for", RingOut.Faults.class)
                    : RingOut.Faults.BROKEN,
                likely,
                readings));
  }

  private static End.Plug plug(Key key, String name, int cores, Plugs plugs) {
    Optional<End.Plug> said = key.maybe(name).map(item -> LeadJson.plug(item, plugs));
    if (said.isEmpty() && cores == 0) {
      throw key.misfit(name, "is missing", "name a connector there, or how many cores there are");
    }
    return said.orElseGet(() -> End.Plug.of("bare-" + cores, Gender.MALE));
  }

  private static List<String> names(Key key, String name, End.Plug plug, Plugs plugs) {
    if (key.has(name)) {
      return key.texts(name);
    }
    ConnectorKind kind = plugs.needed(plug.connector());
    return kind.bare()
        ? IntStream.rangeClosed(1, kind.pins().size()).mapToObj(String::valueOf).toList()
        : kind.names();
  }

  private static Reading reading(Key key) {
    boolean close = key.has("near");
    boolean distant = key.has("far");
    Set<Place> one;
    Set<Place> other;
    if (close && distant) {
      one = places(key, "near", Where.FROM);
      other = places(key, "far", Where.TO);
    } else if (close) {
      one = places(key, "near", Where.FROM);
      other = places(key, "near_against", Where.FROM);
    } else {
      one = places(key, "far", Where.TO);
      other = places(key, "far_against", Where.TO);
    }
    return key.whole(() -> new Reading(one, other, key.truth("beep")));
  }

  private static Set<Place> places(Key key, String name, Where end) {
    Set<Place> places = new LinkedHashSet<>();
    for (String text : key.texts(name)) {
      if (!places.add(key.make(name, () -> new Place(end, text)))) {
        throw key.misfit(name, "names \"" + text + "\" twice", "take one out");
      }
    }
    return places;
  }

  static void write(RingOut ringOut, ObjectNode node) {
    node.put("name", ringOut.name());
    LeadJson.write(ringOut.from(), node.putObject("from"));
    LeadJson.write(ringOut.to(), node.putObject("to"));
    texts(node, "near", ringOut.near());
    texts(node, "far", ringOut.far());
    node.put("way", BuildJson.word(ringOut.way()));
    node.put("looks_for", BuildJson.word(ringOut.looksFor()));
    if (!ringOut.likely().isEmpty()) {
      ObjectNode likely = node.putObject("likely");
      ringOut.likely().forEach(likely::put);
    }
    ArrayNode readings = node.putArray("readings");
    ringOut.readings().forEach(reading -> write(reading, readings.addObject()));
  }

  private static void write(Reading reading, ObjectNode node) {
    places(node, reading.one(), reading.other());
    node.put("beep", reading.beep());
  }

  /** Writes the places of both probes; those of the near end are named first. */
  static void places(ObjectNode node, Set<Place> one, Set<Place> other) {
    boolean oneNear = one.iterator().next().end() == Where.FROM;
    boolean otherNear = other.iterator().next().end() == Where.FROM;
    if (oneNear != otherNear) {
      texts(node, "near", names(oneNear ? one : other));
      texts(node, "far", names(oneNear ? other : one));
    } else {
      texts(node, oneNear ? "near" : "far", names(one));
      texts(node, oneNear ? "near_against" : "far_against", names(other));
    }
  }

  private static List<String> names(Set<Place> places) {
    return places.stream().map(Place::pin).toList();
  }

  private static void texts(ObjectNode node, String name, List<String> texts) {
    ArrayNode array = node.putArray(name);
    texts.forEach(array::add);
  }
}
