package kumite.files;

import java.util.List;
import java.util.Optional;
import kumite.build.panel.Block;
import kumite.build.panel.CaseInside;
import kumite.build.panel.Datum;
import kumite.build.panel.Material;
import kumite.build.panel.Opening;
import kumite.build.panel.Panel;
import kumite.codec.Codec;
import kumite.codec.Field;
import kumite.codec.Fields;
import kumite.codec.Plain;
import kumite.measure.Point;
import kumite.room.PartCodec;

/** How the panel stands in the file. */
public final class PanelJson {
  /** The panel's codec. */
  public static final PartCodec<Panel> CODEC = new PartCodec<>(Panel.PART, true, panel());

  private PanelJson() {}

  private static Codec<Panel> panel() {
    Fields<Panel> f = new Fields<>();
    Field<Panel, Double> width = f.need("width_mm", Plain.number(Panel.WIDTH), Panel::widthMm);
    Field<Panel, Double> height =
        f.need("height_mm", Plain.number(Panel.HEIGHT), Panel::heightMm).says("front to back");
    Field<Panel, Double> corner = f.need("corner_mm", Plain.number(Panel.CORNER), Panel::cornerMm);
    Field<Panel, Double> thickness =
        f.need("thickness_mm", Plain.number(Panel.THICKNESS), Panel::thicknessMm);
    Field<Panel, Double> cover =
        f.usually("cover_mm", Plain.number(Panel.COVER), Panel::coverMm, 0.0)
            .says("a clear cover and the art under it, on top");
    Field<Panel, Material> material =
        f.need("material", Plain.word(Material.class), Panel::material);
    Field<Panel, Datum> datum = f.need("datum", Plain.word(Datum.class), Panel::datum);
    Field<Panel, CaseInside> inside = f.need("inside", inside(), Panel::inside);
    Field<Panel, Optional<List<Point>>> outline =
        f.maybe(
                "outline",
                Plain.list(corner(), Panel.FEWEST_CORNERS, Panel.MOST_CORNERS),
                panel -> panel.rectangular() ? Optional.empty() : Optional.of(panel.outline()))
            .says("corners in order around a panel that is no rectangle");
    return f.make(
        in ->
            new Panel(
                in.get(width),
                in.get(height),
                in.get(corner),
                in.get(thickness),
                in.get(material),
                in.get(inside),
                in.get(datum),
                in.get(outline).orElse(List.of()),
                in.get(cover)));
  }

  private static Codec<Point> corner() {
    Fields<Point> f = new Fields<>();
    Field<Point, Double> x = f.need("x_mm", Names.ALONG, Point::xMm);
    Field<Point, Double> y = f.need("y_mm", Names.ALONG, Point::yMm);
    return f.make(in -> new Point(in.get(x), in.get(y)));
  }

  private static Codec<CaseInside> inside() {
    Fields<CaseInside> f = new Fields<>();
    Field<CaseInside, Double> wall =
        f.need("wall_mm", Plain.number(CaseInside.WALL), CaseInside::wallMm);
    Field<CaseInside, Double> depth =
        f.need("depth_mm", Plain.number(CaseInside.DEPTH), CaseInside::depthMm)
            .says("at the back edge");
    Field<CaseInside, Double> front =
        f.need("front_depth_mm", Plain.number(CaseInside.DEPTH), CaseInside::frontDepthMm);
    Field<CaseInside, List<Block>> blocks =
        f.need("blocks", Plain.list(block(), 0, CaseInside.MOST_BLOCKS), CaseInside::blocks);
    Field<CaseInside, Opening> opening =
        f.need("opening", Plain.word(Opening.class), CaseInside::opening);
    return f.make(
        in ->
            new CaseInside(
                in.get(wall), in.get(depth), in.get(front), in.get(blocks), in.get(opening)));
  }

  private static Codec<Block> block() {
    Fields<Block> f = new Fields<>();
    Field<Block, String> name = f.need("name", Plain.LINE, Block::name);
    Field<Block, Double> left = f.need("left_mm", Names.ALONG, Block::leftMm);
    Field<Block, Double> front = f.need("front_mm", Names.ALONG, Block::frontMm);
    Field<Block, Double> width = f.need("width_mm", Plain.number(Block.SIDE), Block::widthMm);
    Field<Block, Double> height = f.need("height_mm", Plain.number(Block.SIDE), Block::heightMm);
    Field<Block, Block.Stands> stands =
        f.usually("stands", Plain.word(Block.Stands.class), Block::stands, Block.Stands.WHOLE)
            .says("without it the block fills the depth");
    Field<Block, Double> tall =
        f.usually("tall_mm", Plain.number(Block.TALL), Block::tallMm, 0.0)
            .says("up from the floor, or down from the panel");
    return f.make(
        in ->
            new Block(
                in.get(name),
                in.get(left),
                in.get(front),
                in.get(width),
                in.get(height),
                in.get(stands),
                in.get(tall)));
  }
}
