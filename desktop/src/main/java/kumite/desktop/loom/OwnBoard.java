package kumite.desktop.loom;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.build.Edit;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.Workbench;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.panel.Arrange;
import kumite.parts.BoardFile;
import kumite.parts.PartFile;
import kumite.working.Quantity;

/** A board of one's own: a few traits, and the table of its terminals pasted in. */
final class OwnBoard extends VBox {
  private static final String EXAMPLE =
      "terminal,side,can,keep\nGND,left,,\n1,left,digital pull_up drive,\n"
          + "A0,right,digital pull_up analog,\nTX,right,,serial\n5V,right,,\n";

  private final Workbench workbench;
  private final Shell.Frame frame;
  private final TextField name = new TextField("My board");
  private final TextField volts = new TextField("3.3 V");
  private final TextField bits = new TextField("12");
  private final ComboBox<String> common = new ComboBox<>();
  private final ComboBox<String> link = new ComboBox<>();
  private final TextArea table = new TextArea(EXAMPLE);
  private final Label wrong = new Label();

  OwnBoard(Workbench workbench, Shell.Frame frame) {
    this.workbench = workbench;
    this.frame = frame;
    getStyleClass().add("file-pane");
    setMaxSize(720, 560);
    Label title = new Label("A board of your own");
    title.getStyleClass().add("emphasis");
    Label how =
        new Label(
            "Paste the table of its terminals, from the plug to the front, one a line; columns"
                + " terminal, side, role, can, keep, volts, means. Only the first is needed. It is"
                + " saved inside this build.");
    how.getStyleClass().add("note");
    how.setWrapText(true);
    how.setMinHeight(Region.USE_PREF_SIZE);
    for (Common each : Common.values()) {
      common.getItems().add(each.words());
    }
    common.setValue(Common.GROUND.words());
    for (BoardKind.Link each : BoardKind.Link.values()) {
      link.getItems().add(each.words());
    }
    link.setValue(BoardKind.Link.USB.words());
    name.setId("board-name");
    table.setId("board-table");
    table.getStyleClass().add("mono");
    table.setPrefRowCount(12);
    Em.pref(volts, 90);
    Em.pref(bits, 90);
    FlowPane form =
        new FlowPane(
            Head.named("name", name),
            Head.named("logic supply", volts),
            Head.named("contacts share", common),
            Head.named("converter bits, 0 none", bits),
            Head.named("talks as", link));
    form.getStyleClass().add("field-row");
    form.setMinHeight(Region.USE_PREF_SIZE);
    wrong.getStyleClass().add("bad-text");
    wrong.setId("board-wrong");
    wrong.setWrapText(true);
    wrong.setMinHeight(Region.USE_PREF_SIZE);
    Button cancel = new Button("Cancel");
    cancel.setOnAction(event -> frame.over().lower());
    Button add = new Button("Use it in this build");
    add.setId("board-add");
    add.getStyleClass().add("accent");
    add.setOnAction(event -> add());
    HBox gap = new HBox();
    HBox.setHgrow(gap, Priority.ALWAYS);
    HBox foot = new HBox(gap, cancel, add);
    foot.getStyleClass().add("foot");
    VBox.setVgrow(table, Priority.ALWAYS);
    getChildren().addAll(title, how, form, table, wrong, foot);
  }

  private void add() {
    BoardFile.Imported made;
    try {
      String id =
          "own-"
              + name.getText()
                  .toLowerCase(java.util.Locale.ROOT)
                  .replaceAll("[^a-z0-9]+", "-")
                  .replaceAll("^-|-$", "");
      made =
          BoardFile.readTable(
              new BoardFile.Traits(
                  id,
                  name.getText().strip(),
                  Quantity.VOLT.above0(volts.getText(), "logic supply"),
                  common.getValue().equals(Common.RAIL.words()) ? Common.RAIL : Common.GROUND,
                  bits(),
                  brain()),
              table.getText());
    } catch (IllegalArgumentException e) {
      wrong.setText(e.getMessage());
      return;
    }
    if (made.board().isEmpty()) {
      wrong.setText(
          made.problems().stream()
              .limit(5)
              .map(PartFile.Problem::words)
              .collect(Collectors.joining("\n")));
      return;
    }
    BoardKind kind = made.board().get();
    workbench.apply(
        new Edit("Use " + kind.name(), b -> Arrange.withBoard(b.withOwnBoard(kind), kind)));
    frame.over().lower();
  }

  private int bits() {
    try {
      return Integer.parseInt(bits.getText().strip());
    } catch (NumberFormatException e) {
      throw new IllegalArgumentException(
          "converter bits: \"" + bits.getText() + "\" is no whole number; type 0 to 24", e);
    }
  }

  private BoardKind.Brain brain() {
    List<BoardKind.Link> links = Arrays.asList(BoardKind.Link.values());
    BoardKind.Link chosen =
        links.stream().filter(l -> l.words().equals(link.getValue())).findFirst().orElseThrow();
    return new BoardKind.Brain(
        chosen,
        false,
        true,
        1,
        true,
        1,
        "",
        Optional.empty(),
        0,
        Optional.empty(),
        Optional.empty(),
        Optional.empty());
  }
}
