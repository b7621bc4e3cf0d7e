package kumite.desktop.box;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.box.BoxChecks;
import kumite.box.BoxPlan;
import kumite.box.BoxShape;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.Edit;
import kumite.build.box.Face;
import kumite.desktop.field.Choice;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.field.TypedField;
import kumite.measure.Point;
import kumite.name.ControlId;
import kumite.verdict.Bench;

/** Which face of the case a control sits in, and where on it. */
final class SideForm extends VBox {
  private static final double FIELD_PX = 84;

  private final Consumer<Edit> apply;
  private final Consumer<Optional<Pick>> chosen;
  private final Choice<Control> which;
  private final Choice<Optional<Face>> face;
  private final FlowPane fields = new FlowPane();
  private Optional<Bench> bench = Optional.empty();

  SideForm(Consumer<Edit> apply, Consumer<Optional<Pick>> chosen) {
    this.apply = apply;
    this.chosen = chosen;
    Label title = new Label("Controls in other faces");
    title.getStyleClass().add("strong");
    which = new Choice<>("control", List.of(), Control::label, this::picked);
    which.setId("side-which");
    which.wide(11);
    List<Optional<Face>> faces = new ArrayList<>();
    faces.add(Optional.empty());
    Arrays.stream(Face.values()).map(Optional::of).forEach(faces::add);
    face = new Choice<>("its face", faces, f -> f.map(Face::words).orElse("panel"), this::put);
    face.setId("side-face");
    fields.setHgap(8);
    fields.setVgap(6);
    fields.setMinHeight(Region.USE_PREF_SIZE);
    getChildren().addAll(title, fields);
    setSpacing(6);
  }

  void show(Bench next, Optional<Control> selected) {
    bench = Optional.of(next);
    List<Control> controls = next.build().controls();
    setVisible(!controls.isEmpty());
    setManaged(!controls.isEmpty());
    Optional<ControlId> was =
        selected.map(Control::id).or(() -> Optional.ofNullable(which.getValue()).map(Control::id));
    which.offer(controls);
    Optional<Control> now =
        was.flatMap(id -> next.build().control(id).filter(controls::contains))
            .or(() -> controls.stream().findFirst());
    which.show(now);
    fields.getChildren().setAll(Head.named("control", which), Head.named("sits in the", face));
    if (now.isEmpty()) {
      return;
    }
    face.show(Optional.of(now.get().face()));
    if (now.get().face().isPresent()) {
      field(now.get(), true);
      field(now.get(), false);
    }
  }

  private void field(Control control, boolean along) {
    double value = along ? control.placement().xMm() : control.placement().yMm();
    TypedField field =
        TypedField.place(
            along ? "x of " + control.label() : "y of " + control.label(),
            mm -> {
              if (Math.abs(mm - value) > 1e-9) {
                move(control, mm, along);
              }
            });
    Em.pref(field.field(), FIELD_PX);
    field.field().setId(along ? "side-x" : "side-y");
    field.unit(bench.orElseThrow().build().brief().units());
    field.show(value);
    fields.getChildren().add(Head.named(along ? "x" : "y", field));
  }

  private void move(Control control, double mm, boolean along) {
    apply.accept(
        new Edit(
            "Move " + control.label(),
            b ->
                b.withControl(
                    control.id(),
                    c ->
                        c.withPlacement(
                            along
                                ? c.placement().movedTo(mm, c.placement().yMm())
                                : c.placement().movedTo(c.placement().xMm(), mm)))));
  }

  private void picked(Control control) {
    Bench now = bench.orElseThrow();
    chosen.accept(
        Pick.of(now.get(BoxChecks.PLAN), now.catalogue()).stream()
            .filter(p -> p.control().filter(c -> c.id().equals(control.id())).isPresent())
            .findFirst());
    show(now, Optional.of(control));
  }

  /** Into the middle of another face, or of the panel again. */
  private void put(Optional<Face> to) {
    Control control = which.getValue();
    if (control == null || control.face().equals(to)) {
      return;
    }
    BoxPlan plan = bench.orElseThrow().get(BoxChecks.PLAN);
    Point middle = middle(plan.shape(), to);
    apply.accept(
        new Edit(
            control.label() + " into the " + to.map(Face::words).orElse("panel"),
            b -> into(b, control.id(), to, middle)));
  }

  private static Point middle(BoxShape shape, Optional<Face> to) {
    double width = shape.panel().widthMm();
    double height = shape.panel().heightMm();
    boolean wall = to.filter(Face::wall).isPresent();
    double along = to.filter(f -> !f.across()).isPresent() ? height / 2 : width / 2;
    double down = wall ? shape.leastDepthMm(to.orElseThrow()) / 2 : height / 2;
    return new Point(Math.rint(along), Math.rint(down));
  }

  private static Build into(Build build, ControlId id, Optional<Face> to, Point at) {
    return build.withControl(
        id, c -> c.on(to).withPlacement(c.placement().movedTo(at.xMm(), at.yMm())));
  }
}
