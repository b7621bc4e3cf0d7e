package kumite.desktop.panel;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.desktop.field.Choice;
import kumite.desktop.field.Head;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.Workbench;
import kumite.kind.ControlKind;
import kumite.parts.PartFile;

/** A form that describes a part of one's own; it becomes part of the build. */
final class OwnPart extends VBox {
  private static final String[][] TRACED = {
    // column of the parts file, name here, example
    {"name", "name", "Button 33"},
    {"cutout", "hole in the panel", "33"},
    {"face", "flange", "37"},
    {"body_depth", "depth below", "46"},
  };

  private static final String[][] MORE = {
    {"trait", "what tells it apart", ""},
    {"body", "body below", ""},
    {"panel_min", "thinnest panel", "1"},
    {"panel_max", "thickest panel", "6"},
    {"wrench", "circle a wrench needs", "0"},
    {"screw", "screw and its hole", ""},
    {"screw_at", "screw places x y; x y", ""},
    {"stands", "stands above the face", "5"},
    {"swing", "what moves above it", ""},
    {"fingers", "room for fingers", "0"},
    {"cap", "cap for a label", ""},
    {"force_n", "force, N", "1"},
    {"throw", "throw", "2"},
    {"tab", "tab width, 0 soldered", "4.8"},
    {"bounce_us", "bounce, us", "1000 to 5000"},
    {"lamp", "lamp", ""},
    {"steps", "steps of a ladder", ""},
    {"ohm", "ohm", ""},
    {"latching", "stays where put", "no"},
    {"contacts", "contacts", "switch"}
  };

  private final Workbench workbench;
  private final Shell.Frame frame;
  private final Map<String, TextField> fields = new LinkedHashMap<>();
  private final ComboBox<String> family = new ComboBox<>();
  private final ComboBox<String> mount = new ComboBox<>();
  private final ComboBox<String> from = new ComboBox<>();
  private final Choice<ControlKind> copied;
  private final FlowPane more = new FlowPane();
  private final Label wrong = new Label();
  private Optional<ControlKind> base = Optional.empty();

  OwnPart(Workbench workbench, Shell.Frame frame) {
    this.workbench = workbench;
    this.frame = frame;
    getStyleClass().add("file-pane");
    setMaxSize(780, Region.USE_PREF_SIZE);
    Label title = new Label("A part of your own");
    title.getStyleClass().add("emphasis");
    Label how =
        new Label(
            "Three numbers from a caliper are enough: hole, flange, depth. Lengths in mm or in;"
                + " shapes such as 30 round, 14 x 14, 3 x 66 slot. It is saved inside this build.");
    how.getStyleClass().add("note");
    how.setWrapText(true);
    how.setMinHeight(Region.USE_PREF_SIZE);
    for (ControlKind.Family each : ControlKind.Family.values()) {
      family.getItems().add(word(each));
    }
    family.setValue(word(ControlKind.Family.BUTTON));
    for (ControlKind.Mount.How each : ControlKind.Mount.How.values()) {
      mount.getItems().add(word(each));
    }
    mount.setValue(word(ControlKind.Mount.How.SNAP));
    for (ControlKind.Mount.From each : ControlKind.Mount.From.values()) {
      from.getItems().add(word(each));
    }
    from.setValue(word(ControlKind.Mount.From.ABOVE));
    family.setId("own-family");
    mount.setId("own-mount");
    mount
        .valueProperty()
        .addListener(
            (o, was, is) ->
                from.setValue(
                    word(
                        ControlKind.Mount.How.valueOf(is.toUpperCase(java.util.Locale.ROOT))
                            .usual())));
    List<ControlKind> known = workbench.catalogue().with(workbench.build().get()).controls();
    copied = new Choice<>("a part to copy", known, ControlKind::name, this::copy);
    copied.setId("own-copy");
    FlowPane traced = new FlowPane();
    traced.getStyleClass().add("field-row");
    traced.setMinHeight(Region.USE_PREF_SIZE);
    add(traced, TRACED);
    traced.getChildren().addAll(Head.named("family", family), Head.named("or copy from", copied));
    more.getStyleClass().add("field-row");
    more.getChildren().addAll(Head.named("held by", mount), Head.named("comes from", from));
    add(more, MORE);
    CheckBox all = new CheckBox("All measures");
    all.setId("own-more");
    all.setMinWidth(Region.USE_PREF_SIZE);
    more.visibleProperty().bind(all.selectedProperty());
    more.managedProperty().bind(all.selectedProperty());
    wrong.getStyleClass().add("bad-text");
    wrong.setId("own-wrong");
    wrong.setWrapText(true);
    wrong.setMinHeight(Region.USE_PREF_SIZE);
    Button read = new Button("Read parts from a file");
    read.setId("own-import");
    read.setOnAction(
        event -> {
          frame.over().lower();
          frame.commands().importParts();
        });
    Button cancel = new Button("Cancel");
    cancel.setOnAction(event -> frame.over().lower());
    Button add = new Button("Add to this build");
    add.setId("own-add");
    add.getStyleClass().add("accent");
    add.setOnAction(event -> add());
    for (Button button : new Button[] {read, cancel, add}) {
      button.setMinWidth(Region.USE_PREF_SIZE);
    }
    HBox gap = new HBox();
    HBox.setHgrow(gap, Priority.ALWAYS);
    HBox foot = new HBox(all, read, gap, cancel, add);
    foot.getStyleClass().add("foot");
    getChildren().addAll(title, how, traced, more, wrong, foot);
  }

  private static String word(Enum<?> constant) {
    return constant.name().toLowerCase(java.util.Locale.ROOT);
  }

  private void add(FlowPane pane, String[][] columns) {
    for (String[] field : columns) {
      TextField text = new TextField(field[2]);
      text.setId("own-" + field[0]);
      text.setPrefWidth(field[0].equals("trait") || field[0].equals("contacts") ? 220 : 110);
      text.setAccessibleText(field[1]);
      if (field[0].equals("body_depth")) {
        text.setOnAction(event -> add()); // after the last of the three numbers
      }
      fields.put(field[0], text);
      pane.getChildren().add(Head.named(field[1], text));
    }
  }

  /** Fills the form with a part there is; what the form cannot say is kept from it. */
  private void copy(ControlKind kind) {
    base = Optional.of(kind);
    Map<String, String> cells = PartFile.cells(kind);
    fields.forEach((column, field) -> field.setText(cells.getOrDefault(column, "")));
    fields.get("name").setText(kind.name() + ", mine");
    family.setValue(cells.get("family"));
    mount.setValue(cells.get("mount"));
    from.setValue(cells.get("from"));
  }

  private void add() {
    Map<String, String> cells = new LinkedHashMap<>();
    String name = fields.get("name").getText().strip();
    cells.put(
        "id",
        "own-"
            + name.toLowerCase(java.util.Locale.ROOT)
                .replaceAll("[^a-z0-9]+", "-")
                .replaceAll("^-|-$", ""));
    cells.put("family", family.getValue());
    cells.put("mount", mount.getValue());
    cells.put("from", from.getValue());
    fields.forEach((column, field) -> cells.put(column, field.getText()));
    PartFile.Imported made =
        base.map(kind -> PartFile.read(cells, kind)).orElseGet(() -> PartFile.read(cells));
    if (!made.problems().isEmpty()) {
      wrong.setText(
          made.problems().stream()
              .map(p -> (p.column().isEmpty() ? "" : nameOf(p.column()) + ": ") + p.what())
              .collect(Collectors.joining("\n")));
      return;
    }
    workbench.takeParts(made.kinds());
    frame.over().lower();
  }

  private static String nameOf(String column) {
    for (String[][] columns : new String[][][] {TRACED, MORE}) {
      for (String[] field : columns) {
        if (field[0].equals(column) || column.equals(field[0] + "_mm")) {
          return field[1];
        }
      }
    }
    return column;
  }
}
