package kumite.desktop.map;

import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.build.Edit;
import kumite.build.brief.HostFunction;
import kumite.desktop.shell.Workbench;
import kumite.map.HostChart;
import kumite.verdict.Bench;

/** What the host asks for as a table, to be pasted, changed and taken whole. */
final class ChartTab extends VBox {
  private final Workbench workbench;
  private final TextArea text = new TextArea();
  private final Label told = new Label();
  private List<HostFunction> shown = List.of();

  ChartTab(Workbench workbench) {
    this.workbench = workbench;
    setId("chart");
    getStyleClass().add("rules");
    Label note =
        new Label(
            "Paste what the host's settings page asks for, one row for each: function, wants"
                + " (press, direction or travel), order. Commas, semicolons or tabs.");
    note.setWrapText(true);
    note.setMinHeight(Region.USE_PREF_SIZE);
    note.getStyleClass().add("note");
    text.setId("chart-text");
    text.setAccessibleText("Chart of the host: function, wants, order");
    text.getStyleClass().add("mono");
    VBox.setVgrow(text, Priority.ALWAYS);
    Button take = new Button("Take the chart");
    take.setId("chart-take");
    take.getStyleClass().add("accent");
    take.setOnAction(event -> take());
    Button back = new Button("Put back");
    back.setId("chart-back");
    back.setOnAction(event -> text.setText(HostChart.text(shown)));
    told.getStyleClass().add("note");
    HBox foot = new HBox(take, back, told);
    foot.getStyleClass().add("field-row");
    getChildren().addAll(note, text, foot);
  }

  private void take() {
    try {
      List<HostFunction> functions = HostChart.read(text.getText());
      workbench.apply(
          new Edit("Take the host's chart", b -> b.withProfile(p -> p.withFunctions(functions))));
      told.setText(functions.size() + " functions taken");
      text.setText(HostChart.text(functions));
    } catch (IllegalArgumentException e) {
      workbench.complain(e.getMessage());
    }
  }

  void show(Bench bench) {
    List<HostFunction> functions = bench.build().profile().functions();
    if (!functions.equals(shown) || text.getText().isEmpty()) {
      shown = functions;
      text.setText(HostChart.text(functions));
    }
  }
}
