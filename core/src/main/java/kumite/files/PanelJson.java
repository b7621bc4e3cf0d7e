package kumite.files;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import kumite.build.panel.Block;
import kumite.build.panel.CaseInside;
import kumite.build.panel.Datum;
import kumite.build.panel.Material;
import kumite.build.panel.Opening;
import kumite.build.panel.Panel;
import kumite.json.Key;
import kumite.measure.Point;
import kumite.room.PartCodec;

/** How the panel stands in the file. */
public final class PanelJson {
  /** The panel's codec. */
  public static final PartCodec<Panel> CODEC =
      new PartCodec<>(
          Panel.PART, true, (top, key, around) -> panel(top.object(key)), PanelJson::panel);

  private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

  private PanelJson() {}

  private static Panel panel(Key key) {
    Key in = key.object("inside");
    List<Block> blocks = new ArrayList<>();
    for (Key item : in.objects("blocks")) {
      blocks.add(
          item.make(
              () ->
                  new Block(
                      item.text("name"),
                      item.number("left_mm"),
                      item.number("front_mm"),
                      item.number("width_mm"),
                      item.number("height_mm"),
                      item.has("stands")
                          ? item.word("stands", Block.Stands.class)
                          : Block.Stands.WHOLE,
                      item.number("tall_mm", 0))));
      item.done();
    }
    CaseInside inside =
        in.make(
            () ->
                new CaseInside(
                    in.number("wall_mm"),
                    in.number("depth_mm"),
                    in.number("front_depth_mm"),
                    blocks,
                    in.word("opening", Opening.class)));
    in.done();
    List<Point> outline = new ArrayList<>();
    if (key.has("outline")) {
      for (Key corner : key.objects("outline")) {
        outline.add(new Point(corner.number("x_mm"), corner.number("y_mm")));
        corner.done();
      }
    }
    Panel panel =
        key.make(
            () ->
                new Panel(
                    key.number("width_mm"),
                    key.number("height_mm"),
                    key.number("corner_mm"),
                    key.number("thickness_mm"),
                    key.word("material", Material.class),
                    inside,
                    key.word("datum", Datum.class),
                    outline,
                    key.number("cover_mm", 0)));
    key.done();
    return panel;
  }

  private static ObjectNode panel(Panel panel) {
    ObjectNode node = NODES.objectNode();
    BuildJson.number(node, "width_mm", panel.widthMm());
    BuildJson.number(node, "height_mm", panel.heightMm());
    BuildJson.number(node, "corner_mm", panel.cornerMm());
    BuildJson.number(node, "thickness_mm", panel.thicknessMm());
    if (panel.coverMm() > 0) {
      BuildJson.number(node, "cover_mm", panel.coverMm());
    }
    node.put("material", BuildJson.word(panel.material()));
    node.put("datum", BuildJson.word(panel.datum()));
    ObjectNode inside = node.putObject("inside");
    BuildJson.number(inside, "wall_mm", panel.inside().wallMm());
    BuildJson.number(inside, "depth_mm", panel.inside().depthMm());
    BuildJson.number(inside, "front_depth_mm", panel.inside().frontDepthMm());
    ArrayNode blocks = inside.putArray("blocks");
    for (Block block : panel.inside().blocks()) {
      ObjectNode item = blocks.addObject().put("name", block.name());
      BuildJson.number(item, "left_mm", block.leftMm());
      BuildJson.number(item, "front_mm", block.frontMm());
      BuildJson.number(item, "width_mm", block.widthMm());
      BuildJson.number(item, "height_mm", block.heightMm());
      if (block.stands() != Block.Stands.WHOLE) {
        item.put("stands", BuildJson.word(block.stands()));
        BuildJson.number(item, "tall_mm", block.tallMm());
      }
    }
    inside.put("opening", BuildJson.word(panel.inside().opening()));
    if (!panel.rectangular()) {
      ArrayNode outline = node.putArray("outline");
      for (Point corner : panel.outline()) {
        ObjectNode item = outline.addObject();
        BuildJson.number(item, "x_mm", corner.xMm());
        BuildJson.number(item, "y_mm", corner.yMm());
      }
    }
    return node;
  }
}
