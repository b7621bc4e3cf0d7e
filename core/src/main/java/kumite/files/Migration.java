package kumite.files;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.databind.node.TextNode;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import kumite.build.map.Profile;
import kumite.name.Joint;
import kumite.name.SeatId;

/** Brings older build files up to the version that is read, one version at a time. */
final class Migration {
  private Migration() {}

  /** {@return the same document as the newest version; what does not fit is left for the reader} */
  static JsonNode toNewest(JsonNode root) {
    JsonNode version = root.get("version");
    boolean older =
        root.isObject()
            && version != null
            && version.isInt()
            && version.intValue() >= 1
            && version.intValue() < BuildFile.VERSION;
    if (!older) {
      return root;
    }
    ObjectNode next = root.deepCopy();
    if (version.intValue() == 1) {
      secondVersion(next);
    }
    if (version.intValue() <= 2) {
      thirdVersion(next);
    }
    if (version.intValue() <= 3) {
      fourthVersion(next);
    }
    if (version.intValue() <= 4) {
      fifthVersion(next);
    }
    if (version.intValue() <= 5) {
      sixthVersion(next);
    }
    seventhVersion(next);
    return next;
  }

  /** Version 7 knows leads, cables and ring-outs; a build from before has none. */
  private static void seventhVersion(ObjectNode root) {
    root.put("version", 7);
  }

  /**
   * Version 6 knows seats and profiles: the board with its wiring and timing becomes the first
   * seat, the host with what it asks for and the map its first profile.
   */
  private static void sixthVersion(ObjectNode root) {
    root.put("version", 6);
    ObjectNode seat = JsonNodeFactory.instance.objectNode();
    seat.put("id", SeatId.FIRST.text());
    moved(root, seat, "board", "loom");
    ObjectNode profile = seat.putArray("profiles").addObject();
    profile.put("name", Profile.USUAL_NAME);
    if (root.get("brief") instanceof ObjectNode brief) {
      moved(brief, profile, "host", "functions", "together");
    }
    moved(root, profile, "map");
    moved(root, seat, "timing");
    root.putArray("seats").add(seat);
  }

  private static void moved(ObjectNode from, ObjectNode to, String... keys) {
    for (String key : keys) {
      JsonNode value = from.remove(key);
      if (value != null) {
        to.set(key, value);
      }
    }
  }

  /**
   * Version 5 knows the side that an own part is put in from, its cap, and which wires are done. A
   * part that does not say comes from the side that its mount usually does.
   */
  private static void fifthVersion(ObjectNode root) {
    root.put("version", 5);
    if (root.get("loom") instanceof ObjectNode loom) {
      loom.putArray("done");
    }
  }

  /**
   * Version 4 knows bare bus wires, and keeps the name of the board for the board: a control that
   * was called so gets another id, everywhere.
   */
  private static void fourthVersion(ObjectNode root) {
    root.put("version", 4);
    Set<String> taken = new HashSet<>();
    root.path("controls").forEach(control -> taken.add(control.path("id").asText()));
    if (!taken.contains(Joint.BOARD)) {
      return;
    }
    String fresh = Joint.BOARD + "-control";
    for (int n = 2; taken.contains(fresh); n++) {
      fresh = Joint.BOARD + "-control-" + n;
    }
    for (JsonNode control : root.path("controls")) {
      if (control instanceof ObjectNode object && object.path("id").asText().equals(Joint.BOARD)) {
        object.put("id", fresh);
      }
    }
    renamed(root.get("map"), fresh);
    renamed(root.path("loom").get("locks"), fresh);
    renamed(root.path("loom").get("colours"), fresh);
    for (JsonNode group : root.path("loom").path("groups")) {
      if (group.get("contacts") instanceof ArrayNode contacts) {
        for (int i = 0; i < contacts.size(); i++) {
          contacts.set(i, TextNode.valueOf(renamed(contacts.get(i).asText(), fresh)));
        }
      }
    }
  }

  private static String renamed(String contact, String fresh) {
    return contact.equals(Joint.BOARD) || contact.startsWith(Joint.BOARD + ".")
        ? fresh + contact.substring(Joint.BOARD.length())
        : contact;
  }

  private static void renamed(JsonNode node, String fresh) {
    if (node instanceof ObjectNode object) {
      List<String> keys = new ArrayList<>();
      object.fieldNames().forEachRemaining(keys::add);
      for (String key : keys) {
        JsonNode value = object.remove(key);
        object.set(renamed(key, fresh), value);
      }
    }
  }

  /** Version 3 knows groups, wires added and left out, colours at hand and own boards. */
  private static void thirdVersion(ObjectNode root) {
    root.put("version", 3);
    if (root.get("loom") instanceof ObjectNode loom) {
      loom.put("connector", false);
      for (String list : new String[] {"stock", "groups", "dead", "added", "left_out"}) {
        loom.putArray(list);
      }
    }
    root.putArray("own_boards");
  }

  /** Version 2 knows the hand, the floor's slope, what is in the way, and a build's own parts. */
  private static void secondVersion(ObjectNode root) {
    root.put("version", 2);
    if (root.get("brief") instanceof ObjectNode brief && brief.has("reach_mm")) {
      ObjectNode hand = brief.putObject("hand");
      BriefJson.HAND.write(kumite.build.brief.Hand.AVERAGE, hand);
      hand.set("reach_mm", brief.remove("reach_mm"));
      brief.putArray("together");
    }
    if (root.get("panel") instanceof ObjectNode panel
        && panel.get("inside") instanceof ObjectNode inside
        && inside.has("depth_mm")) {
      inside.set("front_depth_mm", inside.get("depth_mm"));
      inside.putArray("blocks");
      inside.put("opening", "lifts_off");
    }
    if (root.get("board") instanceof ObjectNode board) {
      board.put("seat", "floor");
    }
    root.putArray("own_parts");
  }
}
