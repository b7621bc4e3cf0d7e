package kumite.desktop.bringup;

import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import kumite.bringup.Evidence;
import kumite.build.bringup.Answer;
import kumite.build.bringup.Entry;

/** What was read in this round, the latest first, each said to be as expected or not. */
final class ReadingsList extends VBox {
  private final RoundDesk desk;
  private final Label title = new Label();
  private final ListView<Entry> list = new ListView<>();

  ReadingsList(RoundDesk desk) {
    this.desk = desk;
    getStyleClass().addAll("sheet", "readings-card");
    title.getStyleClass().add("card-title");
    list.setId("bringup-readings");
    list.setAccessibleText("Readings so far, the latest first");
    list.setFixedCellSize(26);
    list.setCellFactory(view -> new Row());
    Label none = new Label("Nothing was read in this round yet.");
    none.getStyleClass().add("note");
    list.setPlaceholder(none);
    VBox.setVgrow(list, Priority.ALWAYS);
    getChildren().addAll(title, list);
  }

  void show() {
    long odd = desk.latest().stream().filter(e -> !desk.expected(e)).count();
    int count = desk.latest().size();
    title.setText(
        "Readings so far"
            + (count == 0
                ? ""
                : ": "
                    + count
                    + (odd == 0 ? ", all as expected" : ", " + odd + " not as expected")));
    list.getItems().setAll(desk.latest());
  }

  private final class Row extends ListCell<Entry> {
    private final Label what = new Label();
    private final Label read = new Label();
    private final Label said = new Label();
    private final HBox row = new HBox(what, read, said);

    Row() {
      row.setSpacing(10);
      what.setMaxWidth(Double.MAX_VALUE);
      what.setMinWidth(0);
      HBox.setHgrow(what, Priority.ALWAYS);
      read.getStyleClass().add("mono");
      read.setMinWidth(USE_PREF_SIZE);
      said.setMinWidth(USE_PREF_SIZE);
    }

    @Override
    protected void updateItem(Entry entry, boolean empty) {
      super.updateItem(entry, empty);
      setText(null);
      setGraphic(empty ? null : row);
      if (!empty) {
        what.setText(
            Evidence.words(entry.ask()) + (entry.note().isEmpty() ? "" : " · " + entry.note()));
        read.setText(entry.answer().map(Answer::toString).orElse("skipped"));
        boolean fine = desk.expected(entry);
        said.setText(entry.answer().isEmpty() ? "–" : fine ? "✓ as expected" : "✗ not expected");
        said.getStyleClass().setAll("label", fine ? "fine-text" : "bad-text");
      }
    }
  }
}
