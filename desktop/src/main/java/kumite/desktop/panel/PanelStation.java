package kumite.desktop.panel;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import kumite.build.Build;
import kumite.build.CaseInside;
import kumite.build.Control;
import kumite.build.ControlId;
import kumite.build.Datum;
import kumite.build.Edit;
import kumite.build.LengthUnit;
import kumite.build.Material;
import kumite.build.Panel;
import kumite.build.Point;
import kumite.desktop.field.Choice;
import kumite.desktop.field.Head;
import kumite.desktop.field.Segments;
import kumite.desktop.field.TypedField;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.StationView;
import kumite.desktop.shell.Workbench;
import kumite.panel.Arrange;
import kumite.parts.ControlKind;
import kumite.verdict.Bench;
import kumite.verdict.Station;

/** Where things go, and whether they fit. */
public final class PanelStation implements StationView {
  private enum Below {
    SELECTION("Selected"),
    PANEL("Panel and case");

    private final String words;

    Below(String words) {
      this.words = words;
    }
  }

  private final Workbench workbench;
  private final VBox root = new VBox();
  private final PlanView plan;
  private final Head head;
  private final VBox empty;
  private final Segments<Below> tabs;
  private final StackPane bottom = new StackPane();
  private final HBox selectionBar = new HBox();
  private final HBox panelBar = new HBox();

  private final TextField label = new TextField();
  private final TypedField x;
  private final TypedField y;
  private final TypedField turn;
  private final Label none =
      new Label("Select a control to type its place. Tab goes from one to the next.");
  private final FlowPane fields = new FlowPane();

  private final TypedField width;
  private final TypedField height;
  private final TypedField thickness;
  private final TypedField corner;
  private final TypedField depth;
  private final TypedField wall;
  private final Choice<Material> material;
  private final Choice<Datum> datum;

  /** The station's room. */
  public PanelStation(Workbench workbench, Shell.Frame frame) {
    this.workbench = workbench;
    plan = new PlanView(workbench);
    plan.setId("plan");
    root.getStyleClass().add("station-room");

    head = new Head("Panel");

    FlowPane tray = new FlowPane();
    tray.getStyleClass().add("tray");
    for (ControlKind kind : workbench.catalogue().controls()) {
      Button add = new Button(kind.name());
      add.setId("add-" + kind.id());
      add.getStyleClass().add("tray-button");
      add.setTooltip(new Tooltip("Add: " + kind.trait()));
      add.setGraphic(TrayIcon.of(kind));
      add.setOnAction(
          event -> {
            frame.commands().add(kind);
            label.requestFocus();
          });
      tray.getChildren().add(add);
    }

    x = TypedField.length("x from the datum", mm -> place(mm, true));
    y = TypedField.length("y from the datum", mm -> place(mm, false));
    turn = TypedField.number("turn", "deg", -360, 360, this::turn);
    x.field().setId("place-x");
    y.field().setId("place-y");
    turn.field().setId("place-turn");
    label.setId("control-label");
    label.setAccessibleText("Label of the control");
    label.setPrefColumnCount(11);
    label.setOnAction(event -> rename());
    label
        .focusedProperty()
        .addListener(
            (o, was, is) -> {
              if (!is) {
                rename();
              }
            });
    for (TypedField field : new TypedField[] {x, y, turn}) {
      field.field().setPrefWidth(96);
    }
    fields.getStyleClass().add("field-row");
    fields.setMinHeight(Region.USE_PREF_SIZE);
    HBox.setHgrow(fields, Priority.ALWAYS);
    fields
        .getChildren()
        .addAll(
            Head.named("label", label),
            Head.named("x", x),
            Head.named("y", y),
            Head.named("turn", turn),
            small("Duplicate", frame.commands().duplicate().run(), "Ctrl+D"),
            small("Mirror", frame.commands().mirror().run(), "Ctrl+M, about the centre line"),
            small("Delete", frame.commands().delete().run(), "Delete"));
    none.getStyleClass().add("note");
    selectionBar.getStyleClass().add("bar");
    selectionBar.getChildren().addAll(none, fields);

    width = size("width", (p, mm) -> p.withSize(mm, p.heightMm()));
    height = size("front to back", (p, mm) -> p.withSize(p.widthMm(), mm));
    thickness = size("thickness", Panel::withThickness);
    corner = size("corner radius", Panel::withCorner);
    depth = size("inside depth", (p, mm) -> p.withInside(new CaseInside(p.inside().wallMm(), mm)));
    wall = size("wall", (p, mm) -> p.withInside(new CaseInside(mm, p.inside().depthMm())));
    material = choice(Material.values(), Material::words, (p, m) -> p.withMaterial(m), "material");
    datum = choice(Datum.values(), Datum::words, (p, d) -> p.withDatum(d), "datum");
    panelBar.getStyleClass().add("bar");
    bottom.setMinHeight(Region.USE_PREF_SIZE);
    tray.setMinHeight(Region.USE_PREF_SIZE);
    FlowPane sizes = new FlowPane();
    sizes.setMinHeight(Region.USE_PREF_SIZE);
    HBox.setHgrow(sizes, Priority.ALWAYS);
    sizes.getStyleClass().add("field-row");
    sizes
        .getChildren()
        .addAll(
            Head.named("width", width),
            Head.named("front to back", height),
            Head.named("thickness", thickness),
            Head.named("corner", corner),
            Head.named("case depth", depth),
            Head.named("wall", wall),
            Head.named("material", material),
            Head.named("measured from", datum));
    panelBar.getChildren().add(sizes);

    tabs = new Segments<>(b -> b.words, this::showBelow, Below.values());
    tabs.getStyleClass().add("flat-segments");
    Label how =
        new Label("Drag to place, Alt without snapping. Arrows nudge 1 mm, with Shift 0.1 mm.");
    how.getStyleClass().add("note");
    how.setTextOverrun(javafx.scene.control.OverrunStyle.ELLIPSIS);
    Region push = new Region();
    HBox.setHgrow(push, Priority.ALWAYS);
    HBox tabRow = new HBox(tabs, push, how);
    tabRow.getStyleClass().add("tab-row");

    empty = emptyState(frame);
    StackPane sheet = new StackPane(plan, empty);
    sheet.getStyleClass().add("sheet");
    VBox.setVgrow(sheet, Priority.ALWAYS);
    root.getChildren().addAll(head, tray, sheet, tabRow, bottom);
    showBelow(Below.SELECTION);
    workbench.selection().addListener((o, was, is) -> selection());
    plan.addEventFilter(KeyEvent.KEY_PRESSED, this::nudge);
  }

  private VBox emptyState(Shell.Frame frame) {
    Label what = new Label("An empty panel.");
    what.getStyleClass().add("emphasis");
    Label how = new Label("Put a first button on it; the tray above has the rest.");
    how.setWrapText(true);
    Button first = new Button("Add a 30 mm button");
    first.setId("add-first");
    first.getStyleClass().add("accent");
    first.setOnAction(
        event -> workbench.catalogue().control("button-30").ifPresent(frame.commands()::add));
    VBox box = new VBox(what, how, first);
    box.getStyleClass().add("empty-state");
    box.setMaxSize(Region.USE_PREF_SIZE, Region.USE_PREF_SIZE);
    return box;
  }

  private static Button small(String text, Runnable run, String keys) {
    Button button = new Button(text);
    button.getStyleClass().add("small");
    button.setMinWidth(Region.USE_PREF_SIZE);
    button.setTooltip(new Tooltip(keys));
    button.setOnAction(event -> run.run());
    return button;
  }

  private interface Change<T> {
    Panel apply(Panel panel, T value);
  }

  private TypedField size(String name, Change<Double> change) {
    TypedField field =
        TypedField.length(
            name,
            mm ->
                workbench.apply(
                    new Edit("Set " + name, b -> b.withPanel(change.apply(b.panel(), mm)))));
    field.field().setPrefWidth(80);
    field.field().setId("panel-" + name.replace(' ', '-'));
    return field;
  }

  private <T> Choice<T> choice(
      T[] values, java.util.function.Function<T, String> words, Change<T> change, String name) {
    Choice<T> box =
        new Choice<>(
            name,
            List.of(values),
            words,
            value ->
                workbench.apply(
                    new Edit("Set " + name, b -> b.withPanel(change.apply(b.panel(), value)))));
    box.setId("panel-" + name);
    return box;
  }

  private void showBelow(Below which) {
    tabs.choose(which);
    bottom.getChildren().setAll(which == Below.SELECTION ? selectionBar : panelBar);
  }

  private Optional<Control> only() {
    Set<ControlId> selection = workbench.selection().get();
    return selection.size() == 1
        ? workbench.build().get().control(selection.iterator().next())
        : Optional.empty();
  }

  private void place(double mm, boolean alongX) {
    only()
        .ifPresent(
            control -> {
              Panel panel = workbench.build().get().panel();
              Point shown = panel.datum().fromStored(control.placement().centre(), panel);
              Point next =
                  panel
                      .datum()
                      .toStored(
                          alongX ? new Point(mm, shown.yMm()) : new Point(shown.xMm(), mm), panel);
              workbench.apply(
                  new Edit(
                      "Move " + control.label(),
                      b ->
                          b.withControl(
                              control.id(),
                              c ->
                                  c.withPlacement(c.placement().movedTo(next.xMm(), next.yMm())))));
            });
  }

  private void turn(double degrees) {
    only()
        .ifPresent(
            control ->
                workbench.apply(
                    new Edit(
                        "Turn " + control.label(),
                        b ->
                            b.withControl(
                                control.id(),
                                c -> c.withPlacement(c.placement().turnedTo(degrees))))));
  }

  private void rename() {
    String wanted = label.getText().strip();
    only()
        .filter(control -> !wanted.isEmpty() && !control.label().equals(wanted))
        .ifPresent(
            control ->
                workbench.apply(
                    new Edit(
                        "Name " + wanted,
                        b -> b.withControl(control.id(), c -> c.withLabel(wanted)))));
  }

  private void nudge(KeyEvent event) {
    Set<ControlId> selection = workbench.selection().get();
    double step = event.isShiftDown() ? 0.1 : 1;
    double dx = 0;
    double dy = 0;
    switch (event.getCode()) {
      case LEFT -> dx = -step;
      case RIGHT -> dx = step;
      case UP -> dy = step;
      case DOWN -> dy = -step;
      default -> {
        return;
      }
    }
    if (!selection.isEmpty() && !event.isShortcutDown()) {
      workbench.apply(Arrange.shift(workbench.build().get(), selection, dx, dy));
      event.consume();
    }
  }

  @Override
  public Station station() {
    return Station.PANEL;
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public void show(Bench bench) {
    Build build = bench.build();
    Panel panel = build.panel();
    LengthUnit unit = build.brief().units();
    head.facts(
        build.controls().size()
            + (build.controls().size() == 1 ? " control · " : " controls · ")
            + bench.drill().holes().size()
            + " holes · from the "
            + panel.datum().words());
    empty.setVisible(build.controls().isEmpty());
    plan.show(bench);
    for (TypedField field :
        new TypedField[] {x, y, width, height, thickness, corner, depth, wall}) {
      field.unit(unit);
    }
    width.show(panel.widthMm());
    height.show(panel.heightMm());
    thickness.show(panel.thicknessMm());
    corner.show(panel.cornerMm());
    depth.show(panel.inside().depthMm());
    wall.show(panel.inside().wallMm());
    material.show(Optional.of(panel.material()));
    datum.show(Optional.of(panel.datum()));
    selection();
  }

  private void selection() {
    Optional<Control> control = only();
    int count = workbench.selection().get().size();
    none.setVisible(count == 0);
    none.setManaged(count == 0);
    fields.setVisible(count > 0);
    fields.setManaged(count > 0);
    label.setDisable(control.isEmpty());
    for (TypedField field : new TypedField[] {x, y, turn}) {
      field.setDisable(control.isEmpty());
    }
    if (control.isEmpty()) {
      label.setText(count > 1 ? count + " controls" : "");
    } else {
      Panel panel = workbench.build().get().panel();
      Point shown = panel.datum().fromStored(control.get().placement().centre(), panel);
      if (!label.isFocused()) {
        label.setText(control.get().label());
      }
      x.show(shown.xMm());
      y.show(shown.yMm());
      turn.show(control.get().placement().turnDegrees());
    }
  }
}
