package kumite.desktop.map;

import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import kumite.desktop.field.Em;
import kumite.desktop.shell.Workbench;
import kumite.map.Coverage;
import kumite.verdict.Bench;

/** One function that the host asks for, and what gives it. */
final class AskCell extends ListCell<Coverage.Row> {
  private final Workbench workbench;
  private final Label mark = new Label();
  private final Label name = new Label();
  private final Label by = new Label();
  private final HBox row;

  AskCell(Workbench workbench) {
    this.workbench = workbench;
    Em.min(mark, 18);
    by.getStyleClass().add("note");
    Region gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    row = new HBox(mark, name, gap, by);
    row.getStyleClass().add("ask-row");
  }

  @Override
  protected void updateItem(Coverage.Row ask, boolean empty) {
    super.updateItem(ask, empty);
    setText(null);
    setGraphic(empty ? null : row);
    if (empty) {
      return;
    }
    Bench bench = workbench.bench().get();
    mark.getStyleClass().removeAll("fine", "look");
    mark.getStyleClass().add(ask.covered() ? "fine" : "look");
    mark.setText(ask.covered() ? "\u2713" : "\u25B2");
    name.setText(ask.function().name());
    String givers =
        String.join(
            ", ",
            ask.by().stream()
                .map(id -> bench.path(id).map(p -> p.site().label()).orElse(id.toString()))
                .toList());
    by.setText(ask.by().isEmpty() ? "nothing yet" : ask.fits() ? givers : givers + ", wrong kind");
    setTooltip(
        new Tooltip(
            ask.function().name()
                + " wants a "
                + ask.function().wants().words()
                + "\n"
                + by.getText()));
  }
}
