package kumite.desktop.panel;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.build.Control;
import kumite.desktop.shell.Tab;
import kumite.desktop.shell.Workbench;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.name.ControlId;
import kumite.panel.Gap;
import kumite.verdict.Bench;

/** The gap loupe: all gaps worth a look, worst first; the chosen one is drawn on the plan. */
final class GapsTab implements Tab {
  private final Workbench workbench;
  private final PlanView plan;
  private final ListView<Gap> list = new ListView<>();
  private final VBox root = new VBox();
  private boolean showing;

  GapsTab(Workbench workbench, PlanView plan) {
    this.workbench = workbench;
    this.plan = plan;
    list.setId("gaps");
    list.setAccessibleText("Gaps, tightest first");
    list.setFixedCellSize(44);
    list.setPrefHeight(168);
    list.setMinHeight(84);
    list.setCellFactory(view -> new GapCell());
    Label none = new Label("No two parts come near each other.");
    none.getStyleClass().add("note");
    list.setPlaceholder(none);
    list.getSelectionModel()
        .selectedItemProperty()
        .addListener(
            (o, was, is) -> {
              if (!showing) {
                plan.loupe(Optional.ofNullable(is));
                if (is != null && !is.controls().isEmpty()) {
                  workbench.selection().set(new LinkedHashSet<>(is.controls()));
                }
              }
            });
    list.setOnMouseClicked(
        event -> {
          if (event.getClickCount() > 1) {
            zoom();
          }
        });
    list.setOnKeyPressed(
        event -> {
          if (event.getCode() == KeyCode.ENTER) {
            zoom();
            event.consume();
          }
        });
    Label how = new Label("Select a gap to see it on the plan; Enter or a double click zooms in.");
    how.getStyleClass().add("note");
    how.setWrapText(true);
    how.setMinHeight(Region.USE_PREF_SIZE);
    VBox.setVgrow(list, Priority.ALWAYS);
    root.getStyleClass().add("tab-body");
    root.getChildren().addAll(how, list);
  }

  private void zoom() {
    Gap gap = list.getSelectionModel().getSelectedItem();
    if (gap != null) {
      plan.zoomTo(gap);
    }
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public void leave() {
    showing = true;
    list.getSelectionModel().clearSelection();
    showing = false;
    plan.loupe(Optional.empty());
  }

  @Override
  public void show(Bench bench) {
    List<Gap> gaps = bench.gaps().sideways();
    if (!list.getItems().equals(gaps)) {
      // The loupe stays on the same two parts while they are moved.
      Gap before = list.getSelectionModel().getSelectedItem();
      showing = true;
      list.getItems().setAll(gaps);
      showing = false;
      if (before != null) {
        gaps.stream()
            .filter(g -> g.kind() == before.kind() && g.controls().equals(before.controls()))
            .findFirst()
            .ifPresentOrElse(
                g -> {
                  showing = true;
                  list.getSelectionModel().select(g);
                  showing = false;
                  plan.loupe(Optional.of(g));
                },
                () -> plan.loupe(Optional.empty()));
      }
    }
  }

  private final class GapCell extends ListCell<Gap> {
    private final Label verdict = label("strong");
    private final Label between = label("plain");
    private final Label measures = label("note");
    private final VBox row = new VBox(new HBox(8, verdict, between), measures);

    GapCell() {
      row.getStyleClass().add("gap-row");
      setPrefWidth(0); // as wide as the list, so that it never scrolls sideways
      verdict.setMinWidth(Region.USE_PREF_SIZE);
    }

    private static Label label(String style) {
      Label label = new Label();
      label.getStyleClass().add(style);
      label.setTooltip(new javafx.scene.control.Tooltip());
      label.getTooltip().textProperty().bind(label.textProperty());
      return label;
    }

    @Override
    protected void updateItem(Gap gap, boolean empty) {
      super.updateItem(gap, empty);
      setText(null);
      setGraphic(empty ? null : row);
      if (!empty) {
        LengthUnit unit = workbench.build().get().brief().units();
        verdict.getStyleClass().removeAll("stop-text", "look-text", "fine-text");
        boolean narrow = gap.missingMm() > 0;
        verdict.setText(
            gap.stops()
                ? gap.meets() ? "\u25CF collides" : "\u25CF too narrow"
                : narrow ? "\u25B2 narrow" : "\u2713 enough");
        verdict.getStyleClass().add(gap.stops() ? "stop-text" : narrow ? "look-text" : "fine-text");
        Function<ControlId, String> name =
            id -> workbench.build().get().control(id).map(Control::label).orElse(id.text());
        String first = gap.control().map(name).orElse("the board");
        between.setText(first + " and " + gap.other().map(name).orElse(gap.against()));
        measures.setText(
            gap.kind().words()
                + ": "
                + Length.text(Math.abs(gap.gapMm()), unit)
                + (gap.gapMm() < 0 ? " overlap, " : " there, ")
                + Length.number(gap.neededMm(), unit)
                + " needed");
      }
    }
  }
}
