package kumite.files;

import java.util.List;
import java.util.Optional;
import kumite.build.box.Box;
import kumite.build.box.BoxBook;
import kumite.build.box.Cutout;
import kumite.build.box.Face;
import kumite.build.box.Making;
import kumite.build.box.StockSheet;
import kumite.build.box.Through;
import kumite.build.panel.Material;
import kumite.codec.Codec;
import kumite.codec.Field;
import kumite.codec.Fields;
import kumite.codec.Kinds;
import kumite.codec.ObjectCodec;
import kumite.codec.Plain;
import kumite.measure.Point;
import kumite.measure.Shape;
import kumite.room.PartCodec;

/** How the case stands in the file. */
public final class BoxJson {
  /** The codec of the case. */
  public static final PartCodec<BoxBook> CODEC = new PartCodec<>(BoxBook.PART, false, book());

  private BoxJson() {}

  private static Codec<BoxBook> book() {
    Fields<BoxBook> f = new Fields<>();
    Field<BoxBook, Making> making = f.need("making", making(), b -> of(b).making());
    Field<BoxBook, Optional<Material>> walls =
        f.maybe("walls", Plain.word(Material.class), b -> of(b).walls())
            .says("of what; else as its making has it");
    Field<BoxBook, Double> overhang =
        f.usually("overhang_mm", Plain.number(Box.OVERHANG), b -> of(b).overhangMm(), 0.0)
            .says("how far the panel stands out over the walls");
    Field<BoxBook, Double> feet =
        f.usually("feet_mm", Plain.number(Box.FEET), b -> of(b).feetMm(), 0.0);
    Field<BoxBook, List<Cutout>> openings =
        f.some(
            "openings",
            Plain.list(cutout().named("opening"), 0, Box.MOST_OPENINGS),
            b -> of(b).openings());
    Field<BoxBook, List<StockSheet>> stock =
        f.some("stock", Plain.list(sheet(), 0, Box.MOST_SHEETS), b -> of(b).stock())
            .says("what there is to cut from; else the usual sheet");
    return f.make(
        in ->
            new BoxBook(
                new Box(
                    in.get(making),
                    in.get(walls),
                    in.get(overhang),
                    in.get(feet),
                    in.get(openings),
                    in.get(stock))));
  }

  private static Box of(BoxBook book) {
    return book.box().orElseThrow();
  }

  private static Codec<Making> making() {
    return new Kinds<Making>("how")
        .or("boards", Making.Boards.class, boards())
        .or("laser", Making.Laser.class, laser())
        .or("printed", Making.Printed.class, printed())
        .or("bought", Making.Bought.class, bought())
        .make();
  }

  private static ObjectCodec<Making.Boards> boards() {
    Fields<Making.Boards> f = new Fields<>();
    Field<Making.Boards, Double> thick = thick(f, Making.Boards::thicknessMm);
    Field<Making.Boards, Double> kerf =
        f.need("kerf_mm", Plain.number(Making.KERF), Making.Boards::kerfMm).says("of the saw");
    return f.make(in -> new Making.Boards(in.get(thick), in.get(kerf)));
  }

  private static ObjectCodec<Making.Laser> laser() {
    Fields<Making.Laser> f = new Fields<>();
    Field<Making.Laser, Double> thick = thick(f, Making.Laser::thicknessMm);
    Field<Making.Laser, Double> kerf =
        f.need("kerf_mm", Plain.number(Making.KERF), Making.Laser::kerfMm);
    Field<Making.Laser, Double> tight =
        f.usually("tight_mm", Plain.number(Making.TIGHT), Making.Laser::tightMm, 0.0)
            .says("how much wider than its slot a tab is");
    Field<Making.Laser, Double> relief =
        f.usually(
                "relief_mm",
                Plain.number(Making.RELIEF),
                Making.Laser::reliefMm,
                Making.Laser.USUAL_RELIEF_MM)
            .says("how wide the holes in inside corners are once cut; 0 for none");
    return f.make(
        in -> new Making.Laser(in.get(thick), in.get(kerf), in.get(tight), in.get(relief)));
  }

  private static ObjectCodec<Making.Printed> printed() {
    Fields<Making.Printed> f = new Fields<>();
    Field<Making.Printed, Double> thick = thick(f, Making.Printed::thicknessMm);
    Field<Making.Printed, Double> width =
        f.need("bed_width_mm", Plain.number(Making.SIDE), Making.Printed::bedWidthMm);
    Field<Making.Printed, Double> depth =
        f.need("bed_depth_mm", Plain.number(Making.SIDE), Making.Printed::bedDepthMm);
    Field<Making.Printed, Double> height =
        f.need("bed_height_mm", Plain.number(Making.SIDE), Making.Printed::bedHeightMm);
    Field<Making.Printed, List<Double>> seamsX =
        f.some(
                "seams_x_mm",
                Plain.list(Plain.number(Making.SEAM), 0, Making.MOST_SEAMS),
                Making.Printed::seamsXMm)
            .says("where it is parted left from right, from the panel's left edge");
    Field<Making.Printed, List<Double>> seamsY =
        f.some(
                "seams_y_mm",
                Plain.list(Plain.number(Making.SEAM), 0, Making.MOST_SEAMS),
                Making.Printed::seamsYMm)
            .says("front from back, from its front edge");
    return f.make(
        in ->
            new Making.Printed(
                in.get(thick),
                in.get(width),
                in.get(depth),
                in.get(height),
                in.get(seamsX),
                in.get(seamsY)));
  }

  private static ObjectCodec<Making.Bought> bought() {
    Fields<Making.Bought> f = new Fields<>();
    Field<Making.Bought, Double> thick = thick(f, Making.Bought::thicknessMm);
    Field<Making.Bought, Double> width =
        f.need("inside_width_mm", Plain.number(Making.SIDE), Making.Bought::insideWidthMm);
    Field<Making.Bought, Double> depth =
        f.need("inside_depth_mm", Plain.number(Making.SIDE), Making.Bought::insideDepthMm)
            .says("front to back");
    Field<Making.Bought, Double> height =
        f.need("inside_height_mm", Plain.number(Making.INSIDE), Making.Bought::insideHeightMm);
    return f.make(
        in -> new Making.Bought(in.get(thick), in.get(width), in.get(depth), in.get(height)));
  }

  private static <T> Field<T, Double> thick(
      Fields<T> f, java.util.function.Function<T, Double> get) {
    return f.need("thickness_mm", Plain.number(Making.THICKNESS), get).says("as measured");
  }

  private static Codec<Cutout> cutout() {
    Fields<Cutout> f = new Fields<>();
    Field<Cutout, String> name = f.need("name", Plain.LINE, Cutout::name);
    Field<Cutout, Face> face = f.need("face", Plain.word(Face.class), Cutout::face);
    Field<Cutout, Double> x =
        f.need("x_mm", Names.ALONG, c -> c.at().xMm())
            .says("from the left edge of the panel; from its front edge at the sides");
    Field<Cutout, Double> y =
        f.need("y_mm", Names.ALONG, c -> c.at().yMm())
            .says("down from the underside of the panel; on the floor from the front edge");
    Field<Cutout, Through> through = f.need("through", Plain.word(Through.class), Cutout::through);
    Field<Cutout, Optional<Double>> round =
        f.maybe(
                "diameter_mm",
                Plain.number(Cutout.SIZE),
                c -> c.size().filter(s -> s instanceof Shape.Round).map(Shape::widthMm))
            .says("of a round hole of another size");
    Field<Cutout, Optional<Double>> width =
        f.maybe(
                "width_mm",
                Plain.number(Cutout.SIZE),
                c -> c.size().filter(s -> s instanceof Shape.Rect).map(Shape::widthMm))
            .says("of a square one, with its height");
    Field<Cutout, Optional<Double>> height =
        f.maybe(
            "height_mm",
            Plain.number(Cutout.SIZE),
            c -> c.size().filter(s -> s instanceof Shape.Rect).map(Shape::heightMm));
    return f.make(
        in ->
            new Cutout(
                in.get(name),
                in.get(face),
                new Point(in.get(x), in.get(y)),
                in.get(through),
                size(in.get(round), in.get(width), in.get(height))));
  }

  private static Optional<Shape> size(
      Optional<Double> round, Optional<Double> width, Optional<Double> height) {
    if (width.isPresent() != height.isPresent() || round.isPresent() && width.isPresent()) {
      throw new IllegalArgumentException(
          "say diameter_mm of a round hole, or width_mm and height_mm of a square one");
    }
    return round.isPresent()
        ? round.map(Shape.Round::new)
        : width.map(w -> new Shape.Rect(w, height.orElseThrow(), 0));
  }

  private static Codec<StockSheet> sheet() {
    Fields<StockSheet> f = new Fields<>();
    Field<StockSheet, Double> width =
        f.need("width_mm", Plain.number(StockSheet.SIDE), StockSheet::widthMm)
            .says("along the grain");
    Field<StockSheet, Double> height =
        f.need("height_mm", Plain.number(StockSheet.SIDE), StockSheet::heightMm);
    Field<StockSheet, Integer> count =
        f.usually("count", Plain.whole(StockSheet.COUNT), StockSheet::count, 0)
            .says("0 for as many as it takes");
    return f.make(in -> new StockSheet(in.get(width), in.get(height), in.get(count)));
  }
}
