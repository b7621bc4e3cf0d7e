package kumite.desktop.loom;

import javafx.scene.control.ListCell;

/** One line of the cut list; the line of a colour stands out from its pieces. */
final class CutCell extends ListCell<String> {
  @Override
  protected void updateItem(String line, boolean empty) {
    super.updateItem(line, empty);
    setText(empty ? null : line);
    getStyleClass().remove("cut-group");
    if (!empty && !line.startsWith(" ")) {
      getStyleClass().add("cut-group");
    }
  }
}
