package kumite.desktop.box;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.box.BoxPlan;
import kumite.build.box.Cutout;
import kumite.build.box.Face;
import kumite.build.box.Through;
import kumite.desktop.field.Choice;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.field.TypedField;
import kumite.measure.LengthUnit;
import kumite.measure.Point;
import kumite.measure.Shape;
import kumite.parts.Catalogue;

/** Openings: one is added by what goes through it; the one that is chosen is moved and sized. */
final class OpeningForm extends VBox {
  private static final double FIELD_PX = 84;

  private final BoxEdit box;
  private final Consumer<Optional<String>> chosen;
  private final Choice<Through> through;
  private final Choice<Face> face;
  private final Choice<String> which;
  private final FlowPane sizes = new FlowPane();
  private final Label hint = new Label();
  private Optional<BoxPlan> plan = Optional.empty();
  private Optional<Catalogue> kinds = Optional.empty();
  private LengthUnit unit = LengthUnit.MM;

  OpeningForm(BoxEdit box, Consumer<Optional<String>> chosen) {
    this.box = box;
    this.chosen = chosen;
    Label title = new Label("Openings");
    title.getStyleClass().add("strong");
    through =
        new Choice<>("what goes through", Arrays.asList(Through.values()), Through::words, t -> {});
    through.setId("opening-through");
    through.show(Optional.of(Through.PLUG));
    through.wide(14);
    face = new Choice<>("face", Arrays.asList(Face.values()), Face::words, f -> {});
    face.setId("opening-face");
    face.show(Optional.of(Face.BACK));
    Button add = new Button("Add opening");
    add.setId("opening-add");
    add.getStyleClass().add("accent");
    add.setMinWidth(Region.USE_PREF_SIZE);
    add.setOnAction(event -> add());
    FlowPane adding = row(Head.named("for", through), Head.named("in the", face), add);
    adding.setRowValignment(javafx.geometry.VPos.BOTTOM);
    which =
        new Choice<>("opening", List.of(), name -> name, name -> chosen.accept(Optional.of(name)));
    which.setId("opening-which");
    which.wide(12);
    hint.getStyleClass().add("note");
    hint.setWrapText(true);
    sizes.setHgap(8);
    sizes.setVgap(6);
    getChildren().addAll(title, adding, hint, sizes);
    setSpacing(6);
  }

  private static FlowPane row(javafx.scene.Node... nodes) {
    FlowPane row = new FlowPane(nodes);
    row.setHgap(8);
    row.setVgap(6);
    row.setMinHeight(Region.USE_PREF_SIZE);
    return row;
  }

  void show(BoxPlan next, Catalogue catalogue, LengthUnit units, Optional<String> selected) {
    plan = Optional.of(next);
    kinds = Optional.of(catalogue);
    unit = units;
    List<String> names = next.box().openings().stream().map(Cutout::name).toList();
    which.offer(names);
    Optional<Cutout> now = selected.flatMap(next.box()::opening);
    which.show(now.map(Cutout::name));
    hint.setText(
        names.isEmpty()
            ? "None yet. An opening is as large as what goes through it wants, and is put where it"
                + " troubles nothing."
            : now.isEmpty()
                ? "Drag one in the picture, or choose it here."
                : now.get().through().words()
                    + ": measured from the panel's "
                    + now.get().face().from()
                    + " edge, and "
                    + (now.get().face().wall() ? "down from the panel" : "from its front edge"));
    sizes.getChildren().clear();
    if (!names.isEmpty()) {
      sizes.getChildren().add(Head.named("opening", which));
    }
    now.ifPresent(this::sizes);
  }

  private void sizes(Cutout opening) {
    field(
        "x",
        "opening-x",
        opening.at().xMm(),
        true,
        mm -> move(opening, new Point(mm, opening.at().yMm())));
    field(
        "y",
        "opening-y",
        opening.at().yMm(),
        true,
        mm -> move(opening, new Point(opening.at().xMm(), mm)));
    if (opening.hole() instanceof Shape.Round round) {
      field(
          "diameter",
          "opening-diameter",
          round.diameterMm(),
          false,
          mm -> size(opening, new Shape.Round(mm)));
    } else {
      Shape.Rect rect = (Shape.Rect) opening.hole();
      field(
          "width",
          "opening-width",
          rect.widthMm(),
          false,
          mm -> size(opening, new Shape.Rect(mm, rect.heightMm(), 0)));
      field(
          "height",
          "opening-height",
          rect.heightMm(),
          false,
          mm -> size(opening, new Shape.Rect(rect.widthMm(), mm, 0)));
    }
    Button out = new Button("Take out");
    out.setId("opening-out");
    out.setMinWidth(Region.USE_PREF_SIZE);
    out.setOnAction(
        event -> {
          chosen.accept(Optional.empty());
          box.change("Take " + opening.name() + " out", b -> b.without(opening.name()));
        });
    sizes.getChildren().add(out);
    sizes.setRowValignment(javafx.geometry.VPos.BOTTOM);
  }

  private void field(
      String name, String id, double value, boolean place, java.util.function.DoubleConsumer set) {
    java.util.function.DoubleConsumer taken =
        mm -> {
          if (Math.abs(mm - value) > 1e-9) {
            set.accept(mm);
          }
        };
    TypedField field =
        place ? TypedField.place(name, taken) : TypedField.length(name, Cutout.SIZE, taken);
    Em.pref(field.field(), FIELD_PX);
    field.field().setId(id);
    field.unit(unit);
    field.show(value);
    sizes.getChildren().add(Head.named(name, field));
  }

  void move(Cutout opening, Point at) {
    box.change("Move " + opening.name(), b -> b.with(opening.movedTo(at)));
  }

  private void size(Cutout opening, Shape hole) {
    box.change("Size of " + opening.name(), b -> b.with(opening.sized(hole)));
  }

  private void add() {
    BoxPlan now = plan.orElseThrow();
    Face on = face.getValue();
    Through what = through.getValue();
    String base = what.name().toLowerCase(java.util.Locale.ROOT).replace('_', ' ');
    String name = base;
    for (int i = 2; now.box().opening(name).isPresent(); i++) {
      name = base + " " + i;
    }
    double along = on.across() ? now.shape().panel().widthMm() : now.shape().panel().heightMm();
    double down = on.wall() ? now.shape().leastDepthMm(on) / 2 : now.shape().panel().heightMm() / 2;
    Cutout made =
        now.placed(
            new Cutout(name, on, new Point(Math.rint(along / 2), Math.rint(down)), what),
            kinds.orElseThrow());
    chosen.accept(Optional.of(name));
    box.change("Add " + name, b -> b.with(made));
  }
}
