package kumite.desktop.loom;

import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import kumite.desktop.field.Em;
import kumite.desktop.field.StrandLine;
import kumite.desktop.shell.Workbench;
import kumite.device.SignalPath;
import kumite.measure.Length;

/** One contact with its strand and terminal. */
final class StrandCell extends ListCell<SignalPath> {
  private static final PseudoClass LIVE = PseudoClass.getPseudoClass("live");

  private final Workbench workbench;
  private final Label control = new Label();
  private final Label tab = new Label();
  private final StrandLine line = new StrandLine();
  private final Label cut = new Label();
  private final Label terminal = new Label();
  private final HBox row = new HBox(control, tab, line, cut, terminal);

  StrandCell(Workbench workbench) {
    this.workbench = workbench;
    row.getStyleClass().add("strand-row");
    Em.min(control, 128);
    Em.pref(control, 128);
    Em.max(control, 128);
    tab.getStyleClass().addAll("mono", "note");
    Em.min(tab, 34);
    cut.getStyleClass().add("mono");
    Em.min(cut, 72);
    terminal.getStyleClass().addAll("mono", "terminal-chip");
    Em.min(terminal, 64);
    HBox.setHgrow(line, Priority.ALWAYS);
    hoverProperty()
        .addListener(
            (o, was, is) ->
                workbench
                    .hovered()
                    .set(is && getItem() != null ? Optional.of(getItem().id()) : Optional.empty()));
  }

  @Override
  protected void updateItem(SignalPath path, boolean empty) {
    super.updateItem(path, empty);
    setText(null);
    setGraphic(empty ? null : row);
    if (empty) {
      return;
    }
    control.setText(path.site().label());
    tab.setText(path.site().signalTab().replaceAll(".*\\.", ""));
    boolean wired = path.strand().isPresent();
    line.setVisible(wired);
    path.strand()
        .ifPresent(
            strand -> {
              line.show(strand.colour(), strand.id() + " " + strand.colour());
              cut.setText(
                  Length.text(strand.lengthMm(), workbench.build().get().brief().units())
                      .replace(".0 mm", " mm"));
            });
    if (!wired) {
      cut.setText("–");
    }
    terminal.setText(
        path.pin()
            .map(pin -> pin.terminal().name() + (pin.locked() ? " \u25A0" : ""))
            .orElse("none"));
    row.pseudoClassStateChanged(LIVE, workbench.holds().get().on(path.id()));
  }
}
