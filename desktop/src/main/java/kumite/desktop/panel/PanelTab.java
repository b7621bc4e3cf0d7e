package kumite.desktop.panel;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.build.Edit;
import kumite.build.panel.Datum;
import kumite.build.panel.Material;
import kumite.build.panel.Panel;
import kumite.desktop.field.Choice;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.field.TypedField;
import kumite.desktop.shell.Tab;
import kumite.desktop.shell.Workbench;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.measure.Point;
import kumite.measure.Range;
import kumite.verdict.Bench;

/** The plate itself: size, shape, thickness, material, datum. */
final class PanelTab implements Tab {
  /** Outlines to start from. */
  private enum Form {
    RECTANGLE("rectangle"),
    CUT_FRONT("front corners cut off"),
    NARROW_FRONT("narrower at the front"),
    OTHER("as typed");

    private final String words;

    Form(String words) {
      this.words = words;
    }
  }

  private final Workbench workbench;
  private final TypedField width;
  private final TypedField height;
  private final TypedField thickness;
  private final TypedField corner;
  private final TypedField cover;
  private final Choice<Material> material;
  private final Choice<Datum> datum;
  private final Choice<Form> form;
  private final TextField corners = new TextField();
  private final Label advice = new Label();
  private final HBox typed = new HBox();
  private boolean typing;
  private final VBox root = new VBox();

  PanelTab(Workbench workbench) {
    this.workbench = workbench;
    width = size("width", Panel.WIDTH, (p, mm) -> p.withSize(mm, p.heightMm()));
    height = size("front to back", Panel.HEIGHT, (p, mm) -> p.withSize(p.widthMm(), mm));
    thickness = size("thickness", Panel.THICKNESS, Panel::withThickness);
    corner = size("corner radius", Panel.CORNER, Panel::withCorner);
    cover = size("cover", Panel.COVER, Panel::withCover);
    cover
        .field()
        .setTooltip(
            new javafx.scene.control.Tooltip(
                "A clear cover and the art under it, on top of the panel; 0 for none"));
    material =
        new Choice<>(
            "material",
            List.of(Material.values()),
            Material::words,
            m -> change("Set material", p -> p.withMaterial(m)));
    material.setId("panel-material");
    datum =
        new Choice<>(
            "datum",
            List.of(Datum.values()),
            Datum::words,
            d -> change("Set datum", p -> p.withDatum(d)));
    datum.setId("panel-datum");
    form = new Choice<>("outline", List.of(Form.values()), f -> f.words, this::shape);
    form.setId("panel-outline");
    material.wide(7);
    datum.wide(10.5);
    form.wide(8);
    corners.setId("panel-corners");
    corners.getStyleClass().add("mono");
    corners.setPrefColumnCount(48);
    corners.setAccessibleText("Corners in order around the panel");
    corners.setOnAction(event -> takeCorners());
    FlowPane sizes = new FlowPane();
    sizes.setMinHeight(Region.USE_PREF_SIZE);
    sizes.getStyleClass().add("field-row");
    sizes
        .getChildren()
        .addAll(
            Head.named("width", width),
            Head.named("front to back", height),
            Head.named("thickness", thickness),
            Head.named("cover", cover),
            Head.named("corner", corner),
            Head.named("material", material),
            Head.named("measured from", datum),
            Head.named("outline", form));
    Label cornersName = new Label("corners: x y; x y; around, then Enter");
    cornersName.setLabelFor(corners);
    cornersName.getStyleClass().add("field-name");
    cornersName.setMinWidth(Region.USE_PREF_SIZE);
    HBox.setHgrow(corners, Priority.ALWAYS);
    typed.getChildren().addAll(cornersName, corners);
    typed.getStyleClass().add("row");
    advice.getStyleClass().add("note");
    advice.setWrapText(true);
    advice.setMinHeight(Region.USE_PREF_SIZE);
    root.getStyleClass().add("tab-body");
    root.getChildren().addAll(sizes, typed, advice);
  }

  private TypedField size(String name, Range range, BiFunction<Panel, Double, Panel> change) {
    TypedField field =
        TypedField.length(name, range, mm -> change("Set " + name, p -> change.apply(p, mm)));
    Em.pref(field.field(), name.equals("width") || name.startsWith("front") ? 80 : 71);
    field.field().setId("panel-" + name.replace(' ', '-'));
    return field;
  }

  private void change(String label, java.util.function.UnaryOperator<Panel> change) {
    workbench.apply(new Edit(label, b -> b.withPanel(change.apply(b.panel()))));
  }

  private void shape(Form wanted) {
    Panel panel = workbench.build().get().panel();
    double w = panel.widthMm();
    double h = panel.heightMm();
    double cut = Math.rint(Math.min(w, h) / 5);
    switch (wanted) {
      case RECTANGLE -> {
        typing = false;
        change("Rectangle", p -> p.withOutline(List.of()));
      }
      case CUT_FRONT ->
          change(
              "Cut the front corners",
              p ->
                  p.withOutline(
                      List.of(
                          new Point(cut, 0),
                          new Point(w - cut, 0),
                          new Point(w, cut),
                          new Point(w, h),
                          new Point(0, h),
                          new Point(0, cut))));
      case NARROW_FRONT ->
          change(
              "Narrow the front",
              p ->
                  p.withOutline(
                      List.of(
                          new Point(cut, 0),
                          new Point(w - cut, 0),
                          new Point(w, h),
                          new Point(0, h))));
      case OTHER -> {
        typing = true;
        show(workbench.bench().get());
        corners.requestFocus();
      }
    }
  }

  private void takeCorners() {
    try {
      LengthUnit unit = workbench.build().get().brief().units();
      List<Point> points = new ArrayList<>();
      String text = corners.getText().strip();
      for (String corner : text.isEmpty() ? new String[0] : text.split(";")) {
        String[] xy = corner.strip().split("\\s*,\\s*|\\s+(?=[-\\d.])");
        if (xy.length != 2) {
          throw new IllegalArgumentException(
              "corner "
                  + (points.size() + 1)
                  + " \""
                  + corner.strip()
                  + "\": type x and y, such as 20 0");
        }
        points.add(new Point(Length.parse(xy[0], unit).mm(), Length.parse(xy[1], unit).mm()));
      }
      change("Set the outline", p -> p.withOutline(points));
    } catch (IllegalArgumentException e) {
      workbench.complain(e.getMessage());
    }
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public void show(Bench bench) {
    Panel panel = bench.build().panel();
    LengthUnit unit = bench.build().brief().units();
    for (TypedField field : new TypedField[] {width, height, thickness, cover, corner}) {
      field.unit(unit);
    }
    width.show(panel.widthMm());
    height.show(panel.heightMm());
    thickness.show(panel.thicknessMm());
    cover.show(panel.coverMm());
    corner.show(panel.cornerMm());
    material.show(Optional.of(panel.material()));
    datum.show(Optional.of(panel.datum()));
    boolean others = typing || !panel.rectangular();
    form.show(Optional.of(others ? Form.OTHER : Form.RECTANGLE));
    typed.setVisible(others);
    typed.setManaged(others);
    advice.setVisible(!others);
    advice.setManaged(!others);
    if (!corners.isFocused()) {
      corners.setText(
          panel.corners().stream()
              .map(
                  p ->
                      String.format(
                          Locale.ROOT,
                          "%s %s",
                          Length.number(p.xMm(), unit),
                          Length.number(p.yMm(), unit)))
              .collect(Collectors.joining("; ")));
    }
    advice.setText(
        "Drag a corner, or the middle of a side, on the plan. The least web between holes in "
            + Length.text(panel.thicknessMm(), unit)
            + " "
            + panel.material().words()
            + " is "
            + Length.text(panel.material().webMm(panel.thicknessMm()), unit)
            + ".");
  }
}
