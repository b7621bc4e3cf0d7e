package kumite.desktop.loom;

import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import kumite.desktop.field.Em;
import kumite.desktop.field.StrandLine;
import kumite.desktop.shell.Workbench;
import kumite.loom.Strand;
import kumite.measure.Length;

/** One strand of a common, supply or lamp. */
final class CommonCell extends ListCell<Strand> {
  private final Workbench workbench;
  private final Label from = new Label();
  private final StrandLine line = new StrandLine();
  private final Label to = new Label();
  private final Label cut = new Label();
  private final HBox row = new HBox(from, line, to, cut);

  CommonCell(Workbench workbench) {
    this.workbench = workbench;
    row.getStyleClass().add("strand-row");
    for (Label label : new Label[] {from, to}) {
      Em.min(label, 140);
      Em.pref(label, 140);
    }
    cut.getStyleClass().add("mono");
    Em.min(cut, 72);
    HBox.setHgrow(line, Priority.ALWAYS);
  }

  @Override
  protected void updateItem(Strand strand, boolean empty) {
    super.updateItem(strand, empty);
    setText(null);
    setGraphic(empty ? null : row);
    if (!empty) {
      from.setText(strand.from().words());
      from.setTooltip(new Tooltip(strand.from().words()));
      to.setTooltip(new Tooltip(strand.to().words()));
      to.setText(strand.to().words());
      line.show(strand.colour(), strand.id() + " " + strand.colour());
      cut.setText(
          Length.text(strand.lengthMm(), workbench.build().get().brief().units())
              .replace(".0 mm", " mm"));
    }
  }
}
