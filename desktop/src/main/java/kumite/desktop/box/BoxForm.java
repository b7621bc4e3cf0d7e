package kumite.desktop.box;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleConsumer;
import java.util.function.UnaryOperator;
import javafx.scene.Node;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.box.BoxPlan;
import kumite.build.box.Box;
import kumite.build.box.Making;
import kumite.build.panel.CaseInside;
import kumite.build.panel.Material;
import kumite.build.panel.Opening;
import kumite.desktop.field.Choice;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.field.LengthsField;
import kumite.desktop.field.TypedField;
import kumite.measure.LengthUnit;
import kumite.measure.Range;

/** How the case is made: each field is an edit. */
final class BoxForm extends VBox {
  private static final double FIELD_PX = 84;

  /** The ways of making, with the sizes that each begins with. */
  private enum Way {
    BOARDS("boards"),
    LASER("laser-cut sheet"),
    PRINTED("printed tray"),
    BOUGHT("a bought box");

    private final String words;

    Way(String words) {
      this.words = words;
    }

    static Way of(Making making) {
      return making instanceof Making.Boards
          ? BOARDS
          : making instanceof Making.Laser
              ? LASER
              : making instanceof Making.Printed ? PRINTED : BOUGHT;
    }

    Making begun(BoxPlan plan) {
      double room = plan.shape().panel().inside().wallMm() - plan.box().overhangMm();
      CaseInside inside = plan.shape().panel().inside();
      return switch (this) {
        case BOARDS -> new Making.Boards(within(12, room), 3);
        case LASER -> new Making.Laser(within(3, room), 0.15, 0);
        case PRINTED -> new Making.Printed(within(2.4, room), 220, 220, 250);
        case BOUGHT ->
            new Making.Bought(
                within(2.5, room),
                clamp(plan.shape().panel().widthMm() - 2 * inside.wallMm()),
                clamp(plan.shape().panel().heightMm() - 2 * inside.wallMm()),
                Math.max(5, inside.depthMm()));
      };
    }

    private static double within(double wanted, double room) {
      return room < 0.5 ? wanted : Math.min(wanted, room);
    }

    private static double clamp(double side) {
      return Math.max(Making.SIDE.least(), Math.min(Making.SIDE.most(), side));
    }
  }

  /** Makes an edit of the room below the panel. */
  interface Inside {
    void change(String label, UnaryOperator<CaseInside> change);
  }

  private final BoxEdit box;
  private final Inside inside;
  private final FlowPane fields = new FlowPane();
  private List<String> shown = List.of();
  private final List<Runnable> shows = new ArrayList<>();
  private Optional<BoxPlan> plan = Optional.empty();
  private LengthUnit unit = LengthUnit.MM;

  BoxForm(BoxEdit box, Inside inside) {
    this.box = box;
    this.inside = inside;
    fields.getStyleClass().add("field-row");
    fields.setHgap(8);
    fields.setVgap(6);
    fields.setMinHeight(Region.USE_PREF_SIZE);
    getChildren().add(fields);
  }

  void show(BoxPlan next, LengthUnit units) {
    plan = Optional.of(next);
    unit = units;
    List<String> now = List.of(Way.of(next.box().making()).name(), units.name());
    if (!now.equals(shown)) {
      shown = now;
      make();
    }
    shows.forEach(Runnable::run);
  }

  private BoxPlan now() {
    return plan.orElseThrow();
  }

  private void make() {
    fields.getChildren().clear();
    shows.clear();
    Choice<Way> way =
        new Choice<>(
            "how the case is made",
            Arrays.asList(Way.values()),
            w -> w.words,
            w -> box.change("Case: " + w.words, b -> b.withMaking(w.begun(now()))));
    way.setId("case-making");
    shows.add(() -> way.show(Optional.of(Way.of(now().box().making()))));
    fields.getChildren().add(Head.named("made of", way));
    making();
    Choice<Optional<Material>> walls =
        new Choice<>(
            "what the walls are of",
            materials(),
            m -> m.map(Material::words).orElse("as usual"),
            m ->
                box.change(
                    "Walls of " + m.map(Material::words).orElse("usual"), b -> b.withWalls(m)));
    walls.setId("case-walls");
    shows.add(() -> walls.show(Optional.of(now().box().walls())));
    fields.getChildren().add(Head.named("walls", walls));
    length(
        "panel stands out",
        "case-overhang",
        Box.OVERHANG,
        () -> now().box().overhangMm(),
        mm -> box.change("Panel stands out", b -> b.withOverhang(mm)));
    length(
        "feet",
        "case-feet",
        Box.FEET,
        () -> now().box().feetMm(),
        mm -> box.change("Feet", b -> b.withFeet(mm)));
    length(
        "depth, back",
        "case-depth",
        CaseInside.DEPTH,
        () -> now().shape().panel().inside().depthMm(),
        mm -> inside.change("Depth at the back", c -> c.withDepth(mm)));
    length(
        "depth, front",
        "case-front-depth",
        CaseInside.DEPTH,
        () -> now().shape().panel().inside().frontDepthMm(),
        mm -> inside.change("Depth at the front", c -> c.withFrontDepth(mm)));
    length(
        "room for walls",
        "case-wall",
        CaseInside.WALL,
        () -> now().shape().panel().inside().wallMm(),
        mm -> inside.change("Room for walls", c -> c.withWall(mm)));
    Choice<Opening> lid =
        new Choice<>(
            "how the case opens",
            List.of(Opening.values()),
            Opening::words,
            o -> inside.change("Open: " + o.words(), c -> c.withOpening(o)));
    lid.setId("case-lid-opens");
    shows.add(() -> lid.show(Optional.of(now().shape().panel().inside().opening())));
    fields.getChildren().add(Head.named("opens", lid));
  }

  private static List<Optional<Material>> materials() {
    List<Optional<Material>> all = new ArrayList<>();
    all.add(Optional.empty());
    Arrays.stream(Material.values()).map(Optional::of).forEach(all::add);
    return all;
  }

  private void making() {
    Making making = now().box().making();
    if (making instanceof Making.Boards) {
      size(
          Making.Boards.class,
          "thick",
          Making.THICKNESS,
          Making.Boards::thicknessMm,
          (m, v) -> new Making.Boards(v, m.kerfMm()));
      size(
          Making.Boards.class,
          "saw kerf",
          Making.KERF,
          Making.Boards::kerfMm,
          (m, v) -> new Making.Boards(m.thicknessMm(), v));
    } else if (making instanceof Making.Laser) {
      size(
          Making.Laser.class,
          "thick",
          Making.THICKNESS,
          Making.Laser::thicknessMm,
          (m, v) -> new Making.Laser(v, m.kerfMm(), m.tightMm(), m.reliefMm()));
      size(
          Making.Laser.class,
          "kerf",
          Making.KERF,
          Making.Laser::kerfMm,
          (m, v) -> new Making.Laser(m.thicknessMm(), v, m.tightMm(), m.reliefMm()));
      size(
          Making.Laser.class,
          "tighter by",
          Making.TIGHT,
          Making.Laser::tightMm,
          (m, v) -> new Making.Laser(m.thicknessMm(), m.kerfMm(), v, m.reliefMm()));
      size(
          Making.Laser.class,
          "corner holes",
          Making.RELIEF,
          Making.Laser::reliefMm,
          (m, v) -> new Making.Laser(m.thicknessMm(), m.kerfMm(), m.tightMm(), v));
    } else if (making instanceof Making.Printed) {
      size(
          Making.Printed.class,
          "thick",
          Making.THICKNESS,
          Making.Printed::thicknessMm,
          Making.Printed::thick);
      size(
          Making.Printed.class,
          "bed, wide",
          Making.SIDE,
          Making.Printed::bedWidthMm,
          (m, v) -> m.onBed(v, m.bedDepthMm(), m.bedHeightMm()));
      size(
          Making.Printed.class,
          "bed, deep",
          Making.SIDE,
          Making.Printed::bedDepthMm,
          (m, v) -> m.onBed(m.bedWidthMm(), v, m.bedHeightMm()));
      size(
          Making.Printed.class,
          "bed, high",
          Making.SIDE,
          Making.Printed::bedHeightMm,
          (m, v) -> m.onBed(m.bedWidthMm(), m.bedDepthMm(), v));
      seams("seams, left to right", "case-seams-x", true);
      seams("seams, front to back", "case-seams-y", false);
    } else {
      size(
          Making.Bought.class,
          "thick",
          Making.THICKNESS,
          Making.Bought::thicknessMm,
          (m, v) -> new Making.Bought(v, m.insideWidthMm(), m.insideDepthMm(), m.insideHeightMm()));
      size(
          Making.Bought.class,
          "inside, wide",
          Making.SIDE,
          Making.Bought::insideWidthMm,
          (m, v) -> new Making.Bought(m.thicknessMm(), v, m.insideDepthMm(), m.insideHeightMm()));
      size(
          Making.Bought.class,
          "inside, deep",
          Making.SIDE,
          Making.Bought::insideDepthMm,
          (m, v) -> new Making.Bought(m.thicknessMm(), m.insideWidthMm(), v, m.insideHeightMm()));
      size(
          Making.Bought.class,
          "inside, high",
          Making.INSIDE,
          Making.Bought::insideHeightMm,
          (m, v) -> new Making.Bought(m.thicknessMm(), m.insideWidthMm(), m.insideDepthMm(), v));
    }
  }

  /** Where a printed tray is parted, as lengths from the panel's edge. */
  private void seams(String name, String id, boolean x) {
    LengthsField field =
        new LengthsField(
            name,
            Making.SEAM,
            mm ->
                box.change(
                    "Case, " + name,
                    b ->
                        b.making() instanceof Making.Printed printed
                            ? b.withMaking(
                                x
                                    ? printed.parted(mm, printed.seamsYMm())
                                    : printed.parted(printed.seamsXMm(), mm))
                            : b));
    field.field().setId(id);
    field.unit(unit);
    shows.add(
        () -> {
          if (now().box().making() instanceof Making.Printed printed) {
            field.show(x ? printed.seamsXMm() : printed.seamsYMm());
          }
        });
    fields.getChildren().add(Head.named(name, field));
  }

  private interface Set<M> {
    Making of(M making, double mm);
  }

  private <M extends Making> void size(
      Class<M> type,
      String name,
      Range range,
      java.util.function.ToDoubleFunction<M> get,
      Set<M> set) {
    length(
        name,
        "case-" + name.replace(", ", "-").replace(' ', '-'),
        range,
        () -> get.applyAsDouble(type.cast(now().box().making())),
        mm ->
            box.change(
                "Case, " + name,
                b ->
                    type.isInstance(b.making())
                        ? b.withMaking(set.of(type.cast(b.making()), mm))
                        : b));
  }

  private void length(
      String name,
      String id,
      Range range,
      java.util.function.DoubleSupplier get,
      DoubleConsumer set) {
    TypedField field = TypedField.length(name, range, set);
    Em.pref(field.field(), FIELD_PX);
    field.field().setId(id);
    if (range == Making.THICKNESS || range == Making.KERF || range == Making.TIGHT) {
      field.fine();
    }
    field.unit(unit);
    shows.add(() -> field.show(get.getAsDouble()));
    Node named = Head.named(name, field);
    fields.getChildren().add(named);
  }
}
