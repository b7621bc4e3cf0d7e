package kumite.desktop.panel;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.desktop.field.Head;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.Workbench;
import kumite.kind.ControlKind;
import kumite.parts.PartFile;

/** A form that describes a part of one's own; it becomes part of the build. */
final class OwnPart extends VBox {
  private static final String[][] FIELDS = {
    // column of the parts file, name here, example
    {"name", "name", "Button 33"},
    {"trait", "what tells it apart", "33 mm snap-in, soft spring"},
    {"cutout", "hole in the panel", "33 round"},
    {"face", "flange or plate", "37 round"},
    {"body", "body below", "34 round"},
    {"body_depth", "depth below, thin panel", "46"},
    {"panel_min", "thinnest panel", "1"},
    {"panel_max", "thickest panel", "6"},
    {"wrench", "circle a wrench needs", "0"},
    {"screw", "screw and its hole", ""},
    {"screw_at", "screw places x y; x y", ""},
    {"stands", "stands above the face", "5"},
    {"swing", "what moves above it", ""},
    {"fingers", "room for fingers", "0"},
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
  private final Label wrong = new Label();

  OwnPart(Workbench workbench, Shell.Frame frame) {
    this.workbench = workbench;
    this.frame = frame;
    getStyleClass().add("file-pane");
    setMaxSize(780, 520);
    Label title = new Label("A part of your own");
    title.getStyleClass().add("emphasis");
    Label how =
        new Label(
            "Measure it with a caliper. Lengths in mm or in; shapes such as 30 round, 14 x 14,"
                + " 3 x 66 slot. It is saved inside this build.");
    how.getStyleClass().add("note");
    how.setWrapText(true);
    how.setMinHeight(Region.USE_PREF_SIZE);
    FlowPane form = new FlowPane();
    form.getStyleClass().add("field-row");
    for (ControlKind.Family each : ControlKind.Family.values()) {
      family.getItems().add(each.name().toLowerCase(java.util.Locale.ROOT));
    }
    family.setValue("button");
    for (ControlKind.Mount.How each : ControlKind.Mount.How.values()) {
      mount.getItems().add(each.name().toLowerCase(java.util.Locale.ROOT));
    }
    mount.setValue("snap");
    family.setId("own-family");
    form.getChildren().addAll(Head.named("family", family), Head.named("held by", mount));
    for (String[] field : FIELDS) {
      TextField text = new TextField(field[2]);
      text.setId("own-" + field[0]);
      text.setPrefWidth(field[0].equals("trait") || field[0].equals("contacts") ? 220 : 110);
      text.setAccessibleText(field[1]);
      fields.put(field[0], text);
      form.getChildren().add(Head.named(field[1], text));
    }
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
    HBox foot = new HBox(read, gap, cancel, add);
    foot.getStyleClass().add("foot");
    VBox.setVgrow(form, Priority.ALWAYS);
    getChildren().addAll(title, how, form, wrong, foot);
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
    fields.forEach((column, field) -> cells.put(column, field.getText()));
    PartFile.Imported made = PartFile.read(cells);
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
    for (String[] field : FIELDS) {
      if (field[0].equals(column)) {
        return field[1];
      }
    }
    return column;
  }
}
