package kumite.desktop.shell;

import javafx.scene.control.Label;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.working.Working;

/** A working as it is shown: formula, values, result, source. */
public final class WorkingView extends VBox {

  /** Shows a working. */
  public WorkingView(Working working) {
    getStyleClass().add("working");
    getChildren().add(wrapped(working.formula(), "mono"));
    GridPane grid = new GridPane();
    grid.getStyleClass().add("working-values");
    ColumnConstraints symbol = new ColumnConstraints();
    symbol.setMinWidth(Region.USE_PREF_SIZE);
    ColumnConstraints text = new ColumnConstraints();
    text.setHgrow(Priority.ALWAYS);
    grid.getColumnConstraints().addAll(symbol, text);
    int row = 0;
    for (Working.Value value : working.values()) {
      grid.add(plain(value.symbol()), 0, row);
      VBox right = new VBox(wrapped(value.text(), "mono"));
      if (!value.meaning().isEmpty()) {
        right.getChildren().add(wrapped(value.meaning(), "note"));
      }
      grid.add(right, 1, row++);
    }
    getChildren().add(grid);
    getChildren().add(wrapped("= " + working.result(), "mono-strong"));
    getChildren().add(wrapped(working.source().inWords(), "note"));
  }

  private static Label plain(String text) {
    Label label = new Label(text);
    label.getStyleClass().add("mono");
    label.setMinWidth(Region.USE_PREF_SIZE);
    return label;
  }

  private static Label wrapped(String text, String style) {
    Label label = new Label(text);
    label.getStyleClass().add(style);
    label.setWrapText(true);
    label.setMinHeight(Region.USE_PREF_SIZE);
    return label;
  }
}
