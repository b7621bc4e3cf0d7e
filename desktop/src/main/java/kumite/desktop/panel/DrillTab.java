package kumite.desktop.panel;

import java.util.Locale;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TableCell;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.Tab;
import kumite.desktop.shell.Workbench;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.panel.DrillPlan;
import kumite.sheet.Exports;
import kumite.verdict.Bench;
import kumite.verdict.Export;

/** The holes with coordinates, tools and order, and what is written for the saw and the printer. */
final class DrillTab implements Tab {
  private final Workbench workbench;
  private final Label advice = new Label();
  private final TableView<DrillPlan.Hole> table = new TableView<>();
  private final VBox root = new VBox();

  private interface Text {
    String of(DrillPlan.Hole hole, LengthUnit unit);
  }

  DrillTab(Workbench workbench, Shell.Frame frame) {
    this.workbench = workbench;
    advice.getStyleClass().add("note");
    advice.setWrapText(true);
    advice.setMinHeight(Region.USE_PREF_SIZE);
    table.setId("drill-table");
    table.setAccessibleText("Holes in the order of work");
    table.setPrefHeight(180);
    table.setMinHeight(90);
    table.setFixedCellSize(26);
    table.getStyleClass().add("drill-table");
    column("no.", 38, (h, u) -> String.valueOf(h.order()), true);
    column("for", 86, (h, u) -> h.label(), false);
    column("hole", 72, (h, u) -> h.purpose(), false);
    column("x", 68, (h, u) -> Length.fine(h.xMm(), u), true);
    column("y", 68, (h, u) -> Length.fine(h.yMm(), u), true);
    column("x below", 70, (h, u) -> Length.fine(h.belowXMm(), u), true);
    column("size", 110, (h, u) -> size(h, u), true);
    column("make it with", 148, (h, u) -> h.toolWords(), false);
    column(
        "pilot",
        48,
        (h, u) ->
            h.tool()
                .filter(t -> t.tool().pilotMm() > 0)
                .map(t -> Length.number(t.tool().pilotMm(), u))
                .orElse(""),
        true);
    column("from", 84, (h, u) -> h.fromWords(), false);
    column("sink", 52, (h, u) -> h.sinkMm() > 0 ? Length.fine(h.sinkMm(), u) : "", true);
    table
        .getSelectionModel()
        .selectedItemProperty()
        .addListener(
            (o, was, is) -> {
              if (is != null) {
                is.control().ifPresent(workbench::select);
              }
            });
    Label none = new Label("No holes yet.");
    none.getStyleClass().add("note");
    table.setPlaceholder(none);
    FlowPane out = new FlowPane();
    out.getStyleClass().add("actions");
    out.setMinHeight(Region.USE_PREF_SIZE);
    for (Export export :
        new Export[] {
          Exports.TEMPLATE,
          Exports.SVG,
          Exports.DXF,
          Exports.ART,
          Exports.DRILL,
          Exports.CAP_LABELS,
          Exports.HEADER_OVERLAY
        }) {
      Button button = new Button(export.title());
      button.getStyleClass().add("small");
      button.setMinWidth(Region.USE_PREF_SIZE);
      button.setOnAction(event -> frame.commands().export(export));
      out.getChildren().add(button);
    }
    VBox.setVgrow(table, Priority.ALWAYS);
    root.getStyleClass().add("tab-body");
    root.getChildren().addAll(advice, table, out);
  }

  private static String size(DrillPlan.Hole hole, LengthUnit unit) {
    return hole.sizeWords(unit);
  }

  private void column(String name, double width, Text text, boolean mono) {
    TableColumn<DrillPlan.Hole, DrillPlan.Hole> column = new TableColumn<>(name);
    column.setPrefWidth(width);
    column.setSortable(false);
    column.setReorderable(false);
    column.setCellValueFactory(
        row -> new javafx.beans.property.ReadOnlyObjectWrapper<>(row.getValue()));
    column.setCellFactory(
        c ->
            new TableCell<>() {
              @Override
              protected void updateItem(DrillPlan.Hole hole, boolean empty) {
                super.updateItem(hole, empty);
                String words =
                    empty || hole == null
                        ? ""
                        : text.of(hole, workbench.build().get().brief().units());
                setText(words);
                setTooltip(words.isEmpty() ? null : new Tooltip(words));
                if (mono && !getStyleClass().contains("mono")) {
                  getStyleClass().add("mono");
                }
              }
            });
    table.getColumns().add(column);
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public void show(Bench bench) {
    if (!table.getItems().equals(bench.drill().inOrder())) {
      table.getItems().setAll(bench.drill().inOrder());
    }
    table.refresh();
    advice.setText(
        String.format(
            Locale.ROOT,
            "Every coordinate is measured from the %s, so that errors do not add up. %s",
            bench.build().panel().datum().words(),
            DrillPlan.advice(bench.build().panel().material())));
  }
}
