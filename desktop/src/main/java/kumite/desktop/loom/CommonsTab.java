package kumite.desktop.loom;

import javafx.scene.control.ListView;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import kumite.desktop.shell.Workbench;
import kumite.loom.Strand;
import kumite.verdict.Bench;

/** The commons: how each runs, and its strands. */
final class CommonsTab extends VBox {
  private final VBox runs = new VBox();
  private final ListView<Strand> strands = new ListView<>();

  CommonsTab(Workbench workbench) {
    strands.setCellFactory(v -> new CommonCell(workbench));
    strands.setFixedCellSize(30);
    strands.setAccessibleText("Strands of the commons");
    runs.getStyleClass().add("runs");
    VBox.setVgrow(strands, Priority.ALWAYS);
    getChildren().addAll(runs, strands);
  }

  void show(Bench bench) {
    strands
        .getItems()
        .setAll(bench.loom().strands().stream().filter(s -> s.contact().isEmpty()).toList());
    runs.getChildren().setAll(bench.loom().runs().stream().map(RunView::new).toList());
  }
}
