package kumite.desktop.field;

import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** The line at the top of a station: its name, a line of facts, and what can be chosen or done. */
public final class Head extends HBox {
  private final Label facts = new Label();

  /**
   * A head.
   *
   * @param title the station's name
   * @param actions shown at the right; they keep their size, the facts give way
   */
  public Head(String title, Region... actions) {
    getStyleClass().add("station-head");
    setMinHeight(USE_PREF_SIZE);
    Label name = new Label(title);
    name.getStyleClass().add("station-title");
    name.setMinWidth(USE_PREF_SIZE);
    facts.getStyleClass().add("note");
    Region gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    getChildren().addAll(name, facts, gap);
    for (Region action : actions) {
      action.setMinWidth(USE_PREF_SIZE);
      getChildren().add(action);
    }
  }

  /** Shows the line of facts, whole in its tooltip. */
  public void facts(String text) {
    facts.setText(text);
    facts.setTooltip(new Tooltip(text));
  }

  /** {@return a field under its name} */
  public static VBox named(String name, Node field) {
    Label label = new Label(name);
    label.getStyleClass().add("field-name");
    label.setMinWidth(USE_PREF_SIZE);
    label.setLabelFor(field);
    return new VBox(label, field);
  }

  /** {@return a word of explanation beside fields} */
  public static Label note(String words) {
    Label note = new Label(words);
    note.getStyleClass().add("note");
    note.setMinWidth(Region.USE_PREF_SIZE);
    return note;
  }
}
