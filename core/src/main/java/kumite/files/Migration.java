package kumite.files;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;

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
    thirdVersion(next);
    return next;
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
      BuildJson.hand(hand, kumite.build.brief.Hand.AVERAGE);
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
