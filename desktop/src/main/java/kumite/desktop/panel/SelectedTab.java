package kumite.desktop.panel;

import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import kumite.build.Control;
import kumite.build.Edit;
import kumite.build.panel.Panel;
import kumite.desktop.field.Choice;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.field.TypedField;
import kumite.desktop.shell.Command;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.Tab;
import kumite.desktop.shell.Workbench;
import kumite.kind.ControlKind;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.name.ControlId;
import kumite.panel.Arrange;
import kumite.verdict.Bench;

/** Where the selected control sits, what kind it is, and how several are lined up. */
final class SelectedTab implements Tab {
  private final Workbench workbench;
  private final TextField label = new TextField();
  private final TypedField x;
  private final TypedField y;
  private final TypedField turn;
  private final Label none =
      new Label(
          "Drag a control to place it, Alt without snapping; arrows nudge 1 mm, with Shift 0.1 mm."
              + " Drag over the empty panel to select several. The wheel zooms, the right button"
              + " moves the sheet.");
  private final FlowPane fields = new FlowPane();
  private final HBox kindBox = new HBox();
  private final Label facts = new Label();
  private final VBox chosen = new VBox();

  /** Both lie in one place, so that choosing a control does not move the plan under the mouse. */
  private final StackPane root = new StackPane(chosen, none);

  SelectedTab(Workbench workbench, Shell.Frame frame) {
    this.workbench = workbench;
    x = TypedField.place("x from the datum", mm -> place(mm, true));
    y = TypedField.place("y from the datum", mm -> place(mm, false));
    turn = TypedField.number("turn", Placement.TURN, this::turn);
    x.field().setId("place-x");
    y.field().setId("place-y");
    turn.field().setId("place-turn");
    label.setId("control-label");
    label.setAccessibleText("Label of the control");
    label.setPrefColumnCount(10);
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
      Em.pref(field.field(), 80);
    }
    fields.getStyleClass().add("field-row");
    fields.setMinHeight(Region.USE_PREF_SIZE);
    HBox.setHgrow(fields, Priority.ALWAYS);
    fields
        .getChildren()
        .addAll(
            Head.named("label", label),
            Head.named("kind", kindBox),
            Head.named("x", x),
            Head.named("y", y),
            Head.named("turn", turn));
    MenuButton arrange = new MenuButton("Arrange");
    arrange.setId("arrange");
    arrange.setMinWidth(Region.USE_PREF_SIZE);
    arrange.setTooltip(new Tooltip("Copy, mirror, line up, spread, second seat, delete"));
    for (Command command : frame.commands().arranging()) {
      MenuItem item = new MenuItem(command.name());
      command.keys().ifPresent(item::setAccelerator);
      item.setOnAction(event -> command.run().run());
      arrange.getItems().add(item);
    }
    fields.getChildren().add(Head.named("with it", arrange));
    facts.getStyleClass().add("note");
    facts.setTooltip(new Tooltip());
    facts.getTooltip().textProperty().bind(facts.textProperty());
    none.getStyleClass().add("note");
    none.setWrapText(true);
    none.setMinHeight(Region.USE_PREF_SIZE);
    chosen.getStyleClass().add("tab-body");
    chosen.getChildren().addAll(fields, facts);
    StackPane.setAlignment(none, Pos.TOP_LEFT);
    workbench.selection().addListener((o, was, is) -> selection());
  }

  /** The field that a new part's name is typed in. */
  void nameIt() {
    label.requestFocus();
  }

  private Optional<Control> only() {
    Set<ControlId> selection = workbench.selection().get();
    return selection.size() == 1
        ? workbench.build().get().control(selection.iterator().next())
        : Optional.empty();
  }

  private void change(Function<Control, String> name, Function<Control, Control> change) {
    only()
        .ifPresent(
            control ->
                workbench.apply(
                    new Edit(
                        name.apply(control), b -> b.withControl(control.id(), change::apply))));
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
              change(
                  c -> "Move " + c.label(),
                  c -> c.withPlacement(c.placement().movedTo(next.xMm(), next.yMm())));
            });
  }

  private void turn(double degrees) {
    change(c -> "Turn " + c.label(), c -> c.withPlacement(c.placement().turnedTo(degrees)));
  }

  private void rename() {
    String wanted = label.getText().strip();
    if (!wanted.isEmpty() && only().filter(c -> !c.label().equals(wanted)).isPresent()) {
      change(c -> "Name " + wanted, c -> c.withLabel(wanted));
    }
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public void show(Bench bench) {
    x.unit(bench.build().brief().units());
    y.unit(bench.build().brief().units());
    selection();
  }

  private void selection() {
    Optional<Control> control = only();
    int count = workbench.selection().get().size();
    none.setVisible(count == 0);
    chosen.setVisible(count > 0);
    label.setDisable(control.isEmpty());
    for (TypedField field : new TypedField[] {x, y, turn}) {
      field.setDisable(control.isEmpty());
    }
    kindBox.setDisable(control.isEmpty());
    if (control.isEmpty()) {
      label.setText(count > 1 ? count + " controls" : "");
      facts.setText(" ");
      return;
    }
    Panel panel = workbench.build().get().panel();
    Point shown = panel.datum().fromStored(control.get().placement().centre(), panel);
    if (!label.isFocused()) {
      label.setText(control.get().label());
    }
    x.show(shown.xMm());
    y.show(shown.yMm());
    turn.show(control.get().placement().turnDegrees());
    ControlKind kind = workbench.catalogue().kindOf(control.get());
    kinds(control.get(), kind);
    StringBuilder words = new StringBuilder(kind.trait());
    words.append(" \u00B7 ").append(kind.mount().how().words());
    if (kind.feel().newton() > 0) {
      words.append(" \u00B7 ").append(kind.feel().newton()).append(" N");
    }
    LengthUnit unit = workbench.build().get().brief().units();
    if (kind.feel().throwMm() > 0) {
      words.append(" \u00B7 moves ").append(Length.text(kind.feel().throwMm(), unit));
    }
    words
        .append(" \u00B7 ")
        .append(Length.text(kind.depthBelowMm(panel.stackMm()), unit))
        .append(" deep below this panel");
    facts.setText(words.toString());
  }

  /** Kinds of the same family, so that a part can be swapped where it sits. */
  private void kinds(Control control, ControlKind kind) {
    Choice<ControlKind> choice =
        new Choice<>(
            "Kind of the control",
            workbench.catalogue().controls(kind.family()),
            ControlKind::name,
            to ->
                workbench.apply(
                    Arrange.swap(
                        workbench.build().get(), workbench.catalogue(), control.id(), to)));
    choice.setId("control-kind");
    choice.show(Optional.of(kind));
    kindBox.getChildren().setAll(choice);
  }
}
