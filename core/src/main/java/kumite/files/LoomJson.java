package kumite.files;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import kumite.build.loom.Group;
import kumite.build.loom.Laying;
import kumite.build.loom.LoomSettings;
import kumite.build.loom.Topology;
import kumite.json.Key;
import kumite.kind.WireColour;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.name.Jumper;

/** The part of the saved file that holds decisions about the wiring. */
final class LoomJson {
  private LoomJson() {}

  static LoomSettings read(Key key, Set<ContactId> contacts) {
    List<Group> groups = new ArrayList<>();
    for (Key item : key.objects("groups")) {
      groups.add(group(item, contacts));
    }
    // Wires of groups can be locked and coloured as contacts can.
    Set<ControlId> names = new HashSet<>();
    groups.forEach(group -> names.add(group.name()));
    Map<ContactId, String> locks = new TreeMap<>();
    Key lockKey = key.object("locks");
    for (String text : lockKey.members().keySet()) {
      locks.put(wire(lockKey, text, contacts, names), lockKey.text(text));
    }
    Map<ContactId, WireColour> colours = new TreeMap<>();
    Key colourKey = key.object("colours");
    for (String text : colourKey.members().keySet()) {
      colours.put(
          wire(colourKey, text, contacts, names),
          colourKey.make(text, () -> WireColour.parse(colourKey.text(text))));
    }
    EnumSet<WireColour.Hue> stock = EnumSet.noneOf(WireColour.Hue.class);
    for (String code : texts(key, "stock")) {
      stock.add(key.make("stock", () -> hue(code)));
    }
    Set<Jumper> added = jumpers(key, "added");
    Set<Jumper> leftOut = jumpers(key, "left_out");
    Set<Jumper> done = jumpers(key, "done");
    Set<String> dead = new TreeSet<>(texts(key, "dead"));
    LoomSettings settings =
        key.make(
            () ->
                new LoomSettings(
                    new Laying(
                        key.word("shape", Laying.CommonShape.class),
                        key.number("slack_mm"),
                        key.number("service_loop_mm"),
                        key.integer("gauge_awg"),
                        key.truth("connector"),
                        stock),
                    locks,
                    colours,
                    groups,
                    dead,
                    added,
                    leftOut,
                    done));
    key.done();
    return settings;
  }

  private static Group group(Key item, Set<ContactId> contacts) {
    ControlId name = item.make("name", () -> new ControlId(item.text("name")));
    if (contacts.stream().anyMatch(contact -> contact.control().equals(name))) {
      throw item.misfit("name", "\"" + name + "\" is a control", "give the group another name");
    }
    List<ContactId> members = new ArrayList<>();
    for (String text : texts(item, "contacts")) {
      members.add(BuildJson.contact(item, text, contacts));
    }
    Group group = item.make(() -> new Group(name, item.word("topology", Topology.class), members));
    item.done();
    return group;
  }

  private static ContactId wire(
      Key key, String text, Set<ContactId> contacts, Set<ControlId> groups) {
    ContactId id = key.make(text, () -> ContactId.parse(text));
    return groups.contains(id.control()) ? id : BuildJson.contact(key, text, contacts);
  }

  private static WireColour.Hue hue(String code) {
    WireColour colour = WireColour.parse(code);
    if (colour.stripe().isPresent()) {
      throw new IllegalArgumentException("\"" + code + "\" is striped; list plain colours only");
    }
    return colour.base();
  }

  private static List<String> texts(Key key, String name) {
    List<String> texts = new ArrayList<>();
    for (JsonNode item : key.array(name)) {
      if (!item.isTextual()) {
        throw key.misfit(name, "holds " + item + ", which is no text", "put it in quotes");
      }
      texts.add(item.textValue());
    }
    return texts;
  }

  private static Set<Jumper> jumpers(Key key, String name) {
    Set<Jumper> wires = new TreeSet<>();
    for (String text : texts(key, name)) {
      wires.add(key.make(name, () -> Jumper.parse(text)));
    }
    return wires;
  }

  static ObjectNode write(LoomSettings loom) {
    ObjectNode node = JsonNodeFactory.instance.objectNode();
    Laying laying = loom.laying();
    node.put("shape", BuildJson.word(laying.shape()));
    BuildJson.number(node, "slack_mm", laying.slackMm());
    BuildJson.number(node, "service_loop_mm", laying.serviceLoopMm());
    node.put("gauge_awg", laying.gaugeAwg());
    node.put("connector", laying.connector());
    ArrayNode stock = node.putArray("stock");
    laying.stock().forEach(hue -> stock.add(hue.name()));
    ObjectNode locks = node.putObject("locks");
    loom.locks().forEach((contact, terminal) -> locks.put(contact.toString(), terminal));
    ObjectNode colours = node.putObject("colours");
    loom.colours().forEach((contact, colour) -> colours.put(contact.toString(), colour.code()));
    ArrayNode groups = node.putArray("groups");
    for (Group group : loom.groups()) {
      ObjectNode item = groups.addObject();
      item.put("name", group.name().text());
      item.put("topology", BuildJson.word(group.topology()));
      ArrayNode contacts = item.putArray("contacts");
      group.contacts().forEach(contact -> contacts.add(contact.toString()));
    }
    ArrayNode dead = node.putArray("dead");
    loom.dead().forEach(dead::add);
    ArrayNode added = node.putArray("added");
    loom.added().forEach(wire -> added.add(wire.toString()));
    ArrayNode leftOut = node.putArray("left_out");
    loom.leftOut().forEach(wire -> leftOut.add(wire.toString()));
    ArrayNode done = node.putArray("done");
    loom.done().forEach(wire -> done.add(wire.toString()));
    return node;
  }
}
