package kumite.files;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import kumite.build.brief.Brief;
import kumite.build.brief.Hand;
import kumite.json.Key;
import kumite.measure.LengthUnit;
import kumite.measure.Point;
import kumite.room.PartCodec;

/** How the brief stands in the file. */
public final class BriefJson {
  /** The brief's codec. */
  public static final PartCodec<Brief> CODEC =
      new PartCodec<>(
          Brief.PART, true, (top, key, around) -> brief(top.object(key)), BriefJson::brief);

  private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

  private BriefJson() {}

  private static Brief brief(Key key) {
    String units = key.text("units");
    if (!units.equals("mm") && !units.equals("in")) {
      throw key.misfit("units", "\"" + units + "\" is unknown here", "use mm or in");
    }
    Hand hand = hand(key.object("hand"));
    return key.whole(
        () ->
            new Brief(
                key.text("title"),
                key.number("supply_v"),
                hand,
                units.equals("in") ? LengthUnit.INCH : LengthUnit.MM));
  }

  private static Hand hand(Key key) {
    List<Hand.Rest> rests = new ArrayList<>();
    for (Key item : key.objects("rests")) {
      rests.add(
          item.make(
              () ->
                  new Hand.Rest(
                      item.text("name"), new Point(item.number("x_mm"), item.number("y_mm")))));
      item.done();
    }
    Hand hand =
        key.make(
            () ->
                new Hand(
                    key.word("uses", Hand.Uses.class),
                    key.number("reach_mm"),
                    key.number("breadth_mm"),
                    key.number("span_mm"),
                    key.number("force_n"),
                    key.number("wander_mm"),
                    key.truth("measured"),
                    rests));
    key.done();
    return hand;
  }

  private static ObjectNode brief(Brief brief) {
    ObjectNode node = NODES.objectNode();
    node.put("title", brief.title());
    BuildJson.number(node, "supply_v", brief.supplyVolts());
    hand(node.putObject("hand"), brief.hand());
    node.put("units", brief.units().symbol());
    return node;
  }

  static void hand(ObjectNode node, Hand hand) {
    node.put("uses", BuildJson.word(hand.uses()));
    BuildJson.number(node, "reach_mm", hand.reachMm());
    BuildJson.number(node, "breadth_mm", hand.breadthMm());
    BuildJson.number(node, "span_mm", hand.spanMm());
    BuildJson.number(node, "force_n", hand.forceN());
    BuildJson.number(node, "wander_mm", hand.wanderMm());
    node.put("measured", hand.measured());
    ArrayNode rests = node.putArray("rests");
    for (Hand.Rest rest : hand.rests()) {
      ObjectNode item = rests.addObject().put("name", rest.name());
      BuildJson.number(item, "x_mm", rest.at().xMm());
      BuildJson.number(item, "y_mm", rest.at().yMm());
    }
  }
}
